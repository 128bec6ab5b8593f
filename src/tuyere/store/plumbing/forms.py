"""What every form shares: texts that can be kept, an operation's name, quantities in the person's units."""

from __future__ import annotations

import uuid
from typing import Annotated, Any

from pydantic import (
    BaseModel,
    ConfigDict,
    Field,
    ModelWrapValidatorHandler,
    StringConstraints,
    model_validator,
)

from tuyere.calc.entry import reading_in
from tuyere.calc.registry import Units

# Texts are kept as typed; control characters cannot be stored, everything else is shown as text, never as markup.
PLAIN = r"^[^\x00-\x08\x0b-\x1f\x7f]*$"
Name = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=80, pattern=PLAIN)]
Short = Annotated[str, StringConstraints(strip_whitespace=True, max_length=80, pattern=PLAIN)]
Tag = Annotated[str, StringConstraints(strip_whitespace=True, max_length=40, pattern=PLAIN)]
Point = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120, pattern=PLAIN)]
Long = Annotated[str, StringConstraints(strip_whitespace=True, max_length=500, pattern=PLAIN)]


class Form(BaseModel):
    """Unknown fields are refused."""

    model_config = ConfigDict(extra="forbid")


class Operation(Form):
    """``id`` and ``op_id`` are made by the client, so that a repeated request is known as one."""

    id: uuid.UUID = Field(default_factory=uuid.uuid4)
    op_id: uuid.UUID = Field(default_factory=uuid.uuid4)
    created_by_name: Short = ""


class InUnits(Operation):
    """A form with typed quantities: bare numbers are read in ``units``."""

    units: Units = "us"

    @model_validator(mode="wrap")
    @classmethod
    def _in_units(cls, data: Any, handler: ModelWrapValidatorHandler[Any]) -> Any:
        units = data.get("units", "us") if isinstance(data, dict) else "us"
        with reading_in(units if units in ("us", "si") else "us"):
            return handler(data)
