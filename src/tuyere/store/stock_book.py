"""Keeping the shelf: one list replaces the one before it, whole."""

from __future__ import annotations

from collections.abc import Sequence

from sqlmodel import Session, col, select

from tuyere.store.base import now
from tuyere.store.stock import StockItem


def shelf(session: Session) -> Sequence[StockItem]:
    """What is on the shelf, in the order of its list."""
    return session.exec(
        select(StockItem).where(col(StockItem.archived_at).is_(None)).order_by(col(StockItem.line), col(StockItem.id))
    ).all()


def replace_shelf(session: Session, items: Sequence[StockItem]) -> Sequence[StockItem]:
    """Take a new list in place of the old one, which is archived and not lost."""
    moment = now()
    for old in shelf(session):
        old.archived_at = moment
        session.add(old)
    for item in items:
        session.add(item)
    session.flush()
    return shelf(session)
