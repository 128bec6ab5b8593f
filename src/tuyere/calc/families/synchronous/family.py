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
            WheelPart("pulley", result.driver_pitch.value, "pitch", given.profile, teeth=given.driver_teeth),
            WheelPart("pulley", result.driven_pitch.value, "pitch", given.profile, teeth=given.driven_teeth),
            LoopPart(given.profile, result.designation, result.belt_length.value, "pitch", 1, 1, spec),
            result.centre_distance.value, given.layout.angle, given.layout.clockwise,
        )  # fmt: skip

    def input_of(self, duty: StoredDuty, parts: Parts) -> dict[str, Any]:
        """Back to the calculation's input: the belt stays what was fitted, the centres follow from it."""
        out: dict[str, Any] = {
            **duty.common, "speed": duty.driver_rpm, "profile": parts.loop.section,
            "driver_teeth": parts.driver.teeth, "driven_teeth": parts.driven.teeth,
            "layout": {"angle": parts.angle, "clockwise": parts.clockwise},
        } | parts.loop.spec  # fmt: skip
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
            Search(wanted.power_kw, factor, wanted.driver_rpm, wanted.driven_rpm, wanted.tolerance_percent, wanted.centre_low_mm,
                   wanted.centre_high_mm, wanted.largest_mm, wanted.widest_mm, own), keep, 2)  # fmt: skip
        options = tuple(self._offered(c, wanted, factor, own, frame) for c in found.best)
        return Offer(found.considered, found.accepted, options, found.rejected, MISSING if own is None else "")

    def _offered(self, c: Candidate, w: Wanted, factor: float, own: Own | None, frame: Frame) -> Offered:
        given = SyncGiven(w.power_kw, factor, w.driver_rpm, c.profile, c.width_mm, c.z_1, c.z_2, None, c.belt_teeth, "none",
                          own.tension_n if own else None, own.mass_kg_m or None if own else None, False, w.angle, w.clockwise,
                          frame.tape_mark_mm)  # fmt: skip
        with quiet(), collected_notices():
            r = work_sync_drive(given)
        given_in: dict[str, Any] = {
            "power": w.power_kw, "speed": w.driver_rpm, "profile": c.profile.name, "width": c.width_mm, "driver_teeth": c.z_1,
            "driven_teeth": c.z_2, "belt_teeth": c.belt_teeth, "layout": {"angle": w.angle, "clockwise": w.clockwise},
        }  # fmt: skip
        if own is not None:
            given_in["own_tension"] = own.tension_n
            if own.mass_kg_m:
                given_in["own_mass"] = own.mass_kg_m
        width = frame.figure(c.width_mm, "length", "size").shown
        return Offered(
            f"{c.profile.name}, {c.belt_teeth} teeth, {width} wide", given_in, r.driven_rpm, c.error_percent, r.length.centre_mm,
            r.spare_percent, c.width_mm, r.shaft_load.newtons, r.weight, 3, efficiency_band(KIND), c.kinds,
            f"{c.z_1}/{c.z_2} teeth, {r.length.mesh} in mesh", r.length.elevation,
        )  # fmt: skip


SYNCHRONOUS = register(SynchronousBelts())
