"""Speeds at the flax works: a pump brought up to speed, a fan set by its sheave, a lathe off its gears, plates on the machines.

Everything here is invented.
"""

from __future__ import annotations

import uuid
from collections.abc import Callable

from sqlmodel import Session

from tuyere.demo.kinds import DIRECT, DemoBuild, DemoDrive, DemoMachine, OtherBuild, runs
from tuyere.demo.visits import Visit, visits
from tuyere.store.plumbing.actor import Actor
from tuyere.store.speeds.forms import PlateSave
from tuyere.store.speeds.plate import save_plate

SPEED_WORK: tuple[DemoMachine, ...] = (
    DemoMachine(
        name="Retting tank pump",
        tag="RP-1",
        area="Retting tanks",
        kind="industrial",
        walk=62,
        energy=(
            ("electric", "Isolator Q61 at the tank", "Lock, tag, try start, prove dead."),
            ("other", "Valve V12 on the delivery", "Shut it and hang the tag: water turns the pump back."),
        ),
        drives=(
            DemoDrive(
                name="Belt to the pump",
                power="3hp",
                speed="1745",
                wanted="540",
                service=runs(DIRECT, "pump-positive-displacement-rotary", 12),
                builds=(
                    DemoBuild(
                        driver="3.75 in",
                        driven="21.35 in",
                        groove="B",
                        belt="B108",
                        count=1,
                        purpose="found",
                        by="A. Reed",
                    ),
                ),
                centre="34",
            ),
        ),
    ),
    DemoMachine(
        name="Workshop lathe",
        tag="SH-3",
        area="Workshop",
        kind="shop",
        walk=125,
        energy=(("electric", "Isolator on the wall behind it", "Lock, tag, try start. Key out of the chuck."),),
        drives=(
            DemoDrive(
                name="Headstock, low range",
                power="1hp",
                speed="1725",
                wanted="431",
                service=runs("motor-split-phase", "drill-press", 3),
                builds=(
                    OtherBuild(
                        family="flat",
                        given={
                            "driver_diameter": "3 in",
                            "driven_diameter": "11.94 in",
                            "centre_distance": "24 in",
                            "material": "leather-11",
                            "width": "3 in",
                        },
                        by="T. Sedge",
                    ),
                ),
                centre="24",
            ),
        ),
    ),
)
VISITS = (
    Visit(
        tag="RP-1",
        drive="Belt to the pump",
        template="fit-v-key",
        by="A. Reed",
        hours_ago=24.0 * 9,
        take_up="slide-base",
        mounting="key-setscrew",
        readings={
            "marking-read": (("it", "text", "B108"),),
            "tension-read": (("belt 1", "force", "5.2"),),
            "speed-read": (("it", "speed", "282"),),
        },
    ),
    Visit(
        tag="EF-4",
        drive="Exhaust drive",
        template="set-adjustable",
        by="T. Sedge",
        hours_ago=24.0 * 5,
        take_up="slide-base",
        mounting="key-setscrew",
        readings={
            "speed-before": (("it", "speed", "650"),),
            "turns-now": (("it", "turns", "3 1/2"),),
            "turned": (("it", "turns", "2 1/2"),),
            "speed-read": (("it", "speed", "676"),),
            "amps-read": (("it", "current", "3.9"),),
        },
    ),
    *(
        Visit(
            tag=tag,
            drive=drive,
            template="free",
            by=by,
            hours_ago=24.0 * days,
            take_up="slide-base",
            mounting="key-setscrew",
            readings={"speed-read": (("it", "speed", rpm),)},
        )
        for tag, drive, by, days, rpm in (
            ("SH-1", "Spindle, second step", "T. Sedge", 12, "1205"),
            ("SH-3", "Headstock, low range", "T. Sedge", 11, "428"),
            ("CV-1", "Head drive, second stage", "N. Dray", 7, "95"),
        )
    ),
)
PLATES = (
    (
        "SH-1",
        "Spindle, second step",
        "Bench drill, belt on step",
        (
            ("small on large, slowest", "620", "cutters over 1 in"),
            ("middle", "1210", ""),
            ("large on small, fastest", "2480", "drills to 1/4 in"),
        ),
    ),
    (
        "SH-3",
        "Headstock, low range",
        "Lathe, by belt in place of its gears",
        (("low range", "434", "turns the other way than with gears"), ("high range", "875", "faceplate: not over 600")),
    ),
    (
        "EF-4",
        "Exhaust drive",
        "Driver sheave, turns open from closed",
        (
            ("3 1/2 turns", "650", "as found"),
            ("2 1/2 turns", "676", "set, 3.9 A of 4.2"),
            ("2 turns", "689", "over the plate"),
        ),
    ),
)


def speed_work(session: Session, ident: Callable[..., uuid.UUID]) -> None:
    """Visits with their readings, and the plates; ``ident`` gives a drive's id by its machine's tag and its name."""
    visits(session, ident, VISITS)
    for tag, drive, title, rows in PLATES:
        key = ident(tag, drive, "plate")
        form = PlateSave.model_validate(
            {
                "id": key,
                "op_id": key,
                "title": title,
                "rows": [{"setting": s, "speed": f"{rpm} rpm", "note": n} for s, rpm, n in rows],
            }
        )
        save_plate(session, Actor("T. Sedge"), ident(tag, drive), form)
