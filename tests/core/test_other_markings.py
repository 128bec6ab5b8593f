"""Markings of belts that are no V-belts, of classical belts by millimetres, of worn digits off the list (N16, N18)."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tuyere.calc.registry import find, work
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.shafts.bushings import bushing
from tuyere.core.tables import table
from tuyere.core.v_belt.marking import read_marking
from tuyere.core.v_belt.other_markings import PITCH_IN
from tuyere.core.v_belt.sheaves import rim_pitch_mm, sheave

IN = 25.4


@pytest.mark.outside("ISO 5296, RMA IP-24: length code in tenths of an inch, pitch code, width in hundredths; recalled")
@pytest.mark.parametrize(
    ("text", "profile", "length_in", "teeth"),
    [
        ("210L050", "L", 21.0, 56),
        ("300H100", "H", 30.0, 60),
        ("480 H 150", "H", 48.0, 96),
        ("100XL037", "XL", 10.0, 50),
        ("630XH400", "XH", 63.0, 72),
        ("36MXL025", "MXL", 3.6, 45),
        ("800XXH400", "XXH", 80.0, 64),
    ],
)
def test_inch_synchronous(text: str, profile: str, length_in: float, teeth: int) -> None:
    r = read_marking(text)[0]
    assert (r.construction, r.section, r.line_kind) == ("synchronous", profile, "pitch")
    assert r.line_mm == pytest.approx(length_in * IN) and f"{teeth} teeth" in r.words
    assert teeth * PITCH_IN[profile] == pytest.approx(length_in)


@pytest.mark.outside("the length table of ISO 5296: every code of it reads as the teeth and the length it lists")
def test_every_listed_inch_length_is_read() -> None:
    lengths = table("sync_lengths")
    read = 0
    for row in lengths.rows:
        of = dict(zip((c.name for c in lengths.columns), row, strict=True))
        if of["profile"] not in PITCH_IN:
            continue
        inches = float(of["teeth"]) * PITCH_IN[of["profile"]]
        if abs(inches * 10 - round(inches * 10)) > 1e-6:
            continue  # its code is a rounded length
        r = read_marking(f"{round(inches * 10)}{of['profile']}")[0]
        assert f"{of['teeth']} teeth" in r.words and r.line_mm == pytest.approx(inches * IN)
        read += 1
    assert read > 60


@pytest.mark.outside("DIN 7721, ISO 17396, ISO 13050, ISO 9982, ISO 5289 designations; recalled")
@pytest.mark.parametrize(
    ("text", "section", "construction", "mm", "says"),
    [
        ("T5x390", "T5", "synchronous", 390, "78 teeth"),
        ("16 T5/390", "T5", "synchronous", 390, "16 mm wide"),
        ("AT10/1000-32", "AT10", "synchronous", 1000, "100 teeth"),
        ("T2,5 x 480", "T2.5", "synchronous", 480, "192 teeth"),
        ("800-H8M-30", "H8M", "synchronous", 800, "100 teeth"),
        ("S8M 1200", "S8M", "synchronous", 1200, "150 teeth"),
        ("1200-8M-30", "8M", "synchronous", 1200, "letter"),
        ("6PK1200", "PK", "ribbed", 1200, "6 ribs"),
        ("PJ 610 x 8", "PJ", "ribbed", 610, "8 ribs"),
        ("240J8", "PJ", "ribbed", 609.6, "8 ribs"),
        ("540L6", "PL", "ribbed", 1371.6, "6 ribs"),
        ("HBB 2500", "HBB", "double-sided", 2500, "both sides"),
    ],
)
def test_other_belts(text: str, section: str, construction: str, mm: float, says: str) -> None:
    r = read_marking(text)[0]
    assert (r.section, r.construction) == (section, construction) and r.line_mm == pytest.approx(mm) and says in r.words
    assert "not rated here" in r.words


@pytest.mark.outside("ISO 4184: classical belts by datum length in mm; DIN 2215 inside lengths; recalled")
@pytest.mark.parametrize(
    ("text", "section", "datum"),
    [
        ("Z 1000", "Z", 1000),
        ("B 2000", "B", 2000),
        ("A 1250 Ld", "A", 1250),
        ("C 3150", "C", 3150),
        ("A 900", "A", 900),
    ],
)
def test_classical_belts_by_millimetres(text: str, section: str, datum: float) -> None:
    r = read_marking(text)[0]
    assert r.section == section and r.line_mm == datum and r.line_kind == "datum" and r.inside_mm < datum < r.outside_mm


def test_z_1000_is_one_belt_wherever_it_is_asked() -> None:
    read = work(
        find("belt-marking"), find("belt-marking").request_model.model_validate({"input": {"marking": "Z 1000"}})
    )
    assert read.result.belt_length.value == 1000
    wheel = {"kind": "datum", "groove": "Z"}
    drive = find("v-belt-drive")
    given_in = {
        "power": "0.5 kW",
        "service_factor": {"assume": 1.2},
        "driver": {"speed": 1450, "sheave": {"diameter": "71 mm", **wheel}},
        "driven": {"sheave": {"diameter": "140 mm", **wheel}},
        "belt": {"designation": "Z 1000"},
    }
    got = work(drive, drive.request_model.model_validate({"basis": "metric-table", "input": given_in}))
    assert got.result.belt_length.value == pytest.approx(1000)


def test_a_worn_digit_may_be_any_number_the_listed_ones_first() -> None:
    found = read_marking("B6?")
    assert [r.designation for r in found if r.sure == "high"] and len({r.designation for r in found}) == len(
        found
    ) == 10
    sure = [r.sure for r in found]
    assert sure == sorted(sure, key=("high", "medium", "low").index)
    assert any(r.designation == "B61" and "not in the list" in r.words for r in found)


@settings(derandomize=True, max_examples=300, deadline=None)
@given(st.text(alphabet="0123456789ABCDEHJKLMPRSTVXZ -/x?", min_size=1, max_size=14))
def test_any_text_is_read_or_refused(text: str) -> None:
    try:
        found = read_marking(text)
    except InputError as e:
        assert e.field == "marking" and e.allowed
    else:
        assert found and all(r.designation and r.words for r in found)


@pytest.mark.outside(
    "practice with taper bushings: none or a shallow keyseat at the largest bore; common practice, no source"
)
@pytest.mark.parametrize(
    ("size", "shaft", "key", "said"),
    [
        ("SH", 1.6875, None, True),
        ("2012", 2.125, None, True),
        ("1610", 1.6875, None, True),
        ("SK", 2.625, None, True),
        ("SK", 1.875, 0.5, False),
        ("SDS", 1.75, 0.375, True),
        ("SF", 1.25, 0.25, False),
    ],
)
def test_no_standard_key_where_the_keyseat_is_shallow(size: str, shaft: float, key: float | None, said: bool) -> None:
    with collected_notices() as notices:
        got = bushing(size, shaft * IN).key_mm
    assert got == (None if key is None else pytest.approx(key * IN))
    assert ("shallow-keyseat" in {n.code for n in notices}) == said


@pytest.mark.outside(
    "ANSI/RMA IP-20 1988, groove table: 2 a_p = 0, the pitch line at the rim; plane geometry; recalled"
)
@pytest.mark.parametrize(("groove", "driver", "driven", "over"), [("A", 3.0, 12.0, 6.1), ("B", 5.4, 9.4, 2.7)])
def test_the_driven_speed_holds_both_pitch_lines(groove: str, driver: float, driven: float, over: float) -> None:
    wheels = [sheave(d * IN, "datum", groove) for d in (driver, driven)]
    assert [rim_pitch_mm(w) for w in wheels] == [w.outside_mm for w in wheels]
    name = "A75" if groove == "A" else "B90"
    calc = find("v-belt-drive")
    given_in = {
        "power": "2hp",
        "service_factor": {"assume": 1.2},
        "driver": {"speed": 1750, "sheave": {"diameter": f"{driver} in", "kind": "datum", "groove": groove}},
        "driven": {"sheave": {"diameter": f"{driven} in", "kind": "datum", "groove": groove}},
        "belt": {"designation": name},
    }
    sheet = work(calc, calc.request_model.model_validate({"units": "us", "input": given_in})).sheet
    by_datum = 1750 * driver / driven
    assert sheet.driven_speed.value == pytest.approx(by_datum)
    assert sheet.driven_band.low.value == pytest.approx(0.98 * by_datum)
    assert 100 * (sheet.driven_band.high.value / by_datum - 1) == pytest.approx(over, abs=0.05)


@pytest.mark.parametrize("groove", ["3V", "5V", "SPB", "4L"])
def test_other_grooves_have_one_pitch_line(groove: str) -> None:
    wheel = sheave(200.0, "outside", groove)
    assert rim_pitch_mm(wheel) == wheel.pitch_mm
