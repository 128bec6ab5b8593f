"""What a record file brought that this program does not know."""

from __future__ import annotations

import uuid

from pydantic import JsonValue
from sqlalchemy.dialects.postgresql import JSONB
from sqlmodel import Field

from tuyere.store.plumbing.base import Row

# What is said of a whole file is kept under this id.
WHOLE_FILE = uuid.UUID(int=0)


class Carried(Row, table=True):
    """Fields of a record that are not known here: kept as they came, and written out with it again."""

    __tablename__ = "carried"

    record_id: uuid.UUID = Field(unique=True)
    of: str = Field(max_length=40)
    fields: dict[str, JsonValue] = Field(default_factory=dict, sa_type=JSONB)
