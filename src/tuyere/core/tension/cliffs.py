"""Both ends of a loop's tension: where it slips below, what it overloads above, and which of them comes first."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from tuyere.core.errors import InputError
from tuyere.core.shafts.bearings import largest_pull
from tuyere.core.shafts.bending import shaft_stands
from tuyere.core.steps import about, looked_up, quiet
from tuyere.core.tension.formulas import net_pull, shaft_load_standing, slip_limit
from tuyere.core.tension.hold import Hold
from tuyere.core.tension.reading_formulas import start_pull, tension_for_shaft_load
from tuyere.core.tension.tables import table

Side = Literal["below", "above"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Cliff:
    """One end: under ``tension_n`` of one belt it slips, or over it something is overloaded. None with what is ``missing`` to know it."""

    key: str
    side: Side
    label: str
    tension_n: float | None
    missing: str = ""
    why: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class ShaftAsked:
    """A shaft with its wheel, as far as it is known. mm, N, rpm, MPa, hours; ``engine`` where it is an engine's crankshaft."""

    name: str
    rpm: float
    power_kw: float
    engine: bool = False
    overhang_mm: float | None = None
    diameter_mm: float | None = None
    strength_mpa: float | None = None
    seat: str = "keyway"
    bearing_n: float | None = None
    spacing_mm: float | None = None
    hours: float = 20000.0
    bearing: str = "ball"
    overhung_n: float | None = None


SAFETY = 1.5


def starts() -> dict[str, str]:
    """Ways of starting, with their names."""
    t = table("starting_torque")
    return dict(zip(t.column("start"), t.column("label"), strict=True))


def start_multiple(start: str) -> tuple[float, str]:
    """(greatest torque of a start over full-load torque, what it rests on). Raises InputError for a start that is not known."""
    t = table("starting_torque")
    if start not in starts():
        raise InputError("start", start, "not a way of starting", ", ".join(starts()))
    row = t.row(start=start)
    return looked_up("m_start", row["high"], t.id, t.source_of()), row["why"]


def _slip(hold: Hold, pull_n: float, with_centrifugal: bool = True) -> float:
    limit: float = slip_limit(pull_n, hold.grip_ratio, hold.centrifugal_n if with_centrifugal else 0.0)
    return limit


def slip_cliffs(hold: Hold, start: str | None, motor_kw: float | None) -> list[Cliff]:
    """Where friction lets go: at the duty, at design power, at the start. Teeth do not slip: none.

    Source: belt equation; on fixed centres both strands share the pull about the tension at rest.
    """
    if not hold.slips:
        return []
    out = []
    with about("duty"):
        duty = _slip(hold, net_pull(hold.power_kw, hold.speed_m_s, float(hold.belts)))
    out.append(Cliff(key="slip-duty", side="below", label="slips at the duty's power", tension_n=duty))
    with about("design"):
        design = _slip(hold, net_pull(hold.design_kw, hold.speed_m_s, float(hold.belts)))
    out.append(Cliff(key="slip-design", side="below", label="slips at design power", tension_n=design))
    if start is None:
        out.append(
            Cliff(
                key="slip-start",
                side="below",
                label="slips at the start",
                tension_n=None,
                missing="say how it is started",
            )
        )
        return out
    multiple, why = start_multiple(start)
    with about("start"):
        # From rest: nothing is thrown outward yet.
        pull = start_pull(multiple, hold.power_kw if motor_kw is None else motor_kw, hold.speed_m_s, float(hold.belts))
        tension = _slip(hold, pull, with_centrifugal=False)
    out.append(
        Cliff(
            key="slip-start",
            side="below",
            label=f"squeals on the start: {starts()[start].lower()}",
            tension_n=tension,
            why=f"{why}; what the motor's own rotor takes is not taken off",
        )
    )
    return out


def _at_load(hold: Hold, load_n: float) -> float:
    tension: float = tension_for_shaft_load(load_n, float(hold.belts), hold.arc_deg)
    return tension


