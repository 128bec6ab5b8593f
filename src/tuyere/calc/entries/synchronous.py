"""`sync-pulley`, `sync-length`, `sync-rating`: synchronous belts."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entries.parts import Whole
from tuyere.calc.entry import Force, Length, MassPerLength, Size, Speed
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.synchronous.drive import profile, pulley, rate_sync, work_sync_length

ProfileName = Literal[
    "MXL", "XXL", "XL", "L", "H", "XH", "XXH", "T2.5", "T5", "T10", "T20", "H3M", "H5M", "H8M", "H14M", "H20M",
    "R3M", "R5M", "R8M", "R14M", "R20M", "S2M", "S3M", "S5M", "S8M", "S14M"]  # fmt: skip
Teeth = Annotated[Whole, Field(ge=8, le=300)]

GROUP = "Synchronous belts"


class SyncPulleyIn(Input):
    """A pulley of a profile."""

    profile: ProfileName = Field(description="tooth profile")
    teeth: Teeth = Field(description="teeth")


class SyncPulleyOut(Answer):
    """What it measures."""

    pitch_diameter: Figure
    outside_diameter: Figure
    pitch: Figure


@calculation("sync-pulley", "Synchronous pulley", "Pitch and outside diameter of a toothed pulley.", "ISO 5294, ISO 13050; geometry",
             {"units": "us", "input": {"profile": "H8M", "teeth": 36}})  # fmt: skip
def sync_pulley(given: SyncPulleyIn, frame: Frame) -> SyncPulleyOut:
    """Work the pulley."""
    of = profile(given.profile)
    pitch, outside = pulley(of, given.teeth, "pulley")
    f = frame.figure
    return SyncPulleyOut(
        pitch_diameter=f(pitch, "length", "size", "pulley_pitch"),
        outside_diameter=f(outside, "length", "size", "pulley_outside"),
        pitch=f(of.pitch_mm, "length", "size"),
    )


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


@calculation("sync-length", "Synchronous belt length", "Exact centre distance for given teeth, or the belt's teeth for a centre distance.",
             "plane geometry, exact", {"units": "us", "input": {
                 "profile": "H8M", "driver_teeth": 28, "driven_teeth": 72, "belt_teeth": 180}})  # fmt: skip
def sync_length(given: SyncLengthIn, frame: Frame) -> SyncLengthOut:
    """Work the length."""
    centre = None if given.centre_distance is None else given.centre_distance.value
    r = work_sync_length(profile(given.profile), given.driver_teeth, given.driven_teeth, centre, given.belt_teeth)
    frame.elevation = r.elevation
    f = frame.figure
    return SyncLengthOut(
        belt_teeth=f(r.teeth, "count"), exact_teeth=f(r.exact_teeth, "factor", "exact", "exact_teeth"),
        belt_length=f(r.length_mm, "length", "size"), centre_distance=f(r.centre_mm, "length", "size", "centre_distance"),
        wrap=f(r.wrap_deg, "angle", step="wrap"), teeth_in_mesh=f(r.mesh, "count", step="mesh"),
        span=f(r.span_mm, "length", "tape", "span"),
        closer_to_fit=None if r.fit_mm is None else f(r.fit_mm, "length", "size"),
        apart_to_tension=None if r.tension_mm is None else f(r.tension_mm, "length", "size"))  # fmt: skip


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


class SyncRatingOut(Answer):
    """What the belt carries and on whose word."""

    power: Figure
    belt_speed: Figure
    mesh_factor: Figure
    width_factor: Figure
    basis: str


@calculation("sync-rating", "Power of a synchronous belt", "ISO 5295 for trapezoidal inch profiles; your own allowed tension for the others.",
             "ISO 5295", {"units": "us", "input": {"profile": "XH", "width": "4 in", "teeth": 30, "speed": "1160"}})  # fmt: skip
def sync_rating(given: SyncRatingIn, frame: Frame) -> SyncRatingOut:
    """Rate the belt."""
    if given.teeth_in_mesh > given.teeth:
        raise InputError("teeth_in_mesh", given.teeth_in_mesh, "more than the pulley has", f"up to {given.teeth}")
    r = rate_sync(profile(given.profile), given.width.value, given.teeth, given.speed.value, given.teeth_in_mesh,
                  None if given.own_tension is None else given.own_tension.value,
                  None if given.own_mass is None else given.own_mass.value)  # fmt: skip
    f = frame.figure
    return SyncRatingOut(
        power=f(r.power_kw, "power", step="power"), belt_speed=f(r.speed_m_s, "belt_speed", step="belt_speed"),
        mesh_factor=f(r.mesh_factor, "factor", step="mesh_factor"), width_factor=f(r.width_factor, "factor", "exact", "width_factor"),
        basis=r.basis)  # fmt: skip
