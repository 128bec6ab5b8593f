"""What a drive turns into heat in a year."""

from __future__ import annotations

from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula

DEFINITION = Source("definition of efficiency", origin="exact")


@formula("E_l", DEFINITION)
def yearly_loss(P: Num, eta_d: Num, h_d: Num, d_y: Num) -> Num:
    """The drive takes in more than it gives out: the difference over the year's hours."""
    return P * (100 / eta_d - 1) * h_d * d_y


@formula("y_back", DEFINITION)
def payback_years(cost: Num, E_s: Num, c_e: Num) -> Num:
    """Cost of the change over what it saves in a year."""
    return cost / (E_s * c_e)
