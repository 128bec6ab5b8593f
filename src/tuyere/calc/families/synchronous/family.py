"""The synchronous belt's adapter."""

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
from tuyere.calc.families.synchronous.drive_model import SyncDriveIn, SyncDriveOut
from tuyere.calc.families.synchronous.parts import OwnBeltIn
from tuyere.calc.frame import Frame
from tuyere.calc.parts import factor_of
from tuyere.core.duty.losses import efficiency_band
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.synchronous.choose import Candidate, Own, search
from tuyere.core.synchronous.choose import Wanted as Search
from tuyere.core.synchronous.drive import SyncGiven, work_sync_drive
from tuyere.core.synchronous.service import sync_factor

KIND = "synchronous"
MISSING = (
    "Metric and curvilinear profiles (T, H8M and the like) have no public rating: with the tension their maker allows at one width they are "
    "searched too."
)


class SynchronousBelts(Family[SyncDriveIn]):
    """Toothed belts on toothed pulleys."""

    key, title, order, calc = "synchronous", "Synchronous belts", 30, "sync-drive"
    manners_table = "sync_manners"
    speed_field = "speed"
    found_fields = (
        "profile",
        "width",
        "driver_teeth",
        "driven_teeth",
        "centre_distance",
        "belt_teeth",
        "idler",
        "upright",
        "own_tension",
        "own_mass",
    )

    def duty_of(self, given: SyncDriveIn, result: SyncDriveOut) -> DutyPart:
        """The duty that an input states."""
        return DutyPart(
            power=given.power,
            driver_speed=given.speed,
            service=given.service_factor,
            driven_rpm=result.driven_speed.value,
            wanted=given.wanted,
        )

    def parts_of(self, given: SyncDriveIn, result: SyncDriveOut) -> Parts:
        """Two toothed pulleys and the belt, whose length is in teeth."""
        spec: dict[str, Any] = {
            "belt_teeth": int(result.belt_teeth.value),
            "width": given.width.value,
            "idler": given.idler,
            "upright": given.upright,
        }
        spec |= {n: e.value for n in ("own_tension", "own_mass") if (e := getattr(given, n)) is not None}
        return Parts(
            driver=WheelPart(
                kind="pulley",
                diameter_mm=result.driver_pitch.value,
                diameter_kind="pitch",
                profile=given.profile,
                teeth=given.driver_teeth,
            ),
            driven=WheelPart(
                kind="pulley",
                diameter_mm=result.driven_pitch.value,
                diameter_kind="pitch",
                profile=given.profile,
                teeth=given.driven_teeth,
            ),
            loop=LoopPart(
                section=given.profile,
                designation=result.designation,
                length_mm=result.belt_length.value,
                length_kind="pitch",
                strands=1,
                members=1,
                spec=spec,
            ),
            centre_mm=result.centre_distance.value,
            angle=given.layout.angle,
            clockwise=given.layout.clockwise,
        )

    def input_of(self, duty: StoredDuty, parts: Parts) -> dict[str, Any]:
        """Back to the calculation's input: the belt stays what was fitted, the centres follow from it."""
        out: dict[str, Any] = {
            **duty.common,
            "speed": duty.driver_rpm,
            "profile": parts.loop.section,
            "driver_teeth": parts.driver.teeth,
            "driven_teeth": parts.driven.teeth,
            "layout": {"angle": parts.angle, "clockwise": parts.clockwise},
        } | parts.loop.spec
        return out

    def offer(self, wanted: Wanted, frame: Frame, keep: int) -> Offer:
        """The best over the rated profiles, or over the user's own belt where one is given."""
        factor = factor_of(wanted.service, sync_factor)
        given: OwnBeltIn | None = wanted.own.get(self.key)
        own = (
            None
            if given is None
            else Own(given.profile, given.tension.value, given.width.value, given.mass.value if given.mass else 0.0)
        )
        found = search(
            Search(
                power_kw=wanted.power_kw,
                load_factor=factor,
                driver_rpm=wanted.driver_rpm,
                driven_rpm=wanted.driven_rpm,
                tolerance_percent=wanted.tolerance_percent,
                centre_low_mm=wanted.centre_low_mm,
                centre_high_mm=wanted.centre_high_mm,
                largest_mm=wanted.largest_mm,
                widest_mm=wanted.widest_mm,
                own=own,
            ),
            keep,
            2,
        )
        options = tuple(self._offered(c, wanted, factor, own, frame) for c in found.best)
        return Offer(
            considered=found.considered,
            accepted=found.accepted,
            options=options,
            rejected=found.rejected,
            missing=MISSING if own is None else "",
        )

    def _offered(self, c: Candidate, w: Wanted, factor: float, own: Own | None, frame: Frame) -> Offered:
        given = SyncGiven(
            power_kw=w.power_kw,
            load_factor=factor,
            driver_rpm=w.driver_rpm,
            profile=c.profile,
            width_mm=c.width_mm,
            z_1=c.z_1,
            z_2=c.z_2,
            centre_mm=None,
            belt_teeth=c.belt_teeth,
            idler="none",
            own_tension_n=own.tension_n if own else None,
            own_mass_kg_m=own.mass_kg_m or None if own else None,
            upright=False,
            angle_deg=w.angle,
            clockwise=w.clockwise,
            tape_mark_mm=frame.tape_mark_mm,
        )
        with quiet(), collected_notices():
            r = work_sync_drive(given)
        given_in: dict[str, Any] = {
            "power": w.power_kw,
            "speed": w.driver_rpm,
            "profile": c.profile.name,
            "width": c.width_mm,
            "driver_teeth": c.z_1,
            "driven_teeth": c.z_2,
            "belt_teeth": c.belt_teeth,
            "layout": {"angle": w.angle, "clockwise": w.clockwise},
        }
        if own is not None:
            given_in["own_tension"] = own.tension_n
            if own.mass_kg_m:
                given_in["own_mass"] = own.mass_kg_m
        width = frame.figure(c.width_mm, "length", "size").shown
        return Offered(
            name=f"{c.profile.name}, {c.belt_teeth} teeth, {width} wide",
            input=given_in,
            driven_rpm=r.driven_rpm,
            error_percent=c.error_percent,
            centre_mm=r.length.centre_mm,
            spare_percent=r.spare_percent,
            width_mm=c.width_mm,
            shaft_load_n=r.shaft_load.newtons,
            weight=r.weight,
            parts=3,
            efficiency=efficiency_band(KIND),
            kinds=c.kinds,
            telling=f"{c.z_1}/{c.z_2} teeth, {r.length.mesh} in mesh",
            elevation=r.length.elevation,
        )


SYNCHRONOUS = register(SynchronousBelts())
