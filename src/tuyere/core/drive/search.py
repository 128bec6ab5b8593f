"""One search for all families: every combination held against every limit, what fell out and why, and the best few.

A family gives a ``Field``: its combinations as columns, its limits in order and what its drives are told apart by.
The search prunes by what needs no formula: the speed by a sorted column, then the limits a family calls cheap. It
gives the same counts, nearest misses and order as working every row (``prune=False``).
"""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass, field
from math import isfinite
from typing import ClassVar, Generic, TypeVar

import numpy as np
from numpy.typing import NDArray

from tuyere.core.drive.ranking import Array, Figures, cost_of, ordered, terms
from tuyere.core.steps import quiet

Rows = NDArray[np.int64]
Columns = dict[str, Array]
C = TypeVar("C")


class Taken(dict[str, Array]):
    """Columns of some rows, taken out of their grid when they are first asked for."""

    __slots__ = ("_grid", "_rows")

    def __init__(self, grid: Mapping[str, Array], rows: Rows) -> None:
        """Nothing is copied yet."""
        super().__init__()
        self._grid, self._rows = grid, rows

    def __missing__(self, name: str) -> Array:
        """Take one column."""
        taken: Array = self._grid[name][self._rows]
        self[name] = taken
        return taken

    def __contains__(self, name: object) -> bool:
        """Whether the grid has such a column, taken out or not."""
        return name in self._grid


PASS = 1e-12  # a miss smaller than rounding is none
SPEED = "speed"
# What counts how much in the order, each against the best one found.
WEIGHTS: dict[str, float] = dict.fromkeys(
    ("parts", "size", "width", "weight", "shaft_load", "speed", "spare", "common", "stock"), 1.0
)
FIRST_CHUNK = 512
# Room for a hub round a shaft: common practice, what is left under groove or teeth at one and a half times the bore.
HUB = 1.5


@dataclass(frozen=True, slots=True, kw_only=True)
class Stock:
    """What is on the shelf: belts and chains by designation, wheels as (profile, diameter in mm or teeth)."""

    loops: frozenset[str] = frozenset()
    wheels: tuple[tuple[str, float], ...] = ()

    def has_wheel(self, profile: str, size: float) -> bool:
        """A wheel is the same part within half a millimetre, or with as many teeth."""
        return any(p == profile and abs(s - size) <= 0.5 for p, s in self.wheels)


@dataclass(frozen=True, slots=True, kw_only=True)
class DutyWanted:
    """The duty of a search and the room there is. kW, rpm, mm, N; tolerance in percent; infinite or 0 where not asked.

    ``least_driver_mm`` is what the motor allows as its least wheel, by kind of loop; shafts' diameters ask for hub room;
    ``largest_load_n`` is what shaft or bearing stands. ``design_kw`` has the family's service factor in it.
    """

    power_kw: float
    design_kw: float
    driver_rpm: float
    driven_rpm: float
    tolerance_percent: float
    centre_low_mm: float
    centre_high_mm: float
    centre_mm: float = 0.0
    slip_percent: float = 0.0
    most_members: float = 8.0
    largest_driver_mm: float = np.inf
    largest_driven_mm: float = np.inf
    widest_mm: float = np.inf
    largest_load_n: float = np.inf
    driver_shaft_mm: float = 0.0
    driven_shaft_mm: float = 0.0
    least_driver_mm: dict[str, float] = field(default_factory=dict)
    weights: dict[str, float] = field(default_factory=lambda: dict(WEIGHTS))
    stock: Stock | None = None

    @property
    def about_mm(self) -> float:
        """The centre distance that is aimed at: said, or the middle of the range."""
        return self.centre_mm or (self.centre_low_mm + self.centre_high_mm) / 2


@dataclass(frozen=True, slots=True)
class Held:
    """A limit for many rows: value, bound and how far beyond as a fraction (0 or less passes, infinite if not defined)."""

    value: Array | float
    bound: Array | float
    miss: Array


