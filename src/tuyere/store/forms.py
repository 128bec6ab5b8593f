"""What may be stored: the Create and Change classes that validate before a row is made."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ModelWrapValidatorHandler, StringConstraints, model_validator

from tuyere.calc.entries.parts import LayoutIn, ServiceFactorIn, Whole
from tuyere.calc.entries.v_belt_drive import VBeltDriveIn
from tuyere.calc.entry import Length, Percent, Power, Speed, reading_in
from tuyere.calc.registry import Basis, Units

# Texts are kept as typed; control characters cannot be stored, everything else is shown as text, never as markup.
PLAIN = r"^[^\x00-\x08\x0b-\x1f\x7f]*$"
Name = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80, pattern=PLAIN)]
Short = Annotated[str, StringConstraints(strip_whitespace=True, max_length=80, pattern=PLAIN)]
Tag = Annotated[str, StringConstraints(strip_whitespace=True, max_length=40, pattern=PLAIN)]
Point = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120, pattern=PLAIN)]
Long = Annotated[str, StringConstraints(strip_whitespace=True, max_length=500, pattern=PLAIN)]
MachineKind = Literal["industrial", "hvac", "conveyor", "farm", "shop"]
Energy = Literal["electric", "engine", "pneumatic", "hydraulic", "spring", "gravity", "heat", "other"]


class Form(BaseModel):
    """Unknown fields are refused."""

    model_config = ConfigDict(extra="forbid")


class Operation(Form):
    """``id`` and ``op_id`` are made by the client, so that a repeated request is known as one."""

    id: uuid.UUID = Field(default_factory=uuid.uuid4)
    op_id: uuid.UUID = Field(default_factory=uuid.uuid4)
    created_by_name: Short = ""


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
    energy_sources: Annotated[list[EnergySourceIn], Field(max_length=12)] = []


class MachineChange(Form):
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


class InUnits(Operation):
    """A form with typed quantities: bare numbers are read in ``units``."""

    units: Units = "us"

    @model_validator(mode="wrap")
    @classmethod
    def _in_units(cls, data: Any, handler: ModelWrapValidatorHandler[Any]) -> Any:
        units = data.get("units", "us") if isinstance(data, dict) else "us"
        with reading_in(units if units in ("us", "si") else "us"):
            return handler(data)


class DutySave(InUnits):
    """What the drive must do; ``rev`` is the version it was read at, 0 where there was none."""

    rev: Annotated[Whole, Field(ge=0, le=2**31 - 1)] = 0
    power: Power
    driver_speed: Speed
    driven_speed: Speed
    tolerance: Percent | None = None
    service_factor: ServiceFactorIn | None = None
    centre: Length | None = None
    centre_give: Length | None = None
    surroundings: Annotated[str, StringConstraints(strip_whitespace=True, max_length=200, pattern=PLAIN)] = ""


class BuildSave(InUnits):
    """A configuration: the input of its calculation, why it exists, and whether it is settled.

    ``rev`` is the version of the draft it was read at, 0 for a new build.
    """

    rev: Annotated[Whole, Field(ge=0, le=2**31 - 1)] = 0
    basis: Basis = "ip20-1988"
    purpose: Literal["found", "designed", "fitted"]
    freeze: bool = False
    input: VBeltDriveIn
    temporary: bool = False
    temporary_reason: Annotated[str, StringConstraints(strip_whitespace=True, max_length=200, pattern=PLAIN)] = ""
    promised_date: date | None = None

    @model_validator(mode="after")
    def _temporary_has_reason(self) -> BuildSave:
        if self.temporary and (not self.temporary_reason or self.promised_date is None):
            raise ValueError("a temporary build needs a reason and a promised date")
        return self


__all__ = ["BuildSave", "DriveCreate", "DutySave", "LayoutIn", "MachineChange", "MachineCreate"]
