"""Joined belts by their ribs, and V-belts on a flat pulley as the search finds them."""

from __future__ import annotations

from itertools import combinations_with_replacement
from typing import Any

import pytest

import tuyere.calc.every  # noqa: F401
from tuyere.calc.registry import find, work
from tuyere.core.v_belt.joined import LEAST_RIBS, MOST_RIBS, fits_joined, made_joined, ribs_of
from tuyere.core.v_belt.sections import section

DUTY = {
    "power": "30hp",
    "service_factor": {"assume": 1.4},
    "driver_speed": "1750",
    "driven_speed": "440",
    "tolerance": 5,
    "centre": {"about": "50 in"},
}


@pytest.mark.outside("enumeration: the fewest belts of two to five ribs that make a count, as alike as can be")
@pytest.mark.parametrize("count", range(2, 31))
def test_ribs_are_the_fewest_belts_as_alike_as_can_be(count: int) -> None:
    found = ribs_of(count)
    best = next(
        c
        for n in range(1, 16)
        for c in sorted(combinations_with_replacement(range(LEAST_RIBS, MOST_RIBS + 1), n), key=lambda c: c[-1] - c[0])
        if sum(c) == count
    )
    assert sorted(found) == sorted(best)


@pytest.mark.outside("common practice, no source: light-duty belts are single; joined ones want the standard spacing")
def test_what_is_made_joined_and_where_it_fits() -> None:
    assert made_joined(section("B")) and made_joined(section("5VX")) and not made_joined(section("4L"))
    assert fits_joined("B") and not fits_joined("B deep") and not fits_joined("A in A/B")


def asked(name: str, given: dict[str, Any]) -> Any:
    calc = find(name)
    return work(calc, calc.request_model.model_validate({"units": "us", "input": given}))


def test_the_search_offers_joined_belts_only_where_they_are_made() -> None:
    found = asked("v-belt-select", DUTY | {"joined": True})
    assert found.result.options
    for o in found.result.options:
        assert o.input["belt"]["joined"] is True and o.input["belt"]["count"] >= LEAST_RIBS


@pytest.mark.outside("two ways to one figure: the search counts belts on a flat pulley as the whole drive does")
@pytest.mark.parametrize("size", ["24 in", "28 in", "32 in"])
def test_the_search_on_a_flat_pulley_counts_as_the_drive_does(size: str) -> None:
    found = asked("v-belt-select", DUTY | {"fixed": {"flat_pulley": size}, "tolerance": 12})
    assert found.result.options
    for o in found.result.options[:4]:
        given = dict(o.input) | {"service_factor": {"assume": 1.4}}
        count = given["belt"]["count"]
        given["belt"] = {"designation": given["belt"]["designation"]}
        drive = asked("v-belt-drive", given)
        assert given["driven"]["sheave"]["groove"] == "flat"
        assert drive.result.belts_needed.value == count
        assert abs(drive.result.driven_speed.value / 440 - 1) < 0.12


def test_singles_in_place_of_a_joined_belt_are_for_a_while() -> None:
    given = {
        "power": "13 hp",
        "service_factor": {"assume": 1.6},
        "driver": {"speed": "3000", "sheave": {"diameter": "5.4 in"}},
        "driven": {"sheave": {"diameter": "11 in"}},
        "belt": {"designation": "BX68", "count": 3, "in_place_of_joined": True},
    }
    assert "joined" in asked("v-belt-drive", given).sheet.emergency
    given["belt"] = {"designation": "7/BX68"}
    made = asked("v-belt-drive", given)
    assert made.result.ribs == "4 + 3" and any(n.code == "ribs" for n in made.notices)
