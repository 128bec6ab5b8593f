"""Ways to a wanted speed with one of two wheels: turned down, bought, or made; and which is the cheaper."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from tuyere.core.speeds.trim import Which

How = Literal["turned down", "standard", "made"]
# What costs least first: an hour at the lathe, a wheel off the shelf, a wheel to drawing. Common practice, our own judgement.
ORDER: tuple[How, ...] = ("turned down", "standard", "made")


@dataclass(frozen=True, slots=True)
class Size:
    """A wheel that can be had: its measured diameter and the one that runs, mm; often on the shelf."""

    diameter_mm: float
    runs_mm: float
    stocked: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Way:
    """One way: which wheel, how, its measured diameter (mm), the speed it gives (rpm) and how far that is off, percent."""

    which: Which
    how: How
    diameter_mm: float
    rpm: float
    off_percent: float
    stocked: bool


def gives(which: Which, *, rpm: float, runs_mm: float, new_mm: float) -> float:
    """Speed of the driven shaft with another wheel in the place of one. Source: kinematics."""
    return rpm * new_mm / runs_mm if which == "driver" else rpm * runs_mm / new_mm


def nearest_sizes(
    sizes: Sequence[Size], which: Which, *, rpm: float, runs_mm: float, target_rpm: float
) -> tuple[Way, ...]:
    """The next standard sizes on both sides of a speed, the nearer one first."""
    ways = [
        _way(which, "standard", size=s, rpm=gives(which, rpm=rpm, runs_mm=runs_mm, new_mm=s.runs_mm), target=target_rpm)
        for s in sizes
    ]
    below = [w for w in ways if w.rpm < target_rpm]
    above = [w for w in ways if w.rpm >= target_rpm]
    found = ([max(below, key=lambda w: w.rpm)] if below else []) + ([min(above, key=lambda w: w.rpm)] if above else [])
    return tuple(sorted(found, key=lambda w: abs(w.off_percent)))


def _way(which: Which, how: How, *, size: Size, rpm: float, target: float) -> Way:
    return Way(
        which=which,
        how=how,
        diameter_mm=size.diameter_mm,
        rpm=rpm,
        off_percent=100 * (rpm / target - 1),
        stocked=size.stocked,
    )


def to_size(which: Which, *, diameter_mm: float, now_mm: float, target_rpm: float, metal: bool) -> Way:
    """A wheel of the exact size: what is on is turned down where it is larger and has the metal, else one is made."""
    how: How = "turned down" if diameter_mm < now_mm and metal else "made"
    return _way(which, how, size=Size(diameter_mm, diameter_mm, False), rpm=target_rpm, target=target_rpm)


def cheaper_first(ways: Sequence[Way], within_percent: float) -> tuple[Way, ...]:
    """Those that land near enough, the cheaper first: by how, then what is on the shelf, then the smaller wheel."""
    near = [w for w in ways if abs(w.off_percent) <= within_percent + 1e-9]
    return tuple(sorted(near, key=lambda w: (ORDER.index(w.how), not w.stocked, w.diameter_mm)))
