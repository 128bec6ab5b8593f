"""The families as adapters: one duty for all, their manners, and a fifth one added from outside."""

from __future__ import annotations

from typing import Any

import pytest

from tuyere.calc.entries.drive_compare import ASKED, CompareIn
from tuyere.calc.families.protocol import FAMILIES, families
from tuyere.calc.registry import CALCULATIONS, find, work
from tuyere.core.errors import InputError
from tuyere.core.tables import table

CONVEYOR = {
    "power": "5hp",
    "service_factor": {"driver": "motor-nema-b", "machine": "conveyor-pan", "hours_a_day": 16},
    "driver_speed": "145",
    "driven_speed": "58",
    "tolerance": 3,
    "centre": {"about": "30 in"},
}


def compare(**more: Any) -> Any:
    return work(
        find("drive-compare"),
        find("drive-compare").request_model.model_validate({"units": "us", "input": CONVEYOR | more}),
    ).result


def test_one_duty_is_answered_by_every_family_with_figures_that_hang_together() -> None:
    found = compare(driver_speed="1160", driven_speed="400", energy_price=0.2)
    assert {f.key for f in found.families} == set(FAMILIES) and found.considered > 450_000
    for f in found.families:
        assert (
            f.options
            and f.verdict in ("good", "limited")
            and f.accepted + sum(r.count for r in f.rejected) == f.considered
        ), f.key
        for o in f.options:
            assert (
                abs(o.speed_error.value) <= 3
                and o.spare.value >= -1e-9
                and 0 < o.weight.low.value <= o.weight.high.value
                and o.parts.value >= 3
            )
            assert o.efficiency.low.value < o.efficiency.high.value <= 100
            assert o.yearly_cost.high.value == pytest.approx(0.2 * o.yearly_loss.high.value)
            # What was offered works again by its own calculation, and says the same.
            again = work(find(o.calc), find(o.calc).request_model.model_validate({"input": o.input}))
            assert again.sheet.designation == o.name and again.sheet.spare.value == pytest.approx(
                o.spare.value, rel=1e-6, abs=1e-6
            )
            assert again.result.driven_speed.value == pytest.approx(o.driven_speed.value, rel=1e-9)
            assert again.elevation.dimensions[0].length == pytest.approx(o.centre_distance.value, rel=1e-9)


def test_questions_in_shop_words_rule_families_out_with_a_reason() -> None:
    found = {f.key: f for f in compare(driver_speed="1160", driven_speed="400", asked=["step"]).families}
    assert {k for k, f in found.items() if f.verdict == "no"} == {"v-belt", "flat"}
    assert found["flat"].options == [] and "must not slip" in found["flat"].reason and found["roller-chain"].options
    oiled = {f.key: f for f in compare(driver_speed="1160", driven_speed="400", asked=["clean", "dust"]).families}
    assert (
        oiled["roller-chain"].verdict == "no"
        and oiled["synchronous"].care
        and oiled["synchronous"].verdict == "limited"
    )
    assert all(m.asked == (m.key in ("clean", "dust")) for f in oiled.values() for m in f.manners)


def test_a_family_that_finds_nothing_says_where_it_fell() -> None:
    slow = {f.key: f for f in compare(driver_speed="60", driven_speed="20", power="60hp").families}
    for f in slow.values():
        if not f.options:
            assert f.verdict == "no" and f.reason.startswith("Nothing standard does this") and f.rejected
    assert any(f.options for f in slow.values())
    with pytest.raises(InputError) as e:
        compare(driver_speed="3000", driven_speed="20")
    assert e.value.field == "input.driven_speed" and "two stages" in e.value.allowed


def test_every_family_answers_every_question_once() -> None:
    keys = [[r[0] for r in f.manners.rows] for f in families()]
    assert all(k == keys[0] for k in keys) and set(ASKED) <= set(keys[0]) and len(set(keys[0])) == len(keys[0])
    assert {r[2] for f in families() for r in f.manners.rows} == {"good", "limited", "no"}
    assert set(CompareIn.model_json_schema()["properties"]["asked"]["items"]["enum"]) == set(ASKED)


@pytest.mark.parametrize("key", list(FAMILIES))
def test_found_fields_are_fields_of_the_calculation(key: str) -> None:
    family = FAMILIES[key]
    model = find(family.calc).input_model
    assert {f.split(".")[0] for f in family.facts.found_fields} <= set(model.model_fields)
    at: Any = model
    for name in family.facts.speed_field.split("."):
        assert name in at.model_fields
        at = at.model_fields[name].annotation
    answer = work(find(family.calc), find(family.calc).request_model.model_validate(find(family.calc).example))
    sheet, drawn = answer.sheet, answer.elevation
    # Every figure hangs on something that is drawn.
    places = {f"wheel:{w.id}" for w in drawn.wheels} | {f"strand:{s.id}" for s in drawn.strands}
    assert {c.at for c in sheet.call_outs} <= places | {f"centres:{d.id}" for d in drawn.dimensions}
    paths = [c.path for c in sheet.call_outs if c.path]
    assert paths and all(p.split(".")[0] in model.model_fields or p == "centre_distance" for p in paths)
    assert (
        all(set(c.clears) <= set(model.model_fields) for c in sheet.call_outs)
        and sheet.set_line
        and sheet.setting.steps
    )
    for line in [*sheet.setting.steps, sheet.setting.room]:
        assert line.count("*") % 2 == 0


def test_a_profile_without_a_public_rating_says_what_it_needs_and_takes_it() -> None:
    given = {
        "power": "3hp",
        "service_factor": {"assume": 1.6},
        "speed": "1750",
        "profile": "H8M",
        "width": "30mm",
        "driver_teeth": 30,
        "driven_teeth": 60,
        "centre_distance": "20 in",
    }
    calc = CALCULATIONS["sync-drive"]
    with pytest.raises(InputError, match="no public rating") as e:
        work(calc, calc.request_model.model_validate({"input": given}))
    assert e.value.field == "input.own_tension" and "N or lbf" in e.value.allowed
    own = work(
        calc, calc.request_model.model_validate({"input": given | {"own_tension": "300 lbf", "own_mass": "0.17 kg/m"}})
    )
    assert own.result.basis == "your own allowed tension" and own.result.frequency is not None
    select = CALCULATIONS["sync-select"]
    belt = {"profile": "H8M", "width": "30mm", "tension": "2000 N", "mass": "0.17 kg/m"}
    duty = {**CONVEYOR, "driver_speed": "1750", "driven_speed": "700"}
    with_belt = work(select, select.request_model.model_validate({"input": duty | {"own_belt": belt}})).result
    assert with_belt.options and all(o.name.startswith("H8M") for o in with_belt.options) and with_belt.missing == ""
    assert "public rating" in work(select, select.request_model.model_validate({"input": duty})).result.missing
    assert len(table("sync_lengths").select(profile="H8M")) > 30
