"""A stock list as CSV: belts, sheaves and other parts, each line read or refused with its reason; nothing is guessed.

Columns by name in any order, a comma, a semicolon or a tab between them: ``part`` (belt, sheave, bushing and
so on), ``section`` (groove of a sheave), ``size`` (designation of a belt or another part, diameter of a sheave), ``diameter`` (outside, datum, pitch,
effective; outside where left open), ``count``.
"""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.calc.shop import UnreadableNumber, read
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.v_belt.belts import belt
from tuyere.core.v_belt.sheaves import GROOVES, sheave
from tuyere.exchange.csv_lines import WrongLine, read_lines

# Belts and sheaves are read by their marking and size; the rest goes by what is written on it.
BY_NAME = ("toothed belt", "flat belt", "bushing", "chain", "link", "sprocket", "lacing", "instrument", "other")
PARTS = ("belt", "sheave", *BY_NAME)
LONGEST_NAME = 40
COLUMNS = ("part", "section", "size", "diameter", "count")
GROOVE_OF = {g.upper(): g for g in GROOVES}


@dataclass(frozen=True, slots=True, kw_only=True)
class StockLine:
    """One line understood. ``diameter_mm`` is None but for sheaves."""

    line: int
    part: str
    section: str
    designation: str
    diameter_mm: float | None
    diameter_kind: str
    count: int


@dataclass(frozen=True, slots=True)
class StockList:
    """What a file came to."""

    lines: tuple[StockLine, ...]
    wrong: tuple[WrongLine, ...]


def read_stock(text: str, units: str = "us") -> StockList:
    """Read a list; bare sizes are inches or millimetres by ``units``. Raises InputError when there is no header."""
    return StockList(
        *read_lines(text, COLUMNS, (("part",), ("size",)), lambda number, given: read_part(number, given, units))
    )


def read_part(number: int, given: dict[str, str], units: str) -> StockLine:
    """One part by the names of the columns; ``number`` is where it stands. Raises InputError beside the column."""
    part, size = given.get("part", "").lower(), given.get("size", "")
    text = given.get("count", "") or "1"
    if not (text.isdecimal() and len(text) <= 6) or not 0 < int(text) <= 100_000:
        raise InputError("count", text, "not a count", "a whole number, 1 or more")
    with quiet(), collected_notices():
        if part == "belt":
            made = belt(size, "size")
            return StockLine(
                line=number,
                part="belt",
                section=made.section.name,
                designation=made.designation,
                diameter_mm=None,
                diameter_kind="",
                count=int(text),
            )
        if part in ("sheave", "pulley"):
            try:
                mm = read(size, "length", units)
            except UnreadableNumber as e:
                raise InputError("size", size, e.why, e.allowed) from e
            kind = given.get("diameter", "").lower() or "outside"
            typed = given.get("section", "")
            groove = GROOVE_OF.get(typed.upper(), typed)
            sheave(mm, kind, groove, "size")
            return StockLine(
                line=number,
                part="sheave",
                section=groove,
                designation="",
                diameter_mm=mm,
                diameter_kind=kind,
                count=int(text),
            )
    if part in BY_NAME:
        if not 0 < len(size) <= LONGEST_NAME:
            raise InputError(
                "size", size, "what is it called?", f"what is written on it, {LONGEST_NAME} letters at most"
            )
        return StockLine(
            line=number,
            part=part,
            section="",
            designation=size,
            diameter_mm=None,
            diameter_kind="",
            count=int(text),
        )
    raise InputError("part", part, "not a part this list knows", ", ".join(PARTS))
