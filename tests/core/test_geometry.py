"""Belt lengths, arcs, spans and centre distances against independent geometry."""

from __future__ import annotations

from math import acos, asin, degrees, pi, sqrt

import mpmath
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import fsolve
from shapely.geometry import MultiPoint, Point

from tests.core.conftest import published
from tuyere.core.drive.elevation import elevation_of
from tuyere.core.drive.path import path_of
from tuyere.core.drive.route import Route
from tuyere.core.drive.two_pulleys import work_two_pulleys
from tuyere.core.drive.wheel import Wheel
from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centre_of_length, centres_of_lengths
from tuyere.core.geometry.formulas import (
    crossed_arc,
    crossed_length,
    crossed_span,
    open_large_arc,
    open_length,
    open_small_arc,
    open_span,
)
from tuyere.core.geometry.path import Arc, Circle, Span, belt_path, path_length

DRIVES = [(137.16, 238.76, 869.1), (76.2, 152.4, 597.0), (100.0, 100.0, 400.0), (50.0, 600.0, 700.0), (180, 475, 736.0)]


@pytest.mark.outside("shapely: perimeter of the convex hull of two circles")
@pytest.mark.parametrize(("d", "D", "a"), DRIVES)
def test_open_length_is_the_hull_of_two_circles(d: float, D: float, a: float) -> None:
    around = 4096
    hull = Point(0, 0).buffer(d / 2, around).union(Point(a, 0).buffer(D / 2, around)).convex_hull
    assert open_length(a, d, D) == pytest.approx(hull.length, rel=2e-7)


@pytest.mark.outside("mpmath: integral of the support function of two circles")
@pytest.mark.parametrize(("d", "D", "a"), DRIVES)
def test_open_length_is_the_integral_of_the_support_function(d: float, D: float, a: float) -> None:
    # Cauchy: the perimeter of a convex body is the integral of its support function over all directions.
    turn = mpmath.acos(mpmath.mpf(d - D) / (2 * a))

    def support(t: mpmath.mpf) -> mpmath.mpf:
        return max(mpmath.mpf(d) / 2, mpmath.mpf(D) / 2 + a * mpmath.cos(t))

    whole = 2 * mpmath.quad(support, [0, turn, mpmath.pi])
    assert open_length(a, d, D) == pytest.approx(float(whole), rel=1e-12)


@pytest.mark.outside("shapely: tangents of two circles by mirror, length added up in points")
@pytest.mark.parametrize(("d", "D", "a"), [(100.0, 200.0, 500.0), (150.0, 150.0, 400.0), (80, 300, 450)])
def test_crossed_length_arc_and_span(d: float, D: float, a: float) -> None:
    # The tangent from a point outside a circle: the inner tangents meet where the line of centres is cut d : D.
    meet = a * d / (d + D)
    leg_small, leg_large = sqrt(meet**2 - (d / 2) ** 2), sqrt((a - meet) ** 2 - (D / 2) ** 2)
    half = acos((d / 2) / meet)
    arc = 2 * pi - 2 * half
    assert crossed_span(a, d, D) == pytest.approx(leg_small + leg_large, rel=1e-12)
    assert crossed_arc(a, d, D) == pytest.approx(degrees(arc), rel=1e-12)
    assert crossed_length(a, d, D) == pytest.approx(2 * (leg_small + leg_large) + arc * (d + D) / 2, rel=1e-12)
    drop = MultiPoint([(meet, 0)]).distance(Point(0, 0).buffer(d / 2, 2000))
    assert drop == pytest.approx(meet - d / 2, rel=1e-6)


@pytest.mark.outside("scipy fsolve on the hull length")
@pytest.mark.parametrize(("d", "D", "L"), [(137.16, 238.76, 2331.72), (190.5, 482.6, 2540.0), (90, 560, 2000)])
def test_centre_from_length(d: float, D: float, L: float) -> None:
    def gap(a: np.ndarray) -> list[float]:
        lean = asin((D - d) / (2 * a[0]))
        straight = 2 * a[0] * np.cos(lean)
        return [straight + (pi + 2 * lean) * D / 2 + (pi - 2 * lean) * d / 2 - L]

    found = fsolve(gap, [L / 3])[0]
    assert centre_of_length(L, d, D) == pytest.approx(found, abs=1e-6)
    assert centres_of_lengths(np.array([L]), np.array([d]), np.array([D]))[0] == pytest.approx(found, abs=1e-6)


B112 = published("shigley/v_belt_b112.toml")


@pytest.mark.outside(B112["source"])
@pytest.mark.parametrize("what", ["centre_in", "arc_rad"])
def test_b112_geometry(what: str) -> None:
    printed, half_digit = B112["printed"][what]
    a = centre_of_length(113.8 * 25.4, 7.4 * 25.4, 11 * 25.4)
    arc = float(np.radians(open_small_arc(a, 7.4 * 25.4, 11 * 25.4)))
    assert {"centre_in": a / 25.4, "arc_rad": arc}[what] == pytest.approx(printed, abs=half_digit)


@pytest.mark.outside("Shigley, two 26 in sheaves and a 363.3 in belt; value recalled from memory")
def test_d360_centre() -> None:
    assert centre_of_length(363.3, 26, 26) == pytest.approx(140.8, abs=0.05)


