"""Every synchronous drive for a duty: profiles, widths, pulleys and belts, by the same formulas on arrays."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from math import pi
from typing import Any

import numpy as np
from numpy.typing import NDArray

from tuyere.core.geometry.centre import centres_of_lengths
from tuyere.core.geometry.formulas import open_small_arc
from tuyere.core.ranking import Figures, cost_of, ordered, terms
from tuyere.core.steps import quiet
from tuyere.core.sweep import BLOCK, blocks
from tuyere.core.synchronous.drive import STRAND_RATIO
from tuyere.core.synchronous.formulas import (
    belt_centrifugal,
    effective_pull,
    mass_at_width,
    mesh_factor,
    sync_static_tension,
    synchronous_power,
    synchronous_speed,
    teeth_in_mesh,
    width_factor,
)
from tuyere.core.synchronous.tables import Profile, profiles
from tuyere.core.synchronous.weight import pulley_face_mm, pulleys_weight
from tuyere.core.tables import axis, table
from tuyere.core.tension.formulas import hub_load_running, hub_load_standing, net_pull, slack_strand, tight_strand

Array = NDArray[np.float64]
LIMITS = ("speed", "least teeth", "centre distance", "belt speed", "mesh", "width", "power", "size")
PASS = 1e-12
FEWEST_IN_MESH = 3.0


@dataclass(frozen=True, slots=True)
class Own:
    """The user's own belt: what its maker allows at one width. N, mm, kg/m."""

    profile: str
    tension_n: float
    width_mm: float
    mass_kg_m: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Wanted:
    """The duty of a search. kW, rpm, mm; tolerance in percent; ``load_factor`` without additions."""

    power_kw: float
    load_factor: float
    driver_rpm: float
    driven_rpm: float
    tolerance_percent: float
    centre_low_mm: float
    centre_high_mm: float
    largest_mm: float = np.inf
    widest_mm: float = np.inf
    own: Own | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Candidate:
    """A synchronous drive that passes, with the figures it is ranked by."""

    profile: Profile
    width_mm: float
    z_1: int
    z_2: int
    belt_teeth: int
    centre_mm: float
    error_percent: float
    hub_n: float
    cost: float
    kinds: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Choice:
    """What a search found: ``rejected`` is (limit, count) in the order of the limits."""

    considered: int
    accepted: int
    best: tuple[Candidate, ...]
    rejected: tuple[tuple[str, int], ...]


def _pulleys(of: Profile) -> list[int]:
    t = table("sync_pulleys")
    own = t.column("teeth", profile=of.name) or t.column("teeth", profile="H")
    return [int(z) for z in own]


@cache
def _geometry(name: str) -> dict[str, Array]:
    """Every pair of pulleys with every standard belt of a profile, where they stand clear of each other."""
    of = profiles()[name]
    teeth = _pulleys(of)
    belts = [int(z) for z in table("sync_lengths").column("teeth", profile=name)]
    z_1, z_2, z_b = (
        g.ravel().astype(float) for g in np.meshgrid(np.array(teeth), np.array(teeth), np.array(belts), indexing="ij")
    )
    p = of.pitch_mm
    small, large = np.minimum(z_1, z_2) * p / pi, np.maximum(z_1, z_2) * p / pi
    with quiet(), np.errstate(all="ignore"):
        centre = centres_of_lengths(z_b * p, small, large)
        wrap = open_small_arc(centre, small, large)
        mesh = teeth_in_mesh(np.minimum(z_1, z_2), wrap)
    return {"z_1": z_1, "z_2": z_2, "z_b": z_b, "centre": centre, "wrap": wrap, "mesh": mesh}


@cache
def _grid(own: Own | None) -> tuple[tuple[Profile, ...], dict[str, Array]]:
    """All combinations over the rated profiles, or over the user's own belt, as columns."""
    kinds: list[tuple[Profile, float, float, float, float, float]] = []
    if own is None:
        for name, base, tension, mass, fastest in table("iso5295").rows:
            widths = table("sync_widths").column("width", profile=name)
            kinds += [(profiles()[name], float(w), base, tension, mass, fastest) for w in widths]
    else:
        kinds.append((profiles()[own.profile], own.width_mm, own.width_mm, own.tension_n, own.mass_kg_m, np.inf))
    pieces: list[dict[str, Array]] = []
    for k, (of, width, base, tension, mass, fastest) in enumerate(kinds):
        g = _geometry(of.name)
        n = len(g["z_1"])
        flat = {
            "kind": k,
            "p_b": of.pitch_mm,
            "a_b": of.a_mm,
            "b_s": width,
            "b_0": base,
            "T_a": tension,
            "m_0": mass,
            "fastest": fastest,
            "face": pulley_face_mm(of, width),
        }
        pieces.append(g | {name: np.full(n, float(x)) for name, x in flat.items()})
    columns = {n: np.concatenate([p[n] for p in pieces]) for n in pieces[0]}
    return tuple(k[0] for k in kinds), columns


def _least_teeth(kinds: tuple[Profile, ...], kind: Array, rpm: Array) -> Array:
    """Least pulley teeth by profile and speed; 0 where the table has no such profile."""
    out = np.zeros(len(kind))
    for k, of in enumerate(kinds):
        rows = [(r[1], r[2]) for r in table("least_teeth").rows if r[0] == of.listed_as]
        here = kind == k
        if rows and here.any():
            speeds, teeth = np.array([r[0] for r in rows], float), np.array([r[1] for r in rows], float)
            at = np.searchsorted(speeds, rpm[here] + 1e-9, side="right") - 1
            out[here] = teeth[np.maximum(at, 0)]
    return out


