"""Both ends of a tension, flapping strands, schools and the next move, against other workings of the same."""

from __future__ import annotations

from dataclasses import replace
from math import exp, pi, radians

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.constants import hp, inch, lbf
from scipy.linalg import eig
from scipy.optimize import brentq

from tuyere.core.errors import InputError, NoSolution
from tuyere.core.shafts.bearings import overhung
from tuyere.core.shafts.bending import (
    bending_that_is_left,
    endurance_of_shaft,
    endurance_of_strength,
    machined_surface,
    shaft_stands,
    size_in_bending,
)
from tuyere.core.tension.adjust import TurnsAnd, next_move, settling
from tuyere.core.tension.cliffs import ShaftAsked, cliffs_of, shaft_load_at, start_multiple, starts
from tuyere.core.tension.flap import RunningStrand, flaps_of, shakes_of, strand_hertz, tension_at
from tuyere.core.tension.hold import Hold, TensionBand
from tuyere.core.tension.reading_formulas import turns_more
from tuyere.core.tension.schools import schools_of

SOME = settings(derandomize=True, deadline=None, max_examples=120)
IN = 1000 * inch
KPSI = 1000 * lbf / inch**2 / 1e6

HOLD = Hold(
    belts=4,
    span_mm=868.0,
    length_mm=2333.0,
    share_mm=868.0,
    mass_kg_m=0.18,
    stiffness_n=82e3,
    static_n=228.0,
    bands=(TensionBand(state="run in", low_n=228, high_n=296), TensionBand(state="new", low_n=296, high_n=342)),
    centrifugal_n=26.0,
    arc_deg=173.0,
    grip_ratio=exp(0.5123 * radians(173.0)),
    speed_m_s=12.6,
    power_kw=11.19,
    design_kw=14.54,
    width_mm=17.0,
    tape_mark_mm=IN / 32,
)


@pytest.mark.outside(
    "Shigley, example of a shoulder, DE-Goodman: 1.1 in, 1260 lbf in, 1100 lbf in, Kf 1.58, Kfs 1.37, 105 kpsi: 1/n = 0.615 (recalled)"
)
def test_shaft_by_the_textbooks_example() -> None:
    s_ut, s_e = 105 * KPSI, 29.3 * KPSI
    left = bending_that_is_left(1.1 * IN, 1 / 0.615, 1.37 * 1100 * lbf * inch, s_ut, s_e)
    assert left / (lbf * inch) == pytest.approx(1.58 * 1260, rel=5e-3)


@pytest.mark.outside("Shigley, the same example: Se' 52.5, ka 0.787, kb 0.870, ke 0.814, Se 29.3 kpsi (recalled)")
def test_endurance_factors_by_the_textbooks_example() -> None:
    assert endurance_of_strength(105 * KPSI) / KPSI == pytest.approx(52.5)
    assert machined_surface(105 * KPSI) == pytest.approx(0.787, abs=2e-3)
    assert size_in_bending(1.1 * IN) == pytest.approx(0.870, abs=4e-3)
    assert endurance_of_shaft(0.787, 0.870, 0.814, 52.5) == pytest.approx(29.3, abs=0.05)


@pytest.mark.outside(
    "NumPy: von Mises amplitude and mean of the turning section held against the Goodman line, scanned round it"
)
@pytest.mark.parametrize(
    ("d", "overhang", "kw", "rpm"), [(28.0, 60.0, 4.0, 1450.0), (41.3, 76.0, 11.0, 1750.0), (60.0, 120.0, 22.0, 970.0)]
)
def test_the_shaft_is_at_its_limit_there(d: float, overhang: float, kw: float, rpm: float) -> None:
    stands = shaft_stands(
        diameter_mm=d, overhang_mm=overhang, power_kw=kw, rpm=rpm, strength_mpa=570.0, notch="keyway", safety=1.5
    )
    moment, torque = stands.load_n * overhang, kw * 6e7 / (2 * pi * rpm)
    turn = np.linspace(0, 2 * pi, 721)
    bending = 2.14 * 32 * moment / (pi * d**3) * np.cos(turn)
    shear = 3.0 * 16 * torque / (pi * d**3)
    amplitude = (bending.max() - bending.min()) / 2
    mean = np.sqrt(3) * shear
    assert amplitude / stands.endurance_mpa + mean / 570.0 == pytest.approx(1 / 1.5, rel=1e-4)


