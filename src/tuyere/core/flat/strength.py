"""What a flat belt's strand may pull: corrections for the small pulley and the speed, and the least pulley."""

from __future__ import annotations

from tuyere.core.flat.tables import Material
from tuyere.core.steps import Num, looked_up
from tuyere.core.tables import axis, table
from tuyere.core.units import MM_PER_IN

WIDE_IN = 8.0


def least_pulley_in(of: Material, width_in: Num) -> Num:
    """Least pulley in inches; wide double leather wants a larger one."""
    return of.least_pulley_in + of.wide_add_in * (width_in >= WIDE_IN)


def pulley_correction(of: Material, small_mm: Num) -> Num:
    """Correction for the smaller pulley, recorded. Source: Shigley."""
    t = table("pulley_correction")
    value = axis(t, "from", "C_p", material=of.correction).at(small_mm / MM_PER_IN, "driver_diameter")
    return looked_up("C_pul", value, t.id, t.source_of(), d=small_mm)


def velocity_correction(of: Material, feet: Num) -> Num:
    """Correction for the speed, recorded; 1 for materials that need none. Source: leather ratings of Marks."""
    if not of.velocity_row:
        return 1.0
    t = table("velocity_correction")
    line = axis(t, "speed", "C_v", thickness=of.velocity_row)
    slowest = float(line.xs[0])
    value = line.at(feet * (feet > slowest) + slowest * (feet <= slowest), "driver_speed")
    return looked_up("C_vel", value, t.id, t.source_of(), V=feet)
