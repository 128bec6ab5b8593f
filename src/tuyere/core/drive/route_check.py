"""A loop as it lies on the machine against the way it should go: what is on the wrong side, out of order, or left out."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from tuyere.core.drive.route import Stop

Fault = Literal["wrong side", "left out", "not on the drive", "out of order", "crossed wrongly"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Misrouted:
    """One wheel or guide that the loop passes wrongly, and what to do about it."""

    wheel: str
    fault: Fault
    says: str


def _turned_to(names: list[str], first: str) -> list[str]:
    """The same ring of names beginning at one of them."""
    k = names.index(first)
    return names[k:] + names[:k]


def compare(right: Sequence[Stop], there: Sequence[Stop]) -> tuple[Misrouted, ...]:
    """What is wrong with the loop that is there; nothing where it goes as it should.

    A loop has no first wheel: both are told from the driver. Source: comparison of two rings.
    """
    out: list[Misrouted] = []
    wanted, found = {s.wheel.id: s for s in right}, {s.wheel.id: s for s in there}
    for name in wanted:
        if name not in found:
            out.append(Misrouted(wheel=name, fault="left out", says=f"{name} is left out: the belt goes over it too"))
    for name, stop in found.items():
        if name not in wanted:
            out.append(Misrouted(wheel=name, fault="not on the drive", says=f"{name} is no part of this drive's way"))
        elif stop.side != wanted[name].side:
            should = "inside" if wanted[name].side == "inside" else "outside"
            face = "its inside runs on it" if should == "inside" else "its back runs on it"
            out.append(Misrouted(wheel=name, fault="wrong side", says=f"{name} belongs {should} the belt: {face}"))
        elif stop.crossed != wanted[name].crossed:
            out.append(
                Misrouted(
                    wheel=name,
                    fault="crossed wrongly",
                    says=f"the strand to {name} {'crosses' if wanted[name].crossed else 'does not cross'}",
                )
            )
    both = [s.wheel.id for s in right if s.wheel.id in found]
    met = [s.wheel.id for s in there if s.wheel.id in wanted]
    if both and sorted(both) == sorted(met) and (ring := _turned_to(met, both[0])) != both:
        first = next(k for k, (a, b) in enumerate(zip(both, ring, strict=True)) if a != b)
        out.append(
            Misrouted(
                wheel=ring[first],
                fault="out of order",
                says=f"after {both[first - 1]} comes {both[first]}, not {ring[first]}",
            )
        )
    return tuple(out)
