"""Drives and their duties as they go out."""

from __future__ import annotations

import uuid
from datetime import datetime
from typing import Any

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.store.builds.views import BuildView
from tuyere.store.machines.views import MachineView
from tuyere.store.speeds.views import PlateView


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
    ratio: str = Field(description="the faster speed over the slower, and which way it goes: 2.50 : 1 down")
    tolerance: Figure
    tolerance_origin: str
    centre: Figure | None
    centre_give: Figure | None
    service_factor: dict[str, Any] | None
    surroundings: str
    cube: bool = Field(description="a fan, blower or centrifugal pump: its power grows with the cube of its speed")
    entries: DutyEntries


class EndsView(Answer):
    """What is known of start, shafts and the maker's number, as typed with its units."""

    rev: int
    given: dict[str, Any]


class DriveView(Answer):
    """Everything the page of a drive shows; builds newest first."""

    id: uuid.UUID
    rev: int
    name: str
    machine: MachineView
    duty: DutyView | None
    ends: EndsView
    plate: PlateView
    builds: list[BuildView]
