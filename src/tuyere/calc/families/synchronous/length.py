"""`sync-length`: belt teeth and exact centres."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Length, maybe
from tuyere.calc.families.synchronous.parts import ProfileName, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.drive.elevation import elevation_of
from tuyere.core.synchronous.case import sync_case
from tuyere.core.synchronous.length import advise_length, mesh_of, plain_room_mm, sync_shape
from tuyere.core.synchronous.method import SYNC_METHOD
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


class SyncLengthOut(CardAnswer):
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
    card=Card(
        asks="How long is the synchronous belt?",
        topic="Speeds and sizes",
        sentence="A belt {profile} runs from {driver_teeth} to {driven_teeth} teeth.|"
        "The shafts are {centre_distance} apart, or the belt has {belt_teeth} teeth.",
        figures=("belt_teeth", "centre_distance", "teeth_in_mesh"),
        picture="wheels",
        fresh={"profile": "H8M"},
        on_picture=("centre_distance",),
        then=("tooth-wear", "Is a pulley worn?"),
    ),
)
def sync_length(given: SyncLengthIn, frame: Frame) -> SyncLengthOut:
    """Work the length."""
    case = sync_case(
        profile(given.profile),
        z_1=given.driver_teeth,
        z_2=given.driven_teeth,
        centre_mm=maybe(given.centre_distance),
        belt_teeth=given.belt_teeth,
    )
    r = sync_shape(case)
    assert r.members is not None and r.members_exact is not None
    mesh, room, method = mesh_of(case, r), plain_room_mm(r.length_mm), SYNC_METHOD
    advise_length(case, r, mesh)
    frame.elevation = elevation_of(
        r.path, method.family, character="teeth", thickness_mm=method.thickness_mm(case), pitch_mm=method.pitch_mm(case)
    )
    f = frame.figure
    teeth, centre = f(r.members, "count"), f(r.centre_mm, "length", "size")
    return SyncLengthOut(
        says=f"{teeth.number} teeth, with the shafts {centre.shown} apart.",
        belt_teeth=teeth,
        exact_teeth=f(r.members_exact, "factor", "exact"),
        belt_length=f(r.length_mm, "length", "size"),
        centre_distance=centre,
        wrap=f(r.small_arc_deg, "angle"),
        teeth_in_mesh=f(mesh, "count"),
        span=f(r.span_mm, "length", "tape"),
        closer_to_fit=None if room is None else f(room[0], "length", "size"),
        apart_to_tension=None if room is None else f(room[1], "length", "size"),
    )
