"""What a drive carries held against what it must, the same for every family."""

from tuyere.core.sources import EXACT_UNITS, Source
from tuyere.core.steps import Num, formula
from tuyere.core.units import KW_PER_HP, MM_PER_IN, N_PER_LBF

DEFINITION = Source(title="definition of the power to spare", origin="exact")


@formula("S_d", DEFINITION)
def power_to_spare(P_can: Num, P_d: Num) -> Num:
    """How far what can be carried lies over the design power."""
    return 100 * (P_can / P_d - 1)


@formula("P_x", EXACT_UNITS)
def kilowatts(H_x: Num) -> Num:
    """Horsepower in kilowatts."""
    return H_x * KW_PER_HP


@formula("x_mm", EXACT_UNITS)
def millimetres(x_in: Num) -> Num:
    """Inches in millimetres."""
    return x_in * MM_PER_IN


@formula("F_bN", EXACT_UNITS)
def pounds_to_newtons(F_b: Num) -> Num:
    """Pounds-force in newtons."""
    return F_b * N_PER_LBF
