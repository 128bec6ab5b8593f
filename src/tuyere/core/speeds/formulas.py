"""Speeds of a belt on two pulleys."""

from numpy import pi

from tuyere.core.sources import KINEMATICS
from tuyere.core.steps import Num, formula


@formula("n_2", KINEMATICS)
def driven_speed(n_1: Num, d_1: Num, d_2: Num, s: Num) -> Num:
    """The belt runs at one speed on both pulleys; slip is lost at the driven one."""
    return n_1 * d_1 / d_2 * (1 - s / 100)


@formula("n_1", KINEMATICS)
def driver_speed(n_2: Num, d_1: Num, d_2: Num, s: Num) -> Num:
    """The driver speed that gives a wanted driven speed."""
    return n_2 * d_2 / (d_1 * (1 - s / 100))


@formula("d_1", KINEMATICS)
def driver_diameter(n_1: Num, n_2: Num, d_2: Num, s: Num) -> Num:
    """The driver diameter that gives a wanted driven speed."""
    return d_2 * n_2 / (n_1 * (1 - s / 100))


@formula("d_2", KINEMATICS)
def driven_diameter(n_1: Num, n_2: Num, d_1: Num, s: Num) -> Num:
    """The driven diameter that gives a wanted driven speed."""
    return d_1 * n_1 * (1 - s / 100) / n_2


@formula("i_n", KINEMATICS)
def ratio_of_speeds(n_1: Num, n_2: Num) -> Num:
    """Turns of the driver for one turn of the driven shaft."""
    return n_1 / n_2


@formula("i", KINEMATICS)
def ratio_of_diameters(D: Num, d: Num) -> Num:
    """Large pitch diameter over small: the ratio that the rating asks for, 1 or more."""
    return D / d


@formula("n_s", KINEMATICS)
def small_sheave_speed(n_1: Num, d_1: Num, d: Num) -> Num:
    """The smaller sheave is the faster one, whether it drives or is driven."""
    return n_1 * d_1 / d


@formula("v", KINEMATICS)
def belt_speed(d_1: Num, n_1: Num) -> Num:
    """Belt speed from the driver's pitch diameter."""
    return pi * d_1 * n_1 / 60000


@formula("s_u", KINEMATICS)
def slip_against_unloaded(i_n: Num, i_0: Num) -> Num:
    """What the driven shaft loses under load, against the ratio that the same wheels have without it."""
    return 100 * (1 - i_0 / i_n)


@formula("s_d", KINEMATICS)
def speed_lost_to_diameters(i_n: Num, d_1: Num, d_2: Num) -> Num:
    """What the driven shaft is short of by the diameters as they are said: slip, or a diameter that is another one."""
    return 100 * (1 - d_2 / d_1 / i_n)
