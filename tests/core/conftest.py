"""Finds out which formulas the outside checks hold: a formula counts when a check fails once it is made wrong.

After an outside check has passed it is run again in a child process for each formula it used and that nothing holds
yet, with the formula's value two per cent off. The child fails: the formula is held. No order of tests matters for
that; the one test that reads the result is moved to the end of the run.
"""

from __future__ import annotations

import os
import sys
import tomllib
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from tuyere.core.steps import FORMULAS, worked

PUBLISHED = Path(__file__).parents[1] / "published"
REACHED: set[str] = set()
HELD: set[str] = set()
RAN = [0]
READS_THE_RESULT = "test_every_formula_is_held_from_outside"
OFF = 1.02


def published(name: str) -> dict[str, Any]:
    """A printed example with its intermediates."""
    return tomllib.loads((PUBLISHED / name).read_text("utf-8"))


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """The test that reads the result runs after everything else."""
    items.sort(key=lambda item: item.name == READS_THE_RESULT)


def _made_wrong(name: str) -> None:
    """Put a formula two per cent off, where its wrapper calls it; for a child process only."""
    right = FORMULAS[name].fn
    wrapper: Any = sys.modules[right.__module__]
    for part in right.__qualname__.split("."):
        wrapper = getattr(wrapper, part)
    cell = next(c for c in wrapper.__closure__ if c.cell_contents is right)
    cell.cell_contents = lambda *args, **kwargs: right(*args, **kwargs) * OFF


def _fails(item: pytest.Item, wrong: str = "") -> bool:
    """Whether the check fails when it is run again in a child process, with a formula made wrong if one is named."""
    child = os.fork()
    if child == 0:
        code = 1
        try:
            os.dup2(os.open(os.devnull, os.O_WRONLY), 2)
            if wrong:
                _made_wrong(wrong)
            item.runtest()
            code = 0
        finally:
            os._exit(code)
    return os.waitpid(child, 0)[1] != 0


@pytest.hookimpl(wrapper=True)
def pytest_runtest_call(item: pytest.Item) -> Iterator[None]:
    """Run an outside check, then see which of its formulas it holds."""
    if item.get_closest_marker("outside") is None:
        return (yield)
    with worked() as steps:
        result = yield
    RAN[0] += 1
    by_expression = {id(f.expr): name for name, f in FORMULAS.items()}
    used = {by_expression[id(s.expr)] for s in steps if s.expr is not None}
    REACHED.update(used)
    open_still = sorted(used - HELD)
    # A check that cannot be run a second time would fail with any formula and hold none.
    if open_still and not _fails(item):
        HELD.update(name for name in open_still if _fails(item, name))
    return result
