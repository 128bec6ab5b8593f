"""Tables as CSV for a spreadsheet: what it would take for a formula is written so that it stays text."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Sequence

# What a spreadsheet begins a formula or a command with.
STARTS = ("=", "+", "-", "@", "\t", "\r", "\n")
Cell = str | int | float | None


def safe_cell(cell: Cell) -> str:
    """A cell as text that no spreadsheet reckons with; numbers stay numbers.

    >>> safe_cell("=2+2"), safe_cell(-1.5), safe_cell("plain"), safe_cell(None)
    ("'=2+2", '-1.5', 'plain', '')
    """
    if cell is None:
        return ""
    if isinstance(cell, str):
        return f"'{cell}" if cell.startswith(STARTS) else cell
    return f"{cell:.12g}" if isinstance(cell, float) else str(cell)


def plain_cell(text: str) -> str:
    """The text of a cell that was made safe, as it was.

    >>> plain_cell(safe_cell("=2+2")), plain_cell("'quoted'")
    ('=2+2', "'quoted'")
    """
    return text[1:] if text.startswith("'") and text[1:].startswith(STARTS) else text


def csv_text(head: Sequence[str], rows: Iterable[Sequence[Cell]]) -> str:
    """A table with its head, comma between the cells (RFC 4180)."""
    out = io.StringIO(newline="")
    writer = csv.writer(out)
    writer.writerow(head)
    writer.writerows([safe_cell(c) for c in row] for row in rows)
    return out.getvalue()
