"""The round: what is due now and this week in walking order, what is only for a while, what breaks again."""

from __future__ import annotations

import uuid
from collections import Counter, defaultdict
from collections.abc import Mapping, Sequence
from datetime import UTC, datetime, timedelta, timezone

import sqlalchemy as sa
from sqlmodel import Session, col, select

from tuyere.calc.answer import ElevationOut
from tuyere.store.builds.drawn import drawn_of
from tuyere.store.builds.standing import temporary_now
from tuyere.store.jobs.book import job_lines
from tuyere.store.jobs.dues import count_due, dues_until
from tuyere.store.jobs.tables import Job
from tuyere.store.jobs.views import DueLine
from tuyere.store.machines.tables import Drive, Machine
from tuyere.store.plumbing.base import now
from tuyere.store.upkeep.record import THIRD, too_often
from tuyere.store.upkeep.tables import Failure
from tuyere.store.upkeep.views import LoopSpan, RepeatLine, RoundArea, RoundLine, RoundView, TemporaryLine

# More than a person does in two days; the rest is counted, and found by area.
MOST = 80
# What is foretold or planned further on is shown as far as this, after the week.
AHEAD = timedelta(days=120)
HALF_YEAR = timedelta(days=183)
Drawn = Mapping[uuid.UUID, tuple[str, ElevationOut | None]]


def _line(due: DueLine, drawn: Drawn, start_of_day: datetime) -> RoundLine:
    what, elevation = drawn.get(due.drive_id, ("", None)) if due.drive_id is not None else ("", None)
    when = due.when or start_of_day
    days = (start_of_day - when) / timedelta(days=1)
    late = max(int(days) + 1, 1) if days > 0 else -int((when - start_of_day) / timedelta(days=1))
    grade = "act" if when < start_of_day else "watch" if when < start_of_day + timedelta(days=1) else "none"
    return RoundLine(due=due, what=what, elevation=elevation, grade=grade, days=late)


def _areas(session: Session, groups: Sequence[Sequence[RoundLine]]) -> list[RoundArea]:
    """Every area of the works by its first machine in the walk, those to walk past too."""
    first = sa.func.min(Machine.walk_order)
    rows = session.execute(
        sa.select(col(Machine.area), first)
        .where(col(Machine.archived_at).is_(None), col(Machine.area) != "")
        .group_by(col(Machine.area))
        .order_by(first, col(Machine.area))
    ).all()
    late, today, week = (Counter(x.due.area for x in g) for g in groups)
    return [
        RoundArea(no=no, name=area, late=late[area], today=today[area], week=week[area])
        for no, (area, _) in enumerate(rows, 1)
    ]


def _walked(lines: list[RoundLine], order: Mapping[str, int], walk: Mapping[uuid.UUID, int]) -> list[RoundLine]:
    """In walking order; within a machine the soonest first."""
    last = len(order) + 1
    return sorted(
        lines,
        key=lambda x: (order.get(x.due.area, last), walk.get(x.due.machine_id, 0), x.due.when or now(), x.due.title),
    )


def _temporary(session: Session, area: str) -> list[TemporaryLine]:
    """Temporary fixes that stand on the machines, the soonest promised first."""
    today = now().date()
    found = temporary_now(session, area, MOST)
    drawn = drawn_of(session, [d.id for _, d, _ in found])
    return [
        TemporaryLine(
            drive_id=drive.id,
            machine=machine.name,
            drive=drive.name,
            what=drawn.get(drive.id, ("", None))[0],
            reason=build.temporary_reason,
            by=build.created_by_name,
            since=build.valid_from,
            promised=build.promised_date,
            days_left=(build.promised_date - today).days,
        )
        for build, drive, machine in found
        if build.promised_date is not None
    ]


