"""Keeping machines: find, add, change."""

from __future__ import annotations

import uuid
from collections import defaultdict
from collections.abc import Sequence

import sqlalchemy as sa
from sqlmodel import Session, col, select

from tuyere.calc.families.protocol import FAMILIES
from tuyere.core.errors import InputError
from tuyere.store.builds.tables import Build, Loop
from tuyere.store.machines.forms import DriveCreate, EnergySourceIn, MachineChange, MachineCreate
from tuyere.store.machines.tables import Drive, EnergySource, Machine
from tuyere.store.machines.views import DriveLine, EnergySourceView, MachineList, MachineView
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.differences import Choice, Difference, difference
from tuyere.store.plumbing.rows import below, one
from tuyere.store.plumbing.trouble import Stale


def _state(build: Build, draft: bool) -> str:
    purpose = {"found": "as found", "designed": "designed", "fitted": "fitted"}[build.purpose]
    if build.state == "draft":
        return f"{purpose}, draft"
    return f"{purpose}; a draft waits" if draft else purpose


def _drive_lines(session: Session, machines: Sequence[uuid.UUID]) -> dict[uuid.UUID, list[DriveLine]]:
    drives = session.exec(
        select(Drive)
        .where(col(Drive.machine_id).in_(machines), col(Drive.archived_at).is_(None))
        .order_by(col(Drive.created_at), col(Drive.id))
    ).all()
    built: dict[uuid.UUID, tuple[Build, Loop]] = {}
    drafts: set[uuid.UUID] = set()
    rows = session.exec(
        select(Build, Loop)
        .join(Loop, col(Loop.build_id) == col(Build.id))
        .where(col(Build.drive_id).in_([d.id for d in drives]), col(Build.archived_at).is_(None), Loop.no == 1)
        .order_by(col(Build.valid_from), col(Build.no))
    ).all()
    for build, loop in rows:
        # What stands on the machine counts before a plan for it.
        on_it = built.get(build.drive_id)
        if on_it is None or build.state == "frozen" and (build.purpose != "designed" or on_it[0].purpose == "designed"):
            built[build.drive_id] = (build, loop)
        if build.state == "draft":
            drafts.add(build.drive_id)
    lines: dict[uuid.UUID, list[DriveLine]] = defaultdict(list)
    for drive in drives:
        latest = built.get(drive.id)
        lines[drive.machine_id].append(
            DriveLine(
                id=drive.id,
                name=drive.name,
                fitted=FAMILIES[latest[0].family].what(latest[1].designation, latest[1].strands) if latest else "",
                state=_state(latest[0], drive.id in drafts) if latest else "nothing known yet",
                temporary=bool(latest and latest[0].temporary),
            )
        )
    return lines


def _views(session: Session, machines: Sequence[Machine]) -> list[MachineView]:
    idents = [m.id for m in machines]
    lines = _drive_lines(session, idents)
    sources: dict[uuid.UUID, list[EnergySourceView]] = defaultdict(list)
    for s in session.exec(
        select(EnergySource)
        .where(col(EnergySource.machine_id).in_(idents), col(EnergySource.archived_at).is_(None))
        .order_by(col(EnergySource.created_at), col(EnergySource.id))
    ).all():
        sources[s.machine_id].append(
            EnergySourceView(id=s.id, type=s.type, isolation_point=s.isolation_point, steps=s.steps)
        )
    return [
        MachineView(
            id=m.id,
            rev=m.rev,
            area=m.area,
            walk_order=m.walk_order,
            name=m.name,
            tag=m.tag,
            kind=m.kind,
            energy_sources=sources[m.id],
            drives=lines[m.id],
        )
        for m in machines
    ]


PAGE = 200


def _holds(words: str) -> list[sa.ColumnElement[bool]]:
    """Conditions: every word stands in name, tag, area, kind, a drive's name or a belt that is on one."""
    out = []
    for word in words.split():
        like = "%" + word.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_") + "%"
        on_drive = (
            select(Drive.id)
            .join(Build, col(Build.drive_id) == col(Drive.id), isouter=True)
            .join(Loop, col(Loop.build_id) == col(Build.id), isouter=True)
            .where(Drive.machine_id == Machine.id, col(Drive.archived_at).is_(None))
            .where(
                sa.or_(
                    col(Drive.name).ilike(like),
                    sa.and_(col(Build.valid_to).is_(None), col(Loop.designation).ilike(like)),
                )
            )
            .exists()
        )
        out.append(
            sa.or_(*(col(c).ilike(like) for c in (Machine.name, Machine.tag, Machine.area, Machine.kind)), on_drive)
        )
    return out


def list_machines(session: Session, words: str = "", start: int = 0, most: int = PAGE) -> MachineList:
    """Machines in walking order, ``most`` from ``start`` on, and how many there are in all."""
    wanted = select(Machine).where(col(Machine.archived_at).is_(None), *_holds(words))
    total = session.exec(select(sa.func.count()).select_from(wanted.subquery())).one()
    page = wanted.order_by(col(Machine.walk_order), col(Machine.area), col(Machine.name), col(Machine.id))
    machines = session.exec(page.offset(start).limit(most)).all()
    areas = session.exec(
        select(Machine.area).where(col(Machine.archived_at).is_(None)).distinct().order_by(Machine.area)
    ).all()
    return MachineList(machines=_views(session, machines), total=total, areas=[a for a in areas if a])


