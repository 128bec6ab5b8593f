"""Trends and lives against scipy, published lives, and simulation."""

from __future__ import annotations

from math import inf

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from lifelines import WeibullFitter, datasets
from scipy.stats import theilslopes, weibull_min

from tuyere.core.errors import InputError
from tuyere.core.upkeep.life import life_of, log_likelihood
from tuyere.core.upkeep.trend import crossing_of, theil_sen, trend_of

SOME = settings(derandomize=True, deadline=None, max_examples=50)
DAYS = st.lists(st.floats(0, 900), min_size=4, max_size=12, unique=True).map(sorted)


@pytest.mark.outside("scipy.stats.theilslopes")
@SOME
@given(days=DAYS, seed=st.integers(0, 999))
def test_the_line_is_scipys(days: list[float], seed: int) -> None:
    values = np.random.default_rng(seed).normal(50, 5, len(days))
    x = np.array(days)
    if (np.diff(x) < 1e-6).any():
        return
    theirs = theilslopes(values, x, method="joint")
    slope, zero = theil_sen(x, values)
    assert slope == pytest.approx(theirs.slope, rel=1e-9, abs=1e-12)
    assert zero == pytest.approx(theirs.intercept, rel=1e-9, abs=1e-9)


@pytest.mark.outside("simulation of a known line: the interval holds the true slope in about nine of ten")
def test_the_interval_holds_the_truth_about_as_often_as_it_says() -> None:
    held = 0
    for seed in range(120):
        luck = np.random.default_rng(seed)
        days = np.sort(luck.uniform(0, 400, 8))
        found = trend_of(list(days), list(60 - 0.05 * days + luck.normal(0, 1.5, 8)))
        held += found.per_day_low <= -0.05 <= found.per_day_high
    assert 0.8 <= held / 120 <= 1.0


def test_one_wild_reading_does_not_turn_the_line_and_a_flat_one_never_crosses() -> None:
    days = [0.0, 30, 60, 90, 120, 150]
    straight = [60.0, 59, 58, 57, 56, 55]
    wild = [60.0, 59, 90, 57, 56, 55]
    assert trend_of(days, wild).per_day == pytest.approx(trend_of(days, straight).per_day, rel=0.25)
    flat = crossing_of(days, [50.0, 50.2, 49.9, 50.1, 50.0, 49.9], 40.0, rising=False)
    assert flat.latest == inf
    falls = crossing_of(days, straight, 50.0, rising=False)
    assert falls.days == pytest.approx(150.0) and falls.earliest <= 150 <= falls.latest
    assert crossing_of(days, straight, 58.0, rising=False).days == 0
    assert crossing_of(days, straight, 70.0, rising=True).days == inf
    assert trend_of(days, straight).moves and not trend_of(days, [50.0, 51, 49, 50, 51, 49]).moves


@SOME
@given(shift=st.floats(-300, 300), factor=st.floats(0.1, 20))
def test_units_and_the_day_it_is_counted_from_do_not_matter(shift: float, factor: float) -> None:
    days, values = [0.0, 40, 75, 130, 200], [12.0, 11.6, 11.4, 10.9, 10.5]
    one = crossing_of(days, values, 10.0, rising=False)
    other = crossing_of([d + shift for d in days], [v * factor for v in values], 10.0 * factor, rising=False)
    assert other.days == pytest.approx(one.days, rel=1e-6)


@pytest.mark.outside("scipy.stats.weibull_min: log likelihood of lives and of survivals")
def test_the_likelihood_is_scipys() -> None:
    dead, alive = np.array([3.0, 5.0, 8.0]), np.array([4.0, 9.0])
    theirs = weibull_min.logpdf(dead, 1.7, scale=6.0).sum() + weibull_min.logsf(alive, 1.7, scale=6.0).sum()
    assert log_likelihood(1.7, 6.0, dead, alive) == pytest.approx(theirs)


