"""`tension-settling`: how a belt's tension falls after it was fitted, and where it will stand."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Force, Hours, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.kinds import in_system
from tuyere.calc.registry import Input, calculation
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.fall import Fall, fall_scene
from tuyere.core.drawing.scene import Scene
from tuyere.core.tension.adjust import Settling, settling

GROUP = "Alignment and tension"


class AtHoursIn(Input):
    """A reading so many running hours after the fit."""

    hours: Hours = Field(description="running hours since it was fitted")
    tension: Force = Field(description="tension of one belt, mean of the set")


class SettlingIn(Input):
    """Readings since a loop was fitted, and when it is asked for."""

    readings: Annotated[list[AtHoursIn], Field(min_length=1, max_length=60)] = Field(description="in their order")
    at_hours: Hours | None = Field(
        default=None,
        description="running hours at which it is wanted; ten times the last, 500 h at least, where left out",
    )
    least: Force | None = Field(default=None, description="tension of one belt under which it is set again")


class SettlingOut(CardAnswer):
    """Where it will stand, how it falls, and whether it has settled."""

    predicted: Figure = Field(title="It will stand at")
    error: Figure
    at_one_hour: Figure
    per_decade: Figure
    steady: bool
    picture: SceneOut


def _drawn(hours: list[float], given: SettlingIn, found: Settling, until: float, frame: Frame) -> Scene:
    """Readings and the line through them; under the strip it is set again."""
    to_unit = in_system(1.0, "force", frame.units)
    return fall_scene(
        Fall(
            points=[(h, r.tension.value * to_unit) for h, r in zip(hours, given.readings, strict=True)],
            band=None if given.least is None else (0.0, given.least.value * to_unit),
            line=(found.at_one_hour_n * to_unit, found.per_decade_n * to_unit),
            until=until,
            unit=f"{frame.figure(found.predicted_n, 'force').unit_shown} in each belt",
        ),
        92.0,
        56.0,
    )


@calculation(
    "tension-settling",
    "Fall of a tension",
    summary="A new belt relaxes with the logarithm of its hours: from three readings or more, where it will stand.",
    source="stress relaxation of polymers goes with the logarithm of time; common textbook form",
    example={
        "units": "us",
        "input": {
            "readings": [
                {"hours": "0.5", "tension": "64"},
                {"hours": "24", "tension": "55"},
                {"hours": "168", "tension": "51"},
            ],
            "at_hours": "1000",
        },
    },
    first=("says", "predicted"),
    card=Card(
        asks="Where will the tension settle?",
        topic="Is it in line and tight",
        sentence="One belt read {readings.0.tension} after {readings.0.hours} of running, {readings.1.tension} after "
        "{readings.1.hours}, {readings.2.tension} after {readings.2.hours}.|"
        "How it stands at {at_hours}; under {least} it is set again.",
        figures=("predicted", "at_one_hour", "per_decade"),
        picture="fall",
    ),
)
def tension_settling(given: SettlingIn, frame: Frame) -> SettlingOut:
    """Fit the fall and tell where it goes. Raises InputError for fewer than three readings or hours that do not rise."""
    hours = [r.hours.value for r in given.readings]
    at_hours = value_of(given.at_hours, max(500.0, 10 * hours[-1]))
    found = settling(hours, [r.tension.value for r in given.readings], at_hours)
    f = frame.figure
    at = f(found.predicted_n, "force")
    says = (
        f"About {at.shown} at {at_hours:,.0f} running hours (give or take {f(2 * found.error_n, 'force').shown}), "
        + ("it has settled." if found.steady else "still falling.")
    )
    if given.least is not None and found.predicted_n < given.least.value:
        says += " That is under the band: set it again before then."
    return SettlingOut(
        says=says,
        predicted=at,
        error=f(found.error_n, "force"),
        at_one_hour=f(found.at_one_hour_n, "force"),
        per_decade=f(found.per_decade_n, "force"),
        steady=found.steady,
        picture=scene_out(_drawn(hours, given, found, at_hours, frame)),
    )