def beyond(value: Array, most: float) -> Held:
    """Over a most; an infinite one is never missed."""
    return Held(value, most, value / most - 1)


def short_of(value: Array, least: Array | float) -> Held:
    """Under a least; one of nothing is never missed."""
    floor = np.maximum(least, 1e-300)
    return Held(value, least, np.where(np.asarray(least) > 0, 1 - value / floor, -1.0))


def within(value: Array, low: float, high: float) -> Held:
    """Outside a range, as a fraction of its upper end; nan is not defined."""
    off = np.maximum(value - high, low - value)
    over = value > high
    return Held(value, np.where(over, high, low), np.where(np.isnan(off), np.inf, off / max(high, 1.0)))


def must(holds: NDArray[np.bool_], value: Array | float = np.nan, bound: float = 0.0) -> Held:
    """A limit that is met or not, without a distance."""
    return Held(value, bound, np.where(holds, -1.0, np.inf))


def hub_room(bottom_1: Array, bottom_2: Array, wanted: DutyWanted) -> Held:
    """What is left under groove or teeth for a hub round each shaft."""
    miss = np.maximum(HUB * wanted.driver_shaft_mm / bottom_1 - 1, HUB * wanted.driven_shaft_mm / bottom_2 - 1)
    return Held(np.minimum(bottom_1, bottom_2), HUB * max(wanted.driver_shaft_mm, wanted.driven_shaft_mm), miss)


class Field(ABC, Generic[C]):
    """A family's combinations for a duty. The first limit is the speed; the first ``cheap`` limits need no working."""

    limits: ClassVar[tuple[str, ...]]
    cheap_limits: ClassVar[int] = 1
    each: ClassVar[int] = 3

    def __init__(self, wanted: DutyWanted) -> None:
        """For a duty."""
        self.wanted = wanted

    @abstractmethod
    def __len__(self) -> int:
        """Combinations."""

    @abstractmethod
    def factors(self) -> tuple[Rows, Array]:
        """(rows in the order of the driven speed over the driver's, that factor in order)."""

    @abstractmethod
    def errors(self, rows: Rows) -> Array:
        """Driven speed against the wanted one, percent."""

    @abstractmethod
    def cheap(self, rows: Rows) -> list[Held]:
        """The first ``cheap_limits`` limits."""

    @abstractmethod
    def evaluate(self, rows: Rows) -> Columns:
        """Figures for the duty by the formulas of the single drive; ``error`` among them."""

    @abstractmethod
    def rest(self, rows: Rows, found: Columns) -> list[Held]:
        """The limits after the cheap ones."""

    @abstractmethod
    def figures(self, rows: Rows, found: Columns) -> Figures:
        """What the drives are ranked by."""

    @abstractmethod
    def candidate(self, row: int) -> C:
        """The drive of a row."""

    @abstractmethod
    def name(self, row: int) -> str:
        """A drive in a few words."""

    @abstractmethod
    def group(self, row: int) -> Hashable:
        """What is shown ``each`` times at most: a section, a profile, a size."""

    def pair(self, row: int) -> Hashable:
        """What is shown once: a pair of wheels."""
        return row

    def same(self, rows: Rows) -> Rows | None:
        """A number for each pair of wheels, where two rows may be of one."""
        return None

    def aside(self, rows: Rows) -> Array | None:
        """What settles the order of drives that count alike, the least first."""
        return None

    def among(self, rows: Rows, found: Columns) -> NDArray[np.bool_] | None:
        """Those that are an answer of their own kind, where any are left."""
        return None

    def extra_cost(self, rows: Rows) -> Array | float:
        """What weighs against a drive beside the terms."""
        return 0.0

    def parts(self, row: int) -> tuple[str, tuple[tuple[str, float], tuple[str, float]]]:
        """(designation of the loop, (profile, diameter or teeth) of driver and driven), as the shelf knows them."""
        return "", (("", 0.0), ("", 0.0))

    def missing(self, rows: Rows, stock: Stock) -> Array:
        """How many of driver, driven and loop are not on the shelf, 0 to 3."""

        def lacks(row: int) -> int:
            loop, wheels = self.parts(row)
            return int(loop not in stock.loops) + sum(not stock.has_wheel(*w) for w in wheels)

        return np.array([lacks(int(r)) for r in rows], dtype=float)


