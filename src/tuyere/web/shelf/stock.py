"""The shelf: a stock list comes in as CSV, is looked through first, and is kept whole."""

from __future__ import annotations

import uuid
from typing import Annotated, Literal

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import Field
from sqlmodel import Session

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.families.v_belt.parts import Kind
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text, Whole
from tuyere.calc.registry import Units
from tuyere.exchange.stock_csv import StockLine, StockList, read_part, read_stock
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.forms import Operation
from tuyere.store.shelf.book import count_again, current, put_by
from tuyere.store.shelf.book import keep_stock as keep
from tuyere.store.shelf.tables import StockItem
from tuyere.web.plumbing.common import ById, InUnitsQuery, answer, documented, saved, session
from tuyere.web.shelf.list_text import ListText, WrongLineOut, refuse_wrong, wrong_out

api = APIBlueprint("stock", __name__, url_prefix="/api", abp_tags=[Tag(name="stock")])


class StockLineOut(Answer):
    """A part on the shelf, or a line that will be one; ``id`` is None until it is kept."""

    id: uuid.UUID | None
    line: int
    part: str
    section: str
    designation: str
    diameter: Figure | None
    diameter_kind: str
    count: int


class PartForm(Operation):
    """One part, typed: what it is, its size as it stands on it or as measured, how many."""

    units: Units = "us"
    part: Literal["belt", "sheave"] = Field(description="belt or sheave")
    section: Annotated[Text, Field(description="groove of a sheave")] = ""
    size: Annotated[Text, Field(min_length=1, description="marking of a belt, diameter of a sheave")]
    diameter: Kind = Field(default="outside", description="which diameter that is")
    count: Annotated[Whole, Field(ge=1, le=100_000)] = Field(default=1, description="how many")


class CountForm(Operation):
    """How many of a part there are."""

    units: Units = "us"
    count: Annotated[Whole, Field(ge=0, le=100_000)] = Field(description="how many; none takes it off the list")


class StockPreview(Answer):
    """What a list would come to; nothing is kept yet."""

    lines: list[StockLineOut]
    wrong: list[WrongLineOut]


class Shelf(Answer):
    """What is on the shelf."""

    lines: list[StockLineOut]


def _line(x: StockLine, units: str, ident: uuid.UUID | None = None) -> StockLineOut:
    diameter = None if x.diameter_mm is None else Frame(units).figure(x.diameter_mm, "length", "size")
    return StockLineOut(
        id=ident,
        line=x.line,
        part=x.part,
        section=x.section,
        designation=x.designation,
        diameter=diameter,
        diameter_kind=x.diameter_kind,
        count=x.count,
    )


def _kept(x: StockItem) -> StockLine:
    return StockLine(
        line=x.line,
        part=x.part,
        section=x.section,
        designation=x.designation,
        diameter_mm=x.diameter_mm,
        diameter_kind=x.diameter_kind,
        count=x.quantity,
    )


def _shelf(s: Session, units: str) -> Shelf:
    return Shelf(lines=[_line(_kept(x), units, x.id) for x in current(s, StockItem)])


def _preview(read: StockList, units: str) -> StockPreview:
    wrong = wrong_out(read.wrong)
    return StockPreview(lines=[_line(x, units) for x in read.lines], wrong=wrong)


@api.post("/stock/preview", summary="Look a stock list through", responses=documented(StockPreview))
def preview_stock(body: ListText) -> Response:
    """Read a list without keeping it."""
    return answer(_preview(read_stock(body.text, body.units), body.units))


@api.put("/stock", summary="Keep a stock list", responses=documented(Shelf, 409))
def keep_stock(body: ListText) -> Response:
    """Take a list in place of the one before it."""
    read = read_stock(body.text, body.units)
    refuse_wrong(read.wrong, body)

    def work(s: Session, actor: Actor) -> Shelf:
        keep(s, actor, read.lines)
        return _shelf(s, body.units)

    return saved(body, work)


@api.post("/stock/parts", summary="Put a part on the shelf", responses=documented(Shelf, 409))
def put_part(body: PartForm) -> Response:
    """One part more, or more of one that is there."""
    given = {
        "part": body.part,
        "section": body.section,
        "size": body.size,
        "diameter": body.diameter,
        "count": str(body.count),
    }
    x = read_part(1, given, body.units)

    def work(s: Session, actor: Actor) -> Shelf:
        put_by(s, actor, x)
        return _shelf(s, body.units)

    return saved(body, work)


@api.put("/stock/parts/<uuid:ident>", summary="Count a part again", responses=documented(Shelf, 404, 409))
def count_part(path: ById, body: CountForm) -> Response:
    """How many there are now; none takes it off the list."""

    def work(s: Session, actor: Actor) -> Shelf:
        count_again(s, actor, path.ident, body.count)
        return _shelf(s, body.units)

    return saved(body, work)


@api.get("/stock", summary="The shelf", responses=documented(Shelf))
def stock(query: InUnitsQuery) -> Response:
    """What is there."""
    with session() as s:
        return answer(_shelf(s, query.units))
