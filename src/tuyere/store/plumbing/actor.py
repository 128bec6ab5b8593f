"""Who does something: a name now, a person later. The rules ask for one, wherever it comes from."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Actor:
    """The person by the name they gave."""

    name: str
