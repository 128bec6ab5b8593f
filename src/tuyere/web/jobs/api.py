"""Jobs: what can be done at a drive, a job and what happened, what is due, a lead's templates."""

from __future__ import annotations

import uuid
from typing import Annotated

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field, StringConstraints

from tuyere.store.jobs import book
from tuyere.store.jobs.forms import EventSave, JobOpen, TemplateSave
from tuyere.store.jobs.templates import save_template, template_text
from tuyere.store.jobs.views import DueList, JobList, JobView, TemplateList, TemplateText
from tuyere.web.plumbing.common import ById, InUnitsQuery, answer, documented, saved, session

api = APIBlueprint("jobs", __name__, url_prefix="/api", abp_tags=[Tag(name="jobs")])


class ByKey(BaseModel):
    """A path with a template's key."""

    key: Annotated[str, StringConstraints(max_length=60, pattern=r"^[a-z0-9-]+$")]


class JobsQuery(BaseModel):
    """Which jobs: of one drive, in one state."""

    drive: uuid.UUID | None = None
    state: Annotated[str, Field(pattern="^(|open|closed|abandoned)$")] = ""


class DuesQuery(BaseModel):
    """What is due: everywhere, or at one drive."""

    drive: uuid.UUID | None = None


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
        return answer(book.list_jobs(s, query.drive, query.state))


@api.get("/jobs/<uuid:ident>", summary="A job", responses=documented(JobView, 404))
def job(path: ById, query: InUnitsQuery) -> Response:
    """A job with its steps and what its readings say."""
    with session() as s:
        return answer(book.one_job(s, path.ident, query.units))


@api.post("/jobs/<uuid:ident>/events", summary="Something happened", responses=documented(JobView, 404, 409))
def take_event(path: ById, body: EventSave) -> Response:
    """Take an event of a job, once per operation."""
    return saved(body, lambda s, actor: book.take_event(s, actor, path.ident, body))


@api.get("/dues", summary="What is due", responses=documented(DueList))
def dues(query: DuesQuery) -> Response:
    """What is due, the soonest first."""
    with session() as s:
        return answer(book.list_dues(s, query.drive))


@api.get("/templates/<key>", summary="A template as it is written", responses=documented(TemplateText, 404))
def template(path: ByKey) -> Response:
    """The text of a template."""
    with session() as s:
        return answer(template_text(s, path.key))


@api.put("/templates/<key>", summary="Keep a lead's template", responses=documented(TemplateText, 404, 409))
def keep_template(path: ByKey, body: TemplateSave) -> Response:
    """Keep a lead's copy; the shipped one stays."""
    return saved(body, lambda s, actor: save_template(s, actor, path.key, body))
