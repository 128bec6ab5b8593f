"""Several drives one after the other: speeds of the shafts between, what is passed on, and which chain of drives costs least."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.sources import KINEMATICS, Source
from tuyere.core.steps import Num, formula

LOSSES = Source(title="what a stage passes on is what the next one takes", origin="exact", confidence="high")
# Where between an even split of the ratio the first stage is looked for.
SHARES = (0.4, 0.5, 0.6)
MOST_STAGES = 3
# What one drive does at most, as for a drive alone.
MOST_OF_ONE = 15.0


@formula("i_all", KINEMATICS)
def ratio_of_stages(i_st1: Num, i_st2: Num) -> Num:
    """Ratios one after the other multiply."""
    return i_st1 * i_st2


@formula("n_mid", KINEMATICS)
def shaft_between(n_1: Num, n_2: Num, x_split: Num) -> Num:
    """Speed of the shaft between, where the first stage takes a share of the whole ratio (on a logarithmic scale)."""
    return n_1 * (n_2 / n_1) ** x_split


@formula("eta_all", LOSSES)
def passed_on(eta_1: Num, eta_2: Num) -> Num:
    """What both stages pass on."""
    return eta_1 * eta_2 / 100


@dataclass(frozen=True, slots=True, kw_only=True)
class Leg:
    """One stage as a chain of stages is judged by: parts, largest wheel (mm), weight (kg)."""

    parts: float
    largest_mm: float
    weight_kg: float


def check_stages(from_rpm: float, to_rpm: float, stages: int) -> None:
    """Refuse a chain that does too little or too much. Raises InputError."""
    if not 2 <= stages <= MOST_STAGES:
        raise InputError("stages", stages, "not so many stages", f"2 to {MOST_STAGES}")
    ratio = max(from_rpm / to_rpm, to_rpm / from_rpm)
    most = MOST_OF_ONE**stages
    if ratio > most:
        raise InputError(
            "driven_speed", to_rpm, f"a ratio of {ratio:.0f} : 1 is beyond {stages} stages", f"up to {most:.0f} : 1"
        )


def order(chains: Sequence[Sequence[Leg]]) -> list[int]:
    """Chains by parts, largest wheel and weight, each against the least of all, all counting alike; the index of the best first.

    Source: our own judgement, the same as for single drives.
    """
    if not chains:
        return []
    figures = [(sum(x.parts for x in c), max(x.largest_mm for x in c), sum(x.weight_kg for x in c)) for c in chains]
    least = [min(f[k] for f in figures) or 1.0 for k in range(3)]
    cost = [sum(f[k] / least[k] for k in range(3)) for f in figures]
    return sorted(range(len(chains)), key=lambda k: (cost[k], k))
