"""A record of a file, and what is wrong with it, in words."""

from __future__ import annotations

import re
from collections.abc import Mapping
from datetime import datetime
from typing import Any

import psycopg

from tuyere.store.files.kinds import BY_TABLE, Kind

# What each rule of the database means to a person; the constraint's name without its table.
RULES = {
    "purpose": "a build is found, designed or fitted",
    "state": "that state does not exist",
    "temporary": "a temporary build needs its reason and the date it is promised to end",
    "kind": "that kind does not exist",
    "diameter": "a wheel needs a diameter above zero, other parts have none",
    "diameter_kind": "a diameter is outside, effective, datum or pitch",
    "length": "a length must be above zero",
    "strands": "at least one belt or strand",
    "side": "a stop is on the inside or the outside of the loop",
    "text": "a template needs its text",
    "belts": "belts are new or run in",
    "origin": "a reading comes by hand, instrument, sound, photo or import",
    "grade": "a finding is to watch or to act on",
    "type": "that type does not exist",
    "by": "a due needs a date, hours or an event",
    "title": "this needs a title",
    "made_by": "a due is made by a job, finding, failure, build, round, person or trend",
    "name": "this needs a name",
    "part": "that kind of part does not exist",
    "quantity": "a count is zero or more",
    "low": "a low count is one or more",
    "price": "a price is zero or more",
    "change": "a change of a count is not zero",
    "figures": "diameter, speed and power must be above zero",
    "positive": "power and speeds must be above zero",
    "tolerance": "a speed tolerance is above 0 and up to 50 %",
    "hours": "hours a day are above 0 and up to 24",
    "centre": "a distance must be above zero",
    "role": "a shaft is a driver, a driven shaft, an idler or a guide",
    "no": "shafts are counted from 1",
    "bore": "a bore must be above zero",
    "power": "a power must be above zero",
    "speed": "a speed must be above zero",
}
CANNOT_KEEP = "this holds a figure or a character that cannot be kept"
TWICE = "there is one such already"


def words_of(kind: Kind, fields: Mapping[str, Any]) -> str:
    """A record by its kind and what a person knows it by."""
    said = []
    for name in kind.title:
        value = fields.get(name)
        if isinstance(value, datetime):
            said.append(f"of {value:%Y-%m-%d}")
        elif isinstance(value, str) and re.match(r"\d{4}-\d\d-\d\dT", value):
            said.append(f"of {value[:10]}")
        elif value not in (None, ""):
            said.append(str(value)[:80])
    return " ".join([kind.words, *said])


def fault_words(error: BaseException) -> tuple[str, str]:
    """(reason, allowed) of what the database would not take."""
    original = getattr(error, "orig", None)
    if isinstance(original, psycopg.errors.ForeignKeyViolation):
        table = re.search(r'is not present in table "(\w+)"', original.diag.message_detail or "")
        what = BY_TABLE[table[1]].words if table and table[1] in BY_TABLE else "record"
        return f"it belongs to a {what} that is neither here nor before it in the file", "a file with all it belongs to"
    if isinstance(original, psycopg.errors.UniqueViolation):
        return TWICE, "another number or name, or leave it out"
    if isinstance(original, psycopg.errors.CheckViolation):
        name = (original.diag.constraint_name or "").removeprefix("ck_")
        table_name = original.diag.table_name or ""
        rule = name.removeprefix(f"{table_name}_").removeprefix(f"ck_{table_name}_")
        return RULES.get(rule, "this cannot be"), ""
    return CANNOT_KEEP, ""
