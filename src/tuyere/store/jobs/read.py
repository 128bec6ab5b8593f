"""Jobs from their rows, and as a page needs them."""

from __future__ import annotations

import uuid
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import lru_cache
from typing import Any

from pydantic import TypeAdapter
from sqlmodel import Session, col, select

from tuyere.calc.designation import what_in_system
from tuyere.calc.families.protocol import FAMILIES, dumped
from tuyere.calc.frame import elevation_out
from tuyere.calc.kinds import KINDS
from tuyere.calc.registry import Units
from tuyere.calc.scene_out import scene_out
from tuyere.calc.shown import shown
from tuyere.core.errors import InputError
from tuyere.instruments.simulated import instrument_for
from tuyere.jobs.answers import Said, answer_for
from tuyere.jobs.facts import DriveKnown, figure_of
from tuyere.jobs.handled import Handled, handled_at
from tuyere.jobs.job import Event, Job, Read, StepState, replayed
from tuyere.jobs.reads import Asked, asked_at
from tuyere.jobs.situation import JobStep, Situation, steps_for
from tuyere.jobs.template import Template, template_of
from tuyere.store.builds.book import on_the_machine
from tuyere.store.builds.parts import read_parts
from tuyere.store.builds.read import stored_duty
from tuyere.store.builds.tables import Build
from tuyere.store.drives.ends import ends_view
from tuyere.store.drives.tables import Duty
from tuyere.store.jobs.tables import Job as JobRow
from tuyere.store.jobs.tables import Photo, Reading, StepEvent
from tuyere.store.jobs.views import (
    AskedView,
    FigureShown,
    HandledView,
    IsolationView,
    JobView,
    OnShelf,
    SaidView,
    StepView,
)
from tuyere.store.machines.tables import Drive, Machine
from tuyere.store.plumbing.rows import below
from tuyere.store.shelf.book import parts_for
from tuyere.store.twins.tables import Twin

_SITUATION = TypeAdapter(Situation)
STYLES = {"length": "tape", "angle": "fine"}


def situation_of(row: JobRow) -> Situation:
    """What a job's steps depend on, as it was when it was opened."""
    return _SITUATION.validate_python(row.situation)


def situation_kept(at: Situation) -> dict[str, Any]:
    """A situation as it is kept."""
    kept: dict[str, Any] = _SITUATION.dump_python(at, mode="json")
    return kept


def event_of(row: StepEvent) -> Event:
    """An event from its row."""
    return Event(
        id=str(row.id),
        step=row.step,
        kind=row.kind,
        actor=row.created_by_name,
        at=row.at,
        data=row.data,
        corrects=None if row.corrects_id is None else str(row.corrects_id),
        reason=row.reason,
    )


@dataclass(frozen=True, kw_only=True)
class Told:
    """A job told from its events, with the template it was opened by."""

    row: JobRow
    template: Template
    job: Job
    photos: Mapping[str, list[uuid.UUID]] = field(default_factory=dict)


def _photos(session: Session, job_id: uuid.UUID) -> dict[str, list[uuid.UUID]]:
    """Photos of a job by the step they were taken at."""
    out: dict[str, list[uuid.UUID]] = {}
    wanted = select(Photo.step, Photo.id).where(Photo.job_id == job_id, col(Photo.archived_at).is_(None))
    for step, ident in session.exec(wanted.order_by(col(Photo.taken_at))).all():
        out.setdefault(step, []).append(ident)
    return out


@lru_cache(maxsize=256)
def _template(text: str) -> Template:
    """A template from the text that a job keeps: many jobs keep the same."""
    return template_of(text)


def told(session: Session, row: JobRow) -> Told:
    """Tell a job from its events."""
    template = _template(row.template_text)
    events = session.exec(select(StepEvent).where(StepEvent.job_id == row.id).order_by(col(StepEvent.seq))).all()
    return Told(
        row=row,
        template=template,
        job=replayed(steps_for(template, situation_of(row)), [event_of(e) for e in events]),
    )


def build_of(session: Session, drive_id: uuid.UUID) -> Build:
    """The build a job is for: what stands on the machine, else the newest. Raises InputError where nothing is known of the drive."""
    builds = sorted(below(session, Build, "drive_id", drive_id), key=lambda b: b.no)
    found = on_the_machine(builds) or (builds[-1] if builds else None)
    if found is None:
        raise InputError("drive", None, "nothing is known of this drive yet", "say first what is there")
    return found


def known_of(session: Session, build: Build, units: Units) -> DriveKnown:
    """A build's drive as jobs ask about it, for the duty it was settled for."""
    parts, family = read_parts(session, [build])[build.id], FAMILIES[build.family]
    given = family.given(stored_duty(session.get_one(Duty, build.duty_id)), parts)
    return DriveKnown(
        calc=family.calc,
        input=dict(dumped(given)),
        options=build.options,
        units=units,
        what=what_in_system(family.what(parts.loop.designation, parts.loop.strands), units),
        ends=ends_view(session, build.drive_id).given,
    )


