"""A chain round its sprockets: length from centres and centres from length, exact, in whole pitches."""

from __future__ import annotations

from math import gcd

from tuyere.core.drive.around import counted_around
from tuyere.core.drive.case import Shape
from tuyere.core.drive.path import solve_route
from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.geometry.formulas import loop_length
from tuyere.core.notices import notice
from tuyere.core.roller_chain.case import ChainCase
from tuyere.core.roller_chain.formulas import chain_pitches, chain_span, even_pitches, small_wrap
from tuyere.core.steps import about, solved

SLACK = (0.002, 0.004)  # mounted centres stand in by 0.2 to 0.4 % of the greatest, adjustable drives


def chain_shape(case: ChainCase) -> Shape:
    """The chain on its sprockets; at given centres the next even number of pitches is taken.

    Raises InputError when the sprockets would touch. Source: geometry, exact.
    """
    two, p = case.route.plain, case.loop.chain.pitch_mm
    if two is None:
        return counted_around(case, p, case.loop.pitches, "pitches", whole=even_pitches)
    small, large = two.small.count, two.large.count
    tips = (two.small.outside_mm + two.large.outside_mm) / 2
    count: float
    if case.centre_mm is not None:
        if case.centre_mm <= tips:
            raise InputError(
                "centre_distance", case.centre_mm, "the sprockets would touch", "over {tips}", tips=(tips, "length")
            )
        exact = chain_pitches(case.centre_mm, p, small, large)
        count = even_pitches(exact)
    else:
        assert case.loop.pitches is not None
        exact, count = float(case.loop.pitches), case.loop.pitches
    length = loop_length(count, p)
    centre = centre_of_length(length, two.small.path_mm, two.large.path_mm, field="pitches")
    if centre <= tips:
        raise InputError("pitches", count, "too few: the sprockets would touch", f"more than {count:.0f}")
    centre = solved("a", centre, chain_pitches, a=centre, p=p, N_s=float(small), N_l=float(large))
    with about(two.small.id):
        wrap = small_wrap(centre, p, small, large)
    return Shape(
        path=solve_route(case.route, length, "pitches"),
        length_mm=length,
        centre_mm=centre,
        span_mm=chain_span(centre, p, small, large),
        small_arc_deg=wrap,
        large_arc_deg=360 - wrap,
        members=count,
        members_exact=exact,
    )


def advise_length(shape: Shape, case: ChainCase) -> None:
    """Wrap, centres in pitches, ratio, offset link, hunting: what a practitioner would remark."""
    teeth = sorted(w.count for w in case.route.wheels if w.role in ("driver", "driven"))
    small, large = teeth[0], teeth[-1]
    assert shape.members is not None
    count = int(shape.members)
    in_pitches = shape.centre_mm / case.loop.chain.pitch_mm
    if shape.small_arc_deg < 120:
        notice(
            "caution",
            "short-wrap",
            "Only {wrap} of wrap on the smaller sprocket: 120 degrees or more are wanted.",
            "input.centre_distance",
            "Lengthen the centre distance or lessen the ratio.",
            wrap=(shape.small_arc_deg, "angle"),
        )
    if not 30 <= in_pitches <= 50:
        notice(
            "caution" if in_pitches > 80 else "info",
            "centre-in-pitches",
            f"The centres are {in_pitches:.0f} pitches apart; 30 to 50 are preferred, 80 the most without a guide.",
            "input.centre_distance",
        )
    if large / small > 7:
        notice("caution", "ratio", "Over 7 : 1 takes two stages on ordinary drives.", "input.driven_teeth")
    if count % 2:
        notice(
            "caution",
            "offset-link",
            "An odd number of pitches needs an offset link, which leaves about 0.8 of the rating.",
            "input.pitches",
            "Take one pitch more or less.",
        )
    if gcd(count, small) > 1:
        notice(
            "info",
            "hunting",
            f"{count} pitches and {small} teeth have a common factor: the same links meet the same teeth "
            "again and again. Teeth and pitches without a common factor wear more evenly.",
            "input.driver_teeth",
        )


def mounted_mm(shape: Shape) -> tuple[float, float]:
    """Centres as mounted, least and most: a little inside the greatest, so that the slack strand hangs."""
    return shape.centre_mm * (1 - SLACK[1]), shape.centre_mm * (1 - SLACK[0])
