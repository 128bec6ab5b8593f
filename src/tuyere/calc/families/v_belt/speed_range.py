"""`v-belt-range`: a V-belt drive over a range of speeds."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Speed
from tuyere.calc.families.v_belt.drive_model import VBeltDriveIn
from tuyere.calc.families.v_belt.family import V_BELTS
from tuyere.calc.frame import Frame
from tuyere.calc.registry import calculation
from tuyere.core.steps import quiet
from tuyere.core.v_belt.case import seated
from tuyere.core.v_belt.method import work_v_belt
from tuyere.core.v_belt.speed_range import AtSpeed, speed_range

GROUP = "V-belts"


class RangeIn(VBeltDriveIn):
    """A drive and the speeds that its driver runs at."""

    low: Speed = Field(title="Slowest driver speed", description="slowest driver speed")
    high: Speed = Field(title="Fastest driver speed", description="fastest driver speed")
    load: Literal["constant torque", "constant power", "fan"] = Field(
        default="constant torque", description="how the load goes with speed: conveyor, winder, or fan and pump"
    )


class AtSpeedOut(Answer):
    """One speed."""

    driver_speed: Figure
    driven_speed: Figure
    power: Figure
    belt_power: Figure
    belts_exact: Figure


class RangeOut(Answer):
    """Every speed that was rated; the worst asks for most belts."""

    says: str
    belts_needed: Figure
    belts: Figure
    enough: bool
    worst: AtSpeedOut
    points: list[AtSpeedOut]


@calculation(
    "v-belt-range",
    "V-belts on a frequency drive or an engine",
    summary="The rating over a whole speed range; the speed that asks for most belts is named.",
    source="the rating basis at each speed",
    example={
        "units": "us",
        "input": {
            "power": "10hp",
            "service_factor": {"assume": 1.2},
            "driver": {"speed": "1750 rpm", "sheave": {"diameter": "5.4 in", "kind": "pitch", "groove": "B"}},
            "driven": {"sheave": {"diameter": "9.4 in", "kind": "pitch", "groove": "B"}},
            "belt": {"designation": "B90", "count": 2},
            "low": "600 rpm",
            "high": "2400 rpm",
            "load": "constant torque",
        },
    },
)
def v_belt_range(given: RangeIn, frame: Frame) -> RangeOut:
    """Rate it at each speed."""
    core = seated(V_BELTS.whole_case(given, frame))
    with quiet():
        here = work_v_belt(core)
    found = speed_range(core, given.low.value, given.high.value, given.load)
    f = frame.figure

    def out(p: AtSpeed) -> AtSpeedOut:
        return AtSpeedOut(
            driver_speed=f(p.driver_rpm, "speed"),
            driven_speed=f(p.driven_rpm, "speed"),
            power=f(p.power_kw, "power"),
            belt_power=f(p.belt_kw, "power", per="belt"),
            belts_exact=f(p.belts_exact, "factor", "exact"),
        )

    worst = out(found.worst)
    needed, there = f(found.belts_needed, "count"), f(here.rated.count, "count")
    enough = found.belts_needed <= here.rated.count
    return RangeOut(
        says=(
            f"{needed.shown} {'belt is' if float(found.belts_needed) == 1 else 'belts are'} needed at "
            f"{worst.driver_speed.shown} of the driver, the worst of the range; {there.shown} on it"
            + (": enough at every speed." if enough else ": too few.")
        ),
        belts_needed=needed,
        belts=there,
        enough=enough,
        worst=worst,
        points=[out(p) for p in found.points],
    )
