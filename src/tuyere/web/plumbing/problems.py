"""Errors to HTTP, in one place: problem+json with the path, the reason and what is allowed."""

from __future__ import annotations

import json
import logging
from typing import Any

from flask import Flask, Response, request
from pydantic import ValidationError
from sqlalchemy.exc import DBAPIError, IntegrityError
from sqlalchemy.exc import TimeoutError as PoolTimeout
from werkzeug.exceptions import HTTPException

from tuyere.calc.refusals import echoed, problems_of
from tuyere.calc.titles import path_words
from tuyere.core.errors import InputError, NoSolution
from tuyere.store.plumbing.trouble import Frozen, NotThere, Reused, Stale

log = logging.getLogger(__name__)
PROBLEM_SCHEMA: dict[str, Any] = {
    "type": "object",
    "required": ["type", "title", "status"],
    "properties": {
        "type": {"type": "string"},
        "title": {"type": "string"},
        "status": {"type": "integer"},
        "detail": {"type": "string"},
        "errors": {
            "type": "array",
            "items": {
                "type": "object",
                "required": ["path", "reason", "allowed"],
                "properties": {
                    "path": {"type": "string"},
                    "called": {"type": "string"},
                    "value": {},
                    "reason": {"type": "string"},
                    "allowed": {"type": "string"},
                },
            },
        },
        "current": {"type": "object"},
        "differences": {"type": "array", "items": {"type": "object"}},
        "yours": {},
    },
}


def problem(status: int, kind: str, title: str, detail: str = "", **more: Any) -> Response:
    """A problem document; each of its ``errors`` says what its field is called."""
    for e in more.get("errors", ()):
        e.setdefault("called", path_words(e["path"]))
    body = {"type": f"tuyere:{kind}", "title": title, "status": status, "detail": detail, **more}
    return Response(json.dumps(body, default=str), status, content_type="application/problem+json")


def refused(errors: list[dict[str, Any]]) -> Response:
    """Input that is refused, each fault with its field."""
    return problem(422, "refused", "Some of this cannot be", errors[0]["reason"] if errors else "", errors=errors)


def from_validation(error: ValidationError) -> Response:
    """What pydantic refused."""
    return refused(problems_of(error))


def _yours() -> Any:
    return request.get_json(silent=True) if request.is_json else None


def register(app: Flask) -> None:
    """Hang the handlers on the app."""

    @app.errorhandler(InputError)
    def _input(e: InputError) -> Response:
        return refused([{"path": e.field, "value": echoed(e.value), "reason": e.why, "allowed": e.allowed}])

    @app.errorhandler(NoSolution)
    def _none(e: NoSolution) -> Response:
        path = f"input.{e.field}" if e.field and not e.field.startswith("input") else e.field
        return problem(
            422,
            "no-solution",
            "Nothing answers this",
            e.why,
            errors=[{"path": path, "value": None, "reason": e.why, "allowed": e.allowed}],
        )

    @app.errorhandler(NotThere)
    def _missing(e: NotThere) -> Response:
        return problem(404, "not-there", "Not there", str(e))

    @app.errorhandler(Stale)
    def _stale(e: Stale) -> Response:
        return problem(
            409,
            "stale",
            "Changed meanwhile",
            f"{e}. Nothing was lost: both versions are here, field by field.",
            current=e.current,
            differences=[d.as_json() for d in e.differences],
            yours=_yours(),
        )

    @app.errorhandler(Reused)
    def _reused(e: Reused) -> Response:
        return problem(409, "operation-reused", "Sent under a used name", str(e), yours=_yours())

    @app.errorhandler(Frozen)
    def _frozen(e: Frozen) -> Response:
        return problem(409, "frozen", "Settled", str(e), yours=_yours())

    @app.errorhandler(IntegrityError)
    def _clash(e: IntegrityError) -> Response:
        log.warning("refused by the database: %s", e.orig)
        return problem(
            409,
            "clash",
            "Clashes with what is stored",
            "The same id stands for something else already.",
            yours=_yours(),
        )

    @app.errorhandler(DBAPIError)
    @app.errorhandler(PoolTimeout)
    def _down(e: DBAPIError | PoolTimeout) -> Response:
        log.error("database: %s", getattr(e, "orig", e))
        answer = problem(503, "database", "The database does not answer", "Nothing was stored. Try again in a moment.")
        answer.headers["Retry-After"] = "5"
        return answer

    @app.errorhandler(HTTPException)
    def _http(e: HTTPException) -> Response:
        if e.response is not None:
            return e.response  # type: ignore[return-value]
        return problem(e.code or 500, "http", e.name, e.description or "")

    @app.errorhandler(Exception)
    def _fault(e: Exception) -> Response:
        log.exception("internal fault")
        return problem(
            500, "fault", "A fault of this program", "It was written to the log. What you typed is kept here."
        )
