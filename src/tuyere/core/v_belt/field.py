"""Every standard V-belt drive for a duty: its figures by the formulas of the single drive, and what it must meet."""

from __future__ import annotations

from collections.abc import Hashable
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from tuyere.core.drive.ranking import Array, Figures
from tuyere.core.drive.search import Columns, DutyWanted, Field, Held, Rows, Stock, hub_room, short_of, within
from tuyere.core.rounding import round_up
from tuyere.core.speeds.formulas import belt_speed, driven_speed, small_sheave_speed
from tuyere.core.tension.formulas import (
    arc_factor_closed,
    centrifugal_newtons,
    centrifugal_tension,
    design_horsepower,
    net_pull,
    shaft_load_running,
    shaft_load_standing,
    slack_strand,
    slip_limit,
    speed_in_feet,
    static_tension,
    static_tension_newtons,
    tension_ratio_limit,
    tension_that_grips,
    tight_strand,
)
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.belts import Belt
from tuyere.core.v_belt.catalogue import Catalogue
from tuyere.core.v_belt.formulas import belts_needed, spare_power
from tuyere.core.v_belt.sections import Section, sections
from tuyere.core.v_belt.setting import FRICTION, NEW
from tuyere.core.v_belt.sheaves import Sheave
from tuyere.core.v_belt.tables import RIM_SPEED_LIMIT_M_S
from tuyere.core.v_belt.weight import face_mm, sheaves_weight

LEAST_ARC, METRIC_LEAST_ARC = 82.8, 90.0  # where the arc tables end
CLASSICAL, WEDGE = "classical", "wedge"


@dataclass(frozen=True, slots=True, kw_only=True)
class VBeltCandidate:
    """A drive of the catalogue: sheaves and belt."""

    driver: Sheave
    driven: Sheave
    belt: Belt
    centre_mm: float
    stocked: bool


