"""List the outside checks: tests that hold the core against something it did not make itself."""

from __future__ import annotations

import json
import subprocess
import sys
import tempfile
from pathlib import Path

from tuyere.ops.setup import ROOT


def collect() -> list[tuple[str, str]]:
    """(check, source) of every test marked ``outside(source)``, as pytest collects them."""
    with tempfile.TemporaryDirectory() as folder:
        listing = Path(folder) / "outside.json"
        got = subprocess.run(
            [
                sys.executable,
                "-m",
                "pytest",
                "tests/core",
                "--collect-only",
                "-q",
                "-p",
                "no:cacheprovider",
                "--outside-list",
                str(listing),
            ],
            cwd=ROOT,
            capture_output=True,
            text=True,
            check=False,
        )
        if not listing.exists():
            raise SystemExit(got.stdout + got.stderr)
        return [(check, source) for check, source in json.loads(listing.read_text("utf-8"))]


def list_outside() -> int:
    """Print them by source, then the count."""
    found = collect()
    for source in sorted({s for _, s in found}):
        print(f"\n{source}")
        for check, of in found:
            if of == source:
                print(f"  {check}")
    print(f"\n{len(found)} outside checks")
    return 0
