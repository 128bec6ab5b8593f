"""`tension-schools`: where each way of setting a belt lands on this drive's span."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entries.tension_target import State
from tuyere.calc.frame import Frame
from tuyere.calc.held import DriveAskedIn, OnScale, Scale, held_drive
from tuyere.calc.maker import MakerIn, maker_band
from tuyere.calc.registry import Input, calculation
from tuyere.core.steps import quiet
from tuyere.core.tension.cliffs import cliffs_of
from tuyere.core.tension.schools import schools_of

GROUP = "Alignment and tension"


class TensionSchoolsIn(Input):
    """A drive, and what its motor sits on."""

    drive: DriveAskedIn
    state: State = Field(default="run in", description="new belts, or belts that have run in")
    bronze: bool = Field(default=False, description="the motor has bronze bushings")
    resilient: bool = Field(default=False, description="the motor sits on rubber mounts")
    maker: MakerIn | None = Field(default=None, description="the machine maker's number")


class SchoolOut(Answer):
    """One school, where it lands, and whether it will do here."""

    key: str
    label: str
    low: OnScale
    high: OnScale
    verdict: Literal["fine", "watch", "act"]
    says: str


class TensionSchoolsOut(Answer):
    """The schools side by side."""

    says: str
    schools: list[SchoolOut]
    span: Figure


@calculation(
    "tension-schools",
    "Schools of setting a belt",
    summary="Label, 1/64 per inch, clip-on, by ear, thumb and just-no-squeal on this drive's span: where each lands.",
    source="statics; common practice for the thumb's force",
    example={
        "units": "us",
        "input": {
            "drive": {
                "calc": "v-belt-drive",
                "input": {
                    "power": "5hp",
                    "service_factor": {"assume": 1.2},
                    "driver": {"speed": "1750 rpm", "sheave": {"diameter": "4.4 in", "kind": "pitch", "groove": "A"}},
                    "driven": {"sheave": {"diameter": "8.4 in", "kind": "pitch", "groove": "A"}},
                    "belt": {"designation": "A75"},
                },
            }
        },
    },
    bench=False,
    first=("says", "schools"),
)
def tension_schools(given: TensionSchoolsIn, frame: Frame) -> TensionSchoolsOut:
    """Put them on one scale."""
    held = held_drive(given.drive, frame)
    scale = Scale(hold=held.hold, frame=frame, pull_per_n=held.pull_per_n)
    with quiet():
        cliffs = cliffs_of(held.hold)
        label = None
        if given.maker is not None:
            band = maker_band(given.maker, held.hold, given.state)
            label = (float(band.low_n), float(band.high_n))
        schools = schools_of(
            held.hold,
            slips_under_n=cliffs.slips_under_n,
            most_n=cliffs.most_n,
            label_n=label,
            bronze=given.bronze,
            resilient=given.resilient,
            state=given.state,
        )
    bad = [s.label.lower() for s in schools if s.verdict == "act"]
    says = "All of them land where this drive is safe." if not bad else "Not here: " + ", ".join(bad) + "."
    return TensionSchoolsOut(
        says=says,
        schools=[
            SchoolOut(
                key=s.key,
                label=s.label,
                low=scale.at(s.low_n),
                high=scale.at(s.high_n),
                verdict=s.verdict,
                says=s.says,
            )
            for s in schools
        ],
        span=frame.figure(float(held.hold.span_mm), "length", "tape"),
    )
