"""What is kept with a drive and printed from it: shafts and the maker's number, the fall of the tension, cards and tags."""

from __future__ import annotations

import io
from datetime import timedelta
from math import hypot
from typing import Any

import ezdxf
import pypdfium2
import pytest
from pydantic import ValidationError
from sqlmodel import Session

from tests.store.test_jobs import BEGAN, DRAY, a_drive, say, step, through
from tuyere.calc.registry import find
from tuyere.core.errors import InputError
from tuyere.exchange.drawing.dxf import dxf_of
from tuyere.exchange.drawing.pdf import pdf_of_page
from tuyere.exchange.sheets.card import card_html
from tuyere.jobs.template import shipped
from tuyere.store.drives.book import drive_view
from tuyere.store.drives.ends import save_ends
from tuyere.store.drives.forms import EndsSave
from tuyere.store.jobs.book import open_job, templates_for
from tuyere.store.jobs.card import drive_drawing, drive_tag, job_card
from tuyere.store.jobs.dues import list_dues
from tuyere.store.jobs.fall import tension_fall
from tuyere.store.jobs.forms import JobOpen
from tuyere.store.jobs.read import build_of, known_of
from tuyere.store.machines.book import add_drive, add_machine
from tuyere.store.machines.forms import DriveCreate, MachineCreate
from tuyere.store.plumbing.trouble import Stale


def ends(**asked: Any) -> EndsSave:
    rev = asked.pop("rev", 0)
    return EndsSave.model_validate({"rev": rev, "units": asked.pop("units", "us"), "asked": asked})


def test_what_is_known_of_the_shafts_is_kept_as_typed_with_its_units_and_versions_are_told_apart(db: Session) -> None:
    drive = a_drive(db)
    assert drive_view(db, drive).ends.model_dump() == {"rev": 0, "given": {}}
    save_ends(db, DRAY, drive, ends(start="star-delta", driver_shaft={"overhang": "3 1/2", "engine": False}))
    save_ends(db, DRAY, drive, ends(rev=1, units="si", driver_shaft={"overhang": "90", "rating": "52 kN"}))
    kept = drive_view(db, drive).ends
    assert kept.rev == 2 and kept.given == {"driver_shaft": {"overhang": "90 mm", "rating": "52 kN"}}
    with pytest.raises(Stale):
        save_ends(db, DRAY, drive, ends(rev=1, start="star-delta"))
    with pytest.raises(ValidationError):
        ends(driver_shaft={"overhang": "a thumb"})
    with pytest.raises(ValidationError):
        ends(start="with a rope")


def test_a_job_goes_by_the_makers_number_that_is_kept_with_the_drive(db: Session) -> None:
    drive = a_drive(db)
    worked = open_job(db, DRAY, drive, JobOpen(template="retension-v", take_up="slide-base"))
    maker = {"method": "plunger", "low_force": "9", "high_force": "10 lbf", "deflection": "1/2"}
    save_ends(db, DRAY, drive, ends(maker=maker))
    job = open_job(db, DRAY, drive, JobOpen(template="retension-v", take_up="slide-base"))
    limits = [step(j, "tension-read").limit for j in (worked, job)]
    assert limits[0] != limits[1]
    job = through(db, job, "tension-read")
    for n in (1, 2, 3, 4):
        job = say(db, job, "tension-read", "read", target=f"belt {n}", quantity="force", typed="9.9 lbf")
    said = step(job, "tension-read").said
    assert said is not None and said.result is not None
    # The gauge presses to this drive's own mark, a little more than the maker's half inch: the tension is what counts.
    assert said.result["band"]["low"]["tension"]["value"] > 300  # type: ignore[index,call-overload]


def closed(db: Session, drive: Any, template: str, hours: float, force: str) -> None:
    at = BEGAN + timedelta(hours=hours)
    job = open_job(db, DRAY, drive, JobOpen(template=template, take_up="slide-base", mounting="taper-flush", at=at))
    shift = {"at": at.isoformat()}

    def tell(key: str, kind: str, **more: Any) -> None:
        nonlocal job
        job = say(db, job, key, kind, **{**shift, **more})

    for s in job.steps:
        if s.reads == "tension":
            for n in (1, 2, 3, 4):
                tell(s.key, "read", target=f"belt {n}", quantity="force", typed=force)
        if s.kind == "read" and s.reads != "tension":
            if s.skip:
                tell(s.key, "skipped", reason="not now")
            else:
                tell(s.key, "read", target="it", quantity="torque", typed="20")
                tell(s.key, "done")
            continue
        tell(
            s.key,
            {"sign": "signed", "decide": "found"}.get(s.kind, "done"),
            grade="fine" if s.kind == "decide" else "",
        )


def test_the_fall_of_the_tension_counts_from_the_last_fit_and_settles_from_three_readings_on(db: Session) -> None:
    drive = a_drive(db)
    empty = tension_fall(db, drive, "us")
    assert empty.readings == [] and empty.picture is None and empty.fitted_at is None
    closed(db, drive, "retension-v", -400, "9 lbf")
    closed(db, drive, "fit-v-taper", 0, "6 lbf")
    closed(db, drive, "run-in-check", 24, "5.4 lbf")
    two = tension_fall(db, drive, "us")
    assert [r.on_gauge.number for r in two.readings] == ["6.0", "5.4"] and "2 of three" in two.says
    closed(db, drive, "run-in-check", 240, "5 lbf")
    fall = tension_fall(db, drive, "si")
    assert [round(r.hours) for r in fall.readings[1:]] == [24, 240] and fall.hours_a_day == 24
    assert fall.picture is not None and fall.working and "running hours" in fall.says
    assert " N at " in fall.says


