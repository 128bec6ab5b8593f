"""How a loop is bent: how often in a turn, on how small a wheel, and backwards."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from tuyere.core.drive.path import Path
from tuyere.core.drive.strands import Strand
from tuyere.core.drive.wheel import Side


@dataclass(frozen=True, slots=True, kw_only=True)
class Bends:
    """Bends in one turn of the loop, those of them backwards, and bends in an hour."""

    in_a_turn: int
    backwards: int
    an_hour: float


@dataclass(frozen=True, slots=True, kw_only=True)
class SmallIdler:
    """An idler under the least that its sources ask for; mm."""

    wheel: str
    there_mm: float
    least_mm: float
    side: Literal["inside", "outside"]


def bends_of(path: Path, speed_m_s: float) -> Bends:
    """Every wheel bends the loop once; one that touches its back bends it the other way. Source: counting."""
    back = sum(s.side == "outside" for s in path.route.stops)
    turns = 3600 * 1000 * speed_m_s / path.length_mm
    return Bends(in_a_turn=len(path.route.stops), backwards=back, an_hour=turns * len(path.route.stops))


def small_idlers(path: Path, times: Mapping[Side, float]) -> tuple[SmallIdler, ...]:
    """Idlers smaller than so many times the smallest wheel that carries power; ``times`` by the face, no face: no limit."""
    least = min(w.pitch_mm for w in path.route.wheels if w.role in ("driver", "driven"))
    return tuple(
        SmallIdler(wheel=s.wheel.id, there_mm=s.wheel.pitch_mm, least_mm=least * times[s.side], side=s.side)
        for s in path.route.stops
        if s.wheel.role == "idler" and s.side in times and s.wheel.pitch_mm < least * times[s.side] * (1 - 1e-9)
    )


def on_tight_strand(path: Path, strands: tuple[Strand, ...]) -> tuple[str, ...]:
    """Idlers that press on the strand with the greatest pull: they belong on the slack one."""
    idlers = {s.wheel.id for s in path.route.stops if s.wheel.role == "idler"}
    tight = [s for s in strands if s.side == "tight"]
    return tuple(dict.fromkeys(w for s in tight for w in (s.after, s.before) if w in idlers))
