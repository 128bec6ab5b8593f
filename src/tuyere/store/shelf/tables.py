"""What is on the shelf as a list brought it in, and the shop's own rating lines."""

from __future__ import annotations

import uuid
from datetime import datetime

import sqlalchemy as sa
from sqlmodel import Field

from tuyere.exchange.stock_csv import PARTS
from tuyere.store.plumbing.base import Row, foreign, now

KINDS_SQL = ",".join(f"'{p}'" for p in PARTS)


class StockItem(Row, table=True):
    """A part by its designation, a sheave by its groove and diameter; ``line`` is where it stood in the list, ``low`` the count under
    which it is to be bought again, ``price`` what one costs in the shop's money.
    """

    __tablename__ = "stock_item"
    __table_args__ = (
        sa.CheckConstraint(f"part IN ({KINDS_SQL})", name="part"),
        sa.CheckConstraint("(part = 'sheave') = (diameter_mm IS NOT NULL)", name="diameter"),
        sa.CheckConstraint("quantity >= 0", name="quantity"),
        sa.CheckConstraint("low IS NULL OR low >= 1", name="low"),
        sa.CheckConstraint("price IS NULL OR price >= 0", name="price"),
    )

    line: int = Field(ge=1)
    part: str = Field(max_length=20)
    section: str = Field(max_length=20)
    designation: str = Field(default="", max_length=40)
    diameter_mm: float | None = None
    diameter_kind: str = Field(default="", max_length=20)
    quantity: int = Field(default=1, ge=0)
    place: str = Field(default="", max_length=80)
    low: int | None = None
    price: float | None = None


class StockMove(Row, table=True):
    """A count that changed: by how much, at which job or by whose hand, and why; ``price`` is what one cost then."""

    __tablename__ = "stock_move"
    __table_args__ = (sa.CheckConstraint("change <> 0", name="change"),)

    item_id: uuid.UUID = foreign("stock_item.id")
    change: int
    job_id: uuid.UUID | None = foreign("job.id", nullable=True)
    price: float | None = None
    why: str = Field(default="", max_length=200)
    at: datetime = Field(default_factory=now, sa_type=sa.DateTime(timezone=True))


class RatingItem(Row, table=True):
    """Power in kW of one belt of a section on a pitch diameter in mm at rpm; ``line`` is where it stood in the list."""

    __tablename__ = "rating_item"
    __table_args__ = (sa.CheckConstraint("diameter_mm > 0 AND rpm > 0 AND power_kw > 0", name="figures"),)

    line: int = Field(ge=1)
    section: str = Field(max_length=20)
    diameter_mm: float
    rpm: float
    power_kw: float
