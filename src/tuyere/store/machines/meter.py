"""Running hours: what a machine's meter showed, how many hours it runs a day, and when it will stand at so many."""

from __future__ import annotations

import uuid
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

from sqlmodel import Session, col, select

from tuyere.core.errors import InputError
from tuyere.store.machines.forms import MeterSave
from tuyere.store.machines.tables import Machine, MeterReading
from tuyere.store.machines.views import MeterView
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.rows import one

# Hours a day are those of the last quarter, or of all there is where that is less; less than a day apart says nothing.
LOOKS_BACK, LEAST_APART = timedelta(days=92), timedelta(days=1)
LATE = timedelta(minutes=5)


@dataclass(frozen=True, slots=True, kw_only=True)
class Meter:
    """The last reading since the meter was set back, and the hours a day that the readings before it say (None: too few)."""

    at: datetime
    hours: float
    per_day: float | None

    def reaches(self, hours: float) -> datetime | None:
        """When it stands at so many hours; None where nobody can say."""
        left = hours - self.hours
        if left <= 0:
            return self.at
        if not self.per_day:
            return None
        days = left / self.per_day
        return self.at + timedelta(days=days) if days < 36_500 else None

    def hours_at(self, when: datetime) -> float:
        """What it stands at by then, as far as can be said."""
        return self.hours + (self.per_day or 0.0) * (when - self.at).total_seconds() / 86_400


def _meter(rows: Sequence[MeterReading]) -> Meter:
    """A meter from its readings, the oldest first."""
    since = max((k for k, r in enumerate(rows) if r.reset), default=0)
    these = rows[since:]
    last = these[-1]
    early = next((r for r in these if last.at - r.at <= LOOKS_BACK), last)
    if last.at - early.at < LEAST_APART:
        early = these[0]
    apart = last.at - early.at
    per_day = None
    if apart >= LEAST_APART:
        per_day = (last.hours - early.hours) / (apart.total_seconds() / 86_400)
    return Meter(at=last.at, hours=last.hours, per_day=per_day)


def meters_of(session: Session, machines: Sequence[uuid.UUID]) -> dict[uuid.UUID, Meter]:
    """The meters of some machines; those without a reading are left out."""
    rows: dict[uuid.UUID, list[MeterReading]] = defaultdict(list)
    wanted = select(MeterReading).where(
        col(MeterReading.machine_id).in_(machines), col(MeterReading.archived_at).is_(None)
    )
    for r in session.exec(wanted.order_by(col(MeterReading.at), col(MeterReading.created_at))).all():
        rows[r.machine_id].append(r)
    return {ident: _meter(of) for ident, of in rows.items()}


def meter_view(session: Session, machine_id: uuid.UUID) -> MeterView:
    """A machine's meter; raises NotThere."""
    one(session, Machine, machine_id)
    meter = meters_of(session, [machine_id]).get(machine_id)
    if meter is None:
        return MeterView(at=None, hours=None, per_day=None)
    return MeterView(at=meter.at, hours=meter.hours, per_day=meter.per_day)


def read_meter(session: Session, actor: Actor, machine_id: uuid.UUID, form: MeterSave) -> MeterView:
    """Keep what a meter shows. Raises NotThere; InputError where it would have run backwards, or faster than time, or is still
    to come.
    """
    one(session, Machine, machine_id, lock=True)
    if form.at > now() + LATE:
        raise InputError("at", form.at.isoformat(), "that is still to come", "now, or earlier")
    meter = meters_of(session, [machine_id]).get(machine_id)
    if meter is not None and not form.reset:
        if form.at < meter.at:
            raise InputError("at", form.at.isoformat(), "a later reading is kept already", f"after {meter.at:%d %b %Y}")
        if form.hours < meter.hours:
            raise InputError(
                "hours",
                form.hours,
                "the meter ran backwards: was it changed or set back?",
                f"{meter.hours:g} h or more; or say that it was set back",
            )
        ran, passed = form.hours - meter.hours, (form.at - meter.at).total_seconds() / 3600
        if ran > passed + 1:
            raise InputError(
                "hours",
                form.hours,
                "more hours than have passed since the last reading",
                f"{meter.hours + passed:.0f} h",
            )
    session.add(
        MeterReading(
            id=form.id,
            op_id=form.op_id,
            created_by_name=actor.name,
            machine_id=machine_id,
            at=form.at,
            hours=form.hours,
            reset=form.reset,
        )
    )
    session.flush()
    return meter_view(session, machine_id)
