"""The web layer: statuses, problem documents, headers, idempotence, staleness, and the committed contract."""

from __future__ import annotations

import io
import json
import re
import subprocess
import uuid
from pathlib import Path
from typing import Any

import ezdxf
import pytest
from flask.testing import FlaskClient
from pydantic import BaseModel
from pypdfium2 import PdfDocument

from tuyere.calc.registry import CALCULATIONS
from tuyere.ops.openapi import document
from tuyere.ops.postgres import Cluster
from tuyere.ops.say import OpsError
from tuyere.ops.serve import serve
from tuyere.ops.setup import FRONTEND, ROOT, node_path

EXAMPLE = CALCULATIONS["v-belt-drive"].example


def test_every_calculation_answers(client: FlaskClient) -> None:
    for name, calc in CALCULATIONS.items():
        got = client.post(f"/api/calc/{name}", json=calc.example)
        assert got.status_code == 200 and got.json["calc"] == name and got.json["status"] == "ok"
    listed = client.get("/api/calc").json["calculations"]
    assert [c["name"] for c in listed] == list(CALCULATIONS)


@pytest.mark.parametrize(
    ("body", "kind", "status"),
    [
        (b"{", "application/json", 400),
        (b'{"input": NaN}', "application/json", 400),
        (b'{"a": 1e999}', "application/json", 422),
        (b"[]", "application/json", 422),
        (b'"x"', "application/json", 422),
        (b"x=1", "application/x-www-form-urlencoded", 415),
        (b" " * 70_000, "application/json", 413),
        (b"\xff\xfe", "application/json", 400),
        (b"[" * 60_000, "application/json", 400),
        (b"{}", "application/json", 422),
        (b'{"input": {}, "more": 1}', "application/json", 422),
    ],
    ids=range(11),
)
def test_bodies_that_are_refused(client: FlaskClient, body: bytes, kind: str, status: int) -> None:
    got = client.post("/api/calc/v-belt-drive", data=body, content_type=kind)
    assert got.status_code == status and got.content_type == "application/problem+json"
    assert got.json["status"] == status and got.json["title"]


def test_a_refusal_names_field_reason_and_range(client: FlaskClient) -> None:
    got = client.post("/api/calc/v-belt-drive", json={"input": {**EXAMPLE["input"], "power": "15 in"}})
    assert got.status_code == 422
    assert got.json["errors"][0] | {"reason": ""} == {
        "path": "input.power",
        "called": "Power",
        "value": "15 in",
        "reason": "",
        "allowed": "for example 15hp, 7,5 kW",
    }
    none = client.post("/api/calc/v-belt-drive", json={"input": {**EXAMPLE["input"], "power": "9000 hp"}})
    assert none.status_code == 422 and none.json["type"] == "tuyere:no-solution"


def test_ids_that_do_not_exist(client: FlaskClient) -> None:
    ghost = uuid.uuid4()
    for method, path, body in [
        ("get", f"/api/machines/{ghost}", None),
        ("get", f"/api/drives/{ghost}", None),
        ("get", "/api/machines/7", None),
        ("get", f"/api/builds/{ghost}/record", None),
        ("get", "/api/nothing", None),
        ("post", f"/api/machines/{ghost}/drives", {"name": "x"}),
        ("post", f"/api/drives/{ghost}/builds", {"purpose": "found", "input": EXAMPLE["input"]}),
    ]:
        got = getattr(client, method)(path, **({"json": body} if body else {}))
        assert got.status_code == 404 and got.content_type == "application/problem+json", path


