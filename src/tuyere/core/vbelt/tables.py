"""The V-belt tables and the few look-ups that everything else is made from."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

import numpy as np

from tuyere.core.errors import InputError
from tuyere.core.steps import Num, looked_up
from tuyere.core.tables import Axis, axis, declare, table
from tuyere.core.vbelt.formulas import ratio_power_classical

declare(
    "tuyere.core.vbelt",
    "v_belt_manners",
    "belt_profiles",
    "length_conventions",
    "sections",
    "rating_constants",
    "speed_ratio_classical",
    "speed_ratio_narrow",
    "arc_factor",
    "length_factor",
    "lengths",
    "length_addition",
    "diameters",
    "grooves",
    "allowances",
)

EDITIONS = {"ip20-1988": "1988", "ip20-1977": "1977"}
RIM_SPEED_LIMIT_M_S = 33.02  # 6500 ft/min, cast-iron sheaves, IP-20 and IP-22


@dataclass(frozen=True, slots=True)
class Section:
    """A belt section: dimensions in inches as published, its groove and its limits."""

    name: str
    groove: str
    narrow: bool
    cogged: bool
    top_width_in: float
    depth_in: float
    K_c: float
    Y: float
    min_diameter_in: float
    min_kind: str
    min_confidence: str


@cache
def sections() -> dict[str, Section]:
    """Every section with a rating or tension data, by name."""
    made = {}
    for row in table("sections").rows:
        name, groove, family, build, width, depth, _angle, k_c, y, least, kind, confidence, _src = row
        made[name] = Section(
            name, groove, family == "narrow", build == "cogged", width, depth, k_c, y, least, kind, confidence
        )
    return made


# Sections that people will ask for and that have no public rating here; the reason is told.
WITHOUT_RATING = {
    "3V": "no public rating of the wrapped 3V belt is on hand (3VX has one)",
    "2L": "no public rating of 2L is on hand",
    "3L": "light-duty belts are not rated here yet",
    "4L": "light-duty belts are not rated here yet",
    "5L": "light-duty belts are not rated here yet",
    "SPZ": "metric wedge belts are not rated here yet",
    "SPA": "metric wedge belts are not rated here yet",
    "SPB": "metric wedge belts are not rated here yet",
    "SPC": "metric wedge belts are not rated here yet",
    "Z": "Z is not rated here yet",
    "E": "E is rated by the 1977 edition only and is not offered here yet",
}


def section(name: str, field: str = "section") -> Section:
    """A section by name; raises InputError naming ``field``, with the reason when it is known but unrated."""
    found = sections().get(name)
    if found is None:
        why = WITHOUT_RATING.get(name, "unknown belt section")
        raise InputError(field, name, why, "one of " + " ".join(sections()))
    return found


def rating_constants(belt: Section, basis: str, field: str = "basis") -> tuple[float, float, float, float]:
    """K_1..K_4 of a section on a basis; recorded as look-ups. Raises InputError when the basis has none."""
    t = table("rating_constants")
    edition = "IP-22" if belt.narrow else EDITIONS[basis]
    if belt.narrow and basis == "ip20-1977":
        edition = ""
    try:
        row = t.row(section=belt.name, edition=edition)
    except KeyError as e:
        has = sorted({b for b, ed in EDITIONS.items() if t.select(section=belt.name, edition=ed)})
        raise InputError(
            field, basis, f"this basis has no constants for section {belt.name}", " ".join(has) or "ip20-1988"
        ) from e
    source = t.source_of(row["confidence"])
    return (
        looked_up("K_1", row["K_1"], t.id, source),
        looked_up("K_2", row["K_2"], t.id, source),
        looked_up("K_3", row["K_3"], t.id, source),
        looked_up("K_4", row["K_4"], t.id, source),
    )


@cache
def arc_axis() -> Axis:
    """Arc of contact in degrees -> arc factor."""
    return axis(table("arc_factor"), "arc", "K_theta")


@cache
def length_axis(groove: str) -> Axis:
    """Designation number (classical) or effective inches (narrow) -> length factor."""
    return axis(table("length_factor"), "number", "K_L", section=groove)


@cache
def ratio_axis(belt_name: str) -> Axis:
    """Speed ratio -> K_SR (classical) or added hp per 1000 rpm (narrow)."""
    if sections()[belt_name].narrow:
        return axis(table("speed_ratio_narrow"), "ratio_from", "h_a", section=belt_name)
    return axis(table("speed_ratio_classical"), "ratio_from", "K_SR")


def arc_factor(theta: Num) -> Num:
    """K_theta at an arc in degrees. Raises InputError (float) or gives nan (array) outside 82.8..180."""
    t = table("arc_factor")
    value = arc_axis().at(np.minimum(theta, 180.0), "centre_distance")
    return looked_up("K_theta", value, t.id, t.source_of(), theta=theta)


def length_factor(groove: str, number: Num) -> Num:
    """K_L; raises InputError (float) or gives nan (array) outside the printed lengths."""
    t = table("length_factor")
    value = length_axis(groove).at(number, "belt.designation")
    return looked_up("K_L", value, t.id, t.source_of(), number=number)


def ratio_power(belt: Section, i: Num, K_2: Num) -> Num:
    """Power added per belt and 1000 rpm for the ratio ``i`` (1 or more), hp."""
    values = ratio_axis(belt.name).at(i, "ratio")
    if belt.narrow:
        t = table("speed_ratio_narrow")
        return looked_up("h_a", values, t.id, t.source_of(), i=i)
    t = table("speed_ratio_classical")
    return ratio_power_classical(K_2, looked_up("K_SR", values, t.id, t.source_of(), i=i))


@dataclass(frozen=True, slots=True)
class Allowance:
    """Room in inches: towards each other to fit, apart to take up."""

    installation_in: float
    take_up_in: float
    confidence: str


def allowance(groove: str, number: float, length_in: float) -> Allowance | None:
    """Room for a belt of this designation number; None where the table has no row for it."""
    for _section, over, through, installation, take_up, share, confidence in table("allowances").select(section=groove):
        if over < number <= through:
            return Allowance(installation, take_up + share * length_in, confidence)
    return None
