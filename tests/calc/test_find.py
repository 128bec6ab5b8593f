"""Finding by any word of the trade, and shorthand that says what it took (F7, F10)."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tuyere.calc.find.index import entries, find
from tuyere.calc.find.words import otherwise, plain, split
from tuyere.calc.shop import read
from tuyere.calc.shorthand import read_duty
from tuyere.core.tables import table

# The words F7 names, each with a task a mechanic would call right (facts of the trade, no source).
WANTED = {
    "elongation": "/bench/chain-wear",
    "slack": "/bench/chain-slack",
    "lacing": "/bench/belt-joint",
    "leather": "/bench/flat-drive",
    "squeal": "/bench/v-belt-drive",
    "alignment": "/bench/crown",
    "misaligned": "/bench/crown",
    "Hz": "/bench/motor-speed",
    "tension": "/bench/v-belt-drive",
    "joined": "/what-belt",
    "adjustable": "/bench/groove-fit",
    "worn": "/bench/chain-wear",
    "overhung": "/bench/shaft-load",
    "half-link": "/bench/chain-length",
    "heat": "/bench/drive-energy",
    "stretched": "/bench/chain-wear",
    "inverter": "/bench/v-belt-range",
    "rpm": "/bench/speed-ratio",
}


@pytest.mark.parametrize(("word", "to"), WANTED.items())
def test_a_word_of_the_trade_leads_to_its_task(word: str, to: str) -> None:
    assert to in [e.key for e in find(word)[:6]]


@pytest.mark.parametrize("word", ["elongation", "frequency", "arc", "centrifugal", "chordal", "service factor"])
def test_formulas_are_found_and_told_apart(word: str) -> None:
    found = [e for e in find(word) if e.kind == "formula"]
    everything = [e for e in entries() if e.kind == "formula"]
    assert 0 < len(found) < len(everything) / 2


def test_every_row_word_of_a_table_finds_it() -> None:
    """A machine of the list, a bushing of the list: the table that holds it is found by it."""
    for name, text in [("driven_machines", "baler"), ("driven_machines", "hammer mill"), ("joints", "lacing")]:
        assert table(name).id in [e.key for e in find(text)]


@settings(derandomize=True, max_examples=150, deadline=None)
@given(st.sampled_from(entries()), st.randoms(use_true_random=False))
def test_a_title_in_any_order_finds_its_own(entry: object, random: object) -> None:
    words = split(entry.title)  # type: ignore[attr-defined]
    random.shuffle(words)  # type: ignore[attr-defined]
    assert entry in find(" ".join(words))


@settings(derandomize=True, max_examples=100, deadline=None)
@given(st.lists(st.sampled_from(list(WANTED)), min_size=1, max_size=3))
def test_one_word_more_never_finds_more(words: list[str]) -> None:
    fewer = {(e.kind, e.key) for e in find(" ".join(words[:-1]))} if words[:-1] else None
    more = {(e.kind, e.key) for e in find(" ".join(words))}
    assert fewer is None or more <= fewer


def test_nothing_holds_a_word_that_is_nowhere() -> None:
    assert find("zeppelin") == [] and find("") == [] and find("!?") == []


def test_everyday_words_lead_somewhere() -> None:
    for word, _ in table("everyday_words").rows:
        assert otherwise(str(word)) and find(str(word)), word
    assert plain("belts") == "belt"


@pytest.mark.parametrize(
    ("line", "inches"),
    [
        ("1750 > 640 15hp fan 2ft 4in apart", 28),
        ("1750 > 640 2' 4\" fan", 28),
        ("1750 > 640 2 ft 4 1/2 in", 28.5),
        ("1750 to 640 fan 28in", 28),
        ("1750>640 3 ft", 36),
    ],
)
def test_feet_and_inches_are_one_length(line: str, inches: float) -> None:
    got = read_duty(line)
    assert got is not None and read(got.filled["centre"], "length") == pytest.approx(inches * 25.4)
    assert not got.unread


@pytest.mark.parametrize("word", ["blower", "conveyor", "pump", "crusher", "mill"])
def test_a_general_word_never_picks_a_special_machine(word: str) -> None:
    got = read_duty(f"1750 > 640 15 hp {word}")
    assert got is not None and len(got.machines) > 1
    assert all(word in name.lower() for _, name in got.machines)


@pytest.mark.parametrize(
    ("line", "machine", "unread"),
    [
        ("1750 > 640 15hp fan", "fan-over-10-hp", []),
        ("1750 > 640 5hp fan", "fan-up-to-10-hp", []),
        ("1750 > 640 20 hp hammer mill", "hammer-mill", []),
        ("1750 > 640 20 hp hammermill", None, ["hammermill"]),
        ("1750 > 640 15 hp supply fan", "fan-over-10-hp", ["supply"]),
        ("1750 > 640 15hp fan 30", "fan-over-10-hp", ["30"]),
        ("1750 > 640 screw conveyor 12 h a day", "conveyor-screw", []),
    ],
)
def test_what_was_not_understood_is_said(line: str, machine: str | None, unread: list[str]) -> None:
    got = read_duty(line)
    assert got is not None and got.unread == unread
    assert [k for k, _ in got.machines] == ([machine] if machine else [])


@settings(derandomize=True, max_examples=200, deadline=None)
@given(st.lists(st.text(alphabet="abcdefgxyz0123456789", min_size=1, max_size=9), max_size=5))
def test_every_piece_is_taken_or_said(words: list[str]) -> None:
    """Nothing typed is dropped in silence: a piece is in the form, in a machine's name, a filler, or said unread."""
    got = read_duty("1750 > 640 " + "; ".join(words))
    if got is None:
        return
    kept = " ".join([*got.filled.values(), *(n.lower() for _, n in got.machines), *got.unread]).lower()
    for w in words:
        hours = got.filled.get("hours_a_day")
        if w in ("at", "a", "an", "of", "on", "and", "day") or (hours and w.startswith(hours)):
            continue
        assert w in kept or w.rstrip("s") in kept, (w, got)
