"""A loop round any wheels: its way, its take-up from stop to stop, what every strand pulls, which wheel slips first."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from math import atan2, degrees, hypot, inf

from numpy import exp, radians, sqrt

from tuyere.core.drive.loads import PowerAt, Turning, shared, turning
from tuyere.core.drive.path import Path, Wrap, path_of, solve_route
from tuyere.core.drive.refusals import LEAST_ARC, MOST_IDLER_ARC, check_path, check_wheels
from tuyere.core.drive.route import Route
from tuyere.core.drive.strands import ShaftVector, SlipAt, Strand, shaft_vectors, slips, strands_pulled, strands_set
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.sources import STATICS, Source
from tuyere.core.speeds.formulas import belt_speed
from tuyere.core.steps import Num, formula, quiet

EYTELWEIN = Source(title="belt equation of a loop on a wheel", origin="exact", confidence="high")
HANG = Source(title="a slack strand as a flat parabola", origin="derived", confidence="high")
# Between how many times today's load the first slip is looked for.
MOST_TIMES = 50.0
# Places along the travel at which the take-up is held against the loop.
SCANNED = 200


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


@formula("h_hang", HANG)
def hang_of(t_hang: Num, L_slack: Num) -> Num:
    """How deep a strand hangs that is so much longer than its straight line."""
    return sqrt(3 * t_hang * L_slack / 8)


@dataclass(frozen=True, slots=True, kw_only=True)
class Travel:
    """The take-up from stop to stop: lengths it takes (mm), where the loop puts it, what is left to each side; None: not known."""

    least_mm: float
    most_mm: float
    at_mm: float | None
    left_to_tighten_mm: float | None
    left_to_slacken_mm: float | None


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


def way_of(route: Route) -> Path:
    """The loop's way; a take-up that stands back from the loop is left out of it, as the loop leaves it out."""
    path = path_of(route)
    t = route.take_up
    if t is None or len(route.stops) < 3:
        return path
    arc = path.wrap(t.wheel).arc_deg
    if route.wheel(t.wheel).role in ("idler", "guide") and not LEAST_ARC <= arc <= MOST_IDLER_ARC:
        rest = tuple(s for s in route.stops if s.wheel.id != t.wheel)
        return path_of(Route(stops=rest, clockwise=route.clockwise))
    return path


def _touching(route: Route) -> Route:
    """The same route, its take-up's travel narrowed to where its wheel lies on the loop. Raises InputError where it never does."""
    t = route.take_up
    if t is None or not (abs(t.low_mm) < inf and abs(t.high_mm) < inf) or len(route.stops) < 3:
        return route
    on = []
    for k in range(SCANNED + 1):
        at = t.low_mm + (t.high_mm - t.low_mm) * k / SCANNED
        try:
            arc = path_of(route.moved(at)).wrap(t.wheel).arc_deg
        except InputError:
            continue
        if LEAST_ARC <= arc <= MOST_IDLER_ARC:
            on.append(at)
    if not on:
        raise InputError(
            "take_up", t.wheel, f"{t.wheel} never lies on the loop within its travel", "more travel, or the other side"
        )
    return replace(route, take_up=replace(t, low_mm=on[0], high_mm=on[-1]))


def _travel(route: Route, placed: Route, length_mm: float | None) -> Travel | None:
    t = route.take_up
    if t is None or not (abs(t.low_mm) < inf and abs(t.high_mm) < inf):
        return None
    low, high = way_of(route.moved(t.low_mm)), way_of(route.moved(t.high_mm))
    lengths = sorted((low.length_mm, high.length_mm))
    at = tighten = slacken = None
    if length_mm is not None:
        w, now = route.wheel(t.wheel), placed.wheel(t.wheel)
        if t.pivot is not None:
            px, py = t.pivot
            turn = atan2(now.y_mm - py, now.x_mm - px) - atan2(w.y_mm - py, w.x_mm - px)
            turn = (turn + radians(180)) % radians(360) - radians(180)
            at = turn * hypot(w.x_mm - px, w.y_mm - py)
        else:
            ux, uy = t.slide or route._from_driver(w)
            at = (now.x_mm - w.x_mm) * ux + (now.y_mm - w.y_mm) * uy
        tight_end = t.high_mm if high.length_mm >= low.length_mm else t.low_mm
        slack_end = t.low_mm if tight_end == t.high_mm else t.high_mm
        tighten, slacken = abs(tight_end - at), abs(at - slack_end)
    return Travel(
        least_mm=lengths[0],
        most_mm=lengths[1],
        at_mm=at,
        left_to_tighten_mm=tighten,
        left_to_slacken_mm=slacken,
    )


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
        path = solve_route(route if length_mm is None else _touching(route), length_mm, "loop_length")
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
        take_up = path.route.take_up
        if take_up is not None and take_up.force_n is not None:
            return strands_pulled(path, scaled, speed_m_s=speed)
        assert static_n is not None
        return strands_set(path, scaled, speed_m_s=speed, static_n=static_n)

    pulled = path.route.take_up is not None and path.route.take_up.force_n is not None
    if pulled or static_n is not None:
        strands = at_load(1.0)
        slipping = tuple(s for s in slips(path, strands, centrifugal_n=0.0, grip=grip) if s.held < inf)
        vectors = shaft_vectors(path, {s.id: s.tension_n for s in strands})
        if slipping:
            times = _first_times(path, at_load, grip)
    return Around(
        path=path,
        turning=turning(path.route, driver_rpm),
        speed_m_s=speed,
        strands=strands,
        slips=slipping,
        vectors=vectors,
        travel=_travel(route, path.route, length_mm),
        times=times,
    )


