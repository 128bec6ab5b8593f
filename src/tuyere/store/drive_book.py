"""Keeping a drive: its duty, its builds, and the input its calculation takes."""

from __future__ import annotations

import uuid
from math import hypot
from typing import Any

from sqlmodel import Session, col, select

from tuyere.calc.entry import Entered, value_of
from tuyere.calc.families.protocol import FAMILIES, LoopPart, Parts, StoredDuty, WheelPart
from tuyere.calc.frame import Frame
from tuyere.calc.parts import ServiceFactorIn
from tuyere.store.base import now
from tuyere.store.builds import Build, CalcRecord, Element, Loop, RouteStop
from tuyere.store.duties import Duty
from tuyere.store.forms import DutySave
from tuyere.store.machine_book import machine_view
from tuyere.store.machines import Drive
from tuyere.store.rows import below, of_operation, one
from tuyere.store.trouble import Stale
from tuyere.store.views import BuildView, DriveView, DutyView, RecordView


def current_duty(session: Session, drive_id: uuid.UUID) -> Duty | None:
    """The duty that holds now."""
    return session.exec(
        select(Duty)
        .where(Duty.drive_id == drive_id, col(Duty.archived_at).is_(None))
        .order_by(col(Duty.valid_from).desc(), col(Duty.id))
    ).first()


def service_factor_input(duty: Duty) -> dict[str, Any] | None:
    """The service factor as the calculations take it."""
    if duty.service_factor is not None:
        return {"assume": duty.service_factor}
    if duty.driver_key is None and duty.machine_key is None and duty.load_class is None:
        return None
    given = {
        "driver": duty.driver_key,
        "machine": duty.machine_key,
        "load": duty.load_class,
        "hours_a_day": duty.hours_a_day,
        "chokes": duty.chokes,
    }
    return {k: v for k, v in given.items() if v is not None}


def duty_view(duty: Duty, units: str) -> DutyView:
    """A duty in the person's units."""
    f = Frame(units, "").figure
    return DutyView(
        id=duty.id,
        rev=duty.rev,
        valid_from=duty.valid_from,
        power=f(duty.power_kw, "power"),
        driver_speed=f(duty.driver_rpm, "speed"),
        driven_speed=f(duty.driven_rpm, "speed"),
        tolerance=f(duty.tolerance_percent, "percent"),
        tolerance_origin=duty.tolerance_origin,
        centre=None if duty.centre_mm is None else f(duty.centre_mm, "length", "tape"),
        centre_give=None if duty.centre_give_mm is None else f(duty.centre_give_mm, "length", "tape"),
        service_factor=service_factor_input(duty),
        surroundings=duty.surroundings,
    )


def _set_service(duty: Duty, given: ServiceFactorIn | None) -> None:
    duty.driver_key = given.driver if given else None
    duty.machine_key = given.machine if given else None
    duty.load_class = given.load if given else None
    duty.hours_a_day = given.hours_a_day.value if given and given.hours_a_day else None
    duty.chokes = given.chokes if given else None
    duty.service_factor = given.assume.value if given and given.assume else None


def _typed(e: Entered | None) -> str | None:
    return None if e is None else e.typed


def _fill_duty(duty: Duty, form: DutySave) -> None:
    duty.power_kw, duty.power_typed = form.power.value, form.power.typed
    duty.driver_rpm, duty.driver_rpm_typed = form.driver_speed.value, form.driver_speed.typed
    duty.driven_rpm, duty.driven_rpm_typed = form.driven_speed.value, form.driven_speed.typed
    duty.tolerance_percent = value_of(form.tolerance, 3.0)
    duty.tolerance_origin = "assumed" if form.tolerance is None else "user"
    duty.centre_mm, duty.centre_typed = (None, None) if form.centre is None else (form.centre.value, form.centre.typed)
    duty.centre_give_mm, duty.centre_give_typed = (
        (None, None) if form.centre_give is None else (form.centre_give.value, form.centre_give.typed)
    )
    duty.surroundings = form.surroundings
    _set_service(duty, form.service_factor)


