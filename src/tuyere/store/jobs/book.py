"""Keeping jobs: open one, take what happened, see what is due."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from datetime import UTC, date, datetime, timedelta

import sqlalchemy as sa
from sqlalchemy.engine import Engine
from sqlmodel import Session, col, select

from tuyere.calc.kinds import KINDS
from tuyere.calc.registry import Units
from tuyere.calc.shop import UnreadableNumber, read
from tuyere.core.errors import InputError
from tuyere.jobs.job import Event, Job, advance
from tuyere.jobs.lever import take_up_word
from tuyere.jobs.situation import JobStep, Situation, Source, steps_for
from tuyere.jobs.words import Mounting, TakeUp, words
from tuyere.store.builds.drawn import drawn_of
from tuyere.store.builds.tables import Build
from tuyere.store.jobs.dues import after_closing
from tuyere.store.jobs.findings import keep_finding
from tuyere.store.jobs.forms import EventSave, JobOpen
from tuyere.store.jobs.read import (
    Told,
    answered,
    build_of,
    has_twin,
    job_view,
    known_of,
    situation_kept,
    situation_of,
    told,
)
from tuyere.store.jobs.tables import Due, Isolation, Reading, StepEvent
from tuyere.store.jobs.tables import Job as JobRow
from tuyere.store.jobs.templates import every_template
from tuyere.store.jobs.views import JobLine, JobList, JobView, TemplateLine, TemplateList
from tuyere.store.machines.tables import Drive, EnergySource, Machine
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.rows import below, one
from tuyere.store.shelf.book import take_part
from tuyere.store.twins.book import follow
from tuyere.store.upkeep.trends import refresh_trends


def _last_situation(session: Session, drive_id: uuid.UUID) -> Situation | None:
    """What was said at the last job of a drive."""
    row = session.exec(
        select(JobRow)
        .where(JobRow.drive_id == drive_id, col(JobRow.archived_at).is_(None))
        .order_by(col(JobRow.opened_at).desc())
    ).first()
    return None if row is None else situation_of(row)


def templates_for(session: Session, drive_id: uuid.UUID) -> TemplateList:
    """Templates that a drive can have a job by, and what was said of it last time. Raises NotThere, InputError."""
    one(session, Drive, drive_id)
    known = known_of(session, build_of(session, drive_id), "us")
    loop = known.loop
    last = _last_situation(session, drive_id)
    lines = [
        TemplateLine(key=t.key, title=t.title, kind=t.kind, minutes=t.minutes, asks=list(t.asks), own=own)
        for t, _, own in every_template(session).values()
        if t.serves(loop)
    ]
    order = ("retension", "fit", "align", "run-in", "speed", "inspect", "replace", "find-cause", "lubricate", "free")
    return TemplateList(
        templates=sorted(lines, key=lambda x: (order.index(x.kind) if x.kind in order else len(order), x.title)),
        take_ups=list(words(TakeUp)),
        mountings=list(words(Mounting)),
        take_up=take_up_word(known.given) if last is None else last.take_up,
        mounting=None if last is None else last.mounting,
    )


def open_job(session: Session, actor: Actor, drive_id: uuid.UUID, form: JobOpen, units: Units = "us") -> JobView:
    """Open a job on a drive. Raises NotThere; InputError for a template that is none or not for such a drive."""
    drive = one(session, Drive, drive_id, lock=True)
    found = every_template(session).get(form.template)
    if found is None:
        raise InputError("template", form.template, "there is no such job", "one of the list for this drive")
    template, text, _ = found
    build = build_of(session, drive_id)
    known = known_of(session, build, units)
    sources = below(session, EnergySource, "machine_id", drive.machine_id)
    at = Situation(
        loop=known.loop,
        take_up=form.take_up,
        mounting=form.mounting,
        sources=tuple(Source(id=str(s.id), type=s.type, point=s.isolation_point, how=s.steps) for s in sources),
        answers=form.answers,
        recheck=form.recheck,
    )
    steps = steps_for(template, at)
    if form.due_id is not None:
        due = one(session, Due, form.due_id)
        if due.drive_id is not None and due.drive_id != drive_id:
            raise InputError("due_id", str(form.due_id), "that is due at another drive", "what is due here")
    row = JobRow(
        id=form.id,
        op_id=form.op_id,
        created_by_name=actor.name,
        machine_id=drive.machine_id,
        drive_id=drive_id,
        build_id=build.id,
        due_id=form.due_id,
        kind=template.kind,
        template_key=template.key,
        template_version=template.version,
        template_text=text,
        title=template.title,
        belts="new" if template.kind == "fit" else "run in",
        situation=situation_kept(at),
        steps_all=len(steps),
        opened_at=form.at or now(),
    )
    session.add(row)
    session.flush()
    for s in sources:
        session.add(Isolation(job_id=row.id, energy_source_id=s.id, created_by_name=actor.name))
    session.flush()
    return job_view(session, row, units)


def _value(form: EventSave) -> float | str:
    """A reading as typed, in the core's unit. Raises InputError beside it."""
    if form.quantity == "text":
        if not form.typed.strip():
            raise InputError("typed", form.typed, "nothing was written", "a few words")
        return form.typed.strip()
    if form.quantity not in KINDS:
        raise InputError("quantity", form.quantity, "not a quantity that is read", ", ".join([*KINDS, "text"]))
    try:
        return read(form.typed, form.quantity, form.units)
    except UnreadableNumber as e:
        raise InputError("typed", form.typed, e.why, e.allowed) from e


