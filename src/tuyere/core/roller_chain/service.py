"""Service factor of a roller chain from the common conditions."""

from __future__ import annotations

from tuyere.core.duty.service import Conditions, with_choking
from tuyere.core.roller_chain.tables import chain_service_factor
from tuyere.core.tables import table

# The chain tables know three load classes where the belt tables know four.
LOAD = {"light": "smooth", "medium": "moderate", "heavy": "heavy", "extra heavy": "heavy"}


def chain_factor(c: Conditions) -> float:
    """Service factor of a chain drive; hours do not enter it. Source: ASME B29.1; classes by common practice."""
    kind = table("chain_drivers").row(driver=c.driver)["class"]
    return with_choking(chain_service_factor(LOAD[c.load], str(kind)), c.chokes)
