"""Two years at the flax works: a chain that wears, a puller that breaks its belts, a wrong belt, a season's pause, rounds that found things.

Everything here is invented.
"""

from __future__ import annotations

import uuid
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from datetime import timedelta
from itertools import groupby

from sqlmodel import Session, col, select

from tuyere.demo.photos import sketch
from tuyere.demo.visits import Visit, visit
from tuyere.store.builds.tables import Build
from tuyere.store.jobs.dues import list_dues, plan_due, tick_due
from tuyere.store.jobs.forms import DueDone, DuePlan, PhotoSave
from tuyere.store.jobs.photos import keep_photo
from tuyere.store.machines.forms import MeterSave
from tuyere.store.machines.meter import read_meter
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.upkeep.book import confirm_cause, save_failure
from tuyere.store.upkeep.forms import CauseConfirm, FailureSave

DAY = 24.0
DRAY, REED, SEDGE, ROOK = "N. Dray", "A. Reed", "T. Sedge", "I. Rook"


@dataclass(frozen=True, kw_only=True)
class Failed:
    """A failure: how many days ago, what was seen, and the cause where it was found."""

    tag: str
    drive: str
    days_ago: float
    by: str
    signs: dict[str, str]
    note: str = ""
    cause: str = ""


def _round(tag: str, drive: str, template: str, by: str, days: float, **more: object) -> Visit:
    return Visit(
        tag=tag,
        drive=drive,
        template=template,
        by=by,
        hours_ago=days * DAY,
        take_up="slide-base",
        mounting="taper-flush",
        **more,  # type: ignore[arg-type]
    )


def _chain(days: float, length: str, by: str) -> Visit:
    """The breaker's chain over the rollers of 20 pitches of 1 3/4 in (36 in new)."""
    return _round(
        "BR-1",
        "Breaker rollers, gearbox to first roller",
        "round-quarterly",
        by,
        days,
        readings={"stretch-read": (("pitches", "count", "20"), ("length", "length", length))},
    )


def _groove(days: float, driver: str, driven: str, by: str) -> Visit:
    return _round(
        "OM-1",
        "Roll drive",
        "round-quarterly",
        by,
        days,
        readings={"groove-read": (("driver", "gap", driver), ("driven", "gap", driven))},
    )


def _fit(at: tuple[str, str], by: str, days: float, marking: str, template: str = "fit-v-taper") -> Visit:
    return _round(*at, template, by, days, readings={"marking-read": (("it", "text", marking),)})


JOBS: tuple[Visit, ...] = (
    *(
        _chain(days, length, by)
        for days, length, by in (
            (690, "36.03 in", ROOK),
            (560, "36.18 in", ROOK),
            (430, "36.33 in", DRAY),
            (310, "36.47 in", DRAY),
            (190, "36.63 in", SEDGE),
            (80, "36.79 in", DRAY),
        )
    ),
    *(
        _groove(days, driver, driven, by)
        for days, driver, driven, by in (
            (600, "0.004 in", "0.002 in", REED),
            (450, "0.009 in", "0.004 in", REED),
            (300, "0.014 in", "0.006 in", DRAY),
            (150, "0.018 in", "0.009 in", REED),
            (40, "0.022 in", "0.010 in", REED),
        )
    ),
    _fit(("FP-2", "Pulling-belt drive"), ROOK, 160, "5VX900, three of one set"),
    _fit(("FP-2", "Pulling-belt drive"), ROOK, 84, "5VX900, three of one set"),
    _fit(("FP-2", "Pulling-belt drive"), SEDGE, 30, "5VX900, three of one set"),
    _fit(("SH-2", "Arbor drive"), SEDGE, 400, "13 x 1070, not the number on record", "fit-v-key"),
    _fit(("SH-2", "Arbor drive"), DRAY, 376, "AX42, two of one set", "fit-v-key"),
    _round("BA-1", "Pickup countershaft", "round-season-start", ROOK, 555),
    _round("BA-1", "Pickup countershaft", "round-monthly", ROOK, 500),
    _round("BA-1", "Pickup countershaft", "round-season-start", ROOK, 190),
    _round(
        "BA-1",
        "Pickup countershaft",
        "round-monthly",
        SEDGE,
        130,
        found={"belt-marked": ("watch", "Hair cracks near the joint of two cogs", ("crack-across",))},
    ),
    _round("SC-1", "Main drive", "round-weekly", REED, 15),
    _round(
        "SC-1",
        "Main drive",
        "round-weekly",
        REED,
        8,
        found={"dust-floor": ("watch", "Black dust under the driver, more than last week", ("one-side-wear",))},
    ),
    _round(
        "AHU-2",
        "Fan drive",
        "round-weekly",
        DRAY,
        1.2,
        found={"guard-sound": ("act", "Guard bolt missing, the sheet touches the belt at start", ("polished-guard",))},
    ),
)
FAILURES: tuple[Failed, ...] = (
    Failed(
        tag="FP-2",
        drive="Pulling-belt drive",
        days_ago=86,
        by=ROOK,
        signs={"v-snap-frayed": "yes", "jams": "yes", "v-glaze": "no"},
        note="Snapped when the feed choked in wet flax.",
    ),
    Failed(
        tag="FP-2",
        drive="Pulling-belt drive",
        days_ago=32,
        by=SEDGE,
        signs={"v-snap-frayed": "yes", "jams": "yes", "trip-stall": "yes", "misline": "no"},
        note="Full hopper, motor stalled, both belts gone.",
        cause="v-shock",
    ),
    Failed(
        tag="SH-2",
        drive="Arbor drive",
        days_ago=378,
        by=DRAY,
        signs={"v-rides-low": "yes", "v-glaze": "yes", "substitute": "yes", "v-groove-shiny": "yes"},
        note="A metric belt was put on for lack of the right one; it ran on the bottom.",
        cause="v-wrong-section",
    ),
)
# What comes again: machine, drive, template, how often, when next (days from now; negative: late).
PLANS = (
    ("SC-1", "Main drive", "round-weekly", 7, -1.0),
    ("SC-2", "Main drive", "round-weekly", 7, 0.2),
    ("BR-1", "Roller gearbox input", "round-weekly", 7, 0.3),
    ("HK-1", "Countershaft", "round-monthly", 30, 2.0),
    ("OM-1", "Roll drive", "round-quarterly", 91, 5.0),
    ("CV-1", "Head drive, first stage", "round-weekly", 7, 3.0),
    ("EF-4", "Exhaust drive", "round-quarterly", 91, 40.0),
)
# Meter readings: machine, hours now, hours a day, how many days back the first one is.
METERS = (("SC-1", 18_412.0, 15.4, 180), ("FP-2", 2_218.0, 6.5, 120), ("BR-1", 21_050.0, 14.8, 180))