def _event(form: EventSave, actor: Actor) -> Event:
    data: dict[str, object] = {}
    if form.kind == "read":
        data = {
            "target": form.target,
            "quantity": form.quantity,
            "value": _value(form),
            "typed": form.typed,
            "origin": form.origin,
            "instrument": form.instrument,
            **form.conditions,
        }
    elif form.kind == "moved":
        data = {"turns": form.turns or 0.0}
    elif form.kind == "found":
        data = {"grade": form.grade, "note": form.reason, **({"faults": form.faults} if form.faults else {})}
    elif form.took:
        data = {"took": [{"item": str(t.item), "count": t.count} for t in form.took]}
    return Event(
        id=str(form.id),
        step=form.step,
        kind=form.kind,
        actor=actor.name,
        at=form.at,
        data=data,
        corrects=None if form.corrects is None else str(form.corrects),
        reason=form.reason,
    )


def _refuse_impossible(session: Session, of: Told, step: JobStep, form: EventSave) -> None:
    """Refuse a reading that the calculation of its step says cannot be. Raises InputError beside what was typed."""
    known = known_of(session, session.get_one(Build, of.row.build_id), form.units)
    got = answered(session, of, step, known)
    targets = {a.target: a for a in got.asked}
    asked = targets.get(form.target)
    if asked is None:
        raise InputError("target", form.target, "this step does not read that", ", ".join(targets))
    if form.quantity not in asked.kinds:
        raise InputError("quantity", form.quantity, "not a quantity that is read here", ", ".join(asked.kinds))
    if got.fault is not None and got.fault.field == form.target:
        e = got.fault
        raise InputError("typed", form.typed, e.why, e.allowed, **e.quantities)


def _keep_reading(session: Session, of: Told, row: StepEvent, step: JobStep, event: Event) -> None:
    data = event.data
    value = data["value"]
    old = None
    if row.corrects_id is not None:
        old = session.exec(select(Reading).where(Reading.event_id == row.corrects_id)).first()
        if old is not None:
            old.archived_at = now()
            session.add(old)
    known = {"target", "quantity", "value", "typed", "origin", "instrument"}
    session.add(
        Reading(
            created_by_name=row.created_by_name,
            drive_id=of.row.drive_id,
            job_id=of.row.id,
            event_id=row.id,
            step=step.key,
            reads=step.of.reads,
            target=str(data["target"]),
            quantity=str(data["quantity"]),
            value=value if isinstance(value, float) else None,
            words="" if isinstance(value, float) else str(value),
            typed=str(data["typed"]),
            origin=str(data["origin"]),
            instrument=dict(data["instrument"]),
            conditions={k: v for k, v in data.items() if k not in known},
            at=event.at,
            corrects_id=None if old is None else old.id,
        )
    )


def _keep_isolations(session: Session, of: Told, job: Job) -> None:
    """Each source's row as the job's events tell it."""
    rows = {str(i.energy_source_id): i for i in below(session, Isolation, "job_id", of.row.id)}
    proofs, back = job.of_kind("prove"), job.of_kind("restore")
    proved = all(job.is_done(s.key) for s in proofs) and bool(proofs)
    for s in job.of_kind("isolate"):
        row = rows.get(s.source.id) if s.source is not None else None
        if row is None:
            continue
        state = job.so_far(s.key)
        done = state.status == "done"
        row.isolated_at, row.isolated_by_name, row.note = (state.at if done else None), state.by, state.note
        last = job.so_far(proofs[-1].key) if proofs and proved else None
        row.proved_at, row.proved_by_name = (last.at, last.by) if last is not None and done else (None, "")
        given = job.so_far(back[-1].key) if back and job.given_back else None
        row.restored_at, row.restored_by_name = (given.at, given.by) if given is not None else (None, "")
        session.add(row)


def take_event(session: Session, actor: Actor, job_id: uuid.UUID, form: EventSave) -> JobView:
    """Take something that happened at a job, and tell the job anew. Raises as ``write_event`` does."""
    return job_view(session, write_event(session, actor, job_id, form), form.units)


