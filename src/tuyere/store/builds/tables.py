"""Builds: dated configurations of a drive, their parts, and the calculation they rest on.

A draft is edited in place; a frozen build never changes, and a change starts the next draft.
"""

from __future__ import annotations

import uuid
from datetime import date, datetime

import sqlalchemy as sa
from pydantic import JsonValue
from sqlalchemy.dialects.postgresql import JSONB
from sqlmodel import Field

from tuyere.store.plumbing.base import Row, foreign, now


class Build(Row, table=True):
    """One configuration of a drive: as found, as designed, as fitted."""

    __tablename__ = "build"
    __table_args__ = (
        sa.UniqueConstraint("drive_id", "no", name="uq_build_drive_id_no"),
        sa.CheckConstraint("purpose IN ('found','designed','fitted')", name="purpose"),
        sa.CheckConstraint("state IN ('draft','frozen')", name="state"),
        sa.CheckConstraint(
            "NOT temporary OR (length(temporary_reason) > 0 AND promised_date IS NOT NULL)", name="temporary"
        ),
        sa.Index(
            "uq_build_one_draft",
            "drive_id",
            unique=True,
            postgresql_where=sa.text("state = 'draft' AND archived_at IS NULL"),
        ),
    )

    drive_id: uuid.UUID = foreign("drive.id")
    no: int = Field(ge=1)
    duty_id: uuid.UUID = foreign("duty.id")
    purpose: str = Field(max_length=20)
    state: str = Field(default="draft", max_length=10)
    family: str = Field(max_length=20)
    options: dict[str, str] = Field(default_factory=dict, sa_type=JSONB)
    core_version: str = Field(default="", max_length=20)
    clockwise: bool = Field(default=True)
    valid_from: datetime = Field(default_factory=now, sa_type=sa.DateTime(timezone=True))
    valid_to: datetime | None = Field(default=None, sa_type=sa.DateTime(timezone=True))
    hours_at_fit: float | None = None
    temporary: bool = Field(default=False)
    temporary_reason: str = Field(default="", max_length=200)
    promised_date: date | None = None
    temporary_ended: str = Field(default="", max_length=200)
    supersedes_id: uuid.UUID | None = foreign("build.id", nullable=True)


class Element(Row, table=True):
    """A wheel of a build on a shaft, by its name in the drive; x and y in mm, driver shaft at the origin."""

    __tablename__ = "element"
    __table_args__ = (
        sa.CheckConstraint("length(kind) > 0", name="kind"),
        sa.CheckConstraint("diameter_mm > 0", name="diameter"),
        sa.CheckConstraint("diameter_kind IN ('outside','effective','datum','pitch')", name="diameter_kind"),
    )

    build_id: uuid.UUID = foreign("build.id")
    shaft_id: uuid.UUID = foreign("shaft.id")
    wheel: str = Field(max_length=40)
    kind: str = Field(default="sheave", max_length=20)
    x: float = 0.0
    y: float = 0.0
    diameter_mm: float
    diameter_kind: str = Field(max_length=20)
    diameter_typed: str | None = Field(default=None, max_length=40)
    diameter_origin: str = Field(default="user", max_length=20)
    grooves: int | None = None
    teeth: int | None = None
    profile: str = Field(max_length=20)
    spec: dict[str, JsonValue] = Field(default_factory=dict, sa_type=JSONB)


class Loop(Row, table=True):
    """A belt or chain loop of a build."""

    __tablename__ = "loop"
    __table_args__ = (
        sa.UniqueConstraint("build_id", "no", name="uq_loop_build_id_no"),
        sa.CheckConstraint("length_mm > 0", name="length"),
        sa.CheckConstraint("strands >= 1", name="strands"),
    )

    build_id: uuid.UUID = foreign("build.id")
    no: int = Field(default=1, ge=1)
    section: str = Field(max_length=20)
    designation: str = Field(max_length=80)
    length_mm: float
    length_kind: str = Field(max_length=20)
    strands: int = Field(default=1, ge=1)
    joined: bool = Field(default=False)
    take_up: dict[str, JsonValue] | None = Field(default=None, sa_type=JSONB)
    spec: dict[str, JsonValue] = Field(default_factory=dict, sa_type=JSONB)


class RouteStop(Row, table=True):
    """A loop's next wheel, the side it runs on, and whether the strand before it crosses."""

    __tablename__ = "route_stop"
    __table_args__ = (
        sa.UniqueConstraint("loop_id", "position", name="uq_route_stop_loop_id_position"),
        sa.CheckConstraint("side IN ('inside','outside')", name="side"),
    )

    loop_id: uuid.UUID = foreign("loop.id")
    position: int = Field(ge=1)
    element_id: uuid.UUID = foreign("element.id")
    side: str = Field(default="inside", max_length=10)
    crossed: bool = Field(default=False)


class Member(Row, table=True):
    """One belt of a set: readings will point here."""

    __tablename__ = "member"
    __table_args__ = (sa.UniqueConstraint("loop_id", "no", name="uq_member_loop_id_no"),)

    loop_id: uuid.UUID = foreign("loop.id")
    no: int = Field(ge=1)


class CalcRecord(Row, table=True):
    """The calculation a build rests on, frozen as shown."""

    __tablename__ = "calc_record"

    build_id: uuid.UUID = foreign("build.id")
    calc: str = Field(max_length=40)
    core_version: str = Field(max_length=20)
    input: dict[str, JsonValue] = Field(sa_type=JSONB)
    result: dict[str, JsonValue] = Field(sa_type=JSONB)
    working: list[dict[str, JsonValue]] = Field(sa_type=JSONB)
