"""`drive-refit`: what a worked drive becomes when a person types one of its figures."""

from pydantic import Field, JsonValue

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.around.model import around_said
from tuyere.calc.entry import reading_in
from tuyere.calc.families.asked import drive_asked
from tuyere.calc.families.protocol import Change, dumped
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError


class RefitIn(Input):
    """A drive's input, and what was typed at one field of it."""

    calc: Text = Field(description="the whole-drive calculation that works it")
    input: dict[str, JsonValue] = Field(description="its input as it stands")
    path: Text = Field(description="the field that was touched, such as centre_distance or driver.speed")
    typed: Text = Field(description="what was typed there")
    clears: list[Text] = Field(default=[], max_length=8, description="fields that this one takes the place of")


class RefitOut(Answer):
    """The input after the change, in one sentence what it did beyond what was typed, and where the drive stands then."""

    input: dict[str, JsonValue]
    says: str
    centre_distance: Figure | None


def _put(values: dict[str, JsonValue], path: str, value: JsonValue) -> dict[str, JsonValue]:
    """A copy with one leaf put in, by its dotted path."""
    name, _, rest = path.partition(".")
    inner = values.get(name)
    below = dict(inner) if isinstance(inner, dict) else {}
    return {**values, name: _put(below, rest, value) if rest else value}


def _at(values: JsonValue, path: str) -> JsonValue:
    for name in path.split("."):
        values = values.get(name) if isinstance(values, dict) else None
    return values


def _value(typed: str, old: JsonValue) -> JsonValue:
    """A count is a number; anything else is read by its field."""
    counted = isinstance(old, int) and not isinstance(old, bool)
    return int(typed) if counted and typed.strip().lstrip("+-").isdigit() else typed


@calculation(
    "drive-refit",
    "Change one figure of a drive",
    summary="A typed centre distance, speed or wheel: the input that follows from it, the nearest standard loop where loops come in lengths.",
    source="geometry; the standard lengths of the family",
    bench=False,
    example={
        "units": "us",
        "input": {
            "calc": "v-belt-drive",
            "path": "centre_distance",
            "typed": "37 1/2 in",
            "input": {
                "power": "15hp",
                "service_factor": {"assume": 1.3},
                "driver": {"speed": "1750 rpm", "sheave": {"diameter": "5.4 in", "kind": "pitch", "groove": "B"}},
                "driven": {"sheave": {"diameter": "9.4 in", "kind": "pitch", "groove": "B"}},
                "belt": {"designation": "B90"},
            },
        },
    },
)
def drive_refit(given: RefitIn, frame: Frame) -> RefitOut:
    """Ask the family where the change means more than its own field; else put it in."""
    with reading_in(frame.units):
        family, now = drive_asked(given.calc, given.input)
        if around_said(now) is not None and given.path == "centre_distance":
            raise InputError(
                "centre_distance",
                given.typed,
                "round more than two wheels the shafts have their places",
                "change the drive",
            )
        found = family.refit(now, Change(path=given.path, typed=given.typed), frame)
        if found is not None:
            return RefitOut(
                input=dict(dumped(found.given)),
                says=found.says,
                centre_distance=frame.figure(found.centre_mm, "length", "tape"),
            )
    kept = {k: v for k, v in given.input.items() if k not in given.clears}
    return RefitOut(
        input=dict(_put(kept, given.path, _value(given.typed, _at(given.input, given.path)))),
        says="",
        centre_distance=None,
    )
