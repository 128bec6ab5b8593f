"""The shop's own rating table, as a list brought it in."""

from __future__ import annotations

import sqlalchemy as sa
from sqlmodel import Field

from tuyere.store.base import Row


class RatingItem(Row, table=True):
    """Power in kW of one belt of a section on a pitch diameter in mm at rpm; ``line`` is where it stood in the list."""

    __tablename__ = "rating_item"
    __table_args__ = (sa.CheckConstraint("diameter_mm > 0 AND rpm > 0 AND power_kw > 0", name="figures"),)

    line: int = Field(ge=1)
    section: str = Field(max_length=20)
    diameter_mm: float
    rpm: float
    power_kw: float
