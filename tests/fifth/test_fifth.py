"""A fifth family on a sixth kind of wheel joins: worked, searched, compared, kept, drawn, without a change elsewhere."""

from __future__ import annotations

import uuid
from collections.abc import Iterator
from itertools import product
from math import pi
from typing import Any

import pytest
from sqlmodel import Session, select

from tests.fifth.steel_band import BANDS, DRIVE, DRUMS, DUTY, WIDTHS, declare_calculations
from tuyere.calc.families.protocol import FAMILIES, register
from tuyere.calc.registry import CALCULATIONS, find, work
from tuyere.store.builds.book import save_build
from tuyere.store.builds.forms import BuildSave
from tuyere.store.builds.tables import Element
from tuyere.store.drives.book import drive_view
from tuyere.store.machines.book import add_drive, add_machine
from tuyere.store.machines.forms import DriveCreate, MachineCreate
from tuyere.store.plumbing.actor import Actor

WHO = Actor("I. Rook")


@pytest.fixture(autouse=True)
def fifth() -> Iterator[None]:
    """The family is there for these tests only."""
    register(BANDS)
    names = declare_calculations()
    yield
    for name in names:
        del CALCULATIONS[name]
    del FAMILIES[BANDS.key]


def worked(name: str, given: dict[str, Any]) -> Any:
    return work(find(name), find(name).request_model.model_validate({"units": "si", "input": given}))


def test_it_is_worked_and_drawn() -> None:
    answer = worked("band-drive", DRIVE)
    # Statics: 40 mm at 40 N/mm is 1600 N, at pi * 0.2 m * 1000/60 per second: 16.76 kW.
    assert answer.result.capacity.shown == "16.8 kW" and answer.result.driven_speed.shown == "500 rpm"
    assert [(w.id, w.profile) for w in answer.elevation.wheels] == [("driver", "drum"), ("driven", "drum")]
    assert [s.side for s in answer.elevation.strands] == ["slack", "tight"] and answer.sheet.beside.parts.value == 3
    crossing = worked("band-drive", DRIVE | {"wanted": {"speed": "510"}})
    assert crossing.sheet.wanted.within and crossing.sheet.wanted.error.value == pytest.approx(-100 / 51, rel=1e-6)


def test_it_is_searched_like_every_other() -> None:
    found = worked("band-select", DUTY).result
    # Counted by hand: drums in the ratio of two to one within 3 %, and pull times speed for the design power.
    does = [
        (a, b, w)
        for a, b, w in product(DRUMS, DRUMS, WIDTHS)
        if abs(a / b / 0.5 - 1) <= 0.03 and 40 * w * pi * a / 60 / 1000 * 1000 / 1000 >= found.design_power.value
    ]
    assert found.considered == 6 * 6 * 4 and found.accepted == len(does) > 0
    assert found.options and all(o.calc == "band-drive" and o.family == "steel-band" for o in found.options)
    assert {r.limit for r in found.rejected} == {"speed", "power"} and all(r.nearest for r in found.rejected)
    assert any("smallest" in o.kinds for o in found.options)
    again = worked("band-drive", found.options[0].input).sheet
    assert again.spare.shown == found.options[0].spare.shown
    told = worked("band-why-not", DUTY | {"this": {"driver_drum": 100, "driven_drum": 200, "width": 10}}).result
    assert not told.fits and [x.limit for x in told.lines if not x.passes] == ["power"]
    assert worked("band-why-not", DUTY | {"this": {"driver_drum": 200, "driven_drum": 400, "width": 40}}).result.fits


def test_it_stands_beside_the_others_in_the_comparison() -> None:
    families = worked("drive-compare", DUTY | {"keep": 3}).result.families
    assert [f.key for f in families][-1] == "steel-band" and len(families) == 5
    assert families[-1].options and families[-1].verdict in ("good", "limited")


def test_it_is_kept_and_comes_back_with_its_own_kind_of_wheel(db: Session) -> None:
    machine = add_machine(db, WHO, MachineCreate(name=f"Band saw {uuid.uuid4()}")).id
    ident = add_drive(db, WHO, machine, DriveCreate(name="Band"))
    form = {"purpose": "fitted", "freeze": True, "family": "steel-band", "input": DRIVE}
    saved = save_build(db, WHO, ident, BuildSave.model_validate(form))
    db.expire_all()
    view = drive_view(db, ident).builds[0]
    assert (view.family, view.calc) == ("steel-band", "band-drive") and "steel band" in view.what
    kinds = {e.kind for e in db.exec(select(Element).where(Element.build_id == saved.id)).all()}
    assert kinds == {"band drum"}
    again, first = worked("band-drive", view.input), worked("band-drive", DRIVE)
    assert again.sheet.model_dump() == first.sheet.model_dump()
    assert again.elevation.model_dump() == first.elevation.model_dump()


def test_one_figure_of_it_is_changed_by_what_is_typed() -> None:
    given = {"calc": "band-drive", "input": DRIVE, "path": "driver_drum", "typed": "300 mm"}
    changed = worked("drive-refit", given).result
    assert changed.input["driver_drum"] == "300 mm" and changed.says == ""
    assert worked("band-drive", changed.input).result.driven_speed.shown == "750 rpm"


def test_there_is_one_of_a_name() -> None:
    with pytest.raises(ValueError, match="already"):
        register(BANDS)
