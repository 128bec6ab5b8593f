"""The path round any number of wheels, against shapely, numerical integration and the closed formulas of two."""

from __future__ import annotations

from math import cos, hypot, pi, radians, sin

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import LineString, Point
from shapely.ops import unary_union

from tests.core.drive.routes import pressed, ring, wheel
from tuyere.core.drive.path import Path, path_of, solve_route
from tuyere.core.drive.route import Route, Stop, TakeUp, shaft_of
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.geometry.formulas import crossed_length, open_length

SOME = settings(derandomize=True, deadline=None, max_examples=60)


def points(path: Path, step_mm: float = 0.5) -> np.ndarray:
    """The path as a fine polyline, walked from its arcs and strands."""
    out = []
    for wrap, span in zip(path.wraps, path.spans, strict=True):
        n = max(2, int(wrap.length_mm / step_mm))
        for a in np.radians(wrap.start_deg + wrap.turn * np.linspace(0, wrap.arc_deg, n)):
            r = wrap.wheel.path_mm / 2
            out.append((wrap.wheel.x_mm + r * cos(a), wrap.wheel.y_mm + r * sin(a)))
        out.append((span.x2, span.y2))
    return np.array(out)


@pytest.mark.outside("shapely: perimeter of the convex hull of circles, 3 to 20 of them")
@pytest.mark.parametrize("count", range(3, 21))
def test_a_ring_of_wheels_is_the_hull_of_its_circles(count: int) -> None:
    for seed, clockwise in ((count, True), (count + 100, False)):
        route = ring(count, seed, clockwise=clockwise)
        hull = unary_union([Point(w.x_mm, w.y_mm).buffer(w.path_mm / 2, 2048) for w in route.wheels]).convex_hull
        path = path_of(route)
        on_hull = [w for w in path.wraps if w.arc_deg < 359]
        if len(on_hull) == count and all(w.arc_deg < 180 for w in path.wraps):
            assert path.length_mm == pytest.approx(hull.length, rel=1e-6)


@pytest.mark.outside("numerical integration of the walked polyline; tangents against shapely distances")
@pytest.mark.parametrize("count", [3, 4, 5, 7, 11, 16, 20])
@pytest.mark.parametrize("made", [ring, pressed])
def test_length_is_what_is_walked_and_every_strand_only_touches(count: int, made) -> None:  # noqa: ANN001
    path = path_of(made(count, 7 * count))
    walked = points(path)
    closed = np.vstack([walked, walked[:1]])
    assert float(np.sum(np.hypot(*np.diff(closed, axis=0).T))) == pytest.approx(path.length_mm, rel=1e-5)
    for span in path.spans:
        line = LineString([(span.x1, span.y1), (span.x2, span.y2)])
        for end in (span.after, span.before):
            w = path.route.wheel(end)
            assert line.distance(Point(w.x_mm, w.y_mm)) == pytest.approx(w.path_mm / 2, rel=1e-9)


@pytest.mark.outside("plane geometry: a closed loop without a crossing turns by one full turn in all")
@pytest.mark.parametrize(("made", "count"), [(ring, 3), (ring, 9), (pressed, 3), (pressed, 6), (pressed, 12)])
@pytest.mark.parametrize("clockwise", [True, False])
def test_the_turns_of_a_loop_make_one_turn(made, count: int, clockwise: bool) -> None:  # noqa: ANN001
    path = path_of(made(count, 11, clockwise=clockwise))
    assert sum(w.turn * w.arc_deg for w in path.wraps) == pytest.approx(-360 if clockwise else 360, abs=1e-6)


@pytest.mark.outside("closed formulas of open and crossed belts on two pulleys (handbooks)")
@SOME
@given(
    d=st.floats(40, 400),
    D=st.floats(40, 900),
    gap=st.floats(5, 3000),
    angle=st.floats(-180, 180),
    crossed=st.booleans(),
)
def test_two_wheels_are_the_plain_case(d: float, D: float, gap: float, angle: float, crossed: bool) -> None:
    a = (d + D) / 2 + gap
    route = Route.two(
        wheel("driver", "driver", d), wheel("driven", "driven", D), centre_mm=a, angle_deg=angle, crossed=crossed
    )
    small, large = sorted((d, D))
    length = float((crossed_length if crossed else open_length)(a, small, large))
    assert path_of(route).length_mm == pytest.approx(length, rel=1e-9)
    assert route.plain is not None and route.plain.small.path_mm == small and route.plain.crossed == crossed
    back = solve_route(Route.two(*route.wheels, centre_mm=None, angle_deg=angle, crossed=crossed), length)
    assert back.route.driver.distance_mm(back.route.driven) == pytest.approx(a, rel=1e-7)
    assert back.route.angle_deg % 360 == pytest.approx(angle % 360, abs=1e-6) or gap < 1


