"""The V-belt's adapter."""

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
from tuyere.calc.families.v_belt.drive_model import VBeltDriveIn, VBeltDriveOut
from tuyere.calc.families.v_belt.motor_sheave import least_of_motor, motor_drives
from tuyere.calc.families.v_belt.parts import SheaveIn, efficiency_kind
from tuyere.calc.frame import Frame
from tuyere.calc.parts import factor_of
from tuyere.core.duty.design import design_power
from tuyere.core.duty.losses import efficiency_band
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.v_belt.bases.pick import basis_named
from tuyere.core.v_belt.belts import belt
from tuyere.core.v_belt.catalogue import build_catalogue
from tuyere.core.v_belt.choose import Candidate, search
from tuyere.core.v_belt.limits import Wanted as Search
from tuyere.core.v_belt.rate import Given, rate

LINK, JOINED = " link", " joined"


def _spec(given: VBeltDriveIn) -> dict[str, Any]:
    """What a build keeps beside its rows: slip, and the lines of an own rating table that it was rated by."""
    spec: dict[str, Any] = {"slip": given.slip.value} if given.slip else {}
    if given.belt.odd:
        spec["odd"] = given.belt.odd
    if given.centre_by_tape:
        spec["centre_by_tape"] = given.centre_by_tape.value
    if given.own_ratings:
        spec["own_ratings"] = [
            {"section": r.section, "diameter": r.diameter.value, "speed": r.speed.value, "power": r.power.value}
            for r in given.own_ratings
        ]
    return spec


