"""No text of a validation library reaches a person: every field of every form is given junk, every refusal is read."""

from __future__ import annotations

import re
import uuid
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from pydantic import BaseModel

from tests.calc.test_calculations import changed
from tuyere.calc.kinds import KINDS
from tuyere.calc.registry import CALCULATIONS
from tuyere.store.builds.forms import BuildSave
from tuyere.store.drives.forms import DutySave
from tuyere.store.machines.forms import DriveCreate, MachineChange, MachineCreate
from tuyere.web.app import create_app
from tuyere.web.shelf.list_text import ListText
from tuyere.web.shelf.stock import PartForm

# How the libraries in use speak, and what no mechanic says.
LIBRARY = re.compile(
    r"Input should|Value error|valid (?:integer|number|string|boolean|dictionary|list|date)|unable to parse|at least 1 character|"
    r"should (?:be|have|match)|pydantic|Traceback|NoneType|<class|validation error|Extra inputs|Field required|"
    r"\^\[|\b\d(?:\.\d+)?e[+-]?\d+|\{[a-z_]+\}",
    re.I,
)
JUNK: list[Any] = [
    "",
    "abc",
    "-3",
    "0",
    "999999999999",
    "1e99",
    -1,
    0,
    10**12,
    1.5,
    True,
    None,
    [],
    {},
    ["x"],
    {"a": 1},
    "x" * 200,
    "2026-13-45",
    "\x07",
]


def leaves(model: type[BaseModel], above: str = "", depth: int = 0) -> Iterator[str]:
    """Every field of a form, at every depth, by its schema."""
    schema = model.model_json_schema()
    defs = schema.get("$defs", {})

    def walk(of: dict[str, Any], path: str, deep: int) -> Iterator[str]:
        if "$ref" in of:
            of = defs[of["$ref"].rsplit("/", 1)[1]]
        for branch in of.get("anyOf", []):
            if "$ref" in branch:
                yield from walk(branch, path, deep)
        if deep > 4:
            return
        for name, inner in of.get("properties", {}).items():
            here = f"{path}.{name}" if path else name
            yield here
            yield from walk(inner, here, deep + 1)

    yield from walk(schema, above, depth)


def read(problem: dict[str, Any], where: str) -> None:
    for e in problem["errors"]:
        for words in (e["reason"], e["allowed"]):
            assert not LIBRARY.search(words), (where, words)
        assert e["reason"] and len(e["allowed"]) < 160, (where, e)
        # What its field is called, as the form has it: never a name of the program, and nothing where it is about the whole.
        assert bool(e["called"]) == bool(e["path"]) and "_" not in e["called"] and "." not in e["called"], (where, e)
        assert not e["called"] or e["called"][0].isupper() or e["called"][0].isdigit(), (where, e)
    assert not LIBRARY.search(problem.get("detail", "")) and not LIBRARY.search(problem["title"])


@pytest.fixture(scope="module")
def client(engine) -> FlaskClient:  # noqa: ANN001
    return create_app(engine, Path("/nonexistent")).test_client()


@pytest.mark.parametrize("name", list(CALCULATIONS))
def test_every_field_of_every_calculation_is_refused_in_shop_words(client: FlaskClient, name: str) -> None:
    example = CALCULATIONS[name].example["input"]
    refused = 0
    for path in dict.fromkeys(leaves(CALCULATIONS[name].input_model)):
        for junk in JUNK:
            try:
                body = changed(example, path, junk)
            except (AttributeError, TypeError):
                continue
            got = client.post(f"/api/calc/{name}", json={"units": "us", "input": body})
            assert got.status_code in (200, 422), (path, junk, got.data[:300])
            if got.status_code == 422:
                refused += 1
                read(got.json, f"{name} {path} {junk!r}")
    assert refused > 5


FORMS: list[tuple[str, str, type[BaseModel], dict[str, Any]]] = [
    ("post", "/api/machines", MachineCreate, {"name": "words", "same_name": True}),
    ("put", "/api/machines/{machine}", MachineChange, {"rev": 1, "name": "x", "kind": "shop"}),
    ("post", "/api/machines/{machine}/drives", DriveCreate, {"name": "x"}),
    ("put", "/api/drives/{drive}/duty", DutySave, {"power": "5hp", "driver_speed": 1750, "driven_speed": 900}),
    (
        "post",
        "/api/drives/{drive}/builds",
        BuildSave,
        {"purpose": "found", "input": CALCULATIONS["v-belt-drive"].example["input"]},
    ),
    ("put", "/api/stock", ListText, {"text": "part,size\nbelt,B90\n"}),
    ("post", "/api/stock/parts", PartForm, {"part": "belt", "size": "B90"}),
    ("put", "/api/ratings", ListText, {"text": "section,diameter,rpm,hp\nB,5,1750,3\n"}),
]


@pytest.mark.parametrize(("method", "path", "form", "example"), FORMS, ids=[f"{m} {p}" for m, p, *_ in FORMS])
def test_every_field_of_every_stored_form_is_refused_in_shop_words(
    client: FlaskClient, method: str, path: str, form: type[BaseModel], example: dict[str, Any]
) -> None:
    machine = client.post("/api/machines", json={"name": "words", "same_name": True}).json["id"]
    drive = client.post(f"/api/machines/{machine}/drives", json={"name": "words"}).json["id"]
    where = path.format(machine=machine, drive=drive)
    refused = 0
    for field in dict.fromkeys(leaves(form)):
        for junk in JUNK:
            body = changed({**example, "op_id": str(uuid.uuid4())}, field, junk)
            got = getattr(client, method)(where, json=body)
            assert got.status_code in (200, 409, 422), (field, junk, got.data[:300])
            if got.status_code == 422:
                refused += 1
                read(got.json, f"{where} {field} {junk!r}")
    assert refused > 10


def test_the_ends_of_every_range_are_sensible_and_written_without_exponents(client: FlaskClient) -> None:
    assert (KINDS["hours_a_day"].lowest, KINDS["hours_a_day"].highest) == (0, 24)
    example = CALCULATIONS["v-belt-drive"].example["input"]
    for units, wanted in (("us", "over 0 to 8,000 in"), ("si", "over 0 to 203,200 mm")):
        body = changed(example, "driver.sheave.diameter", "999999 m")
        got = client.post("/api/calc/v-belt-drive", json={"units": units, "input": body}).json["errors"][0]
        assert got["allowed"] == wanted
    day = client.post("/api/calc/v-belt-drive", json={"input": {**example, "service_factor": {"hours_a_day": "25"}}})
    assert day.json["errors"][0]["allowed"] == "0 to 24 h"
    for junk in ("abc", "0"):  # with no machine picked, the hours are read all the same
        got = client.post(
            "/api/calc/v-belt-drive", json={"input": {**example, "service_factor": {"hours_a_day": junk}}}
        )
        assert got.status_code == 422 and got.json["errors"][0]["path"].endswith("hours_a_day")


def test_a_refusal_of_the_core_speaks_the_persons_units(client: FlaskClient) -> None:
    small = changed(CALCULATIONS["v-belt-drive"].example["input"], "driver.sheave.diameter", "4 in")
    us, si = (
        client.post("/api/calc/v-belt-drive", json={"units": u, "input": small}).json["errors"][0] for u in ("us", "si")
    )
    assert us["allowed"] == "5.4 in pitch diameter or more" and si["allowed"] == "137.2 mm pitch diameter or more"
