"""The rating books of V-belts, as a person picks from them."""

from __future__ import annotations

from tuyere.calc.families.v_belt.parts import OwnRatingIn
from tuyere.calc.frame import Frame
from tuyere.calc.options import Choice
from tuyere.core.errors import InputError
from tuyere.core.v_belt.bases.own_table import OwnRow, OwnTable
from tuyere.core.v_belt.bases.pick import basis_named
from tuyere.core.v_belt.bases.protocol import Basis
from tuyere.core.v_belt.sections import section

OWN_TABLE = "own-table"
BOOKS = Choice(
    key="book",
    field="basis",
    title="Rating book",
    values=(
        ("ip20-1988", "Association, current edition"),
        ("ip20-1977", "Association, edition of 1977"),
        ("old-handbook", "Older handbook formula, cautious"),
        ("metric-table", "Metric rating tables"),
        (OWN_TABLE, "Your own rating table"),
    ),
    default="ip20-1988",
)


def basis_of(frame: Frame, own: list[OwnRatingIn] | None) -> Basis:
    """The rating basis of a request. Raises InputError where an own table is asked for and none is given."""
    return own_basis(own) if frame.options["book"] == OWN_TABLE else basis_named(frame.options["book"])


def own_basis(own: list[OwnRatingIn] | None) -> Basis:
    """A table of the person's own. Raises InputError where there is none, or one line stands in it twice."""
    if not own:
        raise InputError(
            "basis", OWN_TABLE, "no rating table of your own is given", "own_ratings: section, diameter, speed, power"
        )
    rows = []
    seen: set[tuple[str, float, float]] = set()
    for k, r in enumerate(own):
        of = section(r.section, f"own_ratings.{k}.section").name
        key = (of, round(r.diameter.value, 6), round(r.speed.value, 6))
        if key in seen:
            raise InputError(
                f"own_ratings.{k}", None, "this section, diameter and speed stand in the table twice", "one line each"
            )
        seen.add(key)
        rows.append(OwnRow(of, key[1], key[2], r.power.value))
    return OwnTable(tuple(rows))
