"""A stock list as CSV: what is understood, what is refused and why; nothing is guessed, nothing breaks."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tuyere.core.errors import InputError
from tuyere.core.tables import table
from tuyere.exchange.stock_csv import read_stock

HEAD = "part,section,size,diameter,count\n"


def test_lines_are_read_in_shop_numbers_whatever_stands_between_them() -> None:
    text = HEAD + 'belt,,b 90,,6\nsheave,B,5 3/4,,2\nsheave,5V,"180,3 mm",effective,1\n\npulley,A,5.4,datum,\n'
    r = read_stock(text)
    assert not r.wrong and [(x.line, x.part, x.count) for x in r.lines] == [
        (2, "belt", 6),
        (3, "sheave", 2),
        (4, "sheave", 1),
        (6, "sheave", 1),
    ]
    assert (
        r.lines[0].designation == "B90"
        and r.lines[1].diameter_mm == pytest.approx(5.75 * 25.4)
        and r.lines[1].diameter_kind == "outside"
    )
    assert r.lines[2].diameter_mm == pytest.approx(180.3)
    other = read_stock("\ufeffcount;size;part\n6;B90;belt\n")
    assert [x.designation for x in other.lines] == ["B90"] and other.lines[0].count == 6
    assert read_stock(HEAD + "sheave,B,146,,1", "si").lines[0].diameter_mm == pytest.approx(146)


@pytest.mark.parametrize(
    ("line", "reason"),
    [
        ("belt,,Q90,,1", "not a belt designation"),
        ("belt,,B9000,,1", "lengths run from"),
        ("sheave,Q,5,,1", "unknown groove"),
        ("sheave,B,5,effective,1", "have no effective"),
        ("sheave,B,five,,1", "number"),
        ("sheave,B,0.2,,1", "too small"),
        ("belt,,B90,,-1", "not a count"),
        ("belt,,B90,,x", "not a count"),
        ("belt,,B90,,²", "not a count"),
        ("belt,,B90,," + "9" * 5000, "not a count"),
        ("rope,,60,,1", "not a part"),
        ("belt", "not a belt"),
    ],
)
def test_a_wrong_line_says_why_and_leaves_the_others(line: str, reason: str) -> None:
    r = read_stock(HEAD + "belt,,B90,,1\n" + line + "\nbelt,,B97,,1\n")
    assert [x.designation for x in r.lines] == ["B90", "B97"] and len(r.wrong) == 1
    assert r.wrong[0].line == 3 and reason in r.wrong[0].reason and r.wrong[0].allowed


def test_a_list_without_a_header_is_refused() -> None:
    for text in ("", "belt,,B90,,1\n", "a,b,c\n1,2,3\n"):
        with pytest.raises(InputError) as e:
            read_stock(text)
        assert e.value.field == "text" and "part" in e.value.allowed
    with pytest.raises(InputError, match="too long"):
        read_stock("x" * 60_000)


@settings(derandomize=True, deadline=None, max_examples=150)
@given(st.text(max_size=300))
def test_junk_never_breaks_it(junk: str) -> None:
    for text in (junk, HEAD + junk):
        try:
            r = read_stock(text)
        except InputError as e:
            assert e.field == "text" and e.why
        else:
            assert all(w.reason for w in r.wrong) and all(x.count >= 1 for x in r.lines)


@settings(derandomize=True, deadline=None, max_examples=60)
@given(
    st.lists(
        st.tuples(st.sampled_from([(r[0], r[1]) for r in table("lengths").rows if r[0] in "ABC"]), st.integers(1, 99)),
        min_size=1,
        max_size=20,
    )
)
def test_every_standard_belt_survives_the_round_trip(parts: list[tuple[tuple[str, float], int]]) -> None:
    text = HEAD + "".join(f"belt,,{s}{n:g},,{count}\n" for (s, n), count in parts)
    r = read_stock(text)
    assert not r.wrong and [(x.designation, x.count) for x in r.lines] == [
        (f"{s}{n:g}", count) for (s, n), count in parts
    ]
