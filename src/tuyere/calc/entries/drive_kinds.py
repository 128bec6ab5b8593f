"""`drive-kinds`: direct, belt, chain or gear for one duty."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Band, Figure
from tuyere.calc.entry import HoursADay, Percent, Power, Speed, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.duty.kinds import Kind, kinds_for, wear_at
from tuyere.core.duty.losses import loss_band
from tuyere.core.notices import notice

GROUP = "Speeds"
Respect = Literal["speed", "shock", "overload", "noise", "alignment", "weight", "upkeep", "cost"]
Machine = Literal[
    "centrifugal pump, clean",
    "centrifugal pump, grit",
    "piston or plunger pump",
    "gear or screw pump",
    "fan",
    "compressor, piston",
    "conveyor",
    "mixer",
]


class DriveKindsIn(Input):
    """The duty, what matters most, and what is driven."""

    power: Power = Field(description="power to transmit")
    driver_speed: Speed = Field(description="speed of the motor or engine")
    driven_speed: Speed = Field(description="speed that the machine needs")
    within: Percent | None = Field(
        title="Near enough, within", default=None, description="how near is near enough; 3 % where left open"
    )
    frequency: Literal[50, 60] = Field(default=60, description="frequency of the supply, Hz")
    asked: Annotated[list[Respect], Field(max_length=8)] = Field(
        default_factory=list, description="what matters most: it counts three times"
    )
    machine: Machine | None = Field(default=None, description="driven machine, for its wear by speed")
    hours_a_day: HoursADay | None = Field(default=None, description="running hours a day; 10 are taken")
    days_a_year: Annotated[Whole, Field(ge=1, le=366)] = Field(default=250, description="days it runs in a year")


class RespectOut(Answer):
    """One respect."""

    asks: str
    mark: Literal["good", "fair", "poor"]
    words: str
    asked: bool


class KindOut(Answer):
    """One kind of drive."""

    title: str
    reaches: bool
    how: str
    efficiency: Band
    yearly_loss: Band
    manners: list[RespectOut]
    reasons: str


class DriveKindsOut(Answer):
    """Every kind, those that reach the speed first."""

    says: str
    wear: Figure | None
    suction: Figure | None
    wears: str
    kinds: list[KindOut]


def _kind(k: Kind, given: DriveKindsIn, frame: Frame) -> KindOut:
    low, high = loss_band(given.power.value, k.efficiency, value_of(given.hours_a_day, 10.0), float(given.days_a_year))
    good = [m.asks for m in k.manners if m.mark == "good"]
    poor = [m.asks for m in k.manners if m.mark == "poor"]
    words = [f"good in {', '.join(good)}"] if good else []
    words += [f"poor in {', '.join(poor)}"] if poor else []
    return KindOut(
        title=k.title,
        reaches=k.reaches,
        how=k.how,
        efficiency=frame.band(k.efficiency[0], k.efficiency[1], "percent"),
        yearly_loss=frame.band(low, high, "energy"),
        manners=[RespectOut(asks=m.asks, mark=m.mark, words=m.words, asked=m.asked) for m in k.manners],
        reasons="; ".join(words),
    )


@calculation(
    "drive-kinds",
    "Direct, belt, chain or gear?",
    summary="For one duty: which kinds of drive reach the speed, what they lose in a year, and how each bears shock, noise, overload and the rest.",
    source="common practice, machine-element textbooks; wear by speed: pump handbooks, recalled",
    example={
        "units": "us",
        "input": {
            "power": "10hp",
            "driver_speed": "1750",
            "driven_speed": "900",
            "asked": ["overload", "shock"],
            "machine": "piston or plunger pump",
        },
    },
    first=("says", "wear"),
)
def drive_kinds(given: DriveKindsIn, frame: Frame) -> DriveKindsOut:
    """Hold every kind against the duty. Raises InputError for a ratio beyond all of them."""
    found = kinds_for(
        given.driver_speed.value,
        given.driven_speed.value,
        tolerance_percent=value_of(given.within, 3.0),
        hertz=float(given.frequency),
        asked=tuple(given.asked),
    )
    f = frame.figure
    wear = suction = None
    words = ""
    if given.machine is not None:
        worn, sucks, words = wear_at(given.machine, given.driven_speed.value, given.driver_speed.value)
        wear = f(worn, "percent")
        suction = None if sucks is None else f(sucks, "percent")
        notice(
            "caution",
            "wear-recalled",
            "How wear goes with speed is a rule of handbooks, recalled: it tells more from less, not how long a part lasts.",
            "input.machine",
        )
    first = found[0]
    slower = "" if wear is None else f" At this speed an hour wears {wear.shown} of one at the motor's: {words}."
    return DriveKindsOut(
        says=f"{first.title}: {first.how}.{slower}",
        wear=wear,
        suction=suction,
        wears=words,
        kinds=[_kind(k, given, frame) for k in found],
    )
