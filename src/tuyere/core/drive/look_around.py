"""A drive of any wheels, looked at wheel by wheel: what each carries and holds, how it is pulled, how often it is bent."""

from __future__ import annotations

from dataclasses import dataclass, replace
from math import inf

from tuyere.core.drive.bends import Bends, SmallIdler, bends_of, on_tight_strand, small_idlers
from tuyere.core.drive.case import L, R, S, WorkedDrive
from tuyere.core.drive.first_slip import first_times, least_pull
from tuyere.core.drive.loads import shared, turning
from tuyere.core.drive.method import LoadedWheel, Method
from tuyere.core.drive.path import Wrap
from tuyere.core.drive.pulled import pull_for_newton
from tuyere.core.drive.strands import ShaftVector, SlipAt, Strand, strands_held
from tuyere.core.drive.travel import Travel, travel_of
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet

# Profiles of wheels that hold a loop by their teeth.
TOOTHED = ("chain", "toothed")


@dataclass(frozen=True, slots=True, kw_only=True)
class AtWheel:
    """One wheel of a drive. rpm, degrees, kW, N.

    ``power_kw`` is taken from the loop (the driver gives: negative); ``carries_kw`` is what the loop carries on this wheel
    by its family's own method, None where it has no figure; ``slip`` its use of its grip, None where teeth hold or nothing pulls.
    """

    wrap: Wrap
    rpm: float
    clockwise: bool
    power_kw: float
    design_kw: float
    carries_kw: float | None
    slip: SlipAt | None
    vector: ShaftVector

    @property
    def teeth_engaged(self) -> int | None:
        """Whole teeth in mesh; None where friction carries."""
        wheel = self.wrap.wheel
        return int(wheel.count * self.wrap.arc_deg / 360) if wheel.profile in TOOTHED else None

    @property
    def spare_percent(self) -> float | None:
        """What is to spare over its share of the design power."""
        if self.carries_kw is None or self.design_kw == 0:
            return None
        return 100 * (self.carries_kw / self.design_kw - 1)


@dataclass(frozen=True, slots=True, kw_only=True)
class LookedAround:
    """A whole drive: its wheels in the order of travel; at how many times today's load the first wheel slips (inf: none does)."""

    wheels: tuple[AtWheel, ...]
    times: float
    travel: Travel | None
    bends: Bends
    small: tuple[SmallIdler, ...]
    on_tight: tuple[str, ...]

    @property
    def least_capacity(self) -> AtWheel | None:
        """The wheel with the least to spare by its family's own method."""
        known = [w for w in self.wheels if w.spare_percent is not None]
        return min(known, key=lambda w: w.spare_percent or 0.0, default=None)


def slips_under_n(method: Method[L, R, S], worked: WorkedDrive[L, R, S], times: float = 1.0) -> float | None:
    """Tension at rest of the whole loop, N, under which a wheel slips at so many times the load; None where teeth hold.

    On held centres it is the mean that was set; pulled by a spring, a weight or a hand it is what the pull holds, which
    the load does not take away. Source: statics; belt equation.
    """
    path, take_up = worked.shape.path, worked.shape.path.route.take_up
    if not worked.slips:
        return None
    with quiet():
        taken = {k: times * v for k, v in shared(worked.case.route, worked.case.power_kw, worked.case.loads).items()}
        share = 1.0
        if take_up is not None and take_up.force_n is not None:
            share = pull_for_newton(path, take_up)

        def strands_of(tension: float) -> tuple[Strand, ...]:
            held = path
            if take_up is not None and take_up.force_n is not None:
                held = replace(path, route=replace(path.route, take_up=replace(take_up, force_n=tension * share)))
            return strands_held(
                held,
                taken,
                speed_m_s=worked.speeds.loop_m_s,
                static_n=tension,
                centrifugal_n=worked.level.centrifugal_n,
            )

        return least_pull(
            path,
            strands_of,
            lambda wrap: method.grip(worked.case, wrap),
            centrifugal_n=worked.level.centrifugal_n,
        )


def look_around(method: Method[L, R, S], worked: WorkedDrive[L, R, S]) -> LookedAround:
    """Wheel by wheel. Source: the family's own method at every loaded wheel; statics; belt equation."""
    case, path = worked.case, worked.shape.path
    with quiet(), collected_notices():
        taken = shared(case.route, case.power_kw, case.loads)
        factor = worked.design_kw / case.power_kw if case.power_kw else 1.0
        slipping = {s.wheel: s for s in worked.slips}
        vectors = {v.wheel: v for v in worked.shaft_vectors}
        rows = []
        for t, wrap, stop in zip(turning(path.route, case.driver_rpm), path.wraps, path.route.stops, strict=True):
            power = taken[t.wheel]
            carries: float | None = None
            if stop.wheel.role in ("driver", "driven") and power:
                at = LoadedWheel(wheel=stop.wheel, side=stop.side, arc_deg=wrap.arc_deg, rpm=t.rpm)
                try:
                    carries = method.carries_at(worked, at)
                except (InputError, NoSolution):
                    carries = None
            rows.append(
                AtWheel(
                    wrap=wrap,
                    rpm=t.rpm,
                    clockwise=t.clockwise,
                    power_kw=power,
                    design_kw=abs(power) * factor,
                    carries_kw=carries,
                    slip=slipping.get(t.wheel),
                    vector=vectors[t.wheel],
                )
            )
        times = inf
        if slipping:
            times = first_times(
                path,
                lambda k: method.strands_at(case, path, speeds=worked.speeds, level=worked.level, times=k),
                lambda w: method.grip(case, w),
                centrifugal_n=worked.level.centrifugal_n,
            )
        return LookedAround(
            wheels=tuple(rows),
            times=times,
            travel=travel_of(case.route, path.route, worked.shape.length_mm),
            bends=bends_of(path, worked.speed_m_s),
            small=small_idlers(path, method.least_idlers()),
            on_tight=on_tight_strand(path, worked.strands),
        )
