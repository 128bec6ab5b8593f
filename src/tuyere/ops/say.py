"""How commands speak: what is being done, how far it is, and how a failure is cured."""

from __future__ import annotations

import sys
import time


class OpsError(Exception):
    """A step failed: the cause and the command that would cure it."""

    def __init__(self, cause: str, cure: str = "") -> None:
        super().__init__(cause)
        self.cause, self.cure = cause, cure


class Progress:
    """Numbered steps on standard error; standard output stays free for results."""

    def __init__(self, steps: int) -> None:
        self.steps, self.done, self.began = steps, 0, time.monotonic()

    def step(self, what: str) -> None:
        """Announce the next step."""
        self.done += 1
        print(f"[{self.done}/{self.steps}] {what} ({time.monotonic() - self.began:.0f} s)", file=sys.stderr, flush=True)

    def note(self, what: str) -> None:
        """Say something within a step."""
        print(f"      {what}", file=sys.stderr, flush=True)
