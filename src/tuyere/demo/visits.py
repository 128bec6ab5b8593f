"""Visits at the flax works: a fit two days ago with what is due after it, a check that was begun, a line that was found."""

from __future__ import annotations

import uuid
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field
from datetime import timedelta

from sqlmodel import Session

from tuyere.store.jobs.book import open_job, write_event
from tuyere.store.jobs.dues import list_dues
from tuyere.store.jobs.forms import EventSave, JobOpen
from tuyere.store.jobs.views import JobView
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now

PLAIN = {"sign": "signed", "decide": "found"}


@dataclass(frozen=True, kw_only=True)
class Visit:
    """A job at a drive: who, how long ago, what was read by step and target, the step it was left at (empty: closed), how the
    title begins of what was due, and what was found by step (grade, in words, faults).
    """

    tag: str
    drive: str
    template: str
    by: str
    hours_ago: float
    take_up: str
    mounting: str
    readings: dict[str, tuple[tuple[str, str, str], ...]] = field(default_factory=dict)
    left_at: str = ""
    due: str = ""
    found: dict[str, tuple[str, str, tuple[str, ...]]] = field(default_factory=dict)


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
    *(
        Visit(
            tag="SC-1",
            drive="Main drive",
            template=template,
            by=by,
            hours_ago=ago,
            take_up="slide-base",
            mounting="taper-flanged",
            readings={"tension-read": tuple((f"belt {n + 1}", "force", f) for n, f in enumerate(forces))},
            due=due,
        )
        for template, by, ago, forces, due in (
            ("fit-v-taper", "N. Dray", 24.0 * 61, ("14.1", "13.7"), ""),
            ("run-in-check", "N. Dray", 24.0 * 61 - 3, ("13.4", "13.2"), "Look at it"),
            ("run-in-check", "N. Dray", 24.0 * 60 - 4, ("12.8", "12.5"), "Set it again"),
            ("run-in-check", "A. Reed", 24.0 * 54, ("12.4", "12.1"), "Check at 50"),
            ("retension-v", "N. Dray", 24.0 * 20, ("12.1", "11.8"), ""),
        )
    ),
    Visit(
        tag="SC-2",
        drive="Main drive",
        template="align-straightedge",
        by="T. Sedge",
        hours_ago=2.0,
        take_up="slide-base",
        mounting="taper-flanged",
        readings={
            "rims-measured": (("stays", "gap", "0.312"), ("moves", "gap", "0.281")),
            "line-read": (
                ("near", "gap", "0.016"),
                ("far", "gap", "0.078"),
                ("top", "gap", "0.090"),
                ("bottom", "gap", "0.008"),
                ("inboard", "length", "5 1/2"),
                ("spacing", "length", "10"),
                ("height", "length", "6 1/4"),
                ("", "moved", ""),
                ("near", "gap", "-0.019"),
                ("far", "gap", "-0.029"),
                ("top", "gap", "-0.021"),
                ("bottom", "gap", "-0.027"),
            ),
        },
        left_at="line-read",
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


def _say(session: Session, job: JobView, actor: Actor, at: float, **what: object) -> None:
    """One event, so many hours ago."""
    moment = (now() - timedelta(hours=at)).isoformat()
    write_event(session, actor, job.id, EventSave.model_validate({"at": moment, **what}))


def _found(of: Visit, step: str, kind: str) -> dict[str, object]:
    """How a step was judged: as the visit says, else fine."""
    if kind != "decide":
        return {}
    grade, note, faults = of.found.get(step, ("fine", "", ()))
    return {"grade": grade, "reason": note, "faults": list(faults)}


def visit(session: Session, of: Visit, drive: uuid.UUID) -> uuid.UUID:
    """Put a visit into the database through the same door as a person's entries; returns the job's id."""
    actor, hours = Actor(of.by), of.hours_ago
    form = JobOpen.model_validate(
        {
            "template": of.template,
            "at": (now() - timedelta(hours=hours)).isoformat(),
            "take_up": of.take_up,
            "mounting": of.mounting,
            "answers": {},
            "due_id": next(
                (d.id for d in list_dues(session, drive).dues if of.due and d.title.startswith(of.due)), None
            ),
        }
    )
    job = open_job(session, actor, drive, form)
    for step in job.steps:
        hours -= 0.03
        for target, quantity, typed in of.readings.get(step.key, ()):
            what = {"kind": "read", "target": target, "quantity": quantity, "typed": typed}
            _say(session, job, actor, hours, step=step.key, **({"kind": "moved"} if quantity == "moved" else what))
        if step.key == of.left_at:
            return job.id
        if step.kind == "read" and step.key not in of.readings:
            if not step.skip:
                _say(session, job, actor, hours, step=step.key, kind="read", target="it", quantity="torque", typed="20")
            else:
                _say(session, job, actor, hours, step=step.key, kind="skipped", reason="not at this visit")
                continue
        _say(
            session,
            job,
            actor,
            hours,
            step=step.key,
            kind=PLAIN.get(step.kind, "done"),
            **_found(of, step.key, step.kind),
        )
    return job.id


def visits(session: Session, ident: Callable[..., uuid.UUID], which: Sequence[Visit] = VISITS) -> int:
    """All of them; ``ident`` gives a drive's id by its machine's tag and its name."""
    for v in which:
        visit(session, v, ident(v.tag, v.drive))
    return len(which)
