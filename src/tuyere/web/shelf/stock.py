"""The shelf: a stock list comes in as CSV, is looked through first, and is kept whole."""

from __future__ import annotations

import uuid
from typing import Annotated, Literal

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import Field, FiniteFloat
from sqlmodel import Session

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.families.v_belt.parts import Kind
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text, Whole
from tuyere.calc.registry import Units
from tuyere.exchange.stock_csv import PARTS, StockLine, StockList, read_part, read_stock
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.forms import Operation, Short
from tuyere.store.plumbing.rows import one
from tuyere.store.shelf.book import count_again, current, parts_for, plain, put_by, set_place
from tuyere.store.shelf.book import keep_stock as keep
from tuyere.store.shelf.spares import drives_by_loop, parts_of, spares_for
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
    place: str = Field(default="", description="where it lies")
    low: int | None = Field(default=None, description="under this count it is to be bought again")
    price: float | None = Field(default=None, description="what one costs, in the shop's money")
    drives: int = Field(default=0, description="how many drives take it now")


class PartForm(Operation):
    """One part, typed: what it is, its size as it stands on it or as measured, how many."""

    units: Units = "us"
    part: Literal[PARTS] = Field(description="belt, sheave, bushing, chain and so on")  # type: ignore[valid-type]
    section: Annotated[Text, Field(description="groove of a sheave")] = ""
    size: Annotated[Text, Field(min_length=1, description="marking of a belt, diameter of a sheave")]
    diameter: Kind = Field(default="outside", description="which diameter that is")
    count: Annotated[Whole, Field(ge=1, le=100_000)] = Field(default=1, description="how many")
    place: Short = ""
    low: Annotated[Whole, Field(ge=1, le=100_000)] | None = None
    price: Annotated[FiniteFloat, Field(ge=0, le=1e7)] | None = None


class CountForm(Operation):
    """How many of a part there are."""

    units: Units = "us"
    count: Annotated[Whole, Field(ge=0, le=100_000)] = Field(description="how many; none takes it off the list")


class PlaceForm(Operation):
    """Where a part lies, under which count it is to be bought again, what one costs."""

    units: Units = "us"
    place: Short = ""
    low: Annotated[Whole, Field(ge=1, le=100_000)] | None = None
    price: Annotated[FiniteFloat, Field(ge=0, le=1e7)] | None = None


class FitLine(Answer):
    """A drive that takes a part."""

    drive_id: uuid.UUID
    machine: str
    drive: str
    what: str


class Fits(Answer):
    """Drives that take a part now."""

    drives: list[FitLine]


class WantedOut(Answer):
    """A part that a drive takes, how many, how many are on the shelf and where."""

    what: str
    count: int
    on_shelf: int
    places: list[str]


class Takes(Answer):
    """What a drive takes now."""

    parts: list[WantedOut]


class CoverForm(Operation):
    """Drives to hold spares for together."""

    drives: Annotated[list[uuid.UUID], Field(min_length=1, max_length=60)]
    units: Units = "us"


class SpareOut(Answer):
    """A loop to keep, how many, how many are on the shelf, and for which drives."""

    designation: str
    count: int
    on_shelf: int
    serves: list[str]


class Cover(Answer):
    """The smallest set of spares, and what it was worked from."""

    spares: list[SpareOut]
    loops: int
    says: str


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
    takes = drives_by_loop(s)
    return Shelf(
        lines=[
            _line(_kept(x), units, x.id).model_copy(
                update={
                    "place": x.place,
                    "low": x.low,
                    "price": x.price,
                    "drives": len(takes.get(plain(x.designation), ())),
                }
            )
            for x in current(s, StockItem)
        ]
    )


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
        put_by(s, actor, x, place=body.place, low=body.low, price=body.price)
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


@api.put("/stock/parts/<uuid:ident>/place", summary="Where a part lies", responses=documented(Shelf, 404, 409))
def place_part(path: ById, body: PlaceForm) -> Response:
    """Where it lies, and under which count it is to be bought again."""

    def work(s: Session, actor: Actor) -> Shelf:
        set_place(s, actor, path.ident, body.place, low=body.low, price=body.price)
        return _shelf(s, body.units)

    return saved(body, work)


@api.get("/stock/parts/<uuid:ident>/drives", summary="Drives that take a part", responses=documented(Fits, 404))
def part_drives(path: ById) -> Response:
    """Which drives take it now."""
    with session() as s:
        item = one(s, StockItem, path.ident)
        found = drives_by_loop(s).get(plain(item.designation), []) if item.designation else []
        lines = [FitLine(drive_id=d.drive_id, machine=d.machine, drive=d.drive, what=d.designation) for d in found]
    return answer(Fits(drives=lines))


@api.get("/drives/<uuid:ident>/parts", summary="Parts that a drive takes", responses=documented(Takes, 404))
def drive_parts(path: ById) -> Response:
    """Its loops and wheels, with what the shelf holds of them."""
    with session() as s:
        found = parts_of(s, path.ident)
    lines = [WantedOut(what=x.what, count=x.count, on_shelf=x.on_shelf, places=list(x.places)) for x in found]
    return answer(Takes(parts=lines))


@api.post("/stock/cover", summary="The smallest set of spares", responses=documented(Cover, 404))
def cover(body: CoverForm) -> Response:
    """The fewest loops that give each of some drives a spare set inside its take-up."""
    with session() as s:
        spares, says = spares_for(s, body.drives)
        out = [
            SpareOut(
                designation=x.designation,
                count=x.count,
                on_shelf=sum(i.quantity for i in parts_for(s, x.designation)),
                serves=list(x.serves),
            )
            for x in spares
        ]
    return answer(Cover(spares=out, loops=sum(x.count for x in out), says=says))
