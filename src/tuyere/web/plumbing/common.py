"""What the blueprints share: the session of a request, path and query models, answers."""

from __future__ import annotations

import uuid
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from functools import cache
from hashlib import sha256
from typing import Annotated, Any

from flask import Response, current_app, request
from pydantic import BaseModel, Field, StringConstraints
from sqlmodel import Session

from tuyere.calc.registry import Units
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.forms import Operation
from tuyere.store.plumbing.operations import fingerprint, once


@contextmanager
def session() -> Iterator[Session]:
    """A session whose work is committed when the block ends well."""
    with Session(current_app.config["ENGINE"]) as s, s.begin():
        yield s


def saved(body: Operation, work: Callable[[Session, Actor], BaseModel]) -> Response:
    """Save once per operation: a repeat gets the first answer, the same id with other content is refused."""
    mark = fingerprint(request.method, request.path, request.get_json(silent=True))
    actor = Actor(body.created_by_name)
    with session() as s:
        text = once(s, body.op_id, mark, lambda: work(s, actor).model_dump_json())
    return Response(text, 200, content_type="application/json")


class ById(BaseModel):
    """A path with an id."""

    ident: uuid.UUID


class InUnitsQuery(BaseModel):
    """The system to answer in."""

    units: Units = "us"


class SearchQuery(BaseModel):
    """Words to find, and where in the list to begin."""

    start: Annotated[int, Field(ge=0, le=1_000_000)] = 0

    q: Annotated[str, StringConstraints(max_length=80, pattern=r"^[^\x00]*$")] = ""


class ShorthandQuery(BaseModel):
    """A line typed after the slash."""

    text: Annotated[str, StringConstraints(max_length=120, pattern=r"^[^\x00]*$")] = Field(default="")
    units: Units = "us"


def answer(model: BaseModel, status: int = 200) -> Response:
    """A model as JSON."""
    return Response(model.model_dump_json(), status, content_type="application/json")


@cache
def _made(make: Callable[[], BaseModel]) -> tuple[str, str]:
    """(text, tag) of what a maker makes."""
    text = make().model_dump_json()
    return text, sha256(text.encode()).hexdigest()[:32]


def lasting(make: Callable[[], BaseModel]) -> Response:
    """What stays the same while the server runs: made once, and not sent again to who has it (304 by its tag)."""
    text, tag = _made(make)
    response = Response(text, 200, content_type="application/json")
    response.set_etag(tag)
    response.headers["Cache-Control"] = "no-cache"  # kept by the browser, asked about each time
    response.make_conditional(request)
    return response


def documented_file(kind: str, *problems: int) -> dict[Any, Any]:
    """Responses of an answer that is a file of a kind, such as application/pdf; a JSON kind is an object."""
    out = documented(BaseModel, *problems)
    schema = {"type": "object"} if kind.endswith("json") else {"type": "string", "format": "binary"}
    out[200] = {"description": "the file", "content": {kind: {"schema": schema}}}
    return out


def documented(model: type[BaseModel], *problems: int) -> dict[Any, Any]:
    """Responses for the OpenAPI document: the model, and the problems that may come instead."""
    from tuyere.web.plumbing.problems import PROBLEM_SCHEMA

    out: dict[Any, Any] = {200: model}
    for status in (400, 413, 415, 422, *problems):
        out[status] = {"description": "problem", "content": {"application/problem+json": {"schema": PROBLEM_SCHEMA}}}
    return out
