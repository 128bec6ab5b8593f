"""Tension round the loop: what each strand pulls, how near each wheel is to slipping, what the shafts take.

Forces are for all belts together, N; source: statics of a loop at one speed.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from math import hypot, inf
from typing import Literal

from tuyere.core.drive.path import Path, Wrap
from tuyere.core.errors import NoSolution

StrandSide = Literal["tight", "slack", "between"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Strand:
    """A free strand's tension, N, and whether it is the tightest, the slackest or one between."""

    after: str
    before: str
    tension_n: float
    side: StrandSide

    @property
    def id(self) -> str:
        """By the wheels it runs between."""
        return f"{self.after}-{self.before}"


@dataclass(frozen=True, slots=True, kw_only=True)
class SlipAt:
    """A wheel's use of its grip: the ratio of its strands less their centrifugal part, and the one it holds."""

    wheel: str
    used: float
    held: float

    @property
    def margin(self) -> float:
        """Held over used; under 1 it slips."""
        return self.held / self.used


@dataclass(frozen=True, slots=True, kw_only=True)
class ShaftVector:
    """What a loop does to one shaft: a vector in the plane of the drive, N."""

    wheel: str
    x_n: float
    y_n: float

    @property
    def newtons(self) -> float:
        """Its size."""
        return hypot(self.x_n, self.y_n)


def _steps(path: Path, taken: Mapping[str, float], speed_m_s: float) -> list[float]:
    """Tension of each strand over that of the strand after the driver: it rises past a wheel that takes power."""
    rises = [0.0]
    for w in path.wraps[1:]:
        rises.append(rises[-1] + 1000 * taken[w.wheel.id] / speed_m_s)
    return rises


def _named(path: Path, tensions: list[float]) -> tuple[Strand, ...]:
    most, least = max(tensions), min(tensions)

    def side(t: float) -> StrandSide:
        if most - least <= 1e-9 * max(abs(most), 1.0):
            return "between"
        return "tight" if t == most else "slack" if t == least else "between"

    return tuple(
        Strand(after=s.after, before=s.before, tension_n=t, side=side(t))
        for s, t in zip(path.spans, tensions, strict=True)
    )


def strands_set(path: Path, taken: Mapping[str, float], *, speed_m_s: float, static_n: float) -> tuple[Strand, ...]:
    """Strands of a loop that was set to ``static_n`` and whose centres are held: its stretch is shared out anew.

    ``taken`` is kW at each wheel, the driver's negative. The mean over the free length stays what was set.
    """
    rises = _steps(path, taken, speed_m_s)
    lengths = [s.length_mm for s in path.spans]
    level = static_n - sum(r * x for r, x in zip(rises, lengths, strict=True)) / sum(lengths)
    return _named(path, [level + r for r in rises])


def strands_pulled(
    path: Path, taken: Mapping[str, float], *, speed_m_s: float, centrifugal_n: float = 0.0
) -> tuple[Strand, ...]:
    """Strands of a loop that a spring or weight holds: the pull at the take-up settles the level.

    Raises NoSolution where the take-up's strands do not pull against it.
    """
    take_up = path.route.take_up
    if take_up is None or take_up.force_n is None:
        raise NoSolution("no spring or weight pulls at this route", "take_up")
    rises = _steps(path, taken, speed_m_s)
    ux, uy = path.route.travel()
    k = next(i for i, w in enumerate(path.wraps) if w.wheel.id == take_up.wheel)
    arriving, leaving = path.spans[k - 1], path.spans[k]
    # Each strand pulls the wheel along itself, away from it; what that is along the travel must balance the force.
    (ax, ay), (bx, by) = arriving.heading, leaving.heading
    against = (ax * ux + ay * uy, -(bx * ux + by * uy))
    share = sum(against)
    if share <= 1e-6:
        raise NoSolution("the take-up pulls the way its strands do: it cannot tighten this loop", "take_up")
    known = against[0] * (rises[k - 1] - centrifugal_n) + against[1] * (rises[k] - centrifugal_n)
    level = (take_up.force_n - known) / share
    return _named(path, [level + r for r in rises])


def strands_held(
    path: Path, taken: Mapping[str, float], *, speed_m_s: float, static_n: float, centrifugal_n: float = 0.0
) -> tuple[Strand, ...]:
    """Strands as the loop is held: by the pull at its take-up where there is one, else as it was set to ``static_n``."""
    take_up = path.route.take_up
    if take_up is not None and take_up.force_n is not None:
        return strands_pulled(path, taken, speed_m_s=speed_m_s, centrifugal_n=centrifugal_n)
    return strands_set(path, taken, speed_m_s=speed_m_s, static_n=static_n)


def slips(
    path: Path, strands: tuple[Strand, ...], *, centrifugal_n: float, grip: Callable[[Wrap], float]
) -> tuple[SlipAt, ...]:
    """How much of its grip each loaded wheel uses; ``grip`` gives the ratio of strand tensions that a contact holds."""
    out = []
    for k, wrap in enumerate(path.wraps):
        a, b = strands[k - 1].tension_n - centrifugal_n, strands[k].tension_n - centrifugal_n
        if abs(a - b) > 1e-9 * max(abs(a), abs(b), 1.0):
            low, high = min(a, b), max(a, b)
            out.append(SlipAt(wheel=wrap.wheel.id, used=high / low if low > 0 else inf, held=grip(wrap)))
    return tuple(out)


def least_margin(
    path: Path, strands: tuple[Strand, ...], *, centrifugal_n: float, grip: Callable[[Wrap], float]
) -> float:
    """Margin of the wheel that slips first; infinite where teeth hold all of them."""
    found = slips(path, strands, centrifugal_n=centrifugal_n, grip=grip)
    return min((s.margin for s in found if s.held < inf), default=inf)


def shaft_vectors(path: Path, tensions: Mapping[str, float], centrifugal_n: float = 0.0) -> tuple[ShaftVector, ...]:
    """The vector on every shaft from the tensions by strand id; the centrifugal part holds the loop and not the shaft."""
    out = []
    for k, wrap in enumerate(path.wraps):
        arriving, leaving = path.spans[k - 1], path.spans[k]
        a, b = tensions[arriving.id] - centrifugal_n, tensions[leaving.id] - centrifugal_n
        (ax, ay), (bx, by) = arriving.heading, leaving.heading
        out.append(ShaftVector(wheel=wrap.wheel.id, x_n=b * bx - a * ax, y_n=b * by - a * ay))
    return tuple(out)
