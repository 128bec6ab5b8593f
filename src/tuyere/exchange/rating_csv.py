"""Your own rating table as CSV: what one belt of a section carries on a small sheave of a diameter at a speed.

Columns by name in any order: ``section``, ``diameter`` (pitch or datum), ``rpm``, and ``kw`` or ``hp`` or ``power``
with its unit written out.
"""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.calc.shop import read
from tuyere.core.errors import InputError
from tuyere.core.v_belt.bases.own_table import OwnRow
from tuyere.core.v_belt.sections import section
from tuyere.exchange.csv_lines import WrongLine, read_lines

COLUMNS = ("section", "diameter", "rpm", "kw or hp")
LARGEST_MM, FASTEST_RPM, MOST_KW = 3000.0, 20_000.0, 500.0


@dataclass(frozen=True, slots=True)
class RatingLine:
    """One line understood."""

    line: int
    row: OwnRow


@dataclass(frozen=True, slots=True)
class RatingList:
    """What a file came to."""

    lines: tuple[RatingLine, ...]
    wrong: tuple[WrongLine, ...]


def read_ratings(text: str, units: str = "us") -> RatingList:
    """Read a table; bare diameters are inches or millimetres by ``units``. Raises InputError when there is no header.

    A line that repeats the section, diameter and speed of an earlier one is refused: one of the two is wrong.
    """
    seen: dict[tuple[str, float, float], int] = {}

    def make(number: int, given: dict[str, str]) -> RatingLine:
        row = _row(given, units)
        key = (row.section, round(row.diameter_mm, 6), round(row.rpm, 6))
        if key in seen:
            raise InputError(
                "section", row.section, f"stands in line {seen[key]} already", "one line for each diameter and speed"
            )
        seen[key] = number
        return RatingLine(number, row)

    return RatingList(
        *read_lines(text, COLUMNS, (("section",), ("diameter",), ("rpm", "speed"), ("kw", "hp", "power")), make)
    )


def _row(given: dict[str, str], units: str) -> OwnRow:
    of = section(given.get("section", "")).name
    diameter = read(given.get("diameter", ""), "length", units)
    rpm = read(given.get("rpm") or given.get("speed") or "", "speed", units)
    unit = next((u for u in ("kw", "hp") if given.get(u)), "")
    power = read(f"{given[unit]} {'kW' if unit == 'kw' else unit}" if unit else given.get("power", ""), "power", units)
    for name, value, most, says in (
        ("diameter", diameter, LARGEST_MM, "3000 mm"),
        ("rpm", rpm, FASTEST_RPM, "20,000 rpm"),
        ("power", power, MOST_KW, "500 kW"),
    ):
        if not 0 < value <= most:
            raise InputError(name, value, f"no {name} of a V-belt drive", f"over 0, up to {says}")
    return OwnRow(of, diameter, rpm, power)
