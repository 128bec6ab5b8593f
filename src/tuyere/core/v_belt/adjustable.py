"""Adjustable sheaves: pitch diameter by the turns they are opened, in the half-turns that the set screw's flats allow."""

from __future__ import annotations

from dataclasses import dataclass
from math import radians, tan

from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.geometry.formulas import open_length
from tuyere.core.sources import KINEMATICS, Source
from tuyere.core.steps import Num, formula, looked_up, quiet
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.formulas import opened_diameter
from tuyere.core.v_belt.sections import groove_rows

GEOMETRY = Source(title="geometry of a belt between two flanges that move apart", origin="derived", confidence="high")
STEP = 0.5
# Two settings whose speeds are this close are one to whoever sets them; then the belt decides.
ALIKE_PERCENT = 0.5
LEAST_LEFT_MM = 20.0


@formula("d_set", GEOMETRY)
def diameter_at(d_cl: Num, d_turn: Num) -> Num:
    """The pitch diameter closed, less what the turns take off."""
    return d_cl - d_turn


@formula("n_2", KINEMATICS)
def speed_at(n_2: Num, d_set: Num, d_b4: Num, D_b4: Num, D_set: Num) -> Num:
    """The measured speed follows both pitch diameters: slip stays in it."""
    return n_2 * d_set / d_b4 * D_b4 / D_set


@formula("x_gr", GEOMETRY)
def groove_shift(p_th: Num, turns: Num) -> Num:
    """One flange moves: the middle of the groove goes half as far."""
    return p_th * turns / 2


@formula("n_open", GEOMETRY)
def turns_at(d_cl: Num, d_set: Num, d_1turn: Num) -> Num:
    """Turns from closed to a wanted pitch diameter, as if the screw found a flat anywhere."""
    return (d_cl - d_set) / d_1turn


@dataclass(frozen=True, slots=True, kw_only=True)
class Adjustable:
    """An adjustable sheave: pitch diameter closed, thread pitch (mm), groove angle, turns it may be opened, turns it is open now."""

    closed_mm: float
    thread_mm: float
    angle_deg: float
    most_turns: float
    now: float

    def at(self, turns: float) -> float:
        """Pitch diameter so many turns open, mm."""
        made: float = diameter_at(self.closed_mm, opened_diameter(self.thread_mm, turns, self.angle_deg))
        return made

    @property
    def steps(self) -> tuple[float, ...]:
        """The half-turns at which the set screw finds a flat."""
        return tuple(STEP * k for k in range(int(self.most_turns / STEP + 1e-9) + 1))


@dataclass(frozen=True, slots=True, kw_only=True)
class Setting:
    """Turns open of both sheaves (None: fixed), pitch diameters (mm), driven speed (rpm), percent off the target, centres (mm)."""

    driver_turns: float | None
    driven_turns: float | None
    driver_mm: float
    driven_mm: float
    rpm: float
    off_percent: float
    centres_mm: float | None


Wheel = Adjustable | float


