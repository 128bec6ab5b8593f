"""The shop's own rating table: comes in as CSV, is looked through first, and is kept whole."""

from __future__ import annotations

from typing import Annotated

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import Field, StringConstraints

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Units
from tuyere.core.errors import InputError
from tuyere.core.vbelt.bases.own_table import OwnRow
from tuyere.exchange.rating_csv import read_ratings
from tuyere.store.forms import Operation
from tuyere.store.ratings import RatingItem, own_ratings, replace_ratings
from tuyere.web.common import InUnitsQuery, answer, documented, session
from tuyere.web.stock_api import WrongLineOut

api = APIBlueprint("ratings", __name__, url_prefix="/api", abp_tags=[Tag(name="ratings")])


class RatingText(Operation):
    """A table as text; bare diameters are read in ``units``."""

    units: Units = "us"
    text: Annotated[str, StringConstraints(max_length=50_000, pattern=r"^[^\x00]*$")]
    leave_out_wrong: bool = Field(
        default=False, description="keep the lines that were understood, leave out the others"
    )


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
    return RatingLineOut(line=line, section=r.section, diameter=f(r.diameter_mm, "length", "size"), speed=f(r.rpm, "speed"),
                         power=f(r.power_kw, "power", per="belt"))  # fmt: skip


def _kept(items: list[RatingItem], units: str) -> OwnRatingsOut:
    return OwnRatingsOut(
        lines=[_line(x.line, OwnRow(x.section, x.diameter_mm, x.rpm, x.power_kw), units) for x in items]
    )


@api.post("/ratings/preview", summary="Look a rating table through", responses=documented(RatingPreview))
def preview_ratings(body: RatingText) -> Response:
    """Read a table without keeping it."""
    read = read_ratings(body.text, body.units)
    return answer(
        RatingPreview(
            lines=[_line(x.line, x.row, body.units) for x in read.lines],
            wrong=[WrongLineOut(line=w.line, text=w.text, reason=w.reason, allowed=w.allowed) for w in read.wrong],
        )
    )


@api.put("/ratings", summary="Keep a rating table", responses=documented(OwnRatingsOut))
def keep_ratings(body: RatingText) -> Response:
    """Take a table in place of the one before it."""
    read = read_ratings(body.text, body.units)
    if read.wrong and not body.leave_out_wrong:
        first = read.wrong[0]
        raise InputError(
            "text",
            None,
            f"{len(read.wrong)} lines are not understood; line {first.line}: {first.reason}",
            first.allowed,
        )
    items = [RatingItem(line=x.line, section=x.row.section, diameter_mm=x.row.diameter_mm, rpm=x.row.rpm, power_kw=x.row.power_kw,
                        created_by_name=body.created_by_name) for x in read.lines]  # fmt: skip
    with session() as s:
        return answer(_kept(list(replace_ratings(s, items)), body.units))


@api.get("/ratings", summary="The own rating table", responses=documented(OwnRatingsOut))
def ratings(query: InUnitsQuery) -> Response:
    """What is kept."""
    with session() as s:
        return answer(_kept(list(own_ratings(s)), query.units))