@dataclass(frozen=True, slots=True, kw_only=True)
class Rejected:
    """A limit: how many fell at it first, and the one that missed it least (``miss_percent``).

    ``only_this`` says that the nearest one fails nothing else.
    """

    limit: str
    count: int
    nearest: str
    value: float
    bound: float
    miss_percent: float
    only_this: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Ranked(Generic[C]):
    """A drive that passes, with what it is ranked by; ``on_shelf`` of driver, driven and loop, 0 to 3."""

    drive: C
    row: int
    found: dict[str, float]
    width_mm: float
    shaft_load_n: float
    error_percent: float
    cost: float
    terms: dict[str, float]
    on_shelf: int
    common: bool
    kinds: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class SearchResult(Generic[C]):
    """What a search found; ``costs`` of all that pass, in order, and the least of each figure."""

    considered: int
    accepted: int
    best: tuple[Ranked[C], ...]
    rejected: tuple[Rejected, ...]
    costs: Array
    least: dict[str, float]


@dataclass(frozen=True, slots=True, kw_only=True)
class LimitLine:
    """One limit of one drive: its figure, the bound, and by how much it misses.

    Percent; 0 or less passes, infinite if not defined.
    """

    limit: str
    value: float
    bound: float
    miss_percent: float

    @property
    def passes(self) -> bool:
        """Within rounding."""
        return self.miss_percent <= 100 * PASS


@dataclass(frozen=True, slots=True, kw_only=True)
class WhyNot:
    """One drive against every limit of a search, and its place among those that pass (1 is the first; 0 if it fails)."""

    lines: tuple[LimitLine, ...]
    place: int
    cost: float
    terms: dict[str, float]


@dataclass(slots=True)
class _Near:
    """The least miss of a limit so far; of equal ones the first row."""

    miss: float = np.inf
    row: int = -1
    value: float = np.nan
    bound: float = np.nan

    def take(self, rows: Rows, held: Held, mask: NDArray[np.bool_]) -> None:
        """See whether one of the masked rows misses by less."""
        here = np.flatnonzero(mask)
        if not len(here):
            return
        miss = held.miss[here]
        nearest = int(miss.argmin())
        least = float(miss[nearest])
        if not isfinite(least):
            return
        at = int(here[nearest])
        if self.row < 0 or least < self.miss or (least == self.miss and rows[at] < self.row):
            self.miss, self.row = least, int(rows[at])
            self.value, self.bound = _one(held.value, at), _one(held.bound, at)


def _one(x: Array | float, at: int) -> float:
    """The figure of one row, where rows have figures of their own."""
    return float(x[at]) if isinstance(x, np.ndarray) and x.ndim else float(x)


