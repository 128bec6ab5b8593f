"""Open and crossed belts on two pulleys: length from centres, centres from length, arcs and spans."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.drive.elevation import Elevation, elevation_of
from tuyere.core.drive.path import path_of
from tuyere.core.drive.route import Route
from tuyere.core.drive.wheel import DRIVEN, DRIVER, plain_wheel
from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centre_of_length, shortest_centre
from tuyere.core.geometry.formulas import (
    crossed_arc,
    crossed_length,
    crossed_span,
    open_large_arc,
    open_length,
    open_small_arc,
    open_span,
)
from tuyere.core.notices import notice
from tuyere.core.steps import solved


@dataclass(frozen=True, slots=True, kw_only=True)
class TwoPulleys:
    """Length, centre distance and free span in mm, arcs in degrees."""

    length_mm: float
    centre_mm: float
    small_arc_deg: float
    large_arc_deg: float
    span_mm: float
    elevation: Elevation


def work_two_pulleys(
    driver_mm: float, driven_mm: float, centre_mm: float | None, length_mm: float | None, crossed: bool = False
) -> TwoPulleys:
    """Give a centre distance or a length, not both; diameters along the line of the length, mm.

    Raises InputError when both or neither are given, or the pulleys would overlap.
    """
    if (centre_mm is None) == (length_mm is None):
        raise InputError(
            "centre_distance", centre_mm, "give the centre distance or the belt length", "exactly one of the two"
        )
    d, D = min(driver_mm, driven_mm), max(driver_mm, driven_mm)
    length_of = crossed_length if crossed else open_length
    if centre_mm is not None:
        least = shortest_centre(d, D, crossed)
        if centre_mm <= least:
            raise InputError(
                "centre_distance",
                centre_mm,
                "the pulleys would overlap",
                "over {least}",
                least=(float(least), "length"),
            )
        centre = centre_mm
        length = length_of(centre, d, D)
    else:
        assert length_mm is not None
        length = length_mm
        centre = centre_of_length(length, d, D, crossed, "belt_length")
        centre = solved("a", centre, length_of, a=centre, d=d, D=D)
    if crossed:
        small = large = crossed_arc(centre, d, D)
        span = crossed_span(centre, d, D)
    else:
        small = open_small_arc(centre, d, D)
        large = open_large_arc(centre, d, D)
        span = open_span(centre, d, D)
    if small < 120:
        notice(
            "caution",
            "short-arc",
            "The belt wraps the small pulley by {arc} only; under 120 degrees grip is lost quickly.",
            "centre_distance",
            "Lengthen the centre distance.",
            arc=(small, "angle"),
        )
    route = Route.two(
        plain_wheel(DRIVER, "driver", driver_mm),
        plain_wheel(DRIVEN, "driven", driven_mm),
        centre_mm=centre,
        crossed=crossed,
    )
    drawing = elevation_of(path_of(route), "belt", thickness_mm=0.02 * D)
    return TwoPulleys(
        length_mm=length, centre_mm=centre, small_arc_deg=small, large_arc_deg=large, span_mm=span, elevation=drawing
    )
