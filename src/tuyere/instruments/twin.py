"""A simulated drive: what is true of a machine and nobody has read yet. Moves change it; every instrument reads the same one.

mm, N, degrees, A, kelvin; tensions of one belt at rest.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from math import degrees, inf, radians, sqrt
from typing import Any

import numpy as np

from tuyere.core.motors.formulas import current_at_load
from tuyere.core.steps import quiet
from tuyere.core.tension.running import Running, running_of
from tuyere.instruments.body import Body, standing
from tuyere.jobs.facts import DriveKnown

FEET = ("inboard near", "inboard far", "outboard near", "outboard far")
# What is usual about machines of that size; invented, as all of a simulated drive is.
SCREW_MM, GIVE, NO_LOAD, AMPS_PER_KW = 1.5, 0.35, 0.35, 1.75
# Lengths that a job reads once and that hang on nothing else: from what to what they may be, mm.
PLAIN_MM = {
    "wheel-marked": (2.0, 30.0),
    "rails-level": (0.0, 2.0),
    "guide-gap": (1.0, 9.0),
    "guides-gap": (1.0, 9.0),
    "spring-length": (90.0, 160.0),
    "strips-worn": (3.0, 12.0),
}
FRESH_SLACK = 0.3  # of the band, where a new loop is laid on and hand-tight


@dataclass(frozen=True, slots=True, kw_only=True)
class Twin:
    """``belts`` is each belt's own share of the mean tension, ``box`` those of the set that will be laid on next (alike where none is
    said). ``start_n`` is the mean at the place the adjusters stood at first, ``per_mm_n`` what a millimetre of centre distance
    adds. ``load`` is the share of the duty's power it runs at. ``slack_mm`` is what a chain is longer than its straight path,
    ``worn_percent`` how far it has stretched. ``fastened_nm`` is what its bolts hold, ``screws`` how many turns each of two
    screws stands from its released place, ``opened`` those of an adjustable sheave; ``gaps_mm`` are plain lengths by the step of a
    job that reads them, ``grooves_mm`` the gap under a gauge in the driver's and the driven wheel's worst groove.
    """

    body: Body
    belts: tuple[float, ...]
    start_n: float
    per_mm_n: float
    first_centres: float
    load: float
    rated_a: float
    rims: tuple[float, float]
    turns: float = 0.0
    screw_mm: float = SCREW_MM
    slack_mm: float = 0.0
    worn_percent: float = 0.0
    run_out_mm: float = 0.1
    room_c: float = 22.0
    travel_mm: float = 40.0
    feet: Mapping[str, float] = field(default_factory=dict)
    box: tuple[float, ...] = ()
    fastened_nm: float = 30.0
    screws: tuple[float, float] = (4.0, 4.0)
    opened: float = 2.0
    gaps_mm: Mapping[str, float] = field(default_factory=dict)
    grooves_mm: tuple[float, float] = (0.2, 0.1)

    @property
    def longer_mm(self) -> float:
        """How far the centres are apart more than at the beginning."""
        return self.turns * self.screw_mm + self.body.centres - self.first_centres

    @property
    def tensions_n(self) -> tuple[float, ...]:
        """Each belt at rest; a belt that hangs has none."""
        mean = self.start_n + self.per_mm_n * self.longer_mm
        return tuple(max(mean, 0.0) * own for own in self.belts)

    @property
    def slack_now_mm(self) -> float:
        """What the chain has too much now: both strands take up what the centres gain."""
        return max(self.slack_mm - 2 * self.longer_mm, 0.0)

    def running(self, known: DriveKnown) -> Running:
        """How it runs, by the core. A loop that is not set by tension runs without slip."""
        free = float(known.worked.speeds.high_rpm)
        if known.hold is None:
            return Running(grip_used=0.0, slip_percent=0.0, driven_rpm=free, warmer_k=0.0)
        small = min(w.path_mm for w in known.worked.case.route.wheels)
        return running_of(known.hold, self.tensions_n, load=self.load, free_rpm=free, wheel_mm=float(small))

    def amps(self, share: float = 1.0) -> float:
        """What the motor draws at a share of the load it has."""
        with quiet():
            return float(current_at_load(NO_LOAD * self.rated_a, self.rated_a, self.load * share))


def twin_for(known: DriveKnown, seed: int) -> Twin:
    """A drive somewhere between just serviced and neglected, the same for the same seed. Invented throughout."""
    luck = np.random.default_rng(seed)
    wheel = known.moving_mm
    centre = float(known.worked.centre_mm)
    pose = (radians(luck.uniform(-1, 1)), radians(luck.uniform(-1, 1)), float(luck.uniform(-4, 4)))
    body = standing(
        inboard=round(0.7 * wheel + 30),
        spacing=round(0.9 * wheel + 40),
        height=round(0.8 * wheel + 40),
        centre=centre,
        pose=pose,
    )
    hold, count = known.hold, known.belts
    belts = luck.normal(1.0, 0.02, count)
    if count >= 3 and luck.random() < 0.3:
        belts[int(luck.integers(count))] = 0.6
    start = per_mm = 0.0
    if hold is not None:
        band = hold.band("run in")
        aim = (band.low_n + band.high_n) / 2
        start = aim * float(luck.uniform(0.45, 0.95))
        stretch = inf if hold.stiffness_n is None else 2 * hold.stiffness_n / hold.length_mm
        # Frames and mounts give, or stretch alone would go from slack to broken in a turn.
        per_mm = min(GIVE * stretch, 0.5 * aim)
    feet = dict.fromkeys(FEET, 0.0)
    if luck.random() < 0.3:
        feet[FEET[int(luck.integers(4))]] = float(luck.uniform(0.1, 0.4))
    return Twin(
        body=body,
        belts=tuple(float(b) for b in belts),
        start_n=start,
        per_mm_n=per_mm,
        first_centres=body.centres,
        load=float(luck.uniform(0.55, 0.95)),
        rated_a=AMPS_PER_KW * float(known.worked.case.power_kw) * 1.15,
        rims=(round(float(luck.uniform(6, 9)), 1), round(float(luck.uniform(6, 9)), 1)),
        slack_mm=0.0 if hold is not None else float(luck.uniform(2, 6)),
        worn_percent=0.0 if hold is not None else float(luck.uniform(0.2, 1.4)),
        run_out_mm=float(luck.uniform(0.05, 0.3)),
        travel_mm=float(luck.uniform(10, 60)),
        feet=feet,
        # Drawn after all the rest, so that what older seeds gave stays as it was.
        fastened_nm=round(float(luck.uniform(15, 60))),
        screws=(turns := round(float(luck.uniform(2, 8)) * 4) / 4, turns + (0.5 if luck.random() < 0.4 else 0.0)),
        opened=round(float(luck.uniform(0.5, 4)) * 2) / 2,
        gaps_mm={step: round(float(luck.uniform(low, high)), 1) for step, (low, high) in PLAIN_MM.items()},
        grooves_mm=(round(float(luck.uniform(0.0, 0.9)), 2), round(float(luck.uniform(0.0, 0.6)), 2)),
    )


def turned(twin: Twin, turns: float) -> Twin:
    """After so many turns of every adjuster, positive to tighten."""
    return replace(twin, turns=twin.turns + turns, travel_mm=twin.travel_mm - turns * twin.screw_mm)


def new_loop(twin: Twin, known: DriveKnown, luck: np.random.Generator) -> Twin:
    """After a matched set was laid on, slack, or a new chain."""
    hold = known.hold
    belts = twin.box or tuple(float(b) for b in luck.normal(1.0, 0.01, known.belts))
    if hold is None:
        return replace(twin, belts=belts, worn_percent=0.0, slack_mm=5.0 + 2 * twin.longer_mm)
    band = hold.band("new")
    start = FRESH_SLACK * (band.low_n + band.high_n) / 2 - twin.per_mm_n * twin.longer_mm
    return replace(twin, belts=belts, box=(), start_n=start)


def swapped(twin: Twin, belt: int) -> Twin:
    """With one belt of the set exchanged for its sister; ``belt`` from 1 on."""
    return replace(twin, belts=tuple(1.0 if k + 1 == belt else own for k, own in enumerate(twin.belts)))


def feet_mended(twin: Twin) -> Twin:
    """With every foot shimmed so that it stands."""
    return replace(twin, feet=dict.fromkeys(FEET, 0.0))


def lined_up(twin: Twin, moves: Sequence[Mapping[str, Any]]) -> Twin:
    """After the moves that the alignment told, made as told."""
    body = twin.body
    for move in moves:
        size, way = float(move["figure"]["value"]), str(move["way"])
        if move["cures"] == "twist":
            body = body.raised(way, sum(float(s["value"]) for s in move["shims"]))
        elif move["cures"] == "toe":
            body = body.swung(size if way == "away" else -size)
        else:
            body = body.slid(size)
    return replace(twin, body=body)


def out_of_line(twin: Twin) -> dict[str, float]:
    """The true faults: twist and toe in degrees, offset in mm."""
    return {
        "twist": degrees(twin.body.twist),
        "toe": degrees(twin.body.toe),
        "offset": twin.body.offset,
    }


def movement_of_slack(span_mm: float, slack_mm: float) -> float:
    """How far the slack strand goes by hand, both ways together, when it is longer than its span by the slack.

    >>> round(movement_of_slack(500.0, 2.0), 1)
    44.8
    """
    return sqrt((span_mm + slack_mm) ** 2 - span_mm**2)
