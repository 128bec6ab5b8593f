"""Jobs, their events and readings, what is due, and templates that a lead has changed."""

from __future__ import annotations

import uuid
from datetime import date, datetime

import sqlalchemy as sa
from pydantic import JsonValue
from sqlalchemy.dialects.postgresql import JSONB
from sqlmodel import Field

from tuyere.store.plumbing.base import Row, foreign, now


class JobTemplate(Row, table=True):
    """A lead's copy of a template: it goes before the shipped one of its key, which stays."""

    __tablename__ = "job_template"
    __table_args__ = (
        sa.CheckConstraint("length(text) > 0", name="text"),
        sa.Index("uq_job_template_key", "key", unique=True, postgresql_where=sa.text("archived_at IS NULL")),
    )

    key: str = Field(max_length=60)
    text: str = Field(sa_type=sa.Text)


class Job(Row, table=True):
    """A visit to a drive: its template as it was when the job was opened, the drive as it stood, and where the job stands.

    ``state`` is the fold of the events, kept here so that lists need not tell every job anew.
    """

    __tablename__ = "job"
    __table_args__ = (
        sa.CheckConstraint("state IN ('open','closed','abandoned')", name="state"),
        sa.CheckConstraint("belts IN ('new','run in')", name="belts"),
        sa.Index("ix_job_closed", "closed_at", postgresql_where=sa.text("state = 'closed'")),
        sa.Index("ix_job_open", "opened_at", postgresql_where=sa.text("state = 'open'")),
        sa.Index("ix_job_fitted", "closed_at", postgresql_where=sa.text("state = 'closed' AND kind = 'fit'")),
    )

    machine_id: uuid.UUID = foreign("machine.id")
    drive_id: uuid.UUID = foreign("drive.id")
    build_id: uuid.UUID = foreign("build.id")
    due_id: uuid.UUID | None = foreign("due.id", nullable=True)
    kind: str = Field(max_length=20)
    template_key: str = Field(max_length=60)
    template_version: int = Field(default=1)
    template_text: str = Field(sa_type=sa.Text)
    title: str = Field(max_length=120)
    belts: str = Field(default="run in", max_length=10)
    situation: dict[str, JsonValue] = Field(default_factory=dict, sa_type=JSONB)
    state: str = Field(default="open", max_length=12)
    steps_done: int = Field(default=0)
    steps_all: int = Field(default=0)
    opened_at: datetime = Field(default_factory=now, sa_type=sa.DateTime(timezone=True))
    closed_at: datetime | None = Field(default=None, sa_type=sa.DateTime(timezone=True))
    closed_by_name: str = Field(default="", max_length=80)
    hours: float | None = None


class StepEvent(Row, table=True):
    """Something that happened at a step of a job; never edited."""

    __tablename__ = "step_event"
    __table_args__ = (sa.UniqueConstraint("job_id", "seq", name="uq_step_event_job_id_seq"),)

    job_id: uuid.UUID = foreign("job.id")
    seq: int = Field(ge=1)
    step: str = Field(max_length=120)
    kind: str = Field(max_length=12)
    at: datetime = Field(sa_type=sa.DateTime(timezone=True))
    data: dict[str, JsonValue] = Field(default_factory=dict, sa_type=JSONB)
    corrects_id: uuid.UUID | None = foreign("step_event.id", nullable=True)
    reason: str = Field(default="", max_length=500)


class Isolation(Row, table=True):
    """A source of energy while a job holds it off: who shut it off, who proved it, who gave it back."""

    __tablename__ = "isolation"
    __table_args__ = (sa.UniqueConstraint("job_id", "energy_source_id", name="uq_isolation_job_id_source"),)

    job_id: uuid.UUID = foreign("job.id")
    energy_source_id: uuid.UUID = foreign("energy_source.id")
    isolated_at: datetime | None = Field(default=None, sa_type=sa.DateTime(timezone=True))
    isolated_by_name: str = Field(default="", max_length=80)
    proved_at: datetime | None = Field(default=None, sa_type=sa.DateTime(timezone=True))
    proved_by_name: str = Field(default="", max_length=80)
    restored_at: datetime | None = Field(default=None, sa_type=sa.DateTime(timezone=True))
    restored_by_name: str = Field(default="", max_length=80)
    note: str = Field(default="", max_length=500)


