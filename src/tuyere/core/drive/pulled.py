"""A take-up that is pulled by a spring, a weight or a hand: its pull and the tension of the loop are one scale."""

from __future__ import annotations

from tuyere.core.drive.path import Path
from tuyere.core.drive.route import TakeUp
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
