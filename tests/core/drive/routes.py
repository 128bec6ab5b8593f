"""Random routes for the tests: wheels round a ring, some of them pressed in from outside."""

from __future__ import annotations

from math import cos, pi, sin

import numpy as np

from tuyere.core.drive.route import Route, Stop, TakeUp
from tuyere.core.drive.wheel import Role, Wheel


def wheel(ident: str, role: Role, d: float, x: float = 0.0, y: float = 0.0) -> Wheel:
    return Wheel(id=ident, role=role, x_mm=x, y_mm=y, path_mm=d, pitch_mm=d, outside_mm=d)


def ring(count: int, seed: int, *, clockwise: bool = True, reach: float = 2000.0) -> Route:
    """``count`` wheels on a circle in the order of travel, all inside the loop: the driver, driven ones and idlers."""
    rng = np.random.default_rng(seed)
    turn = -1 if clockwise else 1
    gap = 2 * pi / count
    stops = []
    for k in range(count):
        at = turn * (k + rng.uniform(-0.2, 0.2)) * gap
        d = rng.uniform(0.1, 0.7) * reach * sin(gap / 2) if count > 2 else rng.uniform(0.1, 0.6) * reach
        role: Role = "driver" if k == 0 else "driven" if k % 2 else "idler"
        stops.append(
            Stop(wheel=wheel("driver" if k == 0 else f"{role}-{k}", role, d, reach * cos(at), reach * sin(at)))
        )
    return Route(stops=tuple(stops), clockwise=clockwise, take_up=TakeUp(wheel=stops[-1].wheel.id))


def pressed(count: int, seed: int, *, clockwise: bool = True) -> Route:
    """A ring with an outside idler pressed into its first strand."""
    base = ring(count, seed, clockwise=clockwise)
    a, b = base.wheels[0], base.wheels[1]
    mx, my = (a.x_mm + b.x_mm) / 2, (a.y_mm + b.y_mm) / 2
    # The ring's middle is the origin: from outside towards it is inwards; the idler stands where the strand was.
    far = (mx**2 + my**2) ** 0.5
    d = 0.25 * a.distance_mm(b)
    out = 1 + (0.05 * a.distance_mm(b) + max(a.path_mm, b.path_mm) / 2) / far
    idler = Stop(wheel=wheel("press", "idler", d, mx * out, my * out), side="outside")
    stops = (base.stops[0], idler, *base.stops[1:])
    return Route(stops=stops, clockwise=clockwise, take_up=TakeUp(wheel="press", slide=(mx / far, my / far)))
