"""Jobs as they go out."""

from __future__ import annotations

import uuid
from datetime import date, datetime
from typing import Literal

from pydantic import Field, JsonValue

from tuyere.calc.answer import Answer, ElevationOut, NoticeOut, WorkingStep
from tuyere.calc.scene_out import SceneOut


class FigureShown(Answer):
    """A figure of the drive beside a step."""

    name: str
    label: str
    shown: str
    drawn: list[float] = Field(
        description="its numbers for a picture: a length in mm, the ends of a band of force in the person's unit"
    )


class AskedView(Answer):
    """One thing that a reading step asks for, and what was read of it before."""

    target: str
    label: str
    kinds: list[str]
    units: list[str] = Field(description="what a bare number means in each of the kinds")
    needed: bool
    value: str = Field(description="what was read in this round, as shown; empty where nothing was")
    typed: str
    quantity: str
    event: uuid.UUID | None = Field(description="the event that holds it, to be corrected")
    before: str = Field(description="what was read at the last job, as shown")
    before_typed: str
    before_at: datetime | None
    instruments: list[str] = Field(
        description="what reads it in each of the kinds; empty where a person counts or looks"
    )


class SaidView(Answer):
    """What the readings of a step say."""

    says: str
    verdict: Literal["fine", "watch", "act"]
    do: str = Field(description="what to do next, where there is something to do")
    besides: str = Field(description="what doing that changes besides, where it changes something")
    calc: str
    result: dict[str, JsonValue] | None
    working: list[WorkingStep]
    notices: list[NoticeOut]
    next_turns: float | None
    before: dict[str, JsonValue] | None = Field(
        description="what the first round of the readings said, once there is another"
    )
    pictures: list[SceneOut] = Field(
        default=[], description="what the readings say, drawn; before dashed, now drawn through"
    )


class HandledView(Answer):
    """What a step is about, by the elevation's ids and in words; nothing where it is not at the drive."""

    words: str
    wheels: list[str]
    strands: list[str]
    loop: bool
    around: bool


class OnShelf(Answer):
    """A part on the shelf that this step may use."""

    id: uuid.UUID
    label: str
    count: int
    place: str
    wanted: int = Field(description="how many the drive takes")


class StepView(Answer):
    """A step of a job and where it stands."""

    key: str
    block: str
    kind: str
    words: str
    why: str
    caution: str
    who: str
    skip: bool
    safe: bool
    guarded: bool
    faults: list[str] = Field(description="drawings of faults that it is judged by")
    found: list[str] = Field(description="those that were seen")
    photos: list[uuid.UUID] = Field(description="photos taken at it")
    shelf: list[OnShelf] = Field(description="parts on the shelf that go on here")
    handled: HandledView
    energy: str = Field(description="the kind of energy that is shut off; empty where none is")
    reads: str
    move: str = Field(description="what is done between two rounds of a reading")
    move_caution: str
    source: str
    confidence: str
    point: str = Field(description="where this source of energy is isolated")
    how: str
    status: Literal["open", "done", "skipped"]
    by: str
    at: datetime | None
    note: str
    grade: str
    exception: str
    round: int
    figures: list[FigureShown]
    limit: str
    asked: list[AskedView]
    said: SaidView | None
    trouble: str = Field(description="why the readings cannot be worked, in words; empty where they can")


class IsolationView(Answer):
    """The state of the machine in words, always in sight."""

    safe: bool
    given_back: bool
    says: str
    by: str = Field(description="whose locks are on")
    at: datetime | None = Field(description="when it was signed safe")
    left: int
    proofs: int


class JobView(Answer):
    """A job: its steps in the order that is advised, and where each stands."""

    id: uuid.UUID
    rev: int
    title: str
    kind: str
    template: str
    state: str
    machine_id: uuid.UUID
    machine: str
    drive_id: uuid.UUID
    drive: str
    what: str
    belts: str
    tool: str
    opened_at: datetime
    opened_by: str
    closed_at: datetime | None
    closed_by: str
    isolation: IsolationView
    next: str | None = Field(description="the step that is next")
    steps: list[StepView]
    elevation: ElevationOut | None
    events: int
    twin: bool = Field(description="a simulated drive stands behind this one, and simulated instruments read it")


class JobLine(Answer):
    """A job in a list."""

    id: uuid.UUID
    title: str
    kind: str
    state: str
    machine: str
    drive_id: uuid.UUID
    drive: str
    opened_at: datetime
    opened_by: str
    closed_at: datetime | None
    steps_done: int
    steps_all: int
    elevation: ElevationOut | None = Field(default=None, description="the drive to scale, of a job that is open")


class JobList(Answer):
    """Jobs, the newest first."""

    jobs: list[JobLine]


class TemplateLine(Answer):
    """A template that a drive can have a job by."""

    key: str
    title: str
    kind: str
    minutes: int
    asks: list[str]
    own: bool = Field(description="a lead has changed it")


class TemplateList(Answer):
    """Templates for a drive, and what is known of how it is tensioned and mounted."""

    templates: list[TemplateLine]
    take_ups: list[str]
    mountings: list[str]
    take_up: str | None
    mounting: str | None


class TemplateStepLine(Answer):
    """A step of a template as the person at the machine will read it."""

    block: str
    key: str
    kind: str
    at: str = Field(description="the part of the drive that is marked")
    words: str
    why: str
    caution: str
    only: str = Field(description="the drives it shows for, in words; empty where it always shows")


class TemplateText(Answer):
    """A template as it is written, and what its steps come to."""

    key: str
    rev: int
    own: bool
    text: str
    title: str
    steps: list[TemplateStepLine]


class TemplateHead(Answer):
    """A template in the list of all."""

    key: str
    title: str
    kind: str
    families: list[str]
    minutes: int
    steps: int
    own: bool
    changed_by: str


class TemplateHeads(Answer):
    """Every template."""

    templates: list[TemplateHead]


class PhotoLine(Answer):
    """A photo of a drive, by its address: /api/photos/ID and /api/photos/ID/small."""

    id: uuid.UUID
    job_id: uuid.UUID | None
    step: str
    taken_at: datetime
    by: str
    caption: str
    width: int
    height: int


class PhotoList(Answer):
    """Photos, the newest first."""

    photos: list[PhotoLine]


class DueLine(Answer):
    """Something that is due."""

    id: uuid.UUID
    rev: int
    title: str
    machine: str
    machine_id: uuid.UUID
    area: str
    drive: str
    drive_id: uuid.UUID | None
    by_date: datetime | None
    by_hours: float | None
    when: datetime | None = Field(
        description="the sooner of the date and the day on which the meter will stand at the hours, put off or not"
    )
    template: str
    overdue: bool
    every: str = Field(description="how often it comes again, in words; empty where it does not")
    reason: str = Field(
        description="what made it due: job, finding-act, finding-watch, trend, person, 24-hours and so on"
    )
    made_by: str
    snoozed_until: date | None
    snooze_reason: str
    minutes: int = Field(description="about how long it takes; 0 where nobody said")
    guard_off: bool = Field(description="whether a hand goes behind the guard for it")


class DueList(Answer):
    """What is due, the soonest first."""

    dues: list[DueLine]
