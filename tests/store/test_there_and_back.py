"""What goes into the rows comes out again: every family's drives at random, and parts of any number of wheels and loops."""

from __future__ import annotations

import uuid
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import replace
from typing import Any

import pytest
import sqlalchemy as sa
from hypothesis import HealthCheck, assume, given, settings
from hypothesis import strategies as st
from sqlalchemy.engine import Engine
from sqlmodel import Session, col, select

from tests.calc.around_drives import CLUTCH, PICKED, with_idlers
from tests.calc.test_adapters import INPUTS
from tuyere.calc.families.parts_model import Dim, LoopPart, Parts, ShaftKey, StopPart, WheelPart
from tuyere.calc.families.protocol import FAMILIES
from tuyere.calc.registry import find, work
from tuyere.core.drive.route import TakeUp
from tuyere.core.errors import CoreError
from tuyere.store.builds.book import save_build
from tuyere.store.builds.forms import BuildSave
from tuyere.store.builds.parts import read_parts, write_parts
from tuyere.store.builds.tables import Build
from tuyere.store.drives.book import drive_view
from tuyere.store.drives.tables import Shaft, ShaftLoad
from tuyere.store.machines.book import add_drive, add_machine
from tuyere.store.machines.forms import DriveCreate, MachineCreate
from tuyere.store.plumbing.actor import Actor

WHO = Actor("I. Rook")
SOME = settings(
    derandomize=True, deadline=None, max_examples=12, suppress_health_check=[HealthCheck.function_scoped_fixture]
)


def a_drive(db: Session) -> uuid.UUID:
    machine = add_machine(db, WHO, MachineCreate(name=f"Row {uuid.uuid4()}")).id
    return add_drive(db, WHO, machine, DriveCreate(name="Main"))


def worked(calc: str, given_input: dict[str, Any], options: dict[str, str]) -> Any:
    body = {"input": given_input, "options": options}
    return work(find(calc), find(calc).request_model.model_validate(body))


@pytest.mark.parametrize("key", list(INPUTS))
def test_a_drive_of_any_family_comes_out_of_the_rows_as_it_went_in(db: Session, key: str) -> None:
    family, kept = FAMILIES[key], [0]

    @SOME
    @given(INPUTS[key])
    def there_and_back(given_input: dict[str, Any]) -> None:
        try:
            first = worked(family.calc, given_input, {})
        except CoreError:
            assume(False)
        ident = a_drive(db)
        form = {"purpose": "fitted", "freeze": True, "family": key, "input": given_input, "options": first.options}
        save_build(db, WHO, ident, BuildSave.model_validate(form))
        db.expire_all()
        view = drive_view(db, ident).builds[0]
        again = worked(family.calc, view.input, view.options)
        kept[0] += 1
        assert again.sheet.designation == first.sheet.designation and view.options == first.options
        assert [(c.at, c.number, c.unit) for c in again.sheet.call_outs] == [
            (c.at, c.number, c.unit) for c in first.sheet.call_outs
        ]
        for name in ("spare", "driven_speed", "shaft_load"):
            one, other = getattr(again.sheet, name), getattr(first.sheet, name)
            assert (one is None) == (other is None)
            assert one is None or one.value == pytest.approx(other.value, rel=1e-6, abs=1e-6)
        assert [(w.id, w.x, w.y, w.turn) for w in again.elevation.wheels] == [
            (w.id, pytest.approx(w.x, abs=1e-4), pytest.approx(w.y, abs=1e-4), w.turn) for w in first.elevation.wheels
        ]

    there_and_back()
    assert kept[0] >= 4, "too few of the inputs made a drive"


@pytest.mark.parametrize("key", list(INPUTS))
def test_a_drive_with_idlers_comes_out_of_the_rows_as_it_went_in(db: Session, key: str) -> None:
    family, kept = FAMILIES[key], [0]

    @SOME
    @given(INPUTS[key], PICKED)
    def there_and_back(plain: dict[str, Any], picked: dict[str, Any]) -> None:
        try:
            said = with_idlers(key, plain, picked)
            first = worked(family.calc, said, {})
        except (CoreError, StopIteration):
            assume(False)
        ident = a_drive(db)
        form = {"purpose": "fitted", "freeze": True, "family": key, "input": said, "options": first.options}
        save_build(db, WHO, ident, BuildSave.model_validate(form))
        db.expire_all()
        view = drive_view(db, ident).builds[0]
        again = worked(family.calc, view.input, view.options)
        kept[0] += 1
        assert [(w.id, w.x, w.y, w.turn) for w in again.elevation.wheels] == [
            (w.id, pytest.approx(w.x, abs=1e-4), pytest.approx(w.y, abs=1e-4), w.turn) for w in first.elevation.wheels
        ]
        assert [s.tension.value for s in again.sheet.around.strands] == pytest.approx(
            [s.tension.value for s in first.sheet.around.strands], rel=1e-6, abs=1e-6
        )
        assert [g.gap.value for g in again.sheet.around.guides] == pytest.approx(
            [g.gap.value for g in first.sheet.around.guides], abs=1e-4
        )

    there_and_back()
    assert kept[0] >= 3, "too few of the inputs made a drive"


def test_every_shaft_of_a_duty_has_its_share(db: Session) -> None:
    ident = a_drive(db)
    form = {"purpose": "fitted", "freeze": True, "family": "v-belt", "input": CLUTCH}
    save_build(db, WHO, ident, BuildSave.model_validate(form))
    loads = db.exec(select(ShaftLoad, Shaft).join(Shaft, col(Shaft.id) == col(ShaftLoad.shaft_id))).all()
    mine = {s.no: load.power_kw / 0.745699871582 for load, s in loads if s.drive_id == ident}
    assert mine == pytest.approx({1: 3.0, 2: 2.0}, rel=1e-6)


