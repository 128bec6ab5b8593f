"""What is due, meters, findings, photos, trends, the round and the timeline."""

from __future__ import annotations

import base64
import io
import re
import uuid
from datetime import date, datetime, timedelta
from typing import Any

import pytest
import vobject
from PIL import Image
from pydantic import ValidationError
from sqlmodel import Session, select

from tests.store.test_jobs import DRAY, SPARKS, a_drive, say, step, through
from tuyere.calc.registry import find, work
from tuyere.core.errors import InputError
from tuyere.core.upkeep.lubrication import oil_points
from tuyere.exchange.calendar.feed import feed_of
from tuyere.store.jobs.book import one_job, open_job, take_event
from tuyere.store.jobs.dues import count_due, dues_until, list_dues, plan_due, snooze_due, tick_due
from tuyere.store.jobs.forms import DueDone, DuePlan, DueSnooze, EventSave, JobOpen, PhotoSave
from tuyere.store.jobs.photos import keep_photo, photo_file, photos_of
from tuyere.store.jobs.read import build_of, known_of
from tuyere.store.jobs.tables import Due, Finding, Photo
from tuyere.store.jobs.views import JobView
from tuyere.store.machines.forms import MeterSave
from tuyere.store.machines.meter import meter_view, meters_of, read_meter
from tuyere.store.machines.tables import Drive
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.trouble import NotThere, Stale
from tuyere.store.upkeep.calendar import calendar_events
from tuyere.store.upkeep.lubrication import oil_list
from tuyere.store.upkeep.paper import round_sheet
from tuyere.store.upkeep.round import round_view
from tuyere.store.upkeep.timeline import drive_timeline, machine_timeline
from tuyere.store.upkeep.trends import trends_view

CHAIN = "roller-chain"


def machine_of(db: Session, drive: uuid.UUID) -> uuid.UUID:
    return db.get_one(Drive, drive).machine_id


def plan(db: Session, drive: uuid.UUID, **more: Any) -> Any:
    given = {"machine_id": machine_of(db, drive), "drive_id": drive, "title": "Weekly look", **more}
    return plan_due(db, DRAY, DuePlan.model_validate(given))


def photo(size: tuple[int, int] = (64, 48), kind: str = "JPEG", **more: Any) -> str:
    out = io.BytesIO()
    Image.new("RGB", size, (90, 80, 70)).save(out, kind, **more)
    return base64.b64encode(out.getvalue()).decode()


def weekly(db: Session, drive: uuid.UUID, found: dict[str, dict[str, Any]], due: uuid.UUID | None = None) -> JobView:
    job = open_job(db, DRAY, drive, JobOpen(template="round-weekly", due_id=due))
    for s in job.steps:
        if s.kind == "read":
            job = say(db, job, s.key, "skipped", reason="no window")
        elif s.kind == "decide":
            job = say(db, job, s.key, "found", **{"grade": "fine", **found.get(s.key, {})})
        else:
            job = say(db, job, s.key, "signed" if s.kind == "sign" else "done")
    return job


# Meters.


def test_a_meter_gives_hours_a_day_and_a_day_for_what_is_due_by_hours(db: Session) -> None:
    drive = a_drive(db)
    machine = machine_of(db, drive)
    with pytest.raises(InputError, match="read the meter first"):
        plan(db, drive, by_hours=500)
    start = now() - timedelta(days=30)
    assert read_meter(db, DRAY, machine, MeterSave(at=start, hours=1000)).per_day is None
    view = read_meter(db, DRAY, machine, MeterSave(at=start + timedelta(days=30), hours=1240))
    assert view.per_day == pytest.approx(8.0)
    due = plan(db, drive, by_hours=1240 + 80)
    assert due.when is not None and due.when - now() == pytest.approx(timedelta(days=10), abs=timedelta(minutes=1))
    # What is due by hours is among what is due soon as soon as the meter says so.
    assert due.id not in {d.id for d in dues_until(db, now() + timedelta(days=9), 5000)}
    assert due.id in {d.id for d in dues_until(db, now() + timedelta(days=11), 5000)}


