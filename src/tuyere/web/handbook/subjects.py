"""What the handbook is divided into: the families first, then the other rooms of the core, by what a mechanic calls them."""

from __future__ import annotations

from tuyere.calc.families.protocol import families

# Packages of the core beside those of the families, in the order of the index; what is in none of them stands under the last.
ROOMS: dict[str, str] = {
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


def _subjects() -> dict[str, str]:
    # A family's room in the core has its key for a name.
    return {f.key.replace("-", "_"): f.title for f in families()} | ROOMS


def subject_of(package: str) -> str:
    """The subject that a package of the core, or a module in it, belongs to.

    >>> subject_of("tuyere.core.motors.formulas"), subject_of("tuyere.jobs")
    ('Motors and engines', 'Jobs, oil and instruments')
    """
    parts = package.split(".")
    return _subjects().get(parts[2], OTHERS) if parts[:2] == ["tuyere", "core"] and len(parts) > 2 else OTHERS


def index() -> list[str]:
    """All subjects, in order."""
    return [*_subjects().values(), OTHERS]
