"""What can go wrong between a request and a row."""

from __future__ import annotations

from typing import Any


class NotThere(Exception):
    """No such row; names what was looked for."""

    def __init__(self, what: str, ident: object) -> None:
        super().__init__(f"there is no {what} {ident}")
        self.what, self.ident = what, ident


class Stale(Exception):
    """Somebody else saved first: holds their version, so that both can be shown."""

    def __init__(self, what: str, current: dict[str, Any]) -> None:
        super().__init__(f"the {what} was changed by somebody else meanwhile")
        self.what, self.current = what, current


class Frozen(Exception):
    """A frozen build is asked to change."""
