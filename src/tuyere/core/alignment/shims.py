"""Shims from the box: the fewest that come nearest."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from itertools import combinations_with_replacement

from tuyere.core.errors import InputError
from tuyere.core.tables import declare, table

declare("tuyere.core.alignment", ("alignment_limits", "run_out_limits", "shim_box", "alignment_tools"))
MOST = 4  # under one foot: more of them spring


@dataclass(frozen=True, slots=True, kw_only=True)
class Stack:
    """Shims of one foot in mm, thickest first, and how much thicker than wanted they are together."""

    shims_mm: tuple[float, ...]
    off_mm: float

    @property
    def total_mm(self) -> float:
        """All of them."""
        return sum(self.shims_mm)


def usual_box(units: str) -> tuple[float, ...]:
    """Thicknesses of a usual box in mm, inch shims or metric ones."""
    return tuple(table("shim_box").column("thickness", system=units))


def stack(wanted_mm: float, box_mm: Iterable[float], most: int = MOST) -> Stack:
    """The stack nearest to a thickness from a box that has enough of each; the fewer shims where two are as near.

    Raises InputError for an empty box or one with a shim of no thickness. Tries every combination, so nothing is nearer.

    >>> stack(1.1, [0.1, 0.5, 1.0]).shims_mm
    (1.0, 0.1)
    """
    box = sorted(set(box_mm))
    if not box or box[0] <= 0:
        raise InputError("shims", box[0] if box else None, "no shims to stack", "thicknesses over nothing")
    best = Stack(shims_mm=(), off_mm=-wanted_mm)
    for count in range(1, most + 1):
        for shims in combinations_with_replacement(box, count):
            off = sum(shims) - wanted_mm
            if abs(off) < abs(best.off_mm) - 1e-6:
                best = Stack(shims_mm=tuple(reversed(shims)), off_mm=off)
    return best
