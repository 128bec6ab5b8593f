"""Sweeps run in blocks that stay in the processor's cache."""

from __future__ import annotations

from collections.abc import Iterator

BLOCK = 16_384


def blocks(count: int, size: int = BLOCK) -> Iterator[tuple[int, int]]:
    """Half-open ranges that cover 0..count."""
    for low in range(0, count, size):
        yield low, min(low + size, count)
