"""Files over the API: out, in pieces in, looked at, taken; by a process of its own that may die. Contract of docs/format, no outside source."""

from __future__ import annotations

import json
import time
import uuid
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient

from tuyere.store.files import run, spool


@pytest.fixture(autouse=True)
def own_spool(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setenv("TUYERE_SPOOL", str(tmp_path / "spool"))


def done(client: FlaskClient, ident: str) -> dict[str, Any]:
    for _ in range(1200):
        got = client.get(f"/api/files/{ident}").json
        if got["doing"] not in run.AT_WORK:
            return got
        time.sleep(0.1)
    raise AssertionError("never done")


def sent(client: FlaskClient, data: bytes, name: str = "a.json") -> str:
    got = client.post("/api/files/in", json={"name": name, "bytes": len(data)}).json
    for no in range(-(-len(data) // got["piece"])):
        at = no * got["piece"]
        answer = client.put(
            f"/api/files/{got['id']}/pieces/{no}",
            data=data[at : at + got["piece"]],
            content_type="application/octet-stream",
        )
        assert answer.status_code == 200, answer.json
    return got["id"]


def test_a_machine_goes_out_and_comes_in_with_another_name(client: FlaskClient) -> None:
    machine = client.post("/api/machines", json={"name": f"Filed {uuid.uuid4()}"}).json["id"]
    ident = client.post("/api/files/out", json={"machine": machine}).json["id"]
    assert done(client, ident)["doing"] == "written"
    got = client.get(f"/api/files/{ident}/record")
    assert got.status_code == 200 and "attachment" in got.headers["Content-Disposition"]
    doc = json.loads(got.data)
    doc["records"][0] |= {"id": str(uuid.uuid4()), "name": f"Brought {uuid.uuid4()}", "note": "n" * 3_000_000}
    coming = sent(client, json.dumps(doc).encode())
    # Nothing can be taken that was not looked at.
    early = client.post(f"/api/files/{coming}/take", json={})
    assert early.status_code == 422 and "not looked at" in early.json["errors"][0]["reason"]
    assert client.post(f"/api/files/{coming}/look", json={}).json["doing"] in ("looking", "looked")
    found = done(client, coming)
    assert (found["doing"], found["refused"], found["counts"][0]["verdict"]) == ("looked", 0, "added")
    lines = client.get(f"/api/files/{coming}/lines?verdict=added").json
    assert lines["lines"][0]["words"].startswith("machine Brought") and not lines["more"]
    assert client.get(f"/api/machines/{doc['records'][0]['id']}").status_code == 404, "a look changes nothing"
    op = {"op_id": str(uuid.uuid4()), "created_by_name": "T. Sedge"}
    client.post(f"/api/files/{coming}/take", json=op)
    assert done(client, coming)["doing"] == "taken"
    assert client.post(f"/api/files/{coming}/take", json=op).json["doing"] == "taken", "twice is once"
    assert client.get(f"/api/machines/{doc['records'][0]['id']}").json["name"].startswith("Brought")


def test_what_cannot_be_is_said(client: FlaskClient) -> None:
    half = sent(client, b'{"format":"tuyere-record","version":1,"records":[{"of":"machine"')
    client.post(f"/api/files/{half}/look", json={})
    got = done(client, half)
    assert got["doing"] == "unreadable" and "not copied whole" in got["why"]
    newer = sent(client, b'{"format":"tuyere-record","version":7,"records":[]}')
    client.post(f"/api/files/{newer}/look", json={})
    assert "newer program" in done(client, newer)["why"]
    faulty = sent(client, b'{"format":"tuyere-record","version":1,"records":[{"of":"boat"}]}')
    client.post(f"/api/files/{faulty}/look", json={})
    assert done(client, faulty)["refused"] == 1
    refused = client.post(f"/api/files/{faulty}/take", json={})
    assert refused.status_code == 422 and "refused" in refused.json["errors"][0]["reason"]
    ident = client.post("/api/files/out", json={"machine": str(uuid.uuid4())}).json["id"]
    assert done(client, ident)["doing"] == "unreadable"
    assert client.get(f"/api/files/{ident}/record").status_code == 422
    assert client.get(f"/api/files/{uuid.uuid4()}").status_code == 404


def test_pieces_fit_or_are_refused(client: FlaskClient) -> None:
    bytes_ = {"content_type": "application/octet-stream"}
    got = client.post("/api/files/in", json={"name": "a", "bytes": spool.PIECE + 10}).json
    at = f"/api/files/{got['id']}/pieces"
    assert client.post(f"/api/files/{got['id']}/look", json={}).status_code == 422
    assert client.put(f"{at}/0", data=b"short", **bytes_).status_code == 422
    assert client.put(f"{at}/5", data=b"x" * 10, **bytes_).status_code == 422
    assert client.put(f"{at}/0", json={}).status_code == 415
    assert client.put(f"{at}/0", data=b"x" * (spool.PIECE + 1), **bytes_).status_code == 413
    # The last piece may come first, and one may come twice.
    for no, data in ((1, b"y" * 10), (0, b"x" * spool.PIECE), (1, b"y" * 10)):
        assert client.put(f"{at}/{no}", data=data, **bytes_).status_code == 200
    assert (spool.of(uuid.UUID(got["id"])) / "in").read_bytes() == b"x" * spool.PIECE + b"y" * 10
    assert client.post("/api/files/in", json={"name": "a", "bytes": 10**12}).status_code == 422


def test_a_process_that_died_is_known(client: FlaskClient) -> None:
    ident = sent(client, b"{}")
    folder = spool.of(uuid.UUID(ident))
    spool.write_state(folder, {"doing": "looking", "name": "a", "bytes": 2})
    (folder / "pid").write_text("999999999")
    assert client.get(f"/api/files/{ident}").json["doing"] == "broken"
    # It can be looked at again.
    client.post(f"/api/files/{ident}/look", json={})
    assert done(client, ident)["doing"] == "unreadable"


def test_one_record_that_wants_all_the_memory_is_refused(client: FlaskClient) -> None:
    """A file of 160 MB that is one single record: the process that reads it is bounded, the server does not feel it."""
    ident = client.post("/api/files/in", json={"name": "a", "bytes": 160 * spool.PIECE}).json["id"]
    with (spool.of(uuid.UUID(ident)) / "in").open("wb") as f:
        f.write(b'{"format":"tuyere-record","version":1,"records":[["')
        f.write(b'","'.join([b"0123456789"] * 13_000_000)[: 160 * spool.PIECE - f.tell() - 5] + b'"]]}')
        f.seek(0, 2)
        f.write(b" " * (160 * spool.PIECE - f.tell()))
    client.post(f"/api/files/{ident}/look", json={})
    got = done(client, ident)
    assert got["doing"] == "unreadable" and "far too large" in got["why"]


def test_old_files_go(tmp_path: Path) -> None:
    import os

    old, fresh = (spool.new(uuid.uuid4(), {"doing": "coming"}) for _ in range(2))
    os.utime(old, (time.time() - spool.KEPT_S - 60,) * 2)
    spool.tidy()
    assert not old.exists() and fresh.exists()
