"""The path of a loop: arcs and free strands of any number of wheels, and where the take-up must stand for a length."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import hypot, isinf, pi

import numpy as np
from numpy.typing import NDArray

from tuyere.core.drive.route import Route, TakeUp
from tuyere.core.drive.wheel import Wheel
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.geometry.path import Arc, Circle, belt_path
from tuyere.core.geometry.swept import swept
from tuyere.core.steps import quiet

# Places that are tried between both ends of the travel before the root is closed in on.
TRIED = 240
JUMP_MM = 1e-5
# Lengths that differ by less are one: arrays and single figures differ in their last digits.
SAME_MM = 1e-9


@dataclass(frozen=True, slots=True, kw_only=True)
class Wrap:
    """Contact with a wheel: ``turn`` +1 counter-clockwise; degrees from the x axis, swept in the sense of the turn; mm."""

    wheel: Wheel
    turn: int
    start_deg: float
    arc_deg: float

    @property
    def length_mm(self) -> float:
        """Loop in contact."""
        return self.wheel.path_mm * pi / 360 * self.arc_deg


@dataclass(frozen=True, slots=True, kw_only=True)
class Span:
    """A free strand between two wheels, in the direction of travel; mm."""

    after: str
    before: str
    x1: float
    y1: float
    x2: float
    y2: float

    @property
    def id(self) -> str:
        """By the wheels it runs between."""
        return f"{self.after}-{self.before}"

    @property
    def length_mm(self) -> float:
        """Between the tangent points."""
        return hypot(self.x2 - self.x1, self.y2 - self.y1)

    @property
    def heading(self) -> tuple[float, float]:
        """Unit vector of travel."""
        return (self.x2 - self.x1) / self.length_mm, (self.y2 - self.y1) / self.length_mm


@dataclass(frozen=True, slots=True, kw_only=True)
class Path:
    """Wraps and strands in the order of travel: the strand after the wheel of the same place. Length in mm."""

    route: Route
    wraps: tuple[Wrap, ...]
    spans: tuple[Span, ...]

    @property
    def length_mm(self) -> float:
        """Once round."""
        return sum(w.length_mm for w in self.wraps) + sum(s.length_mm for s in self.spans)

    def wrap(self, ident: str) -> Wrap:
        """The contact with a wheel; raises KeyError."""
        for w in self.wraps:
            if w.wheel.id == ident:
                return w
        raise KeyError(ident)


def path_of(route: Route) -> Path:
    """The path round the wheels where they stand. Raises InputError where two neighbours overlap."""
    circles = [
        Circle(x=w.x_mm, y=w.y_mm, r=w.path_mm / 2, turn=turn)
        for w, turn in zip(route.wheels, route.turns, strict=True)
    ]
    parts = belt_path(circles)
    ids = [w.id for w in route.wheels]
    wraps, spans = [], []
    for part in parts:
        if isinstance(part, Arc):
            wraps.append(
                Wrap(wheel=route.wheels[part.wheel], turn=part.turn, start_deg=part.start_deg, arc_deg=part.sweep_deg)
            )
        else:
            spans.append(
                Span(after=ids[part.start], before=ids[part.end], x1=part.x1, y1=part.y1, x2=part.x2, y2=part.y2)
            )
    return Path(route=route, wraps=tuple(wraps), spans=tuple(spans))


def _length(route: Route) -> float:
    try:
        return path_of(route).length_mm
    except InputError:
        return float("nan")


def lengths_over(route: Route, places: Sequence[float]) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """(lengths in mm, the take-up's arc in degrees) with the take-up at many places along its travel; NaN where wheels overlap."""
    assert route.take_up is not None
    name = route.take_up.wheel
    moved = [route.place_at(by) for by in places]
    circles = [
        Circle(x=w.x_mm, y=w.y_mm, r=w.path_mm / 2, turn=turn)
        for w, turn in zip(route.wheels, route.turns, strict=True)
    ]
    at = next(k for k, w in enumerate(route.wheels) if w.id == name)
    return swept(circles, at, np.array([p[0] for p in moved]), np.array([p[1] for p in moved]))


def _plain(route: Route, length_mm: float, field: str) -> Route:
    """The plain drive by the closed formulas, the driven shaft in the direction it stands in."""
    two = route.plain
    assert two is not None
    a = centre_of_length(length_mm, two.small.path_mm, two.large.path_mm, two.crossed, field)
    ux, uy = route._from_driver(route.wheels[1])
    return route.with_wheels([route.driver, route.wheels[1].at(route.driver.x_mm + a * ux, route.driver.y_mm + a * uy)])


def solve_route(route: Route, length_mm: float | None, field: str = "length") -> Path:
    """The path; with a length, that of the route whose take-up stands where the loop is just so long.

    Of two places where it is, the one nearer to where the take-up stands counts. Raises InputError where the wheels
    overlap or the loop is too short for them, NoSolution where no place within the travel fits.
    """
    if length_mm is None:
        return path_of(route)
    take_up = route.take_up
    with quiet():
        if (
            route.plain is not None
            and take_up is not None
            and take_up == TakeUp(wheel=take_up.wheel, slide=take_up.slide)
        ):
            return path_of(_plain(route, length_mm, field))
        if take_up is None:
            raise NoSolution("no wheel of this route can move to take up a length", field)
        reach = length_mm
        low = -reach if isinf(take_up.low_mm) else take_up.low_mm
        high = reach if isinf(take_up.high_mm) else take_up.high_mm
        return path_of(route.moved(_place(route, length_mm, low, high, field)))


def _place(route: Route, length_mm: float, low: float, high: float, field: str) -> float:
    """Where along the travel the loop is just so long."""
    # The package takes a while to load and plain drives do without it.
    from scipy.optimize import brentq

    evenly = {low + (high - low) * k / TRIED for k in range(TRIED + 1)}
    # The length may rise to either side of a place: near where the take-up stands it is looked at closely.
    nearby = {sign * (high - low) / 2**k for k in range(1, 24) for sign in (-1, 1)} | {0.0}
    places = sorted(evenly | {s for s in nearby if low < s < high})
    over = [float(x) - length_mm for x in lengths_over(route, places)[0]]

    def off(at: float) -> float:
        return _length(route.moved(at)) - length_mm

    found = []
    for k in range(len(places) - 1):
        if abs(over[k]) <= SAME_MM:
            found.append(places[k])
        elif over[k] * over[k + 1] < 0:
            try:
                root = float(brentq(off, places[k], places[k + 1], xtol=1e-10, rtol=8.9e-16))
            except ValueError:
                # Somewhere between both places the wheels overlap: there is no loop to close in on.
                continue
            # Where a wheel leaves the loop its length jumps: that is no place at which it is just so long.
            if abs(off(root)) < JUMP_MM:
                found.append(root)
    if abs(over[-1]) <= SAME_MM:
        found.append(places[-1])
    if not found:
        there = [x + length_mm for x in over if x == x]
        if not there:
            raise NoSolution("the wheels overlap wherever the take-up stands", field)
        raise NoSolution(
            "the take-up does not reach: this loop fits nowhere within its travel",
            field,
            "{least} to {most}",
            least=(min(there), "length"),
            most=(max(there), "length"),
        )
    return min(found, key=abs)
