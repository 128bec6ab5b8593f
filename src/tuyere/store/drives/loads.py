"""What a duty asks of each shaft; a plain duty asks all of it of the one driven shaft."""

from __future__ import annotations

from sqlmodel import Session, col, select

from tuyere.store.drives.tables import Duty, Shaft, ShaftLoad


def set_loads(session: Session, duty: Duty) -> None:
    """Write the load of the driven shaft from the duty's own figures; the shaft is made where there is none yet."""
    shaft = session.exec(
        select(Shaft).where(
            Shaft.drive_id == duty.drive_id, Shaft.role == "driven", Shaft.no == 1, col(Shaft.archived_at).is_(None)
        )
    ).first()
    if shaft is None:
        shaft = Shaft(drive_id=duty.drive_id, role="driven")
        session.add(shaft)
        session.flush()
    load = session.exec(
        select(ShaftLoad).where(ShaftLoad.duty_id == duty.id, ShaftLoad.shaft_id == shaft.id)
    ).first() or ShaftLoad(duty_id=duty.id, shaft_id=shaft.id, power_kw=duty.power_kw)
    load.power_kw, load.wanted_rpm = duty.power_kw, duty.driven_rpm
    load.created_by_name = load.created_by_name or duty.created_by_name
    session.add(load)
    session.flush()
