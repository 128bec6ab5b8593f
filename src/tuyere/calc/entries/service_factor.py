"""`service-factor`: from driver, driven machine and hours."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entries.parts import ServiceFactorIn, Text, worked_factor
from tuyere.calc.entry import Hours
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError


class ServiceIn(Input):
    """What drives, what is driven, for how long."""

    driver: Text = Field(description="what drives and how it is started", json_schema_extra={"x-choices": "drivers"})
    machine: Text = Field(description="the driven machine", json_schema_extra={"x-choices": "driven_machines"})
    hours_a_day: Hours | None = Field(default=None, description="running hours a day; 10 are assumed")
    chokes: bool | None = Field(default=None, description="can it jam and stall the drive?")


class ServiceOut(Answer):
    """The factor and what decided it."""

    factor: Figure
    torque: str
    machine_class: str
    hours: Literal["intermittent", "normal", "continuous"]
    chokes: bool


@calculation(
    "service-factor",
    "Service factor",
    "How hard the driver and the driven machine are on a drive, and for how long.",
    "ANSI/RMA IP-20 1988",
    {
        "units": "us",
        "input": {"driver": "motor-nema-b", "machine": "pump-positive-displacement-rotary", "hours_a_day": 24},
    },
)
def service_factor(given: ServiceIn, frame: Frame) -> ServiceOut:
    """Look the factor up."""
    try:
        r = worked_factor(
            ServiceFactorIn(
                driver=given.driver, machine=given.machine, hours_a_day=given.hours_a_day, chokes=given.chokes
            )
        )
    except InputError as e:
        raise InputError(e.field.removeprefix("service_factor."), e.value, e.why, e.allowed) from e
    return ServiceOut(
        factor=frame.figure(r.factor, "factor", step="factor"),
        torque=r.torque,
        machine_class=r.machine_class,
        hours=r.hours_band,
        chokes=r.chokes,
    )
