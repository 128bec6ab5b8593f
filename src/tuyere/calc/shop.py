"""Shop numbers: `14 1/2`, `1'2`, `15hp`, `7,5 kW`, `1,750 rpm` read into the core's units.

A JSON number is already in the core's unit. A text is read as typed; without a unit it is in the
person's system. A comma followed by three digits may be a thousands mark or a decimal comma: the
reading that is plausible for the quantity is taken, and when both are, both are offered and it is refused.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass

from tuyere.calc.kinds import KINDS, Kind
from tuyere.calc.units import from_core, to_core, unit_factor

FRACTIONS = {"½": "1/2", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8", "⅓": "1/3", "⅔": "2/3"}
UNITS = {
    '"': "inch",
    "''": "inch",
    "in": "inch",
    "in.": "inch",
    "inch": "inch",
    "inches": "inch",
    "'": "foot",
    "ft": "foot",
    "ft.": "foot",
    "foot": "foot",
    "feet": "foot",
    "mm": "mm",
    "cm": "cm",
    "m": "m",
    "hp": "horsepower",
    "bhp": "horsepower",
    "ps": "metric_horsepower",
    "cv": "metric_horsepower",
    "kw": "kW",
    "w": "W",
    "rpm": "rpm",
    "r/min": "rpm",
    "1/min": "rpm",
    "rev/min": "rpm",
    "turns/min": "rpm",
    "lbf": "pound_force",
    "lb": "pound_force",
    "lbs": "pound_force",
    "lbf ft": "foot * pound_force",
    "lb ft": "foot * pound_force",
    "lbft": "foot * pound_force",
    "ft lbf": "foot * pound_force",
    "ft lb": "foot * pound_force",
    "ft-lb": "foot * pound_force",
    "ftlb": "foot * pound_force",
    "in lbf": "inch * pound_force",
    "in lb": "inch * pound_force",
    "in-lb": "inch * pound_force",
    "n m": "newton * meter",
    "nm": "newton * meter",
    "turn": "",
    "turns": "",
    "n": "N",
    "kn": "kN",
    "kgf": "kilogram_force",
    "kg": "kg",
    "kwh": "kWh",
    "fpm": "foot/minute",
    "ft/min": "foot/minute",
    "m/s": "m/s",
    "m/min": "m/minute",
    "lb/ft": "pound/foot",
    "kg/m": "kg/m",
    "g/m": "g/m",
    "deg": "degree",
    "degrees": "degree",
    "°": "degree",
    "%": "percent",
    "percent": "percent",
    "hz": "Hz",
    "°f": "degF",
    "° f": "degF",
    "deg f": "degF",
    "f": "degF",
    "°c": "degC",
    "° c": "degC",
    "deg c": "degC",
    "c": "degC",
    "a": "A",
    "amps": "A",
    "mpa": "MPa",
    "ksi": "kpsi",
    "kpsi": "kpsi",
    "thou": "thou",
    "mm/m": "mm/m",
    "in/ft": "inch/foot",
    "h": "hour",
    "hr": "hour",
    "hrs": "hour",
    "hour": "hour",
    "hours": "hour",
}
PLAIN = r"\d+(?:[.,]\d+)*|[.,]\d+"
FEET = re.compile(rf"^({PLAIN})\s*(?:'|ft\.?|feet|foot)\s*[- ]?\s*(.*?)\s*(?:\"|''|in\.?|inch|inches)?$", re.I)
WHOLE = re.compile(r"^([+-]?)\s*((?:\d+[\s-]+)?\d+\s*/\s*\d+|(?:\d[\d.,]*|[.,]\d+)(?:e[+-]?\d+)?)\s*(.*)$", re.I)
LONGEST = 40

# Thousands set off by a thin space, as figures are shown: what is copied reads back.
THIN_GROUP = re.compile(r"(?<=\d)[\u202f\u2009](?=\d{3}(?!\d))")


class UnreadableNumber(ValueError):
    """Text that is not a quantity of the kind wanted: why, and what would be allowed."""

    def __init__(self, why: str, allowed: str = "") -> None:
        super().__init__(why)
        self.why, self.allowed = why, allowed


@dataclass(frozen=True, slots=True)
class Reading:
    """A value in the core's unit, and the text it was read from (None for a JSON number)."""

    value: float
    typed: str | None


def _plain_readings(text: str) -> list[float]:
    """One value, or two when a comma can be read both ways."""
    if "/" in text:
        whole, _, fraction = (
            text.replace("-", " ").rpartition(" ") if re.search(r"\d[\s-]+\d+\s*/", text) else ("", "", text)
        )
        top, bottom = (int(x) for x in fraction.replace(" ", "").split("/"))
        if bottom == 0:
            raise UnreadableNumber("a fraction over zero")
        return [int(whole.strip() or 0) + top / bottom]
    mantissa, _, power = text.lower().partition("e")
    scale = 10.0 ** int(power) if power and abs(int(power)) <= 30 else 1.0
    if power and abs(int(power)) > 30:
        raise UnreadableNumber("far too large or too small")
    commas, points = mantissa.count(","), mantissa.count(".")
    if commas and points:
        decimal = max(mantissa.rfind(","), mantissa.rfind("."))
        other = "," if mantissa[decimal] == "." else "."
        if mantissa.count(mantissa[decimal]) > 1:
            raise UnreadableNumber("the commas and points do not make a number")
        return [float(mantissa.replace(other, "").replace(",", ".")) * scale]
    if points > 1:
        raise UnreadableNumber("more than one decimal point")
    if commas == 0:
        return [float(mantissa) * scale]
    grouped = re.fullmatch(r"[1-9]\d{0,2}(,\d{3})+", mantissa) is not None
    if commas > 1:
        if not grouped:
            raise UnreadableNumber("the commas do not make a number")
        return [float(mantissa.replace(",", "")) * scale]
    as_decimal = float(mantissa.replace(",", ".")) * scale
    return [float(mantissa.replace(",", "")) * scale, as_decimal] if grouped else [as_decimal]


