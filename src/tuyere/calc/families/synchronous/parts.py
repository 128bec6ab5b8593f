"""Inputs that the synchronous calculations share."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.entry import Force, MassPerLength, Size
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input

ProfileName = Literal[
    "MXL",
    "XXL",
    "XL",
    "L",
    "H",
    "XH",
    "XXH",
    "T2.5",
    "T5",
    "T10",
    "T20",
    "H3M",
    "H5M",
    "H8M",
    "H14M",
    "H20M",
    "R3M",
    "R5M",
    "R8M",
    "R14M",
    "R20M",
    "S2M",
    "S3M",
    "S5M",
    "S8M",
    "S14M",
]
Teeth = Annotated[Whole, Field(ge=8, le=300)]
Idler = Literal["none", "inside, slack side", "outside, slack side", "inside, tight side", "outside, tight side"]


class OwnBeltIn(Input):
    """A belt by its maker's sheet, for profiles without a public rating."""

    profile: ProfileName = Field(description="tooth profile")
    width: Size = Field(description="its width")
    tension: Force = Field(description="working tension allowed at that width")
    mass: MassPerLength | None = Field(default=None, description="mass per length of that belt")
