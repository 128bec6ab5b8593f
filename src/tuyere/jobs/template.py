"""Templates: one TOML file each, an engineer can read and a lead can copy; checked when they are read."""

from __future__ import annotations

import tomllib
from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import cache
from importlib.resources import files
from typing import Any

from tuyere.core.errors import InputError
from tuyere.jobs.words import (
    ANY,
    NEVER_SKIPPED,
    Does,
    Energy,
    JobKind,
    Loop,
    Mounting,
    Part,
    Reads,
    StepKind,
    TakeUp,
    Who,
    words,
)

LONGEST = 140  # one sentence that is read at arm's length
WHEN = {"energy": words(Energy), "take_up": words(TakeUp), "mounting": words(Mounting), "family": words(Loop)}


@dataclass(frozen=True, slots=True, kw_only=True)
class TemplateStep:
    """One step as a template has it. ``per`` "source" makes one of it for every source of that energy; ``safe`` steps want the
    machine made safe first, ``guarded`` ones are done from outside the guard; ``repeats`` names the reading that it goes back to,
    ``at`` the part of the drive that it is about, ``faults`` the drawings it is judged by.
    """

    key: str
    kind: str
    words: str
    why: str
    at: str = "around"
    block: str = ""
    caution: str = ""
    who: str = "anyone"
    skip: bool = True
    safe: bool = False
    guarded: bool = False
    per: str = ""
    reads: str = ""
    limit: str = ""
    repeats: str = ""
    ask: str = ""
    does: str = ""
    figures: tuple[str, ...] = ()
    faults: tuple[str, ...] = ()
    when: Mapping[str, tuple[str, ...]] = field(default_factory=dict)
    source: str = "common practice, no source"
    confidence: str = "high"


@dataclass(frozen=True, slots=True, kw_only=True)
class Template:
    """A job's steps in the order that is advised, and the drives it is for."""

    key: str
    version: int
    title: str
    kind: str
    families: tuple[str, ...]
    take_up: tuple[str, ...]
    mounting: tuple[str, ...]
    minutes: int
    steps: tuple[TemplateStep, ...]
    tool: str = ""

    def serves(self, loop: str) -> bool:
        """Whether a kind of loop is among those it is for."""
        return loop in self.families

    @property
    def asks(self) -> tuple[str, ...]:
        """Questions that show or hide some of its steps."""
        return tuple(dict.fromkeys(s.ask for s in self.steps if s.ask))


def _bad(at: str, why: str, value: object, allowed: str = "") -> InputError:
    return InputError(at, value, why, allowed)


def _step(raw: Mapping[str, Any], at: str) -> TemplateStep:
    """One step of a template. Raises InputError naming the step and what is wrong with it."""
    known = set(TemplateStep.__dataclass_fields__)
    for name in raw:
        if name not in known:
            raise _bad(at, f"“{name}” is not part of a step", name, ", ".join(sorted(known)))
    for name in ("key", "kind", "words", "why"):
        if not isinstance(raw.get(name), str) or not raw[name]:
            raise _bad(at, f"the step has no {name}", raw.get(name), "a text")
    kind = raw["kind"]
    if kind not in words(StepKind):
        raise _bad(at, f"“{kind}” is not a kind of step", kind, ", ".join(words(StepKind)))
    if len(raw["words"]) > LONGEST:
        raise _bad(
            at, "the step's words are too long to read at arm's length", len(raw["words"]), f"{LONGEST} characters"
        )
    if raw.get("who", "anyone") not in words(Who):
        raise _bad(at, "nobody is called that", raw["who"], ", ".join(words(Who)))
    if raw.get("at", "around") not in words(Part):
        raise _bad(at, "not a part of the drive", raw["at"], ", ".join(words(Part)))
    reads = raw.get("reads", "")
    if (kind == "read") != bool(reads) or reads and reads not in words(Reads):
        raise _bad(at, "a reading step says what it reads, no other does", reads, ", ".join(words(Reads)))
    if raw.get("does", "") and raw["does"] not in words(Does):
        raise _bad(at, "no step does that", raw["does"], ", ".join(words(Does)))
    when = {k: tuple(v) for k, v in raw.get("when", {}).items()}
    for name, allowed in when.items():
        if name not in WHEN:
            raise _bad(at, f"“{name}” is not something a step can depend on", name, ", ".join(WHEN))
        for word in allowed:
            if word not in WHEN[name]:
                raise _bad(at, f"“{word}” is not a word for {name.replace('_', ' ')}", word, ", ".join(WHEN[name]))
    if kind in NEVER_SKIPPED and raw.get("skip"):
        raise _bad(at, f"a step to {kind} is never skipped", True, "no skip")
    values = {
        **raw,
        "when": when,
        "figures": tuple(raw.get("figures", ())),
        "faults": tuple(raw.get("faults", ())),
        "skip": raw.get("skip", kind not in NEVER_SKIPPED),
    }
    return TemplateStep(**values)


