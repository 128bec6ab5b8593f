"""What a drive's record answers by itself when it has failed: how often it was fitted, what was last read, what was changed."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime, timedelta

from sqlmodel import Session, col, select

from tuyere.core.diagnosis.model import kind_of_loop, model_of
from tuyere.core.errors import InputError
from tuyere.core.upkeep.life import life_of
from tuyere.jobs.facts import DriveKnown
from tuyere.store.drives.current import duties_of
from tuyere.store.jobs.read import answered, told
from tuyere.store.jobs.tables import Job as JobRow

# Common practice, no source.
YOUNG, NEVER_AFTER, RECENT, LATELY, OFTEN = (timedelta(days=d) for d in (14, 7, 3, 60, 365))
OLD_READING = timedelta(days=120)
THIRD = 3


@dataclass(frozen=True, slots=True, kw_only=True)
class Evidence:
    """A sign with the record's answer, and from what."""

    sign: str
    answer: str
    says: str


def fits_of(session: Session, drive_id: uuid.UUID) -> list[datetime]:
    """When a loop was fitted, the oldest first, by the jobs that did it: a build says what stands there, not when it was put on."""
    found = session.exec(
        select(JobRow.closed_at).where(
            JobRow.drive_id == drive_id,
            JobRow.state == "closed",
            JobRow.kind == "fit",
            col(JobRow.archived_at).is_(None),
        )
    ).all()
    return sorted(at for at in found if at is not None)


def _days(span: timedelta) -> str:
    days = round(span.total_seconds() / 86400)
    return f"{days} day{'' if days == 1 else 's'}"


def _by_fits(fits: list[datetime], at: datetime) -> list[Evidence]:
    if not fits:
        return []
    age = at - fits[-1]
    year = [f for f in fits if at - f <= OFTEN]
    return [
        Evidence(
            sign="died-young",
            answer="yes" if age <= YOUNG else "no",
            says=f"fitted {_days(age)} before",
        ),
        Evidence(
            sign="third-loop",
            answer="yes" if len(year) >= THIRD else "no",
            says=f"{len(year)} fitted in the year before",
        ),
    ]


def _by_jobs(session: Session, drive_id: uuid.UUID, fits: list[datetime], at: datetime) -> list[Evidence]:
    rows = session.exec(
        select(JobRow).where(JobRow.drive_id == drive_id, JobRow.state == "closed", col(JobRow.archived_at).is_(None))
    ).all()
    out = []
    closed = [(r.kind, r.closed_at) for r in rows if r.closed_at is not None and r.closed_at <= at]
    if fits and at - fits[-1] > NEVER_AFTER:
        again = [k for k, when in closed if k in ("retension", "run-in") and when > fits[-1]]
        out.append(
            Evidence(
                sign="never-retensioned",
                answer="no" if again else "yes",
                says=f"set again {len(again)} times since" if again else "no job set it again since it was fitted",
            )
        )
    worked = [k for k, when in closed if at - when <= RECENT and k in ("align", "retension", "fit", "replace")]
    if closed:
        out.append(
            Evidence(
                sign="just-worked",
                answer="yes" if worked else "no",
                says="a job was closed in the days before" if worked else "no job in the days before",
            )
        )
    return out


def _by_readings(session: Session, drive_id: uuid.UUID, known: DriveKnown, at: datetime) -> list[Evidence]:
    """The last tension and the last line that were read."""
    wanted = select(JobRow).where(
        JobRow.drive_id == drive_id, JobRow.state == "closed", col(JobRow.archived_at).is_(None)
    )
    out: list[Evidence] = []
    have: set[str] = set()
    for row in session.exec(wanted.order_by(col(JobRow.closed_at).desc()).limit(6)).all():
        if row.closed_at is None or not timedelta(0) <= at - row.closed_at <= OLD_READING:
            continue
        of = told(session, row)
        for step in of.job.steps:
            if step.of.reads not in ("tension", "gaps") or step.of.reads in have:
                continue
            said = answered(session, of, step, known).said
            if said is None:
                continue
            have.add(step.of.reads)
            day = f"{row.closed_at.day} {row.closed_at:%b %Y}"
            if step.of.reads == "gaps":
                answer = "yes" if said.verdict == "act" else "no"
                out.append(Evidence(sign="misline", answer=answer, says=f"line as read on {day}"))
            else:
                band = known.band("run in")
                if band is None or said.result is None:
                    continue
                mean = float(said.result["mean"]["tension"]["value"])
                for sign, so in (("tension-low", mean < band[0].low_n), ("tension-high", mean > band[0].high_n)):
                    out.append(Evidence(sign=sign, answer="yes" if so else "no", says=f"tension as read on {day}"))
    return out


def record_says(
    session: Session, drive_id: uuid.UUID, known: DriveKnown, *, fits: list[datetime], at: datetime
) -> list[Evidence]:
    """Every sign that the record answers; ``fits`` are when a loop was put on, up to then."""
    duties = duties_of(session, drive_id)
    out = [
        *_by_fits(fits, at),
        *_by_jobs(session, drive_id, fits, at),
        *_by_readings(session, drive_id, known, at),
    ]
    if len(duties) > 1:
        changed = at - duties[0].valid_from <= LATELY
        out.append(
            Evidence(
                sign="load-raised",
                answer="yes" if changed else "no",
                says="its duty was changed lately" if changed else "its duty has stood for months",
            )
        )
    signs = {s.key for s in model_of(kind_of_loop(known.loop)).signs}
    return [e for e in out if e.sign in signs]


def lives_of(fits: list[datetime], failures: list[datetime], at: datetime) -> tuple[list[float], list[float]]:
    """(days that loops lasted which failed, days of those that were still running): from each fit to the failure after it, else to
    the next fit or to now.
    """
    failed: list[float] = []
    running: list[float] = []
    for k, fit in enumerate(fits):
        end = fits[k + 1] if k + 1 < len(fits) else at
        died = [f for f in failures if fit < f <= end]
        days = ((died[0] if died else end) - fit).total_seconds() / 86400
        if days > 0:
            (failed if died else running).append(days)
    return failed, running


def life_says(fits: list[datetime], failures: list[datetime], at: datetime) -> str:
    """How long loops last on a drive, with honest bounds; or that it is not enough yet."""
    failed, running = lives_of(fits, failures, at)
    if not failed:
        return ""
    try:
        life = life_of(failed, running)
    except InputError as e:
        return f"{len(failed)} failed since it is on record: {e.why}."
    low, high = (round(x) for x in (life.scale_low, life.scale_high))
    says = f"A loop lasts about {round(life.mean)} days here (typical life {low} to {high}, nine in ten sure, from {life.failed})."
    if life.early:
        says += " They die the likelier the newer they are: that is fitting or the machine, not wear."
    return says


def too_often(fits: list[datetime], at: datetime) -> str:
    """What is said where loops were fitted too often: the third within half a year."""
    lately = [f for f in fits if timedelta(0) <= at - f <= timedelta(days=183)]
    if len(lately) < THIRD:
        return ""
    months = max(1, round((at - lately[0]).days / 30.4))
    return f"{len(lately)} fitted in {months} month{'' if months == 1 else 's'}: clear the machine first, or the next one goes the same way."
