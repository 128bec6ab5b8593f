"""The shelf: a stock list comes in as CSV, is looked through first, and is kept whole."""

from __future__ import annotations

from typing import Annotated

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import Field, StringConstraints

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Units
from tuyere.core.errors import InputError
from tuyere.exchange.stock_csv import StockLine, StockList, read_stock
from tuyere.store.forms import Operation
from tuyere.store.stock import StockItem
from tuyere.store.stock_book import replace_shelf, shelf
from tuyere.web.common import InUnitsQuery, answer, documented, session

api = APIBlueprint("stock", __name__, url_prefix="/api", abp_tags=[Tag(name="stock")])


class StockText(Operation):
    """A list as text; bare sizes are read in ``units``."""

    units: Units = "us"
    text: Annotated[str, StringConstraints(max_length=50_000, pattern=r"^[^\x00]*$")]
    leave_out_wrong: bool = Field(
        default=False, description="keep the lines that were understood, leave out the others"
    )


class StockLineOut(Answer):
    """A part on the shelf, or a line that will be one."""

    line: int
    part: str
    section: str
    designation: str
    diameter: Figure | None
    diameter_kind: str
    count: int


class WrongLineOut(Answer):
    """A line that was not understood, why, and what would do."""

    line: int
    text: str
    reason: str
    allowed: str


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
    wrong = [WrongLineOut(line=w.line, text=w.text, reason=w.reason, allowed=w.allowed) for w in read.wrong]
    return StockPreview(lines=[_line(x, units) for x in read.lines], wrong=wrong)


@api.post("/stock/preview", summary="Look a stock list through", responses=documented(StockPreview))
def preview_stock(body: StockText) -> Response:
    """Read a list without keeping it."""
    return answer(_preview(read_stock(body.text, body.units), body.units))


@api.put("/stock", summary="Keep a stock list", responses=documented(Shelf))
def keep_stock(body: StockText) -> Response:
    """Take a list in place of the one before it."""
    read = read_stock(body.text, body.units)
    if read.wrong and not body.leave_out_wrong:
        first = read.wrong[0]
        raise InputError(
            "text",
            None,
            f"{len(read.wrong)} lines are not understood; line {first.line}: {first.reason}",
            first.allowed,
        )
    items = [StockItem(line=x.line, part=x.part, section=x.section, designation=x.designation, diameter_mm=x.diameter_mm,
                       diameter_kind=x.diameter_kind, quantity=x.count, created_by_name=body.created_by_name) for x in read.lines]  # fmt: skip
    with session() as s:
        return answer(Shelf(lines=[_line(_kept(x), body.units) for x in replace_shelf(s, items)]))


@api.get("/stock", summary="The shelf", responses=documented(Shelf))
def stock(query: InUnitsQuery) -> Response:
    """What is there."""
    with session() as s:
        return answer(Shelf(lines=[_line(_kept(x), query.units) for x in shelf(s)]))
