"""Alignment and tension as they are asked and told: sentences, both systems, refusals beside their fields."""

from __future__ import annotations

from typing import Any

import pytest
from pydantic import ValidationError

from tests.calc.test_calculations import changed, run
from tuyere.calc.ends import Start
from tuyere.calc.entries.alignment import LoopKind, Tool
from tuyere.calc.entries.alignment_limits import RunOutAt
from tuyere.calc.refusals import problems_of
from tuyere.calc.registry import CALCULATIONS
from tuyere.core.alignment.limits import kinds, run_out_kinds
from tuyere.core.errors import InputError
from tuyere.core.tables import table
from tuyere.core.tension.cliffs import starts


def example(name: str) -> dict[str, Any]:
    return dict(CALCULATIONS[name].example)


def asked(name: str, path: str, value: Any, units: str = "us") -> dict[str, Any]:
    body = example(name)
    if name == "tension-reading":
        body = {**body, "input": {k: v for k, v in body["input"].items() if k != "belt"} | {"drive": DRIVE}}
    return {**body, "units": units, "input": changed(body["input"], path, value)}


def test_choices_of_the_forms_are_the_rows_of_the_tables() -> None:
    assert set(LoopKind.__args__) == set(kinds())  # type: ignore[attr-defined]
    assert set(RunOutAt.__args__) == set(run_out_kinds())  # type: ignore[attr-defined]
    assert set(Tool.__args__) == set(table("alignment_tools").column("tool"))  # type: ignore[attr-defined]
    assert set(Start.__args__) == set(starts())  # type: ignore[attr-defined]


DRIVE = example("tension-adjust")["input"]["drive"]
CHAIN = {"calc": "chain-drive", "input": CALCULATIONS["chain-drive"].example["input"]}


@pytest.mark.parametrize(
    ("name", "path", "value", "field"),
    [
        ("alignment", "moving.near", "9 in", "input.moving.near"),
        ("alignment", "moving.top", "3", "input.moving.top"),
        ("alignment", "moving", {"diameter": "6"}, "input.moving"),
        ("alignment", "moving", {"diameter": "6", "near": "0.1"}, "input.moving"),
        ("alignment", "kind", "rope", "input.kind"),
        ("alignment", "moving.near", "0.02 lbf", "input.moving.near"),
        ("alignment", "staying", {"diameter": "6", "top": "0.1"}, "input.moving.top"),
        ("alignment-limits", "kind", "v-belt", "input.kind"),
        ("run-out", "lowest", "0.1", "input.lowest"),
        ("run-out", "highest", None, "input.highest"),
        ("run-out", "highest", "6 in", "input.highest"),
        ("soft-foot", "outboard_far", "2 in", "input.outboard_far"),
        ("soft-foot", "outboard_far", "-0.01", "input.outboard_far"),
        ("tension-target", "drive", CHAIN, "input.drive.calc"),
        ("tension-target", "drive.calc", "belt-length", "input.drive.calc"),
        ("tension-target", "drive.input", {"power": "5 hp"}, "input.drive.input"),
        ("tension-target", "drive.input.driver.sheave.diameter", "1 in", "input.drive.input.driver.sheave.diameter"),
        ("tension-target", "driver_shaft.diameter", "20 in", "input.driver_shaft.diameter"),
        ("tension-target", "maker", {"method": "plunger", "low_force": "4"}, "input.maker.deflection"),
        ("tension-target", "maker", {"method": "frequency"}, "input.maker.low_frequency"),
        ("tension-target", "maker", {"method": "tension"}, "input.maker.low_force"),
        (
            "tension-target",
            "maker",
            {"method": "tension", "low_force": "80", "high_force": "60"},
            "input.maker.low_force",
        ),
        ("tension-reading", "readings", [], "input.readings"),
        ("tension-reading", "span", "12 in", "input.span"),
        ("tension-reading", "readings", [{"belt": 9, "force": "4"}], "input.readings.0.belt"),
        ("tension-reading", "readings", [{"force": "150 lbf"}], "input.readings.0.force"),
        ("tension-reading", "readings", [{"force": "0.1 lbf"}], "input.readings.0.force"),
        ("tension-reading", "readings", [{"belt": 1}], "input.readings.0.force"),
        ("tension-reading", "readings", [{"method": "frequency", "frequency": "2 Hz"}], "input.readings.0.frequency"),
        ("tension-reading", "readings", [{"method": "frequency", "frequency": "20 mm"}], "input.readings.0.frequency"),
        ("tension-reading", "readings", [{"method": "pull", "pull": "20 lbf"}], "input.readings.0.pull"),
        ("tension-reading", "readings", [{"force": "4", "deflection": "30 in"}], "input.readings.0.deflection"),
        ("tension-adjust", "done", [], "input.done"),
        ("tension-settling", "readings", [{"hours": 1, "tension": "50 lbf"}], "input.readings"),
    ],
)
def test_what_cannot_be_is_refused_beside_its_field(name: str, path: str, value: Any, field: str) -> None:
    try:
        run(name, asked(name, path, value))
    except ValidationError as e:
        errors = problems_of(e)
    except InputError as e:
        errors = [{"path": e.field, "reason": e.why, "allowed": e.allowed}]
    else:
        pytest.fail("not refused")
    assert any(e["path"] == field for e in errors), errors
    assert all(e["reason"] for e in errors)


