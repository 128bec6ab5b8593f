"""Every standard V-belt drive for a duty: the sweep, what fell out and why, and the best few."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any

import numpy as np
from numpy.typing import NDArray

from tuyere.core.rounding import round_up
from tuyere.core.speeds.formulas import belt_speed, driven_speed, small_sheave_speed
from tuyere.core.steps import quiet
from tuyere.core.sweep import BLOCK, blocks
from tuyere.core.tension.formulas import (
    arc_factor_closed,
    centrifugal_tension,
    design_horsepower,
    hub_load_standing,
    speed_in_feet,
    static_tension,
    static_tension_newtons,
)
from tuyere.core.units import MM_PER_IN
from tuyere.core.vbelt.belts import Belt
from tuyere.core.vbelt.catalogue import COLUMNS, Catalogue
from tuyere.core.vbelt.formulas import belts_needed
from tuyere.core.vbelt.sections import sections
from tuyere.core.vbelt.sheaves import Sheave
from tuyere.core.vbelt.tables import RIM_SPEED_LIMIT_M_S

Array = NDArray[np.float64]

LEAST_ARC, METRIC_LEAST_ARC = 82.8, 90.0  # where the arc tables end
PASS = 1e-12  # a miss smaller than rounding is none
WEIGHTS: dict[str, float] = {"belts": 1.0, "shaft_load": 1.0, "width": 1.0, "speed": 1.0, "stock": 1.0}
LIMITS = ("speed", "sheave size", "centre distance", "arc", "rim speed", "rating table", "power", "belts", "face width")


@dataclass(frozen=True, slots=True)
class Stock:
    """What is on the shelf: belt designations, and sheaves as (groove, diameter along the length's line in mm)."""

    belts: frozenset[str] = frozenset()
    sheaves: tuple[tuple[str, float], ...] = ()

    def has_sheave(self, wheel: Sheave) -> bool:
        """A sheave is the same part within half a millimetre."""
        return any(groove == wheel.groove and abs(line - wheel.line_mm) <= 0.5 for groove, line in self.sheaves)


@dataclass(frozen=True)
class Wanted:
    """The duty of a search. kW, rpm, mm; tolerances in percent."""

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


@dataclass(frozen=True, slots=True)
class Candidate:
    """A drive that passes, with the figures it is ranked by."""

    driver: Sheave
    driven: Sheave
    belt: Belt
    belts: int
    shaft_load_n: float
    width_mm: float
    speed_error_percent: float
    centre_mm: float
    cost: float
    parts: dict[str, float]
    stocked: bool
    on_shelf: int = 0


@dataclass(frozen=True, slots=True)
class Rejected:
    """A limit: how many fell at it first, and the one that missed it least (``miss`` in percent)."""

    limit: str
    count: int
    nearest: str
    value: float
    bound: float
    miss_percent: float
    only_this: bool


@dataclass(frozen=True, slots=True)
class Choice:
    """What a search found."""

    considered: int
    accepted: int
    best: tuple[Candidate, ...]
    rejected: tuple[Rejected, ...]


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
                every[number], part["small_pitch"], part["ratio"], small_rpm[at], part["K_theta"], part["K_L"]
            ).belt_kw
    return kw


def evaluate(catalogue: Catalogue, rows: NDArray[np.int64], wanted: Wanted) -> dict[str, Any]:
    """Figures of candidates for a duty, by the same formulas as the single drive.

    Gives driven_rpm, error (%), speed (m/s), power (kW a belt), exact, belts, hub (N, standing), width (mm).
    """
    c = {n: catalogue.columns[n][rows] for n in COLUMNS}
    error = speed_error(c, wanted)
    speed = belt_speed(c["driver_pitch"], wanted.driver_rpm)
    small_rpm = small_sheave_speed(wanted.driver_rpm, c["driver_pitch"], c["small_pitch"])
    power = _power(catalogue, rows, c, small_rpm)
    exact = belts_needed(wanted.design_kw, power)
    belts = np.maximum(round_up(exact), 1.0)
    feet = speed_in_feet(speed)
    t_st = static_tension(
        arc_factor_closed(c["arc"]),
        design_horsepower(wanted.design_kw),
        belts,
        feet,
        centrifugal_tension(c["K_c"], feet),
    )
    hub = hub_load_standing(belts, static_tension_newtons(t_st), c["arc"])
    return {
        "driven_rpm": wanted.driven_rpm * (1 + error / 100),
        "error": error,
        "speed": speed,
        "power": power,
        "exact": exact,
        "belts": belts,
        "hub": hub,
        "width": (belts - 1) * c["groove_pitch"] + 2 * c["edge"],
    }


