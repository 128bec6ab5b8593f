"""Saving builds: drafts in place, frozen ones never again, each resting on a calculation on record."""

from __future__ import annotations

import uuid
from math import cos, radians, sin
from typing import Any

from sqlmodel import Session, col, select

from tuyere.calc.families.protocol import DutyPart, Parts, WheelPart
from tuyere.calc.parts import ServiceFactorIn
from tuyere.calc.registry import Response, find, work
from tuyere.core.errors import InputError
from tuyere.store.base import now
from tuyere.store.builds import Build, CalcRecord, Element, Loop, Member, RouteStop
from tuyere.store.drive_book import _set_service, build_view, current_duty, service_factor_input
from tuyere.store.duties import Duty, Shaft
from tuyere.store.forms import BuildSave
from tuyere.store.machines import Drive
from tuyere.store.rows import below, of_operation, one
from tuyere.store.trouble import Frozen, Stale
from tuyere.store.views import BuildView

# What the next version of a duty takes over from the one before.
KEPT = ("driven_rpm", "driven_rpm_typed", "driven_rpm_origin", "tolerance_percent", "tolerance_origin", "centre_mm", "centre_typed",
        "centre_give_mm", "centre_give_typed", "surroundings")  # fmt: skip


def _worked(form: BuildSave) -> Response[Any]:
    calc = find(form.adapter.calc)
    return work(calc, calc.request_model.model_construct(units=form.units, basis=form.basis, input=form.given))


def _asked(service: ServiceFactorIn | None) -> dict[str, Any]:
    if service is None:
        return {}
    names = ("assume", "driver", "machine", "load", "hours_a_day", "chokes")
    return {n: getattr(v, "value", v) for n in names if (v := getattr(service, n)) is not None}


def _duty_for(session: Session, drive: Drive, form: BuildSave, part: DutyPart) -> Duty:
    """The current duty, or its next version where the build's power, speed or service factor differ."""
    current = current_duty(session, drive.id)
    if (
        current is not None
        and abs(current.power_kw / part.power.value - 1) < 1e-9
        and abs(current.driver_rpm / part.driver_speed.value - 1) < 1e-9
        and (service_factor_input(current) or {}) == _asked(part.service)
    ):
        return current
    duty = Duty(
        drive_id=drive.id,
        created_by_name=form.created_by_name,
        power_kw=part.power.value,
        power_typed=part.power.typed,
        driver_rpm=part.driver_speed.value,
        driver_rpm_typed=part.driver_speed.typed,
        driven_rpm=part.driven_rpm,
        driven_rpm_origin="build",
        rev=1,
    )
    if current is not None:
        duty.rev = current.rev + 1
        for name in KEPT:
            setattr(duty, name, getattr(current, name))
    _set_service(duty, part.service)
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


def _element(
    session: Session, build: Build, role: str, part: WheelPart, x: float, y: float, spec: dict[str, Any]
) -> Element:
    wheel = Element(
        build_id=build.id,
        shaft_id=_shaft(session, build.drive_id, role).id,
        kind=part.kind,
        x=x,
        y=y,
        diameter_mm=part.diameter_mm,
        diameter_kind=part.diameter_kind,
        diameter_typed=part.diameter_typed,
        diameter_origin="user",
        grooves=part.grooves,
        teeth=part.teeth,
        profile=part.profile,
        spec=part.spec | spec,
    )
    session.add(wheel)
    return wheel


def _write_parts(session: Session, build: Build, parts: Parts, worked: Response[Any]) -> None:
    x, y = parts.centre_mm * cos(radians(parts.angle)), parts.centre_mm * sin(radians(parts.angle))
    wheels = [
        _element(session, build, "driver", parts.driver, 0.0, 0.0, {"clockwise": parts.clockwise}),
        _element(session, build, "driven", parts.driven, x, y, {"angle": parts.angle}),
    ]
    loop = Loop(
        build_id=build.id,
        section=parts.loop.section,
        designation=parts.loop.designation,
        length_mm=parts.loop.length_mm,
        length_kind=parts.loop.length_kind,
        strands=parts.loop.strands,
        spec=parts.loop.spec,
    )
    session.add(loop)
    session.flush()
    for position, wheel in enumerate(wheels, 1):
        session.add(RouteStop(loop_id=loop.id, position=position, element_id=wheel.id))
    for no in range(1, parts.loop.members + 1):
        session.add(Member(loop_id=loop.id, no=no))
    answer = worked.model_dump(mode="json")
    session.add(
        CalcRecord(
            build_id=build.id,
            calc=worked.calc,
            core_version=worked.core,
            input={"units": worked.units, "basis": worked.basis, "input": answer["input"]},
            result={n: answer[n] for n in ("result", "notices", "elevation", "sheet")},
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
    if worked.sheet is not None and worked.sheet.emergency and not form.temporary:
        raise InputError(
            "temporary", False, worked.sheet.emergency, "kept as temporary, with a reason and a promised date"
        )
    builds = sorted(below(session, Build, "drive_id", drive_id), key=lambda b: b.no)
    # What is found on the machine is a record of its own: a plan that is being drafted stays as it is.
    aside = form.purpose == "found" and form.freeze
    draft = None if aside else next((b for b in builds if b.state == "draft"), None)
    if form.rev != (draft.rev if draft else 0):
        raise Stale("draft", build_view(session, draft).model_dump(mode="json") if draft else {})
    duty = _duty_for(session, drive, form, form.adapter.duty_of(form.given, worked.result))
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
            family=form.family,
            supersedes_id=before.id if before else None,
        )
    else:
        build = draft
        build.rev, build.op_id, build.purpose, build.duty_id = build.rev + 1, form.op_id, form.purpose, duty.id
        build.family = form.family
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
    _write_parts(session, build, form.adapter.parts_of(form.given, worked.result), worked)
    return build_view(session, build)


def change_build(session: Session, build_id: uuid.UUID, form: BuildSave) -> BuildView:
    """Save over a draft by its own id; raises Frozen when it is settled."""
    build = one(session, Build, build_id)
    if build.state == "frozen":
        raise Frozen("this build is settled; a change starts the next draft")
    return save_build(session, build.drive_id, form)
