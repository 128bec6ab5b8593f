"""Reading what may be asked about a drive's speeds."""

from __future__ import annotations

import uuid
from dataclasses import dataclass

from pydantic import JsonValue
from sqlmodel import Session

from tuyere.calc.entry import reading_in
from tuyere.calc.families.protocol import FAMILIES, dumped
from tuyere.calc.frame import Frame
from tuyere.calc.registry import CALCULATIONS, Units
from tuyere.core.errors import CoreError, InputError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.store.builds.parts import read_parts
from tuyere.store.builds.read import stored_duty
from tuyere.store.builds.tables import Build
from tuyere.store.drives.current import current_duty
from tuyere.store.drives.tables import Duty
from tuyere.store.jobs.read import build_of
from tuyere.store.machines.tables import Drive, Machine
from tuyere.store.plumbing.rows import below, one
from tuyere.store.speeds.plate import plate_view
from tuyere.store.speeds.views import QuestionView, SpeedsView


@dataclass(frozen=True, slots=True)
class SpeedsPart:
    """What a build says of itself: its calculation, its input, and its driven speed (rpm) where it can be worked."""

    calc: str
    given: dict[str, JsonValue]
    rpm: float | None


def _questions(session: Session, build: Build, units: Units) -> tuple[SpeedsPart, list[QuestionView]]:
    parts, family = read_parts(session, [build])[build.id], FAMILIES[build.family]
    given = family.given(stored_duty(session.get_one(Duty, build.duty_id)), parts)
    part = SpeedsPart(family.calc, dict(dumped(given)), None)
    try:
        with reading_in(units), quiet(), collected_notices():
            worked = family.worked(given, Frame(units, build.options))
            asked = family.speed_questions(given, worked, units)
            part = SpeedsPart(family.calc, part.given, worked.driven_rpm)
    except CoreError:
        return part, []
    shown = [QuestionView(calc=q.calc, title=CALCULATIONS[q.calc].title, input=q.values) for q in asked]
    return part, shown


def speeds_view(session: Session, drive_id: uuid.UUID, units: Units) -> SpeedsView:
    """Everything about a drive's speeds. Raises NotThere."""
    drive = one(session, Drive, drive_id)
    machine = session.get_one(Machine, drive.machine_id)
    part, questions, family, options = SpeedsPart("", {}, None), list[QuestionView](), "", dict[str, str]()
    try:
        build = build_of(session, drive_id)
        part, questions = _questions(session, build, units)
        family, options = build.family, build.options
    except InputError:
        pass
    duty = current_duty(session, drive_id)
    draft = next((b for b in below(session, Build, "drive_id", drive_id) if b.state == "draft"), None)
    f = Frame(units).figure
    return SpeedsView(
        drive_id=drive.id,
        name=drive.name,
        machine=machine.name,
        machine_id=machine.id,
        family=family,
        calc=part.calc,
        input=part.given,
        options=options,
        draft_rev=0 if draft is None else draft.rev,
        driven_speed=None if part.rpm is None else f(part.rpm, "speed"),
        wanted_speed=None if duty is None else f(duty.driven_rpm, "speed"),
        plate=plate_view(session, drive_id, units),
        questions=questions,
    )