def write_event(session: Session, actor: Actor, job_id: uuid.UUID, form: EventSave) -> JobRow:
    """Write down something that happened at a job. Raises NotThere; InputError beside what cannot be, and then nothing is kept."""
    row = one(session, JobRow, job_id, lock=True)
    of = told(session, row)
    event = _event(form, actor)
    after = advance(of.job, event)
    if after == of.job:
        return row
    step = after.step(event.step)
    of_after = Told(row=row, template=of.template, job=after)
    if event.kind == "read":
        _refuse_impossible(session, of_after, step, form)
    kept = StepEvent(
        id=form.id,
        op_id=form.op_id,
        created_by_name=actor.name,
        observed_at=form.at,
        job_id=row.id,
        seq=len(of.job.events) + 1,
        step=event.step,
        kind=event.kind,
        at=event.at,
        data=dict(event.data),
        corrects_id=form.corrects,
        reason=event.reason,
    )
    session.add(kept)
    session.flush()
    if event.kind == "read":
        _keep_reading(session, of_after, kept, step, event)
    _keep_isolations(session, of_after, after)
    for t in form.took:
        if step.of.does != "new-loop" or event.kind != "done":
            raise InputError("took", t.count, "nothing is taken off the shelf at this step", "where a new one goes on")
        take_part(session, actor, t.item, t.count, row.id)
    if event.kind == "found":
        keep_finding(session, actor, row, after, step)
    if event.kind in ("done", "moved") and has_twin(session, row.drive_id):
        known = known_of(session, session.get_one(Build, row.build_id), form.units)
        said = answered(session, of, step, known).said if event.kind == "moved" and step.of.kind == "read" else None
        turns = event.data.get("turns", 0.0)
        follow(
            session,
            row.drive_id,
            step,
            kind=event.kind,
            turns=float(turns) if isinstance(turns, int | float) else 0.0,
            said=None if said is None else said.result,
        )
    closed = row.state != "closed" and after.state == "closed"
    row.rev += 1
    row.state, row.closed_at, row.closed_by_name = after.state, after.closed_at, after.closed_by
    row.steps_done = sum(after.so_far(s.key).status != "open" for s in after.steps)
    session.add(row)
    session.flush()
    if closed:
        after_closing(session, actor, row)
        refresh_trends(session, actor, row.drive_id)
        session.flush()
    return row


def one_job(session: Session, ident: uuid.UUID, units: Units = "us") -> JobView:
    """A job; raises NotThere."""
    return job_view(session, one(session, JobRow, ident), units)


def _job_line(j: JobRow, machine: str, drive: str) -> JobLine:
    return JobLine(
        id=j.id,
        title=j.title,
        kind=j.kind,
        state=j.state,
        machine=machine,
        drive_id=j.drive_id,
        drive=drive,
        opened_at=j.opened_at,
        opened_by=j.created_by_name,
        closed_at=j.closed_at,
        steps_done=j.steps_done,
        steps_all=j.steps_all,
    )


def job_lines(session: Session, *which: sa.ColumnElement[bool], area: str = "", most: int = 50) -> list[JobLine]:
    """Some jobs as lines, the newest first; of one area."""
    wanted = (
        select(JobRow, Machine.name, Drive.name)
        .join(Machine, col(Machine.id) == col(JobRow.machine_id))
        .join(Drive, col(Drive.id) == col(JobRow.drive_id))
        .where(*which, col(JobRow.archived_at).is_(None))
        .order_by(col(JobRow.opened_at).desc())
        .limit(most)
    )
    if area:
        wanted = wanted.where(Machine.area == area)
    return [_job_line(*row) for row in session.exec(wanted).all()]


def list_jobs(
    session: Session, drive_id: uuid.UUID | None = None, state: str = "", *, by: str = "", on: date | None = None
) -> JobList:
    """Jobs, the newest first; of one drive, in one state, of one person, begun or closed on one day (UTC)."""
    which: list[sa.ColumnElement[bool]] = []
    if by:
        which.append(sa.or_(col(JobRow.created_by_name) == by, col(JobRow.closed_by_name) == by))
    if on is not None:
        start = datetime(on.year, on.month, on.day, tzinfo=UTC)
        end = start + timedelta(days=1)
        opened = sa.and_(col(JobRow.opened_at) >= start, col(JobRow.opened_at) < end)
        which.append(sa.or_(opened, sa.and_(col(JobRow.closed_at) >= start, col(JobRow.closed_at) < end)))
    if drive_id is not None:
        which.append(col(JobRow.drive_id) == drive_id)
    if state:
        which.append(col(JobRow.state) == state)
    lines = job_lines(session, *which, most=100)
    # Only those that are open are drawn: they are few, and gone on with from the list.
    drawn = drawn_of(session, [x.drive_id for x in lines if x.state == "open"])
    for x in lines:
        if x.state == "open" and x.drive_id in drawn:
            _, x.elevation = drawn[x.drive_id]
    return JobList(jobs=lines)


def stale_states(session: Session, rows: Sequence[JobRow]) -> list[uuid.UUID]:
    """Jobs whose kept state is not what their events tell."""
    return [r.id for r in rows if r.state != "abandoned" and told(session, r).job.state != r.state]


def wrongly_kept(engine: Engine) -> list[str]:
    """Jobs that are not where their events say, in words; empty when all is well."""
    with Session(engine) as session:
        rows = session.exec(select(JobRow).where(col(JobRow.archived_at).is_(None))).all()
        return [f"job {i} is kept in another state than its events tell" for i in stale_states(session, rows)]
