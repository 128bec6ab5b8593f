"""`alignment-limits`, `run-out` and `soft-foot`."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.card import Card, CardAnswer, wear_bar
from tuyere.calc.entries.alignment import LoopKind
from tuyere.calc.entry import Gap, Length, Size, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.alignment.corrections import soft_foot
from tuyere.core.alignment.limits import SOFT_FOOT_MM, kinds, limits_of, run_out_kinds, run_out_limit_mm
from tuyere.core.alignment.shims import usual_box
from tuyere.core.errors import InputError
from tuyere.core.notices import notice

GROUP = "Alignment and tension"
RunOutAt = Literal["grooved rim", "grooved face", "toothed rim", "toothed face", "shaft", "large shaft"]


class AlignmentLimitsIn(Input):
    """Two wheels and the kind of loop on them."""

    kind: LoopKind = Field(default="v", description="kind of loop")
    centre: Length = Field(description="centre distance")
    diameter: Size | None = Field(default=None, description="diameter of the wheel that is read")


class AlignmentLimitsOut(CardAnswer):
    """What is allowed: as an angle, as a slope, as a difference of gaps, and the offset."""

    angle: Figure
    gap_difference: Figure | None = Field(title="Between the two gaps")
    offset: Figure
    slope: Figure
    worth_aiming_for: Figure
    comes_from: str


@calculation(
    "alignment-limits",
    "How far out of line two wheels may be",
    summary="Limits of twist, toe and offset by the kind of loop, in degrees, mm/m, in/ft and gap at the rim.",
    source="association and handbook practice, row by row",
    example={"units": "us", "input": {"kind": "sync", "centre": "24", "diameter": "6"}},
    card=Card(
        asks="How far out of line may two wheels be?",
        topic="Is it in line and tight",
        sentence="{kind} on two wheels {centre} apart.|A straightedge or a string is read across a wheel of {diameter}.",
        figures=("gap_difference", "offset", "angle"),
        picture="plan",
        fresh={"kind": "v"},
        on_picture=("centre", "diameter"),
        names={"kind": kinds()},
        then=("run-out", "Does the wheel run true?"),
    ),
)
def alignment_limits(given: AlignmentLimitsIn, frame: Frame) -> AlignmentLimitsOut:
    """Look them up."""
    r = limits_of(given.kind, given.centre.value, maybe(given.diameter))
    f = frame.figure
    if r.confidence == "low":
        notice("caution", "weak-source", f"Sources differ on this limit: {r.comes_from}.", "input.kind")
    angle, offset = f(r.angle_deg, "angle", "fine"), f(r.offset_mm, "gap")
    gap = None if r.gap_mm is None else f(r.gap_mm, "gap")
    twist = angle.shown if gap is None else f"{gap.shown} between the two sides of its rim"
    return AlignmentLimitsOut(
        says=f"No more than {twist}, and {offset.shown} to one side; {f(r.good_deg, 'angle', 'fine').shown} is worth aiming for.",
        angle=angle,
        gap_difference=gap,
        offset=offset,
        slope=f(r.slope_mm_m, "slope"),
        worth_aiming_for=f(r.good_deg, "angle", "fine"),
        comes_from=r.comes_from,
    )


class RunOutIn(Input):
    """A dial on a wheel or shaft, turned once round."""

    what: RunOutAt = Field(title="Where the dial stands", default="grooved rim", description="where the dial stands")
    diameter: Size = Field(description="diameter at the dial")
    lowest: Gap | None = Field(default=None, description="least reading in one turn")
    highest: Gap | None = Field(default=None, description="greatest reading in one turn")


class RunOutOut(CardAnswer):
    """Total indicator reading against what is allowed."""

    limit: Figure
    total: Figure | None = Field(title="In one turn")
    within: bool | None
    comes_from: str


@calculation(
    "run-out",
    "Run-out of a wheel or shaft",
    summary="Total indicator reading of rim, face or shaft against what is allowed.",
    source="RMA IP-20, IP-22, IP-24; NEMA MG 1; millwright practice",
    example={"units": "us", "input": {"what": "grooved rim", "diameter": "12", "lowest": "-0.004", "highest": "0.011"}},
    card=Card(
        asks="Does it run true?",
        topic="Is it in line and tight",
        sentence="A dial stands here: {what}, {diameter} across.|"
        "Turned once round by hand it reads {lowest} at the least and {highest} at the most.",
        figures=("total", "limit"),
        picture="dial",
        fresh={"what": "grooved rim"},
        on_picture=("diameter",),
        names={"what": run_out_kinds()},
        then=("alignment-limits", "How far out of line may they be?"),
    ),
)
def run_out(given: RunOutIn, frame: Frame) -> RunOutOut:
    """Compare them. Raises InputError where only one reading is given or they are the wrong way round."""
    low, high = maybe(given.lowest), maybe(given.highest)
    if (low is None) != (high is None):
        missing = "lowest" if low is None else "highest"
        raise InputError(missing, None, "run-out is the difference of two readings", "the least and the greatest")
    if low is not None and high is not None and low > high:
        raise InputError("lowest", low, "more than the greatest reading", "the least reading of the turn")
    limit, source = run_out_limit_mm(given.what, given.diameter.value)
    total = None if low is None or high is None else high - low
    if total is not None and total > given.diameter.value / 4:
        raise InputError("highest", high, "no wheel runs out by that much", "read it again")
    within = None if total is None else total <= limit
    f = frame.figure
    says = f"Up to {f(limit, 'gap').shown} is allowed here."
    if total is not None:
        says = (
            f"{f(total, 'gap').shown} in all: good, up to {f(limit, 'gap').shown} is allowed."
            if within
            else f"{f(total, 'gap').shown} in all, {f(limit, 'gap').shown} is allowed: "
            "clean bore and taper, fit it again; then true or change it. Line up after that."
        )
    most, whole = f(limit, "gap"), None if total is None else f(total, "gap")
    return RunOutOut(
        says=says,
        bar=None if whole is None else wear_bar(whole, most, most, words=("", "too much")),
        limit=most,
        total=whole,
        within=within,
        comes_from=source,
    )


class SoftFootIn(Input):
    """How far each foot lifts when its bolt alone is loosened; near and far are from the other machine."""

    inboard_near: Gap | None = Field(default=None, description="inboard foot near the other machine")
    inboard_far: Gap | None = Field(default=None, description="inboard foot far from the other machine")
    outboard_near: Gap | None = Field(default=None, description="outboard foot near the other machine")
    outboard_far: Gap | None = Field(default=None, description="outboard foot far from the other machine")
    shims: list[Size] = Field(default=[], max_length=24, description="thicknesses in the box; a usual box without them")


class FootOut(Answer):
    """A foot that needs shims."""

    foot: str
    lift: Figure
    shims: list[Figure]


class SoftFootOut(CardAnswer):
    """Which foot is soft and what goes under it."""

    feet: list[FootOut]
    worst: Figure = Field(title="Greatest lift")
    limit: Figure


@calculation(
    "soft-foot",
    "Soft foot",
    summary="Which foot lifts when its bolt is loosened, and what to put under it, before any alignment.",
    source="ANSI/ASA S2.75-1, general practice",
    example={
        "units": "us",
        "input": {
            "inboard_near": "0.001",
            "inboard_far": "0.000",
            "outboard_near": "0.002",
            "outboard_far": "0.014",
            "shims": ["0.002", "0.005", "0.010", "0.025"],
        },
    },
    card=Card(
        asks="Do all four feet lie?",
        topic="Is it in line and tight",
        sentence="Each bolt loosened alone, tightened again before the next. On the side near the other machine the "
        "inboard foot lifts {inboard_near}, the outboard one {outboard_near}.|"
        "On the far side the inboard foot lifts {inboard_far}, the outboard one {outboard_far}.",
        figures=("worst", "limit"),
        picture="feet",
        on_picture=("inboard_near", "outboard_near", "inboard_far", "outboard_far"),
        then=("alignment-limits", "How far out of line may they be?"),
    ),
)
def soft_foot_entry(given: SoftFootIn, frame: Frame) -> SoftFootOut:
    """Compare the feet. Raises InputError where none was read or a foot sinks when it is loosened."""
    lifts: dict[str, float] = {}
    for name in ("inboard_near", "inboard_far", "outboard_near", "outboard_far"):
        value = maybe(getattr(given, name))
        if value is None:
            continue
        if not 0 <= value <= 25:
            raise InputError(
                name, value, "a loosened foot lifts by nothing or a little", "nothing to {most}", most=(25.0, "gap")
            )
        lifts[name.replace("_", " ")] = value
    if not lifts:
        raise InputError("inboard_near", None, "no foot was read", "one foot at least")
    box = tuple(s.value for s in given.shims) or usual_box(frame.units)
    r = soft_foot(lifts, SOFT_FOOT_MM, box)
    f = frame.figure
    if r.rocks:
        does = "it rocks over two opposite feet. Fill one of them until both lie, then read all four again."
    elif r.over:
        does = "fill under " + " and ".join(f"the {name} foot" for name in r.over) + ", whole shims, then read again."
    elif len(lifts) < 4:
        does = "the feet that were read are good; read the others too."
    else:
        does = "all four feet lie. Go on with twist."
    worst, most = f(max(lifts.values()), "gap"), f(SOFT_FOOT_MM, "gap")
    return SoftFootOut(
        says=f"{worst.shown} at the most, {most.shown} is allowed: {does}",
        bar=wear_bar(worst, most, most, words=("", "soft")),
        worst=worst,
        feet=[
            FootOut(foot=name, lift=f(r.lifts_mm[name], "gap"), shims=[f(s, "gap") for s in r.shims[name].shims_mm])
            for name in r.over
        ],
        limit=most,
    )
