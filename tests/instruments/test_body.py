"""The simulated machine's body against a body of the tests' own, moved alike."""

from __future__ import annotations

from math import radians

import numpy as np
import pytest
from scipy.spatial.transform import Rotation

from tests.core.alignment.machine import Machine
from tuyere.instruments.body import standing


@pytest.mark.parametrize("seed", range(25))
def test_both_bodies_stand_the_same_after_any_moves(seed: int) -> None:
    luck = np.random.default_rng(seed)
    pose = (radians(luck.uniform(-3, 3)), radians(luck.uniform(-3, 3)), float(luck.uniform(-9, 9)))
    own = standing(inboard=115, spacing=140, height=133, centre=870, pose=pose)
    other = Machine(a=115, b=140, h=133, centre=870)
    other.set_out_of_line(*pose)
    for _ in range(4):
        shim, swing, slide = luck.uniform(-3, 3, 3)
        pair = str(luck.choice(["inboard", "outboard"]))
        own = own.raised(pair, float(shim)).swung(float(swing)).slid(float(slide))
        other.raise_pair(pair, shim)
        other.swing_back(swing)
        other.slide(slide)
    assert np.allclose(own.matrix, other.turned, atol=1e-12) and np.allclose(own.at, other.at, atol=1e-9)
    for x, y in ((-80, 0), (80, 0), (0, 80), (0, -80)):
        assert own.behind(x, y) == pytest.approx(other.face_behind(other.at[0] + x, other.at[1] + y), abs=1e-9)


def test_a_turned_body_is_turned_as_scipy_turns() -> None:
    twist, toe = radians(2.0), radians(-1.3)
    own = standing(inboard=100, spacing=120, height=90, centre=600, pose=(twist, toe, 0.0))
    assert np.allclose(own.matrix, (Rotation.from_euler("y", toe) * Rotation.from_euler("x", -twist)).as_matrix())
    assert (own.twist, own.toe) == pytest.approx((np.arctan(np.tan(twist) / np.cos(toe)), toe), abs=1e-6)
