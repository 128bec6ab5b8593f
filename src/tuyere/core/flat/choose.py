"""Every flat belt drive for a duty: materials and preferred pulleys, each with the narrowest standard belt that does."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from typing import Any

import numpy as np
from numpy.typing import NDArray

from tuyere.core.flat.drive import LIKED_CENTRES, MARGIN, RIM_LIMIT_FPM, WIDE_IN, pulley_correction, velocity_correction
from tuyere.core.flat.formulas import (
    allowed_tight,
    belt_weight,
    hoop_tension,
    initial_tension,
    net_pull_pounds,
    pounds_to_newtons,
    slack_tension,
    slip_power,
    tight_needed,
    tight_to_set,
)
from tuyere.core.flat.tables import Material, materials
from tuyere.core.flat.weight import pulleys_weight
from tuyere.core.geometry.formulas import open_length, open_small_arc
from tuyere.core.ranking import Figures, cost_of, ordered, terms
from tuyere.core.speeds.formulas import belt_speed, driven_speed
from tuyere.core.steps import quiet
from tuyere.core.tables import table
from tuyere.core.tension.formulas import (
    design_horsepower,
    hub_load_running,
    hub_load_standing,
    net_pull,
    slack_strand,
    speed_in_feet,
    tight_strand,
)
from tuyere.core.units import KG_PER_LB, MM_PER_IN

Array = NDArray[np.float64]
LIMITS = ("speed", "size", "least pulley", "centre distance", "belt speed", "power", "width")
PASS = 1e-12
SHORTEST = 1.0  # clear of each other; the preferred 3.5 times the large pulley is a remark, not a limit


@dataclass(frozen=True, slots=True, kw_only=True)
class Wanted:
    """The duty of a search. kW, rpm, mm; tolerance in percent."""

    design_kw: float
    power_kw: float
    driver_rpm: float
    driven_rpm: float
    tolerance_percent: float
    centre_mm: float
    largest_mm: float = np.inf
    widest_mm: float = np.inf


@dataclass(frozen=True, slots=True, kw_only=True)
class Candidate:
    """A flat belt drive that passes, with the figures it is ranked by."""

    material: Material
    driver_mm: float
    driven_mm: float
    width_mm: float
    face_mm: float
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


@cache
def _pairs() -> tuple[Array, Array]:
    d = np.array(table("flat_pulleys").column("diameter"))
    d_1, d_2 = np.meshgrid(d, d, indexing="ij")
    return d_1.ravel(), d_2.ravel()


def evaluate(of: Material, d_1: Array, d_2: Array, w: Wanted) -> dict[str, Any]:
    """Figures of pulley pairs with a belt of one material, by the formulas of the single drive; per inch of width."""
    small = np.minimum(d_1, d_2)
    speed = belt_speed(d_1, w.driver_rpm)
    feet = speed_in_feet(speed)
    arc = open_small_arc(w.centre_mm, small, np.maximum(d_1, d_2))
    tight = allowed_tight(1.0, of.allowed_lbf_in, pulley_correction(of, small), velocity_correction(of, feet))
    hoop = hoop_tension(belt_weight(of.weight_lbf_in3, 1.0, of.thickness_in), feet)
    horsepower = slip_power(tight, hoop, of.friction, arc, feet)
    return {"speed": speed, "feet": feet, "arc": arc, "tight": tight, "hoop": hoop, "hp_in": horsepower}


def _shaft_load(of: Material, w: Wanted, *, tight: Array, hoop: Array, pull: Array, r: dict[str, Any]) -> Array:
    """Shaft load in N, standing or running, by the formulas of the single drive."""
    set_for = tight_to_set(tight_needed(pull, hoop, of.friction, r["arc"]), hoop, MARGIN, tight)
    t_c = pounds_to_newtons(hoop)
    mean = pounds_to_newtons(initial_tension(set_for, slack_tension(set_for, pull), hoop)) + t_c
    duty_pull = net_pull(w.power_kw, r["speed"], 1.0)
    running = hub_load_running(1.0, tight_strand(mean, duty_pull), slack_strand(mean, duty_pull), t_c, r["arc"])
    greater: Array = np.maximum(hub_load_standing(1.0, mean, r["arc"]), running)
    return greater


def search(w: Wanted, keep: int = 9, each_material: int = 2) -> Choice:
    """Sweep all combinations; each is counted once, at the first limit it misses.

    The three kinds of answer come first, then by everything that counts, each against the best found.
    """
    d_1, d_2 = _pairs()
    widths = np.array(table("flat_widths").column("belt"))
    faces = np.array(table("flat_widths").column("face"))
    found: list[dict[str, Any]] = []
    counts = np.zeros(len(LIMITS), dtype=np.int64)
    design_hp = float(design_horsepower(w.design_kw))
    every = list(materials().values())
    with quiet(), np.errstate(all="ignore"):
        error = 100 * (driven_speed(w.driver_rpm, d_1, d_2, 0.0) / w.driven_rpm - 1)
        rows = np.flatnonzero(np.abs(error) <= w.tolerance_percent + PASS)
        counts[0] = (len(d_1) - len(rows)) * len(every)
        a, b, off = d_1[rows], d_2[rows], error[rows]
        for k, of in enumerate(every):
            r = evaluate(of, a, b, w)
            needed = design_hp / r["hp_in"] * MM_PER_IN
            at = np.searchsorted(widths, np.where(np.isfinite(needed) & (needed > 0), needed, np.inf) - 1e-9)
            there = at < len(widths)
            width = np.where(there, widths[np.minimum(at, len(widths) - 1)], np.inf)
            wide = width / MM_PER_IN
            least = (of.least_pulley_in + np.where(wide >= WIDE_IN, of.wide_add_in, 0.0)) * MM_PER_IN
            large = np.maximum(a, b)
            failed = np.stack(
                [
                    np.zeros(len(a), dtype=bool),
                    large > w.largest_mm,
                    np.minimum(a, b) < least * (1 - 1e-9),
                    SHORTEST * (a + b) / 2 >= w.centre_mm,
                    r["feet"] > RIM_LIMIT_FPM,
                    ~(r["hp_in"] > 0),
                    ~there | (width > w.widest_mm),
                ]
            )
            ok = ~failed.any(axis=0)
            counts += np.bincount(np.argmax(failed, axis=0)[~ok], minlength=len(LIMITS))
            if ok.any():
                pull = net_pull_pounds(design_hp, r["feet"])
                tight, hoop = r["tight"] * wide, r["hoop"] * wide
                hub = _shaft_load(of, w, tight=tight, hoop=hoop, pull=pull, r=r)
                one = {
                    "d_1": a,
                    "d_2": b,
                    "error": off,
                    "width": width,
                    "face": faces[np.minimum(at, len(faces) - 1)],
                    "hub": hub,
                    "large": large,
                    "spare": 100 * (r["hp_in"] * wide / design_hp - 1),
                    "belt": belt_weight(of.weight_lbf_in3, wide, of.thickness_in)
                    * KG_PER_LB
                    * open_length(w.centre_mm, np.minimum(a, b), large)
                    / MM_PER_IN
                    / 12,
                }
                found.append({n: v[ok] for n, v in one.items()} | {"kind": np.full(int(ok.sum()), k)})
    total = len(d_1) * len(every)
    rejected = tuple((n, int(k)) for n, k in zip(LIMITS, counts, strict=True) if k)
    if not found:
        return Choice(total, 0, (), rejected)
    f = {n: np.concatenate([one[n] for one in found]) for n in found[0]}
    figures = Figures(
        parts=np.full(len(f["hub"]), 3.0),
        large_mm=f["large"],
        width_mm=f["width"],
        weight_kg=pulleys_weight(f["d_1"], f["d_2"], f["face"]).plus(f["belt"]).middle_kg,
        shaft_load_n=f["hub"],
        error_percent=f["error"],
        spare_percent=f["spare"],
        uncommon=np.zeros(len(f["hub"])),
    )
    cost = cost_of(terms(figures, figures.least(), w.tolerance_percent), {})
    # A belt wider than its pulley is round, or on centres too short for it, is a drive with care and not the answer.
    narrow = f["width"] <= np.minimum(f["d_1"], f["d_2"])
    easy = narrow & (w.centre_mm >= LIKED_CENTRES * f["large"])
    order, kinds = ordered(figures, cost, among=easy if easy.any() else narrow)
    best: list[Candidate] = []
    used: dict[int, int] = {}
    for k in order:
        kind = int(f["kind"][k])
        if k not in kinds and used.get(kind, 0) >= each_material:
            continue
        used[kind] = used.get(kind, 0) + 1
        d_a, d_b, wide_mm, face_mm, off, hub_n = (
            float(f[n][k]) for n in ("d_1", "d_2", "width", "face", "error", "hub")
        )
        best.append(
            Candidate(
                material=every[kind],
                driver_mm=d_a,
                driven_mm=d_b,
                width_mm=wide_mm,
                face_mm=face_mm,
                error_percent=off,
                hub_n=hub_n,
                cost=float(cost[k]),
                kinds=tuple(kinds.get(k, ())),
            )
        )
        if len(best) == keep:
            break
    return Choice(total, len(cost), tuple(best), rejected)