class _Tally(Generic[C]):
    """Counts, nearest misses and what passes, whatever the order in which rows are looked at."""

    def __init__(self, of: Field[C]) -> None:
        self.of = of
        n = len(of.limits)
        self.counts = np.zeros(n, dtype=np.int64)
        self.lone = [_Near() for _ in range(n)]
        self.first = [_Near() for _ in range(n)]
        self.passed: list[Rows] = []
        self.figures: list[Columns] = []

    def work_all(self, rows: Rows) -> None:
        """Every limit of every row."""
        found = self.of.evaluate(rows)
        held = [*self.of.cheap(rows), *self.of.rest(rows, found)]
        failed = np.stack([h.miss > PASS for h in held])
        n_failed = failed.sum(axis=0)
        ok = n_failed == 0
        where = np.argmax(failed, axis=0)
        self.counts += np.bincount(where[~ok], minlength=len(held))
        for k, h in enumerate(held):
            self.lone[k].take(rows, h, failed[k] & (n_failed == 1))
            self.first[k].take(rows, h, ~ok & (where == k))
        self._keep(rows, found, ok)

    def _keep(self, rows: Rows, found: Columns, ok: NDArray[np.bool_]) -> None:
        if ok.any():
            self.passed.append(rows[ok])
            self.figures.append({n: v[ok] for n, v in found.items()})

    def work_pruned(self, rows: Rows) -> None:
        """Rows about the speed: cheap limits first; what fails two of them is worked no further."""
        if not len(rows):
            return
        held = self.of.cheap(rows)
        failed = np.stack([h.miss > PASS for h in held])
        n_failed = failed.sum(axis=0)
        where = np.argmax(failed, axis=0)
        fell = n_failed > 0
        self.counts += np.bincount(where[fell], minlength=len(self.counts))
        for k, h in enumerate(held):
            self.first[k].take(rows, h, fell & (where == k))
        alone = n_failed == 1
        queues = self._queues(rows, held, {k: alone & failed[k] for k in range(len(held))})
        left = np.flatnonzero(~fell)
        # What meets every cheap limit and what fails one of them by the least are worked together: fewer, longer arrays.
        asked = np.unique(np.concatenate([left, *(q[:FIRST_CHUNK] for q in queues.values())]))
        if not len(asked):
            return
        found = self.of.evaluate(rows[asked])
        rest = self.of.rest(rows[asked], found)
        met = np.zeros(len(rows), dtype=bool)
        met[asked] = _all_met(rest, len(asked))
        mine = np.searchsorted(asked, left)
        if len(left):
            self._keep_rest(rows[left], [_of(h, mine) for h in rest], {n: v[mine] for n, v in found.items()})
        self._settle(rows, held, queues, met=met)

    def _keep_rest(self, rows: Rows, held: list[Held], found: Columns) -> None:
        """Rows that meet every cheap limit, against the others."""
        n = self.of.cheap_limits
        failed = np.stack([h.miss > PASS for h in held]) if held else np.zeros((1, len(rows)), dtype=bool)
        n_failed = failed.sum(axis=0)
        ok = n_failed == 0
        where = np.argmax(failed, axis=0)
        self.counts += np.bincount(where[~ok] + n, minlength=len(self.counts))
        for k, h in enumerate(held):
            self.lone[k + n].take(rows, h, failed[k] & (n_failed == 1))
            self.first[k + n].take(rows, h, ~ok & (where == k))
        self._keep(rows, found, ok)

    @staticmethod
    def _queues(rows: Rows, held: list[Held], masks: dict[int, NDArray[np.bool_]]) -> dict[int, Rows]:
        """Rows that fail one cheap limit alone, by that limit, nearest ones first."""
        queues: dict[int, Rows] = {}
        for k, mask in masks.items():
            here = np.flatnonzero(mask)
            if len(here):
                queues[k] = here[np.lexsort((rows[here], held[k].miss[here]))]
        return queues

    def _settle(self, rows: Rows, held: list[Held], queues: dict[int, Rows], *, met: NDArray[np.bool_]) -> None:
        """The nearest of each queue that meets all the other limits; ``met`` says which of the first ones do."""
        chunk, at = FIRST_CHUNK, 0
        while True:
            for k, queue in list(queues.items()):
                part = queue[at : at + chunk]
                done = not len(part) or (self.lone[k].row >= 0 and held[k].miss[part[0]] > self.lone[k].miss)
                if not done and met[part].any():
                    chosen = np.zeros(len(rows), dtype=bool)
                    chosen[part[int(np.argmax(met[part]))]] = True
                    self.lone[k].take(rows, held[k], chosen)
                    done = True
                if done:
                    del queues[k]
            at, chunk = at + chunk, chunk * 4
            parts = [q[at : at + chunk] for q in queues.values()]
            if not sum(len(p) for p in parts):
                return
            asked = np.unique(np.concatenate(parts))
            met[asked] = _all_met(self.of.rest(rows[asked], self.of.evaluate(rows[asked])), len(asked))

    def sure_of_speed(self, order: Rows, low: int, high: int) -> bool:
        """No row beyond these in the order of speed could be nearer to it than the one that was found."""
        if self.lone[0].row < 0:
            return low <= 0 and high >= len(order)
        edges = [*([order[low - 1]] if low > 0 else []), *([order[high]] if high < len(order) else [])]
        if not edges:
            return True
        beyond_here = self.of.cheap(np.array(edges, dtype=np.int64))[0].miss
        # Rows of one ratio differ in the last digit: those that all but tie are looked at too.
        return self.lone[0].miss * (1 + 1e-9) + 1e-12 < float(np.min(beyond_here))

    def nearest_speed(self, order: Rows, low: int, high: int) -> None:
        """Rows too fast or too slow, outward from what was looked at: the nearest that meets everything else."""
        chunk = 4 * FIRST_CHUNK
        while not self.sure_of_speed(order, low, high):
            rows = np.sort(np.concatenate([order[max(low - chunk, 0) : low], order[high : high + chunk]]))
            low, high, chunk = max(low - chunk, 0), min(high + chunk, len(order)), chunk * 4
            held = self.of.cheap(rows)
            self.first[0].take(rows, held[0], np.ones(len(rows), dtype=bool))
            queues = self._queues(rows, held, {0: _all_met(held[1:], len(rows))})
            met = np.zeros(len(rows), dtype=bool)
            for queue in queues.values():
                asked = np.sort(queue[:FIRST_CHUNK])
                met[asked] = _all_met(self.of.rest(rows[asked], self.of.evaluate(rows[asked])), len(asked))
            self._settle(rows, held, queues, met=met)


