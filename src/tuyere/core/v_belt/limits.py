"""What a V-belt drive must meet in a search: the duty's figures of every candidate, and how far each misses a limit."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any

import numpy as np
from numpy.typing import NDArray

from tuyere.core.rounding import round_up
from tuyere.core.speeds.formulas import belt_speed, driven_speed, small_sheave_speed
from tuyere.core.tension.formulas import (
    arc_factor_closed,
    centrifugal_newtons,
    centrifugal_tension,
    design_horsepower,
    hub_load_running,
    hub_load_standing,
    net_pull,
    slack_strand,
    slip_limit,
    speed_in_feet,
    static_tension,
    static_tension_newtons,
    tension_ratio_limit,
    tension_that_grips,
    tight_strand,
)
from tuyere.core.tension.set_tension import FRICTION, NEW
from tuyere.core.v_belt.catalogue import COLUMNS, Catalogue
from tuyere.core.v_belt.formulas import belts_needed, spare_power
from tuyere.core.v_belt.sections import sections
from tuyere.core.v_belt.sheaves import Sheave
from tuyere.core.v_belt.tables import RIM_SPEED_LIMIT_M_S
from tuyere.core.v_belt.weight import face_mm, sheaves_weight

Array = NDArray[np.float64]

LEAST_ARC, METRIC_LEAST_ARC = 82.8, 90.0  # where the arc tables end
PASS = 1e-12  # a miss smaller than rounding is none
# What counts how much in the order, each against the best one found.
WEIGHTS: dict[str, float] = dict.fromkeys(
    ("parts", "size", "width", "weight", "shaft_load", "speed", "spare", "common", "stock"), 1.0
)
LIMITS = (
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
# Room for a hub round a shaft: common practice, the groove's bottom at one and a half times the bore.
HUB = 1.5


@dataclass(frozen=True, slots=True)
class Stock:
    """What is on the shelf: belt designations, and sheaves as (groove, diameter along the length's line in mm)."""

    belts: frozenset[str] = frozenset()
    sheaves: tuple[tuple[str, float], ...] = ()

    def has_sheave(self, wheel: Sheave) -> bool:
        """A sheave is the same part within half a millimetre."""
        return any(groove == wheel.groove and abs(line - wheel.line_mm) <= 0.5 for groove, line in self.sheaves)


@dataclass(frozen=True, kw_only=True)
class Wanted:
    """The duty of a search. kW, rpm, mm, N; tolerances in percent.

    ``least_classical_mm`` and ``least_narrow_mm`` are what the motor allows as its least sheave (0: not asked),
    the shafts' diameters ask for hub room (0: not asked), ``largest_load_n`` is the shaft load that shaft or bearing stands.
    """

    power_kw: float
    design_kw: float
    driver_rpm: float
    driven_rpm: float
    tolerance_percent: float
    centre_low_mm: float
    centre_high_mm: float
    most_belts: int = 8
    largest_driver_mm: float = np.inf
    largest_driven_mm: float = np.inf
    widest_mm: float = np.inf
    slip_percent: float = 0.0
    weights: dict[str, float] = field(default_factory=lambda: dict(WEIGHTS))
    stock: Stock | None = None
    least_classical_mm: float = 0.0
    least_narrow_mm: float = 0.0
    driver_shaft_mm: float = 0.0
    driven_shaft_mm: float = 0.0
    largest_load_n: float = np.inf


def speed_error(c: dict[str, Any], wanted: Wanted) -> Any:
    """Driven speed against the wanted one, percent."""
    driven = driven_speed(wanted.driver_rpm, c["driver_pitch"], c["driven_pitch"], wanted.slip_percent)
    return 100 * (driven / wanted.driven_rpm - 1)


def _power(catalogue: Catalogue, rows: NDArray[np.int64], c: dict[str, Any], small_rpm: Any) -> Array:
    """kW of one belt, row by row, each section by its own basis; nan outside a basis's tables."""
    of = catalogue.section_index[rows]
    kw = np.full(len(rows), np.nan)
    every = list(sections().values())
    for number, basis in catalogue.rated_by.items():
        at = np.flatnonzero(of == number)
        if len(at):
            part = {n: c[n][at] for n in ("small_pitch", "ratio", "K_theta", "K_L")}
            kw[at] = basis.powers(
                every[number],
                part["small_pitch"],
                ratio=part["ratio"],
                rpm=small_rpm[at],
                K_theta=part["K_theta"],
                K_L=part["K_L"],
            ).belt_kw
    return kw


def _shaft_load(c: dict[str, Any], wanted: Wanted, belts: Any, speed: Any) -> Array:
    """Shaft load of candidates, N: standing as set new or running, the greater, by the formulas of the single drive."""
    feet = speed_in_feet(speed)
    t_c = centrifugal_tension(c["K_c"], feet)
    t_c_n = centrifugal_newtons(t_c)
    g = arc_factor_closed(c["arc"])
    published = static_tension_newtons(static_tension(g, design_horsepower(wanted.design_kw), belts, feet, t_c))
    pull = net_pull(wanted.power_kw, speed, belts)
    static = tension_that_grips(published, slip_limit(pull, tension_ratio_limit(FRICTION, c["arc"]), t_c_n))
    standing = hub_load_standing(belts, NEW[1] * static, c["arc"])
    running = hub_load_running(belts, tight_strand(static, pull), slack_strand(static, pull), t_c_n, c["arc"])
    greater: Array = np.maximum(standing, running)
    return greater


def evaluate(catalogue: Catalogue, rows: NDArray[np.int64], wanted: Wanted) -> dict[str, Any]:
    """Figures of candidates for a duty, by the same formulas as the single drive.

    Gives driven_rpm, error (%), speed (m/s), power (kW a belt), exact, belts, shaft_load (N), width (mm), spare (%),
    weight (kg, middle of the band), large (mm, outside) and uncommon (wheels seldom on a shelf).
    """
    c = {n: catalogue.columns[n][rows] for n in COLUMNS}
    error = speed_error(c, wanted)
    speed = belt_speed(c["driver_pitch"], wanted.driver_rpm)
    small_rpm = small_sheave_speed(wanted.driver_rpm, c["driver_pitch"], c["small_pitch"])
    power = _power(catalogue, rows, c, small_rpm)
    exact = belts_needed(wanted.design_kw, power)
    belts = np.maximum(round_up(exact), 1.0)
    load = _shaft_load(c, wanted, belts, speed)
    width = face_mm(c["groove_pitch"], c["edge"], belts)
    wheels = sheaves_weight(
        c["driver_outside"],
        c["driven_outside"],
        face=width,
        belts=belts,
        depth_mm=c["groove_depth"],
        area_mm2=c["groove_area"],
    )
    return {
        "driven_rpm": wanted.driven_rpm * (1 + error / 100),
        "error": error,
        "speed": speed,
        "power": power,
        "exact": exact,
        "belts": belts,
        "shaft_load": load,
        "width": width,
        "spare": spare_power(power, belts, wanted.design_kw),
        "weight": wheels.plus(belts * c["mass"] * c["length"] / 1000).middle_kg,
        "large": np.maximum(c["driver_outside"], c["driven_outside"]),
        "uncommon": c["uncommon"],
    }


def misses(c: dict[str, Any], r: dict[str, Any], wanted: Wanted) -> list[tuple[Any, Any, Any]]:
    """Per limit of LIMITS: (value, bound, how far beyond as a fraction; 0 or less passes, inf if not defined)."""
    motor = np.where(c["wedge"] > 0, wanted.least_narrow_mm, wanted.least_classical_mm)
    bore = np.maximum(
        HUB * wanted.driver_shaft_mm / c["driver_bottom"] - 1, HUB * wanted.driven_shaft_mm / c["driven_bottom"] - 1
    )
    high = c["centre"] > wanted.centre_high_mm
    bound = np.where(high, wanted.centre_high_mm, wanted.centre_low_mm)
    off = np.maximum(c["centre"] - wanted.centre_high_mm, wanted.centre_low_mm - c["centre"])
    size = np.maximum(
        1 - c["small_pitch"] / c["least_pitch"],
        np.maximum(
            c["driver_outside"] / wanted.largest_driver_mm - 1, c["driven_outside"] / wanted.largest_driven_mm - 1
        ),
    )
    carries = r["power"] > 0
    # The sheave that misses: too small for its section, or too large for the room.
    driver_over = c["driver_outside"] / wanted.largest_driver_mm >= c["driven_outside"] / wanted.largest_driven_mm
    small = c["small_pitch"] < c["least_pitch"]
    sheave = np.where(small, c["small_pitch"], np.where(driver_over, c["driver_outside"], c["driven_outside"]))
    sheave_bound = np.where(
        small, c["least_pitch"], np.where(driver_over, wanted.largest_driver_mm, wanted.largest_driven_mm)
    )
    # A row without an arc factor falls at the arc; without a power it is outside its rating table.
    arcless = np.isnan(c["K_theta"])
    known = ~np.isnan(r["power"]) | arcless
    carries = carries | arcless
    least_arc = np.where(arcless & (c["arc"] >= LEAST_ARC), METRIC_LEAST_ARC, LEAST_ARC)
    belts = np.where(r["power"] > 0, r["belts"], 1.0)
    width = np.where(r["power"] > 0, r["width"], 0.0)
    return [
        (r["error"], wanted.tolerance_percent, (np.abs(r["error"]) - wanted.tolerance_percent) / 100),
        (sheave, sheave_bound, size),
        (c["motor_size"], motor, 1 - c["motor_size"] / np.maximum(motor, 1e-9)),
        (
            np.minimum(c["driver_bottom"], c["driven_bottom"]),
            HUB * max(wanted.driver_shaft_mm, wanted.driven_shaft_mm),
            bore,
        ),
        (c["centre"], bound, np.where(np.isnan(off), np.inf, off / max(wanted.centre_high_mm, 1.0))),
        (
            c["arc"],
            least_arc,
            np.where(
                np.isnan(c["centre"]),
                0.0,
                np.where(np.isnan(c["K_theta"]), np.maximum(1 - c["arc"] / least_arc, 1e-6), 0.0),
            ),
        ),
        (r["speed"], RIM_SPEED_LIMIT_M_S, r["speed"] / RIM_SPEED_LIMIT_M_S - 1),
        (r["power"], 0.0, np.where(known, 0.0, np.inf)),
        (r["power"], 0.0, np.where(known & ~carries, np.nan_to_num(np.abs(r["power"])) / wanted.design_kw + 1e-6, 0.0)),
        (r["belts"], float(wanted.most_belts), belts / wanted.most_belts - 1),
        (r["width"], wanted.widest_mm, width / wanted.widest_mm - 1),
        (
            r["shaft_load"],
            wanted.largest_load_n,
            np.where(r["power"] > 0, r["shaft_load"] / wanted.largest_load_n - 1, 0.0),
        ),
    ]
