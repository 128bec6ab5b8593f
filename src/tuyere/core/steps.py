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
from functools import wraps
from typing import Any, ParamSpec, TypeAlias, TypeVar

from tuyere.core.quantities import QUANTITIES
from tuyere.core.sources import Source

# A float or a NumPy array of floats: one formula serves one drive and a million candidates.
Num: TypeAlias = Any
P = ParamSpec("P")
R = TypeVar("R")


@dataclass(frozen=True, kw_only=True)
class Formula:
    """One equation: its code, the quantity it gives, its source, the arguments and the expression."""

    fn: Callable[..., Any]
    gives: str
    source: Source
    names: tuple[str, ...]
    expr: ast.expr
    says: str


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
    field: str = ""
    equals: str = ""


_sheet: ContextVar[list[Step] | None] = ContextVar("sheet", default=None)
FORMULAS: dict[str, Formula] = {}


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
        declared = Formula(fn=fn, gives=gives, source=source, names=names, expr=expression(fn), says=says)
        FORMULAS[f"{fn.__module__}.{fn.__qualname__}"] = declared

        @wraps(fn)
        def call(*args: P.args, **kwargs: P.kwargs) -> R:
            value = fn(*args, **kwargs)
            sheet = _sheet.get()
            if sheet is not None:
                given = args + tuple(kwargs[n] for n in names[len(args) :])
                sheet.append(
                    Step(
                        gives=gives,
                        names=names,
                        inputs=given,
                        value=value,
                        source=source,
                        expr=declared.expr,
                        says=says,
                    )
                )
            return value

        return call

    return wrap


def looked_up(gives: str, value: Num, table: str, source: Source, **inputs: Num) -> Num:
    """Record a value read from a table, and hand it on."""
    sheet = _sheet.get()
    if sheet is not None:
        sheet.append(
            Step(
                gives=gives, names=tuple(inputs), inputs=tuple(inputs.values()), value=value, source=source, table=table
            )
        )
    return value


def solved(gives: str, value: float, by: Callable[..., Any], **inputs: Num) -> float:
    """Record a root: ``by`` is the formula it satisfies, ``inputs`` its arguments at the root."""
    sheet = _sheet.get()
    if sheet is not None:
        f = FORMULAS[f"{by.__module__}.{by.__qualname__}"]
        sheet.append(
            Step(
                gives=gives,
                names=tuple(inputs),
                inputs=tuple(inputs.values()),
                value=value,
                source=f.source,
                expr=f.expr,
                says="the root of this equation, found to 1e-9 mm",
                equals=f.gives,
            )
        )
    return value


def mark(field: str, value: Num) -> Num:
    """Say that the step just taken gives the result called ``field``, and hand the value on."""
    sheet = _sheet.get()
    if sheet is not None:
        for step in reversed(sheet):
            if step.value is value or (isinstance(value, float) and step.value == value):
                step.field = f"{step.field},{field}" if step.field else field
                break
        else:
            raise LookupError(f"no step gives {field}")
    return value


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