def _all_met(held: list[Held], count: int) -> NDArray[np.bool_]:
    """Which of so many rows meet all of these limits."""
    met: NDArray[np.bool_] = np.ones(count, dtype=bool)
    for h in held:
        met &= ~(h.miss > PASS)  # what has no figure is not missed
    return met


def _of(held: Held, rows: Rows) -> Held:
    """A limit for some of its rows."""
    return Held(_at(held.value, rows), _at(held.bound, rows), held.miss[rows])


def _at(x: Array | float, rows: Rows) -> Array | float:
    return x[rows] if isinstance(x, np.ndarray) and x.ndim else x


def search(of: Field[C], keep: int = 12, *, each: int | None = None, prune: bool = True) -> SearchResult[C]:
    """Sweep a field. Rows are counted once, at the first of its limits that they miss.

    The nearest miss of a limit is the row that fails nothing else and this least; failing that, the least miss among
    those counted there. The three kinds of answer come first, then by everything that counts.
    """
    tally = _Tally(of)
    with quiet(), np.errstate(all="ignore"):
        if not prune:
            tally.work_all(np.arange(len(of), dtype=np.int64))
        elif len(of):
            order, factor = of.factors()
            aim = of.wanted.driven_rpm / of.wanted.driver_rpm / (1 - of.wanted.slip_percent / 100)
            off = of.wanted.tolerance_percent / 100 * (1 + 1e-9) + 1e-9
            low, high = (int(x) for x in np.searchsorted(factor, [aim * (1 - off), aim * (1 + off)]))
            # The rows next to those of the right speed come along: the nearest miss of the speed is among them.
            low, high = max(low - FIRST_CHUNK, 0), min(high + FIRST_CHUNK, len(order))
            rows = np.sort(order[low:high])
            tally.counts[0] += len(of) - len(rows)
            tally.work_pruned(rows)
            tally.nearest_speed(order, low, high)
        rejected = tuple(
            _rejected(of, k, int(tally.counts[k]), tally.lone[k], tally.first[k])
            for k in range(len(of.limits))
            if tally.counts[k]
        )
        if not tally.passed:
            return SearchResult(considered=len(of), accepted=0, best=(), rejected=rejected, costs=np.zeros(0), least={})
        rows = np.concatenate(tally.passed)
        found = {n: np.concatenate([f[n] for f in tally.figures]) for n in tally.figures[0]}
        figures = of.figures(rows, found)
        least = figures.least()
        worked = terms(figures, least, of.wanted.tolerance_percent)
        cost = cost_of(worked, of.wanted.weights) + of.extra_cost(rows)
        best = _ranked(of, rows, found, figures=figures, worked=worked, cost=cost, keep=keep, each=each or of.each)
    return SearchResult(
        considered=len(of), accepted=len(rows), best=tuple(best), rejected=rejected, costs=np.sort(cost), least=least
    )


