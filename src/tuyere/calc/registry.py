"""The calculations: each declared once, reached by web, command line, handbook and forms alike."""

from __future__ import annotations

import sys
from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property
from typing import Annotated, Any, Generic, Literal, Self, TypeVar

from pydantic import (
    BaseModel,
    ConfigDict,
    Field,
    ModelWrapValidatorHandler,
    create_model,
    model_validator,
)

from tuyere import VERSION
from tuyere.calc.answer import Answer, Band, ElevationOut, Figure, NoticeOut, WorkingStep
from tuyere.calc.card import Card
from tuyere.calc.entry import Entered, reading_in
from tuyere.calc.frame import Frame
from tuyere.calc.kinds import KINDS
from tuyere.calc.options import asked_at, options_read
from tuyere.calc.refusals import input_refused, none_found
from tuyere.calc.scene_out import SceneOut
from tuyere.calc.sheet import SheetOut
from tuyere.calc.shown import shown
from tuyere.calc.titles import TITLED, groups_of, title_of, titles_of
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import collected_notices
from tuyere.core.steps import worked

Units = Literal["us", "si"]
Options = dict[Annotated[str, Field(max_length=40)], Annotated[str, Field(max_length=40)]]


class Input(BaseModel):
    """Base of input models: unknown fields are refused, texts hold no control characters."""

    model_config = ConfigDict(extra="forbid", defer_build=True, **TITLED)


In = TypeVar("In", bound=Input)
Out = TypeVar("Out", bound=Answer)


class Request(BaseModel, Generic[In]):
    """``units`` is the system of unitless texts and of the figures that come back."""

    model_config = ConfigDict(extra="forbid", defer_build=True)

    units: Units = Field(default="us", description="system of bare numbers and of the answer")
    options: Options = Field(
        default={},
        description="what is picked beside the input, such as the rating book; GET /api/families has the choices",
    )
    basis: str | None = Field(
        default=None, max_length=40, description="former name of options.book; goes with the next version"
    )
    input: In

    @model_validator(mode="wrap")
    @classmethod
    def _in_units(cls, data: Any, handler: ModelWrapValidatorHandler[Any]) -> Any:
        units = data.get("units", "us") if isinstance(data, dict) else "us"
        with reading_in(units if units in ("us", "si") else "us"):
            return handler(data)

    @model_validator(mode="after")
    def _known_choices(self) -> Self:
        self.options = options_read(self.options, self.basis)
        return self


class FigureGroup(Answer):
    """Figures of a whole drive that belong together."""

    title: str
    names: list[str]


class Response(Answer, Generic[Out]):
    """A worked answer."""

    calc: str
    core: str
    status: Literal["ok"]
    units: Units
    options: dict[str, str] = Field(description="what was picked, defaults put in")
    input: dict[str, Any] = Field(description="every input with its value, what was typed and its origin")
    result: Out
    titles: dict[str, str] = Field(
        description="what the fields of the result are called, where their names do not say it"
    )
    groups: list[FigureGroup] = Field(
        description="which figures of a whole drive belong together; empty for everything else"
    )
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
    search: bool
    bench: bool
    first: tuple[str, ...]
    card: Card | None = None

    @property
    def drawn(self) -> bool:
        """Whether it answers with a drawing, which can then be had as a file."""
        made = self.result_model.model_fields.get("picture")
        return made is not None and made.annotation is SceneOut

    # Made when they are first asked for: nobody waits for the models of forty calculations to work one.
    @cached_property
    def request_model(self) -> type[Request[In]]:
        """What a request of it holds."""
        return create_model(f"{self._stem}Request", __base__=Request[self.input_model])  # type: ignore[name-defined]

    @cached_property
    def response_model(self) -> type[Response[Out]]:
        """What comes back."""
        return create_model(f"{self._stem}Response", __base__=Response[self.result_model])  # type: ignore[name-defined]

    @cached_property
    def titles(self) -> dict[str, str]:
        """What the fields of its result are called, where their names do not say it."""
        return titles_of(self.result_model)

    @cached_property
    def tells(self) -> list[str]:
        """What its answer will say, by name: its card's figures, else the first figures that it always has; none where it
        searches, for then it answers with drives.
        """
        if self.search:
            return []
        fields = self.result_model.model_fields
        named = self.card.figures if self.card else [n for n, f in fields.items() if f.annotation in (Figure, Band)]
        return [fields[n].title or title_of(n) for n in named[:_TOLD]]

    @cached_property
    def groups(self) -> list[FigureGroup]:
        """Which fields of its result belong together, where it works a whole drive."""
        return [FigureGroup(title=t, names=n) for t, n in groups_of(self.result_model.model_fields)]

    @property
    def _stem(self) -> str:
        return "".join(part.title() for part in self.name.split("-"))


