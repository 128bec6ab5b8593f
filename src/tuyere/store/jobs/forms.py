"""Forms of jobs."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Annotated

from pydantic import AwareDatetime, Field, JsonValue, StringConstraints

from tuyere.calc.parts import Whole
from tuyere.jobs.words import EventKind, Mounting, Recheck, TakeUp
from tuyere.store.plumbing.forms import PLAIN, Form, InUnits, Long, Name, Operation, Short, Tag

StepKey = Annotated[str, Field(min_length=1, max_length=120, pattern=r"^[A-Za-z0-9:_-]+$")]
Words = Annotated[str, Field(max_length=200, pattern=r"^[^\x00-\x1f]*$")]


class JobOpen(Operation):
    """A job to open on a drive: which template, and what its steps depend on."""

    template: Annotated[str, Field(min_length=1, max_length=60)]
    take_up: TakeUp | None = Field(default=None, description="how the loop is tensioned; left open, every step shows")
    mounting: Mounting | None = Field(default=None, description="how the wheels sit on their shafts")
    answers: dict[Annotated[str, Field(max_length=120)], bool] = Field(
        default={}, description="answers to its questions"
    )
    recheck: Recheck = Field(
        default="all", description="when a new loop is looked at again: after 24 hours, at 50 running hours, or both"
    )
    at: AwareDatetime | None = Field(default=None, description="when it was opened; now, where it is left out")
    due_id: uuid.UUID | None = Field(default=None, description="what was due and is done with this job")


class Took(Form):
    """Parts taken off the shelf."""

    item: uuid.UUID
    count: Annotated[Whole, Field(ge=1, le=1000)]


class EventSave(InUnits):
    """Something that happened at a step. ``typed`` of a reading is read in ``units``."""

    step: StepKey
    kind: EventKind
    at: AwareDatetime = Field(description="when it happened, by the clock of the device it was entered on")
    target: Short = Field(default="", description="what was read: belt 2, near, driven shaft")
    quantity: Tag = Field(default="", description="kind of quantity of a reading, or text")
    typed: Words = Field(default="", description="a reading as typed")
    origin: Annotated[str, Field(pattern="^(hand|instrument|sound|photo|import)$")] = "hand"
    instrument: dict[str, JsonValue] = Field(
        default={}, max_length=12, description="what the instrument said of itself"
    )
    conditions: dict[str, JsonValue] = Field(default={}, max_length=12, description="deflection, method, loaded")
    turns: Annotated[float, Field(ge=-50, le=50)] | None = Field(
        default=None, description="turns of each adjuster in a move"
    )
    grade: Annotated[str, Field(pattern="^(|fine|watch|act|not seen)$")] = ""
    faults: Annotated[list[Tag], Field(max_length=12)] = Field(
        default=[], description="faults known by their drawings, of those the step names"
    )
    took: Annotated[list[Took], Field(max_length=8)] = Field(
        default=[], description="parts that were taken off the shelf for this step"
    )
    corrects: uuid.UUID | None = Field(default=None, description="the event that this one takes the place of")
    reason: Long = ""


# Base64 of the largest photo there may be.
LARGEST_PHOTO = 14_000_000


class PhotoSave(Operation):
    """A photo of a drive: the file as base64, when it was taken as the person says, and at which step of which job."""

    data: Annotated[str, Field(min_length=4, max_length=LARGEST_PHOTO, description="JPEG, PNG or WebP, base64")]
    caption: Annotated[str, StringConstraints(strip_whitespace=True, max_length=200, pattern=PLAIN)] = ""
    taken_at: AwareDatetime | None = None
    job_id: uuid.UUID | None = None
    step: Annotated[str, Field(max_length=120)] = ""


class DuePlan(Operation):
    """Something to do at a machine or one of its drives, once or again and again."""

    machine_id: uuid.UUID
    drive_id: uuid.UUID | None = None
    title: Name
    template: Annotated[str, Field(max_length=60)] = ""
    by_date: AwareDatetime | None = None
    by_hours: Annotated[float, Field(gt=0, le=1e6)] | None = Field(
        default=None, description="running hours on the machine's meter"
    )
    oil: Annotated[str, Field(max_length=30)] = Field(default="", description="key of a point that is oiled or greased")
    every_days: Annotated[Whole, Field(ge=1, le=3660)] | None = None
    every_hours: Annotated[float, Field(gt=0, le=1e5)] | None = None


class DueSnooze(Operation):
    """Put it off to another day, for a reason that stays in sight; ``rev`` is the version it was read at."""

    rev: Annotated[Whole, Field(ge=1, le=2**31 - 1)]
    until: date
    reason: Annotated[str, StringConstraints(strip_whitespace=True, min_length=3, max_length=200, pattern=PLAIN)]


class DueDone(Operation):
    """It is done without a job: who, and what was done."""

    rev: Annotated[Whole, Field(ge=1, le=2**31 - 1)]
    note: Long = ""


TemplateWords = Annotated[str, Field(min_length=1, max_length=60_000, pattern=r"^[^\x00]*$")]


class TemplateCheck(Form):
    """A template's text to look through; nothing is kept."""

    text: TemplateWords


class TemplateBack(Operation):
    """Put the shipped template back in the place of a lead's copy; ``rev`` is the copy's version that was read."""

    rev: Annotated[Whole, Field(ge=1, le=2**31 - 1)]


class TemplateSave(Operation):
    """A lead's template, as text; ``rev`` is the version it was read at, 0 for the shipped one."""

    rev: Annotated[Whole, Field(ge=0, le=2**31 - 1)]
    text: TemplateWords
