"""What the handbook is divided into: the rooms of the core, by what a mechanic calls them."""

from __future__ import annotations

# Packages of the core in the order of the index; what is in none of them stands under the last.
SUBJECTS: dict[str, str] = {
    "v_belt": "V-belts",
    "flat": "Flat, round and link belts",
    "synchronous": "Synchronous belts",
    "roller_chain": "Roller chain",
    "geometry": "Lengths and arcs",
    "speeds": "Speeds",
    "duty": "Duty and losses",
    "motors": "Motors and engines",
    "tension": "Tension",
    "drive": "Loops of many wheels",
    "alignment": "In line",
    "wear": "Wear and heat",
    "diagnosis": "Why a drive failed",
    "shafts": "Shafts, keys and bushings",
    "wheels": "Wheels as they are made",
}
OTHERS = "Jobs, oil and instruments"


def subject_of(package: str) -> str:
    """The subject that a package of the core, or a module in it, belongs to.

    >>> subject_of("tuyere.core.flat.formulas"), subject_of("tuyere.jobs")
    ('Flat, round and link belts', 'Jobs, oil and instruments')
    """
    parts = package.split(".")
    return SUBJECTS.get(parts[2], OTHERS) if parts[:2] == ["tuyere", "core"] and len(parts) > 2 else OTHERS


def index() -> list[str]:
    """All subjects, in order."""
    return [*SUBJECTS.values(), OTHERS]
