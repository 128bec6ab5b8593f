"""Every roller chain drive for a duty: sizes, strands and teeth, by the same formulas on arrays."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from typing import Any

import numpy as np
from numpy.typing import NDArray

from tuyere.core.ranking import Figures, cost_of, ordered, terms
from tuyere.core.roller_chain.formulas import (
    chain_pitches,
    chain_power,
    chain_speed,
    driven_sprocket_speed,
    galling_power,
    impact_power,
    iso_chain_power,
    iso_galling_power,
    iso_life_factor,
    iso_outside_diameter,
    iso_plate_power,
    iso_roller_power,
    link_plate_power,
    outside_diameter,
    pitch_diameter,
    small_wrap,
    strand_power,
    working_pull,
)
from tuyere.core.roller_chain.rate import iso_constants
from tuyere.core.roller_chain.tables import Chain, chains, iso_chains
from tuyere.core.roller_chain.weight import over_strands, sprockets_weight
from tuyere.core.steps import quiet
from tuyere.core.sweep import BLOCK, blocks
from tuyere.core.tables import table

Array = NDArray[np.float64]
DRIVER_TEETH = (*range(11, 31), 32, 35, 36, 40, 45)
DRIVEN_TEETH = (*range(11, 61), 65, 68, 70, 72, 76, 80, 84, 90, 95, 96, 100, 102, 112, 114, 120)
LIMITS = ("speed", "centre distance", "wrap", "galling", "power", "size")
PASS = 1e-12


@dataclass(frozen=True, slots=True, kw_only=True)
class Wanted:
    """The duty of a search. kW, rpm, mm, hours; tolerance in percent."""

    design_kw: float
    power_kw: float
    driver_rpm: float
    driven_rpm: float
    tolerance_percent: float
    centre_mm: float
    life_h: float = 15_000
    largest_mm: float = np.inf
    widest_mm: float = np.inf
    series: str = "ansi"


@dataclass(frozen=True, slots=True, kw_only=True)
class Candidate:
    """A chain drive that passes, with the figures it is ranked by."""

    chain: Chain
    strands: int
    z_1: int
    z_2: int
    error_percent: float
    pull_n: float
    width_mm: float
    mass_kg_m: float
    cost: float
    kinds: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Choice:
    """What a search found: ``rejected`` is (limit, count) in the order of the limits."""

    considered: int
    accepted: int
    best: tuple[Candidate, ...]
    rejected: tuple[tuple[str, int], ...]


def _sizes(series: str) -> list[Chain]:
    """The sizes of a series that a rating exists for."""
    return list(chains().values()) if series == "ansi" else [c for c in iso_chains().values() if c.series == series]


@cache
def _grid(series: str = "ansi") -> dict[str, Array]:
    """Every combination of size, strands and teeth, as columns."""
    sizes = _sizes(series)
    factors = {int(n): f for n, f in table("strand_factors").rows}
    pairs = [(k, s) for k, c in enumerate(sizes) for s in factors if s == 1 or c.spacing_mm]
    kind, z_1, z_2 = (g.ravel() for g in np.meshgrid(np.arange(len(pairs)), DRIVER_TEETH, DRIVEN_TEETH, indexing="ij"))
    of = np.array([p[0] for p in pairs])[kind]
    strands = np.array([p[1] for p in pairs], dtype=float)[kind]

    def column(name: str) -> Array:
        values: Array = np.array([getattr(c, name) for c in sizes], dtype=float)[of]
        return values

    grid: dict[str, Array] = {
        "of": of.astype(float),
        "strands": strands,
        "factor": np.array([factors[int(s)] for s in strands]),
        "z_1": z_1.astype(float),
        "z_2": z_2.astype(float),
        "pitch_in": column("pitch_in"),
        "pitch_mm": column("pitch_mm"),
        "K_f": column("K_f"),
        "K_r": column("K_r"),
        "mass": column("mass_kg_m"),
        "width": column("width_mm"),
        "spacing": column("spacing_mm"),
        "roller": column("roller_mm"),
    }
    if series != "ansi":
        constants = np.array([iso_constants(c) for c in sizes])[of]
        k_ps = np.array(
            [next(r[2] for r in table("iso_galling").rows if r[0] < c.pitch_mm <= r[1] + 1e-9) for c in sizes]
        )[of]
        grid |= {
            "k_A": constants[:, 0],
            "A_i": constants[:, 1],
            "e_p": constants[:, 2],
            "k_R": constants[:, 3],
            "K_ps": k_ps,
        }
    return grid


def _power(c: dict[str, Array], small: Array, small_rpm: Array, pitches: Array, life_h: float) -> tuple[Array, Array]:
    """(galling limit of one strand, power of all strands in kW) by the method of the series."""
    if "k_A" in c:
        gall = iso_galling_power(small, small_rpm, c["pitch_mm"], c["K_ps"])
        plate = iso_plate_power(small, small_rpm, k_A=c["k_A"], A_i=c["A_i"], p=c["pitch_mm"], e_p=c["e_p"])
        roller = iso_roller_power(small, small_rpm, c["k_R"], c["pitch_mm"])
        return gall, iso_chain_power(
            plate, roller, P_gall=gall, K_str=c["factor"], K_lub=1.0, K_off=1.0, f_5=iso_life_factor(life_h)
        )
    gall = galling_power(small, small_rpm, c["pitch_in"])
    plate = link_plate_power(c["K_f"], small, small_rpm, c["pitch_in"])
    one = strand_power(
        plate, impact_power(c["K_r"], small, n_s=small_rpm, p_in=c["pitch_in"], X=pitches, h_life=life_h), gall
    )
    return gall, chain_power(one, c["factor"], 1.0, 1.0)


def _outside(c: dict[str, Array], teeth: Array) -> Array:
    """Outside diameters by the standard of the series."""
    if "k_A" in c:
        made: Array = iso_outside_diameter(pitch_diameter(c["pitch_mm"], teeth), c["pitch_mm"], c["roller"])
        return made
    plain: Array = outside_diameter(c["pitch_mm"], teeth)
    return plain


def evaluate(c: dict[str, Array], w: Wanted) -> dict[str, Any]:
    """Figures of candidates for a duty, by the formulas of the single drive."""
    small, large = np.minimum(c["z_1"], c["z_2"]), np.maximum(c["z_1"], c["z_2"])
    driven = driven_sprocket_speed(w.driver_rpm, c["z_1"], c["z_2"])
    small_rpm = np.maximum(w.driver_rpm, driven)
    exact = chain_pitches(w.centre_mm, c["pitch_mm"], small, large)
    pitches = 2 * np.ceil(exact / 2 - 1e-9)
    gall, power = _power(c, small, small_rpm, pitches, w.life_h)
    speed = chain_speed(c["z_1"], c["pitch_mm"], w.driver_rpm)
    return {
        "error": 100 * (driven / w.driven_rpm - 1),
        "pitches": pitches,
        "galling": gall,
        "power": power,
        "wrap": small_wrap(w.centre_mm, c["pitch_mm"], small, large),
        "tips": (_outside(c, c["z_1"]) + _outside(c, c["z_2"])) / 2,
        "largest": _outside(c, large),
        "pull": working_pull(w.power_kw, speed),
        "width": over_strands(c["width"], c["spacing"], c["strands"]),
    }


def search(w: Wanted, keep: int = 9, each_size: int = 2) -> Choice:
    """Sweep all combinations; each is counted once, at the first limit it misses.

    The three kinds of answer come first, then by everything that counts, each against the best found.
    """
    grid = _grid(w.series)
    total = len(grid["of"])
    counts = np.zeros(len(LIMITS), dtype=np.int64)
    kept: list[tuple[NDArray[np.int64], dict[str, Any]]] = []
    with quiet(), np.errstate(all="ignore"):
        for low, high in blocks(total, BLOCK):
            error = 100 * (
                driven_sprocket_speed(w.driver_rpm, grid["z_1"][low:high], grid["z_2"][low:high]) / w.driven_rpm - 1
            )
            rows = np.flatnonzero(np.abs(error) <= w.tolerance_percent + PASS) + low
            counts[0] += (high - low) - len(rows)
            if not len(rows):
                continue
            c = {n: col[rows] for n, col in grid.items()}
            r = evaluate(c, w)
            in_pitches = w.centre_mm / c["pitch_mm"]
            failed = np.stack(
                [
                    np.zeros(len(rows), dtype=bool),
                    (r["tips"] >= w.centre_mm) | (in_pitches > 80) | ~np.isfinite(r["pitches"]),
                    r["wrap"] < 120,
                    r["galling"] <= 0,
                    r["power"] < w.design_kw,
                    (r["largest"] > w.largest_mm) | (r["width"] > w.widest_mm),
                ]
            )
            ok = ~failed.any(axis=0)
            counts += np.bincount(np.argmax(failed, axis=0)[~ok], minlength=len(LIMITS))
            if ok.any():
                kept.append((rows[ok], {n: np.asarray(v)[ok] for n, v in r.items()}))
    rejected = tuple((n, int(k)) for n, k in zip(LIMITS, counts, strict=True) if k)
    if not kept:
        return Choice(total, 0, (), rejected)
    rows = np.concatenate([k[0] for k in kept])
    r = {n: np.concatenate([k[1][n] for k in kept]) for n in kept[0][1]}
    c = {n: col[rows] for n, col in grid.items()}
    weight = sprockets_weight(
        c["pitch_mm"], c["width"], spacing_mm=c["spacing"], strands=c["strands"], z_1=c["z_1"], z_2=c["z_2"]
    )
    figures = Figures(
        parts=2 + c["strands"],
        large_mm=r["largest"],
        width_mm=r["width"],
        weight_kg=weight.plus(c["mass"] * c["strands"] * r["pitches"] * c["pitch_mm"] / 1000).middle_kg,
        shaft_load_n=r["pull"],
        error_percent=r["error"],
        spare_percent=100 * (r["power"] / w.design_kw - 1),
        # One strand is bought everywhere; several and what they run on are ordered.
        uncommon=np.where(c["strands"] > 1, 2.0, 0.0),
    )
    small = np.minimum(c["z_1"], c["z_2"])
    # Seventeen teeth and more run smoothly: fewer weigh against a drive in proportion.
    rough = np.maximum(1.0, 17 / small)
    cost = cost_of(terms(figures, figures.least(), w.tolerance_percent), {}) + rough
    # Rough drives are no answer of their own where smooth ones do it.
    smooth = small >= 17
    order, kinds = ordered(figures, cost, among=smooth)
    sizes = _sizes(w.series)
    best: list[Candidate] = []
    used: dict[tuple[int, int], int] = {}
    for k in order:
        row = rows[k]
        key = (int(grid["of"][row]), int(grid["strands"][row]))
        if k not in kinds and used.get(key, 0) >= each_size:
            continue
        used[key] = used.get(key, 0) + 1
        best.append(
            Candidate(
                chain=sizes[key[0]],
                strands=key[1],
                z_1=int(grid["z_1"][row]),
                z_2=int(grid["z_2"][row]),
                error_percent=float(r["error"][k]),
                pull_n=float(r["pull"][k]),
                width_mm=float(r["width"][k]),
                mass_kg_m=float(c["mass"][k] * c["strands"][k]),
                cost=float(cost[k]),
                kinds=tuple(kinds.get(k, ())),
            )
        )
        if len(best) == keep:
            break
    return Choice(total, len(rows), tuple(best), rejected)
