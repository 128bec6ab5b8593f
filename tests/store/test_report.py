"""The report of a period: what is in it by its days, losses against the definition of efficiency, additive over time."""

from __future__ import annotations

import csv
import io
import uuid
from datetime import UTC, date, datetime, timedelta

import pypdfium2
import pytest
from sqlmodel import Session, select

from tests.store.test_jobs import DRAY, a_drive, through
from tuyere.core.errors import InputError
from tuyere.exchange.drawing.pdf import pdf_of_page
from tuyere.exchange.sheets.report import report_html
from tuyere.exchange.stock_csv import read_stock
from tuyere.store.builds.tables import Build
from tuyere.store.drives.tables import Duty
from tuyere.store.jobs.book import open_job
from tuyere.store.jobs.forms import JobOpen
from tuyere.store.jobs.tables import Due, Job
from tuyere.store.machines.forms import MeterSave
from tuyere.store.machines.meter import read_meter
from tuyere.store.machines.tables import Drive
from tuyere.store.plumbing.base import now
from tuyere.store.shelf.book import put_by, set_place, take_part
from tuyere.store.upkeep.book import confirm_cause, save_failure
from tuyere.store.upkeep.forms import CauseConfirm, FailureSave
from tuyere.store.upkeep.report import report_view
from tuyere.store.upkeep.report_paper import report_csv, report_sheet

TODAY = datetime.now(UTC).date()


def stood_since(db: Session, drive: uuid.UUID, days: int) -> Duty:
    """The drive stands since so many days; returns its duty."""
    for b in db.exec(select(Build).where(Build.drive_id == drive)).all():
        b.valid_from = now() - timedelta(days=days)
    (duty,) = db.exec(select(Duty).where(Duty.drive_id == drive)).all()
    duty.valid_from = now() - timedelta(days=days)
    db.flush()
    return duty


def ours(db: Session, drive: uuid.UUID, since: date, until: date) -> tuple[float, float, float]:
    """(hours, least, most kWh) of a drive in a period; the test database holds others besides."""
    r = report_view(db, since, until)
    (x,) = [x for x in r.losses if x.drive_id == drive]
    return x.hours, x.lost.low.value, x.lost.high.value


def test_losses_are_input_less_output_over_the_hours_that_the_meter_says(db: Session) -> None:
    """Definition of efficiency: a wrapped V-belt passes on 93 to 96 % of what goes in (energy advice for belted drives)."""
    drive = a_drive(db)
    duty = stood_since(db, drive, 400)
    machine = db.get_one(Drive, drive).machine_id
    read_meter(db, DRAY, machine, MeterSave(at=now() - timedelta(days=40), hours=1000))
    read_meter(db, DRAY, machine, MeterSave(at=now() - timedelta(days=1), hours=1000 + 39 * 8))
    since, until = TODAY - timedelta(days=100), TODAY - timedelta(days=1)
    hours, low, high = ours(db, drive, since, until)
    assert hours == pytest.approx(100 * 8, rel=1e-6)
    given_out = duty.power_kw * hours
    assert low == pytest.approx(given_out / 0.96 - given_out, rel=1e-6)
    assert high == pytest.approx(given_out / 0.93 - given_out, rel=1e-6)
    assert not report_view(db, since, until).losses[0].assumed or drive not in [
        x.drive_id for x in report_view(db, since, until).losses if x.assumed
    ]


@pytest.mark.parametrize("cut", [1, 17, 60])
def test_a_period_is_the_sum_of_its_parts(db: Session, cut: int) -> None:
    drive = a_drive(db)
    stood_since(db, drive, 70)  # it was put there within the period
    since, until = TODAY - timedelta(days=90), TODAY
    middle = since + timedelta(days=cut)
    whole = ours(db, drive, since, until)
    parts = []
    for a, b in ((since, middle), (middle + timedelta(days=1), until)):
        found = [x for x in report_view(db, a, b).losses if x.drive_id == drive]
        parts += [(x.hours, x.lost.low.value, x.lost.high.value) for x in found]
    assert tuple(map(sum, zip(*parts, strict=True))) == pytest.approx(whole, rel=1e-4)
    # Hours nobody has said are assumed, and that is said: ten hours on 250 of 365.25 days.
    assert whole[0] == pytest.approx(70 * 10 * 250 / 365.25, rel=0.02)
    assert next(x for x in report_view(db, since, until).losses if x.drive_id == drive).assumed


def test_failures_stand_under_what_was_confirmed_else_under_what_was_told_first(db: Session) -> None:
    drive = a_drive(db)
    for days in (5, 15, 45):
        form = FailureSave.model_validate(
            {"at": (now() - timedelta(days=days)).isoformat(), "answers": {"v-snap-frayed": "yes"}}
        )
        view = save_failure(db, DRAY, drive, form)
        if days == 5:
            newest = next(f for f in view.failures if not f.confirmed)
            confirm_cause(db, DRAY, newest.id, CauseConfirm(rev=newest.rev, cause="v-pried"))
    month = report_view(db, TODAY - timedelta(days=30), TODAY)
    before = report_view(db, TODAY - timedelta(days=60), TODAY - timedelta(days=31))
    assert (month.failures, before.failures) == (2, 1)
    pried = next(c for c in month.causes if c.words == "Belt was pried or rolled on")
    assert pried.confirmed == 1
    assert sum(c.confirmed + c.told for c in month.causes) == month.failures


