"""The form of a configuration: any family's input, checked by that family."""

from __future__ import annotations

from datetime import date
from typing import Annotated, Any, Literal

from pydantic import Field, ModelWrapValidatorHandler, PrivateAttr, StringConstraints, ValidationError, model_validator
from pydantic_core import InitErrorDetails, PydanticCustomError

import tuyere.calc.every  # noqa: F401  (the families must be known before a form names one)
from tuyere.calc.entry import reading_in
from tuyere.calc.families.protocol import FAMILIES, AnyFamily, families
from tuyere.calc.options import options_read
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, Options
from tuyere.store.plumbing.forms import PLAIN, InUnits


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
    options: Options = Field(default={}, description="what was picked beside the input, such as the rating book")
    basis: str | None = Field(
        default=None, max_length=40, description="former name of options.book; goes with the next version"
    )
    purpose: Literal["found", "designed", "fitted"]
    freeze: bool = False
    family: Annotated[str, StringConstraints(max_length=20)]
    input: dict[str, Any]
    temporary: bool | None = Field(default=None, description="left open: as it stands now")
    temporary_reason: Annotated[str, StringConstraints(strip_whitespace=True, max_length=200, pattern=PLAIN)] = ""
    promised_date: date | None = None
    temporary_ended: Annotated[str, StringConstraints(strip_whitespace=True, max_length=200, pattern=PLAIN)] = Field(
        default="", description="why a temporary mark that stands is removed"
    )

    _given: Input = PrivateAttr()

    @property
    def given(self) -> Input:
        """The input as its family's model."""
        return self._given

    @property
    def adapter(self) -> AnyFamily:
        """The family's adapter."""
        return FAMILIES[self.family]

    @model_validator(mode="before")
    @classmethod
    def _former_family(cls, data: Any) -> Any:
        """Saves that wait on a device since before families had to be named are of the first family there was."""
        if isinstance(data, dict) and "family" not in data and families():
            return {**data, "family": families()[0].key}
        return data

    @model_validator(mode="after")
    def _known_choices(self) -> BuildSave:
        self.options = options_read(self.options, self.basis)
        return self

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
                made._given = made.adapter.input_model.model_validate(made.input)
            except ValidationError as e:
                raise _below_input(e) from e
        return made