@pytest.mark.outside(
    "belt equation by bisection: the tension at rest at which the strands stand in the ratio that friction holds"
)
@pytest.mark.parametrize("power", ["duty", "design", "start"])
def test_where_it_slips(power: str) -> None:
    ends = cliffs_of(HOLD, start="across-the-line")
    kw = {"duty": HOLD.power_kw, "design": HOLD.design_kw, "start": 2.5 * HOLD.power_kw}[power]
    thrown = 0.0 if power == "start" else HOLD.centrifugal_n
    pull = 1000 * kw / HOLD.speed_m_s / HOLD.belts

    def over(rest: float) -> float:
        return (rest + pull / 2 - thrown) - HOLD.grip_ratio * (rest - pull / 2 - thrown)

    at = brentq(over, pull / 2 + thrown + 1e-6, 1e5)
    found = ends.of(f"slip-{power}")
    assert found is not None and found.tension_n == pytest.approx(at, rel=1e-9)


@pytest.mark.outside(
    "ISO 281 and statics the other way: with that tension in every belt the bearing lasts just so long"
)
def test_where_the_bearing_gives() -> None:
    shaft = ShaftAsked(name="driver", rpm=1750.0, power_kw=11.19, overhang_mm=76.0, spacing_mm=229.0, bearing_n=52700.0)
    end = cliffs_of(HOLD, shafts=(shaft,)).of("driver-bearing")
    assert end is not None and end.tension_n is not None
    load = 2 * HOLD.belts * end.tension_n * np.sin(radians(HOLD.arc_deg) / 2)
    assert shaft_load_at(HOLD, end.tension_n) == pytest.approx(load)
    lives = overhung(load, 76.0, spacing_mm=229.0, rpm=1750.0, near_n=52700.0, far_n=None, kind="ball")
    assert lives.near_life_h == pytest.approx(20000.0)


@pytest.mark.outside("trade fact: a quarter more load (1.26 times) halves a ball bearing's life (ISO 281)")
def test_over_tension_halves_the_bearing() -> None:
    def life(pull: float) -> float:
        r = overhung(pull, 76.0, spacing_mm=229.0, rpm=1750.0, near_n=52700.0, far_n=None, kind="ball")
        return r.near_life_h or 0.0

    assert life(1000.0) / life(1260.0) == pytest.approx(2.0, abs=0.01)


@pytest.mark.outside(
    "NEMA MG 1: breakdown torque of design B motors 200 to 250 % and more; star gives a third (recalled)"
)
def test_starts() -> None:
    assert 2.0 <= start_multiple("across-the-line")[0] <= 3.0
    assert start_multiple("soft-start")[0] < start_multiple("across-the-line")[0]
    assert set(starts()) >= {"star-delta", "engine-clutch"}
    with pytest.raises(InputError):
        start_multiple("by hand")


def test_what_is_not_known_is_said_and_never_a_number() -> None:
    ends = cliffs_of(HOLD, shafts=(ShaftAsked(name="driver", rpm=1750, power_kw=11),))
    assert {c.key: c.missing for c in ends.every if c.tension_n is None} == {
        "slip-start": "say how it is started",
        "driver-bearing": "the bearing's dynamic rating and its overhang and how far the bearings are apart",
        "driver-shaft": "its diameter at the wheel and its overhang",
    }
    assert ends.most_n is None and ends.most_label == ""
    crank = cliffs_of(HOLD, shafts=(ShaftAsked(name="driver", rpm=3000, power_kw=11, engine=True),)).of("driver-crank")
    assert crank is not None and crank.tension_n is None and "maker" in crank.missing
    assert not [c for c in cliffs_of(replace(HOLD, grip_ratio=float("inf"))).every if c.side == "below"]
    with pytest.raises(NoSolution):
        shaft_stands(
            diameter_mm=12, overhang_mm=50, power_kw=11, rpm=1000, strength_mpa=None, notch="keyway", safety=1.5
        )


