"""The tension scale as it is drawn: where it begins and ends, and the marks of each of its rulers."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import ceil, floor, log10

import numpy as np
from pydantic import Field

from tuyere.calc.answer import Answer
from tuyere.calc.held import Scale
from tuyere.calc.kinds import KINDS, in_system

BESIDE = 0.15
FAR = 1.9
POINTS = 80
PARTS = 5


class TickOut(Answer):
    """A mark of a ruler; minor ones have no number."""

    at: float = Field(description="static tension of one belt, N, at which it stands")
    number: str


class RulerOut(Answer):
    """A ruler of the scale: what is read on it, in which unit, its marks."""

    key: str
    name: str
    unit: str
    ticks: list[TickOut]


class AxisOut(Answer):
    """The scale from end to end: static tension of one belt, N; what lies beyond is said in words, not drawn."""

    low: float
    high: float
    rulers: list[RulerOut]


def nice_step(span: float, marks: int) -> float:
    """The step of 1, 2 or 5 that divides a span into about so many parts.

    >>> nice_step(14, 7), nice_step(200, 5), nice_step(0.9, 6)
    (2.0, 50.0, 0.2)
    """
    rough = span / max(marks, 1)
    size = 10.0 ** floor(log10(rough))
    return float(min((k * size for k in (1, 2, 5, 10)), key=lambda s: abs(log10(s / rough))))


def _ticks(values: np.ndarray, tensions: np.ndarray, marks: int) -> list[TickOut]:
    low, high = float(values[0]), float(values[-1])
    step = nice_step(high - low, marks)
    digits = max(0, -floor(log10(step)))
    small = step / PARTS
    first, last = ceil(low / small - 1e-9), floor(high / small + 1e-9)
    return [
        TickOut(
            at=float(np.interp(k * small, values, tensions)),
            number=f"{k * small:,.{digits}f}" if k % PARTS == 0 else "",
        )
        for k in range(first, last + 1)
    ]


def axis_of(scale: Scale, marks_n: Sequence[float], bands_n: Sequence[tuple[float, float]]) -> AxisOut:
    """The scale that holds every band and every limit near them; the force of the gauge, the pull in one belt and its note."""
    units = scale.frame.units
    top = max(high for _, high in bands_n)
    near = [m for m in marks_n if m <= FAR * top] + [x for band in bands_n for x in band]
    least, most = min(near), max(near)
    beside = BESIDE * (most - least)
    low, high = max(least - beside, 0.02 * top), most + beside / 2
    tensions = np.linspace(low, high, POINTS)

    def ruler(key: str, name: str, kind: str, of: Callable[[float], float | None], marks: int) -> RulerOut | None:
        found = [of(float(n)) for n in tensions]
        if any(x is None for x in found):
            return None
        values = np.array([in_system(float(x or 0.0), kind, units) for x in found])
        unit = KINDS[kind].us_shown if units == "us" else KINDS[kind].si_shown
        return RulerOut(key=key, name=name, unit=unit, ticks=_ticks(values, tensions, marks))

    made = (
        ruler("force", "your gauge", "force", scale.force_n, 8),
        ruler("tension", "pull in one belt", "force", lambda n: n, 6),
        ruler("frequency", "its note", "frequency", scale.hertz, 6),
    )
    return AxisOut(low=low, high=high, rulers=[r for r in made if r is not None])
