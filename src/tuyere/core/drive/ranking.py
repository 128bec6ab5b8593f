"""The order of drives that all do a duty, and the three kinds of answer that come first, for every family.

A practitioner does not want one order: the fewest parts, the smallest and the lightest (cheapest by weight) are
three different answers. They come first; the rest follows by all that counts, each against the best one found.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
KINDS = ("fewest parts", "smallest", "lightest")
ALL_ROUND = "best all round"
# A drive with less to spare than this has no room for a bad day; with more than twice the duty it is another drive.
LEAST_SPARE, USUAL_SPARE, MOST_SPARE = 5.0, 40.0, 60.0
# Within this share of the least figure drives count as alike: a tooth less is not another answer.
ALIKE = 0.05
MOST_LARGER = 1.75


@dataclass(frozen=True, slots=True, kw_only=True)
class Figures:
    """What drives are told apart by, one value a drive: wheels with belts or strands counted, mm, kg, N, percent.

    ``large_mm`` is the outside diameter of the larger wheel. ``uncommon`` counts wheels that are seldom on a shelf
    (0 to 2), ``missing`` the parts that are not on the person's own (0 to 3; None where no list is kept).
    """

    parts: Array
    large_mm: Array
    width_mm: Array
    weight_kg: Array
    shaft_load_n: Array
    error_percent: Array
    spare_percent: Array
    uncommon: Array
    missing: Array | None = None

    def least(self) -> dict[str, float]:
        """The best of each figure, which the others are held against."""
        every = {
            "parts": self.parts,
            "size": self.large_mm,
            "width": self.width_mm,
            "weight": self.weight_kg,
            "shaft_load": self.shaft_load_n,
        }
        return {n: float(np.min(v)) for n, v in every.items()}


def spare_term(spare_percent: Any) -> Any:
    """1 within the usual 5 to 40 % to spare; a drive at its limit or far beyond it counts against itself."""
    spare = np.asarray(spare_percent, dtype=float)
    short = np.maximum(LEAST_SPARE - spare, 0) / LEAST_SPARE
    heavy = np.maximum(spare - USUAL_SPARE, 0) / 100
    return 1 + short + heavy


def terms(f: Figures, least: dict[str, float], tolerance_percent: float) -> dict[str, Array]:
    """Each figure against the best one found; the speed error against the tolerance, each part that is not on the shelf counts once."""
    out: dict[str, Array] = {
        "parts": f.parts / least["parts"],
        "size": f.large_mm / least["size"],
        "width": f.width_mm / least["width"],
        "weight": f.weight_kg / least["weight"],
        "shaft_load": f.shaft_load_n / least["shaft_load"],
        "speed": 1 + np.abs(f.error_percent) / max(tolerance_percent, 0.01),
        "spare": spare_term(f.spare_percent),
        "common": 1 + f.uncommon / 2,
    }
    if f.missing is not None:
        out["stock"] = 1 + f.missing
    return out


def cost_of(parts: dict[str, Array], weights: dict[str, float]) -> Array:
    """The sum that makes the order; a term without a weight counts once."""
    total: Array = np.zeros(())
    for name, term in parts.items():
        total = total + weights.get(name, 1.0) * term
    return total


def kinds_of_answer(
    f: Figures, cost: Array, same: NDArray[np.int64] | None = None, among: NDArray[np.bool_] | None = None
) -> dict[int, list[str]]:
    """The drive of each kind, by its place in the arrays: {place: the kinds it is}.

    Only drives with a usual spare are asked where there are any; ``among`` narrows them further where any are left.
    Of drives alike in the one figure, within a twentieth, the better one of the whole order is taken. A drive that wins twice is named
    for both, so there are one to three of them. ``same`` marks what counts as one drive (the same pair of wheels):
    the second of a pair is not another answer.
    """
    usual = (f.spare_percent >= LEAST_SPARE) & (f.spare_percent <= MOST_SPARE)
    if among is not None and (usual & among).any():
        usual = usual & among
    pool = np.flatnonzero(usual if usual.any() else np.ones(len(cost), dtype=bool))
    found: dict[int, list[str]] = {}
    room = f.large_mm * f.width_mm
    # One belt less is no answer where it takes a wheel nearly twice as large as the smallest drive's.
    modest = pool[f.large_mm[pool] <= MOST_LARGER * f.large_mm[int(pool[np.argmin(room[pool])])]]
    for kind, figure, of in zip(KINDS, (f.parts, room, f.weight_kg), (modest, pool, pool), strict=True):
        least = float(np.min(figure[of]))
        near = of[figure[of] <= least * (1 + ALIKE)]
        first = int(near[np.argmin(cost[near])])
        if same is not None:
            first = next((k for k in found if same[k] == same[first]), first)
        # Where every drive has as many parts, the first answer is the best of the whole order, and is called so.
        name = ALL_ROUND if figure is f.parts and float(np.max(figure[pool])) == float(np.min(figure[pool])) else kind
        found.setdefault(next((k for k in found if k in near), first), []).append(name)
    return found


def ordered(
    f: Figures,
    cost: Array,
    *,
    aside: Array | None = None,
    same: NDArray[np.int64] | None = None,
    among: NDArray[np.bool_] | None = None,
    alike: bool = True,
) -> tuple[list[int], dict[int, list[str]]]:
    """All places in the order they are shown, and the kinds of the first ones; ``aside`` settles what is alike.

    Where a person weighs one figure more than another (``alike`` false) that order holds and no kind comes before it.
    """
    kinds = kinds_of_answer(f, cost, same, among) if alike else {}
    by_cost = np.lexsort((np.zeros(len(cost)) if aside is None else aside, np.round(cost, 9)))
    rest = [k for k in by_cost.tolist() if k not in kinds]
    return [*kinds, *rest], kinds
