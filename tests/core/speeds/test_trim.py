"""A wheel trimmed from measured speeds, against a machine that is simulated apart; ways to a speed against enumeration."""

from __future__ import annotations

from math import ceil

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import brentq

from tuyere.core.errors import InputError
from tuyere.core.speeds.tach import shown
from tuyere.core.speeds.trim import Point, cuts, trim
from tuyere.core.speeds.ways import Size, cheaper_first, gives, nearest_sizes, to_size

SOME = settings(derandomize=True, deadline=None, max_examples=60)


class Machine:
    """A belt drive whose belt runs ``under`` mm under the rim and loses ``slip``: what nobody at the machine knows."""

    def __init__(self, motor: float, other: float, under: float, slip: float) -> None:
        self.motor, self.other, self.under, self.slip = motor, other, under, slip

    def rpm(self, wheel: float, which: str) -> float:
        runs, other = wheel - self.under, self.other - self.under
        i = other / runs if which == "driver" else runs / other
        return self.motor / i * (1 - self.slip)

    def point(self, wheel: float, which: str) -> Point:
        return Point(
            diameter_mm=wheel,
            driver=shown([self.motor], "driver", 0.01),
            driven=shown([self.rpm(wheel, which)], "driven", 0.01),
        )


@pytest.mark.outside(
    "scipy's root of a machine simulated apart: speed over diameter with a slip and a depth nobody told"
)
@pytest.mark.parametrize("which", ["driver", "driven"])
@pytest.mark.parametrize("under", [0.0, 3.0, 8.9])
@pytest.mark.parametrize("slip", [0.0, 0.015, 0.04])
@pytest.mark.parametrize("share", [0.8, 1.25])
def test_two_rounds_land_on_the_target(which: str, under: float, slip: float, share: float) -> None:
    m = Machine(1745, 380.0, under, slip)
    trail = [m.point(100.0, which), m.point(150.0, which)]
    target = m.rpm(150.0, which) * share
    found = trim(trail, target, which=which)  # type: ignore[arg-type]
    root = brentq(lambda d: m.rpm(d, which) - target, 40.0, 400.0, xtol=1e-12)
    assert found.learned and found.under_mm == pytest.approx(under, abs=1e-6)
    assert found.want_mm == pytest.approx(root, rel=1e-9)
    assert found.was_mm == pytest.approx(100.0 - under, rel=1e-9)


@pytest.mark.outside("the same machine, its belt's depth known from the groove: one round is enough")
@pytest.mark.parametrize("which", ["driver", "driven"])
@pytest.mark.parametrize("slip", [0.0, 0.03])
def test_one_round_lands_where_the_depth_is_known(which: str, slip: float) -> None:
    m = Machine(1745, 380.0, 5.0, slip)
    target = 1.3 * m.rpm(100.0, which)
    found = trim([m.point(100.0, which)], target, which=which, under_mm=5.0)  # type: ignore[arg-type]
    assert m.rpm(found.want_mm, which) == pytest.approx(target)
    assert found.was_mm is None


@given(st.floats(0, 8), st.floats(0, 0.05), st.floats(0.7, 1.4))
@SOME
def test_every_round_lands_nearer(under: float, slip: float, share: float) -> None:
    """Property: a wheel worked with no idea of depth and slip misses; the next, from both measurements, does not."""
    m = Machine(1745, 400.0, under, slip)
    target = m.rpm(120.0, "driver") * share
    first = trim([m.point(120.0, "driver")], target, which="driver")
    second = trim([m.point(120.0, "driver"), m.point(first.want_mm, "driver")], target, which="driver")
    miss = [abs(m.rpm(x.want_mm, "driver") - target) for x in (first, second)]
    assert miss[1] <= miss[0] + 1e-6


@pytest.mark.outside("common practice: half the speed takes twice the driven wheel, diameter x rpm is one number")
def test_diameter_times_speed_is_one_number() -> None:
    p = Point(diameter_mm=254.0, driver=shown([1750], "driver"), driven=shown([700], "driven"))
    half = trim([p], 350.0, which="driven")
    assert half.want_mm == pytest.approx(508.0)
    assert half.want_mm * 350 == pytest.approx(254.0 * 700)


def test_what_cannot_be_is_refused_beside_its_field() -> None:
    m = Machine(1745, 380.0, 3.0, 0.01)
    good, bigger = m.point(100.0, "driver"), m.point(150.0, "driver")
    with pytest.raises(InputError, match="larger driver made it slower"):
        trim([bigger, Point(diameter_mm=200.0, driver=good.driver, driven=good.driven)], 500, which="driver")
    with pytest.raises(InputError, match="smaller driven wheel made it slower"):
        trim([bigger, Point(diameter_mm=120.0, driver=good.driver, driven=good.driven)], 500, which="driven")
    with pytest.raises(InputError, match="too far"):
        trim([good], 20.0, which="driver")
    with pytest.raises(InputError, match="nothing was measured"):
        trim([], 20.0, which="driver")
    with pytest.raises(InputError, match="passes"):
        cuts(100, 50, 0.001)


def test_a_target_inside_the_noise_is_said() -> None:
    p = Point(diameter_mm=100.0, driver=shown([1750, 1760, 1740], "driver"), driven=shown([600, 604, 596], "driven"))
    assert trim([p], 602.0, which="driver").in_noise
    assert not trim([p], 640.0, which="driver").in_noise


@given(st.floats(50, 500), st.floats(0.5, 40), st.floats(0.1, 3))
@SOME
def test_passes_add_up(now: float, off: float, cut: float) -> None:
    c = cuts(now, now - 2 * off, cut)
    assert (c.passes - 1) * cut + c.last_mm == pytest.approx(off)
    assert 0 < c.last_mm <= cut * (1 + 1e-9) and c.passes == max(ceil(off / cut - 1e-9), 1)


@given(st.floats(0.6, 1.6), st.sampled_from(["driver", "driven"]))
@SOME
def test_the_next_sizes_are_the_nearest_on_both_sides(share: float, which: str) -> None:
    """By enumeration."""
    sizes = [Size(d, d - 2, d % 20 == 0) for d in range(60, 300, 10)]
    target = 600 * share
    speeds = [gives(which, rpm=600, runs_mm=150, new_mm=s.runs_mm) for s in sizes]  # type: ignore[arg-type]
    found = nearest_sizes(sizes, which, rpm=600, runs_mm=150, target_rpm=target)  # type: ignore[arg-type]
    for w in found:
        between = [v for v in speeds if min(w.rpm, target) < v < max(w.rpm, target) and abs(v - w.rpm) > 1e-9]
        assert not between
    assert {w.rpm >= target for w in found} == {v >= target for v in speeds}


def test_the_cheaper_way_first() -> None:
    down = to_size("driver", diameter_mm=90, now_mm=100, target_rpm=500, metal=True)
    made = to_size("driver", diameter_mm=90, now_mm=100, target_rpm=500, metal=False)
    off = nearest_sizes([Size(91, 91, True), Size(80, 80, True)], "driver", rpm=550, runs_mm=100, target_rpm=500)
    order = cheaper_first([made, *off, down], 2.0)
    assert [w.how for w in order] == ["turned down", "standard", "made"]
