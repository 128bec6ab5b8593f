"""The type of a typed quantity in an input model: read with the request's units, echoed with its origin."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass
from typing import Annotated, Any

from pydantic import GetCoreSchemaHandler, GetJsonSchemaHandler
from pydantic_core import CoreSchema, PydanticCustomError, core_schema

from tuyere.calc.kinds import KINDS
from tuyere.calc.shop import UnreadableNumber, check_range, read

_units: ContextVar[str] = ContextVar("units", default="us")


@contextmanager
def reading_in(units: str) -> Iterator[None]:
    """Read unitless texts inside the block in this system."""
    token = _units.set(units)
    try:
        yield
    finally:
        _units.reset(token)


@dataclass(frozen=True, slots=True)
class Entered:
    """A quantity as entered: core-unit value, what was typed, and what kind it is."""

    value: float
    typed: str | None
    kind: str
    style: str = ""


@dataclass(frozen=True)
class _Reader:
    kind: str
    style: str

    def __call__(self, given: Any) -> Entered:
        kind = KINDS[self.kind]
        if isinstance(given, Entered) and given.kind == self.kind:
            return given
        try:
            if isinstance(given, bool) or not isinstance(given, int | float | str):
                raise UnreadableNumber("not a number", f"for example {kind.example}")
            if isinstance(given, str):
                return Entered(read(given, self.kind, _units.get()), given, self.kind, self.style)
            try:
                number = float(given)
            except OverflowError as e:
                raise UnreadableNumber("far too large") from e
            return Entered(check_range(number, kind, _units.get()), None, self.kind, self.style)
        except UnreadableNumber as e:
            raise PydanticCustomError("quantity", "{why}", {"why": e.why, "allowed": e.allowed}) from e

    def __get_pydantic_core_schema__(self, _source: Any, _handler: GetCoreSchemaHandler) -> CoreSchema:
        return core_schema.no_info_plain_validator_function(
            self,
            serialization=core_schema.plain_serializer_function_ser_schema(
                lambda e: e.value if e.typed is None else e.typed
            ),
        )

    def __get_pydantic_json_schema__(self, _schema: CoreSchema, _handler: GetJsonSchemaHandler) -> dict[str, Any]:
        kind = KINDS[self.kind]
        return {
            "anyOf": [
                {"type": "number", "minimum": kind.lowest, "maximum": kind.highest},
                {"type": "string", "minLength": 1, "maxLength": 40},
            ],
            "x-kind": self.kind,
            "x-unit-us": kind.us_shown,
            "x-unit-si": kind.si_shown,
            "x-example": kind.example,
        }


Length = Annotated[Entered, _Reader("length", "tape")]
Size = Annotated[Entered, _Reader("length", "size")]
Place = Annotated[Entered, _Reader("place", "")]
Power = Annotated[Entered, _Reader("power", "")]
Speed = Annotated[Entered, _Reader("speed", "")]
Percent = Annotated[Entered, _Reader("percent", "")]
Factor = Annotated[Entered, _Reader("factor", "")]
Hours = Annotated[Entered, _Reader("hours", "")]
HoursADay = Annotated[Entered, _Reader("hours_a_day", "")]
Angle = Annotated[Entered, _Reader("angle", "")]
MassPerLength = Annotated[Entered, _Reader("mass_per_length", "")]
Gap = Annotated[Entered, _Reader("gap", "")]
Slope = Annotated[Entered, _Reader("slope", "")]
Temperature = Annotated[Entered, _Reader("temperature", "")]
Frequency = Annotated[Entered, _Reader("frequency", "")]
Stress = Annotated[Entered, _Reader("stress", "")]
Turns = Annotated[Entered, _Reader("turns", "")]
Force = Annotated[Entered, _Reader("force", "")]


def maybe(e: Entered | None) -> float | None:
    """The core-unit value, or None for an absent entry."""
    return None if e is None else e.value


def value_of(e: Entered | None, default: float = 0.0) -> float:
    """The core-unit value, or the default for an absent entry."""
    return default if e is None else e.value
