"""The failure finder as it is asked and told: never surer than it may be, why for and against, what comes before a new loop."""

from __future__ import annotations

from typing import Any

import pytest

from tests.calc.test_calculations import run
from tuyere.core.errors import InputError

KINDS = ("v", "v-light", "v-joined", "v-link", "sync", "flat-belt", "round", "chain", "chain-dogged")


def found(kind: str = "v", isolated: bool = False, **answers: str) -> Any:
    given = {k.replace("_", "-"): v for k, v in answers.items()}
    return run("failure-finder", {"input": {"kind": kind, "answers": given, "isolated": isolated}})


@pytest.mark.parametrize("kind", KINDS)
def test_every_kind_of_loop_has_its_signs_and_begins_by_asking(kind: str) -> None:
    r = found(kind)["result"]
    assert "say first what you see" in r["says"] and not r["settled"]
    assert {s["where"] for s in r["signs"]} == {"loop", "wheel", "machine", "operation", "history"}
    assert r["check"]["minutes"] >= 1 and r["check"]["settles"]
    assert all(not c["speaks_for"] and not c["speaks_against"] for c in r["causes"])


def test_what_speaks_for_and_against_is_said_with_its_reason() -> None:
    r = found(v_one_side="yes", misline="yes", chirp="yes", v_groove_dished="no")["result"]
    top = r["causes"][0]
    assert top["key"] == "v-misaligned" and top["job"] == "align-straightedge" and top["share"] <= 90
    assert top["share"] % 5 == 0 and all(f["why"] for f in top["speaks_for"])
    worn = next((c for c in r["causes"] if c["key"] == "v-groove-worn"), None)
    assert worn is None or any(f["words"].startswith("not so: groove") for f in worn["speaks_against"])
    assert r["settled"] and "Confirm that it is why" in r["says"]
    given = {s["key"]: s["answer"] for s in r["signs"] if s["answer"]}
    assert given == {"v-one-side": "yes", "misline": "yes", "chirp": "yes", "v-groove-dished": "no"}


def test_contradictions_are_said_and_nothing_of_them_is_lost() -> None:
    answer = found(tension_low="yes", tension_high="yes")
    (notice,) = [n for n in answer["notices"] if n["code"] == "contradiction"]
    assert "cannot both be so" in notice["text"] and "take one of them back" in notice["action"]


def test_isolated_changes_what_is_asked() -> None:
    live, safe = found(v_glaze="yes")["result"]["check"], found(isolated=True, v_glaze="yes")["result"]["check"]
    signs = {s["key"]: s for s in found()["result"]["signs"]}
    assert not (signs[safe["sign"]]["where"] == "operation" and signs[safe["sign"]]["guard"] == "on")
    assert live["needs_isolation"] == (signs[live["sign"]]["guard"] == "off") and not safe["needs_isolation"]


def test_a_sign_of_another_kind_of_drive_is_refused_beside_it() -> None:
    with pytest.raises(InputError) as e:
        found("chain", v_glaze="yes")
    assert e.value.field == "input.answers" and "such a drive" in e.value.why
