"""Failures on PostgreSQL: what the record answers, what was told is kept as told, confirmed causes and the finder's own hit rate."""

from __future__ import annotations

import uuid
from datetime import timedelta

import pytest
from pydantic import ValidationError
from sqlmodel import Session, col, select

from tests.store.test_jobs import DRAY, SPARKS, a_drive
from tests.store.test_paper import closed
from tuyere.core.errors import InputError
from tuyere.store.jobs.tables import Job
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.trouble import NotThere, Stale
from tuyere.store.upkeep.book import confirm_cause, save_failure, why
from tuyere.store.upkeep.forms import CauseConfirm, FailureSave
from tuyere.store.upkeep.record import life_says, lives_of, too_often

ONE_SIDE = {"v-one-side": "yes", "misline": "yes", "chirp": "yes"}


def failed(db: Session, drive: uuid.UUID, answers: dict[str, str], days: float = 0.0) -> FailureSave:
    return FailureSave.model_validate({"at": now() - timedelta(days=days), "answers": answers})


def back(db: Session, drive: uuid.UUID, days: dict[str, list[float]]) -> None:
    """Put the closing of the jobs of a kind so many days back."""
    rows = db.exec(select(Job).where(Job.drive_id == drive).order_by(col(Job.created_at))).all()
    for kind, ago in days.items():
        for row, d in zip([r for r in rows if r.kind == kind], ago, strict=True):
            row.closed_at = now() - timedelta(days=d)
            db.add(row)
    db.flush()


def test_the_record_answers_what_it_can_by_itself(db: Session) -> None:
    drive = a_drive(db)
    nothing = why(db, drive)
    assert nothing.kind == "v" and nothing.failures == [] and nothing.repeat == ""
    assert {e.sign for e in nothing.evidence} <= {"died-young", "third-loop", "load-raised"}
    closed(db, drive, "fit-v-taper", 0, "6 lbf")
    back(db, drive, {"fit": [40]})
    said = {e.sign: e.answer for e in why(db, drive).evidence}
    assert said["never-retensioned"] == "yes" and said["died-young"] == "no" and said["just-worked"] == "no"
    closed(db, drive, "retension-v", 1, "1.0 lbf")
    back(db, drive, {"retension": [1]})
    said = {e.sign: e.answer for e in why(db, drive).evidence}
    assert said["never-retensioned"] == "no" and said["tension-low"] == "yes" and said["just-worked"] == "yes"


def test_the_third_in_half_a_year_says_clear_the_machine_first(db: Session) -> None:
    drive = a_drive(db)
    for _ in range(3):
        closed(db, drive, "fit-v-taper", 0, "6 lbf")
    back(db, drive, {"fit": [150, 80, 20]})
    told = why(db, drive)
    assert "clear the machine first" in told.repeat and "3 fitted in 5 months" in told.repeat
    assert {e.sign: e.answer for e in told.evidence}["third-loop"] == "yes"
    at = now()
    assert too_often([at - timedelta(days=d) for d in (400, 300, 20)], at) == ""


def test_what_was_told_stays_as_told_and_the_finder_counts_its_hits(db: Session) -> None:
    drive = a_drive(db)
    before = why(db, drive).hits
    view = save_failure(db, DRAY, drive, failed(db, drive, ONE_SIDE))
    (kept,) = view.failures
    assert kept.told[0].key == "v-misaligned" and kept.what.startswith("4 ×") and kept.confirmed == ""
    form = CauseConfirm(rev=kept.rev, cause="v-misaligned")
    after = confirm_cause(db, SPARKS, kept.id, form)
    (known,) = after.failures
    assert known.confirmed_words == "Wheels out of line" and known.confirmed_by == "E. Sparks"
    assert (after.hits.confirmed, after.hits.first) == (before.confirmed + 1, before.first + 1)
    with pytest.raises(Stale):
        confirm_cause(db, SPARKS, kept.id, form)
    with pytest.raises(InputError, match="not a cause"):
        confirm_cause(db, SPARKS, kept.id, CauseConfirm(rev=known.rev, cause="c-dry"))
    other = save_failure(db, DRAY, drive, failed(db, drive, {"v-glaze": "yes"}, days=3)).failures[-1]
    wrong = confirm_cause(db, DRAY, other.id, CauseConfirm(rev=other.rev, cause="v-whip"))
    assert (wrong.hits.confirmed, wrong.hits.first) == (before.confirmed + 2, before.first + 1)


def test_how_long_they_last_is_said_with_bounds_or_not_at_all() -> None:
    at = now()
    fits = [at - timedelta(days=d) for d in (700, 500, 320, 110)]
    failures = [at - timedelta(days=d) for d in (510, 330, 120)]
    failed, running = lives_of(fits, failures, at)
    assert failed == pytest.approx([190, 170, 200]) and running == pytest.approx([110])
    says = life_says(fits, failures, at)
    assert "lasts about" in says and "nine in ten sure, from 3" in says
    assert "not enough yet" in life_says(fits, failures[:1], at)
    assert life_says(fits, [], at) == ""


def test_what_cannot_be_is_refused(db: Session) -> None:
    drive = a_drive(db)
    with pytest.raises(InputError) as e:
        save_failure(db, DRAY, drive, failed(db, drive, {}, days=-1))
    assert e.value.field == "at"
    save_failure(db, DRAY, drive, failed(db, drive, {}, days=5))
    with pytest.raises(InputError, match="kept for that minute"):
        save_failure(db, DRAY, drive, failed(db, drive, {}, days=5))
    with pytest.raises(InputError):
        save_failure(db, DRAY, drive, failed(db, drive, {"c-dry-horns": "yes"}, days=6))
    with pytest.raises(ValidationError):
        failed(db, drive, {"flap": "perhaps"})
    with pytest.raises(NotThere):
        why(db, uuid.uuid4())
