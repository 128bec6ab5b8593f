"""Tension, deflection force, frequency and shaft loads against published examples and plain mechanics."""

from __future__ import annotations

from math import exp

import numpy as np
import pytest
from scipy.constants import foot, hp, lbf, minute, pound
from scipy.integrate import solve_ivp
from scipy.linalg import eigh_tridiagonal
from scipy.optimize import brentq

from tests.core.conftest import published
from tuyere.core.tension.formulas import (
    arc_factor_closed,
    belt_mass,
    centrifugal_newtons,
    centrifugal_tension,
    deflection,
    deflection_force,
    deflection_inches,
    deflection_newtons,
    design_horsepower,
    net_pull,
    shaft_load_running,
    shaft_load_standing,
    slack_strand,
    slip_limit,
    span_frequency,
    span_inches,
    speed_in_feet,
    static_tension,
    static_tension_by_statics,
    static_tension_newtons,
    tension_ratio_limit,
    tension_to_set,
    tight_strand,
)
from tuyere.core.v_belt.sections import sections
from tuyere.core.v_belt.setting import plan_tension

EXAMPLES = published("tension/examples.toml")
B112 = published("shigley/v_belt_b112.toml")
SOURCE = EXAMPLES["source"]
BY_ID = {e["id"]: e for e in EXAMPLES["example"]}


def _worked(e: dict) -> dict[str, float]:
    hp_kw = hp / 1000
    v = e["V"] * foot / minute
    # The forms take the design power; a duty of two thirds of it keeps the floor of the slip limit out of the way.
    plan = plan_tension(
        e["K_c"],
        e["Y"],
        power_kw=e["design_hp"] * hp_kw / 1.5,
        design_kw=e["design_hp"] * hp_kw,
        belts=e["belts"],
        speed_m_s=v,
        arc_deg=e["arc"],
        span_mm=e["span"] * 25.4,
        length_mm=e["length"] * 25.4,
    )
    return {
        "G": float(arc_factor_closed(e["arc"])),
        "F_c": float(centrifugal_tension(e["K_c"], e["V"])),
        "T_st": plan.static_n / lbf,
        "T_statics": plan.statics_n / lbf,
        "P_min": plan.run_in[0].force_n / lbf,
        "P_max": plan.new[1].force_n / lbf,
        "f": plan.run_in[0].frequency_hz,
        "hub": plan.shaft_load_standing_n / lbf,
        "hub_new": plan.shaft_load_standing_new_n / lbf,
    }


@pytest.mark.outside(SOURCE)
@pytest.mark.parametrize("what", ["G", "F_c", "T_st", "T_statics", "P_min", "P_max", "f", "hub", "hub_new"])
@pytest.mark.parametrize("name", list(BY_ID))
def test_published_tension_method(name: str, what: str) -> None:
    assert _worked(BY_ID[name])[what] == pytest.approx(BY_ID[name][what], rel=4e-4)


@pytest.mark.outside(B112["source"])
@pytest.mark.parametrize(
    "what", ["exp_f_theta", "F_c_lbf", "delta_F_lbf", "F_i_lbf", "F1_lbf", "F2_lbf", "speed_ft_min"]
)
def test_b112_tensions(what: str) -> None:
    printed, half_digit = B112["printed"][what]
    arc, n_b, v_fpm = 175.135, 3, 3390.3
    ratio = float(tension_ratio_limit(0.5123, arc))
    v = v_fpm * foot / minute
    pull = float(net_pull(13 * hp / 1000, v, n_b))
    t_c = float(centrifugal_newtons(centrifugal_tension(0.965, v_fpm)))
    # The book's F_i leaves the centrifugal part out; on fixed centres the belt stands with F_i + F_c.
    standing = float(slip_limit(pull, ratio, t_c))
    mine = {
        "exp_f_theta": ratio,
        "F_c_lbf": t_c / lbf,
        "delta_F_lbf": pull / lbf,
        "F_i_lbf": (standing - t_c) / lbf,
        "F1_lbf": float(tight_strand(standing, pull)) / lbf,
        "F2_lbf": float(slack_strand(standing, pull)) / lbf,
        "speed_ft_min": float(speed_in_feet(np.pi * 7.4 * 25.4e-3 * 1750 / 60)),
    }
    assert mine[what] == pytest.approx(printed, abs=half_digit)


