"""Every worked answer says what its figures are called, and a whole drive in which group each stands."""

from __future__ import annotations

import pytest

import tuyere.calc.every  # noqa: F401
from tuyere.calc.registry import CALCULATIONS, work
from tuyere.calc.titles import title_of


def answered(name: str, units: str):  # noqa: ANN201
    calc = CALCULATIONS[name]
    # What the example says stays what it is, whichever system answers.
    ask = calc.request_model.model_validate(calc.example)
    ask.units = units
    return work(calc, ask)


@pytest.mark.parametrize("name", CALCULATIONS)
def test_titles_are_the_same_in_both_systems_and_name_fields_that_there_are(name: str) -> None:
    us, si = answered(name, "us"), answered(name, "si")
    assert us.titles == si.titles and us.groups == si.groups
    sent = us.model_dump(mode="json")

    def names(x: object) -> set[str]:
        if isinstance(x, dict):
            return set(x) | {n for v in x.values() for n in names(v)}
        return {n for v in x for n in names(v)} if isinstance(x, list) else set()

    schema = CALCULATIONS[name].result_model.model_json_schema()
    known = {n for m in [schema, *schema.get("$defs", {}).values()] for n in m.get("properties", {})}
    assert set(us.titles) <= known
    # What the schema says of a field of the result and what the answer says of it is one thing.
    for field, said in schema["properties"].items():
        assert us.titles.get(field, title_of(field)) == said["title"], field
    assert names(sent["result"]) >= set(CALCULATIONS[name].result_model.model_fields)


@pytest.mark.parametrize("name", CALCULATIONS)
def test_only_a_whole_drive_has_groups_and_they_lose_nothing(name: str) -> None:
    answer = answered(name, "us")
    grouped = [n for g in answer.groups for n in g.names]
    if answer.sheet is None:
        assert grouped == []
    else:
        assert sorted(grouped) == sorted(type(answer.result).model_fields)
        assert all(g.title for g in answer.groups) and len({g.title for g in answer.groups}) == len(answer.groups)


@pytest.mark.parametrize("name", ["drive-energy", "drive-compare", "v-belt-select"])
def test_a_sum_has_the_sign_of_any_money_and_nothing_else_has(name: str) -> None:
    """The page puts the shop's own sign in its place; a power or a weight must never get one."""
    calc = CALCULATIONS[name]
    given = {**calc.example["input"], "energy_price": 0.2}
    sent = work(calc, calc.request_model.model_validate({"units": "us", "input": given})).model_dump(mode="json")
    with_sign: set[str] = set()

    def walk(x: object, at: str) -> None:
        if isinstance(x, dict):
            if "shown" in x:
                # A figure or a band as a whole: both its ends are of its kind.
                if "¤" in x["shown"]:
                    with_sign.add(at)
                return
            for k, v in x.items():
                walk(v, k)
        elif isinstance(x, list):
            for v in x:
                walk(v, at)

    walk(sent["result"], "")
    assert with_sign and with_sign <= {"yearly_cost", "saved_money"}, with_sign
