"""Where a shaft or idler is, from what a tape says of it."""

from __future__ import annotations

from math import hypot

from tuyere.core.drive.path import Span
from tuyere.core.errors import InputError


def by_two_tapes(
    first: tuple[float, float], second: tuple[float, float], from_first_mm: float, from_second_mm: float, *, above: bool
) -> tuple[float, float]:
    """A place by its distances from two known shafts: two arcs, which cross twice; ``above`` takes the upper one.

    Raises InputError where the tapes do not meet. Source: two circles.
    """
    (x1, y1), (x2, y2) = first, second
    apart = hypot(x2 - x1, y2 - y1)
    if apart <= 0 or from_first_mm + from_second_mm < apart or abs(from_first_mm - from_second_mm) > apart:
        raise InputError(
            "tapes",
            apart,
            "the two tapes do not meet: one of them was read wrongly",
            "together longer than the shafts are apart",
        )
    along = (from_first_mm**2 - from_second_mm**2 + apart**2) / (2 * apart)
    out = max(from_first_mm**2 - along**2, 0.0) ** 0.5
    ux, uy = (x2 - x1) / apart, (y2 - y1) / apart
    places = [(x1 + along * ux - s * out * uy, y1 + along * uy + s * out * ux) for s in (1, -1)]
    return max(places, key=lambda p: p[1]) if above else min(places, key=lambda p: p[1])


def on_strand(span: Span, *, along_mm: float, pushed_mm: float, radius_mm: float, to_left: bool) -> tuple[float, float]:
    """A wheel that presses on a strand: so far along it from where it begins, pushed in so far across it; mm.

    ``radius_mm`` is the wheel's with the loop's line on it; ``to_left`` is the side it pushes to, seen along the travel.
    Raises InputError beyond the strand's ends. Source: plane geometry.
    """
    if not 0 < along_mm < span.length_mm:
        raise InputError(
            "along",
            along_mm,
            "that is past the strand's end",
            "{least} to {most}",
            least=(0.0, "length"),
            most=(span.length_mm, "length"),
        )
    ux, uy = span.heading
    sense = 1.0 if to_left else -1.0
    nx, ny = -uy * sense, ux * sense
    out = pushed_mm - radius_mm
    return span.x1 + along_mm * ux + out * nx, span.y1 + along_mm * uy + out * ny


def along_and_pushed(span: Span, place: tuple[float, float], *, radius_mm: float, to_left: bool) -> tuple[float, float]:
    """(along, pushed in) of a wheel at a place; the inverse of ``on_strand``."""
    ux, uy = span.heading
    sense = 1.0 if to_left else -1.0
    dx, dy = place[0] - span.x1, place[1] - span.y1
    return dx * ux + dy * uy, (-dx * uy + dy * ux) * sense + radius_mm
