"""A loop round more than two wheels: what every family makes of its path, and how many whole members it counts."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

from tuyere.core.drive.case import Shape
from tuyere.core.drive.path import solve_route
from tuyere.core.drive.refusals import check_path, check_wheels
from tuyere.core.drive.route import Route
from tuyere.core.drive.travel import touching, way_of
from tuyere.core.errors import InputError, NoSolution


def shape_around(
    route: Route,
    length_mm: float | None,
    field: str,
    *,
    members: float | None = None,
    members_exact: float | None = None,
) -> Shape:
    """The loop on its wheels; with a length, where the take-up puts it. The arcs are those of wheels that carry power.

    Raises InputError naming ``field`` where no place within the travel fits, and the wheel (``wheels.k``) that cannot be so.
    """
    check_wheels(route)
    try:
        path = solve_route(route if length_mm is None else touching(route), length_mm, field)
    except (InputError, NoSolution):
        # An order that cannot be is the better reason, where it is one.
        check_path(way_of(route))
        raise
    check_path(path)
    arcs = sorted(w.arc_deg for w in path.wraps if w.wheel.role in ("driver", "driven"))
    return Shape(
        path=path,
        length_mm=path.length_mm if length_mm is None else length_mm,
        centre_mm=path.route.driver.distance_mm(path.route.driven),
        span_mm=max(s.length_mm for s in path.spans),
        small_arc_deg=arcs[0],
        large_arc_deg=arcs[-1],
        members=members,
        members_exact=members_exact,
    )


def counted_around(
    route: Route, pitch_mm: float, members: int | None, field: str, *, whole: Callable[[float], float]
) -> Shape:
    """A loop of whole pitches or teeth: as many as are said, which put the take-up, else the next ``whole`` number."""
    exact = solve_route(route, None).length_mm / pitch_mm if members is None else float(members)
    count = whole(exact) if members is None else float(members)
    made = shape_around(
        route, count * pitch_mm if route.take_up is not None else None, field, members=count, members_exact=exact
    )
    return made if route.take_up is not None else replace(made, length_mm=count * pitch_mm)
