"""Every standard V-belt drive for a duty: the sweep, what fell out and why, and the best few."""

from __future__ import annotations

from dataclasses import dataclass, field
from functools import cache
from typing import Any

import numpy as np
from numpy.typing import NDArray

from tuyere.core.geometry.centre import centres_of_lengths
from tuyere.core.geometry.formulas import open_small_arc
from tuyere.core.rounding import round_up
from tuyere.core.speeds.formulas import belt_speed, driven_speed, ratio_of_diameters, small_sheave_speed
from tuyere.core.steps import quiet
from tuyere.core.sweep import BLOCK, blocks
from tuyere.core.tables import table
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
from tuyere.core.vbelt.belts import Belt, belt_of
from tuyere.core.vbelt.formulas import (
    added_power,
    basic_power,
    belt_power_kw,
    belts_needed,
    corrected_power,
    inch_diameter,
    thousand_rpm,
)
from tuyere.core.vbelt.sheaves import Sheave, sheave
from tuyere.core.vbelt.tables import (
    RIM_SPEED_LIMIT_M_S,
    Section,
    arc_factor,
    length_axis,
    length_factor,
    rating_constants,
    ratio_power,
    sections,
)

Array = NDArray[np.float64]

# The columns a candidate needs, in the order the duty meets them; geometry is duty-free and worked once.
COLUMNS = (
    "driver_pitch",
    "driven_pitch",
    "small_pitch",
    "least_pitch",
    "driver_outside",
    "driven_outside",
    "centre",
    "arc",
    "K_theta",
    "K_L",
    "h_a",
    "K_1",
    "K_2",
    "K_3",
    "K_4",
    "K_c",
    "groove_pitch",
    "edge",
)

PASS = 1e-12  # a miss smaller than rounding is none
WEIGHTS: dict[str, float] = {"belts": 1.0, "shaft_load": 1.0, "width": 1.0, "speed": 1.0}
LIMITS = ("speed", "sheave size", "centre distance", "arc", "rim speed", "power", "belts", "face width")


@dataclass(frozen=True)
class Catalogue:
    """Candidates as columns, with what it takes to name one again."""

    columns: dict[str, Array]
    section_index: NDArray[np.int64]
    driver_index: NDArray[np.int64]
    driven_index: NDArray[np.int64]
    belt_index: NDArray[np.int64]
    belts: tuple[Belt, ...]
    wheels: tuple[Sheave, ...]
    stocked: NDArray[np.bool_]

    def __len__(self) -> int:
        return len(self.section_index)


@dataclass(frozen=True)
class Fixed:
    """Parts that must stay: any may be None. Sheaves carry their groove; so does a belt."""

    driver: Sheave | None = None
    driven: Sheave | None = None
    section: str | None = None
    belt: Belt | None = None


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


def _standard_sheaves(groove: str) -> tuple[list[Sheave], list[bool]]:
    rows = table("diameters").select(section=groove)
    with quiet():
        return [sheave(r[1] * MM_PER_IN, r[2], groove) for r in rows], [bool(r[3]) for r in rows]


def _belts(of: Section) -> list[Belt]:
    xs = length_axis(of.groove).xs
    numbers = table("lengths").column("number", section=of.groove)
    scale = 10 if of.narrow else 1
    with quiet():
        return [belt_of(of, float(n)) for n in numbers if xs[0] <= n / scale <= xs[-1]]


def build_catalogue(fixed: Fixed = Fixed(), basis: str = "ip20-1988") -> Catalogue:
    """All combinations of sheaves and belts over the sections that the fixed parts allow.

    The geometry (exact centre distance, arc, factors) does not depend on the duty and is worked here.
    """
    if fixed == Fixed():
        return _standard_catalogue(basis)
    return _build(fixed, basis)


@cache
def _standard_catalogue(basis: str) -> Catalogue:
    return _build(Fixed(), basis)


def _allowed(of: Section, fixed: Fixed, basis: str) -> bool:
    if fixed.section and of.name != fixed.section:
        return False
    if fixed.belt and of.name != fixed.belt.section.name:
        return False
    if basis == "ip20-1977" and (of.narrow or of.cogged):
        return False
    return all(w is None or w.groove == of.groove for w in (fixed.driver, fixed.driven))


def _build(fixed: Fixed, basis: str) -> Catalogue:
    belts: list[Belt] = []
    wheels: list[Sheave] = []
    stocked: list[bool] = []
    pieces: list[dict[str, Array]] = []
    indices: list[tuple[NDArray[np.int64], ...]] = []
    for number, of in enumerate(sections().values()):
        if not _allowed(of, fixed, basis):
            continue
        own, own_stock = _standard_sheaves(of.groove)
        base = len(wheels)
        wheels += own
        stocked += own_stock
        drivers, drivens = list(range(base, len(wheels))), list(range(base, len(wheels)))
        for one, slot in ((fixed.driver, drivers), (fixed.driven, drivens)):
            if one is not None:
                wheels.append(one)
                stocked.append(True)  # it is there already
                slot[:] = [len(wheels) - 1]
        first_belt = len(belts)
        belts += [fixed.belt] if fixed.belt else _belts(of)
        grid = np.meshgrid(np.array(drivers), np.array(drivens), np.arange(first_belt, len(belts)), indexing="ij")
        d1, d2, b = (g.ravel().astype(np.int64) for g in grid)
        pieces.append(_columns(of, wheels, belts, d1, d2, b, basis))
        indices.append((np.full(len(d1), number, dtype=np.int64), d1, d2, b))
    if not pieces:
        empty = np.zeros(0, dtype=np.int64)
        return Catalogue({c: np.zeros(0) for c in COLUMNS}, empty, empty, empty, empty, (), (), np.zeros(0, bool))
    columns = {c: np.concatenate([p[c] for p in pieces]) for c in COLUMNS}
    s, d1, d2, b = (np.concatenate([i[k] for i in indices]) for k in range(4))
    return Catalogue(columns, s, d1, d2, b, tuple(belts), tuple(wheels), np.array(stocked))


