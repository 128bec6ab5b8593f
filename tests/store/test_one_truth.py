"""What a drive's page shows follows from the duty and the build on record; a duty is kept by value."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy import event
from sqlalchemy.engine import Engine
from sqlmodel import Session, select

from tests.store.test_books import a_drive, build, duty
from tests.store.test_temporary import COUNTED
from tuyere.calc.as_entered import as_entered, with_unit
from tuyere.calc.registry import find, work
from tuyere.calc.shop import UnreadableNumber, read
from tuyere.store.builds.book import save_build
from tuyere.store.drives.book import drive_view, save_duty
from tuyere.store.drives.forms import DutySave
from tuyere.store.drives.tables import Duty
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.trouble import Stale

WHO = Actor("I. Rook")


def worked(view, no: int):  # noqa: ANN001, ANN202
    build_view = next(b for b in view.builds if b.no == no)
    calc = find(build_view.calc)
    return build_view, work(calc, calc.request_model.model_validate({"input": build_view.input}))


def test_a_changed_duty_changes_every_figure_of_what_stands_on_the_machine(db: Session) -> None:
    ident = a_drive(db)
    save_duty(db, WHO, ident, duty())
    save_build(db, WHO, ident, build(purpose="fitted", freeze=True, input=COUNTED))
    view = drive_view(db, ident)
    before, small = worked(view, 1)
    assert before.settled_for is None
    save_duty(db, WHO, ident, duty(rev=view.duty.rev, power="30hp", service_factor={"assume": 1.3}))
    after, large = worked(drive_view(db, ident), 1)
    assert large.result.design_power.value == pytest.approx(2 * small.result.design_power.value)
    assert large.sheet.spare.value < 0 < small.sheet.spare.value
    assert large.result.tension_new.low.value > small.result.tension_new.low.value
    assert (after.settled_for.power.shown, after.settled_for.driver_speed.shown) == ("15 hp", "1,750 rpm")


def test_what_has_gone_from_the_machine_stays_with_the_duty_it_had(db: Session) -> None:
    ident = a_drive(db)
    save_duty(db, WHO, ident, duty(service_factor={"assume": 1.3}))
    save_build(db, WHO, ident, build(purpose="fitted", freeze=True, input=COUNTED))
    later = {**COUNTED, "power": "30hp", "belt": {"designation": "B90", "count": 7}}
    save_build(db, WHO, ident, build(purpose="fitted", freeze=True, input=later))
    old, answer = worked(drive_view(db, ident), 1)
    assert old.valid_to is not None and answer.result.design_power.shown == "19.5 hp" and old.settled_for is None


def test_the_speed_is_held_against_the_wanted_one_and_a_fan_says_its_power_first(db: Session) -> None:
    ident = a_drive(db)
    fan = {"driver": "motor-nema-b", "machine": "fan-over-10-hp", "hours_a_day": 16}
    save_duty(db, WHO, ident, duty(driven_speed="860", service_factor=fan))
    save_build(db, WHO, ident, build(input={**COUNTED, "service_factor": fan}))
    _, answer = worked(drive_view(db, ident), 1)
    held = answer.sheet.wanted
    ratio = answer.result.driven_speed.value / 860
    assert not held.within and held.error.value == pytest.approx(100 * (ratio - 1))
    assert held.power_then.value == pytest.approx(15 * 0.745699872 * ratio**3, rel=1e-9)  # affinity law
    assert (answer.notices[0].code, answer.notices[0].level) == ("cube-law", "danger")
    plain = find("v-belt-drive")
    same = work(plain, plain.request_model.model_validate({"input": {**COUNTED, "service_factor": fan}}))
    # The drive carries what it carried; what is asked of it has grown with the cube.
    assert 1 + answer.sheet.spare.value / 100 == pytest.approx((1 + same.sheet.spare.value / 100) / ratio**3, rel=1e-9)


def test_a_duty_looked_at_switched_and_saved_is_no_new_duty(db: Session) -> None:
    ident = a_drive(db)
    save_duty(db, WHO, ident, duty(power="7.3 kW", centre="34 7/32", tolerance="2.5"))
    save_build(db, WHO, ident, build(input={**COUNTED, "power": 7.3}))
    before = drive_view(db, ident).duty
    for units in ("si", "us"):
        entries = drive_view(db, ident, units).duty.entries.model_dump(mode="json")
        form = {k: v for k, v in entries.items() if v} | {"units": units, "rev": drive_view(db, ident).duty.rev}
        if before.service_factor:
            form["service_factor"] = before.service_factor
        save_duty(db, WHO, ident, DutySave.model_validate(form))
    after = drive_view(db, ident).duty
    assert (after.rev, after.power.value, after.centre.value) == (before.rev, before.power.value, before.centre.value)
    assert (
        after.entries.power == "7.3 kW" and after.entries.centre == "34 7/32 in" and after.entries.tolerance == "2.5 %"
    )


QUANTITIES = {
    "power": (0.01, 3000),
    "speed": (41, 4e4),
    "length": (3, 3e4),
    "percent": (0.01, 100),
    "force": (0.5, 2e5),
}


@given(
    kind=st.sampled_from(sorted(QUANTITIES)),
    share=st.floats(0, 1),
    shown_in=st.sampled_from(["us", "si"]),
    read_in=st.sampled_from(["us", "si"]),
)
def test_a_kept_value_comes_back_from_its_text_to_the_last_digit(
    kind: str, share: float, shown_in: str, read_in: str
) -> None:
    low, high = QUANTITIES[kind]
    value = low + share * (high - low)
    assert read(as_entered(value, None, kind, shown_in), kind, read_in) == value


@given(
    kind=st.sampled_from(sorted(QUANTITIES)),
    typed=st.sampled_from(["15", "7,5", "14 1/2", "3/8", "1,750", "60", "0.25"]),
    units=st.sampled_from(["us", "si"]),
)
def test_what_was_typed_is_what_is_shown_again_with_the_unit_it_was_meant_in(kind: str, typed: str, units: str) -> None:
    try:
        value = read(typed, kind, units)
    except UnreadableNumber:
        return
    text = with_unit(typed, kind, units)
    assert text.startswith(typed)
    assert {read(text, kind, other) for other in ("us", "si")} == {value}
    assert as_entered(value, text, kind, "us") == as_entered(value, text, kind, "si") == text


def test_a_stale_duty_gets_both_versions_field_by_field(db: Session) -> None:
    ident = a_drive(db)
    save_duty(db, WHO, ident, duty())
    save_duty(db, WHO, ident, duty(rev=1, power="20hp", surroundings="dusty"))
    with pytest.raises(Stale) as e:
        save_duty(db, WHO, ident, duty(rev=1, power="30hp"))
    told = {d.path: [(c.word, c.shown) for c in d.choices] for d in e.value.differences}
    assert told == {
        "power": [("yours", "30 hp"), ("theirs", "20 hp")],
        "surroundings": [("yours", "left open"), ("theirs", "dusty")],
    }


def test_a_stale_draft_gets_both_versions_field_by_field(db: Session) -> None:
    ident = a_drive(db)
    save_build(db, WHO, ident, build(input=COUNTED))
    wheel = {"diameter": "6 in", "kind": "pitch", "groove": "B"}
    save_build(db, WHO, ident, build(rev=1, input={**COUNTED, "driver": {"speed": "1750 rpm", "sheave": wheel}}))
    with pytest.raises(Stale) as e:
        save_build(db, WHO, ident, build(rev=1, input=COUNTED))
    (only,) = e.value.differences
    assert only.path == "input.driver.sheave.diameter" and [c.shown for c in only.choices] == ["5.4 in", "6 in"]
    assert e.value.current["rev"] == 2


def test_many_builds_cost_a_few_queries(db: Session, engine: Engine) -> None:
    ident = a_drive(db)
    save_duty(db, WHO, ident, duty())

    def count() -> int:
        asked: list[str] = []
        listen = lambda *a: asked.append(a[2])  # noqa: E731
        event.listen(engine, "before_cursor_execute", listen)
        db.expire_all()
        drive_view(db, ident)
        event.remove(engine, "before_cursor_execute", listen)
        return len(asked)

    save_build(db, WHO, ident, build(purpose="found", freeze=True, input=COUNTED))
    one = count()
    for _ in range(5):
        save_build(db, WHO, ident, build(purpose="found", freeze=True, input=COUNTED))
    assert len(drive_view(db, ident).builds) == 6 and count() <= one + 3
    assert len(db.exec(select(Duty).where(Duty.drive_id == ident)).all()) <= 2
