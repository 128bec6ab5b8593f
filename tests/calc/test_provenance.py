"""Every figure that is shown knows the step that made it, and no figure is said to come from a step that only equals it."""

from __future__ import annotations

import json
import re
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from tuyere.calc.registry import CALCULATIONS, work

FROZEN = json.loads((Path(__file__).parents[1] / "published" / "figures_0_4_0.json").read_text("utf-8"))

# Figures without a step, and why. What is neither here nor as it was given is an error.
STEPLESS = {
    "an option of a search: its figures are worked in the open by its own calculation when somebody asks": (
        r"-select result\.options",
        r"drive-compare result\.families",
        r"drive-stages result\.ways",
        r"wheel-change result\.",
        r"any-route result\.(loop_length|travel|released|wheels|strands)",
        r"-select result\.spare",
    ),
    "the range of centres that was asked for": (r"-select result\.centre_(low|high)",),
    "an estimate whose rule is said beside it: weights, efficiencies, losses, parts counted, outer sizes": (
        r"sheet\.beside\.",
        r"chain-drive result\.chain_mass",
        r"drive-kinds result\.kinds",
        r"drive-energy result\.(saved|saved_money|yearly_cost)",
    ),
    "a line of a table as it is printed, with its source in the answer": (
        r"belt-(marking|identify) result\.(readings|fits_the_measures|belt_length|inside_length|outside_length)",
        r"belt-joint result\.(hooks_for|least_pulley|thickness|width)",
        r"bushing result\.(key|largest_bore)",
        r"link-belt result\.least_pulley",
        r"round-belt result\.least_pulley",
        r"sprocket result\.greatest_bore",
        r"motor-min-sheave result\.widest_face",
        r"sync-pulley result\.pitch",
        r"sync-drive result\.face_between_flanges",
        r"made-(sheave|pulley|sprocket|sync-pulley) result\.(kept\[\d\]\.amount|hub|hub_length)$",
        r"made-sprocket result\.face$",
    ),
    "counted, or a plain difference or share of figures that stand beside it": (
        r"link-belt result\.(hand_tight|run)",
        r"groove-wear result\.used$",
        r"flat-belt-wear result\.gone$",
        r"roller-conveyor result\.(order|links|run|arc)$",
        r"groove-wear result\.(wheels\[\d\]\.used|speed_change)",
        r"take-up-left result\.used",
        r"belt-wear result\.(used|grown)$",
        r"tach-check result\.(driver|driven)\.",
        r"tach-check result\.(slip_error|driver_diameter_is)",
        r"step-pulleys result\.(most_slack|belt_length|steps\[\d\]\.)",
        r"retrofit result\.(belt_length|ranges\[\d\]\.)",
        r"idler-cone result\.(speeds|factor|to_idler|to_spindle|first_belt|second_belt)",
        r"(fan-speed|pump-speed|adjustable-sheave) result\.amps\.",
        r"adjustable-sheave result\.(settings\[\d+\]\.|move_centres)",
        r"pulley-for-speed result\.(ways\[\d\]\.|cuts\.(off_diameter|last|left)|give_or_take|speed_now|new_centres|runs_on|under)",
        r"pump-speed result\.(power|head)",
        r"bearing-heat result\.apart",
        r"(sprocket|tooth)-wear result\.(new|lost)",
        r"sprocket-wear result\.limit",
        r"flat-belt-wear result\.asked",
        r"belt-cut-length result\.(lap|cut_least|cut_most)",
        r"belt-length-off result\.",
        r"chain-(drive result\.length|length result)\.mounted_(low|high)",
        r"chain-slack result\.",
        r"chain-wear result\.length_",
        r"speed-ratio result\.",
        r"sync-(drive|length) result\.(apart_to_tension|closer_to_fit|belt_teeth|exact_teeth)",
        r"v-belt-(bases|range) result\.belts",
        r"v-belt-drive result\.(installation|take_up|driver_pitch|driven_pitch)",
        r"v-belt-rating result\.pitch_diameter",
        r"groove-fit result\.proper_pitch_diameter",
        r"flat-drive (result|sheet\.beside)\.centre_distance",
        r"belt-length result\.belt_length",
    ),
    "many duties or books in one answer: each is worked in the open as a drive of its own": (
        r"v-belt-range result\.(points|worst)",
        r"v-belt-bases result\.rows",
    ),
    "one tension on the other rulers of its scale, and the bands and the deflection as the drive's own page works them": (
        r"(tension-(target|schools|reading|adjust)|pluck) result\..*(deflection_force|frequency)$",
        r"tension-target result\.(aim|bands|deflection|span|shaft_load)",
        r"tension-schools result\.(schools|span)",
        r"tension-reading result\.(band|mean)",
        r"tension-adjust result\.expected",
    ),
    "how sure a reading is, beside the reading": (
        r"alignment result\.faults.*error",
        r"tension-settling result\.error",
        r"tension-reading result\.belts.*error",
    ),
    "shims as they lie in the box, turns to the eighth, a difference of two readings": (
        r"(alignment|soft-foot) result\..*shims",
        r"tension-adjust result\.turns",
        r"tension-reading result\.spread",
        r"run-out result\.total",
        r"soft-foot result\.limit",
    ),
    "worked within the design power, whose working has it": (r"sync-drive result\.load_factor",),
}
ALLOWED = re.compile("|".join(f"(?:{p})" for group in STEPLESS.values() for p in group))


