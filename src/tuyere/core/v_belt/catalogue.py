"""The catalogue of a search: every combination of standard sheaves and belts, with its geometry worked once."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import cached_property, lru_cache

import numpy as np
from numpy.typing import NDArray

from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centres_of_lengths
from tuyere.core.geometry.formulas import open_small_arc
from tuyere.core.notices import collected_notices
from tuyere.core.speeds.formulas import ratio_of_diameters
from tuyere.core.steps import quiet
from tuyere.core.v_belt.bases.pick import DEFAULT, PUBLISHED, rated_by
from tuyere.core.v_belt.bases.protocol import Basis
from tuyere.core.v_belt.belts import Belt, belt_of, length_mm_of, standard_numbers
from tuyere.core.v_belt.joined import made_joined
from tuyere.core.v_belt.sections import KC_PER_KG_M, Section, groove_rows, least_diameter_mm, sections
from tuyere.core.v_belt.sheaves import Sheave, sheave, standard_diameters
from tuyere.core.v_belt.v_flat import flat_arc_factor, flat_pulley
from tuyere.core.v_belt.weight import groove_area_mm2

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
    "ratio",
    "K_c",
    "groove_pitch",
    "edge",
    "groove_depth",
    "groove_area",
    "uncommon",
    "length",
    "mass",
    "motor_size",
    "wedge",
    "driver_bottom",
    "driven_bottom",
)


@dataclass(frozen=True, kw_only=True)
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
    rated_by: dict[int, Basis]

    def __len__(self) -> int:
        return len(self.section_index)

    @cached_property
    def by_speed(self) -> tuple[NDArray[np.int64], Array]:
        """Rows in the order of the driven speed over the driver's, and that factor in order."""
        factor = self.columns["driver_pitch"] / self.columns["driven_pitch"]
        order = np.argsort(factor, kind="stable").astype(np.int64)
        return order, factor[order]

    def at(self, rows: NDArray[np.int64], names: tuple[str, ...]) -> dict[str, Array]:
        """Some columns of some rows."""
        return {n: self.columns[n][rows] for n in names}


@dataclass(frozen=True, kw_only=True)
class Fixed:
    """Parts that must stay: any may be None. Sheaves carry their groove; so does a belt. ``there`` false: only asked about.

    ``flat_mm`` is a flat driven pulley by its outside diameter; ``joined`` looks among sections that are made joined.
    """

    driver: Sheave | None = None
    driven: Sheave | None = None
    section: str | None = None
    belt: Belt | None = None
    there: bool = True
    flat_mm: float | None = None
    joined: bool = False


def _standard_sheaves(groove: str) -> tuple[list[Sheave], list[bool]]:
    rows = standard_diameters(groove)
    with quiet():
        return [sheave(mm, kind, groove) for mm, kind, _ in rows], [often for *_, often in rows]


def _belts(of: Section, basis: Basis) -> list[Belt]:
    """The standard belts that the basis has a length factor for."""
    with quiet():
        made = [belt_of(of, number) for number in standard_numbers(of)]
        return [b for b in made if np.isfinite(_length_factor(basis, b))]


def _length_factor(basis: Basis, one: Belt) -> float:
    try:
        return basis.length_factor(one)
    except InputError:
        return float("nan")


def build_catalogue(fixed: Fixed = Fixed(), basis: Basis = DEFAULT, series: str = "all") -> Catalogue:
    """All combinations of sheaves and belts over the sections that the fixed parts and the basis allow.

    ``series`` is "all", "inch" or "metric". The geometry (exact centre distance, arc, factors) does not depend on
    the duty and is worked here.
    """
    # A table of somebody's own is new with every request: keeping its catalogue would only fill the memory.
    if fixed == Fixed() and basis.id in PUBLISHED:
        return _standard_catalogue(basis, series)
    return _build(fixed, basis, series)


@lru_cache(maxsize=6)
def _standard_catalogue(basis: Basis, series: str) -> Catalogue:
    return _build(Fixed(), basis, series)


def _allowed(of: Section, fixed: Fixed, series: str) -> bool:
    if fixed.section and of.name != fixed.section:
        return False
    if fixed.belt and of.name != fixed.belt.section.name:
        return False
    if series != "all" and of.metric != (series == "metric") and replace(fixed, joined=False) == Fixed():
        return False
    if fixed.joined and not made_joined(of):
        return False
    return all(w is None or w.groove == of.groove for w in (fixed.driver, fixed.driven))