def shaft_cliffs(hold: Hold, shaft: ShaftAsked) -> list[Cliff]:
    """What a shaft, its bearing or its overhung rating lets the tension be; what is missing for a figure is said.

    Source: ISO 281, statics, Shigley; an overhung rating is its maker's.
    """
    out = []
    if shaft.engine:
        return [
            Cliff(
                key=f"{shaft.name}-crank",
                side="above",
                label=f"the {shaft.name}'s engine crankshaft",
                tension_n=None if shaft.overhung_n is None else _at_load(hold, shaft.overhung_n),
                missing="" if shaft.overhung_n is not None else "the engine maker's side load for its crankshaft",
                why="what a crankshaft stands is its maker's to say",
            )
        ]
    with about(shaft.name):
        if shaft.overhung_n is not None:
            out.append(
                Cliff(
                    key=f"{shaft.name}-overhung",
                    side="above",
                    label=f"the {shaft.name}'s overhung load",
                    tension_n=_at_load(hold, shaft.overhung_n),
                )
            )
        needs = [
            n
            for n, v in (
                ("the bearing's dynamic rating", shaft.bearing_n),
                ("its overhang", shaft.overhang_mm),
                ("how far the bearings are apart", shaft.spacing_mm),
            )
            if v is None
        ]
        label = f"the {shaft.name}'s bearing, for {shaft.hours:,.0f} h"
        if shaft.bearing_n is None or shaft.overhang_mm is None or shaft.spacing_mm is None:
            out.append(
                Cliff(
                    key=f"{shaft.name}-bearing", side="above", label=label, tension_n=None, missing=" and ".join(needs)
                )
            )
        else:
            most = largest_pull(
                shaft.bearing_n,
                shaft.rpm,
                hours=shaft.hours,
                kind=shaft.bearing,
                overhang_mm=shaft.overhang_mm,
                spacing_mm=shaft.spacing_mm,
            )
            out.append(Cliff(key=f"{shaft.name}-bearing", side="above", label=label, tension_n=_at_load(hold, most)))
        label = f"the {shaft.name}'s shaft, bending"
        if shaft.diameter_mm is None or shaft.overhang_mm is None:
            missing = " and ".join(
                n
                for n, v in (("its diameter at the wheel", shaft.diameter_mm), ("its overhang", shaft.overhang_mm))
                if v is None
            )
            out.append(Cliff(key=f"{shaft.name}-shaft", side="above", label=label, tension_n=None, missing=missing))
        else:
            stands = shaft_stands(
                diameter_mm=shaft.diameter_mm,
                overhang_mm=shaft.overhang_mm,
                power_kw=shaft.power_kw,
                rpm=shaft.rpm,
                strength_mpa=shaft.strength_mpa,
                notch=shaft.seat,
                safety=SAFETY,
                field=f"{shaft.name}_shaft",
            )
            out.append(
                Cliff(
                    key=f"{shaft.name}-shaft",
                    side="above",
                    label=label,
                    tension_n=_at_load(hold, stands.load_n),
                    why=f"safety {SAFETY:g} on endurance, notch factors are first estimates",
                )
            )
    return out


@dataclass(frozen=True, slots=True, kw_only=True)
class Cliffs:
    """All ends. ``slips_under_n`` and ``most_n`` are the ones that come first, with their names; N of one belt."""

    every: tuple[Cliff, ...]
    slips_under_n: float | None
    most_n: float | None
    most_label: str

    def of(self, key: str) -> Cliff | None:
        """One by its key."""
        return next((c for c in self.every if c.key == key), None)


def cliffs_of(
    hold: Hold, *, start: str | None = None, motor_kw: float | None = None, shafts: tuple[ShaftAsked, ...] = ()
) -> Cliffs:
    """Both ends of the tension of one belt of a loop."""
    every = slip_cliffs(hold, start, motor_kw)
    for shaft in shafts:
        every += shaft_cliffs(hold, shaft)
    if hold.most_n is not None:
        every.append(
            Cliff(key="belt", side="above", label="the belt's own limit", tension_n=hold.most_n, why=hold.most_why)
        )
    above = [c for c in every if c.side == "above" and c.tension_n is not None]
    first = min(above, key=lambda c: c.tension_n or 0.0, default=None)
    duty = next((c.tension_n for c in every if c.key == "slip-duty"), None)
    return Cliffs(
        every=tuple(every),
        slips_under_n=duty,
        most_n=None if first is None else first.tension_n,
        most_label="" if first is None else first.label,
    )


def shaft_load_at(hold: Hold, tension_n: float) -> float:
    """Shaft load at rest with every belt at a tension, N."""
    with quiet():
        load: float = shaft_load_standing(float(hold.belts), tension_n, hold.arc_deg)
    return load
