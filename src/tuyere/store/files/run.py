"""Starting the process that works on a file, and knowing how far it is."""

from __future__ import annotations

import os
import subprocess
import sys
import threading
from pathlib import Path
from typing import Any

import tuyere
from tuyere.store.files.spool import read_state, write_state

AT_WORK = ("writing", "looking", "taking")


def start(folder: Path, state: dict[str, Any], url: str) -> None:
    """Let a process of its own do what the state asks, with the database at ``url``."""
    write_state(folder, state)
    env = {**os.environ, "TUYERE_DATABASE_URL": url, "PYTHONPATH": str(Path(tuyere.__file__).parents[1])}
    made = subprocess.Popen(
        [sys.executable, "-m", "tuyere.store.files.process", str(folder)],
        env=env,
        stdin=subprocess.DEVNULL,
        stdout=subprocess.DEVNULL,
        start_new_session=True,
    )
    (folder / "pid").write_text(str(made.pid))
    threading.Thread(target=made.wait, daemon=True).start()


def _alive(folder: Path) -> bool:
    try:
        pid = int((folder / "pid").read_text())
        return folder.name.encode() in Path(f"/proc/{pid}/cmdline").read_bytes()
    except (OSError, ValueError):
        return False


def state_of(folder: Path) -> dict[str, Any]:
    """How far it is; what was at work and is not any more was broken off."""
    alive = _alive(folder)  # asked first: what ends between the two has written its end
    state = read_state(folder)
    return state | {"doing": "broken"} if state["doing"] in AT_WORK and not alive else state
