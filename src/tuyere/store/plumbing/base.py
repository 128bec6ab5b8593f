"""Columns that every row has, and the naming of constraints."""

from __future__ import annotations

import uuid
from datetime import UTC, datetime
from typing import Any

import sqlalchemy as sa
from sqlmodel import Field, SQLModel

SQLModel.metadata.naming_convention = {
    "ix": "ix_%(column_0_label)s",
    "uq": "uq_%(table_name)s_%(column_0_name)s",
    "ck": "ck_%(table_name)s_%(constraint_name)s",
    "fk": "fk_%(table_name)s_%(column_0_name)s_%(referred_table_name)s",
    "pk": "pk_%(table_name)s",
}


def now() -> datetime:
    """The present, with its zone: everything is kept in UTC."""
    return datetime.now(UTC)


def foreign(target: str, index: bool = True, nullable: bool = False) -> Any:
    """A foreign key column; rows it points at are archived, never deleted, so nothing cascades."""
    return Field(default=None if nullable else ..., foreign_key=target, index=index, nullable=nullable)


class Row(SQLModel):
    """``id`` is made by the client, ``op_id`` tells a repeated request, ``rev`` counts changes."""

    id: uuid.UUID = Field(default_factory=uuid.uuid4, primary_key=True)
    op_id: uuid.UUID = Field(default_factory=uuid.uuid4, unique=True)
    rev: int = Field(default=1, ge=1)
    created_at: datetime = Field(default_factory=now, sa_type=sa.DateTime(timezone=True))
    created_by_name: str = Field(default="", max_length=80)
    observed_at: datetime | None = Field(default=None, sa_type=sa.DateTime(timezone=True))
    archived_at: datetime | None = Field(default=None, sa_type=sa.DateTime(timezone=True))
