"""Where a drive's readings go: wear, travel left and speed over time, with their limits and when they will cross."""

from __future__ import annotations

import uuid
from collections import defaultdict
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from math import isfinite

from sqlmodel import Session, col, select

from tuyere.calc.registry import Units, find, work
from tuyere.calc.shown import inside
from tuyere.core.errors import CoreError, InputError
from tuyere.core.upkeep.trend import Crossing, Trend, crossing_of, trend_of
from tuyere.core.wear.groove import DISH_LIMIT_MM
from tuyere.jobs.facts import DriveKnown
from tuyere.store.jobs.dues import open_due_of
from tuyere.store.jobs.read import build_of, known_of
from tuyere.store.jobs.tables import Due, Reading
from tuyere.store.jobs.tables import Job as JobRow
from tuyere.store.machines.tables import Drive
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.rows import one
from tuyere.store.upkeep.views import TrendPoint, TrendsView, TrendView

# What is due further off than this is not put on the round yet.
FURTHEST = timedelta(days=400)
SLIP_SHARE = 0.98  # of the slowest the wheels allow, as the speed reading of a job judges
MOST = 200


@dataclass(frozen=True, slots=True, kw_only=True)
class Series:
    """One reading over time since it began anew: its limit in the core's unit of ``quantity``, and on which side of it is trouble."""

    key: str
    label: str
    quantity: str
    limit: float
    because: str
    rising: bool
    points: tuple[tuple[datetime, float, uuid.UUID | None], ...]

    def days(self) -> list[float]:
        """Days from the first reading."""
        first = self.points[0][0]
        return [(at - first).total_seconds() / 86_400 for at, _, _ in self.points]

    @property
    def values(self) -> list[float]:
        """In the core's unit."""
        return [v for _, v, _ in self.points]


def _visits(rows: Sequence[Reading]) -> Iterator[dict[str, Reading]]:
    """Readings of one step of one job together, the oldest visit first; of several rounds the last stands."""
    groups: dict[tuple[object, str], dict[str, Reading]] = defaultdict(dict)
    for r in rows:
        groups[r.job_id or r.id, r.step][r.target] = r
    yield from sorted(groups.values(), key=lambda g: max(r.at for r in g.values()))


def _stretch(rows: Sequence[Reading], known: DriveKnown) -> Iterator[Series]:
    """Elongation in percent, each visit worked as the chain's own calculation does."""
    points = []
    limit, because = 0.0, ""
    for visit in _visits(rows):
        pitches, length = visit.get("pitches"), visit.get("length")
        if pitches is None or length is None or pitches.value is None or length.value is None:
            continue
        asked = known.family.wear_of(known.given, round(pitches.value), length.value)
        if asked is None:
            return
        calc = find(asked[0])
        try:
            said = work(calc, calc.request_model.model_validate({"units": "si", "input": dict(asked[1])})).result
        except CoreError:
            # A reading that no chain can have stays in the record and says nothing of a trend.
            continue
        limit, because = float(said.limit.value), str(said.limit_because)
        points.append((length.at, float(said.elongation.value), length.job_id))
    if points:
        yield Series(
            key="stretch",
            label="Chain stretched",
            quantity="percent",
            limit=limit,
            because=because,
            rising=True,
            points=tuple(points),
        )


def _plain(rows: Sequence[Reading], target: str) -> tuple[tuple[datetime, float, uuid.UUID | None], ...]:
    return tuple((v[target].at, v[target].value or 0.0, v[target].job_id) for v in _visits(rows) if target in v)


def series_of(session: Session, drive_id: uuid.UUID, known: DriveKnown) -> list[Series]:
    """Every reading of a drive that has a limit, since its loop (or for grooves: its wheel) was last changed."""
    wanted = (
        select(Reading)
        .where(Reading.drive_id == drive_id, col(Reading.archived_at).is_(None), col(Reading.value).is_not(None))
        .where(col(Reading.reads).in_(("chain-stretch", "groove-gap", "length", "speed")))
        .order_by(col(Reading.at).desc())
        .limit(MOST)
    )
    rows = list(reversed(session.exec(wanted).all()))
    fitted = _last(session, drive_id, "fit")
    changed = _last(session, drive_id, "replace")
    since_fit = [r for r in rows if fitted is None or r.at >= fitted]
    since_change = [r for r in rows if changed is None or r.at >= changed]
    found = list(_stretch([r for r in since_fit if r.reads == "chain-stretch"], known))
    grooves = [r for r in since_change if r.reads == "groove-gap"]
    for wheel, words in (("driver", "Driver's groove worn"), ("driven", "Driven wheel's groove worn")):
        found.append(
            Series(
                key=f"groove-{wheel}",
                label=words,
                quantity="gap",
                limit=DISH_LIMIT_MM,
                because="1/32 in under the gauge, shop practice",
                rising=True,
                points=_plain(grooves, wheel),
            )
        )
    found.append(
        Series(
            key="travel",
            label="Take-up left",
            quantity="length",
            limit=0.0,
            because="then it can be tightened no more",
            rising=False,
            points=_plain([r for r in since_fit if r.reads == "length" and r.step == "travel-left"], "it"),
        )
    )
    found.append(
        Series(
            key="speed",
            label="Driven speed",
            quantity="speed",
            limit=SLIP_SHARE * float(known.worked.speeds.low_rpm),
            because="2 % under what the wheels allow: it slips",
            rising=False,
            points=_plain([r for r in since_fit if r.reads == "speed"], "it"),
        )
    )
    return [s for s in found if s.points]


