"""The two sets of worked V-belt examples, made without the program: plain arithmetic and the published forms.

Nothing of the program is imported. Constants are those of the association's print as recalled; the length, ratio and arc
factors are read off the same printed tables (the data files) by code of this file's own. `python tests/published/worked.py`
prints both sets; `tests/core/test_published_sets.py` holds the committed ones against it.
"""

from __future__ import annotations

import json
import tomllib
from bisect import bisect_right
from math import asin, ceil, exp, log10, pi, radians, sin, sqrt
from pathlib import Path

DATA = Path(__file__).parents[2] / "src/tuyere/core/v_belt/data"
# K1 to K4 of the association's power formula (1988; IP-22), from number to datum, effective to pitch, inches.
CONSTANTS = {
    "A": (1.004, 1.652, 1.547e-4, 0.2126),
    "B": (1.769, 4.372, 3.081e-4, 0.3658),
    "5VX": (3.3038, 7.7810, 3.6432e-4, 0.43343),
}
TO_DATUM = {"A": 1.3, "B": 1.8}
PITCH_OFF = {"5VX": 0.1}


def _rows(name: str) -> list[list]:
    return tomllib.loads((DATA / f"{name}.toml").read_text("utf-8"))["rows"]


def _between(points: list[tuple[float, float]], x: float) -> float:
    """Linear between two rows."""
    k = min(max(bisect_right([p[0] for p in points], x), 1), len(points) - 1)
    (x0, y0), (x1, y1) = points[k - 1], points[k]
    return y0 + (y1 - y0) * (x - x0) / (x1 - x0)


def _step(points: list[tuple[float, float]], x: float) -> float:
    """The last row not above."""
    return points[bisect_right([p[0] for p in points], x + 1e-9) - 1][1]


def drive(power: float, sf: float, *, rpm: float, d: float, D: float, section: str, number: float) -> dict[str, float]:
    """A drive by the association's method; pitch diameters in inches, power in hp."""
    off = PITCH_OFF.get(section, 0.0)
    length = number / 10 if section.endswith(("V", "VX")) else number + TO_DATUM[section]
    small, large = d + off, D + off
    # Centre distance by the handbook's quadratic form.
    b = 4 * length - 2 * pi * (large + small)
    centre = (b + sqrt(b * b - 32 * (large - small) ** 2)) / 16
    arc = 180 - 2 * asin((large - small) / (2 * centre)) * 180 / pi
    k1, k2, k3, k4 = CONSTANTS[section]
    r = rpm / 1000
    basic = d * r * (k1 - k2 / d - k3 * (d * r) ** 2 - k4 * log10(d * r))
    ratio = D / d
    if section in TO_DATUM:
        added = k2 * (1 - 1 / _step([(a, k) for a, k in _rows("speed_ratio_classical")], ratio)) * r
    else:
        added = _step([(a, h) for s, a, h, *_ in _rows("speed_ratio_narrow") if s == section], ratio) * r
    k_theta = _between(sorted((a, k) for a, k, *_ in _rows("arc_factor")), arc)
    key = section.removesuffix("X") if section in TO_DATUM else section
    k_l = next(
        k
        for s, n, k in _rows("length_factor")
        if s in (key, section, section.removesuffix("X")) and n in (number, number / 10)
    )
    one = (basic + added) * k_theta * k_l
    exact = power * sf / one
    return {
        "C": centre,
        "arc": arc,
        "V": pi * d * rpm / 12,
        "basic": basic,
        "added": added,
        "K_theta": k_theta,
        "belt": one,
        "N": exact,
        "count": ceil(exact - 1e-9),
    }


def tension(
    design_hp: float, belts: int, *, rpm: float, d: float, D: float, C: float, K_c: float, Y: float
) -> dict[str, float]:
    """The association's tension method; inches, pounds-force, Hz."""
    lean = asin((D - d) / (2 * C))
    arc = 180 - 2 * lean * 180 / pi
    span = C * (1 - ((D - d) / (2 * C)) ** 2) ** 0.5
    V = pi * d * rpm / 12
    G = 1.25 * (1 - exp(-0.5123 * radians(arc)))
    F_c = K_c * (V / 1000) ** 2
    pull = design_hp * 1000 / (belts * V)
    T_st = 15 * (2.5 - G) / G * pull + F_c
    T_statics = 16.5 * (2.5 - G) / G * pull + F_c
    # Pressed in by a 64th of the span, the belt's own stiffness Y counts by the span over the length that stretches.
    hub = 2 * belts * T_st * sin(radians(arc) / 2)
    length = 2 * span + pi * (D + d) / 2 + (D - d) * lean
    return {
        "span": span,
        "arc": arc,
        "V": V,
        "G": G,
        "F_c": F_c,
        "T_st": T_st,
        "T_statics": T_statics,
        "P_min": (T_st + Y) / 16 if belts > 1 else (T_st + Y * span / length) / 16,
        "P_max": (1.5 * T_st + Y) / 16 if belts > 1 else (1.5 * T_st + Y * span / length) / 16,
        "f": sqrt(T_st * (1000 / 60) ** 2 / K_c) / (2 * span / 12),
        "hub": hub,
        "hub_new": 1.5 * hub,
        "length": length,
    }


GIVEN = ("power", "sf", "rpm", "d", "D", "section", "number")
DRIVES = {
    "A60 3/6 in 1750": (5, 1.1, 1750, 3.0, 6.0, "A", 60),
    "B90 5.4/9.4 in 1750": (15, 1.3, 1750, 5.4, 9.4, "B", 90),
    "5VX1120 7/14.9 in 1750": (40, 1.4, 1750, 7.0, 14.9, "5VX", 1120),
}


def of(name: str) -> dict[str, float | str]:
    """A drive's given values by name."""
    return dict(zip(GIVEN, DRIVES[name], strict=True))


if __name__ == "__main__":
    print(json.dumps({name: drive(**of(name)) for name in DRIVES}, indent=1))
    sets = tomllib.loads((Path(__file__).parent / "tension/examples.toml").read_text("utf-8"))["example"]
    given = ("design_hp", "belts", "rpm", "d", "D", "C", "K_c", "Y")
    print(json.dumps({e["id"]: tension(**{k: e[k] for k in given}) for e in sets}, indent=1))
