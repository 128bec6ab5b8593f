"""Tables with provenance: one TOML file each, checked on load and frozen.

A table says how to read between its rows (``rule``): "exact", "step down" (largest row not above),
"step up" (band over .. through) or "linear". Outside its rows a table raises, it never extends.
"""

from __future__ import annotations

import tomllib
from collections.abc import Iterable
from dataclasses import dataclass, field, fields
from functools import cache
from importlib.resources import files
from typing import TYPE_CHECKING, Any, TypeVar

import numpy as np
from numpy.typing import NDArray

from tuyere.core.errors import InputError
from tuyere.core.sources import Source
from tuyere.core.steps import Num

if TYPE_CHECKING:
    from _typeshed import DataclassInstance

R = TypeVar("R", bound="DataclassInstance")
KEPT = 4096  # answers a table keeps; what people type is without end
RULES = {"exact", "step down", "step up", "linear"}
RECALLED = {"from memory": "recalled", "recomputed": "recomputed", "common practice": "common practice"}


@dataclass(frozen=True)
class Column:
    """A column's name, unit ("1" for none) and meaning."""

    name: str
    unit: str
    meaning: str


@dataclass(frozen=True, kw_only=True)
class Table:
    """A frozen table with its provenance."""

    id: str
    title: str
    source: str
    edition: str
    clause: str
    rule: str
    recalled: str
    confidence: str
    notes: str
    columns: tuple[Column, ...]
    rows: tuple[tuple[Any, ...], ...]
    # What was read off before: tables are frozen, and a search asks the same of them thousands of times.
    _found: dict[tuple[tuple[str, Any], ...], tuple[tuple[Any, ...], ...]] = field(
        default_factory=dict, compare=False, repr=False, init=False
    )
    _axes: dict[tuple[Any, ...], Axis] = field(default_factory=dict, compare=False, repr=False, init=False)

    def index(self, name: str) -> int:
        """Position of a column; raises KeyError."""
        for k, c in enumerate(self.columns):
            if c.name == name:
                return k
        raise KeyError(f"{self.id} has no column {name}")

    def column(self, name: str, **where: Any) -> list[Any]:
        """The values of one column over the rows that match."""
        k = self.index(name)
        return [row[k] for row in self.select(**where)]

    def select(self, **where: Any) -> list[tuple[Any, ...]]:
        """The rows whose named columns equal the given values."""
        key = tuple(where.items())
        found = self._found.get(key)
        if found is None:
            at = [(self.index(n), v) for n, v in key]
            found = tuple(row for row in self.rows if all(row[k] == v for k, v in at))
            if len(self._found) < KEPT:
                self._found[key] = found
        return list(found)

    def records(self, of: type[R]) -> list[R]:
        """Every row as a record whose fields are the columns in their order; raises TypeError where they are not as many."""
        names = [f.name for f in fields(of)]
        if len(names) != len(self.columns):
            raise TypeError(f"{self.id} has {len(self.columns)} columns, {of.__name__} {len(names)} fields")
        return [of(**dict(zip(names, row, strict=True))) for row in self.rows]

    def row(self, **where: Any) -> dict[str, Any]:
        """The one row that matches, as a dictionary; raises KeyError unless there is exactly one."""
        found = self.select(**where)
        if len(found) != 1:
            raise KeyError(f"{self.id}: {len(found)} rows for {where}")
        return {c.name: v for c, v in zip(self.columns, found[0], strict=True)}

    def source_of(self, confidence: str | None = None) -> Source:
        """The table's provenance, with a row's own confidence where it has one."""
        return Source(
            title=self.source,
            edition=self.edition,
            clause=self.clause,
            origin=RECALLED[self.recalled],
            confidence=confidence or self.confidence,
        )


def load(package: str, name: str) -> Table:
    """Read and check one table; raises ValueError naming the table when it is malformed."""
    raw = tomllib.loads(files(package).joinpath("data", f"{name}.toml").read_text("utf-8"))
    columns = tuple(Column(**c) for c in raw.pop("columns"))
    rows = tuple(tuple(r) for r in raw.pop("rows"))
    table = Table(columns=columns, rows=rows, **raw)
    if table.rule not in RULES or table.recalled not in RECALLED:
        raise ValueError(f"{name}: unknown rule or provenance")
    if not rows or any(len(r) != len(columns) for r in rows):
        raise ValueError(f"{name}: every row needs {len(columns)} values")
    return table


@dataclass(frozen=True)
class Axis:
    """One rising axis and its values, read by the table's rule; works on floats and on arrays."""

    name: str
    xs: NDArray[np.float64]
    ys: NDArray[np.float64]
    rule: str

    def at(self, x: Num, field: str) -> Num:
        """Value at ``x``; a float outside raises InputError naming ``field``, an array gives nan there."""
        if self.rule == "linear":
            y: Num = np.interp(x, self.xs, self.ys, left=np.nan, right=np.nan)
        elif self.rule != "step down":
            raise ValueError(f"{self.name}: an axis is not read by the rule {self.rule!r}")
        else:
            k = np.searchsorted(self.xs, np.asarray(x) + 1e-9, side="right") - 1
            y = np.where(k >= 0, self.ys[np.maximum(k, 0)], np.nan)
        if np.ndim(x) == 0:
            if not np.isfinite(y):
                raise InputError(
                    field, float(x), f"outside the table of the {self.name}", f"{self.xs[0]:g} to {self.xs[-1]:g}"
                )
            return float(y)
        return y


def axis(table: Table, x: str, y: str, **where: Any) -> Axis:
    """Make an axis of two columns; raises ValueError when it does not rise."""
    key = (x, y, *where.items())
    known = table._axes.get(key)
    if known is None:
        known = _axis(table, x, y, where)
        if len(table._axes) < KEPT:
            table._axes[key] = known
    return known


def _axis(table: Table, x: str, y: str, where: dict[str, Any]) -> Axis:
    xs = np.array(table.column(x, **where), dtype=float)
    ys = np.array(table.column(y, **where), dtype=float)
    if xs.size == 0 or np.any(np.diff(xs) <= 0):
        raise ValueError(f"{table.id}: column {x} must rise for {where}")
    return Axis(table.title.lower(), xs, ys, table.rule)


_REGISTRY: dict[str, tuple[str, str]] = {}


def declare(package: str, names: Iterable[str]) -> None:
    """Make tables known to the handbook."""
    for name in names:
        _REGISTRY[name] = (package, name)


@cache
def table(name: str) -> Table:
    """A declared table by its file name; raises KeyError."""
    return load(*_REGISTRY[name])


def all_tables() -> list[Table]:
    """Every declared table, in order of declaration."""
    return [t for _, t in tables_of_packages()]


def tables_of_packages() -> list[tuple[str, Table]]:
    """Every declared table behind the package that it belongs to."""
    return [(package, table(name)) for name, (package, _) in _REGISTRY.items()]
