"""Centre distance from a belt length, exact, for one drive or for an array of candidates."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np
from scipy.optimize import brentq

from tuyere.core.errors import InputError, NoSolution
from tuyere.core.geometry.formulas import centre_first_guess, crossed_length, open_length
from tuyere.core.steps import Num, quiet

LengthOf = Callable[[Num, Num, Num], Num]
TOLERANCE_MM = 1e-9


def shortest_centre(d: float, D: float, crossed: bool) -> float:
    """The centre distance at which the pulleys' pitch circles touch (open) or just clear (crossed), mm."""
    return (D + d) / 2


def centre_of_length(L: float, d: float, D: float, crossed: bool = False, field: str = "length") -> float:
    """Centre distance in mm for belt length ``L`` on pulleys ``d`` <= ``D`` (same line of the belt, mm).

    Bracketed root finding to 1e-9 mm. Raises InputError naming ``field`` when the belt is too short
    for the pulleys to stand side by side, NoSolution when the root is not found.
    """
    length: LengthOf = crossed_length if crossed else open_length
    low = shortest_centre(d, D, crossed) * (1 + 1e-12)
    with quiet():
        least = float(length(low, d, D))
        if least >= L:
            raise InputError(
                field,
                L,
                "the belt is too short: the pulleys would overlap",
                f"longer than {least / 25.4:.1f} in ({least:.0f} mm)",
            )
        try:
            root, info = brentq(
                lambda a: float(length(a, d, D)) - L, low, L, xtol=TOLERANCE_MM, rtol=8.9e-16, full_output=True
            )
        except ValueError as e:
            raise NoSolution("no centre distance fits this length", field) from e
    if not info.converged:
        raise NoSolution("the centre distance did not converge", field)
    return float(root)


def centres_of_lengths(L: Num, d: Num, D: Num) -> Num:
    """Centre distances of open belts for arrays; nan where the pulleys would overlap.

    Starts from the handbook quadratic and takes three Newton steps of the exact length, whose
    derivative is 2 sqrt(a^2 - ((D-d)/2)^2) / a; the error left is under 1e-9 mm.
    """
    with np.errstate(invalid="ignore", divide="ignore"):
        a = centre_first_guess(L, d, D)
        half = ((D - d) / 2) ** 2
        for _ in range(3):
            a = a - (open_length(a, d, D) - L) / (2 * np.sqrt(a**2 - half)) * a
        return np.where(a >= (D + d) / 2, a, np.nan)
