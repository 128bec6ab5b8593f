"""A loop round more than two wheels: what every family makes of its path, and how many whole members it counts."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace
from math import exp, inf, log, pi, radians

from tuyere.core.drive.case import Case, L, Shape
from tuyere.core.drive.loads import shared
from tuyere.core.drive.path import Path, Wrap, solve_route
from tuyere.core.drive.refusals import check_path, check_wheels
from tuyere.core.drive.travel import touching, way_of
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.steps import quiet

# The friction by which wheels are compared: five to one at half a turn, as the belt associations count.
COMPARED = log(5) / pi


def governing_arc(path: Path, taken: Mapping[str, float]) -> float:
    """Arc of the wheel within the loop that asks most tension for what it gives or takes; one that takes little may have little.

    What the loop's back drives is left to its grip: it is not what the loop is rated for. Source: belt equation.
    """
    inside = {s.wheel.id for s in path.route.stops if s.side == "inside"}
    loaded = [w for w in path.wraps if taken[w.wheel.id] and w.wheel.id in inside]

    def asks(w: Wrap) -> float:
        return abs(taken[w.wheel.id]) / (1 - exp(-COMPARED * radians(w.arc_deg)))

    return max(loaded, key=lambda w: (asks(w), -w.arc_deg)).arc_deg


def shape_around(
    case: Case[L],
    length_mm: float | None,
    field: str,
    *,
    members: float | None = None,
    members_exact: float | None = None,
) -> Shape:
    """The loop on its wheels; with a length, where the take-up puts it. The small arc is that of the wheel that asks most.

    Raises InputError naming ``field`` where no place within the travel fits, and the wheel (``wheels.k``) that cannot be so.
    """
    route = case.route
    check_wheels(route)
    try:
        path = solve_route(route if length_mm is None else touching(route), length_mm, field)
    except (InputError, NoSolution) as e:
        # An order that cannot be is the better reason, where it is one.
        check_path(way_of(route))
        take_up = route.take_up
        if isinstance(e, NoSolution) and take_up is not None and take_up.high_mm < inf:
            raise InputError("take_up", take_up.wheel, e.why, e.allowed, **e.quantities) from e
        raise
    check_path(path)
    with quiet():
        arc = governing_arc(path, shared(case.route, case.power_kw or 1.0, case.loads))
    return Shape(
        path=path,
        length_mm=path.length_mm if length_mm is None else length_mm,
        centre_mm=path.route.driver.distance_mm(path.route.driven),
        span_mm=max(s.length_mm for s in path.spans),
        small_arc_deg=arc,
        large_arc_deg=max(w.arc_deg for w in path.wraps if w.wheel.role in ("driver", "driven")),
        members=members,
        members_exact=members_exact,
    )


def counted_around(
    case: Case[L], pitch_mm: float, members: int | None, field: str, *, whole: Callable[[float], float]
) -> Shape:
    """A loop of whole pitches or teeth: as many as are said, which put the take-up, else the next ``whole`` number."""
    route = case.route
    exact = solve_route(route, None).length_mm / pitch_mm if members is None else float(members)
    count = whole(exact) if members is None else float(members)
    made = shape_around(
        case, count * pitch_mm if route.take_up is not None else None, field, members=count, members_exact=exact
    )
    return made if route.take_up is not None else replace(made, length_mm=count * pitch_mm)
