"""A job as a sheet of paper, and a drive's tag, from what is kept."""

from __future__ import annotations

import uuid
from dataclasses import replace
from datetime import UTC, datetime, tzinfo

from sqlmodel import Session

from tuyere.calc.registry import Units
from tuyere.calc.shown import inside
from tuyere.core.drawing.scene import Scene, Text
from tuyere.exchange.sheets.card import Card, ReadBlock, ReadRow, Row
from tuyere.exchange.sheets.facts import big_figures, picture, tension_ruler, to_set
from tuyere.exchange.sheets.tag import Tag
from tuyere.jobs.facts import DriveKnown
from tuyere.store.builds.tables import Build
from tuyere.store.jobs.book import list_jobs
from tuyere.store.jobs.dues import list_dues
from tuyere.store.jobs.read import answered, build_of, job_view, known_of, told
from tuyere.store.jobs.tables import Job as JobRow
from tuyere.store.jobs.views import JobView, StepView
from tuyere.store.machines.tables import Drive, EnergySource, Machine
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.rows import below, one

SAFE = ("isolate", "prove")
CLOSE = ("restore",)
SOURCE = (
    "Figures: the machine maker's where the drive's page has them, else computed by Tuyere; every one can be asked for its "
    "formula and source on that page."
)


def day(at: datetime | None) -> str:
    """A date as a person writes it."""
    return "" if at is None else f"{at.day} {at:%b %Y}"


def moment(at: datetime | None, zone: tzinfo) -> str:
    """A time of day, with its date, by the clock of the person who prints it."""
    return "" if at is None else f"{at.astimezone(zone).day} {at.astimezone(zone):%b %H:%M}"


def _row(s: StepView, blank: bool, zone: tzinfo) -> Row:
    words = s.words.replace("{wheel}", "sheave")
    point = f"{s.point}: {inside(words)}" if s.point else words
    note = "licensed people only" if s.who == "licensed" else ""
    if blank:
        return Row(words=point, note=" ".join(x for x in (s.caution, note) if x))
    mark = {"done": "done", "skipped": "left out", "open": ""}[s.status]
    said = "; ".join(x for x in (s.note, s.exception) if x)
    return Row(words=point, note=said, by=s.by, at=moment(s.at, zone), mark=mark)  # type: ignore[arg-type]


def _block(s: StepView, blank: bool, pictures: tuple[Scene, ...]) -> ReadBlock:
    rows = tuple(
        ReadRow(
            label=a.label,
            before=" ".join(x for x in (a.before, f"({day(a.before_at)})" if a.before_at else "") if x),
            value="" if blank else a.value,
        )
        for a in s.asked
        if a.needed or a.value or a.before
    )
    says = "" if blank or s.said is None else " ".join(x for x in (s.said.says, s.said.besides) if x)
    title = s.words.replace("{wheel}", "sheave")
    return ReadBlock(title=title, limit=s.limit, rows=rows, says=says, pictures=pictures)


def _together(blocks: list[ReadBlock]) -> tuple[list[ReadBlock], list[ReadBlock]]:
    """(one table of the readings that are a single value each, the others): a table for every number fills a page."""
    alone = [b for b in blocks if len(b.rows) == 1 and not b.pictures]
    if len(alone) < 2:
        return [], blocks
    rows = tuple(
        replace(b.rows[0], label=b.title, limit=" ".join(x for x in (b.limit and f"allowed: {b.limit}", b.says) if x))
        for b in alone
    )
    return [ReadBlock(title="Other readings", limit="", rows=rows, says="")], [b for b in blocks if b not in alone]


