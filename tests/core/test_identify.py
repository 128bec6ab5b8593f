"""What a belt is and whether it fits: markings of the standards, groove geometry by shapely, rules of the trade."""

from __future__ import annotations

from math import radians, tan

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon

from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.tables import table
from tuyere.core.v_belt.formulas import belt_gap, opened_diameter, ridden_diameter, seat_depth
from tuyere.core.v_belt.groove_fit import Groove, belt_profile, opened_pitch_change, standard_groove, work_fit
from tuyere.core.v_belt.identify import belts_that_fit, identify
from tuyere.core.v_belt.marking import read_marking

IN = 25.4

MARKS = [  # marking, designation, joined, inside in, line in or mm, outside in
    ("A42", "A42", 1, 42, 43.3, 44),
    ("B68", "B68", 1, 68, 69.8, 71),
    ("C120", "C120", 1, 120, 122.9, 124),
    ("D180", "D180", 1, 180, 183.3, 185),
    ("AX42", "AX42", 1, 42, 43.3, 44),
    ("bx 68", "BX68", 1, 68, 69.8, 71),
    ("CX-96", "CX96", 1, 96, 98.9, 100),
    ("A 46", "A46", 1, 46, 47.3, 48),
    ("3/B90", "3/B90", 3, 90, 91.8, 93),
    ("4/C120", "4/C120", 4, 120, 122.9, 124),
    ("2/BX75", "2/BX75", 2, 75, 76.8, 78),
    ("B90/3", "3/B90", 3, 90, 91.8, 93),
]


@pytest.mark.outside(
    "IP-20 designations: number is the inside length, datum and outside by the standard's and common conventions (recalled)"
)
@pytest.mark.parametrize(("text", "name", "joined", "inside", "line", "outside"), MARKS)
def test_classical_markings(text: str, name: str, *, joined: int, inside: float, line: float, outside: float) -> None:
    r = read_marking(text)[0]
    assert (r.designation, r.joined, r.line_kind) == (name, joined, "datum")
    assert (
        r.inside_mm == pytest.approx(inside * IN)
        and r.line_mm == pytest.approx(line * IN, abs=0.3)
        and r.outside_mm == pytest.approx(outside * IN)
    )


@pytest.mark.outside("IP-22, IP-23, DIN 7753 and DIN 2215 designations (recalled)")
@pytest.mark.parametrize(
    ("text", "section", "kind", "mm"),
    [
        ("3V500", "3V", "effective", 50 * IN),
        ("5V1000", "5V", "effective", 100 * IN),
        ("8V2000", "8V", "effective", 200 * IN),
        ("3VX630", "3VX", "effective", 63 * IN),
        ("5VX-900", "5VX", "effective", 90 * IN),
        ("3/5V1000", "5V", "effective", 100 * IN),
        ("4L430", "4L", "outside", None),
        ("2L120", "2L", "outside", None),
        ("SPZ 1000", "SPZ", "datum", 1000),
        ("SPB2000", "SPB", "datum", 2000),
        ("XPZ 1000", "XPZ", "datum", 1000),
        ("17x1600 Li", "B", "datum", 1640),
        ("13x1000 Li", "A", "datum", 1030),
        ("22x2500 Li", "C", "datum", 2558),
    ],
)
def test_other_markings(text: str, section: str, kind: str, mm: float | None) -> None:
    r = read_marking(text)[0]
    assert (r.section, r.line_kind) == (section, kind) and (
        r.line_mm is None if mm is None else r.line_mm == pytest.approx(mm)
    )
    if section in ("4L", "2L"):
        assert r.outside_mm == pytest.approx(float(text[2:]) / 10 * IN) and "OUTSIDE" in r.words
    if text == "XPZ 1000":
        assert r.designation == "SPZ 1000 cogged"


def test_doubtful_markings_are_ranked() -> None:
    assert [r.designation for r in read_marking("3B90")] == ["3/B90", "B90"] and "tie band" in read_marking("3B90")[
        1
    ].words
    worn = [r.designation for r in read_marking("B6?")]
    assert worn and all(w.startswith("B6") and len(w) == 3 for w in worn) and "B68" in worn and "B90" not in worn
    automotive = read_marking("17x1600")
    assert {r.construction for r in automotive} == {"wrapped", "automotive"} and automotive[0].sure == "medium"
    assert read_marking("B6O")[0].sure == "low" and read_marking("B6O")[0].designation == "B60"
    assert (
        read_marking("BB120")[0].construction == "double-sided"
        and read_marking("AV13x1000 La")[0].construction == "automotive"
    )
    for bad in ("", "hello", "DX90", "8VX2000", "4L", "B", "99", "B????"):
        with pytest.raises(InputError) as e:
            read_marking(bad)
        assert e.value.field == "marking" and e.value.allowed


