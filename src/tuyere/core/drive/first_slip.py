"""Where the first wheel slips: at how many times the load, and under which pull or tension."""

from __future__ import annotations

from collections.abc import Callable
from math import inf

from tuyere.core.drive.path import Path, Wrap
from tuyere.core.drive.strands import Strand, least_margin

# Between how many times today's load, and up to which pull in N, it is looked for.
MOST_TIMES = 50.0
MOST_N = 1e6
HALVINGS = 80


def _edge(holds: Callable[[float], bool], low: float, high: float) -> float:
    """Where ``holds`` changes between two ends of which it holds at ``low``."""
    for _ in range(HALVINGS):
        middle = (low + high) / 2
        if holds(middle):
            low = middle
        else:
            high = middle
    return low


def first_times(
    path: Path,
    at_load: Callable[[float], tuple[Strand, ...]],
    grip: Callable[[Wrap], float],
    *,
    centrifugal_n: float = 0.0,
) -> float:
    """How many times today's load the first wheel slips at; the margin only falls with the load. Source: belt equation."""

    def holds(times: float) -> bool:
        return least_margin(path, at_load(times), centrifugal_n=centrifugal_n, grip=grip) >= 1

    return inf if holds(MOST_TIMES) else _edge(holds, 0.0, MOST_TIMES)


def least_pull(
    path: Path,
    strands_of: Callable[[float], tuple[Strand, ...]],
    grip: Callable[[Wrap], float],
    *,
    centrifugal_n: float,
) -> float | None:
    """Least pull or tension, N, at which no wheel slips; ``strands_of`` gives the strands at one. None where none does.

    The margin only rises with the pull. Source: belt equation.
    """

    def holds(pull: float) -> bool:
        return least_margin(path, strands_of(pull), centrifugal_n=centrifugal_n, grip=grip) >= 1

    return _edge(holds, MOST_N, 0.0) if holds(MOST_N) else None
