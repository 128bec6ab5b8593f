"""How heavy a wheel is, estimated from a stated solid, so that options can be told apart by weight."""

from __future__ import annotations

from numpy import pi, where

from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula

SOLID = Source(
    "estimate: a full disc to 150 mm; above, a rim of 8 % of the diameter, a web a quarter as thick as the face and a hub of a third "
    "of the diameter",
    origin="derived",
    confidence="low",
)
CAST_IRON = 7200.0


@formula("m_wh", SOLID)
def wheel_mass(rho: Num, D_w: Num, b_w: Num) -> Num:
    """Mass of a wheel as that solid."""
    return rho * 1e-9 * pi / 4 * b_w * (D_w**2 - where(D_w > 150, 0.75 * ((0.84 * D_w) ** 2 - (D_w / 3) ** 2), 0))
