"""Which basis rates a section: the one asked for, or the one that belongs to the section's own system."""

from __future__ import annotations

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.v_belt.bases.association import IP20_1977, IP20_1988
from tuyere.core.v_belt.bases.light_duty import LIGHT_DUTY
from tuyere.core.v_belt.bases.metric_table import METRIC_TABLE
from tuyere.core.v_belt.bases.old_handbook import OLD_HANDBOOK
from tuyere.core.v_belt.bases.protocol import Basis
from tuyere.core.v_belt.sections import Section

PUBLISHED: dict[str, Basis] = {b.id: b for b in (IP20_1988, IP20_1977, OLD_HANDBOOK, METRIC_TABLE, LIGHT_DUTY)}
DEFAULT: Basis = IP20_1988


def basis_named(name: str, field: str = "basis") -> Basis:
    """A published basis by its id. Raises InputError."""
    if name not in PUBLISHED:
        raise InputError(field, name, "unknown rating basis", " ".join(PUBLISHED))
    return PUBLISHED[name]


def rated_by(asked: Basis, of: Section) -> Basis | None:
    """The basis that rates a section when ``asked`` is wanted; None when none may stand in.

    Only the default gives way: light-duty belts have a book of their own, and so have metric ones. A basis that
    was picked on purpose is never swapped.
    """
    if not asked.without(of):
        return asked
    if asked is not DEFAULT:
        return None
    own: Basis = LIGHT_DUTY if of.family == "light" else METRIC_TABLE if of.metric else OLD_HANDBOOK
    return None if own.without(of) else own


def basis_for(asked: Basis, of: Section, field: str = "basis") -> Basis:
    """The basis that rates a section, said when it is not the one asked for. Raises InputError with the ones that could."""
    found = rated_by(asked, of)
    if found is None:
        able = [b.id for b in PUBLISHED.values() if not b.without(of)]
        why = asked.without(of)
        if of.family == "light":
            why = LIGHT_DUTY.without(of) or why
        elif of.metric and asked is DEFAULT:
            why = METRIC_TABLE.without(of) or why
        raise InputError(field, asked.id, why, " ".join(able) or "your own rating table (own-table)")
    if found is not asked:
        notice(
            "info",
            "basis-of-section",
            f"{of.shown} is rated by its own book: {found.title} ({found.source}). "
            "Books differ by up to 40 %; compare belts on one basis only.",
            field,
        )
    return found
