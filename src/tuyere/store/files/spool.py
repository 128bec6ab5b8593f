"""Where files lie while they are on their way: outside the database, for a day at most, a folder each.

A folder holds what came (``in``), what was asked and how far it is (``state.json``), and what becomes of each record
(``lines.jsonl``). Any of the server's processes can read it.
"""

from __future__ import annotations

import json
import os
import shutil
import tempfile
import time
import uuid
from collections.abc import Iterator
from pathlib import Path
from typing import Any

from tuyere.exchange.record_file import LARGEST_BYTES
from tuyere.store.plumbing.trouble import NotThere

PIECE = 2**20
KEPT_S = 24 * 3600
MOST_BYTES = 5 * LARGEST_BYTES


def home() -> Path:
    """The folder of all files, this user's alone."""
    made = Path(os.environ.get("TUYERE_SPOOL") or Path(tempfile.gettempdir()) / f"tuyere-files-{os.getuid()}")
    made.mkdir(mode=0o700, parents=True, exist_ok=True)
    if made.stat().st_uid != os.getuid():
        raise PermissionError(f"{made} belongs to another user")
    return made


def _folders() -> Iterator[Path]:
    return (p for p in home().iterdir() if p.is_dir())


def tidy() -> None:
    """Take away what is older than a day, and the oldest where there is too much."""
    now, held = time.time(), 0
    for folder in sorted(_folders(), key=lambda p: p.stat().st_mtime, reverse=True):
        held += sum(f.stat().st_size for f in folder.iterdir() if f.is_file())
        if now - folder.stat().st_mtime > KEPT_S or held > MOST_BYTES:
            shutil.rmtree(folder, ignore_errors=True)


def new(ident: uuid.UUID, state: dict[str, Any]) -> Path:
    """A folder for a file that is to come."""
    tidy()
    folder = home() / str(ident)
    folder.mkdir(mode=0o700, exist_ok=True)
    write_state(folder, state)
    return folder


def of(ident: uuid.UUID) -> Path:
    """The folder of a file; raises NotThere."""
    folder = home() / str(ident)
    if not (folder / "state.json").exists():
        raise NotThere("file", ident)
    return folder


def read_state(folder: Path) -> dict[str, Any]:
    """What was asked of a file and how far it is."""
    state: dict[str, Any] = json.loads((folder / "state.json").read_text("utf-8"))
    return state


def write_state(folder: Path, state: dict[str, Any]) -> None:
    """Put the state in its place at one stroke: whoever reads it sees the old one or the new one."""
    fresh = folder / f"state.{uuid.uuid4().hex}"
    fresh.write_text(json.dumps(state), "utf-8")
    fresh.replace(folder / "state.json")


def put_piece(folder: Path, no: int, data: bytes) -> None:
    """A piece of what comes, in its place; the same piece again does no harm."""
    with (folder / "in").open("r+b" if (folder / "in").exists() else "w+b") as f:
        f.seek(no * PIECE)
        f.write(data)
