"""`crown`: crown of a flat-belt pulley."""

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Size
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.flat.crown import crown_mm

GROUP = "Flat, round and link belts"


class CrownIn(Input):
    """A flat-belt pulley."""

    diameter: Size = Field(description="pulley diameter")
    face: Size = Field(description="face width")


class CrownOut(CardAnswer):
    """Its crown."""

    crown: Figure


@calculation(
    "crown",
    "Crown of a flat-belt pulley",
    summary="How much higher the middle of the face stands.",
    source="Shigley; ISO 22",
    example={"units": "us", "input": {"diameter": "10 in", "face": "6 in"}},
    card=Card(
        asks="How much crown does the pulley want?",
        topic="Make it",
        sentence="A flat pulley is {diameter} across, its face {face} wide.",
        figures=("crown",),
        picture="crown",
        on_picture=("diameter", "face"),
        then=("made-pulley", "Draw it for the shop"),
    ),
)
def crown(given: CrownIn, frame: Frame) -> CrownOut:
    """Look the crown up."""
    high = frame.figure(crown_mm(given.diameter.value, given.face.value), "length", "size")
    return CrownOut(
        says=f"The middle of the face stands {high.shown} over its edges, as an arc; only one pulley of the two is crowned.",
        crown=high,
    )