def _rejected(of: Field[C], k: int, count: int, lone: _Near, first: _Near) -> Rejected:
    near = lone if lone.row >= 0 else first
    return Rejected(
        limit=of.limits[k],
        count=count,
        nearest=of.name(near.row) if near.row >= 0 else "",
        value=near.value if near.row >= 0 else 0.0,
        bound=near.bound if near.row >= 0 else 0.0,
        miss_percent=100 * near.miss,
        only_this=lone.row >= 0,
    )


def _ranked(
    of: Field[C],
    rows: Rows,
    found: Columns,
    *,
    figures: Figures,
    worked: dict[str, Array],
    cost: Array,
    keep: int,
    each: int,
) -> list[Ranked[C]]:
    """The best few, the three kinds of answer first; a pair of wheels is shown once."""
    # A shelf that is not to count leaves the others as they are.
    weights = of.wanted.weights
    counted = {weights.get(n, 1.0) for n in worked if n != "stock" or weights.get(n, 1.0)}
    alike = len(counted) == 1 and counted != {0.0}
    order, kinds = ordered(
        figures, cost, aside=of.aside(rows), same=of.same(rows), among=of.among(rows, found), alike=alike
    )
    best: list[Ranked[C]] = []
    pairs: set[Hashable] = set()
    per: dict[Hashable, int] = {}
    for k in order:
        row = int(rows[k])
        pair, group = of.pair(row), of.group(row)
        if k not in kinds and (pair in pairs or per.get(group, 0) >= each):
            continue
        pairs.add(pair)
        per[group] = per.get(group, 0) + 1
        best.append(
            Ranked(
                drive=of.candidate(row),
                row=row,
                found={n: float(v[k]) for n, v in found.items()},
                width_mm=float(figures.width_mm[k]),
                shaft_load_n=float(figures.shaft_load_n[k]),
                error_percent=float(figures.error_percent[k]),
                cost=float(cost[k]),
                terms={n: _one(p, k) for n, p in worked.items()},
                on_shelf=0 if figures.missing is None else 3 - int(figures.missing[k]),
                common=float(figures.uncommon[k]) == 0.0,
                kinds=tuple(kinds.get(k, ())),
            )
        )
        if len(best) == keep:
            break
    return best


def why_not(one: Field[C], found: SearchResult[C]) -> WhyNot:
    """The one drive of a field of one, against every limit and against what a search found.

    Raises IndexError when the field is empty.
    """
    row = np.array([0])
    with quiet(), np.errstate(all="ignore"):
        worked = one.evaluate(row)
        held: Sequence[Held] = [*one.cheap(row), *one.rest(row, worked)]
        lines = tuple(
            LimitLine(limit=name, value=_first(h.value), bound=_first(h.bound), miss_percent=100 * _first(h.miss))
            for name, h in zip(one.limits, held, strict=True)
        )
        figures = one.figures(row, worked)
        least = {k: min(v, found.least.get(k, v)) for k, v in figures.least().items()}
        shares = terms(figures, least, one.wanted.tolerance_percent)
        cost = float(np.broadcast_to(cost_of(shares, one.wanted.weights) + one.extra_cost(row), (1,))[0])
    passes = all(line.passes for line in lines)
    return WhyNot(
        lines=lines,
        place=int(np.sum(found.costs < cost - 1e-9)) + 1 if passes else 0,
        cost=cost,
        terms={n: _first(p) for n, p in shares.items()},
    )


def _first(x: Array | float) -> float:
    return float(np.broadcast_to(np.asarray(x, dtype=float), (1,))[0])
