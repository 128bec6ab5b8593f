"""Machines as they go out."""

from __future__ import annotations

import uuid
from datetime import datetime

from pydantic import Field

from tuyere.calc.answer import Answer


class EnergySourceView(Answer):
    """An energy source and how it is isolated."""

    id: uuid.UUID
    type: str
    isolation_point: str
    steps: str


class DriveLine(Answer):
    """A drive in a list: what is on it and how settled that is."""

    id: uuid.UUID
    name: str
    fitted: str
    state: str
    temporary: bool


class MachineView(Answer):
    """A machine with its energy sources and drives."""

    id: uuid.UUID
    rev: int
    area: str
    walk_order: int
    name: str
    tag: str
    kind: str
    energy_sources: list[EnergySourceView]
    drives: list[DriveLine]


class MachineList(Answer):
    """Machines in walking order."""

    machines: list[MachineView]
    total: int = Field(description="how many there are in all; ``machines`` may hold a part of them")
    areas: list[str]


class MeterView(Answer):
    """Running hours as last read, and how many a day; None where nobody has read them."""

    at: datetime | None
    hours: float | None
    per_day: float | None = Field(description="running hours a day, from two readings a day or more apart")
