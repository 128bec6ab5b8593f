"""What is found at a step and is not fine: kept as a finding, and due until a job has seen to it."""

from __future__ import annotations

import uuid
from datetime import timedelta

from sqlmodel import Session, col, select

from tuyere.jobs.job import Job
from tuyere.jobs.situation import JobStep
from tuyere.store.jobs.tables import Due, Finding
from tuyere.store.jobs.tables import Job as JobRow
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now

# Common practice, no source: what is watched is looked at again in a week.
WATCH = timedelta(days=7)
NOT_FINE = ("watch", "act")


def _title(step: JobStep, note: str, faults: list[str]) -> str:
    """What is due, in a line: what was seen, else the faults by name, else the step."""
    seen = note or ", ".join(f.replace("-", " ") for f in faults) or step.of.words.replace("{wheel}", "sheave")
    return seen[0].upper() + seen[1:119]


def keep_finding(session: Session, actor: Actor, row: JobRow, job: Job, step: JobStep) -> None:
    """Keep what a step stands at now: one finding a step, in the place of what it said before; none where it is fine."""
    state = job.so_far(step.key)
    old = session.exec(
        select(Finding).where(Finding.job_id == row.id, Finding.step == step.key, col(Finding.archived_at).is_(None))
    ).first()
    if old is not None:
        old.archived_at = now()
        session.add(old)
        for due in session.exec(select(Due).where(Due.made_by_finding_id == old.id, col(Due.done_at).is_(None))).all():
            due.archived_at = now()
            session.add(due)
    if state.grade not in NOT_FINE or state.at is None:
        return
    finding = Finding(
        created_by_name=actor.name,
        drive_id=row.drive_id,
        job_id=row.id,
        step=step.key,
        words=step.of.words[:200],
        part=step.of.at,
        grade=state.grade,
        faults=list(state.faults),
        note=state.note,
        at=state.at,
    )
    session.add(finding)
    session.flush()
    session.add(
        Due(
            created_by_name=actor.name,
            machine_id=row.machine_id,
            drive_id=row.drive_id,
            title=_title(step, state.note, list(state.faults)),
            reason_key=f"finding-{state.grade}",
            by_date=state.at if state.grade == "act" else state.at + WATCH,
            made_by="finding",
            made_by_job_id=row.id,
            made_by_finding_id=finding.id,
        )
    )


def findings_of(session: Session, job_id: uuid.UUID) -> dict[str, Finding]:
    """What a job found that is not fine, by step."""
    rows = session.exec(select(Finding).where(Finding.job_id == job_id, col(Finding.archived_at).is_(None))).all()
    return {r.step: r for r in rows}
