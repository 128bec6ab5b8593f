"""How wide and how heavy the sheaves of a V-belt drive are: the one place that both the drive and the search ask."""

from __future__ import annotations

from math import radians, tan

from tuyere.core.steps import Num
from tuyere.core.v_belt.sections import GrooveRow
from tuyere.core.wheels.mass import Weight, flat_pulley, grooved_sheave


def face_mm(pitch_mm: Num, edge_mm: Num, belts: Num) -> Num:
    """Face width of a sheave with that many grooves. Source: ANSI/RMA IP-20 and IP-22, groove spacing and edge."""
    return (belts - 1) * pitch_mm + 2 * edge_mm


def groove_area_mm2(groove: GrooveRow) -> float:
    """Cross-section of one groove: a trapezium that narrows by the groove's angle."""
    bottom = max(groove.top_width_mm - 2 * groove.depth_mm * tan(radians(groove.angle_deg / 2)), 0.0)
    return groove.depth_mm * (groove.top_width_mm + bottom) / 2


def sheaves_weight(
    driver_mm: Num, driven_mm: Num, *, face: Num, belts: Num, depth_mm: Num, area_mm2: Num, driven_flat: bool = False
) -> Weight:
    """Both sheaves by their outside diameters; the driven one may be a flat pulley."""
    driven = flat_pulley(driven_mm, face) if driven_flat else grooved_sheave(driven_mm, face, belts, depth_mm, area_mm2)
    return grooved_sheave(driver_mm, face, belts, depth_mm, area_mm2) + driven
