"""The application factory."""

from __future__ import annotations

import os
from pathlib import Path
from typing import Any

import sqlalchemy as sa
from flask import Response, send_from_directory
from flask_openapi3 import Info, OpenAPI
from sqlalchemy.engine import Engine
from whitenoise import WhiteNoise

from tuyere import VERSION
from tuyere.store.plumbing.engine import engine_for
from tuyere.web.calc.api import api as calc_api
from tuyere.web.drives.api import api as drives_api
from tuyere.web.files.api import api as files_api
from tuyere.web.find.api import api as find_api
from tuyere.web.handbook.api import api as handbook_api
from tuyere.web.instruments.api import api as instruments_api
from tuyere.web.jobs.api import api as jobs_api
from tuyere.web.machines.api import api as machines_api
from tuyere.web.plumbing import guard, problems
from tuyere.web.shelf.ratings import api as ratings_api
from tuyere.web.shelf.stock import api as stock_api
from tuyere.web.speeds.api import api as speeds_api
from tuyere.web.upkeep.api import api as upkeep_api

DIST = Path(__file__).resolve().parents[3] / "frontend" / "dist"


def _operation_id(*, bp_name: str | None = None, name: str, path: str, method: str) -> str:
    return name


def _static_headers(headers: Any, _path: str, _url: str) -> None:
    for name, value in guard.HEADERS.items():
        headers[name] = value


def create_app(engine: Engine | None = None, dist: Path = DIST) -> OpenAPI:
    """The app on an engine; without one the address comes from TUYERE_DATABASE_URL."""
    app = OpenAPI(
        __name__,
        info=Info(title="Tuyere", version=VERSION),
        security_schemes={},
        doc_ui=False,
        validation_error_status=422,
        validation_error_callback=problems.from_validation,
        operation_id_callback=_operation_id,
        static_folder=None,
        responses={
            422: {
                "description": "problem",
                "content": {"application/problem+json": {"schema": problems.PROBLEM_SCHEMA}},
            }
        },
    )
    app.secret_key = os.environ.get("TUYERE_SECRET")  # for what will be signed once there are accounts
    app.config["ENGINE"] = engine or engine_for(os.environ["TUYERE_DATABASE_URL"])
    guard.register(app)
    problems.register(app)
    for api in (
        calc_api,
        machines_api,
        drives_api,
        speeds_api,
        jobs_api,
        instruments_api,
        upkeep_api,
        handbook_api,
        find_api,
        files_api,
        stock_api,
        ratings_api,
    ):
        app.register_api(api)

    @app.route("/openapi.json", methods=["GET"])
    def openapi_document() -> Any:
        return app.json.response(app.api_doc)

    @app.route("/healthz", methods=["GET"])
    def alive() -> Response:
        return Response("well\n", 200, content_type="text/plain")

    @app.route("/readyz", methods=["GET"])
    def ready() -> Response:
        with app.config["ENGINE"].connect() as connection:
            connection.execute(sa.text("SELECT 1"))
        return Response("ready\n", 200, content_type="text/plain")

    @app.route("/api/<path:path>", methods=["GET", "POST", "PUT", "PATCH", "DELETE"])
    def no_such_api(path: str) -> Response:
        return problems.problem(404, "not-there", "Not there", f"there is nothing at /api/{path}")

    @app.route("/", defaults={"path": ""}, methods=["GET"])
    @app.route("/<path:path>", methods=["GET"])
    def page(path: str) -> Response:
        if path.startswith("assets/"):
            return Response("not there\n", 404, content_type="text/plain")
        # Every other address of the single-page app is its index.
        response = send_from_directory(dist, "index.html")
        response.headers["Cache-Control"] = "no-cache"
        return response

    if dist.exists():
        app.wsgi_app = WhiteNoise(  # type: ignore[method-assign]
            app.wsgi_app,
            root=str(dist),
            index_file=False,
            allow_all_origins=False,
            add_headers_function=_static_headers,
            immutable_file_test=r"^/assets/.*-[A-Za-z0-9_-]{8}\.\w+$",
        )
    return app
