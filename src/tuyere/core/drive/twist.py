"""Belts that are twisted: the quarter-turn between shafts at right angles, and what such a drive asks for.

Source: law of belting (textbooks); face of the pulleys: Khurmi; least centres of V-belts: RMA engineering practice, recalled.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from tuyere.core.errors import InputError
from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula, looked_up

RMA = Source(title="RMA engineering practice, quarter-turn V-belts", origin="recalled", confidence="medium")
KHURMI = Source(title="Khurmi, quarter-turn flat belts", origin="recalled", confidence="medium")
CENTRES_FACTOR, FACE_FACTOR = 5.5, 1.4
TwistedBelt = Literal["flat belt", "V-belts"]


@formula("a_qt", RMA)
def quarter_turn_centres(k_qt: Num, D_qt: Num, w_qt: Num) -> Num:
    """Least centres of a quarter-turn V-belt drive: so many times the large sheave and the width of all belts together."""
    return k_qt * (D_qt + w_qt)


@formula("f_qt", KHURMI)
def quarter_turn_face(k_fq: Num, w_qt: Num) -> Num:
    """Least face of a quarter-turn flat belt's pulleys: the belt leaves them at a slant."""
    return k_fq * w_qt


@dataclass(frozen=True, slots=True, kw_only=True)
class QuarterTurn:
    """What a quarter-turn asks for, mm; None where no source gives a figure for that belt."""

    least_centre_mm: float | None
    least_face_mm: float | None


def quarter_turn(belt: TwistedBelt, *, large_mm: float, width_mm: float, both_ways: bool) -> QuarterTurn:
    """The limits of a quarter-turn. Raises InputError where it is to run both ways.

    Source: the centre of the belt that leaves a pulley must lie in the middle plane of the one it runs to, which holds
    for one sense only.
    """
    if both_ways:
        raise InputError(
            "both_ways",
            True,
            "a quarter-turn runs in one sense only: the other way the belt leaves its pulleys",
            "one sense, or a guide pulley",
        )
    if belt == "V-belts":
        k = looked_up("k_qt", CENTRES_FACTOR, "", RMA)
        return QuarterTurn(least_centre_mm=quarter_turn_centres(k, large_mm, width_mm), least_face_mm=None)
    k = looked_up("k_fq", FACE_FACTOR, "", KHURMI)
    return QuarterTurn(least_centre_mm=None, least_face_mm=quarter_turn_face(k, width_mm))
