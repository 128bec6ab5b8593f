"""The answer of a search within one family, for families that need nothing more of their own."""

from __future__ import annotations

from typing import Any

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.families.offers import (
    AnyDutyIn,
    FamilyOption,
    FellOut,
    days_of,
    fell_out,
    option_out,
    wanted_of,
)
from tuyere.calc.families.protocol import Family
from tuyere.calc.frame import Frame


class SelectOut(Answer):
    """Ranked options; empty when nothing fits, and then ``rejected`` says where they fell."""

    considered: int
    accepted: int
    best: str
    missing: str
    spare: Figure | None
    options: list[FamilyOption]
    rejected: list[FellOut]


def select(family: Family[Any], given: AnyDutyIn, frame: Frame, own: dict[str, Any] | None = None) -> SelectOut:
    """Search one family for a duty."""
    wanted = wanted_of(given, frame.basis, own)
    days = days_of(given)
    offer = family.offer(wanted, frame, given.keep)
    options = [option_out(o, family, given, days, frame) for o in offer.options]
    return SelectOut(
        considered=offer.considered,
        accepted=offer.accepted,
        best=", ".join(o.name for o in options[:3]) or "nothing standard does this",
        missing=offer.missing,
        spare=options[0].spare if options else None,
        options=options,
        rejected=fell_out(offer),
    )
