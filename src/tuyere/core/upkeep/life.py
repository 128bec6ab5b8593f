"""How long loops last on a drive: Weibull with those that are still running counted in, and honest about few failures.

Source: maximum likelihood for right-censored Weibull data (Nelson, Applied Life Data Analysis, recalled); bounds by the likelihood
ratio.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from math import exp, gamma, log

import numpy as np
from numpy.typing import NDArray

from tuyere.core.errors import InputError

LEAST_FAILED = 3
SURE = 0.9
SHAPES = (0.15, 15.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class Life:
    """Shape and scale of a Weibull, the scale's bounds at nine in ten, mean life; in the unit of the lives. ``early`` where failures come
    the likelier the newer the loop is: something is wrong with the fitting or the machine, not with wear.
    """

    shape: float
    shape_low: float
    shape_high: float
    scale: float
    scale_low: float
    scale_high: float
    mean: float
    failed: int

    @property
    def early(self) -> bool:
        """Whether the readings say for certain that it is not wear."""
        return self.shape_high < 1

    def left_after(self, age: float) -> float:
        """Share that still runs at an age."""
        return exp(-((age / self.scale) ** self.shape))


def log_likelihood(shape: float, scale: float, failed: NDArray[np.float64], running: NDArray[np.float64]) -> float:
    """Log likelihood of lives that ended and of those that have not yet."""
    z = failed / scale
    dead = failed.size * (log(shape) - log(scale)) + (shape - 1) * float(np.log(z).sum()) - float((z**shape).sum())
    return dead - float(((running / scale) ** shape).sum())


def _scale_for(shape: float, failed: NDArray[np.float64], running: NDArray[np.float64]) -> float:
    """The likeliest scale for a shape."""
    total = float((failed**shape).sum() + (running**shape).sum())
    return float((total / failed.size) ** (1 / shape))


def life_of(failed: Sequence[float], running: Sequence[float] = ()) -> Life:
    """Life of loops from those that failed and those that still run. Raises InputError for fewer than three that failed, or lives of
    nothing.
    """
    # Loaded when it is first asked for: it takes longer than the rest of the program.
    from scipy.optimize import brentq, minimize_scalar
    from scipy.stats import chi2

    dead, alive = np.array(failed, dtype=float), np.array(running, dtype=float)
    if dead.size < LEAST_FAILED:
        raise InputError("failed", int(dead.size), "not enough yet to say how long they last", "three that failed")
    if (dead <= 0).any() or (alive < 0).any():
        raise InputError("failed", float(dead.min()), "a life of nothing", "over nothing")
    unit = float(dead.mean())
    dead, alive = dead / unit, alive / unit

    def loss(log_shape: float) -> float:
        shape = exp(log_shape)
        return -log_likelihood(shape, _scale_for(shape, dead, alive), dead, alive)

    best = minimize_scalar(loss, bounds=(log(SHAPES[0]), log(SHAPES[1])), method="bounded", options={"xatol": 1e-9})
    shape = exp(float(best.x))
    scale = _scale_for(shape, dead, alive)
    allowed = float(chi2.ppf(SURE, 1)) / 2

    def bound(worse: Callable[[float], float], start: float, end: float) -> float:
        """Where a profile of the loss has risen by what is allowed, going from its least toward an end."""
        if worse(end) < float(best.fun) + allowed:
            return end
        return float(brentq(lambda v: worse(v) - float(best.fun) - allowed, start, end))

    low, high = (bound(loss, float(best.x), log(s)) for s in SHAPES)

    def scale_loss(log_scale: float) -> float:
        s = exp(log_scale)
        found = minimize_scalar(
            lambda k: -log_likelihood(exp(k), s, dead, alive),
            bounds=(log(SHAPES[0]), log(SHAPES[1])),
            method="bounded",
            options={"xatol": 1e-9},
        )
        return float(found.fun)

    scale_low, scale_high = (bound(scale_loss, log(scale), log(scale) + d) for d in (-4.0, 6.0))
    return Life(
        shape=shape,
        shape_low=exp(low),
        shape_high=exp(high),
        scale=scale * unit,
        scale_low=exp(scale_low) * unit,
        scale_high=exp(scale_high) * unit,
        mean=scale * unit * gamma(1 + 1 / shape),
        failed=int(dead.size),
    )
