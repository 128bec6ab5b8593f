"""`sync-length`: belt teeth and exact centres."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Length, maybe
from tuyere.calc.families.synchronous.parts import ProfileName, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.synchronous.length import work_sync_length
from tuyere.core.synchronous.tables import profile

GROUP = "Synchronous belts"


class SyncLengthIn(Input):
    """Two pulleys and either the centre distance or the belt's teeth."""

    profile: ProfileName = Field(description="tooth profile")
    driver_teeth: Teeth = Field(description="teeth of the driver")
    driven_teeth: Teeth = Field(description="teeth of the driven")
    centre_distance: Length | None = Field(
        default=None, description="centre distance; the next whole number of teeth is taken"
    )
    belt_teeth: Annotated[Whole, Field(ge=20, le=5000)] | None = Field(default=None, description="teeth of the belt")


class SyncLengthOut(Answer):
    """Exact geometry by teeth."""

    belt_teeth: Figure
    exact_teeth: Figure
    belt_length: Figure
    centre_distance: Figure
    wrap: Figure
    teeth_in_mesh: Figure
    span: Figure
    closer_to_fit: Figure | None
    apart_to_tension: Figure | None


@calculation(
    "sync-length",
    "Synchronous belt length",
    summary="Exact centre distance for given teeth, or the belt's teeth for a centre distance.",
    source="plane geometry, exact",
    example={"units": "us", "input": {"profile": "H8M", "driver_teeth": 28, "driven_teeth": 72, "belt_teeth": 180}},
)
def sync_length(given: SyncLengthIn, frame: Frame) -> SyncLengthOut:
    """Work the length."""
    centre = maybe(given.centre_distance)
    r = work_sync_length(
        profile(given.profile), given.driver_teeth, z_2=given.driven_teeth, centre_mm=centre, teeth=given.belt_teeth
    )
    frame.elevation = r.elevation
    f = frame.figure
    return SyncLengthOut(
        belt_teeth=f(r.teeth, "count"),
        exact_teeth=f(r.exact_teeth, "factor", "exact", "exact_teeth"),
        belt_length=f(r.length_mm, "length", "size"),
        centre_distance=f(r.centre_mm, "length", "size", "centre_distance"),
        wrap=f(r.wrap_deg, "angle", step="wrap"),
        teeth_in_mesh=f(r.mesh, "count", step="mesh"),
        span=f(r.span_mm, "length", "tape", "span"),
        closer_to_fit=None if r.fit_mm is None else f(r.fit_mm, "length", "size"),
        apart_to_tension=None if r.tension_mm is None else f(r.tension_mm, "length", "size"),
    )