def test_headers(client: FlaskClient) -> None:
    h = client.get("/api/calc").headers
    assert "script-src" not in h["Content-Security-Policy"] and "default-src 'self'" in h["Content-Security-Policy"]
    assert "frame-ancestors 'none'" in h["Content-Security-Policy"]
    assert h["X-Content-Type-Options"] == "nosniff" and h["X-Frame-Options"] == "DENY" and h["Referrer-Policy"]
    assert "Access-Control-Allow-Origin" not in h and h["Cache-Control"] == "no-cache"
    # What is about somebody's machines is kept nowhere; what is the same for everybody is asked about by its tag.
    assert client.get("/api/machines").headers["Cache-Control"] == "no-store"
    again = client.get("/api/calc", headers={"If-None-Match": h["ETag"]})
    assert again.status_code == 304 and again.data == b"" and again.headers["ETag"] == h["ETag"]
    assert client.get("/api/calc", headers={"If-None-Match": '"other"'}).status_code == 200
    assert (
        client.get("/api/calc", headers={"Origin": "http://elsewhere"}).headers.get("Access-Control-Allow-Origin")
        is None
    )


def test_a_job_over_the_api(client: FlaskClient) -> None:
    machine = client.post("/api/machines", json={"name": f"M {uuid.uuid4()}", "op_id": str(uuid.uuid4())}).json
    op = {"op_id": str(uuid.uuid4()), "name": "Main"}
    drive, again = (client.post(f"/api/machines/{machine['id']}/drives", json=op).json for _ in range(2))
    assert drive["id"] == again["id"]
    duty = {
        "power": "15hp",
        "driver_speed": "1750",
        "driven_speed": "1005",
        "centre": "34 1/4",
        "op_id": str(uuid.uuid4()),
    }
    assert client.put(f"/api/drives/{drive['id']}/duty", json=duty).json["duty"]["power"]["shown"] == "15 hp"
    assert client.put(f"/api/drives/{drive['id']}/duty", json=duty).status_code == 200  # the same operation again
    stale = client.put(f"/api/drives/{drive['id']}/duty", json={**duty, "op_id": str(uuid.uuid4()), "power": "20hp"})
    assert (
        stale.status_code == 409
        and stale.json["current"]["power"]["shown"] == "15 hp"
        and stale.json["yours"]["power"] == "20hp"
    )
    built = client.post(
        f"/api/drives/{drive['id']}/builds", json={"purpose": "fitted", "freeze": True, "input": EXAMPLE["input"]}
    ).json
    assert built["state"] == "frozen"
    frozen = client.put(f"/api/builds/{built['id']}", json={"purpose": "fitted", "input": EXAMPLE["input"]})
    assert frozen.status_code == 409 and frozen.json["type"] == "tuyere:frozen"
    record = client.get(f"/api/builds/{built['id']}/record").json
    assert record["result"]["result"]["belts"]["value"] == 4 and len(record["working"]) > 40
    clash = client.post("/api/machines", json={"name": "other", "id": machine["id"], "op_id": str(uuid.uuid4())})
    assert clash.status_code == 409
    bad = client.post(
        f"/api/drives/{drive['id']}/builds", json={"purpose": "found", "input": {**EXAMPLE["input"], "power": "x"}}
    )
    assert bad.json["errors"][0]["path"] == "input.power"


def test_shorthand_and_handbook(client: FlaskClient) -> None:
    name = f"Zephyr {uuid.uuid4().hex[:6]}"
    machine = client.post("/api/machines", json={"name": name}).json
    assert (
        client.get("/api/shorthand", query_string={"text": name}).json["destinations"][0]["to"]
        == f"/machines/{machine['id']}"
    )
    first = client.get("/api/shorthand", query_string={"text": "1750 > 640 15hp fan 28in"}).json["destinations"][0]
    assert first["to"] == "/choose" and first["query"]["machine"] == "fan-over-10-hp"
    assert (
        client.get("/api/shorthand", query_string={"text": "belt length"}).json["destinations"][0]["to"]
        == "/bench/belt-length"
    )
    book = client.get("/api/handbook").json
    assert len(book["tables"]) == 104 and all(t["source"] and t["recalled"] for t in book["tables"])
    # Every subject of the index holds something, and nothing stands outside the index.
    assert {x["subject"] for x in book["tables"] + book["formulas"]} == set(book["subjects"])
    assert len(book["formulas"]) > 45 and all(f["source"] and f["expression"] for f in book["formulas"])


