"""Input and answer of one whole synchronous drive."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.around.model import DriveIn
from tuyere.calc.entry import Force, Length, MassPerLength, Power, Size, Speed, maybe
from tuyere.calc.families.synchronous.parts import Idler, ProfileName, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.parts import LayoutIn, ServiceFactorIn, Whole, factor_of
from tuyere.calc.wanted import WantedIn
from tuyere.core.synchronous.case import SyncCase, sync_case
from tuyere.core.synchronous.method import SyncDrive
from tuyere.core.synchronous.service import sync_factor
from tuyere.core.synchronous.tables import profile


class SyncDriveIn(DriveIn):
    """A synchronous drive: duty, belt, pulleys, centres or belt teeth."""

    power: Power = Field(description="power to transmit")
    service_factor: ServiceFactorIn | None = Field(default=None, description="how hard the duty is")
    speed: Speed = Field(description="speed of the driver")
    profile: ProfileName = Field(description="tooth profile")
    width: Size = Field(description="belt width")
    driver_teeth: Teeth = Field(description="teeth of the driver")
    driven_teeth: Teeth = Field(description="teeth of the driven")
    centre_distance: Length | None = Field(
        default=None, description="centre distance; the next whole number of teeth is taken"
    )
    belt_teeth: Annotated[Whole, Field(ge=20, le=5000)] | None = Field(default=None, description="teeth of the belt")
    idler: Idler = Field(default="none", description="idler, and where it runs")
    upright: bool = Field(default=False, description="the shafts stand upright")
    own_tension: Force | None = Field(
        default=None,
        description="working tension its maker allows at this width; needed for metric and curvilinear profiles",
    )
    own_mass: MassPerLength | None = Field(default=None, description="mass per length of that belt")
    wanted: WantedIn | None = Field(default=None, description="the driven speed that is wanted")
    layout: LayoutIn = Field(default_factory=LayoutIn, description="for the drawing")


class SyncDriveOut(Answer):
    """The drive worked through; tensions are for the whole belt."""

    designation: str
    design_power: Figure
    load_factor: Figure
    power: Figure
    basis: str
    spare: Figure
    driven_speed: Figure
    belt_speed: Figure
    belt_teeth: Figure
    belt_length: Figure
    centre_distance: Figure
    wrap: Figure
    teeth_in_mesh: Figure
    mesh_factor: Figure
    width_factor: Figure
    span: Figure
    driver_pitch: Figure
    driver_outside: Figure
    driven_pitch: Figure
    driven_outside: Figure
    static_tension: Figure
    tight: Figure
    slack: Figure
    jump_margin: Figure
    deflection: Figure
    deflection_force: Figure
    frequency: Figure | None
    shaft_load_standing: Figure
    shaft_load_running: Figure
    shaft_load: Figure
    shaft_load_case: str
    belt_mass: Figure | None
    face_between_flanges: Figure | None
    closer_to_fit: Figure | None
    apart_to_tension: Figure | None


def case_of(given: SyncDriveIn, frame: Frame) -> SyncCase:
    """The core's question of a drive. Raises InputError beside the field."""
    return sync_case(
        profile(given.profile),
        given.width.value,
        power_kw=given.power.value,
        load_factor=factor_of(given.service_factor, sync_factor),
        driver_rpm=given.speed.value,
        z_1=given.driver_teeth,
        z_2=given.driven_teeth,
        centre_mm=maybe(given.centre_distance),
        belt_teeth=given.belt_teeth,
        idler=given.idler,
        own_tension_n=maybe(given.own_tension),
        own_mass_kg_m=maybe(given.own_mass),
        upright=given.upright,
        angle_deg=given.layout.angle,
        clockwise=given.layout.clockwise,
        tape_mark_mm=frame.tape_mark_mm,
    )


def sync_drive_out(r: SyncDrive, frame: Frame) -> SyncDriveOut:
    """A worked synchronous drive as figures."""
    f, own, rated, loop = frame.figure, r.own, r.rated.own, r.case.loop
    assert rated is not None and r.spare_percent is not None and r.shape.members is not None
    (d_1, o_1), (d_2, o_2) = own.pulleys
    width = f(loop.width_mm, "length", "size").shown
    return SyncDriveOut(
        designation=f"{loop.profile.name}, {r.shape.members:.0f} teeth, {width} wide",
        design_power=f(r.design_kw, "power"),
        load_factor=f(rated.factor, "factor"),
        power=f(rated.rating.power_kw, "power"),
        basis=rated.rating.basis,
        spare=f(r.spare_percent, "percent"),
        driven_speed=f(r.driven_rpm, "speed"),
        belt_speed=f(rated.rating.speed_m_s, "belt_speed"),
        belt_teeth=f(r.shape.members, "count"),
        belt_length=f(r.length_mm, "length", "size"),
        centre_distance=f(r.centre_mm, "length", "tape"),
        wrap=f(r.shape.small_arc_deg, "angle"),
        teeth_in_mesh=f(rated.mesh, "count"),
        mesh_factor=f(rated.rating.mesh_factor, "factor"),
        width_factor=f(rated.rating.width_factor, "factor", "exact"),
        span=f(r.shape.span_mm, "length", "tape"),
        driver_pitch=f(d_1, "length", "size"),
        driver_outside=f(o_1, "length", "size"),
        driven_pitch=f(d_2, "length", "size"),
        driven_outside=f(o_2, "length", "size"),
        static_tension=f(own.static_n, "force"),
        tight=f(own.tight_n, "force"),
        slack=f(own.slack_n, "force"),
        jump_margin=f(own.jump_margin, "factor"),
        deflection=f(own.deflection_mm, "length", "tape"),
        deflection_force=f(own.force_n, "force"),
        frequency=None if own.frequency_hz is None else f(own.frequency_hz, "frequency"),
        shaft_load_standing=f(own.shaft_load_standing_n, "force", per="hub"),
        shaft_load_running=f(own.shaft_load_running_n, "force", per="hub"),
        shaft_load=f(r.shaft_load.newtons, "force", per="hub"),
        shaft_load_case=r.shaft_load.case,
        belt_mass=None if not own.mass_kg_m else f(own.mass_kg_m, "mass_per_length"),
        face_between_flanges=None if own.face_mm is None else f(own.face_mm, "length", "size"),
        closer_to_fit=None if own.room is None else f(own.room[0], "length", "tape"),
        apart_to_tension=None if own.room is None else f(own.room[1], "length", "size"),
    )
