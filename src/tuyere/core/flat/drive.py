"""A flat belt drive, a round belt, a link belt, a crown."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.duty.design import design_power
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.flat.formulas import (
    allowed_tight,
    belt_weight,
    developed_friction,
    dip_inches,
    hoop_tension,
    initial_tension,
    links_off,
    net_pull_pounds,
    pounds_to_newtons,
    round_cut_length,
    slack_tension,
    slip_power,
    slip_power_kw,
)
from tuyere.core.geometry.two_pulleys import TwoPulleys, work_two_pulleys
from tuyere.core.notices import notice
from tuyere.core.speeds.formulas import belt_speed, driven_speed
from tuyere.core.steps import looked_up, mark
from tuyere.core.tables import axis, declare, table
from tuyere.core.tension.formulas import design_horsepower, speed_in_feet
from tuyere.core.units import MM_PER_IN

declare(
    "tuyere.core.flat", "flat_materials", "pulley_correction", "velocity_correction", "crowns", "round_urethane",
    "round_pulleys", "link_belts",
)  # fmt: skip
RIM_LIMIT_FPM = 6000.0


@dataclass(frozen=True, slots=True)
class FlatDrive:
    """A worked flat belt drive. kW, rpm, m/s, mm, N, degrees."""

    design_kw: float
    driven_rpm: float
    speed_m_s: float
    pulleys: TwoPulleys
    tight_n: float
    slack_n: float
    initial_n: float
    centrifugal_n: float
    friction_used: float
    friction_there: float
    capacity_kw: float
    spare_percent: float
    dip_mm: float
    width_needed_mm: float


def _least_pulley(row: dict[str, object], small_mm: float, width_mm: float) -> None:
    least = float(row["min_pulley"]) + (float(row["wide_add"]) if width_mm >= 8 * MM_PER_IN else 0.0)  # type: ignore[arg-type]
    if small_mm < least * MM_PER_IN * (1 - 1e-9):
        raise InputError(
            "driver_diameter",
            small_mm,
            f"too small for {row['name']}",
            f"{least:g} in ({least * MM_PER_IN:.0f} mm) or more",
        )


def work_flat_drive(power_kw: float, factor: float, driver_rpm: float, driver_mm: float, driven_mm: float, centre_mm: float,
                    material: str, width_mm: float, crossed: bool) -> FlatDrive:  # fmt: skip
    """A flat belt by the textbook's method: tight strand fully used, slack what the power leaves.

    Raises InputError for a pulley under the material's least or outside the tables, NoSolution where
    the belt's own mass takes its whole tension. Source: Shigley, flat belts.
    """
    t = table("flat_materials")
    try:
        row = t.row(key=material)
    except KeyError as e:
        raise InputError("material", material, "not in the table", " ".join(str(k) for k in t.column("key"))) from e
    small = min(driver_mm, driven_mm)
    _least_pulley(row, small, width_mm)
    design = mark("design_power", design_power(power_kw, factor))
    driven = mark("driven_speed", driven_speed(driver_rpm, driver_mm, driven_mm, 0.0))
    speed = mark("belt_speed", belt_speed(driver_mm, driver_rpm))
    shape = work_two_pulleys(driver_mm, driven_mm, centre_mm, None, crossed)
    feet = speed_in_feet(speed)
    if feet > RIM_LIMIT_FPM:
        raise InputError("driver_speed", driver_rpm, f"belt speed {feet:.0f} ft/min is over what plain cast-iron pulleys stand",
                         f"{RIM_LIMIT_FPM:.0f} ft/min at most")  # fmt: skip
    corrections = table("pulley_correction")
    c_p = looked_up("C_pul", axis(corrections, "from", "C_p", material=row["cp"]).at(small / MM_PER_IN, "driver_diameter"),
                    corrections.id, corrections.source_of(), d=small)  # fmt: skip
    c_v = 1.0
    if row["cv"]:
        v_table = table("velocity_correction")
        line = axis(v_table, "speed", "C_v", thickness=row["cv"])
        c_v = float(line.at(max(float(feet), float(line.xs[0])), "driver_speed"))
        looked_up("C_vel", c_v, v_table.id, v_table.source_of(), V=feet)
    width = width_mm / MM_PER_IN
    weight = belt_weight(row["gamma"], width, row["thickness"])
    hoop = hoop_tension(weight, feet)
    tight = allowed_tight(width, row["F_a"], c_p, c_v)
    if tight <= hoop:
        raise NoSolution(
            "at this speed the belt's own weight takes all of its tension", "driver_speed", "a lower speed"
        )
    capacity = mark("capacity", slip_power_kw(slip_power(tight, hoop, row["friction"], shape.small_arc_deg, feet)))
    pull = net_pull_pounds(design_horsepower(design), feet)
    slack = slack_tension(tight, pull)
    spare = 100 * (float(capacity) / float(design) - 1)
    needed = width_mm * float(design) / float(capacity)
    if spare < 0:
        notice("danger" if capacity < power_kw else "caution", "slips", "Slips at {there}, needs {wanted}: about {width} wide would do.",
               "input.width", "A wider belt, larger pulleys, or more wrap.",
               there=(float(capacity), "power"), wanted=(float(design), "power"), width=(needed, "length"))  # fmt: skip
        if slack <= hoop:
            raise NoSolution("the belt is far too narrow for this power: the slack strand would be pushed", "width",
                             f"about {needed / MM_PER_IN:.1f} in or more")  # fmt: skip
    initial = initial_tension(tight, slack, hoop)
    used = mark("friction_used", developed_friction(tight, slack, hoop, shape.small_arc_deg))
    dip = dip_inches(shape.span_mm / MM_PER_IN / 12, weight, initial)
    if crossed and feet > 3000:
        notice("caution", "crossed-fast", "A crossed belt rubs on itself: not over 3000 ft/min.", "input.driver_speed")
    if centre_mm < 3.5 * max(driver_mm, driven_mm):
        notice(
            "info",
            "short-centres",
            "Flat belts like centres of 3.5 times the large pulley or more.",
            "input.centre_distance",
        )
    notice(
        "info",
        "slack-side",
        "On level drives let the slack strand run on top: its sag adds wrap.",
        "input.centre_distance",
    )

    def newtons(name: str, pounds: float) -> float:
        return float(mark(name, pounds_to_newtons(pounds)))

    return FlatDrive(float(design), float(driven), float(speed), shape, newtons("tight", tight), newtons("slack", slack),
                     newtons("initial", initial), newtons("centrifugal", hoop), float(used), float(row["friction"]),
                     float(capacity), spare, float(dip) * MM_PER_IN, needed)  # fmt: skip


@dataclass(frozen=True, slots=True)
class RoundBelt:
    """Length to cut (mm), tension of one strand (N), least pulley (mm) or None beyond the table."""

    cut_mm: float
    tension_n: float
    least_pulley_mm: float | None


def work_round_belt(diameter_mm: float, path_mm: float, small_rpm: float) -> RoundBelt:
    """A round urethane belt at 6 % stretch. Raises InputError for a diameter not in the table. Source: Shigley."""
    t = table("round_urethane")
    rows = [r for r in t.rows if abs(r[0] * MM_PER_IN - diameter_mm) < 0.2]
    if not rows:
        raise InputError("diameter", diameter_mm, "no figures for this diameter", "1/4, 3/8, 1/2 or 3/4 in")
    size = rows[0][0]
    tension = mark("tension", pounds_to_newtons(looked_up("F_b", rows[0][1], t.id, t.source_of())))
    cut = mark("cut", round_cut_length(path_mm, 6.0, size * MM_PER_IN))
    per_foot = small_rpm / (path_mm / MM_PER_IN / 12)
    if per_foot > 1000:
        notice(
            "caution",
            "flexed-often",
            "Over 1000 turns a minute per foot of belt: beyond the table, it will die young.",
            "input.speed",
        )
        return RoundBelt(float(cut), float(tension), None)
    least = [r[2] for r in table("round_pulleys").rows if r[0] == size and r[1] <= per_foot][-1]
    return RoundBelt(float(cut), float(tension), least * MM_PER_IN)


@dataclass(frozen=True, slots=True)
class LinkBelt:
    """Links hand-tight, to take off and to run; least pulley in mm."""

    hand_tight: int
    take_off: int
    run: int
    least_pulley_mm: float


def work_link_belt(section: str, links: int | None, path_mm: float | None) -> LinkBelt:
    """Links of a link belt from a hand-tight count, or from the path when nothing could be counted.

    Raises InputError when both or neither are given. Source: common practice.
    """
    t = table("link_belts")
    try:
        row = t.row(section=section)
    except KeyError as e:
        raise InputError("section", section, "no practice on hand for this section", "Z A B C") from e
    if (links is None) == (path_mm is None):
        raise InputError(
            "links", links, "give the links counted hand-tight, or the path length", "exactly one of the two"
        )
    if links is None:
        assert path_mm is not None
        links = round(path_mm / MM_PER_IN / row["pitch"])
        notice(
            "caution",
            "pitch-assumed",
            f"A link pitch of {row['pitch']:g} in is assumed: types differ, count 12 in of yours.",
            "input.path",
        )
    if not 12 <= links <= 5000:
        raise InputError("links", links, "not a belt", "12 to 5000 links")
    off = int(mark("take_off", links_off(float(links), looked_up("one_in", float(row["one_in"]), t.id, t.source_of()))))
    notice(
        "info",
        "direction",
        "Tabs trail and the belt is pulled, not pushed. Tension again after 24 hours of running.",
        "input.links",
    )
    notice(
        "caution",
        "link-rating",
        "Count it at 0.9 of the plain V-belt at the most; never among endless belts.",
        "input.section",
    )
    return LinkBelt(links, off, links - off, row["pulley"] * MM_PER_IN)


def crown_mm(diameter_mm: float, face_mm: float) -> float:
    """Crown height on the diameter's middle, mm. Raises InputError under 1.6 in. Source: Shigley, ISO 22."""
    t = table("crowns")
    rows = [r for r in t.rows if r[0] * MM_PER_IN <= diameter_mm + 1e-9]
    if not rows:
        raise InputError("diameter", diameter_mm, "under the table of crowns", "1.6 in (41 mm) or more")
    value = rows[-1][2] if face_mm > 10 * MM_PER_IN else rows[-1][1]
    if rows[-1][3] == "low":
        notice(
            "caution",
            "crown-doubt",
            "The print contradicts itself for pulleys of 12 to 20 in: 0.03 or 0.04 in.",
            "input.diameter",
        )
    notice("info", "one-crown", "Crown one pulley of a pair, usually the larger, rounded and smooth.", "input.diameter")
    return float(mark("crown", looked_up("h_o", value * MM_PER_IN, t.id, t.source_of(rows[-1][3]))))
