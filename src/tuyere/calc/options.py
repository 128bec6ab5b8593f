"""What a person picks besides the input: a rating book, say. Families make their choices known; requests name them."""

from __future__ import annotations

from dataclasses import dataclass

from pydantic_core import PydanticCustomError


@dataclass(frozen=True, slots=True, kw_only=True)
class Choice:
    """One thing to pick: its key, what it is called, its values with their names, and the one that is taken.

    ``field`` is what the core calls it where it refuses one.
    """

    key: str
    title: str
    values: tuple[tuple[str, str], ...]
    default: str
    field: str

    def names(self) -> list[str]:
        """The keys of its values."""
        return [k for k, _ in self.values]


CHOICES: dict[str, Choice] = {}


def know(choice: Choice) -> None:
    """Make a choice known to requests; the same one may be said again."""
    CHOICES[choice.key] = choice


def asked_at(field: str) -> str:
    """Where a request says what the core refuses at ``field``: among its options, or in its input."""
    return next((f"options.{c.key}" for c in CHOICES.values() if c.field == field), f"input.{field}")


def picked(options: dict[str, str]) -> dict[str, str]:
    """Every known choice with what was picked of it, else its default."""
    return {k: options.get(k, c.default) for k, c in CHOICES.items()}


def options_read(given: dict[str, str], former: str | None = None) -> dict[str, str]:
    """Options as they were named, the former name of the book put in. Raises PydanticCustomError for an unknown one."""
    named = {**({"book": former} if former is not None else {}), **given}
    for key, value in named.items():
        choice = CHOICES.get(key)
        if choice is None:
            fault = {"why": f"there is no choice called {key}", "allowed": ", ".join(CHOICES) or "none"}
            raise PydanticCustomError("quantity", "{why}", fault)
        if value not in choice.names():
            raise PydanticCustomError(
                "quantity", "{why}", {"why": "not one of the choices", "allowed": ", ".join(choice.names())}
            )
    return named
