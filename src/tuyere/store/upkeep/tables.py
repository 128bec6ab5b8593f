"""Failures, with what was answered and what was told of their causes."""

from __future__ import annotations

import uuid
from datetime import datetime

import sqlalchemy as sa
from pydantic import JsonValue
from sqlalchemy.dialects.postgresql import JSONB
from sqlmodel import Field

from tuyere.store.plumbing.base import Row, foreign


class Failure(Row, table=True):
    """A drive that failed: which build, when, what was seen, the causes as they were told, and the one that was confirmed.

    ``told`` is cause -> share of 100, the likeliest first, as shown; it is never worked anew.
    """

    __tablename__ = "failure"
    __table_args__ = (sa.Index("ix_failure_drive_at", "drive_id", "at"),)

    drive_id: uuid.UUID = foreign("drive.id")
    build_id: uuid.UUID = foreign("build.id")
    at: datetime = Field(sa_type=sa.DateTime(timezone=True))
    hours: float | None = None
    answers: dict[str, JsonValue] = Field(default_factory=dict, sa_type=JSONB)
    told: list[JsonValue] = Field(default_factory=list, sa_type=JSONB)
    confirmed: str = Field(default="", max_length=40)
    confirmed_at: datetime | None = Field(default=None, sa_type=sa.DateTime(timezone=True))
    confirmed_by_name: str = Field(default="", max_length=80)
    note: str = Field(default="", max_length=500)
