"""A period of the shop: what was used, what failed and why, what is late, what is lost in the drives."""

from __future__ import annotations

import uuid
from collections import Counter, defaultdict
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, time, timedelta, timezone

import sqlalchemy as sa
from sqlmodel import Session, col, select

from tuyere.calc.designation import what_in_system
from tuyere.calc.families.protocol import FAMILIES
from tuyere.calc.frame import Frame
from tuyere.core.diagnosis.model import cause_words
from tuyere.core.duty.losses import efficiency_band, loss_band
from tuyere.core.errors import CoreError, InputError
from tuyere.core.steps import quiet
from tuyere.store.builds.tables import Build, Loop
from tuyere.store.drives.tables import Duty
from tuyere.store.jobs.tables import Due, Job
from tuyere.store.machines.meter import Meter, meters_of
from tuyere.store.machines.tables import Drive, Machine
from tuyere.store.shelf.tables import StockItem, StockMove
from tuyere.store.upkeep.report_views import (
    CauseLine,
    CountLine,
    LateLine,
    LoopUse,
    LossLine,
    OpenFix,
    PartUse,
    ReportView,
)
from tuyere.store.upkeep.tables import Failure

LONGEST = timedelta(days=3660)
# Where neither a meter nor the duty says how long a machine runs; common practice, as in the comparison of drives.
HOURS_A_DAY, WORKING_SHARE = 10.0, 250 / 365.25
MOST_LATE, MOST_LOSSES, MOST_NAMES = 200, 10, 6
JOB_WORDS = {"fit": "new loop fitted", "run-in": "checked after running in", "find-cause": "cause looked for"}


class Period:
    """Two days and all between, by the clock of who asks. Raises InputError where it ends before it begins."""

    def __init__(self, since: date, until: date, minutes_from_utc: int) -> None:
        if until < since:
            raise InputError("until", until.isoformat(), "the period ends before it begins", f"{since} or later")
        if until - since > LONGEST:
            raise InputError("since", since.isoformat(), "the period is too long", "ten years at most")
        zone = timezone(timedelta(minutes=minutes_from_utc))
        self.since, self.until = since, until
        self.start = datetime.combine(since, time(0), zone).astimezone(UTC)
        self.end = datetime.combine(until + timedelta(days=1), time(0), zone).astimezone(UTC)

    @property
    def days(self) -> float:
        """Its length in days."""
        return (self.end - self.start) / timedelta(days=1)


def _named(session: Session) -> dict[uuid.UUID, tuple[str, str]]:
    """(machine, drive) by drive."""
    rows = session.execute(
        sa.select(col(Drive.id), col(Machine.name), col(Drive.name)).join(
            Machine, col(Machine.id) == col(Drive.machine_id)
        )
    ).all()
    return {ident: (machine, drive) for ident, machine, drive in rows}


def _names(of: Sequence[uuid.UUID], named: dict[uuid.UUID, tuple[str, str]]) -> list[str]:
    """Drives by name, those that come most often first."""
    return [" · ".join(named.get(d, ("", ""))) for d, _ in Counter(of).most_common(MOST_NAMES)]


def _jobs(session: Session, period: Period) -> list[CountLine]:
    rows = session.execute(
        sa.select(col(Job.kind), sa.func.count())
        .where(col(Job.state) == "closed", col(Job.archived_at).is_(None))
        .where(col(Job.closed_at) >= period.start, col(Job.closed_at) < period.end)
        .group_by(col(Job.kind))
        .order_by(sa.func.count().desc(), col(Job.kind))
    ).all()
    return [CountLine(words=JOB_WORDS.get(kind, kind), count=count) for kind, count in rows]


def _loops(session: Session, period: Period, named: dict[uuid.UUID, tuple[str, str]]) -> list[LoopUse]:
    """Loops fitted, by the jobs that did it: each job puts on the loops of its build."""
    rows = session.execute(
        sa.select(col(Loop.designation), col(Loop.strands), col(Job.id), col(Job.drive_id))
        .join(Build, col(Build.id) == col(Job.build_id))
        .join(Loop, col(Loop.build_id) == col(Build.id))
        .where(col(Job.kind) == "fit", col(Job.state) == "closed", col(Job.archived_at).is_(None))
        .where(col(Job.closed_at) >= period.start, col(Job.closed_at) < period.end)
    ).all()
    jobs: dict[str, set[uuid.UUID]] = defaultdict(set)
    loops: Counter[str] = Counter()
    drives: dict[str, list[uuid.UUID]] = defaultdict(list)
    for designation, strands, job, drive in rows:
        jobs[designation].add(job)
        loops[designation] += strands
        drives[designation].append(drive)
    return [
        LoopUse(designation=d, jobs=len(jobs[d]), loops=n, drives=_names(drives[d], named))
        for d, n in sorted(loops.items(), key=lambda x: (-x[1], x[0]))
    ]


