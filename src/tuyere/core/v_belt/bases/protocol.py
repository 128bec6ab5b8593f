"""What a rating basis must offer. Arrays and floats alike, so that one drive and a search use the same code."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

from tuyere.core.steps import Num
from tuyere.core.v_belt.belts import Belt
from tuyere.core.v_belt.sections import Section


@dataclass(frozen=True, slots=True)
class Powers:
    """One belt, kW: at ratio 1 and 180 degrees, added for the ratio, and on this drive."""

    basic_kw: Num
    added_kw: Num
    belt_kw: Num


class Basis(Protocol):
    """A way to rate a belt, with its own arc and length factors."""

    @property
    def id(self) -> str:
        """Short name."""

    @property
    def title(self) -> str:
        """In words."""

    @property
    def source(self) -> str:
        """The book."""

    def __hash__(self) -> int:
        """Catalogues are kept a basis."""

    def without(self, of: Section) -> str:
        """Why this basis does not rate a section; empty when it does."""

    def arc_factor(self, theta: Num) -> Num:
        """Share left by the arc in degrees. Raises InputError (float) or gives nan (array) outside its table."""

    def length_factor(self, one: Belt) -> float:
        """Share for the belt's length. Raises InputError outside its table."""

    def powers(self, of: Section, small_mm: Num, *, ratio: Num, rpm: Num, K_theta: Num, K_L: Num) -> Powers:
        """Power of one belt on a small sheave of pitch diameter ``small_mm`` at ``rpm``, ratio 1 or more.

        Raises InputError (floats) or gives nan (arrays) outside its tables.
        """
