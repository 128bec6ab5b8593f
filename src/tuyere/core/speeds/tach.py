"""Two shafts under a tachometer: the ratio that is, the slip against the ratio without load, and how sure all of it is.

Slip is never told from diameters alone: a quarter of an inch that was read wrongly looks like slip, and hides it as well.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import hypot, sqrt

import numpy as np

from tuyere.core.errors import InputError
from tuyere.core.speeds.formulas import ratio_of_speeds, slip_against_unloaded, speed_lost_to_diameters

# V and flat belts: what is usual, and where a belt heats; common practice (flat_align 07e).
CREEP, SLIPS, BURNS = 2.0, 4.0, 5.0
# A measured ratio further from the diameters than this, beyond what the readings may err, is another diameter.
OTHER_SIZE = 2.0
# A motor further from its named speed than this is not the motor, the supply or the governor that was thought.
OTHER_MOTOR = 3.0
# What a meter shows is within one part in a thousand besides its last digit; common practice.
METER_SHARE = 0.001
# A chalk mark is brought to its place within so much of a turn; common practice, no source.
MARK_TURNS = 1 / 24


@dataclass(frozen=True, slots=True, kw_only=True)
class Shown:
    """Readings of one shaft: their mean in rpm, half their spread, and how far the mean may be off (one standard error)."""

    mean: float
    spread: float
    error: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Checked:
    """Ratio loaded and unloaded, slip in percent with its error (None: no readings without load), what the diameters say, verdict."""

    driver: Shown
    driven: Shown
    ratio: float
    ratio_error: float
    unloaded_ratio: float | None
    slip: float | None
    slip_error: float | None
    lost_to_diameters: float | None
    driver_is_mm: float | None
    verdict: str


def shown(readings: Sequence[float], name: str, last_digit: float = 1.0) -> Shown:
    """Readings of one shaft. Raises InputError for none, or for readings that contradict each other."""
    if not readings:
        raise InputError(name, None, "nothing was read", "one reading at least")
    if min(readings) <= 0:
        raise InputError(name, min(readings), "a shaft that stands", "more than 0 rpm")
    mean = float(np.mean(readings))
    half = (max(readings) - min(readings)) / 2
    if half > 0.1 * mean:
        raise InputError(
            name,
            max(readings),
            "the readings contradict each other: two marks, or the load changes",
            "readings within 10 %",
        )
    scatter = float(np.std(readings, ddof=1)) / sqrt(len(readings)) if len(readings) > 1 else 0.0
    meter = hypot(METER_SHARE * mean, last_digit / sqrt(12))
    return Shown(mean=mean, spread=half, error=hypot(scatter, meter))


def counted(turns: tuple[float, float]) -> tuple[float, float]:
    """(ratio by marks, its error as a share): a mark is met within a twenty-fourth of a turn. Raises InputError for too few turns."""
    for name, n in zip(("driver_turns", "driven_turns"), turns, strict=True):
        if n < 1:
            raise InputError(f"marks.{name}", n, "too few turns to count", "one whole turn at least; ten are better")
    off = hypot(MARK_TURNS / turns[0], MARK_TURNS / turns[1])
    return ratio_of_speeds(turns[0], turns[1]), off


def tach_check(
    driver: Sequence[float],
    driven: Sequence[float],
    *,
    unloaded: tuple[Sequence[float], Sequence[float]] | None = None,
    by_hand: tuple[float, float] | None = None,
    diameters_mm: tuple[float, float] | None = None,
    named_rpm: float | None = None,
) -> Checked:
    """Judge two shafts by their speeds under load, and without it where that was read.

    ``by_hand`` are turns of driver and driven counted on chalk marks with the drive locked and turned by hand: nothing slips
    then, so that their ratio is the one without load.

    Raises InputError for readings that cannot be. Source: kinematics; limits of common practice; errors by the first-order law
    of propagation.
    """
    a, b = shown(driver, "driver"), shown(driven, "driven")
    ratio = ratio_of_speeds(a.mean, b.mean)
    off = hypot(a.error / a.mean, b.error / b.mean)
    unloaded_ratio = slip = slip_error = None
    base_off = 0.0
    if unloaded is not None:
        a0, b0 = shown(unloaded[0], "unloaded_driver"), shown(unloaded[1], "unloaded_driven")
        unloaded_ratio = ratio_of_speeds(a0.mean, b0.mean)
        base_off = hypot(a0.error / a0.mean, b0.error / b0.mean)
        slip = slip_against_unloaded(ratio, unloaded_ratio)
        slip_error = 100 * hypot(off, base_off) * (unloaded_ratio / ratio)
    elif by_hand is not None:
        unloaded_ratio, base_off = counted(by_hand)
        slip = slip_against_unloaded(ratio, unloaded_ratio)
        slip_error = 100 * hypot(off, base_off) * (unloaded_ratio / ratio)
    lost = driver_is = None
    if diameters_mm is not None:
        of = ratio if unloaded_ratio is None else unloaded_ratio
        lost = speed_lost_to_diameters(of, diameters_mm[0], diameters_mm[1])
        driver_is = diameters_mm[1] / of
    return Checked(
        driver=a,
        driven=b,
        ratio=ratio,
        ratio_error=ratio * off,
        unloaded_ratio=unloaded_ratio,
        slip=slip,
        slip_error=slip_error,
        lost_to_diameters=lost,
        driver_is_mm=driver_is,
        verdict=_verdict(
            a, slip, slip_error, lost=lost, off=100 * (off if unloaded_ratio is None else base_off), named=named_rpm
        ),
    )


def _verdict(
    driver: Shown, slip: float | None, error: float | None, *, lost: float | None, off: float, named: float | None
) -> str:
    if slip is not None and error is not None and slip < -2 * error:
        return "contradiction"
    if slip is not None and slip > CREEP:
        return "slipping"
    if named is not None and abs(driver.mean / named - 1) * 100 > OTHER_MOTOR:
        return "other motor speed"
    if lost is not None and abs(lost) > OTHER_SIZE + 2 * off:
        return "other diameter" if slip is not None else "slip or other diameter"
    if slip is None:
        return "not told without load"
    return "creep" if error is None or slip >= 2 * error else "none that can be told"
