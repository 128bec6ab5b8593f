"""Inputs that the V-belt calculations share."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.entry import Power, Size, Speed
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input
from tuyere.core.notices import notice
from tuyere.core.v_belt.sections import Section
from tuyere.core.v_belt.sheaves import Sheave, sheave

Kind = Literal["outside", "effective", "datum", "pitch"]
Groove = Literal[
    "A",
    "B",
    "C",
    "D",
    "E",
    "3V",
    "5V",
    "8V",
    "Z",
    "SPZ",
    "SPA",
    "SPB",
    "SPC",
    "2L",
    "3L",
    "4L",
    "5L",
    "A deep",
    "B deep",
    "C deep",
    "D deep",
    "A in A/B",
    "B in A/B",
    "3V deep",
    "5V deep",
    "8V deep",
]


class OwnRatingIn(Input):
    """One line of your own rating table."""

    section: Text = Field(description="belt section")
    diameter: Size = Field(description="pitch or datum diameter of the small sheave")
    speed: Speed = Field(description="speed of the small sheave")
    power: Power = Field(description="basic power of one belt")


OwnRatings = Annotated[list[OwnRatingIn], Field(max_length=1500)]


class SheaveIn(Input):
    """A grooved sheave: one diameter, which diameter that is, and its groove."""

    diameter: Size = Field(description="diameter of the sheave")
    kind: Kind | None = Field(
        default=None,
        description="which diameter: outside by tape or caliper (the default), "
        "datum or pitch (classical), effective (narrow)",
    )
    groove: Groove = Field(description="groove section")


class DriverWheelIn(SheaveIn):
    """The driver sheave; left open, its groove is the belt's own."""

    groove: Groove | None = Field(default=None, description="groove section, where it is not the belt's own")  # type: ignore[assignment]


class ShaftIn(Input):
    """The driving shaft: its speed and its sheave."""

    speed: Speed = Field(description="speed under load, from nameplate or tachometer")
    sheave: DriverWheelIn


class DrivenWheelIn(SheaveIn):
    """The driven sheave, or a flat pulley that V-belts run on."""

    groove: Groove | Literal["flat"] | None = Field(  # type: ignore[assignment]
        default=None, description="groove section, where it is not the belt's own, or flat for V-belts on a flat pulley"
    )


class DrivenIn(Input):
    """The driven shaft's sheave."""

    sheave: DrivenWheelIn


def sheave_of(given: SheaveIn, field: str, own: str = "") -> Sheave:
    """The core's sheave; an outside diameter is taken where the kind is left open, and said.

    ``own`` is the belt's own groove, for a wheel whose groove is left open.
    """
    kind = given.kind
    if kind is None:
        kind = "outside"
        notice(
            "info",
            "kind-assumed",
            "The diameter is taken as the outside diameter.",
            f"input.{field}.kind",
            "Say which diameter it is.",
        )
    return sheave(given.diameter.value, kind, given.groove or own, field)


def efficiency_kind(of: Section) -> str:
    """The row of the efficiency table: a wrapped belt is a wrapped belt, classical or narrow."""
    return "v-belt cogged" if of.cogged else "v-belt wrapped"
