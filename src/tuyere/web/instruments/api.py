"""Instruments: which there are, what a simulated one shows, what the bridge of a real one tells."""

from __future__ import annotations

from typing import Annotated

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from tuyere.store.twins import book
from tuyere.store.twins.forms import TakeReading, ToldShown, TwinSave
from tuyere.store.twins.views import InstrumentList, ShownList, ShownView, TwinView
from tuyere.web.plumbing.common import ById, answer, documented, documented_file, lasting, saved, session

api = APIBlueprint("instruments", __name__, url_prefix="/api", abp_tags=[Tag(name="instruments")])


class ShownQuery(BaseModel):
    """Of which quantity."""

    quantity: Annotated[str, Field(max_length=20, pattern="^[a-z_]*$")] = ""


class BeltQuery(BaseModel):
    """Of which belt."""

    target: Annotated[str, Field(max_length=20, pattern="^belt [0-9]{1,2}$")] = "belt 1"


@api.get("/instruments", summary="Kinds of instrument", responses=documented(InstrumentList))
def instruments() -> Response:
    """Every kind of instrument that has a simulated stand-in, and how each can be held wrongly."""
    return lasting(book.every_instrument)


@api.get("/instruments/shown", summary="What real instruments showed lately", responses=documented(ShownList))
def shown(query: ShownQuery) -> Response:
    """What the bridges of real instruments told in the last hour."""
    with session() as s:
        return answer(book.shown_lately(s, query.quantity))


@api.post("/instruments/shown", summary="Tell what an instrument showed", responses=documented(ShownView, 409))
def tell(body: ToldShown) -> Response:
    """For the bridge of a real instrument: what it showed, so that a person can take it into a job."""
    return saved(body, lambda s, actor: book.keep_shown(s, actor, body))


@api.get("/drives/<uuid:ident>/twin", summary="Is a drive simulated?", responses=documented(TwinView, 404))
def twin(path: ById) -> Response:
    """Whether a simulated drive stands behind a drive."""
    with session() as s:
        return answer(book.twin_of(s, path.ident))


@api.put("/drives/<uuid:ident>/twin", summary="Simulate a drive", responses=documented(TwinView, 404, 409))
def make_twin(path: ById, body: TwinSave) -> Response:
    """Put a simulated drive behind a drive, for practice and for trying the instruments."""
    return saved(body, lambda s, actor: book.make_twin(s, actor, path.ident, body))


@api.post("/drives/<uuid:ident>/instruments", summary="Take a reading", responses=documented(ShownView, 404, 409))
def take(path: ById, body: TakeReading) -> Response:
    """Read a simulated drive with a simulated instrument."""
    return saved(body, lambda s, actor: book.take_reading(s, actor, path.ident, body))


@api.get("/drives/<uuid:ident>/pluck.wav", summary="The sound of a belt", responses=documented_file("audio/wav", 404))
def pluck(path: ById, query: BeltQuery) -> Response:
    """The sound of a plucked belt of a simulated drive."""
    with session() as s:
        return Response(book.pluck_sound(s, path.ident, query.target), 200, content_type="audio/wav")
