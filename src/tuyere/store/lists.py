"""Lists that come in whole: a new one takes the place of the one before it, which is archived and not lost."""

from __future__ import annotations

from collections.abc import Sequence
from typing import TypeVar

import sqlalchemy as sa
from sqlmodel import Session, col, select

from tuyere.store.base import now
from tuyere.store.ratings import RatingItem
from tuyere.store.stock import StockItem

Item = TypeVar("Item", StockItem, RatingItem)


def current(session: Session, of: type[Item]) -> Sequence[Item]:
    """The list that holds now, in its own order."""
    return session.exec(select(of).where(col(of.archived_at).is_(None)).order_by(col(of.line), col(of.id))).all()


def replace(session: Session, of: type[Item], items: Sequence[Item]) -> Sequence[Item]:
    """Take a new list in place of the old one."""
    # One list at a time: two that come at once would both find the old one and both stay.
    session.execute(sa.text("SELECT pg_advisory_xact_lock(hashtext(:name))"), {"name": of.__tablename__})
    moment = now()
    for old in current(session, of):
        old.archived_at = moment
        session.add(old)
    session.add_all(items)
    session.flush()
    return current(session, of)
