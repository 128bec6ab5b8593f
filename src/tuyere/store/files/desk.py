"""What may be asked of a file, and when."""

from __future__ import annotations

import json
import uuid
from itertools import islice
from pathlib import Path
from typing import Any, Literal

from pydantic import Field

from tuyere.calc.answer import Answer
from tuyere.core.errors import InputError
from tuyere.exchange.record_file import LARGEST_BYTES
from tuyere.store.files import spool
from tuyere.store.files.run import AT_WORK, start, state_of
from tuyere.store.plumbing.forms import Form, Name, Operation

PAGE = 100


class OutAsk(Form):
    """What to write: the shop, a machine, or a drive with its machine."""

    machine: uuid.UUID | None = None
    drive: uuid.UUID | None = None


class InAsk(Form):
    """A file that will come in pieces."""

    name: Name
    bytes: int = Field(ge=1, le=LARGEST_BYTES)


class TakeAsk(Operation):
    """Take a file that was looked at."""


class CountView(Answer):
    """How many records of a kind go which way."""

    kind: str
    words: str
    many: str
    verdict: Literal["added", "changed", "same", "kept", "refused"]
    count: int


class FileView(Answer):
    """A file on its way: what is being done with it, how far, and what was found."""

    id: uuid.UUID
    name: str
    doing: Literal["coming", "writing", "written", "looking", "looked", "taking", "taken", "unreadable", "broken"]
    percent: int
    piece: int = Field(description="bytes of a piece")
    bytes: int
    records: int
    refused: int
    counts: list[CountView]
    why: str
    allowed: str


class LineView(Answer):
    """What becomes of one record."""

    no: int
    words: str
    verdict: str
    reason: str
    allowed: str


class LinesView(Answer):
    """A page of them."""

    lines: list[LineView]
    more: bool


def view(folder: Path) -> FileView:
    """A file as it stands."""
    state = state_of(folder)
    blank = {"percent": 0, "bytes": 0, "records": 0, "refused": 0, "counts": [], "why": "", "allowed": ""}
    known = {k: v for k, v in state.items() if k in FileView.model_fields}
    return FileView.model_validate({**blank, "id": folder.name, "piece": spool.PIECE, **known})


def begin_out(ask: OutAsk, url: str) -> FileView:
    """Have a file written."""
    ident = uuid.uuid4()
    what = "drive" if ask.drive else "machine" if ask.machine else "shop"
    state: dict[str, Any] = {"doing": "writing", "name": f"tuyere-{what}.json"}
    state |= {"machine": ask.machine and str(ask.machine), "drive": ask.drive and str(ask.drive)}
    folder = spool.new(ident, state)
    start(folder, state, url)
    return view(folder)


def begin_in(ask: InAsk) -> FileView:
    """Make room for a file that comes."""
    folder = spool.new(uuid.uuid4(), {"doing": "coming", "name": ask.name, "bytes": ask.bytes})
    (folder / "in").touch()
    return view(folder)


def piece(ident: uuid.UUID, no: int, data: bytes) -> None:
    """A piece of what comes. Raises NotThere; InputError for what lies outside the file."""
    folder = spool.of(ident)
    state = state_of(folder)
    end = no * spool.PIECE + len(data)
    if state["doing"] != "coming":
        raise InputError("no", no, "this file is here already", "a new file")
    whole = len(data) == spool.PIECE or end == state["bytes"]
    if end > state["bytes"] or not whole:
        raise InputError(
            "no", no, "this piece is not of the file", f"pieces of {spool.PIECE:,} bytes, the last one shorter"
        )
    spool.put_piece(folder, no, data)


def look(ident: uuid.UUID, url: str) -> FileView:
    """Judge every record, change nothing. Raises NotThere, InputError."""
    folder = spool.of(ident)
    state = state_of(folder)
    if state["doing"] not in AT_WORK:
        if not state.get("bytes") or not (folder / "in").exists():
            raise InputError("id", str(ident), "this is a file that was written here", "a file that came")
        came = (folder / "in").stat().st_size
        if came != state["bytes"]:
            raise InputError("id", str(ident), "not all of the file has come yet", "every piece of it")
        start(folder, {"doing": "looking", "name": state["name"], "bytes": state["bytes"]}, url)
    return view(folder)


def take(ident: uuid.UUID, ask: TakeAsk, mark: str, url: str) -> FileView:
    """Take the whole file. Raises NotThere; InputError for one that was not looked at or has refused records."""
    folder = spool.of(ident)
    state = state_of(folder)
    if state["doing"] == "looked":
        if state["refused"]:
            raise InputError(
                "id", str(ident), f"{state['refused']} of its records are refused", "a file without faults"
            )
        more = {"op_id": str(ask.op_id), "mark": mark}
        start(folder, {"doing": "taking", "name": state["name"], "bytes": state["bytes"], **more}, url)
    elif state["doing"] not in ("taking", "taken"):
        raise InputError("id", str(ident), "this file was not looked at yet", "look at it first")
    return view(folder)


def written(ident: uuid.UUID) -> tuple[Path, str]:
    """Where a written file lies, and its name. Raises NotThere, InputError while it is being written."""
    folder = spool.of(ident)
    state = state_of(folder)
    if state["doing"] != "written":
        raise InputError("id", str(ident), "the file is not written yet", "wait until it is")
    return folder / "out", str(state["name"])


def lines(ident: uuid.UUID, verdict: str, begin: int) -> LinesView:
    """What becomes of the records, those of one verdict or all, from the ``begin``-th on. Raises NotThere."""
    path = spool.of(ident) / "lines.jsonl"
    if not path.exists():
        return LinesView(lines=[], more=False)
    with path.open(encoding="utf-8") as f:
        wanted = (x for x in map(json.loads, f) if not verdict or x["verdict"] == verdict)
        page = list(islice(wanted, begin, begin + PAGE + 1))
    return LinesView(lines=[LineView.model_validate(x) for x in page[:PAGE]], more=len(page) > PAGE)
