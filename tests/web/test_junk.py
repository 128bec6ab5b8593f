"""Junk at every endpoint: schemathesis on the document, hypothesis on every calculation; never a fault of ours."""

from __future__ import annotations

from pathlib import Path
from typing import Any
from urllib.parse import quote

import pytest
import schemathesis
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from schemathesis.specs.openapi.checks import response_schema_conformance, status_code_conformance
from sqlalchemy.engine import Engine

from tests.calc.test_calculations import changed
from tuyere.calc.registry import CALCULATIONS
from tuyere.web.app import create_app

QUICK = settings(
    derandomize=True, deadline=None, max_examples=200, suppress_health_check=list(HealthCheck), database=None
)


@pytest.fixture(scope="session")
def wsgi(engine: Engine):  # noqa: ANN201
    return create_app(engine, Path("/nonexistent"))


@pytest.fixture
def described(wsgi):  # noqa: ANN001, ANN201
    return schemathesis.openapi.from_wsgi("/openapi.json", wsgi)


schema = schemathesis.pytest.from_fixture("described")


@schema.parametrize()
@settings(derandomize=True, deadline=None, max_examples=25, suppress_health_check=list(HealthCheck), database=None)
def test_the_document_is_kept(case: schemathesis.Case) -> None:
    case.call_and_validate(
        checks=[schemathesis.checks.not_a_server_error, status_code_conformance, response_schema_conformance]
    )


def _paths(x: dict[str, Any], prefix: str = "") -> list[str]:
    return [
        p for k, v in x.items() for p in ([prefix + k] + (_paths(v, f"{prefix}{k}.") if isinstance(v, dict) else []))
    ]


JUNK = st.one_of(
    st.none(),
    st.booleans(),
    st.integers(),
    st.integers(min_value=10**300, max_value=10**320),
    st.floats(allow_nan=False, allow_infinity=False),
    st.text(max_size=50),
    st.sampled_from(["0", "-1", "1e400", "1,234", "<b>", "15 in", "\x00", "' OR 1=1 --", "½", "1/0", "٣"]),
    st.lists(st.integers(), max_size=3),
    st.dictionaries(st.text(max_size=5), st.integers(), max_size=2),
)


@pytest.mark.parametrize("name", list(CALCULATIONS))
def test_junk_in_any_field_is_never_a_fault(wsgi, name: str) -> None:  # noqa: ANN001
    example = CALCULATIONS[name].example["input"]
    client = wsgi.test_client()

    @QUICK
    @given(st.lists(st.tuples(st.sampled_from(_paths(example)), JUNK), min_size=1, max_size=3))
    def throw(changes: list[tuple[str, Any]]) -> None:
        body = example
        for path, value in changes:
            try:
                body = changed(body, path, value)
            except (AttributeError, TypeError):
                continue
        got = client.post(f"/api/calc/{name}", json={"input": body})
        assert got.status_code in (200, 422), got.data
        if got.status_code == 422:
            assert got.json["errors"] and all(e["reason"] for e in got.json["errors"])

    throw()


STORED = [
    (
        "post",
        "/api/machines",
        {
            "name": "x",
            "same_name": True,
            "kind": "shop",
            "energy_sources": [{"type": "electric", "isolation_point": "Q"}],
        },
    ),
    ("put", "/api/machines/{machine}", {"rev": 1, "name": "x", "kind": "shop"}),
    ("post", "/api/machines/{machine}/drives", {"name": "x", "id": "8e0e7f5e-0000-4000-8000-000000000001"}),
    (
        "put",
        "/api/drives/{drive}/duty",
        {"rev": 0, "power": "5hp", "driver_speed": 1750, "driven_speed": 900, "centre": "20"},
    ),
    (
        "post",
        "/api/drives/{drive}/builds",
        {"rev": 0, "purpose": "designed", "input": CALCULATIONS["v-belt-drive"].example["input"]},
    ),
    (
        "put",
        "/api/builds/{build}",
        {"rev": 1, "purpose": "designed", "input": CALCULATIONS["v-belt-drive"].example["input"]},
    ),
    (
        "post",
        "/api/drives/{drive}/builds",
        {
            "rev": 0,
            "purpose": "fitted",
            "family": "roller-chain",
            "input": CALCULATIONS["chain-drive"].example["input"],
        },
    ),
    ("put", "/api/ratings", {"text": "section,diameter,rpm,hp\nB,5,1750,3\n", "leave_out_wrong": True}),
    ("put", "/api/stock", {"text": "part,size\nbelt,B90\n", "leave_out_wrong": True}),
]


@pytest.mark.parametrize(("method", "path", "example"), STORED, ids=[f"{m} {p}" for m, p, _ in STORED])
def test_junk_in_any_stored_field_is_never_a_fault(wsgi, method: str, path: str, example: dict[str, Any]) -> None:  # noqa: ANN001
    client = wsgi.test_client()
    machine = client.post("/api/machines", json={"name": "junk", "same_name": True}).json["id"]
    drive = client.post(f"/api/machines/{machine}/drives", json={"name": "junk"}).json["id"]
    build = client.post(
        f"/api/drives/{drive}/builds", json={"purpose": "designed", "input": STORED[4][2]["input"]}
    ).json["id"]
    where = path.format(machine=machine, drive=drive, build=build)

    @QUICK
    @given(st.lists(st.tuples(st.sampled_from(_paths(example)), JUNK), min_size=1, max_size=3))
    def throw(changes: list[tuple[str, Any]]) -> None:
        body = example
        for field, value in changes:
            try:
                body = changed(body, field, value)
            except (AttributeError, TypeError):
                continue
        got = getattr(client, method)(where, json=body)
        assert got.status_code in (200, 409, 422), got.data

    throw()


@settings(derandomize=True, deadline=None, max_examples=200, suppress_health_check=list(HealthCheck), database=None)
@given(
    st.text(max_size=130),
    st.sampled_from(["machines?q=", "shorthand?text=", "drives/", "machines/", "builds/", "shorthand?units="]),
)
def test_junk_in_an_address_is_never_a_fault(wsgi, text: str, path: str) -> None:  # noqa: ANN001
    got = wsgi.test_client().get(f"/api/{path}{quote(text, safe='')}")
    assert got.status_code in (200, 404, 405, 422, 308), got.data


PLAUSIBLE = {
    "length": st.floats(1, 5000),
    "power": st.floats(0.01, 500),
    "speed": st.floats(10, 8000),
    "factor": st.floats(0.5, 3),
}


@pytest.mark.parametrize("name", ["v-belt-drive", "v-belt-select"])
def test_plausible_numbers_are_answered_or_refused(wsgi, name: str) -> None:  # noqa: ANN001
    client = wsgi.test_client()
    example = CALCULATIONS[name].example["input"]
    numbers = {
        "power": "power",
        "driver.speed": "speed",
        "driver.sheave.diameter": "length",
        "driven.sheave.diameter": "length",
        "driver_speed": "speed",
        "driven_speed": "speed",
        "centre.about": "length",
    }
    mine = {p: PLAUSIBLE[k] for p, k in numbers.items() if p in _paths(example)}

    @QUICK
    @given(st.fixed_dictionaries(mine))
    def throw(values: dict[str, float]) -> None:
        body = example
        for path, value in values.items():
            body = changed(body, path, value)
        got = client.post(f"/api/calc/{name}", json={"input": body, "units": "si"})
        assert got.status_code in (200, 422), got.data

    throw()