def test_a_belt_number_and_a_word_are_found(client: FlaskClient) -> None:
    def found(text: str) -> list[dict[str, Any]]:
        return client.get("/api/shorthand", query_string={"text": text}).json["destinations"]

    assert found("SPB 2360")[0]["query"] == {"marking": "SPB 2360"} and found("SPB 2360")[0]["to"] == "/what-belt"
    several = found("1750 > 640 15hp blower 30")
    assert len({d["query"].get("machine") for d in several}) == len(several) > 2
    assert all("not understood: 30" in d["hint"] for d in several)
    assert found("zeppelin of the alps") == []
    held = client.get("/api/handbook/find", query_string={"text": "elongation"}).json
    book = client.get("/api/handbook").json
    assert held["formulas"] and set(held["formulas"]) < {f["id"] for f in book["formulas"]}
    assert set(held["tables"]) < {t["id"] for t in book["tables"]}


def test_committed_contract_is_current(tmp_path: Path) -> None:
    assert (ROOT / "openapi.json").read_text("utf-8") == document(), (
        "run: python -m tuyere.ops.openapi && cd frontend && npm run api"
    )
    fresh = tmp_path / "schema.d.ts"
    subprocess.run(
        ["npx", "openapi-typescript", "../openapi.json", "--default-non-nullable=false", "-o", str(fresh)],
        cwd=FRONTEND,
        check=True,
        capture_output=True,
        env={"PATH": node_path(), "HOME": str(tmp_path)},
    )
    assert fresh.read_text("utf-8") == (FRONTEND / "src/api/schema.d.ts").read_text("utf-8")
    assert json.loads(document())["openapi"].startswith("3.1")


