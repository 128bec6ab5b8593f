"""Failures as they go out."""

from __future__ import annotations

import uuid
from datetime import date, datetime

from pydantic import Field

from tuyere.calc.answer import Answer, ElevationOut, Figure
from tuyere.store.jobs.views import DueLine, JobLine


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


class TrendPoint(Answer):
    """One reading."""

    at: datetime
    value: Figure
    job_id: uuid.UUID | None


class TrendView(Answer):
    """A reading over time: what it says, its limit and why, between which days it will cross."""

    key: str
    label: str
    says: str
    limit: Figure
    because: str
    points: list[TrendPoint]
    earliest: datetime | None
    latest: datetime | None


class TrendsView(Answer):
    """Where the readings of a drive go."""

    trends: list[TrendView]


class WallDrive(Answer):
    """A drive on the wall, to scale; its state as a mark and why."""

    id: uuid.UUID
    name: str
    what: str
    state: str = Field(description="act, watch, fine, or none where nothing is known of it")
    why: str
    elevation: ElevationOut | None


class WallMachine(Answer):
    """A machine on the wall."""

    id: uuid.UUID
    tag: str
    name: str
    kind: str
    area: str
    drives: list[WallDrive]


class WallView(Answer):
    """The works in walking order, a part of it."""

    machines: list[WallMachine]
    total: int
    areas: list[str]


class RoundLine(Answer):
    """Something to do on the round, with the drive to scale."""

    due: DueLine
    what: str = Field(description="what is on the drive")
    elevation: ElevationOut | None
    grade: str = Field(description="act where it is late, watch where it is today, else none")
    days: int = Field(description="days late; negative where they are still to come")


class RoundArea(Answer):
    """An area of the works in walking order; what is to do there up to the end of the week."""

    no: int
    name: str
    late: int
    today: int
    week: int


class TemporaryLine(Answer):
    """A temporary fix with its promised date."""

    drive_id: uuid.UUID
    machine: str
    drive: str
    what: str
    reason: str
    by: str
    since: datetime
    promised: date
    days_left: int


class LoopSpan(Answer):
    """A loop that was on a drive: from when to when, and whether it failed."""

    fitted: datetime
    until: datetime | None
    failed: bool


class RepeatLine(Answer):
    """A drive that keeps breaking its loops."""

    drive_id: uuid.UUID
    machine: str
    drive: str
    says: str
    loops: list[LoopSpan]


class RoundView(Answer):
    """What is due now and this week, by area in walking order, the late first; what is only for a while; what breaks again."""

    day: date
    areas: list[RoundArea]
    late: list[RoundLine]
    today: list[RoundLine]
    week: list[RoundLine]
    ahead: list[RoundLine] = Field(description="planned or foretold for later, the soonest first")
    minutes: int = Field(description="about how long the late and today's take")
    total: int = Field(description="how many are due up to the end of the week in all")
    begun: list[JobLine]
    temporary: list[TemporaryLine]
    repeats: list[RepeatLine]
    done: list[JobLine] = Field(description="jobs closed today")


class TimelineMark(Answer):
    """Something that happened, with what it belongs to."""

    at: datetime
    until: datetime | None
    lane: str = Field(description="builds, jobs, readings, findings, failures, photos, hours")
    words: str
    detail: str
    by: str
    grade: str
    drive_id: uuid.UUID | None
    drive: str
    link: str = Field(description="where its record is")
    photo: uuid.UUID | None


class TimelineView(Answer):
    """What happened at a drive or a machine, the newest first."""

    title: str
    machine_id: uuid.UUID
    drive_id: uuid.UUID | None
    first: datetime | None
    marks: list[TimelineMark]
    lanes: list[str]
    more: int = Field(description="how many older ones are left out")


class OilPointView(Answer):
    """A point that wants oil or grease: how, how often, on which drives it is found, and when it is due."""

    key: str
    what: str
    lubricant: str
    amount: str
    every_days: int
    every_hours: float | None
    too_much: str
    guard: str
    drives: list[str]
    due: DueLine | None


class OilList(Answer):
    """Points of a machine: those that are planned first, then those its drives have, then all others."""

    points: list[OilPointView]