def _columns(
    of: Section,
    wheels: list[Sheave],
    belts: list[Belt],
    d1: NDArray[np.int64],
    d2: NDArray[np.int64],
    b: NDArray[np.int64],
    basis: str,
) -> dict[str, Array]:
    line, pitch, outside = (
        np.array([getattr(w, name) for w in wheels]) for name in ("line_mm", "pitch_mm", "outside_mm")
    )
    lengths = np.array([x.length_in for x in belts]) * MM_PER_IN
    numbers = np.array([x.factor_number for x in belts])
    k_l = np.array([np.nan] * len(belts))
    first = int(b.min()) if b.size else 0
    with quiet():
        k_l[first:] = length_factor(of.groove, numbers[first:])
        constants = rating_constants(of, basis)
        small_line, large_line = np.minimum(line[d1], line[d2]), np.maximum(line[d1], line[d2])
        small_pitch, large_pitch = np.minimum(pitch[d1], pitch[d2]), np.maximum(pitch[d1], pitch[d2])
        centre = centres_of_lengths(lengths[b], small_line, large_line)
        centre = np.where(centre > (outside[d1] + outside[d2]) / 2, centre, np.nan)
        arc = open_small_arc(centre, small_line, large_line)
        h_a = ratio_power(of, ratio_of_diameters(large_pitch, small_pitch), constants[1])
        k_theta = arc_factor(arc)
    least = of.min_diameter_in * MM_PER_IN - (0 if of.min_kind == "pitch" else (line[d1[0]] - pitch[d1[0]]))
    groove_row = table("grooves").select(section=of.groove)[0]
    t = table("grooves")

    def flat(x: float) -> Array:
        return np.full(len(d1), x)

    return {
        "driver_pitch": pitch[d1],
        "driven_pitch": pitch[d2],
        "small_pitch": small_pitch,
        "least_pitch": flat(least),
        "driver_outside": outside[d1],
        "driven_outside": outside[d2],
        "centre": centre,
        "arc": arc,
        "K_theta": k_theta,
        "K_L": k_l[b],
        "h_a": h_a,
        "K_1": flat(constants[0]),
        "K_2": flat(constants[1]),
        "K_3": flat(constants[2]),
        "K_4": flat(constants[3]),
        "K_c": flat(of.K_c),
        "groove_pitch": flat(groove_row[t.index("S_g")] * MM_PER_IN),
        "edge": flat(groove_row[t.index("S_e")] * MM_PER_IN),
    }


def speed_error(c: dict[str, Any], wanted: Wanted) -> Any:
    """Driven speed against the wanted one, percent."""
    driven = driven_speed(wanted.driver_rpm, c["driver_pitch"], c["driven_pitch"], wanted.slip_percent)
    return 100 * (driven / wanted.driven_rpm - 1)


def evaluate(c: dict[str, Any], wanted: Wanted) -> dict[str, Any]:
    """Figures of candidates (floats or arrays) for a duty, by the same formulas as the single drive.

    Gives driven_rpm, error (%), speed (m/s), power (kW a belt), exact, belts, hub (N, standing), width (mm).
    """
    error = speed_error(c, wanted)
    speed = belt_speed(c["driver_pitch"], wanted.driver_rpm)
    small_rpm = small_sheave_speed(wanted.driver_rpm, c["driver_pitch"], c["small_pitch"])
    d_in, r = inch_diameter(c["small_pitch"]), thousand_rpm(small_rpm)
    basic = basic_power(d_in, r, c["K_1"], c["K_2"], c["K_3"], c["K_4"])
    power = belt_power_kw(corrected_power(basic, added_power(c["h_a"], r), c["K_theta"], c["K_L"]))
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
    belts = np.where(carries, r["belts"], 1.0)
    width = np.where(carries, r["width"], 0.0)
    zero = 0.0 * c["centre"]
    return [
        (r["error"], wanted.tolerance_percent, (np.abs(r["error"]) - wanted.tolerance_percent) / 100),
        (c["small_pitch"], c["least_pitch"], size),
        (c["centre"], bound, np.where(np.isnan(off), np.inf, off / max(wanted.centre_high_mm, 1.0))),
        (
            c["arc"],
            82.8 + zero,
            np.where(np.isnan(c["centre"]), 0.0, np.where(np.isnan(c["K_theta"]), 1 - c["arc"] / 82.8, 0.0)),
        ),
        (r["speed"], RIM_SPEED_LIMIT_M_S, r["speed"] / RIM_SPEED_LIMIT_M_S - 1),
        (r["power"], 0.0, np.where(r["power"] <= 0, np.abs(r["power"]) / wanted.design_kw + 1e-6, 0.0)),
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
            r = evaluate(c, wanted)
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
            )
        )
        if len(best) == keep:
            break
    return best
