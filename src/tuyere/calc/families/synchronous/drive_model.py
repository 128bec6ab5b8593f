"""Input and answer of one whole synchronous drive."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Force, Length, MassPerLength, Power, Size, Speed
from tuyere.calc.families.synchronous.parts import Idler, ProfileName, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.parts import LayoutIn, ServiceFactorIn, Whole
from tuyere.calc.registry import Input
from tuyere.calc.wanted import WantedIn
from tuyere.core.synchronous.drive import SyncDrive, SyncGiven


class SyncDriveIn(Input):
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
    hub_standing: Figure
    hub_running: Figure
    shaft_load: Figure
    shaft_load_case: str
    belt_mass: Figure | None
    face_between_flanges: Figure | None
    closer_to_fit: Figure | None
    apart_to_tension: Figure | None


def sync_drive_out(r: SyncDrive, given: SyncGiven, frame: Frame) -> SyncDriveOut:
    """A worked synchronous drive as figures."""
    f = frame.figure
    width = f(given.width_mm, "length", "size").shown
    return SyncDriveOut(
        designation=f"{given.profile.name}, {r.length.teeth} teeth, {width} wide",
        design_power=f(r.design_kw, "power", step="design_power"),
        load_factor=f(r.factor, "factor", step="load_factor"),
        power=f(r.rating.power_kw, "power", step="power"),
        basis=r.rating.basis,
        spare=f(r.spare_percent, "percent", step="power"),
        driven_speed=f(r.driven_rpm, "speed", step="driven_speed"),
        belt_speed=f(r.rating.speed_m_s, "belt_speed", step="belt_speed"),
        belt_teeth=f(r.length.teeth, "count"),
        belt_length=f(r.length.length_mm, "length", "size"),
        centre_distance=f(r.length.centre_mm, "length", "tape", "centre_distance"),
        wrap=f(r.length.wrap_deg, "angle", step="wrap"),
        teeth_in_mesh=f(r.length.mesh, "count", step="mesh"),
        mesh_factor=f(r.rating.mesh_factor, "factor", step="mesh_factor"),
        width_factor=f(r.rating.width_factor, "factor", "exact", "width_factor"),
        span=f(r.length.span_mm, "length", "tape", "span"),
        driver_pitch=f(r.driver_pitch_mm, "length", "size", "driver_pitch"),
        driver_outside=f(r.driver_outside_mm, "length", "size", "driver_outside"),
        driven_pitch=f(r.driven_pitch_mm, "length", "size", "driven_pitch"),
        driven_outside=f(r.driven_outside_mm, "length", "size", "driven_outside"),
        static_tension=f(r.static_n, "force", step="static_tension"),
        tight=f(r.tight_n, "force", step="tight"),
        slack=f(r.slack_n, "force", step="slack"),
        jump_margin=f(r.jump_margin, "factor", step="jump_margin"),
        deflection=f(r.deflection_mm, "length", "tape", "deflection"),
        deflection_force=f(r.force_n, "force", step="force"),
        frequency=None if r.frequency_hz is None else f(r.frequency_hz, "frequency", step="frequency"),
        hub_standing=f(r.hub_standing_n, "force", step="hub_standing", per="hub"),
        hub_running=f(r.hub_running_n, "force", step="hub_running", per="hub"),
        shaft_load=f(
            r.shaft_load.newtons,
            "force",
            step=f"hub_{'standing' if r.shaft_load.case.startswith('standing') else 'running'}",
            per="hub",
        ),
        shaft_load_case=r.shaft_load.case,
        belt_mass=None if not r.mass_kg_m else f(r.mass_kg_m, "mass_per_length", step="belt_mass"),
        face_between_flanges=None if r.face_mm is None else f(r.face_mm, "length", "size"),
        closer_to_fit=None if r.room is None else f(r.room[0], "length", "tape"),
        apart_to_tension=None if r.room is None else f(r.room[1], "length", "size"),
    )
