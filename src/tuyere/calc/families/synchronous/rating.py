"""`sync-rating`: what a synchronous belt carries, and on whose word."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Force, MassPerLength, Size, Speed, maybe
from tuyere.calc.families.synchronous.parts import ProfileName, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.synchronous.rate import rate_sync
from tuyere.core.synchronous.tables import profile

GROUP = "Synchronous belts"


class SyncRatingIn(Input):
    """A belt on its smaller pulley; the tension is your own where no public rating exists."""

    profile: ProfileName = Field(description="tooth profile")
    width: Size = Field(description="belt width")
    teeth: Teeth = Field(description="teeth of the smaller pulley")
    speed: Speed = Field(description="speed of the smaller pulley")
    teeth_in_mesh: Annotated[Whole, Field(ge=1, le=200)] = Field(default=6, description="teeth in mesh on it")
    own_tension: Force | None = Field(
        default=None,
        description="working tension its maker allows at this width; needed for metric and curvilinear profiles",
    )
    own_mass: MassPerLength | None = Field(default=None, description="mass per length of that belt")


class SyncRatingOut(CardAnswer):
    """What the belt carries and on whose word."""

    power: Figure
    belt_speed: Figure
    mesh_factor: Figure
    width_factor: Figure
    basis: str


@calculation(
    "sync-rating",
    "Power of a synchronous belt",
    summary="ISO 5295 for trapezoidal inch profiles; your own allowed tension for the others.",
    source="ISO 5295",
    example={"units": "us", "input": {"profile": "XH", "width": "4 in", "teeth": 30, "speed": "1160"}},
    card=Card(
        asks="What does a synchronous belt carry?",
        topic="What it carries and costs",
        sentence="A belt {profile}, {width} wide, runs over {teeth} teeth at {speed}, {teeth_in_mesh} of them in mesh.|"
        "Where no book rates it, its maker allows {own_tension} at that width, and it weighs {own_mass}.",
        figures=("power", "belt_speed", "mesh_factor"),
        picture="toothed-size",
        fresh={"profile": "H", "teeth_in_mesh": "6"},
        then=("sync-pulley", "What does the pulley measure?"),
    ),
)
def sync_rating(given: SyncRatingIn, frame: Frame) -> SyncRatingOut:
    """Rate the belt."""
    if given.teeth_in_mesh > given.teeth:
        raise InputError("teeth_in_mesh", given.teeth_in_mesh, "more than the pulley has", f"up to {given.teeth}")
    r = rate_sync(
        profile(given.profile),
        given.width.value,
        teeth=given.teeth,
        rpm=given.speed.value,
        mesh=given.teeth_in_mesh,
        own_tension_n=maybe(given.own_tension),
        own_mass_kg_m=maybe(given.own_mass),
    )
    f = frame.figure
    power, speed = f(r.power_kw, "power"), f(r.speed_m_s, "belt_speed")
    return SyncRatingOut(
        says=f"{power.shown} at {speed.shown}, by {r.basis}.",
        power=power,
        belt_speed=speed,
        mesh_factor=f(r.mesh_factor, "factor"),
        width_factor=f(r.width_factor, "factor", "exact"),
        basis=r.basis,
    )
