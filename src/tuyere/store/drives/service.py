"""The service factor of a duty, between its columns and the input that the calculations take."""

from __future__ import annotations

from pydantic import JsonValue

from tuyere.calc.parts import ServiceFactorIn
from tuyere.store.drives.tables import Duty

NAMES = ("assume", "driver", "machine", "load", "hours_a_day", "chokes")


def service_factor_input(duty: Duty) -> dict[str, JsonValue] | None:
    """The service factor as the calculations take it."""
    if duty.service_factor is not None:
        return {"assume": duty.service_factor}
    given = {
        "driver": duty.driver_key,
        "machine": duty.machine_key,
        "load": duty.load_class,
        "hours_a_day": duty.hours_a_day,
        "chokes": duty.chokes,
    }
    return {k: v for k, v in given.items() if v is not None} or None


def asked_of(service: ServiceFactorIn | None) -> dict[str, JsonValue]:
    """What a form says of the service factor, in core numbers; empty where it says nothing."""
    if service is None:
        return {}
    return {n: getattr(v, "value", v) for n in NAMES if (v := getattr(service, n)) is not None}


def set_service(duty: Duty, given: ServiceFactorIn | None) -> None:
    """Write a form's service factor into a duty's columns."""
    duty.driver_key = given.driver if given else None
    duty.machine_key = given.machine if given else None
    duty.load_class = given.load if given else None
    duty.hours_a_day = given.hours_a_day.value if given and given.hours_a_day else None
    duty.chokes = given.chokes if given else None
    duty.service_factor = given.assume.value if given and given.assume else None
