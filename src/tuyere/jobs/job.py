"""Where a job stands: the fold of what happened. Events are never edited; a correction names what it corrects."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from datetime import datetime
from typing import Any, Literal

from tuyere.core.errors import InputError
from tuyere.jobs.situation import JobStep
from tuyere.jobs.words import EventKind, words

State = Literal["open", "closed", "abandoned"]
CLOSES = "job-signed"


@dataclass(frozen=True, slots=True, kw_only=True)
class Event:
    """Something that happened at a step: who, when, what. ``corrects`` is the event it takes the place of; ``reason`` is why a
    step was skipped, or why something was done that the order speaks against.
    """

    id: str
    step: str
    kind: str
    actor: str
    at: datetime
    data: Mapping[str, Any] = field(default_factory=dict)
    corrects: str | None = None
    reason: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Read:
    """One reading of a step: what it is of, its quantity, its value in the core's unit, and how it came."""

    event: str
    target: str
    quantity: str
    value: float | str
    typed: str
    origin: str
    actor: str
    at: datetime
    data: Mapping[str, Any]


@dataclass(frozen=True, slots=True, kw_only=True)
class StepState:
    """A step so far. ``status`` is open, done or skipped; ``rounds`` are readings between moves, by target; ``turns`` the moves,
    ``faults`` what was known by its drawing.
    """

    status: Literal["open", "done", "skipped"] = "open"
    by: str = ""
    at: datetime | None = None
    note: str = ""
    grade: str = ""
    faults: tuple[str, ...] = ()
    exception: str = ""
    rounds: tuple[Mapping[str, Read], ...] = ({},)
    turns: tuple[float, ...] = (0.0,)

    @property
    def readings(self) -> Mapping[str, Read]:
        """Of the present round."""
        return self.rounds[-1]


@dataclass(frozen=True, slots=True, kw_only=True)
class Job:
    """A job: its steps, what happened, and where each step stands."""

    steps: tuple[JobStep, ...]
    state: State = "open"
    closed_at: datetime | None = None
    closed_by: str = ""
    events: tuple[Event, ...] = ()
    at_step: Mapping[str, StepState] = field(default_factory=dict)

    def step(self, key: str) -> JobStep:
        """A step by its key. Raises InputError."""
        for s in self.steps:
            if s.key == key:
                return s
        raise InputError("step", key, "this job has no such step", "a step of the job")

    def so_far(self, key: str) -> StepState:
        """Where a step stands."""
        return self.at_step.get(key, StepState())

    def of_kind(self, *kinds: str) -> tuple[JobStep, ...]:
        """Steps of some kinds, in order."""
        return tuple(s for s in self.steps if s.of.kind in kinds)

    def is_done(self, key: str) -> bool:
        """Whether a step is done."""
        return self.so_far(key).status == "done"

    @property
    def isolated(self) -> bool:
        """Whether every source is off and proved and signed, and not given back yet."""
        signed = [s for s in self.of_kind("sign") if s.key == "safe-signed"]
        return bool(signed) and all(self.is_done(s.key) for s in signed) and not self.given_back

    @property
    def given_back(self) -> bool:
        """Whether the energy is back on."""
        back = self.of_kind("restore")
        return bool(back) and all(self.is_done(s.key) for s in back)

    @property
    def next_step(self) -> JobStep | None:
        """The first step that is neither done nor skipped."""
        return next((s for s in self.steps if self.so_far(s.key).status == "open"), None)

    @property
    def isolated_by(self) -> tuple[str, ...]:
        """Who put the locks on."""
        names = [self.so_far(s.key).by for s in self.of_kind("isolate") if self.is_done(s.key) and s.source is not None]
        return tuple(dict.fromkeys(names))


def _refuse(field_: str, value: object, why: str, allowed: str = "") -> InputError:
    return InputError(field_, value, why, allowed)


def _check(job: Job, event: Event) -> JobStep:
    """Refuse what cannot be. Raises InputError beside the part of the event."""
    if event.kind not in words(EventKind):
        raise _refuse("kind", event.kind, "nothing of that kind happens in a job", ", ".join(words(EventKind)))
    if not event.actor.strip():
        raise _refuse("created_by_name", event.actor, "who did it?", "a name")
    if job.state != "open" and event.kind != "reopened":
        raise _refuse("job", job.state, "this job is closed: nothing more is written to it", "open it again first")
    step = job.step(event.step)
    kind = step.of.kind
    if event.corrects is not None:
        old = next((e for e in job.events if e.id == event.corrects), None)
        if old is None:
            raise _refuse("corrects", event.corrects, "what it corrects is not in this job", "an event of this job")
        if old.step != event.step:
            raise _refuse("corrects", event.corrects, "a correction belongs to the step it corrects", old.step)
    if event.kind == "skipped":
        if not step.of.skip:
            raise _refuse(
                "kind", "skipped", "this step is never skipped", "say why it cannot be done, and leave it open"
            )
        if not event.reason.strip():
            raise _refuse("reason", "", "why is it left out?", "a reason in a few words")
    if event.kind == "signed" and kind not in ("sign",):
        raise _refuse("kind", event.kind, "nothing is signed at this step", "done")
    if event.kind == "done" and kind == "sign":
        raise _refuse("kind", event.kind, "this step is signed", "signed")
    if event.kind == "read" and kind != "read":
        raise _refuse("kind", event.kind, "nothing is read at this step", "done")
    if event.kind == "found":
        for fault in event.data.get("faults", ()):
            if fault not in step.of.faults:
                raise _refuse(
                    "faults", fault, "this step is not judged by that", ", ".join(step.of.faults) or "nothing"
                )
    if event.kind in ("done", "signed", "found", "read", "moved") and event.corrects is None:
        _check_order(job, step, event)
    return step


