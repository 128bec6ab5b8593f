"""One term a thing, and no name of the program before a person. The terms are design.md's and hand.md's choice; common practice of the trade."""

from __future__ import annotations

import re
import tomllib
from collections.abc import Iterator
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

import tuyere.calc.every  # noqa: F401
from tuyere.calc.registry import CALCULATIONS
from tuyere.calc.titles import GROUPS, TITLES, groups_of, path_words, title_of, titles_of
from tuyere.core.quantities import QUANTITIES

ROOT = Path(__file__).parents[2]
# Words that were used beside the one term that stayed, and what stayed.
OLD = {
    r"shaft pull|hub load|pull on (each|the) shaft\b(?!s)": "shaft load",
    r"shaft to shaft|centre to centre": "centre distance",
    r"sheave OD|across the rim": "outside diameter",
    r"links to take off|take off links": "links to remove",
    r"\brun-in or new\b": "new or run in",
}
# A name of the program shows by these.
ARTEFACTS = re.compile(
    r"\bexact\b|\bbasis\b|\bhub (standing|running)|\bstatics\b|\bverdict\b|\bsays\b|_|\bshown\b|\bdeg\b|\bmm\b|\brpm\b"
)
NEVER_SHOWN = {"says", "picture", "chart", "bar", "card", "input", "elevation"}


def words_on_screen() -> Iterator[tuple[str, str]]:
    """Every text of the sources that a person may read: strings of the page, of the answers, of the templates."""
    for path in [*(ROOT / "frontend/src").rglob("*.vue"), *(ROOT / "frontend/src").rglob("*.ts")]:
        if path.name != "schema.d.ts":
            text = re.sub(r"//[^\n]*|/\*.*?\*/|<style.*", "", path.read_text(), flags=re.S)
            yield path.name, text
    for path in (ROOT / "src/tuyere").rglob("*.py"):
        text = re.sub(r'""".*?"""|#[^\n]*', "", path.read_text(), flags=re.S)
        for said in re.findall(r'"([^"\n]{6,})"', text):
            yield path.name, said
    for path in (ROOT / "src/tuyere/jobs/templates").glob("*.toml"):
        for step in tomllib.loads(path.read_text()).get("steps", []):
            yield path.name, str(step.get("words", ""))


@pytest.mark.parametrize("old", OLD)
def test_a_thing_has_one_term(old: str) -> None:
    found = [(where, m[0]) for where, text in words_on_screen() for m in re.finditer(old, text, re.I)]
    assert found == [], f"say {OLD[old]}"


def test_the_search_still_finds_by_the_words_that_people_bring() -> None:
    path = ROOT / "src/tuyere/calc/find/data/everyday_words.toml"
    rows = {word: means for word, means in tomllib.loads(path.read_text())["rows"]}
    assert {"pulley", "pull", "overhung", "stretched"} <= set(rows)


@pytest.mark.parametrize("name", CALCULATIONS)
def test_what_is_asked_and_told_goes_by_titles_not_by_names_of_the_program(name: str) -> None:
    calc = CALCULATIONS[name]
    schema = calc.input_model.model_json_schema()
    models = [schema, *schema.get("$defs", {}).values()]
    asked = {p["title"] for m in models for n, p in m.get("properties", {}).items() if "title" in p}
    told = {
        titles_of(calc.result_model).get(n, title_of(n)) for n in calc.result_model.model_fields if n not in NEVER_SHOWN
    }
    for title in asked | told:
        assert not ARTEFACTS.search(title), title
        assert title[0].isupper() or title[0].isdigit(), title
        assert len(title) <= 44, "a label, not a sentence: " + title


def test_titles_of_an_answer_are_told_apart() -> None:
    """Two figures of one answer never go by the same label."""
    for calc in CALCULATIONS.values():
        titles = titles_of(calc.result_model)
        shown = [titles.get(n, title_of(n)) for n in calc.result_model.model_fields if n not in NEVER_SHOWN]
        assert len(shown) == len(set(shown)), (calc.name, sorted(t for t in shown if shown.count(t) > 1))


def test_every_title_is_used_and_says_more_than_the_name() -> None:
    names: set[str] = set()
    for calc in CALCULATIONS.values():
        schemas = [calc.input_model.model_json_schema(), calc.result_model.model_json_schema()]
        for s in schemas:
            names |= {n for m in [s, *s.get("$defs", {}).values()] for n in m.get("properties", {})}
    assert set(TITLES) <= names, sorted(set(TITLES) - names)
    for name, title in TITLES.items():
        assert title != name.replace("_", " ").capitalize(), name


@pytest.mark.parametrize("name", ["v-belt-drive", "chain-drive", "sync-drive", "flat-drive"])
def test_the_figures_of_a_drive_stand_in_groups_and_none_is_lost(name: str) -> None:
    fields = list(CALCULATIONS[name].result_model.model_fields)
    groups = groups_of(fields)
    assert sorted(n for _, own in groups for n in own) == sorted(fields)
    assert [t for t, _ in groups] == [t for t, _ in GROUPS], "nothing of a whole drive is without its group"


def test_a_symbol_says_the_terms_that_labels_say() -> None:
    for symbol, q in QUANTITIES.items():
        for old in OLD:
            assert not re.search(old, q.meaning, re.I), (symbol, q.meaning)


def test_a_refused_field_is_called_as_its_form_calls_it() -> None:
    assert path_words("input.centre_by_tape") == "Centre distance, by tape"
    assert path_words("input.wheels.0.pushed") == "Wheels 1, pushed in by"
    for name in TITLES:
        assert path_words(f"input.{name}") == TITLES[name]


@given(st.text(max_size=60))
def test_whatever_a_request_calls_its_fields_is_said_without_a_fault(path: str) -> None:
    assert isinstance(path_words(path), str) and isinstance(path_words(f"answers.{path}.²"), str)