def travelling(tension: float, mass: float, speed: float, span_mm: float, parts: int = 120) -> float:
    """Lowest frequency of a string that travels: m (w_tt + 2 v w_xt + v2 w_xx) = T w_xx by Galerkin's sines, gyroscopic eigenvalues."""
    length = span_mm / 1000
    n = np.arange(1, parts // 4 + 1)
    stiff = np.diag((n * pi / length) ** 2 * (tension - mass * speed**2) / mass)
    # Integrals of sin(i) cos(j): only an odd sum of the two is not nothing.
    gyro = np.zeros((n.size, n.size))
    for a, i in enumerate(n):
        for b, j in enumerate(n):
            if (i + j) % 2:
                gyro[a, b] = 2 * speed * (4 * i * j / (length * (i**2 - j**2)))
    size = n.size
    system = np.block([[np.zeros((size, size)), np.eye(size)], [-stiff, -gyro]])
    values = eig(system, right=False)
    rates = np.abs(values.imag)
    return float(np.min(rates[rates > 1e-6]) / (2 * pi))


@pytest.mark.outside("SciPy: gyroscopic eigenvalues of the travelling string, Galerkin")
@pytest.mark.parametrize(
    ("tension", "mass", "speed", "span"),
    [(300, 0.18, 0.0, 868), (300, 0.18, 12.6, 868), (150, 0.1, 20.0, 500), (800, 0.6, 25.0, 1400)],
)
def test_frequency_in_running(tension: float, mass: float, speed: float, span: float) -> None:
    strand = RunningStrand(id="a-b", span_mm=span, tension_n=tension)
    assert strand_hertz(strand, mass_kg_m=mass, speed_m_s=speed) == pytest.approx(
        travelling(tension, mass, speed, span), rel=2e-3
    )


@SOME
@given(hertz=st.floats(3, 200), span=st.floats(150, 2000), mass=st.floats(0.03, 1.0), speed=st.floats(0, 30))
def test_tension_of_a_running_note_is_its_inverse(hertz: float, span: float, mass: float, speed: float) -> None:
    tension = tension_at(hertz, span_mm=span, mass_kg_m=mass, speed_m_s=speed)
    strand = RunningStrand(id="a", span_mm=span, tension_n=tension)
    assert strand_hertz(strand, mass_kg_m=mass, speed_m_s=speed) == pytest.approx(hertz, rel=1e-9)


def test_a_strand_flaps_with_what_is_near_and_stops_outside_the_band_told() -> None:
    shakes = shakes_of(shafts_rpm={"driver": 1750.0, "driven": 1005.0}, loop_m_s=12.6, length_mm=2333.0, mesh=None)
    assert {s.name for s in shakes} >= {"the driver's speed", "twice the driven's speed", "twice the loop going round"}
    tension = tension_at(1005 / 60, span_mm=868.0, mass_kg_m=0.18, speed_m_s=12.6)
    (flap,) = [
        f
        for f in flaps_of(
            [RunningStrand(id="x", span_mm=868.0, tension_n=tension)], shakes, mass_kg_m=0.18, speed_m_s=12.6
        )
        if f.shake.name == "the driven's speed"
    ]
    assert flap.off_percent == pytest.approx(0, abs=1e-6) and flap.low_n < tension < flap.high_n
    for t in (flap.low_n * 0.999, flap.high_n * 1.001):
        again = flaps_of([RunningStrand(id="x", span_mm=868.0, tension_n=t)], shakes, mass_kg_m=0.18, speed_m_s=12.6)
        assert "the driven's speed" not in {f.shake.name for f in again}


@pytest.mark.outside(
    "common practice: a thumb's inch spans a factor of three; on small blowers with bushings loose is right"
)
def test_schools() -> None:
    by = {s.key: s for s in schools_of(HOLD, slips_under_n=197.0, most_n=None)}
    assert by["thumb-inch"].high_n / max(by["thumb-inch"].low_n, 1e-9) >= 3
    assert by["span-64"].verdict == "fine" and by["thumb-inch"].verdict == "act"
    assert by["no-squeal"].low_n == pytest.approx(197.0)
    small = replace(HOLD, power_kw=0.5 * hp / 1000, belts=1)
    bronze = {s.key: s for s in schools_of(small, slips_under_n=20.0, most_n=None, bronze=True)}
    assert bronze["no-squeal"].verdict == "fine"
    assert schools_of(HOLD, slips_under_n=197.0, most_n=None, label_n=(250, 280))[0].key == "label"


@SOME
@given(
    per_turn=st.floats(20, 400),
    slack_turns=st.floats(0, 2),
    give=st.floats(0.3, 1.0),
    noise=st.floats(-0.03, 0.03),
    start=st.floats(0, 1),
)
def test_a_simulated_drive_comes_into_its_band_and_never_past_it(
    per_turn: float, slack_turns: float, give: float, noise: float, start: float
) -> None:
    """A drive whose frame gives and whose belt first hangs slack, read with 3 % of error, moved as it is told."""
    # What a turn of the worked stretch would do; the frame gives away a part of it.
    low, high, top = 296.0, 342.0 + per_turn / 8, 420.0 + per_turn / 4
    pitch, length = 2.0, 2333.0
    stiffness = per_turn * length / (2 * pitch)

    def true(turns: float) -> float:
        return max(1.0, give * per_turn * (turns - slack_turns))

    turns = start * slack_turns
    done = [TurnsAnd(turns=turns, tension_n=true(turns) * (1 + noise))]
    for _ in range(14):
        move = next_move(
            done, low_n=low, high_n=high, most_n=top, stiffness_n=stiffness, pitch_mm=pitch, length_mm=length
        )
        assert not move.trouble or done[-1].tension_n < 30
        if move.turns == 0 and not move.trouble:
            break
        turns += move.turns or 0.5
        assert true(turns) <= top * 1.05
        done.append(TurnsAnd(turns=turns, tension_n=true(turns) * (1 + noise)))
    assert low * 0.96 <= true(turns) <= high * 1.04


@pytest.mark.outside(
    "Hooke's law: a loop of 2333 mm whose two strands each grow by the thread's pitch; then a straight line through two readings"
)
def test_what_a_turn_does() -> None:
    first = next_move(
        [TurnsAnd(turns=0, tension_n=100)],
        low_n=296,
        high_n=342,
        most_n=None,
        stiffness_n=82e3,
        pitch_mm=2.0,
        length_mm=2333.0,
    )
    assert first.per_turn_n == pytest.approx(82e3 * 4.0 / 2333.0) and not first.seen
    # Half of what stretch asks, to the nearest eighth of a turn.
    assert first.turns == pytest.approx(round((319 - 100) / first.per_turn_n / 2 * 8) / 8)
    second = next_move(
        [TurnsAnd(turns=0, tension_n=100), TurnsAnd(turns=0.5, tension_n=160)],
        low_n=296,
        high_n=342,
        most_n=None,
        stiffness_n=82e3,
        pitch_mm=2.0,
        length_mm=2333.0,
    )
    assert second.per_turn_n == pytest.approx(120.0) and second.seen
    assert second.turns == pytest.approx(round((319 - 160) / 120 * 8) / 8)
    assert turns_more(319.0, 160.0, 120.0) == pytest.approx(1.325)
    assert second.expected_n == pytest.approx(160 + 120 * second.turns)


def test_what_does_not_move_is_said() -> None:
    def ask(*done: tuple[float, float], stiffness: float | None = 82e3) -> str:
        return next_move(
            [TurnsAnd(turns=n, tension_n=t) for n, t in done],
            low_n=296,
            high_n=342,
            most_n=None,
            stiffness_n=stiffness,
            pitch_mm=2.0,
            length_mm=2333.0,
        ).trouble

    assert "hardly" in ask((0, 150), (1, 155)) and "wrong way" in ask((0, 150), (1, 120))
    assert ask((0, 150), (1, 230)) == "" and ask((0, 5), (1, 6)) != "stuck"
    with pytest.raises(InputError):
        ask()
    # Nothing says what a turn does: half a turn is tried, and nothing is promised of it.
    tried = next_move(
        [TurnsAnd(turns=0, tension_n=100)],
        low_n=296,
        high_n=342,
        most_n=None,
        stiffness_n=None,
        pitch_mm=None,
        length_mm=2333.0,
    )
    assert tried.turns == 0.5 and tried.per_turn_n is None and tried.expected_n is None


@pytest.mark.outside("synthetic relaxation by the logarithm of time, with noise; numpy polyfit of the same")
@pytest.mark.parametrize("seed", range(4))
def test_settling(seed: int) -> None:
    luck = np.random.default_rng(seed)
    hours = [0.4, 24.0, 50.0, 200.0]
    true = 340 - 22 * np.log10(hours)
    seen = true + luck.normal(0, 2, 4)
    fall = settling(hours, list(seen), 2000.0)
    slope, level = np.polyfit(np.log10(hours), seen, 1)
    assert fall.predicted_n == pytest.approx(level + slope * np.log10(2000.0), rel=1e-9)
    assert abs(fall.predicted_n - (340 - 22 * np.log10(2000.0))) < 5 * max(fall.error_n, 1.0) + 2
    assert fall.per_decade_n == pytest.approx(22, abs=5)


def test_settling_needs_three_readings_in_order() -> None:
    for hours, tensions, at in (
        ([1, 2], [3, 2], 10.0),
        ([1, 3, 2], [3, 2, 1], 10.0),
        ([0, 1, 2], [3, 2, 1], 10.0),
        ([1, 2, 3], [3, 2, 1], 2.0),
    ):
        with pytest.raises(InputError):
            settling([float(h) for h in hours], [float(t) for t in tensions], at)
