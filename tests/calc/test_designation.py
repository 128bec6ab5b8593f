"""What is on a drive, in the person's system: nothing but lengths in inches changes, and what changes is the same length."""

from __future__ import annotations

import re

import pint
import pytest
from hypothesis import given
from hypothesis import strategies as st

from tuyere.calc.designation import what_in_system

UREG = pint.UnitRegistry()
NAMES = ("4 × B90", "3/BX68 joined", "No. 140, 80 pitches", "2 × 5VX1000", "8M-1440-30", "")


@pytest.mark.parametrize("name", NAMES)
def test_numbers_of_belts_and_chains_are_names(name: str) -> None:
    """Common practice: a belt or chain is ordered by its number, in either system."""
    assert what_in_system(name, "si") == name


@given(st.integers(0, 40), st.integers(1, 31), st.sampled_from((2, 4, 8, 16, 32)))
def test_a_fraction_of_an_inch_is_the_same_length_in_millimetres(whole: int, top: int, bottom: int) -> None:
    """Against pint: within what the shown digits say."""
    words = f"leather, {f'{whole} ' if whole else ''}{top}/{bottom} in wide"
    said = what_in_system(words, "si")
    found = re.fullmatch(r"leather, ([\d.]+) mm wide", said)
    assert found, said
    true = UREG.Quantity(whole + top / bottom, "inch").to("mm").magnitude
    assert float(found[1]) == pytest.approx(true, abs=0.051 if true < 1000 else 0.51)


@given(st.text(max_size=60))
def test_said_twice_it_is_said_once(words: str) -> None:
    """Property: there is nothing left to change, and in inches nothing changes at all."""
    once = what_in_system(words, "si")
    assert what_in_system(once, "si") == once
    assert what_in_system(words, "us") == words