def job_card(
    session: Session, job_id: uuid.UUID, *, units: Units, blank: bool, address: str, zone: tzinfo = UTC
) -> Card:
    """A job as a card: with blanks to take along, or as it was done. ``address`` is where the drive's page is found, without its id.

    Raises NotThere.
    """
    row = one(session, JobRow, job_id)
    view = job_view(session, row, units)
    of = told(session, row)
    known = known_of(session, session.get_one(Build, row.build_id), units)
    machine = session.get_one(Machine, row.machine_id)
    scene, scale = picture(known, 98.0, 56.0)
    reads = []
    for s in view.steps:
        if s.kind != "read" or s.reads == "text" or not blank and not any(a.value for a in s.asked):
            continue
        got = None if blank else answered(session, of, of.job.step(s.key), known)
        said = None if got is None else got.said
        reads.append(_block(s, blank, () if said is None else said.pictures))
    steps = [s for s in view.steps if s.kind not in (*SAFE, *CLOSE) and s.key != "safe-signed"]
    if blank:
        steps = [s for s in steps if s.kind != "read"]
    singles, reads = _together(reads)
    return Card(
        title=view.title,
        place=", ".join(x for x in (machine.area, f"{machine.name} {machine.tag}".strip(), view.drive) if x),
        date=day(now() if blank else (view.closed_at or view.opened_at)),
        who=f"opened by {view.opened_by}" if blank or not view.closed_by else f"closed by {view.closed_by}",
        number=f"job {str(row.id)[:8]}",
        address=f"{address}/drives/{row.drive_id}",
        blank=blank,
        safe=tuple(_row(s, blank, zone) for s in view.steps if s.kind in SAFE or s.key == "safe-signed"),
        picture=scene,
        scale=f"{view.what}, drawn 1 : {scale:g}",
        figures=big_figures(known),
        reads=(*reads, *singles),
        ruler=tension_ruler(known, 184.0, _read_tensions(view)) if _has_tension(view) else None,
        steps=tuple(_row(s, blank, zone) for s in steps),
        close=tuple(_row(s, blank, zone) for s in view.steps if s.kind in CLOSE),
        foot=SOURCE,
    )


def _has_tension(view: JobView) -> bool:
    return any(s.reads == "tension" for s in view.steps)


def _read_tensions(view: JobView) -> tuple[float, ...]:
    """The tensions that were read, N, as they are marked on the scale."""
    for s in view.steps:
        if s.reads == "tension" and s.said is not None and s.said.result is not None:
            belts = s.said.result.get("belts")
            if isinstance(belts, list):
                return tuple(float(b["at"]["tension"]["value"]) for b in belts)  # type: ignore[index,call-overload,arg-type]
    return ()


def _first(session: Session, machine_id: uuid.UUID) -> str:
    points = [s.isolation_point for s in below(session, EnergySource, "machine_id", machine_id)]
    return ", ".join([*points[:3], "then try to start"]) if points else "make the machine safe"


def drive_tag(session: Session, drive_id: uuid.UUID, *, units: Units, address: str) -> Tag:
    """What a drive's tag says. Raises NotThere; InputError for a drive of which nothing is known."""
    drive = one(session, Drive, drive_id)
    machine = session.get_one(Machine, drive.machine_id)
    known: DriveKnown = known_of(session, build_of(session, drive_id), units)
    jobs = [j for j in list_jobs(session, drive_id, "closed").jobs if j.kind in ("fit", "retension", "run-in", "align")]
    dues = list_dues(session, drive_id).dues
    set_on = f"set {day(jobs[0].closed_at)}, {jobs[0].opened_by}" if jobs else "set on ________ by ________"
    due = "next check ________"
    if dues:
        due = f"{day(dues[0].by_date)}, {inside(dues[0].title)}"
    return Tag(
        name=f"{machine.name}, {drive.name.lower()}",
        at=to_set(known),
        set_on=set_on,
        due=due,
        first=_first(session, machine.id),
        address=f"{address}/drives/{drive_id}",
        inches=units == "us",
    )


SHEET = (260.0, 150.0)


def drive_drawing(session: Session, drive_id: uuid.UUID, units: Units) -> tuple[Scene, float]:
    """(a drive's elevation as a drawing with its name, its scale 1 : n). Raises NotThere; InputError where nothing is known."""
    drive = one(session, Drive, drive_id)
    machine = session.get_one(Machine, drive.machine_id)
    known: DriveKnown = known_of(session, build_of(session, drive_id), units)
    scene, scale = picture(known, *SHEET)
    inches = "inches" if units == "us" else "millimetres"
    name = f"{machine.name}, {drive.name}: {known.what}"
    said = Text(x=6.0, y=4.0, text=f"{name}. 1 : {scale:g}, figures in {inches}.", size=3.2, layer="words")
    return replace(scene, title=name, items=(*scene.items, said)), scale