MM = st.floats(-5000, 5000, allow_nan=False).map(lambda x: round(x, 6))
SIZE = st.floats(20, 3000).map(lambda x: round(x, 6))
SPEC = st.dictionaries(st.sampled_from(["slip", "width", "odd"]), st.floats(0, 9) | st.text("abc", max_size=4))
UNIT = st.sampled_from([(1.0, 0.0), (0.0, 1.0), (0.6, 0.8), (-0.8, 0.6)])
TAKE_UPS = st.one_of(
    st.none(),
    st.builds(TakeUp, wheel=st.just("W0"), slide=UNIT),
    st.builds(TakeUp, wheel=st.just("W1"), slide=UNIT, kind=st.just("spring")),
)


@st.composite
def parts(draw: st.DrawFn) -> Parts:
    """Two to nine wheels, some on one shaft, on one to three loops that share them."""
    count = draw(st.integers(2, 9))
    wheels = []
    for k in range(count):
        role = "driver" if k == 0 else "driven" if k == 1 else draw(st.sampled_from(["driven", "idler", "guide"]))
        wheels.append(
            WheelPart(
                id=f"W{k}",
                shaft=ShaftKey(role=role, no=1 if k < 2 else draw(st.integers(1, 4))),
                kind=draw(st.sampled_from(["sheave", "sprocket", "pulley", "idler", "guide", "drum of a winch"])),
                x_mm=draw(MM),
                y_mm=draw(MM),
                diameter=Dim(
                    mm=draw(SIZE),
                    kind=draw(st.sampled_from(["outside", "pitch"])),
                    typed=draw(st.none() | st.just("5 3/8 in")),
                ),
                profile=draw(st.sampled_from(["B", "SPB", "chain"])),
                grooves=draw(st.none() | st.integers(1, 9)),
                teeth=draw(st.none() | st.integers(9, 99)),
                spec=draw(SPEC),
            )
        )
    loops, left = [], [w.id for w in wheels]
    for no in range(1, draw(st.integers(1, 3)) + 1):
        way = draw(st.permutations([w.id for w in wheels]).map(lambda p: p[: max(2, len(p) // 2)])) if no > 1 else left
        loops.append(
            LoopPart(
                no=no,
                stops=tuple(
                    StopPart(wheel=w, side=draw(st.sampled_from(["inside", "outside"])), crossed=draw(st.booleans()))
                    for w in way
                ),
                section="B",
                designation=f"B{no}",
                length=Dim(mm=draw(SIZE), kind="datum"),
                strands=draw(st.integers(1, 12)),
                members=draw(st.integers(1, 12)),
                joined=draw(st.booleans()),
                take_up=draw(TAKE_UPS),
                spec=draw(SPEC),
            )
        )
    return Parts(wheels=tuple(wheels), loops=tuple(loops), clockwise=draw(st.booleans()))


def test_parts_of_any_wheels_and_loops_come_back_the_same(db: Session) -> None:
    ident = a_drive(db)
    form = BuildSave.model_validate(
        {"purpose": "fitted", "freeze": True, "input": find("v-belt-drive").example["input"]}
    )
    like = db.get_one(Build, save_build(db, WHO, ident, form).id)
    no = [1]

    @settings(
        derandomize=True, deadline=None, max_examples=40, suppress_health_check=[HealthCheck.function_scoped_fixture]
    )
    @given(parts())
    def there_and_back(given_parts: Parts) -> None:
        no[0] += 1
        row = Build(
            drive_id=ident,
            no=no[0],
            duty_id=like.duty_id,
            purpose="fitted",
            state="frozen",
            family="any",
            clockwise=given_parts.clockwise,
        )
        db.add(row)
        db.flush()
        write_parts(db, row, given_parts)
        db.expire_all()
        back = read_parts(db, [row])[row.id]
        # A role's number tells shafts apart, and two wheels may sit on one; what has one origin keeps its default.
        assert back.wheels == tuple(replace(w, spec=dict(w.spec)) for w in given_parts.wheels)
        assert back.loops == given_parts.loops and back.clockwise == given_parts.clockwise

    there_and_back()


@contextmanager
def counted(engine: Engine) -> Iterator[list[str]]:
    """The statements that run inside the block."""
    asked: list[str] = []

    def note(_c: object, _cur: object, statement: str, *_: object) -> None:
        asked.append(statement)

    sa.event.listen(engine, "before_cursor_execute", note)
    try:
        yield asked
    finally:
        sa.event.remove(engine, "before_cursor_execute", note)


def test_a_page_of_a_drive_asks_the_database_ten_times_at_most_however_old_it_is(db: Session) -> None:
    ident = a_drive(db)
    engine = db.get_bind().engine
    asked: dict[int, int] = {}
    for n in range(1, 31):
        key = list(INPUTS)[n % len(INPUTS)]
        example = find(FAMILIES[key].calc).example["input"]
        form = {"purpose": "fitted", "freeze": True, "family": key, "input": example}
        save_build(db, WHO, ident, BuildSave.model_validate(form))
        if n in (1, 10, 30):
            db.expire_all()
            with counted(engine) as statements:
                view = drive_view(db, ident)
            assert len(view.builds) == n
            asked[n] = len(statements)
    assert asked[30] <= 10 and asked[30] <= asked[1] + 1, asked
