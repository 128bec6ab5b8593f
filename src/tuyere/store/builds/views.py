"""Builds as they go out."""

from __future__ import annotations

import uuid
from datetime import date, datetime

from pydantic import Field, JsonValue

from tuyere.calc.answer import Answer, Figure


class DutyThen(Answer):
    """The duty a build was settled for, where another one holds now."""

    power: Figure
    driver_speed: Figure


class BuildView(Answer):
    """A build: what it is, and the input its calculation takes (numbers in the core's units)."""

    id: uuid.UUID
    rev: int
    no: int
    purpose: str
    state: str
    family: str
    calc: str
    what: str
    valid_from: datetime
    valid_to: datetime | None
    created_by_name: str
    temporary: bool
    temporary_reason: str
    temporary_ended: str = Field(description="why a temporary mark was removed with this build")
    promised_date: date | None
    options: dict[str, str] = Field(description="what was picked beside the input, such as the rating book")
    core_version: str
    settled_for: DutyThen | None
    wheel_entries: list[str] = Field(description="driver and driven diameter as text that reads back to what is kept")
    input: dict[str, JsonValue]


class RecordView(Answer):
    """A build's calculation as it was shown when it was saved."""

    calc: str
    core_version: str
    created_at: datetime
    input: dict[str, JsonValue]
    result: dict[str, JsonValue]
    working: list[dict[str, JsonValue]]
