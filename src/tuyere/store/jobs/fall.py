"""How the tension of a drive has fallen since its loop was fitted, out of the readings that are kept."""

from __future__ import annotations

import uuid
from datetime import datetime
from math import floor, log10

from pydantic import Field
from sqlmodel import Session, col, select

from tuyere.calc.answer import Answer, Figure, WorkingStep
from tuyere.calc.kinds import in_system
from tuyere.calc.registry import Units, find, work
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.fall import Fall, fall_scene
from tuyere.core.drawing.scene import Scene
from tuyere.jobs.facts import DriveKnown
from tuyere.store.builds.tables import Build
from tuyere.store.drives.tables import Duty
from tuyere.store.jobs.read import answered, build_of, known_of, told
from tuyere.store.jobs.tables import Job as JobRow
from tuyere.store.machines.tables import Drive
from tuyere.store.plumbing.rows import one

AT_LEAST_H, AHEAD = 0.1, 3.0


class TensionThen(Answer):
    """The mean of a set at one visit."""

    at: datetime
    by: str
    job_id: uuid.UUID
    hours: float = Field(description="running hours since the loop was fitted")
    tension: Figure
    on_gauge: Figure


class TensionFall(Answer):
    """Readings since the last fit, the oldest first; what they say together from three on; drawn."""

    fitted_at: datetime | None
    hours_a_day: float
    readings: list[TensionThen]
    says: str
    working: list[WorkingStep]
    picture: SceneOut | None


def _since_fit(session: Session, drive_id: uuid.UUID) -> tuple[JobRow | None, list[JobRow]]:
    """(the last fit, the closed jobs from it on)."""
    wanted = select(JobRow).where(
        JobRow.drive_id == drive_id, JobRow.state == "closed", col(JobRow.archived_at).is_(None)
    )
    rows = list(session.exec(wanted.order_by(col(JobRow.closed_at))).all())
    fit = next((k for k in reversed(range(len(rows))) if rows[k].kind == "fit"), None)
    return (None, rows) if fit is None else (rows[fit], rows[fit:])


def _mean(session: Session, row: JobRow, known: DriveKnown) -> tuple[float, datetime] | None:
    """(mean tension of the set at a visit in N, when), where it was read."""
    of = told(session, row)
    for step in of.job.steps:
        if step.of.reads != "tension":
            continue
        got = answered(session, of, step, known)
        at = max((r.at for r in of.job.so_far(step.key).readings.values()), default=None)
        if got.said is not None and got.said.result is not None and at is not None:
            return float(got.said.result["mean"]["tension"]["value"]), at
    return None


def tension_fall(session: Session, drive_id: uuid.UUID, units: Units) -> TensionFall:
    """The tensions read since the last fit. Raises NotThere; InputError for a drive of which nothing is known."""
    one(session, Drive, drive_id)
    build: Build = build_of(session, drive_id)
    known = known_of(session, build, units)
    duty = session.get_one(Duty, build.duty_id)
    a_day = duty.hours_a_day or 24.0
    fit, jobs = _since_fit(session, drive_id)
    scale, f = known.scale, known.frame.figure
    readings: list[TensionThen] = []
    began = None if fit is None else fit.closed_at
    for row in jobs if scale is not None else ():
        found = _mean(session, row, known)
        if found is None or scale is None:
            continue
        newtons, at = found
        hours = 0.0 if began is None else (at - began).total_seconds() / 3600 * a_day / 24
        readings.append(
            TensionThen(
                at=at,
                by=row.closed_by_name,
                job_id=row.id,
                hours=max(hours, AT_LEAST_H),
                tension=f(newtons, "force"),
                on_gauge=f(scale.force_n(newtons), "force"),
            )
        )
    says, working, line, until = "", [], None, 50.0
    rising = _rising(readings)
    if len(rising) >= 3:
        until = max(round_hours(AHEAD * rising[-1].hours), 50.0)
        calc, band = find("tension-settling"), known.band("run in")
        given = {
            "readings": [{"hours": r.hours, "tension": r.tension.value} for r in rising],
            "at_hours": until,
            "least": None if band is None else float(band[0].low_n),
        }
        answer = work(calc, calc.request_model.model_validate({"units": units, "input": given}))
        says, working = answer.result.says, list(answer.working)
        line = (answer.result.at_one_hour, answer.result.per_decade)
    elif readings:
        says = f"{len(rising)} of three readings at different hours: then it shows how it settles."
    return TensionFall(
        fitted_at=began,
        hours_a_day=a_day,
        readings=readings,
        says=says,
        working=working,
        picture=None if not readings else scene_out(_drawn(known, readings, line, until)),
    )


def round_hours(hours: float) -> float:
    """The next round number of hours.

    >>> round_hours(1967.0), round_hours(54.0)
    (2000.0, 100.0)
    """
    ten = 10.0 ** floor(log10(hours))
    return next(k * ten for k in (1.0, 2.0, 5.0, 10.0) if k * ten >= hours)


def _rising(readings: list[TensionThen]) -> list[TensionThen]:
    """Readings whose hours rise: of several in one hour the last stands."""
    out: list[TensionThen] = []
    for r in readings:
        if out and r.hours <= out[-1].hours:
            out.pop()
        out.append(r)
    return out


def _drawn(known: DriveKnown, readings: list[TensionThen], line: tuple[Figure, Figure] | None, until: float) -> Scene:
    """The fall in the unit that is shown."""
    in_unit = in_system(1.0, "force", known.units)
    found = known.band("run in")
    low, high = (found[0].low_n, found[0].high_n) if found is not None else (0.0, 0.0)
    fall = Fall(
        points=[(r.hours, r.tension.value * in_unit) for r in readings],
        band=(float(low) * in_unit, float(high) * in_unit),
        line=None if line is None else (line[0].value * in_unit, line[1].value * in_unit),
        until=until,
        unit=f"{readings[0].tension.unit_shown} in each belt; the strip is the run-in band",
    )
    return fall_scene(fall, 92.0, 56.0)