class VBeltField(Field[VBeltCandidate]):
    """A catalogue held against a duty; ``most_members`` are belts."""

    limits = (
        "speed",
        "sheave size",
        "motor sheave",
        "shaft bore",
        "centre distance",
        "arc",
        "rim speed",
        "rating table",
        "power",
        "belts",
        "face width",
        "shaft load",
    )
    cheap_limits = 7
    each = 3

    def __init__(self, catalogue: Catalogue, wanted: DutyWanted) -> None:
        """For a duty."""
        super().__init__(wanted)
        self.catalogue = catalogue

    def __len__(self) -> int:
        """Combinations."""
        return len(self.catalogue)

    def factors(self) -> tuple[Rows, Array]:
        """Rows in the order of the speed they give."""
        return self.catalogue.by_speed

    def errors(self, rows: Rows) -> Array:
        """Driven speed against the wanted one, percent."""
        c, w = self.catalogue.at(rows, ("driver_pitch", "driven_pitch")), self.wanted
        driven = driven_speed(w.driver_rpm, c["driver_pitch"], c["driven_pitch"], w.slip_percent)
        off: Array = 100 * (driven / w.driven_rpm - 1)
        return off

    def _size(self, c: Columns) -> Held:
        """The sheave that misses: too small for its section, or too large for the room."""
        w = self.wanted
        miss = np.maximum(
            1 - c["small_pitch"] / c["least_pitch"],
            np.maximum(c["driver_outside"] / w.largest_driver_mm - 1, c["driven_outside"] / w.largest_driven_mm - 1),
        )
        driver_over = c["driver_outside"] / w.largest_driver_mm >= c["driven_outside"] / w.largest_driven_mm
        small = c["small_pitch"] < c["least_pitch"]
        value = np.where(small, c["small_pitch"], np.where(driver_over, c["driver_outside"], c["driven_outside"]))
        bound = np.where(small, c["least_pitch"], np.where(driver_over, w.largest_driver_mm, w.largest_driven_mm))
        return Held(value, bound, miss)

    @staticmethod
    def _arc(c: Columns) -> Held:
        """A row without an arc factor falls at the arc."""
        arcless = np.isnan(c["K_theta"])
        least = np.where(arcless & (c["arc"] >= LEAST_ARC), METRIC_LEAST_ARC, LEAST_ARC)
        short = np.where(arcless, np.maximum(1 - c["arc"] / least, 1e-6), 0.0)
        return Held(c["arc"], least, np.where(np.isnan(c["centre"]), 0.0, short))

    def cheap(self, rows: Rows) -> list[Held]:
        """Speed, sheaves, motor, shafts, centres, arc and rim speed: columns of the catalogue and one product."""
        w = self.wanted
        c = (
            self.catalogue.at(rows, ("small_pitch", "least_pitch", "driver_outside", "driven_outside", "driver_pitch"))
            | self.catalogue.at(rows, ("motor_size", "wedge", "driver_bottom", "driven_bottom", "centre"))
            | self.catalogue.at(rows, ("arc", "K_theta"))
        )
        error = self.errors(rows)
        motor = np.where(c["wedge"] > 0, w.least_driver_mm.get(WEDGE, 0.0), w.least_driver_mm.get(CLASSICAL, 0.0))
        rim = belt_speed(c["driver_pitch"], w.driver_rpm)
        return [
            Held(error, w.tolerance_percent, (np.abs(error) - w.tolerance_percent) / 100),
            self._size(c),
            short_of(c["motor_size"], motor),
            hub_room(c["driver_bottom"], c["driven_bottom"], w),
            within(c["centre"], w.centre_low_mm, w.centre_high_mm),
            self._arc(c),
            Held(rim, RIM_SPEED_LIMIT_M_S, rim / RIM_SPEED_LIMIT_M_S - 1),
        ]

    def _power(self, rows: Rows, c: Columns, small_rpm: Array) -> Array:
        """kW of one belt, row by row, each section by its own basis; nan outside a basis's tables."""
        of = self.catalogue.section_index[rows]
        kw = np.full(len(rows), np.nan)
        for number in np.unique(of):
            at = np.flatnonzero(of == number)
            kw[at] = (
                self.catalogue.rated_by[int(number)]
                .powers(
                    self._sections[int(number)],
                    c["small_pitch"][at],
                    ratio=c["ratio"][at],
                    rpm=small_rpm[at],
                    K_theta=c["K_theta"][at],
                    K_L=c["K_L"][at],
                )
                .belt_kw
            )
        return kw

    @cached_property
    def _sections(self) -> list[Section]:
        return list(sections().values())

    def _shaft_load(self, c: Columns, belts: Array, speed: Array) -> Array:
        """Shaft load of candidates, N: standing as set new or running, the greater, by the formulas of the single drive."""
        w = self.wanted
        feet = speed_in_feet(speed)
        t_c = centrifugal_tension(c["K_c"], feet)
        t_c_n = centrifugal_newtons(t_c)
        g = arc_factor_closed(c["arc"])
        published = static_tension_newtons(static_tension(g, design_horsepower(w.design_kw), belts, feet, t_c))
        pull = net_pull(w.power_kw, speed, belts)
        static = tension_that_grips(published, slip_limit(pull, tension_ratio_limit(FRICTION, c["arc"]), t_c_n))
        standing = shaft_load_standing(belts, NEW[1] * static, c["arc"])
        running = shaft_load_running(belts, tight_strand(static, pull), slack_strand(static, pull), t_c_n, c["arc"])
        greater: Array = np.maximum(standing, running)
        return greater

    def evaluate(self, rows: Rows) -> Columns:
        """Figures for the duty: error (%), speed (m/s), power (kW a belt), belts, shaft_load (N), width (mm), spare (%)."""
        w = self.wanted
        c = self.catalogue.at(rows, ("driver_pitch", "small_pitch", "ratio", "K_theta", "K_L"))
        c |= self.catalogue.at(rows, ("arc", "K_c", "groove_pitch", "edge"))
        speed = belt_speed(c["driver_pitch"], w.driver_rpm)
        small_rpm = small_sheave_speed(w.driver_rpm, c["driver_pitch"], c["small_pitch"])
        power = self._power(rows, c, small_rpm)
        exact = belts_needed(w.design_kw, power)
        belts = np.maximum(round_up(exact), 1.0)
        return {
            "error": self.errors(rows),
            "speed": speed,
            "power": power,
            "belts": belts,
            "shaft_load": self._shaft_load(c, belts, speed),
            "width": face_mm(c["groove_pitch"], c["edge"], belts),
            "spare": spare_power(power, belts, w.design_kw),
        }

    def rest(self, rows: Rows, found: Columns) -> list[Held]:
        """Rating table, power, belts, face width and shaft load."""
        w = self.wanted
        arcless = np.isnan(self.catalogue.columns["K_theta"][rows])
        power = found["power"]
        known, rated = ~np.isnan(power) | arcless, power > 0
        carries = rated | arcless
        return [
            Held(power, 0.0, np.where(known, 0.0, np.inf)),
            Held(power, 0.0, np.where(known & ~carries, np.nan_to_num(np.abs(power)) / w.design_kw + 1e-6, 0.0)),
            Held(found["belts"], float(w.most_members), np.where(rated, found["belts"], 1.0) / w.most_members - 1),
            Held(found["width"], w.widest_mm, np.where(rated, found["width"], 0.0) / w.widest_mm - 1),
            Held(
                found["shaft_load"], w.largest_load_n, np.where(rated, found["shaft_load"] / w.largest_load_n - 1, 0.0)
            ),
        ]

    def figures(self, rows: Rows, found: Columns) -> Figures:
        """Parts bought are the belts and two sheaves."""
        c = self.catalogue.at(rows, ("driver_outside", "driven_outside", "groove_depth", "groove_area", "mass"))
        c |= self.catalogue.at(rows, ("length", "uncommon"))
        wheels = sheaves_weight(
            c["driver_outside"],
            c["driven_outside"],
            face=found["width"],
            belts=found["belts"],
            depth_mm=c["groove_depth"],
            area_mm2=c["groove_area"],
        )
        stock = self.wanted.stock
        return Figures(
            parts=found["belts"] + 2,
            large_mm=np.maximum(c["driver_outside"], c["driven_outside"]),
            width_mm=found["width"],
            weight_kg=wheels.plus(found["belts"] * c["mass"] * c["length"] / 1000).middle_kg,
            shaft_load_n=found["shaft_load"],
            error_percent=found["error"],
            spare_percent=found["spare"],
            uncommon=c["uncommon"],
            missing=None if stock is None else self.missing(rows, stock),
        )

    def missing(self, rows: Rows, stock: Stock) -> Array:
        """How many of driver, driven and belt are not on the shelf, 0 to 3; by part, not by row."""
        own = self.catalogue
        wheel = np.array([not stock.has_wheel(w.groove, w.line_mm) for w in own.wheels], dtype=float)
        belt = np.array([b.designation not in stock.loops for b in own.belts], dtype=float)
        lacking: Array = wheel[own.driver_index[rows]] + wheel[own.driven_index[rows]] + belt[own.belt_index[rows]]
        return lacking

    def candidate(self, row: int) -> VBeltCandidate:
        """The drive of a row."""
        own = self.catalogue
        a, b = own.driver_index[row], own.driven_index[row]
        return VBeltCandidate(
            driver=own.wheels[a],
            driven=own.wheels[b],
            belt=own.belts[own.belt_index[row]],
            centre_mm=float(own.columns["centre"][row]),
            stocked=bool(own.stocked[a] and own.stocked[b]),
        )

    def name(self, row: int) -> str:
        """Belt and sheaves, by their datum or effective diameters."""
        c = self.candidate(row)
        if c.belt.section.metric:
            return f"{c.belt.designation} on {c.driver.line_mm:.4g} / {c.driven.line_mm:.4g} mm"
        return f"{c.belt.designation} on {c.driver.line_mm / MM_PER_IN:g} / {c.driven.line_mm / MM_PER_IN:g} in"

    def group(self, row: int) -> Hashable:
        """A section."""
        return int(self.catalogue.section_index[row])

    def pair(self, row: int) -> Hashable:
        """A cogged and a wrapped belt share their sheaves: the pair is shown with the better of the two."""
        c = self.candidate(row)
        groove = self._sections[int(self.catalogue.section_index[row])].groove
        return groove, round(c.driver.line_mm, 3), round(c.driven.line_mm, 3)

    def same(self, rows: Rows) -> Rows:
        """A number for each pair of sheaves."""
        own = self.catalogue
        pair: Rows = own.driver_index[rows] * len(own.wheels) + own.driven_index[rows]
        return pair

    def aside(self, rows: Rows) -> Array:
        """Of drives alike, the one nearest to the middle of the centres."""
        off: Array = np.abs(
            self.catalogue.columns["centre"][rows] - (self.wanted.centre_low_mm + self.wanted.centre_high_mm) / 2
        )
        return off
