"""Shop shorthand: `1750 > 640 15hp fan 28in` becomes a filled-in duty, and says what it did not understand."""

from __future__ import annotations

import re
from dataclasses import dataclass, field

from tuyere.calc.shop import UnreadableNumber, read
from tuyere.core.tables import table

ARROW = re.compile(r"(\d[\d.,]*)\s*(?:rpm)?\s*(?:>|->|→|\bto\b)\s*(\d[\d.,]*)\s*(?:rpm)?", re.I)
NUMBER = r"(?:\d+[\s-]+\d+/\d+|\d+/\d+|\d[\d.,]*)"
# Feet with inches before anything else, or `2ft 4in` would be two lengths and the second one lost.
AMOUNT = re.compile(
    rf"{NUMBER}\s*(?:'|ft\b\.?|feet\b|foot\b)\s*{NUMBER}\s*(?:in\b\.?|inch\b|inches\b|\"|'')?"
    rf"|{NUMBER}\s*(?:hp|bhp|kw|w|ps|in|inch|inches|\"|mm|cm|ft|feet|foot|m)(?![a-z])"
    rf"|{NUMBER}\s*'",
    re.I,
)
HOURS = re.compile(r"(\d+(?:\.\d+)?)\s*h(?:rs?|ours?)?\b(?:\s*(?:/|a|per)?\s*day)?", re.I)
TEN_HP_KW = 7.4569987
FILLERS = frozenset(
    [
        "rpm",
        "day",
        "the",
        "and",
        "apart",
        "at",
        "a",
        "an",
        "of",
        "on",
        "for",
        "with",
        "centre",
        "centres",
        "center",
        "centers",
        "distance",
        "between",
    ]
)
POWER_WORDS = frozenset(["up", "to", "over", "10", "hp"])


@dataclass(slots=True)
class ShortDuty:
    """A duty as typed pieces: what goes into the form, the machines it may be, and what was not understood.

    ``machines`` holds (key, name): one where the words say which, several where they do not.
    """

    filled: dict[str, str]
    machines: list[tuple[str, str]] = field(default_factory=list)
    unread: list[str] = field(default_factory=list)


def _holds(name: str, word: str) -> bool:
    stem = word[:-1] if word.endswith("s") and len(word) > 4 else word
    return re.search(rf"\b{re.escape(stem)}", name) is not None


def _machines(words: list[str], power_kw: float | None) -> tuple[list[tuple[str, str]], list[str]]:
    """The machines that hold most of the words, and the words they do not hold.

    A special machine is never taken for a general word: `blower` may be three of them, `fan` is the plain fan.
    """
    rows = [(str(key), str(name), str(name).lower()) for key, name, *_ in table("driven_machines").rows]
    if power_kw is not None:
        small = power_kw <= TEN_HP_KW * 1.0001
        rows = [r for r in rows if not ("up to 10 hp" in r[2] and not small or "over 10 hp" in r[2] and small)]
    held = [(sum(_holds(low, w) for w in words), key, name, low) for key, name, low in rows]
    most = max((n for n, *_ in held), default=0)
    if most == 0:
        return [], words
    found = [(key, name, low) for n, key, name, low in held if n == most]
    used = [w for w in words if any(_holds(low, w) for *_, low in found)]
    plain = [
        f for f in found if all(w in POWER_WORDS or any(_holds(w, u) for u in used) for w in re.findall(r"\w+", f[2]))
    ]
    return [(key, name) for key, name, _ in plain or found], [w for w in words if w not in used]


def read_duty(text: str, units: str = "us") -> ShortDuty | None:
    """A duty from shorthand; None when the text does not hold two speeds.

    >>> read_duty("1750 > 640 15hp fan 28in").machines
    [('fan-over-10-hp', 'Fan over 10 hp')]
    """
    found = ARROW.search(text)
    if not found:
        return None
    duty = ShortDuty({"driver_speed": found[1], "driven_speed": found[2]})
    rest = text[: found.start()] + " " + text[found.end() :]
    power_kw = None
    for piece in AMOUNT.findall(rest):
        for name, kind in (("power", "power"), ("centre", "length")):
            try:
                value = read(piece, kind, units)
            except UnreadableNumber:
                continue
            if name not in duty.filled:
                duty.filled[name] = piece.strip()
                power_kw = value if kind == "power" else power_kw
                rest = rest.replace(piece, " ", 1)
            break
    if hours := HOURS.search(rest):
        duty.filled["hours_a_day"] = hours[1]
        rest = rest.replace(hours[0], " ", 1)
    pieces = [p.strip(".,;:") for p in rest.split()]
    words = [p.lower() for p in pieces if re.fullmatch(r"[^\W\d_][\w'-]*", p) and p.lower() not in FILLERS]
    rest_of_it = [p for p in pieces if p and not re.fullmatch(r"[^\W\d_][\w'-]*", p)]
    duty.machines, unknown = _machines(words, power_kw) if words else ([], [])
    duty.unread = rest_of_it + unknown
    return duty
