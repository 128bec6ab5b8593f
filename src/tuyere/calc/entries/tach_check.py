"""`tach-check`: two shafts under a tachometer: the ratio that is, slip, and what may be wrong."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Size, Speed, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Real
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.speeds.tach import Checked, Shown, tach_check

GROUP = "Speeds"
Readings = Annotated[list[Speed], Field(max_length=12)]
DOES = {
    "creep": "usual creep: nothing is to be done",
    "none that can be told": "no slip that these readings could tell",
    "slipping": "it slips: read the tension, look for glaze and dished grooves",
    "other diameter": "one of the diameters is another than was said: measure both again, and which diameter it is",
    "slip or other diameter": "it slips, or a diameter is another than was said: read both shafts without load too",
    "other motor speed": "the driver runs at another speed than was thought: look at the plate, the supply, the governor",
    "not told without load": "the ratio as it is; slip shows only against readings without load",
    "contradiction": "the driven shaft gains under load: that cannot be; read all four again",
}


Counted = Annotated[Real, Field(ge=0.1, le=10000)]


class MarksIn(Input):
    """Turns counted by chalk marks, the drive locked and turned by hand."""

    driver_turns: Counted = Field(description="turns of the driver")
    driven_turns: Counted = Field(description="turns of the driven wheel meanwhile")


class TachIn(Input):
    """Speeds of both shafts under load, several readings each; without load too where it can be."""

    driver: Readings = Field(description="driver under load, reading by reading")
    driven: Readings = Field(description="driven shaft under load")
    unloaded_driver: Readings = Field(default_factory=list, description="driver without load")
    unloaded_driven: Readings = Field(default_factory=list, description="driven shaft without load")
    marks: MarksIn | None = Field(default=None, description="or both counted by marks, turned by hand")
    driver_diameter: Size | None = Field(default=None, description="pitch diameter of the driver, as it is said")
    driven_diameter: Size | None = Field(default=None, description="pitch diameter of the driven wheel")
    named_speed: Speed | None = Field(default=None, description="speed on the motor's plate, or of the governor")


class ShaftOut(Answer):
    """One shaft's readings."""

    mean: Figure
    spread: Figure
    error: Figure


class TachOut(Answer):
    """What the tachometer says."""

    says: str
    verdict: str
    driver: ShaftOut
    driven: ShaftOut
    ratio: Figure
    unloaded_ratio: Figure | None
    slip: Figure | None
    slip_error: Figure | None
    lost_to_diameters: Figure | None
    driver_diameter_is: Figure | None


def _shaft(x: Shown, frame: Frame) -> ShaftOut:
    f = frame.figure
    return ShaftOut(mean=f(x.mean, "speed"), spread=f(x.spread, "speed"), error=f(x.error, "speed"))


def _checked(given: TachIn) -> Checked:
    unloaded = None
    if given.unloaded_driver or given.unloaded_driven:
        unloaded = ([r.value for r in given.unloaded_driver], [r.value for r in given.unloaded_driven])
    if unloaded is not None and given.marks is not None:
        raise InputError("marks", None, "read without load and counted by hand", "one of the two")
    diameters = None
    if (given.driver_diameter is None) != (given.driven_diameter is None):
        missing = "driver_diameter" if given.driver_diameter is None else "driven_diameter"
        raise InputError(missing, None, "both diameters are wanted, or none", "the other one too")
    if given.driver_diameter is not None and given.driven_diameter is not None:
        diameters = (given.driver_diameter.value, given.driven_diameter.value)
    return tach_check(
        [r.value for r in given.driver],
        [r.value for r in given.driven],
        unloaded=unloaded,
        by_hand=None if given.marks is None else (given.marks.driver_turns, given.marks.driven_turns),
        diameters_mm=diameters,
        named_rpm=maybe(given.named_speed),
    )


@calculation(
    "tach-check",
    "Two shafts under a tachometer",
    summary="Real ratio, slip against the ratio without load, and whether a diameter or the motor's speed is another than was said.",
    source="kinematics; first-order propagation of errors; limits of common practice",
    example={
        "units": "us",
        "input": {
            "driver": ["1748", "1750", "1749"],
            "driven": ["648", "646", "647"],
            "unloaded_driver": ["1790", "1791"],
            "unloaded_driven": ["671", "672"],
            "driver_diameter": "5.4",
            "driven_diameter": "14.4",
        },
    },
    first=("says", "ratio"),
)
def tach_check_entry(given: TachIn, frame: Frame) -> TachOut:
    """Judge the readings. Raises InputError beside readings that cannot be."""
    found = _checked(given)
    f = frame.figure
    if found.verdict == "slipping":
        notice(
            "caution",
            "hot-part",
            "A slipping belt and its wheels are hot: let them cool before a hand goes near.",
            "input.driven",
        )
    ratio = f(found.ratio, "factor", "exact")
    slip = None if found.slip is None else f(found.slip, "percent")
    error = None if found.slip_error is None else f(2 * found.slip_error, "percent")
    lost = "" if slip is None or error is None else f" Slip {slip.shown}, give or take {error.shown}."
    return TachOut(
        says=f"{ratio.shown} turns of the driver to one.{lost} {DOES[found.verdict][:1].upper()}{DOES[found.verdict][1:]}.",
        verdict=found.verdict,
        driver=_shaft(found.driver, frame),
        driven=_shaft(found.driven, frame),
        ratio=ratio,
        unloaded_ratio=None if found.unloaded_ratio is None else f(found.unloaded_ratio, "factor", "exact"),
        slip=slip,
        slip_error=error,
        lost_to_diameters=None if found.lost_to_diameters is None else f(found.lost_to_diameters, "percent"),
        driver_diameter_is=None if found.driver_is_mm is None else f(found.driver_is_mm, "length", "size"),
    )
