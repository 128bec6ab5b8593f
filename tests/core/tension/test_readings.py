"""Readings of tension against a string solved with stretch and stiffness, eigenvalues, and facts of the trade."""

from __future__ import annotations

from math import pi, radians, sin

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.constants import inch, lbf
from scipy.integrate import solve_bvp
from scipy.linalg import eigh_tridiagonal
from scipy.optimize import brentq

from tuyere.core.errors import InputError
from tuyere.core.tension.reading_formulas import (
    force_for_tension,
    idler_of_tension,
    pull_of_idler,
    stretch_stiffness,
    tension_of_force,
)
from tuyere.core.tension.readings import (
    AsTension,
    by_clip,
    by_force,
    by_frequency,
    by_pull,
    by_stretch,
    contradict,
    gauge_for,
    plucks_of,
    set_of,
)

SOME = settings(derandomize=True, deadline=None, max_examples=120)
IN = 1000 * inch


def gauge_force(tension: float, q: float, span: float, *, ea: float, share: float, ei: float = 0.0) -> float:
    """Force that presses an elastic, slightly stiff belt in at mid-span: half the span by scipy's boundary-value solver.

    N and mm; ends pinned. The tension rises by what the belt's own lengthening stretches.
    """
    half = span / 2

    def solved(pull: float) -> tuple[float, float]:
        """(force, length gained) for a running tension that is ``pull``."""
        if ei == 0:
            slope = q / half
            return 2 * pull * slope, 2 * (np.hypot(half, q) - half)

        # y'' = (M)/EI with M = pull*y - F/2*x for pinned ends; unknown F by the deflection at the middle.
        def rhs(x, y, p):
            return np.vstack([y[1], (pull * y[0] - p[0] / 2 * x) / ei])

        def ends(a, b, p):
            return np.array([a[0], b[1], b[0] - q])

        x = np.linspace(0, half, 41)
        guess = np.vstack([q * x / half, np.full_like(x, q / half)])
        s = solve_bvp(rhs, ends, x, guess, p=[4 * pull * q / span], tol=1e-8, max_nodes=20000)
        assert s.success
        xs = np.linspace(0, half, 400)
        return float(s.p[0]), float(2 * np.trapezoid(s.sol(xs)[1] ** 2 / 2, xs))

    if ea == 0:
        return solved(tension)[0]
    pull = brentq(lambda t: t - tension - ea * solved(t)[1] / share, tension, tension * 5 + ea * 0.01)
    return solved(pull)[0]


BELTS = [  # tension N, span mm, EA N, whole belt shares
    (200.0, 400.0, 55e3, False),
    (350.0, 868.0, 82e3, False),
    (150.0, 600.0, 30e3, True),
    (600.0, 1200.0, 150e3, False),
    (90.0, 300.0, 25e3, False),
    (1200.0, 1800.0, 270e3, True),
]


@pytest.mark.outside("scipy BVP: an elastic string pressed at mid-span, whatever tension, span and stretch")
@pytest.mark.parametrize(("tension", "span", "ea", "whole"), BELTS)
@pytest.mark.parametrize("part", [48, 64, 96])
def test_a_plunger_reading_gives_the_tension_back(
    tension: float, span: float, ea: float, whole: bool, part: int
) -> None:
    share = 3 * span if whole else span
    q = span / part
    force = gauge_force(tension, q, span, ea=ea, share=share)
    read = by_force(force, q, span_mm=span, stiffness_n=ea, share_mm=share)
    assert read.tension_n == pytest.approx(tension, rel=4e-3)
    assert force_for_tension(tension, q, span, ea, share) == pytest.approx(force, rel=3e-3)


@pytest.mark.outside(
    "scipy BVP and the closed form of a stiff string, F L/4T (1 - tanh k/k): a short stiff span reads high"
)
@pytest.mark.parametrize("span", [250.0, 500.0, 1000.0])
def test_bending_makes_it_read_high(span: float) -> None:
    ei, tension, q = 2e5, 300.0, span / 64  # about a B belt, N mm2
    force = gauge_force(tension, q, span, ea=0.0, share=span, ei=ei)
    k = span / 2 * np.sqrt(tension / ei)
    assert force == pytest.approx(4 * tension * q / span / (1 - np.tanh(k) / k), rel=1e-4)
    over = by_force(force, q, span_mm=span, stiffness_n=0.0, share_mm=span).tension_n / tension - 1
    # It falls as the span grows: under a third at 10 in, under a fifteenth at 40 in.
    assert 0 < over < 75 / span


