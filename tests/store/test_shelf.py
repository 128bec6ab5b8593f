"""The shelf: counts by moves, parts a job takes, what to buy again, which drives take what, spares for a group."""

from __future__ import annotations

import uuid

import pytest
from sqlmodel import Session, col, select

from tests.store.test_books import INPUT
from tests.store.test_jobs import DRAY, a_drive, say, step, through
from tuyere.core.errors import InputError
from tuyere.exchange.stock_csv import BY_NAME, PARTS, StockLine, read_part, read_stock
from tuyere.store.builds.book import save_build
from tuyere.store.builds.forms import BuildSave
from tuyere.store.drives.tables import Duty
from tuyere.store.jobs.book import open_job
from tuyere.store.jobs.forms import JobOpen
from tuyere.store.machines.book import add_drive, add_machine
from tuyere.store.machines.forms import DriveCreate, MachineCreate
from tuyere.store.plumbing.trouble import NotThere
from tuyere.store.shelf.book import count_again, current, parts_for, plain, put_by, set_place
from tuyere.store.shelf.spares import drives_by_loop, parts_of, spares_for
from tuyere.store.shelf.tables import StockItem, StockMove


def belts(count: int, size: str = "B90", part: str = "belt") -> StockLine:
    return read_part(1, {"part": part, "size": size, "count": str(count)}, "us")


def moves(db: Session, item: uuid.UUID) -> list[int]:
    wanted = select(StockMove).where(StockMove.item_id == item).order_by(col(StockMove.created_at))
    return [m.change for m in db.exec(wanted).all()]


def test_a_count_is_the_sum_of_its_moves_whatever_was_done(db: Session) -> None:
    item = put_by(db, DRAY, belts(4, "C81"))
    put_by(db, DRAY, belts(3, "c81"))
    count_again(db, DRAY, item.id, 5)
    assert item.quantity == 5 == sum(moves(db, item.id)) and moves(db, item.id) == [4, 3, -2]
    count_again(db, DRAY, item.id, 0)
    assert item.archived_at is not None and sum(moves(db, item.id)) == 0
    with pytest.raises(NotThere):
        count_again(db, DRAY, item.id, 3)


def test_what_is_to_be_bought_again_stays_on_the_list_with_none_left(db: Session) -> None:
    item = put_by(db, DRAY, belts(2, "C85"), place="rack 3", low=2)
    count_again(db, DRAY, item.id, 0)
    assert item.archived_at is None and item in current(db, StockItem) and parts_for(db, "C85") == []
    set_place(db, DRAY, item.id, "", low=None)
    assert item.archived_at is not None


def test_a_part_used_by_a_job_leaves_the_shelf_once(db: Session) -> None:
    drive = a_drive(db)
    other = put_by(db, DRAY, belts(9, "C90"))
    item = put_by(db, DRAY, belts(6), place="rack 1")
    before = item.quantity
    job = open_job(db, DRAY, drive, JobOpen(template="fit-v-taper", take_up="slide-base", mounting="taper-flush"))
    job = through(db, job, "belts-on")
    (offered,) = step(job, "belts-on").shelf
    assert (offered.id, offered.wanted, offered.place) == (item.id, 4, "rack 1")
    with pytest.raises(InputError, match="not so many") as e:
        say(db, job, "belts-on", "done", took=[{"item": str(item.id), "count": before + 1}])
    assert e.value.field == "took" and item.quantity == before
    with pytest.raises(InputError, match="nothing is taken"):
        say(db, job, "set-laid-out", "found", grade="fine", took=[{"item": str(item.id), "count": 1}])
    job = say(db, job, "belts-on", "done", took=[{"item": str(item.id), "count": 4}])
    assert item.quantity == before - 4 and other.quantity == 9
    taken = db.exec(select(StockMove).where(StockMove.job_id == job.id)).all()
    assert [(m.item_id, m.change) for m in taken] == [(item.id, -4)]
    assert step(job, "belts-on").shelf == []