def figures(x: Any, path: str = "") -> Iterator[tuple[str, dict[str, Any]]]:
    if isinstance(x, dict) and {"shown", "value", "number", "step"} <= x.keys():
        yield path, x
    elif isinstance(x, dict):
        for k, v in x.items():
            yield from figures(v, f"{path}.{k}" if path else k)
    elif isinstance(x, list):
        for k, v in enumerate(x):
            yield from figures(v, f"{path}[{k}]")


def answer_of(name: str, units: str) -> dict[str, Any]:
    calc = CALCULATIONS[name]
    return work(calc, calc.request_model.model_validate(calc.example | {"units": units})).model_dump(mode="json")


def shown_in(answer: dict[str, Any]) -> dict[str, dict[str, Any]]:
    return dict(figures({"result": answer["result"], "sheet": answer["sheet"] or {}}))


def flat(x: Any) -> Iterator[float]:
    """Every number inside a value, a list of readings among them."""
    if isinstance(x, dict):
        x = list(x.values())
    if isinstance(x, list):
        for v in x:
            yield from flat(v)
    elif isinstance(x, int | float):
        yield float(x)


def given_values(echo: Any) -> Iterator[float]:
    """Numbers as they were given or assumed."""
    if isinstance(echo, dict) and {"value", "origin"} <= echo.keys():
        yield from (float(x) for x in flat(echo["value"]))
    elif isinstance(echo, dict):
        for v in echo.values():
            yield from given_values(v)


@pytest.mark.parametrize("name", list(CALCULATIONS))
def test_a_shown_figure_has_a_step_or_a_reason(name: str) -> None:
    answer = answer_of(name, "us")
    given = set(given_values(answer["input"]))
    bare = [
        path
        for path, f in shown_in(answer).items()
        if f["step"] is None and f["value"] not in given and not ALLOWED.search(f"{name} {path}")
    ]
    assert bare == []


def test_every_reason_is_still_needed() -> None:
    said = [
        f"{name} {path}"
        for name in CALCULATIONS
        for path, f in shown_in(answer_of(name, "us")).items()
        if not f["step"]
    ]
    idle = [p for group in STEPLESS.values() for p in group if not any(re.search(p, line) for line in said)]
    assert idle == []


@pytest.mark.parametrize("name", list(CALCULATIONS))
def test_the_step_behind_a_figure_gives_that_very_figure(name: str) -> None:
    for units in ("us", "si") if f"{name} si" in FROZEN else ("us",):
        answer = answer_of(name, units)
        steps = {s["id"]: s for s in answer["working"]}
        for path, f in shown_in(answer).items():
            if f["step"]:
                assert steps[f["step"]]["value"] == f["value"], path


def test_a_factor_that_equals_another_is_not_said_to_come_from_it() -> None:
    """A new belt is set to 1.3 times; a service factor of 1.3 has nothing to do with it (found in 0.4.0)."""
    calc = CALCULATIONS["v-belt-drive"]
    given = {**calc.example["input"], "service_factor": {"assume": 1.3}}
    steps = work(calc, calc.request_model.model_validate({"input": given})).working
    service = next(s for s in steps if s.name == "service factor")
    new = [s for s in steps if 1.3 in s.inputs.values() and s.value != service.value and s.name != "design power"]
    assert service.value == 1.3 and new
    for s in new:
        assert service.id not in s.uses
    assert service.id in next(s for s in steps if s.name == "design power").uses


def test_steps_of_one_kind_say_which_wheel_they_are_about() -> None:
    """Two sheaves have two outside diameters: each step says whose it is."""
    calc = CALCULATIONS["v-belt-drive"]
    answer = work(calc, calc.request_model.model_validate(calc.example))
    assert answer.elevation is not None
    wheels = {w.id for w in answer.elevation.wheels}
    outside = [s.about for s in answer.working if s.name == "outside diameter"]
    assert len(outside) == 2 and set(outside) == wheels
    assert {s.about for s in answer.working} <= wheels | {""}


@pytest.mark.parametrize("key", list(FROZEN))
def test_the_figures_of_the_examples_are_those_of_0_4_0(key: str) -> None:
    """The reshaping of 0.5.0 changed no digit that is shown; a later change of one is made here too, with its reason."""
    name, units = key.rsplit(" ", 1)
    now = shown_in(answer_of(name, units))
    # Since 0.12.0 SI numbers of five digits have a thin space (ISO 80000-1), since 0.13.0 sums have the sign of any money and a square
    # key both its sides: the digits are what they were.
    bare = {p: now[p]["shown"].replace("\u202f", "").replace(" ¤", "") for p in FROZEN[key] if p in now}
    then = dict(FROZEN[key])
    if key == "bushing us":
        assert (then.pop("result.key"), bare.pop("result.key")) == ("0.5 in", "1/2 × 1/2 in")
    assert bare == then
