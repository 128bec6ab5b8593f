"""Keeping failures: what was seen and told, which cause was confirmed, and how often the finder was right."""

from __future__ import annotations

import uuid

from pydantic import JsonValue
from sqlmodel import Session, col, select

from tuyere.calc.registry import find, work
from tuyere.core.diagnosis.model import cause_words, kind_of_loop, model_of
from tuyere.core.errors import InputError
from tuyere.store.builds.tables import Build
from tuyere.store.jobs.read import build_of, known_of
from tuyere.store.machines.tables import Drive, EnergySource, Machine
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.rows import below, one
from tuyere.store.plumbing.trouble import Stale
from tuyere.store.upkeep.forms import CauseConfirm, FailureSave
from tuyere.store.upkeep.record import fits_of, life_says, record_says, too_often
from tuyere.store.upkeep.tables import Failure
from tuyere.store.upkeep.views import EvidenceOut, FailureView, HitRate, ToldOut, WhyView


def _view(session: Session, row: Failure) -> FailureView:
    words = cause_words()
    known = known_of(session, session.get_one(Build, row.build_id), "us")
    return FailureView(
        id=row.id,
        rev=row.rev,
        at=row.at,
        by=row.created_by_name,
        what=known.what,
        answers={k: str(v) for k, v in row.answers.items()},
        told=[ToldOut.model_validate(t) for t in row.told],
        confirmed=row.confirmed,
        confirmed_words=words.get(row.confirmed, ""),
        confirmed_by=row.confirmed_by_name,
        note=row.note,
    )


def hit_rate(session: Session) -> HitRate:
    """How often the finder named the confirmed cause first, over the whole shop."""
    rows = session.exec(select(Failure).where(col(Failure.confirmed) != "", col(Failure.archived_at).is_(None))).all()
    places = []
    for row in rows:
        keys = [str(t.get("key")) for t in row.told if isinstance(t, dict)]
        places.append(keys.index(row.confirmed) if row.confirmed in keys else len(keys))
    return HitRate(confirmed=len(places), first=sum(p == 0 for p in places), first_two=sum(p < 2 for p in places))


def why(session: Session, drive_id: uuid.UUID) -> WhyView:
    """What is needed to ask why a drive failed. Raises NotThere; InputError for a drive of which nothing is known."""
    drive = one(session, Drive, drive_id)
    machine = session.get_one(Machine, drive.machine_id)
    known = known_of(session, build_of(session, drive_id), "us")
    at = now()
    fits = [f for f in fits_of(session, drive_id) if f <= at]
    rows = sorted(below(session, Failure, "drive_id", drive_id), key=lambda f: f.at, reverse=True)
    return WhyView(
        kind=known.loop,
        what=known.what,
        machine=machine.name,
        drive=drive.name,
        isolation_points=[s.isolation_point for s in below(session, EnergySource, "machine_id", machine.id)],
        evidence=[
            EvidenceOut(sign=e.sign, answer=e.answer, says=e.says)
            for e in record_says(session, drive_id, known, fits=fits, at=at)
        ],
        repeat=too_often(fits, at),
        life=life_says(fits, sorted(r.at for r in rows), at),
        failures=[_view(session, r) for r in rows],
        hits=hit_rate(session),
    )


def save_failure(session: Session, actor: Actor, drive_id: uuid.UUID, form: FailureSave) -> WhyView:
    """Keep a failure with the causes as they are told for its answers now. Raises NotThere; InputError beside what cannot be."""
    one(session, Drive, drive_id, lock=True)
    if form.at > now():
        raise InputError("at", form.at.isoformat(), "that is still to come", "now, or earlier")
    build = build_of(session, drive_id)
    known = known_of(session, build, "us")
    twice = [f for f in below(session, Failure, "drive_id", drive_id) if abs((f.at - form.at).total_seconds()) < 60]
    if twice:
        raise InputError(
            "at", form.at.isoformat(), "a failure of this drive is kept for that minute", "the one that is kept"
        )
    calc = find("failure-finder")
    given = {"kind": known.loop, "answers": form.answers}
    result = work(calc, calc.request_model.model_validate({"input": given})).result
    told: list[JsonValue] = [{"key": c.key, "words": c.words, "share": c.share} for c in result.causes]
    row = Failure(
        id=form.id,
        op_id=form.op_id,
        created_by_name=actor.name,
        drive_id=drive_id,
        build_id=build.id,
        at=form.at,
        hours=form.hours,
        answers=dict(form.answers),
        told=told,
        note=form.note,
    )
    session.add(row)
    session.flush()
    return why(session, drive_id)


def confirm_cause(session: Session, actor: Actor, failure_id: uuid.UUID, form: CauseConfirm) -> WhyView:
    """Say which cause it was. Raises NotThere; InputError for a cause that is none; Stale where it was changed meanwhile."""
    row = one(session, Failure, failure_id, lock=True)
    if form.rev != row.rev:
        raise Stale("failure", _view(session, row).model_dump(mode="json"), ())
    known = known_of(session, session.get_one(Build, row.build_id), "us")
    causes = model_of(kind_of_loop(known.loop)).cause_keys()
    if form.cause not in causes:
        raise InputError("cause", form.cause, "not a cause of such a failure", "one of the list, or other")
    row.confirmed, row.confirmed_at, row.confirmed_by_name = form.cause, now(), actor.name
    row.rev += 1
    session.add(row)
    session.flush()
    return why(session, row.drive_id)
