"""Lists that come in whole: a new one takes the place of the one before it, which is archived and not lost."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from typing import TypeVar

import sqlalchemy as sa
from sqlmodel import Session, col, select

from tuyere.core.errors import InputError
from tuyere.exchange.rating_csv import RatingLine
from tuyere.exchange.stock_csv import StockLine
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.rows import one
from tuyere.store.shelf.tables import RatingItem, StockItem, StockMove

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


def _same(old: StockItem, item: StockItem) -> bool:
    parts = ("part", "section", "designation", "diameter_mm", "diameter_kind")
    return all(getattr(old, p) == getattr(item, p) for p in parts)


def _moved(
    session: Session, actor: Actor, item: StockItem, change: int, *, why: str, job: uuid.UUID | None = None
) -> None:
    """Change a count and write down why. A part of which none is left stays on the list where it is to be bought again."""
    if not change:
        return
    item.quantity += change
    item.rev += 1
    if item.quantity == 0 and item.low is None:
        item.archived_at = now()
    session.add(item)
    session.add(
        StockMove(created_by_name=actor.name, item_id=item.id, change=change, job_id=job, price=item.price, why=why)
    )
    session.flush()


def put_by(
    session: Session,
    actor: Actor,
    part: StockLine,
    *,
    place: str = "",
    low: int | None = None,
    price: float | None = None,
) -> StockItem:
    """Put parts on the shelf: those that are there already are counted together."""
    session.execute(sa.text("SELECT pg_advisory_xact_lock(hashtext(:name))"), {"name": StockItem.__tablename__})
    there, item = current(session, StockItem), stock_item(part, actor)
    old = next((x for x in there if _same(x, item)), None)
    if old is None:
        item.line = max((x.line for x in there), default=0) + 1
        item.place, item.low, item.price = place, low, price
        session.add(item)
        session.flush()
        session.add(StockMove(created_by_name=actor.name, item_id=item.id, change=item.quantity, why="put down"))
        session.flush()
        return item
    old.place, old.low = place or old.place, low if low is not None else old.low
    old.price = price if price is not None else old.price
    _moved(session, actor, old, item.quantity, why="put down")
    return old


def count_again(session: Session, actor: Actor, ident: uuid.UUID, quantity: int) -> None:
    """Put a count right; none left takes the part off the list, unless it is to be bought again. Raises NotThere."""
    item = one(session, StockItem, ident, lock=True)
    item.created_by_name = actor.name or item.created_by_name
    _moved(session, actor, item, quantity - item.quantity, why="counted")


def set_place(
    session: Session, actor: Actor, ident: uuid.UUID, place: str, *, low: int | None, price: float | None = None
) -> None:
    """Say where a part lies, under which count it is to be bought again, and what one costs. Raises NotThere."""
    item = one(session, StockItem, ident, lock=True)
    item.place, item.low, item.price, item.rev = place, low, price, item.rev + 1
    if item.quantity == 0 and low is None:
        item.archived_at = now()
    session.add(item)
    session.flush()


def take_part(session: Session, actor: Actor, ident: uuid.UUID, count: int, job: uuid.UUID) -> None:
    """Take parts off the shelf for a job. Raises NotThere; InputError where there are not so many."""
    item = one(session, StockItem, ident, lock=True)
    if not 0 < count <= item.quantity:
        left = f"{item.quantity} of {item.designation or item.section} are there"
        raise InputError("took", count, "there are not so many on the shelf", left)
    _moved(session, actor, item, -count, why="taken for a job", job=job)


def plain(designation: str) -> str:
    """A designation without what people write differently.

    >>> plain("5vx 1000"), plain("SPB-2360")
    ('5VX1000', 'SPB2360')
    """
    return "".join(c for c in designation.upper() if c.isalnum())


def parts_for(session: Session, designation: str) -> list[StockItem]:
    """What lies on the shelf of a loop that is called so."""
    wanted = plain(designation)
    return [x for x in current(session, StockItem) if x.designation and plain(x.designation) == wanted and x.quantity]


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
