"""The record file: a shop's, a machine's or a drive's record as one JSON document that is read and written a record at a time.

``{"format": "tuyere-record", "version": 1, ..., "records": [{"of": "machine", ...}, ...]}``; what describes the file stands before the
records, and a record stands after those it points at. docs/format tells every field.
"""

from __future__ import annotations

import json
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from typing import Any, BinaryIO

import ijson

FORMAT = "tuyere-record"
VERSION = 1
LARGEST_BYTES = 200 * 2**20
MOST_RECORDS = 1_000_000
RECORDS = "records"


class FileRefused(Exception):
    """A file that cannot be read at all: why, and what would do."""

    def __init__(self, why: str, allowed: str) -> None:
        super().__init__(why)
        self.why, self.allowed = why, allowed


@dataclass(frozen=True, slots=True)
class Head:
    """Something that is said of the whole file."""

    name: str
    value: Any


@dataclass(frozen=True, slots=True)
class Record:
    """One record as it stands in the file; ``no`` counts from 1."""

    no: int
    fields: Any


def text_of(record: Mapping[str, Any]) -> str:
    """A record on one line, always the same for the same content."""
    return json.dumps(record, ensure_ascii=False, separators=(",", ":"), allow_nan=False)


def write_record_file(out: BinaryIO, head: Mapping[str, Any], records: Iterable[Mapping[str, Any]]) -> int:
    """Write a file, a record a line; returns how many. No date and no counter: the same record is the same file."""
    lead = text_of({"format": FORMAT, "version": VERSION, **head})[:-1]
    out.write(f'{lead},"{RECORDS}":['.encode())
    count = 0
    for record in records:
        out.write((",\n" if count else "\n").encode() + text_of(record).encode())
        count += 1
    out.write(b"\n]}\n")
    return count


def read_record_file(source: BinaryIO) -> Iterator[Head | Record]:
    """The parts of a file one after another, never more than one record at a time in memory.

    Raises FileRefused when it is no record file, is of a newer version, is no JSON, or ends before its end.
    """
    said: set[str] = set()
    key, no, depth, inside = "", 0, 0, False
    building: Any = None
    try:
        for event, value in ijson.basic_parse(source, use_float=True):
            at = depth
            if event in ("start_map", "start_array"):
                depth += 1
            elif event in ("end_map", "end_array"):
                depth -= 1
                at = depth
            if at == 0:
                if event == "start_array" or not event.endswith("_map"):
                    raise FileRefused("this is not a record file", f"a file that begins with the format {FORMAT}")
            elif at == 1 and event == "map_key":
                key, building = value, None
            elif at == 1 and key == RECORDS and event in ("start_array", "end_array"):
                inside = event == "start_array"
                if inside:
                    _known(said)
            else:
                building = ijson.ObjectBuilder() if building is None else building
                building.event(event, value)
                if at != (2 if inside else 1) or event in ("start_map", "start_array"):
                    continue
                if inside and event != "map_key":
                    no += 1
                    if no > MOST_RECORDS:
                        raise FileRefused(f"more than {MOST_RECORDS:,} records", "files of single machines")
                    yield Record(no, building.value)
                    building = None
                elif not inside:
                    said.add(key)
                    _checked(key, building.value)
                    yield Head(key, building.value)
                    building = None
    except ijson.IncompleteJSONError as e:
        if "premature EOF" in str(e) or "Incomplete" in str(e):
            where = f"after record {no:,}" if no else "before its first record"
            raise FileRefused(f"the file ends {where}: it was not copied whole", "the whole file") from e
        raise FileRefused(
            f"after record {no:,} the file is not JSON" if no else "this is not JSON", "a record file as it was written"
        ) from e
    except (ijson.JSONError, UnicodeDecodeError) as e:
        raise FileRefused("this is not JSON", "a record file as it was written") from e
    _known(said)


def _known(said: set[str]) -> None:
    """The file has said what it is; raises FileRefused."""
    if not {"format", "version"} <= said:
        raise FileRefused("this is not a record file", f"the format {FORMAT} and its version before the records")


def _checked(key: str, value: Any) -> None:
    """Something said of the whole file can be taken; raises FileRefused."""
    if key == RECORDS:
        raise FileRefused("the records of the file are not a list", "a record file as it was written")
    if key == "format" and value != FORMAT:
        raise FileRefused("this is not a record file", f"the format {FORMAT}")
    if key == "version" and (not isinstance(value, int) or isinstance(value, bool) or value < 1):
        raise FileRefused("the file's version is not a number", f"1 to {VERSION}")
    if key == "version" and value > VERSION:
        raise FileRefused(
            f"the file is of version {value}, written by a newer program than this one",
            f"versions up to {VERSION}; bring this program up to date first",
        )
