"""Chain length from centres and centres from length, exact, in whole pitches."""

from __future__ import annotations

from dataclasses import dataclass
from math import gcd, pi

from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.geometry.elevation import Elevation, two_wheel_elevation
from tuyere.core.notices import notice
from tuyere.core.roller_chain.formulas import chain_pitches, chain_span, small_wrap
from tuyere.core.roller_chain.sprockets import outside_mm
from tuyere.core.roller_chain.tables import Chain
from tuyere.core.rounding import round_up
from tuyere.core.steps import mark, quiet, solved

SLACK = (0.002, 0.004)  # mounted centres stand in by 0.2 to 0.4 % of the greatest, adjustable drives


@dataclass(frozen=True, slots=True, kw_only=True)
class ChainLength:
    """Pitches, centre distance at that length and as mounted (mm), wrap (deg), free strand (mm)."""

    exact_pitches: float
    pitches: int
    offset_link: bool
    centre_mm: float
    mounted_low_mm: float
    mounted_high_mm: float
    wrap_deg: float
    span_mm: float
    elevation: Elevation


def work_length(
    of: Chain,
    z_1: int,
    *,
    z_2: int,
    centre_mm: float | None,
    pitches: int | None,
    angle_deg: float = 0.0,
    clockwise: bool = True,
) -> ChainLength:
    """Give a centre distance (the next even number of pitches is taken) or a number of pitches.

    Raises InputError when both or neither are given or the sprockets would touch.
    """
    if (centre_mm is None) == (pitches is None):
        raise InputError(
            "centre_distance", centre_mm, "give the centre distance or the pitches", "exactly one of the two"
        )
    small, large = min(z_1, z_2), max(z_1, z_2)
    p = of.pitch_mm
    with quiet():
        outside = [float(outside_mm(of, z)) for z in (z_1, z_2)]
        tips = sum(outside) / 2
    if centre_mm is not None:
        if centre_mm <= tips:
            raise InputError(
                "centre_distance", centre_mm, "the sprockets would touch", "over {tips}", tips=(tips, "length")
            )
        exact = float(mark("exact_pitches", chain_pitches(centre_mm, p, small, large)))
        count = int(2 * round_up(exact / 2))
    else:
        assert pitches is not None
        exact, count = float(pitches), pitches
    centre = centre_of_length(count * p, small * p / pi, large * p / pi, field="pitches")
    if centre <= tips:
        raise InputError("pitches", count, "too few: the sprockets would touch", f"more than {count}")
    mark("centre_distance", solved("a", centre, chain_pitches, a=centre, p=p, N_s=float(small), N_l=float(large)))
    wrap = float(mark("wrap", small_wrap(centre, p, small, large)))
    span = float(mark("span", chain_span(centre, p, small, large)))
    in_pitches = centre / p
    if wrap < 120:
        notice(
            "caution",
            "short-wrap",
            "Only {wrap} of wrap on the smaller sprocket: 120 degrees or more are wanted.",
            "input.centre_distance",
            "Lengthen the centre distance or lessen the ratio.",
            wrap=(wrap, "angle"),
        )
    if not 30 <= in_pitches <= 50:
        level = "caution" if in_pitches > 80 else "info"
        notice(
            level,
            "centre-in-pitches",
            f"The centres are {in_pitches:.0f} pitches apart; 30 to 50 are preferred, 80 the most without a guide.",
            "input.centre_distance",
        )
    if large / small > 7:
        notice("caution", "ratio", "Over 7 : 1 takes two stages on ordinary drives.", "input.driven_teeth")
    odd = count % 2 == 1
    if odd:
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
    with quiet():
        drawing = two_wheel_elevation(
            "roller-chain",
            "chain",
            counts=(z_1, z_2),
            thickness_mm=of.height_mm,
            centre_mm=centre,
            driver_path_mm=z_1 * p / pi,
            driver_outside_mm=outside[0],
            driven_path_mm=z_2 * p / pi,
            driven_outside_mm=outside[1],
            angle_deg=angle_deg,
            clockwise=clockwise,
            pitch_mm=p,
        )
    return ChainLength(
        exact_pitches=exact,
        pitches=count,
        offset_link=odd,
        centre_mm=centre,
        mounted_low_mm=centre * (1 - SLACK[1]),
        mounted_high_mm=centre * (1 - SLACK[0]),
        wrap_deg=wrap,
        span_mm=span,
        elevation=drawing,
    )
