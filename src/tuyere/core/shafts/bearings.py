"""Overhung pull on two bearings, and their life."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.shafts.formulas import ISO281, far_bearing, load_for_life, near_bearing, pull_of_near_load, rating_life
from tuyere.core.steps import looked_up

EXPONENT = {"ball": 3.0, "roller": 10 / 3}


@dataclass(frozen=True, slots=True)
class BearingLoads:
    """Loads of the near and the far bearing in N, life in hours where their ratings are given."""

    near_n: float
    far_n: float
    near_life_h: float | None
    far_life_h: float | None


def bearing_life(load_n: float, rating_n: float, rpm: float, kind: str, name: str = "life") -> float:
    """Basic rating life in hours; raises InputError for an unknown kind. Source: ISO 281.

    >>> round(bearing_life(2000.0, 14000.0, 1000.0, "ball"))
    5717
    """
    if kind not in EXPONENT:
        raise InputError("kind", kind, "not a kind of rolling bearing", "ball or roller")
    exponent = looked_up("e_b", EXPONENT[kind], "", ISO281)
    return rating_life(rating_n, load_n, exponent, rpm)


def overhung(
    pull_n: float,
    overhang_mm: float,
    *,
    spacing_mm: float,
    rpm: float | None,
    near_n: float | None,
    far_n: float | None,
    kind: str,
) -> BearingLoads:
    """Loads of two bearings from a pull that hangs outside them; lives where ratings and speed are given.

    Raises InputError where a rating is given without a speed. Source: statics, ISO 281.
    """
    if (near_n is not None or far_n is not None) and rpm is None:
        raise InputError("speed", None, "a life needs the shaft's speed", "rpm")
    near = near_bearing(pull_n, overhang_mm, spacing_mm)
    far = far_bearing(pull_n, overhang_mm, spacing_mm)
    if overhang_mm > spacing_mm:
        notice(
            "caution",
            "long-overhang",
            "The sheave hangs further out than the bearings are apart: move it in or add an outboard bearing.",
            "input.overhang",
        )
    lives: list[float | None] = []
    for name, load, rating in (("near_life", near, near_n), ("far_life", far, far_n)):
        lives.append(None if rating is None or rpm is None else bearing_life(load, rating, rpm, kind, name))
    return BearingLoads(near, far, lives[0], lives[1])


def largest_pull(
    rating_n: float, rpm: float, *, hours: float, kind: str, overhang_mm: float, spacing_mm: float
) -> float:
    """Largest pull of a drive in N that lets the near bearing reach its hours; raises InputError for an unknown kind.

    Source: ISO 281, statics.

    >>> pull = largest_pull(14000.0, 1000.0, hours=5717.0, kind="ball", overhang_mm=100.0, spacing_mm=300.0)
    >>> loads = overhung(pull, 100.0, spacing_mm=300.0, rpm=1000.0, near_n=14000.0, far_n=None, kind="ball")
    >>> round(loads.near_life_h)
    5717
    """
    if kind not in EXPONENT:
        raise InputError("kind", kind, "not a kind of rolling bearing", "ball or roller")
    exponent = looked_up("e_b", EXPONENT[kind], "", ISO281)
    load = load_for_life(rating_n, exponent, rpm, hours)
    return pull_of_near_load(load, overhang_mm, spacing_mm)
