"""Temporary fixes that stand on the machines now."""

from __future__ import annotations

from collections.abc import Sequence

from sqlmodel import Session, col, select

from tuyere.store.builds.tables import Build
from tuyere.store.machines.tables import Drive, Machine


def temporary_now(session: Session, area: str = "", most: int | None = None) -> Sequence[tuple[Build, Drive, Machine]]:
    """(build, drive, machine) of each, the soonest promised first; of one area, at most so many."""
    wanted = (
        select(Build, Drive, Machine)
        .join(Drive, col(Drive.id) == col(Build.drive_id))
        .join(Machine, col(Machine.id) == col(Drive.machine_id))
        .where(col(Build.temporary).is_(True), col(Build.valid_to).is_(None), col(Build.archived_at).is_(None))
        .where(Build.state == "frozen", Build.purpose != "designed", col(Build.promised_date).is_not(None))
        .order_by(col(Build.promised_date))
    )
    return session.exec((wanted.where(Machine.area == area) if area else wanted).limit(most)).all()
