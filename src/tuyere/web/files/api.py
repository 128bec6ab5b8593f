"""The record as a file: written in a process of its own, brought in in pieces, looked at, then taken whole or not at all."""

from __future__ import annotations

from typing import Annotated, Literal

from flask import Response, current_app, request, send_file
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from tuyere.store.files import desk, spool
from tuyere.store.files.fields import schema
from tuyere.store.plumbing.operations import fingerprint
from tuyere.web.plumbing.common import ById, answer, documented, documented_file

api = APIBlueprint("files", __name__, url_prefix="/api/files", abp_tags=[Tag(name="files")])


class PiecePath(ById):
    """A piece of a file, counted from 0."""

    no: Annotated[int, Field(ge=0, le=10_000)]


class LinesQuery(BaseModel):
    """Which of the records."""

    verdict: Literal["", "added", "changed", "same", "kept", "refused"] = ""
    start: Annotated[int, Field(ge=0, le=2_000_000)] = 0


class Taken(BaseModel):
    """A piece is in its place."""

    no: int


class EmptyAsk(BaseModel):
    """Nothing need be said."""


def _url() -> str:
    return str(current_app.config["ENGINE"].url.render_as_string(hide_password=False))


@api.post("/out", summary="Write the record to a file", responses=documented(desk.FileView, 404))
def write_file(body: desk.OutAsk) -> Response:
    """Begin to write the shop, a machine or a drive."""
    return answer(desk.begin_out(body, _url()))


@api.post("/in", summary="Make room for a file", responses=documented(desk.FileView))
def bring_file(body: desk.InAsk) -> Response:
    """Say what will come."""
    return answer(desk.begin_in(body))


@api.put("/<uuid:ident>/pieces/<int:no>", summary="A piece of a file", responses=documented(Taken, 404))
def file_piece(path: PiecePath) -> Response:
    """Bytes as they are (application/octet-stream)."""
    desk.piece(path.ident, path.no, request.get_data(cache=True))
    return answer(Taken(no=path.no))


@api.post("/<uuid:ident>/look", summary="Look through a file", responses=documented(desk.FileView, 404))
def look_through(path: ById, body: EmptyAsk) -> Response:
    """Judge every record; nothing is changed."""
    return answer(desk.look(path.ident, _url()))


@api.post("/<uuid:ident>/take", summary="Take a file in", responses=documented(desk.FileView, 404))
def take_file(path: ById, body: desk.TakeAsk) -> Response:
    """All of it or nothing."""
    mark = fingerprint("POST", f"/api/files/{path.ident}/take", {})
    return answer(desk.take(path.ident, body, mark, _url()))


@api.get("/<uuid:ident>", summary="How far a file is", responses=documented(desk.FileView, 404))
def how_far(path: ById) -> Response:
    """What is being done with it and what was found."""
    return answer(desk.view(spool.of(path.ident)))


@api.get("/<uuid:ident>/lines", summary="What becomes of its records", responses=documented(desk.LinesView, 404))
def file_lines(path: ById, query: LinesQuery) -> Response:
    """Line by line."""
    return answer(desk.lines(path.ident, query.verdict, query.start))


@api.get("/<uuid:ident>/record", summary="The written file", responses=documented_file("application/json", 404))
def written_file(path: ById) -> Response:
    """The record file."""
    where, name = desk.written(path.ident)
    return send_file(where, mimetype="application/json", as_attachment=True, download_name=name)


@api.get("/format", summary="The format's JSON Schema", responses=documented_file("application/schema+json"))
def format_schema() -> Response:
    """What may stand in a record file."""
    return Response(current_app.json.dumps(schema()), 200, content_type="application/schema+json")
