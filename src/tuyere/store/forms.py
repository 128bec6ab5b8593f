"""What may be stored: the Create and Change classes that validate before a row is made."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Annotated, Any, Literal

from pydantic import (
    BaseModel,
    ConfigDict,
    Field,
    ModelWrapValidatorHandler,
    PrivateAttr,
    StringConstraints,
    ValidationError,
    model_validator,
)
from pydantic_core import InitErrorDetails, PydanticCustomError

import tuyere.calc.every  # noqa: F401  (the families must be known before a form names one)
from tuyere.calc.entry import Length, Percent, Power, Speed, reading_in
from tuyere.calc.families.protocol import FAMILIES, Family
from tuyere.calc.parts import LayoutIn, ServiceFactorIn, Whole
from tuyere.calc.registry import Basis, Input, Units, find

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


def _below_input(error: ValidationError) -> ValidationError:
    """The same faults with ``input`` before their paths."""
    lines: list[InitErrorDetails] = []
    for e in error.errors(include_url=False):
        kind = PydanticCustomError(e["type"], "{message}", {"message": e["msg"], **e.get("ctx", {})})
        lines.append(InitErrorDetails(type=kind, loc=("input", *e["loc"]), input=e["input"]))
    return ValidationError.from_exception_data("BuildSave", lines)


class BuildSave(InUnits):
    """A configuration: its family, the input of that family's calculation, why it exists, and whether it is settled.

    ``rev`` is the version of the draft it was read at, 0 for a new build.
    """

    rev: Annotated[Whole, Field(ge=0, le=2**31 - 1)] = 0
    basis: Basis = "ip20-1988"
    purpose: Literal["found", "designed", "fitted"]
    freeze: bool = False
    family: Annotated[str, StringConstraints(max_length=20)] = "v-belt"
    input: dict[str, Any]
    temporary: bool | None = Field(default=None, description="left open: as it stands now")
    temporary_reason: Annotated[str, StringConstraints(strip_whitespace=True, max_length=200, pattern=PLAIN)] = ""
    promised_date: date | None = None
    temporary_ended: Annotated[str, StringConstraints(strip_whitespace=True, max_length=200, pattern=PLAIN)] = Field(
        default="", description="why a temporary mark that stands is taken off"
    )

    _given: Input = PrivateAttr()

    @property
    def given(self) -> Input:
        """The input as its family's model."""
        return self._given

    @property
    def adapter(self) -> Family[Any]:
        """The family's adapter."""
        return FAMILIES[self.family]

    @model_validator(mode="after")
    def _of_its_family(self) -> BuildSave:
        if self.family not in FAMILIES:
            allowed = ", ".join(FAMILIES)
            fault = PydanticCustomError("family", "there is no such family of drives", {"allowed": allowed})
            raise ValidationError.from_exception_data(
                "BuildSave", [InitErrorDetails(type=fault, loc=("family",), input=self.family)]
            )
        return self

    @model_validator(mode="wrap")
    @classmethod
    def _input_of_its_family(cls, data: Any, handler: ModelWrapValidatorHandler[Any]) -> Any:
        units = data.get("units", "us") if isinstance(data, dict) else "us"
        with reading_in(units if units in ("us", "si") else "us"):
            made = handler(data)
            try:
                made._given = find(made.adapter.calc).input_model.model_validate(made.input)
            except ValidationError as e:
                raise _below_input(e) from e
        return made


__all__ = ["BuildSave", "DriveCreate", "DutySave", "LayoutIn", "MachineChange", "MachineCreate"]
