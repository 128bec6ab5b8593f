"""A belt or chain that grows: how much, how much more its take-up can take in, and how long that lasts at this rate."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.wear.formulas import growth_in_percent, growth_left, hours_left
from tuyere.core.wear.take_up import CHANGE_AT, ORDER_AT

# A loop that has grown by more than this was measured wrongly, or is another one.
MOST_PERCENT = 15.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Growth:
    """Growth so far and what can still be taken in, mm; percent of the length; share used; hours left (None: no hours said)."""

    grown_mm: float
    percent: float
    left_mm: float
    used: float
    hours_left: float | None
    verdict: str


def grown(length_mm: float, *, grown_mm: float, left_mm: float, hours: float | None) -> Growth:
    """A loop by its growth since it was fitted and the travel that its take-up has left.

    Raises InputError for a growth that is none of a loop's. Source: geometry of two strands; shares of common practice.
    """
    if length_mm <= 0:
        raise InputError("length", length_mm, "a loop without a length does not grow", "over nothing")
    if not 0 <= grown_mm <= length_mm * MOST_PERCENT / 100:
        most = length_mm * MOST_PERCENT / 100
        why = "shorter than new: measure again, or it is another loop" if grown_mm < 0 else "no loop grows so much"
        raise InputError("grown", grown_mm, why, "0 to {most}", most=(most, "length"))
    if left_mm < 0:
        raise InputError("left", left_mm, "less than no travel", "0 or more")
    percent, room = growth_in_percent(grown_mm, length_mm), growth_left(left_mm)
    used = grown_mm / (grown_mm + room) if grown_mm + room > 0 else 1.0
    lasts = None if hours is None or grown_mm == 0 else hours_left(hours, grown_mm, room)
    verdict = "act" if used >= CHANGE_AT else "watch" if used >= ORDER_AT else "fine"
    return Growth(grown_mm=grown_mm, percent=percent, left_mm=room, used=used, hours_left=lasts, verdict=verdict)