@pytest.mark.parametrize(("school", "left"), [("24-hours", 2), ("50-hours", 2), ("all", 3)])
def test_a_fit_makes_dues_by_the_school_that_was_chosen(db: Session, school: str, left: int) -> None:
    drive = a_drive(db)
    form = JobOpen.model_validate(
        {"template": "fit-v-taper", "take_up": "slide-base", "mounting": "taper-flush", "recheck": school}
    )
    through(db, open_job(db, DRAY, drive, form))
    titles = [d.title for d in list_dues(db, drive).dues]
    assert len(titles) == left and titles[0].startswith("Look at it")
    assert any("24" in t for t in titles) == (school != "50-hours")


DRIVES = (
    ("v-belt", "v-belt-drive"),
    ("synchronous", "sync-drive"),
    ("flat", "flat-drive"),
    ("roller-chain", "chain-drive"),
)


@pytest.mark.parametrize(("family", "calc"), DRIVES)
def test_every_job_of_every_family_goes_on_two_pages_at_most(db: Session, family: str, calc: str) -> None:
    drive = a_drive(db) if family == "v-belt" else a_drive(db, find(calc).example["input"], family)
    tried = 0
    for t in templates_for(db, drive).templates:
        job = open_job(db, DRAY, drive, JobOpen(template=t.key))
        # the blank card is the longer one: it has every table with its empty lines
        card = job_card(db, job.id, units="si", blank=True, address="http://x")
        pdf = pypdfium2.PdfDocument(pdf_of_page(card_html(card, "a4")))
        assert len(pdf) <= 2, (t.key, len(pdf))
        said = "".join(str(p.get_textpage().get_text_bounded()) for p in pdf)
        assert "FIRST MAKE SAFE" in said and t.title in said.replace("\r\n", " ")
        tried += 1
    assert tried >= 2 and len(shipped()) >= 20


def test_a_record_says_what_was_read_who_did_it_and_what_was_left_out(db: Session) -> None:
    drive = a_drive(db)
    job = through(db, open_job(db, DRAY, drive, JobOpen(template="retension-v", take_up="slide-base")), "tension-read")
    for n in (1, 2, 3, 4):
        job = say(db, job, "tension-read", "read", target=f"belt {n}", quantity="force", typed="3.4 lbf")
    job = say(db, job, "tension-read", "done")
    job = through(db, job)
    card = job_card(db, job.id, units="us", blank=False, address="http://x")
    (belts,) = [b for b in card.reads if b.rows[0].label == "belt 1"]
    assert [r.value for r in belts.rows] == ["3.4 lbf"] * 4 and belts.says
    assert {r.by for r in card.safe} == {"N. Dray"} and all(r.mark == "done" for r in card.safe)
    left_out = [r for r in card.steps if r.mark == "left out"]
    assert left_out and all(r.note for r in left_out)
    assert card.who == "closed by N. Dray" and card.address.endswith(str(drive))
    blank = job_card(db, job.id, units="us", blank=True, address="http://x")
    assert all(not r.value for b in blank.reads for r in b.rows) and all(not r.by for r in blank.safe)


def test_a_tag_says_when_it_was_set_what_is_due_and_what_comes_first(db: Session) -> None:
    drive = a_drive(db, electric="Isolator Q11", gravity="Feed apron")
    bare = drive_tag(db, drive, units="us", address="http://x")
    assert "____" in bare.set_on and "____" in bare.due and bare.first.startswith("Isolator Q11, Feed apron")
    closed(db, drive, "fit-v-taper", 0, "6 lbf")
    tag = drive_tag(db, drive, units="us", address="http://x")
    assert tag.set_on == "set 25 Nov 2026, N. Dray" and "25 Nov 2026" in tag.due
    machine = add_machine(db, DRAY, MachineCreate(name="Bare"))
    empty = add_drive(db, DRAY, machine.id, DriveCreate(name="Main"))
    with pytest.raises(InputError, match="nothing is known"):
        drive_tag(db, empty, units="us", address="http://x")


@pytest.mark.outside("ezdxf: the drive's drawing is read back and measured against its elevation")
@pytest.mark.parametrize(("units", "worth"), [("us", 25.4), ("si", 1.0)])
def test_a_drive_is_drawn_true_to_size_for_cutting(db: Session, units: Any, worth: float) -> None:
    drive = a_drive(db)
    scene, scale = drive_drawing(db, drive, units)
    space = ezdxf.read(io.StringIO(dxf_of(scene, scale, "in" if units == "us" else "mm"))).modelspace()
    known = known_of(db, build_of(db, drive), units)
    wheels = known.worked.elevation.wheels
    radii = sorted({round(c.dxf.radius * worth, 3) for c in space.query("CIRCLE")})
    assert all(any(abs(r - w.outside_radius) < 0.01 for r in radii) for w in wheels)
    centres = [
        next(c.dxf.center for c in space.query("CIRCLE") if abs(c.dxf.radius * worth - w.outside_radius) < 0.01)
        for w in wheels
    ]
    apart = (centres[0] - centres[1]).magnitude * worth
    assert apart == pytest.approx(hypot(wheels[0].x - wheels[1].x, wheels[0].y - wheels[1].y), abs=0.01)
    assert f"1 : {scale:g}" in " ".join(t.dxf.text for t in space.query("TEXT"))
