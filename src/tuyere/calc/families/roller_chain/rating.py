"""`chain-rating`: what a chain carries."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Hours, Speed
from tuyere.calc.families.roller_chain.parts import (
    LIFE,
    Lubrication,
    Method,
    Number,
    Strands,
    Teeth,
    life_of,
)
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.roller_chain.formulas import chain_speed
from tuyere.core.roller_chain.rating import rate_chain
from tuyere.core.roller_chain.tables import chain, lubrication_type

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
    method: Method = Field(default="own", description="asme, iso10823, or the own one of the designation")


class ChainRatingOut(CardAnswer):
    """Power of the chain and the three limits of one strand."""

    power: Figure
    governing: str
    method: str
    link_plates: Figure
    impact: Figure
    galling: Figure
    chain_speed: Figure
    lubrication_wanted: str


@calculation(
    "chain-rating",
    "Power of a roller chain",
    summary="Link-plate, impact and galling limits, and which of them governs.",
    source="ASME B29.1, ISO 10823",
    example={"units": "us", "input": {"chain": "40", "teeth": 17, "speed": "1000 rpm"}},
    card=Card(
        asks="What does a chain carry?",
        topic="What it carries and costs",
        sentence="Chain {chain}, strands {strands}, runs over {teeth} teeth at {speed}.|"
        "It is {pitches} pitches long and to last {life}; it is {lubrication}.",
        figures=("power", "chain_speed", "lubrication_wanted"),
        picture="limits",
        fresh={"chain": "60", "strands": "1", "pitches": "100", "lubrication": "best"},
        names={
            "lubrication": {
                "best": "oiled as the table wants it",
                "adequate": "oiled well enough",
                "dusty": "oiled, in dust",
                "poor": "oiled poorly",
                "dry-dirty": "dry and dirty",
            }
        },
        then=("sprocket", "What does the sprocket measure?"),
    ),
)
def chain_rating(given: ChainRatingIn, frame: Frame) -> ChainRatingOut:
    """Rate the chain."""
    of = chain(given.chain)
    try:
        r = rate_chain(
            of,
            given.strands,
            small_teeth=given.teeth,
            small_rpm=given.speed.value,
            pitches=given.pitches,
            life_h=life_of(given.life),
            lubrication=given.lubrication,
            offset_link=False,
            method=given.method,
        )
    except InputError as e:
        raise e.at(e.field.removeprefix("driver.")) from e
    v = chain_speed(given.teeth, of.pitch_mm, given.speed.value)
    f = frame.figure
    power, speed = f(r.power_kw, "power"), f(v, "belt_speed")
    return ChainRatingOut(
        says=f"{power.shown}; what gives first: {r.governing}. It runs at {speed.shown}.",
        power=power,
        governing=r.governing,
        method=r.method,
        link_plates=f(r.plate_kw, "power", per="strand"),
        impact=f(r.impact_kw, "power", per="strand"),
        galling=f(r.galling_kw, "power", per="strand"),
        chain_speed=speed,
        lubrication_wanted=lubrication_type(of, v),
    )