def evaluate(c: dict[str, Array], w: Wanted) -> dict[str, Any]:
    """Figures of candidates for a duty, by the formulas of the single drive."""
    driven = w.driver_rpm * c["z_1"] / c["z_2"]
    speed = synchronous_speed(c["p_b"], c["z_1"], w.driver_rpm)
    k_w = width_factor(c["b_s"], c["b_0"])
    power = synchronous_power(
        mesh_factor(c["mesh"]), k_w, T_a=c["T_a"], b_s=c["b_s"], b_0=c["b_0"], m_0=c["m_0"], v_b=speed
    )
    add = axis(table("sync_additions"), "from", "add").at(np.maximum(c["z_1"] / c["z_2"], 1.0), "ratio")
    design = w.power_kw * (w.load_factor + add)
    centrifugal = belt_centrifugal(mass_at_width(c["m_0"], c["b_s"], c["b_0"]), speed)
    static = sync_static_tension(effective_pull(design, speed), STRAND_RATIO, centrifugal)
    pull = net_pull(w.power_kw, speed, 1.0)
    return {
        "error": 100 * (driven / w.driven_rpm - 1),
        "driven": driven,
        "speed": speed,
        "power": power,
        "design": design,
        "hub": np.maximum(
            hub_load_standing(1.0, static, c["wrap"]),
            hub_load_running(1.0, tight_strand(static, pull), slack_strand(static, pull), centrifugal, c["wrap"]),
        ),
        "largest": np.maximum(c["z_1"], c["z_2"]) * c["p_b"] / pi - 2 * c["a_b"],
        "mass": mass_at_width(c["m_0"], c["b_s"], c["b_0"]) * c["z_b"] * c["p_b"] / 1000,
    }


def search(w: Wanted, keep: int = 9, each_profile: int = 3) -> Choice:
    """Sweep all combinations; each is counted once, at the first limit it misses.

    The three kinds of answer come first, then by everything that counts, each against the best found.
    """
    kinds, grid = _grid(w.own)
    total = len(grid["kind"])
    counts = np.zeros(len(LIMITS), dtype=np.int64)
    kept: list[tuple[NDArray[np.int64], dict[str, Any]]] = []
    with quiet(), np.errstate(all="ignore"):
        for low, high in blocks(total, BLOCK):
            error = 100 * (w.driver_rpm * grid["z_1"][low:high] / grid["z_2"][low:high] / w.driven_rpm - 1)
            rows = np.flatnonzero(np.abs(error) <= w.tolerance_percent + PASS) + low
            counts[0] += (high - low) - len(rows)
            if not len(rows):
                continue
            c = {n: col[rows] for n, col in grid.items()}
            r = evaluate(c, w)
            small = np.minimum(c["z_1"], c["z_2"])
            failed = np.stack(
                [
                    np.zeros(len(rows), dtype=bool),
                    small < _least_teeth(kinds, c["kind"], np.maximum(w.driver_rpm, r["driven"])),
                    ~((c["centre"] >= w.centre_low_mm) & (c["centre"] <= w.centre_high_mm)),
                    r["speed"] > np.minimum(c["fastest"], 33.0),
                    c["mesh"] < FEWEST_IN_MESH,
                    (c["b_s"] > w.widest_mm) | (c["b_s"] > small * c["p_b"] / pi),
                    ~(r["power"] >= r["design"]),
                    r["largest"] > w.largest_mm,
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
    outside = [c[z] * c["p_b"] / pi - 2 * c["a_b"] for z in ("z_1", "z_2")]
    figures = Figures(
        parts=np.full(len(rows), 3.0),
        large_mm=r["largest"],
        width_mm=c["b_s"],
        weight_kg=pulleys_weight(outside[0], outside[1], c["face"], c["p_b"]).plus(r["mass"]).middle_kg,
        shaft_load_n=r["hub"],
        error_percent=r["error"],
        spare_percent=100 * (r["power"] / r["design"] - 1),
        uncommon=np.zeros(len(rows)),
    )
    cost = cost_of(terms(figures, figures.least(), w.tolerance_percent), {})
    order, named = ordered(figures, cost)
    return Choice(
        total,
        len(rows),
        tuple(
            _best(
                kinds, grid, rows=rows, r=r, cost=cost, order=order, named=named, keep=keep, each_profile=each_profile
            )
        ),
        rejected,
    )


def _best(
    kinds: tuple[Profile, ...],
    grid: dict[str, Array],
    *,
    rows: NDArray[np.int64],
    r: dict[str, Any],
    cost: Array,
    order: list[int],
    named: dict[int, list[str]],
    keep: int,
    each_profile: int,
) -> list[Candidate]:
    """The first few in order; a pair of pulleys is shown once, a profile not more often than ``each_profile``."""
    best: list[Candidate] = []
    pairs: set[tuple[str, int, int]] = set()
    per: dict[str, int] = {}
    for k in order:
        row = int(rows[k])
        of = kinds[int(grid["kind"][row])]
        pair = (of.name, int(grid["z_1"][row]), int(grid["z_2"][row]))
        if k not in named and (pair in pairs or per.get(of.name, 0) >= each_profile):
            continue
        pairs.add(pair)
        per[of.name] = per.get(of.name, 0) + 1
        best.append(
            Candidate(
                profile=of,
                width_mm=float(grid["b_s"][row]),
                z_1=pair[1],
                z_2=pair[2],
                belt_teeth=int(grid["z_b"][row]),
                centre_mm=float(grid["centre"][row]),
                error_percent=float(r["error"][k]),
                hub_n=float(r["hub"][k]),
                cost=float(cost[k]),
                kinds=tuple(named.get(k, ())),
            )
        )
        if len(best) == keep:
            break
    return best