@pytest.mark.outside("scipy.stats.weibull_min.fit with the place held at nothing")
@pytest.mark.parametrize("seed", range(6))
def test_without_survivors_the_fit_is_scipys(seed: int) -> None:
    lives = weibull_min.rvs(1.8, scale=400, size=14, random_state=seed)
    shape, _, scale = weibull_min.fit(lives, floc=0)
    found = life_of(list(lives))
    assert (found.shape, found.scale) == pytest.approx((shape, scale), rel=1e-3)
    assert found.shape_low < found.shape < found.shape_high and found.scale_low < found.scale < found.scale_high
    assert found.mean == pytest.approx(weibull_min.mean(shape, scale=scale), rel=1e-3)
    assert found.left_after(300.0) == pytest.approx(weibull_min.sf(300.0, shape, scale=scale), rel=1e-3)


@pytest.mark.outside("simulation: bounds hold the true scale in about nine of ten, survivors counted in")
def test_bounds_hold_the_truth_about_as_often_as_they_say() -> None:
    held = 0
    for seed in range(60):
        lives = weibull_min.rvs(2.0, scale=300, size=12, random_state=seed)
        seen = 330.0
        found = life_of([x for x in lives if x <= seen], [seen for x in lives if x > seen])
        held += found.scale_low <= 300 <= found.scale_high
    assert 0.8 <= held / 60 <= 1.0


def test_survivors_lengthen_a_life_and_early_deaths_are_told_from_wear() -> None:
    dead = [100.0, 130, 160, 190]
    assert life_of(dead, [200.0, 200, 200]).mean > life_of(dead).mean
    luck = np.random.default_rng(2)
    early = life_of([float(x) for x in weibull_min.rvs(0.4, scale=100, size=40, random_state=luck)])
    worn = life_of([float(x) for x in weibull_min.rvs(3.0, scale=100, size=40, random_state=luck)])
    assert early.early and not worn.early


@pytest.mark.parametrize(
    ("work", "field"),
    [
        (lambda: trend_of([0, 1], [1, 2]), "readings"),
        (lambda: trend_of([0, 5, 3], [1, 2, 3]), "readings"),
        (lambda: trend_of([4, 4, 4], [1, 2, 3]), "readings"),
        (lambda: life_of([3.0, 4.0]), "failed"),
        (lambda: life_of([3.0, 4.0, 0.0]), "failed"),
    ],
)
def test_too_little_is_said_to_be_too_little(work: object, field: str) -> None:
    with pytest.raises(InputError) as e:
        work()  # type: ignore[operator]
    assert e.value.field == field


OPEN_DATA = {
    "waltons": ("T", "E"),
    "leukemia": ("t", "status"),
    "larynx": ("time", "death"),
    "lung": ("time", "status"),
    "gbsg2": ("time", "cens"),
    "rossi": ("week", "arrest"),
    "kidney_transplant": ("time", "death"),
    "stanford_heart_transplants": ("stop", "event"),
    "multicenter_aids_cohort_study": ("T", "D"),
    "lymphoma": ("Time", "Censor"),
}


@pytest.mark.outside("lifelines: its Weibull fitter on its open data sets, survivors counted in")
@pytest.mark.parametrize("name", list(OPEN_DATA))
def test_lives_of_open_data_are_those_of_a_kept_library(name: str) -> None:
    time, event = OPEN_DATA[name]
    data = getattr(datasets, f"load_{name}")()
    data = data[data[time] > 0]
    died = data[event].astype(bool)
    theirs = WeibullFitter().fit(data[time], event_observed=died)
    ours = life_of(data[time][died].tolist(), data[time][~died].tolist())
    assert ours.shape == pytest.approx(theirs.rho_, rel=2e-3)
    assert ours.scale == pytest.approx(theirs.lambda_, rel=2e-3)
    at = float(data[time].median())
    assert ours.left_after(at) == pytest.approx(float(theirs.survival_function_at_times(at).iloc[0]), abs=2e-3)
    assert ours.scale_low < theirs.lambda_ < ours.scale_high and ours.failed == int(died.sum())
