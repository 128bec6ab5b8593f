"""Covering sets against enumeration of every set there is; facts that hold for any answer."""

from __future__ import annotations

import time
from itertools import product

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tuyere.core.errors import InputError
from tuyere.core.upkeep.covering import Wants, covering_set

LENGTHS = {"B": tuple(float(x) for x in range(1000, 2000, 50)), "A": (900.0, 1000.0, 1100.0)}


def drive(name: str, low: float, high: float, count: int = 1, section: str = "B") -> Wants:
    return Wants(name=name, section=section, count=count, shortest_mm=low, longest_mm=high)


def by_enumeration(drives: list[Wants], lengths: tuple[float, ...]) -> tuple[int, int]:
    """(fewest loops, fewest lengths with so many) over every stock of every length."""
    levels = (0, *sorted({d.count for d in drives}))
    best = (10**9, 10**9)
    for stock in product(levels, repeat=len(lengths)):
        held = dict(zip(lengths, stock, strict=True))
        if all(any(d.shortest_mm <= x <= d.longest_mm and n >= d.count for x, n in held.items()) for d in drives):
            best = min(best, (sum(stock), sum(n > 0 for n in stock)))
    return best


@pytest.mark.outside("enumeration of every stock of every length")
@settings(derandomize=True, deadline=None, max_examples=60)
@given(st.lists(st.tuples(st.integers(0, 5), st.integers(0, 3), st.integers(1, 4)), min_size=1, max_size=6))
def test_no_smaller_set_does_it(spans: list[tuple[int, int, int]]) -> None:
    lengths = tuple(1000.0 + 50 * k for k in range(6))
    drives = [drive(f"d{k}", 1000.0 + 50 * a, 1000.0 + 50 * min(a + w, 5), n) for k, (a, w, n) in enumerate(spans)]
    spares = covering_set(drives, {"B": lengths})
    assert (sum(s.count for s in spares), len(spares)) == by_enumeration(drives, lengths)


@settings(derandomize=True, deadline=None, max_examples=40)
@given(st.lists(st.tuples(st.integers(1000, 1900), st.integers(25, 300), st.integers(1, 6)), min_size=1, max_size=30))
def test_every_drive_has_a_spare_that_fits_it_and_no_spare_is_idle(spans: list[tuple[int, int, int]]) -> None:
    drives = [
        drive(f"d{k}", float(a), max(a + w, (a // 50 + 1) * 50.0), n) for k, (a, w, n) in enumerate(spans) if a < 1900
    ]
    if not drives:
        return
    spares = covering_set(drives, LENGTHS)
    for d in drives:
        assert any(
            d.name in s.serves and d.shortest_mm <= s.length_mm <= d.longest_mm and s.count >= d.count for s in spares
        )
    assert all(s.serves for s in spares) and len(spares) <= len(drives)
    # More drives never need fewer spares.
    assert sum(s.count for s in covering_set(drives[: len(drives) // 2 + 1], LENGTHS)) <= sum(s.count for s in spares)


def test_thirty_drives_are_covered_while_a_person_waits() -> None:
    drives = [drive(f"d{k}", 1000 + 29 * k, 1060 + 31 * k, 1 + k % 5) for k in range(30)]
    start = time.perf_counter()
    assert covering_set(drives, LENGTHS)
    assert time.perf_counter() - start < 10  # asked: 1 s; what it takes is measured in bench


def test_sections_are_kept_apart_and_a_drive_that_nothing_fits_is_named() -> None:
    both = covering_set([drive("b", 1000, 1000), drive("a", 1000, 1000, 2, "A")], LENGTHS)
    assert {(s.section, s.count, s.serves) for s in both} == {("B", 1, ("b",)), ("A", 2, ("a",))}
    with pytest.raises(InputError, match="no standard length") as e:
        covering_set([drive("b", 1000, 1000), drive("odd one", 1001, 1049)], LENGTHS)
    assert e.value.value == "odd one"
    with pytest.raises(InputError, match="more drives"):
        covering_set([drive("b", 1000, 1000)] * 61, LENGTHS)
    with pytest.raises(InputError, match="without loops"):
        covering_set([drive("b", 1000, 1000, 0)], LENGTHS)
