"""The take-up of a loop: from stop to stop, where the loop puts it, and a loop that is let go."""

from __future__ import annotations

from dataclasses import dataclass, replace
from math import atan2, hypot, inf, radians

from numpy import sqrt

from tuyere.core.drive.path import Path, lengths_over, path_of
from tuyere.core.drive.refusals import LEAST_ARC, MOST_IDLER_ARC
from tuyere.core.drive.route import Route
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula

HANG = Source(title="a slack strand as a flat parabola", origin="derived", confidence="high")
# Places along the travel at which the take-up is held against the loop.
SCANNED = 200


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


def touching(route: Route) -> Route:
    """The same route, its take-up's travel narrowed to where its wheel lies on the loop. Raises InputError where it never does."""
    t = route.take_up
    if t is None or not (abs(t.low_mm) < inf and abs(t.high_mm) < inf) or len(route.stops) < 3:
        return route
    places = [t.low_mm + (t.high_mm - t.low_mm) * k / SCANNED for k in range(SCANNED + 1)]
    arcs = lengths_over(route, places)[1]
    on = [at for at, arc in zip(places, arcs, strict=True) if LEAST_ARC <= arc <= MOST_IDLER_ARC]
    if not on:
        raise InputError(
            "take_up", t.wheel, f"{t.wheel} never lies on the loop within its travel", "more travel, or the other side"
        )
    return replace(route, take_up=replace(t, low_mm=on[0], high_mm=on[-1]))


def travel_of(route: Route, placed: Route, length_mm: float | None) -> Travel | None:
    """The take-up of ``route`` from stop to stop, and where ``placed`` has it; None without stops. Source: exact path."""
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


@dataclass(frozen=True, slots=True, kw_only=True)
class Released:
    """A loop that is the clutch, let go: its slack (mm, less than nothing: it stays tight), where it hangs and how deep.

    ``path`` is the way it takes then, drawn tight.
    """

    slack_mm: float
    strand: str
    hang_mm: float
    drags: bool
    path: Path


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
    return Released(slack_mm=slack, strand=longest.id, hang_mm=hang, drags=slack < DRAG_SHARE * length_mm, path=free)
