"""What a drive turns into heat in a year."""

from __future__ import annotations

from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula
from tuyere.core.tables import declare, table

declare("tuyere.core.duty", ("efficiencies",))

DEFINITION = Source(title="definition of efficiency", origin="exact")


@formula("E_l", DEFINITION)
def yearly_loss(P: Num, eta_d: Num, h_d: Num, d_y: Num) -> Num:
    """The drive takes in more than it gives out: the difference over the year's hours."""
    return P * (100 / eta_d - 1) * h_d * d_y


def efficiency_band(kind: str) -> tuple[float, float]:
    """Least and most that a kind of drive passes on, percent. Raises KeyError for a kind that is not in the table."""
    row = table("efficiencies").row(kind=kind)
    return float(str(row["low"])), float(str(row["high"]))


def loss_band(power_kw: float, efficiency: tuple[float, float], hours_a_day: float, days: float) -> tuple[float, float]:
    """Least and most kWh lost in a year, by the two ends of a band of efficiencies."""
    low, high = efficiency
    return (
        yearly_loss(power_kw, high, hours_a_day, days),
        yearly_loss(power_kw, low, hours_a_day, days),
    )


@formula("y_back", DEFINITION)
def payback_years(cost: Num, E_s: Num, c_e: Num) -> Num:
    """Cost of the change over what it saves in a year."""
    return cost / (E_s * c_e)
