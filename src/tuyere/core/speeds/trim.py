"""A wheel for a wanted speed, worked from speeds that were measured: what it must be, and how much is turned off.

Slip and a diameter that was guessed are both inside a measured ratio, so that a wheel worked from it lands closer than one
from diameters. A second measurement then says what the first wheel really was.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import ceil, hypot
from typing import Literal

from tuyere.core.errors import InputError
from tuyere.core.sources import KINEMATICS, Source
from tuyere.core.speeds.formulas import ratio_of_speeds
from tuyere.core.speeds.tach import Shown
from tuyere.core.steps import Num, formula

Which = Literal["driver", "driven"]
TURNING = Source(title="two points of the line from ratio to diameter", origin="derived")
# A change of less than this many of its own errors is no change that the readings could tell.
NOISE = 2.0
MOST_CHANGE = 5.0
# Two wheels closer than this in ratio say nothing of the diameter that runs.
TELLS_APART = 0.05


@formula("d_want", KINEMATICS)
def driver_for(d_run: Num, n_want: Num, n_2: Num) -> Num:
    """The driver for the wanted speed: the driven shaft follows its diameter."""
    return d_run * n_want / n_2


@formula("d_want", KINEMATICS)
def driven_for(d_run: Num, n_2: Num, n_want: Num) -> Num:
    """The driven wheel for the wanted speed: the larger, the slower."""
    return d_run * n_2 / n_want


@formula("u_run", TURNING)
def under_the_rim(d_m1: Num, i_m1: Num, d_m2: Num, i_m2: Num) -> Num:
    """How far the diameter that runs is under the measured one, where two drivers were measured: d - u goes with 1 / i."""
    return (d_m1 * i_m1 - d_m2 * i_m2) / (i_m1 - i_m2)


@formula("u_run", TURNING)
def under_the_driven_rim(d_m1: Num, i_m1: Num, d_m2: Num, i_m2: Num) -> Num:
    """The same where two driven wheels were measured: d - u goes with i."""
    return (d_m1 * i_m2 - d_m2 * i_m1) / (i_m2 - i_m1)


@formula("d_was", KINEMATICS)
def first_driver_was(d_run: Num, i_m2: Num, i_m1: Num) -> Num:
    """What the driver before really ran on, by the one that is on now."""
    return d_run * i_m2 / i_m1


@formula("d_was", KINEMATICS)
def first_driven_was(d_run: Num, i_m1: Num, i_m2: Num) -> Num:
    """What the driven wheel before really ran on, by the one that is on now."""
    return d_run * i_m1 / i_m2


@formula("d_rim", TURNING)
def over_the_rim(d_want: Num, u_run: Num) -> Num:
    """The wheel as it is measured and made: over the rim."""
    return d_want + u_run


@formula("r_off", KINEMATICS)
def turned_off(d_now: Num, d_want: Num) -> Num:
    """What is turned off the radius."""
    return (d_now - d_want) / 2


@dataclass(frozen=True, slots=True, kw_only=True)
class Point:
    """One round: the diameter of the wheel that is changed, as it was measured (mm), and both shafts' readings."""

    diameter_mm: float
    driver: Shown
    driven: Shown

    @property
    def off(self) -> float:
        """How far the ratio may be off, as a share of it."""
        return hypot(self.driver.error / self.driver.mean, self.driven.error / self.driven.mean)


@dataclass(frozen=True, slots=True, kw_only=True)
class Trim:
    """What the wheel must be. mm; ``runs_mm`` is the diameter that runs now, ``was_mm`` that of the wheel before by this one.

    ``under_mm`` is how far the running diameter is under the measured one: as it was said, or ``learned`` from two rounds.
    """

    ratio: float
    off: float
    runs_mm: float
    want_runs_mm: float
    want_mm: float
    error_mm: float
    in_noise: bool
    under_mm: float
    learned: bool
    was_mm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Cuts:
    """What is turned off the radius (mm), in how many passes, and the last of them."""

    radius_mm: float
    passes: int
    last_mm: float


