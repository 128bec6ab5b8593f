"""Centre distance from a belt length, exact, for one drive or for an array of candidates."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np

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

    The root is found to 1e-9 mm and put back into the equation. Raises InputError naming ``field``
    when the belt is too short for the pulleys to stand side by side, NoSolution without a root.
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
                "longer than {least}",
                least=(float(least), "length"),
            )
        root = np.nan if crossed else float(centres_of_lengths(L, d, D))
        if not (low <= root <= L and abs(float(length(root, d, D)) - L) <= 1e-7):
            # Crossed belts, and pulleys that all but touch. Loaded only here: the package takes seconds.
            from scipy.optimize import brentq

            root = float(brentq(lambda a: float(length(a, d, D)) - L, low, L, xtol=TOLERANCE_MM, rtol=8.9e-16))
        if abs(float(length(root, d, D)) - L) > 1e-6:
            raise NoSolution("the centre distance did not converge", field)
    return root


def centres_of_lengths(L: Num, d: Num, D: Num) -> Num:
    """Centre distances of open belts for arrays; nan where the pulleys would overlap.

    Newton steps of the exact length, whose derivative is 2 sqrt(a^2 - ((D-d)/2)^2) / a. The length is
    convex in the centre distance, so from the handbook quadratic, or from pulleys that touch, they
    run to the root from above; five leave under 1e-9 mm on any drive with room between its rims.
    """
    with np.errstate(invalid="ignore", divide="ignore"):
        half = ((D - d) / 2) ** 2
        touching = (D + d) / 2
        a = np.fmax(centre_first_guess(L, d, D), touching)
        for _ in range(5):
            a = np.fmax(a - (open_length(a, d, D) - L) / (2 * np.sqrt(a**2 - half)) * a, touching)
        a = np.where(open_length(touching, d, D) > L, np.nan, a)
        return np.where(a >= (D + d) / 2, a, np.nan)
