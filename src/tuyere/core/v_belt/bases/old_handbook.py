"""The older, more cautious handbook formula (before 1977), with its own length factors."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from tuyere.core.duty.carried import kilowatts
from tuyere.core.steps import Num, looked_up
from tuyere.core.tables import Axis, axis, table
from tuyere.core.v_belt.bases.association import association_arc
from tuyere.core.v_belt.bases.protocol import Powers
from tuyere.core.v_belt.belts import Belt
from tuyere.core.v_belt.formulas import (
    added_by_diameter,
    belt_power_kw,
    corrected_power,
    counted_diameter,
    inch_diameter,
    old_power,
    old_speed,
    thousand_rpm,
)
from tuyere.core.v_belt.sections import Section


@cache
def _ratios() -> Axis:
    return axis(table("old_ratio"), "ratio_from", "K_d")


@cache
def _lengths(section: str) -> Axis:
    return axis(table("old_length_factor"), "number", "K_L", section=section)


@dataclass(frozen=True)
class OldHandbook:
    """hp = X S^0.91 - Y S / d - Z S^3."""

    id: str = "old-handbook"
    title: str = "older handbook formula"
    source: str = "engineering handbooks before 1977; textbook table that it reproduces"

    def without(self, of: Section) -> str:
        """Why a section is not rated."""
        if table("old_constants").select(section=of.name):
            return ""
        return "the older formula rates wrapped classical belts A to E only"

    def arc_factor(self, theta: Num) -> Num:
        """K_theta; the textbook's table is the association's."""
        return association_arc(theta)

    def length_factor(self, one: Belt) -> float:
        """By bands of the number on the belt."""
        t = table("old_length_factor")
        return looked_up(
            "K_L",
            _lengths(one.section.name).at(one.number, "belt.designation"),
            t.id,
            t.source_of(),
            number=one.number,
        )

    def powers(self, of: Section, small_mm: Num, *, ratio: Num, rpm: Num, K_theta: Num, K_L: Num) -> Powers:
        """The ratio counts as a larger small sheave; what that adds is shown on its own."""
        t = table("old_constants")
        row = t.row(section=of.name)
        source = t.source_of(row["confidence"])
        x, y, z = (looked_up(n, row[c], t.id, source) for n, c in (("X_o", "X"), ("Y_o", "Y"), ("Z_o", "Z")))
        d_in, r = inch_diameter(small_mm), thousand_rpm(rpm)
        speed = old_speed(d_in, r)
        basic = old_power(x, y, z, speed, d_in)
        rt = table("old_ratio")
        k_d = looked_up("K_d", _ratios().at(ratio, "ratio"), rt.id, rt.source_of(), i=ratio)
        added = added_by_diameter(y, speed, d_in, counted_diameter(k_d, d_in))
        kw = belt_power_kw(corrected_power(basic, added, K_theta, K_L))
        return Powers(kilowatts(basic), kilowatts(added), kw)


OLD_HANDBOOK = OldHandbook()