class VBelts(Family[VBeltDriveIn]):
    """V-belts in grooved sheaves."""

    key, title, order, calc = "v-belt", "V-belts", 10, "v-belt-drive"
    manners_table = "v_belt_manners"
    speed_field = "driver.speed"
    found_fields = ("driver.sheave", "driven.sheave", "belt")

    def duty_of(self, given: VBeltDriveIn, result: VBeltDriveOut) -> DutyPart:
        """The duty that an input states."""
        return DutyPart(
            power=given.power,
            driver_speed=given.driver.speed,
            service=given.service_factor,
            driven_rpm=result.driven_speed.value,
            wanted=given.wanted,
        )

    def parts_of(self, given: VBeltDriveIn, result: VBeltDriveOut) -> Parts:
        """Two sheaves and the belts; one member a belt."""
        belts = int(result.belts.value)
        of = belt(given.belt.designation).section

        def wheel(s: SheaveIn) -> WheelPart:
            groove = s.groove or of.groove
            return WheelPart(
                kind="sheave",
                diameter_mm=s.diameter.value,
                diameter_kind=s.kind or "outside",
                profile=groove,
                diameter_typed=s.diameter.typed,
                grooves=belts,
            )

        loop = LoopPart(
            section=of.name,
            designation=result.designation,
            length_mm=result.belt_length.value,
            length_kind=of.line_kind,
            strands=belts,
            members=belts,
            spec=_spec(given),
            joined=given.belt.joined,
        )
        return Parts(
            driver=wheel(given.driver.sheave),
            driven=wheel(given.driven.sheave),
            loop=loop,
            centre_mm=result.centre_distance.value,
            angle=given.layout.angle,
            clockwise=given.layout.clockwise,
        )

    def input_of(self, duty: StoredDuty, parts: Parts) -> dict[str, Any]:
        """Back to the calculation's input."""

        named = parts.loop.designation
        made = {"construction": "link"} if named.endswith(LINK) else {"joined": True} if named.endswith(JOINED) else {}

        def wheel(w: WheelPart) -> dict[str, Any]:
            return {"sheave": {"diameter": w.diameter_mm, "kind": w.diameter_kind, "groove": w.profile}}

        out: dict[str, Any] = {
            **duty.common,
            "driver": {"speed": duty.driver_rpm, **wheel(parts.driver)},
            "driven": wheel(parts.driven),
            "belt": {"designation": named.removesuffix(LINK).removesuffix(JOINED), "count": parts.loop.strands} | made,
            "layout": {"angle": parts.angle, "clockwise": parts.clockwise},
        }
        if odd := parts.loop.spec.get("odd"):
            out["belt"]["odd"] = odd
        for kept in ("slip", "own_ratings", "centre_by_tape"):
            if (value := parts.loop.spec.get(kept)) is not None:
                out[kept] = value
        return out

    def check_found(self, given: VBeltDriveIn) -> None:
        """How many belts there are is counted, not worked out."""
        if given.belt.count is None:
            raise InputError("input.belt.count", None, "how many belts are on it?", "count them: 1 to 30")

    def what(self, designation: str, strands: int) -> str:
        """Belts are counted."""
        if designation.endswith(JOINED):
            return f"{strands}/{designation}"
        return f"{strands} × {designation}"

    def offer(self, wanted: Wanted, frame: Frame, keep: int) -> Offer:
        """The best over all standard sheaves and belts."""
        factor = factor_of(wanted.service)
        design = float(design_power(wanted.power_kw, factor))
        least = [
            least_of_motor(wanted.power_kw, wanted.driver_rpm, wedge) if motor_drives(wanted.service) else 0.0
            for wedge in (False, True)
        ]
        found = search(
            build_catalogue(basis=basis_named(wanted.basis), series=str(wanted.own.get("series", "inch"))),
            Search(
                power_kw=wanted.power_kw,
                design_kw=design,
                driver_rpm=wanted.driver_rpm,
                driven_rpm=wanted.driven_rpm,
                tolerance_percent=wanted.tolerance_percent,
                centre_low_mm=wanted.centre_low_mm,
                centre_high_mm=wanted.centre_high_mm,
                most_belts=8,
                largest_driver_mm=wanted.largest_mm,
                largest_driven_mm=wanted.largest_mm,
                widest_mm=wanted.widest_mm,
                least_classical_mm=least[0],
                least_narrow_mm=least[1],
            ),
            keep,
            1,
        )
        options = tuple(self._offered(c, wanted, factor, frame) for c in found.best)
        return Offer(
            considered=found.considered,
            accepted=found.accepted,
            options=options,
            rejected=tuple((r.limit, r.count) for r in found.rejected),
        )

    def _offered(self, c: Candidate, w: Wanted, factor: float, frame: Frame) -> Offered:
        given = Given(
            power_kw=w.power_kw,
            service_factor=factor,
            driver_rpm=w.driver_rpm,
            driver=c.driver,
            driven=c.driven,
            belt=c.belt,
            count=None,
            slip_percent=0.0,
            basis=basis_named(w.basis),
            angle_deg=w.angle,
            clockwise=w.clockwise,
            tape_mark_mm=frame.tape_mark_mm,
        )
        with quiet(), collected_notices():
            r = rate(given)
        assert r.spare_percent is not None  # the search offers rated drives only
        kind = c.belt.section.line_kind

        def wheel(line_mm: float) -> dict[str, Any]:
            return {"diameter": line_mm, "kind": kind, "groove": c.belt.section.groove}

        given_in: dict[str, Any] = {
            "power": w.power_kw,
            "driver": {"speed": w.driver_rpm, "sheave": wheel(c.driver.line_mm)},
            "driven": {"sheave": wheel(c.driven.line_mm)},
            "belt": {"designation": c.belt.designation, "count": c.belts},
            "layout": {"angle": w.angle, "clockwise": w.clockwise},
        }
        size = "/".join(frame.figure(s.outside_mm, "length", "size").number for s in (c.driver, c.driven))
        return Offered(
            name=f"{c.belts} × {c.belt.designation}",
            input=given_in,
            driven_rpm=r.driven_rpm,
            error_percent=c.speed_error_percent,
            centre_mm=r.centre_mm,
            spare_percent=r.spare_percent,
            width_mm=c.width_mm,
            shaft_load_n=r.tension.shaft_load.newtons,
            weight=r.weight,
            parts=c.belts + 2,
            efficiency=efficiency_band(efficiency_kind(c.belt.section)),
            kinds=c.kinds,
            telling=f"outside {size} {frame.figure(1, 'length').unit_shown}",
            elevation=r.elevation,
        )


V_BELTS = register(VBelts())