def _check_order(job: Job, step: JobStep, event: Event) -> None:
    """What has to be true before a step can be said to be done. A reason lets some of it pass, and stays in sight."""
    isolations = job.of_kind("isolate")
    if step.of.kind == "prove":
        open_ = [s for s in isolations if not job.is_done(s.key)]
        if open_:
            raise _refuse("step", step.key, f"{len(open_)} to be shut off before anything is proved", "tick them first")
        if step.of.who == "licensed":
            tried = [s for s in job.of_kind("prove") if s.of.who != "licensed"]
            if not all(job.is_done(s.key) for s in tried):
                raise _refuse("step", step.key, "try to start it first: a meter comes after", "the try start")
    if step.key == "safe-signed":
        left = [s for s in (*isolations, *job.of_kind("prove")) if not job.is_done(s.key)]
        if left:
            raise _refuse("step", step.key, f"not safe yet: {len(left)} still to do", "every source off and proved")
    if step.of.safe and not job.isolated and not event.reason.strip():
        raise _refuse(
            "reason", "", "the machine is not made safe for this", "make it safe first; or say why this may be done now"
        )
    if step.of.guarded and job.of_kind("restore") and not job.given_back and not event.reason.strip():
        raise _refuse("reason", "", "the locks are still on", "give the energy back first; or say why")
    if step.of.kind == "restore":
        guard = [s for s in job.steps if s.key == "guard-on"]
        if guard and not all(job.is_done(s.key) for s in guard):
            raise _refuse("step", step.key, "the guard is not on: power comes after it", "sign the guard first")
        owners = job.isolated_by
        if owners and event.actor not in owners and not event.reason.strip():
            raise _refuse(
                "reason",
                "",
                f"the locks are those of {' and '.join(owners)}",
                "who hung them takes them off; or say why not",
            )
    if step.key == CLOSES and job.of_kind("restore") and not job.given_back and not event.reason.strip():
        raise _refuse("reason", "", "the locks are still on", "give the energy back; or say why the job closes now")


def _reading(event: Event) -> Read:
    """The reading in an event. Raises InputError where it lacks its parts."""
    data = event.data
    target, quantity, value = data.get("target"), data.get("quantity"), data.get("value")
    if not isinstance(target, str) or not target or not isinstance(quantity, str) or not quantity:
        raise _refuse("data.target", target, "what was read, and of what?", "a target and a quantity")
    if isinstance(value, bool) or not isinstance(value, int | float | str):
        raise _refuse("data.value", value, "a reading has a value", "a number, or words")
    return Read(
        event=event.id,
        target=target,
        quantity=quantity,
        value=float(value) if isinstance(value, int | float) else value,
        typed=str(data.get("typed", "")),
        origin=str(data.get("origin", "hand")),
        actor=event.actor,
        at=event.at,
        data=data,
    )


def _applied(job: Job, event: Event) -> Job:
    """The job after one event that stands."""
    if event.kind == "reopened":
        return replace(job, state="open", closed_at=None, closed_by="")
    key = event.step
    step, so_far = job.step(key), job.so_far(key)
    if event.kind == "noted":
        after = replace(so_far, note=event.reason or str(event.data.get("note", "")))
    elif event.kind == "read":
        read = _reading(event)
        rounds = (*so_far.rounds[:-1], {**so_far.readings, read.target: read})
        after = replace(so_far, rounds=rounds)
    elif event.kind == "moved":
        turns = event.data.get("turns", 0.0)
        moved = float(turns) if isinstance(turns, int | float) and not isinstance(turns, bool) else 0.0
        after = replace(so_far, rounds=(*so_far.rounds, {}), turns=(*so_far.turns, so_far.turns[-1] + moved))
    elif event.kind == "found":
        after = replace(
            so_far,
            status="done",
            by=event.actor,
            at=event.at,
            grade=str(event.data.get("grade", "")),
            note=str(event.data.get("note", "")),
            faults=tuple(str(f) for f in event.data.get("faults", ())),
        )
    else:
        after = replace(
            so_far,
            status="skipped" if event.kind == "skipped" else "done",
            by=event.actor,
            at=event.at,
            note=event.reason or so_far.note,
            exception=event.reason if event.kind != "skipped" else "",
        )
    job = replace(job, at_step={**job.at_step, key: after})
    if event.kind == "signed" and step.key == CLOSES:
        job = replace(job, state="closed", closed_at=event.at, closed_by=event.actor)
    return job


def advance(job: Job, event: Event) -> Job:
    """The job after something happened. The same event again changes nothing; other content under its id is refused.

    Raises InputError beside the part of the event that cannot be.
    """
    known = next((e for e in job.events if e.id == event.id), None)
    if known is not None:
        if known == event:
            return job
        raise _refuse("id", event.id, "another event has this id already", "an id of its own")
    _check(job, event)
    if event.corrects is None:
        return replace(_applied(job, event), events=(*job.events, event))
    # A correction stands where the old one stood: everything is told once more without it.
    events = (*job.events, event)
    gone = {e.corrects for e in events if e.corrects}
    fresh = replace(job, state="open", closed_at=None, closed_by="", at_step={})

    def latest(e: Event) -> Event | None:
        while e.id in gone:
            later = next((x for x in events if x.corrects == e.id), None)
            if later is None:
                return None
            e = later
        return e

    for e in events:
        if e.corrects:
            continue
        stands = latest(e)
        if stands is not None:
            fresh = _applied(fresh, stands)
    return replace(fresh, events=events)


def replayed(steps: tuple[JobStep, ...], events: Iterable[Event]) -> Job:
    """A job from its events, as they were taken. Raises InputError where they never could have been."""
    job = Job(steps=steps)
    for event in events:
        job = advance(job, event)
    return job
