"""A temporary mark is put on with a reason and a date and stays until somebody ends it with a reason."""

from __future__ import annotations

import uuid

import pytest
from sqlmodel import Session

from tests.store.test_books import INPUT, a_drive, build
from tuyere.core.errors import InputError
from tuyere.store.builds.book import save_build
from tuyere.store.drives.book import drive_view
from tuyere.store.plumbing.actor import Actor

MARK = {"temporary": True, "temporary_reason": "dished grooves", "promised_date": "2027-01-01"}
OTHER = {**INPUT, "belt": {"designation": "B97", "count": 4}}
COUNTED = {**INPUT, "belt": {"designation": "B90", "count": 4}}

WHO = Actor("I. Rook")


def refused(db: Session, ident: uuid.UUID, **more: object) -> InputError:
    with pytest.raises(InputError) as e, db.begin_nested():
        save_build(db, WHO, ident, build(**more))
    return e.value


def test_a_mark_needs_its_reason_and_its_date(db: Session) -> None:
    ident = a_drive(db)
    assert refused(db, ident, temporary=True).field == "temporary_reason"
    assert refused(db, ident, temporary=True, temporary_reason="dished").field == "promised_date"


def test_a_draft_keeps_its_mark_through_every_later_save(db: Session) -> None:
    ident = a_drive(db)
    save_build(db, WHO, ident, build(**MARK))
    for rev, given in ((1, COUNTED), (2, OTHER)):
        kept = save_build(db, WHO, ident, build(rev=rev, input=given))
        assert (kept.temporary, kept.temporary_reason, str(kept.promised_date)) == (
            True,
            "dished grooves",
            "2027-01-01",
        )
    assert refused(db, ident, rev=3, temporary=False).field == "temporary_ended"
    ended = save_build(db, WHO, ident, build(rev=3, temporary=False, temporary_ended="sheaves turned"))
    assert not ended.temporary and ended.temporary_ended == "sheaves turned"


def test_the_same_belts_written_down_again_stay_temporary(db: Session) -> None:
    ident = a_drive(db)
    save_build(db, WHO, ident, build(purpose="fitted", freeze=True, input=COUNTED, **MARK))
    again = save_build(db, WHO, ident, build(purpose="found", freeze=True, input=COUNTED))
    assert again.temporary and again.temporary_reason == "dished grooves"


def test_other_belts_on_the_machine_ask_how_the_temporary_ended(db: Session) -> None:
    ident = a_drive(db)
    save_build(db, WHO, ident, build(purpose="fitted", freeze=True, input=COUNTED, **MARK))
    plan = save_build(db, WHO, ident, build(input=OTHER))  # a plan is not the machine
    assert not plan.temporary
    e = refused(db, ident, rev=1, purpose="fitted", freeze=True, input=OTHER)
    assert e.field == "temporary_ended" and "dished grooves" in e.why
    done = save_build(
        db,
        WHO,
        ident,
        build(rev=1, purpose="fitted", freeze=True, input=OTHER, temporary_ended="new sheaves, new belts"),
    )
    assert not done.temporary and done.temporary_ended == "new sheaves, new belts"
    assert {b.no: b.valid_to is None for b in drive_view(db, ident).builds} == {1: False, 2: True}


def test_a_plan_that_is_settled_leaves_the_machine_as_it_is(db: Session) -> None:
    ident = a_drive(db)
    fitted = save_build(db, WHO, ident, build(purpose="fitted", freeze=True, input=COUNTED))
    save_build(db, WHO, ident, build(purpose="designed", freeze=True, input=OTHER))
    assert {b.id: b.valid_to for b in drive_view(db, ident).builds}[fitted.id] is None


def test_how_many_belts_there_are_is_asked_not_filled_in(db: Session) -> None:
    ident = a_drive(db)
    open_count = {**INPUT, "belt": {"designation": "B90"}}
    assert refused(db, ident, purpose="found", freeze=True, input=open_count).field == "input.belt.count"
    assert save_build(db, WHO, ident, build(input=open_count)).what == "4 × B90"  # a design may leave it to the sizing
