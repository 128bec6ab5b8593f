"""The shop's own rating table, as a list brought it in."""

from __future__ import annotations

from collections.abc import Sequence

import sqlalchemy as sa
from sqlmodel import Field, Session, col, select

from tuyere.store.base import Row, now


class RatingItem(Row, table=True):
    """Power in kW of one belt of a section on a pitch diameter in mm at rpm; ``line`` is where it stood in the list."""

    __tablename__ = "rating_item"
    __table_args__ = (sa.CheckConstraint("diameter_mm > 0 AND rpm > 0 AND power_kw > 0", name="figures"),)

    line: int = Field(ge=1)
    section: str = Field(max_length=20)
    diameter_mm: float
    rpm: float
    power_kw: float


def own_ratings(session: Session) -> Sequence[RatingItem]:
    """The table that holds now, in the order of its list."""
    return session.exec(
        select(RatingItem)
        .where(col(RatingItem.archived_at).is_(None))
        .order_by(col(RatingItem.line), col(RatingItem.id))
    ).all()


def replace_ratings(session: Session, items: Sequence[RatingItem]) -> Sequence[RatingItem]:
    """Take a new table in place of the old one, which is archived and not lost."""
    moment = now()
    for old in own_ratings(session):
        old.archived_at = moment
        session.add(old)
    session.add_all(items)
    session.flush()
    return own_ratings(session)
