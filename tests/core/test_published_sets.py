"""The worked sets are what their generator gives: nobody typed a figure of them."""

from __future__ import annotations

import pytest

from tests.core.conftest import published
from tests.core.test_v_belt import WORKED
from tests.published.worked import drive, of, tension

GIVEN = ("design_hp", "belts", "rpm", "d", "D", "C", "K_c", "Y")


@pytest.mark.parametrize("name", list(WORKED))
def test_worked_drives_come_from_the_generator(name: str) -> None:
    made = drive(**of(name))
    for what, value in WORKED[name][1].items():
        assert made[what] == pytest.approx(value, rel=2e-5), what


@pytest.mark.parametrize("example", published("tension/examples.toml")["example"], ids=lambda e: e["id"])
def test_tension_examples_come_from_the_generator(example: dict) -> None:
    made = tension(**{k: example[k] for k in GIVEN})
    for what, value in made.items():
        assert value == pytest.approx(example[what], rel=2e-5, abs=6e-5), what
