"""Builds as a page needs them: a few queries for any number of builds."""

from __future__ import annotations

import uuid
from collections.abc import Mapping, Sequence

from pydantic import JsonValue
from sqlmodel import Session, col, select

from tuyere.calc.as_entered import as_entered
from tuyere.calc.families.duty_model import StoredDuty
from tuyere.calc.families.protocol import FAMILIES, dumped
from tuyere.calc.frame import Frame
from tuyere.store.builds.parts import read_parts
from tuyere.store.builds.tables import Build, CalcRecord
from tuyere.store.builds.views import BuildView, DutyThen, RecordView
from tuyere.store.drives.service import service_factor_input
from tuyere.store.drives.tables import Duty
from tuyere.store.plumbing.rows import one


def stored_duty(duty: Duty) -> StoredDuty:
    """A duty as the families take it: what it needs and the speed that is wanted."""
    wanted = None if duty.driven_rpm_origin == "build" else duty.driven_rpm
    return StoredDuty(
        power_kw=duty.power_kw,
        driver_rpm=duty.driver_rpm,
        service=service_factor_input(duty),
        wanted_rpm=wanted,
        tolerance_percent=duty.tolerance_percent if duty.tolerance_origin != "assumed" else None,
    )


def _then(own: Duty, now: Duty, units: str) -> DutyThen | None:
    """The duty a build was settled for, where it asks another power, speed or service factor than the present one."""
    same = (
        abs(own.power_kw / now.power_kw - 1) < 1e-9
        and abs(own.driver_rpm / now.driver_rpm - 1) < 1e-9
        and service_factor_input(own) == service_factor_input(now)
    )
    if same:
        return None
    f = Frame(units).figure
    return DutyThen(power=f(own.power_kw, "power"), driver_speed=f(own.driver_rpm, "speed"))


def build_views(
    session: Session,
    builds: Sequence[Build],
    current: Duty | None,
    units: str = "us",
    *,
    duties: Mapping[uuid.UUID, Duty] | None = None,
) -> list[BuildView]:
    """Builds with the input of their calculation; numbers in the core's units.

    What stands on the machine and what is being drafted is worked for the duty that holds now (``current``): the duty
    a build was settled for is said where it differs. What has gone stays with its own duty. ``duties`` are those of the
    drive, where they have been read already.
    """
    kept = read_parts(session, builds)
    if duties is None:
        wanted = select(Duty).where(col(Duty.id).in_({b.duty_id for b in builds}))
        duties = {d.id: d for d in session.exec(wanted).all()}
    views = []
    for b in builds:
        parts, own, family = kept[b.id], duties[b.duty_id], FAMILIES[b.family]
        for_duty = own if b.valid_to is not None or current is None else current
        wheels = (parts.driver, parts.driven)
        views.append(
            BuildView(
                id=b.id,
                rev=b.rev,
                no=b.no,
                purpose=b.purpose,
                state=b.state,
                family=b.family,
                calc=family.calc,
                what=family.what(parts.loop.designation, parts.loop.strands),
                valid_from=b.valid_from,
                valid_to=b.valid_to,
                created_by_name=b.created_by_name,
                temporary=b.temporary,
                temporary_reason=b.temporary_reason,
                temporary_ended=b.temporary_ended,
                promised_date=b.promised_date,
                options=b.options,
                core_version=b.core_version,
                settled_for=None if for_duty is own else _then(own, for_duty, units),
                wheel_entries=[as_entered(w.diameter.mm, w.diameter.typed, "length", units) for w in wheels],
                input=dict(dumped(family.given(stored_duty(for_duty), parts))),
            )
        )
    return views


def build_input(session: Session, build: Build) -> dict[str, JsonValue]:
    """The input of a build's calculation for the duty it was settled for, from its rows; numbers in the core's units."""
    parts = read_parts(session, [build])[build.id]
    return dict(dumped(FAMILIES[build.family].given(stored_duty(session.get_one(Duty, build.duty_id)), parts)))


def record_view(session: Session, build_id: uuid.UUID) -> RecordView:
    """The calculation on record for a build, as it was shown; raises NotThere."""
    build = one(session, Build, build_id)
    r = session.exec(
        select(CalcRecord)
        .where(CalcRecord.build_id == build.id, col(CalcRecord.archived_at).is_(None))
        .order_by(col(CalcRecord.created_at).desc())
    ).one()
    return RecordView(
        calc=r.calc,
        core_version=r.core_version,
        created_at=r.created_at,
        input=r.input,
        result=r.result,
        working=r.working,
    )
