"""What goes out: rows put together as a page needs them, figures in the person's units."""

from __future__ import annotations

import uuid
from datetime import date, datetime
from typing import Any

from pydantic import Field

from tuyere.calc.answer import Answer, Figure


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


class DutyEntries(Answer):
    """The fields of a duty's form: texts that read back to the very value that is kept, empty where left open."""

    power: str
    driver_speed: str
    driven_speed: str
    tolerance: str
    centre: str
    centre_give: str


class DutyView(Answer):
    """A duty with its figures, its fields as they were entered, and the service factor as a search takes it."""

    id: uuid.UUID
    rev: int
    valid_from: datetime
    power: Figure
    driver_speed: Figure
    driven_speed: Figure
    tolerance: Figure
    tolerance_origin: str
    centre: Figure | None
    centre_give: Figure | None
    service_factor: dict[str, Any] | None
    surroundings: str
    cube: bool = Field(description="a fan, blower or centrifugal pump: its power grows with the cube of its speed")
    entries: DutyEntries


class DutyThen(Answer):
    """The duty a build was settled for, where another one holds now."""

    power: Figure
    driver_speed: Figure


class BuildView(Answer):
    """A build: what it is, and the input its calculation takes (numbers in the core's units)."""

    id: uuid.UUID
    rev: int
    no: int
    purpose: str
    state: str
    family: str
    calc: str
    what: str
    valid_from: datetime
    valid_to: datetime | None
    created_by_name: str
    temporary: bool
    temporary_reason: str
    temporary_ended: str = Field(description="why a temporary mark was taken off with this build")
    promised_date: date | None
    basis: str
    core_version: str
    settled_for: DutyThen | None
    wheel_entries: list[str] = Field(description="driver and driven diameter as text that reads back to what is kept")
    input: dict[str, Any]


class DriveView(Answer):
    """Everything the page of a drive shows; builds newest first."""

    id: uuid.UUID
    rev: int
    name: str
    machine: MachineView
    duty: DutyView | None
    builds: list[BuildView]


class RecordView(Answer):
    """A build's calculation as it was shown when it was saved."""

    calc: str
    core_version: str
    created_at: datetime
    input: dict[str, Any]
    result: dict[str, Any]
    working: list[dict[str, Any]]
