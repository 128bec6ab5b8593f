"""Builds as a page needs them, from their rows: a few queries for any number of builds."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from dataclasses import dataclass
from math import hypot
from typing import Any

from sqlmodel import Session, col, select

from tuyere.calc.as_entered import as_entered
from tuyere.calc.families.protocol import FAMILIES, LoopPart, Parts, StoredDuty, WheelPart
from tuyere.calc.frame import Frame
from tuyere.store.builds import Build, CalcRecord, Element, Loop, RouteStop
from tuyere.store.duties import Duty
from tuyere.store.rows import one
from tuyere.store.service import service_factor_input
from tuyere.store.views import BuildView, DutyThen, RecordView


@dataclass(frozen=True, slots=True, kw_only=True)
class BuildRows:
    """What a build is made of: its loop, its wheels in the order of the route, and what its calculation says of itself."""

    loop: Loop
    wheels: tuple[Element, ...]
    basis: str
    core_version: str


def rows_of(session: Session, builds: Sequence[Build]) -> dict[uuid.UUID, BuildRows]:
    """The rows of many builds at once."""
    idents = [b.id for b in builds]
    loops = session.exec(select(Loop).where(col(Loop.build_id).in_(idents)).order_by(col(Loop.no))).all()
    first: dict[uuid.UUID, Loop] = {}
    for loop in loops:
        first.setdefault(loop.build_id, loop)
    stops = session.exec(
        select(RouteStop.loop_id, Element)
        .join(Element, col(Element.id) == col(RouteStop.element_id))
        .where(col(RouteStop.loop_id).in_([x.id for x in first.values()]))
        .order_by(col(RouteStop.position))
    ).all()
    wheels: dict[uuid.UUID, list[Element]] = {}
    for loop_id, element in stops:
        wheels.setdefault(loop_id, []).append(element)
    # The record itself may be large: only what is asked of it is read.
    records = session.exec(
        select(CalcRecord.build_id, CalcRecord.core_version, CalcRecord.input["basis"].as_string())
        .where(col(CalcRecord.build_id).in_(idents), col(CalcRecord.archived_at).is_(None))
        .order_by(col(CalcRecord.created_at))
    ).all()
    said = {ident: (str(version), str(basis or "ip20-1988")) for ident, version, basis in records}
    return {
        ident: BuildRows(loop=loop, wheels=tuple(wheels[loop.id]), basis=said[ident][1], core_version=said[ident][0])
        for ident, loop in first.items()
    }


def parts_of(rows: BuildRows) -> Parts:
    """A build's wheels and loop, from its rows."""
    driver, driven = rows.wheels[:2]
    loop = rows.loop

    def wheel(e: Element) -> WheelPart:
        return WheelPart(
            kind=e.kind,
            diameter_mm=e.diameter_mm,
            diameter_kind=e.diameter_kind,
            profile=e.profile,
            diameter_typed=e.diameter_typed,
            grooves=e.grooves,
            teeth=e.teeth,
            spec=e.spec,
        )

    return Parts(
        driver=wheel(driver),
        driven=wheel(driven),
        loop=LoopPart(
            section=loop.section,
            designation=loop.designation,
            length_mm=loop.length_mm,
            length_kind=loop.length_kind,
            strands=loop.strands,
            members=1,
            spec=loop.spec,
        ),
        centre_mm=hypot(driven.x - driver.x, driven.y - driver.y),
        angle=driven.spec.get("angle", 0.0),
        clockwise=driver.spec.get("clockwise", True),
    )


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
    f = Frame(units, "").figure
    return DutyThen(power=f(own.power_kw, "power"), driver_speed=f(own.driver_rpm, "speed"))


def build_views(session: Session, builds: Sequence[Build], current: Duty | None, units: str = "us") -> list[BuildView]:
    """Builds with the input of their calculation; numbers in the core's units.

    What stands on the machine and what is being drafted is worked for the duty that holds now (``current``): the duty
    a build was settled for is said where it differs. What has gone stays with its own duty.
    """
    rows = rows_of(session, builds)
    duties = {d.id: d for d in session.exec(select(Duty).where(col(Duty.id).in_({b.duty_id for b in builds}))).all()}
    views = []
    for b in builds:
        r, own, family = rows[b.id], duties[b.duty_id], FAMILIES[b.family]
        for_duty = own if b.valid_to is not None or current is None else current
        views.append(
            BuildView(
                id=b.id,
                rev=b.rev,
                no=b.no,
                purpose=b.purpose,
                state=b.state,
                family=b.family,
                calc=family.calc,
                what=family.what(r.loop.designation, r.loop.strands),
                valid_from=b.valid_from,
                valid_to=b.valid_to,
                created_by_name=b.created_by_name,
                temporary=b.temporary,
                temporary_reason=b.temporary_reason,
                temporary_ended=b.temporary_ended,
                promised_date=b.promised_date,
                basis=r.basis,
                core_version=r.core_version,
                settled_for=None if for_duty is own else _then(own, for_duty, units),
                wheel_entries=[as_entered(w.diameter_mm, w.diameter_typed, "length", units) for w in r.wheels[:2]],
                input=family.input_of(stored_duty(for_duty), parts_of(r)),
            )
        )
    return views


def build_input(session: Session, build: Build) -> dict[str, Any]:
    """The input of a build's calculation for the duty it was settled for, from its rows; numbers in the core's units."""
    rows = rows_of(session, [build])[build.id]
    return FAMILIES[build.family].input_of(stored_duty(session.get_one(Duty, build.duty_id)), parts_of(rows))


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
