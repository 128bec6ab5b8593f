"""What can go wrong between a request and a row."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from tuyere.store.plumbing.differences import Difference


class NotThere(Exception):
    """No such row; names what was looked for."""

    def __init__(self, what: str, ident: object) -> None:
        super().__init__(f"there is no {what} {ident}")
        self.what, self.ident = what, ident


class Stale(Exception):
    """Somebody else saved first: holds their version and where it differs, so that a person can take either or mix."""

    def __init__(self, what: str, current: dict[str, Any], differences: Sequence[Difference] = ()) -> None:
        super().__init__(f"the {what} was changed by somebody else meanwhile")
        self.what, self.current, self.differences = what, current, tuple(differences)


class Reused(Exception):
    """An operation's id came again with other content."""

    def __init__(self, op_id: object) -> None:
        super().__init__("this save carries the name of an earlier one that said something else; nothing was stored")
        self.op_id = op_id


class Frozen(Exception):
    """A frozen build is asked to change."""
