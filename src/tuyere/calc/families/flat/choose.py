"""`flat-select`: every flat belt drive for a duty, ranked."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.families.flat.family import FLAT_BELTS
from tuyere.calc.families.offers import AnyDutyIn
from tuyere.calc.families.select import SelectOut, select
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import calculation

GROUP = "Flat, round and link belts"


class FlatSelectIn(AnyDutyIn):
    """A duty for a flat belt."""

    keep: Annotated[Whole, Field(ge=1, le=24)] = Field(default=9, description="options wanted")


@calculation(
    "flat-select",
    "Choose a flat belt drive",
    summary="Leather and polyamide on preferred pulleys, each with the narrowest standard belt that does, ranked by shaft pull, size, width, speed.",
    source="Shigley, flat belts; ISO 22",
    example={
        "units": "us",
        "input": {
            "power": "7.5hp",
            "service_factor": {"driver": "motor-nema-b", "machine": "line-shaft", "hours_a_day": 10},
            "driver_speed": "1160",
            "driven_speed": "400",
            "tolerance": 3,
            "centre": {"about": "8 ft"},
        },
    },
    search=True,
)
def flat_select(given: FlatSelectIn, frame: Frame) -> SelectOut:
    """Sweep, rank, and work the best few."""
    return select(FLAT_BELTS, given, frame)
