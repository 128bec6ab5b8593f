"""Points of a machine that want oil or grease: with what, how much, how often, and what too much does."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from tuyere.core.errors import InputError
from tuyere.core.tables import declare, table

declare("tuyere.core.upkeep", ("lubrication",))


@dataclass(frozen=True, slots=True, kw_only=True)
class OilPoint:
    """A kind of point; ``every_hours`` is 0 where only the days count."""

    key: str
    what: str
    lubricant: str
    amount: str
    every_days: int
    every_hours: float
    too_much: str
    guard: str
    basis: str


@cache
def oil_points() -> tuple[OilPoint, ...]:
    """Every kind of point, in the table's order."""
    return tuple(table("lubrication").records(OilPoint))


def oil_point(key: str, field: str = "oil") -> OilPoint:
    """A kind of point by its key; raises InputError."""
    found = next((p for p in oil_points() if p.key == key), None)
    if found is None:
        raise InputError(field, key, "no such point to oil", ", ".join(p.key for p in oil_points()))
    return found
