"""Service factor of a flat belt from the common conditions."""

from __future__ import annotations

from tuyere.core.duty.service import Conditions, with_choking
from tuyere.core.steps import looked_up
from tuyere.core.tables import table

SHARE = {"intermittent": 0.0, "normal": 0.5, "continuous": 1.0}


def flat_factor(c: Conditions) -> float:
    """Suggested factor by load and driver; hours place it in the book's range. Source: Shigley; the placing is common practice."""
    t = table("flat_service")
    row = t.row(load=c.load, torque=c.torque)
    value = row["low"] + (row["high"] - row["low"]) * SHARE[c.hours_band]
    return with_choking(looked_up("K_list", float(value), t.id, t.source_of()), c.chokes)
