"""What a form says it will tell, before anything is filled in, stands in the answer to its example."""

from __future__ import annotations

import pytest

from tuyere.calc.registry import CALCULATIONS, work
from tuyere.calc.titles import title_of

ASKED = [name for name, c in CALCULATIONS.items() if c.bench and not c.search]


@pytest.mark.parametrize("name", ASKED)
def test_what_is_told_is_said(name: str) -> None:
    """Property: every name on the empty form is a field of the answer, under that name, and none stands twice."""
    calc = CALCULATIONS[name]
    answer = work(calc, calc.request_model.model_validate(calc.example)).model_dump(mode="json")
    said = {answer["titles"].get(n, title_of(n)): x for n, x in answer["result"].items()}
    # A figure that hangs on what is left open may be empty; never all of them.
    assert set(calc.tells) <= set(said)
    assert not calc.tells or any(said[t] is not None for t in calc.tells)
    assert len(set(calc.tells)) == len(calc.tells)


def test_what_searches_tells_nothing_and_cards_tell_their_figures() -> None:
    """Property: a search answers with drives; a card's form promises what the card shows."""
    for c in CALCULATIONS.values():
        if c.search:
            assert not c.tells
        elif c.card:
            assert len(c.tells) == len(c.card.figures)
