"""Forms of failures."""

from __future__ import annotations

from typing import Annotated

from pydantic import AwareDatetime, Field

from tuyere.calc.entries.failure_finder import SignKey
from tuyere.calc.parts import Whole
from tuyere.core.diagnosis.finder import Answer
from tuyere.store.plumbing.forms import Long, Operation


class FailureSave(Operation):
    """A failure with what was looked at: yes, no (looked: not so), not looked."""

    at: AwareDatetime = Field(description="when it failed, or was found failed")
    answers: dict[SignKey, Answer] = Field(default={}, max_length=200)
    hours: Annotated[float, Field(ge=0, le=1e6)] | None = None
    note: Long = ""


class CauseConfirm(Operation):
    """The cause that was found to be why; ``rev`` is the version of the failure it was read at."""

    rev: Annotated[Whole, Field(ge=0, le=2**31 - 1)]
    cause: SignKey
