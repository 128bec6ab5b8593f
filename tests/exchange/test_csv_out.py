"""Tables that go out: read back by the standard reader as they went, and safe against a spreadsheet's formulas."""

from __future__ import annotations

import csv
import io

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from sqlmodel import Session

from tests.store.test_jobs import DRAY
from tuyere.exchange.csv_out import STARTS, csv_text, plain_cell
from tuyere.exchange.stock_csv import read_stock
from tuyere.store.shelf.book import current, keep_stock
from tuyere.store.shelf.tables import StockItem
from tuyere.store.upkeep.tables_out import shelf_csv

CELLS = st.one_of(
    st.none(), st.integers(-(10**9), 10**9), st.text(st.characters(exclude_categories=["Cs"]), max_size=20)
)


@settings(derandomize=True, deadline=None, max_examples=200)
@given(st.lists(st.lists(CELLS, min_size=2, max_size=2), max_size=8))
def test_a_table_comes_back_as_it_went_and_no_cell_is_a_formula(rows: list[list[object]]) -> None:
    text = csv_text(("a", "b"), rows)  # type: ignore[arg-type]
    back = list(csv.reader(io.StringIO(text, newline="")))
    assert back[0] == ["a", "b"] and len(back) == len(rows) + 1
    for row, cells in zip(rows, back[1:], strict=True):
        for value, cell in zip(row, cells, strict=True):
            if isinstance(value, str):
                assert not cell.startswith(STARTS)
                assert plain_cell(cell) == value
            else:
                assert cell == ("" if value is None else str(value))


@pytest.mark.parametrize("nasty", ["=cmd|' /C calc'!A0", "+1+1", "-2+3", "@SUM(A1:A9)", "\t=1", "\r=1"])
def test_what_a_spreadsheet_would_run_stays_text(nasty: str) -> None:
    """OWASP, CSV injection: a cell that begins so is run by spreadsheets."""
    assert f"'{nasty[:1]}" in csv_text(("a",), [(nasty,)])


def test_the_shelf_goes_out_as_a_list_that_comes_in_the_same(db: Session) -> None:
    text = "part,section,size,diameter,count\nbelt,,B90,,4\nsheave,B,9.4,datum,1\nbushing,,=SDS,,2\nlink,,No. 60,,3\n"
    keep_stock(db, DRAY, read_stock(text).lines)
    out = shelf_csv(db)
    again = read_stock(out)
    assert again.wrong == () and "'=SDS" in out
    before = [(x.part, x.section, x.designation, x.diameter_mm, x.quantity) for x in current(db, StockItem)]
    keep_stock(db, DRAY, again.lines)
    after = [(x.part, x.section, x.designation, x.diameter_mm, x.quantity) for x in current(db, StockItem)]
    assert after == pytest.approx(before) and shelf_csv(db) == out
