"""The process that writes a file out or reads one in: apart from the server, so that nobody waits and its memory is its own."""

from __future__ import annotations

import contextlib
import json
import os
import resource
import sys
import uuid
from collections.abc import Callable
from dataclasses import asdict
from pathlib import Path
from typing import TYPE_CHECKING, Any

from sqlmodel import Session

from tuyere.exchange.record_file import FileRefused
from tuyere.store import models  # noqa: F401
from tuyere.store.files.kinds import BY_NAME
from tuyere.store.files.out import write_out
from tuyere.store.files.spool import read_state, write_state
from tuyere.store.plumbing.engine import engine_for
from tuyere.store.plumbing.operations import once
from tuyere.store.plumbing.trouble import NotThere

if TYPE_CHECKING:
    from tuyere.store.files.take import Line, Told

# A record that wants more memory than this is none of ours.
MOST_MEMORY = 200 * 2**20


class NotTaken(Exception):
    """Nothing of the file is to stay in the database: it was only looked at, or some of it cannot be."""

    def __init__(self, told: Told) -> None:
        super().__init__()
        self.told = told


def _bound_memory() -> None:
    """From here on the process grows by so much and no more."""
    with contextlib.suppress(OSError, ValueError, StopIteration):
        status = Path("/proc/self/status").read_text("utf-8").splitlines()
        holds = next(int(x.split()[1]) * 1024 for x in status if x.startswith("VmData"))
        resource.setrlimit(resource.RLIMIT_DATA, (holds + MOST_MEMORY, holds + MOST_MEMORY))


def _summary(told: Told) -> dict[str, Any]:
    counts = [
        {
            "many": BY_NAME[name].many if name in BY_NAME else "of no such kind",
            "kind": name,
            "words": BY_NAME[name].words if name in BY_NAME else "no such kind",
            "verdict": verdict,
            "count": n,
        }
        for (name, verdict), n in told.counts.items()
    ]
    return {"records": told.records, "counts": counts, "refused": told.refused}


def _read(session: Session, folder: Path, percent: Callable[[int], None]) -> Told:
    from tuyere.store.files.take import take_in

    size = max(1, (folder / "in").stat().st_size)
    with (folder / "in").open("rb") as source, (folder / "lines.new").open("w", encoding="utf-8") as out:

        def line(x: Line) -> None:
            out.write(json.dumps(asdict(x), ensure_ascii=False) + "\n")

        told = take_in(session, source, line, lambda at: percent(at * 95 // size))
    (folder / "lines.new").replace(folder / "lines.jsonl")
    return told


def bring_in(folder: Path, state: dict[str, Any], url: str) -> dict[str, Any]:
    """Look at a file, or take it; returns what the state becomes."""
    taking = state["doing"] == "taking"
    engine = engine_for(url)

    def percent(x: int) -> None:
        write_state(folder, state | {"percent": x})

    try:
        with Session(engine) as session, session.begin():

            def work() -> str:
                told = _read(session, folder, percent)
                if told.refused or not taking:
                    raise NotTaken(told)
                return json.dumps(_summary(told))

            answer = once(session, uuid.UUID(state["op_id"]), state["mark"], work) if taking else work()
        return {"doing": "taken", **json.loads(answer)}
    except NotTaken as e:
        return {"doing": "looked", **_summary(e.told)}
    except FileRefused as e:
        return {"doing": "unreadable", "why": e.why, "allowed": e.allowed}
    except MemoryError:
        return {
            "doing": "unreadable",
            "why": "one record of it is far too large",
            "allowed": "a record file as it was written",
        }
    finally:
        engine.dispose()


def take_out(folder: Path, state: dict[str, Any], url: str) -> dict[str, Any]:
    """Write a file; returns what the state becomes."""
    engine = engine_for(url)
    machine, drive = state.get("machine"), state.get("drive")
    try:
        with engine.connect() as connection, (folder / "out.new").open("wb") as out:
            count = write_out(
                connection,
                out,
                machine_id=uuid.UUID(machine) if machine else None,
                drive_id=uuid.UUID(drive) if drive else None,
                told=lambda n: write_state(folder, state | {"records": n}),
            )
        (folder / "out.new").replace(folder / "out")
        return {"doing": "written", "records": count, "bytes": (folder / "out").stat().st_size}
    except NotThere as e:
        return {"doing": "unreadable", "why": str(e), "allowed": ""}
    finally:
        engine.dispose()


def main(arguments: list[str]) -> int:
    """``FOLDER``: do what its state asks, with the database of TUYERE_DATABASE_URL."""
    folder = Path(arguments[0])
    state = read_state(folder)
    os.nice(10)
    if state["doing"] != "writing":
        # Who reads a file must know every family, who writes one need not.
        import tuyere.calc.every  # noqa: F401
        import tuyere.store.files.take  # noqa: F401
    _bound_memory()
    try:
        work = take_out if state["doing"] == "writing" else bring_in
        after = work(folder, state, os.environ["TUYERE_DATABASE_URL"])
    except Exception:
        write_state(folder, state | {"doing": "broken"})
        raise
    write_state(folder, state | {"percent": 100} | after)
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
