"""The one form in which any instrument says what it shows, simulated or not; and the kinds there are."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime

from tuyere.core.errors import InputError
from tuyere.core.tables import declare, table

declare("tuyere.instruments", ("instruments", "mishandlings"))


@dataclass(frozen=True, slots=True, kw_only=True)
class Shown:
    """What an instrument showed: a value in its own unit to its own resolution, and what it warned of.

    ``quantity`` is a kind of quantity as the calculations name it; ``unit`` the sign on the instrument.
    """

    instrument: str
    serial: str
    quantity: str
    value: float
    unit: str
    resolution: float
    at: datetime
    simulated: bool
    warnings: tuple[str, ...] = ()

    @property
    def typed(self) -> str:
        """As a person would type it."""
        return f"{self.value:.10g} {self.unit}".strip()


@dataclass(frozen=True, slots=True, kw_only=True)
class Kind:
    """A kind of instrument: its name, what it shows, its finest steps, its error and the most it shows (core's unit)."""

    key: str
    label: str
    quantity: str
    us_step: float
    si_step: float
    percent: float
    amount: float
    most: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Mishandling:
    """A way of holding an instrument that spoils what it shows."""

    key: str
    instrument: str
    label: str
    does: str


def kinds() -> dict[str, Kind]:
    """Every kind, by key."""
    return {k.key: k for k in table("instruments").records(Kind)}


def kind_of(key: str) -> Kind:
    """A kind by its key. Raises InputError."""
    found = kinds().get(key)
    if found is None:
        raise InputError("instrument", key, "no such instrument", ", ".join(kinds()))
    return found


def mishandlings_of(key: str) -> tuple[Mishandling, ...]:
    """How an instrument can be held wrongly."""
    return tuple(m for m in table("mishandlings").records(Mishandling) if m.instrument == key)
