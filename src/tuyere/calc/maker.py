"""The machine maker's own number: with its own method, and before all others."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from tuyere.calc.entry import Force, Frequency, Size, maybe
from tuyere.calc.registry import Input
from tuyere.core.errors import InputError
from tuyere.core.tension.hold import Hold, TensionBand
from tuyere.core.tension.readings import by_force, by_frequency


class MakerIn(Input):
    """The machine maker's own number, with its own method."""

    method: Literal["plunger", "frequency", "tension"] = Field(description="what the number is")
    low_force: Force | None = Field(default=None, description="least force or tension, one belt")
    high_force: Force | None = Field(default=None, description="most force or tension, one belt")
    deflection: Size | None = Field(default=None, description="how far to press, for a force")
    low_frequency: Frequency | None = Field(default=None, description="least frequency")
    high_frequency: Frequency | None = Field(default=None, description="most frequency")


def maker_band(maker: MakerIn, hold: Hold, state: str) -> TensionBand:
    """The maker's number as a tension. Raises InputError where its method lacks its figures."""
    if maker.method == "frequency":
        low, high = maybe(maker.low_frequency), maybe(maker.high_frequency)
        if low is None and high is None:
            raise InputError("maker.low_frequency", None, "the maker's frequency is wanted", "Hz")
        if hold.mass_kg_m is None:
            raise InputError("maker.method", maker.method, "this belt's mass is not known", "force or tension")
        ends = [x for x in (low, high) if x is not None]
        tensions = [by_frequency(x, span_mm=hold.span_mm, mass_kg_m=hold.mass_kg_m).tension_n for x in ends]
    else:
        low, high = maybe(maker.low_force), maybe(maker.high_force)
        ends = [x for x in (low, high) if x is not None]
        if not ends:
            raise InputError("maker.low_force", None, "the maker's number is wanted", "a force for one belt")
        if maker.method == "tension":
            tensions = ends
        else:
            if maker.deflection is None:
                raise InputError("maker.deflection", None, "a force belongs to a deflection", "how far to press")
            tensions = [
                by_force(
                    x,
                    maker.deflection.value,
                    span_mm=hold.span_mm,
                    stiffness_n=hold.stiffness_n or 0.0,
                    share_mm=hold.share_mm,
                ).tension_n
                for x in ends
            ]
    if len(tensions) == 2 and tensions[0] > tensions[1]:
        field = "maker.low_frequency" if maker.method == "frequency" else "maker.low_force"
        raise InputError(field, ends[0], "the least is more than the most", "least first")
    return TensionBand(state=state, low_n=tensions[0], high_n=tensions[-1])
