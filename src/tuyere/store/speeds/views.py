"""A drive's speeds as they are shown."""

from __future__ import annotations

import uuid
from datetime import datetime

from pydantic import JsonValue

from tuyere.calc.answer import Answer, Figure


class PlateRowView(Answer):
    """One speed of the plate."""

    setting: str
    speed: Figure
    note: str


class PlateView(Answer):
    """The plate; version 0 and no rows where nobody kept one."""

    rev: int
    title: str
    rows: list[PlateRowView]
    calc: str
    given: dict[str, JsonValue]
    by: str
    at: datetime | None


class QuestionView(Answer):
    """A calculation that may be asked of this drive, its fields filled from what stands there."""

    calc: str
    title: str
    input: dict[str, JsonValue]


class SpeedsView(Answer):
    """Everything about a drive's speeds. ``calc`` and ``input`` are the drive itself, empty where nothing is known of it."""

    drive_id: uuid.UUID
    name: str
    machine: str
    machine_id: uuid.UUID
    family: str
    calc: str
    input: dict[str, JsonValue]
    options: dict[str, str]
    draft_rev: int
    driven_speed: Figure | None
    wanted_speed: Figure | None
    plate: PlateView
    questions: list[QuestionView]
