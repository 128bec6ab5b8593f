"""Every flat belt drive for a duty: materials and preferred pulleys, each with the narrowest standard belt that does."""

from __future__ import annotations

from collections.abc import Hashable
from dataclasses import dataclass
from functools import cache, cached_property

import numpy as np
from numpy.typing import NDArray

from tuyere.core.drive.ranking import Array, Figures
from tuyere.core.drive.search import Columns, DutyWanted, Field, Held, Rows, Taken, beyond, hub_room, must
from tuyere.core.duty.carried import pounds_to_newtons, power_to_spare
from tuyere.core.flat.formulas import (
    allowed_tight,
    belt_weight,
    hoop_tension,
    initial_tension,
    net_pull_pounds,
    slack_tension,
    slip_power,
    tight_needed,
    tight_to_set,
)
from tuyere.core.flat.method import LIKED_CENTRES, MARGIN, RIM_LIMIT_FPM
from tuyere.core.flat.strength import WIDE_IN, pulley_correction, velocity_correction
from tuyere.core.flat.tables import Material, materials
from tuyere.core.flat.weight import pulleys_weight
from tuyere.core.geometry.formulas import open_length, open_small_arc
from tuyere.core.speeds.formulas import belt_speed, driven_speed
from tuyere.core.tables import table
from tuyere.core.tension.formulas import (
    design_horsepower,
    net_pull,
    shaft_load_running,
    shaft_load_standing,
    slack_strand,
    speed_in_feet,
    tight_strand,
)
from tuyere.core.units import KG_PER_LB, MM_PER_IN

# A rim that is an eighth of an inch thick and a little more is taken away from a hub's room (common practice).
RIM_MM = 2 * MM_PER_IN / 2


@dataclass(frozen=True, slots=True, kw_only=True)
class FlatCandidate:
    """A flat belt drive of the grid; the width follows from the duty."""

    material: Material
    driver_mm: float
    driven_mm: float


@cache
def flat_grid() -> Columns:
    """Every pair of preferred pulleys with every material, material by material."""
    d = np.array(table("flat_pulleys").column("diameter"))
    d_1, d_2 = (g.ravel() for g in np.meshgrid(d, d, indexing="ij"))
    n = len(materials())
    return {
        "d_1": np.tile(d_1, n),
        "d_2": np.tile(d_2, n),
        "kind": np.repeat(np.arange(n, dtype=float), len(d_1)),
    }


@cache
def _by_speed() -> tuple[Rows, Array]:
    grid = flat_grid()
    factor = grid["d_1"] / grid["d_2"]
    order = np.argsort(factor, kind="stable").astype(np.int64)
    return order, factor[order]


