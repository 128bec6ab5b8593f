"""The shop's own rating table: comes in as CSV, is looked through first, and is kept whole."""

from __future__ import annotations

from collections.abc import Sequence

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.frame import Frame
from tuyere.core.v_belt.bases.own_table import OwnRow
from tuyere.exchange.rating_csv import read_ratings
from tuyere.store.shelf.book import current
from tuyere.store.shelf.book import keep_ratings as keep
from tuyere.store.shelf.tables import RatingItem
from tuyere.web.plumbing.common import InUnitsQuery, answer, documented, saved, session
from tuyere.web.shelf.list_text import ListText, WrongLineOut, refuse_wrong, wrong_out

api = APIBlueprint("ratings", __name__, url_prefix="/api", abp_tags=[Tag(name="ratings")])


class RatingLineOut(Answer):
    """One line of the table."""

    line: int
    section: str
    diameter: Figure
    speed: Figure
    power: Figure


class RatingPreview(Answer):
    """What a table would come to; nothing is kept yet."""

    lines: list[RatingLineOut]
    wrong: list[WrongLineOut]


class OwnRatingsOut(Answer):
    """The table that is kept."""

    lines: list[RatingLineOut]


def _line(line: int, r: OwnRow, units: str) -> RatingLineOut:
    f = Frame(units).figure
    return RatingLineOut(
        line=line,
        section=r.section,
        diameter=f(r.diameter_mm, "length", "size"),
        speed=f(r.rpm, "speed"),
        power=f(r.power_kw, "power", per="belt"),
    )


def _kept(items: Sequence[RatingItem], units: str) -> OwnRatingsOut:
    return OwnRatingsOut(
        lines=[_line(x.line, OwnRow(x.section, x.diameter_mm, x.rpm, x.power_kw), units) for x in items]
    )


@api.post("/ratings/preview", summary="Look a rating table through", responses=documented(RatingPreview))
def preview_ratings(body: ListText) -> Response:
    """Read a table without keeping it."""
    read = read_ratings(body.text, body.units)
    return answer(
        RatingPreview(
            lines=[_line(x.line, x.row, body.units) for x in read.lines],
            wrong=wrong_out(read.wrong),
        )
    )


@api.put("/ratings", summary="Keep a rating table", responses=documented(OwnRatingsOut))
def keep_ratings(body: ListText) -> Response:
    """Take a table in place of the one before it."""
    read = read_ratings(body.text, body.units)
    refuse_wrong(read.wrong, body)
    return saved(body, lambda s, actor: _kept(keep(s, actor, read.lines), body.units))


@api.get("/ratings", summary="The own rating table", responses=documented(OwnRatingsOut))
def ratings(query: InUnitsQuery) -> Response:
    """What is kept."""
    with session() as s:
        return answer(_kept(current(s, RatingItem), query.units))
