"""The V-belt tables, declared for the handbook, and the room to fit and take up."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.tables import declare, table
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.sections import Section
from tuyere.core.wheels.rules import RIM_SPEED_LIMIT_M_S as RIM_SPEED_LIMIT_M_S

declare(
    "tuyere.core.v_belt",
    (
        "v_belt_manners",
        "v_belt_rules",
        "v_belt_disagreements",
        "belt_profiles",
        "length_conventions",
        "sections",
        "metric_sections",
        "light_sections",
        "rating_constants",
        "speed_ratio_classical",
        "speed_ratio_narrow",
        "arc_factor",
        "arc_factor_flat",
        "length_factor",
        "old_constants",
        "old_ratio",
        "old_length_factor",
        "metric_power",
        "metric_power_added",
        "metric_arc_factor",
        "metric_length_factor",
        "light_constants",
        "belt_life",
        "lengths",
        "metric_lengths",
        "light_lengths",
        "length_addition",
        "diameters",
        "metric_diameters",
        "metric_least",
        "grooves",
        "deep_grooves",
        "metric_grooves",
        "light_grooves",
        "allowances",
        "adjustable_sheaves",
    ),
)

METRIC_INSTALL, METRIC_TAKE_UP = 0.015, 0.03  # of the datum length: machine-element textbooks, DIN 7753 practice


@dataclass(frozen=True, slots=True)
class Allowance:
    """Room in mm: towards each other to fit, apart to take up."""

    installation_mm: float
    take_up_mm: float
    confidence: str


def allowance(of: Section, number: float, length_mm: float) -> Allowance | None:
    """Room for a belt of this number and length; None where the table has no row for it."""
    if of.metric:
        return Allowance(METRIC_INSTALL * length_mm, METRIC_TAKE_UP * length_mm, "high")
    for _section, over, through, installation, take_up, share, confidence in table("allowances").select(
        section=of.groove
    ):
        if over < number <= through:
            return Allowance(installation * MM_PER_IN, take_up * MM_PER_IN + share * length_mm, confidence)
    return None
