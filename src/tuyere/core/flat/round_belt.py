"""A round urethane belt: length to cut and tension."""

from __future__ import annotations

from dataclasses import dataclass

import tuyere.core.flat.tables  # noqa: F401
from tuyere.core.duty.carried import pounds_to_newtons
from tuyere.core.errors import InputError
from tuyere.core.flat.formulas import round_cut_length
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN


@dataclass(frozen=True, slots=True)
class RoundBelt:
    """Length to cut (mm), tension of one strand (N), least pulley (mm) or None beyond the table."""

    cut_mm: float
    tension_n: float
    least_pulley_mm: float | None


def work_round_belt(diameter_mm: float, path_mm: float, small_rpm: float) -> RoundBelt:
    """A round urethane belt at 6 % stretch. Raises InputError for a diameter not in the table. Source: Shigley."""
    t = table("round_urethane")
    rows = [r for r in t.rows if abs(r[0] * MM_PER_IN - diameter_mm) < 0.2]
    if not rows:
        raise InputError("diameter", diameter_mm, "no figures for this diameter", "1/4, 3/8, 1/2 or 3/4 in")
    size = rows[0][0]
    tension = pounds_to_newtons(looked_up("F_b", rows[0][1], t.id, t.source_of()))
    cut = round_cut_length(path_mm, 6.0, size * MM_PER_IN)
    per_foot = small_rpm / (path_mm / MM_PER_IN / 12)
    if per_foot > 1000:
        notice(
            "caution",
            "flexed-often",
            "Over 1000 turns a minute per foot of belt: beyond the table, it will die young.",
            "input.speed",
        )
        return RoundBelt(cut, tension, None)
    least = [r[2] for r in table("round_pulleys").rows if r[0] == size and r[1] <= per_foot][-1]
    return RoundBelt(cut, tension, least * MM_PER_IN)
