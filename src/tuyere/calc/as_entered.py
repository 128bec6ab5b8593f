"""A kept quantity as text that reads back to the very same value, in whichever system it is read."""

from __future__ import annotations

import re

from tuyere.calc.kinds import KINDS
from tuyere.calc.shop import UnreadableNumber, read
from tuyere.calc.units import from_core

BARE = re.compile(r"^[\s\d.,/+\-½¼¾⅛⅜⅝⅞⅓⅔⁄]*(?:e[+-]?\d+)?\s*$", re.I)


def with_unit(typed: str, kind_name: str, units: str) -> str:
    """What was typed, with the unit a bare number was meant in.

    >>> with_unit("15", "power", "us"), with_unit("15hp", "power", "si"), with_unit("14 1/2", "length", "us")
    ('15 hp', '15hp', '14 1/2 in')
    """
    kind = KINDS[kind_name]
    unit = kind.us_shown if units == "us" else kind.si_shown
    return f"{typed.strip()} {unit}".strip() if BARE.match(typed) else typed


def as_entered(value: float, typed: str | None, kind_name: str, units: str) -> str:
    """A text for a form: what was typed where that still says this value, else digits that do, with their unit.

    ``value`` is in the core's unit of the kind. Reading the text gives ``value`` to the last digit in either system.
    """
    for system in ("us", "si"):
        text = with_unit(typed, kind_name, system) if typed else ""
        if text and _reads(text, kind_name, value):
            return text
    kind = KINDS[kind_name]
    for unit, shown in ((kind.us, kind.us_shown), (kind.si, kind.si_shown))[:: 1 if units == "us" else -1]:
        amount = from_core(value, unit, kind.core)
        for text in (f"{amount:.6g} {shown}".strip(), f"{amount!r} {shown}".strip()):
            if _reads(text, kind_name, value):
                return text
    return f"{value!r} {kind.si_shown}".strip()


def _reads(text: str, kind_name: str, value: float) -> bool:
    try:
        return all(read(text, kind_name, system) == value for system in ("us", "si"))
    except UnreadableNumber:
        return False
