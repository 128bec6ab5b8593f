"""A chain drive worked in the order of the method. Source: ASME B29.1, ISO 10823, statics."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.drive.case import Level, Rated, Shape, Speeds, WorkedDrive
from tuyere.core.drive.method import LoadedWheel, Method, WheelSaid
from tuyere.core.drive.wheel import Wheel
from tuyere.core.duty.carried import power_to_spare
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.roller_chain.case import ChainCase, ChainLoop, sprocket_wheel
from tuyere.core.roller_chain.formulas import (
    HAND,
    centrifugal_pull,
    chain_speed,
    chordal_variation,
    driven_sprocket_speed,
    excess_of_sag,
    greatest_pull,
    hand_of_excess,
    least_hand_movement,
    most_hand_movement,
    sag_pull,
    shaft_pull,
    standing_pull,
    static_safety,
    steepness,
    usual_sag,
    working_pull,
)
from tuyere.core.roller_chain.length import advise_length, chain_shape
from tuyere.core.roller_chain.rating import ChainRating, rate_chain
from tuyere.core.roller_chain.sprockets import advise_teeth
from tuyere.core.roller_chain.tables import lubrication_type, oil_grade
from tuyere.core.roller_chain.weight import chain_weight, over_strands
from tuyere.core.steps import about, looked_up
from tuyere.core.wheels.mass import Weight

LEAST_ENGAGED = 3.0
ROUGH_PERCENT = 4.0  # common practice, no source: under 13 teeth


@dataclass(frozen=True, slots=True, kw_only=True)
class ChainRated:
    """The chain's limits, and how its speed swings (percent)."""

    rating: ChainRating
    chordal_percent: float


@dataclass(frozen=True, slots=True, kw_only=True)
class ChainSet:
    """Pulls in N, sag and hand movement in mm, mass in kg; what oil and how."""

    pull_n: float
    centrifugal_n: float
    sag_mm: float
    hand_mm: float
    hand_band_mm: tuple[float, float]
    sag_pull_n: float
    greatest_n: float
    safety: float
    shaft_n: float
    mass_kg: float
    lubrication: str
    oil: str | None


ChainDrive = WorkedDrive[ChainLoop, ChainRated, ChainSet]


