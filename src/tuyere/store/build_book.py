"""Saving builds: drafts in place, frozen ones never again, each resting on a calculation on record."""

from __future__ import annotations

import uuid
from math import cos, radians, sin
from typing import Any

from sqlmodel import Session, col, select

from tuyere.calc.entries.v_belt_drive import VBeltDriveIn
from tuyere.calc.registry import Response, find, work
from tuyere.store.base import now
from tuyere.store.builds import Build, CalcRecord, Element, Loop, Member, RouteStop
from tuyere.store.drive_book import _set_service, build_view, current_duty, service_factor_input
from tuyere.store.duties import Duty, Shaft
from tuyere.store.forms import BuildSave
from tuyere.store.machines import Drive
from tuyere.store.rows import below, of_operation, one
from tuyere.store.trouble import Frozen, Stale
from tuyere.store.views import BuildView

CALC = "v-belt-drive"


def _worked(form: BuildSave) -> Response[Any]:
    request = find(CALC).request_model.model_construct(units=form.units, basis=form.basis, input=form.input)
    return work(find(CALC), request)


def _duty_for(session: Session, drive: Drive, form: BuildSave, worked: Response[Any]) -> Duty:
    """The current duty, or its next version where the build's power, speed or service factor differ."""
    given: VBeltDriveIn = form.input
    current = current_duty(session, drive.id)
    service = given.service_factor
    asked = (
        None
        if service is None
        else {
            k: getattr(v, "value", v)
            for k, v in (
                ("assume", service.assume),
                ("driver", service.driver),
                ("machine", service.machine),
                ("hours_a_day", service.hours_a_day),
                ("chokes", service.chokes),
            )
            if v is not None
        }
    )
    if (
        current is not None
        and abs(current.power_kw / given.power.value - 1) < 1e-9
        and abs(current.driver_rpm / given.driver.speed.value - 1) < 1e-9
        and (service_factor_input(current) or None) == (asked or None)
    ):
        return current
    duty = Duty(
        drive_id=drive.id,
        created_by_name=form.created_by_name,
        power_kw=given.power.value,
        power_typed=given.power.typed,
        driver_rpm=given.driver.speed.value,
        driver_rpm_typed=given.driver.speed.typed,
        driven_rpm=worked.result.driven_speed.value,
        driven_rpm_origin="build",
        rev=1,
    )
    if current is not None:
        duty.rev = current.rev + 1
        duty.driven_rpm, duty.driven_rpm_typed, duty.driven_rpm_origin = (
            current.driven_rpm,
            current.driven_rpm_typed,
            current.driven_rpm_origin,
        )
        duty.tolerance_percent, duty.tolerance_origin = current.tolerance_percent, current.tolerance_origin
        duty.centre_mm, duty.centre_typed = current.centre_mm, current.centre_typed
        duty.centre_give_mm, duty.centre_give_typed = current.centre_give_mm, current.centre_give_typed
        duty.surroundings = current.surroundings
    _set_service(duty, service)
    session.add(duty)
    session.flush()
    return duty


def _shaft(session: Session, drive_id: uuid.UUID, role: str) -> Shaft:
    found = session.exec(
        select(Shaft).where(Shaft.drive_id == drive_id, Shaft.role == role, col(Shaft.archived_at).is_(None))
    ).first()
    if found is None:
        found = Shaft(drive_id=drive_id, role=role)
        session.add(found)
        session.flush()
    return found


def _clear_parts(session: Session, build: Build) -> None:
    """Take a draft's parts away before they are written anew; the draft itself and its number stay."""
    for loop in below(session, Loop, "build_id", build.id):
        for row in [*below(session, RouteStop, "loop_id", loop.id), *below(session, Member, "loop_id", loop.id)]:
            session.delete(row)
        session.flush()
        session.delete(loop)
    session.flush()
    for row in [*below(session, Element, "build_id", build.id), *below(session, CalcRecord, "build_id", build.id)]:
        session.delete(row)
    session.flush()


