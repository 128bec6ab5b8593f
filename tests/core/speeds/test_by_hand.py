"""Formulas of the speeds that other checks meet only loosely: held by themselves, by geometry or by hand."""

from __future__ import annotations

from math import cos, degrees, hypot, radians, sin

import pytest
from scipy.optimize import brentq
from shapely import LineString, Point

from tuyere.core.motors.formulas import shaft_from_load
from tuyere.core.roller_chain.tooth_form import (
    flank_radius,
    iso_seat_angle,
    seat_angle,
    seat_diameter,
    side_angle,
    side_radius,
    straight_part,
    top_radius,
)
from tuyere.core.shafts.keyways import chord_height
from tuyere.core.speeds.trim import turned_off
from tuyere.core.v_belt.adjustable import adjustable, speed_at, turns_at


@pytest.mark.outside("shapely: how far a chord as wide as the key lies under the top of a drawn bore")
@pytest.mark.parametrize(("bore", "key"), [(25.4, 6.35), (50.8, 12.7), (38.1, 9.525), (19.05, 4.7625)])
def test_a_chord_lies_so_far_under_the_top(bore: float, key: float) -> None:
    circle = Point(0, 0).buffer(bore / 2, quad_segs=20000).exterior
    side = LineString([(key / 2, 0), (key / 2, bore)]).intersection(circle)
    assert float(chord_height(bore, key)) == pytest.approx(bore / 2 - side.y, rel=1e-4)


def flank_end(roller: float, teeth: int) -> tuple[tuple[float, float], float, tuple[float, float]]:
    """(where the flank's straight part ends, its direction in degrees, middle of the top curve) by the standard's construction."""
    a, b = float(seat_angle(teeth)), float(side_angle(teeth))
    e, long = float(side_radius(roller)), float(straight_part(roller, teeth))
    cx, cy = -0.8 * roller * cos(radians(a)), 0.8 * roller * sin(radians(a))
    x, y = cx + e * cos(radians(-a + b)), cy + e * sin(radians(-a + b))
    lean = a - b
    end = (x + long * sin(radians(lean)), y + long * cos(radians(lean)))
    middle = (1.4 * roller * cos(radians(180 / teeth)), -1.4 * roller * sin(radians(180 / teeth)))
    return end, 90 - lean, middle


@pytest.mark.outside("the construction closes: seat, side curve, straight and top meet without a corner (ASME B29.1)")
@pytest.mark.parametrize("teeth", [11, 17, 24, 45, 90])
@pytest.mark.parametrize("roller", [7.92, 11.91, 19.05])
def test_the_tooth_form_closes(teeth: int, roller: float) -> None:
    # The side curve goes on from the seat: its middle lies 0.8 of the roller beyond the seat's.
    assert float(side_radius(roller)) == pytest.approx(float(seat_diameter(roller)) / 2 + 0.8 * roller, rel=1e-3)
    (x, y), heading, (bx, by) = flank_end(roller, teeth)
    reach = hypot(x - bx, y - by)
    assert float(top_radius(roller, teeth)) == pytest.approx(reach, rel=4e-3)
    # The straight part touches the top curve: it stands square to the radius there.
    square = (x - bx) * cos(radians(heading)) + (y - by) * sin(radians(heading))
    assert degrees(square / reach) == pytest.approx(0.0, abs=0.25)


@pytest.mark.outside("ASME B29.1 by hand: 17 teeth A 38.529, B 14.706; 60 teeth A 36, B 17.067, recalled form")
@pytest.mark.parametrize(("teeth", "a", "b"), [(17, 38.5294, 14.7059), (60, 36.0, 17.0667), (10, 41.0, 12.4)])
def test_the_angles_of_the_seat(teeth: int, a: float, b: float) -> None:
    assert float(seat_angle(teeth)) == pytest.approx(a, abs=1e-3)
    assert float(side_angle(teeth)) == pytest.approx(b, abs=1e-3)
    by_hand = 1.4 * sin(radians(17 - 64 / teeth)) - 0.8 * sin(radians(18 - 56 / teeth))
    assert float(straight_part(1.0, teeth)) == pytest.approx(by_hand)


@pytest.mark.outside("ISO 606 by hand: roller 12.07 mm and 21 teeth, least gap: r_e 33.31 mm, alpha 135.71 degrees")
def test_the_least_gap_by_hand() -> None:
    assert float(flank_radius(12.07, 21)) == pytest.approx(33.313, abs=1e-3)
    assert float(iso_seat_angle(21)) == pytest.approx(135.714, abs=1e-3)


@pytest.mark.outside("the definition of a share: seven tenths of 10 kW")
def test_a_share_of_the_plate() -> None:
    assert float(shaft_from_load(0.7, 10.0)) == pytest.approx(7.0)


@pytest.mark.outside("by a lathe's two dials: 100 mm to 90 mm is 5 mm on the radius")
def test_the_radius_is_half_of_the_diameter() -> None:
    assert float(turned_off(100.0, 90.0)) == pytest.approx(5.0)


@pytest.mark.outside("common practice: diameter x rpm is one number, on both wheels")
def test_speed_follows_both_diameters() -> None:
    assert float(speed_at(650.0, 130.0, 120.0, 345.0, 300.0)) == pytest.approx(650 * 130 / 120 * 345 / 300)


@pytest.mark.outside("scipy: the turns at which the sheave has a diameter, by a root of its own")
@pytest.mark.parametrize("pitch", [120.0, 125.0, 138.0])
def test_turns_for_a_diameter_by_a_root(pitch: float) -> None:
    s = adjustable("B", closed_mm=140.0, thread_mm=25.4 / 16)
    root = brentq(lambda t: s.at(t) - pitch, 0.0, 6.0)
    assert float(turns_at(140.0, pitch, s.at(0) - s.at(1))) == pytest.approx(root)
