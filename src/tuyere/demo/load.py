"""Put the flax works into a database through the same doors as a person's entries."""

from __future__ import annotations

import copy
import uuid
from collections.abc import Callable
from datetime import date, timedelta
from typing import Any

import sqlalchemy as sa
from sqlalchemy.engine import Engine
from sqlmodel import Session, SQLModel, select

from tuyere.calc.families.protocol import FAMILIES
from tuyere.demo.around_work import AROUND_VISITS
from tuyere.demo.history import history
from tuyere.demo.kinds import DemoBuild, DemoDrive, OtherBuild
from tuyere.demo.shelf import LOW, PLACES, PRICES, SHELF
from tuyere.demo.speed_work import speed_work
from tuyere.demo.taken import taken
from tuyere.demo.visits import visits
from tuyere.demo.works import WORKS
from tuyere.exchange.stock_csv import read_stock
from tuyere.store.builds.book import save_build
from tuyere.store.builds.forms import BuildSave
from tuyere.store.drives.book import save_duty
from tuyere.store.drives.forms import DutySave
from tuyere.store.machines.book import add_drive, add_machine
from tuyere.store.machines.forms import DriveCreate, MachineCreate
from tuyere.store.machines.tables import Machine
from tuyere.store.plumbing.actor import Actor
from tuyere.store.shelf.book import keep_stock, set_place
from tuyere.store.twins.book import make_twin
from tuyere.store.twins.forms import TwinSave

FOREMAN = Actor("N. Dray")
NAMESPACE = uuid.UUID("6f1f6e0c-6a52-4f7c-9a53-2f7d1b8f5b10")


def _ident(*words: str) -> uuid.UUID:
    """The same id at every load, so that a link into the demo stays good."""
    return uuid.uuid5(NAMESPACE, "/".join(words))


def _given(drive: DemoDrive, build: DemoBuild | OtherBuild) -> dict[str, Any]:
    """The build's input with the drive's duty in it."""
    layout = {"angle": drive.angle, "clockwise": drive.clockwise}
    if isinstance(build, OtherBuild):
        given = copy.deepcopy(build.given) | {"power": drive.power, "service_factor": drive.service, "layout": layout}
        at = given
        *path, name = FAMILIES[build.family].facts.speed_field.split(".")
        for step in path:
            at = at.setdefault(step, {})
        at[name] = drive.speed
        return given
    wheel = {"kind": build.kind, "groove": build.groove}
    return {
        "power": drive.power,
        "service_factor": drive.service,
        "driver": {"speed": drive.speed, "sheave": {"diameter": build.driver, **wheel}},
        "driven": {"sheave": {"diameter": build.driven, **wheel}},
        "belt": {"designation": build.belt, "count": build.count},
        "layout": layout,
    }


def build_form(drive: DemoDrive, build: DemoBuild | OtherBuild, rev: int, op_id: uuid.UUID) -> BuildSave:
    """A demo build as the form a person would send."""
    return BuildSave.model_validate(
        {
            "id": op_id,
            "op_id": op_id,
            "rev": rev,
            "purpose": build.purpose,
            "freeze": build.frozen,
            "family": build.family if isinstance(build, OtherBuild) else "v-belt",
            "input": _given(drive, build),
            "temporary": bool(build.temporary),
            "temporary_reason": build.temporary,
            "promised_date": date.today() + timedelta(days=21) if build.temporary else None,
        }
    )


def load(engine: Engine, say: Callable[[str], None] = lambda _: None) -> int:
    """Load the demo into an empty database; returns how many machines. Does nothing where machines are."""
    with Session(engine) as session, session.begin():
        if session.exec(select(Machine.id)).first() is not None:
            return 0
        for m in WORKS:
            machine = _ident(m.tag)
            add_machine(
                session,
                FOREMAN,
                MachineCreate.model_validate(
                    {
                        "id": machine,
                        "op_id": machine,
                        "area": m.area,
                        "walk_order": m.walk,
                        "name": m.name,
                        "tag": m.tag,
                        "kind": m.kind,
                        "energy_sources": [{"type": t, "isolation_point": p, "steps": s} for t, p, s in m.energy],
                    }
                ),
            )
            for d in m.drives:
                ident = _ident(m.tag, d.name)
                add_drive(session, FOREMAN, machine, DriveCreate(id=ident, op_id=ident, name=d.name))
                save_duty(
                    session,
                    FOREMAN,
                    ident,
                    DutySave.model_validate(
                        {
                            "op_id": _ident(m.tag, d.name, "duty"),
                            "power": d.power,
                            "driver_speed": d.speed,
                            "driven_speed": d.wanted,
                            "service_factor": d.service,
                            "centre": d.centre or None,
                        }
                    ),
                )
                for no, b in enumerate(d.builds):
                    save_build(session, Actor(b.by), ident, build_form(d, b, 0, _ident(m.tag, d.name, str(no))))
                if d.builds:
                    twin = _ident(m.tag, d.name, "twin")
                    make_twin(session, FOREMAN, ident, TwinSave(id=twin, op_id=twin, seed=twin.int % 100_000))
            say(f"{m.tag} {m.name}")
        history(session, _ident)
        visits(session, _ident)
        speed_work(session, _ident)
        visits(session, _ident, AROUND_VISITS)
        for item in keep_stock(session, FOREMAN, read_stock(SHELF).lines):
            name = item.designation or item.section
            set_place(session, FOREMAN, item.id, PLACES.get(name, "rack 2"), low=LOW.get(name), price=PRICES.get(name))
        taken(session, FOREMAN)
    return len(WORKS)


def clear(engine: Engine) -> None:
    """Empty every table, at once: jobs, findings and dues point at each other in a ring."""
    with engine.begin() as connection:
        connection.execute(sa.text(f"TRUNCATE {', '.join(SQLModel.metadata.tables)}"))
