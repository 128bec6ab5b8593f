"""Loops round any wheels: refusals against drawn outlines, strands against a linear solve, grip by integration, levers by energy."""

from __future__ import annotations

from itertools import pairwise
from math import cos, exp, hypot, inf, pi, radians, sin

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st
from scipy.integrate import quad, solve_ivp
from scipy.optimize import brentq, minimize_scalar
from shapely import LineString, Point, unary_union

from tuyere.core.drive.any_route import (
    grip_of,
    pull_at_hand,
    pull_at_wheel,
    work_around,
)
from tuyere.core.drive.path import path_of
from tuyere.core.drive.placing import by_two_tapes
from tuyere.core.drive.route import Route, Stop, TakeUp
from tuyere.core.drive.travel import hang_of, released
from tuyere.core.drive.wheel import Role, Wheel
from tuyere.core.errors import InputError, NoSolution

SOME = settings(derandomize=True, deadline=None, max_examples=40)


def wheel(ident: str, role: Role, x: float, y: float, d: float) -> Wheel:
    return Wheel(id=ident, role=role, x_mm=x, y_mm=y, path_mm=d, pitch_mm=d, outside_mm=d)


def ring(count: int, seed: int, radius: float = 600.0) -> Route:
    """Wheels on a rough circle, in the order of travel, all inside: the loop is their hull."""
    rng = np.random.default_rng(seed)
    stops = []
    for k in range(count):
        a = -2 * pi * k / count
        r = radius * (1 + 0.1 * rng.random())
        d = 80 + 120 * rng.random()
        role: Role = "driver" if k == 0 else "driven"
        stops.append(Stop(wheel=wheel(f"w{k}", role, r * cos(a), r * sin(a), d)))
    return Route(stops=tuple(stops), clockwise=True)


def worked(route: Route, kw: float = 6.0, static: float = 900.0, mu: float = 0.5):  # noqa: ANN201
    driven = [w.id for w in route.wheels if w.role == "driven"]
    loads = {w: kw / len(driven) for w in driven}
    friction = dict.fromkeys((w.id for w in route.wheels), mu)
    return work_around(
        route, driver_rpm=900, power_kw=kw, loads=loads, length_mm=None, static_n=static, friction=friction
    )


@pytest.mark.outside("shapely: the hull of the wheels' circles is the loop, for wheels that stand round it")
@pytest.mark.parametrize("count", [3, 4, 6, 10, 20])
@pytest.mark.parametrize("seed", [1, 2, 3])
def test_the_loop_is_the_hull_of_its_wheels(count: int, seed: int) -> None:
    route = ring(count, seed, 600.0 + 60 * count)
    hull = unary_union([Point(w.x_mm, w.y_mm).buffer(w.path_mm / 2, quad_segs=2000) for w in route.wheels]).convex_hull
    # A wheel that the hull leaves out is one that the loop passes by: that is refused by its name.
    try:
        a = worked(route)
    except InputError as e:
        assert e.field.startswith("wheels.")
        return
    assert a.path.length_mm == pytest.approx(hull.length, rel=1e-6)


@pytest.mark.outside(
    "numpy: strands of a loop by a linear system of their own: torque at each wheel, mean tension over the length"
)
@pytest.mark.parametrize("count", [3, 5, 8])
@pytest.mark.parametrize("seed", [1, 4])
def test_strands_solve_a_linear_system(count: int, seed: int) -> None:
    route = ring(count, seed, 500.0 + 80 * count)
    a = worked(route)
    n = len(a.path.spans)
    speed = route.driver.pitch_mm * pi * 900 / 60000
    matrix, right = np.zeros((n, n)), np.zeros(n)
    for k in range(1, n):
        # Past a wheel that takes power the strand pulls more: T(k) - T(k-1) = P / v.
        matrix[k - 1, k], matrix[k - 1, k - 1] = 1.0, -1.0
        right[k - 1] = 1000 * (6.0 / (count - 1)) / speed
    lengths = [hypot(s.x2 - s.x1, s.y2 - s.y1) for s in a.path.spans]
    matrix[n - 1] = np.array(lengths) / sum(lengths)
    right[n - 1] = 900.0
    assert [s.tension_n for s in a.strands] == pytest.approx(list(np.linalg.solve(matrix, right)))