def read_shown(quantity: str, value: float | None, words: str, units: str) -> str:
    """A reading as a person reads it."""
    if value is None or quantity not in KINDS:
        return words
    return shown(value, quantity, units, STYLES.get(quantity, ""))


def _before(session: Session, row: JobRow, reads: str) -> dict[str, Reading]:
    """The last reading of each target at an earlier job of this drive."""
    wanted = (
        select(Reading)
        .where(Reading.drive_id == row.drive_id, Reading.reads == reads, col(Reading.archived_at).is_(None))
        .where(col(Reading.job_id) != row.id, col(Reading.at) < row.opened_at)
        .order_by(col(Reading.at))
    )
    return {r.target: r for r in session.exec(wanted).all()}


def _unit(kind: str, units: str) -> str:
    of = KINDS.get(kind)
    return "" if of is None else of.us_shown if units == "us" else of.si_shown


def _asked_view(
    a: Asked, step: JobStep, *, read: Read | None, before: Reading | None, at: tuple[str, str]
) -> AskedView:
    units, tool = at
    value = read.value if read is not None else None
    return AskedView(
        target=a.target,
        label=a.label,
        kinds=list(a.kinds),
        units=[_unit(k, units) for k in a.kinds],
        needed=a.needed,
        value=""
        if read is None
        else read_shown(read.quantity, value if isinstance(value, float) else None, str(value), units),
        typed="" if read is None else read.typed,
        quantity="" if read is None else read.quantity,
        event=None if read is None else uuid.UUID(read.event),
        before="" if before is None else read_shown(before.quantity, before.value, before.words, units),
        before_typed="" if before is None else before.typed,
        before_at=None if before is None else before.at,
        instruments=[instrument_for(step.of.reads, a.target, k, tool) for k in a.kinds],
    )


def remembered(asked: Sequence[Asked], state: StepState, before: Mapping[str, Reading]) -> StepState:
    """A step's state with what holds for the drive taken over from an earlier round or job, where this one has not read it anew."""
    kept: dict[str, Read] = {}
    for a in asked:
        if not a.remembered or a.target in state.readings:
            continue
        earlier = next((r[a.target] for r in reversed(state.rounds) if a.target in r), None)
        if earlier is not None:
            kept[a.target] = earlier
            continue
        old = before.get(a.target)
        if old is not None and old.value is not None:
            kept[a.target] = Read(
                event=str(old.id),
                target=a.target,
                quantity=old.quantity,
                value=old.value,
                typed=old.typed,
                origin=old.origin,
                actor=old.created_by_name,
                at=old.at,
                data=old.conditions,
            )
    if not kept:
        return state
    return replace(state, rounds=(*state.rounds[:-1], {**kept, **state.readings}))


@dataclass(frozen=True, kw_only=True)
class Answered:
    """What the readings of a step say, or why they cannot be worked and which target that is about."""

    asked: tuple[Asked, ...]
    before: Mapping[str, Reading]
    said: Said | None
    fault: InputError | None


def answered(session: Session, of: Told, step: JobStep, known: DriveKnown) -> Answered:
    """Work the readings of a step."""
    asked = asked_at(step, known, of.template.tool)
    before = _before(session, of.row, step.of.reads)
    state = remembered(asked, of.job.so_far(step.key), before)
    rims = next((of.job.so_far(s.key).readings for s in of.job.steps if s.of.reads == "rims"), {})
    try:
        said = answer_for(step, state, known=known, belt_state=of.row.belts, tool=of.template.tool, rims=rims)
    except InputError as e:
        return Answered(asked=asked, before=before, said=None, fault=e)
    return Answered(asked=asked, before=before, said=said, fault=None)


def _on_shelf(session: Session, row: JobRow, known: DriveKnown) -> list[OnShelf]:
    """Loops on the shelf that are called as the drive's own."""
    loop = read_parts(session, [session.get_one(Build, row.build_id)])[row.build_id].loop
    return [
        OnShelf(id=x.id, label=x.designation, count=x.quantity, place=x.place, wanted=min(known.belts, x.quantity))
        for x in parts_for(session, loop.designation)
    ]


def _handled_view(of: Handled) -> HandledView:
    return HandledView(words=of.words, wheels=list(of.wheels), strands=list(of.strands), loop=of.loop, around=of.around)


