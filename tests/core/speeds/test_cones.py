"""Step pulleys: every step takes one belt, by an independent root and by drawn outlines; the rounding against enumeration."""

from __future__ import annotations

from itertools import product
from math import pi

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st
from scipy.optimize import brentq
from shapely import Point, unary_union

from tuyere.core.errors import InputError
from tuyere.core.speeds.cones import (
    check_cones,
    exact_cones,
    geometric,
    length_on,
    rounded_cones,
    smallest_range,
)

SOME = settings(derandomize=True, deadline=None, max_examples=60)


def hull(d: float, big: float, centres: float) -> float:
    wheels = [Point(0, 0).buffer(d / 2, quad_segs=3000), Point(centres, 0).buffer(big / 2, quad_segs=3000)]
    return float(unary_union(wheels).convex_hull.length)


@pytest.mark.outside("scipy's root of the length equation, started anew for every step")
@pytest.mark.parametrize("crossed", [False, True])
@pytest.mark.parametrize("centres", [300.0, 600.0, 1500.0])
@pytest.mark.parametrize("speeds", [(300, 900), (250, 400, 640), (500, 800, 1280, 2048), (1725, 1200, 700)])
def test_every_step_takes_the_belt_of_the_first(crossed: bool, centres: float, speeds: tuple[float, ...]) -> None:
    driver = 1000.0
    first = min(80.0, 0.6 * centres / (1 + driver / speeds[0]))
    found = exact_cones(driver, speeds, centres_mm=centres, first_mm=first, crossed=crossed)
    assert found.most_slack_mm < 1e-6
    for step, rpm in zip(found.steps, speeds, strict=True):
        ratio = driver / rpm
        root = brentq(
            lambda d, r=ratio: length_on(centres, d, d * r, crossed) - found.length_mm,
            1e-6,
            2 * centres / (1 + ratio) * 0.999999,
        )
        assert step.driver_mm == pytest.approx(root, rel=1e-9) and step.rpm == pytest.approx(rpm, rel=1e-9)


@pytest.mark.outside("shapely: a band drawn tight round both wheels of each step")
@pytest.mark.parametrize("steps", [2, 3, 4, 5])
def test_a_band_drawn_round_each_step_is_as_long(steps: int) -> None:
    found = exact_cones(1725, geometric(600, 2800, steps), centres_mm=355.6, first_mm=63.5)
    assert all(hull(s.driver_mm, s.driven_mm, 355.6) == pytest.approx(found.length_mm, rel=1e-5) for s in found.steps)


@pytest.mark.outside("textbook: on a crossed belt the sum of the two diameters is the same on every step")
@pytest.mark.parametrize("speeds", [(200, 300, 450), (400, 900), (150, 300, 600, 1200)])
def test_crossed_cones_have_a_constant_sum(speeds: tuple[float, ...]) -> None:
    found = exact_cones(600, speeds, centres_mm=1200, first_mm=90, crossed=True)
    sums = [s.driver_mm + s.driven_mm for s in found.steps]
    assert sums == pytest.approx([sums[0]] * len(sums), rel=1e-9)


@pytest.mark.outside("textbook, first order: S_i = S_1 - ((D_i - d_i)^2 - (D_1 - d_1)^2) / (2 pi C)")
@pytest.mark.parametrize("centres", [800.0, 1500.0, 3000.0])
def test_open_cones_follow_the_first_order_where_the_shafts_are_far(centres: float) -> None:
    found = exact_cones(400, (160, 250, 400, 640), centres_mm=centres, first_mm=140)
    first = found.steps[0]
    s1, e1 = first.driver_mm + first.driven_mm, first.driven_mm - first.driver_mm
    for s in found.steps[1:]:
        e = s.driven_mm - s.driver_mm
        near = s1 - (e**2 - e1**2) / (2 * pi * centres)
        assert s.driver_mm + s.driven_mm == pytest.approx(near, rel=0.15 * (s1 / centres) ** 2 + 1e-6)


@pytest.mark.outside(
    "textbook: speeds of a geometric series; equal cones when the countershaft runs at the root of both ends"
)
def test_equal_cones_mirror_each_other() -> None:
    low, high, steps = 200.0, 800.0, 4
    counter = (low * high) ** 0.5
    found = exact_cones(counter, geometric(low, high, steps), centres_mm=700, first_mm=80)
    for a, b in zip(found.steps, reversed(found.steps), strict=True):
        assert a.driver_mm == pytest.approx(b.driven_mm, rel=1e-6)
    speeds = geometric(low, high, steps)
    ratios = [b / a for a, b in zip(speeds, speeds[1:], strict=False)]
    assert ratios == pytest.approx([4 ** (1 / 3)] * 3)


