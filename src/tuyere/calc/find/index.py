"""Everything that can be found by a word: the tasks, the tables of the handbook, the formulas."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from typing import Any

import tuyere.calc.every  # noqa: F401  (registers what is searched)
from tuyere.calc.find.words import closeness, split
from tuyere.calc.registry import CALCULATIONS
from tuyere.core.quantities import QUANTITIES
from tuyere.core.steps import FORMULAS
from tuyere.core.tables import all_tables


@dataclass(frozen=True, slots=True, kw_only=True)
class Entry:
    """A thing to find. ``kind`` is task, table or formula; ``key`` names it there; the words are lower case."""

    kind: str
    key: str
    title: str
    words: tuple[str, ...]
    summary: tuple[str, ...]
    text: tuple[str, ...]


# The list of everyday words would answer every one of them with itself.
OWN = "everyday-words"
# What is done comes before what it rests on.
BEFORE = {"task": 6.0, "table": 2.0, "formula": 0.0}
# A title that begins with just these words is the one that is meant.
BEGINS = 2.0
# Whole pages that are tasks too: key is the path.
PAGES = (
    ("/choose", "Choose a drive for a duty", "select size new power speeds ratio belt chain synchronous flat v-belt"),
    (
        "/what-belt",
        "What is this belt?",
        "identify print marking tape width depth unknown belt lost sheaves number joined",
    ),
    ("/shelf", "Shelf", "stock parts spare belts sheaves list own ratings"),
    ("/machines", "Machines", "drives record walk area isolation lockout tag"),
)


def _entry(kind: str, key: str, title: str, summary: str, text: str) -> Entry:
    return Entry(
        kind=kind,
        key=key,
        title=title,
        words=tuple(split(title)),
        summary=tuple(split(summary)),
        text=tuple(dict.fromkeys(split(text))),
    )


def _field_words(schema: dict[str, Any]) -> str:
    """Names and meanings of all fields of an input, nested ones too."""
    models = [schema, *schema.get("$defs", {}).values()]
    return " ".join(
        f"{name.replace('_', ' ')} {field.get('description', '')}"
        for model in models
        for name, field in model.get("properties", {}).items()
    )


@cache
def entries() -> tuple[Entry, ...]:
    """All of them, tasks first, made once."""
    tasks = [_entry("task", path, title, text, "") for path, title, text in PAGES]
    tasks += [
        _entry(
            "task",
            f"/bench/{c.name}",
            c.title,
            f"{c.name.replace('-', ' ')} {c.summary}",
            f"{c.group} {c.source} {_field_words(c.input_model.model_json_schema())}",
        )
        for c in CALCULATIONS.values()
        if c.bench
    ]
    tables = [
        _entry(
            "table",
            t.id,
            t.title,
            "",
            " ".join(
                [t.source, t.clause, t.notes, t.id, *(c.meaning for c in t.columns)]
                + [str(v) for row in t.rows for v in row if isinstance(v, str)]
            ),
        )
        for t in all_tables()
        if t.id != OWN
    ]
    formulas = [
        _entry(
            "formula",
            key,
            QUANTITIES[f.gives].meaning,
            f.says,
            f"{f.source.title} {' '.join(QUANTITIES[n].meaning for n in f.names)}",
        )
        for key, f in FORMULAS.items()
    ]
    return (*tasks, *tables, *formulas)


def find(text: str) -> list[Entry]:
    """What answers every word of the text, the closest first; of equals a task before a table before a formula."""
    asked = split(text)
    if not asked:
        return []
    marks = [
        (
            closeness(asked, list(e.words), list(e.summary), list(e.text))
            + BEGINS * (e.words[: len(asked)] == tuple(asked)),
            e,
        )
        for e in entries()
    ]
    return [e for mark, e in sorted((m for m in marks if m[0] > 0), key=lambda m: -m[0] - BEFORE[m[1].kind])]
