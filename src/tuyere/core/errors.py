"""Three kinds of trouble; the web and the command line map them in one place."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from contextlib import contextmanager


class CoreError(Exception):
    """Base of everything the core raises on purpose."""


class InputError(CoreError):
    """Input that cannot be: names the field, the value, why not, and what is allowed.

    ``why`` and ``allowed`` may hold {name} of a quantity, given as (value in the core's unit, kind of quantity): it is
    shown in the person's units.
    """

    def __init__(self, field: str, value: object, why: str, allowed: str = "", **quantities: tuple[float, str]) -> None:
        super().__init__(f"{field}: {why}" + (f" ({allowed})" if allowed else ""))
        self.field, self.value, self.why, self.allowed = field, value, why, allowed
        self.quantities = quantities

    def at(self, field: str) -> InputError:
        """The same refusal beside another field."""
        return InputError(field, self.value, self.why, self.allowed, **self.quantities)


class NoSolution(CoreError):
    """The input is sound but nothing satisfies it, or a solver did not converge. Quantities as with InputError."""

    def __init__(self, why: str, field: str = "", allowed: str = "", **quantities: tuple[float, str]) -> None:
        super().__init__(why)
        self.why, self.field, self.allowed = why, field, allowed
        self.quantities = quantities


@contextmanager
def fields_named(names: Mapping[str, str]) -> Iterator[None]:
    """Point an InputError raised inside at the caller's own fields: ``names`` is from the inner field to the caller's."""
    try:
        yield
    except InputError as e:
        own = names.get(e.field)
        if own is None:
            raise
        raise e.at(own) from e