@pytest.mark.outside("vectors: a wheel's pull is that of its two strands, drawn and added")
@pytest.mark.parametrize("seed", [1, 2, 5])
def test_every_shaft_is_pulled_by_its_two_strands(seed: int) -> None:
    a = worked(ring(5, seed, 900.0))
    tension = {s.id: s.tension_n for s in a.strands}
    for v in a.vectors:
        total = np.zeros(2)
        for s in a.path.spans:
            line = np.array([s.x2 - s.x1, s.y2 - s.y1]) / s.length_mm
            if s.after == v.wheel:
                total += tension[s.id] * line
            if s.before == v.wheel:
                total -= tension[s.id] * line
        assert (v.x_n, v.y_n) == pytest.approx(tuple(total))
    assert sum(v.x_n for v in a.vectors) == pytest.approx(0, abs=1e-6)


@pytest.mark.outside("scipy: the belt equation dT = mu T d(theta) integrated along the contact")
@pytest.mark.parametrize("mu", [0.2, 0.3, 0.512])
@pytest.mark.parametrize("arc", [30.0, 120.0, 180.0, 260.0])
def test_grip_is_the_belt_equation_integrated(mu: float, arc: float) -> None:
    found = solve_ivp(lambda _, t: mu * t, (0, radians(arc)), [1.0], rtol=1e-10, atol=1e-12)
    assert float(grip_of(mu, arc)) == pytest.approx(found.y[0, -1], rel=1e-7)


@pytest.mark.outside("scipy: the load at which the first wheel's strands reach exp(mu theta), by a root of its own")
@pytest.mark.parametrize("seed", [1, 2, 3, 6])
@pytest.mark.parametrize("mu", [0.3, 0.512])
def test_the_first_to_slip_slips_where_it_says(seed: int, mu: float) -> None:
    route = ring(4, seed, 900.0)
    a = worked(route, mu=mu)
    arcs = {w.wheel.id: w.arc_deg for w in a.path.wraps}

    def worst(k: float) -> float:
        b = worked(route, kw=6.0 * k, mu=mu)
        t = [s.tension_n for s in b.strands]
        left = []
        for i, w in enumerate(b.path.wraps):
            low, high = sorted((t[i - 1], t[i]))
            left.append(low * exp(mu * radians(arcs[w.wheel.id])) - high)
        return min(left)

    root = brentq(worst, 0.01, 50)
    assert a.times == pytest.approx(root, rel=1e-6)


@pytest.mark.outside(
    "scipy: how deep a parabola hangs whose length is so much more than its span (arc length by quadrature)"
)
@pytest.mark.parametrize("span", [300.0, 800.0, 2000.0])
@pytest.mark.parametrize("share", [0.002, 0.005, 0.01])
def test_a_slack_strand_hangs_as_its_length_says(span: float, share: float) -> None:
    slack = share * span

    def length(h: float) -> float:
        return float(quad(lambda x: (1 + (8 * h * x / span**2) ** 2) ** 0.5, -span / 2, span / 2)[0])

    deep = brentq(lambda h: length(h) - span - slack, 1e-6, span)
    assert float(hang_of(span, slack)) == pytest.approx(deep, rel=0.012)


