"""Lists that come in whole: a new one takes the place of the one before it, which is archived and not lost."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from typing import TypeVar

import sqlalchemy as sa
from sqlmodel import Session, col, select

from tuyere.store.base import now
from tuyere.store.ratings import RatingItem
from tuyere.store.rows import one
from tuyere.store.stock import StockItem

Item = TypeVar("Item", StockItem, RatingItem)


def current(session: Session, of: type[Item]) -> Sequence[Item]:
    """The list that holds now, in its own order."""
    return session.exec(select(of).where(col(of.archived_at).is_(None)).order_by(col(of.line), col(of.id))).all()


def put_by(session: Session, item: StockItem) -> StockItem:
    """Put parts on the shelf: those that are there already are counted together."""
    session.execute(sa.text("SELECT pg_advisory_xact_lock(hashtext(:name))"), {"name": StockItem.__tablename__})
    there = current(session, StockItem)
    for old in there:
        if (old.part, old.section, old.designation, old.diameter_mm, old.diameter_kind) == (
            item.part,
            item.section,
            item.designation,
            item.diameter_mm,
            item.diameter_kind,
        ):
            old.quantity += item.quantity
            session.add(old)
            session.flush()
            return old
    item.line = max((x.line for x in there), default=0) + 1
    session.add(item)
    session.flush()
    return item


def count_again(session: Session, ident: uuid.UUID, quantity: int) -> None:
    """Put a count right; none left takes the part off the list. Raises NotThere."""
    item = one(session, StockItem, ident, lock=True)
    if quantity == 0:
        item.archived_at = now()
    else:
        item.quantity = quantity
    session.add(item)
    session.flush()


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