class FlatField(Field[FlatCandidate]):
    """All materials and preferred pulleys, or one drive, held against a duty."""

    limits = (
        "speed",
        "size",
        "least pulley",
        "centre distance",
        "belt speed",
        "power",
        "width",
        "shaft bore",
        "shaft load",
    )
    cheap_limits = 2
    each = 1

    def __init__(self, wanted: DutyWanted, *, grid: Columns | None = None, width_mm: float | None = None) -> None:
        """For a duty; ``grid`` stands in for the whole list, ``width_mm`` for the narrowest belt that does."""
        super().__init__(wanted)
        self._own, self.width_mm = grid, width_mm
        self.grid = flat_grid() if grid is None else grid
        self.every = list(materials().values())

    def __len__(self) -> int:
        """Combinations."""
        return len(self.grid["kind"])

    def _at(self, rows: Rows) -> Columns:
        return Taken(self.grid, rows)

    def factors(self) -> tuple[Rows, Array]:
        """Rows in the order of the speed they give."""
        if self._own is None:
            return _by_speed()
        factor = self.grid["d_1"] / self.grid["d_2"]
        order = np.argsort(factor, kind="stable").astype(np.int64)
        return order, factor[order]

    def errors(self, rows: Rows) -> Array:
        """Driven speed against the wanted one, percent."""
        w = self.wanted
        off: Array = 100 * (
            driven_speed(w.driver_rpm, self.grid["d_1"][rows], self.grid["d_2"][rows], 0.0) / w.driven_rpm - 1
        )
        return off

    def cheap(self, rows: Rows) -> list[Held]:
        """Speed and the room for the large pulley."""
        w, c = self.wanted, self._at(rows)
        error = self.errors(rows)
        room = min(w.largest_driver_mm, w.largest_driven_mm)
        return [
            Held(error, w.tolerance_percent, (np.abs(error) - w.tolerance_percent) / 100),
            beyond(np.maximum(c["d_1"], c["d_2"]), room),
        ]

    @cached_property
    def _of_every(self) -> Columns:
        """What the formulas take of a material, one value each."""
        names = ("allowed_lbf_in", "weight_lbf_in3", "thickness_in", "friction")
        return {n: np.array([getattr(m, n) for m in self.every], dtype=float) for n in names}

    def _corrections(self, kind: NDArray[np.int64], small: Array) -> Array:
        """Each material's own correction for the size of its small pulley."""
        out = np.full(len(small), np.nan)
        for k in np.unique(kind):
            at = np.flatnonzero(kind == k)
            out[at] = pulley_correction(self.every[int(k)], small[at])
        return out

    def _velocities(self, kind: NDArray[np.int64], feet: Array) -> Array:
        """Each material's own correction for its speed."""
        out = np.full(len(feet), np.nan)
        for k in np.unique(kind):
            at = np.flatnonzero(kind == k)
            out[at] = velocity_correction(self.every[int(k)], feet[at])
        return out

    def evaluate(self, rows: Rows) -> Columns:
        """Figures for the duty by the formulas of the single drive."""
        w, c = self.wanted, self._at(rows)
        d_1, d_2 = c["d_1"], c["d_2"]
        kind = c["kind"].astype(np.int64)
        allowed, weight_in3, thick, friction = (v[kind] for v in self._of_every.values())
        small, large = np.minimum(d_1, d_2), np.maximum(d_1, d_2)
        speed = belt_speed(d_1, w.driver_rpm)
        feet = speed_in_feet(speed)
        arc = open_small_arc(w.about_mm, small, large)
        tight_in = allowed_tight(1.0, allowed, self._corrections(kind, small), self._velocities(kind, feet))
        hoop_in = hoop_tension(belt_weight(weight_in3, 1.0, thick), feet)
        hp_in = slip_power(tight_in, hoop_in, friction, arc, feet)
        design_hp = float(design_horsepower(w.design_kw))
        width, there, face = self._width(design_hp / hp_in * MM_PER_IN)
        wide = width / MM_PER_IN
        pull = net_pull_pounds(design_hp, feet)
        tight, hoop = tight_in * wide, hoop_in * wide
        set_for = tight_to_set(tight_needed(pull, hoop, friction, arc), hoop, MARGIN, tight)
        t_c = pounds_to_newtons(hoop)
        mean = pounds_to_newtons(initial_tension(set_for, slack_tension(set_for, pull), hoop)) + t_c
        duty_pull = net_pull(w.power_kw, speed, 1.0)
        running = shaft_load_running(1.0, tight_strand(mean, duty_pull), slack_strand(mean, duty_pull), t_c, arc)
        weight_ft = belt_weight(weight_in3, wide, thick)
        return {
            "error": self.errors(rows),
            "feet": feet,
            "hp_in": hp_in,
            "width": width,
            "face": face,
            "hub": np.maximum(shaft_load_standing(1.0, mean, arc), running),
            "spare": power_to_spare(hp_in * wide, design_hp),
            "belt": weight_ft * KG_PER_LB * open_length(w.about_mm, small, large) / MM_PER_IN / 12,
            "there": there.astype(float),
        }

    def _width(self, needed: Array) -> tuple[Array, np.ndarray, Array]:
        """(narrowest standard belt that does in mm, whether there is one, face of its pulley)."""
        widths = np.array(table("flat_widths").column("belt"))
        faces = np.array(table("flat_widths").column("face"))
        if self.width_mm is not None:
            at = np.searchsorted(widths, np.full(len(needed), self.width_mm) - 1e-9)
            does = np.isfinite(needed) & (needed > 0) & (needed <= self.width_mm * (1 + 1e-9))
            return np.full(len(needed), self.width_mm), does, faces[np.minimum(at, len(faces) - 1)]
        at = np.searchsorted(widths, np.where(np.isfinite(needed) & (needed > 0), needed, np.inf) - 1e-9)
        there = at < len(widths)
        width = np.where(there, widths[np.minimum(at, len(widths) - 1)], np.inf)
        return width, there, faces[np.minimum(at, len(faces) - 1)]

    def rest(self, rows: Rows, found: Columns) -> list[Held]:
        """Least pulley, centres, belt speed, power, width, hubs and shafts."""
        w, c = self.wanted, self._at(rows)
        small = np.minimum(c["d_1"], c["d_2"])
        kind = c["kind"].astype(int)
        least_in = np.array([m.least_pulley_in for m in self.every])[kind]
        add = np.array([m.wide_add_in for m in self.every])[kind]
        least = (least_in + np.where(found["width"] / MM_PER_IN >= WIDE_IN, add, 0.0)) * MM_PER_IN
        apart = (c["d_1"] + c["d_2"]) / 2
        wide = np.where(found["there"] > 0, found["width"] / w.widest_mm - 1, np.inf)
        return [
            Held(small, least, np.where(small < least * (1 - 1e-9), 1 - small / least, -1.0)),
            Held(w.about_mm, apart, np.where(apart >= w.about_mm, apart / w.about_mm - 1 + 1e-9, -1.0)),
            Held(found["feet"] * 0.00508, RIM_LIMIT_FPM * 0.00508, found["feet"] / RIM_LIMIT_FPM - 1),
            must(found["hp_in"] > 0),
            Held(found["width"], w.widest_mm, wide),
            hub_room(c["d_1"] - RIM_MM, c["d_2"] - RIM_MM, w)
            if w.driver_shaft_mm or w.driven_shaft_mm
            else must(np.ones(len(rows), bool)),
            Held(found["hub"], w.largest_load_n, np.nan_to_num(found["hub"]) / w.largest_load_n - 1),
        ]

    def figures(self, rows: Rows, found: Columns) -> Figures:
        """Parts bought are two pulleys and a belt."""
        c = self._at(rows)
        stock = self.wanted.stock
        return Figures(
            parts=np.full(len(rows), 3.0),
            large_mm=np.maximum(c["d_1"], c["d_2"]),
            width_mm=found["width"],
            weight_kg=pulleys_weight(c["d_1"], c["d_2"], found["face"]).plus(found["belt"]).middle_kg,
            shaft_load_n=found["hub"],
            error_percent=found["error"],
            spare_percent=found["spare"],
            uncommon=np.zeros(len(rows)),
            missing=None if stock is None else self.missing(rows, stock),
        )

    def among(self, rows: Rows, found: Columns) -> np.ndarray:
        """A belt wider than its pulley is round, or on centres too short for it, is a drive with care and not the answer."""
        c = self._at(rows)
        narrow: np.ndarray = found["width"] <= np.minimum(c["d_1"], c["d_2"])
        easy: np.ndarray = narrow & (self.wanted.about_mm >= LIKED_CENTRES * np.maximum(c["d_1"], c["d_2"]))
        return easy if easy.any() else narrow

    def candidate(self, row: int) -> FlatCandidate:
        """The drive of a row."""
        g = self.grid
        return FlatCandidate(
            material=self.every[int(g["kind"][row])], driver_mm=float(g["d_1"][row]), driven_mm=float(g["d_2"][row])
        )

    def parts(self, row: int) -> tuple[str, tuple[tuple[str, float], tuple[str, float]]]:
        """Belt by material, pulleys by diameter."""
        c = self.candidate(row)
        return c.material.key, (("flat", c.driver_mm), ("flat", c.driven_mm))

    def name(self, row: int) -> str:
        """Material and pulleys."""
        c = self.candidate(row)
        return f"{c.material.name} on {c.driver_mm:.0f} / {c.driven_mm:.0f} mm"

    def group(self, row: int) -> Hashable:
        """A material."""
        return int(self.grid["kind"][row])


def flat_grid_of(one: FlatCandidate) -> Columns:
    """A grid of one drive, for asking about it."""
    kind = list(materials()).index(one.material.key)
    return {
        "d_1": np.array([one.driver_mm]),
        "d_2": np.array([one.driven_mm]),
        "kind": np.array([float(kind)]),
    }