@pytest.mark.outside("scipy: a weighted lever rests where the energy of weight and spring is least; moments follow")
@pytest.mark.parametrize(("hand", "arm"), [(300.0, 150.0), (500.0, 120.0), (250.0, 250.0)])
@pytest.mark.parametrize("pull", [60.0, 90.0])
def test_a_lever_balances_by_energy(hand: float, arm: float, pull: float) -> None:
    """The hand pulls down with a weight; at the wheel a stiff spring holds: in the rest its force is what the lever brings there."""
    stiff = 500.0
    found = minimize_scalar(
        lambda a: -pull * hand * a + stiff * (arm * a) ** 2 / 2,
        bounds=(0, 0.5),
        method="bounded",
        options={"xatol": 1e-14},
    )
    at_wheel = stiff * arm * found.x
    assert float(pull_at_wheel(pull, hand, arm)) == pytest.approx(at_wheel, rel=1e-4)
    assert float(pull_at_hand(at_wheel, arm, hand)) == pytest.approx(pull, rel=1e-4)


@given(st.floats(-800, 800), st.floats(-800, 800), st.floats(100, 900), st.floats(-60, 60))
@SOME
def test_two_tapes_find_the_place_they_were_read_from(x: float, y: float, apart: float, turn: float) -> None:
    first, second = (0.0, 0.0), (apart * cos(radians(turn)), apart * sin(radians(turn)))
    a, b = hypot(x, y), hypot(x - second[0], y - second[1])
    off = abs(second[0] * y - second[1] * x) / apart
    assume(off > 1)
    places = [by_two_tapes(first, second, a, b, above=up) for up in (True, False)]
    assert min(hypot(px - x, py - y) for px, py in places) < 1e-5
    for px, py in places:
        assert hypot(px, py) == pytest.approx(a) and hypot(px - second[0], py - second[1]) == pytest.approx(b)
    with pytest.raises(InputError, match="do not meet"):
        by_two_tapes(first, second, apart / 4, apart / 4, above=True)


LEVER = Route(
    stops=(
        Stop(wheel=wheel("engine", "driver", 0, 0, 76.2)),
        Stop(wheel=wheel("blower", "driven", 520, 40, 254)),
        Stop(wheel=wheel("lever idler", "idler", 240, -40, 80), side="outside"),
    ),
    clockwise=True,
    take_up=TakeUp(wheel="lever idler", slide=(0, 1), low_mm=-40, high_mm=60),
)


@pytest.mark.outside(
    "shapely: the way of the loop with its lever let go is shorter than the loop by its slack, drawn apart"
)
@pytest.mark.parametrize("more", [2.0, 6.0, 20.0])
def test_a_loop_that_is_the_clutch_is_let_go(more: float) -> None:
    free = path_of(LEVER.moved(-40))
    walked = sum(LineString([(s.x1, s.y1), (s.x2, s.y2)]).length for s in free.spans)
    walked += sum(w.wheel.path_mm / 2 * radians(w.arc_deg) for w in free.wraps)
    r = released(LEVER, walked + more)
    assert r.slack_mm == pytest.approx(more)
    assert r.drags == (more < 0.004 * (walked + more))
    assert r.strand == max(free.spans, key=lambda s: s.length_mm).id
    with pytest.raises(NoSolution):
        released(Route(stops=LEVER.stops, clockwise=True), 2000)


@pytest.mark.outside(
    "shapely: circles that overlap, and a strand that runs through a circle, are refused by the wheel's name"
)
@pytest.mark.parametrize("seed", range(20))
def test_what_cannot_be_is_refused_by_name(seed: int) -> None:
    rng = np.random.default_rng(seed)
    stops = [Stop(wheel=wheel("motor", "driver", 0, 0, 100)), Stop(wheel=wheel("fan", "driven", 700, 0, 200))]
    x, y, d = 700 * rng.random(), 300 * (rng.random() - 0.5), 40 + 160 * rng.random()
    extra = wheel("idler", "idler", x, y, d)
    route = Route(stops=(*stops, Stop(wheel=extra, side="outside")), clockwise=True)
    circles = {w.id: Point(w.x_mm, w.y_mm).buffer(w.path_mm / 2, quad_segs=500) for w in route.wheels}
    overlaps = any(circles["idler"].intersects(circles[n]) for n in ("motor", "fan"))
    try:
        a = work_around(route, driver_rpm=900, power_kw=2, loads={}, length_mm=None, static_n=500, friction={})
    except InputError as e:
        assert e.field.startswith("wheels") or e.field == "centre_distance"
        assert not overlaps or "stands in" in e.why
        return
    assert not overlaps
    for s in a.path.spans:
        line = LineString([(s.x1, s.y1), (s.x2, s.y2)])
        for n, c in circles.items():
            if n not in (s.after, s.before):
                assert line.intersection(c.buffer(-0.02)).length < 1e-6
    assert all(1 <= w.arc_deg <= 345 for w in a.path.wraps)


