"""Input and answer of one whole flat belt drive."""

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.around.model import DriveIn
from tuyere.calc.entry import Length, Power, Size, Speed, maybe
from tuyere.calc.families.flat.parts import Material, belt_words
from tuyere.calc.frame import Frame
from tuyere.calc.parts import LayoutIn, ServiceFactorIn, factor_of
from tuyere.calc.wanted import WantedIn
from tuyere.core.flat.case import FlatCase, flat_case
from tuyere.core.flat.method import FlatDrive
from tuyere.core.flat.service import flat_factor
from tuyere.core.flat.tables import material


class FlatDriveIn(DriveIn):
    """A flat belt drive: duty, pulleys, belt."""

    power: Power = Field(description="power to transmit")
    service_factor: ServiceFactorIn | None = Field(default=None, description="how hard the duty is")
    driver_speed: Speed = Field(description="speed of the driver")
    driver_diameter: Size = Field(description="diameter of the driver pulley")
    driven_diameter: Size = Field(description="diameter of the driven pulley")
    centre_distance: Length | None = Field(
        default=None, description="centre distance; leave open to get it from the belt's length"
    )
    belt_length: Length | None = Field(default=None, description="length of the loop, along the pulley faces")
    material: Material = Field(
        description="belt: leather by thickness in 64ths of an inch, polyamide core by construction"
    )
    width: Size = Field(description="belt width")
    crossed: bool = Field(default=False, description="the belt is crossed")
    wanted: WantedIn | None = Field(default=None, description="the driven speed that is wanted")
    layout: LayoutIn = Field(default_factory=LayoutIn, description="for the drawing")


class FlatDriveOut(Answer):
    """The drive worked through; tensions are for the whole belt."""

    designation: str
    capacity: Figure
    spare: Figure
    width_that_does: Figure
    design_power: Figure
    service_factor: Figure
    driven_speed: Figure
    driven_speed_low: Figure
    belt_speed: Figure
    belt_length: Figure
    centre_distance: Figure
    span: Figure
    small_arc: Figure
    tight: Figure
    slack: Figure
    initial_tension: Figure
    initial_greatest: Figure
    centrifugal: Figure
    shaft_load_standing: Figure
    shaft_load_running: Figure
    shaft_load: Figure
    shaft_load_case: str
    friction_used: Figure
    friction_there: Figure
    dip: Figure
    belt_mass: Figure


def case_of(given: FlatDriveIn) -> FlatCase:
    """The core's question of a drive. Raises InputError beside the field."""
    return flat_case(
        given.driver_diameter.value,
        given.driven_diameter.value,
        power_kw=given.power.value,
        service_factor=factor_of(given.service_factor, flat_factor),
        driver_rpm=given.driver_speed.value,
        centre_mm=maybe(given.centre_distance),
        length_mm=maybe(given.belt_length),
        material=material(given.material),
        width_mm=given.width.value,
        crossed=given.crossed,
        angle_deg=given.layout.angle,
        clockwise=given.layout.clockwise,
    )


def flat_drive_out(r: FlatDrive, frame: Frame) -> FlatDriveOut:
    """A worked flat drive as figures."""
    f, own, rated, loop = frame.figure, r.own, r.rated.own, r.case.loop
    assert rated is not None and r.spare_percent is not None
    return FlatDriveOut(
        designation=belt_words(loop.material, loop.width_mm, frame),
        capacity=f(rated.capacity_kw, "power"),
        spare=f(r.spare_percent, "percent"),
        width_that_does=f(rated.width_needed_mm, "length", "size"),
        design_power=f(r.design_kw, "power"),
        service_factor=f(r.case.service_factor, "factor"),
        driven_speed=f(r.driven_rpm, "speed"),
        driven_speed_low=f(r.speeds.low_rpm, "speed"),
        belt_speed=f(r.speed_m_s, "belt_speed"),
        belt_length=f(r.length_mm, "length", "tape"),
        centre_distance=f(r.centre_mm, "length", "tape"),
        span=f(r.shape.span_mm, "length", "tape"),
        small_arc=f(r.shape.small_arc_deg, "angle"),
        tight=f(own.tight_n, "force"),
        slack=f(own.slack_n, "force"),
        initial_tension=f(own.initial_n, "force"),
        initial_greatest=f(own.initial_greatest_n, "force"),
        centrifugal=f(own.centrifugal_n, "force"),
        shaft_load_standing=f(own.shaft_load_standing_n, "force", per="hub"),
        shaft_load_running=f(own.shaft_load_running_n, "force", per="hub"),
        shaft_load=f(r.shaft_load.newtons, "force", per="hub"),
        shaft_load_case=r.shaft_load.case,
        friction_used=f(own.friction_used, "factor", "exact"),
        friction_there=f(own.friction_there, "factor", "exact"),
        dip=f(own.dip_mm, "length", "size"),
        belt_mass=f(own.mass_kg, "mass"),
    )
