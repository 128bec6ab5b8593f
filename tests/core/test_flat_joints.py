"""Cut lengths, joints and the search of flat belts; losses and masses of any drive."""

from __future__ import annotations

import pint
import pytest

from tuyere.core.drive.search import DutyWanted, search
from tuyere.core.duty.losses import yearly_loss
from tuyere.core.duty.service import conditions
from tuyere.core.errors import InputError
from tuyere.core.flat.case import flat_case
from tuyere.core.flat.cut_length import work_cut_length
from tuyere.core.flat.field import FlatField
from tuyere.core.flat.joints import work_joint
from tuyere.core.flat.method import work_flat
from tuyere.core.flat.service import flat_factor
from tuyere.core.flat.tables import materials
from tuyere.core.notices import collected_notices
from tuyere.core.tables import table

IN = 25.4


@pytest.mark.outside(
    "shop handbooks: leather is cut 1/8 in per foot of tape short when new, 1/16 in when stretched (recalled)"
)
@pytest.mark.parametrize(
    ("stock", "per_foot"), [("leather-stretched", 1 / 16), ("leather-new", 3 / 16), ("canvas", 1 / 4)]
)
def test_cut_short_per_foot(stock: str, per_foot: float) -> None:
    r = work_cut_length(
        stock,
        "hooks",
        taped_mm=24 * 12 * IN,
        driver_mm=None,
        driven_mm=None,
        centre_mm=None,
        crossed=False,
        lap_mm=0,
        gap_mm=0,
    )
    assert r.short_mm / IN == pytest.approx(24 * per_foot, abs=24 * 0.001)
    assert r.cut_least_mm <= r.cut_mm <= r.cut_most_mm


@pytest.mark.outside("published A-3 example (Shigley 17-1): 6 and 18 in pulleys, 8 ft centres, loop 230.074 in")
def test_the_loop_of_the_textbook_drive() -> None:
    r = work_cut_length(
        "polyamide",
        "lap-polyamide",
        taped_mm=None,
        driver_mm=6 * IN,
        driven_mm=18 * IN,
        centre_mm=96 * IN,
        crossed=False,
        lap_mm=3 * IN,
        gap_mm=0,
    )
    assert r.loop_mm / IN == pytest.approx(230.074, abs=5e-4)
    assert r.cut_mm == pytest.approx(r.loop_mm * 0.98 + 3 * IN)


def test_half_a_geometry_and_a_lap_where_none_belongs_are_refused() -> None:
    for call, field in [
        (
            lambda: work_cut_length(
                "canvas",
                "hooks",
                taped_mm=None,
                driver_mm=100.0,
                driven_mm=200.0,
                centre_mm=None,
                crossed=False,
                lap_mm=0,
                gap_mm=0,
            ),
            "centre_distance",
        ),
        (
            lambda: work_cut_length(
                "canvas",
                "hooks",
                taped_mm=3000.0,
                driver_mm=100.0,
                driven_mm=None,
                centre_mm=None,
                crossed=False,
                lap_mm=0,
                gap_mm=0,
            ),
            "taped_length",
        ),
        (
            lambda: work_cut_length(
                "rope",
                "hooks",
                taped_mm=3000.0,
                driver_mm=None,
                driven_mm=None,
                centre_mm=None,
                crossed=False,
                lap_mm=0,
                gap_mm=0,
            ),
            "material",
        ),
        (
            lambda: work_cut_length(
                "canvas",
                "hooks",
                taped_mm=3000.0,
                driver_mm=None,
                driven_mm=None,
                centre_mm=None,
                crossed=False,
                lap_mm=50,
                gap_mm=0,
            ),
            "lap",
        ),
        (
            lambda: work_cut_length(
                "leather-new",
                "lap-leather",
                taped_mm=3000.0,
                driver_mm=None,
                driven_mm=None,
                centre_mm=None,
                crossed=False,
                lap_mm=0,
                gap_mm=0,
            ),
            "lap",
        ),
        (lambda: work_joint("hooks", 20.0, 100.0, None), "thickness"),
        (lambda: work_joint("knot", 5.0, 100.0, None), "joint"),
    ]:
        with pytest.raises(InputError) as e:
            call()
        assert e.value.field == field and e.value.allowed


