"""Finding rows: what every subject's saving shares."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from typing import TypeVar

from sqlmodel import Session, col, select

from tuyere.store.plumbing.base import Row
from tuyere.store.plumbing.trouble import NotThere

R = TypeVar("R", bound=Row)


def one(session: Session, table: type[R], ident: uuid.UUID, lock: bool = False) -> R:
    """A row that is not archived; raises NotThere. ``lock`` holds it until the transaction ends."""
    wanted = select(table).where(table.id == ident, col(table.archived_at).is_(None))
    row = session.exec(wanted.with_for_update() if lock else wanted).first()
    if row is None:
        raise NotThere(table.__name__.lower(), ident)
    return row


def below(session: Session, table: type[R], column: str, ident: uuid.UUID) -> Sequence[R]:
    """Rows that are not archived and point at ``ident``, oldest first."""
    wanted = select(table).where(getattr(table, column) == ident, col(table.archived_at).is_(None))
    return session.exec(wanted.order_by(col(table.created_at), col(table.id))).all()
