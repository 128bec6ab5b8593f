"""What a duty asks of each shaft; a plain duty asks all of it of the one driven shaft."""

from __future__ import annotations

from collections.abc import Mapping

from sqlmodel import Session, col, select

from tuyere.store.drives.tables import Duty, Shaft, ShaftLoad


def set_loads(session: Session, duty: Duty, others: Mapping[int, float] | None = None) -> None:
    """Write the load of every driven shaft: ``others`` are kW by the shaft's number, the first takes the rest.

    Shafts are made where there are none yet.
    """
    others = others or {}
    rest = duty.power_kw - sum(others.values())
    if rest > 0:
        _set_load(session, duty, 1, power_kw=rest, wanted_rpm=duty.driven_rpm)
    for no, kw in others.items():
        _set_load(session, duty, no, power_kw=kw, wanted_rpm=None)
    session.flush()


def _set_load(session: Session, duty: Duty, no: int, *, power_kw: float, wanted_rpm: float | None) -> None:
    shaft = session.exec(
        select(Shaft).where(
            Shaft.drive_id == duty.drive_id, Shaft.role == "driven", Shaft.no == no, col(Shaft.archived_at).is_(None)
        )
    ).first()
    if shaft is None:
        shaft = Shaft(drive_id=duty.drive_id, role="driven", no=no)
        session.add(shaft)
        session.flush()
    load = session.exec(
        select(ShaftLoad).where(ShaftLoad.duty_id == duty.id, ShaftLoad.shaft_id == shaft.id)
    ).first() or ShaftLoad(duty_id=duty.id, shaft_id=shaft.id, power_kw=power_kw)
    load.power_kw, load.wanted_rpm = power_kw, wanted_rpm
    load.created_by_name = load.created_by_name or duty.created_by_name
    session.add(load)
