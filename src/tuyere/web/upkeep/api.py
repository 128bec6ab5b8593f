"""The life of a drive after it runs: the round, meters, trends, timelines, why it failed."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Annotated

from flask import Response, request
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field, StringConstraints

from tuyere.calc.registry import Units
from tuyere.exchange.calendar.feed import feed_of
from tuyere.exchange.drawing.pdf import pdf_of_page
from tuyere.exchange.sheets.report import report_html
from tuyere.exchange.sheets.round import round_html
from tuyere.store.machines.forms import MeterSave
from tuyere.store.machines.meter import meter_view, read_meter
from tuyere.store.machines.views import MeterView
from tuyere.store.plumbing.base import now
from tuyere.store.upkeep import book
from tuyere.store.upkeep.calendar import calendar_events
from tuyere.store.upkeep.forms import CauseConfirm, FailureSave
from tuyere.store.upkeep.lubrication import oil_list
from tuyere.store.upkeep.paper import round_sheet
from tuyere.store.upkeep.report import report_view
from tuyere.store.upkeep.report_paper import report_csv, report_sheet
from tuyere.store.upkeep.report_views import ReportView
from tuyere.store.upkeep.round import round_view
from tuyere.store.upkeep.tables_out import dues_csv, readings_csv, shelf_csv
from tuyere.store.upkeep.timeline import drive_timeline, machine_timeline
from tuyere.store.upkeep.trends import trends_view
from tuyere.store.upkeep.views import OilList, RoundView, TimelineView, TrendsView, WallView, WhyView
from tuyere.store.upkeep.wall import wall_view
from tuyere.web.plumbing.common import (
    ById,
    InUnitsQuery,
    SearchQuery,
    answer,
    documented,
    documented_file,
    saved,
    session,
)
from tuyere.web.plumbing.drawn import sheet_file

api = APIBlueprint("upkeep", __name__, url_prefix="/api", abp_tags=[Tag(name="upkeep")])

Area = Annotated[str, StringConstraints(max_length=80, pattern=r"^[^\x00]*$")]


class RoundQuery(BaseModel):
    """Whose round: of one area, by the clock of who asks."""

    area: Area = ""
    minutes: Annotated[int, Field(ge=-960, le=960, description="local time less UTC")] = 0


class RoundSheetQuery(RoundQuery):
    """The round on paper."""

    units: Units = "us"


class WallQuery(SearchQuery):
    """What is found on the wall, from where on, by the clock of who asks."""

    minutes: Annotated[int, Field(ge=-960, le=960, description="local time less UTC")] = 0
    machine: uuid.UUID | None = Field(default=None, description="only this machine's part of it")


class FeedQuery(BaseModel):
    """Which calendar: of one area, or all."""

    area: Area = ""


@api.get("/wall", summary="The works as a wall of drives", responses=documented(WallView, 404))
def the_wall(query: WallQuery) -> Response:
    """Every drive to scale in walking order, with its state and why."""
    with session() as s:
        return answer(wall_view(s, query.q, query.start, query.minutes, machine=query.machine))


@api.get("/round", summary="What is due now and this week", responses=documented(RoundView))
def the_round(query: RoundQuery) -> Response:
    """The round in walking order, what is only for a while, what breaks again."""
    with session() as s:
        return answer(round_view(s, query.area, query.minutes))


@api.get("/round.pdf", summary="The round on paper", responses=documented_file("application/pdf"))
def the_round_on_paper(query: RoundSheetQuery) -> Response:
    """The round as a sheet to walk with."""
    with session() as s:
        sheet = round_sheet(s, query.area, query.minutes, query.units)
    made = pdf_of_page(round_html(sheet, "letter" if query.units == "us" else "a4"))
    return sheet_file(made, "pdf", "round")


@api.get("/round.ics", summary="What is due as a calendar", responses=documented_file("text/calendar"))
def the_calendar(query: FeedQuery) -> Response:
    """Dues and promised dates, a day each; a calendar program can follow this address."""
    with session() as s:
        events = calendar_events(s, query.area, request.host_url.rstrip("/"))
    name = f"Round, {query.area}" if query.area else "Round"
    return Response(feed_of(name, events, now()), 200, content_type="text/calendar; charset=utf-8")


CSV = documented_file("text/csv", 404)


def _table(text: str, name: str) -> Response:
    response = Response(text, 200, content_type="text/csv; charset=utf-8")
    response.headers["Content-Disposition"] = f'attachment; filename="{name}.csv"'
    return response


class ReportQuery(BaseModel):
    """A period, by the clock of who asks; both days are in it."""

    since: date
    until: date
    minutes: Annotated[int, Field(ge=-960, le=960, description="local time less UTC")] = 0
    units: Units = "us"


def _report(query: ReportQuery) -> ReportView:
    with session() as s:
        return report_view(s, query.since, query.until, query.minutes, query.units)


@api.get("/report", summary="A period of the shop", responses=documented(ReportView))
def report(query: ReportQuery) -> Response:
    """Belts used, failures by cause, what is late, temporary fixes, losses, spend."""
    return answer(_report(query))


@api.get("/report.pdf", summary="The report on paper", responses=documented_file("application/pdf"))
def report_on_paper(query: ReportQuery) -> Response:
    """The report as a sheet."""
    made = pdf_of_page(report_html(report_sheet(_report(query)), "letter" if query.units == "us" else "a4"))
    return sheet_file(made, "pdf", "report")


@api.get("/report.csv", summary="The report as a table", responses=CSV)
def report_table(query: ReportQuery) -> Response:
    """The report for a spreadsheet."""
    return _table(report_csv(_report(query)), "report")


class ReadingsQuery(BaseModel):
    """Whose readings: of one drive, or all."""

    drive: uuid.UUID | None = None


@api.get("/readings.csv", summary="Readings as a table", responses=CSV)
def readings_table(query: ReadingsQuery) -> Response:
    """Every reading for a spreadsheet, in the core's units."""
    with session() as s:
        return _table(readings_csv(s, query.drive), "readings")


