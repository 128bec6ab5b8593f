"""Machines and the energy that must be isolated before a hand goes near."""

from __future__ import annotations

import uuid
from datetime import datetime

import sqlalchemy as sa
from sqlmodel import Field

from tuyere.store.plumbing.base import Row, foreign

KINDS = ("industrial", "hvac", "conveyor", "farm", "shop")


class Machine(Row, table=True):
    """A machine in an area, in walking order."""

    __tablename__ = "machine"
    __table_args__ = (
        sa.CheckConstraint("kind IN ('industrial','hvac','conveyor','farm','shop')", name="kind"),
        sa.CheckConstraint("length(name) > 0", name="name"),
    )

    area: str = Field(default="", max_length=80)
    walk_order: int = Field(default=0)
    name: str = Field(max_length=80)
    tag: str = Field(default="", max_length=40)
    kind: str = Field(max_length=20)


class EnergySource(Row, table=True):
    """One source of energy of a machine and how it is isolated."""

    __tablename__ = "energy_source"
    __table_args__ = (
        sa.CheckConstraint(
            "type IN ('electric','engine','battery','pto','fuel','hydraulic','pneumatic','spring','gravity','heat',"
            "'backdrive','edges','other')",
            name="type",
        ),
    )

    machine_id: uuid.UUID = foreign("machine.id")
    type: str = Field(max_length=20)
    isolation_point: str = Field(max_length=120)
    steps: str = Field(default="", max_length=500)


class MeterReading(Row, table=True):
    """Running hours as a machine's meter showed them; ``reset`` where the meter was changed or set back."""

    __tablename__ = "meter_reading"
    __table_args__ = (sa.Index("ix_meter_reading_machine_at", "machine_id", "at"),)

    machine_id: uuid.UUID = foreign("machine.id")
    at: datetime = Field(sa_type=sa.DateTime(timezone=True))
    hours: float = Field(ge=0)
    reset: bool = Field(default=False)


class Drive(Row, table=True):
    """One belt or chain drive on a machine."""

    __tablename__ = "drive"
    __table_args__ = (sa.CheckConstraint("length(name) > 0", name="name"),)

    machine_id: uuid.UUID = foreign("machine.id")
    name: str = Field(max_length=80)
