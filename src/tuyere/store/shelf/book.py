"""Lists that come in whole: a new one takes the place of the one before it, which is archived and not lost."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from typing import TypeVar

import sqlalchemy as sa
from sqlmodel import Session, col, select

from tuyere.exchange.rating_csv import RatingLine
from tuyere.exchange.stock_csv import StockLine
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.rows import one
from tuyere.store.shelf.tables import RatingItem, StockItem

Item = TypeVar("Item", StockItem, RatingItem)


def current(session: Session, of: type[Item]) -> Sequence[Item]:
    """The list that holds now, in its own order."""
    return session.exec(select(of).where(col(of.archived_at).is_(None)).order_by(col(of.line), col(of.id))).all()


def stock_item(line: StockLine, actor: Actor) -> StockItem:
    """A read line as a row."""
    return StockItem(
        line=line.line,
        part=line.part,
        section=line.section,
        designation=line.designation,
        diameter_mm=line.diameter_mm,
        diameter_kind=line.diameter_kind,
        quantity=line.count,
        created_by_name=actor.name,
    )


def put_by(session: Session, actor: Actor, part: StockLine) -> StockItem:
    """Put parts on the shelf: those that are there already are counted together."""
    session.execute(sa.text("SELECT pg_advisory_xact_lock(hashtext(:name))"), {"name": StockItem.__tablename__})
    there, item = current(session, StockItem), stock_item(part, actor)
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


def count_again(session: Session, actor: Actor, ident: uuid.UUID, quantity: int) -> None:
    """Put a count right; none left takes the part off the list. Raises NotThere."""
    item = one(session, StockItem, ident, lock=True)
    item.created_by_name = actor.name or item.created_by_name
    if quantity == 0:
        item.archived_at = now()
    else:
        item.quantity = quantity
    session.add(item)
    session.flush()


def _replace(session: Session, of: type[Item], items: Sequence[Item]) -> Sequence[Item]:
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


def keep_stock(session: Session, actor: Actor, lines: Sequence[StockLine]) -> Sequence[StockItem]:
    """Take a stock list in place of the one before it."""
    return _replace(session, StockItem, [stock_item(x, actor) for x in lines])


def keep_ratings(session: Session, actor: Actor, lines: Sequence[RatingLine]) -> Sequence[RatingItem]:
    """Take a rating table in place of the one before it."""
    items = [
        RatingItem(
            line=x.line,
            section=x.row.section,
            diameter_mm=x.row.diameter_mm,
            rpm=x.row.rpm,
            power_kw=x.row.power_kw,
            created_by_name=actor.name,
        )
        for x in lines
    ]
    return _replace(session, RatingItem, items)
