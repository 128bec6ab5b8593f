"""A worn flat belt: what is left of its section, and whether that still carries what is asked."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.wear.formulas import section_left

# Shares of the section; common practice, no source.
WATCH_AT, CHANGE_AT = 90.0, 75.0
JOINTS = ("whole", "opening", "pulled")


@dataclass(frozen=True, slots=True, kw_only=True)
class FlatWear:
    """Section that is left and what is asked of it, percent (None: not said); what to do."""

    left_percent: float
    asked_percent: float | None
    verdict: str
    because: str


def flat_wear(
    now_mm: tuple[float, float],
    *,
    new_mm: tuple[float, float],
    asked_percent: float | None = None,
    face_worn: bool = False,
    joint: str = "whole",
) -> FlatWear:
    """A flat belt by its thickness and width, now and new; ``asked_percent`` is what the duty asked of the new one.

    Raises InputError for a belt that is larger than new. Source: pull goes with the section; shares of common practice.
    """
    for name, now, new in (("thickness", now_mm[0], new_mm[0]), ("width", now_mm[1], new_mm[1])):
        if not 0 < now <= new * 1.03:
            why = "thicker or wider than new: measure again" if now > new else "nothing is left of it"
            raise InputError(name, now, why, "over 0 to {new}", new=(new, "length"))
    if joint not in JOINTS:
        raise InputError("joint", joint, "not a state of a joint", ", ".join(JOINTS))
    left = min(section_left(now_mm[0], now_mm[1], new_mm[0], new_mm[1]), 100.0)
    asked = None if asked_percent is None else 100 * asked_percent / left
    if joint == "pulled":
        return FlatWear(left_percent=left, asked_percent=asked, verdict="act", because="its joint pulls out")
    if face_worn:
        return FlatWear(
            left_percent=left, asked_percent=asked, verdict="act", because="its driving face is worn through"
        )
    if asked is not None and asked > 100:
        return FlatWear(left_percent=left, asked_percent=asked, verdict="act", because="it carries more than it should")
    if left < CHANGE_AT:
        return FlatWear(
            left_percent=left, asked_percent=asked, verdict="act", because="a quarter of its section is gone"
        )
    if joint == "opening":
        return FlatWear(left_percent=left, asked_percent=asked, verdict="watch", because="its joint begins to open")
    if left < WATCH_AT or (asked is not None and asked > WATCH_AT):
        return FlatWear(
            left_percent=left, asked_percent=asked, verdict="watch", because="a part of its section is gone"
        )
    return FlatWear(left_percent=left, asked_percent=asked, verdict="fine", because="its section is whole")