@api.get("/dues.csv", summary="What is due as a table", responses=CSV)
def dues_table() -> Response:
    """What is due for a spreadsheet."""
    with session() as s:
        return _table(dues_csv(s), "due")


@api.get("/stock.csv", summary="The shelf as a table", responses=CSV)
def shelf_table() -> Response:
    """The shelf as a list that comes in again."""
    with session() as s:
        return _table(shelf_csv(s), "shelf")


@api.get("/machines/<uuid:ident>/meter", summary="Running hours", responses=documented(MeterView, 404))
def meter(path: ById) -> Response:
    """A machine's meter as last read."""
    with session() as s:
        return answer(meter_view(s, path.ident))


@api.post("/machines/<uuid:ident>/meter", summary="Read the meter", responses=documented(MeterView, 404, 409))
def keep_meter(path: ById, body: MeterSave) -> Response:
    """Keep what a meter shows."""
    return saved(body, lambda s, actor: read_meter(s, actor, path.ident, body))


@api.get("/machines/<uuid:ident>/oil", summary="What is oiled and greased", responses=documented(OilList, 404))
def oil(path: ById) -> Response:
    """Points of a machine, with what, how much, how often, when next."""
    with session() as s:
        return answer(oil_list(s, path.ident))


@api.get("/drives/<uuid:ident>/trends", summary="Where its readings go", responses=documented(TrendsView, 404))
def trends(path: ById, query: InUnitsQuery) -> Response:
    """Readings over time with their limits and when they will cross."""
    with session() as s:
        return answer(trends_view(s, path.ident, query.units))


@api.get("/drives/<uuid:ident>/timeline", summary="What happened at a drive", responses=documented(TimelineView, 404))
def timeline_of_drive(path: ById, query: InUnitsQuery) -> Response:
    """Builds, jobs, readings, findings, failures and photos on one axis."""
    with session() as s:
        return answer(drive_timeline(s, path.ident, query.units))


@api.get(
    "/machines/<uuid:ident>/timeline", summary="What happened at a machine", responses=documented(TimelineView, 404)
)
def timeline_of_machine(path: ById, query: InUnitsQuery) -> Response:
    """All its drives on one axis."""
    with session() as s:
        return answer(machine_timeline(s, path.ident, query.units))


@api.get("/drives/<uuid:ident>/why", summary="What the record says of a failure", responses=documented(WhyView, 404))
def why(path: ById) -> Response:
    """What is needed to ask why a drive failed."""
    with session() as s:
        return answer(book.why(s, path.ident))


@api.post("/drives/<uuid:ident>/failures", summary="Keep a failure", responses=documented(WhyView, 404, 409))
def keep(path: ById, body: FailureSave) -> Response:
    """Keep a failure with what was seen."""
    return saved(body, lambda s, actor: book.save_failure(s, actor, path.ident, body))


@api.post("/failures/<uuid:ident>/cause", summary="Say which cause it was", responses=documented(WhyView, 404, 409))
def confirm(path: ById, body: CauseConfirm) -> Response:
    """Confirm a cause."""
    return saved(body, lambda s, actor: book.confirm_cause(s, actor, path.ident, body))