@cache
def blocks() -> dict[str, tuple[TemplateStep, ...]]:
    """Shared runs of steps by name, titles on their steps."""
    raw = tomllib.loads(files("tuyere.jobs").joinpath("templates", "_blocks.toml").read_text("utf-8"))
    return {
        name: tuple(
            replace(_step(s, f"{name}.{s.get('key', k)}"), block=block["title"]) for k, s in enumerate(block["steps"])
        )
        for name, block in raw.items()
    }


def template_of(text: str) -> Template:
    """A template from its TOML text. Raises InputError that names what is wrong in it, in a lead's words.

    >>> template_of('key = "x"').title
    Traceback (most recent call last):
    ...
    tuyere.core.errors.InputError: title: the template has no title (a text)
    """
    try:
        raw = tomllib.loads(text)
    except tomllib.TOMLDecodeError as e:
        raise _bad("text", f"this is not TOML: {e}", None, "key = value lines") from e
    for name in ("key", "title"):
        if not isinstance(raw.get(name), str) or not raw[name]:
            raise _bad(name, f"the template has no {name}", raw.get(name), "a text")
    if raw.get("kind") not in words(JobKind):
        raise _bad("kind", "not a kind of job", raw.get("kind"), ", ".join(words(JobKind)))
    for name, known in (("families", words(Loop)), ("take_up", words(TakeUp)), ("mounting", words(Mounting))):
        for word in raw.get(name, []):
            if word not in known and not (word == ANY and name != "families"):
                raise _bad(name, f"“{word}” is not a word for that", word, ", ".join(known))
        if not raw.get(name):
            raise _bad(name, "the template does not say for which", None, "a list of words")
    steps: list[TemplateStep] = []
    for k, line in enumerate(raw.get("steps", [])):
        at = f"steps.{k + 1}"
        if "use" in line:
            if line["use"] not in blocks():
                raise _bad(at, f"there is no run of steps “{line['use']}”", line["use"], ", ".join(blocks()))
            steps += [replace(s, ask=s.ask or line.get("ask", "")) for s in blocks()[line["use"]]]
        else:
            steps.append(replace(_step(line, at), block=raw["title"]))
    if not steps:
        raise _bad("steps", "a job without steps", None, "one step at least")
    keys = [s.key for s in steps]
    for key in keys:
        if keys.count(key) > 1:
            raise _bad("steps", f"the step “{key}” is there twice", key, "each key once")
    for s in steps:
        if s.repeats and s.repeats not in keys:
            raise _bad("steps", f"“{s.key}” goes back to a step that is not there", s.repeats, "a step of this job")
    _check_safety(steps)
    return Template(
        key=raw["key"],
        version=int(raw.get("version", 1)),
        title=raw["title"],
        kind=raw["kind"],
        families=tuple(raw["families"]),
        take_up=tuple(raw["take_up"]),
        mounting=tuple(raw["mounting"]),
        minutes=int(raw.get("minutes", 30)),
        steps=tuple(steps),
        tool=raw.get("tool", ""),
    )


def _check_safety(steps: list[TemplateStep]) -> None:
    """Refuse an order in which a hand goes near before the machine is safe, or power comes back before the guard."""
    order = {s.key: k for k, s in enumerate(steps)}
    first = next((k for k, s in enumerate(steps) if s.safe), None)
    if first is None:
        return
    if "safe-signed" not in order or order["safe-signed"] > first:
        raise _bad("steps", "a hand goes in before the machine is signed safe", steps[first].key, "make-safe first")
    if "guard-on" not in order or "locks-off" not in order or order["guard-on"] > order["locks-off"]:
        raise _bad("steps", "the energy comes back before the guard is on", "locks-off", "the closing run, guard first")


@cache
def shipped() -> dict[str, Template]:
    """The templates that come with the program, by key."""
    folder = files("tuyere.jobs").joinpath("templates")
    found = {}
    for path in sorted(folder.iterdir(), key=lambda p: p.name):
        if path.name.endswith(".toml") and not path.name.startswith("_"):
            made = template_of(path.read_text("utf-8"))
            found[made.key] = made
    return found


@cache
def shipped_text(key: str) -> str:
    """A shipped template as it is written. Raises KeyError."""
    if key not in shipped():
        raise KeyError(key)
    return files("tuyere.jobs").joinpath("templates", f"{key}.toml").read_text("utf-8")
