"""Kinds of quantity: the core's unit, what people type, what is absurd and what is plausible.

One table serves the reader, the writer and the schemas. ``plausible`` decides how ``1,750`` is read;
``lowest`` and ``highest`` are refused beyond.
"""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.calc.units import from_core


@dataclass(frozen=True, slots=True, kw_only=True)
class Kind:
    """Units are names of ``calc/units.py``; ``us`` and ``si`` are what a bare number means in each system."""

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
    _K(name="length", core="mm", us="inch", si="mm", us_shown="in", si_shown="mm", lowest=1e-3, highest=203_200, plausible=(3, 3e4), dimension="[length]", example="14 1/2, 1'2, 368mm"),
    _K(name="place", core="mm", us="inch", si="mm", us_shown="in", si_shown="mm", lowest=-100_000, highest=100_000, plausible=(-3e4, 3e4), dimension="[length]", example="-14 1/2, 24, -368mm"),
    _K(name="power", core="kW", us="horsepower", si="kW", us_shown="hp", si_shown="kW", lowest=1e-4, highest=1e4, plausible=(0.01, 3000), dimension="power", example="15hp, 7,5 kW"),
    _K(name="speed", core="rpm", us="rpm", si="rpm", us_shown="rpm", si_shown="rpm", lowest=1e-2, highest=1e5, plausible=(41, 4e4), dimension="speed of rotation", example="1750, 1,750 rpm"),
    _K(name="belt_speed", core="m/s", us="foot/minute", si="m/s", us_shown="ft/min", si_shown="m/s", lowest=1e-4, highest=200, plausible=(0.05, 100), dimension="[length]/[time]", example="2500 ft/min"),
    _K(name="force", core="N", us="pound_force", si="N", us_shown="lbf", si_shown="N", lowest=1e-3, highest=1e7, plausible=(0.5, 2e5), dimension="force", example="12 lbf, 55 N"),
    _K(name="torque", core="newton * meter", us="foot * pound_force", si="newton * meter", us_shown="lbf ft", si_shown="N m", lowest=1e-3, highest=1e6, plausible=(0.5, 2e4), dimension="torque", example="15 lbf ft, 20 N m"),
    _K(name="stress", core="MPa", us="kpsi", si="MPa", us_shown="kpsi", si_shown="MPa", lowest=1, highest=5000, plausible=(50, 2500), dimension="stress", example="82 kpsi, 570 MPa"),
    _K(name="mass_per_length", core="kg/m", us="pound/foot", si="kg/m", us_shown="lb/ft", si_shown="kg/m", lowest=1e-4, highest=100, plausible=(0.005, 20), dimension="mass per length", example="0.17 kg/m"),
    _K(name="mass", core="kg", us="pound", si="kg", us_shown="lb", si_shown="kg", lowest=1e-3, highest=1e5, plausible=(0.01, 5e4), dimension="mass", example="12 lb, 5 kg"),
    _K(name="angle", core="degree", us="degree", si="degree", us_shown="°", si_shown="°", lowest=-360, highest=360, plausible=(0.01, 360), dimension="angle", example="35, 35 deg"),
    _K(name="gap", core="mm", us="inch", si="mm", us_shown="in", si_shown="mm", lowest=-500, highest=500, plausible=(0.02, 100), dimension="[length]", example="0.020, 1/32, -0.5mm"),
    _K(name="slope", core="mm/m", us="inch/foot", si="mm/m", us_shown="in/ft", si_shown="mm/m", lowest=-500, highest=500, plausible=(0.01, 200), dimension="slope", example="0.05 in/ft, 4 mm/m"),
    _K(name="percent", core="percent", us="percent", si="percent", us_shown="%", si_shown="%", lowest=-100, highest=1000, plausible=(0, 100), dimension="percentage", example="2, 2 %"),
    _K(name="factor", core="", us="", si="", us_shown="", si_shown="", lowest=0.1, highest=20, plausible=(0.2, 10), dimension="plain number", example="1.3"),
    _K(name="count", core="", us="", si="", us_shown="", si_shown="", lowest=1, highest=1000, plausible=(1, 1000), dimension="whole number", example="4"),
    _K(name="turns", core="", us="", si="", us_shown="turns", si_shown="turns", lowest=-200, highest=200, plausible=(0.05, 50), dimension="plain number", example="1 1/2"),
    _K(name="hours", core="hour", us="hour", si="hour", us_shown="h", si_shown="h", lowest=0, highest=1e6, plausible=(0.01, 1e6), dimension="time", example="15000 h"),
    _K(name="hours_a_day", core="hour", us="hour", si="hour", us_shown="h", si_shown="h", lowest=0, highest=24, plausible=(0.01, 24), dimension="hours a day", example="16, 16 h"),
    _K(name="energy", core="kWh", us="kilowatt_hour", si="kilowatt_hour", us_shown="kWh", si_shown="kWh", lowest=0, highest=1e9, plausible=(1, 1e7), dimension="energy", example="1200 kWh"),
    _K(name="money", core="", us="", si="", us_shown="", si_shown="", lowest=0, highest=1e9, plausible=(1, 1e7), dimension="money", example="250"),
    _K(name="current", core="A", us="A", si="A", us_shown="A", si_shown="A", lowest=0, highest=1e5, plausible=(0.1, 5000), dimension="current", example="21 A"),
    _K(name="temperature", core="degC", us="degF", si="degC", us_shown="°F", si_shown="°C", lowest=-60, highest=600, plausible=(-40, 250), dimension="temperature", example="140 °F, 60 °C"),
    _K(name="temperature_rise", core="delta_degC", us="delta_degF", si="delta_degC", us_shown="°F", si_shown="°C", lowest=-660, highest=660, plausible=(0, 250), dimension="difference of temperatures", example="36"),
    _K(name="frequency", core="Hz", us="Hz", si="Hz", us_shown="Hz", si_shown="Hz", lowest=1e-2, highest=1e5, plausible=(1, 1000), dimension="frequency", example="42 Hz"),
)}


def in_system(value: float, kind_name: str, units: str) -> float:
    """A value in a kind's core unit as the number that a system shows.

    >>> round(in_system(25.4, "length", "us"), 6), round(in_system(60, "temperature", "us"), 6)
    (1.0, 140.0)
    """
    kind = KINDS[kind_name]
    return from_core(value, kind.us if units == "us" else kind.si, kind.core)
