"""Design power, the same for every family."""

from tuyere.core.sources import DUTY
from tuyere.core.steps import Num, formula


@formula("P_d", DUTY)
def design_power(P: Num, K_s: Num) -> Num:
    """Power the drive is sized for."""
    return P * K_s
