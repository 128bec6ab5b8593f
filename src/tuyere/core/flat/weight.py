"""How wide and how heavy the pulleys of a flat belt are: the one place that both the drive and the search ask."""

from __future__ import annotations

from tuyere.core.steps import Num, quiet
from tuyere.core.tables import table
from tuyere.core.wheels.mass import Weight, flat_pulley

# Beyond the widest belt of the table: an eighth more than the belt (common practice).
OVER_BELT = 1.125


def pulley_face_mm(belt_width_mm: float) -> float:
    """Face of the pulley that goes with a belt: the table's for that width or the next above. Source: ISO 22."""
    rows = [(float(b), float(f)) for b, f, *_ in table("flat_widths").rows if b >= belt_width_mm - 1e-6]
    return rows[0][1] if rows else OVER_BELT * belt_width_mm


def pulleys_weight(driver_mm: Num, driven_mm: Num, face: Num) -> Weight:
    """Both pulleys, floats or arrays."""
    with quiet():
        return flat_pulley(driver_mm, face) + flat_pulley(driven_mm, face)
