"""Inputs and outputs that the roller chain calculations share."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Hours, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.core.drive.case import Shape
from tuyere.core.errors import InputError
from tuyere.core.roller_chain.length import mounted_mm

Number = Literal[
    "25",
    "35",
    "41",
    "40",
    "50",
    "60",
    "80",
    "100",
    "120",
    "140",
    "160",
    "180",
    "200",
    "240",
    "04C",
    "06C",
    "05B",
    "06B",
    "08A",
    "08B",
    "081",
    "083",
    "084",
    "085",
    "10A",
    "10B",
    "12A",
    "12B",
    "16A",
    "16B",
    "20A",
    "20B",
    "24A",
    "24B",
    "28A",
    "28B",
    "32A",
    "32B",
    "36A",
    "40A",
    "40B",
    "48A",
    "48B",
]
Method = Literal["own", "asme", "iso10823"]
Teeth = Annotated[Whole, Field(ge=9, le=150)]
Strands = Annotated[Whole, Field(ge=1, le=6)]
Lubrication = Literal["best", "adequate", "dusty", "poor", "dry-dirty"]


LIFE = Field(default=None, description="wanted life; 15,000 hours are assumed")


class LengthOut(Answer):
    """Length in pitches and the centres that go with it."""

    pitches: Figure
    exact_pitches: Figure
    chain_length: Figure
    centre_distance: Figure
    mounted_low: Figure
    mounted_high: Figure
    wrap: Figure
    span: Figure


def length_out(r: Shape, frame: Frame) -> LengthOut:
    """A chain on its sprockets as figures."""
    f = frame.figure
    assert r.members is not None and r.members_exact is not None
    low, high = mounted_mm(r)
    return LengthOut(
        pitches=f(r.members, "count"),
        exact_pitches=f(r.members_exact, "factor", "exact"),
        chain_length=f(r.length_mm, "length", "tape"),
        centre_distance=f(r.centre_mm, "length", "tape"),
        mounted_low=f(low, "length", "tape"),
        mounted_high=f(high, "length", "tape"),
        wrap=f(r.small_arc_deg, "angle"),
        span=f(r.span_mm, "length", "tape"),
    )


def life_of(given: Hours | None) -> float:
    """Wanted life in hours, 15,000 assumed; raises InputError outside 100..200,000."""
    life = value_of(given, 15_000.0)
    if not 100 <= life <= 200_000:
        raise InputError("life", life, "not a life a chain is chosen for", "100 to 200,000 h")
    return life
