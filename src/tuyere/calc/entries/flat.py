"""`flat-drive`, `crown`, `round-belt`, `link-belt`."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entries.parts import ServiceFactorIn, Whole, factor_of
from tuyere.calc.entry import Length, Power, Size, Speed
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.flat.drive import crown_mm, work_flat_drive, work_link_belt, work_round_belt

Material = Literal[
    "leather-11", "leather-13", "leather-18", "leather-20", "leather-23", "polyamide-f0", "polyamide-f1", "polyamide-f2",
    "polyamide-a2", "polyamide-a3", "polyamide-a4", "polyamide-a5"]  # fmt: skip

GROUP = "Flat, round and link belts"


class FlatDriveIn(Input):
    """A flat belt drive: duty, pulleys, belt."""

    power: Power = Field(description="power to transmit")
    service_factor: ServiceFactorIn | None = Field(default=None, description="how hard the duty is")
    driver_speed: Speed = Field(description="speed of the driver")
    driver_diameter: Size = Field(description="diameter of the driver pulley")
    driven_diameter: Size = Field(description="diameter of the driven pulley")
    centre_distance: Length = Field(description="centre distance")
    material: Material = Field(
        description="belt: leather by thickness in 64ths of an inch, polyamide core by construction"
    )
    width: Size = Field(description="belt width")
    crossed: bool = Field(default=False, description="the belt is crossed")


class FlatDriveOut(Answer):
    """The drive worked through; tensions are for the whole belt."""

    capacity: Figure
    spare: Figure
    width_that_does: Figure
    design_power: Figure
    driven_speed: Figure
    belt_speed: Figure
    belt_length: Figure
    small_arc: Figure
    tight: Figure
    slack: Figure
    initial_tension: Figure
    centrifugal: Figure
    friction_used: Figure
    friction_there: Figure
    dip: Figure


@calculation("flat-drive", "Flat belt drive", "Leather or polyamide: what it carries before it slips, tensions, friction used, dip.",
             "Shigley, flat belts; geometry exact", {"units": "us", "input": {
                 "power": "15hp", "service_factor": {"assume": 1.375}, "driver_speed": "1750", "driver_diameter": "6 in",
                 "driven_diameter": "18 in", "centre_distance": "8 ft", "material": "polyamide-a3", "width": "6 in"}})  # fmt: skip
def flat_drive(given: FlatDriveIn, frame: Frame) -> FlatDriveOut:
    """Work the drive."""
    r = work_flat_drive(given.power.value, factor_of(given.service_factor), given.driver_speed.value, given.driver_diameter.value,
                        given.driven_diameter.value, given.centre_distance.value, given.material, given.width.value, given.crossed)  # fmt: skip
    frame.elevation = r.pulleys.elevation
    f = frame.figure
    return FlatDriveOut(
        capacity=f(r.capacity_kw, "power", step="capacity"), spare=f(r.spare_percent, "percent", step="capacity"),
        width_that_does=f(r.width_needed_mm, "length", "size", "capacity"), design_power=f(r.design_kw, "power", step="design_power"),
        driven_speed=f(r.driven_rpm, "speed", step="driven_speed"), belt_speed=f(r.speed_m_s, "belt_speed", step="belt_speed"),
        belt_length=f(r.pulleys.length_mm, "length", "tape", "belt_length"), small_arc=f(r.pulleys.small_arc_deg, "angle", step="small_arc"),
        tight=f(r.tight_n, "force", step="tight"), slack=f(r.slack_n, "force", step="slack"),
        initial_tension=f(r.initial_n, "force", step="initial"), centrifugal=f(r.centrifugal_n, "force", step="centrifugal"),
        friction_used=f(r.friction_used, "factor", "exact", "friction_used"), friction_there=f(r.friction_there, "factor", "exact"),
        dip=f(r.dip_mm, "length", "size"))  # fmt: skip


class CrownIn(Input):
    """A flat-belt pulley."""

    diameter: Size = Field(description="pulley diameter")
    face: Size = Field(description="face width")


class CrownOut(Answer):
    """Its crown."""

    crown: Figure


@calculation("crown", "Crown of a flat-belt pulley", "How much higher the middle of the face stands.", "Shigley; ISO 22",
             {"units": "us", "input": {"diameter": "10 in", "face": "6 in"}})  # fmt: skip
def crown(given: CrownIn, frame: Frame) -> CrownOut:
    """Look the crown up."""
    return CrownOut(crown=frame.figure(crown_mm(given.diameter.value, given.face.value), "length", "size", "crown"))


class RoundBeltIn(Input):
    """A round urethane belt on its path."""

    diameter: Size = Field(description="belt diameter: 1/4, 3/8, 1/2 or 3/4 in")
    path: Length = Field(description="length of the path round the pulleys, by tape")
    speed: Speed = Field(description="speed of the smaller pulley")


class RoundBeltOut(Answer):
    """What to cut and what it pulls."""

    cut_length: Figure
    strand_tension: Figure
    least_pulley: Figure | None


@calculation("round-belt", "Round urethane belt", "Length to cut for 6 % stretch with the weld, tension of a strand, least pulley.",
             "Shigley; weld: common practice", {"units": "us", "input": {"diameter": "3/8", "path": "62 in", "speed": "500"}})  # fmt: skip
def round_belt(given: RoundBeltIn, frame: Frame) -> RoundBeltOut:
    """Work the belt."""
    r = work_round_belt(given.diameter.value, given.path.value, given.speed.value)
    f = frame.figure
    return RoundBeltOut(
        cut_length=f(r.cut_mm, "length", "tape", "cut"), strand_tension=f(r.tension_n, "force", step="tension"),
        least_pulley=None if r.least_pulley_mm is None else f(r.least_pulley_mm, "length", "size"))  # fmt: skip


class LinkBeltIn(Input):
    """A link belt in place of a V-belt."""

    section: Literal["Z", "A", "B", "C"] = Field(description="V-belt section it replaces")
    links: Annotated[Whole, Field(ge=1, le=10_000)] | None = Field(
        default=None, description="links, pulled hand-tight round the sheaves"
    )
    path: Length | None = Field(default=None, description="or the outside length of the path by tape")


class LinkBeltOut(Answer):
    """How many links to run."""

    hand_tight: Figure
    take_off: Figure
    run: Figure
    least_pulley: Figure


@calculation("link-belt", "Link belt", "Links to take off from hand-tight, and how it runs.", "common practice, no source",
             {"units": "us", "input": {"section": "A", "path": "84 in"}})  # fmt: skip
def link_belt(given: LinkBeltIn, frame: Frame) -> LinkBeltOut:
    """Count the links."""
    r = work_link_belt(given.section, given.links, None if given.path is None else given.path.value)
    f = frame.figure
    return LinkBeltOut(
        hand_tight=f(r.hand_tight, "count"), take_off=f(r.take_off, "count", step="take_off"), run=f(r.run, "count"),
        least_pulley=f(r.least_pulley_mm, "length", "size"))  # fmt: skip
