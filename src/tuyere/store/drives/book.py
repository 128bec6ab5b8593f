"""Keeping a drive: its duty, and everything its page shows."""

from __future__ import annotations

import uuid

from sqlmodel import Session, select

from tuyere.calc.as_entered import as_entered, with_unit
from tuyere.calc.entry import Entered, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.shown import shown
from tuyere.core.duty.fan_law import grows_with_cube
from tuyere.core.speeds.formulas import ratio_of_speeds
from tuyere.core.steps import quiet
from tuyere.store.builds.read import build_views
from tuyere.store.builds.tables import Build
from tuyere.store.drives.current import current_duty, duties_of
from tuyere.store.drives.ends import ends_view
from tuyere.store.drives.forms import DutySave
from tuyere.store.drives.loads import set_loads
from tuyere.store.drives.service import asked_of, service_factor_input, set_service
from tuyere.store.drives.tables import Duty
from tuyere.store.drives.views import DriveView, DutyEntries, DutyView
from tuyere.store.machines.book import machine_view
from tuyere.store.machines.tables import Drive
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.differences import Difference, between
from tuyere.store.plumbing.rows import below, one
from tuyere.store.plumbing.trouble import Stale
from tuyere.store.speeds.plate import drive_and_plate, shown_plate

# Field of the form -> kind of quantity; the column is the same name with its unit.
QUANTITIES = {
    "power": ("power", "power_kw", "power_typed"),
    "driver_speed": ("speed", "driver_rpm", "driver_rpm_typed"),
    "driven_speed": ("speed", "driven_rpm", "driven_rpm_typed"),
    "tolerance": ("percent", "tolerance_percent", ""),
    "centre": ("length", "centre_mm", "centre_typed"),
    "centre_give": ("length", "centre_give_mm", "centre_give_typed"),
}


def _entry(duty: Duty, name: str, units: str) -> str:
    kind, column, typed = QUANTITIES[name]
    value = getattr(duty, column)
    if value is None or name == "tolerance" and duty.tolerance_origin == "assumed":
        return ""
    return as_entered(value, getattr(duty, typed) if typed else None, kind, units)


def _ratio_words(driver_rpm: float, driven_rpm: float) -> str:
    with quiet():
        i = float(ratio_of_speeds(max(driver_rpm, driven_rpm), min(driver_rpm, driven_rpm)))
    return f"{shown(i, 'factor', 'us', 'exact')} : 1 {'down' if driver_rpm >= driven_rpm else 'up'}"


def duty_view(duty: Duty, units: str) -> DutyView:
    """A duty in the person's units, and each of its fields as text that reads back to the same value."""
    f = Frame(units).figure
    return DutyView(
        id=duty.id,
        rev=duty.rev,
        valid_from=duty.valid_from,
        power=f(duty.power_kw, "power"),
        driver_speed=f(duty.driver_rpm, "speed"),
        driven_speed=f(duty.driven_rpm, "speed"),
        ratio=_ratio_words(duty.driver_rpm, duty.driven_rpm),
        tolerance=f(duty.tolerance_percent, "percent"),
        tolerance_origin=duty.tolerance_origin,
        centre=None if duty.centre_mm is None else f(duty.centre_mm, "length", "tape"),
        centre_give=None if duty.centre_give_mm is None else f(duty.centre_give_mm, "length", "tape"),
        service_factor=service_factor_input(duty),
        surroundings=duty.surroundings,
        cube=grows_with_cube(duty.machine_key),
        entries=DutyEntries(**{name: _entry(duty, name, units) for name in QUANTITIES}),
    )


def _leaves(duty: Duty, units: str) -> dict[str, tuple[str, object]]:
    """Path -> (shown, what puts it into a form) of a stored duty."""
    out: dict[str, tuple[str, object]] = {}
    for name, (kind, column, _) in QUANTITIES.items():
        value = getattr(duty, column)
        if value is not None and not (name == "tolerance" and duty.tolerance_origin == "assumed"):
            out[name] = (shown(value, kind, units, "tape" if kind == "length" else ""), value)
    for name, value in (service_factor_input(duty) or {}).items():
        out[f"service_factor.{name}"] = (_word(value), value)
    if duty.surroundings:
        out["surroundings"] = (duty.surroundings, duty.surroundings)
    return out


