"""`chain-rating` and `chain-drive`: what a chain carries, and one whole drive."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entries.chain_parts import (
    ChainServiceIn,
    LengthOut,
    Lubrication,
    Number,
    Strands,
    Teeth,
    chain_factor_of,
    length_out,
)
from tuyere.calc.entries.parts import LayoutIn, Real, Whole
from tuyere.calc.entry import Hours, Length, Power, Speed, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.roller_chain.formulas import chain_speed
from tuyere.core.roller_chain.rate import Drive, Given, rate, rate_chain
from tuyere.core.roller_chain.tables import chain, lubrication_type
from tuyere.core.steps import mark
from tuyere.core.units import KW_PER_HP

LIFE = Field(default=None, description="wanted life; 15,000 hours are assumed")

GROUP = "Roller chain"


class ChainRatingIn(Input):
    """A chain on its smaller sprocket."""

    chain: Number = Field(description="chain number")
    strands: Strands = Field(default=1, description="strands")
    teeth: Teeth = Field(description="teeth of the smaller sprocket")
    speed: Speed = Field(description="speed of the smaller sprocket")
    pitches: Annotated[Whole, Field(ge=20, le=2000)] = Field(default=100, description="chain length in pitches")
    life: Annotated[Hours | None, LIFE]
    lubrication: Lubrication = Field(default="best", description="how it is lubricated")


class ChainRatingOut(Answer):
    """Power of the chain and the three limits of one strand."""

    power: Figure
    governing: str
    link_plates: Figure
    impact: Figure
    galling: Figure
    chain_speed: Figure
    lubrication_wanted: str


def _life(given: Hours | None) -> float:
    life = value_of(given, 15_000.0)
    if not 100 <= life <= 200_000:
        raise InputError("life", life, "not a life a chain is chosen for", "100 to 200,000 h")
    return life


@calculation("chain-rating", "Power of a roller chain", "Link-plate, impact and galling limits, and which of them governs.",
             "ASME B29.1", {"units": "us", "input": {"chain": "40", "teeth": 17, "speed": "1000 rpm"}})  # fmt: skip
def chain_rating(given: ChainRatingIn, frame: Frame) -> ChainRatingOut:
    """Rate the chain."""
    of = chain(given.chain)
    try:
        r = rate_chain(
            of,
            given.strands,
            given.teeth,
            given.speed.value,
            given.pitches,
            _life(given.life),
            given.lubrication,
            False,
        )
    except InputError as e:
        raise InputError(e.field.removeprefix("driver."), e.value, e.why, e.allowed) from e
    v = float(mark("chain_speed", chain_speed(given.teeth, of.pitch_mm, given.speed.value)))
    f = frame.figure
    return ChainRatingOut(
        power=f(r.power_kw, "power", step="power"),
        governing=r.governing,
        link_plates=f(r.plate_hp * KW_PER_HP, "power", step="plate", per="strand"),
        impact=f(r.impact_hp * KW_PER_HP, "power", step="impact", per="strand"),
        galling=f(r.galling_hp * KW_PER_HP, "power", step="galling", per="strand"),
        chain_speed=f(v, "belt_speed", step="chain_speed"),
        lubrication_wanted=lubrication_type(of, v),
    )


class ChainDriveIn(Input):
    """A chain drive: duty, chain, sprockets, centres or pitches."""

    power: Power = Field(description="power to transmit")
    service_factor: ChainServiceIn | None = Field(default=None, description="how hard the duty is")
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
    temperature: Annotated[Real, Field(ge=-60, le=200)] = Field(
        default=20.0, description="around the chain, degrees Celsius"
    )
    layout: LayoutIn = Field(default_factory=LayoutIn, description="for the drawing")


class ChainDriveOut(Answer):
    """The drive worked through."""

    designation: str
    design_power: Figure
    service_factor: Figure
    power: Figure
    governing: str
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
        shaft_pull=f(r.shaft_n, "force", step="shaft"),
        sag=f(r.sag_mm, "length", "tape", "sag"),
        hand_movement=f(r.hand_mm, "length", "tape", "hand"),
        chain_mass=f(r.mass_kg, "mass"),
        lubrication_wanted=r.lubrication,
        oil=r.oil or "outside the oil table",
    )


@calculation("chain-drive", "Roller chain drive",
             "A whole chain drive: speeds, length in pitches, rating and what governs it, pulls, slack, lubrication.",
             "ASME B29.1; geometry and statics exact", {"units": "us", "input": {
                 "power": "10hp", "service_factor": {"load": "heavy", "driver": "electric"}, "speed": "1000", "chain": "50",
                 "driver_teeth": 24, "driven_teeth": 63, "centre_distance": "22 1/2"}})  # fmt: skip
def chain_drive(given: ChainDriveIn, frame: Frame) -> ChainDriveOut:
    """Work the drive."""
    if given.life is None:
        notice("info", "life-assumed", "15,000 hours of life are assumed.", "input.life")
    core = Given(
        given.power.value, chain_factor_of(given.service_factor), given.speed.value, chain(given.chain), given.strands,
        given.driver_teeth, given.driven_teeth, None if given.centre_distance is None else given.centre_distance.value,
        given.pitches, _life(given.life), given.lubrication, given.temperature, given.layout.angle, given.layout.clockwise,
    )  # fmt: skip
    worked = rate(core)
    frame.elevation = worked.length.elevation
    return chain_drive_out(worked, core, frame)
