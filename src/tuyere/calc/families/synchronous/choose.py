"""`sync-select` and `sync-why-not`: every standard synchronous drive for a duty, and why one is not among them."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.entry import Size
from tuyere.calc.families.select import NO_DUTY, select, why_not_this
from tuyere.calc.families.select_model import SelectOut, WhyNotOut
from tuyere.calc.families.synchronous.family import SYNCHRONOUS, SyncSelectIn, own_of
from tuyere.calc.families.synchronous.parts import ProfileName, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.synchronous.field import SyncCandidate, SyncField, sync_grid_of
from tuyere.core.synchronous.tables import profile

GROUP = "Synchronous belts"
DUTY = {
    "power": "5hp",
    "service_factor": {"driver": "motor-nema-b", "machine": "pump-centrifugal", "hours_a_day": 10},
    "driver_speed": "1750",
    "driven_speed": "640",
    "tolerance": 3,
    "centre": {"about": "21 in"},
}


@calculation(
    "sync-select",
    "Choose a synchronous drive",
    summary="Every combination of rated profile, width, pulleys and belt for a duty, ranked by shaft load, size, width and speed error.",
    source="ISO 5295, RMA IP-24 practice",
    example={"units": "us", "input": DUTY},
    search=True,
)
def sync_select(given: SyncSelectIn, frame: Frame) -> SelectOut:
    """Sweep, rank, and work the best few."""
    return select(SYNCHRONOUS, given, frame)


class ThisSyncIn(Input):
    """The drive in mind."""

    profile: ProfileName = Field(description="tooth profile")
    width: Size = Field(description="belt width")
    driver_teeth: Teeth = Field(description="teeth of the driver")
    driven_teeth: Teeth = Field(description="teeth of the driven")
    belt_teeth: Annotated[Whole, Field(ge=20, le=5000)] = Field(description="teeth of the belt")


class SyncWhyNotIn(SyncSelectIn):
    """A duty with its limits, and the drive in mind."""

    this: ThisSyncIn


@calculation(
    "sync-why-not",
    "Why not this synchronous drive?",
    summary="One synchronous drive against every limit of the search: what it misses and by how much, or its place in the order.",
    source="ISO 5295, RMA IP-24 practice",
    example={
        "units": "us",
        "input": DUTY
        | {"this": {"profile": "H", "width": "1 in", "driver_teeth": 18, "driven_teeth": 48, "belt_teeth": 120}},
    },
    search=True,
)
def sync_why_not(given: SyncWhyNotIn, frame: Frame) -> WhyNotOut:
    """Hold the one drive against the same limits."""
    this, own = given.this, own_of(given)
    mind = SyncCandidate(
        profile=profile(this.profile, "this.profile"),
        width_mm=this.width.value,
        z_1=this.driver_teeth,
        z_2=this.driven_teeth,
        belt_teeth=this.belt_teeth,
        centre_mm=0.0,
    )
    try:
        grid = sync_grid_of(mind, own)
    except IndexError as e:
        raise InputError(
            "this.width",
            this.width.value,
            f"no rating of {this.profile} belts in this width is on hand",
            "a standard width of a rated profile",
        ) from e
    design = given.power.value * SYNCHRONOUS.quiet_factor(given.service_factor)
    one = SyncField(NO_DUTY, design / given.power.value, own=own, grid=grid)
    return why_not_this(SYNCHRONOUS, given, frame, one=one, name=one.name(0))