def test_what_was_done_in_time_is_not_late_and_what_was_done_later_was(db: Session) -> None:
    drive = a_drive(db)
    machine = db.get_one(Drive, drive).machine_id
    day = datetime.combine(TODAY - timedelta(days=40), datetime.min.time(), UTC)

    def due(title: str, done: datetime | None) -> None:
        db.add(
            Due(
                machine_id=machine,
                drive_id=drive,
                title=title,
                reason_key="person",
                by_date=day,
                done_at=done,
                created_at=day - timedelta(days=9),
                made_by="person",
            )
        )

    due("in time", day - timedelta(days=1))
    due("later", day + timedelta(days=20))
    due("never", None)
    db.flush()
    then = report_view(db, TODAY - timedelta(days=60), TODAY - timedelta(days=30))
    titles = {x.title: x.days for x in then.late if x.drive_id == drive}
    assert set(titles) == {"later", "never"} and titles["never"] == 11
    assert {x.title for x in report_view(db, TODAY, TODAY).late if x.drive_id == drive} == {"never"}


def test_parts_are_spent_at_what_they_cost_when_they_were_taken(db: Session) -> None:
    drive = a_drive(db)
    (line,) = read_stock("part,section,size,diameter,count\nbelt,,C144,,10").lines
    item = put_by(db, DRAY, line, price=20.0)
    job = open_job(db, DRAY, drive, JobOpen(template="fit-v-taper"))
    take_part(db, DRAY, item.id, 3, job.id)
    set_place(db, DRAY, item.id, "rack 9", low=None, price=99.0)
    take_part(db, DRAY, item.id, 1, job.id)
    r = report_view(db, TODAY - timedelta(days=1), TODAY + timedelta(days=1))
    used = next(p for p in r.parts if p.designation == "C144")
    assert (used.count, used.spent) == (4, 3 * 20.0 + 99.0)
    # A part that nobody has priced is counted and said.
    (other,) = read_stock("part,section,size,diameter,count\nbelt,,C158,,2").lines
    take_part(db, DRAY, put_by(db, DRAY, other).id, 2, job.id)
    again = report_view(db, TODAY - timedelta(days=1), TODAY + timedelta(days=1))
    assert again.unpriced == r.unpriced + 2 and again.spent == r.spent


def test_a_fit_counts_the_loops_that_it_put_on(db: Session) -> None:
    drive = a_drive(db)
    before = {x.designation: x.loops for x in report_view(db, date(2026, 11, 24), TODAY + timedelta(days=1)).loops}
    job = through(db, open_job(db, DRAY, drive, JobOpen(template="fit-v-taper")))
    row = db.get_one(Job, job.id)
    if row.state != "closed":
        row.state, row.closed_at = "closed", now()
        db.flush()
    after = {x.designation: x.loops for x in report_view(db, date(2026, 11, 24), TODAY + timedelta(days=1)).loops}
    gained = {d: n - before.get(d, 0) for d, n in after.items() if n != before.get(d, 0)}
    assert len(gained) == 1 and next(iter(gained.values())) >= 1


def test_the_table_and_the_paper_say_what_the_page_says(db: Session) -> None:
    drive = a_drive(db)
    stood_since(db, drive, 30)
    save_failure(db, DRAY, drive, FailureSave.model_validate({"at": now().isoformat(), "answers": {"v-glaze": "yes"}}))
    r = report_view(db, TODAY - timedelta(days=20), TODAY)
    rows = list(csv.DictReader(io.StringIO(report_csv(r))))
    assert [x["what"] for x in rows if x["section"] == "failures"] == [c.words for c in r.causes]
    lost = [float(x["figure"]) for x in rows if x["section"] == "lost kWh, most"]
    assert lost == pytest.approx([x.lost.high.value for x in r.losses])
    sheet = pypdfium2.PdfDocument(pdf_of_page(report_html(report_sheet(r), "a4")))
    text = " ".join(page.get_textpage().get_text_bounded() for page in sheet)
    assert "Report of the shop" in text and r.causes[0].words in text and f"{r.failures}" in text


def test_a_period_that_cannot_be_is_refused(db: Session) -> None:
    with pytest.raises(InputError, match="ends before it begins"):
        report_view(db, TODAY, TODAY - timedelta(days=1))
    with pytest.raises(InputError, match="too long"):
        report_view(db, date(1900, 1, 1), TODAY)
    empty = report_view(db, date(2001, 1, 1), date(2001, 12, 31))
    assert (empty.failures, empty.spent, empty.lost, empty.late_count) == (0, 0.0, None, 0)
