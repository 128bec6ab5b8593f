"""The smallest set of spare loops that covers a group of drives: each drive takes any length inside its take-up's range.

Exact: a linear program in whole numbers, solved by branch and bound (HiGHS through scipy). One spare set is enough for all the drives
it fits, as only one fails at a time: common practice.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from tuyere.core.errors import InputError

MOST_DRIVES = 60


@dataclass(frozen=True, slots=True, kw_only=True)
class Wants:
    """A drive: what it may be called, its section, how many loops it takes, and the lengths it can take up (mm, both ends in)."""

    name: str
    section: str
    count: int
    shortest_mm: float
    longest_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Spare:
    """A length to keep, how many of it, and the drives it is for."""

    section: str
    length_mm: float
    count: int
    serves: tuple[str, ...]


def covering_set(drives: Sequence[Wants], lengths: dict[str, Sequence[float]]) -> tuple[Spare, ...]:
    """The fewest loops that give every drive a spare set, and of those the fewest lengths; ``lengths`` are the standard ones by
    section, mm. Raises InputError naming the drive that no standard length fits.
    """
    if len(drives) > MOST_DRIVES:
        raise InputError("drives", len(drives), "more drives than are covered together", f"{MOST_DRIVES} at most")
    out: list[Spare] = []
    for section in dict.fromkeys(d.section for d in drives):
        out += _cover([d for d in drives if d.section == section], section, lengths.get(section, ()))
    return tuple(out)


def _cover(drives: Sequence[Wants], section: str, lengths: Sequence[float]) -> list[Spare]:
    """One section's spares."""
    # Loaded when it is first asked for: it takes longer than the rest of the program.
    from scipy.optimize import Bounds, LinearConstraint, milp

    usable = sorted({x for x in lengths if any(d.shortest_mm <= x <= d.longest_mm for d in drives)})
    for d in drives:
        if not any(d.shortest_mm <= x <= d.longest_mm for x in usable):
            raise InputError("drives", d.name, "no standard length fits inside its take-up", "one that fits")
        if d.count < 1:
            raise InputError("drives", d.name, "a drive without loops", "1 or more")
    levels = sorted({d.count for d in drives})
    # One choice in whole numbers for every length and every level of stock: "at least so many of this".
    index = {(x, n): k for k, (x, n) in enumerate((x, n) for x in usable for n in levels)}
    step = {n: n - (levels[k - 1] if k else 0) for k, n in enumerate(levels)}
    # The loops themselves first; that there is another length at all counts a little, far less than one loop.
    little = 1.0 / (len(usable) + 1)
    cost = np.array([step[n] + (little if n == levels[0] else 0.0) for _, n in index])
    rows, low = [], []
    for d in drives:
        row = np.zeros(len(index))
        for x in usable:
            if d.shortest_mm <= x <= d.longest_mm:
                row[index[x, d.count]] = 1
        rows.append(row)
        low.append(1.0)
    for x in usable:
        for lower, higher in zip(levels, levels[1:], strict=False):
            row = np.zeros(len(index))
            row[index[x, lower]], row[index[x, higher]] = 1, -1
            rows.append(row)
            low.append(0.0)
    found = milp(
        cost,
        constraints=LinearConstraint(np.array(rows), np.array(low)),
        integrality=np.ones(cost.size, dtype=int),
        bounds=Bounds(0, 1),
        # Its own default stops when it is nearly the best.
        options={"mip_rel_gap": 0.0},
    )
    if found.x is None:
        raise InputError("drives", len(drives), "no set was found", "fewer drives at once")
    kept = {x: max((n for n in levels if found.x[index[x, n]] > 0.5), default=0) for x in usable}
    spares = []
    for x, count in kept.items():
        if count:
            serves = tuple(d.name for d in drives if d.shortest_mm <= x <= d.longest_mm and d.count <= count)
            spares.append(Spare(section=section, length_mm=x, count=count, serves=serves))
    return spares
