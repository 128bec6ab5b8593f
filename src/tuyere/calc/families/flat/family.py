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
            return WheelPart("pulley", d.value, "outside", "flat", d.typed)

        spec: dict[str, Any] = {"material": given.material, "width": given.width.value, "crossed": given.crossed}
        return Parts(
            wheel(given.driver_diameter), wheel(given.driven_diameter),
            LoopPart("flat", result.designation, result.belt_length.value, "outside", 1, 1, spec),
            result.centre_distance.value, given.layout.angle, given.layout.clockwise,
        )  # fmt: skip

    def input_of(self, duty: StoredDuty, parts: Parts) -> dict[str, Any]:
        """Back to the calculation's input: the loop stays as long as it is."""
        out: dict[str, Any] = {
            **duty.common, "driver_speed": duty.driver_rpm, "driver_diameter": parts.driver.diameter_mm,
            "driven_diameter": parts.driven.diameter_mm, "belt_length": parts.loop.length_mm,
            "layout": {"angle": parts.angle, "clockwise": parts.clockwise},
        } | parts.loop.spec  # fmt: skip
        return out

    def offer(self, wanted: Wanted, frame: Frame, keep: int) -> Offer:
        """The best over all materials and preferred pulleys."""
        factor = factor_of(wanted.service, flat_factor)
        design = float(design_power(wanted.power_kw, factor))
        found = search(Search(design, wanted.power_kw, wanted.driver_rpm, wanted.driven_rpm, wanted.tolerance_percent, wanted.centre_mm, wanted.largest_mm,
                              wanted.widest_mm), keep, 1)  # fmt: skip
        first = found.best[:1]
        wide = LIKED_CENTRES * max((max(c.driver_mm, c.driven_mm) for c in first), default=0.0)
        care: tuple[str, ...] = ()
        if first and wanted.centre_mm < wide:
            liked = frame.figure(wide, "length", "tape").shown
            care = (
                f"Short centres for a flat belt: with these pulleys it likes {liked} or more, or an idler on the slack side.",
            )
        options = tuple(self._offered(c, wanted, factor, frame) for c in found.best)
        return Offer(found.considered, found.accepted, options, found.rejected, care=care)

    def _offered(self, c: Candidate, w: Wanted, factor: float, frame: Frame) -> Offered:
        given = FlatGiven(w.power_kw, factor, w.driver_rpm, c.driver_mm, c.driven_mm, w.centre_mm, None, c.material, c.width_mm, False,
                          w.angle, w.clockwise)  # fmt: skip
        with quiet(), collected_notices():
            r = work_flat_drive(given)
        width = frame.figure(c.width_mm, "length", "size").shown
        size = "/".join(frame.figure(d, "length", "size").number for d in (c.driver_mm, c.driven_mm))
        return Offered(
            f"{c.material.name}, {width} wide",
            {"power": w.power_kw, "driver_speed": w.driver_rpm, "driver_diameter": c.driver_mm, "driven_diameter": c.driven_mm,
             "centre_distance": w.centre_mm, "material": c.material.key, "width": c.width_mm,
             "layout": {"angle": w.angle, "clockwise": w.clockwise}},
            r.driven_rpm, c.error_percent, r.pulleys.centre_mm, r.spare_percent, c.face_mm, r.shaft_load.newtons, r.weight,
            3, efficiency_band(KIND), c.kinds, f"pulleys {size} {frame.figure(1, 'length').unit_shown}",
            r.elevation,
        )  # fmt: skip


FLAT_BELTS = register(FlatBelts())
