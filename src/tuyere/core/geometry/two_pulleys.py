"""Open and crossed belts on two pulleys: length from centres, centres from length, arcs and spans."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centre_of_length, shortest_centre
from tuyere.core.geometry.elevation import Elevation, two_wheel_elevation
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
from tuyere.core.steps import mark, solved


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
        length = float(mark("belt_length", length_of(centre, d, D)))
    else:
        assert length_mm is not None
        length = length_mm
        centre = centre_of_length(length, d, D, crossed, "belt_length")
        mark("centre_distance", solved("a", centre, length_of, a=centre, d=d, D=D))
    if crossed:
        small = large = float(mark("small_arc", crossed_arc(centre, d, D)))
        span = float(mark("span", crossed_span(centre, d, D)))
    else:
        small = float(mark("small_arc", open_small_arc(centre, d, D)))
        large = float(mark("large_arc", open_large_arc(centre, d, D)))
        span = float(mark("span", open_span(centre, d, D)))
    if small < 120:
        notice(
            "caution",
            "short-arc",
            "The belt wraps the small pulley by {arc} only; under 120 degrees grip is lost quickly.",
            "centre_distance",
            "Lengthen the centre distance.",
            arc=(small, "angle"),
        )
    drawing = two_wheel_elevation(
        "belt",
        "flat",
        counts=(1, 1),
        thickness_mm=0.02 * D,
        centre_mm=centre,
        driver_path_mm=driver_mm,
        driver_outside_mm=driver_mm,
        driven_path_mm=driven_mm,
        driven_outside_mm=driven_mm,
        crossed=crossed,
    )
    return TwoPulleys(
        length_mm=length, centre_mm=centre, small_arc_deg=small, large_arc_deg=large, span_mm=span, elevation=drawing
    )