@pytest.mark.parametrize(
    ("form", "field", "why"),
    [
        ({"hours": 900.0}, "hours", "backwards"),
        ({"hours": 2000.0}, "hours", "more hours than have passed"),
        ({"hours": 1001.0, "ahead": 2.0}, "at", "still to come"),
        ({"hours": 1001.0, "ahead": -40.0}, "at", "later reading"),
    ],
)
def test_a_meter_that_cannot_be_is_refused_beside_it(db: Session, form: dict[str, float], field: str, why: str) -> None:
    machine = machine_of(db, a_drive(db))
    read_meter(db, DRAY, machine, MeterSave(at=now() - timedelta(days=2), hours=1000))
    at = now() + timedelta(days=form.pop("ahead", 0.0))
    with pytest.raises(InputError, match=why) as e:
        read_meter(db, DRAY, machine, MeterSave(at=at, **form))
    assert e.value.field == field and meter_view(db, machine).hours == 1000


def test_a_meter_that_was_set_back_counts_anew(db: Session) -> None:
    machine = machine_of(db, a_drive(db))
    for days, hours, reset in ((60, 9000.0, False), (30, 9300.0, False), (20, 5.0, True), (10, 85.0, False)):
        read_meter(db, DRAY, machine, MeterSave(at=now() - timedelta(days=days), hours=hours, reset=reset))
    assert meter_view(db, machine).per_day == pytest.approx(8.0)
    assert meters_of(db, [uuid.uuid4()]) == {}
    with pytest.raises(NotThere):
        meter_view(db, uuid.uuid4())


# Dues.


def test_what_comes_again_is_due_again_from_the_day_it_was_done(db: Session) -> None:
    drive = a_drive(db)
    due = plan(db, drive, template="round-weekly", by_date=now() - timedelta(days=2), every_days=7)
    assert due.overdue and due.minutes > 0 and not due.guard_off and due.every == "every week"
    job = weekly(db, drive, {}, due.id)
    left = list_dues(db, drive).dues
    assert [d.id for d in left] != [due.id] and len(left) == 1 and job.closed_at is not None
    assert left[0].by_date == job.closed_at + timedelta(days=7)
    assert db.get_one(Due, due.id).done_by_job_id == job.id
    # A second job for the same thing does not make it come twice.
    weekly(db, drive, {}, due.id)
    assert len(list_dues(db, drive).dues) == 1


def test_a_due_is_put_off_with_a_reason_and_ticked_by_a_name(db: Session) -> None:
    drive = a_drive(db)
    due = plan(db, drive, by_date=now() - timedelta(days=1))
    until = date.today() + timedelta(days=5)
    off = snooze_due(db, DRAY, due.id, DueSnooze(rev=due.rev, until=until, reason="no crane until Friday"))
    assert not off.overdue and off.when is not None and off.when.date() == until and "N. Dray" in off.snooze_reason
    with pytest.raises(Stale):
        snooze_due(db, SPARKS, due.id, DueSnooze(rev=due.rev, until=until, reason="no crane"))
    for bad in (date.today(), date.today() + timedelta(days=900)):
        with pytest.raises(InputError, match="not a day"):
            snooze_due(db, DRAY, due.id, DueSnooze(rev=off.rev, until=bad, reason="no crane"))
    with pytest.raises(ValidationError):
        DueSnooze(rev=1, until=until, reason=" ")
    with pytest.raises(InputError, match="what was done"):
        tick_due(db, DRAY, due.id, DueDone(rev=off.rev))
    with pytest.raises(InputError, match="who did it"):
        tick_due(db, Actor(""), due.id, DueDone(rev=off.rev, note="oiled"))
    assert tick_due(db, DRAY, due.id, DueDone(rev=off.rev, note="oiled it")).dues == []
    kept = db.get_one(Due, due.id)
    assert (kept.done_by_name, kept.done_note) == ("N. Dray", "oiled it") and "no crane" in kept.snooze_reason
    with pytest.raises(InputError, match="done already"):
        tick_due(db, DRAY, due.id, DueDone(rev=off.rev + 1, note="oiled"))


@pytest.mark.parametrize(
    ("form", "field"),
    [({}, "by_date"), ({"template": "dance", "every_days": 7}, "template"), ({"every_hours": 100.0}, "by_hours")],
)
def test_a_plan_that_cannot_be_is_refused(db: Session, form: dict[str, Any], field: str) -> None:
    with pytest.raises(InputError) as e:
        plan(db, a_drive(db), **form)
    assert e.value.field == field
    with pytest.raises(InputError, match="another machine"):
        plan(db, a_drive(db), machine_id=machine_of(db, a_drive(db)), every_days=7)