def _word(value: object) -> str:
    return {True: "yes", False: "no"}.get(value, str(value)) if isinstance(value, bool) else f"{value}"


def _differences(current: Duty, form: DutySave) -> list[Difference]:
    mine = Duty(drive_id=current.drive_id, power_kw=1, driver_rpm=1, driven_rpm=1)
    _fill_duty(mine, form)
    return list(between(_leaves(mine, form.units), _leaves(current, form.units)))


def _typed(e: Entered | None, units: str) -> str | None:
    """What was typed, a bare number with the unit it was meant in: it must not be read in another one later."""
    return None if e is None or e.typed is None else with_unit(e.typed, e.kind, units)[:40]


def _fill_duty(duty: Duty, form: DutySave) -> None:
    for name, (_, column, typed) in QUANTITIES.items():
        e: Entered | None = getattr(form, name)
        setattr(duty, column, None if e is None else e.value)
        if typed:
            setattr(duty, typed, _typed(e, form.units))
    duty.driven_rpm_origin = "user"
    duty.tolerance_percent = value_of(form.tolerance, 3.0)
    duty.tolerance_origin = "assumed" if form.tolerance is None else "user"
    duty.surroundings = form.surroundings
    set_service(duty, form.service_factor)


def _says_the_same(duty: Duty, form: DutySave) -> bool:
    """Whether a form says what is kept already, by value: looking at a duty is no change of it."""
    for name, (_, column, _) in QUANTITIES.items():
        e: Entered | None = getattr(form, name)
        kept = getattr(duty, column)
        if name == "tolerance" and (e is None) != (duty.tolerance_origin == "assumed"):
            return False
        if name != "tolerance" and (e is None) != (kept is None):
            return False
        if e is not None and e.value != kept:
            return False
    same_service = asked_of(form.service_factor) == (service_factor_input(duty) or {})
    return same_service and form.surroundings == duty.surroundings and duty.driven_rpm_origin == "user"


def save_duty(session: Session, actor: Actor, drive_id: uuid.UUID, form: DutySave) -> None:
    """Save the duty: in place while no build rests on it, else as the next version; the same one again is no version.

    Raises Stale with the current version and the differences when ``rev`` is not the present one.
    """
    one(session, Drive, drive_id, lock=True)
    current = current_duty(session, drive_id)
    if form.rev != (current.rev if current else 0):
        shown_now = duty_view(current, form.units).model_dump(mode="json") if current else {}
        raise Stale("duty", shown_now, _differences(current, form) if current else ())
    if current is not None and _says_the_same(current, form):
        return
    in_use = (
        current is not None and session.exec(select(Build.id).where(Build.duty_id == current.id)).first() is not None
    )
    if current is None or in_use:
        duty = Duty(
            id=form.id,
            op_id=form.op_id,
            created_by_name=actor.name,
            drive_id=drive_id,
            power_kw=1,
            driver_rpm=1,
            driven_rpm=1,
            rev=current.rev + 1 if current else 1,
        )
    else:
        duty = current
        duty.rev, duty.op_id, duty.valid_from = duty.rev + 1, form.op_id, now()
    _fill_duty(duty, form)
    session.add(duty)
    session.flush()
    set_loads(session, duty)


def drive_view(session: Session, ident: uuid.UUID, units: str = "us") -> DriveView:
    """Everything the page of a drive shows, builds newest first; raises NotThere."""
    drive, plate = drive_and_plate(session, ident)
    duties = duties_of(session, ident)
    duty = next(iter(duties), None)
    builds = sorted(below(session, Build, "drive_id", ident), key=lambda b: -b.no)
    return DriveView(
        id=drive.id,
        rev=drive.rev,
        name=drive.name,
        machine=machine_view(session, drive.machine_id),
        duty=None if duty is None else duty_view(duty, units),
        ends=ends_view(session, ident),
        plate=shown_plate(plate, units),
        builds=build_views(session, builds, duty, units, duties={d.id: d for d in duties}),
    )
