"""The tables of flat, round and link belts, and the materials."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from tuyere.core.errors import InputError
from tuyere.core.tables import declare, table

declare(
    "tuyere.core.flat",
    (
        "flat_materials",
        "pulley_correction",
        "velocity_correction",
        "crowns",
        "round_urethane",
        "round_pulleys",
        "link_belts",
        "flat_widths",
        "flat_pulleys",
        "flat_service",
        "cut_short",
        "joints",
        "hooks",
        "flat_manners",
    ),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Material:
    """A belt material: inches, lbf per inch of width, lbf per cubic inch."""

    key: str
    name: str
    correction: str
    thickness_in: float
    least_pulley_in: float
    wide_add_in: float
    allowed_lbf_in: float
    weight_lbf_in3: float
    friction: float
    velocity_row: str


@cache
def materials() -> dict[str, Material]:
    """Every material by key."""
    return {m.key: m for m in table("flat_materials").records(Material)}


def material(key: str, field: str = "material") -> Material:
    """A material by key; raises InputError naming ``field``."""
    found = materials().get(key)
    if found is None:
        raise InputError(field, key, "not in the table", " ".join(materials()))
    return found
