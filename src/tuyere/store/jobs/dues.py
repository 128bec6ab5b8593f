"""What is due: made by jobs, findings, trends and people; put off with a reason; done by the job that did it, and due again."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from datetime import datetime, time, timedelta

import sqlalchemy as sa
from sqlmodel import Session, col, select

from tuyere.core.errors import InputError
from tuyere.core.upkeep.lubrication import oil_point
from tuyere.store.jobs.forms import DueDone, DuePlan, DueSnooze
from tuyere.store.jobs.read import situation_of
from tuyere.store.jobs.tables import Due
from tuyere.store.jobs.tables import Job as JobRow
from tuyere.store.jobs.templates import every_template
from tuyere.store.jobs.views import DueLine, DueList
from tuyere.store.machines.meter import Meter, meters_of
from tuyere.store.machines.tables import Drive, Machine
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.rows import one
from tuyere.store.plumbing.trouble import Stale

# After a fit: title, reason, hours from now; common practice.
AFTER_A_FIT = (
    ("Look at it after the first half hour", "first-run", 0.5),
    ("Set it again at 24 hours", "24-hours", 24.0),
    ("Check at 50 running hours", "50-hours", 24.0 * 7),
)
RECHECKS = ("24-hours", "50-hours")
RUN_IN_TEMPLATE, RUN_IN_HOURS = "run-in-check", 50.0
LONGEST_AWAY = timedelta(days=400)


def when_due(due: Due, meter: Meter | None) -> datetime | None:
    """The sooner of its date and the day on which the meter stands at its hours; no sooner than it was put off to.

    None where it has no date and nobody can say when the hours are reached.
    """
    days = [
        d for d in (due.by_date, None if due.by_hours is None or meter is None else meter.reaches(due.by_hours)) if d
    ]
    when = min(days, default=None)
    if due.snoozed_until is None:
        return when
    put_off = datetime.combine(due.snoozed_until, time(6), tzinfo=now().tzinfo)
    return put_off if when is None else max(when, put_off)


def _every(due: Due) -> str:
    parts = []
    if due.every_days:
        parts.append({1: "every day", 7: "every week"}.get(due.every_days, f"every {due.every_days} days"))
    if due.every_hours:
        parts.append(f"every {due.every_hours:g} running hours")
    return " or ".join(parts)


def _due_lines(session: Session, wanted: sa.Select[Due, str, str, str]) -> list[DueLine]:
    found = session.execute(wanted).all()
    meters = meters_of(session, [d.machine_id for d, *_ in found])
    templates = {k: t for k, (t, _, _) in every_template(session).items()}
    present = now()
    lines = []
    for d, machine, area, drive in found:
        when, template = when_due(d, meters.get(d.machine_id)), templates.get(d.template_key)
        lines.append(
            DueLine(
                id=d.id,
                rev=d.rev,
                title=d.title,
                machine=machine,
                machine_id=d.machine_id,
                area=area,
                drive=drive or "",
                drive_id=d.drive_id,
                by_date=d.by_date,
                by_hours=d.by_hours,
                when=when,
                template=d.template_key,
                overdue=when is not None and when < present,
                every=_every(d),
                reason=d.reason_key,
                made_by=d.made_by,
                snoozed_until=d.snoozed_until,
                snooze_reason=d.snooze_reason,
                minutes=0 if template is None else template.minutes,
                guard_off=template is not None and any(s.safe for s in template.steps),
            )
        )
    return sorted(lines, key=lambda x: (x.when is None, x.when or present))


def _wanted() -> sa.Select[Due, str, str, str]:
    return (
        sa.select(Due, col(Machine.name), col(Machine.area), col(Drive.name))
        .join(Machine, col(Machine.id) == col(Due.machine_id))
        .join(Drive, col(Drive.id) == col(Due.drive_id), isouter=True)
        .where(col(Due.archived_at).is_(None), col(Due.done_at).is_(None))
        .order_by(col(Due.by_date).nulls_last(), col(Due.created_at))
    )


def list_dues(session: Session, drive_id: uuid.UUID | None = None, machine_id: uuid.UUID | None = None) -> DueList:
    """What is due and not done, the soonest first: everywhere, at one machine, or at one drive."""
    wanted = _wanted()
    if drive_id is not None:
        wanted = wanted.where(col(Due.drive_id) == drive_id)
    if machine_id is not None:
        wanted = wanted.where(col(Due.machine_id) == machine_id)
    return DueList(dues=_due_lines(session, wanted))


def _soon(until: datetime) -> tuple[sa.ColumnElement[bool], ...]:
    """Due up to a moment, or by running hours, and not put off past it."""
    return (
        sa.or_(col(Due.by_date) <= until, col(Due.by_hours).is_not(None)),
        sa.or_(col(Due.snoozed_until).is_(None), col(Due.snoozed_until) <= until.date()),
    )


def dues_until(session: Session, until: datetime, most: int, area: str = "") -> list[DueLine]:
    """What is due up to a moment, by date or as far as the meters tell, the soonest first; at most so many, of one area."""
    wanted = _wanted().where(*_soon(until))
    lines = _due_lines(session, (wanted.where(col(Machine.area) == area) if area else wanted).limit(most))
    return [x for x in lines if x.when is not None and x.when <= until]


def count_due(session: Session, until: datetime) -> int:
    """How many things have a date up to a moment, or hang on running hours."""
    counted = sa.select(sa.func.count()).select_from(Due)
    open_ = (col(Due.archived_at).is_(None), col(Due.done_at).is_(None))
    return int(session.execute(counted.where(*open_, *_soon(until))).scalar_one())


def due_line(session: Session, ident: uuid.UUID) -> DueLine:
    """One; raises NotThere."""
    one(session, Due, ident)
    return _due_lines(session, _wanted().where(col(Due.id) == ident))[0]


def plan_due(session: Session, actor: Actor, form: DuePlan) -> DueLine:
    """Put something on the round. Raises NotThere; InputError beside what cannot be."""
    one(session, Machine, form.machine_id)
    if form.drive_id is not None and one(session, Drive, form.drive_id).machine_id != form.machine_id:
        raise InputError("drive_id", str(form.drive_id), "that drive is on another machine", "a drive of this machine")
    if form.template and form.template not in every_template(session):
        raise InputError("template", form.template, "there is no such job", "one of the list, or none")
    meter = meters_of(session, [form.machine_id]).get(form.machine_id)
    if (form.by_hours is not None or form.every_hours is not None) and meter is None:
        raise InputError("by_hours", form.by_hours, "nobody has read this machine's meter yet", "read the meter first")
    by_date, by_hours, every_hours = form.by_date, form.by_hours, form.every_hours
    point = oil_point(form.oil) if form.oil else None
    if point is not None and every_hours is None and meter is not None:
        # Days and running hours, whichever comes first; without a meter only the days can be counted.
        every_hours = point.every_hours or None
    if by_date is None and form.every_days is not None:
        by_date = now() + timedelta(days=form.every_days)
    if by_hours is None and every_hours is not None and meter is not None:
        by_hours = meter.hours_at(now()) + every_hours
    if by_date is None and by_hours is None:
        raise InputError("by_date", None, "by when?", "a date, or running hours, or how often")
    row = Due(
        id=form.id,
        op_id=form.op_id,
        created_by_name=actor.name,
        machine_id=form.machine_id,
        drive_id=form.drive_id,
        title=form.title,
        reason_key="person" if point is None else f"oil-{point.key}",
        template_key=form.template,
        by_date=by_date,
        by_hours=by_hours,
        every_days=form.every_days,
        every_hours=every_hours,
        made_by="person",
    )
    session.add(row)
    session.flush()
    return due_line(session, row.id)


def _fresh(session: Session, ident: uuid.UUID, rev: int) -> Due:
    row = one(session, Due, ident, lock=True)
    if row.done_at is not None:
        raise InputError("due", str(ident), "that is done already", "what is still due")
    if row.rev != rev:
        raise Stale("due", due_line(session, ident).model_dump(mode="json"), ())
    return row


def snooze_due(session: Session, actor: Actor, ident: uuid.UUID, form: DueSnooze) -> DueLine:
    """Put it off. Raises NotThere, Stale; InputError for a day that is none to put it off to."""
    row = _fresh(session, ident, form.rev)
    today = now().date()
    if not today < form.until <= today + LONGEST_AWAY:
        raise InputError("until", form.until.isoformat(), "not a day to put it off to", "from tomorrow, a year at most")
    row.snoozed_until, row.snooze_reason = form.until, f"{form.reason} ({actor.name})" if actor.name else form.reason
    row.rev += 1
    session.add(row)
    session.flush()
    return due_line(session, ident)


def _again(session: Session, actor: Actor, row: Due, at: datetime) -> None:
    """The next one of what comes again, from the day it was done."""
    if not row.every_days and not row.every_hours:
        return
    meter = meters_of(session, [row.machine_id]).get(row.machine_id)
    session.add(
        Due(
            created_by_name=actor.name,
            machine_id=row.machine_id,
            drive_id=row.drive_id,
            title=row.title,
            reason_key=row.reason_key,
            template_key=row.template_key,
            by_date=at + timedelta(days=row.every_days) if row.every_days else None,
            by_hours=meter.hours_at(at) + row.every_hours if row.every_hours and meter is not None else None,
            every_days=row.every_days,
            every_hours=row.every_hours,
            made_by=row.made_by,
        )
    )


def finish(session: Session, actor: Actor, row: Due, at: datetime, job: uuid.UUID | None = None) -> None:
    """It is done, and due again where it comes again."""
    row.done_by_job_id, row.done_at, row.done_by_name = job, at, actor.name
    row.rev += 1
    session.add(row)
    session.flush()
    _again(session, actor, row, at)


def tick_due(session: Session, actor: Actor, ident: uuid.UUID, form: DueDone) -> DueList:
    """It is done without a job. Raises NotThere, Stale; InputError where nobody said who or what."""
    row = _fresh(session, ident, form.rev)
    if not actor.name:
        raise InputError("created_by_name", "", "who did it?", "a name")
    if row.drive_id is not None and not form.note.strip():
        raise InputError("note", "", "what was done, without a job?", "a few words")
    row.done_note = form.note
    finish(session, actor, row, now())
    session.flush()
    return list_dues(session, row.drive_id)


def after_closing(session: Session, actor: Actor, row: JobRow) -> None:
    """What was due is done; a fit makes what is due next, with the template that checks it."""
    if row.closed_at is None:
        return
    if row.due_id is not None:
        due = one(session, Due, row.due_id, lock=True)
        if due.done_at is None:
            finish(session, actor, due, row.closed_at, row.id)
    if row.kind != "fit":
        return
    school = situation_of(row).recheck
    meter = meters_of(session, [row.machine_id]).get(row.machine_id)
    for title, reason, hours in AFTER_A_FIT:
        # The look after the first half hour belongs to every school.
        if reason in RECHECKS and school not in ("all", reason):
            continue
        counted = reason == "50-hours" and meter is not None
        session.add(
            Due(
                created_by_name=actor.name,
                machine_id=row.machine_id,
                drive_id=row.drive_id,
                title=title,
                reason_key=reason,
                template_key=RUN_IN_TEMPLATE,
                by_date=row.closed_at + timedelta(hours=hours),
                by_hours=meter.hours_at(row.closed_at) + RUN_IN_HOURS if counted and meter is not None else None,
                made_by_job_id=row.id,
            )
        )


def open_due_of(session: Session, drive_id: uuid.UUID, reason: str) -> Sequence[Due]:
    """What is open at a drive for one reason."""
    return session.exec(
        select(Due).where(
            Due.drive_id == drive_id,
            Due.reason_key == reason,
            col(Due.done_at).is_(None),
            col(Due.archived_at).is_(None),
        )
    ).all()
