"""How much a take-up has left, against what the loop has grown."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.wear.formulas import growth_in_percent, growth_left

# Of the growth that there was room for: common practice, no source.
ORDER_AT, CHANGE_AT = 0.75, 0.9


@dataclass(frozen=True, slots=True, kw_only=True)
class TakeUpLeft:
    """Growth still to be taken in, growth so far in percent (None without a length), share of the travel used, what to do."""

    growth_left_mm: float
    grown_percent: float | None
    used: float
    verdict: str


def take_up_left(left_mm: float, *, whole_mm: float, length_mm: float | None = None) -> TakeUpLeft:
    """What is left of a take-up's travel. Raises InputError where more is left than there ever was.

    Source: geometry of two strands; shares of practice.
    """
    if whole_mm <= 0:
        raise InputError("whole", whole_mm, "a take-up without travel takes nothing up", "over nothing")
    if not 0 <= left_mm <= whole_mm:
        raise InputError(
            "left", left_mm, "more is left than there is", "0 to the whole travel", most=(whole_mm, "length")
        )
    used = 1 - left_mm / whole_mm
    grown = None if length_mm is None else growth_in_percent(growth_left(whole_mm - left_mm), length_mm)
    verdict = "act" if used >= CHANGE_AT else "watch" if used >= ORDER_AT else "fine"
    return TakeUpLeft(growth_left_mm=growth_left(left_mm), grown_percent=grown, used=used, verdict=verdict)
