"""The calculations: each declared once, reached by web, command line, handbook and forms alike."""

from __future__ import annotations

import sys
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, Generic, Literal, TypeVar

from pydantic import (
    BaseModel,
    ConfigDict,
    Field,
    ModelWrapValidatorHandler,
    create_model,
    model_validator,
)

from tuyere import VERSION
from tuyere.calc.answer import Answer, ElevationOut, NoticeOut, SheetOut, WorkingStep
from tuyere.calc.entry import Entered, reading_in
from tuyere.calc.frame import Frame
from tuyere.calc.kinds import KINDS
from tuyere.calc.refusals import input_refused, none_found
from tuyere.calc.shown import shown
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import collected_notices
from tuyere.core.steps import worked

Units = Literal["us", "si"]
Basis = Literal["ip20-1988", "ip20-1977", "old-handbook", "metric-table", "own-table"]


class Input(BaseModel):
    """Base of input models: unknown fields are refused, texts hold no control characters."""

    model_config = ConfigDict(extra="forbid")


In = TypeVar("In", bound=Input)
Out = TypeVar("Out", bound=Answer)


class Request(BaseModel, Generic[In]):
    """``units`` is the system of unitless texts and of the figures that come back."""

    model_config = ConfigDict(extra="forbid")

    units: Units = Field(default="us", description="system of bare numbers and of the answer")
    basis: Basis = Field(
        default="ip20-1988",
        description="rating basis of V-belts: current association formulas (IP-20 of 1988 and IP-22), those of 1977, "
        "the older handbook formula, the metric tables, or your own table (own_ratings)",
    )
    input: In

    @model_validator(mode="wrap")
    @classmethod
    def _in_units(cls, data: Any, handler: ModelWrapValidatorHandler[Any]) -> Any:
        units = data.get("units", "us") if isinstance(data, dict) else "us"
        with reading_in(units if units in ("us", "si") else "us"):
            return handler(data)


class Response(Answer, Generic[Out]):
    """A worked answer."""

    calc: str
    core: str
    status: Literal["ok"]
    units: Units
    basis: Basis
    input: dict[str, Any] = Field(description="every input with its value, what was typed and its origin")
    result: Out
    working: list[WorkingStep]
    notices: list[NoticeOut]
    elevation: ElevationOut | None
    sheet: SheetOut | None = Field(description="what the page of a drive shows; only for whole drives")


@dataclass(frozen=True, kw_only=True)
class Calculation(Generic[In, Out]):
    """One registered calculation."""

    name: str
    title: str
    summary: str
    source: str
    group: str
    input_model: type[In]
    result_model: type[Out]
    run: Callable[[In, Frame], Out]
    example: dict[str, Any]
    request_model: type[Request[In]]
    response_model: type[Response[Out]]
    search: bool
    first: tuple[str, ...]


CALCULATIONS: dict[str, Calculation[Any, Any]] = {}


def calculation(
    name: str,
    title: str,
    *,
    summary: str,
    source: str,
    example: dict[str, Any],
    search: bool = False,
    first: tuple[str, ...] = (),
) -> Callable[[Callable[[In, Frame], Out]], Callable[[In, Frame], Out]]:
    """Register a calculation; its models are read from the function's annotations.

    ``first`` names the fields of the result that the task is about; the first three of the model where none are named.
    """

    def wrap(run: Callable[[In, Frame], Out]) -> Callable[[In, Frame], Out]:
        hints = run.__annotations__
        taken = next(iter(hints))
        input_model: Any = hints[taken]
        result_model: Any = hints["return"]
        stem = "".join(part.title() for part in name.split("-"))
        CALCULATIONS[name] = Calculation(
            name=name,
            title=title,
            summary=summary,
            source=source,
            group=sys.modules[run.__module__].__dict__.get("GROUP", "Any drive"),
            input_model=input_model,
            result_model=result_model,
            run=run,
            example=example,
            request_model=create_model(f"{stem}Request", __base__=Request[input_model]),
            response_model=create_model(f"{stem}Response", __base__=Response[result_model]),
            search=search,
            first=first or tuple(result_model.model_fields)[:3],
        )
        return run

    return wrap


def echo(model: BaseModel, units: str) -> dict[str, Any]:
    """The input as understood: value, unit, shown, typed and origin of every field."""
    out: dict[str, Any] = {}
    for name in type(model).model_fields:
        value = getattr(model, name)
        origin = "user" if name in model.model_fields_set else "assumed"
        if isinstance(value, BaseModel):
            out[name] = echo(value, units)
        elif isinstance(value, Entered):
            out[name] = {
                "value": value.value,
                "unit": KINDS[value.kind].core,
                "shown": shown(value.value, value.kind, units, value.style),
                "typed": value.typed,
                "origin": origin,
            }
        elif value is not None:
            out[name] = {"value": value, "unit": "", "shown": str(value), "typed": None, "origin": origin}
    return out


def work(calc: Calculation[Any, Any], request: Request[Any]) -> Response[Any]:
    """Work a validated request. Raises InputError (its field below ``input``) or NoSolution."""
    frame = Frame(request.units, request.basis)
    with worked() as frame.steps, collected_notices() as frame.notices:
        try:
            result = calc.run(request.input, frame)
        except InputError as e:
            raise input_refused(e, e.field if e.field == "basis" else f"input.{e.field}", request.units) from e
        except NoSolution as e:
            raise none_found(e, request.units) from e
    return calc.response_model(
        calc=calc.name,
        core=VERSION,
        status="ok",
        units=request.units,
        basis=request.basis,
        input=echo(request.input, request.units),
        result=result,
        working=frame.working(),
        notices=frame.notices_out(),
        elevation=frame.elevation_out(),
        sheet=frame.sheet,
    )


def find(name: str) -> Calculation[Any, Any]:
    """A calculation by name; raises KeyError."""
    return CALCULATIONS[name]
