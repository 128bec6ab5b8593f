"""The shop's own rating table: comes in as CSV, is looked through first, and is kept whole."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.frame import Frame
from tuyere.core.v_belt.bases.own_table import OwnRow
from tuyere.exchange.rating_csv import read_ratings
from tuyere.store.lists import current, replace
from tuyere.store.ratings import RatingItem
from tuyere.web.common import InUnitsQuery, answer, documented, saved, session
from tuyere.web.list_text import ListText, WrongLineOut, refuse_wrong, wrong_out

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
    f = Frame(units, "").figure
    return RatingLineOut(
        line=line,
        section=r.section,
        diameter=f(r.diameter_mm, "length", "size"),
        speed=f(r.rpm, "speed"),
        power=f(r.power_kw, "power", per="belt"),
    )


def _kept(items: list[RatingItem], units: str) -> OwnRatingsOut:
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
    items = [
        RatingItem(
            line=x.line,
            section=x.row.section,
            diameter_mm=x.row.diameter_mm,
            rpm=x.row.rpm,
            power_kw=x.row.power_kw,
            created_by_name=body.created_by_name,
        )
        for x in read.lines
    ]
    return saved(body, lambda s: _kept(list(replace(s, RatingItem, items)), body.units))


@api.get("/ratings", summary="The own rating table", responses=documented(OwnRatingsOut))
def ratings(query: InUnitsQuery) -> Response:
    """What is kept."""
    with session() as s:
        return answer(_kept(list(current(s, RatingItem)), query.units))
