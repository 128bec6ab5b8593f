"""The value of a step of working, in the person's units: published formulas keep their own, the reader does not have to."""

from __future__ import annotations

from tuyere.calc.shown import shown
from tuyere.calc.units import unit_factor

# Units of the nomenclature: the kind of quantity, and what one of it is called by the units library.
KIND_OF = {
    "mm": ("length", "mm"),
    "in": ("length", "inch"),
    "ft": ("length", "foot"),
    "N": ("force", "N"),
    "lbf": ("force", "pound_force"),
    "kW": ("power", "kW"),
    "hp": ("power", "horsepower"),
    "rpm": ("speed", "rpm"),
    "m/s": ("belt_speed", "m/s"),
    "ft/min": ("belt_speed", "foot/minute"),
    "kg": ("mass", "kg"),
    "kg/m": ("mass_per_length", "kg/m"),
    "N m": ("torque", "newton * meter"),
    "°": ("angle", "degree"),
    "%": ("percent", "percent"),
    "h": ("hours", "hour"),
    "Hz": ("frequency", "Hz"),
    "kWh": ("energy", "kilowatt_hour"),
    "°C": ("temperature", "degC"),
    "K": ("temperature_rise", "delta_degC"),
}
CORE = {
    "length": "mm",
    "force": "N",
    "power": "kW",
    "speed": "rpm",
    "belt_speed": "m/s",
    "mass": "kg",
    "mass_per_length": "kg/m",
    "torque": "newton * meter",
    "angle": "degree",
    "percent": "percent",
    "hours": "hour",
    "frequency": "Hz",
    "temperature": "degC",
    "temperature_rise": "delta_degC",
    "energy": "kWh",
}


def step_shown(value: float, unit: str, units: str) -> str:
    """Number and unit as the person reads them; a bare number with four digits for what has no unit here.

    >>> step_shown(219.0, "N", "us"), step_shown(49.2, "lbf", "si"), step_shown(1.23456, "1", "us")
    ('49 lbf', '219 N', '1.235')
    """
    if unit not in KIND_OF:
        plain = f"{value:.4g}" if abs(value) < 1e4 else f"{value:.0f}"
        return plain if unit == "1" else f"{plain} {unit}"
    kind, name = KIND_OF[unit]
    factor = unit_factor(name, CORE[kind]) or 1.0
    return shown(value * factor, kind, units, "size" if kind == "length" else "")