def misses(c: dict[str, Any], r: dict[str, Any], wanted: Wanted) -> list[tuple[Any, Any, Any]]:
    """Per limit of LIMITS: (value, bound, how far beyond as a fraction; 0 or less passes, inf if not defined)."""
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
    # A row without an arc factor falls at the arc; without a power it is outside its rating table.
    arcless = np.isnan(c["K_theta"])
    known = ~np.isnan(r["power"]) | arcless
    carries = carries | arcless
    least_arc = np.where(c["arc"] < LEAST_ARC, LEAST_ARC, METRIC_LEAST_ARC)
    belts = np.where(r["power"] > 0, r["belts"], 1.0)
    width = np.where(r["power"] > 0, r["width"], 0.0)
    return [
        (r["error"], wanted.tolerance_percent, (np.abs(r["error"]) - wanted.tolerance_percent) / 100),
        (c["small_pitch"], c["least_pitch"], size),
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
    ]


@dataclass
class _Near:
    miss: float = np.inf
    row: int = -1
    value: float = 0.0
    bound: float = 0.0


def search(catalogue: Catalogue, wanted: Wanted, keep: int = 12, each_section: int = 3) -> Choice:
    """Sweep a catalogue for a duty. Rows are counted once, at the first limit of LIMITS that they miss.

    The nearest miss of a limit is the row that fails nothing else and this least; failing that, the
    least miss among those counted there.
    """
    counts = np.zeros(len(LIMITS), dtype=np.int64)
    lone = [_Near() for _ in LIMITS]
    first = [_Near() for _ in LIMITS]
    passed: list[NDArray[np.int64]] = []
    figures: list[dict[str, Array]] = []
    with quiet(), np.errstate(all="ignore"):
        for low, high in blocks(len(catalogue), BLOCK):
            # The speed comes first and most rows fail it by far: they are counted, and worked on only while
            # they could still be the nearest miss.
            error = speed_error({n: catalogue.columns[n][low:high] for n in ("driver_pitch", "driven_pitch")}, wanted)
            off = (np.abs(error) - wanted.tolerance_percent) / 100
            worth = np.flatnonzero(off <= max(lone[0].miss, PASS))
            counts[0] += (high - low) - len(worth)
            if not len(worth):
                continue
            rows = worth + low
            c = {n: catalogue.columns[n][rows] for n in COLUMNS}
            r = evaluate(catalogue, rows, wanted)
            limits = misses(c, r, wanted)
            over = np.stack([np.broadcast_to(m, rows.shape) for _, _, m in limits])
            failed = over > PASS
            n_failed = failed.sum(axis=0)
            where_first = np.argmax(failed, axis=0)
            ok = n_failed == 0
            counts += np.bincount(where_first[~ok], minlength=len(LIMITS))
            for k, (value, bound, _) in enumerate(limits):
                for near, mask in ((lone[k], failed[k] & (n_failed == 1)), (first[k], ~ok & (where_first == k))):
                    if near is first[k] and lone[k].row >= 0:
                        continue
                    here = np.flatnonzero(mask)
                    if not len(here):
                        continue
                    at = int(here[np.argmin(over[k][here])])
                    if over[k][at] < near.miss:
                        near.miss, near.row = float(over[k][at]), int(rows[at])
                        near.value = float(np.broadcast_to(value, rows.shape)[at])
                        near.bound = float(np.broadcast_to(bound, rows.shape)[at])
            if ok.any():
                passed.append(rows[ok])
                figures.append({n: np.asarray(r[n])[ok] for n in ("error", "belts", "hub", "width", "power")})
    rejected = tuple(
        _rejected(catalogue, k, int(counts[k]), lone[k], first[k]) for k in range(len(LIMITS)) if counts[k]
    )
    if not passed:
        return Choice(len(catalogue), 0, (), rejected)
    rows = np.concatenate(passed)
    found = {n: np.concatenate([f[n] for f in figures]) for n in figures[0]}
    best = _ranked(catalogue, rows, found, wanted, keep, each_section)
    return Choice(len(catalogue), len(rows), tuple(best), rejected)


