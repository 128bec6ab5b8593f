"""Every synchronous drive for a duty: profiles, widths, pulleys and belts, by the same formulas on arrays."""

from __future__ import annotations

from collections.abc import Hashable
from dataclasses import dataclass
from functools import cache
from math import pi

import numpy as np

from tuyere.core.drive.ranking import Array, Figures
from tuyere.core.drive.search import (
    Columns,
    DutyWanted,
    Field,
    Held,
    Rows,
    Taken,
    beyond,
    hub_room,
    must,
    short_of,
    within,
)
from tuyere.core.duty.carried import power_to_spare
from tuyere.core.geometry.centre import centres_of_lengths
from tuyere.core.geometry.formulas import open_small_arc
from tuyere.core.steps import quiet
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
from tuyere.core.synchronous.method import STRAND_RATIO
from tuyere.core.synchronous.tables import Profile, profiles
from tuyere.core.synchronous.weight import pulley_face_mm, pulleys_weight
from tuyere.core.tables import axis, table
from tuyere.core.tension.formulas import net_pull, shaft_load_running, shaft_load_standing, slack_strand, tight_strand

FEWEST_IN_MESH = 3.0
STOCK_RIM_M_S = 33.0


@dataclass(frozen=True, slots=True)
class OwnBelt:
    """The user's own belt: what its maker allows at one width. N, mm, kg/m."""

    profile: str
    tension_n: float
    width_mm: float
    mass_kg_m: float


@dataclass(frozen=True, slots=True, kw_only=True)
class SyncCandidate:
    """A synchronous drive of the grid."""

    profile: Profile
    width_mm: float
    z_1: int
    z_2: int
    belt_teeth: int
    centre_mm: float


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
def sync_grid(own: OwnBelt | None) -> tuple[tuple[Profile, ...], dict[str, Array]]:
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


@cache
def _least_of(listed_as: str) -> tuple[Array, Array] | None:
    """(speeds, least teeth) of a profile; None where the table has no such one."""
    rows = table("least_teeth").select(profile=listed_as)
    return (np.array([r[1] for r in rows], float), np.array([r[2] for r in rows], float)) if rows else None


def _least_teeth(kinds: tuple[Profile, ...], kind: Array, rpm: Array) -> Array:
    """Least pulley teeth by profile and speed; 0 where the table has no such profile."""
    out = np.zeros(len(kind))
    for k, of in enumerate(kinds):
        listed, here = _least_of(of.listed_as), kind == k
        if listed is not None and here.any():
            speeds, teeth = listed
            at = np.searchsorted(speeds, rpm[here] + 1e-9, side="right") - 1
            out[here] = teeth[np.maximum(at, 0)]
    return out


@cache
def _by_speed(own: OwnBelt | None) -> tuple[Rows, Array]:
    _, grid = sync_grid(own)
    factor = grid["z_1"] / grid["z_2"]
    order = np.argsort(factor, kind="stable").astype(np.int64)
    return order, factor[order]


