"""What may run with what: the rules of the trade as data, each with its reason and what to do instead."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.tables import table


@dataclass(frozen=True, slots=True, kw_only=True)
class Rule:
    """One rule; ``verdict`` is right, care, stop-gap or refused."""

    key: str
    when: str
    verdict: str
    words: str
    why: str
    instead: str


def rules() -> tuple[Rule, ...]:
    """All of them, in the order of the table."""
    return tuple(table("v_belt_rules").records(Rule))


def rule(key: str) -> Rule:
    """One rule by its key; raises KeyError."""
    return {r.key: r for r in rules()}[key]
