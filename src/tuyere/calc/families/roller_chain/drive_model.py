"""Input and answer of one whole chain drive."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Band, Figure
from tuyere.calc.around.model import DriveIn
from tuyere.calc.entry import Hours, Length, Power, Speed, maybe
from tuyere.calc.families.roller_chain.parts import (
    LIFE,
    LengthOut,
    Lubrication,
    Method,
    Number,
    Strands,
    Teeth,
    length_out,
    life_of,
)
from tuyere.calc.frame import Frame
from tuyere.calc.parts import LayoutIn, Real, ServiceFactorIn, Whole, factor_of
from tuyere.calc.wanted import WantedIn
from tuyere.core.notices import notice
from tuyere.core.roller_chain.case import ChainCase, chain_case
from tuyere.core.roller_chain.field import chain_written
from tuyere.core.roller_chain.method import ChainDrive
from tuyere.core.roller_chain.service import chain_factor
from tuyere.core.roller_chain.tables import chain


class ChainDriveIn(DriveIn):
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
    shaft_load_design: Figure
    shaft_load: Figure
    shaft_load_case: str
    sag: Figure
    hand_movement: Figure
    hand_movement_band: Band = Field(description="what is wanted at mid-span, both ways together")
    chain_mass: Figure
    lubrication_wanted: str
    oil: str


def case_of(given: ChainDriveIn) -> ChainCase:
    """The core's question of a drive. Raises InputError beside the field."""
    if given.life is None:
        notice("info", "life-assumed", "15,000 hours of life are assumed.", "input.life")
    return chain_case(
        chain(given.chain),
        given.strands,
        power_kw=given.power.value,
        service_factor=factor_of(given.service_factor, chain_factor),
        driver_rpm=given.speed.value,
        z_1=given.driver_teeth,
        z_2=given.driven_teeth,
        centre_mm=maybe(given.centre_distance),
        pitches=given.pitches,
        life_h=life_of(given.life),
        lubrication=given.lubrication,
        celsius=given.temperature,
        angle_deg=given.layout.angle,
        clockwise=given.layout.clockwise,
        method=given.method,
    )


def chain_drive_out(r: ChainDrive, frame: Frame) -> ChainDriveOut:
    """A worked chain drive as figures."""
    f, own, loop, rated = frame.figure, r.own, r.case.loop, r.rated.own
    assert rated is not None and r.spare_percent is not None and r.shape.members is not None
    length = length_out(r.shape, frame)
    return ChainDriveOut(
        designation=chain_written(loop.chain, loop.strands, r.shape.members),
        design_power=f(r.design_kw, "power"),
        service_factor=f(r.case.service_factor, "factor"),
        power=f(rated.rating.power_kw, "power"),
        governing=rated.rating.governing,
        method=rated.rating.method,
        spare=f(r.spare_percent, "percent"),
        driven_speed=f(r.driven_rpm, "speed"),
        chain_speed=f(r.speed_m_s, "belt_speed"),
        length=length,
        pitches=length.pitches,
        centre_distance=length.centre_distance,
        wrap=length.wrap,
        chordal_variation=f(rated.chordal_percent, "percent"),
        working_pull=f(own.pull_n, "force"),
        greatest_pull=f(own.greatest_n, "force"),
        static_safety=f(own.safety, "factor"),
        shaft_load_design=f(own.shaft_n, "force", per="hub"),
        shaft_load=f(r.shaft_load.newtons, "force", per="hub"),
        shaft_load_case=r.shaft_load.case,
        sag=f(own.sag_mm, "length", "tape"),
        hand_movement=f(own.hand_mm, "length", "tape"),
        hand_movement_band=frame.band(*own.hand_band_mm, "length", "tape"),
        chain_mass=f(own.mass_kg, "mass"),
        lubrication_wanted=own.lubrication,
        oil=own.oil or "outside the oil table",
    )
