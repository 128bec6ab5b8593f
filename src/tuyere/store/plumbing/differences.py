"""Where two versions of one thing differ, field by field, in words a person can choose between."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import asdict, dataclass
from typing import Any


@dataclass(frozen=True, slots=True, kw_only=True)
class Choice:
    """One way to settle a field: the word on the button, what it comes to, and the value that goes into the body."""

    word: str
    shown: str
    value: Any


@dataclass(frozen=True, slots=True, kw_only=True)
class Difference:
    """A field of the body that was sent, and the ways to settle it; the first is what the person typed."""

    path: str
    label: str
    choices: tuple[Choice, ...]

    def as_json(self) -> dict[str, Any]:
        """For a problem document."""
        return asdict(self)


def difference(path: str, label: str, yours: tuple[str, Any], theirs: tuple[str, Any]) -> Difference:
    """A field with two versions, each as (shown, value)."""
    return Difference(
        path=path,
        label=label,
        choices=(
            Choice(word="yours", shown=yours[0], value=yours[1]),
            Choice(word="theirs", shown=theirs[0], value=theirs[1]),
        ),
    )


def leaves(echoed: Mapping[str, Any], above: str = "") -> dict[str, tuple[str, Any]]:
    """Path -> (shown, value in the core's unit) of an echoed input; what is a list has no path of its own."""
    out: dict[str, tuple[str, Any]] = {}
    for name, x in echoed.items():
        path = f"{above}.{name}" if above else name
        if isinstance(x, Mapping) and "shown" in x and "value" in x:
            if not isinstance(x["value"], list):
                out[path] = (str(x["shown"]), x["value"])
        elif isinstance(x, Mapping):
            out |= leaves(x, path)
    return out


def between(
    yours: Mapping[str, tuple[str, Any]], theirs: Mapping[str, tuple[str, Any]], below: str = ""
) -> Sequence[Difference]:
    """Where two sets of leaves differ by value; a field that one of them lacks is "left open" there."""
    out = []
    for path in dict.fromkeys([*yours, *theirs]):
        mine, other = yours.get(path, ("left open", None)), theirs.get(path, ("left open", None))
        if _same(mine[1], other[1]):
            continue
        label = " ".join(path.split(".")[-3:]).replace("_", " ")
        out.append(difference(f"{below}{path}", label, mine, other))
    return out


def _same(a: Any, b: Any) -> bool:
    if isinstance(a, float | int) and isinstance(b, float | int):
        return abs(a - b) <= 1e-9 * max(abs(a), abs(b), 1e-9)
    return bool(a == b)
