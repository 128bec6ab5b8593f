"""The flat belt's adapter."""

from __future__ import annotations

from typing import Any

from tuyere.calc.families.flat.drive_model import FlatDriveIn, FlatDriveOut
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
from tuyere.calc.frame import Frame
from tuyere.calc.parts import factor_of
from tuyere.core.duty.design import design_power
from tuyere.core.duty.losses import efficiency_band
from tuyere.core.flat.choose import Candidate, search
from tuyere.core.flat.choose import Wanted as Search
from tuyere.core.flat.drive import LIKED_CENTRES, FlatGiven, work_flat_drive
from tuyere.core.flat.service import flat_factor
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet

KIND = "flat"


class FlatBelts(Family[FlatDriveIn]):
    """Flat belts on crowned or plain pulleys."""

    key, title, order, calc = "flat", "Flat belts", 40, "flat-drive"
    manners_table = "flat_manners"
    speed_field = "driver_speed"
    found_fields = (
        "driver_diameter",
        "driven_diameter",
        "material",
        "width",
        "centre_distance",
        "belt_length",
        "crossed",
    )

    def duty_of(self, given: FlatDriveIn, result: FlatDriveOut) -> DutyPart:
        """The duty that an input states."""
        return DutyPart(
            power=given.power,
            driver_speed=given.driver_speed,
            service=given.service_factor,
            driven_rpm=result.driven_speed.value,
            wanted=given.wanted,
        )

    def parts_of(self, given: FlatDriveIn, result: FlatDriveOut) -> Parts:
        """Two pulleys and the loop."""

        def wheel(d: Any) -> WheelPart:
            return WheelPart(
                kind="pulley", diameter_mm=d.value, diameter_kind="outside", profile="flat", diameter_typed=d.typed
            )

        spec: dict[str, Any] = {"material": given.material, "width": given.width.value, "crossed": given.crossed}
        return Parts(
            driver=wheel(given.driver_diameter),
            driven=wheel(given.driven_diameter),
            loop=LoopPart(
                section="flat",
                designation=result.designation,
                length_mm=result.belt_length.value,
                length_kind="outside",
                strands=1,
                members=1,
                spec=spec,
            ),
            centre_mm=result.centre_distance.value,
            angle=given.layout.angle,
            clockwise=given.layout.clockwise,
        )

    def input_of(self, duty: StoredDuty, parts: Parts) -> dict[str, Any]:
        """Back to the calculation's input: the loop stays as long as it is."""
        out: dict[str, Any] = {
            **duty.common,
            "driver_speed": duty.driver_rpm,
            "driver_diameter": parts.driver.diameter_mm,
            "driven_diameter": parts.driven.diameter_mm,
            "belt_length": parts.loop.length_mm,
            "layout": {"angle": parts.angle, "clockwise": parts.clockwise},
        } | parts.loop.spec
        return out

    def offer(self, wanted: Wanted, frame: Frame, keep: int) -> Offer:
        """The best over all materials and preferred pulleys."""
        factor = factor_of(wanted.service, flat_factor)
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
        first = found.best[:1]
        wide = LIKED_CENTRES * max((max(c.driver_mm, c.driven_mm) for c in first), default=0.0)
        care: tuple[str, ...] = ()
        if first and wanted.centre_mm < wide:
            liked = frame.figure(wide, "length", "tape").shown
            care = (
                f"Short centres for a flat belt: with these pulleys it likes {liked} or more, or an idler on the slack side.",
            )
        options = tuple(self._offered(c, wanted, factor, frame) for c in found.best)
        return Offer(
            considered=found.considered, accepted=found.accepted, options=options, rejected=found.rejected, care=care
        )

    def _offered(self, c: Candidate, w: Wanted, factor: float, frame: Frame) -> Offered:
        given = FlatGiven(
            power_kw=w.power_kw,
            service_factor=factor,
            driver_rpm=w.driver_rpm,
            driver_mm=c.driver_mm,
            driven_mm=c.driven_mm,
            centre_mm=w.centre_mm,
            length_mm=None,
            material=c.material,
            width_mm=c.width_mm,
            crossed=False,
            angle_deg=w.angle,
            clockwise=w.clockwise,
        )
        with quiet(), collected_notices():
            r = work_flat_drive(given)
        width = frame.figure(c.width_mm, "length", "size").shown
        size = "/".join(frame.figure(d, "length", "size").number for d in (c.driver_mm, c.driven_mm))
        return Offered(
            name=f"{c.material.name}, {width} wide",
            input={
                "power": w.power_kw,
                "driver_speed": w.driver_rpm,
                "driver_diameter": c.driver_mm,
                "driven_diameter": c.driven_mm,
                "centre_distance": w.centre_mm,
                "material": c.material.key,
                "width": c.width_mm,
                "layout": {"angle": w.angle, "clockwise": w.clockwise},
            },
            driven_rpm=r.driven_rpm,
            error_percent=c.error_percent,
            centre_mm=r.pulleys.centre_mm,
            spare_percent=r.spare_percent,
            width_mm=c.face_mm,
            shaft_load_n=r.shaft_load.newtons,
            weight=r.weight,
            parts=3,
            efficiency=efficiency_band(KIND),
            kinds=c.kinds,
            telling=f"pulleys {size} {frame.figure(1, 'length').unit_shown}",
            elevation=r.elevation,
        )


FLAT_BELTS = register(FlatBelts())
