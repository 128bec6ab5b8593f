"""The association's formulas: IP-20 of 1988 or 1977 for classical belts, IP-22 for narrow ones."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

import numpy as np

from tuyere.core.duty.carried import kilowatts
from tuyere.core.sources import Source
from tuyere.core.steps import Num, looked_up
from tuyere.core.tables import Axis, axis, table
from tuyere.core.v_belt.bases.protocol import Powers
from tuyere.core.v_belt.belts import Belt
from tuyere.core.v_belt.formulas import (
    added_power,
    basic_power,
    belt_power_kw,
    corrected_power,
    inch_diameter,
    ratio_power_classical,
    thousand_rpm,
)
from tuyere.core.v_belt.sections import Section

E_WHY = "the 1977 edition has its constants, but no length factors of E that go with them are recalled"


@cache
def arc_axis() -> Axis:
    """Arc of contact in degrees -> arc factor."""
    return axis(table("arc_factor"), "arc", "K_theta")


@cache
def length_axis(groove: str) -> Axis:
    """Designation number (classical) or effective inches (narrow) -> length factor."""
    return axis(table("length_factor"), "number", "K_L", section=groove)


@cache
def ratio_axis(belt_name: str, narrow: bool) -> Axis:
    """Speed ratio -> K_SR (classical) or added hp per 1000 rpm (narrow)."""
    if narrow:
        return axis(table("speed_ratio_narrow"), "ratio_from", "h_a", section=belt_name)
    return axis(table("speed_ratio_classical"), "ratio_from", "K_SR")


@cache
def _constants(section: str, edition: str) -> tuple[tuple[float, float, float, float], Source]:
    """K_1 to K_4 of a section in an edition, with their source. Raises KeyError where there are none."""
    t = table("rating_constants")
    row = t.row(section=section, edition=edition)
    return (row["K_1"], row["K_2"], row["K_3"], row["K_4"]), t.source_of(row["confidence"])


def association_arc(theta: Num) -> Num:
    """K_theta at an arc in degrees. Raises InputError (float) or gives nan (array) outside 82.8..180."""
    t = table("arc_factor")
    value = arc_axis().at(np.minimum(theta, 180.0), "centre_distance")
    return looked_up("K_theta", value, t.id, t.source_of(), theta=theta)


@dataclass(frozen=True)
class Association:
    """One edition of the association's rating."""

    id: str
    title: str
    edition: str
    source: str = "ANSI/RMA IP-20 and IP-22"

    def _edition(self, of: Section) -> str:
        return "IP-22" if of.narrow else self.edition

    def without(self, of: Section) -> str:
        """Why a section is not rated."""
        if of.name == "E":
            return E_WHY
        if of.narrow and self.edition != "1988":
            return f"this basis has no constants for section {of.name}"
        if not table("rating_constants").select(section=of.name, edition=self._edition(of)):
            if of.name == "3V":
                return "no public rating of the wrapped 3V belt is on hand (3VX has one)"
            return f"this basis has no constants for section {of.shown}"
        return ""

    def constants(self, of: Section) -> tuple[float, float, float, float]:
        """K_1..K_4 of a section; recorded as look-ups. Raises KeyError where there are none."""
        (k_1, k_2, k_3, k_4), source = _constants(of.name, self._edition(of))
        t = table("rating_constants").id
        return (
            looked_up("K_1", k_1, t, source),
            looked_up("K_2", k_2, t, source),
            looked_up("K_3", k_3, t, source),
            looked_up("K_4", k_4, t, source),
        )

    def arc_factor(self, theta: Num) -> Num:
        """K_theta."""
        return association_arc(theta)

    def length_factor(self, one: Belt) -> float:
        """K_L."""
        t = table("length_factor")
        number = one.length_in if one.section.narrow else one.number
        value = length_axis(one.section.groove).at(number, "belt.designation")
        return looked_up("K_L", value, t.id, t.source_of(), number=number)

    def ratio_power(self, of: Section, i: Num, K_2: Num) -> Num:
        """Power added per belt and 1000 rpm for the ratio ``i`` (1 or more), hp."""
        values = ratio_axis(of.name, of.narrow).at(i, "ratio")
        if of.narrow:
            t = table("speed_ratio_narrow")
            return looked_up("h_a", values, t.id, t.source_of(), i=i)
        t = table("speed_ratio_classical")
        return ratio_power_classical(K_2, looked_up("K_SR", values, t.id, t.source_of(), i=i))

    def powers(self, of: Section, small_mm: Num, *, ratio: Num, rpm: Num, K_theta: Num, K_L: Num) -> Powers:
        """By the constants K_1 to K_4."""
        k_1, k_2, k_3, k_4 = self.constants(of)
        d_in, r = inch_diameter(small_mm), thousand_rpm(rpm)
        basic = basic_power(d_in, r, K_1=k_1, K_2=k_2, K_3=k_3, K_4=k_4)
        added = added_power(self.ratio_power(of, ratio, k_2), r)
        kw = belt_power_kw(corrected_power(basic, added, K_theta, K_L))
        return Powers(kilowatts(basic), kilowatts(added), kw)


IP20_1988 = Association("ip20-1988", "association, current edition", "1988")
IP20_1977 = Association("ip20-1977", "association, edition of 1977", "1977")
