"""What a drive must do, and the shafts it does it between. Quantities are in the core's units."""

from __future__ import annotations

import uuid
from datetime import datetime
from typing import Any

import sqlalchemy as sa
from pydantic import JsonValue
from sqlalchemy.dialects.postgresql import JSONB
from sqlmodel import Field

from tuyere.store.plumbing.base import Row, foreign, now


class Duty(Row, table=True):
    """Power, speeds, hours and room; ``points`` holds further load points as power, speed, share.

    Beside every quantity a person enters stand what was typed and where it came from.
    """

    __tablename__ = "duty"
    __table_args__ = (
        sa.CheckConstraint("power_kw > 0 AND driver_rpm > 0 AND driven_rpm > 0", name="positive"),
        sa.CheckConstraint("tolerance_percent > 0 AND tolerance_percent <= 50", name="tolerance"),
        sa.CheckConstraint("hours_a_day IS NULL OR (hours_a_day > 0 AND hours_a_day <= 24)", name="hours"),
        sa.CheckConstraint("centre_mm IS NULL OR centre_mm > 0", name="centre"),
    )

    drive_id: uuid.UUID = foreign("drive.id")
    valid_from: datetime = Field(default_factory=now, sa_type=sa.DateTime(timezone=True))
    power_kw: float
    power_typed: str | None = Field(default=None, max_length=40)
    power_origin: str = Field(default="user", max_length=20)
    driver_rpm: float
    driver_rpm_typed: str | None = Field(default=None, max_length=40)
    driver_rpm_origin: str = Field(default="user", max_length=20)
    driven_rpm: float
    driven_rpm_typed: str | None = Field(default=None, max_length=40)
    driven_rpm_origin: str = Field(default="user", max_length=20)
    tolerance_percent: float = Field(default=3.0)
    tolerance_origin: str = Field(default="assumed", max_length=20)
    centre_mm: float | None = None
    centre_typed: str | None = Field(default=None, max_length=40)
    centre_give_mm: float | None = None
    centre_give_typed: str | None = Field(default=None, max_length=40)
    driver_key: str | None = Field(default=None, max_length=60)
    machine_key: str | None = Field(default=None, max_length=60)
    load_class: str | None = Field(default=None, max_length=20)
    hours_a_day: float | None = None
    chokes: bool | None = None
    service_factor: float | None = None
    surroundings: str = Field(default="", max_length=200)
    points: list[dict[str, Any]] = Field(default_factory=list, sa_type=JSONB)


class Ends(Row, table=True):
    """What is known of a drive's start, shafts and maker's number, as it was typed; ``given`` reads the same in any system."""

    __tablename__ = "drive_ends"
    __table_args__ = (
        sa.Index("uq_drive_ends_drive", "drive_id", unique=True, postgresql_where=sa.text("archived_at IS NULL")),
    )

    drive_id: uuid.UUID = foreign("drive.id")
    given: dict[str, JsonValue] = Field(default_factory=dict, sa_type=JSONB)


class Shaft(Row, table=True):
    """A shaft of a drive: its role, and which of that role it is; driven shafts, idlers and guides may be many."""

    __tablename__ = "shaft"
    __table_args__ = (
        sa.CheckConstraint("role IN ('driver','driven','idler','guide')", name="role"),
        sa.CheckConstraint("no >= 1", name="no"),
        sa.Index(
            "uq_shaft_drive_id_role_no",
            "drive_id",
            "role",
            "no",
            unique=True,
            postgresql_where=sa.text("archived_at IS NULL"),
        ),
        sa.CheckConstraint("bore_mm IS NULL OR bore_mm > 0", name="bore"),
    )

    drive_id: uuid.UUID = foreign("drive.id")
    role: str = Field(max_length=20)
    no: int = Field(default=1, ge=1)
    bore_mm: float | None = None
    key: str = Field(default="", max_length=40)
    frame: str = Field(default="", max_length=40)
    bearings: str = Field(default="", max_length=120)
    movable_axis: str = Field(default="", max_length=40)
    take_up_mm: float | None = None


class ShaftLoad(Row, table=True):
    """What a duty asks of one shaft: power in kW taken from the loop, and the speed that is wanted there."""

    __tablename__ = "shaft_load"
    __table_args__ = (
        sa.UniqueConstraint("duty_id", "shaft_id", name="uq_shaft_load_duty_id_shaft_id"),
        sa.CheckConstraint("power_kw > 0", name="power"),
        sa.CheckConstraint("wanted_rpm IS NULL OR wanted_rpm > 0", name="speed"),
    )

    duty_id: uuid.UUID = foreign("duty.id")
    shaft_id: uuid.UUID = foreign("shaft.id")
    power_kw: float
    wanted_rpm: float | None = None
