"""The quarter-turn's limits."""

from __future__ import annotations

import pytest

from tuyere.core.drive.twist import quarter_turn, quarter_turn_centres, quarter_turn_face
from tuyere.core.errors import InputError


@pytest.mark.outside(
    "RMA engineering practice, recalled: 12 in sheave and 3 in of belts stand 82 1/2 in apart at least"
)
def test_v_belts_stand_five_and_a_half_times_sheave_and_belts_apart() -> None:
    found = quarter_turn("V-belts", large_mm=12 * 25.4, width_mm=3 * 25.4, both_ways=False)
    assert found.least_centre_mm == pytest.approx(82.5 * 25.4) and found.least_face_mm is None
    assert float(quarter_turn_centres(5.5, 304.8, 76.2)) == pytest.approx(82.5 * 25.4)


@pytest.mark.outside("Khurmi, recalled: a 5 in belt asks for pulleys of 7 in")
def test_flat_pulleys_are_two_fifths_wider_than_the_belt() -> None:
    found = quarter_turn("flat belt", large_mm=500, width_mm=127, both_ways=False)
    assert found.least_face_mm == pytest.approx(7 * 25.4) and found.least_centre_mm is None
    assert float(quarter_turn_face(1.4, 127)) == pytest.approx(177.8)


@pytest.mark.outside("law of belting: the belt runs on in the plane of the pulley it comes to, in one sense only")
def test_it_does_not_run_both_ways() -> None:
    with pytest.raises(InputError, match="one sense"):
        quarter_turn("flat belt", large_mm=500, width_mm=127, both_ways=True)