def _last(session: Session, drive_id: uuid.UUID, kind: str) -> datetime | None:
    """When the last job of a kind was begun that is closed."""
    return session.exec(
        select(JobRow.opened_at)
        .where(JobRow.drive_id == drive_id, JobRow.kind == kind, JobRow.state == "closed")
        .where(col(JobRow.archived_at).is_(None))
        .order_by(col(JobRow.closed_at).desc())
    ).first()


@dataclass(frozen=True, slots=True, kw_only=True)
class Told:
    """A series with its line and crossing, or why it has none yet."""

    series: Series
    trend: Trend | None
    crossing: Crossing | None
    why_not: str

    def day(self, days: float) -> datetime | None:
        """The date so many days after the last reading."""
        return self.series.points[-1][0] + timedelta(days=days) if isfinite(days) else None


def told(series: Series) -> Told:
    """Work a series."""
    try:
        trend = trend_of(series.days(), series.values)
        crossing = crossing_of(series.days(), series.values, series.limit, rising=series.rising)
    except InputError as e:
        return Told(series=series, trend=None, crossing=None, why_not=f"{e.why}: {e.allowed}")
    return Told(series=series, trend=trend, crossing=crossing, why_not="")


def _date(at: datetime) -> str:
    return f"{at.day} {at:%b %Y}"


def says(of: Told) -> str:
    """What a trend says, in a sentence."""
    crossing, trend = of.crossing, of.trend
    if crossing is None or trend is None:
        return f"Not yet a trend: {of.why_not}."
    if crossing.latest == 0:
        return "It is past its limit."
    first, last = of.day(crossing.earliest), of.day(crossing.latest)
    if first is None or not isfinite(crossing.days):
        return "At its limit not in sight." if trend.moves else "It stands, as far as the readings tell."
    if last is None:
        return f"At its limit from {_date(first)} on, perhaps much later."
    if crossing.earliest == 0:
        return f"At its limit now or by {_date(last)}."
    return f"At its limit between {_date(first)} and {_date(last)}."


def trends_view(session: Session, drive_id: uuid.UUID, units: Units) -> TrendsView:
    """Where the readings of a drive go. Raises NotThere; InputError for a drive of which nothing is known."""
    one(session, Drive, drive_id)
    known = known_of(session, build_of(session, drive_id), units)
    f = known.frame.figure
    out = []
    for series in series_of(session, drive_id, known):
        of = told(series)
        out.append(
            TrendView(
                key=series.key,
                label=series.label,
                says=says(of),
                limit=f(series.limit, series.quantity),
                because=series.because,
                points=[TrendPoint(at=at, value=f(v, series.quantity), job_id=job) for at, v, job in series.points],
                earliest=None if of.crossing is None else of.day(of.crossing.earliest),
                latest=None if of.crossing is None else of.day(of.crossing.latest),
            )
        )
    return TrendsView(trends=out)


def refresh_trends(session: Session, actor: Actor, drive_id: uuid.UUID) -> None:
    """Put what will cross its limit on the round, by its earliest day, in the place of what stood there before."""
    row = one(session, Drive, drive_id)
    try:
        known = known_of(session, build_of(session, drive_id), "us")
    except CoreError:
        return
    present = now()
    every = series_of(session, drive_id, known)
    gone = select(Due).where(
        Due.drive_id == drive_id,
        Due.made_by == "trend",
        col(Due.reason_key).not_in([f"trend-{s.key}" for s in every]),
        col(Due.done_at).is_(None),
        col(Due.archived_at).is_(None),
    )
    # A new loop begins its readings anew: what was foretold of the old one holds no more.
    for due in session.exec(gone).all():
        due.archived_at = present
        session.add(due)
    for series in every:
        reason = f"trend-{series.key}"
        of = told(series)
        day = None if of.crossing is None or not of.series.points else of.day(of.crossing.earliest)
        old = open_due_of(session, drive_id, reason)
        if of.trend is not None and not of.trend.moves and of.crossing is not None and of.crossing.latest > 0:
            day = None
        for due in old[0 if day is None or day - present > FURTHEST else 1 :]:
            due.archived_at = present
            session.add(due)
        if day is None or day - present > FURTHEST:
            continue
        title = f"{series.label}: {inside(says(of))}"[:120]
        if old:
            due = old[0]
            due.title, due.by_date, due.rev = title, day, due.rev + 1
        else:
            due = Due(
                created_by_name=actor.name,
                machine_id=row.machine_id,
                drive_id=drive_id,
                title=title,
                reason_key=reason,
                by_date=day,
                made_by="trend",
            )
        session.add(due)