def _build(fixed: Fixed, asked: Basis, series: str) -> Catalogue:
    belts: list[Belt] = []
    wheels: list[Sheave] = []
    stocked: list[bool] = []
    pieces: list[dict[str, Array]] = []
    indices: list[tuple[NDArray[np.int64], ...]] = []
    by: dict[int, Basis] = {}
    for number, of in enumerate(sections().values()):
        basis = rated_by(asked, of)
        if basis is None or not _allowed(of, fixed, series):
            continue
        own, own_stock = _standard_sheaves(of.groove)
        base = len(wheels)
        wheels += own
        stocked += own_stock
        drivers, drivens = list(range(base, len(wheels))), list(range(base, len(wheels)))
        for one, slot in ((fixed.driver, drivers), (fixed.driven, drivens)):
            if one is not None:
                wheels.append(one)
                # What is there already is at hand; what is only asked about is judged like any other sheave.
                common = [often for w, often in zip(own, own_stock, strict=True) if abs(w.line_mm - one.line_mm) < 0.01]
                stocked.append(fixed.there or any(common))
                slot[:] = [len(wheels) - 1]
        if fixed.flat_mm is not None:
            try:
                with quiet(), collected_notices():
                    wheels.append(flat_pulley(fixed.flat_mm, of))
            except InputError:
                continue
            stocked.append(True)
            drivens[:] = [len(wheels) - 1]
        first_belt = len(belts)
        belts += [fixed.belt] if fixed.belt else _belts(of, basis)
        if not drivers or not drivens or first_belt == len(belts):
            continue
        by[number] = basis
        grid = np.meshgrid(np.array(drivers), np.array(drivens), np.arange(first_belt, len(belts)), indexing="ij")
        d1, d2, b = (g.ravel().astype(np.int64) for g in grid)
        pieces.append(
            _columns(
                of,
                wheels,
                stocked=stocked,
                belts=belts,
                d1=d1,
                d2=d2,
                b=b,
                basis=basis,
                v_flat=fixed.flat_mm is not None,
            )
        )
        indices.append((np.full(len(d1), number, dtype=np.int64), d1, d2, b))
    if not pieces:
        empty = np.zeros(0, dtype=np.int64)
        return Catalogue(
            columns={c: np.zeros(0) for c in COLUMNS},
            section_index=empty,
            driver_index=empty,
            driven_index=empty,
            belt_index=empty,
            belts=(),
            wheels=(),
            stocked=np.zeros(0, bool),
            rated_by={},
        )
    columns = {c: np.concatenate([p[c] for p in pieces]) for c in COLUMNS}
    s, d1, d2, b = (np.concatenate([i[k] for i in indices]) for k in range(4))
    return Catalogue(
        columns=columns,
        section_index=s,
        driver_index=d1,
        driven_index=d2,
        belt_index=b,
        belts=tuple(belts),
        wheels=tuple(wheels),
        stocked=np.array(stocked),
        rated_by=by,
    )


def _columns(
    of: Section,
    wheels: list[Sheave],
    *,
    stocked: list[bool],
    belts: list[Belt],
    d1: NDArray[np.int64],
    d2: NDArray[np.int64],
    b: NDArray[np.int64],
    basis: Basis,
    v_flat: bool = False,
) -> dict[str, Array]:
    line, pitch, outside = (
        np.array([getattr(w, name) for w in wheels]) for name in ("line_mm", "pitch_mm", "outside_mm")
    )
    lengths = np.array([length_mm_of(x) for x in belts])
    k_l = np.array([np.nan] * len(belts))
    first = int(b.min())
    with quiet():
        k_l[first:] = [_length_factor(basis, x) for x in belts[first:]]
        small_line, large_line = np.minimum(line[d1], line[d2]), np.maximum(line[d1], line[d2])
        small_pitch, large_pitch = np.minimum(pitch[d1], pitch[d2]), np.maximum(pitch[d1], pitch[d2])
        centre = centres_of_lengths(lengths[b], small_line, large_line)
        centre = np.where(centre > (outside[d1] + outside[d2]) / 2, centre, np.nan)
        arc = open_small_arc(centre, small_line, large_line)
        ratio = ratio_of_diameters(large_pitch, small_pitch)
        k_theta = flat_arc_factor(arc) if v_flat else basis.arc_factor(arc)
    least = least_diameter_mm(of, basis.id) - (0 if of.min_kind == "pitch" else (line[d1[0]] - pitch[d1[0]]))
    groove = groove_rows(of.groove)[0]

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
        "ratio": ratio,
        "K_c": flat(of.K_c),
        "groove_pitch": flat(groove.pitch_mm),
        "edge": flat(groove.edge_mm),
        "groove_depth": flat(groove.depth_mm),
        "groove_area": flat(groove_area_mm2(groove)),
        "uncommon": 2.0 - np.array(stocked, dtype=float)[d1] - np.array(stocked, dtype=float)[d2],
        "length": lengths[b],
        "mass": flat(of.K_c / KC_PER_KG_M),
        # The motor table is by pitch diameter for classical belts, by outside diameter for wedge belts.
        "motor_size": outside[d1] if of.wedge else pitch[d1],
        "wedge": flat(1.0 if of.wedge else 0.0),
        "driver_bottom": outside[d1] - 2 * groove.depth_mm,
        "driven_bottom": outside[d2] - 2 * groove.depth_mm,
    }
