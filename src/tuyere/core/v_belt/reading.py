"""One way to read what stands on a belt."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True, kw_only=True)
class Reading:
    """One way to read a marking. Lengths in mm, None where the marking does not give them.

    ``metric`` says that the number on the belt is itself a length in millimetres.
    """

    designation: str
    section: str
    construction: str
    joined: int
    inside_mm: float | None
    line_mm: float | None
    line_kind: str
    outside_mm: float | None
    words: str
    sure: str
    metric: bool = False
