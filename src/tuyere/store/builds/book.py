"""Saving builds: drafts in place, frozen ones never again, each resting on a calculation on record."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from typing import Any

from sqlmodel import Session

from tuyere.calc.around.parts import powers_of
from tuyere.calc.as_entered import with_unit
from tuyere.calc.entry import Entered
from tuyere.calc.families.duty_model import DutyPart
from tuyere.calc.families.parts_model import Parts
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Response, echo, find, work
from tuyere.core.notices import collected_notices
from tuyere.store.builds.forms import BuildSave
from tuyere.store.builds.parts import clear_parts, read_parts, write_parts
from tuyere.store.builds.read import build_input, build_views
from tuyere.store.builds.tables import Build, CalcRecord
from tuyere.store.builds.temporary import set_mark
from tuyere.store.builds.views import BuildView
from tuyere.store.drives.current import current_duty
from tuyere.store.drives.loads import set_loads
from tuyere.store.drives.service import asked_of, service_factor_input, set_service
from tuyere.store.drives.tables import Duty
from tuyere.store.machines.tables import Drive
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.differences import Difference, between, leaves
from tuyere.store.plumbing.rows import below, one
from tuyere.store.plumbing.trouble import Frozen, Stale

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


def _worked(form: BuildSave) -> tuple[Response[Any], Parts, DutyPart]:
    """The calculation as it is shown, and what it says of parts and duty."""
    calc, family = find(form.adapter.calc), form.adapter
    answer = work(calc, calc.request_model.model_construct(units=form.units, options=form.options, input=form.given))
    frame = Frame(form.units, form.options)
    with collected_notices():
        worked = family.worked(form.given, frame)
    return answer, family.whole_parts(form.given, worked, frame), family.duty_of(form.given, worked)


def _kept_text(given: Entered, units: str, kept: tuple[float, str | None] | None) -> str | None:
    """What was typed, with its unit; of a value that did not change, what was typed for it before."""
    if given.typed is not None:
        return with_unit(given.typed, given.kind, units)[:40]
    return kept[1] if kept is not None and abs(given.value / kept[0] - 1) < 1e-9 else None


def _duty_for(session: Session, actor: Actor, drive: Drive, form: BuildSave, part: DutyPart) -> Duty:
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
        created_by_name=actor.name,
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
    set_loads(session, duty)
    return duty


def _write_record(session: Session, build: Build, worked: Response[Any]) -> None:
    """The calculation as it was shown."""
    for old in below(session, CalcRecord, "build_id", build.id):
        session.delete(old)
    answer = worked.model_dump(mode="json")
    session.add(
        CalcRecord(
            build_id=build.id,
            calc=worked.calc,
            core_version=worked.core,
            input={"units": worked.units, "options": {**worked.options}, "input": answer["input"]},
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
    kept = read_parts(session, [before])[before.id]

    def telling(p: Parts) -> tuple[object, ...]:
        wheels = [(w.kind, round(w.diameter.mm, 2), w.profile, w.teeth) for w in p.wheels]
        return (*wheels, *((x.designation, x.strands) for x in p.loops))

    return telling(kept) == telling(parts)


def on_the_machine(builds: Sequence[Build]) -> Build | None:
    """What stands on the machine: settled, found or fitted, and not taken over by a later one."""
    standing = [b for b in builds if b.state == "frozen" and b.purpose != "designed" and b.valid_to is None]
    return standing[-1] if standing else None


def save_build(session: Session, actor: Actor, drive_id: uuid.UUID, form: BuildSave) -> BuildView:
    """Save a configuration of a drive: the open draft is edited in place, else the next build begins.

    A settled record of what was found never touches the draft.
    Raises NotThere; Stale with the current draft when ``rev`` is not the present one; whatever the
    calculation refuses. ``freeze`` settles it: what it takes the place of ends where it begins.
    """
    drive = one(session, Drive, drive_id, lock=True)
    worked, parts, duty_part = _worked(form)
    if form.purpose == "found":
        form.adapter.check_found(form.given)
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
    duty = _duty_for(session, actor, drive, form, duty_part)
    if others := powers_of(parts):
        set_loads(session, duty, others)
    if draft is None:
        latest = builds[-1] if builds else None
        build = Build(
            id=form.id,
            op_id=form.op_id,
            created_by_name=actor.name,
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
    build.options, build.core_version, build.clockwise = worked.options, worked.core, parts.clockwise
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
        clear_parts(session, build)
    write_parts(session, build, parts)
    _write_record(session, build, worked)
    (saved,) = build_views(session, [build], duty, form.units)
    return saved


def change_build(session: Session, actor: Actor, build_id: uuid.UUID, form: BuildSave) -> BuildView:
    """Save over a draft by its own id; raises Frozen when it is settled."""
    build = one(session, Build, build_id)
    if build.state == "frozen":
        raise Frozen("this build is settled; a change starts the next draft")
    return save_build(session, actor, build.drive_id, form)
