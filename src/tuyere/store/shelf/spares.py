"""Which drives take which loop, and the smallest set of spares for a group of them."""

from __future__ import annotations

import uuid
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass

import sqlalchemy as sa
from sqlmodel import Session, col, select

from tuyere.core.errors import InputError
from tuyere.core.upkeep.covering import Wants, covering_set
from tuyere.store.builds.tables import Build, Element, Loop
from tuyere.store.drives.tables import Duty
from tuyere.store.machines.tables import Drive, Machine
from tuyere.store.plumbing.rows import one
from tuyere.store.shelf.book import current, plain
from tuyere.store.shelf.tables import StockItem


@dataclass(frozen=True, slots=True, kw_only=True)
class Takes:
    """A loop on a drive now; ``give_mm`` is how far the centres can go to either side, 0 where nobody said."""

    drive_id: uuid.UUID
    machine: str
    drive: str
    family: str
    section: str
    designation: str
    length_mm: float
    strands: int
    give_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class SpareLoop:
    """A loop to keep, how many, and for which drives by name."""

    designation: str
    count: int
    serves: tuple[str, ...]


def _every(session: Session, drives: Sequence[uuid.UUID] = ()) -> list[Takes]:
    wanted = (
        sa.select(Build, Loop, Drive, Machine, Duty)
        .join(Loop, col(Loop.build_id) == col(Build.id))
        .join(Drive, col(Drive.id) == col(Build.drive_id))
        .join(Machine, col(Machine.id) == col(Drive.machine_id))
        .join(Duty, col(Duty.id) == col(Build.duty_id))
        .where(col(Build.archived_at).is_(None), col(Build.valid_to).is_(None), col(Build.state) == "frozen")
        .where(col(Build.purpose) != "designed", col(Loop.no) == 1, col(Drive.archived_at).is_(None))
    )
    if drives:
        wanted = wanted.where(col(Drive.id).in_(drives))
    return [
        Takes(
            drive_id=drive.id,
            machine=machine.name,
            drive=drive.name,
            family=build.family,
            section=loop.section,
            designation=loop.designation,
            length_mm=loop.length_mm,
            strands=loop.strands,
            give_mm=duty.centre_give_mm or 0.0,
        )
        for build, loop, drive, machine, duty in session.execute(wanted).all()
    ]


def drives_by_loop(session: Session) -> dict[str, list[Takes]]:
    """Drives by what their loop is called, written plainly."""
    out: dict[str, list[Takes]] = defaultdict(list)
    for t in _every(session):
        out[plain(t.designation)].append(t)
    return out


def spares_for(session: Session, drives: Sequence[uuid.UUID]) -> tuple[list[SpareLoop], str]:
    """(the fewest loops that give each of these drives a spare set, what that rests on in words), out of the lengths that are on these
    drives. Raises NotThere; InputError for a drive without a loop.
    """
    for ident in drives:
        one(session, Drive, ident)
    takes = _every(session, drives)
    if missing := set(drives) - {t.drive_id for t in takes}:
        raise InputError("drives", str(min(missing)), "nothing is known to be on this drive", "drives with a loop on")
    wants = [
        Wants(
            name=f"{t.machine}, {t.drive}",
            section=f"{t.family}/{t.section}",
            count=t.strands,
            # Both strands gain what the centres give.
            shortest_mm=t.length_mm - 2 * t.give_mm - 1e-6,
            longest_mm=t.length_mm + 2 * t.give_mm + 1e-6,
        )
        for t in takes
    ]
    lengths: dict[str, list[float]] = defaultdict(list)
    called: dict[tuple[str, float], str] = {}
    for w, t in zip(wants, takes, strict=True):
        lengths[w.section].append(t.length_mm)
        called[w.section, t.length_mm] = t.designation
    spares = [
        SpareLoop(designation=called[s.section, s.length_mm], count=s.count, serves=s.serves)
        for s in covering_set(wants, dict(lengths))
    ]
    known = sum(t.give_mm > 0 for t in takes)
    alone, together = sum(t.strands for t in takes), sum(s.count for s in spares)
    says = f"{together} loops in place of {alone}. " if together < alone else f"{together} loops; none can be shared. "
    says += f"The take-up is known of {known} of {len(takes)} drives; the others take their own length only."
    return spares, says


@dataclass(frozen=True, slots=True, kw_only=True)
class Wanted:
    """A part that stands on a drive: what it is, how many, how many lie on the shelf, and where."""

    what: str
    count: int
    on_shelf: int
    places: tuple[str, ...]


# Diameters that a caliper cannot tell apart, mm.
SAME_MM = 0.3


def _is_wheel(item: StockItem, wheel: Element) -> bool:
    """Whether a part on the shelf is this wheel: by groove and diameter, or by profile and teeth in its name."""
    if item.part == "sheave":
        alike = item.diameter_kind == wheel.diameter_kind and item.section.upper() == wheel.profile.upper()
        return alike and abs((item.diameter_mm or 0.0) - wheel.diameter_mm) <= SAME_MM
    if item.part != "sprocket" or wheel.teeth is None:
        return False
    named = plain(item.designation)
    return named in {
        plain(f"{wheel.profile}{x}") for x in (wheel.teeth, f"-{wheel.teeth}T", f"x{wheel.teeth}", f"B{wheel.teeth}")
    }


def parts_of(session: Session, drive_id: uuid.UUID) -> list[Wanted]:
    """What a drive takes now, with what the shelf holds of it: loops, then wheels in the drive's order. Raises NotThere."""
    one(session, Drive, drive_id)
    build = session.exec(
        select(Build)
        .where(Build.drive_id == drive_id, Build.state == "frozen", Build.purpose != "designed")
        .where(col(Build.valid_to).is_(None), col(Build.archived_at).is_(None))
        .order_by(col(Build.no).desc())
    ).first()
    if build is None:
        return []
    shelf = [x for x in current(session, StockItem) if x.quantity]

    def wanted(what: str, count: int, found: list[StockItem]) -> Wanted:
        places = tuple(dict.fromkeys(x.place for x in found if x.place))
        return Wanted(what=what, count=count, on_shelf=sum(x.quantity for x in found), places=places)

    out = []
    for loop in session.exec(select(Loop).where(Loop.build_id == build.id).order_by(col(Loop.no))).all():
        found = [x for x in shelf if x.designation and plain(x.designation) == plain(loop.designation)]
        out.append(wanted(loop.designation, loop.strands, found))
    for wheel in session.exec(
        select(Element).where(Element.build_id == build.id).order_by(col(Element.created_at))
    ).all():
        size = f"{wheel.teeth} teeth" if wheel.teeth else wheel.diameter_typed or f"{wheel.diameter_mm:.1f} mm"
        kind = "" if wheel.teeth else f" {wheel.diameter_kind}"
        name = f"{wheel.wheel} {wheel.kind}, {wheel.profile} {size}{kind}"
        out.append(wanted(name, 1, [x for x in shelf if _is_wheel(x, wheel)]))
    return out
