"""The limits of a search in words: a family names its own, this puts their figures in."""

from __future__ import annotations

from math import isnan

from tuyere.calc.frame import Frame
from tuyere.calc.shown import shown

# Limits that every family has: words with the figure, and what kind of quantity it is.
COMMON: dict[str, tuple[str, str]] = {
    "speed": ("driven speed {v}", "percent"),
    "centre distance": ("centre distance {v}", "length"),
    "shaft bore": ("{v} left round the shaft, too little for a hub", "length"),
    "shaft load": ("shaft load {v}", "force"),
    "power": ("carries {v}", "power"),
}


def limit_says(words: tuple[str, str], value: float, bound: float, defined: bool, frame: Frame) -> str:
    """A limit with its figure and its bound in the person's units.

    Words after a bar are said where nothing is defined; empty words where there are none.
    """
    text, kind = words
    text, _, undefined = text.partition("|")
    if not defined or isnan(value):
        return undefined
    if not kind:
        return text
    percent = kind == "percent"
    v = (
        f"{abs(value):.1f} % too {'fast' if value > 0 else 'slow'}"
        if percent
        else shown(value, kind, frame.units, "tape")
    )
    if bound == float("inf") or bound <= 0:
        return text.format(v=v)
    limit = f"{bound:.1f} % either way" if percent else shown(bound, kind, frame.units, "tape")
    return f"{text.format(v=v)}, limit {limit}"
