"""What no loop can do round its wheels, refused by the names of the wheels."""

from __future__ import annotations

from math import hypot

from tuyere.core.drive.path import Path, Span
from tuyere.core.drive.route import Route
from tuyere.core.errors import InputError

MOST_WHEELS = 60
# A loop that only brushes a wheel is not on it, one that goes almost all round is on its wrong side.
LEAST_ARC, MOST_IDLER_ARC, MOST_ARC = 1.0, 300.0, 345.0
BRUSH_MM = 0.01


def check_wheels(route: Route) -> None:
    """Refuse wheels that stand in each other. Raises InputError at the later one (``wheels.k``)."""
    if len(route.wheels) > MOST_WHEELS:
        raise InputError("wheels", len(route.wheels), "too many wheels for one loop here", f"up to {MOST_WHEELS}")
    for k, w in enumerate(route.wheels):
        for other in route.wheels[:k]:
            room = w.distance_mm(other) - (w.outside_mm + other.outside_mm) / 2
            if room < 0:
                raise InputError(
                    f"wheels.{k}",
                    w.id,
                    f"{w.id} stands in {other.id}: their rims overlap by {{over}}",
                    "shafts further apart, or smaller wheels",
                    over=(-room, "length"),
                )


def _off(span: Span, x: float, y: float) -> float:
    """Distance of a place from a strand."""
    dx, dy = span.x2 - span.x1, span.y2 - span.y1
    long2 = dx * dx + dy * dy
    along = 0.0 if long2 == 0 else max(0.0, min(1.0, ((x - span.x1) * dx + (y - span.y1) * dy) / long2))
    return hypot(x - span.x1 - along * dx, y - span.y1 - along * dy)


def _cross(a: Span, b: Span) -> bool:
    """Whether two strands cross, their ends left out."""

    def side(px: float, py: float, s: Span) -> float:
        return (s.x2 - s.x1) * (py - s.y1) - (s.y2 - s.y1) * (px - s.x1)

    return side(b.x1, b.y1, a) * side(b.x2, b.y2, a) < 0 and side(a.x1, a.y1, b) * side(a.x2, a.y2, b) < 0


def check_path(path: Path) -> None:
    """Refuse a loop that does not touch a wheel, cuts one, or crosses itself. Raises InputError at the wheel (``wheels.k``)."""
    route = path.route
    for k, wrap in enumerate(path.wraps):
        w = wrap.wheel
        most = MOST_IDLER_ARC if w.role in ("idler", "guide") else MOST_ARC
        if wrap.arc_deg < LEAST_ARC or wrap.arc_deg > most:
            raise InputError(
                f"wheels.{k}",
                w.id,
                f"the loop does not lie on {w.id}: it passes it by, or {w.id} is on its wrong side",
                "the other side of the loop, or pushed further in",
            )
    for span in path.spans:
        for k, w in enumerate(route.wheels):
            if w.id not in (span.after, span.before) and _off(span, w.x_mm, w.y_mm) < w.path_mm / 2 - BRUSH_MM:
                raise InputError(
                    f"wheels.{k}",
                    w.id,
                    f"the loop between {span.after} and {span.before} cuts through {w.id}",
                    "another order, another side, or another place",
                )
    if any(s.crossed for s in route.stops):
        return
    for i, a in enumerate(path.spans):
        for b in path.spans[i + 1 :]:
            if _cross(a, b):
                raise InputError(
                    "wheels",
                    None,
                    f"the loop crosses itself: from {a.after} to {a.before} and from {b.after} to {b.before}",
                    "the wheels in the order in which the loop meets them, and the driver's sense",
                )
