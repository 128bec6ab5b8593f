"""Records which formulas the outside checks reach."""

from __future__ import annotations

import tomllib
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from tuyere.core.steps import FORMULAS, worked

PUBLISHED = Path(__file__).parents[1] / "published"
REACHED: set[str] = set()
RAN = [0]


def published(name: str) -> dict[str, Any]:
    """A printed example with its intermediates."""
    return tomllib.loads((PUBLISHED / name).read_text("utf-8"))


@pytest.fixture(autouse=True)
def _reach(request: pytest.FixtureRequest) -> Iterator[None]:
    if request.node.get_closest_marker("outside") is None:
        yield
        return
    with worked() as steps:
        yield
    RAN[0] += 1
    by_expression = {id(f.expr): name for name, f in FORMULAS.items()}
    REACHED.update(by_expression[id(s.expr)] for s in steps if s.expr is not None)
