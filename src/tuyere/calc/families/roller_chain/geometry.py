"""`sprocket` and `chain-length`: what a sprocket measures, and how long the chain is."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Length, maybe
from tuyere.calc.families.roller_chain.parts import LengthOut, Number, Teeth, length_out
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.drive.elevation import elevation_of
from tuyere.core.roller_chain.case import chain_case
from tuyere.core.roller_chain.length import advise_length, chain_shape
from tuyere.core.roller_chain.method import CHAIN_METHOD
from tuyere.core.roller_chain.sprockets import work_sprocket
from tuyere.core.roller_chain.tables import chain

GROUP = "Roller chain"


class SprocketIn(Input):
    """A sprocket of a chain number."""

    chain: Number = Field(description="chain number")
    teeth: Teeth = Field(description="teeth")


class SprocketOut(CardAnswer):
    """What it measures."""

    pitch_diameter: Figure
    outside_diameter: Figure
    caliper_diameter: Figure
    greatest_hub: Figure
    greatest_bore: Figure | None
    chordal_variation: Figure


@calculation(
    "sprocket",
    "Sprocket",
    summary="Pitch, outside and caliper diameters, hub and bore limits, how unevenly the chain runs.",
    source="ASME B29.1, ISO 606, geometry",
    example={"units": "us", "input": {"chain": "60", "teeth": 17}},
    card=Card(
        asks="What does a sprocket measure?",
        topic="Speeds and sizes",
        sentence="A sprocket for chain {chain} has {teeth} teeth.",
        figures=("outside_diameter", "pitch_diameter", "caliper_diameter"),
        picture="sprocket-size",
        fresh={"chain": "60"},
        then=("chain-length", "How long is the chain?"),
    ),
)
def sprocket(given: SprocketIn, frame: Frame) -> SprocketOut:
    """Work the sprocket."""
    r = work_sprocket(chain(given.chain), given.teeth)
    f = frame.figure
    outside, over, hub = (
        f(r.outside_mm, "length", "size"),
        f(r.caliper_mm, "length", "size"),
        f(r.hub_mm, "length", "size"),
    )
    return SprocketOut(
        says=f"{outside.shown} over its teeth, {over.shown} over two roots that lie across; its hub stays under {hub.shown}.",
        pitch_diameter=f(r.pitch_mm, "length", "size"),
        outside_diameter=outside,
        caliper_diameter=over,
        greatest_hub=hub,
        greatest_bore=None if r.bore_mm is None else f(r.bore_mm, "length", "tape"),
        chordal_variation=f(r.chordal_percent, "percent"),
    )


class ChainLengthIn(Input):
    """Two sprockets and either the centre distance or the pitches."""

    chain: Number = Field(description="chain number")
    driver_teeth: Teeth = Field(description="teeth of the driver")
    driven_teeth: Teeth = Field(description="teeth of the driven")
    centre_distance: Length | None = Field(
        default=None, description="centre distance; the next even number of pitches is taken"
    )
    pitches: Annotated[Whole, Field(ge=20, le=2000)] | None = Field(default=None, description="chain length in pitches")


class ChainLengthOut(CardAnswer, LengthOut):
    """Length in pitches and the centres that go with it, as a card says them."""


@calculation(
    "chain-length",
    "Chain length",
    summary="Exact chain length in pitches from the centres, or the centres from the pitches.",
    source="plane geometry, exact",
    example={
        "units": "us",
        "input": {"chain": "50", "driver_teeth": 24, "driven_teeth": 63, "centre_distance": "22 1/2"},
    },
    card=Card(
        asks="How long is the chain?",
        topic="Speeds and sizes",
        sentence="Chain {chain} runs from {driver_teeth} to {driven_teeth} teeth.|"
        "The shafts are {centre_distance} apart, or the chain has {pitches} pitches.",
        figures=("pitches", "centre_distance", "chain_length"),
        picture="wheels",
        fresh={"chain": "60"},
        on_picture=("centre_distance",),
        then=("chain-wear", "Is it worn?"),
    ),
)
def chain_length(given: ChainLengthIn, frame: Frame) -> ChainLengthOut:
    """Work the length."""
    case = chain_case(
        chain(given.chain),
        z_1=given.driver_teeth,
        z_2=given.driven_teeth,
        centre_mm=maybe(given.centre_distance),
        pitches=given.pitches,
    )
    r = chain_shape(case)
    advise_length(r, case)
    method = CHAIN_METHOD
    frame.elevation = elevation_of(
        r.path,
        method.family,
        character="rollers",
        thickness_mm=method.thickness_mm(case),
        pitch_mm=method.pitch_mm(case),
    )
    found = length_out(r, frame)
    return ChainLengthOut(
        **dict(found),
        says=f"{found.pitches.number} pitches, with the shafts {found.centre_distance.shown} apart.",
    )
