"""What goes out as tables for a spreadsheet: readings, what is due, the shelf."""

from __future__ import annotations

import uuid

import sqlalchemy as sa
from sqlmodel import Session, col

from tuyere.exchange.csv_out import csv_text
from tuyere.store.jobs.dues import list_dues
from tuyere.store.jobs.tables import Reading
from tuyere.store.machines.tables import Drive, Machine
from tuyere.store.shelf.book import current
from tuyere.store.shelf.tables import StockItem

MOST_ROWS = 100_000


def readings_csv(session: Session, drive_id: uuid.UUID | None = None) -> str:
    """Every reading, the newest first, in the core's units with what was typed beside it; of one drive, or of all."""
    wanted = (
        sa.select(Reading, col(Machine.name), col(Drive.name))
        .join(Drive, col(Drive.id) == col(Reading.drive_id))
        .join(Machine, col(Machine.id) == col(Drive.machine_id))
        .where(col(Reading.archived_at).is_(None))
        .order_by(col(Reading.at).desc())
        .limit(MOST_ROWS)
    )
    if drive_id is not None:
        wanted = wanted.where(col(Reading.drive_id) == drive_id)
    head = ("at", "machine", "drive", "reads", "target", "quantity", "value", "typed", "words", "origin", "by")
    return csv_text(
        head,
        (
            (
                r.at.isoformat(),
                machine,
                drive,
                r.reads,
                r.target,
                r.quantity,
                r.value,
                r.typed,
                r.words,
                r.origin,
                r.created_by_name,
            )
            for r, machine, drive in session.execute(wanted).all()
        ),
    )


def dues_csv(session: Session) -> str:
    """What is due and not done, the soonest first."""
    head = ("when", "area", "machine", "drive", "title", "every", "by hours", "put off", "minutes", "guard")
    return csv_text(
        head,
        (
            (
                "" if d.when is None else d.when.isoformat(),
                d.area,
                d.machine,
                d.drive,
                d.title,
                d.every,
                d.by_hours,
                d.snooze_reason,
                d.minutes,
                "off" if d.guard_off else "on",
            )
            for d in list_dues(session).dues
        ),
    )


def shelf_csv(session: Session) -> str:
    """The shelf in the columns that a list comes in with, and place and low count besides; diameters in millimetres."""
    head = ("part", "section", "size", "diameter", "count", "place", "low", "price")
    return csv_text(
        head,
        (
            (
                x.part,
                x.section if x.part == "sheave" else "",
                f"{x.diameter_mm:.10g} mm" if x.diameter_mm is not None else x.designation,
                x.diameter_kind,
                x.quantity,
                x.place,
                x.low,
                x.price,
            )
            for x in current(session, StockItem)
            if x.quantity
        ),
    )
