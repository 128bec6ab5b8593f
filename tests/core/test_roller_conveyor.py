"""A belt pressed against the rollers of a conveyor: its way by outlines, its pull by integration, the goods' sense by mechanics."""

from __future__ import annotations

from math import radians

import pytest
from scipy.integrate import solve_ivp
from shapely import LineString, Point

from tuyere.core.drive.guides import outline_of
from tuyere.core.errors import InputError
from tuyere.core.flat.roller_conveyor import (
    MARGIN,
    Conveyor,
    conveyor_route,
    head_tension,
    pull_of_roller,
    rollers_power,
    tail_tension,
    work_conveyor,
)


def conveyor(**other: float) -> Conveyor:
    said: dict[str, float] = {
        "rollers": 6,
        "pitch_mm": 150.0,
        "roller_mm": 48.0,
        "snub_mm": 50.0,
        "pressed_mm": 6.0,
        "driver_mm": 100.0,
        "tail_mm": 100.0,
        "thickness_mm": 9.0,
    } | other
    return Conveyor(**{**said, "rollers": int(said["rollers"])})


@pytest.mark.outside(
    "scipy: the belt equation integrated round a roller's arc; what the belt loses there turns the roller"
)
@pytest.mark.parametrize("mu", [0.2, 0.3, 0.45])
@pytest.mark.parametrize("arc", [3.0, 6.0, 12.0])
def test_the_tail_tension_just_turns_the_first_roller(mu: float, arc: float) -> None:
    pull = 6.0
    tail = float(tail_tension(1.0, pull, mu, arc))
    found = solve_ivp(lambda _t, y: mu * y, (0, radians(arc)), [tail], rtol=1e-11, atol=1e-11).y[0, -1]
    assert found - tail == pytest.approx(pull, rel=1e-8)


@pytest.mark.outside(
    "shapely: the belt's line as corners, its length; it lies on every roller from below and under every snub from above"
)
@pytest.mark.parametrize("rollers", [2, 4, 9, 20])
@pytest.mark.parametrize("pressed", [3.0, 8.0])
def test_the_way_is_the_length_of_its_outline(rollers: int, pressed: float) -> None:
    c = conveyor(rollers=rollers, pressed_mm=pressed)
    worked = work_conveyor(c, load_n=100, speed_m_s=0.6)
    corners = outline_of(worked.path, 0.05)
    line = LineString([*corners, corners[0]])
    assert worked.path.length_mm == pytest.approx(line.length, rel=1e-5)
    for stop in worked.path.route.stops:
        w = stop.wheel
        gap = line.distance(Point(w.x_mm, w.y_mm)) - w.outside_mm / 2
        # The rollers lie on the belt's outside, a thickness from its inside line; all others touch that line.
        assert gap == pytest.approx(c.thickness_mm if stop.side == "outside" else 0.0, abs=0.02)


@pytest.mark.outside(
    "mechanics: a roller on the belt turns the other way than the driver, so the goods on top run against the belt"
)
def test_the_goods_run_against_the_belt() -> None:
    route = conveyor_route(conveyor())
    turns = dict(zip([w.id for w in route.wheels], route.turns, strict=True))
    assert {turns[f"roller {k}"] for k in range(1, 7)} == {-turns["driver"]} == {-turns["tail"]}
    # The belt reaches the driver from the rollers: that side is pulled.
    assert [w.id for w in route.wheels][-1] == "roller 6"


@pytest.mark.outside(
    "energy: what all rollers take at their rims is what the tensions differ by, times the belt's speed"
)
@pytest.mark.parametrize("load", [50.0, 200.0])
def test_power_is_the_difference_of_the_tensions(load: float) -> None:
    worked = work_conveyor(conveyor(), load_n=load, speed_m_s=0.75)
    assert worked.power_kw == pytest.approx((worked.head_n - worked.tail_n) * 0.75 / 1000)
    assert worked.power_kw == pytest.approx(6 * load * 0.05 * 0.75 / 1000)
    assert float(rollers_power(6, pull_of_roller(load, 0.05), 0.75)) == pytest.approx(worked.power_kw)
    assert float(head_tension(100, 6, 5)) == pytest.approx(130)


def test_more_pressing_asks_for_less_tension_and_a_little_more_belt() -> None:
    light, deep = (work_conveyor(conveyor(pressed_mm=p), load_n=100, speed_m_s=0.6) for p in (4.0, 8.0))
    assert deep.tail_n < light.tail_n and deep.path.length_mm > light.path.length_mm
    assert light.tail_n / MARGIN == pytest.approx(float(tail_tension(1.0, 5.0, 0.3, light.roller_arc_deg)))


@pytest.mark.parametrize(
    ("field", "said"),
    [("rollers", {"rollers": 1}), ("roller_diameter", {"roller_mm": 160.0}), ("pressed", {"pressed_mm": 0.0})],
)
def test_what_is_no_conveyor_is_refused(field: str, said: dict[str, float]) -> None:
    with pytest.raises(InputError) as refused:
        work_conveyor(conveyor(**said), load_n=100, speed_m_s=0.6)
    assert refused.value.field == field