def _name(catalogue: Catalogue, row: int) -> str:
    belt = catalogue.belts[catalogue.belt_index[row]]
    a, b = catalogue.wheels[catalogue.driver_index[row]], catalogue.wheels[catalogue.driven_index[row]]
    if belt.section.metric:
        return f"{belt.designation} on {a.line_mm:.4g} / {b.line_mm:.4g} mm"
    return f"{belt.designation} on {a.line_mm / MM_PER_IN:g} / {b.line_mm / MM_PER_IN:g} in"


def _rejected(catalogue: Catalogue, k: int, count: int, lone: _Near, first: _Near) -> Rejected:
    near = lone if lone.row >= 0 else first
    return Rejected(
        LIMITS[k],
        count,
        _name(catalogue, near.row) if near.row >= 0 else "",
        near.value,
        near.bound,
        100 * near.miss,
        lone.row >= 0,
    )


def _not_there(catalogue: Catalogue, rows: NDArray[np.int64], stock: Stock) -> Array:
    """How many of driver, driven and belt are not on the shelf, 0 to 3."""
    wheel = np.array([not stock.has_sheave(w) for w in catalogue.wheels], dtype=float)
    belt = np.array([b.designation not in stock.belts for b in catalogue.belts], dtype=float)
    missing: Array = (
        wheel[catalogue.driver_index[rows]] + wheel[catalogue.driven_index[rows]] + belt[catalogue.belt_index[rows]]
    )
    return missing


def _ranked(
    catalogue: Catalogue, rows: NDArray[np.int64], found: dict[str, Array], wanted: Wanted, keep: int, each_section: int
) -> list[Candidate]:
    """The best few: each figure against the best one found, weighted; a pair of sheaves is shown once."""
    w = wanted.weights
    parts = {
        "belts": found["belts"] / found["belts"].min(),
        "shaft_load": found["hub"] / found["hub"].min(),
        "width": found["width"] / found["width"].min(),
        "speed": 1 + np.abs(found["error"]) / max(wanted.tolerance_percent, 0.01),
    }
    missing = None if wanted.stock is None else _not_there(catalogue, rows, wanted.stock)
    if missing is not None:
        parts["stock"] = 1 + missing / 3
    cost = sum(w.get(n, 0.0) * p for n, p in parts.items())
    centre = catalogue.columns["centre"][rows]
    aside = np.abs(centre - (wanted.centre_low_mm + wanted.centre_high_mm) / 2)
    order = np.lexsort((aside, np.round(cost, 9)))
    best: list[Candidate] = []
    names = list(sections().values())
    # A cogged and a wrapped belt share their sheaves: the pair is shown once, with the better of the two.
    pairs: set[tuple[str, float, float]] = set()
    per_section: dict[int, int] = {}
    for k in order:
        row = int(rows[k])
        of = int(catalogue.section_index[row])
        driver, driven = int(catalogue.driver_index[row]), int(catalogue.driven_index[row])
        a, b = catalogue.wheels[driver], catalogue.wheels[driven]
        pair = (names[of].groove, round(a.line_mm, 3), round(b.line_mm, 3))
        if pair in pairs or per_section.get(of, 0) >= each_section:
            continue
        pairs.add(pair)
        per_section[of] = per_section.get(of, 0) + 1
        best.append(
            Candidate(
                a,
                b,
                catalogue.belts[catalogue.belt_index[row]],
                int(found["belts"][k]),
                float(found["hub"][k]),
                float(found["width"][k]),
                float(found["error"][k]),
                float(centre[k]),
                float(cost[k]),
                {n: float(p[k]) for n, p in parts.items()},
                bool(catalogue.stocked[driver] and catalogue.stocked[driven]),
                0 if missing is None else 3 - int(missing[k]),
            )
        )
        if len(best) == keep:
            break
    return best