@pytest.mark.outside("enumeration of every choice of sizes")
@pytest.mark.parametrize("make", [1.0, 25.4 / 16, 5.0])
@pytest.mark.parametrize("speeds", [(300, 520, 900), (250, 900)])
def test_the_rounding_has_the_least_slack_of_all(make: float, speeds: tuple[float, ...]) -> None:
    driver, centres = 700.0, 420.0
    exact = exact_cones(driver, speeds, centres_mm=centres, first_mm=70)
    found = rounded_cones(driver, exact, centres_mm=centres, make_mm=make, speed_percent=6)
    offers = []
    for step in exact.steps:
        sizes = [
            ((round(step.driver_mm / make) + i) * make, (round(step.driven_mm / make) + j) * make)
            for i, j in product((-1, 0, 1), repeat=2)
        ]
        offers.append([s for s in sizes if abs(driver * s[0] / s[1] / step.rpm - 1) <= 0.06])
    least = min(
        (max(ls) - min(ls)) / 2
        for choice in product(*offers)
        if (ls := [length_on(centres, d, big, False) for d, big in choice])
    )
    assert found.most_slack_mm == pytest.approx(least, abs=1e-9)
    for s in found.steps:
        assert s.driver_mm / make == pytest.approx(round(s.driver_mm / make))


@given(st.lists(st.lists(st.floats(0, 100), min_size=1, max_size=4).map(sorted), min_size=2, max_size=4))
@SOME
def test_the_smallest_range_is_that_of_enumeration(lists: list[list[float]]) -> None:
    best = smallest_range(lists)
    reach = max(x[i] for x, i in zip(lists, best, strict=True)) - min(x[i] for x, i in zip(lists, best, strict=True))
    assert reach == pytest.approx(min(max(c) - min(c) for c in product(*lists)), abs=1e-9)


@given(st.floats(200, 3000), st.floats(150, 1500), st.floats(0.2, 0.9), st.booleans())
@SOME
def test_a_checked_pair_says_what_the_made_one_said(driver: float, centres: float, share: float, crossed: bool) -> None:
    first = share * 0.4 * centres
    speeds = geometric(driver * 0.7, driver * 1.6, 3)
    assume(first * (1 + driver / speeds[0]) < 1.8 * centres)
    try:
        made = exact_cones(driver, speeds, centres_mm=centres, first_mm=first, crossed=crossed)
    except InputError:
        return
    again = check_cones(driver, [(s.driver_mm, s.driven_mm) for s in made.steps], centres_mm=centres, crossed=crossed)
    assert again.length_mm == pytest.approx(made.length_mm) and again.most_slack_mm < 1e-6
    assert [s.rpm for s in again.steps] == pytest.approx(list(speeds))


@pytest.mark.parametrize(
    ("call", "field"),
    [
        (lambda: geometric(600, 500, 3), "low"),
        (lambda: geometric(100, 500, 1), "steps"),
        (lambda: exact_cones(1000, (500,), centres_mm=500, first_mm=80), "speeds"),
        (lambda: exact_cones(1000, (500, 600), centres_mm=100, first_mm=80), "centres"),
        (lambda: exact_cones(1000, (10, 2000), centres_mm=5000, first_mm=20), "speeds"),
        (lambda: exact_cones(1000, (500, -1), centres_mm=500, first_mm=80), "speeds"),
        (lambda: check_cones(1000, [(80, 160)], centres_mm=500), "pairs"),
        (lambda: check_cones(1000, [(80, 160), (600, 600)], centres_mm=500), "pairs"),
    ],
)
def test_what_makes_no_pair_is_refused(call: object, field: str) -> None:
    with pytest.raises(InputError) as e:
        call()  # type: ignore[operator]
    assert e.value.field == field


def test_sizes_too_coarse_for_the_speeds_are_refused() -> None:
    exact = exact_cones(1000, (333, 777), centres_mm=400, first_mm=61)
    with pytest.raises(InputError, match="step"):
        rounded_cones(1000, exact, centres_mm=400, make_mm=40, speed_percent=0.5)
