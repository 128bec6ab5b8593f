"""Kinds of quantity: the core's unit, what people type, what is absurd and what is plausible.

One table serves the reader, the writer and the schemas. ``plausible`` decides how ``1,750`` is read;
``lowest`` and ``highest`` are refused beyond.
"""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Kind:
    """Units are pint names; ``us`` and ``si`` are what a bare number means in each system."""

    name: str
    core: str
    us: str
    si: str
    us_shown: str
    si_shown: str
    lowest: float
    highest: float
    plausible: tuple[float, float]
    dimension: str
    example: str


_K = Kind
KINDS: dict[str, Kind] = {k.name: k for k in (
    _K("length", "mm", "inch", "mm", "in", "mm", 1e-3, 203_200, (3, 3e4), "[length]", "14 1/2, 1'2, 368mm"),
    _K("power", "kW", "horsepower", "kW", "hp", "kW", 1e-4, 1e4, (0.01, 3000), "power", "15hp, 7,5 kW"),
    _K("speed", "rpm", "rpm", "rpm", "rpm", "rpm", 1e-2, 1e5, (41, 4e4), "speed of rotation", "1750, 1,750 rpm"),
    _K("belt_speed", "m/s", "foot/minute", "m/s", "ft/min", "m/s", 1e-4, 200, (0.05, 100), "[length]/[time]", "2500 ft/min"),
    _K("force", "N", "pound_force", "N", "lbf", "N", 1e-3, 1e7, (0.5, 2e5), "force", "12 lbf, 55 N"),
    _K("torque", "newton * meter", "foot * pound_force", "newton * meter", "lbf ft", "N m", 1e-3, 1e6, (0.5, 2e4), "torque", "15 lbf ft, 20 N m"),
    _K("mass_per_length", "kg/m", "pound/foot", "kg/m", "lb/ft", "kg/m", 1e-4, 100, (0.005, 20), "mass per length", "0.17 kg/m"),
    _K("mass", "kg", "pound", "kg", "lb", "kg", 1e-3, 1e5, (0.01, 5e4), "mass", "12 lb, 5 kg"),
    _K("angle", "degree", "degree", "degree", "°", "°", -360, 360, (0.01, 360), "angle", "35, 35 deg"),
    _K("percent", "percent", "percent", "percent", "%", "%", -100, 1000, (0, 100), "percentage", "2, 2 %"),
    _K("factor", "", "", "", "", "", 0.1, 20, (0.2, 10), "plain number", "1.3"),
    _K("count", "", "", "", "", "", 1, 1000, (1, 1000), "whole number", "4"),
    _K("hours", "hour", "hour", "hour", "h", "h", 0, 1e6, (0.01, 1e6), "time", "15,000 h"),
    _K("hours_a_day", "hour", "hour", "hour", "h", "h", 0, 24, (0.01, 24), "hours a day", "16, 16 h"),
    _K("energy", "kWh", "kilowatt_hour", "kilowatt_hour", "kWh", "kWh", 0, 1e9, (1, 1e7), "energy", "1200 kWh"),
    _K("money", "", "", "", "", "", 0, 1e9, (1, 1e7), "money", "250"),
    _K("frequency", "Hz", "Hz", "Hz", "Hz", "Hz", 1e-2, 1e5, (1, 1000), "frequency", "42 Hz"),
)}