# Findings and photos.


def test_what_is_found_and_not_fine_is_due_and_a_better_word_takes_its_place(db: Session) -> None:
    drive = a_drive(db)
    found = {
        "guard-sound": {"grade": "act", "reason": "Bolt missing", "faults": ["polished-guard"]},
        "dust-floor": {"grade": "watch", "faults": ["one-side-wear"]},
        "smell-heat": {"grade": "not seen"},
    }
    job = weekly(db, drive, found)
    dues = {d.title: d for d in list_dues(db, drive).dues}
    assert set(dues) == {"Bolt missing", "One side wear"}
    assert dues["Bolt missing"].reason == "finding-act" and dues["Bolt missing"].overdue
    watch = dues["One side wear"].when
    assert watch is not None and timedelta(days=6) < watch - job.steps[5].at < timedelta(days=8)  # type: ignore[operator]
    kept = db.exec(select(Finding).where(Finding.job_id == job.id)).all()
    assert {(f.step, f.grade, tuple(f.faults)) for f in kept} == {
        ("guard-sound", "act", ("polished-guard",)),
        ("dust-floor", "watch", ("one-side-wear",)),
    }
    # The event that found it is corrected: it was fine after all, and nothing is due for it any more.
    open_again = open_job(db, DRAY, drive, JobOpen(template="round-weekly"))
    first = uuid.uuid4()
    at = now().isoformat()
    for ident, grade, old in ((first, "act", None), (uuid.uuid4(), "fine", first)):
        form = {"id": ident, "step": "guard-sound", "kind": "found", "grade": grade, "at": at, "corrects": old}
        take_event(db, DRAY, open_again.id, EventSave.model_validate(form))
    assert {d.title for d in list_dues(db, drive).dues} == {"Bolt missing", "One side wear"}


def test_a_step_is_judged_by_its_own_drawings_only(db: Session) -> None:
    job = open_job(db, DRAY, a_drive(db), JobOpen(template="round-weekly"))
    with pytest.raises(InputError, match="not judged by that") as e:
        say(db, job, "guard-sound", "found", grade="act", faults=["hooked-tooth"])
    assert e.value.field == "faults"


def test_a_photo_is_kept_with_its_step_upright_and_without_its_place(db: Session) -> None:
    drive = a_drive(db)
    job = open_job(db, DRAY, drive, JobOpen(template="round-weekly"))
    exif = Image.Exif()
    exif[0x0112] = 6  # lies on its side
    exif.get_ifd(0x8825)[2] = (52.0, 30.0, 0.0)  # a place
    exif[0x010F] = "maker of a phone"
    form = PhotoSave(data=photo((120, 80), exif=exif), job_id=job.id, step="dust-floor", caption="dust")
    line = keep_photo(db, DRAY, drive, form)
    assert (line.width, line.height) == (80, 120)
    file, small = photo_file(db, line.id, small=False), photo_file(db, line.id, small=True)
    for f in (file, small):
        assert f.type == "image/jpeg" and not Image.open(io.BytesIO(f.data)).getexif() and b"phone" not in f.data
    assert step(one_job(db, job.id), "dust-floor").photos == [line.id]
    assert [p.caption for p in photos_of(db, drive).photos] == ["dust"]
    for bad, field in (
        ({"job_id": open_job(db, DRAY, a_drive(db), JobOpen(template="free")).id}, "job_id"),
        ({"job_id": job.id, "step": "moon"}, "step"),
        ({"taken_at": now() + timedelta(days=1)}, "taken_at"),
        ({"data": "!!!!"}, "data"),
    ):
        with pytest.raises(InputError) as e:
            keep_photo(db, DRAY, drive, PhotoSave.model_validate({"data": photo(), **bad}))
        assert e.value.field == field
    assert len(db.exec(select(Photo).where(Photo.drive_id == drive)).all()) == 1


# Trends.


