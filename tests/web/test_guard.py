"""Who is answered: our own names only, writes from our own pages only; a database that is gone or stands still."""

from __future__ import annotations

import uuid
from pathlib import Path

import pytest
from flask.testing import FlaskClient

from tuyere.calc.registry import CALCULATIONS
from tuyere.store.plumbing.engine import engine_for
from tuyere.web.app import create_app
from tuyere.web.plumbing.guard import HEADERS


@pytest.mark.parametrize("host", ["evil.example", "127.0.0.1.evil.example", "localhost.evil.example:80", "[::2]"])
def test_another_name_is_not_answered(client: FlaskClient, host: str) -> None:
    got = client.post("/api/machines", json={"name": "x"}, headers={"Host": host})
    assert got.status_code == 421 and got.content_type == "application/problem+json"


def test_our_names_are_answered_and_those_of_the_deployment(
    client: FlaskClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    for host in ("127.0.0.1:8350", "localhost", "[::1]:80"):
        assert client.get("/api/choices", headers={"Host": host}).status_code == 200
    monkeypatch.setenv("TUYERE_HOSTS", "bench.works.example, other.example")
    assert client.get("/api/choices", headers={"Host": "bench.works.example"}).status_code == 200


def test_a_page_elsewhere_may_not_write(client: FlaskClient) -> None:
    got = client.post("/api/machines", json={"name": "x"}, headers={"Origin": "http://evil.example"})
    assert got.status_code == 403
    name = f"own {uuid.uuid4()}"
    assert (
        client.post("/api/machines", json={"name": name}, headers={"Origin": "http://127.0.0.1:8350"}).status_code
        == 200
    )


def test_operations_over_the_api(client: FlaskClient) -> None:
    op = {"op_id": str(uuid.uuid4()), "name": f"op {uuid.uuid4()}"}
    first, again = (client.post("/api/machines", json=op) for _ in range(2))
    assert first.data == again.data and first.status_code == 200
    other = client.post("/api/machines", json={**op, "name": "something else"})
    assert (other.status_code, other.json["type"]) == (409, "tuyere:operation-reused")
    elsewhere = client.post(f"/api/machines/{first.json['id']}/drives", json={"op_id": op["op_id"], "name": op["name"]})
    assert (elsewhere.status_code, elsewhere.json["type"]) == (409, "tuyere:operation-reused")
    change = {"op_id": str(uuid.uuid4()), "rev": 1, "name": op["name"], "kind": "shop"}
    puts = [client.put(f"/api/machines/{first.json['id']}", json=change) for _ in range(2)]
    assert [p.status_code for p in puts] == [200, 200] and puts[0].json["rev"] == puts[1].json["rev"] == 2


def test_a_twin_is_asked_about(client: FlaskClient) -> None:
    name = f"Twin {uuid.uuid4()}"
    assert client.post("/api/machines", json={"name": name}).status_code == 200
    got = client.post("/api/machines", json={"name": name.upper()})
    assert got.status_code == 422 and got.json["errors"][0]["path"] == "same_name"
    assert client.post("/api/machines", json={"name": name, "tag": "T2"}).status_code == 200
    assert client.post("/api/machines", json={"name": name, "same_name": True}).status_code == 200


def test_a_database_that_is_not_there_is_said_and_the_rest_goes_on() -> None:
    away = create_app(engine_for("postgresql+psycopg://x:y@127.0.0.1:1/none"), Path("/nonexistent")).test_client()
    got = away.get("/api/machines")
    assert (got.status_code, got.json["type"], got.headers["Retry-After"]) == (503, "tuyere:database", "5")
    assert away.get("/readyz").status_code == 503 and away.get("/healthz").status_code == 200
    example = CALCULATIONS["v-belt-drive"].example
    assert away.post("/api/calc/v-belt-drive", json=example).status_code == 200


def test_static_files_carry_the_headers_and_a_missing_asset_is_missing(engine, tmp_path: Path) -> None:  # noqa: ANN001
    (tmp_path / "assets").mkdir()
    (tmp_path / "index.html").write_text("<p>page</p>")
    (tmp_path / "assets" / "a.js").write_text("1")
    app = create_app(engine, tmp_path).test_client()
    got = app.get("/assets/a.js")
    assert {n: got.headers[n] for n in HEADERS} == HEADERS
    assert app.get("/assets/gone.js").status_code == 404 and b"page" in app.get("/machines/1").data


def test_a_speed_range_down_to_nothing_is_refused_not_a_fault(client: FlaskClient) -> None:
    example = CALCULATIONS["v-belt-range"].example["input"]
    got = client.post("/api/calc/v-belt-range", json={"input": {**example, "load": "fan", "low": 0.01}})
    assert got.status_code == 422 and got.json["errors"][0]["path"] == "input.low"