@pytest.mark.outside("the root put back into the length, found for a slide in any direction and for a swinging arm")
@pytest.mark.parametrize("seed", range(6))
@pytest.mark.parametrize("how", ["slide", "arm"])
def test_a_take_up_finds_the_place_of_a_length(seed: int, how: str) -> None:
    route = pressed(4, seed)
    if how == "arm":
        w = route.wheel("press")
        arm = TakeUp(wheel="press", pivot=(w.x_mm * 1.2, w.y_mm * 1.2 + 150), low_mm=-120, high_mm=120)
        route = Route(stops=route.stops, clockwise=route.clockwise, take_up=arm)
    for moved in (-25.0, 4.0, 31.0):
        try:
            length = path_of(route.moved(moved)).length_mm
        except InputError:  # there the idler would lie on its neighbour
            continue
        found = solve_route(route, length)
        assert found.length_mm == pytest.approx(length, abs=1e-6)


def test_travel_that_does_not_reach_says_between_which_lengths_it_does() -> None:
    route = pressed(4, 1)
    tight = Route(stops=route.stops, take_up=TakeUp(wheel="press", slide=route.take_up.slide, low_mm=-5, high_mm=5))
    with pytest.raises(NoSolution) as e:
        solve_route(tight, path_of(route).length_mm * 1.2)
    low, high = e.value.quantities["least"][0], e.value.quantities["most"][0]
    assert low < path_of(route).length_mm < high


@pytest.mark.parametrize(
    ("stops", "why"),
    [
        ((Stop(wheel=wheel("a", "driver", 100)),), "two pulleys"),
        ((Stop(wheel=wheel("a", "driver", 100)), Stop(wheel=wheel("a", "driven", 100, 500))), "one name"),
        (
            (Stop(wheel=wheel("a", "driver", 100)), Stop(wheel=wheel("b", "driven", 100, 500), crossed=True)),
            "inside out",
        ),
    ],
)
def test_what_is_no_route(stops: tuple[Stop, ...], why: str) -> None:
    with pytest.raises(InputError, match=why):
        Route(stops=stops)


def test_wheels_that_overlap_are_refused_and_shafts_have_names() -> None:
    near = Route.two(wheel("driver", "driver", 400), wheel("driven", "driven", 100), centre_mm=120)
    with pytest.raises(InputError, match="overlap"):
        path_of(near)
    assert [shaft_of("driver", 1), shaft_of("driven", 1), shaft_of("driven", 2), shaft_of("idler", 1)] == [
        "driver",
        "driven",
        "driven-2",
        "idler-1",
    ]


@SOME
@given(count=st.integers(3, 12), seed=st.integers(0, 10_000), turn=st.floats(-180, 180), scale=st.floats(0.2, 5))
def test_turning_and_scaling_a_drive_change_nothing_but_scale(count: int, seed: int, turn: float, scale: float) -> None:
    route = pressed(count, seed)
    c, s = cos(radians(turn)), sin(radians(turn))
    wheels = [
        wheel(w.id, w.role, w.path_mm * scale, scale * (c * w.x_mm - s * w.y_mm), scale * (s * w.x_mm + c * w.y_mm))
        for w in route.wheels
    ]
    a, b = path_of(route), path_of(route.with_wheels(wheels))
    assert b.length_mm == pytest.approx(a.length_mm * scale, rel=1e-9)
    assert [w.arc_deg for w in b.wraps] == pytest.approx([w.arc_deg for w in a.wraps], abs=1e-6)


@SOME
@given(count=st.integers(3, 10), seed=st.integers(0, 10_000))
def test_travelling_the_other_way_is_the_same_path(count: int, seed: int) -> None:
    there = ring(count, seed)
    first, *others = there.stops
    back = Route(stops=(first, *reversed(others)), clockwise=not there.clockwise)
    a, b = path_of(there), path_of(back)
    assert a.length_mm == pytest.approx(b.length_mm, rel=1e-12)
    assert {w.wheel.id: round(w.arc_deg, 6) for w in a.wraps} == {w.wheel.id: round(w.arc_deg, 6) for w in b.wraps}


def test_a_full_circle_is_a_circle() -> None:
    two = Route.two(wheel("driver", "driver", 200), wheel("driven", "driven", 200), centre_mm=500)
    path = path_of(two)
    assert path.length_mm == pytest.approx(1000 + 200 * pi) and hypot(*path.spans[0].heading) == pytest.approx(1)
