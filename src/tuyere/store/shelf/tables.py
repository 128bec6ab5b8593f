"""What is on the shelf as a list brought it in, and the shop's own rating lines."""

from __future__ import annotations

import sqlalchemy as sa
from sqlmodel import Field

from tuyere.store.plumbing.base import Row


class StockItem(Row, table=True):
    """A belt by its designation or a sheave by its groove and diameter; ``line`` is where it stood in the list."""

    __tablename__ = "stock_item"
    __table_args__ = (
        sa.CheckConstraint("part IN ('belt','sheave')", name="part"),
        sa.CheckConstraint("(part = 'belt') = (diameter_mm IS NULL)", name="diameter"),
        sa.CheckConstraint("quantity >= 1", name="quantity"),
    )

    line: int = Field(ge=1)
    part: str = Field(max_length=10)
    section: str = Field(max_length=20)
    designation: str = Field(default="", max_length=40)
    diameter_mm: float | None = None
    diameter_kind: str = Field(default="", max_length=20)
    quantity: int = Field(default=1, ge=1)


class RatingItem(Row, table=True):
    """Power in kW of one belt of a section on a pitch diameter in mm at rpm; ``line`` is where it stood in the list."""

    __tablename__ = "rating_item"
    __table_args__ = (sa.CheckConstraint("diameter_mm > 0 AND rpm > 0 AND power_kw > 0", name="figures"),)

    line: int = Field(ge=1)
    section: str = Field(max_length=20)
    diameter_mm: float
    rpm: float
    power_kw: float
