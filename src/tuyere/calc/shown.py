"""Figures as a mechanic reads them: fractions where a tape is used, no more digits than deserved."""

from __future__ import annotations

from math import floor, gcd, log10

from tuyere.calc.kinds import KINDS, in_system

# For each kind: styles are chosen by the caller; "" is the kind's usual one.
TAPE = 32
ROUGH = 8
THIN = "\u202f"


def fraction(inches: float, parts: int = TAPE) -> str:
    """Inches to the nearest ``1/parts`` as a mixed fraction.

    >>> fraction(34.2177), fraction(0.5), fraction(12.0)
    ('34 7/32', '1/2', '12')
    """
    sign = "-" if inches < 0 else ""
    whole, rest = divmod(round(abs(inches) * parts), parts)
    if not rest:
        return f"{sign}{whole}"
    g = gcd(rest, parts)
    return f"{sign}{whole} {rest // g}/{parts // g}" if whole else f"{sign}{rest // g}/{parts // g}"


def _trim(text: str) -> str:
    return text.rstrip("0").rstrip(".") if "." in text else text


def _grouped(x: float, decimals: int, units: str) -> str:
    if units == "us" and abs(x) >= 1000:
        return f"{x:,.{decimals}f}"
    # SI as ISO 80000-1 writes it: a thin space in numbers of five digits and more.
    return f"{x:,.{decimals}f}".replace(",", THIN) if abs(x) >= 10_000 else f"{x:.{decimals}f}"


def _digits(x: float, figures: int = 3) -> int:
    size = abs(x)
    return max(0, figures - 1 - (0 if size < 1 else len(str(int(size))) - 1))


def amount(value: float, kind_name: str, units: str, style: str = "") -> tuple[str, str]:
    """(number, unit) as shown.

    ``style``: "tape" for lengths read off a tape, "rough" for those that no tape settles closer than an eighth (a sagging strand, a
    loop of leather), "size" for caliper sizes, "about" for estimates: two figures and no more.
    """
    number, unit = _amount(value, kind_name, units, style)
    return ("0" + number[2:] if number.startswith("-0") and not number.strip("-0.") else number), unit


def _amount(value: float, kind_name: str, units: str, style: str) -> tuple[str, str]:
    kind = KINDS[kind_name]
    us = units == "us"
    x = in_system(value, kind_name, units)
    # The sign of any money: the page says the shop's own.
    unit = "¤" if kind_name == "money" else kind.us_shown if us else kind.si_shown
    if style == "about":
        return _grouped(round(x, 1 - floor(log10(abs(x)))) if x else 0.0, _digits(x, 2), units), unit
    if kind_name == "length":
        if style in ("tape", "rough"):
            parts = TAPE if style == "tape" else ROUGH if abs(x) >= 1 / ROUGH else TAPE
            return (fraction(x, parts), unit) if us else (f"{x:.0f}", unit)
        return (_trim(f"{x:.3f}" if abs(x) < 1 else f"{x:.2f}") if us else _trim(f"{x:.1f}"), unit)
    if kind_name in ("count", "temperature", "temperature_rise"):
        return f"{x:.0f}", unit
    if kind_name == "factor":
        return _trim(f"{x:.2f}") if style != "exact" else f"{x:.2f}", unit
    if kind_name == "percent":
        return f"{x:.1f}" if abs(x) < 10 else f"{x:.0f}", unit
    if kind_name == "speed":
        return _grouped(x, 0 if abs(x) >= 100 else 1, units), unit
    if kind_name == "turns":
        return fraction(x, 8), unit
    if kind_name == "gap":
        return (f"{x:.3f}" if us else f"{x:.2f}"), unit
    if kind_name == "slope":
        return (f"{x:.3f}" if us else f"{x:.1f}"), unit
    if kind_name == "angle" and style == "fine":
        return f"{x:.2f}", unit
    if kind_name == "angle":
        return f"{x:.0f}" if abs(x) >= 10 else f"{x:.1f}", unit
    if kind_name == "force":
        return _grouped(x, 1 if abs(x) < 20 else 0, units), unit
    if kind_name == "power":
        return _trim(_grouped(x, _digits(x), units)), unit
    if kind_name == "torque":
        return _grouped(x, 0 if abs(x) >= 10 else 1, units), unit
    if kind_name == "mass_per_length":
        return f"{x:.3f}", unit
    return _grouped(x, _digits(x), units), unit


def shown(value: float, kind_name: str, units: str, style: str = "") -> str:
    """Number and unit in one string.

    >>> shown(869.128, "length", "us", "tape"), shown(869.128, "length", "si", "tape")
    ('34 7/32 in', '869 mm')
    """
    return together(*amount(value, kind_name, units, style))


def inside(words: str) -> str:
    """Words that stood alone, as they go on inside a sentence.

    >>> inside("Wheels out of line")
    'wheels out of line'
    """
    return words[:1].lower() + words[1:]


def together(number: str, unit: str) -> str:
    """A number with its unit."""
    return number + unit if unit == "°" else f"{number} {unit}".strip()