CALCULATIONS: dict[str, Calculation[Any, Any]] = {}
# As many as stand beside the first fields of a form.
_TOLD = 7


def calculation(
    name: str,
    title: str,
    *,
    summary: str,
    source: str,
    example: dict[str, Any],
    search: bool = False,
    bench: bool = True,
    first: tuple[str, ...] = (),
    card: Card | None = None,
) -> Callable[[Callable[[In, Frame], Out]], Callable[[In, Frame], Out]]:
    """Register a calculation; its models are read from the function's annotations.

    ``bench`` is whether a person fills its input in by hand; what asks for a whole drive is asked from a drive's page.

    ``card`` is how the bench asks it: a sentence with blanks, a picture and three figures.

    ``first`` names the fields of the result that the task is about; the first three of the model where none are named.
    """

    def wrap(run: Callable[[In, Frame], Out]) -> Callable[[In, Frame], Out]:
        hints = run.__annotations__
        taken = next(iter(hints))
        input_model: Any = hints[taken]
        result_model: Any = hints["return"]
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
            search=search,
            bench=bench,
            first=first or tuple(result_model.model_fields)[:3],
            card=card,
        )
        return run

    return wrap


def _in_core_units(value: Any) -> Any:
    """A value with its quantities as numbers in the core's units; of a model what was said."""
    if isinstance(value, Entered):
        return value.value
    if isinstance(value, BaseModel):
        said = [n for n in type(value).model_fields if n in value.model_fields_set]
        return {n: _in_core_units(getattr(value, n)) for n in said}
    if isinstance(value, list):
        return [_in_core_units(v) for v in value]
    return value


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
        elif isinstance(value, list) and any(isinstance(v, BaseModel | Entered) for v in value):
            out[name] = {
                "value": _in_core_units(value),
                "unit": "",
                "shown": f"{len(value)} of them",
                "typed": None,
                "origin": origin,
            }
        elif value is not None:
            out[name] = {"value": value, "unit": "", "shown": str(value), "typed": None, "origin": origin}
    return out


def work(calc: Calculation[Any, Any], request: Request[Any]) -> Response[Any]:
    """Work a validated request. Raises InputError (its field below ``input``) or NoSolution."""
    frame = Frame(request.units, request.options)
    with worked() as frame.steps, collected_notices() as frame.notices:
        try:
            result = calc.run(request.input, frame)
        except InputError as e:
            raise input_refused(e, asked_at(e.field), request.units) from e
        except NoSolution as e:
            raise none_found(e, request.units) from e
    return calc.response_model(
        calc=calc.name,
        core=VERSION,
        status="ok",
        units=request.units,
        options=frame.options,
        input=echo(request.input, request.units),
        result=result,
        titles=calc.titles,
        groups=calc.groups if frame.sheet else [],
        working=frame.working(),
        notices=frame.notices_out(),
        elevation=frame.elevation_out(),
        sheet=frame.sheet,
    )


def find(name: str) -> Calculation[Any, Any]:
    """A calculation by name; raises KeyError."""
    return CALCULATIONS[name]