def _parts(session: Session, period: Period) -> list[PartUse]:
    rows = session.execute(
        sa.select(
            col(StockItem.part),
            col(StockItem.section),
            col(StockItem.designation),
            col(StockMove.change),
            sa.func.coalesce(col(StockMove.price), col(StockItem.price)),
        )
        .join(StockItem, col(StockItem.id) == col(StockMove.item_id))
        .where(col(StockMove.job_id).is_not(None), col(StockMove.at) >= period.start, col(StockMove.at) < period.end)
    ).all()
    counts: Counter[str] = Counter()
    spent: dict[str, float] = {}
    for part, section, designation, change, price in rows:
        name = designation or f"{part} {section}".strip()
        counts[name] -= change
        if price is not None:
            spent[name] = spent.get(name, 0.0) - change * price
    return [
        PartUse(designation=n, count=c, spent=round(spent[n], 2) if n in spent else None)
        for n, c in sorted(counts.items(), key=lambda x: (-x[1], x[0]))
    ]


def _causes(session: Session, period: Period, named: dict[uuid.UUID, tuple[str, str]]) -> tuple[int, list[CauseLine]]:
    rows = session.exec(
        select(Failure).where(Failure.at >= period.start, Failure.at < period.end, col(Failure.archived_at).is_(None))
    ).all()
    words = cause_words()
    confirmed: Counter[str] = Counter()
    told: Counter[str] = Counter()
    drives: dict[str, list[uuid.UUID]] = defaultdict(list)
    for f in rows:
        first = f.told[0] if f.told else None
        key = f.confirmed or (str(first["key"]) if isinstance(first, dict) else "other")
        (confirmed if f.confirmed else told)[key] += 1
        drives[key].append(f.drive_id)
    lines = [
        CauseLine(words=words.get(k, k), confirmed=confirmed[k], told=told[k], drives=_names(drives[k], named))
        for k in sorted(drives, key=lambda k: (-len(drives[k]), k))
    ]
    return len(rows), lines


def _late(session: Session, period: Period) -> tuple[list[LateLine], int]:
    """Due by a date in or before the period and not done by its end."""
    end = min(period.end, datetime.now(UTC))
    where = (
        col(Due.by_date) < end,
        col(Due.created_at) < period.end,
        sa.or_(col(Due.done_at).is_(None), col(Due.done_at) >= period.end),
        sa.or_(col(Due.archived_at).is_(None), col(Due.archived_at) >= period.end),
        sa.or_(col(Due.snoozed_until).is_(None), col(Due.snoozed_until) < end.date()),
    )
    rows = session.execute(
        sa.select(Due, col(Machine.name), col(Drive.name))
        .join(Machine, col(Machine.id) == col(Due.machine_id))
        .outerjoin(Drive, col(Drive.id) == col(Due.drive_id))
        .where(*where)
        .order_by(col(Due.by_date))
        .limit(MOST_LATE)
    ).all()
    lines = [
        LateLine(
            title=d.title,
            machine=machine,
            drive=drive or "",
            drive_id=d.drive_id,
            when=d.by_date,
            days=max(int((end - d.by_date) / timedelta(days=1)), 0),
        )
        for d, machine, drive in rows
    ]
    count = session.execute(sa.select(sa.func.count()).select_from(Due).where(*where)).scalar_one()
    return lines, count


def _fixes(session: Session, period: Period, named: dict[uuid.UUID, tuple[str, str]]) -> list[OpenFix]:
    rows = session.exec(
        select(Build)
        .where(Build.temporary, Build.state == "frozen", col(Build.archived_at).is_(None), Build.purpose != "designed")
        .where(Build.valid_from < period.end, sa.or_(col(Build.valid_to).is_(None), col(Build.valid_to) >= period.end))
        .order_by(col(Build.promised_date))
    ).all()
    return [
        OpenFix(
            machine=named[b.drive_id][0],
            drive=named[b.drive_id][1],
            drive_id=b.drive_id,
            reason=b.temporary_reason,
            since=b.valid_from,
            promised=b.promised_date,
            days_left=None if b.promised_date is None else (b.promised_date - period.until).days,
        )
        for b in rows
    ]


