"""The roller chain's adapter."""

from __future__ import annotations

from typing import Any

from tuyere.calc.families.protocol import (
    DutyPart,
    Family,
    LoopPart,
    Offer,
    Offered,
    Parts,
    StoredDuty,
    Wanted,
    WheelPart,
    register,
)
from tuyere.calc.families.roller_chain.drive_model import ChainDriveIn, ChainDriveOut
from tuyere.calc.frame import Frame
from tuyere.calc.parts import factor_of
from tuyere.core.duty.design import design_power
from tuyere.core.duty.losses import efficiency_band
from tuyere.core.notices import collected_notices
from tuyere.core.roller_chain.choose import Candidate, search
from tuyere.core.roller_chain.choose import Wanted as Search
from tuyere.core.roller_chain.formulas import pitch_diameter
from tuyere.core.roller_chain.rate import Given, rate
from tuyere.core.roller_chain.service import chain_factor
from tuyere.core.roller_chain.tables import chain
from tuyere.core.steps import quiet

KIND = "roller chain"
KEPT = ("lubrication", "temperature", "method")


class RollerChains(Family[ChainDriveIn]):
    """Roller chain on sprockets."""

    key, title, order, calc = "roller-chain", "Roller chain", 20, "chain-drive"
    manners_table = "chain_manners"
    speed_field = "speed"
    found_fields = (
        "chain",
        "strands",
        "driver_teeth",
        "driven_teeth",
        "centre_distance",
        "pitches",
        "life",
        "lubrication",
        "temperature",
        "method",
    )

    def duty_of(self, given: ChainDriveIn, result: ChainDriveOut) -> DutyPart:
        """The duty that an input states."""
        return DutyPart(
            power=given.power,
            driver_speed=given.speed,
            service=given.service_factor,
            driven_rpm=result.driven_speed.value,
            wanted=given.wanted,
        )

    def parts_of(self, given: ChainDriveIn, result: ChainDriveOut) -> Parts:
        """Two sprockets and the chain, whose length is in pitches."""
        with quiet():
            d_1, d_2 = (
                float(pitch_diameter(chain(given.chain).pitch_mm, z)) for z in (given.driver_teeth, given.driven_teeth)
            )
        spec: dict[str, Any] = {"pitches": int(result.pitches.value)} | {n: getattr(given, n) for n in KEPT}
        if given.life is not None:
            spec["life"] = given.life.value
        loop = LoopPart(
            given.chain, result.designation, result.length.chain_length.value, "pitch", given.strands, 1, spec
        )
        return Parts(
            WheelPart("sprocket", d_1, "pitch", given.chain, teeth=given.driver_teeth),
            WheelPart("sprocket", d_2, "pitch", given.chain, teeth=given.driven_teeth),
            loop, result.centre_distance.value, given.layout.angle, given.layout.clockwise,
        )  # fmt: skip

    def input_of(self, duty: StoredDuty, parts: Parts) -> dict[str, Any]:
        """Back to the calculation's input: the length stays what was fitted, the centres follow from it."""
        out: dict[str, Any] = {
            **duty.common, "speed": duty.driver_rpm, "chain": parts.loop.section, "strands": parts.loop.strands,
            "driver_teeth": parts.driver.teeth, "driven_teeth": parts.driven.teeth,
            "layout": {"angle": parts.angle, "clockwise": parts.clockwise},
        } | parts.loop.spec  # fmt: skip
        return out

    def offer(self, wanted: Wanted, frame: Frame, keep: int) -> Offer:
        """The best over all sizes, strands and teeth."""
        factor = factor_of(wanted.service, chain_factor)
        design = float(design_power(wanted.power_kw, factor))
        found = search(
            Search(design, wanted.power_kw, wanted.driver_rpm, wanted.driven_rpm, wanted.tolerance_percent, wanted.centre_mm,
                   largest_mm=wanted.largest_mm, widest_mm=wanted.widest_mm), keep, 1)  # fmt: skip
        options = tuple(self._offered(c, wanted, factor, frame) for c in found.best)
        return Offer(found.considered, found.accepted, options, found.rejected)

    def _offered(self, c: Candidate, w: Wanted, factor: float, frame: Frame) -> Offered:
        given = Given(w.power_kw, factor, w.driver_rpm, c.chain, c.strands, c.z_1, c.z_2, w.centre_mm, None, angle_deg=w.angle,
                      clockwise=w.clockwise)  # fmt: skip
        with quiet(), collected_notices():
            r = rate(given)
        strands = "" if c.strands == 1 else f"-{c.strands}"
        return Offered(
            f"{c.chain.name}{strands}, {r.length.pitches} pitches",
            {"power": w.power_kw, "speed": w.driver_rpm, "chain": c.chain.name, "strands": c.strands, "driver_teeth": c.z_1,
             "driven_teeth": c.z_2, "pitches": r.length.pitches, "layout": {"angle": w.angle, "clockwise": w.clockwise}},
            r.driven_rpm, c.error_percent, r.length.centre_mm, r.spare_percent, c.width_mm, r.shaft_load.newtons, r.weight,
            2 + c.strands, efficiency_band(KIND), c.kinds, f"{c.z_1}/{c.z_2} teeth, sag {frame.figure(r.sag_mm, 'length', 'tape').shown}",
            r.length.elevation,
        )  # fmt: skip


ROLLER_CHAINS = register(RollerChains())
