"""Keeping a drive's speed plate."""

from __future__ import annotations

import uuid

import sqlalchemy as sa
from pydantic import JsonValue, TypeAdapter
from sqlmodel import Session, col, select

from tuyere.calc.frame import Frame
from tuyere.store.machines.tables import Drive
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.rows import one
from tuyere.store.plumbing.trouble import NotThere, Stale
from tuyere.store.speeds.forms import PlateSave
from tuyere.store.speeds.tables import SpeedPlate
from tuyere.store.speeds.views import PlateRowView, PlateView

_ROWS = TypeAdapter(list[dict[str, JsonValue]])


def _row(session: Session, drive_id: uuid.UUID) -> SpeedPlate | None:
    wanted = select(SpeedPlate).where(SpeedPlate.drive_id == drive_id, col(SpeedPlate.archived_at).is_(None))
    return session.exec(wanted).first()


def drive_and_plate(session: Session, drive_id: uuid.UUID) -> tuple[Drive, SpeedPlate | None]:
    """A drive and the plate on it, in one question: the drive's page asks often. Raises NotThere."""
    on_it = sa.and_(col(SpeedPlate.drive_id) == col(Drive.id), col(SpeedPlate.archived_at).is_(None))
    wanted = select(Drive, SpeedPlate).outerjoin(SpeedPlate, on_it)
    found = session.exec(wanted.where(Drive.id == drive_id, col(Drive.archived_at).is_(None))).first()
    if found is None:
        raise NotThere("drive", drive_id)
    return found[0], found[1]


def plate_view(session: Session, drive_id: uuid.UUID, units: str) -> PlateView:
    """The plate of a drive that is there, slowest speed first; at version 0 where there is none."""
    return shown_plate(_row(session, drive_id), units)


def shown_plate(row: SpeedPlate | None, units: str) -> PlateView:
    """A plate as it is shown, slowest speed first; at version 0 where there is none."""
    if row is None:
        return PlateView(rev=0, title="", rows=[], calc="", given={}, by="", at=None)
    f = Frame(units).figure
    rows = [
        PlateRowView(setting=str(r["setting"]), speed=f(float(str(r["rpm"])), "speed"), note=str(r.get("note", "")))
        for r in row.rows
    ]
    return PlateView(
        rev=row.rev,
        title=row.title,
        rows=rows,
        calc=row.calc,
        given=dict(row.given),
        by=row.created_by_name,
        at=row.observed_at or row.created_at,
    )


def save_plate(session: Session, actor: Actor, drive_id: uuid.UUID, form: PlateSave) -> None:
    """Keep the plate. Raises NotThere, and Stale with what is kept when ``rev`` is not the present one."""
    one(session, Drive, drive_id, lock=True)
    row = _row(session, drive_id)
    if form.rev != (0 if row is None else row.rev):
        raise Stale("plate", plate_view(session, drive_id, form.units).model_dump(mode="json"), ())
    rows = _ROWS.validate_python(
        sorted(
            ({"setting": r.setting, "rpm": r.speed.value, "note": r.note} for r in form.rows),
            key=lambda r: float(str(r["rpm"])),
        )
    )
    if row is None:
        row = SpeedPlate(id=form.id, op_id=form.op_id, drive_id=drive_id)
    else:
        row.rev += 1
    row.rows, row.title, row.calc, row.given = rows, form.title, form.calc, dict(form.given)
    row.created_by_name, row.observed_at = actor.name, now()
    session.add(row)
    session.flush()
