"""What the blueprints share: the session of a request, path and query models, answers."""

from __future__ import annotations

import uuid
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from typing import Annotated, Any

from flask import Response, current_app, request
from pydantic import BaseModel, Field, StringConstraints
from sqlmodel import Session

from tuyere.calc.registry import Units
from tuyere.store.forms import Operation
from tuyere.store.operations import fingerprint, once


@contextmanager
def session() -> Iterator[Session]:
    """A session whose work is committed when the block ends well."""
    with Session(current_app.config["ENGINE"]) as s, s.begin():
        yield s


def saved(body: Operation, work: Callable[[Session], BaseModel]) -> Response:
    """Save once per operation: a repeat gets the first answer, the same id with other content is refused."""
    mark = fingerprint(request.method, request.path, request.get_json(silent=True))
    with session() as s:
        text = once(s, body.op_id, mark, lambda: work(s).model_dump_json())
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


def documented(model: type[BaseModel], *problems: int) -> dict[Any, Any]:
    """Responses for the OpenAPI document: the model, and the problems that may come instead."""
    from tuyere.web.problems import PROBLEM_SCHEMA

    out: dict[Any, Any] = {200: model}
    for status in (400, 413, 415, 422, *problems):
        out[status] = {"description": "problem", "content": {"application/problem+json": {"schema": PROBLEM_SCHEMA}}}
    return out
