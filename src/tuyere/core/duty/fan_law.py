"""Power of a fan, blower or centrifugal pump at another speed: it grows with the cube."""

from __future__ import annotations

from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula
from tuyere.core.tables import declare, table

declare("tuyere.core.duty", ("cube_law",))
AFFINITY = Source(title="fan and pump affinity laws", origin="derived")


@formula("P_n", AFFINITY)
def power_at_speed(P: Num, n_new: Num, n_ref: Num) -> Num:
    """Power at another speed of the same fan or centrifugal pump on the same duct or pipe.

    >>> power_at_speed(8.0, 500.0, 1000.0)
    1.0
    """
    return P * (n_new / n_ref) ** 3


def grows_with_cube(machine: str | None) -> bool:
    """Whether a driven machine (its key) is a fan, a blower or a centrifugal pump. Source: affinity laws."""
    return machine is not None and machine in table("cube_law").column("key")
