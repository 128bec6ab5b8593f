"""Adjustable sheaves: the belt's seat by drawn outlines, the turns by roots, the choice by enumeration."""

from __future__ import annotations

from math import radians, tan
from typing import Any

import pytest
from hypothesis import given
from hypothesis import settings as how
from hypothesis import strategies as st
from scipy.optimize import brentq
from shapely import Polygon
from shapely.affinity import translate

from tuyere.core.errors import InputError
from tuyere.core.geometry.formulas import open_length
from tuyere.core.v_belt.adjustable import adjustable, best, groove_shift, settings, turns_for

SOME = how(derandomize=True, deadline=None, max_examples=50)


def seat(angle: float, gap: float, width: float = 16.7, depth: float = 10.0) -> tuple[float, float]:
    """(how far a belt has sunk, how far its middle moved) between two flanges of which the left one moved out by ``gap``."""
    slope, rise = tan(radians(angle / 2)), 60.0
    right = Polygon([(width / 2, 0), (width / 2 - rise * slope, -rise), (99, -rise), (99, 0)])
    left = Polygon([(-width / 2 - gap, 0), (-width / 2 - gap + rise * slope, -rise), (-99, -rise), (-99, 0)])
    foot = width / 2 - depth * slope
    belt = Polygon([(-width / 2, 0), (width / 2, 0), (foot, -depth), (-foot, -depth)])

    def clear(down: float) -> float:
        """What is cut of the flanges, or less than nothing: what is left between, the middle kept between both."""
        b = translate(belt, -gap / 2, -down)
        over = b.intersection(left).area + b.intersection(right).area
        return over if over > 1e-12 else -(b.distance(left) + b.distance(right))

    return float(brentq(clear, 0.0, rise - depth - 1, xtol=1e-10)), gap / 2


@pytest.mark.outside("shapely: a belt lowered between two outlines until it touches both")
@pytest.mark.parametrize("turns", [0.5, 1.0, 2.5, 4.0, 6.0])
@pytest.mark.parametrize("closed", [100.0, 150.0, 200.0])
def test_the_belt_sits_where_the_outlines_hold_it(turns: float, closed: float) -> None:
    s = adjustable("B", closed_mm=closed, thread_mm=25.4 / 16)
    sunk, aside = seat(s.angle_deg, s.thread_mm * turns)
    assert s.at(turns) == pytest.approx(closed - 2 * sunk, abs=1e-4)
    assert groove_shift(s.thread_mm, turns) == pytest.approx(aside)


@pytest.mark.outside(
    "reference arithmetic: 16 threads to the inch on 34 degrees take 0.204 in off the pitch diameter a turn"
)
def test_a_turn_is_about_two_tenths() -> None:
    s = adjustable("A", closed_mm=100.0)
    assert s.angle_deg == 34.0
    assert (s.at(0) - s.at(1)) / 25.4 == pytest.approx(0.204, abs=5e-4)


@given(st.floats(90, 250), st.floats(10, 30), st.integers(3, 6), st.floats(0, 1))
@SOME
def test_turns_and_diameter_there_and_back(closed: float, opens: float, most: int, share: float) -> None:
    s = adjustable("B", closed_mm=closed, open_mm=closed - opens, most_turns=float(most))
    assert s.at(most) == pytest.approx(closed - opens)
    assert turns_for(s, s.at(share * most)) == pytest.approx(share * most)


@pytest.mark.outside("scipy: the centre distance at which the belt of now fits each setting; speeds by diameter x rpm")
@pytest.mark.parametrize("closed", [120.0, 147.0])
def test_every_half_turn_keeps_the_belt(closed: float) -> None:
    s = adjustable("B", closed_mm=closed, now=3.0)
    found = settings(s, 345.0, rpm_now=650.0, target_rpm=690.0, centres_mm=790.0)
    assert [x.driver_turns for x in found] == [k / 2 for k in range(13)]
    length = float(open_length(790.0, s.at(3.0), 345.0))
    for x in found:
        d = x.driver_mm
        root = brentq(lambda a, d=d: float(open_length(a, d, 345.0)) - length, 300, 2000, xtol=1e-11)
        assert x.centres_mm == pytest.approx(root, abs=1e-6)
        assert x.rpm == pytest.approx(650.0 * d / s.at(3.0))


@pytest.mark.outside("enumeration of every pair of half-turns")
@pytest.mark.parametrize("share", [0.92, 1.0, 1.04, 1.1])
def test_two_sheaves_keep_the_belt_where_they_can(share: float) -> None:
    a, b = adjustable("B", closed_mm=150.0, now=3.0), adjustable("B", closed_mm=260.0, now=3.0)
    total = a.at(3) + b.at(3)
    found = settings(a, b, rpm_now=900.0, target_rpm=900.0 * share, centres_mm=700.0)
    pick = best(found, centres_mm=700.0, now_sum_mm=total)
    nearest = min(abs(x.off_percent) for x in found)
    as_near = [x for x in found if abs(x.off_percent) <= nearest + 0.5]
    assert pick in as_near
    assert all(abs(pick.centres_mm - 700) <= abs(x.centres_mm - 700) + 1e-6 for x in as_near)  # type: ignore[operator]
    sums = {id(x): abs(x.driver_mm + x.driven_mm - total) for x in as_near}
    assert sums[id(best(found, centres_mm=None, now_sum_mm=total))] <= min(sums.values()) + 1e-6


@pytest.mark.parametrize(
    ("field", "given"),
    [
        ("turns_now", {"closed_mm": 150.0, "now": 7.0}),
        ("open", {"closed_mm": 150.0, "open_mm": 160.0}),
        ("most_turns", {"closed_mm": 150.0, "most_turns": 40.0}),
        ("thread", {"closed_mm": 150.0, "thread_mm": 0.01}),
        ("closed", {"closed_mm": 45.0}),
    ],
)
def test_what_no_sheave_can_be(field: str, given: dict[str, Any]) -> None:
    with pytest.raises(InputError) as e:
        adjustable("B", **given)
    assert e.value.field == field
    with pytest.raises(InputError, match="section"):
        adjustable("8V", closed_mm=300.0)
