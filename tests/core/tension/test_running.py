"""A running drive's slip, heat and current, against other workings of the same."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import solve_ivp
from scipy.optimize import brentq

from tests.core.tension.test_ends import HOLD
from tuyere.core.motors.formulas import current_at_load
from tuyere.core.tension.running import CREEP_PERCENT, running_of
from tuyere.core.tension.running_formulas import (
    grip_used,
    power_of_slip,
    slip_running,
    speed_with_slip,
    warmer_than_air,
)

SOME = settings(derandomize=True, deadline=None, max_examples=80)


@pytest.mark.outside("belt equation (Euler, Eytelwein) put as two strands and solved for the tension at which it slips")
@SOME
@given(pull=st.floats(20, 900), ratio=st.floats(1.5, 8), hoop=st.floats(0, 120))
def test_the_whole_grip_is_used_where_the_belt_equation_says_so(pull: float, ratio: float, hoop: float) -> None:
    def gap(mean: float) -> float:
        tight, slack = mean + pull / 2, mean - pull / 2
        return (tight - hoop) - ratio * (slack - hoop)

    mean = brentq(gap, hoop + pull / 2, hoop + 100 * pull)
    assert grip_used(pull, ratio, mean, hoop) == pytest.approx(1, rel=1e-9)


@pytest.mark.outside("V-belts creep and slip by 1 to 2 percent at full load when set right; common practice, no source")
def test_a_drive_set_right_slips_by_a_percent_or_so() -> None:
    right = running_of(HOLD, [250.0] * 4, load=1.0, free_rpm=700.0, wheel_mm=137.0)
    assert 0.2 < right.slip_percent < 2 and right.grip_used < 1
    assert right.driven_rpm == pytest.approx(700 * (1 - right.slip_percent / 100))
    assert right.warmer_k < 40


@SOME
@given(tension=st.floats(60, 600), more=st.floats(1.01, 3), load=st.floats(0.05, 1.4))
def test_more_tension_never_slips_more_and_more_load_never_less(tension: float, more: float, load: float) -> None:
    def slip(t: float, x: float) -> float:
        return running_of(HOLD, [t] * 4, load=x, free_rpm=700.0, wheel_mm=137.0).slip_percent

    assert slip(tension * more, load) <= slip(tension, load) <= slip(tension, load * more)


def test_teeth_and_an_idle_drive_do_not_slip() -> None:
    for hold, load in ((replace(HOLD, grip_ratio=float("inf")), 1.0), (HOLD, 0.0)):
        still = running_of(hold, [10.0] * 4, load=load, free_rpm=700.0, wheel_mm=137.0)
        assert (still.slip_percent, still.driven_rpm, still.warmer_k) == (0.0, 700.0, 0.0)


@pytest.mark.outside("slip past the grip by plain words: creep at full grip, and sixty percent for each grip more")
def test_slip_past_the_grip() -> None:
    assert slip_running(CREEP_PERCENT, 60.0, 1.0) == pytest.approx(1.2)
    assert slip_running(CREEP_PERCENT, 60.0, 1.1) == pytest.approx(1.32 + 6.0)


@pytest.mark.outside(
    "slip by its definition, as a mechanic works it from two tachometer readings: what is missing over what should be"
)
@pytest.mark.parametrize(("free", "reads"), [(700.0, 686.0), (1750.0, 1715.0), (220.0, 209.0)])
def test_slip_is_what_is_missing_over_what_should_be(free: float, reads: float) -> None:
    assert speed_with_slip(free, 100 * (free - reads) / free) == pytest.approx(reads)


@pytest.mark.outside("a body of any heat capacity, heated and cooled, integrated by scipy until nothing changes")
@pytest.mark.parametrize(("kw", "slip", "area"), [(11.0, 1.5, 0.05), (2.2, 4.0, 0.02), (45.0, 0.8, 0.3)])
def test_warmth_is_where_heating_and_cooling_agree(kw: float, slip: float, area: float) -> None:
    watts, h = 1000 * kw * slip / 100, 45.0
    end = solve_ivp(lambda _, y: (watts - h * area * y) / 400.0, (0, 20_000 / (h * area)), [0.0], rtol=1e-8).y[0][-1]
    assert warmer_than_air(power_of_slip(kw, slip), h, area) == pytest.approx(end, rel=1e-4)


@pytest.mark.outside("phasors: the magnetising current lags a quarter turn behind the part that goes with the load")
@pytest.mark.parametrize("share", [0.0, 0.25, 0.5, 1.0, 1.15])
def test_current_by_phasors(share: float) -> None:
    magnetising, full = 7.0, 20.0
    active = np.sqrt(full**2 - magnetising**2)
    assert current_at_load(magnetising, full, share) == pytest.approx(abs(share * active - 1j * magnetising))
