"""`made-pulley`: the drawing of a flat pulley to be made."""

from pydantic import Field

from tuyere.calc.card import Card
from tuyere.calc.entry import Size
from tuyere.calc.frame import Frame
from tuyere.calc.made import BORE, FRESH_BORE, BoreIn, MadeOut, made_out
from tuyere.calc.registry import Input, calculation
from tuyere.core.flat.made_pulley import pulley_rim

GROUP = "Speeds"


class MadePulleyIn(Input):
    """A flat pulley by its rim and its shaft."""

    outside: Size = Field(description="diameter in the middle of the face")
    face: Size = Field(description="face width")
    crowned: bool = Field(default=True, description="crowned: one pulley of a pair")
    shaft: BoreIn = Field(description="what it sits on")


@calculation(
    "made-pulley",
    "Flat pulley made to size",
    summary="The drawing of a flat pulley to be made: crown, bore, keyway, hub, run-out, the rim's speed; as PDF and DXF.",
    source="ISO 22 crowns; ASME B17.1, ISO 773; textbook rules for rim and hub",
    example={"units": "us", "input": {"outside": "14 in", "face": "6 in", "shaft": {"bore": "2 in", "speed": "700"}}},
    first=("says", "outside"),
    card=Card(
        asks="How is a flat pulley made?",
        topic="Make it",
        sentence="A flat pulley is {outside} across in the middle of its face, {face} wide, {crowned?straight:crowned}.|"
        + BORE,
        figures=("outside", "face", "most_speed"),
        picture="made",
        fresh={**FRESH_BORE},
    ),
)
def made_pulley(given: MadePulleyIn, frame: Frame) -> MadeOut:
    """Draw the pulley. Raises InputError for what cannot be made or may not run."""
    rim = pulley_rim(given.outside.value, given.face.value, crowned=given.crowned)
    cut = ["face crowned as an arc, smooth" if given.crowned else "face straight, smooth"]
    return made_out(rim, given.shaft, frame, name="Flat pulley", cut=cut)
