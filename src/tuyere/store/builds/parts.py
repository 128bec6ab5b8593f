"""A build's wheels, loops, stops and members between rows and the parts that the families know; both ways in one place."""

from __future__ import annotations

import uuid
from collections.abc import Iterable, Sequence
from dataclasses import asdict

import sqlalchemy as sa
from pydantic import JsonValue, TypeAdapter
from sqlmodel import Session, col, select

from tuyere.calc.families.parts_model import Dim, LoopPart, Parts, ShaftKey, StopPart, WheelPart
from tuyere.core.drive.route import TakeUp
from tuyere.store.builds.tables import Build, Element, Loop, Member, RouteStop
from tuyere.store.drives.tables import Shaft
from tuyere.store.plumbing.rows import below

INFINITE = (float("inf"), float("-inf"))
TAKE_UP = TypeAdapter(TakeUp)


def shaft_of(session: Session, drive_id: uuid.UUID, key: ShaftKey) -> Shaft:
    """The drive's shaft of that role and number; made where there is none yet."""
    found = session.exec(
        select(Shaft).where(
            Shaft.drive_id == drive_id, Shaft.role == key.role, Shaft.no == key.no, col(Shaft.archived_at).is_(None)
        )
    ).first()
    if found is None:
        found = Shaft(drive_id=drive_id, role=key.role, no=key.no)
        session.add(found)
        session.flush()
    return found


def _take_up_row(take_up: TakeUp | None) -> dict[str, JsonValue] | None:
    """What was said of a take-up; travel without an end is left open."""
    if take_up is None:
        return None
    return {k: v for k, v in asdict(take_up).items() if v is not None and v not in INFINITE}


def _take_up_part(row: dict[str, JsonValue] | None) -> TakeUp | None:
    return None if row is None else TAKE_UP.validate_python(row)


def write_parts(session: Session, build: Build, parts: Parts) -> None:
    """The rows of a build's parts."""
    elements: dict[str, Element] = {}
    for part in parts.wheels:
        element = Element(
            build_id=build.id,
            shaft_id=shaft_of(session, build.drive_id, part.shaft).id,
            wheel=part.id,
            kind=part.kind,
            x=part.x_mm,
            y=part.y_mm,
            diameter_mm=part.diameter.mm,
            diameter_kind=part.diameter.kind,
            diameter_typed=part.diameter.typed,
            diameter_origin=part.diameter.origin,
            grooves=part.grooves,
            teeth=part.teeth,
            profile=part.profile,
            spec=dict(part.spec),
        )
        session.add(element)
        elements[part.id] = element
    for part_of in parts.loops:
        loop = Loop(
            build_id=build.id,
            no=part_of.no,
            section=part_of.section,
            designation=part_of.designation,
            length_mm=part_of.length.mm,
            length_kind=part_of.length.kind,
            strands=part_of.strands,
            joined=part_of.joined,
            take_up=_take_up_row(part_of.take_up),
            spec=dict(part_of.spec),
        )
        session.add(loop)
        session.flush()
        for position, stop in enumerate(part_of.stops, 1):
            session.add(
                RouteStop(
                    loop_id=loop.id,
                    position=position,
                    element_id=elements[stop.wheel].id,
                    side=stop.side,
                    crossed=stop.crossed,
                )
            )
        for no in range(1, part_of.members + 1):
            session.add(Member(loop_id=loop.id, no=no))
    session.flush()


def clear_parts(session: Session, build: Build) -> None:
    """Take a draft's parts away before they are written anew; the draft itself and its number stay."""
    for loop in below(session, Loop, "build_id", build.id):
        for row in [*below(session, RouteStop, "loop_id", loop.id), *below(session, Member, "loop_id", loop.id)]:
            session.delete(row)
        session.flush()
        session.delete(loop)
    session.flush()
    for row in below(session, Element, "build_id", build.id):
        session.delete(row)
    session.flush()


def _wheel(e: Element, shaft: Shaft) -> WheelPart:
    return WheelPart(
        id=e.wheel,
        shaft=ShaftKey(role=shaft.role, no=shaft.no),  # type: ignore[arg-type]  # the column is checked by the database
        kind=e.kind,
        x_mm=e.x,
        y_mm=e.y,
        diameter=Dim(mm=e.diameter_mm, kind=e.diameter_kind, typed=e.diameter_typed, origin=e.diameter_origin),
        profile=e.profile,
        grooves=e.grooves,
        teeth=e.teeth,
        spec=e.spec,
    )


def _loop(loop: Loop, stops: Iterable[RouteStop], members: int, named: dict[uuid.UUID, str]) -> LoopPart:
    return LoopPart(
        no=loop.no,
        stops=tuple(
            StopPart(wheel=named[s.element_id], side=s.side, crossed=s.crossed)  # type: ignore[arg-type]  # as above
            for s in stops
        ),
        section=loop.section,
        designation=loop.designation,
        length=Dim(mm=loop.length_mm, kind=loop.length_kind),
        strands=loop.strands,
        members=members,
        joined=loop.joined,
        take_up=_take_up_part(loop.take_up),
        spec=loop.spec,
    )


def read_parts(session: Session, builds: Sequence[Build]) -> dict[uuid.UUID, Parts]:
    """The parts of many builds at once: two queries, however many there are."""
    idents = [b.id for b in builds]
    wheels = session.exec(
        select(Element, Shaft)
        .join(Shaft, col(Shaft.id) == col(Element.shaft_id))
        .where(col(Element.build_id).in_(idents))
        .order_by(col(Element.created_at), col(Element.id))
    ).all()
    members = select(sa.func.count()).where(col(Member.loop_id) == col(Loop.id)).correlate(Loop).scalar_subquery()
    loops = session.exec(
        select(Loop, RouteStop, members.label("members"))
        .join(RouteStop, col(RouteStop.loop_id) == col(Loop.id))
        .where(col(Loop.build_id).in_(idents))
        .order_by(col(Loop.no), col(RouteStop.position))
    ).all()
    named = {e.id: e.wheel for e, _ in wheels}
    out: dict[uuid.UUID, Parts] = {}
    for b in builds:
        own: dict[uuid.UUID, tuple[Loop, list[RouteStop], int]] = {}
        for loop, stop, count in loops:
            if loop.build_id == b.id:
                own.setdefault(loop.id, (loop, [], int(count)))[1].append(stop)
        # In the order of travel, loop by loop; a wheel that two loops share stands with the first.
        on_route = {
            e: k for k, e in enumerate(dict.fromkeys(s.element_id for _, stops, _ in own.values() for s in stops))
        }
        parts = [(e, s) for e, s in wheels if e.build_id == b.id]
        parts.sort(key=lambda pair: on_route.get(pair[0].id, len(on_route)))
        out[b.id] = Parts(
            wheels=tuple(_wheel(e, s) for e, s in parts),
            loops=tuple(_loop(loop, stops, count, named) for loop, stops, count in own.values()),
            clockwise=b.clockwise,
        )
    return out
