"""Elevations of many builds at once, for walls and lists: a build is worked once a process and kept by its version."""

from __future__ import annotations

import uuid
from collections import OrderedDict
from collections.abc import Sequence

import sqlalchemy as sa
from sqlmodel import Session, col, select

from tuyere.calc.answer import ElevationOut
from tuyere.calc.entry import reading_in
from tuyere.calc.families.parts_model import Parts
from tuyere.calc.families.protocol import FAMILIES
from tuyere.calc.frame import Frame, elevation_out
from tuyere.core.errors import CoreError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.store.builds.parts import read_parts
from tuyere.store.builds.read import stored_duty
from tuyere.store.builds.tables import Build
from tuyere.store.drives.tables import Duty

KEPT = 8192
# By build and version: a settled build never changes, a draft's version does.
_drawn: OrderedDict[tuple[uuid.UUID, int], tuple[str, ElevationOut | None]] = OrderedDict()


def _draw(build: Build, parts: Parts, duty: Duty) -> tuple[str, ElevationOut | None]:
    family = FAMILIES[build.family]
    what = family.what(parts.loop.designation, parts.loop.strands)
    try:
        with reading_in("si"), quiet(), collected_notices():
            given = family.given(stored_duty(duty), parts)
            worked = family.worked(given, Frame("si", build.options))
            return what, elevation_out(worked.elevation)
    except CoreError:
        # A drive that its calculation refuses is listed all the same, without a picture.
        return what, None


def drawn_of(session: Session, drives: Sequence[uuid.UUID]) -> dict[uuid.UUID, tuple[str, ElevationOut | None]]:
    """(what is on it, its elevation) by drive: what stands on the machine, else the newest build. Drives of which nothing is known
    are left out.
    """
    columns = (Build.drive_id, Build.id, Build.rev, Build.state, Build.purpose, Build.valid_to)
    wanted = sa.select(*(col(c) for c in columns)).where(
        col(Build.drive_id).in_(set(drives)), col(Build.archived_at).is_(None)
    )
    shown: dict[uuid.UUID, tuple[uuid.UUID, int]] = {}
    standing: set[uuid.UUID] = set()
    for drive, ident, rev, state, purpose, valid_to in session.execute(wanted.order_by(col(Build.no))).all():
        stands = state == "frozen" and purpose != "designed" and valid_to is None
        # What stands on the machine goes before a plan, whichever is newer.
        if stands or drive not in standing:
            shown[drive] = (ident, rev)
        if stands:
            standing.add(drive)
    wanting = [ident for ident, rev in shown.values() if (ident, rev) not in _drawn]
    missing = session.exec(select(Build).where(col(Build.id).in_(wanting))).all() if wanting else []
    if missing:
        parts = read_parts(session, missing)
        duties = {
            d.id: d for d in session.exec(select(Duty).where(col(Duty.id).in_({b.duty_id for b in missing}))).all()
        }
        for b in missing:
            _drawn[b.id, b.rev] = _draw(b, parts[b.id], duties[b.duty_id])
    found = {drive: _drawn[key] for drive, key in shown.items()}
    # Only then may old ones go: one that was asked for could be among them.
    while len(_drawn) > KEPT:
        _drawn.popitem(last=False)
    return found
