"""The side view in words: it says what the drawing shows."""

from __future__ import annotations

import pytest

from tuyere.calc.registry import find, work

V_BELT = find("v-belt-drive").example


def words(angle: float, clockwise: bool, units: str = "us") -> str:
    given = {**V_BELT["input"], "layout": {"angle": angle, "clockwise": clockwise}}
    calc = find("v-belt-drive")
    drawn = work(calc, calc.request_model.model_validate({"units": units, "input": given})).elevation
    assert drawn is not None
    return drawn.words


@pytest.mark.parametrize("clockwise", [True, False])
@pytest.mark.parametrize(
    ("angle", "driver", "driven", "slope"),
    [
        (0, "left", "right", "level"),
        (180, "right", "left", "level"),
        (45, "lower left", "upper right", "rising 45 degrees"),
        (-45, "upper left", "lower right", "falling 45 degrees"),
        (90, "lower", "upper", "upright"),
    ],
)
def test_wheels_are_where_the_drawing_has_them(
    angle: float, driver: str, driven: str, slope: str, clockwise: bool
) -> None:
    says = words(angle, clockwise)
    turns = "clockwise" if clockwise else "counter-clockwise"
    one, two = says.split(". ")[:2]
    assert one.startswith("Driver ") and one.endswith(f" {driver}, {turns}")
    assert two.startswith("Driven ") and two.endswith(f" {driven}, {turns}")
    assert f" {slope}." in says and says.endswith("No idler.")


def test_the_tight_strand_is_the_one_that_runs_to_the_driver() -> None:
    # A driver at the left that turns clockwise throws its upper strand to the right: it pulls by the lower one.
    assert "Tight strand below, slack above." in words(0, True)
    assert "Tight strand above, slack below." in words(0, False)
    assert "Tight strand above, slack below." in words(180, True)


def test_each_system_says_its_own_units_and_no_other() -> None:
    us, si = words(0, True), words(0, True, "si")
    assert " in outside" in us and " mm" not in us
    assert " mm outside" in si and " in outside" not in si