def _hours(duty: Duty, meter: Meter | None, days: float) -> tuple[float, bool]:
    """(running hours in so many days, whether they are assumed): the meter's, else the duty's, else ten a working day."""
    if meter is not None and meter.per_day is not None:
        return min(meter.per_day, 24.0) * days, False
    a_day = duty.hours_a_day
    return (a_day or HOURS_A_DAY) * days * WORKING_SHARE, a_day is None


@dataclass(slots=True, kw_only=True)
class _Loss:
    """What a drive turned into heat, kWh, and from how many hours."""

    what: str
    low: float = 0.0
    high: float = 0.0
    hours: float = 0.0
    assumed: bool = False


def _duties(session: Session, period: Period) -> dict[uuid.UUID, Duty]:
    """The duty of every drive that held at the end of the period."""
    rows = session.exec(
        select(Duty)
        .where(col(Duty.archived_at).is_(None), Duty.valid_from < period.end)
        .order_by(col(Duty.valid_from), col(Duty.id).desc())
    ).all()
    return {d.drive_id: d for d in rows}


def _losses(session: Session, period: Period) -> dict[uuid.UUID, _Loss]:
    """Every drive that stood on a machine in the period, for as long as it stood there."""
    rows = session.execute(
        sa.select(Build, col(Loop.section), col(Loop.designation), col(Loop.strands))
        .join(Loop, (col(Loop.build_id) == col(Build.id)) & (col(Loop.no) == 1))
        .where(col(Build.state) == "frozen", col(Build.purpose) != "designed", col(Build.archived_at).is_(None))
        .where(col(Build.valid_from) < period.end)
        .where(sa.or_(col(Build.valid_to).is_(None), col(Build.valid_to) >= period.start))
        .order_by(col(Build.no))
    ).all()
    duties, present = _duties(session, period), min(period.end, datetime.now(UTC))
    machine_of = {d: m for d, m in session.execute(sa.select(col(Drive.id), col(Drive.machine_id))).all()}
    meters = meters_of(session, list(set(machine_of.values())))
    out: dict[uuid.UUID, _Loss] = {}
    for build, section, designation, strands in rows:
        duty = duties.get(build.drive_id)
        begin, end = max(period.start, build.valid_from), min(present, build.valid_to or present)
        if duty is None or end <= begin:
            continue
        family = FAMILIES[build.family]
        hours, assumed = _hours(duty, meters.get(machine_of[build.drive_id]), (end - begin) / timedelta(days=1))
        try:
            with quiet():
                low, high = loss_band(duty.power_kw, efficiency_band(family.efficiency_of(section)), hours, 1)
        except (CoreError, KeyError):
            continue  # a section that this program does not know any more
        loss = out.setdefault(build.drive_id, _Loss(what=""))
        loss.what = family.what(designation, strands)
        loss.low, loss.high, loss.hours = loss.low + low, loss.high + high, loss.hours + hours
        loss.assumed = loss.assumed or assumed
    return out


def _loss_lines(
    losses: dict[uuid.UUID, _Loss], named: dict[uuid.UUID, tuple[str, str]], frame: Frame
) -> list[LossLine]:
    """The greatest first."""
    greatest = sorted(losses.items(), key=lambda x: (-x[1].high, x[0]))[:MOST_LOSSES]
    return [
        LossLine(
            machine=named[drive][0],
            drive=named[drive][1],
            drive_id=drive,
            what=what_in_system(x.what, frame.units),
            hours=x.hours,
            assumed=x.assumed,
            lost=frame.band(x.low, x.high, kind="energy", style="about"),
        )
        for drive, x in greatest
    ]


def report_view(session: Session, since: date, until: date, minutes_from_utc: int = 0, units: str = "us") -> ReportView:
    """The report of a period. Raises InputError for a period that cannot be."""
    period, frame = Period(since, until, minutes_from_utc), Frame(units)
    named = _named(session)
    parts = _parts(session, period)
    failures, causes = _causes(session, period, named)
    late, late_count = _late(session, period)
    losses = _losses(session, period)
    total = None
    if losses:
        low, high = sum(x.low for x in losses.values()), sum(x.high for x in losses.values())
        total = frame.band(low, high, kind="energy", style="about")
    return ReportView(
        since=since,
        until=until,
        jobs=_jobs(session, period),
        loops=_loops(session, period, named),
        parts=parts,
        spent=round(sum(p.spent or 0.0 for p in parts), 2),
        unpriced=sum(p.count for p in parts if p.spent is None),
        failures=failures,
        causes=causes,
        late=late,
        late_count=late_count,
        fixes=_fixes(session, period, named),
        losses=_loss_lines(losses, named, frame),
        lost=total,
        drives=len(losses),
        assumed_hours=sum(x.assumed for x in losses.values()),
    )
