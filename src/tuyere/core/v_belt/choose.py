"""Every standard V-belt drive for a duty: the sweep, what fell out and why, and the best few."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from tuyere.core.ranking import Figures, cost_of, ordered, terms
from tuyere.core.steps import quiet
from tuyere.core.sweep import BLOCK, blocks
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.belts import Belt
from tuyere.core.v_belt.catalogue import COLUMNS, Catalogue
from tuyere.core.v_belt.limits import LIMITS, PASS, Array, Stock, Wanted, evaluate, misses, speed_error
from tuyere.core.v_belt.sections import sections
from tuyere.core.v_belt.sheaves import Sheave

# What is kept of every drive that passes.
FIGURES = ("error", "belts", "shaft_load", "width", "power", "spare", "weight", "large", "uncommon")


@dataclass(frozen=True, slots=True, kw_only=True)
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
    kinds: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Rejected:
    """A limit: how many fell at it first, and the one that missed it least (``miss`` in percent)."""

    limit: str
    count: int
    nearest: str
    value: float
    bound: float
    miss_percent: float
    only_this: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Choice:
    """What a search found."""

    considered: int
    accepted: int
    best: tuple[Candidate, ...]
    rejected: tuple[Rejected, ...]
    costs: Array
    least: dict[str, float]


@dataclass(frozen=True, slots=True)
class LimitLine:
    """One limit of one drive: its figure, the bound, and by how much it misses (percent; 0 or less passes, infinite if not defined)."""

    limit: str
    value: float
    bound: float
    miss_percent: float

    @property
    def passes(self) -> bool:
        """Within rounding."""
        return self.miss_percent <= 100 * PASS


@dataclass(frozen=True, slots=True)
class WhyNot:
    """One drive against every limit of a search, and its place among those that pass (1 is the first; 0 if it fails)."""

    lines: tuple[LimitLine, ...]
    place: int
    cost: float
    parts: dict[str, float]


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
                figures.append({n: np.asarray(r[n])[ok] for n in FIGURES})
    rejected = tuple(
        _rejected(catalogue, k, int(counts[k]), lone[k], first[k]) for k in range(len(LIMITS)) if counts[k]
    )
    if not passed:
        return Choice(considered=len(catalogue), accepted=0, best=(), rejected=rejected, costs=np.zeros(0), least={})
    rows = np.concatenate(passed)
    found = {n: np.concatenate([f[n] for f in figures]) for n in figures[0]}
    figures_of = _figures(catalogue, rows, found, wanted)
    least = figures_of.least()
    parts = terms(figures_of, least, wanted.tolerance_percent)
    cost = cost_of(parts, wanted.weights)
    best = _ranked(
        catalogue,
        rows,
        found=found,
        figures=figures_of,
        parts=parts,
        cost=cost,
        wanted=wanted,
        keep=keep,
        each_section=each_section,
    )
    return Choice(
        considered=len(catalogue),
        accepted=len(rows),
        best=tuple(best),
        rejected=rejected,
        costs=np.sort(cost),
        least=least,
    )


def _one(x: object) -> float:
    return float(np.broadcast_to(np.asarray(x, dtype=float), (1,))[0])


def why_not(catalogue: Catalogue, wanted: Wanted, found: Choice) -> WhyNot:
    """The one drive of a catalogue of one, against every limit and against what a search found.

    Raises IndexError when the catalogue is empty.
    """
    row = np.array([0])
    c = {n: catalogue.columns[n][row] for n in COLUMNS}
    with quiet(), np.errstate(all="ignore"):
        r = evaluate(catalogue, row, wanted)
        limits = misses(c, r, wanted)
        lines = tuple(
            LimitLine(name, _one(value), _one(bound), 100 * _one(miss))
            for name, (value, bound, miss) in zip(LIMITS, limits, strict=True)
        )
        figures = _figures(catalogue, row, {n: np.asarray(r[n]) for n in FIGURES}, wanted)
        least = {k: min(v, found.least.get(k, v)) for k, v in figures.least().items()}
        worked = terms(figures, least, wanted.tolerance_percent)
        parts = {n: float(p[0]) for n, p in worked.items()}
    cost = float(cost_of(worked, wanted.weights)[0])
    passes = all(line.passes for line in lines)
    return WhyNot(lines, int(np.sum(found.costs < cost - 1e-9)) + 1 if passes else 0, float(cost), parts)


def _name(catalogue: Catalogue, row: int) -> str:
    belt = catalogue.belts[catalogue.belt_index[row]]
    a, b = catalogue.wheels[catalogue.driver_index[row]], catalogue.wheels[catalogue.driven_index[row]]
    if belt.section.metric:
        return f"{belt.designation} on {a.line_mm:.4g} / {b.line_mm:.4g} mm"
    return f"{belt.designation} on {a.line_mm / MM_PER_IN:g} / {b.line_mm / MM_PER_IN:g} in"


def _rejected(catalogue: Catalogue, k: int, count: int, lone: _Near, first: _Near) -> Rejected:
    near = lone if lone.row >= 0 else first
    return Rejected(
        limit=LIMITS[k],
        count=count,
        nearest=_name(catalogue, near.row) if near.row >= 0 else "",
        value=near.value,
        bound=near.bound,
        miss_percent=100 * near.miss,
        only_this=lone.row >= 0,
    )


def _not_there(catalogue: Catalogue, rows: NDArray[np.int64], stock: Stock) -> Array:
    """How many of driver, driven and belt are not on the shelf, 0 to 3."""
    wheel = np.array([not stock.has_sheave(w) for w in catalogue.wheels], dtype=float)
    belt = np.array([b.designation not in stock.belts for b in catalogue.belts], dtype=float)
    missing: Array = (
        wheel[catalogue.driver_index[rows]] + wheel[catalogue.driven_index[rows]] + belt[catalogue.belt_index[rows]]
    )
    return missing


def _figures(catalogue: Catalogue, rows: NDArray[np.int64], found: dict[str, Array], wanted: Wanted) -> Figures:
    """What the drives are ranked by; parts bought are the belts and two sheaves."""
    return Figures(
        parts=found["belts"] + 2,
        large_mm=found["large"],
        width_mm=found["width"],
        weight_kg=found["weight"],
        shaft_load_n=found["shaft_load"],
        error_percent=found["error"],
        spare_percent=found["spare"],
        uncommon=found["uncommon"],
        missing=None if wanted.stock is None else _not_there(catalogue, rows, wanted.stock),
    )


def _ranked(
    catalogue: Catalogue,
    rows: NDArray[np.int64],
    *,
    found: dict[str, Array],
    figures: Figures,
    parts: dict[str, Array],
    cost: Array,
    wanted: Wanted,
    keep: int,
    each_section: int,
) -> list[Candidate]:
    """The best few, the three kinds of answer first; a pair of sheaves is shown once.

    A cogged and a wrapped belt share their sheaves: the pair is shown with the better of the two.
    """
    centre = catalogue.columns["centre"][rows]
    aside = np.abs(centre - (wanted.centre_low_mm + wanted.centre_high_mm) / 2)
    names = list(sections().values())
    wheels = len(catalogue.wheels)
    # A shelf that is not to count leaves the others as they are.
    counted = {wanted.weights.get(n, 1.0) for n in parts if n != "stock" or wanted.weights.get(n, 1.0)}
    alike = len(counted) == 1 and counted != {0.0}
    same = catalogue.driver_index[rows] * wheels + catalogue.driven_index[rows]
    order, kinds = ordered(figures, cost, aside=aside, same=same, alike=alike)
    best: list[Candidate] = []
    pairs: set[tuple[str, float, float]] = set()
    per_section: dict[int, int] = {}
    for k in order:
        row = int(rows[k])
        of = int(catalogue.section_index[row])
        driver, driven = int(catalogue.driver_index[row]), int(catalogue.driven_index[row])
        a, b = catalogue.wheels[driver], catalogue.wheels[driven]
        pair = (names[of].groove, round(a.line_mm, 3), round(b.line_mm, 3))
        if k not in kinds and (pair in pairs or per_section.get(of, 0) >= each_section):
            continue
        pairs.add(pair)
        per_section[of] = per_section.get(of, 0) + 1
        best.append(
            Candidate(
                driver=a,
                driven=b,
                belt=catalogue.belts[catalogue.belt_index[row]],
                belts=int(found["belts"][k]),
                shaft_load_n=float(found["shaft_load"][k]),
                width_mm=float(found["width"][k]),
                speed_error_percent=float(found["error"][k]),
                centre_mm=float(centre[k]),
                cost=float(cost[k]),
                parts={n: float(p[k]) for n, p in parts.items()},
                stocked=bool(catalogue.stocked[driver] and catalogue.stocked[driven]),
                on_shelf=0 if figures.missing is None else 3 - int(figures.missing[k]),
                kinds=tuple(kinds.get(k, ())),
            )
        )
        if len(best) == keep:
            break
    return best
