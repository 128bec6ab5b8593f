"""A simulated drive follows a job; readings say where they came from; real instruments tell what they showed."""

from __future__ import annotations

import uuid
from datetime import timedelta
from typing import Any

import pytest
from sqlmodel import Session, select

from tests.store.test_jobs import DRAY, a_drive, say, step, through
from tuyere.core.errors import InputError
from tuyere.store.jobs.book import open_job
from tuyere.store.jobs.forms import JobOpen
from tuyere.store.jobs.tables import Reading
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.trouble import NotThere
from tuyere.store.twins.book import keep_shown, make_twin, pluck_sound, shown_lately, take_reading, twin_of
from tuyere.store.twins.forms import TakeReading, ToldShown, TwinSave
from tuyere.store.twins.tables import Twin


def shows(db: Session, drive: uuid.UUID, instrument: str, target: str, **more: Any) -> float:
    form = {"instrument": instrument, "target": target, "units": "si", **more}
    return take_reading(db, DRAY, drive, TakeReading.model_validate(form)).value


def test_turning_and_laying_on_and_swapping_change_what_every_instrument_shows(db: Session) -> None:
    drive = a_drive(db)
    make_twin(db, DRAY, drive, TwinSave(seed=5, tension=0.6, odd_belt=3))
    clip = [shows(db, drive, "clip-on", f"belt {n}") for n in (1, 2, 3, 4)]
    job = open_job(db, DRAY, drive, JobOpen(template="fit-v-taper", take_up="slide-base", mounting="taper-flush"))
    job = through(db, job, "tension-read")
    new = [shows(db, drive, "clip-on", f"belt {n}") for n in (1, 2, 3, 4)]
    assert new[1] < clip[1] and new[2] < 0.75 * new[1]
    for n in (1, 2, 3, 4):
        got = take_reading(
            db,
            DRAY,
            drive,
            TakeReading(instrument="plunger", target=f"belt {n}", job_id=job.id, step="tension-read"),
        )
        job = say(
            db,
            job,
            "tension-read",
            "read",
            target=f"belt {n}",
            quantity="force",
            typed=got.typed,
            origin="instrument",
            instrument={"kind": got.instrument, "serial": got.serial, "simulated": got.simulated},
        )
    said = step(job, "tension-read").said
    assert said is not None and said.result is not None and said.result["odd_belt"] == 3
    kept = db.exec(select(Reading).where(Reading.job_id == job.id, Reading.reads == "tension")).all()
    assert {(r.origin, r.instrument["simulated"]) for r in kept} == {("instrument", True)}
    before = shows(db, drive, "clip-on", "belt 3")
    job = say(db, job, "tension-read", "moved", turns=1.0)
    after = [shows(db, drive, "clip-on", f"belt {n}") for n in (1, 2, 3, 4)]
    assert after[2] > 1.4 * before and after[2] == pytest.approx(after[0], rel=0.25)


def test_the_machine_runs_only_at_a_step_from_outside_the_guard(db: Session) -> None:
    drive = a_drive(db)
    make_twin(db, DRAY, drive, TwinSave(seed=5, load=0.8))
    job = open_job(db, DRAY, drive, JobOpen(template="retension-v", take_up="slide-base"))
    guarded = next(s for s in job.steps if s.guarded and s.reads == "speed")
    assert shows(db, drive, "tachometer", "it") == 0
    assert shows(db, drive, "tachometer", "it", job_id=job.id, step=guarded.key) > 100
    with pytest.raises(InputError) as e:
        shows(db, drive, "plunger", "belt 1", running=True)
    assert e.value.field == "running"
    other = a_drive(db)
    make_twin(db, DRAY, other, TwinSave(seed=6))
    with pytest.raises(InputError) as e:
        shows(db, other, "tachometer", "it", job_id=job.id, step=guarded.key)
    assert e.value.field == "job_id"


def test_a_real_drive_has_no_simulated_readings_and_a_new_one_takes_the_place_of_the_old(db: Session) -> None:
    drive = a_drive(db)
    assert not twin_of(db, drive).drive_has_one
    with pytest.raises(InputError, match="no simulated drive"):
        shows(db, drive, "plunger", "belt 1")
    with pytest.raises(NotThere):
        make_twin(db, DRAY, uuid.uuid4(), TwinSave(seed=1))
    with pytest.raises(InputError) as e:
        make_twin(db, DRAY, drive, TwinSave(seed=1, odd_belt=9))
    assert e.value.field == "odd_belt"
    for seed in (1, 2):
        make_twin(db, DRAY, drive, TwinSave(seed=seed, twist=1.0, toe=0.5, offset=2.0))
    rows = db.exec(select(Twin).where(Twin.drive_id == drive)).all()
    assert [r.archived_at is None for r in sorted(rows, key=lambda r: r.seed)] == [False, True]
    shows(db, drive, "plunger", "belt 1")
    assert twin_of(db, drive).taken == 1
    assert pluck_sound(db, drive, "belt 1")[:4] == b"RIFF"


def test_a_bridge_tells_and_what_is_old_or_wrong_is_not_offered(db: Session) -> None:
    told = {"instrument": "plunger", "serial": "GP-12", "quantity": "force", "unit": "lbf", "resolution": 0.1}
    keep_shown(db, DRAY, ToldShown.model_validate({**told, "value": 3.4, "at": now()}))
    keep_shown(db, DRAY, ToldShown.model_validate({**told, "value": 9.9, "at": now() - timedelta(hours=5)}))
    assert [(s.typed, s.simulated) for s in shown_lately(db, "force").shown] == [("3.4 lbf", False)]
    assert shown_lately(db, "speed").shown == []
    for wrong, field in (
        ({"instrument": "crystal-ball"}, "instrument"),
        ({"quantity": "speed"}, "quantity"),
        ({"unit": "furlongs"}, "value"),
        ({"unit": "mm"}, "value"),
    ):
        with pytest.raises(InputError) as e:
            keep_shown(db, DRAY, ToldShown.model_validate({**told, "value": 3.4, "at": now(), **wrong}))
        assert e.value.field == field
