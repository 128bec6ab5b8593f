"""Failures as they go out."""

from __future__ import annotations

import uuid
from datetime import datetime

from pydantic import Field

from tuyere.calc.answer import Answer


class EvidenceOut(Answer):
    """A sign that the record answers by itself, and from what."""

    sign: str
    answer: str
    says: str


class ToldOut(Answer):
    """A cause as it was told."""

    key: str
    words: str
    share: int


class FailureView(Answer):
    """A failure that is kept."""

    id: uuid.UUID
    rev: int
    at: datetime
    by: str
    what: str = Field(description="what had failed")
    answers: dict[str, str]
    told: list[ToldOut]
    confirmed: str
    confirmed_words: str
    confirmed_by: str
    note: str


class HitRate(Answer):
    """How often the cause that was confirmed had been told first, and among the first two."""

    confirmed: int
    first: int
    first_two: int


class WhyView(Answer):
    """What is needed to ask why a drive failed: its kind of loop, what its record answers, and its failures so far."""

    kind: str
    what: str
    machine: str
    drive: str
    isolation_points: list[str]
    evidence: list[EvidenceOut]
    repeat: str = Field(description="said where loops were fitted too often: clear the machine first")
    life: str = Field(description="how long loops last on this drive, with bounds; or that it is not enough yet")
    failures: list[FailureView]
    hits: HitRate
