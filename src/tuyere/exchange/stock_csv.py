"""A stock list as CSV: belts and sheaves, each line read or refused with its reason; nothing is guessed.

Columns by name in any order, a comma, a semicolon or a tab between them: ``part`` (belt or sheave), ``section``
(groove of a sheave), ``size`` (designation of a belt, diameter of a sheave), ``diameter`` (outside, datum, pitch,
effective; outside where left open), ``count``.
"""

from __future__ import annotations

import csv
import io
from dataclasses import dataclass

from tuyere.calc.shop import UnreadableNumber, read
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.vbelt.belts import belt
from tuyere.core.vbelt.sheaves import sheave

COLUMNS = ("part", "section", "size", "diameter", "count")
MOST_LINES = 1500


@dataclass(frozen=True, slots=True)
class StockLine:
    """One line understood. ``diameter_mm`` is None for belts."""

    line: int
    part: str
    section: str
    designation: str
    diameter_mm: float | None
    diameter_kind: str
    count: int


@dataclass(frozen=True, slots=True)
class WrongLine:
    """One line not understood: its number, its text, why, and what would do."""

    line: int
    text: str
    reason: str
    allowed: str


@dataclass(frozen=True, slots=True)
class StockList:
    """What a file came to."""

    lines: tuple[StockLine, ...]
    wrong: tuple[WrongLine, ...]


def read_stock(text: str, units: str = "us") -> StockList:
    """Read a list; bare sizes are inches or millimetres by ``units``. Raises InputError when there is no header."""
    if len(text) > 50_000:
        raise InputError("text", None, "the list is too long", "50,000 characters")
    first = text.lstrip("\ufeff\r\n ").split("\n", 1)[0]
    between = max(",;\t", key=first.count)
    try:
        rows = list(csv.reader(io.StringIO(text.lstrip("\ufeff"), newline=""), delimiter=between))
    except csv.Error as e:
        raise InputError("text", None, f"not a table of lines and cells: {e}", "plain CSV text") from e
    rows = [[c.strip() for c in r] for r in rows]
    head = next((k for k, r in enumerate(rows) if any(r)), None)
    names = [] if head is None else [c.lower() for c in rows[head]]
    if head is None or "part" not in names or "size" not in names:
        raise InputError(
            "text", first[:80], "the first line must name the columns", ", ".join(COLUMNS) + "; part and size at least"
        )
    lines: list[StockLine] = []
    wrong: list[WrongLine] = []
    for number, cells in enumerate(rows[head + 1 : head + 1 + MOST_LINES], head + 2):
        if not any(cells):
            continue
        given = dict(zip(names, cells, strict=False))
        try:
            lines.append(_line(number, given, units))
        except (InputError, UnreadableNumber) as e:
            wrong.append(WrongLine(number, between.join(cells)[:120], e.why, e.allowed))
    if len(rows) - head - 1 > MOST_LINES:
        wrong.append(WrongLine(head + 2 + MOST_LINES, "", f"lines after {MOST_LINES} are left out", "a shorter list"))
    return StockList(tuple(lines), tuple(wrong))


def _line(number: int, given: dict[str, str], units: str) -> StockLine:
    part, size = given.get("part", "").lower(), given.get("size", "")
    text = given.get("count", "") or "1"
    if not (text.isdecimal() and len(text) <= 6) or not 0 < int(text) <= 100_000:
        raise InputError("count", text, "not a count", "a whole number, 1 or more")
    with quiet(), collected_notices():
        if part == "belt":
            made = belt(size, "size")
            return StockLine(number, "belt", made.section.name, made.designation, None, "", int(text))
        if part in ("sheave", "pulley"):
            mm = read(size, "length", units)
            kind = given.get("diameter", "").lower() or "outside"
            groove = given.get("section", "").upper()
            sheave(mm, kind, groove, "size")
            return StockLine(number, "sheave", groove, "", mm, kind, int(text))
    raise InputError("part", part, "not a part this list knows", "belt or sheave")
