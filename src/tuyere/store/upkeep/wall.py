"""The works as a wall of drives: every one to scale, in walking order, with its state and why."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta, timezone

from sqlmodel import Session, col, select

from tuyere.store.builds.drawn import drawn_of
from tuyere.store.builds.standing import temporary_now
from tuyere.store.jobs.dues import when_due
from tuyere.store.jobs.tables import Due
from tuyere.store.machines.book import list_machines, machine_view
from tuyere.store.machines.meter import meters_of
from tuyere.store.machines.views import DriveLine, MachineList
from tuyere.store.plumbing.base import now
from tuyere.store.upkeep.views import WallDrive, WallMachine, WallView

MOST = 80
SOON = timedelta(days=1)
_ORDER = {"act": 0, "watch": 1, "none": 2, "fine": 3}


def _late(session: Session, machines: Sequence[uuid.UUID], start: datetime) -> dict[uuid.UUID, tuple[str, str]]:
    """(state, why) of the drives that something is due at: late is to act on, today is to watch."""
    dues = session.exec(
        select(Due)
        .where(col(Due.machine_id).in_(machines), col(Due.drive_id).is_not(None))
        .where(col(Due.archived_at).is_(None), col(Due.done_at).is_(None))
    ).all()
    meters = meters_of(session, list({d.machine_id for d in dues}))
    soonest: dict[uuid.UUID, tuple[datetime, str]] = {}
    for d in dues:
        when = when_due(d, meters.get(d.machine_id))
        if when is None or d.drive_id is None or when >= start + SOON:
            continue
        if d.drive_id not in soonest or when < soonest[d.drive_id][0]:
            soonest[d.drive_id] = (when, d.title)
    return {
        drive: ("act", f"late: {title}") if when < start else ("watch", f"today: {title}")
        for drive, (when, title) in soonest.items()
    }


def _temporary(session: Session, day: datetime) -> dict[uuid.UUID, tuple[str, str]]:
    """(state, why) of the drives that stand for a while only."""
    out = {}
    for build, drive, _ in temporary_now(session):
        promised = build.promised_date
        if promised is None:
            continue
        date = f"{promised.day} {promised:%b}"
        over = promised < day.date()
        out[drive.id] = ("act", f"temporary, was to go by {date}") if over else ("watch", f"temporary, until {date}")
    return out


def _state(line: DriveLine, found: Sequence[tuple[str, str] | None]) -> tuple[str, str]:
    known = [f for f in found if f is not None]
    if known:
        return min(known, key=lambda f: _ORDER[f[0]])
    if not line.fitted:
        return "none", "nothing known yet"
    return ("watch", line.state) if "draft" in line.state else ("fine", "fine")


def wall_view(
    session: Session,
    words: str = "",
    start: int = 0,
    minutes_from_utc: int = 0,
    *,
    machine: uuid.UUID | None = None,
) -> WallView:
    """A part of the wall from machine ``start`` on, or one ``machine`` of it; a drive that cannot be drawn has its name only.

    Raises NotThere for a machine that is not kept.
    """
    here = timezone(timedelta(minutes=minutes_from_utc))
    day = now().astimezone(here).replace(hour=0, minute=0, second=0, microsecond=0)
    if machine is None:
        page = list_machines(session, words, start, MOST)
    else:
        one = machine_view(session, machine)
        page = MachineList(machines=[one], total=1, areas=[a for a in (one.area,) if a])
    drives = [d.id for m in page.machines for d in m.drives]
    drawn = drawn_of(session, drives) if drives else {}
    late = _late(session, [m.id for m in page.machines], day.astimezone(UTC))
    temporary = _temporary(session, day)
    out = []
    for m in page.machines:
        shown = []
        for d in m.drives:
            state, why = _state(d, (late.get(d.id), temporary.get(d.id)))
            elevation = drawn.get(d.id, ("", None))[1]
            shown.append(WallDrive(id=d.id, name=d.name, what=d.fitted, state=state, why=why, elevation=elevation))
        out.append(WallMachine(id=m.id, tag=m.tag, name=m.name, kind=m.kind, area=m.area, drives=shown))
    return WallView(machines=out, total=page.total, areas=page.areas)