@pytest.mark.outside(
    "textbook joint table (Khurmi): rawhide 60-70, hand-set hooks 35-40, cemented in the shop 80-90 % (recalled)"
)
@pytest.mark.parametrize(
    ("joint", "low", "high"), [("rawhide", 60, 70), ("hooks-hand", 35, 40), ("lap-leather", 80, 90)]
)
def test_joint_efficiencies(joint: str, low: float, high: float) -> None:
    card = work_joint(joint, 5.0, 100.0, 300.0)
    assert (card.low_percent, card.high_percent) == (low, high) and len(card.steps) >= 5 and card.cautions


def test_every_joint_has_its_card_and_small_pulleys_are_told() -> None:
    for key in table("joints").column("key"):
        assert work_joint(str(key), 4.0, 50.0, None).steps
    with collected_notices() as notes:
        card = work_joint("hooks", 5.2, 100.0, 60.0)
    assert "small-pulley" in {n.code for n in notes} and card.least_pulley_mm == pytest.approx(max(4 * IN, 20 * 5.2))
    # A lap of leather is as long as the belt is wide, within 4 and 8 in; double leather takes longer ones.
    assert work_joint("lap-leather", 4.4, 6 * IN, None).lap_low_mm == 6 * IN
    assert work_joint("lap-leather", 4.4, 1 * IN, None).lap_low_mm == 4 * IN
    assert work_joint("lap-leather", 7.9, 6 * IN, None).lap_low_mm == 8 * IN


@pytest.mark.outside("Shigley suggested service factors: ends of the ranges for uniform and heavy shock (recalled)")
def test_flat_service_factors_stay_in_the_printed_range() -> None:
    assert flat_factor(conditions("motor-nema-b", None, 3, load="light")) == pytest.approx(1.0)
    assert flat_factor(conditions("motor-nema-b", None, 24, load="light")) == pytest.approx(1.2)
    assert flat_factor(conditions("motor-series", None, 24, load="extra heavy")) == pytest.approx(1.8)
    assert flat_factor(conditions("motor-nema-b", None, 10, load="heavy")) == pytest.approx(1.3)


def test_the_search_equals_the_single_drive() -> None:
    wanted = DutyWanted(
        design_kw=6.6,
        power_kw=6.6,
        driver_rpm=1750,
        driven_rpm=640,
        tolerance_percent=3,
        centre_low_mm=1450,
        centre_high_mm=1550,
        centre_mm=1500,
    )
    found = search(FlatField(wanted), 24, each=24)
    assert (
        found.accepted + sum(r.count for r in found.rejected)
        == found.considered
        == len(materials()) * len(table("flat_pulleys").rows) ** 2
    )
    for c in found.best:
        one = work_flat(
            flat_case(
                power_kw=6.6,
                service_factor=1.0,
                driver_rpm=1750,
                driver_mm=c.drive.driver_mm,
                driven_mm=c.drive.driven_mm,
                centre_mm=1500,
                length_mm=None,
                material=c.drive.material,
                width_mm=c.found["width"],
            )
        )
        assert one.spare_percent >= 0 and one.shaft_load.newtons == pytest.approx(c.shaft_load_n, rel=1e-9)
        narrower = [w for w in table("flat_widths").column("belt") if w < c.found["width"]]
        assert one.rated.own.width_needed_mm <= c.found["width"] * (1 + 1e-9)
        assert not narrower or one.rated.own.width_needed_mm > narrower[-1]


@pytest.mark.outside("pint: 10 hp through 95 % for 16 h on 250 days, in kilowatt-hours")
def test_yearly_loss() -> None:
    u = pint.UnitRegistry()
    taken_in = 10 * u.horsepower / 0.95
    lost = ((taken_in - 10 * u.horsepower) * 16 * u.hour * 250).to("kilowatt_hour").magnitude
    assert yearly_loss((10 * u.horsepower).to("kW").magnitude, 95.0, 16.0, 250.0) == pytest.approx(lost, rel=1e-9)
