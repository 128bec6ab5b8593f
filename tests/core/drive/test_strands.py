"""Tension round the loop and what shafts carry, against a linear solve written apart, virtual work and the belt equation."""

from __future__ import annotations

from math import exp, radians

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from tests.core.drive.routes import pressed, ring, wheel
from tuyere.core.drive.elevation import elevation_of
from tuyere.core.drive.loads import PowerAt, shared, turning
from tuyere.core.drive.path import Path, path_of
from tuyere.core.drive.route import Route, TakeUp
from tuyere.core.drive.strands import shaft_vectors, slips, strands_pulled, strands_set
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.tension.formulas import shaft_load_running, shaft_load_standing, slack_strand, tight_strand

SOME = settings(derandomize=True, deadline=None, max_examples=50)
V = 12.0


def loads_of(route: Route, kw: float) -> dict[str, float]:
    driven = [w.id for w in route.wheels if w.role == "driven"]
    return shared(route, kw, [PowerAt(wheel=i, power_kw=kw / len(driven)) for i in driven])


def solved_apart(path: Path, taken: dict[str, float], static: float) -> np.ndarray:
    """One row a wheel that is not the driver: what leaves it less what arrives; one row for the stretch that is kept."""
    n = len(path.spans)
    left, right = np.zeros((n, n)), np.zeros(n)
    for k, wrap in enumerate(path.wraps):
        if k:
            left[k, k], left[k, k - 1], right[k] = 1.0, -1.0, 1000 * taken[wrap.wheel.id] / V
    lengths = np.array([s.length_mm for s in path.spans])
    left[0], right[0] = lengths, static * lengths.sum()
    return np.linalg.solve(left, right)


@pytest.mark.outside("numpy linear solve of the same statics, written apart; 3 to 12 wheels")
@pytest.mark.parametrize("count", range(3, 13))
def test_tension_round_the_loop(count: int) -> None:
    for made in (ring, pressed):
        path = path_of(made(count, count))
        taken = loads_of(path.route, 5.5)
        mine = [s.tension_n for s in strands_set(path, taken, speed_m_s=V, static_n=900.0)]
        assert mine == pytest.approx(solved_apart(path, taken, 900.0), rel=1e-9)


@pytest.mark.outside(
    "statics of two wheels: strands share the pull equally about the static tension; hub loads by cosine rule"
)
@SOME
@given(
    d=st.floats(80, 400),
    D=st.floats(80, 900),
    gap=st.floats(60, 2000),
    kw=st.floats(0.5, 60),
    centrifugal=st.floats(0, 200),
)
def test_two_wheels_by_the_closed_formulas(d: float, D: float, gap: float, kw: float, centrifugal: float) -> None:
    route = Route.two(
        wheel("driver", "driver", d), wheel("driven", "driven", D), centre_mm=(d + D) / 2 + gap, angle_deg=33
    )
    path = path_of(route)
    pull = 1000 * kw / V
    static = pull + centrifugal + 50
    strands = strands_set(path, shared(route, kw), speed_m_s=V, static_n=static)
    by_side = {s.side: s.tension_n for s in strands}
    assert by_side["tight"] == pytest.approx(float(tight_strand(static, pull)), rel=1e-12)
    assert by_side["slack"] == pytest.approx(float(slack_strand(static, pull)), rel=1e-12)
    arc = min(w.arc_deg for w in path.wraps)
    still = shaft_vectors(path, {s.id: static for s in path.spans})
    assert [p.newtons for p in still] == pytest.approx([float(shaft_load_standing(1.0, static, arc))] * 2, rel=1e-9)
    turns = shaft_vectors(path, {s.id: s.tension_n for s in strands}, centrifugal)
    closed = float(shaft_load_running(1.0, by_side["tight"], by_side["slack"], centrifugal, arc))
    assert [p.newtons for p in turns] == pytest.approx([closed] * 2, rel=1e-9)


@pytest.mark.outside("Newton's third law: what a loop does to all its shafts together is nothing")
@SOME
@given(count=st.integers(3, 12), seed=st.integers(0, 9999), kw=st.floats(0.1, 30))
def test_all_shaft_loads_of_a_loop_cancel(count: int, seed: int, kw: float) -> None:
    path = path_of(pressed(count, seed))
    strands = strands_set(path, loads_of(path.route, kw), speed_m_s=V, static_n=4000.0)
    pulls = shaft_vectors(path, {s.id: s.tension_n for s in strands}, 120.0)
    size = max(p.newtons for p in pulls)
    assert sum(p.x_n for p in pulls) == pytest.approx(0, abs=1e-9 * size)
    assert sum(p.y_n for p in pulls) == pytest.approx(0, abs=1e-9 * size)


