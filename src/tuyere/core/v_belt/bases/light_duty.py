"""Light-duty belts 3L, 4L, 5L: the association's formula for single belts."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.duty.carried import kilowatts
from tuyere.core.sources import Source
from tuyere.core.steps import Num, looked_up
from tuyere.core.tables import table
from tuyere.core.v_belt.bases.association import association_arc
from tuyere.core.v_belt.bases.protocol import Powers
from tuyere.core.v_belt.belts import Belt
from tuyere.core.v_belt.formulas import arc_only_power, belt_power_kw, light_outside, light_power, thousand_rpm
from tuyere.core.v_belt.sections import Section, groove_rows

NO_LENGTH = Source(
    title="no length factor of light-duty belts is recalled; 1 is taken", origin="common practice", confidence="low"
)


@dataclass(frozen=True)
class LightDuty:
    """IP-23."""

    id: str = "light-duty"
    title: str = "light duty, association"
    source: str = "ANSI/RMA IP-23"

    def without(self, of: Section) -> str:
        """Why a section is not rated."""
        if table("light_constants").select(section=of.name):
            return ""
        return (
            f"no public rating of {of.name} is on hand" if of.name == "2L" else "rates light-duty belts 3L, 4L, 5L only"
        )

    def arc_factor(self, theta: Num) -> Num:
        """The arc factor of classical belts: the wedge is alike, none of its own is recalled."""
        return association_arc(theta)

    def length_factor(self, one: Belt) -> float:
        """None is recalled: 1."""
        return looked_up("K_L", 1.0, "", NO_LENGTH)

    def powers(self, of: Section, small_mm: Num, *, ratio: Num, rpm: Num, K_theta: Num, K_L: Num) -> Powers:
        """By the constants c_1 to c_3 on the outside diameter; nothing is added for the ratio."""
        t = table("light_constants")
        row = t.row(section=of.name)
        c_1, c_2, c_3 = (looked_up(n, row[n], t.id, t.source_of()) for n in ("c_1", "c_2", "c_3"))
        groove = groove_rows(of.groove)[0]
        h_p = looked_up("h_p", groove.to_pitch_mm, groove.table_id, groove.source)
        r = thousand_rpm(rpm)
        basic = light_power(light_outside(small_mm, h_p), r, c_1, c_2, c_3)
        kw = belt_power_kw(arc_only_power(basic, K_theta, K_L))
        return Powers(kilowatts(basic), 0.0 * basic, kw)


LIGHT_DUTY = LightDuty()
