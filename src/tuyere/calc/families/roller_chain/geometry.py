"""`sprocket` and `chain-length`: what a sprocket measures, and how long the chain is."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
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


class SprocketOut(Answer):
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
)
def sprocket(given: SprocketIn, frame: Frame) -> SprocketOut:
    """Work the sprocket."""
    r = work_sprocket(chain(given.chain), given.teeth)
    f = frame.figure
    return SprocketOut(
        pitch_diameter=f(r.pitch_mm, "length", "size"),
        outside_diameter=f(r.outside_mm, "length", "size"),
        caliper_diameter=f(r.caliper_mm, "length", "size"),
        greatest_hub=f(r.hub_mm, "length", "size"),
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


@calculation(
    "chain-length",
    "Chain length",
    summary="Exact chain length in pitches from the centres, or the centres from the pitches.",
    source="plane geometry, exact",
    example={
        "units": "us",
        "input": {"chain": "50", "driver_teeth": 24, "driven_teeth": 63, "centre_distance": "22 1/2"},
    },
)
def chain_length(given: ChainLengthIn, frame: Frame) -> LengthOut:
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
    return length_out(r, frame)
