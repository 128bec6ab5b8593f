"""Inputs and outputs that the roller chain calculations share."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entries.parts import Whole
from tuyere.calc.entry import Factor
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.roller_chain.length import ChainLength
from tuyere.core.roller_chain.tables import chain_service_factor
from tuyere.core.sources import Source
from tuyere.core.steps import looked_up, mark

Number = Literal["25", "35", "41", "40", "50", "60", "80", "100", "120", "140", "160", "180", "200", "240"]
Teeth = Annotated[Whole, Field(ge=9, le=150)]
Strands = Annotated[Whole, Field(ge=1, le=6)]
Lubrication = Literal["best", "adequate", "dusty", "poor", "dry-dirty"]


class ChainServiceIn(Input):
    """Either a factor taken as given, or load and driver."""

    assume: Factor | None = Field(default=None, description="a factor you take as given")
    load: Literal["smooth", "moderate", "heavy"] | None = Field(default=None, description="how the driven machine runs")
    driver: Literal["electric", "engine-hydraulic", "engine-mechanical"] | None = Field(
        default=None, description="electric motor or turbine; engine through a hydraulic coupling, or straight"
    )


def chain_factor_of(given: ChainServiceIn | None) -> float:
    """The service factor to use, recorded; assumptions are said."""
    if given is not None and given.assume is not None:
        if not 0.8 <= given.assume.value <= 5:
            raise InputError("service_factor.assume", given.assume.value, "not a service factor", "0.8 to 5")
        notice("caution", "assumed", f"Service factor {given.assume.value:g} is assumed.", "input.service_factor")
        source = Source("as given", origin="assumed", confidence="medium")
        return float(mark("service_factor", looked_up("K_s", given.assume.value, "", source)))
    load = given.load if given and given.load else "moderate"
    driver = given.driver if given and given.driver else "electric"
    if given is None or given.load is None:
        notice(
            "caution",
            "load-assumed",
            "A moderately shocking load is assumed.",
            "input.service_factor.load",
            "Say how it runs.",
        )
    if given is None or given.driver is None:
        notice("caution", "driver-assumed", "An electric motor is assumed.", "input.service_factor.driver")
    return float(mark("service_factor", chain_service_factor(load, driver)))


class LengthOut(Answer):
    """Length in pitches and the centres that go with it."""

    pitches: Figure
    exact_pitches: Figure
    chain_length: Figure
    centre_distance: Figure
    mounted_low: Figure
    mounted_high: Figure
    wrap: Figure
    span: Figure


def length_out(r: ChainLength, pitch_mm: float, frame: Frame) -> LengthOut:
    """A worked length as figures."""
    f = frame.figure
    return LengthOut(
        pitches=f(r.pitches, "count"),
        exact_pitches=f(r.exact_pitches, "factor", "exact", "exact_pitches"),
        chain_length=f(r.pitches * pitch_mm, "length", "tape"),
        centre_distance=f(r.centre_mm, "length", "tape", "centre_distance"),
        mounted_low=f(r.mounted_low_mm, "length", "tape"),
        mounted_high=f(r.mounted_high_mm, "length", "tape"),
        wrap=f(r.wrap_deg, "angle", step="wrap"),
        span=f(r.span_mm, "length", "tape", "span"),
    )