def _unit(text: str, kind: Kind, units: str) -> str:
    default = kind.us if units == "us" else kind.si
    name = default if not text else UNITS.get(text.lower().strip())
    if name is None:
        raise UnreadableNumber(f"“{text}” is not a unit this program knows", f"for example {kind.example}")
    # A pound is a force on a gauge and a mass on a scale.
    if name == "pound_force" and text and kind.core == "kg":
        name = "pound"
    # A degree is a place on the scale, or a step of it.
    if kind.core == "delta_degC" and name in ("degF", "degC"):
        name = f"delta_{name}"
    if unit_factor(name, kind.core) is None:
        raise UnreadableNumber(
            f"“{text}” does not measure a {kind.name.replace('_', ' ')}", f"for example {kind.example}"
        )
    return name


def _pick(values: list[float], typed: list[float], kind: Kind) -> float:
    if len(values) == 1:
        return values[0]
    low, high = kind.plausible
    plausible = [k for k, v in enumerate(values) if low <= v <= high]
    if len(plausible) == 1:
        return values[plausible[0]]
    if len(plausible) == 0:
        return values[0]
    raise UnreadableNumber(
        f"could be {typed[0]:g} or {typed[1]:g}", f"write {typed[0]:g} or {typed[1]:g} without the comma"
    )


def _bound(x: float) -> str:
    """An end of a range as a person writes it: never an exponent, and "over 0" for what is next to nothing."""
    if 0 < x < 0.05:
        return "over 0"
    return f"{x:,.0f}" if abs(x) >= 100 else f"{x:.3g}"


def check_range(value: float, kind: Kind, units: str) -> float:
    """Refuse what is not a number or beyond any machine; returns the value."""
    if not math.isfinite(value):
        raise UnreadableNumber("not a finite number", f"for example {kind.example}")
    if not kind.lowest <= value <= kind.highest:
        unit = kind.us if units == "us" else kind.si
        shown = kind.us_shown if units == "us" else kind.si_shown
        raise UnreadableNumber(
            "out of any sensible range"
            if value > 0
            else "must be more than zero"
            if kind.lowest > 0
            else "out of range",
            f"{_bound(from_core(kind.lowest, unit, kind.core))} to {_bound(from_core(kind.highest, unit, kind.core))} {shown}".strip(),
        )
    return value


def read(text: str, kind_name: str, units: str = "us") -> float:
    """The value of a typed text in the core's unit of the kind; raises UnreadableNumber.

    >>> round(read("14 1/2", "length"), 4), round(read("1-1/2", "length"), 4), read("1,750", "speed")
    (368.3, 38.1, 1750.0)
    >>> round(read("1'2", "length") / 25.4, 6), round(read("7,5 kW", "power"), 6)
    (14.0, 7.5)
    """
    kind = KINDS[kind_name]
    if len(text) > LONGEST:
        raise UnreadableNumber("too long for a number", f"{LONGEST} characters at most")
    clean = (
        THIN_GROUP.sub("", text.strip())
        .replace("\u2033", '"')
        .replace("\u201d", '"')
        .replace("\u2032", "'")
        .replace("\u2019", "'")
    )
    clean = clean.replace("\u00a0", " ").replace("\u2044", "/").replace("\u2212", "-")
    for mark, plain in FRACTIONS.items():
        clean = clean.replace(mark, " " + plain)
    clean = clean.strip()
    if not clean:
        raise UnreadableNumber("empty", f"for example {kind.example}")
    if kind_name == "length" and (feet := FEET.match(clean)) and feet[2]:
        inches = _plain_readings(feet[2]) if re.fullmatch(rf"(?:\d+[\s-]+)?\d+\s*/\s*\d+|{PLAIN}", feet[2]) else None
        if inches is None:
            raise UnreadableNumber("not a number of feet and inches", "for example 1'2 or 1' 2 1/2\"")
        return check_range((_plain_readings(feet[1])[0] * 12 + inches[0]) * 25.4, kind, units)
    found = WHOLE.match(clean)
    if not found:
        raise UnreadableNumber("not a number", f"for example {kind.example}")
    sign = -1.0 if found[1] == "-" else 1.0
    unit = _unit(found[3], kind, units)
    typed = [sign * x for x in _plain_readings(found[2])]
    return check_range(_pick([to_core(x, unit, kind.core) for x in typed], typed, kind), kind, units)