class Reading(Row, table=True):
    """One measured value: of what, in which quantity, as typed, and how it came. ``conditions`` are deflection, method, loaded."""

    __tablename__ = "reading"
    __table_args__ = (
        sa.CheckConstraint("origin IN ('hand','instrument','sound','photo','import')", name="origin"),
        sa.Index("ix_reading_drive_target", "drive_id", "reads", "target"),
    )

    drive_id: uuid.UUID = foreign("drive.id")
    job_id: uuid.UUID | None = foreign("job.id", nullable=True)
    event_id: uuid.UUID | None = foreign("step_event.id", nullable=True)
    step: str = Field(default="", max_length=120)
    reads: str = Field(max_length=20)
    target: str = Field(max_length=60)
    quantity: str = Field(max_length=20)
    value: float | None = None
    words: str = Field(default="", max_length=200)
    typed: str = Field(default="", max_length=200)
    origin: str = Field(default="hand", max_length=12)
    instrument: dict[str, JsonValue] = Field(default_factory=dict, sa_type=JSONB)
    conditions: dict[str, JsonValue] = Field(default_factory=dict, sa_type=JSONB)
    at: datetime = Field(sa_type=sa.DateTime(timezone=True))
    corrects_id: uuid.UUID | None = foreign("reading.id", nullable=True)


class Finding(Row, table=True):
    """What was found at a step of a job and is not fine: to watch or to act on, with the faults it was known by."""

    __tablename__ = "finding"
    __table_args__ = (
        sa.CheckConstraint("grade IN ('watch','act')", name="grade"),
        sa.Index("ix_finding_drive_at", "drive_id", "at"),
    )

    drive_id: uuid.UUID = foreign("drive.id")
    job_id: uuid.UUID = foreign("job.id")
    step: str = Field(max_length=120)
    words: str = Field(max_length=200)
    part: str = Field(default="", max_length=20)
    grade: str = Field(max_length=8)
    faults: list[str] = Field(default_factory=list, sa_type=JSONB)
    note: str = Field(default="", max_length=500)
    at: datetime = Field(sa_type=sa.DateTime(timezone=True))


class Photo(Row, table=True):
    """A photo of a drive, decoded and written anew: no place and nothing else that the camera put in is kept."""

    __tablename__ = "photo"
    __table_args__ = (sa.CheckConstraint("type IN ('image/jpeg','image/png')", name="type"),)

    drive_id: uuid.UUID = foreign("drive.id")
    job_id: uuid.UUID | None = foreign("job.id", nullable=True)
    step: str = Field(default="", max_length=120)
    sha256: str = Field(max_length=64, index=True)
    type: str = Field(max_length=20)
    width: int
    height: int
    data: bytes = Field(sa_type=sa.LargeBinary)
    thumbnail: bytes = Field(sa_type=sa.LargeBinary)
    taken_at: datetime = Field(sa_type=sa.DateTime(timezone=True))
    caption: str = Field(default="", max_length=200)


class Due(Row, table=True):
    """Something to do at a machine by a date or by running hours of its meter; ``every`` so many days or hours it comes again."""

    __tablename__ = "due"
    __table_args__ = (
        sa.CheckConstraint("by_date IS NOT NULL OR by_hours IS NOT NULL OR length(by_event) > 0", name="by"),
        sa.CheckConstraint("length(title) > 0", name="title"),
        sa.CheckConstraint("made_by IN ('job','finding','failure','build','round','person','trend')", name="made_by"),
        sa.Index("ix_due_open", "by_date", postgresql_where=sa.text("done_at IS NULL AND archived_at IS NULL")),
    )

    machine_id: uuid.UUID = foreign("machine.id")
    drive_id: uuid.UUID | None = foreign("drive.id", nullable=True)
    title: str = Field(max_length=120)
    reason_key: str = Field(max_length=40)
    template_key: str = Field(default="", max_length=60)
    by_date: datetime | None = Field(default=None, sa_type=sa.DateTime(timezone=True))
    by_hours: float | None = None
    by_event: str = Field(default="", max_length=80)
    every_days: int | None = None
    every_hours: float | None = None
    made_by: str = Field(default="job", max_length=12)
    made_by_finding_id: uuid.UUID | None = foreign("finding.id", nullable=True)
    made_by_job_id: uuid.UUID | None = Field(default=None, index=True)
    done_by_job_id: uuid.UUID | None = Field(default=None, index=True)
    done_at: datetime | None = Field(default=None, sa_type=sa.DateTime(timezone=True))
    done_by_name: str = Field(default="", max_length=80)
    done_note: str = Field(default="", max_length=500)
    snoozed_until: date | None = None
    snooze_reason: str = Field(default="", max_length=200)
