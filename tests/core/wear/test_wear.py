"""Wear against shapely's areas and plain kinematics; limits of the trade."""

from __future__ import annotations

from itertools import pairwise
from math import cos, pi, radians, tan

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import brentq
from shapely import Polygon
from shapely.affinity import translate

from tuyere.core.errors import InputError
from tuyere.core.wear.formulas import (
    belt_turns,
    diameter_worn,
    drop_in_groove,
    growth_in_percent,
    growth_left,
    multiple_of,
    shaft_turns,
    speed_worn,
    teeth_met,
    width_of_dish,
)
from tuyere.core.wear.frequencies import nearest, notes_of
from tuyere.core.wear.groove import DISH_LIMIT_MM, groove_wear, speed_change_percent
from tuyere.core.wear.take_up import take_up_left

SOME = settings(derandomize=True, deadline=None, max_examples=60)


def metal(top: float, angle: float, lost: float) -> Polygon:
    """The right half of a rim with its flank worn back by so much, square to it; the groove's middle is x = 0."""
    half, a = top / 2, radians(angle) / 2
    out = lost / cos(a)
    return Polygon([(half + out, 0), (200, 0), (200, -60), (half + out - 60 * tan(a), -60)])


@pytest.mark.outside("shapely: a belt's outline let down between worn flanks until it touches")
@pytest.mark.parametrize("angle", [34.0, 36.0, 38.0, 40.0])
@pytest.mark.parametrize(("gap", "less"), [(0.8, 0.0), (0.3, 0.5), (0.0, 1.2), (1.6, 0.3)])
def test_a_belt_sits_deeper_as_it_does_between_outlines(angle: float, gap: float, less: float) -> None:
    top, a = 17.0, radians(angle) / 2
    half = (top - less) / 2
    belt = Polygon([(0, 0), (half, 0), (half - 11 * tan(a), -11), (0, -11)])
    rim = metal(top, angle, gap)

    def bites(drop: float) -> float:
        return belt.intersection(rim).area if drop == 0 else translate(belt, 0, -drop).intersection(rim).area

    touches = brentq(lambda d: bites(d) - 1e-4, 0.0, 12.0)
    assert drop_in_groove(width_of_dish(gap, angle) + less, angle) == pytest.approx(touches, abs=0.02)


@pytest.mark.outside("shapely: the area that a dish takes out of a flank is its gap times the flank's length")
def test_a_gap_square_to_the_flank_takes_its_area() -> None:
    angle, gap, deep = 38.0, 0.8, 20.0
    a = radians(angle) / 2
    lost = metal(17.0, angle, 0.0).difference(metal(17.0, angle, gap))
    strip = lost.intersection(Polygon([(-100, 0), (100, 0), (100, -deep), (-100, -deep)]))
    assert strip.area == pytest.approx(gap * deep / cos(a), rel=1e-6)
    assert width_of_dish(gap, angle) / 2 * deep == pytest.approx(strip.area, rel=1e-6)


@pytest.mark.outside(
    "association and shop practice, recalled: a groove is worn out at 1/32 in = 0.8 mm under the gauge"
)
@pytest.mark.parametrize(
    ("inches", "verdict"), [(0.0, "fine"), (1 / 64 - 0.001, "fine"), (1 / 64, "watch"), (1 / 32, "act")]
)
def test_the_limit_is_a_thirty_second(inches: float, verdict: str) -> None:
    found = groove_wear(inches * 25.4, angle_deg=36, diameter_mm=137)
    assert found.verdict == verdict and found.share == pytest.approx(32 * inches)
    assert pytest.approx(0.8, abs=0.01) == DISH_LIMIT_MM


@pytest.mark.outside(
    "two pulleys by kinematics: equal drops quicken a machine that is slowed down by little and a like ratio not at all"
)
def test_speed_on_worn_wheels() -> None:
    assert speed_worn(1750.0, 130.0, 260.0) == pytest.approx(875.0)
    assert diameter_worn(137.0, 2.5) == pytest.approx(132.0)
    same = speed_change_percent(1750.0, (137.0, 137.0), (132.0, 132.0))
    assert same == pytest.approx(0, abs=1e-12)
    slower = speed_change_percent(1750.0, (137.0, 467.0), (132.0, 462.0))
    assert slower == pytest.approx(100 * (132 / 137 * 467 / 462 - 1))
    assert slower < 0


