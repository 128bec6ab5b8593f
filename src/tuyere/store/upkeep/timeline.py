"""What happened at a drive, or at all drives of a machine, on one axis of time."""

from __future__ import annotations

import uuid
from collections.abc import Iterator, Sequence
from datetime import datetime

import sqlalchemy as sa
from sqlmodel import Session, col, select

from tuyere.calc.families.protocol import FAMILIES
from tuyere.core.diagnosis.model import cause_words
from tuyere.store.builds.tables import Build, Loop
from tuyere.store.jobs.read import read_shown
from tuyere.store.jobs.tables import Finding, Job, Photo, Reading
from tuyere.store.machines.tables import Drive, Machine, MeterReading
from tuyere.store.plumbing.rows import below, one
from tuyere.store.upkeep.tables import Failure
from tuyere.store.upkeep.views import TimelineMark, TimelineView

# So many of a kind are drawn; older ones are counted.
MOST = 400
LANES = ("builds", "jobs", "readings", "findings", "failures", "photos", "hours")
READ = {
    "tension": "tension",
    "gaps": "line of the wheels",
    "chain-stretch": "chain measured",
    "groove-gap": "grooves gauged",
    "speed": "speed",
    "amps": "amps",
    "run-out": "run-out",
    "arm-pull": "pull at the arm",
    "chain-hand": "slack by hand",
    "length": "measured",
    "text": "marking",
}


def _mark(lane: str, at: datetime, words: str, drive: Drive, **more: object) -> TimelineMark:
    given = {"until": None, "detail": "", "by": "", "grade": "", "link": f"/drives/{drive.id}", "photo": None, **more}
    return TimelineMark.model_validate(
        {"at": at, "lane": lane, "words": words, "drive_id": drive.id, "drive": drive.name, **given}
    )


def _builds(session: Session, drives: dict[uuid.UUID, Drive]) -> Iterator[TimelineMark]:
    wanted = (
        select(Build, Loop)
        .join(Loop, col(Loop.build_id) == col(Build.id))
        .where(col(Build.drive_id).in_(drives), col(Build.archived_at).is_(None), Loop.no == 1)
        .where(Build.state == "frozen", Build.purpose != "designed")
        .order_by(col(Build.valid_from).desc())
        .limit(MOST)
    )
    for build, loop in session.exec(wanted).all():
        yield _mark(
            "builds",
            build.valid_from,
            FAMILIES[build.family].what(loop.designation, loop.strands),
            drives[build.drive_id],
            until=build.valid_to,
            by=build.created_by_name,
            detail=f"for a while: {build.temporary_reason}" if build.temporary else f"as {build.purpose}",
            grade="watch" if build.temporary else "",
        )


def _jobs(session: Session, drives: dict[uuid.UUID, Drive]) -> Iterator[TimelineMark]:
    wanted = select(Job).where(col(Job.drive_id).in_(drives), col(Job.archived_at).is_(None))
    for job in session.exec(wanted.order_by(col(Job.opened_at).desc()).limit(MOST)).all():
        yield _mark(
            "jobs",
            job.closed_at or job.opened_at,
            job.title,
            drives[job.drive_id],
            detail=job.kind if job.state == "closed" else f"{job.kind}, {job.state}",
            by=job.closed_by_name or job.created_by_name,
            link=f"/jobs/{job.id}",
        )


def _readings(session: Session, drives: dict[uuid.UUID, Drive], units: str) -> Iterator[TimelineMark]:
    """One mark for what was read of a kind at a visit, with the span of the values."""
    value = col(Reading.value)
    by = (col(Reading.drive_id), col(Reading.job_id), col(Reading.reads), col(Reading.quantity))
    said = (sa.func.max(col(Reading.words)), sa.func.max(col(Reading.created_by_name)))
    span = (sa.func.max(col(Reading.at)), sa.func.min(value), sa.func.max(value), sa.func.count())
    wanted = (
        sa.select(*by, *span, *said)
        .where(col(Reading.drive_id).in_(drives), col(Reading.archived_at).is_(None))
        .group_by(*by)
        .order_by(sa.func.max(col(Reading.at)).desc())
        .limit(MOST)
    )
    for drive, job, reads, quantity, at, low, high, count, words, name in session.execute(wanted).all():
        least, most = (read_shown(quantity, v, words, units) for v in (low, high))
        yield _mark(
            "readings",
            at,
            READ.get(reads, reads.replace("-", " ")),
            drives[drive],
            detail=least if least == most else f"{count} from {least} to {most}",
            by=name,
            link=f"/jobs/{job}" if job else f"/drives/{drive}",
        )


