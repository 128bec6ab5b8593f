"""Cards of the bench: every one asks fields that there are, answers in a sentence, and its bar agrees with its figures."""

from __future__ import annotations

from typing import Any

import pytest

from tuyere.calc.registry import CALCULATIONS, find, work

CARDS = sorted(n for n, c in CALCULATIONS.items() if c.card is not None)


def answered(name: str, units: str = "us", **more: Any) -> Any:
    calc = find(name)
    given = {**calc.example["input"], **more}
    return work(calc, calc.request_model.model_validate({"units": units, "input": given})).result


@pytest.mark.parametrize("name", CARDS)
def test_a_card_asks_and_shows_what_there_is(name: str) -> None:
    calc = find(name)
    card = calc.card
    assert card is not None and card.asks.endswith("?")
    fields = calc.input_model.model_fields
    assert {b.split(".")[0] for b in card.blanks} <= set(fields)
    assert set(card.fresh) <= set(card.blanks) and set(card.on_picture) <= set(card.blanks)
    assert {n for n, f in fields.items() if f.is_required()} <= set(card.blanks)
    assert set(card.figures) <= set(calc.result_model.model_fields)
    assert card.then is None or card.then[0] in CALCULATIONS


@pytest.mark.parametrize("name", CARDS)
def test_an_answer_is_a_sentence_in_one_system(name: str) -> None:
    calc = find(name)
    shown = answered(name)
    assert (shown.says[0].isupper() or shown.says[0].isdigit()) and shown.says.endswith(".")
    # The sentence holds the large figure of the card, in the very digits.
    big = getattr(shown, calc.card.figures[0])
    texts = [big.shown] if hasattr(big, "low") else [big.number]
    assert any(t in shown.says for t in texts), shown.says
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
