"""A loop of many wheels as figures: wheel by wheel, strand by strand, its take-up, its guides, how it is set."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Band, ElevationOut, Figure


class RouteWheelOut(Answer):
    """One wheel."""

    wheel: str
    speed: Figure
    turns: Literal["clockwise", "counter-clockwise"]
    arc: Figure
    pull: Figure | None
    pulls_towards: Figure | None
    grip_left: str


class RouteStrandOut(Answer):
    """One strand; its id is that of the elevation's."""

    id: str
    strand: str
    length: Figure
    tension: Figure | None
    side: str


class TravelOut(Answer):
    """The take-up from stop to stop."""

    shortest_loop: Figure
    longest_loop: Figure
    left_to_tighten: Figure | None
    left_to_slacken: Figure | None


class OffOut(Answer):
    """The same clutch with a loop a little shorter (less than nothing) or longer: its slack let go, whether it still engages."""

    by: Figure
    slack: Figure
    drags: bool
    engages: bool


class ReleasedOut(Answer):
    """The loop let go."""

    slack: Figure
    hangs: str
    deep: Figure
    drags: bool
    with_belt: list[OffOut]


class LoadedWheelOut(Answer):
    """What a wheel gives or takes, and what the loop carries on it by its own method."""

    wheel: str
    power: Figure
    carries: Figure | None
    spare: Figure | None
    teeth_engaged: Figure | None = Field(description="whole teeth in mesh; none where friction carries")


class GuideOut(Answer):
    """A guide's gap to the running loop, and to it let go where it is a clutch."""

    guide: str
    beside: str
    gap: Figure
    gap_released: Figure | None
    wanted: Band
    verdict: Literal["right", "rubs", "too far", "wrong side"]


class SpanSettingOut(Answer):
    """One strand that can be pressed or sounded, for a new loop; per belt."""

    strand: str
    span: Figure
    deflection: Figure
    force: Band
    frequency: Band | None


class PullOut(Answer):
    """The pull that sets the loop, at the wheel or at the lever's end, with the limits on both sides."""

    held_by: Literal["spring", "weight", "lever"]
    at: Literal["wheel", "hand"]
    now: Figure
    slips_under: Figure | None
    set_new: Band
    set_run_in: Band
    shaft_load: Figure


class LoopFitOut(Answer):
    """A standard length, and where it would put the take-up: so far from its slack stop."""

    designation: str
    length: Figure
    at: Figure | None
    path: str = Field(description="the input field that takes this loop, and what it then says")
    typed: str
    on_the_drive: bool


class AroundOut(Answer):
    """A drive's loop round all of its wheels."""

    says: str
    rests_on: str
    members: int = Field(description="belts or strands that run side by side; pulls of the loop are for all of them")
    wheels: list[RouteWheelOut]
    strands: list[RouteStrandOut]
    loaded: list[LoadedWheelOut]
    first_to_slip: str
    times_todays_load: float | None
    least_to_spare: str
    bends_in_a_turn: int
    bends_backwards: int
    bends_an_hour: Figure
    travel: TravelOut | None
    released: ReleasedOut | None
    released_elevation: ElevationOut | None
    guides: list[GuideOut]
    spans: list[SpanSettingOut]
    pull: PullOut | None
    slips_under: Figure | None = Field(
        description="pull of the loop at rest under which a wheel slips; none where it is pulled"
    )
    fits: list[LoopFitOut]
