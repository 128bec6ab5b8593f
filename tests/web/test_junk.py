"""Junk at every endpoint: schemathesis on the document, hypothesis on every calculation; never a fault of ours."""

from __future__ import annotations

from pathlib import Path
from typing import Any

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
    st.none(), st.booleans(), st.integers(), st.integers(min_value=10**300, max_value=10**320), st.floats(allow_nan=False, allow_infinity=False),
    st.text(max_size=50), st.sampled_from(["0", "-1", "1e400", "1,234", "<b>", "15 in", "\x00", "' OR 1=1 --", "½", "1/0", "٣"]),
    st.lists(st.integers(), max_size=3), st.dictionaries(st.text(max_size=5), st.integers(), max_size=2),
)  # fmt: skip


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
    numbers = {"power": "power", "driver.speed": "speed", "driver.sheave.diameter": "length", "driven.sheave.diameter": "length",
               "driver_speed": "speed", "driven_speed": "speed", "centre.about": "length"}  # fmt: skip
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
