"""The handbook: every table with its provenance, every formula with its source."""

from __future__ import annotations

from typing import Any

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from tuyere.calc.answer import Answer
from tuyere.core.show import formula_card
from tuyere.core.steps import FORMULAS
from tuyere.core.tables import tables_of_packages
from tuyere.web.handbook.subjects import index, subject_of
from tuyere.web.plumbing.common import lasting

api = APIBlueprint("handbook", __name__, url_prefix="/api", abp_tags=[Tag(name="handbook")])


class ColumnOut(Answer):
    """A column."""

    name: str
    unit: str
    meaning: str


class TableOut(Answer):
    """A table with its provenance and its rows."""

    id: str
    subject: str
    title: str
    source: str
    edition: str
    clause: str
    rule: str
    recalled: str
    confidence: str
    notes: str
    columns: list[ColumnOut]
    rows: list[list[Any]]


class FormulaOut(Answer):
    """A formula as LaTeX with its source."""

    id: str
    subject: str
    symbol: str
    name: str
    unit: str
    says: str
    expression: str
    source: str
    edition: str
    origin: str
    confidence: str


class Handbook(Answer):
    """All of it; ``subjects`` is its index."""

    subjects: list[str]
    tables: list[TableOut]
    formulas: list[FormulaOut]


def _handbook() -> Handbook:
    tables = [
        TableOut(
            id=t.id,
            subject=subject_of(package),
            title=t.title,
            source=t.source,
            edition=t.edition,
            clause=t.clause,
            rule=t.rule,
            recalled=t.recalled,
            confidence=t.confidence,
            notes=t.notes,
            columns=[ColumnOut(name=c.name, unit=c.unit, meaning=c.meaning) for c in t.columns],
            rows=[list(r) for r in t.rows],
        )
        for package, t in tables_of_packages()
    ]
    formulas = [FormulaOut(id=key, subject=subject_of(key), **formula_card(f)) for key, f in FORMULAS.items()]
    return Handbook(subjects=index(), tables=tables, formulas=formulas)


@api.get("/handbook", summary="Tables and formulas", responses={200: Handbook})
def handbook() -> Response:
    """Everything the arithmetic rests on."""
    return lasting(_handbook)
