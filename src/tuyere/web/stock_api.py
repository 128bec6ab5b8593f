"""The shelf: a stock list comes in as CSV, is looked through first, and is kept whole."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.frame import Frame
from tuyere.exchange.stock_csv import StockLine, StockList, read_stock
from tuyere.store.lists import current, replace
from tuyere.store.stock import StockItem
from tuyere.web.common import InUnitsQuery, answer, documented, saved, session
from tuyere.web.list_text import ListText, WrongLineOut, refuse_wrong, wrong_out

api = APIBlueprint("stock", __name__, url_prefix="/api", abp_tags=[Tag(name="stock")])


class StockLineOut(Answer):
    """A part on the shelf, or a line that will be one."""

    line: int
    part: str
    section: str
    designation: str
    diameter: Figure | None
    diameter_kind: str
    count: int


class StockPreview(Answer):
    """What a list would come to; nothing is kept yet."""

    lines: list[StockLineOut]
    wrong: list[WrongLineOut]


class Shelf(Answer):
    """What is on the shelf."""

    lines: list[StockLineOut]


def _line(x: StockLine, units: str) -> StockLineOut:
    diameter = None if x.diameter_mm is None else Frame(units, "").figure(x.diameter_mm, "length", "size")
    return StockLineOut(
        line=x.line,
        part=x.part,
        section=x.section,
        designation=x.designation,
        diameter=diameter,
        diameter_kind=x.diameter_kind,
        count=x.count,
    )


def _kept(x: StockItem) -> StockLine:
    return StockLine(x.line, x.part, x.section, x.designation, x.diameter_mm, x.diameter_kind, x.quantity)


def _preview(read: StockList, units: str) -> StockPreview:
    wrong = wrong_out(read.wrong)
    return StockPreview(lines=[_line(x, units) for x in read.lines], wrong=wrong)


@api.post("/stock/preview", summary="Look a stock list through", responses=documented(StockPreview))
def preview_stock(body: ListText) -> Response:
    """Read a list without keeping it."""
    return answer(_preview(read_stock(body.text, body.units), body.units))


@api.put("/stock", summary="Keep a stock list", responses=documented(Shelf))
def keep_stock(body: ListText) -> Response:
    """Take a list in place of the one before it."""
    read = read_stock(body.text, body.units)
    refuse_wrong(read.wrong, body)
    items = [StockItem(line=x.line, part=x.part, section=x.section, designation=x.designation, diameter_mm=x.diameter_mm,
                       diameter_kind=x.diameter_kind, quantity=x.count, created_by_name=body.created_by_name) for x in read.lines]  # fmt: skip
    return saved(body, lambda s: Shelf(lines=[_line(_kept(x), body.units) for x in replace(s, StockItem, items)]))


@api.get("/stock", summary="The shelf", responses=documented(Shelf))
def stock(query: InUnitsQuery) -> Response:
    """What is there."""
    with session() as s:
        return answer(Shelf(lines=[_line(_kept(x), query.units) for x in current(s, StockItem)]))
