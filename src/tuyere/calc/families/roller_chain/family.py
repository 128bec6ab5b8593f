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
            section=given.chain,
            designation=result.designation,
            length_mm=result.length.chain_length.value,
            length_kind="pitch",
            strands=given.strands,
            members=1,
            spec=spec,
        )
        return Parts(
            driver=WheelPart(
                kind="sprocket", diameter_mm=d_1, diameter_kind="pitch", profile=given.chain, teeth=given.driver_teeth
            ),
            driven=WheelPart(
                kind="sprocket", diameter_mm=d_2, diameter_kind="pitch", profile=given.chain, teeth=given.driven_teeth
            ),
            loop=loop,
            centre_mm=result.centre_distance.value,
            angle=given.layout.angle,
            clockwise=given.layout.clockwise,
        )

    def input_of(self, duty: StoredDuty, parts: Parts) -> dict[str, Any]:
        """Back to the calculation's input: the length stays what was fitted, the centres follow from it."""
        out: dict[str, Any] = {
            **duty.common,
            "speed": duty.driver_rpm,
            "chain": parts.loop.section,
            "strands": parts.loop.strands,
            "driver_teeth": parts.driver.teeth,
            "driven_teeth": parts.driven.teeth,
            "layout": {"angle": parts.angle, "clockwise": parts.clockwise},
        } | parts.loop.spec
        return out

    def offer(self, wanted: Wanted, frame: Frame, keep: int) -> Offer:
        """The best over all sizes, strands and teeth."""
        factor = factor_of(wanted.service, chain_factor)
        design = float(design_power(wanted.power_kw, factor))
        found = search(
            Search(
                design_kw=design,
                power_kw=wanted.power_kw,
                driver_rpm=wanted.driver_rpm,
                driven_rpm=wanted.driven_rpm,
                tolerance_percent=wanted.tolerance_percent,
                centre_mm=wanted.centre_mm,
                largest_mm=wanted.largest_mm,
                widest_mm=wanted.widest_mm,
            ),
            keep,
            1,
        )
        options = tuple(self._offered(c, wanted, factor, frame) for c in found.best)
        return Offer(considered=found.considered, accepted=found.accepted, options=options, rejected=found.rejected)

    def _offered(self, c: Candidate, w: Wanted, factor: float, frame: Frame) -> Offered:
        given = Given(
            power_kw=w.power_kw,
            service_factor=factor,
            driver_rpm=w.driver_rpm,
            chain=c.chain,
            strands=c.strands,
            z_1=c.z_1,
            z_2=c.z_2,
            centre_mm=w.centre_mm,
            pitches=None,
            angle_deg=w.angle,
            clockwise=w.clockwise,
        )
        with quiet(), collected_notices():
            r = rate(given)
        strands = "" if c.strands == 1 else f"-{c.strands}"
        return Offered(
            name=f"{c.chain.name}{strands}, {r.length.pitches} pitches",
            input={
                "power": w.power_kw,
                "speed": w.driver_rpm,
                "chain": c.chain.name,
                "strands": c.strands,
                "driver_teeth": c.z_1,
                "driven_teeth": c.z_2,
                "pitches": r.length.pitches,
                "layout": {"angle": w.angle, "clockwise": w.clockwise},
            },
            driven_rpm=r.driven_rpm,
            error_percent=c.error_percent,
            centre_mm=r.length.centre_mm,
            spare_percent=r.spare_percent,
            width_mm=c.width_mm,
            shaft_load_n=r.shaft_load.newtons,
            weight=r.weight,
            parts=2 + c.strands,
            efficiency=efficiency_band(KIND),
            kinds=c.kinds,
            telling=f"{c.z_1}/{c.z_2} teeth, sag {frame.figure(r.sag_mm, 'length', 'tape').shown}",
            elevation=r.length.elevation,
        )


ROLLER_CHAINS = register(RollerChains())
