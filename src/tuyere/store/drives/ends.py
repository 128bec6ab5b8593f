"""Keeping what both ends of a drive's tension are worked from: start, shafts, bearings, the machine maker's number."""

from __future__ import annotations

import uuid

from sqlmodel import Session, col, select

from tuyere.calc.said import said
from tuyere.store.drives.forms import EndsSave
from tuyere.store.drives.tables import Ends
from tuyere.store.drives.views import EndsView
from tuyere.store.machines.tables import Drive
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.rows import one
from tuyere.store.plumbing.trouble import Stale


def _row(session: Session, drive_id: uuid.UUID) -> Ends | None:
    return session.exec(select(Ends).where(Ends.drive_id == drive_id, col(Ends.archived_at).is_(None))).first()


def ends_view(session: Session, drive_id: uuid.UUID) -> EndsView:
    """What is known; nothing, at version 0, where nobody said anything."""
    row = _row(session, drive_id)
    return EndsView(rev=0 if row is None else row.rev, given={} if row is None else dict(row.given))


def save_ends(session: Session, actor: Actor, drive_id: uuid.UUID, form: EndsSave) -> None:
    """Keep what is known. Raises NotThere, and Stale with what is kept when ``rev`` is not the present one."""
    one(session, Drive, drive_id, lock=True)
    row = _row(session, drive_id)
    if form.rev != (0 if row is None else row.rev):
        raise Stale("ends", ends_view(session, drive_id).model_dump(mode="json"), ())
    given = said(form.asked, form.units)
    if row is None:
        row = Ends(id=form.id, op_id=form.op_id, created_by_name=actor.name, drive_id=drive_id, given=given)
    else:
        row.given, row.rev, row.created_by_name = given, row.rev + 1, actor.name
    session.add(row)
    session.flush()
