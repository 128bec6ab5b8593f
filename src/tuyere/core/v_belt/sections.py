"""The belt sections: what they measure, the groove they run in, their length convention and their limits."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from tuyere.core.errors import InputError
from tuyere.core.sources import Source
from tuyere.core.tables import Table, table
from tuyere.core.units import MM_PER_IN

# Centrifugal tension at 1000 ft/min is m v^2; in pounds-force.
KC_PER_KG_M = 5.08**2 / 4.4482216152605
METRIC_GROOVES = ("Z", "SPZ", "SPA", "SPB", "SPC")


@dataclass(frozen=True, slots=True, kw_only=True)
class Section:
    """A belt section. mm; ``K_c`` and ``Y`` in lbf, Y None where no stiffness is known; ``min_diameter_mm`` 0 where none is."""

    name: str
    groove: str
    family: str
    cogged: bool
    top_width_mm: float
    depth_mm: float
    K_c: float
    Y: float | None
    min_diameter_mm: float
    min_kind: str
    min_confidence: str
    table_id: str

    @property
    def narrow(self) -> bool:
        """An inch wedge belt: its number is tenths of an inch."""
        return self.family == "narrow"

    @property
    def line_kind(self) -> str:
        """The sheave diameter that pairs with the belt's length."""
        return "effective" if self.family in ("narrow", "light") else "datum"

    @property
    def metric(self) -> bool:
        """Its number is a length in millimetres."""
        return self.family == "metric"

    @property
    def wedge(self) -> bool:
        """A narrow belt, inch or metric."""
        return self.narrow or self.name.startswith(("SP", "XP"))

    @property
    def shown(self) -> str:
        """The section as it is written here; a metric cogged belt may be marked otherwise."""
        return f"SP{self.name[-1]} cogged" if self.name.startswith("XP") else self.name


@cache
def sections() -> dict[str, Section]:
    """Every section, by name."""
    made = {}
    t = table("sections")
    for name, groove, family, build, width, depth, _angle, k_c, y, least, kind, confidence, _src in t.rows:
        made[name] = Section(
            name=name,
            groove=groove,
            family=family,
            cogged=build == "cogged",
            top_width_mm=width * MM_PER_IN,
            depth_mm=depth * MM_PER_IN,
            K_c=k_c,
            Y=y,
            min_diameter_mm=least * MM_PER_IN,
            min_kind=kind,
            min_confidence=confidence,
            table_id=t.id,
        )
    for t, scale, kind in ((table("metric_sections"), 1.0, "datum"), (table("light_sections"), MM_PER_IN, "effective")):
        for name, groove, family, build, width, depth, mass, least, _mass_c, confidence in t.rows:
            made[name] = Section(
                name=name,
                groove=groove,
                family=family,
                cogged=build == "cogged",
                top_width_mm=width * scale,
                depth_mm=depth * scale,
                K_c=mass * KC_PER_KG_M,
                Y=None,
                min_diameter_mm=least * scale,
                min_kind=kind,
                min_confidence=confidence,
                table_id=t.id,
            )
    return made


def least_diameter_mm(of: Section, book: str) -> float:
    """Least sheave of a section in mm (``of.min_kind``) by a rating book: the metric tables rate on smaller ones. 0 for none."""
    rows = table("metric_least").select(section=of.name) if book == "metric-table" else []
    return min(float(rows[0][1]), of.min_diameter_mm) if rows else of.min_diameter_mm


def section(name: str, field: str = "section") -> Section:
    """A section by name, metric cogged belts by either; raises InputError naming ``field``."""
    key = name.strip().upper()
    if key.startswith("SP") and key.endswith("COGGED"):
        key = "X" + key[1:3]
    found = sections().get(key)
    if found is None:
        raise InputError(field, name, "unknown belt section", "one of " + " ".join(sections()))
    return found


@dataclass(frozen=True, slots=True, kw_only=True)
class GrooveRow:
    """A standard groove in mm: angle in degrees; ``pitch_mm`` between grooves 0 where it is not recalled."""

    over_mm: float
    angle_deg: float
    top_width_mm: float
    depth_mm: float
    to_outside_mm: float
    to_pitch_mm: float
    pitch_mm: float
    edge_mm: float
    confidence: str
    table_id: str
    source: Source


@cache
def groove_rows(groove: str) -> tuple[GrooveRow, ...]:
    """The rows of a standard groove, smallest sheave first; empty for an unknown one."""
    for name, scale in (
        ("grooves", MM_PER_IN),
        ("deep_grooves", MM_PER_IN),
        ("metric_grooves", 1.0),
        ("light_grooves", MM_PER_IN),
    ):
        t = table(name)
        if rows := t.select(section=groove):
            return tuple(_groove(t, row, scale) for row in rows)
    return ()


def _groove(t: Table, row: tuple[object, ...], scale: float) -> GrooveRow:
    def of(name: str) -> float:
        return float(str(row[t.index(name)]))

    spaced = any(c.name == "S_g" for c in t.columns)
    return GrooveRow(
        over_mm=of("over") * scale,
        angle_deg=of("angle"),
        top_width_mm=of("top_width") * scale,
        depth_mm=of("depth") * scale,
        to_outside_mm=of("to_outside") * scale,
        to_pitch_mm=of("to_pitch") * scale,
        pitch_mm=of("S_g") * scale if spaced else 0.0,
        edge_mm=of("S_e") * scale if spaced else of("top_width") * scale,
        confidence=str(row[t.index("confidence")]),
        table_id=t.id,
        source=t.source_of(),
    )


def groove_at(groove: str, line_mm: float) -> GrooveRow | None:
    """The groove of a sheave of that datum or effective diameter; None for an unknown groove."""
    rows = groove_rows(groove)
    held = [r for r in rows if r.over_mm <= line_mm + 1e-9] or list(rows[:1])
    return held[-1] if held else None


def groove_of_outside(groove: str, outside_mm: float) -> GrooveRow | None:
    """The groove of a sheave of that outside diameter; None for an unknown groove."""
    rows = groove_rows(groove)
    held = [r for r in rows if r.over_mm <= outside_mm - r.to_outside_mm + 1e-9] or list(rows[:1])
    return held[-1] if held else None


def belt_groove(groove: str) -> str:
    """The belts that run in a groove, by their own groove: deep and combination grooves hold the plain ones."""
    return groove.split(" ")[0]
