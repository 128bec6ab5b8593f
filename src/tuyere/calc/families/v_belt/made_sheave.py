"""`made-sheave`: the drawing of a sheave to be made."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.card import Card
from tuyere.calc.entry import Size
from tuyere.calc.families.v_belt.parts import Groove
from tuyere.calc.frame import Frame
from tuyere.calc.made import BORE, FRESH_BORE, BoreIn, MadeOut, made_out
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.v_belt.made_sheave import sheave_rim
from tuyere.core.v_belt.sections import groove_of_outside

GROUP = "Speeds"


class MadeSheaveIn(Input):
    """A sheave by its rim, its grooves and its shaft."""

    groove: Groove = Field(description="groove of the belts it holds")
    outside: Size = Field(description="outside diameter")
    grooves: Annotated[Whole, Field(ge=1, le=20)] = Field(default=1, description="how many grooves")
    shaft: BoreIn = Field(description="what it sits on")


@calculation(
    "made-sheave",
    "Sheave made to size",
    summary="The drawing of a sheave to be made: grooves by the standard, bore, keyway, hub, tolerances, the rim's speed; as PDF and DXF.",
    source="ANSI/RMA IP-20, IP-22; ISO 4183; ASME B17.1, ISO 773; textbook rules for rim and hub",
    example={
        "units": "us",
        "input": {
            "groove": "B",
            "outside": "6.92 in",
            "grooves": 2,
            "shaft": {"bore": "1.5 in", "speed": "1750"},
        },
    },
    first=("says", "outside"),
    card=Card(
        asks="How is a sheave made?",
        topic="Make it",
        sentence="A sheave has {grooves} grooves {groove} and is {outside} outside.|" + BORE,
        figures=("outside", "face", "most_speed"),
        picture="made",
        fresh={"groove": "B", "grooves": "1", **FRESH_BORE},
    ),
)
def made_sheave(given: MadeSheaveIn, frame: Frame) -> MadeOut:
    """Draw the sheave. Raises InputError for what cannot be cut or may not run."""
    rim = sheave_rim(given.groove, given.outside.value, given.grooves)
    row = groove_of_outside(given.groove, given.outside.value)
    f = frame.figure
    cut = []
    if row is not None:
        groove = (
            f"{given.grooves} × {given.groove}: {f(row.angle_deg, 'angle').shown}, "
            f"{f(row.top_width_mm, 'gap').shown} at the rim, {f(row.depth_mm, 'gap').shown} deep"
        )
        cut.append(groove)
        spacing = f"edge to first groove {f(row.edge_mm, 'gap').shown}"
        if given.grooves > 1:
            spacing = f"groove to groove {f(row.pitch_mm, 'gap').shown}, {spacing}"
        cut.append(spacing)
    return made_out(rim, given.shaft, frame, name=f"Sheave {given.grooves}/{given.groove}", cut=cut)