def test_a_move_names_feet_way_and_amount_in_either_system() -> None:
    inch = run("alignment", example("alignment"))["result"]
    assert [m["cures"] for m in inch["moves"]] == ["twist", "toe"]
    assert inch["says"] == f"Put {inch['moves'][0]['figure']['shown']} under both outboard feet."
    assert "inboard" in inch["moves"][0]["other_way"] and "Never shim both" in inch["moves"][0]["other_way"]
    assert "away from" in inch["moves"][1]["says"] and "jack bolt" in inch["moves"][1]["says"]
    typed = {"diameter": "152.4mm", "near": "0.508mm", "far": "2.794mm", "top": "3.302mm", "bottom": "0.0508mm"}
    mm = run("alignment", asked("alignment", "moving", typed, "us"))["result"]
    assert mm["says"] == inch["says"]
    # Turned about: the nose down, and the same shims go under the other pair.
    down = {"diameter": "6", "near": "0.020", "far": "0.110", "top": "0.002", "bottom": "0.130"}
    other = run("alignment", asked("alignment", "moving", down))["result"]
    assert "inboard feet" in other["says"]
    assert other["moves"][0]["figure"]["value"] == pytest.approx(inch["moves"][0]["figure"]["value"])


def test_a_line_that_touches_nothing_sees_toe_and_offset_and_says_that_twist_is_not_seen() -> None:
    """A string anywhere: the same machine read from two places of it."""
    results = []
    for place, run_in in ((0.5, 0.0), (1.25, 0.004)):
        at = [place + run_in * x for x in (-3.0, 3.0, 29.0, 35.0)]
        gaps = [at[0], at[1], at[2] + 0.10, at[3] + 0.16]
        body = {
            "units": "us",
            "input": {
                "kind": "v",
                "centre": "32",
                "tool": "string",
                "staying": {"diameter": "6", "far": f"{gaps[0]:.4f}", "near": f"{gaps[1]:.4f}"},
                "moving": {"diameter": "6", "near": f"{gaps[2]:.4f}", "far": f"{gaps[3]:.4f}"},
            },
        }
        answer = run("alignment", body)
        assert {n["code"] for n in answer["notices"]} >= {"not-seen"}
        results.append({f["name"]: f["found"]["value"] for f in answer["result"]["faults"]})
    assert results[0].keys() == {"Toe", "Offset"}
    assert results[0]["Toe"] == pytest.approx(0.573, abs=0.002)  # 0.06 in over 6 in
    assert results[0] == pytest.approx(results[1], abs=0.02)


