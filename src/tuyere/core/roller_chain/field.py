"""Every roller chain drive for a duty: sizes, strands and teeth, by the same formulas on arrays."""

from __future__ import annotations

from collections.abc import Hashable
from dataclasses import dataclass
from functools import cache

import numpy as np

from tuyere.core.drive.ranking import Array, Figures
from tuyere.core.drive.search import Columns, DutyWanted, Field, Held, Rows, Taken, beyond, hub_room, must
from tuyere.core.duty.carried import power_to_spare
from tuyere.core.roller_chain.formulas import (
    chain_pitches,
    chain_power,
    chain_speed,
    driven_sprocket_speed,
    even_pitches,
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
from tuyere.core.roller_chain.rating import iso_constants
from tuyere.core.roller_chain.tables import Chain, chains, iso_chains
from tuyere.core.roller_chain.weight import over_strands, sprockets_weight
from tuyere.core.tables import table

DRIVER_TEETH = (*range(11, 31), 32, 35, 36, 40, 45)
DRIVEN_TEETH = (*range(11, 61), 65, 68, 70, 72, 76, 80, 84, 90, 95, 96, 100, 102, 112, 114, 120)
MOST_PITCHES = 80
LEAST_WRAP = 120.0
SMOOTH_TEETH = 17
USUAL_LIFE_H = 15_000.0


@dataclass(frozen=True, slots=True, kw_only=True)
class ChainCandidate:
    """A chain drive of the grid."""

    chain: Chain
    strands: int
    z_1: int
    z_2: int


def chain_sizes(series: str) -> list[Chain]:
    """The sizes of a series that a rating exists for."""
    return list(chains().values()) if series == "ansi" else [c for c in iso_chains().values() if c.series == series]


@cache
def chain_grid(series: str = "ansi") -> dict[str, Array]:
    """Every combination of size, strands and teeth, as columns."""
    sizes = chain_sizes(series)
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


@cache
def _by_speed(series: str) -> tuple[Rows, Array]:
    grid = chain_grid(series)
    factor = grid["z_1"] / grid["z_2"]
    order = np.argsort(factor, kind="stable").astype(np.int64)
    return order, factor[order]


def _outside(c: Columns, teeth: Array) -> Array:
    """Outside diameters by the standard of the series."""
    if "k_A" in c:
        made: Array = iso_outside_diameter(pitch_diameter(c["pitch_mm"], teeth), c["pitch_mm"], c["roller"])
        return made
    plain: Array = outside_diameter(c["pitch_mm"], teeth)
    return plain


class ChainField(Field[ChainCandidate]):
    """All sizes of a series, or some of its rows, held against a duty; ``most_members`` are strands."""

    limits = ("speed", "centre distance", "wrap", "galling", "power", "size", "strands", "shaft bore", "shaft load")
    cheap_limits = 3
    each = 2

    def __init__(
        self,
        wanted: DutyWanted,
        series: str = "ansi",
        *,
        life_h: float = USUAL_LIFE_H,
        grid: Columns | None = None,
    ) -> None:
        """For a duty; ``grid`` stands in for the whole series."""
        super().__init__(wanted)
        self.series, self.life_h, self._own = series, life_h, grid
        self.grid = chain_grid(series) if grid is None else grid

    def __len__(self) -> int:
        """Combinations."""
        return len(self.grid["of"])

    def _at(self, rows: Rows) -> Columns:
        return Taken(self.grid, rows)

    def factors(self) -> tuple[Rows, Array]:
        """Rows in the order of the speed they give."""
        if self._own is None:
            return _by_speed(self.series)
        factor = self.grid["z_1"] / self.grid["z_2"]
        order = np.argsort(factor, kind="stable").astype(np.int64)
        return order, factor[order]

    def errors(self, rows: Rows) -> Array:
        """Driven speed against the wanted one, percent."""
        driven = driven_sprocket_speed(self.wanted.driver_rpm, self.grid["z_1"][rows], self.grid["z_2"][rows])
        off: Array = 100 * (driven / self.wanted.driven_rpm - 1)
        return off

    def cheap(self, rows: Rows) -> list[Held]:
        """Speed, centres in pitches, wrap."""
        w, c = self.wanted, self._at(rows)
        small, large = np.minimum(c["z_1"], c["z_2"]), np.maximum(c["z_1"], c["z_2"])
        error = self.errors(rows)
        tips = (_outside(c, c["z_1"]) + _outside(c, c["z_2"])) / 2
        in_pitches = w.about_mm / c["pitch_mm"]
        miss = np.maximum(
            np.where(tips >= w.about_mm, tips / w.about_mm - 1 + 1e-9, -1.0), in_pitches / MOST_PITCHES - 1
        )
        pitches = chain_pitches(w.about_mm, c["pitch_mm"], small, large)
        wrap = small_wrap(w.about_mm, c["pitch_mm"], small, large)
        bound = np.where(tips >= w.about_mm, tips, MOST_PITCHES * c["pitch_mm"])
        return [
            Held(error, w.tolerance_percent, (np.abs(error) - w.tolerance_percent) / 100),
            Held(w.about_mm, bound, np.where(np.isfinite(pitches), miss, np.inf)),
            Held(wrap, LEAST_WRAP, np.where(np.isnan(wrap), -1.0, 1 - wrap / LEAST_WRAP)),
        ]

    def _power(self, c: Columns, small: Array, *, small_rpm: Array, pitches: Array) -> tuple[Array, Array]:
        """(galling limit of one strand, power of all strands in kW) by the method of the series."""
        if "k_A" in c:
            gall = iso_galling_power(small, small_rpm, c["pitch_mm"], c["K_ps"])
            plate = iso_plate_power(small, small_rpm, k_A=c["k_A"], A_i=c["A_i"], p=c["pitch_mm"], e_p=c["e_p"])
            roller = iso_roller_power(small, small_rpm, c["k_R"], c["pitch_mm"])
            return gall, iso_chain_power(
                plate,
                roller,
                P_gall=gall,
                K_str=c["factor"],
                K_lub=1.0,
                K_off=1.0,
                f_5=iso_life_factor(self.life_h),
            )
        gall = galling_power(small, small_rpm, c["pitch_in"])
        plate = link_plate_power(c["K_f"], small, small_rpm, c["pitch_in"])
        impact = impact_power(c["K_r"], small, n_s=small_rpm, p_in=c["pitch_in"], X=pitches, h_life=self.life_h)
        return gall, chain_power(strand_power(plate, impact, gall), c["factor"], 1.0, 1.0)

    def evaluate(self, rows: Rows) -> Columns:
        """Figures for the duty, by the formulas of the single drive."""
        w, c = self.wanted, self._at(rows)
        small, large = np.minimum(c["z_1"], c["z_2"]), np.maximum(c["z_1"], c["z_2"])
        driven = driven_sprocket_speed(w.driver_rpm, c["z_1"], c["z_2"])
        pitches = even_pitches(chain_pitches(w.about_mm, c["pitch_mm"], small, large))
        gall, power = self._power(c, small, small_rpm=np.maximum(w.driver_rpm, driven), pitches=pitches)
        return {
            "error": self.errors(rows),
            "pitches": pitches,
            "galling": gall,
            "power": power,
            "largest": _outside(c, large),
            "pull": working_pull(w.power_kw, chain_speed(c["z_1"], c["pitch_mm"], w.driver_rpm)),
            "width": over_strands(c["width"], c["spacing"], c["strands"]),
        }

    def rest(self, rows: Rows, found: Columns) -> list[Held]:
        """Galling, power, room, strands, hubs and shafts."""
        w, c = self.wanted, self._at(rows)
        room = min(w.largest_driver_mm, w.largest_driven_mm)
        size = np.maximum(found["largest"] / room - 1, found["width"] / w.widest_mm - 1)
        wide = found["width"] / w.widest_mm > found["largest"] / room
        # Under the teeth there are two pitches less than the pitch circle for a hub.
        under = [pitch_diameter(c["pitch_mm"], c[z]) - 2 * c["pitch_mm"] for z in ("z_1", "z_2")]
        return [
            Held(found["galling"], 0.0, np.where(found["galling"] <= 0, 1e-6 - found["galling"], -1.0)),
            Held(found["power"], w.design_kw, 1 - found["power"] / w.design_kw),
            Held(np.where(wide, found["width"], found["largest"]), np.where(wide, w.widest_mm, room), size),
            beyond(c["strands"], w.most_members),
            hub_room(under[0], under[1], w)
            if w.driver_shaft_mm or w.driven_shaft_mm
            else must(np.ones(len(rows), bool)),
            beyond(found["pull"], w.largest_load_n),
        ]

    def figures(self, rows: Rows, found: Columns) -> Figures:
        """Parts bought are two sprockets and the strands."""
        c = self._at(rows)
        wheels = sprockets_weight(
            c["pitch_mm"], c["width"], spacing_mm=c["spacing"], strands=c["strands"], z_1=c["z_1"], z_2=c["z_2"]
        )
        chain_kg = c["mass"] * c["strands"] * found["pitches"] * c["pitch_mm"] / 1000
        stock = self.wanted.stock
        return Figures(
            parts=2 + c["strands"],
            large_mm=found["largest"],
            width_mm=found["width"],
            weight_kg=wheels.plus(chain_kg).middle_kg,
            shaft_load_n=found["pull"],
            error_percent=found["error"],
            spare_percent=power_to_spare(found["power"], self.wanted.design_kw),
            # One strand is bought everywhere; several and what they run on are ordered.
            uncommon=np.where(c["strands"] > 1, 2.0, 0.0),
            missing=None if stock is None else self.missing(rows, stock),
        )

    def among(self, rows: Rows, found: Columns) -> np.ndarray:
        """Rough drives are no answer of their own where smooth ones do it."""
        smooth: np.ndarray = np.minimum(self.grid["z_1"][rows], self.grid["z_2"][rows]) >= SMOOTH_TEETH
        return smooth

    def extra_cost(self, rows: Rows) -> Array:
        """Seventeen teeth and more run smoothly: fewer weigh against a drive in proportion."""
        small = np.minimum(self.grid["z_1"][rows], self.grid["z_2"][rows])
        rough: Array = np.maximum(1.0, SMOOTH_TEETH / small)
        return rough

    def candidate(self, row: int) -> ChainCandidate:
        """The drive of a row."""
        g = self.grid
        return ChainCandidate(
            chain=chain_sizes(self.series)[int(g["of"][row])],
            strands=int(g["strands"][row]),
            z_1=int(g["z_1"][row]),
            z_2=int(g["z_2"][row]),
        )

    def parts(self, row: int) -> tuple[str, tuple[tuple[str, float], tuple[str, float]]]:
        """Chain by number and strands, sprockets by teeth."""
        c = self.candidate(row)
        name = chain_name(c.chain, c.strands)
        return name, ((c.chain.name, float(c.z_1)), (c.chain.name, float(c.z_2)))

    def name(self, row: int) -> str:
        """Chain and teeth."""
        c = self.candidate(row)
        return f"{chain_name(c.chain, c.strands)} on {c.z_1} / {c.z_2} teeth"

    def group(self, row: int) -> Hashable:
        """A size with its strands."""
        return int(self.grid["of"][row]), int(self.grid["strands"][row])


def chain_name(of: Chain, strands: int) -> str:
    """As it is written: the strands after a dash."""
    return of.name + ("" if strands == 1 else f"-{strands}")


def chain_written(of: Chain, strands: int, pitches: float) -> str:
    """A chain of a length as a parts list has it: an American number says that it is one, so that two counts do not stand side by side.

    Source: common practice.
    """
    number = "No. " if of.name[:1].isdigit() and not set("AB") & set(of.name) else ""
    return f"{number}{chain_name(of, strands)}, {pitches:.0f} pitches"


def chain_grid_of(one: Chain, strands: int, z_1: int, z_2: int) -> Columns:
    """A grid of one drive, for asking about it. Raises IndexError where the size is in no series with these strands."""
    series = one.series
    at = chain_sizes(series).index(one) if one in chain_sizes(series) else -1
    whole = chain_grid(series)
    like = np.flatnonzero((whole["of"] == at) & (whole["strands"] == strands))[:1]
    if not len(like):
        raise IndexError(f"{chain_name(one, strands)} is in no series of the search")
    row = {n: v[like].copy() for n, v in whole.items()}
    row["z_1"][:], row["z_2"][:] = z_1, z_2
    return row
