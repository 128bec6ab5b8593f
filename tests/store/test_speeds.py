"""A drive's speeds in the store: what is asked is filled from what stands there, the plate is told apart by version, its label is true."""

from __future__ import annotations

from typing import Any

import pytest
from sqlmodel import Session

from tests.store.test_jobs import DRAY, INPUT, SPARKS, a_drive
from tuyere.calc.registry import CALCULATIONS, find, work
from tuyere.core.drawing.scene import Text
from tuyere.core.errors import InputError
from tuyere.store.machines.book import add_drive, add_machine
from tuyere.store.machines.forms import DriveCreate, MachineCreate
from tuyere.store.plumbing.trouble import Stale
from tuyere.store.speeds.book import speeds_view
from tuyere.store.speeds.forms import PlateSave
from tuyere.store.speeds.paper import plate_drawing
from tuyere.store.speeds.plate import plate_view, save_plate

ROWS = [{"setting": "middle step", "speed": "1200"}, {"setting": "small on large", "speed": "600.4", "note": "slow"}]
CHAIN = {
    "power": "5hp",
    "speed": "300",
    "chain": "60",
    "driver_teeth": 17,
    "driven_teeth": 45,
    "centre_distance": "30 in",
}
FLAT = {
    "power": "3hp",
    "driver_speed": "900",
    "driver_diameter": "8 in",
    "driven_diameter": "16 in",
    "centre_distance": "60 in",
    "material": "leather-13",
    "width": "8 in",
}
SYNC = {
    "power": "3hp",
    "speed": "1160",
    "profile": "H",
    "width": "1.5 in",
    "driver_teeth": 20,
    "driven_teeth": 60,
    "centre_distance": "24 in",
}


def kept(**more: Any) -> PlateSave:
    return PlateSave.model_validate({"rows": ROWS, "title": "Bench drill", "units": "us", **more})


@pytest.mark.parametrize(
    ("family", "given", "makes"),
    [
        ("v-belt", INPUT, "made-sheave"),
        ("flat", FLAT, "made-pulley"),
        ("roller-chain", CHAIN, "made-sprocket"),
        ("synchronous", SYNC, "made-sync-pulley"),
    ],
)
@pytest.mark.parametrize("units", ["us", "si"])
def test_what_is_asked_is_filled_from_what_stands_there(
    db: Session, family: str, given: dict[str, Any], makes: str, units: Any
) -> None:
    drive = a_drive(db, given, family)
    seen = speeds_view(db, drive, units)
    asked = {q.calc: q for q in seen.questions}
    assert ("pulley-for-speed" in asked) == (family in ("v-belt", "flat")) and makes in asked
    assert {"tach-check", "fan-speed"} <= asked.keys()
    worked = work(find(seen.calc), find(seen.calc).request_model.model_validate({"units": units, "input": seen.input}))
    assert seen.driven_speed is not None
    assert worked.sheet is not None and seen.driven_speed.number in worked.model_dump_json()
    for q in asked.values():
        # What the drive fills in fits its form; the rest is asked of the person.
        fields = CALCULATIONS[q.calc].input_model.model_fields
        assert set(q.input) <= set(fields) and q.title == CALCULATIONS[q.calc].title
    fan = find("fan-speed")
    more = {**asked["fan-speed"].input, "new_speed": asked["fan-speed"].input["speed"]}
    assert work(
        fan, fan.request_model.model_validate({"units": units, "input": more})
    ).result.power.value == pytest.approx(100)


@pytest.mark.parametrize(("family", "given"), [("v-belt", INPUT), ("flat", FLAT)])
@pytest.mark.parametrize("which", ["driver", "driven"])
def test_a_changed_wheel_changes_the_speed_in_proportion(
    db: Session, family: str, given: dict[str, Any], which: str
) -> None:
    """Property: turned down to what it was already nothing changes; a tenth more is a tenth of the pitch diameter's speed."""
    drive = a_drive(db, given, family)
    seen = speeds_view(db, drive, "us")
    trim = next(q for q in seen.questions if q.calc == "pulley-for-speed").input
    size = float(str(trim["rounds"][0]["diameter"] if which == "driver" else trim["other"]).removesuffix(" in"))  # type: ignore[index,call-overload]
    calc = find("wheel-change")

    def changed(inches: float) -> Any:
        given = {"calc": seen.calc, "input": seen.input, "wheel": which, "outside": f"{inches} in"}
        return work(calc, calc.request_model.model_validate({"units": "us", "input": given})).result

    same, more = changed(size), changed(size * 1.1)
    assert seen.driven_speed is not None
    assert same.driven_speed.value == pytest.approx(seen.driven_speed.value, rel=1e-3)
    ratio = more.driven_speed.value / same.driven_speed.value
    assert ratio == pytest.approx(1.1 if which == "driver" else 1 / 1.1, rel=0.015)


def test_teeth_are_not_turned_down(db: Session) -> None:
    seen = speeds_view(db, a_drive(db, CHAIN, "roller-chain"), "us")
    calc = find("wheel-change")
    body = {"calc": seen.calc, "input": seen.input, "wheel": "driver", "outside": "5 in"}
    with pytest.raises(InputError, match="teeth"):
        work(calc, calc.request_model.model_validate({"units": "us", "input": body}))


def test_a_drive_of_which_nothing_is_known_asks_nothing(db: Session) -> None:
    machine = add_machine(db, DRAY, MachineCreate.model_validate({"name": "New"}))
    seen = speeds_view(db, add_drive(db, DRAY, machine.id, DriveCreate(name="Main")), "us")
    assert seen.questions == [] and seen.calc == "" and seen.plate.rev == 0
    with pytest.raises(InputError, match="no speeds are kept"):
        plate_drawing(db, seen.drive_id, "us")


def test_a_plate_is_kept_slowest_first_and_told_apart_by_version(db: Session) -> None:
    drive = a_drive(db)
    save_plate(db, DRAY, drive, kept(calc="step-pulleys", given={"driver_speed": "1725"}))
    one = plate_view(db, drive, "us")
    assert [r.speed.value for r in one.rows] == [600.4, 1200]
    assert (one.rev, one.by, one.rows[0].note, one.given) == (1, DRAY.name, "slow", {"driver_speed": "1725"})
    with pytest.raises(Stale) as e:
        save_plate(db, SPARKS, drive, kept())
    assert e.value.current["rev"] == 1
    save_plate(db, SPARKS, drive, kept(rev=1, rows=ROWS[:1]))
    two = plate_view(db, drive, "us")
    assert (two.rev, len(two.rows), two.by) == (2, 1, SPARKS.name)


def test_the_label_says_every_speed_and_what_is_off_first(db: Session) -> None:
    drive = a_drive(db, electric="Q11 behind the saw")
    save_plate(db, DRAY, drive, kept())
    scene = plate_drawing(db, drive, "us")
    words = [i.text for i in scene.items if isinstance(i, Text)]
    assert {"600", "1,200", "middle step", "slow", "Bench drill"} <= set(words)
    assert any(w.startswith("FIRST:") and "Q11 behind the saw" in w for w in words)
    assert all(0 <= i.x <= scene.width and 0 <= i.y <= scene.height for i in scene.items if isinstance(i, Text))
    assert scene.width == 100.0 and scene.scale == 1.0


@pytest.mark.parametrize(
    "rows", [[], [{"setting": "", "speed": "600"}], [{"setting": "x", "speed": "fast"}], [{"setting": "x"}]]
)
def test_a_plate_that_says_nothing(rows: list[dict[str, str]]) -> None:
    with pytest.raises(ValueError, match="rows"):
        kept(rows=rows)