@pytest.mark.outside(
    "derived: 4 T q = F t, the tensions that rules of thumb imply (ten rows of a published comparison, recomputed)"
)
@pytest.mark.parametrize(
    ("span", "thumb", "deep", "tension"),
    [
        (10, 8, 0.25, 80),
        (10, 8, 0.5, 40),
        (10, 8, 1.0, 20),
        (20, 8, 0.5, 80),
        (20, 8, 1.0, 40),
        (30, 8, 1.0, 60),
        (30, 8, 0.25, 240),
        (40, 8, 1.0, 80),
        (40, 5, 1.0, 50),
        (40, 15, 1.0, 150),
    ],
)
def test_what_a_thumb_means(span: float, thumb: float, deep: float, tension: float) -> None:
    read = tension_of_force(thumb * lbf, deep * IN, span * IN, 0.0, span * IN)
    assert read / lbf == pytest.approx(tension, rel=1e-9)


@pytest.mark.outside(
    "common practice: deflection 1/64 in an inch of span is 1/4 in at 16 in, 1/2 in at 32 in, 1 in at 64 in; T = 16 F"
)
@pytest.mark.parametrize("span", [16, 32, 64])
def test_sixteen_times_the_force(span: float) -> None:
    read = by_force(10 * lbf, span / 64 * IN, span_mm=span * IN, stiffness_n=0.0, share_mm=span * IN)
    assert read.tension_n == pytest.approx(160 * lbf)


@pytest.mark.outside("scipy: eigenvalues of the discretised string")
@pytest.mark.parametrize(
    ("tension", "mass", "span"), [(300.0, 0.19, 500.0), (80.0, 0.06, 250.0), (900.0, 0.62, 1400.0), (150.0, 0.1, 700.0)]
)
def test_the_note_gives_the_tension_back(tension: float, mass: float, span: float) -> None:
    n = 800
    h = span / 1000 / n
    low = eigh_tridiagonal(np.full(n - 1, 2.0), np.full(n - 2, -1.0), select="i", select_range=(0, 0))[0][0]
    note = np.sqrt(low * tension / mass) / h / (2 * pi)
    read = by_frequency(float(note), span_mm=span, mass_kg_m=mass)
    assert read.tension_n == pytest.approx(tension, rel=1e-5)


@pytest.mark.outside("T = 4 w t2 f2 / 32.17 in pounds and feet, as handbooks print it")
@pytest.mark.parametrize(("lb_ft", "feet", "hertz"), [(0.065, 1.6667, 40.0), (0.128, 2.85, 23.0)])
def test_the_note_in_pounds_and_feet(lb_ft: float, feet: float, hertz: float) -> None:
    read = by_frequency(hertz, span_mm=feet * 304.8, mass_kg_m=lb_ft * 0.45359237 / 0.3048)
    assert read.tension_n / lbf == pytest.approx(4 * lb_ft * feet**2 * hertz**2 / 32.174, rel=1e-4)


@pytest.mark.outside("NumPy: the strands on an idler added as vectors, and moments about the arm's pivot")
@pytest.mark.parametrize(("turn", "off", "belts"), [(40.0, 0.0, 1), (70.0, 15.0, 2), (120.0, -25.0, 3)])
def test_pull_at_a_lever(turn: float, off: float, belts: int) -> None:
    tension, grip, idler = 220.0, 400.0, 150.0
    # Two strands of equal pull leave the idler at half the turn on either side of its bisector.
    a = np.radians(turn / 2)
    push = belts * tension * (np.array([np.cos(a), np.sin(a)]) + np.array([-np.cos(a), np.sin(a)]))
    size = np.linalg.norm(push)
    arm = np.array([0.0, 0.0, 0.0])
    at = np.array([idler, 0.0, 0.0])
    force = size * np.array([np.sin(np.radians(off)), np.cos(np.radians(off)), 0.0])
    moment = np.cross(at - arm, force)[2]
    read = by_pull(moment / grip, grip_mm=grip, idler_mm=idler, turn_deg=turn, off_deg=off, belts=belts)
    assert read.tension_n == pytest.approx(tension, rel=1e-9)
    assert pull_of_idler(idler_of_tension(tension, turn, float(belts)), grip, idler, off) == pytest.approx(
        moment / grip
    )
    assert idler_of_tension(tension, turn, 1.0) == pytest.approx(2 * tension * sin(radians(turn) / 2))


@pytest.mark.outside("Hooke's law; Y = EA/2048 of the deflection method")
def test_marks_on_the_belt() -> None:
    ea = float(stretch_stiffness(9.0))
    assert ea / lbf == pytest.approx(2048 * 9.0)
    assert by_stretch(1000.0, 1004.0, stiffness_n=ea).tension_n == pytest.approx(0.004 * ea)


