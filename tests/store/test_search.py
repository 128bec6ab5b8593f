"""The search finds what is written down: by name with a wrong letter, by a word of a note in another form, by person, by day."""

from __future__ import annotations

import uuid
from datetime import date

import pytest
import sqlalchemy as sa
from sqlmodel import Session

from tests.store.test_jobs import DRAY, a_drive
from tests.store.test_upkeep import weekly
from tuyere.store.jobs.book import list_jobs
from tuyere.store.machines.book import add_drive, add_machine
from tuyere.store.machines.forms import DriveCreate, MachineCreate
from tuyere.store.search.book import day_of, search


def scutcher(db: Session) -> tuple[uuid.UUID, uuid.UUID]:
    machine = add_machine(db, DRAY, MachineCreate(name="Scutching turbine 9", tag="SC-9", area="Scutch house"))
    return machine.id, add_drive(db, DRAY, machine.id, DriveCreate(name="Dust fan, upper"))


@pytest.mark.parametrize(
    "typed",
    ["scutching", "scutchng turbine", "Scuthing", "SC-9", "turbine 9", "skutching turbine", "scutch hous"],
)
def test_a_machine_is_found_with_a_wrong_letter(db: Session, typed: str) -> None:
    machine, _ = scutcher(db)
    assert f"/machines/{machine}" in {h.to for h in search(db, typed)}


def test_a_drive_a_belt_and_a_job_are_found_by_what_they_are_called(db: Session) -> None:
    _, fan = scutcher(db)
    drive = a_drive(db)
    job = weekly(db, drive, {})
    assert f"/drives/{fan}" in {h.to for h in search(db, "dust fann")}
    assert f"/drives/{drive}" in {h.to for h in search(db, "b90", most=40)}
    assert f"/jobs/{job.id}" in {h.to for h in search(db, "weekly look", most=60)}


def test_a_note_is_found_by_another_form_of_its_word_and_leads_to_its_job(db: Session) -> None:
    note = "Bearings squealing on the far side, greased twice"
    job = weekly(db, a_drive(db), {"dust-floor": {"grade": "watch", "reason": note}})
    for typed in ("bearing squeals", "greasing", "sqealing"):
        hits = search(db, typed)
        assert any(h.to == f"/jobs/{job.id}" and h.label == note for h in hits), typed


def test_a_person_and_a_day_lead_to_their_jobs(db: Session) -> None:
    job = weekly(db, a_drive(db), {})
    by = next(h for h in search(db, "n. drey", most=40) if h.to.startswith("/jobs?by="))
    assert by.label == "N. Dray" and job.id in {j.id for j in list_jobs(db, by="N. Dray").jobs}
    opened = job.opened_at.date()
    hits = search(db, f"{opened.day} {opened:%B %Y}")
    assert hits[0].to == f"/jobs?on={opened.isoformat()}" and "job" in hits[0].hint
    assert job.id in {j.id for j in list_jobs(db, on=opened).jobs}
    assert search(db, "1 january 1999") == []


@pytest.mark.parametrize("typed", ["", " ", "a", "'; DROP TABLE machine; --", "%_%", "\\", "x" * 200, "☃ ☃"])
def test_nothing_that_is_typed_breaks_it(db: Session, typed: str) -> None:
    assert isinstance(search(db, typed), list)
    assert db.execute(sa.text("SELECT count(*) FROM machine")).scalar_one() >= 0


@pytest.mark.parametrize(
    ("text", "day"),
    [
        ("2026-02-03", date(2026, 2, 3)),
        ("3.2.2026", date(2026, 2, 3)),
        ("2/3/2026", date(2026, 2, 3)),
        ("Feb 3, 2026", date(2026, 2, 3)),
        ("3 February 2026", date(2026, 2, 3)),
        ("31.2.2026", None),
        ("3 foo 2026", None),
        ("tensioner", None),
    ],
)
def test_a_day_is_read_as_people_write_it(text: str, day: date | None) -> None:
    assert day_of(text) == day


def test_names_are_looked_up_in_their_index(db: Session) -> None:
    db.execute(sa.text("SET LOCAL enable_seqscan = off"))
    plan = db.execute(
        sa.text("EXPLAIN SELECT id FROM machine WHERE 'scutch' <% lower(name || ' ' || tag || ' ' || area)")
    ).all()
    assert "ix_machine_trigrams" in str(plan)