def test_the_target_puts_the_makers_number_first_and_says_where_it_is_apart() -> None:
    plain = run("tension-target", example("tension-target"))["result"]
    assert plain["by"].startswith("worked") and plain["belts"] == 4
    maker = {"method": "tension", "low_force": "100 lbf", "high_force": "110 lbf"}
    answer = run("tension-target", asked("tension-target", "maker", maker))
    assert answer["result"]["by"] == "the machine maker's number"
    assert answer["result"]["aim"]["low"]["tension"]["shown"] == "100 lbf"
    assert "maker-apart" in {n["code"] for n in answer["notices"]}
    # Both ends are there, in order, and what is not known is named.
    known = {c["key"]: c["at"]["tension"]["value"] for c in plain["cliffs"] if c["at"]}
    assert known["slip-duty"] < known["slip-design"] < known["slip-start"]
    assert [c["missing"] for c in plain["cliffs"] if c["key"] == "driven-shaft"] == [
        "its diameter at the wheel and its overhang"
    ]


@pytest.mark.parametrize("name", ["sync-drive", "flat-drive"])
def test_every_belt_family_has_its_ends(name: str) -> None:
    drive = {"calc": name, "input": CALCULATIONS[name].example["input"]}
    answer = run("tension-target", {"units": "us", "input": {"drive": drive, "start": "soft-start"}})["result"]
    keys = {c["key"] for c in answer["cliffs"]}
    assert ("slip-duty" in keys) == (name == "flat-drive")
    assert answer["aim"]["low"]["tension"]["value"] < answer["aim"]["high"]["tension"]["value"]


def test_four_belts_the_odd_one_and_two_ways_that_do_not_agree() -> None:
    answer = run("tension-reading", asked("tension-reading", "state", "run in"))["result"]
    assert answer["odd_belt"] == 3 and "groove 3" in answer["says"] and answer["verdict"] == "watch"
    note = answer["belts"][0]["at"]["frequency"]["value"]
    both = [
        {"belt": 1, "force": "4.2", "deflection": "17/32"},
        {"belt": 1, "method": "frequency", "frequency": note * 1.4},
    ]
    doubted = run("tension-reading", asked("tension-reading", "readings", both))["result"]
    assert any("do not agree" in r for r in doubted["remarks"])
    agreed = [both[0], {"belt": 1, "method": "frequency", "frequency": note}]
    assert not any(
        "agree" in r for r in run("tension-reading", asked("tension-reading", "readings", agreed))["result"]["remarks"]
    )
    plucks = [{"method": "frequency", "frequency": f"{f} Hz"} for f in (22.0, 44.3, 22.4)]
    told = run("tension-reading", asked("tension-reading", "readings", plucks))["result"]
    assert any("pluck 2 rang at 2 times" in r for r in told["remarks"])


def test_a_belt_by_itself_is_read_without_a_drive() -> None:
    body = {
        "units": "si",
        "input": {
            "belt": {"span": "500 mm", "mass": "0.19 kg/m"},
            "readings": [{"method": "frequency", "frequency": "40 Hz"}],
        },
    }
    answer = run("tension-reading", body)["result"]
    assert answer["mean"]["tension"]["value"] == pytest.approx(4 * 0.19 * 0.25 * 1600) and answer["band"] is None
    with pytest.raises(InputError, match="which belt"):
        run("tension-reading", {"input": {"readings": [{"force": "4"}]}})


def test_the_next_move_and_how_it_settles() -> None:
    r = run("tension-adjust", example("tension-adjust"))["result"]
    assert r["says"].startswith("Turn each screw") and r["seen_on_this_drive"]
    stuck = asked("tension-adjust", "done", [{"turns": 0, "tension": "31 lbf"}, {"turns": 2, "tension": "32 lbf"}])
    assert "hardly moves" in run("tension-adjust", stuck)["result"]["says"]
    settled = [{"hours": h, "tension": f"{t} lbf"} for h, t in ((0.5, 75), (24, 62), (60, 58))]
    told = run("tension-settling", {"units": "us", "input": {"readings": settled, "least": "60 lbf"}})["result"]
    assert told["predicted"]["value"] < 58 * 4.45 and "running hours" in told["says"]
    assert "set it again" in told["says"]
