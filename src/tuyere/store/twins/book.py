"""Keeping simulated drives: make one, read it, let it follow what was done at a job; and what real instruments told."""

from __future__ import annotations

import uuid
from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import timedelta
from math import radians
from typing import Any

import numpy as np
from pydantic import TypeAdapter
from sqlmodel import Session, col, select

from tuyere.calc.kinds import KINDS
from tuyere.calc.shop import UnreadableNumber, read
from tuyere.core.errors import InputError
from tuyere.instruments.body import standing
from tuyere.instruments.interface import Shown, kind_of, kinds, mishandlings_of
from tuyere.instruments.simulated import Ask, take
from tuyere.instruments.sound import pluck, wav
from tuyere.instruments.twin import Twin as Truth
from tuyere.instruments.twin import feet_mended, lined_up, new_loop, swapped, turned, twin_for
from tuyere.jobs.facts import DriveKnown
from tuyere.jobs.situation import JobStep
from tuyere.store.jobs.read import build_of, known_of, told
from tuyere.store.jobs.tables import Job as JobRow
from tuyere.store.machines.tables import Drive
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.rows import one
from tuyere.store.twins.forms import TakeReading, ToldShown, TwinSave
from tuyere.store.twins.tables import InstrumentShown, Twin
from tuyere.store.twins.views import (
    InstrumentList,
    InstrumentOut,
    MishandlingOut,
    ShownList,
    ShownView,
    TwinView,
)

_TRUTH = TypeAdapter(Truth)
LATELY = timedelta(hours=1)
ODD_SHARE = 0.55


def _row(session: Session, drive_id: uuid.UUID, lock: bool = False) -> Twin | None:
    wanted = select(Twin).where(Twin.drive_id == drive_id, col(Twin.archived_at).is_(None))
    return session.exec(wanted.with_for_update() if lock else wanted).first()


def _truth(row: Twin) -> Truth:
    return _TRUTH.validate_python(row.state)


def _keep(session: Session, row: Twin, truth: Truth) -> None:
    row.state = _TRUTH.dump_python(truth, mode="json")
    row.rev += 1
    session.add(row)
    session.flush()


def twin_of(session: Session, drive_id: uuid.UUID) -> TwinView:
    """Whether a drive has a simulated drive behind it. Raises NotThere."""
    one(session, Drive, drive_id)
    row = _row(session, drive_id)
    return TwinView(drive_has_one=row is not None, taken=0 if row is None else row.taken)


def _chosen(truth: Truth, form: TwinSave, known: DriveKnown) -> Truth:
    """With the faults that were asked for."""
    body = truth.body
    if form.twist is not None or form.toe is not None or form.offset is not None:
        pose = (
            body.twist if form.twist is None else radians(form.twist),
            body.toe if form.toe is None else radians(form.toe),
            body.offset if form.offset is None else form.offset,
        )
        body = standing(inboard=body.inboard, spacing=body.spacing, height=body.height, centre=body.centre, pose=pose)
        truth = replace(truth, body=body, first_centres=body.centres)
    if form.tension is not None and known.hold is not None:
        band = known.hold.band("run in")
        truth = replace(truth, start_n=form.tension * (band.low_n + band.high_n) / 2)
    if form.load is not None:
        truth = replace(truth, load=form.load)
    if form.odd_belt is not None:
        if form.odd_belt > known.belts:
            raise InputError("odd_belt", form.odd_belt, "this drive has fewer belts", f"1 to {known.belts}")
        box = tuple(ODD_SHARE if k + 1 == form.odd_belt else 1.0 for k in range(known.belts))
        truth = replace(truth, box=box)
    return truth


def make_twin(session: Session, actor: Actor, drive_id: uuid.UUID, form: TwinSave) -> TwinView:
    """Put a simulated drive behind a drive, in the place of one that was there. Raises NotThere; InputError for a drive of which
    nothing is known."""
    one(session, Drive, drive_id, lock=True)
    known = known_of(session, build_of(session, drive_id), "us")
    old = _row(session, drive_id, lock=True)
    if old is not None:
        old.archived_at = now()
        session.add(old)
        session.flush()
    row = Twin(id=form.id, op_id=form.op_id, created_by_name=actor.name, drive_id=drive_id, seed=form.seed)
    _keep(session, row, _chosen(twin_for(known, form.seed), form, known))
    return TwinView(drive_has_one=True, taken=0)


def _with_twin(session: Session, drive_id: uuid.UUID) -> Twin:
    one(session, Drive, drive_id)
    row = _row(session, drive_id, lock=True)
    if row is None:
        raise InputError("drive", str(drive_id), "no simulated drive stands behind this one", "read it by hand")
    return row


def _view(shown: Shown) -> ShownView:
    return ShownView(
        instrument=shown.instrument,
        label=kind_of(shown.instrument).label,
        serial=shown.serial,
        quantity=shown.quantity,
        value=shown.value,
        unit=shown.unit,
        resolution=shown.resolution,
        at=shown.at,
        simulated=shown.simulated,
        warnings=list(shown.warnings),
        typed=shown.typed,
    )