class SyncField(Field[SyncCandidate]):
    """All rated profiles, the user's own belt or one drive, held against a duty."""

    limits = (
        "speed",
        "least teeth",
        "centre distance",
        "belt speed",
        "mesh",
        "width",
        "power",
        "size",
        "shaft bore",
        "shaft load",
    )
    cheap_limits = 6
    each = 2

    def __init__(
        self, wanted: DutyWanted, load_factor: float, *, own: OwnBelt | None = None, grid: Columns | None = None
    ) -> None:
        """For a duty; ``load_factor`` is without additions; ``grid`` stands in for the whole list."""
        super().__init__(wanted)
        self.load_factor, self.own, self._grid = load_factor, own, grid
        self.kinds, whole = sync_grid(own)
        self.grid = whole if grid is None else grid

    def __len__(self) -> int:
        """Combinations."""
        return len(self.grid["kind"])

    def _at(self, rows: Rows) -> Columns:
        return Taken(self.grid, rows)

    def factors(self) -> tuple[Rows, Array]:
        """Rows in the order of the speed they give."""
        if self._grid is None:
            return _by_speed(self.own)
        factor = self.grid["z_1"] / self.grid["z_2"]
        order = np.argsort(factor, kind="stable").astype(np.int64)
        return order, factor[order]

    def errors(self, rows: Rows) -> Array:
        """Driven speed against the wanted one, percent."""
        w = self.wanted
        off: Array = 100 * (w.driver_rpm * self.grid["z_1"][rows] / self.grid["z_2"][rows] / w.driven_rpm - 1)
        return off

    def cheap(self, rows: Rows) -> list[Held]:
        """Speed, least teeth, centres, belt speed, mesh and width: columns of the grid and one product."""
        w, c = self.wanted, self._at(rows)
        error = self.errors(rows)
        small = np.minimum(c["z_1"], c["z_2"])
        driven = w.driver_rpm * c["z_1"] / c["z_2"]
        least = _least_teeth(self.kinds, c["kind"], np.maximum(w.driver_rpm, driven))
        speed = synchronous_speed(c["p_b"], c["z_1"], w.driver_rpm)
        fastest = np.minimum(c["fastest"], STOCK_RIM_M_S)
        widest = np.minimum(w.widest_mm, small * c["p_b"] / pi)
        return [
            Held(error, w.tolerance_percent, (np.abs(error) - w.tolerance_percent) / 100),
            short_of(small, least),
            within(c["centre"], w.centre_low_mm, w.centre_high_mm),
            Held(speed, fastest, speed / fastest - 1),
            short_of(c["mesh"], FEWEST_IN_MESH),
            Held(c["b_s"], widest, c["b_s"] / widest - 1),
        ]

    def evaluate(self, rows: Rows) -> Columns:
        """Figures for the duty, by the formulas of the single drive."""
        w, c = self.wanted, self._at(rows)
        speed = synchronous_speed(c["p_b"], c["z_1"], w.driver_rpm)
        k_w = width_factor(c["b_s"], c["b_0"])
        power = synchronous_power(
            mesh_factor(c["mesh"]), k_w, T_a=c["T_a"], b_s=c["b_s"], b_0=c["b_0"], m_0=c["m_0"], v_b=speed
        )
        add = axis(table("sync_additions"), "from", "add").at(np.maximum(c["z_1"] / c["z_2"], 1.0), "ratio")
        design = w.power_kw * (self.load_factor + add)
        mass = mass_at_width(c["m_0"], c["b_s"], c["b_0"])
        centrifugal = belt_centrifugal(mass, speed)
        static = sync_static_tension(effective_pull(design, speed), STRAND_RATIO, centrifugal)
        pull = net_pull(w.power_kw, speed, 1.0)
        tight, slack = tight_strand(static, pull), slack_strand(static, pull)
        return {
            "error": self.errors(rows),
            "speed": speed,
            "power": power,
            "design": design,
            "hub": np.maximum(
                shaft_load_standing(1.0, static, c["wrap"]),
                shaft_load_running(1.0, tight, slack, centrifugal, c["wrap"]),
            ),
            "largest": np.maximum(c["z_1"], c["z_2"]) * c["p_b"] / pi - 2 * c["a_b"],
            "mass": mass * c["z_b"] * c["p_b"] / 1000,
        }

    def rest(self, rows: Rows, found: Columns) -> list[Held]:
        """Power, room, hubs and shafts."""
        w, c = self.wanted, self._at(rows)
        room = min(w.largest_driver_mm, w.largest_driven_mm)
        # A tooth is a third of the pitch deep.
        under = [c[z] * c["p_b"] / pi - 2 * c["a_b"] - 2 * c["p_b"] / 3 for z in ("z_1", "z_2")]
        power = np.nan_to_num(found["power"])
        return [
            Held(power, found["design"], 1 - power / found["design"]),
            beyond(found["largest"], room),
            hub_room(under[0], under[1], w)
            if w.driver_shaft_mm or w.driven_shaft_mm
            else must(np.ones(len(rows), bool)),
            beyond(found["hub"], w.largest_load_n),
        ]

    def figures(self, rows: Rows, found: Columns) -> Figures:
        """Parts bought are two pulleys and a belt."""
        c = self._at(rows)
        outside = [c[z] * c["p_b"] / pi - 2 * c["a_b"] for z in ("z_1", "z_2")]
        wheels = pulleys_weight(outside[0], outside[1], c["face"], c["p_b"])
        stock = self.wanted.stock
        return Figures(
            parts=np.full(len(rows), 3.0),
            large_mm=found["largest"],
            width_mm=c["b_s"],
            weight_kg=wheels.plus(found["mass"]).middle_kg,
            shaft_load_n=found["hub"],
            error_percent=found["error"],
            spare_percent=power_to_spare(found["power"], found["design"]),
            uncommon=np.zeros(len(rows)),
            missing=None if stock is None else self.missing(rows, stock),
        )

    def candidate(self, row: int) -> SyncCandidate:
        """The drive of a row."""
        g = self.grid
        return SyncCandidate(
            profile=self.kinds[int(g["kind"][row])],
            width_mm=float(g["b_s"][row]),
            z_1=int(g["z_1"][row]),
            z_2=int(g["z_2"][row]),
            belt_teeth=int(g["z_b"][row]),
            centre_mm=float(g["centre"][row]),
        )

    def parts(self, row: int) -> tuple[str, tuple[tuple[str, float], tuple[str, float]]]:
        """Belt by profile and teeth, pulleys by teeth."""
        c = self.candidate(row)
        return f"{c.profile.name} {c.belt_teeth}", ((c.profile.name, float(c.z_1)), (c.profile.name, float(c.z_2)))

    def name(self, row: int) -> str:
        """Belt and pulleys."""
        c = self.candidate(row)
        return f"{c.profile.name}, {c.belt_teeth} teeth on {c.z_1} / {c.z_2}"

    def group(self, row: int) -> Hashable:
        """A profile."""
        return self.kinds[int(self.grid["kind"][row])].name

    def pair(self, row: int) -> Hashable:
        """A pair of pulleys is shown once."""
        c = self.candidate(row)
        return c.profile.name, c.z_1, c.z_2


def sync_grid_of(one: SyncCandidate, own: OwnBelt | None = None) -> Columns:
    """A grid of one drive, for asking about it. Raises IndexError where no rating covers the profile and width."""
    kinds, whole = sync_grid(own)
    fits = [k for k, of in enumerate(kinds) if of.name == one.profile.name]
    like = np.flatnonzero(np.isin(whole["kind"], fits) & (np.abs(whole["b_s"] - one.width_mm) < 0.2))[:1]
    if not len(like):
        raise IndexError(f"{one.profile.name} in this width is in no list of the search")
    row = {n: v[like].copy() for n, v in whole.items()}
    row["z_1"][:], row["z_2"][:], row["z_b"][:] = one.z_1, one.z_2, one.belt_teeth
    p = one.profile.pitch_mm
    small, large = min(one.z_1, one.z_2) * p / pi, max(one.z_1, one.z_2) * p / pi
    with quiet(), np.errstate(all="ignore"):
        row["centre"] = centres_of_lengths(row["z_b"] * p, np.array([small]), np.array([large]))
        row["wrap"] = open_small_arc(row["centre"], small, large)
        row["mesh"] = teeth_in_mesh(float(min(one.z_1, one.z_2)), row["wrap"])
    return row