def stretched(db: Session, drive: uuid.UUID, days_ago: float, length: str, template: str = "retension-chain") -> None:
    """A visit so many days ago at which the chain was measured over 20 pitches, closed."""
    at = now() - timedelta(days=days_ago)
    job = open_job(db, DRAY, drive, JobOpen(template=template, take_up="jack-bolts", at=at))
    for n, s in enumerate(job.steps):
        moment = (at + timedelta(minutes=n)).isoformat()

        def event(kind: str, key: str = s.key, when: str = moment, **more: Any) -> None:
            form = {"step": key, "kind": kind, "at": when, "units": "si", **more}
            take_event(db, DRAY, job.id, EventSave.model_validate(form))

        if s.key == "stretch-read":
            event("read", target="pitches", quantity="count", typed="20")
            event("read", target="length", quantity="length", typed=length)
            event("done")
        elif s.kind == "read":
            event("skipped", reason="not now")
        else:
            kind = {"sign": "signed", "decide": "found"}.get(s.kind, "done")
            event(kind, **({"grade": "fine"} if kind == "found" else {}))


def test_wear_that_was_read_foretells_a_day_that_stands_on_the_round_and_in_the_calendar(db: Session) -> None:
    drive = a_drive(db, find("chain-drive").example["input"], CHAIN)
    worked = trends_view(db, drive, "si")
    assert worked.trends == []
    lengths = _lengths(db, drive, (0.4, 0.9, 1.3, 1.8))
    for days, length in zip((330, 220, 110, 5), lengths, strict=True):
        stretched(db, drive, days, f"{length} mm")
    (trend,) = [t for t in trends_view(db, drive, "si").trends if t.key == "stretch"]
    assert len(trend.points) == 4 and trend.earliest is not None and trend.latest is not None
    # By hand: 1.4 % in 325 days to 3 % of the limit: 1.2 % more in about 279 days from the last reading.
    last = trend.points[-1].at
    assert trend.earliest < last + timedelta(days=(trend.limit.value - 1.8) / (1.4 / 325)) < trend.latest
    due = [d for d in list_dues(db, drive).dues if d.reason == "trend-stretch"]
    assert len(due) == 1 and due[0].by_date == trend.earliest and "between" in due[0].title
    feed = vobject.readOne(feed_of("Round", calendar_events(db, "", "http://x"), now()).decode())
    mine = [e for e in feed.vevent_list if e.uid.value.startswith(str(due[0].id))]
    assert [e.dtstart.value for e in mine] == [trend.earliest.date()]
    # A new chain begins the line anew, and nothing is foretold.
    job = through(db, open_job(db, DRAY, drive, JobOpen(template="fit-chain", take_up="jack-bolts")))
    assert job.state == "closed"
    assert not [t for t in trends_view(db, drive, "si").trends if t.key == "stretch" and len(t.points) > 2]
    assert not [d for d in list_dues(db, drive).dues if d.reason == "trend-stretch"]


def _lengths(db: Session, drive: uuid.UUID, percent: tuple[float, ...]) -> list[float]:
    """What 20 pitches of this chain measure over the rollers when it is so far worn, by its own calculation's new length."""
    known = known_of(db, build_of(db, drive), "si")
    pitch = float(known.worked.elevation.pitch)
    asked = known.family.wear_of(known.given, 20, 20.5 * pitch)
    assert asked is not None
    calc = find(asked[0])
    said = work(calc, calc.request_model.model_validate({"units": "si", "input": dict(asked[1])})).result
    new = 20.5 * pitch - float(said.elongation.value) / 100 * 20 * pitch
    return [round(new + p / 100 * 20 * pitch, 2) for p in percent]


def test_readings_that_stand_foretell_nothing(db: Session) -> None:
    drive = a_drive(db, find("chain-drive").example["input"], CHAIN)
    for days, length in zip((300, 200, 100), _lengths(db, drive, (0.5, 0.5, 0.5)), strict=True):
        stretched(db, drive, days, f"{length} mm")
    (trend,) = [t for t in trends_view(db, drive, "si").trends if t.key == "stretch"]
    assert trend.earliest is None and not [d for d in list_dues(db, drive).dues if d.made_by == "trend"]


# The round and the timeline.


