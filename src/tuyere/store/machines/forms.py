"""Forms of machines and their drives."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import AwareDatetime, Field

from tuyere.calc.parts import Whole
from tuyere.jobs.words import Energy
from tuyere.store.plumbing.forms import Form, Long, Name, Operation, Point, Short, Tag

MachineKind = Literal["industrial", "hvac", "conveyor", "farm", "shop"]


class EnergySourceIn(Form):
    """An energy source and how it is isolated."""

    type: Energy
    isolation_point: Point
    steps: Long = ""


class MachineCreate(Operation):
    """A new machine."""

    area: Short = ""
    walk_order: Annotated[Whole, Field(ge=0, le=10_000)] = 0
    name: Name
    tag: Tag = ""
    kind: MachineKind = "industrial"
    same_name: bool = Field(default=False, description="there is one of that name already, and this is another")
    energy_sources: Annotated[list[EnergySourceIn], Field(max_length=12)] = []


class MachineChange(Operation):
    """A changed machine; ``rev`` is the version it was read at."""

    rev: Annotated[Whole, Field(ge=1, le=2**31 - 1)]
    area: Short = ""
    walk_order: Annotated[Whole, Field(ge=0, le=10_000)] = 0
    name: Name
    tag: Tag = ""
    kind: MachineKind
    energy_sources: Annotated[list[EnergySourceIn], Field(max_length=12)] = []


class DriveCreate(Operation):
    """A new drive on a machine."""

    name: Name


class MeterSave(Operation):
    """What a machine's meter of running hours shows."""

    at: AwareDatetime
    hours: Annotated[float, Field(ge=0, le=1e6)]
    reset: bool = Field(default=False, description="the meter was changed or set back")
