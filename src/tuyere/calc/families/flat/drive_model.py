"""Input and answer of one whole flat belt drive."""

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Length, Power, Size, Speed
from tuyere.calc.families.flat.parts import Material
from tuyere.calc.frame import Frame
from tuyere.calc.parts import LayoutIn, ServiceFactorIn
from tuyere.calc.registry import Input
from tuyere.calc.wanted import WantedIn
from tuyere.core.flat.drive import FlatDrive, FlatGiven
from tuyere.core.flat.formulas import pounds_to_newtons


class FlatDriveIn(Input):
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
    hub_standing: Figure
    hub_running: Figure
    shaft_load: Figure
    shaft_load_case: str
    friction_used: Figure
    friction_there: Figure
    dip: Figure
    belt_mass: Figure


def flat_drive_out(r: FlatDrive, given: FlatGiven, frame: Frame) -> FlatDriveOut:
    """A worked flat drive as figures."""
    f = frame.figure
    return FlatDriveOut(
        designation=f"{given.material.name}, {f(given.width_mm, 'length', 'size').shown} wide",
        capacity=f(r.capacity_kw, "power", step="capacity"),
        spare=f(r.spare_percent, "percent", step="capacity"),
        width_that_does=f(r.width_needed_mm, "length", "size", "capacity"),
        design_power=f(r.design_kw, "power", step="design_power"),
        service_factor=f(given.service_factor, "factor", step="service_factor"),
        driven_speed=f(r.driven_rpm, "speed", step="driven_speed"),
        driven_speed_low=f(r.driven_rpm_low, "speed", step="driven_speed_low"),
        belt_speed=f(r.speed_m_s, "belt_speed", step="belt_speed"),
        belt_length=f(r.pulleys.length_mm, "length", "tape", "belt_length"),
        centre_distance=f(r.pulleys.centre_mm, "length", "tape", "centre_distance"),
        span=f(r.pulleys.span_mm, "length", "tape", "span"),
        small_arc=f(r.pulleys.small_arc_deg, "angle", step="small_arc"),
        tight=f(r.tight_n, "force", step="tight"),
        slack=f(r.slack_n, "force", step="slack"),
        initial_tension=f(r.initial_n, "force", step="initial"),
        initial_greatest=f(float(pounds_to_newtons(r.full.initial_lbf)), "force", step="initial_greatest"),
        centrifugal=f(r.centrifugal_n, "force", step="centrifugal"),
        hub_standing=f(r.hub_standing_n, "force", step="hub_standing", per="hub"),
        hub_running=f(r.hub_running_n, "force", step="hub_running", per="hub"),
        shaft_load=f(
            r.shaft_load.newtons,
            "force",
            step=f"hub_{'standing' if r.shaft_load.case.startswith('standing') else 'running'}",
            per="hub",
        ),
        shaft_load_case=r.shaft_load.case,
        friction_used=f(r.friction_used, "factor", "exact", "friction_used"),
        friction_there=f(r.friction_there, "factor", "exact"),
        dip=f(r.dip_mm, "length", "size"),
        belt_mass=f(r.mass_kg, "mass"),
    )
