"""A drive's speed plate as a label, from what is kept."""

from __future__ import annotations

import uuid

from sqlmodel import Session

from tuyere.calc.registry import Units
from tuyere.core.drawing.scene import Scene
from tuyere.core.errors import InputError
from tuyere.exchange.sheets.speed_plate import Plate, PlateLine, plate_scene
from tuyere.store.jobs.card import day
from tuyere.store.machines.tables import Drive, EnergySource, Machine
from tuyere.store.plumbing.rows import below, one
from tuyere.store.speeds.plate import plate_view

STOPPED = "stop, isolate, lock; then change the speed"


def plate_drawing(session: Session, drive_id: uuid.UUID, units: Units) -> Scene:
    """The plate, true to size. Raises NotThere, InputError where no plate is kept."""
    drive = one(session, Drive, drive_id)
    machine = session.get_one(Machine, drive.machine_id)
    kept = plate_view(session, drive_id, units)
    if not kept.rows:
        raise InputError("plate", None, "no speeds are kept for this drive yet", "keep its speeds first")
    points = [s.isolation_point for s in below(session, EnergySource, "machine_id", machine.id) if s.isolation_point]
    first = f"stop, lock {', '.join(points[:2])}; then change the speed" if points else STOPPED
    return plate_scene(
        Plate(
            name=f"{machine.name}, {drive.name}",
            title=kept.title or "Speeds of the machine",
            lines=[PlateLine(setting=r.setting, speed=r.speed.number, note=r.note) for r in kept.rows],
            kept=f"{kept.by}, {day(kept.at)}".strip(", "),
            first=first,
        )
    )
