"""Length, arcs and spans of a belt on two pulleys, exact.

Diameters and length lie along the same line of the belt: datum with datum, effective with
effective. ``d`` is the smaller pulley, ``D`` the larger, ``a`` the centre distance, all in mm.
"""

from numpy import arcsin, degrees, pi, sqrt

from tuyere.core.sources import GEOMETRY
from tuyere.core.steps import Num, formula


@formula("L", GEOMETRY)
def open_length(a: Num, d: Num, D: Num) -> Num:
    """Two straight spans and two arcs."""
    return 2 * sqrt(a**2 - ((D - d) / 2) ** 2) + pi / 2 * (D + d) + (D - d) * arcsin((D - d) / (2 * a))


@formula("L", GEOMETRY)
def crossed_length(a: Num, d: Num, D: Num) -> Num:
    """Two crossing spans and two arcs of the same angle."""
    return 2 * sqrt(a**2 - ((D + d) / 2) ** 2) + (D + d) * (pi / 2 + arcsin((D + d) / (2 * a)))


@formula("theta", GEOMETRY)
def open_small_arc(a: Num, d: Num, D: Num) -> Num:
    """Arc of contact on the smaller pulley, open belt."""
    return 180 - 2 * degrees(arcsin((D - d) / (2 * a)))


@formula("Theta", GEOMETRY)
def open_large_arc(a: Num, d: Num, D: Num) -> Num:
    """Arc of contact on the larger pulley, open belt."""
    return 180 + 2 * degrees(arcsin((D - d) / (2 * a)))


@formula("theta", GEOMETRY)
def crossed_arc(a: Num, d: Num, D: Num) -> Num:
    """Arc of contact on either pulley, crossed belt."""
    return 180 + 2 * degrees(arcsin((D + d) / (2 * a)))


@formula("t", GEOMETRY)
def open_span(a: Num, d: Num, D: Num) -> Num:
    """Free span between the tangent points, open belt."""
    return sqrt(a**2 - ((D - d) / 2) ** 2)


@formula("t", GEOMETRY)
def crossed_span(a: Num, d: Num, D: Num) -> Num:
    """Free span between the tangent points, crossed belt."""
    return sqrt(a**2 - ((D + d) / 2) ** 2)


@formula("a", GEOMETRY)
def centre_first_guess(L: Num, d: Num, D: Num) -> Num:
    """Centre distance from the length by the handbook's quadratic, a start for the exact root.

    It takes the arcs as flat; on ordinary drives it is within a thousandth of the exact value.
    """
    return (L - pi / 2 * (D + d) + sqrt((L - pi / 2 * (D + d)) ** 2 - 2 * (D - d) ** 2)) / 4


@formula("L_loop", GEOMETRY)
def loop_length(n_l: Num, l_p: Num) -> Num:
    """Pitches or teeth, each as long as the pitch."""
    return n_l * l_p
