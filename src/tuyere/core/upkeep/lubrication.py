"""Points of a machine that want oil or grease: with what, how much, how often, and what too much does."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from tuyere.core.errors import InputError
from tuyere.core.tables import declare, table

declare("tuyere.core.upkeep", ("lubrication",))


@dataclass(frozen=True, slots=True, kw_only=True)
class OilPoint:
    """A kind of point; ``every_hours`` is None where only the days count."""

    key: str
    what: str
    lubricant: str
    amount: str
    every_days: int
    every_hours: float | None
    too_much: str
    guard: str


@cache
def oil_points() -> tuple[OilPoint, ...]:
    """Every kind of point, in the table's order."""
    return tuple(
        OilPoint(
            key=str(r["key"]),
            what=str(r["what"]),
            lubricant=str(r["lubricant"]),
            amount=str(r["amount"]),
            every_days=int(str(r["every_days"])),
            every_hours=float(str(r["every_hours"])) or None,
            too_much=str(r["too_much"]),
            guard=str(r["guard"]),
        )
        for r in (dict(zip(_names(), row, strict=True)) for row in table("lubrication").rows)
    )


def _names() -> tuple[str, ...]:
    return ("key", "what", "lubricant", "amount", "every_days", "every_hours", "too_much", "guard", "basis")


def oil_point(key: str, field: str = "oil") -> OilPoint:
    """A kind of point by its key; raises InputError."""
    found = next((p for p in oil_points() if p.key == key), None)
    if found is None:
        raise InputError(field, key, "no such point to oil", ", ".join(p.key for p in oil_points()))
    return found
