"""What a drive turns into heat in a year."""

from __future__ import annotations

from tuyere.core.sources import KINEMATICS
from tuyere.core.steps import Num, formula


@formula("E_l", KINEMATICS)
def yearly_loss(P: Num, eta_d: Num, h_d: Num, d_y: Num) -> Num:
    """The drive takes in more than it gives out: the difference over the year's hours."""
    return P * (100 / eta_d - 1) * h_d * d_y
