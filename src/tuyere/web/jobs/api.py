"""Jobs: what can be done at a drive, a job and what happened, what is due, a lead's templates."""

from __future__ import annotations

import uuid
from dataclasses import replace
from datetime import date, timedelta, timezone
from typing import Annotated, Literal

from flask import Response, request
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field, StringConstraints

from tuyere.calc.registry import Units
from tuyere.exchange.drawing.pdf import pdf_of_page
from tuyere.exchange.sheets.card import Paper, card_html
from tuyere.exchange.sheets.tag import Size, tag_scene
from tuyere.store.jobs import book
from tuyere.store.jobs.card import drive_drawing, drive_tag, job_card
from tuyere.store.jobs.dues import list_dues, plan_due, snooze_due, tick_due
from tuyere.store.jobs.fall import TensionFall, tension_fall
from tuyere.store.jobs.forms import (
    DueDone,
    DuePlan,
    DueSnooze,
    EventSave,
    JobOpen,
    PhotoSave,
    TemplateBack,
    TemplateCheck,
    TemplateSave,
)
from tuyere.store.jobs.photos import keep_photo, photo_file, photos_of
from tuyere.store.jobs.templates import (
    check_template,
    put_shipped_back,
    save_template,
    template_heads,
    template_text,
)
from tuyere.store.jobs.views import (
    DueLine,
    DueList,
    JobList,
    JobView,
    PhotoLine,
    PhotoList,
    TemplateHeads,
    TemplateList,
    TemplateText,
)
from tuyere.web.plumbing.common import ById, InUnitsQuery, answer, documented, documented_file, saved, session
from tuyere.web.plumbing.drawn import scene_file, sheet_file

api = APIBlueprint("jobs", __name__, url_prefix="/api", abp_tags=[Tag(name="jobs")])


class ByKey(BaseModel):
    """A path with a template's key."""

    key: Annotated[str, StringConstraints(max_length=60, pattern=r"^[a-z0-9-]+$")]


class JobsQuery(BaseModel):
    """Which jobs: of one drive, in one state."""

    drive: uuid.UUID | None = None
    state: Annotated[str, Field(pattern="^(|open|closed|abandoned)$")] = ""
    by: Annotated[str, Field(max_length=80, pattern=r"^[^\x00]*$", description="whose: begun or closed by")] = ""
    on: date | None = Field(default=None, description="begun or closed on this day")


class DuesQuery(BaseModel):
    """What is due: everywhere, at one machine or at one drive."""

    drive: uuid.UUID | None = None
    machine: uuid.UUID | None = None


@api.get("/drives/<uuid:ident>/templates", summary="Jobs a drive can have", responses=documented(TemplateList, 404))
def templates(path: ById) -> Response:
    """Templates for a drive, and what was said of it at its last job."""
    with session() as s:
        return answer(book.templates_for(s, path.ident))


@api.post("/drives/<uuid:ident>/jobs", summary="Open a job", responses=documented(JobView, 404, 409))
def open_job(path: ById, body: JobOpen, query: InUnitsQuery) -> Response:
    """Open a job on a drive."""
    return saved(body, lambda s, actor: book.open_job(s, actor, path.ident, body, query.units))


@api.get("/jobs", summary="Jobs", responses=documented(JobList))
def jobs(query: JobsQuery) -> Response:
    """Jobs, the newest first."""
    with session() as s:
        return answer(book.list_jobs(s, query.drive, query.state, by=query.by, on=query.on))


@api.get("/jobs/<uuid:ident>", summary="A job", responses=documented(JobView, 404))
def job(path: ById, query: InUnitsQuery) -> Response:
    """A job with its steps and what its readings say."""
    with session() as s:
        return answer(book.one_job(s, path.ident, query.units))


@api.post("/jobs/<uuid:ident>/events", summary="Something happened", responses=documented(JobView, 404, 409))
def take_event(path: ById, body: EventSave) -> Response:
    """Take an event of a job, once per operation."""
    return saved(body, lambda s, actor: book.take_event(s, actor, path.ident, body))


@api.get("/drives/<uuid:ident>/tensions", summary="Tensions since the last fit", responses=documented(TensionFall, 404))
def tensions(path: ById, query: InUnitsQuery) -> Response:
    """How the tension of a drive has fallen since its loop was fitted."""
    with session() as s:
        return answer(tension_fall(s, path.ident, query.units))


class CardQuery(BaseModel):
    """How a sheet is wanted."""

    units: Units = "us"
    paper: Paper = "letter"
    minutes: Annotated[int, Field(ge=-960, le=960, description="local time less UTC")] = 0
    blank: Annotated[bool, Field(description="with blanks to take along; else as it was done")] = True


class TagQuery(BaseModel):
    """How a tag is wanted."""

    units: Units = "us"
    size: Size = "100x50"


class TagPath(ById):
    """A tag and the kind of file."""

    kind: Literal["svg", "pdf"]


def _here() -> str:
    """The address that a phone would find this server at."""
    return request.host_url.rstrip("/")


PDF = documented_file("application/pdf", 404)


