"""The V-belt search as the core takes it: parts that stay, the shelf, the limits."""

from tuyere.calc.centre import centre_range
from tuyere.calc.entry import value_of
from tuyere.calc.families.v_belt.choose_model import BearingLimitIn, FixedIn, MotorLimitIn, StockIn, VBeltSelectIn
from tuyere.calc.families.v_belt.motor_sheave import least_of_motor, motor_drives
from tuyere.calc.families.v_belt.parts import sheave_of
from tuyere.calc.parts import factor_of, slip_of, tolerance_of
from tuyere.core.duty.design import design_power
from tuyere.core.errors import InputError
from tuyere.core.motors.motor import least_motor_sheave
from tuyere.core.notices import collected_notices
from tuyere.core.shafts.bearings import largest_pull
from tuyere.core.steps import mark, quiet
from tuyere.core.v_belt.bases.pick import basis_for
from tuyere.core.v_belt.bases.protocol import Basis
from tuyere.core.v_belt.belts import belt
from tuyere.core.v_belt.catalogue import Fixed
from tuyere.core.v_belt.limits import Stock, Wanted
from tuyere.core.v_belt.sections import section
from tuyere.core.v_belt.sheaves import sheave

INF = float("inf")


def fixed_of(given: FixedIn, basis: Basis) -> Fixed:
    """Parts that stay. Raises InputError where they do not go together or no book rates the section."""
    one = belt(given.belt, "fixed.belt") if given.belt else None
    driver = sheave_of(given.driver, "fixed.driver") if given.driver else None
    driven = sheave_of(given.driven, "fixed.driven") if given.driven else None
    grooves = {
        g: n
        for n, g in (
            ("driver", driver.groove if driver else None),
            ("driven", driven.groove if driven else None),
            ("belt", one.section.groove if one else None),
        )
        if g
    }
    if len(grooves) > 1:
        raise InputError(
            "fixed",
            None,
            "the parts that stay do not share a groove: " + ", ".join(f"{n} {g}" for g, n in grooves.items()),
            "the same groove section",
        )
    if one and given.section and section(given.section, "fixed.section") is not one.section:
        raise InputError("fixed.section", given.section, f"the belt that stays is {one.section.name}", one.section.name)
    if one:
        basis_for(basis, one.section, "fixed.belt")
    if given.section:
        basis_for(basis, section(given.section, "fixed.section"), "fixed.section")
    return Fixed(driver=driver, driven=driven, section=section(given.section).name if given.section else None, belt=one)


def stock_of(given: StockIn | None) -> Stock | None:
    """The shelf as the search takes it. Raises InputError beside a line that is no belt or no sheave."""
    if given is None or not (given.belts or given.sheaves):
        return None
    with quiet(), collected_notices():
        belts = frozenset(belt(text, f"stock.belts.{k}").designation for k, text in enumerate(given.belts))
        wheels = tuple(
            (s.groove, sheave(s.diameter.value, s.kind, s.groove, f"stock.sheaves.{k}").line_mm)
            for k, s in enumerate(given.sheaves)
        )
    return Stock(belts, wheels)


def least_on_motor(given: MotorLimitIn | None, power_kw: float, rpm: float) -> tuple[float, float]:
    """Least driver sheave in mm for classical and for wedge belts; zeros where no motor is asked about.

    Raises InputError beside the motor's fields where the table does not know it.
    """
    if given is None:
        return 0.0, 0.0
    power = value_of(given.power, power_kw)

    def least(narrow: bool) -> float:
        return least_motor_sheave(power, rpm, narrow, given.frame.strip().upper() if given.frame else None).least_mm

    try:
        classical = least(False)
    except InputError as e:
        raise e.at(f"limits.motor.{e.field}") from e
    try:
        with quiet(), collected_notices():
            wedge = least(True)
    except InputError:
        wedge = INF  # the table has no wedge sheave for this motor: none passes
    return classical, wedge


def pull_of(given: BearingLimitIn | None, driver_rpm: float, driven_rpm: float) -> float:
    """The largest pull in N that lets the bearing reach its hours; infinite where none is asked about."""
    if given is None:
        return INF
    rpm = driver_rpm if given.shaft == "driver" else driven_rpm
    return largest_pull(
        given.rating.value,
        rpm,
        hours=given.hours,
        kind=given.bearing,
        overhang_mm=given.overhang.value,
        spacing_mm=given.spacing.value,
    )


def wanted_of(given: VBeltSelectIn) -> tuple[Wanted, float]:
    """The duty of a search, and its service factor. Raises InputError beside the field."""
    factor = factor_of(given.service_factor)
    design = float(mark("design_power", design_power(given.power.value, factor)))
    low, high = centre_range(given.centre)
    tolerance = tolerance_of(given.tolerance)
    ratio = given.driver_speed.value / given.driven_speed.value
    if not 1 / 15 <= ratio <= 15:
        raise InputError(
            "driven_speed",
            given.driven_speed.value,
            f"a ratio of {max(ratio, 1 / ratio):.0f} : 1 is beyond one belt drive",
            "up to 15 : 1; use two stages or a gearbox",
        )
    room = given.limits
    if room.motor is None and motor_drives(given.service_factor):
        classical, wedge = (
            least_of_motor(given.power.value, given.driver_speed.value, narrow) for narrow in (False, True)
        )
    else:
        classical, wedge = least_on_motor(room.motor, given.power.value, given.driver_speed.value)
    return Wanted(
        power_kw=given.power.value,
        design_kw=design,
        driver_rpm=given.driver_speed.value,
        driven_rpm=given.driven_speed.value,
        tolerance_percent=tolerance,
        centre_low_mm=low,
        centre_high_mm=high,
        most_belts=room.belts,
        largest_driver_mm=value_of(room.driver_outside, INF),
        largest_driven_mm=value_of(room.driven_outside, INF),
        widest_mm=value_of(room.width, INF),
        slip_percent=slip_of(given.slip),
        weights=given.weights.model_dump(),
        stock=stock_of(given.stock),
        least_classical_mm=classical,
        least_narrow_mm=wedge,
        driver_shaft_mm=value_of(room.driver_shaft, 0.0),
        driven_shaft_mm=value_of(room.driven_shaft, 0.0),
        largest_load_n=min(
            value_of(room.shaft_pull, INF), pull_of(room.bearing, given.driver_speed.value, given.driven_speed.value)
        ),
    ), factor
