"""`sync-select`: every standard synchronous drive for a duty, ranked."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.families.offers import AnyDutyIn
from tuyere.calc.families.select import SelectOut, select
from tuyere.calc.families.synchronous.family import SYNCHRONOUS
from tuyere.calc.families.synchronous.parts import OwnBeltIn
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import calculation

GROUP = "Synchronous belts"


class SyncSelectIn(AnyDutyIn):
    """A duty, and your own belt where no public rating exists."""

    own_belt: OwnBeltIn | None = Field(
        default=None, description="a belt by its maker's sheet; then only this one is searched"
    )
    keep: Annotated[Whole, Field(ge=1, le=24)] = Field(default=9, description="options wanted")


@calculation(
    "sync-select",
    "Choose a synchronous drive",
    summary="Every combination of rated profile, width, pulleys and belt for a duty, ranked by shaft pull, size, width and speed error.",
    source="ISO 5295, RMA IP-24 practice",
    example={
        "units": "us",
        "input": {
            "power": "5hp",
            "service_factor": {"driver": "motor-nema-b", "machine": "pump-centrifugal", "hours_a_day": 10},
            "driver_speed": "1750",
            "driven_speed": "640",
            "tolerance": 3,
            "centre": {"about": "21 in"},
        },
    },
    search=True,
)
def sync_select(given: SyncSelectIn, frame: Frame) -> SelectOut:
    """Sweep, rank, and work the best few."""
    return select(SYNCHRONOUS, given, frame, {SYNCHRONOUS.key: given.own_belt} if given.own_belt else {})