@SOME
@given(gap=st.floats(0, 3), more=st.floats(0.01, 2), angle=st.floats(30, 42))
def test_more_wear_never_sits_higher_nor_runs_larger(gap: float, more: float, angle: float) -> None:
    one = groove_wear(gap, angle_deg=angle, diameter_mm=200)
    other = groove_wear(gap + more, angle_deg=angle, diameter_mm=200)
    assert other.drop_mm > one.drop_mm and other.worn_mm < one.worn_mm and other.share > one.share


@pytest.mark.outside(
    "two strands on equal wheels: the loop is both strands and one circle, so that it grows by twice the travel"
)
@pytest.mark.parametrize(("travel", "centre", "d"), [(38.0, 800.0, 150.0), (10.0, 2000.0, 300.0)])
def test_a_travel_takes_in_twice_its_length(travel: float, centre: float, d: float) -> None:
    def length(c: float) -> float:
        return 2 * c + pi * d

    assert growth_left(travel) == pytest.approx(length(centre + travel) - length(centre))
    assert growth_in_percent(23.6, 2362.0) == pytest.approx(0.999, abs=0.001)


def test_a_take_up_is_fine_then_to_be_watched_then_to_be_acted_on() -> None:
    verdicts = [take_up_left(left, whole_mm=80, length_mm=2400).verdict for left in (80, 30, 20, 12, 8, 0)]
    assert verdicts == ["fine", "fine", "watch", "watch", "act", "act"]
    assert take_up_left(80, whole_mm=80, length_mm=2400).grown_percent == 0
    assert take_up_left(10, whole_mm=80).grown_percent is None


@pytest.mark.outside("kinematics: laps and turns counted over a minute")
def test_frequencies_are_turns_counted_over_a_minute() -> None:
    rpm, d, length, pitch = 1750.0, 137.16, 2362.2, 8.0
    metres_a_minute = pi * d / 1000 * rpm
    assert shaft_turns(rpm) == pytest.approx(1750 / 60)
    assert belt_turns(metres_a_minute / 60, length) == pytest.approx(metres_a_minute / (length / 1000) / 60)
    assert teeth_met(metres_a_minute / 60, pitch) == pytest.approx(metres_a_minute / (pitch / 1000) / 60)
    assert multiple_of(29.0, 2) == pytest.approx(2 * 29.0)
    # A wheel of z teeth meets z of them a turn.
    z = 34
    speed = z * pitch / 1000 * rpm / 60
    assert teeth_met(speed, pitch) == pytest.approx(z * shaft_turns(rpm))


def test_a_measured_note_points_at_the_nearest_and_at_nothing_far_off() -> None:
    notes = notes_of({"the driver": 1750.0, "the fan": 670.0}, loop_m_s=12.57, length_mm=2362.0, pitch_mm=None)
    assert all(b.hertz >= a.hertz for a, b in pairwise(notes)) and len(notes) == 9
    (first, *_) = nearest(notes, 29.3)
    assert (first.of, first.times) == ("the driver", 1)
    assert nearest(notes, 400.0) == ()
    toothed = notes_of({"a": 600.0}, loop_m_s=4.0, length_mm=1000.0, pitch_mm=8.0)
    assert {n.kind for n in toothed} == {"shaft", "belt", "teeth"}


@pytest.mark.parametrize(
    ("work", "field"),
    [
        (lambda: groove_wear(-0.1, angle_deg=36, diameter_mm=100), "gap"),
        (lambda: groove_wear(9.0, angle_deg=36, diameter_mm=100), "gap"),
        (lambda: groove_wear(0.5, angle_deg=90, diameter_mm=100), "angle"),
        (lambda: groove_wear(6.0, angle_deg=20, diameter_mm=20), "diameter"),
        (lambda: take_up_left(90, whole_mm=80), "left"),
        (lambda: take_up_left(0, whole_mm=0), "whole"),
        (lambda: notes_of({}, loop_m_s=0.0, length_mm=100.0, pitch_mm=None), "drive"),
        (lambda: nearest((), 0.0), "measured"),
    ],
)
def test_what_cannot_be_is_refused(work: object, field: str) -> None:
    with pytest.raises(InputError) as e:
        work()  # type: ignore[operator]
    assert e.value.field == field
