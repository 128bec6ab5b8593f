"""The least sheave a motor may carry, checked wherever a motor drives: its shaft and its bearing stand no smaller one."""

from __future__ import annotations

from tuyere.calc.parts import ServiceFactorIn
from tuyere.core.errors import InputError
from tuyere.core.motors.motor import least_motor_sheave
from tuyere.core.notices import collected_notices, notice
from tuyere.core.steps import quiet
from tuyere.core.v_belt.case import VBeltCase


def motor_drives(service: ServiceFactorIn | None) -> bool:
    """A motor is said, or nothing is said and a motor is assumed."""
    return service is None or service.driver is None or service.driver.startswith("motor-")


def least_of_motor(power_kw: float, rpm: float, wedge: bool) -> float:
    """Least sheave in mm for the worst frame of that power and speed; 0 where the table does not know the motor."""
    with quiet(), collected_notices():
        try:
            return least_motor_sheave(power_kw, rpm, wedge, None).least_mm
        except InputError:
            return 0.0


def check_motor_sheave(service: ServiceFactorIn | None, case: VBeltCase) -> None:
    """Say so where the driver sheave is smaller than NEMA MG 1-14.42 allows on a motor of the duty's power."""
    if not motor_drives(service):
        return
    wedge = case.loop.belt.section.wedge
    least = least_of_motor(case.power_kw, case.driver_rpm, wedge)
    size = case.route.driver.outside_mm if wedge else case.route.driver.pitch_mm
    if size < least * (1 - 1e-6):
        notice(
            "caution",
            "motor-sheave",
            "A sheave of {size} overloads the shaft and bearing of a usual T-frame motor of this power: {least} "
            + ("outside" if wedge else "pitch")
            + " diameter or more (NEMA MG 1).",
            "input.driver.sheave.diameter",
            "A larger driver sheave, or ask the motor's maker.",
            size=(size, "length"),
            least=(least, "length"),
        )
