"""`service-factor`: from driver, driven machine and hours."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Hours
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Load, ServiceFactorIn, Text, conditions_of
from tuyere.calc.registry import Input, calculation
from tuyere.core.duty.service import association_factor


class ServiceIn(Input):
    """What drives, what is driven, for how long."""

    driver: Text = Field(description="what drives and how it is started", json_schema_extra={"x-choices": "drivers"})
    machine: Text | None = Field(
        default=None, description="the driven machine", json_schema_extra={"x-choices": "driven_machines"}
    )
    load: Load | None = Field(default=None, description="how it runs, where no machine of the list fits")
    hours_a_day: Hours | None = Field(default=None, description="running hours a day; 10 are assumed")
    chokes: bool | None = Field(default=None, description="can it jam and stall the drive?")


class ServiceOut(CardAnswer):
    """The factor and what decided it."""

    factor: Figure = Field(title="Service factor")
    torque: str
    machine_class: str
    hours: Literal["intermittent", "normal", "continuous"]
    chokes: bool


@calculation(
    "service-factor",
    "Service factor",
    summary="How hard the driver and the driven machine are on a drive, and for how long. Chain and synchronous belts have their own.",
    source="ANSI/RMA IP-20 1988",
    example={
        "units": "us",
        "input": {"driver": "motor-nema-b", "machine": "pump-positive-displacement-rotary", "hours_a_day": 24},
    },
    card=Card(
        asks="How hard is the machine on the drive?",
        topic="What it carries and costs",
        sentence="A {driver} drives a {machine} for {hours_a_day} a day.|"
        "Where no machine of the list fits it runs under {load} load; it {chokes?never jams:can jam and stall}.",
        figures=("factor",),
        picture="factor",
        names={
            "load": {
                "light": "light, steady",
                "medium": "medium, unsteady",
                "heavy": "heavy, with shocks",
                "extra heavy": "extra heavy, hard shocks",
            }
        },
    ),
)
def service_factor(given: ServiceIn, frame: Frame) -> ServiceOut:
    """Look the factor up."""
    c = conditions_of(ServiceFactorIn.model_construct(**{n: getattr(given, n) for n in ServiceIn.model_fields}))
    factor = association_factor(c)
    shown = frame.figure(factor, "factor")
    return ServiceOut(
        says=f"Size it for {shown.number} times the power: {c.torque} of the driver, {c.load} load, "
        f"{c.hours_band} service{', and it can jam' if c.chokes else ''}.",
        factor=shown,
        torque=c.torque,
        machine_class=c.load,
        hours=c.hours_band,
        chokes=c.chokes,
    )
