"""An own rating table as CSV: read in the shop's units, refused line by line with the reason."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.constants import hp

from tuyere.core.errors import InputError
from tuyere.exchange.rating_csv import read_ratings

HEAD = "section,diameter,rpm,hp\n"


@pytest.mark.outside("scipy constants: horsepower")
def test_lines_are_read_in_either_unit() -> None:
    us = read_ratings(HEAD + "3V,2.65,1750,2.1\nSPA cogged,125 mm,1450,3\n")
    assert not us.wrong and [x.row.section for x in us.lines] == ["3V", "XPA"]
    assert us.lines[0].row.diameter_mm == pytest.approx(2.65 * 25.4) and us.lines[0].row.power_kw == pytest.approx(
        2.1 * hp / 1000
    )
    assert us.lines[1].row.diameter_mm == 125
    si = read_ratings("rpm;kW;section;diameter\n1450;2,4;xpz;90\n", "si")
    assert si.lines[0].row.power_kw == pytest.approx(2.4) and si.lines[0].row.diameter_mm == 90
    typed = read_ratings("section,diameter,speed,power\nB,5.4,1750,4 kW\n")
    assert typed.lines[0].row.power_kw == pytest.approx(4.0)


@pytest.mark.parametrize(
    ("line", "reason"),
    [
        ("Q,5,1750,2", "unknown belt section"),
        ("B,five,1750,2", "number"),
        ("B,5.4,1750,-2", ""),
        ("B,5.4,0,2", ""),
        ("B,0,1750,2", ""),
        ("B,5.4,99999,2", "no rpm"),
        ("B,5.4,1750,9999", "no power"),
        ("B,5.0,1750,2", "already"),
        ("B", ""),
    ],
)
def test_a_wrong_line_says_why(line: str, reason: str) -> None:
    r = read_ratings(HEAD + "B,5.0,1750,3\n" + line + "\nB,6.0,1750,4\n")
    assert len(r.lines) == 2 and len(r.wrong) == 1
    assert r.wrong[0].line == 3 and r.wrong[0].reason and reason in r.wrong[0].reason


def test_without_its_columns_it_is_no_table() -> None:
    for text in ("", "a,b\n1,2", "section,diameter,rpm\nB,5,1750", "section,rpm,kw\n"):
        with pytest.raises(InputError) as e:
            read_ratings(text)
        assert "section" in e.value.allowed


@settings(derandomize=True, deadline=None, max_examples=60)
@given(st.text(max_size=200))
def test_nothing_breaks_it(text: str) -> None:
    r = read_ratings(HEAD + text)
    assert all(w.reason for w in r.wrong)


@settings(derandomize=True, deadline=None, max_examples=30)
@given(
    st.lists(
        st.tuples(
            st.sampled_from(["B", "5VX", "XPB"]), st.integers(60, 900), st.integers(100, 5000), st.floats(0.01, 400)
        ),
        min_size=1,
        max_size=30,
        unique_by=lambda r: r[:3],
    )
)
def test_what_is_written_is_read(rows: list[tuple[str, int, int, float]]) -> None:
    text = "section,diameter,rpm,kw\n" + "".join(f"{s},{d} mm,{n},{p:.6f}\n" for s, d, n, p in rows)
    found = read_ratings(text, "si")
    assert not found.wrong and [(x.row.section, x.row.diameter_mm, x.row.rpm) for x in found.lines] == [
        (s, d, n) for s, d, n, _ in rows
    ]
    assert [x.row.power_kw for x in found.lines] == pytest.approx([p for *_, p in rows], abs=1e-6)