def _step_view(session: Session, of: Told, step: JobStep, known: DriveKnown) -> StepView:
    state, s = of.job.so_far(step.key), step.of
    got = answered(session, of, step, known) if s.kind == "read" else None
    names = [*s.figures, *([s.limit] if s.limit else [])]
    if s.reads == "tension":
        names = ["span", "deflection", *names]
    figures = [f for f in (figure_of(known, n, of.row.belts) for n in dict.fromkeys(names)) if f is not None]
    limit = next((f.shown for f in figures if f.name == s.limit), "")
    said = got.said if got is not None else None
    return StepView(
        key=step.key,
        block=s.block,
        kind=s.kind,
        words=s.words,
        why=s.why,
        caution=s.caution,
        who=s.who,
        skip=s.skip,
        safe=s.safe,
        guarded=s.guarded,
        faults=list(s.faults),
        found=list(state.faults),
        photos=of.photos.get(step.key, []),
        shelf=_on_shelf(session, of.row, known) if s.does == "new-loop" and state.status == "open" else [],
        handled=_handled_view(handled_at(known.worked.elevation, s.at)),
        energy=step.source.type if step.source is not None else next(iter(s.when.get("energy", ())), ""),
        reads=s.reads,
        move="" if step.move is None else step.move.words,
        move_caution="" if step.move is None else step.move.caution,
        source=s.source,
        confidence=s.confidence,
        point="" if step.source is None else step.source.point,
        how="" if step.source is None else step.source.how,
        status=state.status,
        by=state.by,
        at=state.at,
        note=state.note,
        grade=state.grade,
        exception=state.exception,
        round=len(state.rounds),
        figures=[FigureShown(name=f.name, label=f.label, shown=f.shown, drawn=list(f.drawn)) for f in figures],
        limit=limit,
        asked=[]
        if got is None
        else [
            _asked_view(
                a,
                step,
                read=state.readings.get(a.target),
                before=got.before.get(a.target),
                at=(known.units, of.template.tool),
            )
            for a in got.asked
        ],
        said=None
        if said is None
        else SaidView(
            says=said.says,
            verdict=said.verdict,
            do=said.do,
            besides=said.besides,
            calc=said.calc,
            result=None if said.result is None else dict(said.result),
            working=list(said.working),
            notices=list(said.notices),
            next_turns=said.next_turns,
            before=None if said.before is None else dict(said.before),
            pictures=[scene_out(p) for p in said.pictures],
        ),
        trouble="" if got is None or got.fault is None else got.fault.why,
    )


def has_twin(session: Session, drive_id: uuid.UUID) -> bool:
    """Whether a simulated drive stands behind a drive."""
    wanted = select(Twin.id).where(Twin.drive_id == drive_id, col(Twin.archived_at).is_(None))
    return session.exec(wanted).first() is not None


def isolation_view(job: Job) -> IsolationView:
    """The machine's state in words."""
    offs, proofs = job.of_kind("isolate"), job.of_kind("prove")
    left = [s for s in offs if not job.is_done(s.key)]
    unproved = [s for s in proofs if not job.is_done(s.key)]
    names = " and ".join(job.isolated_by) or next((job.so_far(s.key).by for s in offs if job.so_far(s.key).by), "")
    signed = next((job.so_far(s.key).at for s in job.steps if s.key == "safe-signed"), None)
    if not offs:
        says = "Nothing is isolated for this job"
    elif job.given_back:
        says = "Power is back on"
    elif job.isolated and signed is not None:
        says = "Safe, locked"
    elif left:
        says = f"Not safe yet: {len(left)} of {len(offs)} to do"
    elif unproved:
        says = f"Not safe yet: {len(unproved)} to prove"
    else:
        says = "Not safe yet: sign it"
    return IsolationView(
        safe=job.isolated,
        given_back=job.given_back,
        says=says,
        by=names,
        at=signed,
        left=len(left),
        proofs=len(unproved),
    )


def job_view(session: Session, row: JobRow, units: Units = "us") -> JobView:
    """A job with its steps, figures and what its readings say."""
    of = replace(told(session, row), photos=_photos(session, row.id))
    build = session.get_one(Build, row.build_id)
    known = known_of(session, build, units)
    machine, drive = session.get_one(Machine, row.machine_id), session.get_one(Drive, row.drive_id)
    upcoming = of.job.next_step
    return JobView(
        id=row.id,
        rev=row.rev,
        title=row.title,
        kind=row.kind,
        template=row.template_key,
        state=of.job.state if row.state != "abandoned" else row.state,
        machine_id=row.machine_id,
        machine=machine.name,
        drive_id=row.drive_id,
        drive=drive.name,
        what=known.what,
        belts=row.belts,
        tool=of.template.tool,
        opened_at=row.opened_at,
        opened_by=row.created_by_name,
        closed_at=row.closed_at,
        closed_by=row.closed_by_name,
        isolation=isolation_view(of.job),
        next=None if upcoming is None else upcoming.key,
        steps=[_step_view(session, of, s, known) for s in of.job.steps],
        elevation=elevation_out(known.worked.elevation),
        events=len(of.job.events),
        twin=has_twin(session, row.drive_id),
    )
