"""A worn sprocket: how far the rollers have sunk into it, and what a new chain would find."""

from __future__ import annotations

from dataclasses import dataclass
from math import sqrt

from tuyere.core.errors import InputError
from tuyere.core.roller_chain.formulas import caliper_even, caliper_odd, large_sprocket_limit, pitch_diameter
from tuyere.core.roller_chain.sprockets import FEWEST, MOST
from tuyere.core.roller_chain.tables import Chain
from tuyere.core.roller_chain.wear import GENERAL
from tuyere.core.sources import Source
from tuyere.core.steps import looked_up, quiet
from tuyere.core.wear.formulas import pitch_short

TOLERANCE = Source(title="ASME B29.1, tolerance of the bottom diameter", origin="recalled", confidence="medium")
# A new chain is as long against the wheel as a worn one would be on a new wheel; a third of what wears out a chain is gone
# before it has run an hour. Our own judgement, no source.
SHARE_OF_LIMIT = 1 / 3


@dataclass(frozen=True, slots=True, kw_only=True)
class SprocketWear:
    """Diameter lost, tolerance of a new one and the most, mm; how much shorter its pitch is, and the most, percent; what to do."""

    new_mm: float
    lost_mm: float
    tolerance_mm: float
    most_mm: float
    short_percent: float
    limit_percent: float
    verdict: str


def sprocket_wear(of: Chain, teeth: int, *, caliper_mm: float, hooked: bool) -> SprocketWear:
    """A sprocket by its caliper diameter over the roots and by what is seen: hooks, a ridge beside the roller's track.

    Raises InputError for a diameter that is none of this sprocket. Source: geometry; tolerance of ASME B29.1, recalled.
    """
    if not FEWEST <= teeth <= MOST:
        raise InputError("teeth", teeth, "not a sprocket for roller chain", f"{FEWEST} to {MOST} teeth")
    with quiet():
        pitch = pitch_diameter(of.pitch_mm, teeth)
        new = caliper_odd(pitch, teeth, of.roller_mm) if teeth % 2 else caliper_even(pitch, of.roller_mm)
    tolerance = looked_up("d_tol", 25.4 * (0.003 + 0.001 * of.pitch_mm / 25.4 * sqrt(teeth)), "", TOLERANCE)
    lost = new - caliper_mm
    if not -3 * tolerance <= lost <= of.roller_mm:
        raise InputError(
            "caliper",
            caliper_mm,
            f"a sprocket of {teeth} teeth for chain {of.name} measures {{new}} over its roots when it is new; count again",
            "{low} to {new}",
            new=(new, "length"),
            low=(new - of.roller_mm, "length"),
        )
    lost = max(lost, 0.0)
    short = pitch_short(lost, pitch)
    with quiet():
        limit = SHARE_OF_LIMIT * min(GENERAL, float(large_sprocket_limit(teeth)))
    verdict = "act" if hooked or short >= limit else "watch" if lost > tolerance else "fine"
    return SprocketWear(
        new_mm=new,
        lost_mm=lost,
        tolerance_mm=tolerance,
        most_mm=limit * pitch / 100,
        short_percent=short,
        limit_percent=limit,
        verdict=verdict,
    )