@settings(derandomize=True, deadline=None, max_examples=60)
@given(
    st.sampled_from([(r[0], r[1]) for r in table("lengths").rows]),
    st.sampled_from(["", " ", "-", " - "]),
    st.integers(0, 2),
)
def test_every_standard_belt_is_read_back_however_it_is_written(belt: tuple[str, float], gap: str, worn: int) -> None:
    section, number = belt
    text = f"{number:g}"
    r = read_marking(f"{section.lower()}{gap.strip() or gap}{text}")[0]
    assert r.section == section and r.designation == f"{section}{text}"
    masked = text[: len(text) - worn] + "?" * worn
    assert (
        f"{section}{text}" in [x.designation for x in read_marking(section + masked)]
        or len(read_marking(section + masked)) == 12
    )


@pytest.mark.outside(
    "section tables of IP-20, IP-22, IP-23 and DIN 7753: a new belt is found by its own measures (recalled)"
)
@pytest.mark.parametrize("row", table("belt_profiles").rows, ids=lambda r: str(r[0]))
def test_a_belt_is_found_by_its_own_measures(row: tuple[object, ...]) -> None:
    section, _, construction, width, depth = row[:5]
    v = identify(float(width), float(depth), None, None if construction == "either" else construction == "cogged")
    assert section in v.either or section in [c.section for c in v.candidates[:4]]
    assert v.candidates[0].fit > 0.9 and v.ask


def test_light_duty_and_industrial_belts_of_one_width_are_not_told_apart() -> None:
    with collected_notices() as notes:
        v = identify(0.5 * IN, 0.31 * IN, 44 * IN, False)
    assert {"A", "4L"} <= set(v.either) and "either" in {n.code for n in notes} and "duty" in v.ask
    near = {c.section: c.nearest for c in v.candidates}
    assert near["A"] == "A42" and near["4L"] == "4L440"
    assert "cogged" in identify(0.66 * IN, 0.41 * IN, None, None).ask
    with pytest.raises(InputError):
        identify(60.0, None, None, None)
    with pytest.raises(InputError, match="fits no section"):
        identify(28.5, 3.0, None, None)


@pytest.mark.outside(
    "published example: B90 on 5.4 and 9.4 in sheaves, centres 34.2 in; its neighbours lie by the exact belt equation"
)
def test_the_belt_is_found_from_its_sheaves() -> None:
    found = belts_that_fit("B", 5.4 * IN, 9.4 * IN, 33 * IN, 35.5 * IN)
    names = {s.designation: s for s in found}
    assert "B90" in names and names["B90"].centre_mm / IN == pytest.approx(34.2, abs=0.05)
    assert all(s.from_low_mm >= 0 and s.to_high_mm >= 0 for s in found)
    assert names["B90"].from_low_mm + names["B90"].to_high_mm == pytest.approx(2.5 * IN)
    with pytest.raises(InputError, match="no standard belt") as e:
        belts_that_fit("B", 5.4 * IN, 9.4 * IN, 34.0 * IN, 34.01 * IN)
    assert "nearest" in e.value.allowed


@pytest.mark.outside(
    "groove tables of IP-20 and IP-22: right belts ride about flush, narrow ones 0.03 to 0.05 in proud (recalled)"
)
@pytest.mark.parametrize("section", ["A", "B", "C", "D", "AX", "BX", "3V", "5V", "8V", "3VX", "5VX"])
@pytest.mark.parametrize("outside", [4.0, 9.0, 20.0])
def test_a_right_belt_rides_about_flush(section: str, outside: float) -> None:
    of = belt_profile(section)
    fit = work_fit(
        of,
        standard_groove(of.groove, outside * IN),
        outside_mm=outside * IN,
        belt_worn_mm=0,
        groove_dish_mm=0,
        opened_mm=0,
    )
    # The recalled 38 degree row of D sits a little deep (a doubt the reference names); it is not tuned away.
    low, high = (-0.06, 0.005) if of.family == "narrow" else (-0.04, 0.05 if section == "D" else 0.03)
    assert low <= fit.top_mm / IN <= high and fit.verdict == "right" and not fit.bottoms
    assert fit.pitch_mm == pytest.approx(fit.proper_mm, abs=0.02 * IN)


