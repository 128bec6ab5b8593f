"""A drive that comes with a request: its family and its input, read back from how a page holds them."""

from __future__ import annotations

from pydantic import JsonValue, ValidationError

from tuyere.calc.families.protocol import AnyFamily, of_calc
from tuyere.calc.registry import Input
from tuyere.core.errors import InputError


def drive_asked(calc: str, values: dict[str, JsonValue]) -> tuple[AnyFamily, Input]:
    """(the family that works ``calc``, the input). Raises InputError at ``calc`` or ``input``."""
    family = of_calc(calc)
    if family is None:
        raise InputError("calc", calc, "no family of drives is worked by that", "a whole-drive calculation")
    try:
        return family, family.input_model.model_validate(values)
    except ValidationError as e:
        raise InputError(
            "input", None, "this is no input of that calculation", "the input as the drive's page holds it"
        ) from e
