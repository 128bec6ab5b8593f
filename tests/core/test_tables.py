"""Tables: provenance whole, axes rising, columns that repeat each other agree, nothing read outside."""

from __future__ import annotations

import numpy as np
import pytest

from tuyere.core.errors import InputError
from tuyere.core.tables import Table, all_tables, axis, load, table
from tuyere.core.v_belt.bases.association import length_axis, ratio_axis
from tuyere.core.v_belt.sections import section, sections
from tuyere.core.v_belt.tables import allowance


@pytest.mark.parametrize("t", all_tables(), ids=lambda t: t.id)
def test_every_table_says_where_it_comes_from(t: Table) -> None:
    assert t.source and t.title and t.recalled and t.confidence in ("high", "medium", "low")
    assert all(c.meaning and c.unit for c in t.columns)
    if any(c.name == "confidence" for c in t.columns):
        assert set(t.column("confidence")) <= {"high", "medium", "low"}
    assert len({tuple(map(str, r)) for r in t.rows}) == len(t.rows)


def test_columns_that_repeat_each_other_agree() -> None:
    add = {(r[0], r[1]): r[2] for r in table("length_addition").rows}
    for groove, number, length, kind, _ in table("lengths").rows:
        if kind == "effective":
            assert length == pytest.approx(number / 10)
        else:
            key = (groove, 211) if number > 210 and (groove, 211) in add else (groove, 0)
            assert length == pytest.approx(number + add[key], abs=1e-9)
    narrow = table("speed_ratio_narrow")
    k2 = {r[0]: r[3] for r in table("rating_constants").rows if r[1] == "IP-22"}
    shares = {s: np.array(narrow.column("h_a", section=s)) / k2[s] for s in ("3VX", "5VX", "5V", "8V")}
    for s in shares.values():
        assert s == pytest.approx(shares["5VX"], abs=2e-4)


def test_reading_between_and_outside_rows() -> None:
    assert ratio_axis("B", False).at(1.015, "x") == 1.0 and ratio_axis("B", False).at(1.02, "x") == 1.0112
    assert ratio_axis("B", False).at(99, "x") == ratio_axis("B", False).at(1.65, "x")
    assert length_axis("B").at(61.0, "x") == pytest.approx(0.925)
    with pytest.raises(InputError):
        length_axis("B").at(20, "x")
    assert np.isnan(length_axis("B").at(np.array([20.0, 60.0]), "x")).tolist() == [True, False]
    room = allowance(section("B"), 85, 86.8 * 25.4)
    assert room is not None and (room.installation_mm / 25.4, room.take_up_mm / 25.4) == (1.25, 2.0)
    long = allowance(section("C"), 420, 420.9 * 25.4)
    assert long is not None and long.take_up_mm / 25.4 == pytest.approx(0.015 * 420.9)
    assert allowance(section("5V"), 300, 762.0) is None
    for s in sections().values():
        assert s.top_width_mm > s.depth_mm * 0.7 and (s.min_diameter_mm > s.depth_mm or s.min_confidence == "low")


def test_a_falling_axis_is_refused() -> None:
    with pytest.raises(ValueError, match="must rise"):
        axis(table("lengths"), "length", "number")
    with pytest.raises(FileNotFoundError):
        load("tuyere.core.v_belt", "no_such_table")
