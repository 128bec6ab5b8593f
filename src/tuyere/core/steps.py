"""Worked steps: what a formula is, what a table look-up is, and the sheet that collects those used.

A formula is one ``return`` expression in the standard's own symbols. What is shown to the user is
derived from that expression, so that the shown formula and the computed one cannot drift apart.
"""

from __future__ import annotations

import ast
import inspect
import textwrap
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass
from functools import cached_property, wraps
from typing import Any, ParamSpec, TypeAlias, TypeVar

import numpy as np

from tuyere.core.quantities import QUANTITIES
from tuyere.core.sources import Source

# A float or a NumPy array of floats: one formula serves one drive and a million candidates.
Num: TypeAlias = Any
P = ParamSpec("P")
R = TypeVar("R")
N = TypeVar("N")


@dataclass(frozen=True, kw_only=True)
class Formula:
    """One equation: its code, the quantity it gives, its source, the arguments and the expression."""

    fn: Callable[..., Any]
    gives: str
    source: Source
    names: tuple[str, ...]
    says: str

    @cached_property
    def expr(self) -> ast.expr:
        """The returned expression, read from the code when it is first shown: most formulas never are."""
        return expression(self.fn)


@dataclass(slots=True, kw_only=True)
class Step:
    """One line of working. ``expr`` is None for a table look-up; ``field`` names the result it gives;
    ``equals`` names the known side of an equation solved for ``gives``."""

    gives: str
    names: tuple[str, ...]
    inputs: tuple[Any, ...]
    value: Any
    source: Source
    expr: ast.expr | None = None
    table: str = ""
    says: str = ""
    about: str = ""
    equals: str = ""


class Traced(float):
    """A worked number that knows the step that made it. Arithmetic outside a formula gives a plain float again."""

    __slots__ = ("step",)
    step: Step

    def __new__(cls, value: float, step: Step) -> Traced:
        """A number with its step."""
        made = super().__new__(cls, value)
        made.step = step
        return made

    def __reduce_ex__(self, protocol: object) -> tuple[type[float], tuple[float]]:
        """Copies and pickles are plain numbers: a sheet does not travel with them."""
        return float, (float(self),)

    def __deepcopy__(self, memo: object) -> float:
        """As above."""
        return float(self)


def step_of(value: object) -> Step | None:
    """The step that made a value, if one did."""
    return value.step if isinstance(value, Traced) else None


_sheet: ContextVar[list[Step] | None] = ContextVar("sheet", default=None)
_about: ContextVar[str] = ContextVar("about", default="")
FORMULAS: dict[str, Formula] = {}


def _taken(step: Step) -> Any:
    """Put a step on the sheet; its value comes back knowing it. Arrays know nothing: a sweep has no working."""
    sheet = _sheet.get()
    if sheet is None:
        return step.value
    sheet.append(step)
    return Traced(step.value, step) if np.ndim(step.value) == 0 else step.value


def expression(fn: Callable[..., Any]) -> ast.expr:
    """The returned expression of a formula; anything but a docstring before it is refused."""
    match ast.parse(textwrap.dedent(inspect.getsource(fn))).body:
        case [ast.FunctionDef(body=[ast.Return(value=e)] | [ast.Expr(), ast.Return(value=e)])] if e is not None:
            return e
    raise TypeError(f"{fn.__qualname__}: a formula is one return expression, under a docstring at most")


def formula(gives: str, source: Source) -> Callable[[Callable[P, R]], Callable[P, R]]:
    """Declare a formula; raises NameError where an argument is not in the nomenclature."""

    def wrap(fn: Callable[P, R]) -> Callable[P, R]:
        names = tuple(inspect.signature(fn).parameters)
        if unknown := [n for n in (gives, *names) if n not in QUANTITIES]:
            raise NameError(f"{fn.__qualname__}: not in the nomenclature: {', '.join(unknown)}")
        says = (inspect.getdoc(fn) or "").split("\n\n")[0].replace("\n", " ")
        declared = Formula(fn=fn, gives=gives, source=source, names=names, says=says)
        FORMULAS[f"{fn.__module__}.{fn.__qualname__}"] = declared

        @wraps(fn)
        def call(*args: P.args, **kwargs: P.kwargs) -> R:
            value = fn(*args, **kwargs)
            if _sheet.get() is None:
                return value
            given = args + tuple(kwargs[n] for n in names[len(args) :])
            taken: R = _taken(
                Step(
                    gives=gives,
                    names=names,
                    inputs=given,
                    value=value,
                    source=source,
                    expr=declared.expr,
                    says=says,
                    about=_about.get(),
                )
            )
            return taken

        return call

    return wrap


def looked_up(gives: str, value: N, table: str, source: Source, **inputs: Num) -> N:
    """Record a value read from a table, and hand it on."""
    if _sheet.get() is None:
        return value
    taken: N = _taken(
        Step(
            gives=gives,
            names=tuple(inputs),
            inputs=tuple(inputs.values()),
            value=value,
            source=source,
            table=table,
            about=_about.get(),
        )
    )
    return taken


def solved(gives: str, value: float, by: Callable[..., Any], **inputs: Num) -> float:
    """Record a root: ``by`` is the formula it satisfies, ``inputs`` its arguments at the root."""
    if _sheet.get() is None:
        return value
    f = FORMULAS[f"{by.__module__}.{by.__qualname__}"]
    root: float = _taken(
        Step(
            gives=gives,
            names=tuple(inputs),
            inputs=tuple(inputs.values()),
            value=value,
            source=f.source,
            expr=f.expr,
            says="the root of this equation, found to 1e-9 mm",
            about=_about.get(),
            equals=f.gives,
        )
    )
    return root


@contextmanager
def about(what: str) -> Iterator[None]:
    """Say what the steps inside the block are about: "driver", "idler 1"; the innermost words count."""
    token = _about.set(what)
    try:
        yield
    finally:
        _about.reset(token)


@contextmanager
def worked() -> Iterator[list[Step]]:
    """Collect the steps taken inside the block."""
    steps: list[Step] = []
    token = _sheet.set(steps)
    try:
        yield steps
    finally:
        _sheet.reset(token)


@contextmanager
def quiet() -> Iterator[None]:
    """Keep a solver's trial steps off the sheet; the converged point is worked again outside."""
    token = _sheet.set(None)
    try:
        yield
    finally:
        _sheet.reset(token)