def machine_view(session: Session, ident: uuid.UUID) -> MachineView:
    """One machine; raises NotThere."""
    return _views(session, [one(session, Machine, ident)])[0]


def _set_sources(session: Session, machine: Machine, wanted: MachineCreate | MachineChange, actor: Actor) -> None:
    have = list(below(session, EnergySource, "machine_id", machine.id))
    keep = {(s.type, s.isolation_point, s.steps): s for s in have}
    asked = [(s.type, s.isolation_point, s.steps) for s in wanted.energy_sources]
    for key, row in keep.items():
        if key not in asked:
            row.archived_at = now()
            session.add(row)
    for kind, point, steps in asked:
        if (kind, point, steps) not in keep:
            session.add(
                EnergySource(
                    machine_id=machine.id, type=kind, isolation_point=point, steps=steps, created_by_name=actor.name
                )
            )
            session.flush()


def _refuse_twin(session: Session, form: MachineCreate) -> None:
    """Two machines of one name cannot be told apart at the machine: another tag or area, or the person's word."""
    if form.same_name:
        return
    twin = session.exec(
        select(Machine).where(
            col(Machine.archived_at).is_(None),
            sa.func.lower(Machine.name) == form.name.lower(),
            sa.func.lower(Machine.tag) == form.tag.lower(),
            sa.func.lower(Machine.area) == form.area.lower(),
        )
    ).first()
    if twin is not None:
        where = ", ".join(x for x in (twin.area, twin.tag) if x)
        raise InputError(
            "same_name",
            form.name,
            "there is a machine of that name" + (f" ({where})" if where else "") + " already",
            "another name, tag or area; or say that this is another machine",
        )


def _source_key(s: EnergySourceView | EnergySourceIn) -> tuple[str, str, str]:
    return (s.type, s.isolation_point, s.steps)


def _differences(current: MachineView, form: MachineChange) -> list[Difference]:
    """Where a form and the machine that is kept differ; isolation first, and both lists together unless a person says otherwise."""
    out = []
    mine, theirs = ([_source_key(s) for s in x.energy_sources] for x in (form, current))
    if set(mine) != set(theirs):
        ways = {"both": [*theirs, *(k for k in mine if k not in theirs)], "yours": mine, "theirs": theirs}
        out.append(
            Difference(
                path="energy_sources",
                label="Isolation",
                choices=tuple(
                    Choice(
                        word=word,
                        shown="; ".join(f"{kind}: {point}" for kind, point, _ in keys) or "none",
                        value=[{"type": a, "isolation_point": b, "steps": c} for a, b, c in keys],
                    )
                    for word, keys in ways.items()
                ),
            )
        )
    for path, label in (
        ("name", "Name"),
        ("tag", "Tag"),
        ("area", "Area"),
        ("kind", "Kind"),
        ("walk_order", "Place in the walk"),
    ):
        a, b = getattr(form, path), getattr(current, path)
        if a != b:
            out.append(difference(path, label, (str(a) or "nothing", a), (str(b) or "nothing", b)))
    return out


def add_machine(session: Session, actor: Actor, form: MachineCreate) -> MachineView:
    """Add a machine. Raises InputError where one of that name is there and nobody said that this is another."""
    _refuse_twin(session, form)
    machine = Machine(
        id=form.id,
        op_id=form.op_id,
        created_by_name=actor.name,
        area=form.area,
        walk_order=form.walk_order,
        name=form.name,
        tag=form.tag,
        kind=form.kind,
    )
    session.add(machine)
    session.flush()
    _set_sources(session, machine, form, actor)
    session.flush()
    return machine_view(session, machine.id)


def change_machine(session: Session, actor: Actor, ident: uuid.UUID, form: MachineChange) -> MachineView:
    """Change a machine; raises Stale with the current version when ``rev`` is not the present one."""
    machine = one(session, Machine, ident, lock=True)
    if machine.rev != form.rev:
        current = machine_view(session, ident)
        raise Stale("machine", current.model_dump(mode="json"), _differences(current, form))
    machine.area, machine.walk_order, machine.name = form.area, form.walk_order, form.name
    machine.tag, machine.kind, machine.rev, machine.op_id = form.tag, form.kind, machine.rev + 1, form.op_id
    session.add(machine)
    _set_sources(session, machine, form, actor)
    session.flush()
    return machine_view(session, ident)


def add_drive(session: Session, actor: Actor, machine_id: uuid.UUID, form: DriveCreate) -> uuid.UUID:
    """Add a drive to a machine; returns its id."""
    one(session, Machine, machine_id)
    drive = Drive(id=form.id, op_id=form.op_id, created_by_name=actor.name, machine_id=machine_id, name=form.name)
    session.add(drive)
    session.flush()
    return drive.id
