"""The limits of the V-belt search in words."""

from math import isnan

from tuyere.calc.frame import Frame
from tuyere.calc.shown import shown

LIMIT_WORDS = {
    "speed": ("driven speed {v}", "percent"),
    "sheave size": ("sheave of {v}: too small for its section, or too large for the room", "length"),
    "centre distance": ("centre distance {v}", "length"),
    "arc": ("arc on the small sheave {v}", "angle"),
    "rim speed": ("belt speed {v}", "belt_speed"),
    "rating table": ("beyond the rating table, which is not extended", ""),
    "power": ("the belt carries nothing at this speed", ""),
    "belts": ("{v} belts needed", "count"),
    "face width": ("face width {v}", "length"),
    "motor sheave": ("driver sheave {v}, too small for the motor's shaft and bearing (NEMA MG 1)", "length"),
    "shaft bore": ("groove bottom {v}, too little for a hub round the shaft", "length"),
    "shaft load": ("shaft load {v}", "force"),
}
UNDEFINED = {"centre distance": "the belt is too short for the sheaves", "rating table": LIMIT_WORDS["rating table"][0]}


def limit_says(limit: str, value: float, bound: float, defined: bool, frame: Frame) -> str:
    """A limit with its figure and its bound in the person's units; empty words where nothing is defined."""
    words, kind = LIMIT_WORDS[limit]
    if not defined or isnan(value):
        return UNDEFINED.get(limit, "")
    percent = kind == "percent"
    v = (
        f"{abs(value):.1f} % too {'fast' if value > 0 else 'slow'}"
        if percent
        else shown(value, kind, frame.units, "tape")
        if kind
        else ""
    )
    if not kind or limit == "power":
        return words.format(v=v)
    if bound == float("inf") or bound <= 0:
        return words.format(v=v)
    return (
        words.format(v=v)
        + ", limit "
        + (f"{bound:.1f} % either way" if percent else shown(bound, kind, frame.units, "tape"))
    )
