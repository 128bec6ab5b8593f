"""Rounding that the trade does: whole belts up, tape marks to the nearest."""

from __future__ import annotations

import numpy as np

from tuyere.core.steps import Num


def round_up(x: Num) -> Num:
    """The next whole number, forgiving a rounding error of 1e-9.

    >>> float(round_up(0.1 * 3 * 10)), float(round_up(3.19))
    (3.0, 4.0)
    """
    return np.ceil(np.asarray(x) - 1e-9)


def to_mark(x: float, mark: float) -> float:
    """The nearest multiple of ``mark`` but never less than one mark.

    >>> to_mark(0.52, 1 / 32)
    0.53125
    """
    return max(1.0, float(np.floor(x / mark + 0.5))) * mark