def test_the_round_walks_by_area_the_late_first_and_says_what_is_only_for_a_while(db: Session) -> None:
    drive = a_drive(db)
    late = plan(db, drive, by_date=now() - timedelta(days=3), template="round-quarterly")
    soon = plan(db, drive, by_date=now() + timedelta(days=3))
    far = plan(db, drive, by_date=now() + timedelta(days=60))
    view = round_view(db)
    rows = {x.due.id: x for x in (*view.late, *view.today, *view.week, *view.ahead)}
    assert rows[late.id].grade == "act" and rows[late.id].days == 3 and rows[late.id].due.guard_off
    assert rows[late.id].elevation is not None and rows[late.id].what
    assert soon.id in {x.due.id for x in view.week} and far.id in {x.due.id for x in view.ahead}
    order = [next((a.no for a in view.areas if a.name == x.due.area), 99) for x in view.late]
    assert order == sorted(order)
    assert count_due(db, now() + timedelta(days=7)) >= 2
    sheet = round_sheet(db, "", 0)
    words = {r.title: r.when for stop in sheet.stops for r in stop.rows}
    assert "Weekly look" in words and view.minutes >= late.minutes
    # On paper too no inches stand beside millimetres.
    metric = [r.what for stop in round_sheet(db, "", 0, "si").stops for r in stop.rows]
    assert metric and not any(re.search(r"\d in\b", what) for what in metric)


def test_the_timeline_has_what_happened_with_a_way_to_its_record(db: Session) -> None:
    drive = a_drive(db)
    job = weekly(db, drive, {"dust-floor": {"grade": "watch", "reason": "black dust"}})
    keep_photo(db, DRAY, drive, PhotoSave(data=photo(), caption="dust", job_id=job.id, step="dust-floor"))
    read_meter(db, DRAY, machine_of(db, drive), MeterSave(at=now(), hours=12))
    view = drive_timeline(db, drive, "us")
    lanes = {m.lane: m for m in view.marks}
    assert set(lanes) == {"builds", "jobs", "findings", "photos", "hours"} and set(view.lanes) == set(lanes)
    assert lanes["jobs"].link == f"/jobs/{job.id}" and lanes["findings"].words == "black dust"
    assert [m.at for m in view.marks] == sorted((m.at for m in view.marks), reverse=True)
    whole = machine_timeline(db, machine_of(db, drive), "us")
    assert {(m.lane, m.at) for m in whole.marks} == {(m.lane, m.at) for m in view.marks}
    with pytest.raises(NotThere):
        drive_timeline(db, uuid.uuid4(), "us")


def test_the_day_of_a_due_is_the_sooner_of_its_two(db: Session) -> None:
    """Property: with a date and hours, it is due at whichever comes first, and no sooner than it was put off to."""
    drive = a_drive(db)
    machine = machine_of(db, drive)
    for days, hours in ((10, 100.0), (0, 180.0)):
        read_meter(db, DRAY, machine, MeterSave(at=now() - timedelta(days=days), hours=hours))
    for date_in, hours_in in ((3.0, 80.0), (30.0, 80.0)):
        due = plan(db, drive, by_date=now() + timedelta(days=date_in), by_hours=180 + hours_in)
        expected = now() + timedelta(days=min(date_in, hours_in / 8.0))
        assert isinstance(due.when, datetime) and abs(due.when - expected) < timedelta(minutes=5)


# Oil and grease.


def test_a_machine_lists_the_points_its_drives_have_and_what_is_planned_comes_again(db: Session) -> None:
    drive = a_drive(db, find("chain-drive").example["input"], CHAIN)
    machine = machine_of(db, drive)
    points = oil_list(db, machine).points
    assert points[0].key == "chain-hand" and points[0].drives == ["Main"] and points[0].due is None
    assert {p.key for p in points} == {p.key for p in oil_points()}
    belt = a_drive(db)
    found = {p.key for p in oil_list(db, machine_of(db, belt)).points if p.drives}
    assert found <= {"take-up-screw", "idler-pivot"}, "a belt itself gets none"
    line = plan(db, drive, oil="chain-hand", every_days=7)
    assert line.reason == "oil-chain-hand"
    planned = oil_list(db, machine).points[0]
    assert planned.due is not None and planned.due.id == line.id
    tick_due(db, DRAY, line.id, DueDone(rev=line.rev, note="oiled"))
    after = oil_list(db, machine).points[0].due
    assert after is not None and after.id != line.id and after.when is not None and after.when > now()
    with pytest.raises(InputError, match="no such point to oil"):
        plan(db, drive, oil="the belt", every_days=7)
    with pytest.raises(NotThere):
        oil_list(db, uuid.uuid4())


def test_every_point_says_how_much_and_what_too_much_does() -> None:
    for p in oil_points():
        assert p.every_days > 0 and len(p.too_much) > 15 and len(p.guard) > 5 and p.amount
        assert len(f"oil-{p.key}") <= 40
