"""A take-up that is pulled by a spring, a weight or a hand: its pull and the tension of the loop are one scale."""

from __future__ import annotations

from collections.abc import Callable
from math import inf

from tuyere.core.drive.path import Path, Wrap
from tuyere.core.drive.route import TakeUp
from tuyere.core.drive.strands import Strand, slips
from tuyere.core.errors import NoSolution


def pull_for_newton(path: Path, take_up: TakeUp) -> float:
    """Pull along the take-up's travel that holds one newton in its two strands at rest.

    Raises NoSolution where they pull the way it moves. Source: balance of forces at the wheel.
    """
    ux, uy = path.route.travel()
    k = next(i for i, w in enumerate(path.wraps) if w.wheel.id == take_up.wheel)
    (ax, ay), (bx, by) = path.spans[k - 1].heading, path.spans[k].heading
    share = (ax * ux + ay * uy) - (bx * ux + by * uy)
    if share <= 1e-6:
        raise NoSolution("the take-up pulls the way its strands do: it cannot tighten this loop", "take_up")
    return share


def least_pull(
    path: Path,
    strands_of: Callable[[float], tuple[Strand, ...]],
    grip: Callable[[Wrap], float],
    *,
    centrifugal_n: float,
    most_n: float = 1e6,
) -> float | None:
    """Least pull, N, at which no wheel slips; ``strands_of`` gives the strands at a pull. None where none within ``most_n`` does.

    The margin only rises with the pull. Source: belt equation, closed in on by halves.
    """

    def margin(pull: float) -> float:
        found = [s for s in slips(path, strands_of(pull), centrifugal_n=centrifugal_n, grip=grip) if s.held < inf]
        return min((s.margin for s in found), default=inf)

    if margin(most_n) < 1:
        return None
    low, high = 0.0, most_n
    for _ in range(80):
        middle = (low + high) / 2
        if margin(middle) >= 1:
            high = middle
        else:
            low = middle
    return high
