"""The speed plate of a drive: every speed that it can be set to, and how."""

from __future__ import annotations

import uuid

import sqlalchemy as sa
from pydantic import JsonValue
from sqlalchemy.dialects.postgresql import JSONB
from sqlmodel import Field

from tuyere.store.plumbing.base import Row, foreign


class SpeedPlate(Row, table=True):
    """``rows`` hold setting, driven speed (rpm) and a note, slowest first; ``calc`` and ``given`` are what they were worked by."""

    __tablename__ = "speed_plate"
    __table_args__ = (
        sa.Index("uq_speed_plate_drive", "drive_id", unique=True, postgresql_where=sa.text("archived_at IS NULL")),
    )

    drive_id: uuid.UUID = foreign("drive.id")
    title: str = Field(default="", max_length=120)
    rows: list[dict[str, JsonValue]] = Field(default_factory=list, sa_type=JSONB)
    calc: str = Field(default="", max_length=40)
    given: dict[str, JsonValue] = Field(default_factory=dict, sa_type=JSONB)
