"""The path of a belt round any number of pulleys: arcs and straight spans, in the plane of the drive.

The general case behind the drawing: each pulley is turned one way or the other by the belt, so
open belts, crossed belts and inside or outside idlers are all the same construction. The closed
formulas of two pulleys are checked against it.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import asin, atan2, cos, degrees, hypot, pi, sin

from tuyere.core.errors import InputError


@dataclass(frozen=True, slots=True)
class Circle:
    """A circle the belt touches: centre and radius in mm, ``turn`` +1 counter-clockwise, -1 clockwise."""

    x: float
    y: float
    r: float
    turn: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Arc:
    """Contact on wheel number ``wheel``; angles in degrees from the x axis, swept in the sense ``turn``."""

    wheel: int
    x: float
    y: float
    r: float
    start_deg: float
    sweep_deg: float
    turn: int

    @property
    def length_mm(self) -> float:
        """Length of belt in contact."""
        return self.r * self.sweep_deg * pi / 180


@dataclass(frozen=True, slots=True, kw_only=True)
class Span:
    """A free strand from wheel ``start`` to wheel ``end``, in the direction of travel, mm."""

    start: int
    end: int
    x1: float
    y1: float
    x2: float
    y2: float

    @property
    def length_mm(self) -> float:
        """Free length between the tangent points."""
        return hypot(self.x2 - self.x1, self.y2 - self.y1)


def _tangent(i: int, j: int, circles: list[Circle]) -> tuple[Span, float]:
    a, b = circles[i], circles[j]
    dx, dy = b.x - a.x, b.y - a.y
    apart = hypot(dx, dy)
    lift = (b.turn * b.r - a.turn * a.r) / apart if apart else 2.0
    if abs(lift) >= 1:
        raise InputError(
            "centre_distance",
            apart,
            "the pulleys overlap on this belt path",
            f"over {abs(b.turn * b.r - a.turn * a.r):.1f} mm",
        )
    heading = atan2(dy, dx) - asin(lift)
    nx, ny = -sin(heading), cos(heading)
    span = Span(
        start=i,
        end=j,
        x1=a.x - a.turn * a.r * nx,
        y1=a.y - a.turn * a.r * ny,
        x2=b.x - b.turn * b.r * nx,
        y2=b.y - b.turn * b.r * ny,
    )
    return span, heading


def belt_path(circles: list[Circle]) -> list[Arc | Span]:
    """Arcs and spans in the order of travel, starting with the arc on the first wheel.

    At least two wheels; raises InputError when two neighbours overlap.
    """
    count = len(circles)
    if count < 2:
        raise InputError("pulleys", count, "a belt needs two pulleys", "2 or more")
    legs = [_tangent(k, (k + 1) % count, circles) for k in range(count)]
    path: list[Arc | Span] = []
    for k, circle in enumerate(circles):
        span, leaving = legs[k]
        arriving = legs[k - 1][1]
        sweep = (circle.turn * (leaving - arriving)) % (2 * pi)
        start = arriving - circle.turn * pi / 2
        path.append(
            Arc(
                wheel=k,
                x=circle.x,
                y=circle.y,
                r=circle.r,
                start_deg=degrees(start) % 360,
                sweep_deg=degrees(sweep),
                turn=circle.turn,
            )
        )
        path.append(span)
    return path


def path_length(path: list[Arc | Span]) -> float:
    """Length of the closed path, mm."""
    return sum(part.length_mm for part in path)
