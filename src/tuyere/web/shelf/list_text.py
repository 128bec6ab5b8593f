"""What every list that comes in as CSV has in common: its text, and the lines that were not understood."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated

from pydantic import Field, StringConstraints

from tuyere.calc.answer import Answer
from tuyere.calc.registry import Units
from tuyere.core.errors import InputError
from tuyere.exchange.csv_lines import WrongLine
from tuyere.store.plumbing.forms import Operation


class ListText(Operation):
    """A list as text; bare sizes are read in ``units``."""

    units: Units = "us"
    text: Annotated[str, StringConstraints(max_length=50_000, pattern=r"^[^\x00]*$")]
    leave_out_wrong: bool = Field(
        default=False, description="keep the lines that were understood, leave out the others"
    )


class WrongLineOut(Answer):
    """A line that was not understood, why, and what would do."""

    line: int
    text: str
    reason: str
    allowed: str


def wrong_out(wrong: Sequence[WrongLine]) -> list[WrongLineOut]:
    """The wrong lines, for a preview."""
    return [WrongLineOut(line=w.line, text=w.text, reason=w.reason, allowed=w.allowed) for w in wrong]


def refuse_wrong(wrong: Sequence[WrongLine], body: ListText) -> None:
    """Raise InputError where lines are wrong and nobody said to leave them out."""
    if wrong and not body.leave_out_wrong:
        first = wrong[0]
        raise InputError(
            "text",
            None,
            f"{len(wrong)} lines are not understood; line {first.line}: {first.reason}",
            first.allowed,
        )
