"""Visits at the flax works: a fit two days ago with what is due after it, a check that was begun, a line that was found."""

from __future__ import annotations

import uuid
from collections.abc import Callable
from dataclasses import dataclass, field
from datetime import timedelta

from sqlmodel import Session

from tuyere.store.jobs.book import open_job, take_event
from tuyere.store.jobs.forms import EventSave, JobOpen
from tuyere.store.jobs.views import JobView
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now

PLAIN = {"sign": "signed", "decide": "found"}


@dataclass(frozen=True, kw_only=True)
class Visit:
    """A job at a drive: who, how long ago, what was read by step and target, and the step it was left at (empty: closed)."""

    tag: str
    drive: str
    template: str
    by: str
    hours_ago: float
    take_up: str
    mounting: str
    readings: dict[str, tuple[tuple[str, str, str], ...]] = field(default_factory=dict)
    left_at: str = ""


VISITS = (
    Visit(
        tag="AHU-2",
        drive="Fan drive",
        template="fit-v-key",
        by="A. Reed",
        hours_ago=50.0,
        take_up="slide-base",
        mounting="key-setscrew",
        readings={
            "marking-read": (("it", "text", "A60, three of one set"),),
            "tension-read": (
                ("belt 1", "force", "3.0"),
                ("belt 2", "force", "2.9"),
                ("belt 3", "force", "3.1"),
            ),
            "speed-read": (("it", "speed", "760"),),
        },
    ),
    Visit(
        tag="VP-3",
        drive="Pump drive",
        template="retension-v",
        by="N. Dray",
        hours_ago=3.0,
        take_up="slide-base",
        mounting="taper-flush",
        readings={"tension-read": (("belt 1", "force", "3.4"), ("belt 2", "force", "3.3"))},
        left_at="tension-read",
    ),
)


def _say(session: Session, job: JobView, actor: Actor, at: float, **what: object) -> JobView:
    """One event, so many hours ago."""
    moment = (now() - timedelta(hours=at)).isoformat()
    return take_event(session, actor, job.id, EventSave.model_validate({"at": moment, **what}))


def visit(session: Session, of: Visit, drive: uuid.UUID) -> None:
    """Put a visit into the database through the same door as a person's entries."""
    actor, hours = Actor(of.by), of.hours_ago
    form = JobOpen.model_validate(
        {
            "template": of.template,
            "at": (now() - timedelta(hours=hours)).isoformat(),
            "take_up": of.take_up,
            "mounting": of.mounting,
            "answers": {},
        }
    )
    job = open_job(session, actor, drive, form)
    for step in job.steps:
        hours -= 0.03
        for target, quantity, typed in of.readings.get(step.key, ()):
            job = _say(
                session, job, actor, hours, step=step.key, kind="read", target=target, quantity=quantity, typed=typed
            )
        if step.key == of.left_at:
            return
        if step.kind == "read" and step.key not in of.readings:
            if not step.skip:
                job = _say(
                    session, job, actor, hours, step=step.key, kind="read", target="it", quantity="torque", typed="20"
                )
            else:
                job = _say(session, job, actor, hours, step=step.key, kind="skipped", reason="not at this visit")
                continue
        job = _say(
            session,
            job,
            actor,
            hours,
            step=step.key,
            kind=PLAIN.get(step.kind, "done"),
            grade="fine" if step.kind == "decide" else "",
        )


def visits(session: Session, ident: Callable[..., uuid.UUID]) -> int:
    """All of them; ``ident`` gives a drive's id by its machine's tag and its name."""
    for v in VISITS:
        visit(session, v, ident(v.tag, v.drive))
    return len(VISITS)