def trim(trail: Sequence[Point], target_rpm: float, *, which: Which, under_mm: float | None = None) -> Trim:
    """The wheel for a target from the rounds so far, the last of them as the wheel is now.

    Without ``under_mm`` two rounds that are far enough apart say it themselves; one round takes none. Raises InputError for
    wheels and speeds that contradict each other, or for a change too large for one wheel.
    """
    if not trail:
        raise InputError("trail", None, "nothing was measured", "both shafts with the wheel that is on now")
    now = trail[-1]
    change = target_rpm / now.driven.mean
    if not 1 / MOST_CHANGE <= change <= MOST_CHANGE:
        raise InputError(
            "target",
            target_rpm,
            "too far from the speed of now for one wheel",
            "a fifth to five times the speed of now",
        )
    ratio = ratio_of_speeds(now.driver.mean, now.driven.mean)
    under, learned = (under_mm or 0.0), False
    was = None
    if len(trail) > 1:
        before = trail[-2]
        ratio_before = ratio_of_speeds(before.driver.mean, before.driven.mean)
        _agree(before, now, (ratio_before, ratio), which)
        told_apart = abs(ratio_before / ratio - 1) > max(TELLS_APART, 5 * hypot(before.off, now.off))
        if under_mm is None and told_apart:
            of = under_the_rim if which == "driver" else under_the_driven_rim
            found = float(of(before.diameter_mm, ratio_before, now.diameter_mm, ratio))
            # More than a fifth of the wheel is no belt's depth: then one of the two was measured wrongly.
            if abs(found) <= 0.2 * min(before.diameter_mm, now.diameter_mm):
                under, learned = found, True
        first = first_driver_was if which == "driver" else first_driven_was
        pair = (ratio, ratio_before) if which == "driver" else (ratio_before, ratio)
        was = first(now.diameter_mm - under, *pair)
    runs = now.diameter_mm - under
    if runs <= 0:
        raise InputError("diameter", now.diameter_mm, "nothing is left under the groove", "the outside diameter")
    want = wheel_for(which, runs, now.driven.mean, target_rpm)
    return Trim(
        ratio=ratio,
        off=now.off,
        runs_mm=runs,
        want_runs_mm=want,
        want_mm=over_the_rim(want, under),
        error_mm=float(want) * now.off,
        in_noise=abs(change - 1) < NOISE * now.off,
        under_mm=under,
        learned=learned,
        was_mm=was,
    )


def wheel_for(which: Which, runs_mm: float, rpm: float, target_rpm: float) -> Num:
    """The diameter that runs at the target, where ``runs_mm`` runs at ``rpm``. Source: kinematics."""
    return driver_for(runs_mm, target_rpm, rpm) if which == "driver" else driven_for(runs_mm, rpm, target_rpm)


def _agree(before: Point, now: Point, ratios: tuple[float, float], which: Which) -> None:
    """A larger driver makes the driven shaft faster, a larger driven wheel slower; anything else was read wrongly."""
    larger = now.diameter_mm > before.diameter_mm * 1.005
    smaller = now.diameter_mm < before.diameter_mm * 0.995
    noise = 1 + NOISE * hypot(before.off, now.off)
    faster, slower = ratios[1] * noise < ratios[0], ratios[1] > ratios[0] * noise
    should_quicken, should_slow = (larger, smaller) if which == "driver" else (smaller, larger)
    if (should_quicken and slower) or (should_slow and faster):
        size, wheel = "larger" if larger else "smaller", "driver" if which == "driver" else "driven wheel"
        what = f"a {size} {wheel} made it {'faster' if faster else 'slower'}"
        raise InputError("trail", now.diameter_mm, f"the two rounds contradict each other: {what}", "read both again")


def cuts(now_mm: float, want_mm: float, cut_mm: float) -> Cuts:
    """Passes of so much on the radius, and what is left for the last. Raises InputError for a cut of nothing."""
    if cut_mm <= 0:
        raise InputError("cut", cut_mm, "a pass takes something off", "more than 0")
    radius = turned_off(now_mm, want_mm)
    passes = max(ceil(radius / cut_mm - 1e-9), 1)
    if passes > 500:
        raise InputError("cut", cut_mm, f"{passes} passes: too fine a cut for so much", "a deeper one")
    return Cuts(radius_mm=radius, passes=passes, last_mm=radius - (passes - 1) * cut_mm)
