"""The V-belt search: parts that stay, the series, slip, and the person's own rating table."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from tuyere.calc.entry import Size, maybe
from tuyere.calc.families.select_model import SelectIn
from tuyere.calc.families.v_belt.parts import OwnRatings, SheaveIn, sheave_of
from tuyere.calc.parts import SlipIn, Text
from tuyere.calc.registry import Input
from tuyere.core.errors import InputError
from tuyere.core.v_belt.bases.pick import basis_for
from tuyere.core.v_belt.bases.protocol import Basis
from tuyere.core.v_belt.belts import Belt, belt
from tuyere.core.v_belt.catalogue import Fixed
from tuyere.core.v_belt.sections import section


class FixedIn(Input):
    """Parts that stay."""

    driver: SheaveIn | None = Field(default=None, description="the driver sheave that stays")
    driven: SheaveIn | None = Field(default=None, description="the driven sheave that stays")
    flat_pulley: Size | None = Field(
        default=None, description="the flat driven pulley that stays, outside diameter: V-belts run on it"
    )
    section: Text | None = Field(default=None, description="the belt section that stays, such as B, 5VX or SPB")
    belt: Text | None = Field(default=None, description="the belt that stays, such as B90")


class VBeltSelectIn(SelectIn):
    """A duty and what a V-belt drive for it may look like."""

    fixed: FixedIn = Field(default_factory=FixedIn, description="parts that stay")
    joined: bool = Field(default=False, description="joined belts: one belt of several ribs, or several of them")
    slip: SlipIn
    series: Literal["all", "inch", "metric"] = Field(default="inch", description="inch or metric sections, or all")
    own_ratings: OwnRatings | None = Field(default=None, description="your own rating table, for the basis own-table")


def _groove_of(given: FixedIn, one: Belt | None) -> str:
    """The groove of a sheave that stays where none is said: that of the belt or the section that stays, else B."""
    if one:
        return one.section.groove
    return section(given.section, "fixed.section").groove if given.section else "B"


def fixed_of(given: FixedIn, basis: Basis, joined: bool = False) -> Fixed:
    """Parts that stay. Raises InputError where they do not go together or no book rates the section."""
    one = belt(given.belt, "fixed.belt") if given.belt else None
    if given.flat_pulley is not None and given.driven is not None:
        raise InputError("fixed.flat_pulley", given.flat_pulley.value, "two driven wheels stay", "one of the two")
    own = _groove_of(given, one)
    driver = sheave_of(given.driver, "fixed.driver", own) if given.driver else None
    driven = sheave_of(given.driven, "fixed.driven", own) if given.driven else None
    grooves = {
        g: n
        for n, g in (
            ("driver", driver.groove if driver else None),
            ("driven", driven.groove if driven else None),
            ("belt", one.section.groove if one else None),
        )
        if g
    }
    if len(grooves) > 1:
        raise InputError(
            "fixed",
            None,
            "the parts that stay do not share a groove: " + ", ".join(f"{n} {g}" for g, n in grooves.items()),
            "the same groove section",
        )
    if one and given.section and section(given.section, "fixed.section") is not one.section:
        raise InputError("fixed.section", given.section, f"the belt that stays is {one.section.name}", one.section.name)
    if one:
        basis_for(basis, one.section, "fixed.belt")
    if given.section:
        basis_for(basis, section(given.section, "fixed.section"), "fixed.section")
    return Fixed(
        driver=driver,
        driven=driven,
        section=section(given.section).name if given.section else None,
        belt=one,
        flat_mm=maybe(given.flat_pulley),
        joined=joined,
    )
