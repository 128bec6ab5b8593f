"""Inputs that the V-belt calculations share."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from tuyere.calc.entry import Size, Speed
from tuyere.calc.registry import Input
from tuyere.core.notices import notice
from tuyere.core.vbelt.sheaves import Sheave, sheave

Kind = Literal["outside", "effective", "datum", "pitch"]
Groove = Literal["A", "B", "C", "D", "3V", "5V", "8V"]


class SheaveIn(Input):
    """A grooved sheave: one diameter, which diameter that is, and its groove."""

    diameter: Size = Field(description="diameter of the sheave")
    kind: Kind | None = Field(
        default=None,
        description="which diameter: outside by tape or caliper (the default), "
        "datum or pitch (classical), effective (narrow)",
    )
    groove: Groove = Field(description="groove section")


class ShaftIn(Input):
    """The driving shaft: its speed and its sheave."""

    speed: Speed = Field(description="speed under load, from nameplate or tachometer")
    sheave: SheaveIn


class DrivenIn(Input):
    """The driven shaft's sheave."""

    sheave: SheaveIn


def sheave_of(given: SheaveIn, field: str) -> Sheave:
    """The core's sheave; an outside diameter is taken where the kind is left open, and said."""
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
    return sheave(given.diameter.value, kind, given.groove, field)
