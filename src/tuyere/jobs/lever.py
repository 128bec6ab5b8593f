"""The arm of an idler that sets a loop by its pull, as the drawn route has it."""

from __future__ import annotations

from dataclasses import dataclass
from math import acos, degrees, hypot

from tuyere.calc.around.model import around_said
from tuyere.calc.around.route import lever_arms
from tuyere.calc.registry import Input
from tuyere.core.drive.case import WorkedDrive


@dataclass(frozen=True, slots=True, kw_only=True)
class Lever:
    """Pin to the pull and to the idler, mm; the belt's turn on the idler and how far off square to the arm it pushes, degrees."""

    pull_at_mm: float
    idler_at_mm: float
    turn_deg: float
    off_square_deg: float


def lever_of(given: Input, worked: WorkedDrive[object, object, object]) -> Lever | None:
    """The lever of a drive whose idler swings on an arm. Source: the drive's own path."""
    around = around_said(given)
    route, path = worked.case.route, worked.shape.path
    take_up = path.route.take_up
    if around is None or around.take_up is None or take_up is None or take_up.pivot is None:
        return None
    wheel = path.route.wheel(take_up.wheel)
    if wheel.role != "idler":
        return None
    drawn = route.wheel(take_up.wheel)
    arm = hypot(drawn.x_mm - take_up.pivot[0], drawn.y_mm - take_up.pivot[1])
    arms = lever_arms(around.take_up, take_up.pivot, drawn) or (arm, arm)
    k = next(i for i, w in enumerate(path.wraps) if w.wheel.id == wheel.id)
    (ax, ay), (bx, by) = path.spans[k - 1].heading, path.spans[k].heading
    # The belt pushes the idler along the middle of its turn; square to the arm is the way it moves.
    px, py = bx - ax, by - ay
    ux, uy = path.route.travel()
    push = hypot(px, py)
    off = 0.0 if push == 0 else degrees(acos(min(1.0, abs(px * ux + py * uy) / push)))
    return Lever(pull_at_mm=arms[0], idler_at_mm=arms[1], turn_deg=path.wraps[k].arc_deg, off_square_deg=off)


HELD = {"spring": "sprung-idler", "weight": "weighted-idler", "lever": "lever-idler"}


def take_up_word(given: Input) -> str | None:
    """How a drawn loop is taken up, in the jobs' word; None where it is not drawn."""
    around = around_said(given)
    if around is None or around.take_up is None:
        return None
    t = around.take_up
    pulled = t.pull is not None or t.hand is not None
    return HELD["lever" if t.hand is not None else t.held_by] if pulled else None