@api.get("/jobs/<uuid:ident>/card.pdf", summary="A job on paper", responses=PDF)
def card(path: ById, query: CardQuery) -> Response:
    """A job as a card of one or two pages."""
    zone = timezone(timedelta(minutes=query.minutes))
    with session() as s:
        made = job_card(s, path.ident, units=query.units, blank=query.blank, address=_here(), zone=zone)
    return sheet_file(pdf_of_page(card_html(made, query.paper)), "pdf", f"job-{str(path.ident)[:8]}")


@api.get("/drives/<uuid:ident>/tag.<kind>", summary="A drive's tag", responses=PDF)
def tag(path: TagPath, query: TagQuery) -> Response:
    """The tag that stays on the machine, true to size."""
    with session() as s:
        scene = tag_scene(drive_tag(s, path.ident, units=query.units, address=_here()), query.size)
    return scene_file(scene, path.kind, f"tag-{str(path.ident)[:8]}")


class DrawingPath(ById):
    """A drawing and the kind of file."""

    kind: Literal["svg", "pdf", "dxf"]


@api.get("/drives/<uuid:ident>/drawing.<kind>", summary="A drive's drawing", responses=PDF)
def drawing(path: DrawingPath, query: InUnitsQuery) -> Response:
    """The drive's elevation: to a scale that is said, and true to size in DXF."""
    with session() as s:
        scene, scale = drive_drawing(s, path.ident, query.units)
    return scene_file(replace(scene, scale=scale), path.kind, f"drive-{str(path.ident)[:8]}", units=query.units)


@api.get("/dues", summary="What is due", responses=documented(DueList))
def dues(query: DuesQuery) -> Response:
    """What is due, the soonest first."""
    with session() as s:
        return answer(list_dues(s, query.drive, query.machine))


@api.post("/dues", summary="Put something on the round", responses=documented(DueLine, 404, 409))
def plan(body: DuePlan) -> Response:
    """Something to do at a machine, once or again and again."""
    return saved(body, lambda s, actor: plan_due(s, actor, body))


@api.post("/dues/<uuid:ident>/snooze", summary="Put it off", responses=documented(DueLine, 404, 409))
def snooze(path: ById, body: DueSnooze) -> Response:
    """Put it off to another day, for a reason."""
    return saved(body, lambda s, actor: snooze_due(s, actor, path.ident, body))


@api.post("/dues/<uuid:ident>/done", summary="It is done without a job", responses=documented(DueList, 404, 409))
def tick(path: ById, body: DueDone) -> Response:
    """It is done without a job."""
    return saved(body, lambda s, actor: tick_due(s, actor, path.ident, body))


@api.get("/drives/<uuid:ident>/photos", summary="Photos of a drive", responses=documented(PhotoList, 404))
def photos(path: ById) -> Response:
    """Photos, the newest first."""
    with session() as s:
        return answer(photos_of(s, path.ident))


@api.post("/drives/<uuid:ident>/photos", summary="Keep a photo", responses=documented(PhotoLine, 404, 409))
def add_photo(path: ById, body: PhotoSave) -> Response:
    """A photo, decoded and written anew without what the camera put in."""
    return saved(body, lambda s, actor: keep_photo(s, actor, path.ident, body))


def _photo(ident: uuid.UUID, small: bool) -> Response:
    with session() as s:
        file = photo_file(s, ident, small=small)
    response = Response(file.data, 200, content_type=file.type)
    response.set_etag(file.mark)
    # A photo never changes under its address.
    response.headers["Cache-Control"] = "private, max-age=31536000, immutable"
    response.make_conditional(request)
    return response


@api.get("/photos/<uuid:ident>", summary="A photo", responses=documented_file("image/jpeg", 404))
def photo(path: ById) -> Response:
    """A photo as it is kept."""
    return _photo(path.ident, small=False)


@api.get("/photos/<uuid:ident>/small", summary="A photo, small", responses=documented_file("image/jpeg", 404))
def photo_small(path: ById) -> Response:
    """Its thumbnail."""
    return _photo(path.ident, small=True)


@api.get("/templates", summary="Every template", responses=documented(TemplateHeads))
def every_template() -> Response:
    """Templates, a lead's copies in place of the shipped ones."""
    with session() as s:
        return answer(template_heads(s))


@api.post("/templates/check", summary="Look a template's text through", responses=documented(TemplateText))
def look_through(body: TemplateCheck) -> Response:
    """What a text would come to as a template; nothing is kept."""
    return answer(check_template(body))


@api.post(
    "/templates/<key>/shipped",
    summary="Put the shipped template back",
    responses=documented(TemplateText, 404, 409),
)
def put_back(path: ByKey, body: TemplateBack) -> Response:
    """Lay a lead's copy aside."""
    return saved(body, lambda s, actor: put_shipped_back(s, actor, path.key, body))


@api.get("/templates/<key>", summary="A template as it is written", responses=documented(TemplateText, 404))
def template(path: ByKey) -> Response:
    """The text of a template."""
    with session() as s:
        return answer(template_text(s, path.key))


@api.put("/templates/<key>", summary="Keep a lead's template", responses=documented(TemplateText, 404, 409))
def keep_template(path: ByKey, body: TemplateSave) -> Response:
    """Keep a lead's copy; the shipped one stays."""
    return saved(body, lambda s, actor: save_template(s, actor, path.key, body))
