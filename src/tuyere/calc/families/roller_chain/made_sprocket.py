"""`made-sprocket`: the drawing of a sprocket to be made."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.card import Card
from tuyere.calc.families.roller_chain.parts import Number, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.made import BORE, FRESH_BORE, BoreIn, MadeOut, made_out
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.roller_chain.made_sprocket import plate_mm, sprocket_rim
from tuyere.core.roller_chain.sprockets import work_sprocket
from tuyere.core.roller_chain.tables import chain

GROUP = "Speeds"


class MadeSprocketIn(Input):
    """A sprocket by its chain, its teeth and its shaft."""

    chain: Number = Field(description="chain number")
    teeth: Teeth = Field(description="teeth")
    strands: Annotated[Whole, Field(ge=1, le=6)] = Field(default=1, description="strands")
    shaft: BoreIn = Field(description="what it sits on")


@calculation(
    "made-sprocket",
    "Sprocket made to size",
    summary="The drawing of a sprocket to be made: tooth form by the chain's standard, plate, bore, keyway, hub, tolerances; as PDF and DXF.",
    source="ASME B29.1 and ISO 606 tooth forms, recalled; ASME B17.1, ISO 773",
    example={
        "units": "us",
        "input": {"chain": "60", "teeth": 21, "shaft": {"bore": "1.25 in", "material": "steel", "speed": "600"}},
    },
    first=("says", "outside"),
    card=Card(
        asks="How is a sprocket made?",
        topic="Make it",
        sentence="A sprocket for chain {chain}, strands {strands}, has {teeth} teeth.|" + BORE,
        figures=("outside", "face", "most_speed"),
        picture="made",
        fresh={"chain": "60", "strands": "1", **FRESH_BORE},
    ),
)
def made_sprocket(given: MadeSprocketIn, frame: Frame) -> MadeOut:
    """Draw the sprocket. Raises InputError for what cannot be cut or may not run."""
    of = chain(given.chain)
    wheel = work_sprocket(of, given.teeth)
    if wheel.bore_mm is not None and given.shaft.bore.value > wheel.bore_mm:
        raise InputError(
            "shaft.bore",
            given.shaft.bore.value,
            "more than the largest bore of this sprocket",
            "up to {most}",
            most=(wheel.bore_mm, "length"),
        )
    rim = sprocket_rim(of, given.teeth, given.strands)
    f = frame.figure
    cut = [
        f"{given.teeth} teeth for chain {of.name}: pitch diameter {f(wheel.pitch_mm, 'gap').shown}, "
        f"over the roots {f(wheel.caliper_mm, 'gap').shown}",
        f"plate {f(plate_mm(of, given.strands), 'gap').shown}, teeth hardened; "
        + ("tooth form ASME B29.1" if of.series == "ansi" else "tooth form ISO 606, least gap"),
    ]
    return made_out(rim, given.shaft, frame, name=f"Sprocket {of.name}, {given.teeth} teeth", cut=cut)
