"""The outline of a sprocket by the tooth form of its chain's standard, true to size."""

from __future__ import annotations

from math import atan2, hypot, pi

from numpy import cos, radians, sin

from tuyere.core.errors import InputError
from tuyere.core.roller_chain.formulas import pitch_diameter
from tuyere.core.roller_chain.sprockets import FEWEST, MOST, outside_mm
from tuyere.core.roller_chain.tables import Chain
from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula

ANSI = Source(title="ASME B29.1 tooth form, as carried by Machinery's Handbook", origin="recalled", confidence="medium")
ISO = Source(title="ISO 606, least tooth gap", origin="recalled", confidence="high")
Point = tuple[float, float]
# Points along a curve: the chord of a seat is then within a thousandth of its radius.
SEAT, SIDE, TOP = 14, 4, 8


@formula("D_seat_t", ANSI)
def seat_diameter(d_roll: Num) -> Num:
    """The roller's seat is a little larger than the roller."""
    return 1.005 * d_roll + 0.003 * 25.4


@formula("A_seat", ANSI)
def seat_angle(z_t: Num) -> Num:
    """From the level through the roller to the end of its seat."""
    return 35 + 60 / z_t


@formula("B_seat", ANSI)
def side_angle(z_t: Num) -> Num:
    """How far the curve beside the seat runs."""
    return 18 - 56 / z_t


@formula("E_t", ANSI)
def side_radius(d_roll: Num) -> Num:
    """Radius of that curve: it goes on from the seat without a corner."""
    return 1.3025 * d_roll + 0.0015 * 25.4


@formula("yz_t", ANSI)
def straight_part(d_roll: Num, z_t: Num) -> Num:
    """The flank's straight part."""
    return d_roll * (1.4 * sin(radians(17 - 64 / z_t)) - 0.8 * sin(radians(18 - 56 / z_t)))


@formula("F_top", ANSI)
def top_radius(d_roll: Num, z_t: Num) -> Num:
    """Radius of the tooth's top."""
    return d_roll * (0.8 * cos(radians(18 - 56 / z_t)) + 1.4 * cos(radians(17 - 64 / z_t)) - 1.3025) - 0.0015 * 25.4


@formula("r_e", ISO)
def flank_radius(d_roll: Num, z_t: Num) -> Num:
    """Radius of the flank, least gap."""
    return 0.12 * d_roll * (z_t + 2)


@formula("r_i", ISO)
def seat_radius(d_roll: Num) -> Num:
    """Radius of the roller's seat, least gap."""
    return 0.505 * d_roll


@formula("alpha_i", ISO)
def iso_seat_angle(z_t: Num) -> Num:
    """Angle of the roller's seat, least gap."""
    return 140 - 90 / z_t


def _arc(x: float, y: float, r: float, turn: tuple[float, float], n: int) -> list[Point]:
    """Points on a circle from one direction to another, degrees."""
    start, end = turn
    return [
        (
            float(x + r * cos(radians(start + (end - start) * k / n))),
            float(y + r * sin(radians(start + (end - start) * k / n))),
        )
        for k in range(n + 1)
    ]


def _ansi_flank(roller: float, teeth: int, seat_r: float, pitch_r: float, tip: float) -> list[Point]:
    """From the bottom of the gap up its right flank to the tip; the gap's middle is straight up from the shaft."""
    a, b = seat_angle(teeth), side_angle(teeth)
    e, f = side_radius(roller), top_radius(roller, teeth)
    points = _arc(0, 0, seat_r, (-90, -a), SEAT)
    cx, cy = -0.8 * roller * cos(radians(a)), 0.8 * roller * sin(radians(a))
    points += _arc(cx, cy, e, (-a, -a + b), SIDE)[1:]
    x, y = points[-1]
    lean = radians(a - b)
    long = straight_part(roller, teeth)
    z = (x + long * sin(lean), y + long * cos(lean))
    points.append(z)
    bx, by = 1.4 * roller * cos(pi / teeth), -1.4 * roller * sin(pi / teeth)
    start = atan2(z[1] - by, z[0] - bx) * 180 / pi
    # The top curve ends at the tip circle, or on the tooth's own middle where it comes to a point before.
    end = start
    step = 0.25
    while start - end < 120:
        px, py = bx + f * cos(radians(end)), by + f * sin(radians(end)) + pitch_r
        if hypot(px, py) >= tip or atan2(px, py) >= pi / teeth:
            break
        end -= step
    points += _arc(bx, by, f, (start, end), TOP)[1:]
    return [(px, py + pitch_r) for px, py in points]


def _iso_flank(roller: float, teeth: int, pitch_r: float, tip: float) -> list[Point]:
    """The same by the international form: a seat and one flank that goes on from it."""
    ri, re, alpha = seat_radius(roller), flank_radius(roller, teeth), iso_seat_angle(teeth)
    low = -90 + alpha / 2
    points = _arc(0, 0, ri, (-90, low), SEAT)
    cx, cy = (ri + re) * cos(radians(low)), (ri + re) * sin(radians(low))
    start = low + 180
    end = start
    while start - end < 90:
        px, py = cx + re * cos(radians(end)), cy + re * sin(radians(end)) + pitch_r
        if hypot(px, py) >= tip or atan2(px, py) >= pi / teeth:
            break
        end -= 0.1
    points += _arc(cx, cy, re, (start, end), TOP)[1:]
    return [(px, py + pitch_r) for px, py in points]


def tooth_outline(of: Chain, teeth: int) -> tuple[Point, ...]:
    """The whole rim of a sprocket, mm, a gap straight up, counter-clockwise. Raises InputError outside 9 to 150 teeth.

    Source: ASME B29.1 for American numbers, ISO 606 (least gap) for the others.
    """
    if not FEWEST <= teeth <= MOST:
        raise InputError("teeth", teeth, "not a sprocket for roller chain", f"{FEWEST} to {MOST} teeth")
    pitch_r, tip = float(pitch_diameter(of.pitch_mm, teeth)) / 2, float(outside_mm(of, teeth)) / 2
    if of.series == "ansi":
        flank = _ansi_flank(of.roller_mm, teeth, float(seat_diameter(of.roller_mm)) / 2, pitch_r, tip)
    else:
        flank = _iso_flank(of.roller_mm, teeth, pitch_r, tip)
    gap = [(-x, y) for x, y in reversed(flank)][:-1] + flank
    out: list[Point] = []
    for k in range(teeth):
        turn = -2 * pi * k / teeth
        c, s = float(cos(turn)), float(sin(turn))
        out += [(x * c - y * s, x * s + y * c) for x, y in gap]
    return tuple(reversed(out))
