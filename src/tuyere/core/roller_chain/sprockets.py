"""A sprocket's diameters and what it does to the chain's speed."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.roller_chain.formulas import (
    caliper_even,
    caliper_odd,
    chordal_variation,
    hub_limit,
    iso_outside_diameter,
    outside_diameter,
    pitch_diameter,
)
from tuyere.core.roller_chain.tables import Chain, greatest_bore_mm
from tuyere.core.steps import Num

FEWEST, MOST = 9, 150


@dataclass(frozen=True, slots=True, kw_only=True)
class Sprocket:
    """Diameters in mm; chordal variation in percent; greatest bore None where not tabled."""

    teeth: int
    pitch_mm: float
    outside_mm: float
    caliper_mm: float
    hub_mm: float
    bore_mm: float | None
    chordal_percent: float


def outside_mm(of: Chain, teeth: Num) -> Num:
    """Outside diameter of a sprocket in mm, by the standard of its chain: one figure wherever it is asked for.

    Source: ASME B29.1 for American numbers, ISO 606 for the others.
    """
    if of.series == "ansi":
        return outside_diameter(of.pitch_mm, teeth)
    return iso_outside_diameter(pitch_diameter(of.pitch_mm, teeth), of.pitch_mm, of.roller_mm)


def advise_teeth(teeth: int, field: str) -> None:
    """What is said of a sprocket with few or very many teeth. Source: common practice, ASME B29.1 advice."""
    if teeth < 12:
        notice(
            "caution",
            "few-teeth",
            "Under 12 teeth the chain runs rough and wears fast: slow drives only.",
            f"input.{field}",
        )
    elif teeth < 17:
        notice("info", "few-teeth", "17 teeth or more run smoother; 12 to 16 are for slow drives.", f"input.{field}")
    elif teeth > 120:
        notice("caution", "many-teeth", "Over 114 to 120 teeth a little wear lets the chain jump.", f"input.{field}")


def work_sprocket(of: Chain, teeth: int, field: str = "teeth") -> Sprocket:
    """A sprocket for a chain. Raises InputError outside 9..150 teeth. Source: ASME B29.1, geometry."""
    if not FEWEST <= teeth <= MOST:
        raise InputError(field, teeth, "not a sprocket for roller chain", f"{FEWEST} to {MOST} teeth")
    pitch = pitch_diameter(of.pitch_mm, teeth)
    outside = (
        outside_diameter(of.pitch_mm, teeth)
        if of.series == "ansi"
        else iso_outside_diameter(pitch, of.pitch_mm, of.roller_mm)
    )
    caliper = caliper_odd(pitch, teeth, of.roller_mm) if teeth % 2 else caliper_even(pitch, of.roller_mm)
    hub = hub_limit(of.pitch_mm, teeth)
    pulse = chordal_variation(teeth)
    advise_teeth(teeth, field)
    return Sprocket(
        teeth=teeth,
        pitch_mm=pitch,
        outside_mm=outside,
        caliper_mm=caliper,
        hub_mm=hub,
        bore_mm=greatest_bore_mm(of, teeth),
        chordal_percent=pulse,
    )