def test_serving_beyond_loopback_is_refused(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.delenv("TUYERE_DATABASE_URL", raising=False)
    with pytest.raises(OpsError, match="TUYERE_DATABASE_URL"):
        serve()
    monkeypatch.setenv("TUYERE_DATABASE_URL", "postgresql://x")
    monkeypatch.setenv("TUYERE_SECRET", "x")
    for bind in ("0.0.0.0:80", "192.168.1.4:80", "[::]:80", "8000"):
        monkeypatch.setenv("TUYERE_BIND", bind)
        with pytest.raises(OpsError, match="refusing"):
            serve()


def test_cluster_recovers_and_explains(cluster: Cluster, tmp_path: Path) -> None:
    assert cluster.running() and cluster.create() is False
    twin = Cluster(cluster.home, 1, lasting=False)
    twin.start()
    assert twin.port == cluster.port  # found running, whatever port was asked for
    old = Cluster(tmp_path, 54999)
    (tmp_path / "pg").mkdir()
    (tmp_path / "pg" / "PG_VERSION").write_text("9\n")
    with pytest.raises(OpsError) as e:
        old.start()
    assert "PostgreSQL 9" in e.value.cause and "postgresql-9" in e.value.cure


def test_a_stock_list_is_looked_through_then_kept_whole_and_changes_the_choice(client: FlaskClient) -> None:
    text = "part,section,size,diameter,count\nbelt,,B90,,4\nsheave,B,5.4,pitch,2\nsheave,B,five,,1\n"
    seen = client.post("/api/stock/preview", json={"text": text}).json
    assert (
        [x["part"] for x in seen["lines"]] == ["belt", "sheave"]
        and seen["wrong"][0]["line"] == 4
        and seen["wrong"][0]["allowed"]
    )
    assert client.get("/api/stock").json["lines"] == []
    refused = client.put("/api/stock", json={"text": text})
    assert refused.status_code == 422 and "line 4" in refused.json["errors"][0]["reason"]
    kept = client.put("/api/stock", json={"text": text, "leave_out_wrong": True}).json["lines"]
    assert [x["count"] for x in kept] == [4, 2] and kept[1]["diameter"]["shown"] == "5.4 in"
    again = client.put("/api/stock", json={"text": "part,size\nbelt,A42\n"}).json["lines"]
    assert [x["designation"] for x in again] == ["A42"] and client.get("/api/stock?units=si").json["lines"] == again
    duty = CALCULATIONS["v-belt-select"].example["input"]
    plain = client.post("/api/calc/v-belt-select", json={"input": duty}).json["result"]["options"]
    last = plain[-1]
    wheel = [{k: last["input"][s]["sheave"][k] for k in ("groove", "diameter", "kind")} for s in ("driver", "driven")]
    stock = {"belts": [last["input"]["belt"]["designation"]], "sheaves": wheel}
    listed = client.post(
        "/api/calc/v-belt-select", json={"input": duty | {"stock": stock, "weights": {"stock": 10}}}
    ).json["result"]["options"]
    assert listed[0]["on_shelf"] > 0 and listed[0]["name"] != plain[0]["name"]
    wrong = client.post("/api/calc/v-belt-select", json={"input": duty | {"stock": {"belts": ["B90", "Q1"]}}})
    assert wrong.status_code == 422 and wrong.json["errors"][0]["path"] == "input.stock.belts.1"


def test_parts_are_put_on_the_shelf_counted_together_and_taken_off(client: FlaskClient) -> None:
    client.put("/api/stock", json={"text": "part,size,count\nbelt,B90,4\n"})
    op = str(uuid.uuid4())
    more = {"part": "belt", "size": "b 90", "count": 2, "op_id": op}
    first = client.post("/api/stock/parts", json=more).json["lines"]
    assert [(x["designation"], x["count"]) for x in first] == [("B90", 6)]
    # The answer was lost and it is sent again: it is the same two belts.
    assert client.post("/api/stock/parts", json=more).json["lines"] == first
    wheel = {"part": "sheave", "section": "5V", "size": "7.1", "diameter": "outside"}
    both = client.post("/api/stock/parts", json=wheel).json["lines"]
    assert len(both) == 2 and both[1]["diameter"]["shown"] == "7.1 in"
    gone = client.put(f"/api/stock/parts/{both[0]['id']}", json={"count": 0}).json["lines"]
    assert [x["part"] for x in gone] == ["sheave"]
    assert client.put(f"/api/stock/parts/{both[0]['id']}", json={"count": 1}).status_code == 404
    for wrong, path in (
        ({"part": "belt", "size": "Q9"}, "size"),
        ({**wheel, "section": "Q"}, "size.groove"),
        ({**wheel, "size": "wide"}, "size"),
        ({"part": "belt", "size": "B90", "count": 0}, "count"),
    ):
        got = client.post("/api/stock/parts", json=wrong)
        assert got.status_code == 422 and got.json["errors"][0]["path"] == path, got.json
    client.put("/api/stock", json={"text": "part,size\nbelt,A42\n"})


def test_families_are_listed_with_their_calculations(client: FlaskClient) -> None:
    lines = client.get("/api/families").json["families"]
    assert [x["key"] for x in lines] == ["v-belt", "roller-chain", "synchronous", "flat"]
    assert all(x["calc"] in CALCULATIONS and x["found_fields"] for x in lines)


def test_an_own_rating_table_is_kept_and_rates_what_no_book_does(client: FlaskClient) -> None:
    text = "section,diameter,rpm,hp\n3V,2.6,1750,2\n3V,6,1750,6\n3V,2.6,1160,1.5\n3V,6,1160,4.5\nQ,1,1,1\n"
    seen = client.post("/api/ratings/preview", json={"text": text}).json
    assert len(seen["lines"]) == 4 and "unknown belt section" in seen["wrong"][0]["reason"]
    assert (
        client.put("/api/ratings", json={"text": text}).status_code == 422
        and client.get("/api/ratings").json["lines"] == []
    )
    kept = client.put("/api/ratings", json={"text": text, "leave_out_wrong": True}).json["lines"]
    assert client.get("/api/ratings").json["lines"] == kept
    wheel = {"kind": "outside", "groove": "3V"}
    given = {
        "power": "3 hp",
        "service_factor": {"assume": 1.2},
        "driver": {"speed": "1750", "sheave": wheel | {"diameter": "4"}},
        "driven": {"sheave": wheel | {"diameter": "8"}},
        "belt": {"designation": "3V600"},
    }
    refused = client.post("/api/calc/v-belt-drive", json={"input": given})
    assert refused.status_code == 422 and "on hand" in refused.json["errors"][0]["reason"]
    empty = client.post("/api/calc/v-belt-drive", json={"options": {"book": "own-table"}, "input": given})
    assert empty.status_code == 422 and empty.json["errors"][0]["path"] == "options.book"
    own = [
        {
            "section": x["section"],
            "diameter": x["diameter"]["value"],
            "speed": x["speed"]["value"],
            "power": x["power"]["value"],
        }
        for x in kept
    ]
    body = {"options": {"book": "own-table"}, "input": given | {"own_ratings": own}}
    worked = client.post("/api/calc/v-belt-drive", json=body).json
    assert worked["result"]["basis"] == "your own rating table" and "own-table" in [
        n["code"] for n in worked["notices"]
    ]
    # A build rated by it keeps the lines it was rated by, and works again from the book.
    machine = client.post("/api/machines", json={"name": "Own table"}).json["id"]
    drive = client.post(f"/api/machines/{machine}/drives", json={"name": "Main"}).json["id"]
    build = client.post(
        f"/api/drives/{drive}/builds", json={"purpose": "fitted", "freeze": True, "family": "v-belt", **body}
    )
    assert build.status_code == 200, build.json
    again = client.get(f"/api/drives/{drive}").json["builds"][0]
    assert again["options"]["book"] == "own-table" and len(again["input"]["own_ratings"]) == 4
    assert (
        client.post("/api/calc/v-belt-drive", json={"options": again["options"], "input": again["input"]}).status_code
        == 200
    )


@pytest.mark.parametrize(
    ("belt", "driver", "driven", "power"),
    [
        ("B112", ("7 in", "outside", "B"), ("24 in", "outside", "flat"), "3 hp"),
        ("B90", ("7 in", "outside", "B deep"), ("11 in", "outside", "B deep"), "5 hp"),
        ("A75", ("5 in", "outside", "A in A/B"), ("9 in", "outside", "A in A/B"), "3 hp"),
        ("SPB 2500", ("200 mm", "datum", "SPB"), ("315 mm", "datum", "SPB"), "11 kW"),
        ("4L430", ("3 in", "outside", "4L"), ("6 in", "outside", "4L"), "0.5 hp"),
        ("E240", ("24 in", "datum", "E"), ("30 in", "datum", "E"), "40 hp"),
        ("Z 1330", ("80 mm", "datum", "Z"), ("140 mm", "datum", "Z"), "0.5 kW"),
    ],
)
def test_a_drive_of_any_section_and_groove_is_kept_and_works_again_to_the_same_figures(
    client: FlaskClient, belt: str, driver: tuple[str, str, str], driven: tuple[str, str, str], power: str
) -> None:
    def wheel(w: tuple[str, str, str]) -> dict[str, str]:
        return dict(zip(("diameter", "kind", "groove"), w, strict=True))

    given = {
        "power": power,
        "service_factor": {"assume": 1.2},
        "driver": {"speed": "870", "sheave": wheel(driver)},
        "driven": {"sheave": wheel(driven)},
        "belt": {"designation": belt},
        "slip": "1 %",
    }
    first = client.post("/api/calc/v-belt-drive", json={"input": given})
    assert first.status_code == 200, first.json
    machine = client.post("/api/machines", json={"name": belt + driver[2] + driven[2]}).json["id"]
    drive = client.post(f"/api/machines/{machine}/drives", json={"name": "Main"}).json["id"]
    kept = client.post(
        f"/api/drives/{drive}/builds", json={"purpose": "fitted", "freeze": True, "family": "v-belt", "input": given}
    )
    assert kept.status_code == 200, kept.json
    build = client.get(f"/api/drives/{drive}").json["builds"][0]
    again = client.post(f"/api/calc/{build['calc']}", json={"options": build["options"], "input": build["input"]}).json
    for figure in (
        "driven_speed",
        "belt_power",
        "centre_distance",
        "shaft_load_standing",
        "belts_exact",
        "driven_outside",
    ):
        assert again["result"][figure]["value"] == pytest.approx(first.json["result"][figure]["value"], rel=1e-9), (
            figure
        )
    assert again["result"]["basis"] == first.json["result"]["basis"] and belt in build["what"]


def test_no_two_models_share_a_name() -> None:
    """The document knows models by their names: a second one of a name would take the first one's place unseen."""
    made: dict[str, set[str]] = {}
    waiting: list[type[BaseModel]] = [BaseModel]
    while waiting:
        for c in waiting.pop().__subclasses__():
            waiting.append(c)
            if c.__module__.startswith("tuyere.") and "[" not in c.__name__ and not hasattr(c, "__table__"):
                made.setdefault(c.__name__, set()).add(c.__module__)
    assert {n: m for n, m in made.items() if len(m) > 1} == {}


@pytest.mark.parametrize("name", [n for n, c in CALCULATIONS.items() if c.drawn])
@pytest.mark.parametrize("units", ["us", "si"])
def test_every_drawing_is_had_as_a_file_of_the_size_it_says(client: FlaskClient, name: str, units: str) -> None:
    body = CALCULATIONS[name].example | {"units": units}
    scene = client.post(f"/api/calc/{name}", json=body).json["result"]["picture"]
    pdf = client.post(f"/api/calc/{name}/picture/pdf", json=body)
    assert pdf.status_code == 200 and pdf.content_type == "application/pdf"
    page = PdfDocument(pdf.data)[0]
    width, height = (x / 72 * 25.4 for x in page.get_size())
    assert (width, height) == pytest.approx((scene["width"], scene["height"]), abs=0.5)
    told = re.sub(r"\s+", "", page.get_textpage().get_text_range())
    words = [i["text"] for i in scene["items"] if i["kind"] == "text"]
    # Every figure of the drawing stands on the sheet.
    assert all(re.sub(r"\s+", "", w) in told for w in words if w.isascii())
    svg = client.post(f"/api/calc/{name}/picture/svg", json=body).text
    assert svg.startswith("<svg") and f'width="{scene["width"]:g}mm"' in svg
    dxf = ezdxf.read(io.StringIO(client.post(f"/api/calc/{name}/picture/dxf", json=body).text))
    assert dxf.header["$INSUNITS"] == (1 if units == "us" else 4)
    assert client.post(f"/api/calc/{name}/picture/png", json=body).status_code in (404, 422)


def test_one_calculation_is_its_line_of_the_list_and_no_other_name_is_one(client: FlaskClient) -> None:
    listed = {c["name"]: c for c in client.get("/api/calc").json["calculations"]}
    for name in ("chain-wear", "v-belt-drive"):
        got = client.get(f"/api/calc/{name}")
        assert got.json == listed[name]
        again = client.get(f"/api/calc/{name}", headers={"If-None-Match": got.headers["ETag"]})
        assert again.status_code == 304 and not again.data
    gone = client.get("/api/calc/no-such-thing")
    assert gone.status_code == 404 and gone.content_type == "application/problem+json"
