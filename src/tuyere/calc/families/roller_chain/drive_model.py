"""Input and answer of one whole chain drive."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Hours, Length, Power, Speed
from tuyere.calc.families.roller_chain.parts import (
    LIFE,
    LengthOut,
    Lubrication,
    Method,
    Number,
    Strands,
    Teeth,
    length_out,
)
from tuyere.calc.frame import Frame
from tuyere.calc.parts import LayoutIn, Real, ServiceFactorIn, Whole
from tuyere.calc.registry import Input
from tuyere.calc.wanted import WantedIn
from tuyere.core.roller_chain.rate import Drive, Given


class ChainDriveIn(Input):
    """A chain drive: duty, chain, sprockets, centres or pitches."""

    power: Power = Field(description="power to transmit")
    service_factor: ServiceFactorIn | None = Field(default=None, description="how hard the duty is")
    speed: Speed = Field(description="speed of the driver")
    chain: Number = Field(description="chain number")
    strands: Strands = Field(default=1, description="strands")
    driver_teeth: Teeth = Field(description="teeth of the driver")
    driven_teeth: Teeth = Field(description="teeth of the driven")
    centre_distance: Length | None = Field(
        default=None, description="centre distance; the next even number of pitches is taken"
    )
    pitches: Annotated[Whole, Field(ge=20, le=2000)] | None = Field(default=None, description="chain length in pitches")
    life: Annotated[Hours | None, LIFE]
    lubrication: Lubrication = Field(default="best", description="how it is lubricated")
    method: Method = Field(default="own", description="rating by asme, iso10823, or the own one of the designation")
    temperature: Annotated[Real, Field(ge=-60, le=200)] = Field(
        default=20.0, description="around the chain, degrees Celsius"
    )
    wanted: WantedIn | None = Field(default=None, description="the driven speed that is wanted")
    layout: LayoutIn = Field(default_factory=LayoutIn, description="for the drawing")


class ChainDriveOut(Answer):
    """The drive worked through."""

    designation: str
    design_power: Figure
    service_factor: Figure
    power: Figure
    governing: str
    method: str
    spare: Figure
    driven_speed: Figure
    chain_speed: Figure
    length: LengthOut
    pitches: Figure
    centre_distance: Figure
    wrap: Figure
    chordal_variation: Figure
    working_pull: Figure
    greatest_pull: Figure
    static_safety: Figure
    shaft_pull: Figure
    shaft_load: Figure
    shaft_load_case: str
    sag: Figure
    hand_movement: Figure
    chain_mass: Figure
    lubrication_wanted: str
    oil: str


def chain_drive_out(r: Drive, given: Given, frame: Frame) -> ChainDriveOut:
    """A worked chain drive as figures."""
    f = frame.figure
    strands = "" if given.strands == 1 else f"-{given.strands}"
    length = length_out(r.length, given.chain.pitch_mm, frame)
    return ChainDriveOut(
        designation=f"{given.chain.name}{strands}, {r.length.pitches} pitches",
        design_power=f(r.design_kw, "power", step="design_power"),
        service_factor=f(given.service_factor, "factor", step="service_factor"),
        power=f(r.rating.power_kw, "power", step="power"),
        governing=r.rating.governing,
        method=r.rating.method,
        spare=f(r.spare_percent, "percent", step="power"),
        driven_speed=f(r.driven_rpm, "speed", step="driven_speed"),
        chain_speed=f(r.speed_m_s, "belt_speed", step="chain_speed"),
        length=length,
        pitches=length.pitches,
        centre_distance=length.centre_distance,
        wrap=length.wrap,
        chordal_variation=f(r.chordal_percent, "percent", step="chordal"),
        working_pull=f(r.pull_n, "force", step="pull"),
        greatest_pull=f(r.greatest_n, "force", step="greatest"),
        static_safety=f(r.safety, "factor", step="safety"),
        shaft_pull=f(r.shaft_n, "force", step="shaft", per="hub"),
        shaft_load=f(r.shaft_load.newtons, "force", step="shaft_running", per="hub"),
        shaft_load_case=r.shaft_load.case,
        sag=f(r.sag_mm, "length", "tape", "sag"),
        hand_movement=f(r.hand_mm, "length", "tape", "hand"),
        chain_mass=f(r.mass_kg, "mass"),
        lubrication_wanted=r.lubrication,
        oil=r.oil or "outside the oil table",
    )
