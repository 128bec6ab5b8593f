"""The report of a period as it goes out."""

from __future__ import annotations

import uuid
from datetime import date, datetime

from pydantic import Field

from tuyere.calc.answer import Answer, Band


class CountLine(Answer):
    """Something and how often."""

    words: str
    count: int


class LoopUse(Answer):
    """A kind of belt or chain that was fitted: at how many jobs, how many belts or strands in all."""

    designation: str
    jobs: int
    loops: int
    drives: list[str]


class PartUse(Answer):
    """A part taken off the shelf for jobs; ``spent`` is None where nobody said what it costs."""

    designation: str
    count: int
    spent: float | None


class CauseLine(Answer):
    """A cause of failures: confirmed so often, and so often only told as the likeliest."""

    words: str
    confirmed: int
    told: int
    drives: list[str]


class LateLine(Answer):
    """Something that was due in or before the period and not done by its end."""

    title: str
    machine: str
    drive: str
    drive_id: uuid.UUID | None
    when: datetime
    days: int


class OpenFix(Answer):
    """A temporary fix that stood at the end of the period."""

    machine: str
    drive: str
    drive_id: uuid.UUID
    reason: str
    since: datetime
    promised: date | None
    days_left: int | None


class LossLine(Answer):
    """What a drive turned into heat in the period."""

    machine: str
    drive: str
    drive_id: uuid.UUID
    what: str
    hours: float = Field(description="running hours in the period")
    assumed: bool = Field(description="hours are assumed: no meter and none in the duty")
    lost: Band


class ReportView(Answer):
    """A shop's period: jobs, belts used, failures by cause, what is late, what is only for a while, losses, spend."""

    since: date
    until: date
    jobs: list[CountLine]
    loops: list[LoopUse]
    parts: list[PartUse]
    spent: float
    unpriced: int = Field(description="parts taken of which nobody said the price")
    failures: int
    causes: list[CauseLine]
    late: list[LateLine]
    late_count: int
    fixes: list[OpenFix]
    losses: list[LossLine] = Field(description="the greatest first, ten at most")
    lost: Band | None
    drives: int = Field(description="drives that stood on machines")
    assumed_hours: int = Field(description="of these with hours assumed")
