"""A link or round belt pressed against the rollers of a conveyor: its way, what the rollers take, how tight it must be.

The belt runs under the rollers from the tail to the driver, so that this side is pulled; the goods on top run the other way,
from the driver to the tail. Between the rollers snub wheels press the belt up.

Source: exact path, statics of a loop, belt equation; rolling friction as stated.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import pi

from numpy import exp, radians

from tuyere.core.drive.path import Path, path_of
from tuyere.core.drive.refusals import check_path, check_wheels
from tuyere.core.drive.route import Route, Stop
from tuyere.core.drive.wheel import Role, Wheel
from tuyere.core.errors import InputError
from tuyere.core.sources import STATICS, Source
from tuyere.core.steps import Num, about, formula, looked_up, quiet

EYTELWEIN = Source(title="belt equation of a loop on a wheel", origin="exact", confidence="high")
ROLLING = Source(title="rolling friction of carrying rollers", origin="common practice", confidence="low")
# Share of the weight on a roller that turning it takes, bearings and load together: common practice, no source.
ROLLING_SHARE = 0.05
# A belt's back or a round belt on a steel roller; textbooks, recalled.
ROLLER_FRICTION = 0.3
# A quarter more than what just drives: dust and damp take from the friction; judgement, no source.
MARGIN = 1.25
MARGIN_SOURCE = Source(title="a quarter over what just turns a roller", origin="common practice", confidence="low")
MOST_ROLLERS = 29
# How thick link belts are, about, by the section they replace: common practice, no source.
LINK_THICK_MM = {"Z": 7.0, "A": 9.0, "B": 12.0, "C": 15.0}


@formula("F_rol", ROLLING)
def pull_of_roller(W_rol: Num, mu_rol: Num) -> Num:
    """What turning one roller takes at its rim: a share of the weight on it."""
    return W_rol * mu_rol


@formula("T_tail", EYTELWEIN)
def tail_tension(k_rol: Num, F_rol: Num, mu_bk: Num, theta_rol: Num) -> Num:
    """Tension with which the belt reaches the first roller so that it turns it with a margin; the later ones have more."""
    return k_rol * F_rol / (exp(mu_bk * radians(theta_rol)) - 1)


@formula("T_head", STATICS)
def head_tension(T_tail: Num, n_rol: Num, F_rol: Num) -> Num:
    """Tension at the driver: every roller adds what it takes."""
    return T_tail + n_rol * F_rol


@formula("P_rol", STATICS)
def rollers_power(n_rol: Num, F_rol: Num, v: Num) -> Num:
    """Power that all rollers take."""
    return n_rol * F_rol * v / 1000


@dataclass(frozen=True, slots=True, kw_only=True)
class Conveyor:
    """A conveyor of rollers in a row, mm. ``pressed_mm`` is how far a snub wheel lifts the belt over the rollers' undersides."""

    rollers: int
    pitch_mm: float
    roller_mm: float
    snub_mm: float
    pressed_mm: float
    driver_mm: float
    tail_mm: float
    thickness_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class ConveyorWorked:
    """The belt's way, its length along its outside (mm), and forces in N; ``power_kw`` is that of the rollers alone."""

    path: Path
    outside_mm: float
    roller_arc_deg: float
    roller_pull_n: float
    tail_n: float
    head_n: float
    power_kw: float


def conveyor_route(c: Conveyor) -> Route:
    """Tail on the left, driver on the right; the belt's outside touches the rollers. Raises InputError for what cannot be."""
    if not 2 <= c.rollers <= MOST_ROLLERS:
        raise InputError("rollers", c.rollers, "not a conveyor of this kind", f"2 to {MOST_ROLLERS} rollers a belt")
    if c.roller_mm >= c.pitch_mm:
        raise InputError(
            "roller_diameter", c.roller_mm, "the rollers would touch", "under {pitch}", pitch=(c.pitch_mm, "length")
        )
    t = c.thickness_mm
    # The belt's inside line; the rollers stand so that they just touch its outside where it runs level.
    level = c.tail_mm / 2 + t

    def wheel(ident: str, role: Role, x: float, y: float, d: float) -> Wheel:
        outside = role == "driven"
        path = d + 2 * t if outside else d
        return Wheel(id=ident, role=role, x_mm=x, y_mm=y, path_mm=path, pitch_mm=d, outside_mm=d)

    length = (c.rollers + 1) * c.pitch_mm
    stops = [Stop(wheel=wheel("driver", "driver", 0.0, (c.tail_mm - c.driver_mm) / 2, c.driver_mm))]
    tail = Stop(wheel=wheel("tail", "idler", -length, 0.0, c.tail_mm))
    carrying: list[Stop] = []
    for k in range(c.rollers):
        x = -length + (k + 1) * c.pitch_mm
        roller = wheel(f"roller {k + 1}", "driven", x, level + c.roller_mm / 2, c.roller_mm)
        carrying.append(Stop(wheel=roller, side="outside"))
        if k < c.rollers - 1:
            y = level - t + c.pressed_mm - c.snub_mm / 2
            snub = wheel(f"snub {k + 1}", "idler", x + c.pitch_mm / 2, y, c.snub_mm)
            carrying.append(Stop(wheel=snub))
    # From the driver back along the bottom to the tail, then up and along under the rollers: the carrying side is pulled.
    return Route(stops=(*stops, tail, *carrying), clockwise=True)


def work_conveyor(
    c: Conveyor, *, load_n: float, speed_m_s: float, rolling: float | None = None, friction: float | None = None
) -> ConveyorWorked:
    """A conveyor worked. ``load_n`` is the weight on one roller, its own included. Raises InputError beside the field.

    Source: exact path; statics; belt equation; rolling friction and friction are stated or usual.
    """
    if c.pressed_mm <= 0:
        raise InputError("pressed", c.pressed_mm, "the snub wheels must press the belt up", "over nothing")
    route = conveyor_route(c)
    with quiet():
        check_wheels(route)
        path = path_of(route)
        check_path(path)
    arcs = [w.arc_deg for w in path.wraps if w.wheel.role == "driven"]
    least = min(arcs)
    share = looked_up("mu_rol", ROLLING_SHARE if rolling is None else rolling, "", ROLLING)
    mu = looked_up("mu_bk", ROLLER_FRICTION if friction is None else friction, "", EYTELWEIN)
    with about("roller 1"):
        pull = pull_of_roller(load_n, share)
        margin = looked_up("k_rol", MARGIN, "", MARGIN_SOURCE)
        tail = tail_tension(margin, pull, mu, least)
    head = head_tension(tail, float(c.rollers), pull)
    return ConveyorWorked(
        path=path,
        # Once round, a line so far outside another is longer by a whole turn of that distance, however it winds.
        outside_mm=path.length_mm + 2 * pi * c.thickness_mm,
        roller_arc_deg=least,
        roller_pull_n=pull,
        tail_n=tail,
        head_n=head,
        power_kw=rollers_power(float(c.rollers), pull, speed_m_s),
    )