def save_duty(session: Session, drive_id: uuid.UUID, form: DutySave) -> None:
    """Save the duty: in place while no build rests on it, else as the next version.

    Raises Stale with the current version when ``rev`` is not the present one.
    """
    if of_operation(session, Duty, form.op_id) is not None:
        return
    one(session, Drive, drive_id, lock=True)
    current = current_duty(session, drive_id)
    if form.rev != (current.rev if current else 0):
        raise Stale("duty", duty_view(current, form.units).model_dump(mode="json") if current else {})
    in_use = (
        current is not None and session.exec(select(Build.id).where(Build.duty_id == current.id)).first() is not None
    )
    if current is None or in_use:
        duty = Duty(
            id=form.id,
            op_id=form.op_id,
            created_by_name=form.created_by_name,
            drive_id=drive_id,
            power_kw=1,
            driver_rpm=1,
            driven_rpm=1,
            rev=current.rev + 1 if current else 1,
        )
    else:
        duty = current
        duty.rev, duty.op_id, duty.valid_from = duty.rev + 1, form.op_id, now()
    _fill_duty(duty, form)
    session.add(duty)
    session.flush()


def parts_of(session: Session, build: Build) -> Parts:
    """A build's wheels and loop, from its rows."""
    loop = below(session, Loop, "build_id", build.id)[0]
    stops = sorted(below(session, RouteStop, "loop_id", loop.id), key=lambda s: s.position)
    driver, driven = (session.get_one(Element, s.element_id) for s in stops[:2])

    def wheel(e: Element) -> WheelPart:
        return WheelPart(
            e.kind, e.diameter_mm, e.diameter_kind, e.profile, e.diameter_typed, e.grooves, e.teeth, e.spec
        )

    return Parts(
        wheel(driver),
        wheel(driven),
        LoopPart(loop.section, loop.designation, loop.length_mm, loop.length_kind, loop.strands, 1, loop.spec),
        hypot(driven.x - driver.x, driven.y - driver.y),
        driven.spec.get("angle", 0.0),
        driver.spec.get("clockwise", True),
    )


def build_input(session: Session, build: Build) -> dict[str, Any]:
    """The input of a build's calculation, from its rows; numbers in the core's units."""
    duty = session.get_one(Duty, build.duty_id)
    stored = StoredDuty(duty.power_kw, duty.driver_rpm, service_factor_input(duty))
    return FAMILIES[build.family].input_of(stored, parts_of(session, build))


def latest_record(session: Session, build_id: uuid.UUID) -> CalcRecord:
    """The calculation a build rests on; every saved build has one."""
    return session.exec(
        select(CalcRecord)
        .where(CalcRecord.build_id == build_id, col(CalcRecord.archived_at).is_(None))
        .order_by(col(CalcRecord.created_at).desc())
    ).one()


def build_view(session: Session, build: Build) -> BuildView:
    """A build with the input of its calculation."""
    loop = below(session, Loop, "build_id", build.id)[0]
    record = latest_record(session, build.id)
    return BuildView(
        id=build.id,
        rev=build.rev,
        no=build.no,
        purpose=build.purpose,
        state=build.state,
        family=build.family,
        calc=FAMILIES[build.family].calc,
        what=FAMILIES[build.family].what(loop.designation, loop.strands),
        valid_from=build.valid_from,
        valid_to=build.valid_to,
        created_by_name=build.created_by_name,
        temporary=build.temporary,
        temporary_reason=build.temporary_reason,
        promised_date=build.promised_date,
        basis=record.input.get("basis", "ip20-1988"),
        core_version=record.core_version,
        input=build_input(session, build),
    )


def record_view(session: Session, build_id: uuid.UUID) -> RecordView:
    """The calculation on record for a build, as it was shown; raises NotThere."""
    build = one(session, Build, build_id)
    r = latest_record(session, build.id)
    return RecordView(
        calc=r.calc,
        core_version=r.core_version,
        created_at=r.created_at,
        input=r.input,
        result=r.result,
        working=r.working,
    )


def drive_view(session: Session, ident: uuid.UUID, units: str = "us") -> DriveView:
    """Everything the page of a drive shows; raises NotThere."""
    drive = one(session, Drive, ident)
    duty = current_duty(session, ident)
    builds = sorted(below(session, Build, "drive_id", ident), key=lambda b: -b.no)
    return DriveView(
        id=drive.id,
        rev=drive.rev,
        name=drive.name,
        machine=machine_view(session, drive.machine_id),
        duty=None if duty is None else duty_view(duty, units),
        builds=[build_view(session, b) for b in builds],
    )