def _first_times(path: Path, at_load: Callable[[float], tuple[Strand, ...]], grip: Callable[[Wrap], float]) -> float:
    """How many times today's load the first wheel slips at; the margin only falls with the load."""

    def margin(k: float) -> float:
        found = [s for s in slips(path, at_load(k), centrifugal_n=0.0, grip=grip) if s.held < inf]
        return min((s.margin for s in found), default=inf)

    low, high = 0.0, MOST_TIMES
    if margin(high) >= 1:
        return inf
    for _ in range(80):
        middle = (low + high) / 2
        if margin(middle) >= 1:
            low = middle
        else:
            high = middle
    return low


@dataclass(frozen=True, slots=True, kw_only=True)
class Released:
    """A loop that is the clutch, let go: its slack (mm, less than nothing: it stays tight), where it hangs and how deep."""

    slack_mm: float
    strand: str
    hang_mm: float
    drags: bool


# A loop with less slack than this share of its length still drags when it is let go; common practice, no source.
DRAG_SHARE = 0.004


def released(route: Route, length_mm: float) -> Released:
    """A loop of a length with its take-up at the stop that slackens it. Raises NoSolution where the take-up has no stops.

    Source: exact path; a slack strand as a flat parabola; the least slack is common practice.
    """
    t = route.take_up
    if t is None or not (abs(t.low_mm) < inf and abs(t.high_mm) < inf):
        raise NoSolution("where does the lever stop when it is let go?", "take_up.low", "both ends of its travel")
    ends = [way_of(route.moved(x)) for x in (t.low_mm, t.high_mm)]
    free = min(ends, key=lambda p: p.length_mm)
    slack = length_mm - free.length_mm
    longest = max(free.spans, key=lambda s: s.length_mm)
    hang = 0.0 if slack <= 0 else float(hang_of(longest.length_mm, slack))
    return Released(slack_mm=slack, strand=longest.id, hang_mm=hang, drags=slack < DRAG_SHARE * length_mm)


def heading_deg(v: ShaftVector) -> float:
    """Direction of a pull, degrees counter-clockwise from level to the right."""
    return degrees(atan2(v.y_n, v.x_n))


def by_two_tapes(
    first: tuple[float, float], second: tuple[float, float], from_first_mm: float, from_second_mm: float, *, above: bool
) -> tuple[float, float]:
    """A place by its distances from two known shafts: two arcs, which cross twice; ``above`` takes the upper one.

    Raises InputError where the tapes do not meet. Source: two circles.
    """
    (x1, y1), (x2, y2) = first, second
    apart = hypot(x2 - x1, y2 - y1)
    if apart <= 0 or from_first_mm + from_second_mm < apart or abs(from_first_mm - from_second_mm) > apart:
        raise InputError(
            "tapes",
            apart,
            "the two tapes do not meet: one of them was read wrongly",
            "together longer than the shafts are apart",
        )
    along = (from_first_mm**2 - from_second_mm**2 + apart**2) / (2 * apart)
    out = max(from_first_mm**2 - along**2, 0.0) ** 0.5
    ux, uy = (x2 - x1) / apart, (y2 - y1) / apart
    places = [(x1 + along * ux - s * out * uy, y1 + along * uy + s * out * ux) for s in (1, -1)]
    return max(places, key=lambda p: p[1]) if above else min(places, key=lambda p: p[1])
