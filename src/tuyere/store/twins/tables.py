"""The hidden truth of simulated drives; what the bridges of real instruments told."""

from __future__ import annotations

import uuid
from datetime import datetime

import sqlalchemy as sa
from pydantic import JsonValue
from sqlalchemy.dialects.postgresql import JSONB
from sqlmodel import Field

from tuyere.store.plumbing.base import Row, foreign


class Twin(Row, table=True):
    """A simulated drive: ``state`` is what is true of it, ``taken`` how many readings were taken, so that each has its own error."""

    __tablename__ = "twin"
    __table_args__ = (
        sa.Index("uq_twin_drive", "drive_id", unique=True, postgresql_where=sa.text("archived_at IS NULL")),
    )

    drive_id: uuid.UUID = foreign("drive.id")
    seed: int = Field(ge=0)
    taken: int = Field(default=0, ge=0)
    state: dict[str, JsonValue] = Field(default_factory=dict, sa_type=JSONB)


class InstrumentShown(Row, table=True):
    """What a real instrument showed, as its bridge told it; a person takes it into a job or leaves it."""

    __tablename__ = "instrument_shown"
    __table_args__ = (sa.Index("ix_instrument_shown_at", "at"),)

    instrument: str = Field(max_length=40)
    serial: str = Field(max_length=80)
    quantity: str = Field(max_length=20)
    value: float
    unit: str = Field(max_length=20)
    resolution: float
    at: datetime = Field(sa_type=sa.DateTime(timezone=True))
    warnings: list[str] = Field(default_factory=list, sa_type=JSONB)
