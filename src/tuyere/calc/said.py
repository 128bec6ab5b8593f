"""What a person said of a model, as it is kept: texts with the unit they were meant in, else numbers in the core's units."""

from __future__ import annotations

from collections.abc import Sequence

from pydantic import BaseModel, JsonValue

from tuyere.calc.as_entered import with_unit
from tuyere.calc.entry import Entered


def said(model: BaseModel, units: str, names: Sequence[str] | None = None) -> dict[str, JsonValue]:
    """The fields that were said, or those of them in ``names``; a bare number gets its unit, so that it is never read in another."""
    out: dict[str, JsonValue] = {}
    for name in type(model).model_fields if names is None else names:
        value = getattr(model, name)
        if name not in model.model_fields_set or value is None:
            continue
        if isinstance(value, BaseModel):
            out[name] = said(value, units)
        elif isinstance(value, Entered):
            out[name] = value.value if value.typed is None else with_unit(value.typed, value.kind, units)
        else:
            out[name] = value
    return out
