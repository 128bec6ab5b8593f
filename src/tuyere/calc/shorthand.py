"""Shop shorthand: `1750 > 640 15hp fan 28in` becomes a filled-in duty."""

from __future__ import annotations

import re
from typing import Any

from tuyere.calc.registry import CALCULATIONS
from tuyere.calc.shop import UnreadableNumber, read
from tuyere.core.tables import table

ARROW = re.compile(r"(\d[\d.,]*)\s*(?:rpm)?\s*(?:>|->|→|to)\s*(\d[\d.,]*)\s*(?:rpm)?", re.I)
AMOUNT = re.compile(
    r"(?:\d+[\s-]+\d+/\d+|\d+/\d+|\d[\d.,]*)\s*(?:hp|kw|w|ps|in|inch|\"|mm|cm|ft|m)(?![a-z])|\d+'\s*\d*(?:\s*\d+/\d+)?\"?",
    re.I,
)
HOURS = re.compile(r"(\d+(?:\.\d+)?)\s*h(?:rs?|ours?)?\b(?:\s*/?\s*day)?", re.I)
TEN_HP_KW = 7.4569987


def _machine(words: list[str], power_kw: float | None) -> tuple[str, str] | None:
    """The driven machine that holds all the words; a fan is told apart by its power."""
    if not words:
        return None
    found = []
    for key, name, *_ in table("driven_machines").rows:
        lower = str(name).lower()
        if all(re.search(rf"\b{re.escape(w)}", lower) for w in words):
            found.append((str(key), str(name)))
    if power_kw is not None:
        small = power_kw <= TEN_HP_KW * 1.0001
        found = [
            f for f in found if not ("up to 10 hp" in f[1] and not small or "over 10 hp" in f[1] and small)
        ] or found
    return min(found, key=lambda f: len(f[1]), default=None)


def read_duty(text: str, units: str = "us") -> dict[str, Any] | None:
    """A duty from shorthand, as typed pieces; None when the text does not hold two speeds.

    >>> read_duty("1750 > 640 15hp fan 28in")["machine"]
    'fan-over-10-hp'
    """
    found = ARROW.search(text)
    if not found:
        return None
    duty: dict[str, Any] = {"driver_speed": found[1], "driven_speed": found[2]}
    rest = text[: found.start()] + " " + text[found.end() :]
    power_kw = None
    for piece in AMOUNT.findall(rest):
        for name, kind in (("power", "power"), ("centre", "length")):
            try:
                value = read(piece, kind, units)
            except UnreadableNumber:
                continue
            if name not in duty:
                duty[name] = piece.strip()
                power_kw = value if kind == "power" else power_kw
                rest = rest.replace(piece, " ", 1)
            break
    if hours := HOURS.search(rest):
        duty["hours_a_day"] = hours[1]
        rest = rest.replace(hours[0], " ", 1)
    words = [w for w in re.findall(r"[a-z]{3,}", rest.lower()) if w not in ("rpm", "day", "the", "and")]
    if (machine := _machine(words, power_kw)) is not None:
        duty["machine"], duty["machine_name"] = machine
    elif words:
        duty["unread"] = " ".join(words)
    return duty


def calculators(text: str) -> list[tuple[str, str]]:
    """Calculators whose name or title holds every word, the one of that very name first: (name, title)."""
    words = text.lower().split()
    found = [c for c in CALCULATIONS.values() if words and all(w in f"{c.name} {c.title}".lower() for w in words)]
    found.sort(key=lambda c: (c.name != "-".join(words), len(c.title), c.name))
    return [(c.name, c.title) for c in found]
