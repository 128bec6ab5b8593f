"""Crown of a flat-belt pulley."""

from __future__ import annotations

import tuyere.core.flat.tables  # noqa: F401
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN


def crown_mm(diameter_mm: float, face_mm: float) -> float:
    """Crown height on the diameter's middle, mm. Raises InputError under 1.6 in. Source: Shigley, ISO 22."""
    t = table("crowns")
    rows = [r for r in t.rows if r[0] * MM_PER_IN <= diameter_mm + 1e-9]
    if not rows:
        raise InputError("diameter", diameter_mm, "under the table of crowns", "1.6 in (41 mm) or more")
    value = rows[-1][2] if face_mm > 10 * MM_PER_IN else rows[-1][1]
    if rows[-1][3] == "low":
        notice(
            "caution",
            "crown-doubt",
            "The print contradicts itself for pulleys of 12 to 20 in: 0.03 or 0.04 in.",
            "input.diameter",
        )
    notice("info", "one-crown", "Crown one pulley of a pair, usually the larger, rounded and smooth.", "input.diameter")
    return looked_up("h_o", value * MM_PER_IN, t.id, t.source_of(rows[-1][3]))
