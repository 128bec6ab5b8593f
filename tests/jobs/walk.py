"""Walking a job to its end, one step after the other, as somebody at the machine would."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from itertools import count

from tuyere.jobs.job import Event, Job, advance
from tuyere.jobs.situation import JobStep, Situation, Source, steps_for
from tuyere.jobs.template import Template
from tuyere.jobs.words import Energy, words

BEGAN = datetime(2026, 11, 25, 8, 0, tzinfo=UTC)
EVERY_SOURCE = tuple(Source(id=f"s{k}", type=t, point=f"point {k}") for k, t in enumerate(words(Energy)))
_numbers = count(1)


def event(step: str, kind: str, actor: str = "N. Dray", **more: object) -> Event:
    no = next(_numbers)
    return Event(id=f"e{no}", step=step, kind=kind, actor=actor, at=BEGAN + timedelta(seconds=no), **more)  # type: ignore[arg-type]


def kind_for(step: JobStep) -> str:
    return {"sign": "signed", "decide": "found"}.get(step.of.kind, "done")


def doing(step: JobStep, actor: str = "N. Dray") -> list[Event]:
    """What is sent when a step is done: a reading first where it takes one."""
    out = []
    if step.of.kind == "read":
        data = {"target": "it", "quantity": "length", "value": 12.5, "typed": "12.5 mm", "origin": "hand"}
        out.append(event(step.key, "read", actor, data=data))
    data = {"grade": "fine"} if step.of.kind == "decide" else {}
    return [*out, event(step.key, kind_for(step), actor, data=data)]


def walked(job: Job, until: str = "", actor: str = "N. Dray") -> Job:
    """A job done step by step, up to a step or to its end."""
    for step in job.steps:
        if step.key == until:
            break
        for e in doing(step, actor):
            job = advance(job, e)
    return job


def job_for(template: Template, loop: str, *, take_up: str | None, mounting: str | None, yes: bool = True) -> Job:
    at = Situation(
        loop=loop,
        take_up=take_up,
        mounting=mounting,
        sources=EVERY_SOURCE,
        answers=dict.fromkeys(template.asks, yes),
    )
    return Job(steps=steps_for(template, at))