def test_refusals_name_what_they_mean() -> None:
    motor, fan = Stop(wheel=wheel("motor", "driver", 0, 0, 100)), Stop(wheel=wheel("fan", "driven", 700, 0, 200))
    inside = Stop(wheel=wheel("idler", "idler", 40, 20, 60))
    far = Stop(wheel=wheel("idler", "idler", 350, -400, 60), side="outside")

    def tried(*stops: Stop) -> None:
        work_around(
            Route(stops=stops), driver_rpm=900, power_kw=2, loads={}, length_mm=None, static_n=None, friction={}
        )

    with pytest.raises(InputError, match="idler stands in motor"):
        tried(motor, fan, inside)
    with pytest.raises(InputError, match="does not lie on idler|crosses itself"):
        tried(motor, fan, far)
    with pytest.raises(InputError, match="crosses itself|cuts through|does not lie"):
        tried(
            motor,
            Stop(wheel=wheel("a", "driven", 700, 400, 100)),
            Stop(wheel=wheel("b", "driven", 700, 0, 100)),
            Stop(wheel=wheel("c", "driven", 0, 500, 100)),
        )
    many = [
        Stop(wheel=wheel(f"w{k}", "driver" if k == 0 else "driven", 300 * cos(k / 10), 300 * sin(k / 10), 1))
        for k in range(61)
    ]
    with pytest.raises(InputError, match="too many"):
        tried(*many)


def test_nothing_slips_that_has_teeth_and_strands_want_a_tension() -> None:
    a = worked(ring(3, 1, 800.0), mu=inf)
    assert a.times == inf and a.first_to_slip is None
    bare = work_around(
        ring(3, 1, 800.0),
        driver_rpm=900,
        power_kw=0,
        loads={"w1": 0.0, "w2": 0.0},
        length_mm=None,
        static_n=None,
        friction={},
    )
    assert bare.strands == () and bare.travel is None


@pytest.mark.outside(
    "exact path at both stops: the loop that fits puts the take-up where its two rests add up to the travel"
)
@pytest.mark.parametrize("share", [0.1, 0.5, 0.9])
def test_travel_left_adds_up(share: float) -> None:
    low, high = path_of(LEVER.moved(-40)).length_mm, path_of(LEVER.moved(60)).length_mm
    length = low + share * (high - low)
    a = work_around(LEVER, driver_rpm=3000, power_kw=1, loads={}, length_mm=length, static_n=300, friction={})
    t = a.travel
    assert t is not None and t.at_mm is not None
    assert t.left_to_tighten_mm + t.left_to_slacken_mm == pytest.approx(100)  # type: ignore[operator]
    assert path_of(LEVER.moved(t.at_mm)).length_mm == pytest.approx(length)
    assert (t.least_mm, t.most_mm) == pytest.approx((low, high))
    speeds = [x.rpm for x in a.turning]
    assert all(x * w.pitch_mm == pytest.approx(3000 * 76.2) for x, w in zip(speeds, a.path.route.wheels, strict=True))
    assert [x.clockwise for x in a.turning] == [True, True, False]
    assert all(p.before == q.after for p, q in pairwise(a.path.spans))