def _stood(session: Session) -> None:
    """Builds stood there before the demo was loaded: the first for two years, what took its place for half of them."""
    every = session.exec(select(Build).order_by(col(Build.drive_id), col(Build.no))).all()
    for _, of in groupby(every, key=lambda b: b.drive_id):
        builds = [b for b in of if b.state == "frozen" and b.purpose != "designed"]
        for k, b in enumerate(builds):
            b.valid_from = now() - timedelta(days=725.0 * (len(builds) - k) / len(builds))
            if b.temporary:
                b.valid_from = now() - timedelta(days=24)
            if k:
                builds[k - 1].valid_to = b.valid_from
            session.add(b)
    session.flush()


def _settle(session: Session, drive: uuid.UUID) -> None:
    """What old fits and findings made due was seen to at the time."""
    for due in list_dues(session, drive).dues:
        if due.reason in ("first-run", "24-hours", "50-hours") or due.made_by == "finding":
            tick_due(session, Actor(DRAY), due.id, DueDone(rev=due.rev, note="seen to at the time"))


def _fail(session: Session, of: Failed, drive: uuid.UUID) -> None:
    form = FailureSave.model_validate(
        {"at": (now() - timedelta(days=of.days_ago)).isoformat(), "answers": of.signs, "note": of.note}
    )
    view = save_failure(session, Actor(of.by), drive, form)
    if of.cause:
        kept = min(view.failures, key=lambda f: abs((f.at - form.at).total_seconds()))
        confirm_cause(session, Actor(of.by), kept.id, CauseConfirm(rev=kept.rev, cause=of.cause))


def _meter(session: Session, machine: uuid.UUID, hours: float, per_day: float, back: int) -> None:
    for ago in range(back, -1, -30):
        at = now() - timedelta(days=ago)
        read_meter(session, Actor(DRAY), machine, MeterSave(at=at, hours=round(hours - per_day * ago, 1)))


def history(session: Session, ident: Callable[..., uuid.UUID], jobs: Sequence[Visit] = JOBS) -> int:
    """All of it, the oldest first; ``ident`` gives a machine's or a drive's id. Returns how many jobs."""
    _stood(session)
    for tag, hours, per_day, back in METERS:
        _meter(session, ident(tag), hours, per_day, back)
    for v in sorted(jobs, key=lambda v: -v.hours_ago):
        drive = ident(v.tag, v.drive)
        job = visit(session, v, drive)
        if v.template.startswith("fit") or v.hours_ago > 60 * DAY:
            _settle(session, drive)
        for step, (_, note, faults) in v.found.items():
            photo = PhotoSave(
                data=sketch(faults[0] if faults else "", note),
                caption=note,
                job_id=job,
                step=step,
                taken_at=now() - timedelta(hours=v.hours_ago),
            )
            keep_photo(session, Actor(v.by), drive, photo)
    for f in FAILURES:
        _fail(session, f, ident(f.tag, f.drive))
    for tag, drive_name, template, every, ahead in PLANS:
        title = {
            "round-weekly": "Weekly look and listen, guards on",
            "round-monthly": "Monthly look through the hatch",
            "round-quarterly": "Quarterly check, guard off",
        }[template]
        form = DuePlan(
            machine_id=ident(tag),
            drive_id=ident(tag, drive_name),
            title=title,
            template=template,
            by_date=now() + timedelta(days=ahead),
            every_days=every,
        )
        plan_due(session, Actor(DRAY), form)
    return len(jobs)