@pytest.mark.parametrize("part", BY_NAME)
def test_parts_of_every_kind_are_put_down_and_counted(db: Session, part: str) -> None:
    line = belts(2, "SDS 1 3/8", part)
    item = put_by(db, DRAY, line)
    assert (item.part, item.designation, item.diameter_mm) == (part, "SDS 1 3/8", None)
    assert read_stock(f"part,size,count\n{part},SDS 1 3/8,2").lines[0].designation == "SDS 1 3/8"
    for bad in ("", "x" * 41):
        with pytest.raises(InputError) as e:
            belts(1, bad, part)
        assert e.value.field == "size"
    assert set(PARTS) == {"belt", "sheave", *BY_NAME}


def test_which_drives_take_a_part_is_told_by_what_stands_on_them(db: Session) -> None:
    drive = a_drive(db)
    found = {t.drive_id for t in drives_by_loop(db)[plain("b 90")]}
    assert drive in found


def test_drives_whose_take_up_nobody_knows_take_their_own_length_only_others_share(db: Session) -> None:
    drives = {}
    for size in ("B85", "B90", "B97"):
        given = {**INPUT, "belt": {"designation": size, "count": 4}}
        drives[size] = a_drive(db, given, "v-belt")
    every = list(drives.values())
    alone, says = spares_for(db, every)
    assert sum(s.count for s in alone) == 12 and "none can be shared" in says and "known of 0 of 3" in says
    # Known to give 100 mm to either side, each takes 200 mm more or less of length: B90 lies within reach of all three.
    for drive in every:
        for duty in db.exec(select(Duty).where(Duty.drive_id == drive)).all():
            duty.centre_give_mm = 100.0
            db.add(duty)
    db.flush()
    (shared,), says = spares_for(db, every)
    assert (shared.designation, shared.count, len(shared.serves)) == ("B90", 4, 3)
    assert "4 loops in place of 12" in says and "known of 3 of 3" in says
    with pytest.raises(NotThere):
        spares_for(db, [uuid.uuid4()])
    bare = add_drive(db, DRAY, add_machine(db, DRAY, MachineCreate(name="Bare shelf")).id, DriveCreate(name="Main"))
    with pytest.raises(InputError, match="nothing is known"):
        spares_for(db, [*every, bare])


def test_two_machines_of_one_name_are_two_drives(db: Session) -> None:
    """The same name and belt twice: one spare set serves both, and both are named."""
    drives = []
    for _ in range(2):
        form = MachineCreate(name="Twin press", same_name=True)
        drives.append(add_drive(db, DRAY, add_machine(db, DRAY, form).id, DriveCreate(name="Main")))
        given = {**INPUT, "belt": {"designation": "B90", "count": 4}}
        body = {"purpose": "found", "freeze": True, "family": "v-belt", "input": given}
        save_build(db, DRAY, drives[-1], BuildSave.model_validate(body))
    (shared,), says = spares_for(db, drives)
    assert shared.serves == ("Twin press, Main", "Twin press, Main") and "4 loops in place of 8" in says


def test_a_drive_names_its_parts_and_what_the_shelf_holds_of_them(db: Session) -> None:
    drive = a_drive(db)
    parts = parts_of(db, drive)
    assert [p.count for p in parts] == [4, 1, 1] and parts[0].what == "B90"
    before = parts[0].on_shelf
    put_by(db, DRAY, belts(3, "b 90"), place="rack 7")
    (line,) = read_stock("part,section,size,diameter,count\nsheave,B,5.4,pitch,2").lines
    put_by(db, DRAY, line, place="bin 2")
    after = parts_of(db, drive)
    assert after[0].on_shelf == before + 3 and "rack 7" in after[0].places
    assert after[1].on_shelf == 2 and after[1].places == ("bin 2",), "a wheel by its groove and diameter"
    assert after[2].on_shelf == parts[2].on_shelf
    with pytest.raises(NotThere):
        parts_of(db, uuid.uuid4())
