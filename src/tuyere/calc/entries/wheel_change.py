"""`wheel-change`: a drive with one of its wheels changed for another size, as its page takes it."""

from typing import Literal

from pydantic import Field, JsonValue

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Size
from tuyere.calc.families.asked import drive_asked
from tuyere.calc.families.protocol import dumped
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet


class WheelChangeIn(Input):
    """A drive's input, which wheel, and the diameter of the new one."""

    calc: Text = Field(description="the whole-drive calculation that works it")
    input: dict[str, JsonValue] = Field(description="its input as it stands")
    wheel: Literal["driver", "driven"] = Field(description="which wheel is changed")
    outside: Size = Field(description="diameter of the new wheel")
    measured: Literal["outside", "pitch"] = Field(
        title="Which diameter", default="outside", description="which diameter that is"
    )


class WheelChangeOut(Answer):
    """The input with the new wheel, the speed it gives and where the shafts then stand."""

    input: dict[str, JsonValue]
    says: str
    driven_speed: Figure
    centre_distance: Figure


@calculation(
    "wheel-change",
    "Change one wheel of a drive",
    summary="A drive with its driver or driven wheel changed for another outside diameter: its input, speed and centres.",
    source="the method of the drive's family",
    bench=False,
    example={
        "units": "us",
        "input": {
            "calc": "v-belt-drive",
            "wheel": "driver",
            "outside": "6.92 in",
            "input": {
                "power": "15hp",
                "service_factor": {"assume": 1.3},
                "driver": {"speed": "1750 rpm", "sheave": {"diameter": "5.4 in", "kind": "pitch", "groove": "B"}},
                "driven": {"sheave": {"diameter": "9.4 in", "kind": "pitch", "groove": "B"}},
                "belt": {"designation": "B90"},
            },
        },
    },
)
def wheel_change(given: WheelChangeIn, frame: Frame) -> WheelChangeOut:
    """Put the wheel in and work the drive. Raises InputError where it cannot be."""
    family, now = drive_asked(given.calc, given.input)
    changed = family.with_wheel(now, given.wheel, given.outside.value, given.measured)
    with quiet(), collected_notices():
        try:
            worked = family.worked(changed, frame)
        except InputError as e:
            raise e.at("outside") from e
    f = frame.figure
    speed, centre = f(worked.driven_rpm, "speed"), f(worked.centre_mm, "length", "tape")
    return WheelChangeOut(
        input=dict(dumped(changed)),
        says=f"{speed.shown}, shafts {centre.shown} apart.",
        driven_speed=speed,
        centre_distance=centre,
    )