@pytest.mark.outside("scipy: numerical integration of the belt equation dT = f T d(theta)")
@pytest.mark.parametrize("arc", [90.0, 135.0, 175.0, 220.0])
def test_tension_ratio_is_the_integrated_belt_equation(arc: float) -> None:
    run = solve_ivp(lambda _, t: 0.5123 * t, (0, np.radians(arc)), [1.0], rtol=1e-10, atol=1e-12)
    assert tension_ratio_limit(0.5123, arc) == pytest.approx(run.y[0, -1], rel=1e-7)


@pytest.mark.outside("scipy: elastic string pressed at mid-span, solved exactly")
@pytest.mark.parametrize(("tension", "span", "share"), [(80.0, 24.0, 24.0), (40.0, 16.0, 50.0), (150.0, 48.0, 48.0)])
def test_deflection_force_is_the_exact_elastic_string(tension: float, span: float, share: float) -> None:
    y = 9.0
    stiffness, q = 2048 * y, span / 64
    leg = np.hypot(span / 2, q)
    raised = tension + stiffness * (2 * leg - span) / share
    exact = 2 * raised * q / leg
    assert deflection_force(tension, q, span, y, share) == pytest.approx(exact, rel=1e-3)


@pytest.mark.outside("independent calculation: B belt of 24 in span, 80 lbf, elastic string")
def test_deflection_example() -> None:
    assert deflection_force(80.0, 0.375, 24.0, 9.0, 24.0) == pytest.approx(5.55965, rel=6e-4)


@pytest.mark.outside("scipy: eigenvalue of the discretised string")
@pytest.mark.parametrize(("tension", "mass", "span"), [(300.0, 0.19, 500.0), (228.6, 0.1663, 867.6)])
def test_frequency_is_the_eigenvalue_of_a_string(tension: float, mass: float, span: float) -> None:
    n = 800
    h = span / 1000 / n
    low = eigh_tridiagonal(np.full(n - 1, 2.0), np.full(n - 2, -1.0), select="i", select_range=(0, 0))[0][0]
    numeric = np.sqrt(low * tension / mass) / h / (2 * np.pi)
    assert span_frequency(span, tension, mass) == pytest.approx(numeric, rel=1e-5)


@pytest.mark.outside("independent calculation: A belt, 20 in span, 40 Hz is 159.711 N")
def test_frequency_example() -> None:
    assert span_frequency(508.0, 159.711, 0.0967) == pytest.approx(40, abs=0.005)


@pytest.mark.outside("NumPy: sum of the two strand forces as vectors")
@pytest.mark.parametrize("arc", [110.0, 150.0, 180.0])
def test_hub_loads_are_vector_sums(arc: float) -> None:
    lean = np.radians(180 - arc) / 2
    tight, slack = np.array([np.cos(lean), np.sin(lean)]), np.array([np.cos(lean), -np.sin(lean)])
    assert shaft_load_running(3, 340.0, 117.0, 26.0, arc) == pytest.approx(
        3 * np.linalg.norm(314 * tight + 91 * slack), rel=1e-12
    )
    assert shaft_load_standing(3, 228.0, arc) == pytest.approx(3 * np.linalg.norm(228 * tight + 228 * slack), rel=1e-12)


@pytest.mark.outside("derivation: the slip limit at design power is the statics form of the static tension")
@pytest.mark.parametrize("arc", [120.0, 160.0, 180.0])
def test_slip_limit_agrees_with_the_statics_form(arc: float) -> None:
    g, power, v, belts = arc_factor_closed(arc), 15.0, 3000.0, 3
    t_c = centrifugal_tension(0.965, v)
    statics = static_tension_by_statics(g, power, belts, v, t_c)
    pull = net_pull(power * hp / 1000, v * foot / minute, belts)
    # 16.5 is 33000 / 2 / 1000; both forms take 5 : 1 at 180 degrees.
    limit = slip_limit(pull, tension_ratio_limit(0.5123, arc), centrifugal_newtons(t_c))
    assert static_tension_newtons(statics) == pytest.approx(limit, rel=3e-4)
    assert static_tension(g, power, belts, v, 0.0) / static_tension_by_statics(
        g, power, belts, v, 0.0
    ) == pytest.approx(15 / 16.5)


