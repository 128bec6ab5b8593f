"""What is oiled and greased on a machine: the points its drives have, those that may be there, and when each is due."""

from __future__ import annotations

import uuid
from collections import defaultdict
from collections.abc import Mapping

import sqlalchemy as sa
from pydantic import JsonValue
from sqlmodel import Session, col

from tuyere.calc.families.protocol import FAMILIES
from tuyere.core.upkeep.lubrication import oil_points
from tuyere.store.builds.tables import Build, Loop
from tuyere.store.jobs.dues import list_dues
from tuyere.store.machines.tables import Drive, Machine
from tuyere.store.plumbing.rows import one
from tuyere.store.upkeep.views import OilList, OilPointView


def _of_take_up(take_up: Mapping[str, JsonValue]) -> str:
    """The point that a take-up has: an arm its pivot, a slide its screw. Common practice."""
    arm = take_up.get("pivot") is not None or take_up.get("kind") in ("spring", "weight")
    return "idler-pivot" if arm else "take-up-screw"


def _here(session: Session, machine_id: uuid.UUID) -> dict[str, list[str]]:
    """Points that the machine's drives have by what stands there now: key -> drives."""
    rows = session.execute(
        sa.select(col(Drive.name), col(Build.family), col(Loop.take_up))
        .join(Build, col(Build.drive_id) == col(Drive.id))
        .join(Loop, col(Loop.build_id) == col(Build.id))
        .where(col(Drive.machine_id) == machine_id, col(Drive.archived_at).is_(None), col(Build.archived_at).is_(None))
        .where(col(Build.state) == "frozen", col(Build.purpose) != "designed", col(Build.valid_to).is_(None))
        .order_by(col(Drive.created_at))
    ).all()
    found: dict[str, list[str]] = defaultdict(list)
    for drive, family, take_up in rows:
        keys = set(FAMILIES[family].facts.oiled)
        if take_up:
            keys.add(_of_take_up(take_up))
        for key in keys:
            if drive not in found[key]:
                found[key].append(drive)
    return found


def oil_list(session: Session, machine_id: uuid.UUID) -> OilList:
    """Every kind of point with how it is done; where it is on this machine, and when it is due. Raises NotThere."""
    one(session, Machine, machine_id)
    here = _here(session, machine_id)
    due = {d.reason: d for d in reversed(list_dues(session, machine_id=machine_id).dues)}
    points = [
        OilPointView(
            key=p.key,
            what=p.what,
            lubricant=p.lubricant,
            amount=p.amount,
            every_days=p.every_days,
            every_hours=p.every_hours or None,
            too_much=p.too_much,
            guard=p.guard,
            drives=here.get(p.key, []),
            due=due.get(f"oil-{p.key}"),
        )
        for p in oil_points()
    ]
    return OilList(points=sorted(points, key=lambda p: (p.due is None, not p.drives)))
