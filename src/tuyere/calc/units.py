"""Units by name: what each measures and what one of it is in the core's unit, exact by definition.

The international yard and pound of 1959 (inch 25.4 mm, pound 0.45359237 kg), standard gravity 9.80665 m/s², the
mechanical horsepower of 550 ft lbf/s and the metric one of 75 kgf m/s. Every factor is held against a units library
in the tests; here it is a table, because loading that library takes longer than all the rest of the program.
"""

from __future__ import annotations

from fractions import Fraction
from functools import cache

_INCH = Fraction("25.4")
_FOOT_M = Fraction("0.3048")
_POUND = Fraction("0.45359237")
_GRAVITY = Fraction("9.80665")
_POUND_FORCE = _POUND * _GRAVITY

# What is measured, with the core's unit: one of each named unit in it.
FACTORS: dict[str, dict[str, Fraction]] = {
    "length": {
        "mm": Fraction(1),
        "cm": Fraction(10),
        "m": Fraction(1000),
        "inch": _INCH,
        "foot": 12 * _INCH,
        "thou": _INCH / 1000,
    },
    "power": {
        "kW": Fraction(1),
        "W": Fraction(1, 1000),
        "horsepower": 550 * _FOOT_M * _POUND_FORCE / 1000,
        "metric_horsepower": 75 * _GRAVITY / 1000,
    },
    "rotation": {"rpm": Fraction(1)},
    "speed": {
        "m/s": Fraction(1),
        "m/minute": Fraction(1, 60),
        "foot/minute": _FOOT_M / 60,
    },
    "force": {
        "N": Fraction(1),
        "kN": Fraction(1000),
        "pound_force": _POUND_FORCE,
        "kilogram_force": _GRAVITY,
    },
    "stress": {"MPa": Fraction(1), "kpsi": _POUND_FORCE * 1000 / (_INCH * _INCH)},
    "torque": {
        "newton * meter": Fraction(1),
        "foot * pound_force": _FOOT_M * _POUND_FORCE,
        "inch * pound_force": _FOOT_M * _POUND_FORCE / 12,
    },
    "mass per length": {
        "kg/m": Fraction(1),
        "g/m": Fraction(1, 1000),
        "pound/foot": _POUND / _FOOT_M,
    },
    "mass": {"kg": Fraction(1), "pound": _POUND},
    "angle": {"degree": Fraction(1)},
    "slope": {"mm/m": Fraction(1), "inch/foot": Fraction(1000, 12)},
    "part": {"percent": Fraction(1)},
    "time": {"hour": Fraction(1)},
    "energy": {"kWh": Fraction(1), "kilowatt_hour": Fraction(1)},
    "current": {"A": Fraction(1)},
    "frequency": {"Hz": Fraction(1)},
    "number": {"": Fraction(1)},
    "temperature": {"degC": Fraction(1), "degF": Fraction(5, 9)},
    "temperature difference": {"delta_degC": Fraction(1), "delta_degF": Fraction(5, 9)},
}
# Where a scale does not begin where the core's does: what it shows there.
ZEROS: dict[str, Fraction] = {"degF": Fraction(32)}
_MEASURES = {unit: measure for measure, units in FACTORS.items() for unit in units}


@cache
def unit_factor(unit: str, core: str) -> float | None:
    """What one ``unit`` is in ``core``; None when they measure different things or one of them is unknown."""
    measure = _MEASURES.get(unit)
    if measure is None or measure != _MEASURES.get(core):
        return None
    return float(FACTORS[measure][unit] / FACTORS[measure][core])


def to_core(amount: float, unit: str, core: str) -> float:
    """An amount of a unit in the core's unit; the unit must measure the same.

    >>> round(to_core(212, "degF", "degC"), 9), to_core(2, "inch", "mm")
    (100.0, 50.8)
    """
    return (amount - float(ZEROS.get(unit, 0))) * (unit_factor(unit, core) or 1.0)


def from_core(value: float, unit: str, core: str) -> float:
    """A core value as an amount of a unit.

    >>> from_core(100, "degC", "degC"), round(from_core(37, "degF", "degC"), 9)
    (100.0, 98.6)
    """
    return value * (unit_factor(core, unit) or 1.0) + float(ZEROS.get(unit, 0))
