"""Before and after in one run: python bench/before_after.py [COMMIT]   (5f6e8d6, version 0.4.0, where none is named)

Each measure is taken by a process of its own, old and new by turns, three times; the table shows the medians and
their ratio. Old code runs from a worktree of that commit with today's packages.
"""

from __future__ import annotations

import json
import statistics
import subprocess
import sys
import tempfile
from pathlib import Path

ROOT = Path(__file__).parents[1]
BEFORE = "5f6e8d6"
ROUNDS = 3

COMMON = """
import json, resource, statistics, sys, time
import numpy as np
def ms(work, runs):
    times = []
    for _ in range(runs):
        began = time.perf_counter(); work(); times.append(1000 * (time.perf_counter() - began))
    return statistics.median(times)
DUTY = dict(power_kw=11.19, design_kw=14.5, driver_rpm=1750, driven_rpm=640, tolerance_percent=3,
            centre_low_mm=27 * 25.4, centre_high_mm=29 * 25.4)
MILLION = 1_000_000
def synthetic(catalogue, replace):
    take = np.random.default_rng(1).integers(0, len(catalogue), MILLION)
    return replace(catalogue, columns={n: c[take] for n, c in catalogue.columns.items()},
                   section_index=catalogue.section_index[take], driver_index=catalogue.driver_index[take],
                   driven_index=catalogue.driven_index[take], belt_index=catalogue.belt_index[take])
out = {}
"""
OLD_SEARCH = """
from dataclasses import replace
from tuyere.core.vbelt.catalogue import build_catalogue
from tuyere.core.vbelt.choose import search
from tuyere.core.vbelt.limits import Wanted
catalogue = build_catalogue(series="all"); wanted = Wanted(**DUTY)
found = search(catalogue, wanted)
out["combinations of V-belts"] = len(catalogue); out["of them do it"] = found.accepted
out["search over all V-belts, ms"] = ms(lambda: search(catalogue, wanted), 21)
million = synthetic(catalogue, replace)
out["a million synthetic rows, ms"] = ms(lambda: search(million, wanted), 7)
"""
NEW_SEARCH = """
from dataclasses import replace
from tuyere.core.drive.search import DutyWanted, search
from tuyere.core.v_belt.catalogue import build_catalogue
from tuyere.core.v_belt.field import VBeltField
catalogue = build_catalogue(series="all"); wanted = DutyWanted(**DUTY)
found = search(VBeltField(catalogue, wanted), 3)
out["combinations of V-belts"] = len(catalogue); out["of them do it"] = found.accepted
out["search over all V-belts, ms"] = ms(lambda: search(VBeltField(catalogue, wanted), 3), 21)
million = synthetic(catalogue, replace)
search(VBeltField(million, wanted), 3)  # the order of the speeds is made once a catalogue
out["a million synthetic rows, ms"] = ms(lambda: search(VBeltField(million, wanted), 3), 7)
"""
COMPARE = """
import tuyere.calc.every
from tuyere.calc.registry import find, work
calc = find("drive-compare"); request = calc.request_model.model_validate(calc.example)
work(calc, request)
out["all families, three options each worked and drawn, ms"] = ms(lambda: work(calc, request), 21)
"""
LIST = """
from pathlib import Path
from sqlalchemy import create_engine
from tuyere.web.app import create_app
app = create_app(create_engine("postgresql+psycopg://nobody@127.0.0.1:1/none"), Path("no-pages"))
client = app.test_client(); client.get("/api/calc")
out["GET /api/calc, ms"] = ms(lambda: client.get("/api/calc"), 9)
"""
IMPORT = """
import resource, json
before = resource.getrusage(resource.RUSAGE_SELF)
import tuyere.calc.every
after = resource.getrusage(resource.RUSAGE_SELF)
out = {"import of the calculations, CPU seconds": after.ru_utime + after.ru_stime - before.ru_utime - before.ru_stime}
"""
SAY = "\nprint(json.dumps(out))\n"
PARTS = {
    "search": (COMMON + OLD_SEARCH, COMMON + NEW_SEARCH),
    "compare": (COMMON + COMPARE, COMMON + COMPARE),
    "list": (COMMON + LIST, COMMON + LIST),
    "import": (IMPORT, IMPORT),
}


def measured(root: Path, code: str, cache: Path) -> dict[str, float]:
    """What a piece of code says, run on the sources below a root; compiled files are kept between the rounds."""
    env = {"PYTHONPATH": str(root / "src"), "PYTHONPYCACHEPREFIX": str(cache / root.name), "PATH": "/usr/bin:/bin"}
    done = subprocess.run(
        [sys.executable, "-c", code + SAY], cwd=root, env=env, capture_output=True, text=True, check=False
    )
    if done.returncode:
        raise SystemExit(done.stderr)
    said: dict[str, float] = json.loads(done.stdout.splitlines()[-1])
    return said


def main() -> None:
    """Print the table."""
    commit = sys.argv[1] if len(sys.argv) > 1 else BEFORE
    with tempfile.TemporaryDirectory() as place:
        old = Path(place) / "before"
        subprocess.run(["git", "-C", ROOT, "worktree", "add", "-q", "--detach", str(old), commit], check=True)
        try:
            print(f"| measured, median of {ROUNDS} processes by turns | {commit} | now | times |\n|---|---|---|---|")
            for before, after in PARTS.values():
                for root, code in ((old, before), (ROOT, after)):
                    measured(root, code, Path(place))  # compiled and warm
                rounds = [
                    (measured(old, before, Path(place)), measured(ROOT, after, Path(place))) for _ in range(ROUNDS)
                ]
                for name in rounds[0][0]:
                    was = statistics.median(r[0][name] for r in rounds)
                    is_ = statistics.median(r[1][name] for r in rounds)
                    times = f"{was / is_:.1f}" if "ms" in name or "seconds" in name else ""
                    print(f"| {name} | {was:,.4g} | {is_:,.4g} | {times} |", flush=True)
        finally:
            subprocess.run(["git", "-C", ROOT, "worktree", "remove", "--force", str(old)], check=True)


if __name__ == "__main__":
    main()
