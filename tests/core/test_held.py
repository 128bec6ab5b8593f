"""Outside checks for formulas that were only passed through before: each fails when its formula is two per cent off."""

from __future__ import annotations

from math import pi, radians

import pint
import pytest
import sympy
from scipy.integrate import solve_ivp

from tuyere.core.duty.losses import efficiency_band, loss_band
from tuyere.core.flat.formulas import developed_friction, links_off, slip_power_kw
from tuyere.core.motors.formulas import motor_slip, speed_at_frequency
from tuyere.core.roller_chain.formulas import galling_power, impact_power, iso_galling_power, iso_roller_power
from tuyere.core.roller_chain.rating import iso_constants
from tuyere.core.roller_chain.tables import chain
from tuyere.core.synchronous.formulas import teeth_in_mesh
from tuyere.core.tables import table
from tuyere.core.v_belt.formulas import added_by_diameter, counted_diameter, whole_belts

UREG = pint.UnitRegistry()


@pytest.mark.outside(
    "ASME B29.1 equations in their own units against those of ISO 10823: the A series is the same chain; both recalled"
)
@pytest.mark.parametrize("size", ["40", "50", "60"])
@pytest.mark.parametrize(("teeth", "rpm"), [(17, 600), (21, 1200), (25, 2000)])
def test_two_standards_agree_on_one_chain(size: str, teeth: int, rpm: int) -> None:
    of = chain(size)
    k_ps = next(r[2] for r in table("iso_galling").rows if r[0] < of.pitch_mm <= r[1] + 1e-9)
    hp = UREG.Quantity(1, "horsepower").to("kW").magnitude
    american = float(galling_power(teeth, rpm, of.pitch_in)) * hp
    assert iso_galling_power(teeth, rpm, of.pitch_mm, k_ps) == pytest.approx(american, rel=0.003)
    # The American impact limit is for 100 pitches and 15,000 h.
    struck = float(impact_power(of.K_r, teeth, n_s=rpm, p_in=of.pitch_in, X=100, h_life=15_000)) * hp
    assert iso_roller_power(teeth, rpm, iso_constants(of)[3], of.pitch_mm) == pytest.approx(struck, rel=0.003)


@pytest.mark.outside("scipy solve_ivp: dT = f T d theta round the arc, centrifugal part left out (Euler, Eytelwein)")
@pytest.mark.parametrize(("friction", "arc", "hoop"), [(0.3, 170.0, 0.0), (0.5, 150.0, 12.0), (0.8, 185.0, 30.0)])
def test_friction_made_use_of(friction: float, arc: float, hoop: float) -> None:
    slack = 60.0
    grown = solve_ivp(lambda _, t: friction * t, (0, radians(arc)), [slack], rtol=1e-10, atol=1e-10).y[0][-1]
    assert developed_friction(grown + hoop, slack + hoop, hoop, arc) == pytest.approx(friction, rel=1e-6)


@pytest.mark.outside("pint: the horsepower of 550 ft lbf/s")
def test_horsepower_at_the_slip_limit() -> None:
    assert slip_power_kw(12.5) == pytest.approx(UREG.Quantity(12.5, "horsepower").to("kW").magnitude, rel=1e-9)


@pytest.mark.outside(
    "NEMA MG 1: 60 Hz four poles turn 1800 rpm; nameplates 1750 and 1725 rpm are slips of 2.8 and 4.2 %"
)
@pytest.mark.parametrize(
    ("poles", "hertz", "full", "slip"),
    [(4, 60, 1750, 2.78), (4, 60, 1725, 4.17), (6, 60, 1160, 3.33), (4, 50, 1450, 3.33)],
)
def test_slip_of_nameplates(poles: int, hertz: int, full: int, slip: float) -> None:
    field = 120 * hertz / poles
    assert motor_slip(field, full) == pytest.approx(slip, abs=0.006)
    # Torque goes with the lag behind the field, so at 40 Hz and the same torque it lags by as many turns.
    assert speed_at_frequency(field * 40 / 60, field - full) == pytest.approx(field * 2 / 3 - (field - full))


@pytest.mark.outside("ISO 5295: teeth in mesh are whole teeth on the arc; counted on a drawn circle")
@pytest.mark.parametrize(("teeth", "arc"), [(22, 162.0), (18, 150.0), (30, 180.0), (24, 120.0)])
def test_teeth_in_mesh_are_counted(teeth: int, arc: float) -> None:
    spacing = 2 * pi / teeth
    counted = sum(1 for k in range(1, teeth + 1) if k * spacing <= radians(arc) + 1e-9)
    assert teeth_in_mesh(teeth, arc) == counted


@pytest.mark.outside("common practice, no source: a link belt joined hand-tight loses one link in 24")
@pytest.mark.parametrize(("hand", "off"), [(48, 2), (71, 2), (72, 3), (120, 5)])
def test_links_taken_off(hand: int, off: int) -> None:
    assert links_off(hand, 24) == off


@pytest.mark.outside(
    "sympy: the older handbook's power, X S^0.91 - Y S/d - Z S^3, at the counted diameter less at its own"
)
@pytest.mark.parametrize(("d", "k", "s", "y"), [(5.0, 1.14, 2.3, 10.0), (9.0, 1.09, 3.1, 26.0)])
def test_the_older_formula_adds_what_the_larger_diameter_gives(d: float, k: float, s: float, y: float) -> None:
    x, ys, speed, dia = sympy.symbols("x ys speed dia", positive=True)
    power = x * speed**0.91 - ys * speed / dia
    counted = counted_diameter(k, d)
    added = (power.subs(dia, k * d) - power.subs(dia, d)).subs({ys: y, speed: s})
    assert float(added_by_diameter(y, s, d, counted)) == pytest.approx(float(added), rel=1e-9)


@pytest.mark.outside("ANSI/RMA IP-20: a part of a belt is a whole belt; arithmetic")
@pytest.mark.parametrize(("exact", "belts"), [(2.55, 3), (3.0, 3), (3.0 + 1e-12, 3), (0.2, 1), (7.01, 8)])
def test_a_part_of_a_belt_is_a_whole_one(exact: float, belts: int) -> None:
    assert whole_belts(exact) == belts


@pytest.mark.outside(
    "energy advice, recalled: V-belts 93 to 98 %, cogged 2 % over wrapped, synchronous 98 %; Shigley: flat 98 %"
)
def test_losses_are_bands_of_one_table() -> None:
    wrapped, cogged, toothed, flat = (
        efficiency_band(k) for k in ("v-belt wrapped", "v-belt cogged", "synchronous", "flat")
    )
    assert wrapped[0] == 93 and cogged == (wrapped[0] + 2, wrapped[1] + 2) and cogged[1] == 98
    assert toothed[0] < 98 < toothed[1] and flat[1] == 98
    # 10 hp for 4000 h: the two ends of the band, in kilowatt-hours, worked in pint.
    taken = UREG.Quantity(10, "horsepower").to("kW")
    low, high = loss_band(taken.magnitude, wrapped, 16, 250)
    for got, share in ((low, 0.96), (high, 0.93)):
        lost = (taken / share - taken) * UREG.Quantity(16 * 250, "hour")
        assert got == pytest.approx(lost.to("kWh").magnitude, rel=1e-9)
