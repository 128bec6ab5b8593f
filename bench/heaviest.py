"""The heaviest requests there are, each in a process of its own: seconds of the answer and megabytes it took.

A request is bounded: 64 KiB of JSON, lists of limited length. Run: .venv/bin/python bench/heaviest.py
"""

from __future__ import annotations

import json
import resource
import subprocess
import sys
import time
from typing import Any


def requests() -> dict[str, tuple[str, dict[str, Any]]]:
    """Name: (calculation, request)."""
    duty = {
        "power": "15hp",
        "driver_speed": "1750",
        "driven_speed": "640",
        "tolerance": 50,
        "centre": {"low": "5 in", "high": "300 in"},
    }
    wide = {**duty, "series": "all", "keep": 24, "limits": {"belts": 20}}
    stock = {
        "belts": [f"B{n}" for n in range(35, 301)] * 5,
        "sheaves": [{"groove": "B", "diameter": 100 + n, "kind": "datum"} for n in range(400)],
    }
    own = [
        {"section": "B", "diameter": f"{d} in", "speed": s, "power": f"{1 + d * s / 9000:.2f} hp"}
        for d in range(4, 24)
        for s in range(500, 3500, 150)
    ]
    return {
        "every V-belt": ("v-belt-select", {"input": wide}),
        "every V-belt with a full shelf": ("v-belt-select", {"input": {**wide, "stock": stock}}),
        "every V-belt by one's own table": (
            "v-belt-select",
            {"options": {"book": "own-table"}, "input": {**wide, "own_ratings": own[:400]}},
        ),
        "all families": ("drive-compare", {"input": {**duty, "series": "all", "keep": 9}}),
        "all families, speed up": (
            "drive-compare",
            {"input": {**duty, "driver_speed": 640, "driven_speed": 1750, "series": "all", "keep": 9}},
        ),
        "every chain": (
            "chain-select",
            {"input": {**{k: v for k, v in duty.items() if k != "centre"}, "centre": {"about": "60 in"}, "keep": 9}},
        ),
        "every synchronous drive": ("sync-select", {"input": {**duty, "keep": 9}}),
        "every flat belt": ("flat-select", {"input": {**duty, "keep": 9}}),
        "by every book": ("v-belt-bases", {}),
    }


def one(name: str) -> None:
    """Work one request in this process and print what it took."""
    import tuyere.calc.every  # noqa: F401
    from tuyere.calc.refusals import problems_of
    from tuyere.calc.registry import find, work

    calc_name, body = requests()[name]
    calc = find(calc_name)
    before = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
    began = time.perf_counter()
    try:
        request = calc.request_model.model_validate(body or calc.example)
        work(calc, request)
        said = ""
    except Exception as e:
        said = str(problems_of(e)[0]) if hasattr(e, "errors") else str(e)
    took = time.perf_counter() - began
    more = (resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - before) / 1024
    print(
        json.dumps(
            {
                "name": name,
                "seconds": round(took, 2),
                "megabytes": round(more),
                "said": said[:90],
                "bytes": len(json.dumps(body)),
            }
        )
    )


if __name__ == "__main__":
    if len(sys.argv) > 1:
        one(sys.argv[1])
    else:
        for each in requests():
            subprocess.run([sys.executable, __file__, each], check=True)
