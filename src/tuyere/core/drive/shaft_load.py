"""One shaft load of a drive: what bearing and shaft must stand, whichever state is the harder one."""

from __future__ import annotations

from dataclasses import dataclass

STANDING, RUNNING = "standing, set new", "running"


@dataclass(frozen=True, slots=True, kw_only=True)
class ShaftLoad:
    """N on each shaft, and in which state."""

    newtons: float
    case: str


def shaft_load(*, standing_new_n: float, running_n: float) -> ShaftLoad:
    """The greater of standing as set new and running at the duty's power; both in N on each shaft, all belts.

    Every list, card, limit and page shows this one. Source: statics; common practice for taking the greater.
    """
    if standing_new_n >= running_n:
        return ShaftLoad(newtons=standing_new_n, case=STANDING)
    return ShaftLoad(newtons=running_n, case=RUNNING)