@pytest.mark.outside(
    "virtual work: a take-up moved by ds stretches the path by dL, so F ds = T dL at rest (numerical derivative)"
)
@pytest.mark.parametrize("seed", range(5))
@pytest.mark.parametrize("how", ["slide", "arm"])
def test_a_spring_holds_what_virtual_work_says(seed: int, how: str) -> None:
    route = pressed(5, seed)
    w = route.wheel("press")
    # The idler stands outside: its spring pulls inwards, towards the middle of the ring.
    far = (w.x_mm**2 + w.y_mm**2) ** 0.5
    inwards = (-w.x_mm / far, -w.y_mm / far)
    sprung = (
        TakeUp(wheel="press", slide=inwards, kind="spring", force_n=250.0)
        if how == "slide"
        else TakeUp(
            wheel="press", pivot=(w.x_mm + 300 * inwards[1], w.y_mm - 300 * inwards[0]), kind="spring", force_n=250.0
        )
    )
    route = Route(stops=route.stops, take_up=sprung)
    grows = (path_of(route.moved(1e-4)).length_mm - path_of(route.moved(-1e-4)).length_mm) / 2e-4
    path, rest = path_of(route), dict.fromkeys((w.id for w in route.wheels), 0.0)
    if grows < 1e-3:
        with pytest.raises(NoSolution):
            strands_pulled(path, rest, speed_m_s=V)
        return
    strands = strands_pulled(path, rest, speed_m_s=V)
    assert [s.tension_n for s in strands] == pytest.approx([250.0 / grows] * len(strands), rel=1e-5)


@pytest.mark.outside("scipy: the belt equation dT/dtheta = f (T - Tc), integrated over the contact")
@pytest.mark.parametrize(("tight", "friction"), [(900.0, 0.35), (1500.0, 0.5123), (700.0, 0.8)])
def test_a_wheel_slips_where_the_belt_equation_says(tight: float, friction: float) -> None:
    path = path_of(ring(3, 4))
    wrap = path.wraps[1]
    centrifugal = 60.0
    least = solve_ivp(
        lambda _, t: -friction * (t - centrifugal), (0, radians(wrap.arc_deg)), [tight], rtol=1e-10, atol=1e-10
    ).y[0, -1]
    power = (tight - least) * V / 1000
    taken = dict.fromkeys((w.id for w in path.route.wheels), 0.0) | {wrap.wheel.id: power, "driver": -power}
    level = strands_set(path, taken, speed_m_s=V, static_n=0.0)
    raised = strands_set(path, taken, speed_m_s=V, static_n=tight - max(s.tension_n for s in level))
    found = slips(path, raised, centrifugal_n=centrifugal, grip=lambda w: exp(friction * radians(w.arc_deg)))
    mine = next(s for s in found if s.wheel == wrap.wheel.id)
    assert mine.margin == pytest.approx(1.0, rel=1e-6)


@pytest.mark.outside("kinematics: all rims run with the loop; a wheel on the outside face turns the other way")
def test_every_wheel_turns_with_the_loop() -> None:
    route = pressed(5, 3)
    for t in turning(route, 1450.0):
        w = route.wheel(t.wheel)
        assert t.rpm * w.pitch_mm == pytest.approx(1450 * route.driver.pitch_mm, rel=1e-12)
        assert t.clockwise == (route.clockwise != (w.id == "press"))


@pytest.mark.parametrize(
    ("loads", "why"),
    [
        ((PowerAt(wheel="nobody", power_kw=3.0),), "no driven wheel"),
        ((PowerAt(wheel="driven-1", power_kw=2.0),), "do not make up"),
        ((PowerAt(wheel="driver", power_kw=3.0),), "no driven wheel"),
        ((), "several shafts"),
    ],
)
def test_powers_that_do_not_fit_the_shafts(loads: tuple[PowerAt, ...], why: str) -> None:
    with pytest.raises(InputError, match=why):
        shared(ring(5, 1), 3.0, loads)


def test_powers_sum_to_nothing_and_the_driver_gives_them() -> None:
    taken = loads_of(ring(8, 2), 11.0)
    assert sum(taken.values()) == pytest.approx(0, abs=1e-12) and taken["driver"] == pytest.approx(-11.0)


def test_a_drawing_of_any_path_knows_its_wheels_strands_and_distances_by_id() -> None:
    path = path_of(pressed(5, 2))
    strands = strands_set(path, loads_of(path.route, 4.0), speed_m_s=V, static_n=800.0)
    e = elevation_of(path, "any", thickness_mm=8.0, strands=strands)
    assert [w.id for w in e.wheels] == [w.id for w in path.route.wheels] and len(e.strands) == len(path.spans)
    assert {s.id for s in e.strands} == {f"{s.after}-{s.before}" for s in path.spans}
    assert {s.side for s in e.strands} == {"tight", "slack", "between"}
    assert [d.id for d in e.dimensions] == [f"driver-{w.id}" for w in path.route.wheels[1:]]
    for w in e.wheels:
        assert e.left <= w.x - w.outside_radius and w.x + w.outside_radius <= e.left + e.width
        assert e.bottom <= w.y - w.outside_radius and w.y + w.outside_radius <= e.bottom + e.height
    plain = elevation_of(path, "any", thickness_mm=8.0)
    assert [s.side for s in plain.strands].count("tight") == 1
