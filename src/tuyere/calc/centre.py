"""The centre distance of a duty: a range, or the one that is there with what the slide can give."""

from __future__ import annotations

from pydantic import Field

from tuyere.calc.entry import Length, value_of
from tuyere.calc.registry import Input
from tuyere.core.errors import InputError
from tuyere.core.notices import notice


class CentreIn(Input):
    """Centre distance: a range, or the one that is there with what the slide can give."""

    low: Length | None = Field(title="Least", default=None, description="least centre distance")
    high: Length | None = Field(title="Greatest", default=None, description="greatest centre distance")
    about: Length | None = Field(default=None, description="the centre distance that is there")
    give: Length | None = Field(default=None, description="how far it can be moved either way; 3 % is assumed")


def centre_range(given: CentreIn) -> tuple[float, float]:
    """Least and greatest centre distance in mm; raises InputError on a half or crossed range."""
    if given.about is not None:
        if given.low is not None or given.high is not None:
            raise InputError(
                "centre.about", given.about.value, "give the centre distance that is there or a range, not both", ""
            )
        give = value_of(given.give, 0.03 * given.about.value)
        if given.give is None:
            notice(
                "caution",
                "assumed",
                "The centre distance is assumed to give 3 % either way.",
                "input.centre.give",
                "Say how far it can be moved.",
            )
        if give >= given.about.value:
            raise InputError(
                "centre.give", give, "more than the centre distance itself", "less than the centre distance"
            )
        return given.about.value - give, given.about.value + give
    if given.low is None or given.high is None:
        raise InputError("centre", None, "a centre distance is needed", "low and high, or the one that is there")
    if given.high.value < given.low.value:
        raise InputError("centre.high", given.high.value, "under the least centre distance", "low first, then high")
    return given.low.value, given.high.value