class ChainMethod(Method[ChainLoop, ChainRated, ChainSet]):
    """By ASME B29.1 or the equations of the ISO charts."""

    family = "roller-chain"

    def speeds(self, case: ChainCase) -> Speeds:
        """Teeth leave no slip."""
        driver, driven = case.route.driver, case.route.driven
        rpm = driven_sprocket_speed(case.driver_rpm, driver.count, driven.count)
        v = chain_speed(driver.count, case.loop.chain.pitch_mm, case.driver_rpm)
        return Speeds(driven_rpm=rpm, low_rpm=rpm, high_rpm=rpm, loop_m_s=v)

    def shape(self, case: ChainCase) -> Shape:
        """The chain on its sprockets."""
        return chain_shape(case)

    def rated(self, case: ChainCase, design_kw: float, *, speeds: Speeds, shape: Shape) -> Rated[ChainRated]:
        """The smallest sprocket that carries power governs."""
        loop, driver = case.loop, case.route.driver
        small = min((w for w in case.route.wheels if w.role in ("driver", "driven")), key=lambda w: w.count)
        assert shape.members is not None
        fastest = case.driver_rpm * driver.count / small.count
        with about(small.id):
            rating = rate_chain(
                loop.chain,
                loop.strands,
                small_teeth=small.count,
                small_rpm=case.driver_rpm
                if small.id == driver.id
                else speeds.driven_rpm
                if small.id == case.route.driven.id
                else fastest,
                pitches=shape.members,
                life_h=loop.life_h,
                lubrication=loop.lubrication,
                offset_link=int(shape.members) % 2 == 1,
                method=loop.method,
            )
            swing = chordal_variation(small.count)
        return Rated(
            count=loop.strands,
            own=ChainRated(rating=rating, chordal_percent=swing),
            power_kw=rating.power_kw,
            spare_percent=power_to_spare(rating.power_kw, design_kw),
        )

    def level(
        self, case: ChainCase, design_kw: float, *, speeds: Speeds, shape: Shape, rated: Rated[ChainRated]
    ) -> Level[ChainSet]:
        """The slack strand hangs by its own weight; the tight one carries the pull."""
        loop = case.loop
        mass = loop.chain.mass_kg_m * loop.strands
        pull = working_pull(case.power_kw, speeds.loop_m_s)
        centrifugal = centrifugal_pull(mass, speeds.loop_m_s)
        slope = looked_up("k_st", steepness(case.route.angle_deg), "", HAND)
        sag = usual_sag(shape.span_mm, slope)
        hand = hand_of_excess(excess_of_sag(sag, shape.span_mm), shape.span_mm)
        hang = sag_pull(mass, shape.span_mm, sag)
        greatest = greatest_pull(pull, case.service_factor, centrifugal, hang)
        # What bearing and shaft carry is the duty's pull; the figure with the service factor is the strength check above.
        shaft = shaft_pull(pull, case.service_factor, hang)
        running = shaft_pull(pull, 1.0, hang)
        assert shape.members is not None
        return Level(
            static_n=hang + pull / 2 + centrifugal,
            centrifugal_n=centrifugal,
            standing_n=standing_pull(hang),
            running_n=running,
            own=ChainSet(
                pull_n=pull,
                centrifugal_n=centrifugal,
                sag_mm=sag,
                hand_mm=hand,
                hand_band_mm=(
                    least_hand_movement(shape.span_mm, slope),
                    most_hand_movement(shape.span_mm, slope),
                ),
                sag_pull_n=hang,
                greatest_n=greatest,
                safety=static_safety(loop.chain.tensile_n * loop.strands, greatest),
                shaft_n=shaft,
                mass_kg=mass * shape.members * loop.chain.pitch_mm / 1000,
                lubrication=lubrication_type(loop.chain, speeds.loop_m_s),
                oil=oil_grade(loop.celsius),
            ),
        )

    def beside(self, case: ChainCase, said: WheelSaid, field: str) -> Wheel:
        """A sprocket, on either side of the chain."""
        if said.teeth is None:
            raise InputError(
                f"{field}.teeth", None, "a chain's idler has teeth, on either side of the chain", "count its teeth"
            )
        return sprocket_wheel(case.loop.chain, said.teeth, said.ident, said.role)

    def carries_at(self, worked: ChainDrive, at: LoadedWheel) -> float | None:
        """By the teeth and the speed of this very sprocket."""
        loop = worked.case.loop
        assert worked.shape.members is not None
        rating = rate_chain(
            loop.chain,
            loop.strands,
            small_teeth=at.wheel.count,
            small_rpm=at.rpm,
            pitches=worked.shape.members,
            life_h=loop.life_h,
            lubrication=loop.lubrication,
            offset_link=int(worked.shape.members) % 2 == 1,
            method=loop.method,
        )
        return float(rating.power_kw)

    def advise_around(self, worked: ChainDrive) -> None:
        """An idler sprocket needs three teeth engaged. Source: chain association practice, recalled."""
        for wrap in worked.shape.path.wraps:
            engaged = wrap.wheel.count * wrap.arc_deg / 360
            if engaged < LEAST_ENGAGED:
                notice(
                    "caution",
                    "few-engaged",
                    f"Only {engaged:.1f} teeth of {wrap.wheel.id} are engaged: the chain may ride up. Three are the least that is usual.",
                    "input.around",
                    "Push it further in, or a larger sprocket.",
                )

    def character(self, case: ChainCase) -> str:
        """Rollers between plates."""
        return "rollers"

    def thickness_mm(self, case: ChainCase) -> float:
        """The plates' height."""
        return case.loop.chain.height_mm

    def pitch_mm(self, case: ChainCase) -> float:
        """The chain's."""
        return case.loop.chain.pitch_mm

    def size(
        self, case: ChainCase, rated: Rated[ChainRated], *, shape: Shape, level: Level[ChainSet]
    ) -> tuple[float, Weight]:
        """Width over the strands, and what sprockets and chain weigh."""
        of, strands = case.loop.chain, case.loop.strands
        assert shape.members is not None
        weight = chain_weight(of, strands, case.route.driver.count, case.route.driven.count, int(shape.members))
        return float(over_strands(of.width_mm, of.spacing_mm, strands)), weight

    def advise(self, worked: ChainDrive) -> None:
        """Geometry, teeth, strength, attitude, oil."""
        case, own, rated = worked.case, worked.own, worked.rated.own
        assert rated is not None and worked.rated.power_kw is not None and worked.spare_percent is not None
        advise_length(worked.shape, case)
        for wheel in (case.route.driver, case.route.driven):
            advise_teeth(wheel.count, f"{wheel.role}_teeth")
        if rated.chordal_percent > ROUGH_PERCENT:
            notice(
                "caution",
                "chordal",
                "The chain's speed swings by {swing} with every tooth: it will be felt and heard.",
                "input.driver_teeth",
                swing=(float(rated.chordal_percent), "percent"),
            )
        if worked.spare_percent < 0:
            notice(
                "danger" if worked.rated.power_kw < case.power_kw else "caution",
                "chain-short",
                "Carries {carried}, needs {wanted} with the service factor; " + rated.rating.governing + " govern.",
                "input.strands",
                "More strands, more teeth, or another pitch.",
                carried=(worked.rated.power_kw, "power"),
                wanted=(float(worked.design_kw), "power"),
            )
        if own.safety < 5:
            notice(
                "danger" if own.safety < 4 else "caution",
                "static-safety",
                f"Static safety {own.safety:.1f}: 5 with shocks counted is the least that is usual.",
                "input.chain",
            )
        if 60 < case.route.angle_deg % 180 < 120:
            notice(
                "info",
                "vertical",
                "Near upright the slack falls away from the lower sprocket: keep the strand tauter and use a take-up.",
                "input.layout.angle",
            )
        if own.oil is None:
            notice(
                "caution",
                "oil",
                "Outside -7 to 60 °C the oil table says nothing: ask the oil supplier.",
                "input.temperature",
            )


CHAIN_METHOD = ChainMethod()


def work_chain(case: ChainCase) -> ChainDrive:
    """Work a chain drive through. Raises InputError and NoSolution."""
    return CHAIN_METHOD.work(case)