def _asked(session: Session, drive_id: uuid.UUID, form: TakeReading) -> Ask:
    """What is to be read; a step of a job says for itself what it reads, what was read beside it, and whether the machine runs."""
    reads, running, beside, key = form.reads, form.running, form.beside, form.step
    if form.job_id is not None:
        row = one(session, JobRow, form.job_id)
        if row.drive_id != drive_id:
            raise InputError("job_id", str(form.job_id), "that job is at another drive", "a job of this drive")
        job = told(session, row).job
        step = job.step(form.step)
        reads, running, key = step.of.reads, step.of.guarded, step.of.key
        beside = {t: r.value for t, r in job.so_far(step.key).readings.items() if isinstance(r.value, float)}
    return Ask(
        instrument=form.instrument,
        target=form.target,
        reads=reads,
        step=key,
        held=tuple(form.held),
        running=running,
        units=form.units,
        beside=beside,
    )


def take_reading(session: Session, actor: Actor, drive_id: uuid.UUID, form: TakeReading) -> ShownView:
    """Read a simulated drive with a simulated instrument; the same instrument never shows quite the same twice.

    Raises NotThere; InputError beside what cannot be.
    """
    row = _with_twin(session, drive_id)
    known = known_of(session, build_of(session, drive_id), form.units)
    ask = _asked(session, drive_id, form)
    luck = np.random.default_rng([row.seed, row.taken])
    shown = take(_truth(row), known, ask, luck=luck, serial=f"SIM-{row.seed % 1000:03d}", at=now())
    row.taken += 1
    session.add(row)
    session.flush()
    return _view(shown)


def pluck_sound(session: Session, drive_id: uuid.UUID, target: str) -> bytes:
    """The sound of a belt of a simulated drive as it is plucked, a WAV file. Raises NotThere, InputError."""
    row = _with_twin(session, drive_id)
    known = known_of(session, build_of(session, drive_id), "si")
    luck = np.random.default_rng([row.seed, row.taken])
    ask = Ask(instrument="frequency-meter", target=target, reads="tension", units="si")
    return wav(pluck(take(_truth(row), known, ask, luck=luck, serial="", at=now()).value, luck))


def follow(
    session: Session, drive_id: uuid.UUID, step: JobStep, *, kind: str, turns: float, said: Mapping[str, Any] | None
) -> None:
    """Let the simulated drive follow what was done at a step: screws turned, feet shimmed and swung, the odd belt exchanged, a new
    loop laid on. Nothing happens where there is none.
    """
    row = _row(session, drive_id, lock=True)
    if row is None:
        return
    truth, after = _truth(row), None
    if kind == "done" and step.of.does == "new-loop":
        known = known_of(session, build_of(session, drive_id), "us")
        after = new_loop(truth, known, np.random.default_rng([row.seed, row.taken]))
    elif kind == "moved" and step.of.reads == "tension":
        after = turned(truth, turns)
        odd = (said or {}).get("odd_belt")
        if isinstance(odd, int):
            after = swapped(after, odd)
    elif kind == "moved" and step.of.reads == "gaps":
        moves: Sequence[Mapping[str, Any]] = (said or {}).get("moves") or ()
        after = lined_up(truth, moves)
    elif kind == "moved" and step.of.reads == "soft-foot":
        after = feet_mended(truth)
    if after is not None:
        _keep(session, row, after)


def every_instrument() -> InstrumentList:
    """Every kind of instrument that has a simulated stand-in."""
    return InstrumentList(
        instruments=[
            InstrumentOut(
                key=k.key,
                label=k.label,
                quantity=k.quantity,
                us_step=k.us_step,
                si_step=k.si_step,
                most=k.most,
                mishandlings=[MishandlingOut(key=m.key, label=m.label, does=m.does) for m in mishandlings_of(k.key)],
            )
            for k in kinds().values()
        ]
    )


def _told(row: InstrumentShown) -> Shown:
    """What a real instrument showed, from its row."""
    return Shown(
        instrument=row.instrument,
        serial=row.serial,
        quantity=row.quantity,
        value=row.value,
        unit=row.unit,
        resolution=row.resolution,
        at=row.at,
        simulated=False,
        warnings=tuple(row.warnings),
    )


def keep_shown(session: Session, actor: Actor, form: ToldShown) -> ShownView:
    """Keep what a real instrument showed. Raises InputError for an instrument, a quantity or a unit that is not known."""
    kind = kind_of(form.instrument)
    if form.quantity != kind.quantity or form.quantity not in KINDS:
        raise InputError("quantity", form.quantity, f"a {kind.label.lower()} does not show that", kind.quantity)
    row = InstrumentShown(
        id=form.id,
        op_id=form.op_id,
        created_by_name=actor.name,
        instrument=kind.key,
        serial=form.serial,
        quantity=form.quantity,
        value=form.value,
        unit=form.unit,
        resolution=form.resolution,
        at=form.at,
        warnings=list(form.warnings),
    )
    shown = _told(row)
    try:
        read(shown.typed, form.quantity, "si")
    except UnreadableNumber as e:
        raise InputError("value", form.value, e.why, e.allowed) from e
    session.add(row)
    session.flush()
    return _view(shown)


def shown_lately(session: Session, quantity: str = "") -> ShownList:
    """What real instruments showed in the last hour, the newest first."""
    wanted = select(InstrumentShown).where(col(InstrumentShown.at) > now() - LATELY)
    if quantity:
        wanted = wanted.where(InstrumentShown.quantity == quantity)
    rows = session.exec(wanted.order_by(col(InstrumentShown.at).desc()).limit(20)).all()
    return ShownList(shown=[_view(_told(r)) for r in rows])