def _write_parts(session: Session, build: Build, form: BuildSave, worked: Response[Any]) -> None:
    given: VBeltDriveIn = form.input
    centre, angle = worked.result.centre_distance.value, given.layout.angle
    wheels = []
    for role, sheave, x, y, spec in (
        ("driver", given.driver.sheave, 0.0, 0.0, {"clockwise": given.layout.clockwise}),
        (
            "driven",
            given.driven.sheave,
            centre * cos(radians(angle)),
            centre * sin(radians(angle)),
            {"angle": angle, "slip": given.slip.value if given.slip else 0.0},
        ),
    ):
        wheel = Element(
            build_id=build.id,
            shaft_id=_shaft(session, build.drive_id, role).id,
            x=x,
            y=y,
            diameter_mm=sheave.diameter.value,
            diameter_kind=sheave.kind or "outside",
            diameter_typed=sheave.diameter.typed,
            diameter_origin="user",
            grooves=int(worked.result.belts.value),
            profile=sheave.groove,
            spec=spec,
        )
        session.add(wheel)
        wheels.append(wheel)
    belts = int(worked.result.belts.value)
    loop = Loop(
        build_id=build.id,
        section=given.belt.designation.strip().rstrip("0123456789. -/").upper(),
        designation=worked.result.designation,
        length_mm=worked.result.belt_length.value,
        length_kind="effective" if given.driver.sheave.groove.endswith("V") else "datum",
        strands=belts,
    )
    session.add(loop)
    session.flush()
    for position, wheel in enumerate(wheels, 1):
        session.add(RouteStop(loop_id=loop.id, position=position, element_id=wheel.id))
    for no in range(1, belts + 1):
        session.add(Member(loop_id=loop.id, no=no))
    answer = worked.model_dump(mode="json")
    session.add(
        CalcRecord(
            build_id=build.id,
            calc=CALC,
            core_version=worked.core,
            input={"units": worked.units, "basis": worked.basis, "input": answer["input"]},
            result={"result": answer["result"], "notices": answer["notices"], "elevation": answer["elevation"]},
            working=answer["working"],
        )
    )
    session.flush()


def save_build(session: Session, drive_id: uuid.UUID, form: BuildSave) -> BuildView:
    """Save a configuration of a drive: the open draft is edited in place, else the next build begins.

    A settled record of what was found never touches the draft.
    Raises NotThere; Stale with the current draft when ``rev`` is not the present one; whatever the
    calculation refuses. ``freeze`` settles it: the build before it ends where this one begins.
    """
    if (known := of_operation(session, Build, form.op_id)) is not None:
        return build_view(session, known)
    drive = one(session, Drive, drive_id, lock=True)
    worked = _worked(form)
    builds = sorted(below(session, Build, "drive_id", drive_id), key=lambda b: b.no)
    # What is found on the machine is a record of its own: a plan that is being drafted stays as it is.
    aside = form.purpose == "found" and form.freeze
    draft = None if aside else next((b for b in builds if b.state == "draft"), None)
    if form.rev != (draft.rev if draft else 0):
        raise Stale("draft", build_view(session, draft).model_dump(mode="json") if draft else {})
    duty = _duty_for(session, drive, form, worked)
    if draft is None:
        before = builds[-1] if builds else None
        build = Build(
            id=form.id,
            op_id=form.op_id,
            created_by_name=form.created_by_name,
            drive_id=drive_id,
            no=before.no + 1 if before else 1,
            duty_id=duty.id,
            purpose=form.purpose,
            supersedes_id=before.id if before else None,
        )
    else:
        build = draft
        build.rev, build.op_id, build.purpose, build.duty_id = build.rev + 1, form.op_id, form.purpose, duty.id
    build.temporary, build.temporary_reason, build.promised_date = (
        form.temporary,
        form.temporary_reason,
        form.promised_date,
    )
    if form.freeze:
        build.state, build.valid_from = "frozen", now()
        for earlier in builds:
            if earlier.id != build.id and earlier.state == "frozen" and earlier.valid_to is None:
                earlier.valid_to = build.valid_from
                session.add(earlier)
    session.add(build)
    session.flush()
    if draft is not None:
        _clear_parts(session, build)
    _write_parts(session, build, form, worked)
    return build_view(session, build)


def change_build(session: Session, build_id: uuid.UUID, form: BuildSave) -> BuildView:
    """Save over a draft by its own id; raises Frozen when it is settled."""
    build = one(session, Build, build_id)
    if build.state == "frozen":
        raise Frozen("this build is settled; a change starts the next draft")
    return save_build(session, build.drive_id, form)
