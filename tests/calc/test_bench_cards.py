"""Cards of the bench: every one asks fields that there are, answers in a sentence, and its bar agrees with its figures."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any, get_args, get_origin

import pytest
from pydantic import BaseModel

from tuyere.calc.card import DRAWN, least_bar, wear_bar
from tuyere.calc.frame import Frame
from tuyere.calc.registry import CALCULATIONS, find, work

CARDS = sorted(n for n, c in CALCULATIONS.items() if c.card is not None)


def answered(name: str, units: str = "us", **more: Any) -> Any:
    calc = find(name)
    given = {**calc.example["input"], **more}
    return work(calc, calc.request_model.model_validate({"units": units, "input": given})).result


def needed(model: type[BaseModel], before: str = "") -> Iterator[str]:
    """Paths that the answer cannot do without; of a list its first line."""
    for name, field in model.model_fields.items():
        if not field.is_required():
            continue
        inner, line = field.annotation, before + name
        if get_origin(inner) is list:
            inner, line = get_args(inner)[0], f"{line}.0"
        if isinstance(inner, type) and issubclass(inner, BaseModel):
            yield from needed(inner, f"{line}.")
        else:
            yield line


@pytest.mark.parametrize("name", CARDS)
def test_a_card_asks_and_shows_what_there_is(name: str) -> None:
    calc = find(name)
    card = calc.card
    assert card is not None and card.asks.endswith("?")
    fields = calc.input_model.model_fields
    assert {b.split(".")[0] for b in card.blanks} <= set(fields)
    assert set(card.fresh) <= set(card.blanks) and set(card.on_picture) <= set(card.blanks)
    assert set(needed(calc.input_model)) <= set(card.blanks)
    assert 1 <= len(card.figures) <= 3 and set(card.figures) <= set(calc.result_model.model_fields)
    assert card.picture not in DRAWN or "picture" in calc.result_model.model_fields
    assert card.then is None or card.then[0] in CALCULATIONS


@pytest.mark.parametrize("name", CARDS)
def test_an_answer_is_a_sentence_in_one_system(name: str) -> None:
    calc = find(name)
    shown = answered(name)
    assert (shown.says[0].isupper() or shown.says[0].isdigit()) and shown.says.endswith(".")
    # The sentence holds the large figure of the card, in the very digits.
    big = getattr(shown, calc.card.figures[0])
    text = big if isinstance(big, str) else big.shown if hasattr(big, "low") else big.number
    assert text in shown.says, shown.says
    assert not {"mm", "kW", "N."} & set(shown.says.split())


@pytest.mark.parametrize(
    ("measured", "state", "says"),
    [("15.05", "fine", "Good for now"), ("15.35", "watch", "Order a chain now"), ("15.5", "act", "worn out")],
)
def test_a_worn_chain_lies_in_the_zone_that_its_sentence_says(measured: str, state: str, says: str) -> None:
    shown = answered("chain-wear", measured=f"{measured} in", over="pins", large_teeth=None)
    assert says in shown.says
    bar = shown.bar
    zone = next((z for z in bar.zones if z.low <= bar.reading < z.high), None)
    assert (zone.state if zone else "fine") == state
    # Common arithmetic, no source: 20 pitches of 3/4 in are 15 in.
    assert bar.reading == pytest.approx((float(measured) / 15 - 1) * 100, abs=0.01)


@pytest.mark.parametrize(("moved", "zone"), [("1/2", "too tight"), ("1 1/2", "right"), ("2 1/2", "too slack")])
def test_slack_by_hand_is_right_between_4_and_6_percent(moved: str, zone: str) -> None:
    # Machinery's Handbook and chain association practice, recalled: 4 to 6 % of the span, 30 in here.
    bar = answered("chain-slack", hand_movement=moved).bar
    assert next(z.word for z in bar.zones if z.low <= bar.reading <= z.high) == zone
    assert [z.high for z in bar.zones[:2]] == pytest.approx([0.04 * 30 * 25.4, 0.06 * 30 * 25.4])


@pytest.mark.parametrize("name", CARDS)
def test_bars_rise_and_hold_their_reading(name: str) -> None:
    bar = answered(name).bar
    if bar is None:
        return
    assert bar.low <= bar.reading <= bar.high and bar.zones
    assert all(bar.low <= z.low < z.high <= bar.high * (1 + 1e-9) for z in bar.zones)
    places = [m.at for m in bar.marks]
    assert len(set(places)) == len(places)


# Wear cards: what the sentence tells to do is where the reading lies on its bar. The shares are common practice, no source.
WEAR = [
    ("groove-wear", {"driver": {"gap": "0.010", "angle": "34", "diameter": "5.4"}, "driven": None}),
    ("groove-wear", {"driver": {"gap": "0.020", "angle": "34", "diameter": "5.4"}, "driven": None}),
    ("groove-wear", {"driver": {"gap": "0.040", "angle": "34", "diameter": "5.4"}, "driven": None}),
    ("belt-wear", {"moved": "1/8", "left": "7/8"}),
    ("belt-wear", {"moved": "7/8", "left": "1/4"}),
    ("belt-wear", {"moved": "1 1/4", "left": "1/16"}),
    ("take-up-left", {"left": "2", "whole": "3"}),
    ("take-up-left", {"left": "5/8", "whole": "3"}),
    ("take-up-left", {"left": "1/8", "whole": "3"}),
    ("sprocket-wear", {"caliper": "3.593"}),
    ("sprocket-wear", {"caliper": "3.58"}),
    ("sprocket-wear", {"caliper": "3.50"}),
    ("tooth-wear", {"outside": "3.554", "signs": []}),
    ("tooth-wear", {"outside": "3.552", "signs": []}),
    ("tooth-wear", {"outside": "3.540", "signs": []}),
    ("flat-belt-wear", {"thickness": "0.249", "width": "6", "joint": "whole"}),
    ("flat-belt-wear", {"thickness": "0.22", "width": "5 3/4", "joint": "whole"}),
    ("flat-belt-wear", {"thickness": "0.18", "width": "5 1/2", "joint": "whole"}),
    ("bearing-heat", {"bearing": "110", "other": None, "pull": None}),
    ("bearing-heat", {"bearing": "162", "other": None, "pull": None}),
    ("bearing-heat", {"bearing": "200", "other": None, "pull": None}),
]


@pytest.mark.parametrize(("name", "more"), WEAR)
@pytest.mark.parametrize("units", ["us", "si"])
def test_wear_lies_in_the_zone_that_its_verdict_says(name: str, more: dict[str, Any], units: str) -> None:
    given = {k: v for k, v in more.items() if v is not None}
    drop = [k for k, v in more.items() if v is None]
    calc = find(name)
    kept = {k: v for k, v in calc.example["input"].items() if k not in drop and k != "asked"}
    # What was typed in inches stays inches, whatever system answers.
    ask = calc.request_model.model_validate({"units": "us", "input": {**kept, **given}})
    ask.units = units
    got = work(calc, ask).result
    bar = got.bar
    zone = next((z.state for z in bar.zones if z.low <= bar.reading < z.high), "fine")
    assert zone == got.verdict, (bar, got.says)
    assert all(m.number for m in bar.marks) and bar.marks[0].at == 0


def test_each_wear_card_is_seen_in_all_three_states() -> None:
    seen: dict[str, set[str]] = {}
    for name, more in WEAR:
        calc = find(name)
        kept = {k: v for k, v in calc.example["input"].items() if k not in more and k != "asked"}
        given = {k: v for k, v in more.items() if v is not None}
        got = work(calc, calc.request_model.model_validate({"units": "us", "input": {**kept, **given}})).result
        seen.setdefault(name, set()).add(got.verdict)
    assert all(states == {"fine", "watch", "act"} for states in seen.values()), seen


@pytest.mark.parametrize("watch", [0.0, 30.0])
def test_a_bar_wants_limits_that_follow_each_other(watch: float) -> None:
    f = Frame("us")
    with pytest.raises(ValueError, match="no limits"):
        wear_bar(f.figure(5.0, "percent"), f.figure(watch, "percent"), f.figure(20.0, "percent"))


def test_a_bar_has_room_for_a_reading_far_past_its_limit() -> None:
    f = Frame("us")
    bar = wear_bar(f.figure(300.0, "percent"), f.figure(50.0, "percent"), f.figure(100.0, "percent"))
    assert bar.low == 0 and bar.high > 300 and [z.state for z in bar.zones] == ["watch", "act"]
    one = wear_bar(f.figure(3.0, "percent"), f.figure(10.0, "percent"), f.figure(10.0, "percent"))
    assert [z.state for z in one.zones] == ["act"] and len(one.marks) == 2


@pytest.mark.parametrize(("centre", "short"), [("60 in", True), ("82 in", True), ("83 in", False), ("200 in", False)])
def test_a_size_lies_in_the_hatched_stretch_exactly_where_it_is_too_small(centre: str, short: bool) -> None:
    # RMA engineering practice, recalled: quarter-turn V-belts want 5.5 times the large sheave and the belts' width, 82.5 in here.
    got = answered("quarter-turn", centre=centre)
    (zone,) = got.bar.zones
    assert (zone.low <= got.bar.reading < zone.high) is short
    assert ("will not run" in got.says) is short
    assert zone.high == pytest.approx(5.5 * (12 + 3) * 25.4)


def test_a_least_size_is_more_than_nothing() -> None:
    f = Frame("us")
    with pytest.raises(ValueError, match="no limit"):
        least_bar(f.figure(5.0, "length", "size"), f.figure(0.0, "length", "size"), "too near")


@pytest.mark.parametrize(
    ("name", "more", "over"),
    [
        ("run-out", {"lowest": "0", "highest": "0.010"}, False),
        ("run-out", {"lowest": "-0.006", "highest": "0.006"}, True),
        (
            "soft-foot",
            {"inboard_near": "0", "inboard_far": "0", "outboard_near": "0.001", "outboard_far": "0.0015"},
            False,
        ),
        ("soft-foot", {"inboard_near": "0.003", "inboard_far": "0", "outboard_near": "0", "outboard_far": "0"}, True),
        ("chain-match", {"drive_length": "60 1/4", "driven_length": "60 3/8"}, False),
        ("chain-match", {"drive_length": "61 1/4", "driven_length": "60 1/2"}, True),
    ],
)
def test_what_is_over_its_limit_lies_past_it_on_the_bar(name: str, more: dict[str, Any], over: bool) -> None:
    # Limits: 0.011 in for a 12 in rim (RMA), 0.002 in for a foot (ANSI/ASA S2.75-1), the room that was said for the dogs.
    bar = answered(name, **more).bar
    assert (bar.reading > bar.zones[-1].low) is over


def test_hot_surroundings_leave_less_of_a_rise_until_it_is_too_hot() -> None:
    # 90 C and 55 K over the air are both too hot, common practice, recalled: over 35 C of air the first comes sooner.
    cool, hot = (
        answered("bearing-heat", "si", bearing="60", around="20"),
        answered("bearing-heat", "si", bearing="60", around="50"),
    )
    assert cool.bar.zones[-1].low == pytest.approx(55) and hot.bar.zones[-1].low == pytest.approx(40)
    assert answered("bearing-heat", "si", bearing="85", around="75").bar is None