@pytest.mark.outside("facts of the trade: rubber and cord weigh 1.0 to 1.5 g/cm3")
@pytest.mark.parametrize(
    "name", ["A", "B", "C", "D", "E", "5V", "8V", "3VX", "Z", "SPZ", "SPA", "SPB", "SPC", "3L", "4L", "5L"]
)
def test_belt_mass_is_that_of_rubber_and_cord(name: str) -> None:
    s = sections()[name]
    area_cm2 = (s.top_width_mm - s.depth_mm * np.tan(np.radians(20))) * s.depth_mm / 100
    assert 1.0 < float(belt_mass(s.K_c)) * 10 / area_cm2 < 1.5


@pytest.mark.outside("definition of centrifugal tension m v^2, scipy constants")
@pytest.mark.parametrize("name", ["A", "C", "8V"])
def test_mass_and_centrifugal_tension_belong_together(name: str) -> None:
    k_c, v_fpm = sections()[name].K_c, 4000.0
    v = v_fpm * foot / minute
    assert centrifugal_newtons(centrifugal_tension(k_c, v_fpm)) == pytest.approx(float(belt_mass(k_c)) * v**2, rel=1e-4)


@pytest.mark.outside("scipy constants: hp, lbf, foot, pound")
def test_unit_factors() -> None:
    assert design_horsepower(hp / 1000) == pytest.approx(1, rel=1e-12)
    assert static_tension_newtons(1.0) == pytest.approx(lbf, rel=1e-12)
    assert deflection_newtons(1.0) == pytest.approx(lbf, rel=1e-12)
    assert speed_in_feet(foot / minute) == pytest.approx(1, rel=1e-12)
    assert span_inches(foot * 1000) == pytest.approx(12, rel=1e-12)
    assert deflection_inches(25.4) == pytest.approx(1, rel=1e-12)
    assert belt_mass(1.0) == pytest.approx(32.174 * 0.0036 * pound / foot, rel=1e-9)


@pytest.mark.outside("published rule: 1/64 in per inch of span, 1/4 in at 16 in (common practice)")
@pytest.mark.parametrize(("span", "press"), [(16, 0.25), (32, 0.5), (64, 1.0)])
def test_deflection_rule(span: float, press: float) -> None:
    assert deflection(span * 25.4) == pytest.approx(press * 25.4)
    assert tension_to_set(1.5, 40.0) == 60.0


def _plan(power: float = 11.2, belts: int = 4, mark: float | None = None):  # noqa: ANN202
    return plan_tension(
        0.965,
        9.0,
        power_kw=power,
        design_kw=power * 1.3,
        belts=belts,
        speed_m_s=12.57,
        arc_deg=173.3,
        span_mm=867.6,
        length_mm=2331.7,
        tape_mark_mm=mark,
    )


def test_properties_of_a_plan() -> None:
    plan, more = _plan(), _plan(22.4)
    assert more.static_n > plan.static_n and more.shaft_load_running_n > plan.shaft_load_running_n
    assert plan.slip_duty_n < plan.static_n < plan.new[0].tension_n < plan.new[1].tension_n
    assert plan.tight_n - plan.slack_n == pytest.approx(1000 * 11.2 / 12.57 / 4)
    assert (plan.tight_n + plan.slack_n) / 2 == pytest.approx(plan.static_n)
    assert plan.run_in[1].force_n == plan.new[0].force_n
    # A rounded deflection changes the force in proportion, near enough, and the tension not at all.
    marked = _plan(mark=25.4 / 8)
    assert marked.deflection_set_mm == pytest.approx(25.4 / 2)
    assert marked.new[0].force_n / plan.new[0].force_n == pytest.approx(12.7 / plan.deflection_mm, rel=0.02)
    assert marked.static_n == plan.static_n
    # One belt alone stretches along its whole length: it presses in more easily.
    single = brentq(lambda t: deflection_force(t, 0.5, 32, 9, 32) - 5, 1, 500)
    assert deflection_force(single, 0.5, 32, 9, 90) < 5
    assert tension_ratio_limit(0.5123, 180) == pytest.approx(exp(0.5123 * np.pi))