def adjustable(
    section: str,
    *,
    closed_mm: float,
    open_mm: float | None = None,
    most_turns: float | None = None,
    thread_mm: float | None = None,
    now: float = 0.0,
) -> Adjustable:
    """An adjustable sheave of a section, from its closed pitch diameter; the open one, or the thread, say how much a turn does.

    Raises InputError for turns beyond its range and for diameters that leave no sheave. Source: geometry; turns and thread of
    common practice where they are not said.
    """
    rows = table("adjustable_sheaves").select(section=section)
    angle = next((r.angle_deg for r in reversed(groove_rows(section.rstrip("X"))) if r.over_mm <= closed_mm), 0.0)
    if not rows or not angle:
        known = " ".join(str(x) for x in table("adjustable_sheaves").column("section"))
        raise InputError("section", section, "no adjustable sheave of this section is known here", f"one of {known}")
    t = table("adjustable_sheaves")
    most = float(rows[0][1]) if most_turns is None else most_turns
    if not 1 <= most <= 12:
        raise InputError("most_turns", most, "not a range of an adjustable sheave", "1 to 12 turns")
    if open_mm is not None:
        if not 0 < open_mm < closed_mm:
            raise InputError("open", open_mm, "opened, the belt runs lower", "under the closed diameter")
        thread = (closed_mm - open_mm) * tan(radians(angle / 2)) / most
    elif thread_mm is not None:
        thread = thread_mm
    else:
        thread = looked_up("p_th", MM_PER_IN / float(rows[0][2]), t.id, t.source_of())
    if not 0.3 <= thread <= 6:
        raise InputError("thread", thread, "not a thread of such a hub", "10 to 80 threads to the inch")
    if not 0 <= now <= most + 1e-9:
        raise InputError("turns_now", now, "beyond the sheave's range: the belt bottoms or rides out", f"0 to {most:g}")
    made = Adjustable(closed_mm=closed_mm, thread_mm=thread, angle_deg=angle, most_turns=most, now=now)
    with quiet():
        if made.at(most) < LEAST_LEFT_MM:
            raise InputError(
                "closed", closed_mm, "opened so far nothing is left of the sheave", "fewer turns, or larger"
            )
    return made


def _now(w: Wheel) -> float:
    return w.at(w.now) if isinstance(w, Adjustable) else w


def settings(
    driver: Wheel, driven: Wheel, *, rpm_now: float, target_rpm: float | None, centres_mm: float | None
) -> tuple[Setting, ...]:
    """Every pair of half-turns, worked from the speed of now; the order is that of the turns. Raises InputError for touching wheels."""
    made = []
    with quiet():
        d0, D0 = _now(driver), _now(driven)
        length = None
        if centres_mm is not None:
            if 2 * centres_mm <= d0 + D0:
                raise InputError("centres", centres_mm, "the wheels would touch", "more than half of both diameters")
            small, large = sorted((d0, D0))
            length = float(open_length(centres_mm, small, large))
        for a in driver.steps if isinstance(driver, Adjustable) else (None,):
            for b in driven.steps if isinstance(driven, Adjustable) else (None,):
                d = driver.at(a) if isinstance(driver, Adjustable) and a is not None else d0
                D = driven.at(b) if isinstance(driven, Adjustable) and b is not None else D0
                rpm = float(speed_at(rpm_now, d, d0, D0, D))
                small, large = sorted((d, D))
                made.append(
                    Setting(
                        driver_turns=a,
                        driven_turns=b,
                        driver_mm=d,
                        driven_mm=D,
                        rpm=rpm,
                        off_percent=0.0 if target_rpm is None else 100 * (rpm / target_rpm - 1),
                        centres_mm=None if length is None else centre_of_length(length, small, large, field="centres"),
                    )
                )
    return tuple(made)


def best(found: tuple[Setting, ...], *, centres_mm: float | None, now_sum_mm: float) -> Setting:
    """The nearest to the target; of those as near, the one that moves the centres least.

    Opening one sheave and closing the other keeps the belt: with two adjustable sheaves the sum of both diameters says it where
    no centre distance is known.
    """
    nearest = min(abs(s.off_percent) for s in found)
    near = [s for s in found if abs(s.off_percent) <= nearest + ALIKE_PERCENT]

    def moves(s: Setting) -> float:
        if centres_mm is not None and s.centres_mm is not None:
            return abs(s.centres_mm - centres_mm)
        return abs(s.driver_mm + s.driven_mm - now_sum_mm)

    return min(near, key=lambda s: (round(moves(s), 6), abs(s.off_percent)))


def turns_for(sheave: Adjustable, pitch_mm: float) -> float:
    """Turns open at which a sheave has a pitch diameter, as if it could stop anywhere. Source: the geometry turned round."""
    made: float = turns_at(sheave.closed_mm, pitch_mm, opened_diameter(sheave.thread_mm, 1.0, sheave.angle_deg))
    return made
