"""The factors of units, held against a units library and against their own inverses."""

from __future__ import annotations

import pint
import pytest

from tuyere.calc.kinds import KINDS, Kind, in_system
from tuyere.calc.shop import UNITS, read
from tuyere.calc.units import FACTORS, from_core, to_core, unit_factor

U = pint.UnitRegistry()
# The library has no name for these, or another idea of what may be turned into what.
OURS = {"percent", ""}
SCALES = {"temperature"}
PAIRS = [(m, u, next(iter(units))) for m, units in FACTORS.items() for u in units if u not in OURS and m not in SCALES]


@pytest.mark.outside("pint: every unit in the core's unit of what it measures")
@pytest.mark.parametrize(("measure", "unit", "core"), PAIRS)
def test_a_factor_is_that_of_the_library(measure: str, unit: str, core: str) -> None:
    theirs = U.Quantity(1.0, unit).to(core).magnitude
    assert unit_factor(unit, core) == pytest.approx(theirs, rel=1e-14), measure


@pytest.mark.outside("the international yard and pound of 1959; 550 ft lbf/s; 75 kgf m/s")
@pytest.mark.parametrize(
    ("unit", "core", "worth"),
    [
        ("inch", "mm", 25.4),
        ("foot", "mm", 304.8),
        ("pound_force", "N", 4.4482216152605),
        ("horsepower", "W", 745.69987158227022),
        ("metric_horsepower", "W", 735.49875),
        ("foot/minute", "m/s", 0.00508),
        ("kilogram_force", "N", 9.80665),
    ],
)
def test_definitions(unit: str, core: str, worth: float) -> None:
    assert unit_factor(unit, core) == worth


@pytest.mark.outside("pint: temperatures on both scales")
@pytest.mark.parametrize("shown", [-459.67, -40, 0, 32, 68, 98.6, 140, 212, 1000])
def test_a_temperature_is_that_of_the_library(shown: float) -> None:
    theirs = U.Quantity(shown, "degF").to("degC").magnitude
    assert to_core(shown, "degF", "degC") == pytest.approx(theirs, abs=1e-9)
    assert from_core(theirs, "degF", "degC") == pytest.approx(shown, abs=1e-9)
    if shown > -60:
        assert read(f"{shown} °F", "temperature", "si") == pytest.approx(theirs, abs=1e-9)
    # A difference has no beginning: 18 °F is 10 °C wherever it stands.
    assert to_core(shown + 18, "degF", "degC") - to_core(shown, "degF", "degC") == pytest.approx(10)
    assert read("18 °F", "temperature_rise", "si") == pytest.approx(10)


@pytest.mark.parametrize("measure", list(FACTORS))
def test_there_and_back_is_one_and_only_within_what_is_measured(measure: str) -> None:
    others = [u for m, units in FACTORS.items() if m != measure for u in units]
    for a in FACTORS[measure]:
        for b in FACTORS[measure]:
            there, back = unit_factor(a, b), unit_factor(b, a)
            assert there is not None and back is not None and there * back == pytest.approx(1, rel=1e-15)
        assert all(unit_factor(a, x) is None for x in others)
    assert unit_factor("furlong", "mm") is None and unit_factor("mm", "furlong") is None


def test_every_unit_that_may_be_typed_or_shown_is_there() -> None:
    known = {u for units in FACTORS.values() for u in units}
    assert set(UNITS.values()) <= known
    assert {u for k in KINDS.values() for u in (k.core, k.us, k.si)} <= known
    assert all(unit_factor(k.us, k.core) and unit_factor(k.si, k.core) for k in KINDS.values())


@pytest.mark.parametrize("kind", list(KINDS.values()), ids=list(KINDS))
def test_what_is_shown_and_what_is_given_as_an_example_can_be_typed(kind: Kind) -> None:
    """A reading that stands on the pad, or on a sheet, is read back as it stands."""
    for units, sign in (("us", kind.us_shown), ("si", kind.si_shown)):
        most = in_system(kind.highest, kind.name, units)
        whole = 12.0 if most >= 12 else most
        back = read(f"{whole:.12g} {sign}".strip(), kind.name, units)
        assert in_system(back, kind.name, units) == pytest.approx(whole)
        for example in kind.example.split(", "):
            read(example, kind.name, units)
