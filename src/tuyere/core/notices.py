"""Remarks that travel with a result: outside advice, an assumption, a caution."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass, field


@dataclass(frozen=True, slots=True, kw_only=True)
class Notice:
    """``level`` is info, caution or danger; ``quantities`` are (name, value, quantity kind) to be shown."""

    level: str
    code: str
    text: str
    path: str = ""
    action: str = ""
    quantities: dict[str, tuple[float, str]] = field(default_factory=dict)


_notices: ContextVar[list[Notice] | None] = ContextVar("notices", default=None)


def notice(level: str, code: str, text: str, path: str = "", action: str = "", **quantities: tuple[float, str]) -> None:
    """Add a notice to the collector that is open, if one is; ``text`` may hold {name} of a quantity."""
    collected = _notices.get()
    if collected is not None:
        made = Notice(level=level, code=code, text=text, path=path, action=action, quantities=quantities)
        if made not in collected:
            collected.append(made)


@contextmanager
def collected_notices() -> Iterator[list[Notice]]:
    """Collect the notices given inside the block."""
    notices: list[Notice] = []
    token = _notices.set(notices)
    try:
        yield notices
    finally:
        _notices.reset(token)
