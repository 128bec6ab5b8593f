"""`belt-identify`: what is this belt, from a marking, a tape, or the pulleys alone."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Length, Size, maybe, value_of
from tuyere.calc.families.v_belt.marking import ReadingOut, reading_out
from tuyere.calc.families.v_belt.parts import Groove, Kind, SheaveIn, sheave_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.v_belt.identify import belts_that_fit, identify
from tuyere.core.v_belt.marking import read_marking

GROUP = "V-belts"
CENTRE_SHARE = 0.03
LIKELY_PERCENT = 60.0


class IdentifyIn(Input):
    """What there is: a marking, measures of the belt, or the two sheaves it ran on. Any of them, better more."""

    marking: Annotated[Text, Field(min_length=1)] | None = Field(
        default=None, description="what can be read; ? for a worn digit"
    )
    top_width: Size | None = Field(default=None, description="width across the top, by caliper or tape")
    depth: Size | None = Field(default=None, description="depth, by caliper")
    outside_length: Length | None = Field(default=None, description="length round the outside, by tape")
    cogged: Literal["cogged", "smooth"] | None = Field(default=None, description="underneath")
    groove: Groove | None = Field(default=None, description="groove of the sheaves, where the belt is gone")
    driver_diameter: Size | None = Field(default=None, description="driver, outside diameter by tape")
    driven_diameter: Size | None = Field(default=None, description="driven, outside diameter by tape")
    diameter_kind: Kind = Field(default="outside", description="which diameter that is")
    centre: Length | None = Field(default=None, description="centre distance as it stands")
    centre_low: Length | None = Field(default=None, description="or the take-up's least centre distance")
    centre_high: Length | None = Field(default=None, description="and its greatest")


class SeemsOut(Answer):
    """A section that the measures fit."""

    section: str
    family: str
    construction: str
    fit: Figure = Field(description="100 fits exactly, 0 not at all")
    width_off: Figure
    depth_off: Figure | None
    nearest: str
    length_off: Figure | None


class StandsOut(Answer):
    """A standard belt on those sheaves."""

    designation: str
    centre_distance: Figure
    closer_left: Figure
    apart_left: Figure


class IdentifyOut(Answer):
    """What it is or may be, which are taken for each other, and what would tell them apart."""

    answer: str
    certain: Literal["sure", "likely", "guess"] = Field(description="how far to trust the answer")
    may_be: str
    to_tell_apart: str
    readings: list[ReadingOut]
    fits_the_measures: list[SeemsOut]
    fits_the_sheaves: list[StandsOut]


def _from_sheaves(given: IdentifyIn, frame: Frame) -> list[StandsOut]:
    if given.groove is None or given.driver_diameter is None or given.driven_diameter is None:
        missing = (
            "groove"
            if given.groove is None
            else "driver_diameter"
            if given.driver_diameter is None
            else "driven_diameter"
        )
        raise InputError(
            missing, None, "the pulleys alone tell the length when both, their groove and the centres are known", ""
        )
    wheels = [
        sheave_of(SheaveIn.model_construct(diameter=d, kind=given.diameter_kind, groove=given.groove), n)
        for d, n in ((given.driver_diameter, "driver_diameter"), (given.driven_diameter, "driven_diameter"))
    ]
    if given.centre is not None:
        low, high = (1 - CENTRE_SHARE) * given.centre.value, (1 + CENTRE_SHARE) * given.centre.value
        notice(
            "caution",
            "assumed",
            "The centre distance is assumed to give 3 % either way.",
            "input.centre",
            "Give the take-up's least and greatest centres.",
        )
    elif given.centre_low is not None and given.centre_high is not None:
        low, high = given.centre_low.value, given.centre_high.value
        if high < low:
            raise InputError("centre_high", high, "under the least centres", "low first, then high")
    else:
        raise InputError("centre", None, "the centre distance or the take-up's range is needed", "a length")
    f = frame.figure
    return [
        StandsOut(
            designation=s.designation,
            centre_distance=f(s.centre_mm, "length", "tape"),
            closer_left=f(s.from_low_mm, "length", "size"),
            apart_left=f(s.to_high_mm, "length", "size"),
        )
        for s in belts_that_fit(given.groove, wheels[0].line_mm, wheels[1].line_mm, low, high)
    ]


@calculation(
    "belt-identify",
    "What is this belt?",
    summary="From what can be read, from a tape and a caliper, or from the two sheaves when the belt is gone.",
    source="section and length tables; exact geometry; spread of used belts: common practice",
    example={
        "units": "us",
        "input": {"top_width": "21/32", "depth": "13/32", "outside_length": "93 in", "cogged": "smooth"},
    },
)
def belt_identify(given: IdentifyIn, frame: Frame) -> IdentifyOut:
    """Read, measure, or work back from the sheaves."""
    f = frame.figure
    readings = [reading_out(r, frame) for r in read_marking(given.marking)] if given.marking else []
    seems: list[SeemsOut] = []
    either, ask, answer = "", "", readings[0].designation if readings else ""
    if given.top_width is not None:
        v = identify(
            given.top_width.value,
            maybe(given.depth),
            maybe(given.outside_length),
            None if given.cogged is None else given.cogged == "cogged",
        )

        def size(mm: float | None) -> Figure | None:
            return None if mm is None else f(mm, "length", "size")

        seems = [
            SeemsOut(
                section=c.section,
                family=c.family,
                construction=c.construction,
                fit=f(100 * c.fit, "percent"),
                width_off=f(c.width_off_mm, "length", "size"),
                depth_off=size(c.depth_off_mm),
                nearest=c.nearest,
                length_off=size(c.length_off_mm),
            )
            for c in v.candidates
        ]
        either, ask = " or ".join(v.either), v.ask
        answer = answer or " or ".join(c.nearest or c.section for c in v.candidates if c.section in v.either)
    elif given.depth is not None or given.outside_length is not None:
        raise InputError(
            "top_width", None, "a depth or a length says little without the width across the top", "a width"
        )
    sheaves = (
        given.groove,
        given.driver_diameter,
        given.driven_diameter,
        given.centre,
        given.centre_low,
        given.centre_high,
    )
    standing = _from_sheaves(given, frame) if any(x is not None for x in sheaves) else []
    if not (readings or seems or standing):
        raise InputError(
            "marking", None, "give what can be read, a width, or the two sheaves and their centres", "any of the three"
        )
    middle = value_of(given.centre) or (value_of(given.centre_low) + value_of(given.centre_high)) / 2
    if standing and not answer:
        answer = min(standing, key=lambda s: abs(s.centre_distance.value - middle)).designation
        ask = "The marking or the width, to tell a cogged belt from a wrapped one; both run in this groove."
    share = max((c.fit.value for c in seems), default=0.0)
    certain: Literal["sure", "likely", "guess"] = "likely" if standing else "guess"
    if readings:
        certain = (
            "sure"
            if readings[0].sure == "high" and sum(r.sure == "high" for r in readings) == 1
            else "likely"
            if readings[0].sure != "low"
            else "guess"
        )
    elif seems:
        certain = "likely" if share >= LIKELY_PERCENT else "guess"
    return IdentifyOut(
        answer=answer,
        certain=certain,
        may_be=either or answer,
        to_tell_apart=ask or "Nothing more.",
        readings=readings,
        fits_the_measures=seems,
        fits_the_sheaves=standing,
    )
