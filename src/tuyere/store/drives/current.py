"""The duty of a drive that holds now."""

from __future__ import annotations

import uuid
from collections.abc import Sequence

from sqlmodel import Session, col, select

from tuyere.store.drives.tables import Duty


def duties_of(session: Session, drive_id: uuid.UUID) -> Sequence[Duty]:
    """Every version of a drive's duty, the one that holds now first."""
    return session.exec(
        select(Duty)
        .where(Duty.drive_id == drive_id, col(Duty.archived_at).is_(None))
        .order_by(col(Duty.valid_from).desc(), col(Duty.id))
    ).all()


def current_duty(session: Session, drive_id: uuid.UUID) -> Duty | None:
    """The duty that holds now."""
    return next(iter(duties_of(session, drive_id)), None)
