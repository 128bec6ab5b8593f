"""Where a reading goes: a robust line through it, and when it crosses a limit, as an interval.

Source: Theil-Sen estimator (Theil 1950, Sen 1968): the median of the slopes of all pairs; interval by bootstrap of the residuals with a
seed of its own, so that the same readings always say the same.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import inf

import numpy as np
from numpy.typing import NDArray

from tuyere.core.errors import InputError

LEAST, ROUNDS, SEED = 3, 400, 20261126
# Nine in ten lines lie inside: 5 % on either side.
INSIDE = (5.0, 95.0)
# What is further off than this is told as "not in sight".
FURTHEST_DAYS = 3650.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Trend:
    """A line: its value at day 0 and what it changes in a day, with the interval of that; ``moves`` where the interval leaves out 0."""

    at_zero: float
    per_day: float
    per_day_low: float
    per_day_high: float

    @property
    def moves(self) -> bool:
        """Whether it changes at all, as far as the readings say."""
        return self.per_day_low > 0 or self.per_day_high < 0

    def at(self, day: float) -> float:
        """Value of the line on a day."""
        return self.at_zero + self.per_day * day


@dataclass(frozen=True, slots=True, kw_only=True)
class Crossing:
    """Days until the line crosses a limit, counted from the last reading: the likeliest, the earliest and the latest (inf: not in
    sight). All 0 where the last readings are over it already.
    """

    days: float
    earliest: float
    latest: float


def theil_sen(days: NDArray[np.float64], values: NDArray[np.float64]) -> tuple[float, float]:
    """(slope, value at day 0): the median of the slopes of all pairs, and the median of what is left."""
    i, j = np.triu_indices(days.size, 1)
    apart = days[j] - days[i]
    slopes = (values[j] - values[i])[apart > 0] / apart[apart > 0]
    slope = float(np.median(slopes))
    return slope, float(np.median(values - slope * days))


def _checked(days: Sequence[float], values: Sequence[float]) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    if len(days) != len(values) or len(days) < LEAST:
        raise InputError("readings", len(days), "too few readings to say where it goes", "three at different days")
    x, y = np.array(days, dtype=float), np.array(values, dtype=float)
    if (np.diff(x) < 0).any():
        raise InputError("readings", None, "the days do not rise from reading to reading", "the oldest first")
    if np.unique(x).size < LEAST:
        raise InputError("readings", None, "readings of one day say nothing of a trend", "three different days")
    return x, y


def _lines(x: NDArray[np.float64], y: NDArray[np.float64]) -> NDArray[np.float64]:
    """Slope and value at day 0 of lines through the readings as they might have come out as well, one a row."""
    slope, zero = theil_sen(x, y)
    left = y - zero - slope * x
    # Few readings lie closer to their line than to the truth: what is left is widened for the two numbers that were fitted.
    left = (left - np.median(left)) * np.sqrt(x.size / max(x.size - 2, 1))
    luck = np.random.default_rng(SEED)
    drawn = luck.choice(left, (ROUNDS, x.size))
    return np.array([theil_sen(x, zero + slope * x + d) for d in drawn])


def trend_of(days: Sequence[float], values: Sequence[float]) -> Trend:
    """The line of three readings or more. Raises InputError for fewer, or days that do not rise."""
    x, y = _checked(days, values)
    slope, zero = theil_sen(x, y)
    low, high = np.percentile(_lines(x, y)[:, 0], INSIDE)
    return Trend(at_zero=zero, per_day=slope, per_day_low=float(min(low, slope)), per_day_high=float(max(high, slope)))


def _days_to(limit: float, slope: float, now: float, rising: bool) -> float:
    """Days until a line crosses a limit; inf where it never does, 0 where it has."""
    gap = limit - now if rising else now - limit
    if gap <= 0:
        return 0.0
    speed = slope if rising else -slope
    if speed <= 0:
        return inf
    days = gap / speed
    return days if days <= FURTHEST_DAYS else inf


def crossing_of(days: Sequence[float], values: Sequence[float], limit: float, *, rising: bool) -> Crossing:
    """When the line crosses a limit from below (``rising``) or from above. Raises InputError as the trend does."""
    x, y = _checked(days, values)
    slope, zero = theil_sen(x, y)
    last = float(x[-1])
    likely = _days_to(limit, slope, zero + slope * last, rising)
    every = np.array([_days_to(limit, s, z + s * last, rising) for s, z in _lines(x, y)])
    every.sort()
    low, high = (float(every[round(p / 100 * (every.size - 1))]) for p in INSIDE)
    return Crossing(days=likely, earliest=min(low, likely), latest=max(high, likely))
