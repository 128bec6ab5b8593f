"""Any list that comes in as CSV: columns by name in any order, each line understood or refused with its reason."""

from __future__ import annotations

import csv
import io
from collections.abc import Callable
from dataclasses import dataclass
from typing import TypeVar

from tuyere.calc.shop import UnreadableNumber
from tuyere.core.errors import InputError
from tuyere.exchange.csv_out import plain_cell

MOST_LINES = 1500
MOST_CHARACTERS = 50_000
Line = TypeVar("Line")


@dataclass(frozen=True, slots=True)
class WrongLine:
    """One line not understood: its number, its text, why, and what would do."""

    line: int
    text: str
    reason: str
    allowed: str


def read_lines(
    text: str,
    columns: tuple[str, ...],
    needed: tuple[tuple[str, ...], ...],
    make: Callable[[int, dict[str, str]], Line],
) -> tuple[tuple[Line, ...], tuple[WrongLine, ...]]:
    """Read a list with a comma, a semicolon or a tab between its cells.

    Each of ``needed`` names columns of which one must be there; ``make`` reads one line (its number, its cells by
    column) and raises InputError or UnreadableNumber. Raises InputError when there is no header.
    """
    if len(text) > MOST_CHARACTERS:
        raise InputError("text", None, "the list is too long", f"{MOST_CHARACTERS:,} characters")
    first = text.lstrip("\ufeff\r\n ").split("\n", 1)[0]
    between = max(",;\t", key=first.count)
    try:
        rows = list(csv.reader(io.StringIO(text.lstrip("\ufeff"), newline=""), delimiter=between))
    except csv.Error as e:
        raise InputError("text", None, f"not a table of lines and cells: {e}", "plain CSV text") from e
    rows = [[plain_cell(c.strip()) for c in r] for r in rows]
    head = next((k for k, r in enumerate(rows) if any(r)), None)
    names = [] if head is None else [c.lower() for c in rows[head]]
    if head is None or not all(any(n in names for n in one) for one in needed):
        least = " and ".join(" or ".join(one) for one in needed)
        raise InputError(
            "text", first[:80], "the first line must name the columns", ", ".join(columns) + f"; {least} at least"
        )
    lines: list[Line] = []
    wrong: list[WrongLine] = []
    for number, cells in enumerate(rows[head + 1 : head + 1 + MOST_LINES], head + 2):
        if not any(cells):
            continue
        try:
            lines.append(make(number, dict(zip(names, cells, strict=False))))
        except (InputError, UnreadableNumber) as e:
            wrong.append(WrongLine(number, between.join(cells)[:120], e.why, e.allowed))
    if len(rows) - head - 1 > MOST_LINES:
        wrong.append(WrongLine(head + 2 + MOST_LINES, "", f"lines after {MOST_LINES} are left out", "a shorter list"))
    return tuple(lines), tuple(wrong)