@pytest.mark.outside("shapely: the belt's trapezoid lies in the groove, touching its flanks at the belt's top")
@settings(derandomize=True, deadline=None, max_examples=60)
@given(st.floats(9, 30), st.floats(32, 42), st.floats(0, 3), st.floats(0.6, 1.3))
def test_the_seat_is_where_the_widths_agree(belt_width: float, angle: float, wide: float, slim: float) -> None:
    of = belt_profile("B")
    groove = Groove("", belt_width + wide, 40.0, angle)
    top = seat_depth(groove.width_mm, belt_width, angle)
    assert groove.width_mm - 2 * top * tan(radians(angle / 2)) == pytest.approx(belt_width)
    assert belt_gap(groove.depth_mm, top, of.depth_mm) == pytest.approx(40 - top - of.depth_mm)
    assert ridden_diameter(200.0, top, 5.0) == pytest.approx(190 - 2 * top)
    fit = work_fit(
        of,
        Groove("", of.width_mm + wide, 40.0, max(angle, 40.0)),
        outside_mm=None,
        belt_worn_mm=0,
        groove_dish_mm=0,
        opened_mm=0,
    )
    inside = Polygon([p for p in fit.groove_points if p[1] >= 0][1:-1])
    hung = Polygon(fit.belt_points)
    assert hung.difference(inside.buffer(1e-6)).area < 1e-3 * hung.area or slim < 0


@pytest.mark.outside(
    "shop formula (geometry): 20 threads an inch and a 28 degree groove take 0.201 in off the pitch diameter a turn"
)
def test_an_opened_adjustable_sheave() -> None:
    assert opened_diameter(0.05 * IN, 1.0, 28.0) / IN == pytest.approx(0.201, abs=5e-4)
    assert opened_pitch_change(IN / 16, 2.0, 34.0) / IN == pytest.approx(2 * 0.204, abs=1e-3)
    of = belt_profile("A")
    groove = standard_groove("A", 5 * IN)
    shut, opened = (
        work_fit(of, groove, outside_mm=5 * IN, belt_worn_mm=0, groove_dish_mm=0, opened_mm=x) for x in (0.0, 0.05 * IN)
    )
    assert shut.pitch_mm - opened.pitch_mm == pytest.approx(opened_diameter(0.05 * IN, 1.0, groove.angle_deg), rel=1e-9)


def test_rules_of_the_trade() -> None:
    def verdict(belt: str, groove: str, **more: float) -> str:
        kinds = {"worn": 0.0, "dish": 0.0} | more
        return work_fit(
            belt_profile(belt),
            standard_groove(groove, 8 * IN),
            outside_mm=8 * IN,
            belt_worn_mm=kinds["worn"],
            groove_dish_mm=kinds["dish"],
            opened_mm=0,
        ).verdict

    assert verdict("A", "B") == verdict("AX", "B") == "emergency"
    assert (
        verdict("B", "A")
        == verdict("C", "B")
        == verdict("A", "3V")
        == verdict("5V", "B")
        == verdict("A", "C")
        == "refused"
    )
    assert (
        verdict("B", "B", dish=0.9) == "worn"
        and verdict("B", "B", worn=1.0) == "worn"
        and verdict("B", "B", dish=0.1) == "right"
    )
    low = work_fit(
        belt_profile("A"),
        standard_groove("B", 8 * IN),
        outside_mm=8 * IN,
        belt_worn_mm=0,
        groove_dish_mm=0,
        opened_mm=0,
    )
    assert low.pitch_mm < low.proper_mm and low.top_mm > 4
    bottom = work_fit(
        belt_profile("A"), Groove("", 19.0, 10.0, 38.0), outside_mm=None, belt_worn_mm=0, groove_dish_mm=0, opened_mm=0
    )
    assert bottom.bottoms and bottom.verdict == "refused" and bottom.gap_mm < 0
    assert belt_profile("SPB cogged").section == "XPB"
    for call, field in [
        (lambda: belt_profile("Q"), "belt"),
        (lambda: standard_groove("Q", 100.0), "groove"),
        (
            lambda: work_fit(
                belt_profile("A"),
                standard_groove("A", 100.0),
                outside_mm=None,
                belt_worn_mm=9.0,
                groove_dish_mm=0,
                opened_mm=0,
            ),
            "belt_wear",
        ),
    ]:
        with pytest.raises(InputError) as e:
            call()
        assert e.value.field == field
