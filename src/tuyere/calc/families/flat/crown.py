"""`crown`: crown of a flat-belt pulley."""

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Size
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.flat.crown import crown_mm

GROUP = "Flat, round and link belts"


class CrownIn(Input):
    """A flat-belt pulley."""

    diameter: Size = Field(description="pulley diameter")
    face: Size = Field(description="face width")


class CrownOut(Answer):
    """Its crown."""

    crown: Figure


@calculation(
    "crown",
    "Crown of a flat-belt pulley",
    summary="How much higher the middle of the face stands.",
    source="Shigley; ISO 22",
    example={"units": "us", "input": {"diameter": "10 in", "face": "6 in"}},
)
def crown(given: CrownIn, frame: Frame) -> CrownOut:
    """Look the crown up."""
    return CrownOut(crown=frame.figure(crown_mm(given.diameter.value, given.face.value), "length", "size"))