def _repeats(session: Session, area: str) -> list[RepeatLine]:
    """Drives on which a third loop was fitted within half a year, the most often first."""
    at = now()
    wanted = (
        sa.select(col(Job.drive_id), col(Job.closed_at))
        .join(Machine, col(Machine.id) == col(Job.machine_id))
        .where(col(Job.kind) == "fit", col(Job.state) == "closed", col(Job.archived_at).is_(None))
        .where(col(Job.closed_at) > at - HALF_YEAR)
        .order_by(col(Job.closed_at))
    )
    if area:
        wanted = wanted.where(col(Machine.area) == area)
    fits: dict[uuid.UUID, list[datetime]] = defaultdict(list)
    for drive, closed in session.execute(wanted).all():
        fits[drive].append(closed)
    often = sorted((d for d, of in fits.items() if len(of) >= THIRD), key=lambda d: -len(fits[d]))[:5]
    if not often:
        return []
    names = {
        d.id: (m.name, d.name)
        for d, m in session.exec(
            select(Drive, Machine)
            .join(Machine, col(Machine.id) == col(Drive.machine_id))
            .where(col(Drive.id).in_(often))
        ).all()
    }
    failed: dict[uuid.UUID, list[datetime]] = defaultdict(list)
    for drive, when in session.execute(
        sa.select(col(Failure.drive_id), col(Failure.at)).where(
            col(Failure.drive_id).in_(often), col(Failure.archived_at).is_(None)
        )
    ).all():
        failed[drive].append(when)
    out = []
    for drive in often:
        of = fits[drive]
        spans = []
        for k, fitted in enumerate(of):
            until = of[k + 1] if k + 1 < len(of) else None
            died = [f for f in failed[drive] if fitted < f <= (until or at)]
            spans.append(LoopSpan(fitted=fitted, until=died[0] if died else until, failed=bool(died)))
        machine, name = names[drive]
        out.append(RepeatLine(drive_id=drive, machine=machine, drive=name, says=too_often(of, at), loops=spans))
    return out


def round_view(session: Session, area: str = "", minutes_from_utc: int = 0) -> RoundView:
    """The round of a day by the clock of who asks. Nothing on it is worked anew: dues, builds and jobs as they are kept."""
    here = timezone(timedelta(minutes=minutes_from_utc))
    day = now().astimezone(here).replace(hour=0, minute=0, second=0, microsecond=0)
    start, tomorrow, week_end = (x.astimezone(UTC) for x in (day, day + timedelta(days=1), day + timedelta(days=8)))
    dues = dues_until(session, week_end + AHEAD, MOST, area)
    drawn = drawn_of(session, [d.drive_id for d in dues if d.drive_id is not None])
    lines = [_line(d, drawn, start) for d in dues]
    when = [x.due.when or start for x in lines]
    late = [x for x, w in zip(lines, when, strict=True) if w < start]
    today = [x for x, w in zip(lines, when, strict=True) if start <= w < tomorrow]
    week = [x for x, w in zip(lines, when, strict=True) if tomorrow <= w < week_end]
    ahead = [x for x, w in zip(lines, when, strict=True) if w >= week_end]
    areas = _areas(session, (late, today, week))
    order = {a.name: a.no for a in areas}
    walk = {
        i: w
        for i, w in session.execute(
            sa.select(col(Machine.id), col(Machine.walk_order)).where(col(Machine.id).in_({d.machine_id for d in dues}))
        ).all()
    }
    opened = (col(Job.state) == "open",)
    closed = (col(Job.state) == "closed", col(Job.closed_at) >= start)
    return RoundView(
        day=day.date(),
        areas=areas,
        late=_walked(late, order, walk),
        today=_walked(today, order, walk),
        week=_walked(week, order, walk),
        ahead=sorted(ahead, key=lambda x: x.due.when or now()),
        minutes=sum(x.due.minutes for x in (*late, *today)),
        total=count_due(session, week_end),
        begun=job_lines(session, *opened, area=area),
        temporary=_temporary(session, area),
        repeats=_repeats(session, area),
        done=job_lines(session, *closed, area=area),
    )