@pytest.mark.outside("Shigley, flat-belt example 6 / 18 in at 8 ft; values recalled from memory")
def test_flat_belt_length_and_wrap() -> None:
    assert open_length(96, 6, 18) == pytest.approx(230.074, abs=5e-4)
    assert np.radians(open_small_arc(96, 6, 18)) == pytest.approx(3.01651, abs=5e-6)
    assert open_large_arc(96, 6, 18) + open_small_arc(96, 6, 18) == pytest.approx(360)
    assert open_span(96, 6, 18) == pytest.approx(sqrt(96**2 - 36), rel=1e-12)


@pytest.mark.outside("exact step cones, 600 rpm countershaft: one belt fits every step (independent calculation)")
@pytest.mark.parametrize(("d", "D"), [(6.0, 12.0), (8.05778, 10.1522)])
def test_step_cones_take_one_belt(d: float, D: float) -> None:
    assert open_length(24.0, d, D) == pytest.approx(76.6498, abs=1e-4)


@pytest.mark.outside("facts of geometry: textbook (D-d)/C table gives 2 acos of half of it")
@pytest.mark.parametrize("share", [0.1, 0.2, 0.5, 1.0, 1.5])
def test_arc_is_the_textbook_angle(share: float) -> None:
    assert open_small_arc(100.0, 100.0, 100.0 + 100 * share) == pytest.approx(2 * degrees(acos(share / 2)), rel=1e-12)


SIZE = st.floats(20, 900)


@settings(derandomize=True, deadline=None, max_examples=60)
@given(SIZE, SIZE, st.floats(1.02, 9), st.booleans())
def test_length_and_centre_are_inverse_and_the_path_agrees(one: float, two: float, apart: float, crossed: bool) -> None:
    d, D = min(one, two), max(one, two)
    a = (d + D) / 2 * apart
    L = float((crossed_length if crossed else open_length)(a, d, D))
    assert centre_of_length(L, d, D, crossed) == pytest.approx(a, rel=1e-9)
    path = belt_path([Circle(0, 0, one / 2, 1), Circle(a * 0.6, a * 0.8, two / 2, -1 if crossed else 1)])
    assert path_length(path) == pytest.approx(L, rel=1e-9)
    assert centre_of_length(L * 1.01, d, D, crossed) > a


@settings(derandomize=True, deadline=None, max_examples=30)
@given(st.lists(st.tuples(st.floats(0, 6.2), st.floats(20, 60)), min_size=3, max_size=5))
def test_path_round_many_wheels_is_the_hull(spots: list[tuple[float, float]]) -> None:
    # Wheels on a wide circle, taken in order of angle, all turned one way: the belt is their convex hull.
    spots = sorted(spots)
    if min(np.diff([t for t, _ in spots] + [spots[0][0] + 2 * pi])) < 0.35:
        return
    wheels = [Circle(600 * np.cos(t), 600 * np.sin(t), r, 1) for t, r in spots]
    hull = Point(wheels[0].x, wheels[0].y).buffer(wheels[0].r, 512)
    for w in wheels[1:]:
        hull = hull.union(Point(w.x, w.y).buffer(w.r, 512))
    path = belt_path(wheels)
    if all(p.sweep_deg < 359 for p in path if isinstance(p, Arc)):
        assert path_length(path) == pytest.approx(hull.convex_hull.length, rel=1e-5)
    joints = [(p.x2, p.y2) for p in path if isinstance(p, Span)]
    for (x, y), w in zip(joints, wheels[1:] + wheels[:1], strict=True):
        assert np.hypot(x - w.x, y - w.y) == pytest.approx(w.r, rel=1e-9)


def test_the_tight_strand_comes_to_the_driver() -> None:
    for clockwise in (True, False):
        small = Wheel(id="driver", role="driver", path_mm=100, pitch_mm=100, outside_mm=105)
        large = Wheel(id="driven", role="driven", path_mm=300, pitch_mm=300, outside_mm=305)
        route = Route.two(small, large, centre_mm=500, angle_deg=25, clockwise=clockwise)
        e = elevation_of(path_of(route), "v-belt", thickness_mm=10)
        tight = next(s for s in e.strands if s.side == "tight")
        assert np.hypot(tight.x2, tight.y2) == pytest.approx(50)
        # Seen along its travel the driver pulls this strand in: its end moves with the rim.
        rim = np.array([-tight.y2, tight.x2]) * e.wheels[0].turn
        assert np.dot(rim, [tight.x2 - tight.x1, tight.y2 - tight.y1]) > 0
        assert e.left <= -52.5 and e.left + e.width >= 500 * np.cos(np.radians(25)) + 152.5


def test_impossible_layouts_are_refused() -> None:
    for centre, length, field in [
        (100.0, None, "centre_distance"),
        (None, 900.0, "belt_length"),
        (None, None, "centre_distance"),
    ]:
        with pytest.raises(InputError) as e:
            work_two_pulleys(200, 300, centre, length)
        assert e.value.field == field and e.value.allowed
    with pytest.raises(InputError):
        belt_path([Circle(0, 0, 50, 1)])
    assert np.isnan(centres_of_lengths(np.array([900.0]), np.array([200.0]), np.array([300.0]))[0])
