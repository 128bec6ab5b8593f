"""A loop round any wheels: its way, its take-up from stop to stop, what every strand pulls, which wheel slips first."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from math import atan2, degrees, inf

from numpy import exp, radians

from tuyere.core.drive.first_slip import first_times
from tuyere.core.drive.loads import PowerAt, Turning, shared, turning
from tuyere.core.drive.path import Path, Wrap, solve_route
from tuyere.core.drive.refusals import check_path, check_wheels
from tuyere.core.drive.route import Route
from tuyere.core.drive.strands import ShaftVector, SlipAt, Strand, shaft_vectors, slips, strands_held
from tuyere.core.drive.travel import Travel, touching, travel_of
from tuyere.core.sources import STATICS, Source
from tuyere.core.speeds.formulas import belt_speed
from tuyere.core.steps import Num, formula, quiet

EYTELWEIN = Source(title="belt equation of a loop on a wheel", origin="exact", confidence="high")


@formula("g_held", EYTELWEIN)
def grip_of(mu_eff: Num, theta_w: Num) -> Num:
    """Ratio of strand tensions that a wheel holds; for a V-groove the friction is that of the wedge."""
    return exp(mu_eff * radians(theta_w))


@formula("F_whl", STATICS)
def pull_at_wheel(F_hand: Num, a_hand: Num, a_whl: Num) -> Num:
    """A lever brings the pull to the wheel by its two arms."""
    return F_hand * a_hand / a_whl


@formula("F_hand", STATICS)
def pull_at_hand(F_whl: Num, a_whl: Num, a_hand: Num) -> Num:
    """What is pulled at the lever's end for a pull at the wheel."""
    return F_whl * a_whl / a_hand


@dataclass(frozen=True, slots=True, kw_only=True)
class Around:
    """A loop round its wheels, worked. mm, rpm, m/s, N; ``times`` of today's load at which the first wheel slips (inf: none does)."""

    path: Path
    turning: tuple[Turning, ...]
    speed_m_s: float
    strands: tuple[Strand, ...]
    slips: tuple[SlipAt, ...]
    vectors: tuple[ShaftVector, ...]
    travel: Travel | None
    times: float

    @property
    def first_to_slip(self) -> SlipAt | None:
        """The wheel with the least margin."""
        return min(self.slips, key=lambda s: s.margin, default=None)


def work_around(
    route: Route,
    *,
    driver_rpm: float,
    power_kw: float,
    loads: Mapping[str, float],
    length_mm: float | None,
    static_n: float | None,
    friction: Mapping[str, float],
) -> Around:
    """Work a loop on its wheels. ``loads`` are kW by wheel, ``friction`` the effective coefficient of each loaded wheel (teeth: inf).

    Without a static tension and without a pull at the take-up strands are left out. Raises InputError at the wheel (``wheels.k``)
    for what no loop can do, or beside ``power`` where powers do not add up. Source: statics of a loop; belt equation.
    """
    check_wheels(route)
    with quiet():
        path = solve_route(route if length_mm is None else touching(route), length_mm, "loop_length")
    check_path(path)
    speed = belt_speed(path.route.driver.pitch_mm, driver_rpm)
    taken = shared(path.route, power_kw, [PowerAt(wheel=k, power_kw=v) for k, v in loads.items()])
    strands: tuple[Strand, ...] = ()
    slipping: tuple[SlipAt, ...] = ()
    vectors: tuple[ShaftVector, ...] = ()
    times = inf

    def grip(wrap: Wrap) -> float:
        mu = friction.get(wrap.wheel.id, inf)
        return inf if mu == inf else float(grip_of(mu, wrap.arc_deg))

    def at_load(k: float) -> tuple[Strand, ...]:
        scaled = {w: k * v for w, v in taken.items()}
        return strands_held(path, scaled, speed_m_s=speed, static_n=static_n or 0.0)

    pulled = path.route.take_up is not None and path.route.take_up.force_n is not None
    if pulled or static_n is not None:
        strands = at_load(1.0)
        slipping = tuple(s for s in slips(path, strands, centrifugal_n=0.0, grip=grip) if s.held < inf)
        vectors = shaft_vectors(path, {s.id: s.tension_n for s in strands})
        if slipping:
            times = first_times(path, at_load, grip)
    return Around(
        path=path,
        turning=turning(path.route, driver_rpm),
        speed_m_s=speed,
        strands=strands,
        slips=slipping,
        vectors=vectors,
        travel=travel_of(route, path.route, length_mm),
        times=times,
    )


def heading_deg(v: ShaftVector) -> float:
    """Direction of a pull, degrees counter-clockwise from level to the right."""
    return degrees(atan2(v.y_n, v.x_n))
