"""A large record file: how long a look and a take last, how much the process grows, and what others feel meanwhile.

Two files, invented: 120,000 records (readings of one drive), and 190 MB (photos of noise). ``python bench/record_file.py`` prints one
run's figures. Others: p95 of the list of machines, asked ten times a second, before and while the file is taken.
"""

from __future__ import annotations

import base64
import hashlib
import io
import json
import os
import statistics
import subprocess
import sys
import tempfile
import threading
import time
import uuid
from pathlib import Path
from typing import Any

import numpy as np
import sqlalchemy as sa
from PIL import Image
from sqlmodel import Session

import tuyere.calc.every  # noqa: F401
from own_database import own_database
from tuyere.calc.registry import find
from tuyere.ops.postgres import Cluster
from tuyere.ops.setup import ROOT, data_home
from tuyere.store.builds.book import save_build
from tuyere.store.builds.forms import BuildSave
from tuyere.store.files.out import write_out
from tuyere.store.files.spool import read_state, write_state
from tuyere.store.machines.book import add_drive, add_machine
from tuyere.store.machines.forms import DriveCreate, MachineCreate
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.engine import engine_for
from tuyere.web.app import create_app

READINGS, PHOTOS_MB = 120_000, 190


def base_records(engine: sa.Engine) -> list[dict[str, Any]]:
    """The records of one drive as a file has them."""
    with Session(engine) as session:
        machine = add_machine(session, Actor("Bench"), MachineCreate(name="Bench"))
        drive = add_drive(session, Actor("Bench"), machine.id, DriveCreate(name="Main"))
        form = {
            "purpose": "fitted",
            "freeze": True,
            "family": "v-belt",
            "input": {**find("v-belt-drive").example["input"]},
        }
        save_build(session, Actor("Bench"), drive, BuildSave.model_validate(form))
        session.commit()
    out = io.BytesIO()
    with engine.connect() as connection:
        write_out(connection, out)
    return list(json.loads(out.getvalue())["records"])


def reading(drive: str, n: int) -> dict[str, Any]:
    """An invented reading."""
    at = f"2026-{n % 12 + 1:02d}-{n % 28 + 1:02d}T{n % 24:02d}:00:00+00:00"
    said = {"reads": "tension", "target": "1", "quantity": "force", "value": 20.0 + n % 7, "typed": "4.5 lbf", "at": at}
    return {"of": "reading", "id": str(uuid.uuid4()), "rev": 1, "created_at": at, "drive_id": drive, **said}


def photo(drive: str, rng: np.random.Generator) -> dict[str, Any]:
    """An invented photo: noise, so that it does not pack."""
    out, small = io.BytesIO(), io.BytesIO()
    picture = Image.fromarray(rng.integers(0, 255, (1200, 1600, 3), dtype=np.uint8))
    picture.save(out, "JPEG", quality=86)
    picture.resize((320, 240)).save(small, "JPEG")
    at = "2026-05-04T08:00:00+00:00"
    return {
        "of": "photo",
        "id": str(uuid.uuid4()),
        "rev": 1,
        "created_at": at,
        "drive_id": drive,
        "sha256": hashlib.sha256(out.getvalue()).hexdigest(),
        "type": "image/jpeg",
        "width": 1600,
        "height": 1200,
        "data": base64.b64encode(out.getvalue()).decode(),
        "thumbnail": base64.b64encode(small.getvalue()).decode(),
        "taken_at": at,
    }


def write(path: Path, records: list[dict[str, Any]], more: Any) -> int:
    """A file of records and what ``more`` yields; returns its bytes."""
    with path.open("w") as f:
        f.write('{"format":"tuyere-record","version":1,"records":[\n')
        f.write(",\n".join(json.dumps(r) for r in records))
        for r in more:
            f.write(",\n" + json.dumps(r))
        f.write("\n]}\n")
    return path.stat().st_size


def run(folder: Path, doing: str, url: str) -> tuple[dict[str, Any], float, float]:
    """(state, seconds, MB the process grew after its start) of a look or a take."""
    state = {"doing": doing, "name": "bench", "bytes": 1, "op_id": str(uuid.uuid4()), "mark": "bench"}
    write_state(folder, state)
    env = {**os.environ, "TUYERE_DATABASE_URL": url, "PYTHONPATH": str(ROOT / "src")}
    began = time.perf_counter()
    made = subprocess.Popen([sys.executable, "-m", "tuyere.store.files.process", str(folder)], env=env)
    first, most = 0, 0
    while made.poll() is None:
        try:
            held = next(
                int(x.split()[1])
                for x in Path(f"/proc/{made.pid}/status").read_text().splitlines()
                if x.startswith("VmRSS")
            )
        except (OSError, StopIteration):
            break
        if read_state(folder).get("percent") is None:
            first = held  # it has loaded what it needs and not begun to read
        most = max(most, held)
        time.sleep(0.02)
    made.wait()
    return read_state(folder), time.perf_counter() - began, (most - first) / 1024


def felt(app: Any, seconds: float, stop: threading.Event | None = None) -> float:
    """p95 in ms of the list of machines, asked ten times a second."""
    client, took = app.test_client(), []
    until = time.perf_counter() + seconds
    while time.perf_counter() < until and not (stop and stop.is_set()):
        began = time.perf_counter()
        assert client.get("/api/machines").status_code == 200
        took.append((time.perf_counter() - began) * 1000)
        time.sleep(0.1)
    return statistics.quantiles(took, n=20)[-1]


def measured(url: str) -> None:
    """Print one run's figures of a fresh database."""
    engine = engine_for(url)
    app = create_app(engine, Path("/nonexistent"))
    records = base_records(engine)
    drive = next(r["id"] for r in records if r["of"] == "drive")
    rng = np.random.default_rng(7)
    print(f"alone: list of machines p95 {felt(app, 6):.1f} ms")
    with tempfile.TemporaryDirectory() as t:
        one = photo(drive, rng)
        each = len(json.dumps(one))
        plans = {
            f"{READINGS:,} readings": (reading(drive, n) for n in range(READINGS)),
            f"{PHOTOS_MB} MB of photos": (photo(drive, rng) for _ in range(PHOTOS_MB * 10**6 // each)),
        }
        for what, more in plans.items():
            folder = Path(t) / str(uuid.uuid4())
            folder.mkdir()
            size = write(folder / "in", records, more)
            for doing in ("looking", "taking"):
                stop, heard = threading.Event(), []
                thread = threading.Thread(target=lambda heard=heard, stop=stop: heard.append(felt(app, 600, stop)))
                thread.start()
                state, seconds, grown = run(folder, doing, url)
                stop.set()
                thread.join()
                print(
                    f"{what}, {size / 1e6:.0f} MB, {doing}: {state['doing']}, {state.get('records', 0):,} records in {seconds:.0f} s, "
                    f"the process grew by {grown:.0f} MB; others p95 {heard[0]:.1f} ms"
                )
    engine.dispose()


def main() -> None:
    """Print one run's figures."""
    cluster = Cluster(data_home().parent / f"{data_home().name}-bench", 28480, lasting=False)
    cluster.create()
    cluster.start()
    try:
        with own_database(cluster) as url:
            measured(url)
    finally:
        cluster.stop()


if __name__ == "__main__":
    main()
