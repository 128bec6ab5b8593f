"""Refusals in shop words: what was wrong with a field, and what would do, in the person's units.

Nothing that a validation library says of itself reaches a person: every kind of fault it knows has its words here.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from typing import Any

from pydantic import ValidationError

from tuyere.calc.shown import shown
from tuyere.core.errors import InputError, NoSolution

NEEDED = "this is needed"
WORDS = {
    "missing": NEEDED,
    "string_too_short": NEEDED,
    "extra_forbidden": "there is no such field",
    "string_too_long": "too long",
    "string_type": "words are wanted here",
    "string_pattern_mismatch": "this holds a character that cannot be kept",
    "string_unicode": "this holds a character that cannot be kept",
    "bool_type": "yes or no is wanted",
    "bool_parsing": "yes or no is wanted",
    "too_long": "too many",
    "too_short": "too few",
    "literal_error": "not one of the choices",
    "enum": "not one of the choices",
    "list_type": "a list is wanted here",
    "greater_than": "too small",
    "greater_than_equal": "too small",
    "less_than": "too large",
    "less_than_equal": "too large",
    "finite_number": "not a number",
}
# Families of faults: the first that the kind begins with.
BEGINS = (
    ("int", "a whole number is wanted"),
    ("float", "a number is wanted"),
    ("decimal", "a number is wanted"),
    ("date", "not a date"),
    ("time", "not a date"),
    ("uuid", "not an id"),
    ("dict", "several fields belong here"),
    ("model", "several fields belong here"),
)
EXAMPLES = {"a whole number is wanted": "for example 3", "not a date": "a date such as 2026-12-24"}
BOUNDS = (
    ("ge", "{} or more"),
    ("gt", "more than {}"),
    ("le", "{} or less"),
    ("lt", "less than {}"),
    ("max_length", "{} at most"),
    ("min_length", "{} at least"),
)
MOST_CHOICES = 8


def choices_in_words(choices: Sequence[str]) -> str:
    """A list of choices as a person reads it: all of a few, the first of many.

    >>> choices_in_words(["A", "B", "C"])
    'A, B or C'
    """
    if len(choices) > MOST_CHOICES:
        return f"{', '.join(choices[:MOST_CHOICES])} and {len(choices) - MOST_CHOICES} more"
    return f"{', '.join(choices[:-1])} or {choices[-1]}" if len(choices) > 1 else "".join(choices)


def _reason(kind: str, message: str) -> str:
    if kind in WORDS:
        return WORDS[kind]
    for start, words in BEGINS:
        if kind.startswith(start):
            return words
    # Our own faults carry our own words; what is left is a fault nobody thought of.
    if kind in ("quantity", "family"):
        return message
    return message.removeprefix("Value error, ") if kind == "value_error" else "this cannot be"


def _allowed(kind: str, ctx: Mapping[str, Any], reason: str) -> str:
    if "allowed" in ctx:
        return str(ctx["allowed"])
    if kind in ("literal_error", "enum"):
        names = str(ctx.get("expected", "")).replace(" or ", ", ").split(", ")
        return choices_in_words([n.strip("'") for n in names if n])
    return next((words.format(ctx[bound]) for bound, words in BOUNDS if bound in ctx), EXAMPLES.get(reason, ""))


def echoed(value: Any) -> Any:
    """A refused value as it may stand in a JSON problem: texts, truths and finite numbers; else nothing."""
    if isinstance(value, float) and not math.isfinite(value):
        return None
    if isinstance(value, int) and not isinstance(value, bool) and abs(value) > 2**53:
        return None
    return value if isinstance(value, str | int | float | bool) else None


def problems_of(error: ValidationError, top: str = "") -> list[dict[str, Any]]:
    """A validation error as the list of the problem document: path, value, reason, allowed."""
    out = []
    for e in error.errors(include_url=False):
        where = [str(p) for p in e["loc"] if not str(p).startswith(("function-", "tagged-"))]
        kind = e["type"]
        reason = _reason(kind, e["msg"])
        out.append(
            {
                "path": ".".join(([top] if top else []) + where),
                "reason": reason,
                "allowed": _allowed(kind, e.get("ctx", {}), reason),
                "value": echoed(e.get("input")),
            }
        )
    return out


def told(text: str, quantities: Mapping[str, tuple[float, str]], units: str) -> str:
    """A text of the core with its quantities put in as a person reads them."""
    return text.format(**{n: shown(v, kind, units) for n, (v, kind) in quantities.items()}) if quantities else text


def input_refused(e: InputError, field: str, units: str) -> InputError:
    """A refusal of the core, beside ``field``, in the person's units."""
    return InputError(field, e.value, told(e.why, e.quantities, units), told(e.allowed, e.quantities, units))


def none_found(e: NoSolution, units: str) -> NoSolution:
    """The same for a question without an answer."""
    return NoSolution(told(e.why, e.quantities, units), e.field, told(e.allowed, e.quantities, units))