@pytest.mark.outside("Monte Carlo: 20,000 readings with the table's errors")
@pytest.mark.parametrize("way", ["plunger", "frequency"])
def test_the_stated_error_is_the_scatter(way: str) -> None:
    luck = np.random.default_rng(3)
    n = 20000
    span = luck.normal(600, 3, n)
    if way == "plunger":
        force, q = luck.normal(20, 0.8, n), luck.normal(9.5, 0.4, n)
        scatter = np.std(tension_of_force(force, q, span, 5e4, 600.0))
        stated = by_force(20, 9.5, span_mm=600, stiffness_n=5e4, share_mm=600).error_n
    else:
        scatter = np.std(4 * 0.17 * (span / 1000) ** 2 * luck.normal(35, 0.35, n) ** 2)
        stated = by_frequency(35, span_mm=600, mass_kg_m=0.17).error_n
    assert stated == pytest.approx(scatter, rel=0.05)


@pytest.mark.outside("common practice: single gauge 0 to 35 lbf and 1 in of width, double 66 and 3, triple 99 and 5")
@pytest.mark.parametrize(
    ("force", "width", "name"),
    [
        (10, 0.66, "single"),
        (36, 0.66, "double"),
        (10, 2.0, "double"),
        (70, 1.0, "triple"),
        (30, 4.5, "triple"),
        (120, 1.0, None),
        (10, 6, None),
    ],
)
def test_which_gauge(force: float, width: float, name: str | None) -> None:
    found = gauge_for(force * lbf, width * IN)
    assert (found.name if found else None) == name


def test_a_set_names_its_odd_belt() -> None:
    assert set_of([200, 205, 120, 198]).odd == 3 and set_of([200, 205, 120, 198]).odd_is_slack
    tight = set_of([200, 205, 300, 198])
    assert tight.odd == 3 and not tight.odd_is_slack
    assert set_of([200, 205, 210]).odd is None and set_of([200]).odd is None
    assert set_of([200, 100, 205, 110]).odd is None  # two of four: no one of them is the odd one
    assert set_of([200, 120]).odd == 2


def test_plucks_that_rang_an_octave_high_are_left_out() -> None:
    p = plucks_of([41.0, 82.3, 40.6])
    assert p.middle_hz == pytest.approx(40.8) and p.left_out == ((2, "rang at 2 times the note"),)
    assert plucks_of([40.0, 80.0]).middle_hz == 40.0  # one against one: a string rings above its note, never below
    assert plucks_of([40.0, 40.5, 55.0]).left_out == ((3, "off the others"),)
    with pytest.raises(InputError, match="no two"):
        plucks_of([30.0, 40.0, 55.0])


def test_what_cannot_be_read_is_refused() -> None:
    for call, field in [
        (lambda: by_force(5.0, 200.0, span_mm=600, stiffness_n=0, share_mm=600), "deflection"),
        (lambda: by_force(0.5, 10.0, span_mm=600, stiffness_n=9e4, share_mm=600), "force"),
        (lambda: by_frequency(3.0, span_mm=600, mass_kg_m=0.1), "frequency"),
        (lambda: by_frequency(900.0, span_mm=600, mass_kg_m=0.1), "frequency"),
        (lambda: by_stretch(1000.0, 999.0, stiffness_n=1e4), "marks_tight"),
        (lambda: by_pull(50, grip_mm=1, idler_mm=1, turn_deg=0, off_deg=0, belts=1), "turn"),
        (lambda: set_of([]), "readings"),
        (lambda: plucks_of([]), "plucks"),
        (lambda: plucks_of([-1.0]), "plucks"),
    ]:
        with pytest.raises(InputError) as e:
            call()
        assert e.value.field == field


@SOME
@given(
    tension=st.floats(20, 2000),
    span=st.floats(150, 2500),
    ea=st.floats(0, 3e5),
    part=st.floats(40, 100),
)
def test_force_and_tension_are_each_others_inverse(tension: float, span: float, ea: float, part: float) -> None:
    force = force_for_tension(tension, span / part, span, ea, span)
    assert tension_of_force(force, span / part, span, ea, span) == pytest.approx(tension, rel=1e-9)
    # More tension is always more force; more stiffness too.
    assert force_for_tension(1.1 * tension, span / part, span, ea, span) > force
    assert force_for_tension(tension, span / part, span, ea + 1000, span) > force


def test_two_ways_that_cannot_both_be_right() -> None:
    assert contradict(AsTension(tension_n=200, error_n=8), AsTension(tension_n=260, error_n=10))
    assert not contradict(AsTension(tension_n=200, error_n=8), by_clip(215.0))
