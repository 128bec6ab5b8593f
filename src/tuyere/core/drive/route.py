"""The way of a loop round its wheels, in the order of travel, and the one part that takes it up."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import accumulate
from math import atan2, cos, degrees, hypot, inf, radians, sin
from typing import Literal

from tuyere.core.drive.wheel import DRIVEN, Role, Side, Wheel
from tuyere.core.errors import InputError


@dataclass(frozen=True, slots=True, kw_only=True)
class Stop:
    """A wheel on the way: ``side`` is the face of the loop that touches it, ``crossed`` that the strand before it crosses."""

    wheel: Wheel
    side: Side = "inside"
    crossed: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class TakeUp:
    """The one unknown of a route: a wheel that slides along a direction or swings on an arm.

    ``slide`` is a unit vector; ``pivot`` is (x, y) in mm of an arm's pin. Travel ``low_mm`` to ``high_mm`` is counted
    from where the wheel stands in the route, along the slide or along the wheel's arc (counter-clockwise). ``kind``
    "spring" or "weight" pulls with ``force_n`` along the travel's sense of ``low_mm`` to ``high_mm``; "fixed" is set and held.
    """

    wheel: str
    slide: tuple[float, float] | None = None
    pivot: tuple[float, float] | None = None
    kind: Literal["fixed", "spring", "weight"] = "fixed"
    force_n: float | None = None
    low_mm: float = -inf
    high_mm: float = inf


@dataclass(frozen=True, slots=True, kw_only=True)
class TwoWheels:
    """A plain drive by size, not by role: the handbook's formulas ask for the small and the large wheel."""

    small: Wheel
    large: Wheel
    centre_mm: float
    crossed: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Route:
    """Stops in the order of travel, the driver first; two or more. ``clockwise`` is the driver's turn as drawn."""

    stops: tuple[Stop, ...]
    clockwise: bool = True
    take_up: TakeUp | None = None

    def __post_init__(self) -> None:
        """Refuse what is no route."""
        if len(self.stops) < 2:
            raise InputError("pulleys", len(self.stops), "a belt needs two pulleys", "2 or more")
        ids = [s.wheel.id for s in self.stops]
        if len(set(ids)) != len(ids):
            raise InputError("pulleys", ", ".join(ids), "two wheels have one name", "a name for each")
        if sum(s.crossed for s in self.stops) % 2:
            raise InputError("pulleys", None, "a belt that crosses once comes back inside out", "crossed twice or not")
        if self.take_up is not None and self.take_up.wheel not in ids:
            raise InputError("take_up", self.take_up.wheel, "no such wheel on the route", " ".join(ids))

    @classmethod
    def two(
        cls,
        driver: Wheel,
        driven: Wheel,
        *,
        centre_mm: float | None,
        angle_deg: float = 0.0,
        clockwise: bool = True,
        crossed: bool = False,
    ) -> Route:
        """The plain drive: the driver at the origin, the driven shaft at an angle above level.

        Where the centre distance is not known yet the pulleys are put just clear of each other; the loop's length moves them.
        """
        apart = (driver.path_mm + driven.path_mm) / 2 * 1.000001 if centre_mm is None else centre_mm
        ux, uy = cos(radians(angle_deg)), sin(radians(angle_deg))
        return cls(
            stops=(
                Stop(wheel=driver.at(0.0, 0.0), crossed=crossed),
                Stop(wheel=driven.at(apart * ux, apart * uy), crossed=crossed),
            ),
            clockwise=clockwise,
            take_up=TakeUp(wheel=driven.id, slide=(ux, uy)),
        )

    @property
    def wheels(self) -> tuple[Wheel, ...]:
        """In the order of travel."""
        return tuple(s.wheel for s in self.stops)

    @property
    def driver(self) -> Wheel:
        """The first stop's wheel."""
        return self.stops[0].wheel

    @property
    def driven(self) -> Wheel:
        """The driven wheel that the drive is for: the one of that name, else the first; raises LookupError without one."""
        driven = [w for w in self.wheels if w.role == "driven"]
        if not driven:
            raise LookupError("this route drives nothing")
        return next((w for w in driven if w.id == DRIVEN), driven[0])

    @property
    def turns(self) -> tuple[int, ...]:
        """+1 counter-clockwise, -1 clockwise, of each wheel: the outside face and a crossing each turn it round."""
        base = -1 if self.clockwise else 1
        crossings = accumulate((int(s.crossed) for s in self.stops[1:]), initial=0)
        return tuple(
            base * (-1) ** n * (1 if s.side == "inside" else -1) for s, n in zip(self.stops, crossings, strict=True)
        )

    @property
    def plain(self) -> TwoWheels | None:
        """The two wheels by size, where there are two and both run on the inside face."""
        if len(self.stops) != 2 or any(s.side == "outside" for s in self.stops):
            return None
        small, large = sorted(self.wheels, key=lambda w: w.path_mm)
        # Where both are alike the driver counts as the small one.
        if small.path_mm == large.path_mm:
            small, large = self.wheels
        return TwoWheels(
            small=small, large=large, centre_mm=small.distance_mm(large), crossed=any(s.crossed for s in self.stops)
        )

    @property
    def angle_deg(self) -> float:
        """Direction from the driver to the first driven shaft, degrees above level, -180 to 180."""
        a, b = self.driver, self.driven
        return degrees(atan2(b.y_mm - a.y_mm, b.x_mm - a.x_mm))

    def wheel(self, ident: str) -> Wheel:
        """A wheel by its id; raises KeyError."""
        for w in self.wheels:
            if w.id == ident:
                return w
        raise KeyError(ident)

    def with_wheels(self, wheels: Sequence[Wheel]) -> Route:
        """The same way round other wheels, one for each."""
        return replace(self, stops=tuple(replace(s, wheel=w) for s, w in zip(self.stops, wheels, strict=True)))

    def moved(self, by_mm: float) -> Route:
        """The route with its take-up moved along its travel; raises LookupError without one."""
        place = self.place_at(by_mm)
        assert self.take_up is not None
        name = self.take_up.wheel
        return self.with_wheels([v.at(*place) if v.id == name else v for v in self.wheels])

    def place_at(self, by_mm: float) -> tuple[float, float]:
        """Where the take-up's wheel stands when it has moved so far along its travel; raises LookupError without one."""
        if self.take_up is None:
            raise LookupError("this route has no take-up")
        w = self.wheel(self.take_up.wheel)
        if self.take_up.pivot is not None:
            px, py = self.take_up.pivot
            rx, ry = w.x_mm - px, w.y_mm - py
            turn = by_mm / (hypot(rx, ry) or 1.0)
            return px + rx * cos(turn) - ry * sin(turn), py + rx * sin(turn) + ry * cos(turn)
        ux, uy = self.take_up.slide or self._from_driver(w)
        return w.x_mm + by_mm * ux, w.y_mm + by_mm * uy

    def travel(self) -> tuple[float, float]:
        """Unit vector in which the take-up moves from where it stands."""
        a, b = self.moved(-0.5), self.moved(0.5)
        assert self.take_up is not None
        p, q = a.wheel(self.take_up.wheel), b.wheel(self.take_up.wheel)
        far = p.distance_mm(q) or 1.0
        return (q.x_mm - p.x_mm) / far, (q.y_mm - p.y_mm) / far

    def _from_driver(self, w: Wheel) -> tuple[float, float]:
        far = self.driver.distance_mm(w) or 1.0
        return (w.x_mm - self.driver.x_mm) / far, (w.y_mm - self.driver.y_mm) / far


def shaft_of(role: Role, number: int) -> str:
    """The id of a wheel on a numbered shaft: "driver", "driven", "driven-2", "idler-1"."""
    return role if number == 1 and role in ("driver", "driven") else f"{role}-{number}"
