"""Saving builds: drafts in place, frozen ones never again, each resting on a calculation on record."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from math import cos, radians, sin
from typing import Any

from sqlmodel import Session, col, select

from tuyere.calc.as_entered import with_unit
from tuyere.calc.entry import Entered
from tuyere.calc.families.protocol import DutyPart, Parts, WheelPart
from tuyere.calc.registry import Response, echo, find, work
from tuyere.store.base import now
from tuyere.store.build_views import build_input, build_views, parts_of, rows_of
from tuyere.store.builds import Build, CalcRecord, Element, Loop, Member, RouteStop
from tuyere.store.differences import Difference, between, leaves
from tuyere.store.drive_book import current_duty
from tuyere.store.duties import Duty, Shaft
from tuyere.store.forms import BuildSave
from tuyere.store.machines import Drive
from tuyere.store.rows import below, one
from tuyere.store.service import asked_of, service_factor_input, set_service
from tuyere.store.temporary import set_mark
from tuyere.store.trouble import Frozen, Stale
from tuyere.store.views import BuildView

# What the next version of a duty takes over from the one before.
KEPT = (
    "driven_rpm",
    "driven_rpm_typed",
    "driven_rpm_origin",
    "tolerance_percent",
    "tolerance_origin",
    "centre_mm",
    "centre_typed",
    "centre_give_mm",
    "centre_give_typed",
    "surroundings",
)


def _worked(form: BuildSave) -> Response[Any]:
    calc = find(form.adapter.calc)
    return work(calc, calc.request_model.model_construct(units=form.units, basis=form.basis, input=form.given))


def _kept_text(given: Entered, units: str, kept: tuple[float, str | None] | None) -> str | None:
    """What was typed, with its unit; of a value that did not change, what was typed for it before."""
    if given.typed is not None:
        return with_unit(given.typed, given.kind, units)[:40]
    return kept[1] if kept is not None and abs(given.value / kept[0] - 1) < 1e-9 else None


def _duty_for(session: Session, drive: Drive, form: BuildSave, part: DutyPart) -> Duty:
    """The current duty, or its next version where the build's power, speed or service factor differ."""
    current = current_duty(session, drive.id)
    if (
        current is not None
        and abs(current.power_kw / part.power.value - 1) < 1e-9
        and abs(current.driver_rpm / part.driver_speed.value - 1) < 1e-9
        and (service_factor_input(current) or {}) == asked_of(part.service)
    ):
        return current
    wanted = part.wanted
    duty = Duty(
        drive_id=drive.id,
        created_by_name=form.created_by_name,
        power_kw=part.power.value,
        power_typed=_kept_text(part.power, form.units, (current.power_kw, current.power_typed) if current else None),
        driver_rpm=part.driver_speed.value,
        driver_rpm_typed=_kept_text(
            part.driver_speed, form.units, (current.driver_rpm, current.driver_rpm_typed) if current else None
        ),
        driven_rpm=part.driven_rpm if wanted is None else wanted.speed.value,
        driven_rpm_origin="build" if wanted is None else "user",
        rev=1,
    )
    if current is not None:
        duty.rev = current.rev + 1
        for name in KEPT:
            setattr(duty, name, getattr(current, name))
    set_service(duty, part.service)
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
    session: Session, build: Build, *, role: str, part: WheelPart, place: tuple[float, float], spec: dict[str, Any]
) -> Element:
    wheel = Element(
        build_id=build.id,
        shaft_id=_shaft(session, build.drive_id, role).id,
        kind=part.kind,
        x=place[0],
        y=place[1],
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
    at = parts.centre_mm * cos(radians(parts.angle)), parts.centre_mm * sin(radians(parts.angle))
    wheels = [
        _element(
            session, build, role="driver", part=parts.driver, place=(0.0, 0.0), spec={"clockwise": parts.clockwise}
        ),
        _element(session, build, role="driven", part=parts.driven, place=at, spec={"angle": parts.angle}),
    ]
    loop = Loop(
        build_id=build.id,
        section=parts.loop.section,
        designation=parts.loop.designation,
        length_mm=parts.loop.length_mm,
        length_kind=parts.loop.length_kind,
        strands=parts.loop.strands,
        joined=parts.loop.joined,
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


def _differences(session: Session, form: BuildSave, draft: Build) -> list[Difference]:
    """Where a form's drive differs from the draft that is there; none where they are of two families."""
    if draft.family != form.family:
        return []
    model = type(form.given)
    kept = model.model_validate(build_input(session, draft))
    theirs, yours = (leaves(echo(x, form.units)) for x in (kept, form.given))
    return list(between(yours, theirs, "input."))


def _same_parts(session: Session, before: Build | None, parts: Parts, family: str) -> bool:
    """Whether a build has the very wheels and belts of another one."""
    if before is None or before.family != family:
        return False
    kept = parts_of(rows_of(session, [before])[before.id])

    def telling(p: Parts) -> tuple[object, ...]:
        wheels = [(w.kind, round(w.diameter_mm, 2), w.profile, w.teeth) for w in (p.driver, p.driven)]
        return (*wheels, p.loop.designation, p.loop.strands)

    return telling(kept) == telling(parts)


def on_the_machine(builds: Sequence[Build]) -> Build | None:
    """What stands on the machine: settled, found or fitted, and not taken over by a later one."""
    standing = [b for b in builds if b.state == "frozen" and b.purpose != "designed" and b.valid_to is None]
    return standing[-1] if standing else None


def save_build(session: Session, drive_id: uuid.UUID, form: BuildSave) -> BuildView:
    """Save a configuration of a drive: the open draft is edited in place, else the next build begins.

    A settled record of what was found never touches the draft.
    Raises NotThere; Stale with the current draft when ``rev`` is not the present one; whatever the
    calculation refuses. ``freeze`` settles it: what it takes the place of ends where it begins.
    """
    drive = one(session, Drive, drive_id, lock=True)
    worked = _worked(form)
    if form.purpose == "found":
        form.adapter.check_found(form.given)
    parts = form.adapter.parts_of(form.given, worked.result)
    builds = sorted(below(session, Build, "drive_id", drive_id), key=lambda b: b.no)
    # What is found on the machine is a record of its own: a plan that is being drafted stays as it is.
    aside = form.purpose == "found" and form.freeze
    draft = None if aside else next((b for b in builds if b.state == "draft"), None)
    if form.rev != (draft.rev if draft else 0):
        if draft is None:
            raise Stale("draft", {})
        (view,) = build_views(session, [draft], current_duty(session, drive_id), form.units)
        raise Stale("draft", view.model_dump(mode="json"), _differences(session, form, draft))
    standing = on_the_machine(builds)
    # A draft that is settled takes over from the machine; while it is only drawn, its own mark is the one it keeps.
    before = standing if draft is None or (form.freeze and not draft.temporary) else draft
    same = _same_parts(session, before, parts, form.family)
    duty = _duty_for(session, drive, form, form.adapter.duty_of(form.given, worked.result))
    if draft is None:
        latest = builds[-1] if builds else None
        build = Build(
            id=form.id,
            op_id=form.op_id,
            created_by_name=form.created_by_name,
            drive_id=drive_id,
            no=latest.no + 1 if latest else 1,
            duty_id=duty.id,
            purpose=form.purpose,
            family=form.family,
            supersedes_id=latest.id if latest else None,
        )
    else:
        build = draft
        build.rev, build.op_id, build.purpose, build.duty_id = build.rev + 1, form.op_id, form.purpose, duty.id
        build.family = form.family
    emergency = worked.sheet.emergency if worked.sheet is not None else ""
    set_mark(build, form, before, same_parts=same, emergency=emergency)
    if form.freeze:
        build.state, build.valid_from = "frozen", now()
        for earlier in builds:
            # A plan that is settled replaces plans; the machine keeps what it has until something is fitted.
            replaced = form.purpose != "designed" or earlier.purpose == "designed"
            if earlier.id != build.id and earlier.state == "frozen" and earlier.valid_to is None and replaced:
                earlier.valid_to = build.valid_from
                session.add(earlier)
    session.add(build)
    session.flush()
    if draft is not None:
        _clear_parts(session, build)
    _write_parts(session, build, parts, worked)
    (saved,) = build_views(session, [build], duty, form.units)
    return saved


def change_build(session: Session, build_id: uuid.UUID, form: BuildSave) -> BuildView:
    """Save over a draft by its own id; raises Frozen when it is settled."""
    build = one(session, Build, build_id)
    if build.state == "frozen":
        raise Frozen("this build is settled; a change starts the next draft")
    return save_build(session, build.drive_id, form)