def _findings(session: Session, drives: dict[uuid.UUID, Drive]) -> Iterator[TimelineMark]:
    wanted = select(Finding).where(col(Finding.drive_id).in_(drives), col(Finding.archived_at).is_(None))
    for f in session.exec(wanted.order_by(col(Finding.at).desc()).limit(MOST)).all():
        seen = ", ".join(x.replace("-", " ") for x in f.faults)
        yield _mark(
            "findings",
            f.at,
            f.note or seen or f.words.replace("{wheel}", "sheave"),
            drives[f.drive_id],
            detail="act now" if f.grade == "act" else "watch it",
            by=f.created_by_name,
            grade=f.grade,
            link=f"/jobs/{f.job_id}",
        )


def _failures(session: Session, drives: dict[uuid.UUID, Drive]) -> Iterator[TimelineMark]:
    names = cause_words()
    wanted = select(Failure).where(col(Failure.drive_id).in_(drives), col(Failure.archived_at).is_(None))
    for f in session.exec(wanted.order_by(col(Failure.at).desc()).limit(MOST)).all():
        yield _mark(
            "failures",
            f.at,
            "It failed",
            drives[f.drive_id],
            detail=names.get(f.confirmed, "") or f.note or "cause not found yet",
            by=f.created_by_name,
            grade="act",
            link=f"/drives/{f.drive_id}/why",
        )


def _photos(session: Session, drives: dict[uuid.UUID, Drive]) -> Iterator[TimelineMark]:
    wanted = (
        sa.select(*(col(c) for c in (Photo.id, Photo.drive_id, Photo.taken_at, Photo.caption, Photo.created_by_name)))
        .where(col(Photo.drive_id).in_(drives), col(Photo.archived_at).is_(None))
        .order_by(col(Photo.taken_at).desc())
        .limit(MOST)
    )
    for ident, drive, at, caption, by in session.execute(wanted).all():
        yield _mark("photos", at, caption or "photo", drives[drive], by=by, photo=ident, link=f"/api/photos/{ident}")


def _hours(session: Session, machine: Machine, drive: Drive | None) -> Iterator[TimelineMark]:
    for r in below(session, MeterReading, "machine_id", machine.id)[-MOST:]:
        yield TimelineMark(
            at=r.at,
            until=None,
            lane="hours",
            words=f"{r.hours:g} h on the meter",
            detail="set back" if r.reset else "",
            by=r.created_by_name,
            grade="",
            drive_id=None if drive is None else drive.id,
            drive="",
            link=f"/machines/{machine.id}",
            photo=None,
        )


def _view(
    session: Session, machine: Machine, drives: Sequence[Drive], one_drive: Drive | None, units: str
) -> TimelineView:
    by_id = {d.id: d for d in drives}
    marks = [
        *_builds(session, by_id),
        *_jobs(session, by_id),
        *_readings(session, by_id, units),
        *_findings(session, by_id),
        *_failures(session, by_id),
        *_photos(session, by_id),
        *_hours(session, machine, one_drive),
    ]
    marks.sort(key=lambda m: m.at, reverse=True)
    kept = marks[: 2 * MOST]
    have = {m.lane for m in kept}
    return TimelineView(
        title=machine.name if one_drive is None else f"{machine.name}, {one_drive.name}",
        machine_id=machine.id,
        drive_id=None if one_drive is None else one_drive.id,
        first=kept[-1].at if kept else None,
        marks=kept,
        lanes=[x for x in LANES if x in have],
        more=len(marks) - len(kept),
    )


def drive_timeline(session: Session, drive_id: uuid.UUID, units: str) -> TimelineView:
    """What happened at a drive, the newest first; raises NotThere."""
    drive = one(session, Drive, drive_id)
    return _view(session, one(session, Machine, drive.machine_id), [drive], drive, units)


def machine_timeline(session: Session, machine_id: uuid.UUID, units: str) -> TimelineView:
    """What happened at all drives of a machine; raises NotThere."""
    machine = one(session, Machine, machine_id)
    return _view(session, machine, below(session, Drive, "machine_id", machine_id), None, units)
