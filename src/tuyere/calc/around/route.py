"""The route of a drive from what a person says of it, and refusals brought back beside what was said."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from dataclasses import replace
from math import cos, hypot, radians, sin

from tuyere.calc.around.model import GOING, AroundIn, AroundWheelIn, TakeUpIn
from tuyere.calc.entry import maybe, value_of
from tuyere.core.drive.any_route import pull_at_wheel
from tuyere.core.drive.case import Case, L, R, S
from tuyere.core.drive.guides import USUAL_GAP_MM, Guide
from tuyere.core.drive.loads import PowerAt
from tuyere.core.drive.method import Method, WheelSaid
from tuyere.core.drive.path import path_of
from tuyere.core.drive.placing import by_two_tapes, on_strand
from tuyere.core.drive.route import Route, Stop, TakeUp
from tuyere.core.drive.wheel import DRIVEN, DRIVER, Wheel
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.steps import quiet

Placed = tuple[float, float]
LEAST_ARM_MM = 1.0


def _pin(t: TakeUpIn, field: str, tapes: tuple[Placed, Placed]) -> Placed | None:
    """Where the arm's pin is: by x and y, or by two tapes from the shafts ``tapes``. Raises InputError."""
    by_tape = t.pin_from_driver is not None or t.pin_from_driven is not None
    if by_tape and (t.pin_x is not None or t.pin_y is not None):
        raise InputError(f"{field}.pin_x", None, "said in two ways", "x and y, or two tapes")
    if by_tape:
        if t.pin_from_driver is None or t.pin_from_driven is None:
            raise InputError(f"{field}.pin_from_driver", None, "two tapes are wanted", "from driver and driven shaft")
        try:
            return by_two_tapes(*tapes, t.pin_from_driver.value, t.pin_from_driven.value, above=t.pin_above)
        except InputError as e:
            raise e.at(f"{field}.pin_from_driver") from e
    return None if t.pin_x is None or t.pin_y is None else (t.pin_x.value, t.pin_y.value)


def lever_arms(t: TakeUpIn, pin: Placed | None, wheel: Wheel) -> tuple[float, float] | None:
    """(pin to hand, pin to wheel) in mm; the second as it is drawn where nothing else is said. None without a lever."""
    if t.hand_arm is None:
        return None
    if t.wheel_arm is not None:
        return t.hand_arm.value, t.wheel_arm.value
    return None if pin is None else (t.hand_arm.value, hypot(wheel.x_mm - pin[0], wheel.y_mm - pin[1]))


def take_up_of(t: TakeUpIn, field: str, *, wheels: Sequence[Wheel], tapes: tuple[Placed, Placed]) -> TakeUp:
    """The core's take-up among the wheels; ``tapes`` are the shafts its pin is taped from. Raises InputError beside the field."""
    found = next((w for w in wheels if w.id == t.wheel), None)
    if found is None:
        raise InputError(f"{field}.wheel", t.wheel, "no such wheel", " ".join(w.id for w in wheels))
    pin = _pin(t, field, tapes)
    if (pin is None) == (t.direction is None):
        raise InputError(f"{field}.direction", None, "does it slide or swing?", "a direction, or the pin of its arm")
    if pin is not None and hypot(found.x_mm - pin[0], found.y_mm - pin[1]) < LEAST_ARM_MM:
        where = "pin_x" if t.pin_from_driver is None else "pin_from_driver"
        raise InputError(f"{field}.{where}", pin[0], f"the arm of {t.wheel} has no length", "where its pin is")
    if t.low.value >= t.high.value:
        raise InputError(f"{field}.high", t.high.value, "a take-up without travel", "more than the first stop")
    slide = None
    if t.direction is not None:
        slide = (cos(radians(t.direction.value)), sin(radians(t.direction.value)))
    pull = maybe(t.pull)
    if t.hand is not None:
        if pull is not None:
            raise InputError(f"{field}.pull", pull, "pulled at the wheel and at the lever", "one of the two")
        arms = lever_arms(t, pin, found)
        if arms is None:
            raise InputError(
                f"{field}.hand_arm", None, "a lever has two arms", "from its pin to the hand, and to the wheel"
            )
        pull = float(pull_at_wheel(t.hand.value, *arms))
    return TakeUp(
        wheel=t.wheel,
        slide=slide,
        pivot=pin,
        kind="fixed" if pull is None else "weight" if t.held_by == "weight" else "spring",
        force_n=pull,
        low_mm=t.low.value,
        high_mm=t.high.value,
    )


def _field(k: int) -> str:
    return f"around.wheels.{k}"


def _check_names(given: AroundIn) -> None:
    taken = {DRIVER, DRIVEN}
    for k, w in enumerate(given.wheels):
        if w.name in taken:
            raise InputError(f"{_field(k)}.name", w.name, "two wheels have one name", "a name for each")
        taken.add(w.name)
    for k, g in enumerate(given.guides):
        if g.name in taken:
            raise InputError(f"around.guides.{k}.name", g.name, "two parts have one name", "a name for each")
        taken.add(g.name)


def _ways(w: AroundWheelIn) -> tuple[bool, bool, bool]:
    """By x and y, by two tapes, on its strand."""
    return (
        w.x is not None or w.y is not None,
        (w.from_driver is not None or w.from_driven is not None),
        (w.along is not None or w.pushed is not None),
    )


def _place(k: int, w: AroundWheelIn, driven: Placed) -> Placed | None:
    """By x and y or by tapes; None on a strand, which other places settle. Raises InputError."""
    xy, tapes, strand = _ways(w)
    if xy + tapes + strand != 1:
        raise InputError(
            f"{_field(k)}.x",
            None,
            f"where is {w.name}?" if not (xy or tapes or strand) else "said in two ways",
            "x and y, or two tapes, or so far along its strand",
        )
    if xy:
        if w.x is None or w.y is None:
            raise InputError(f"{_field(k)}.{'x' if w.x is None else 'y'}", None, "x and y belong together", "both")
        return w.x.value, w.y.value
    if tapes:
        if w.from_driver is None or w.from_driven is None:
            raise InputError(f"{_field(k)}.from_driver", None, "two tapes are wanted", "from driver and driven shaft")
        try:
            return by_two_tapes((0.0, 0.0), driven, w.from_driver.value, w.from_driven.value, above=w.above)
        except InputError as e:
            raise e.at(f"{_field(k)}.from_driver") from e
    if w.along is None or w.pushed is None:
        raise InputError(f"{_field(k)}.along", None, "so far along, and pushed in so far", "both")
    return None


def in_order(given: AroundIn) -> list[tuple[int, AroundWheelIn] | None]:
    """Further wheels by their number in the order of travel from the driver; None stands for the driven wheel."""
    numbered = list(enumerate(given.wheels))
    going: list[tuple[int, AroundWheelIn] | None] = [(k, w) for k, w in numbered if w.between == GOING]
    return [*going, None, *((k, w) for k, w in numbered if w.between != GOING)]


def _on_strands(
    given: AroundIn, driver: Wheel, driven: Wheel, *, sizes: dict[int, Wheel], known: set[int], clockwise: bool
) -> dict[int, Wheel]:
    """Wheels that are placed on a strand, one after the other, each on the loop as it is without it and those still to come."""
    made, there = dict(sizes), set(known)
    for k, w in enumerate(given.wheels):
        if k in there:
            continue
        assert w.along is not None and w.pushed is not None
        ring: list[Stop] = [Stop(wheel=driver)]
        before = DRIVER
        for item in in_order(given):
            if item is None:
                ring.append(Stop(wheel=driven, side=given.driven_side))
            elif item[0] == k:
                before = ring[-1].wheel.id
            elif item[0] in there:
                ring.append(Stop(wheel=made[item[0]], side=item[1].side))
        span = next(s for s in path_of(Route(stops=tuple(ring), clockwise=clockwise)).spans if s.after == before)
        # With the driver turning clockwise the inside of the loop lies to the right of its travel.
        to_left = (w.side == "outside") != clockwise
        try:
            place = on_strand(
                span,
                along_mm=w.along.value,
                pushed_mm=w.pushed.value,
                radius_mm=sizes[k].path_mm / 2,
                to_left=to_left,
            )
        except InputError as e:
            raise e.at(f"{_field(k)}.along") from e
        made[k] = sizes[k].at(*place)
        there.add(k)
    return made


def case_around(case: Case[L], given: AroundIn | None, method: Method[L, R, S]) -> Case[L]:
    """The plain case with all that is on its loop. Raises InputError beside what cannot be."""
    if given is None:
        return case
    _check_names(given)
    place = (given.driven_x.value, given.driven_y.value)
    driver, driven = case.route.driver.at(0.0, 0.0), case.route.driven.at(*place)
    if given.driven_side == "outside":
        # The path on the back is the plain wheel's: the method says how far out it runs.
        said = WheelSaid(ident=DRIVEN, role="driven", side="outside", outside_mm=driven.outside_mm, teeth=None)
        driven = method.beside(case, said, "around.driven_side").at(*place)
    made: dict[int, Wheel] = {}
    known: set[int] = set()
    with quiet():
        for k, w in enumerate(given.wheels):
            said = WheelSaid(ident=w.name, role=w.role, side=w.side, outside_mm=maybe(w.diameter), teeth=w.teeth)
            at = _place(k, w, place)
            if at is not None:
                known.add(k)
            made[k] = method.beside(case, said, _field(k)).at(*(at or (0.0, 0.0)))
        made = _on_strands(given, driver, driven, sizes=made, known=known, clockwise=case.route.clockwise)
    stops = [Stop(wheel=driver, crossed=case.route.stops[0].crossed)]
    for item in in_order(given):
        if item is None:
            stops.append(Stop(wheel=driven, side=given.driven_side, crossed=case.route.stops[1].crossed))
        else:
            stops.append(Stop(wheel=made[item[0]], side=item[1].side))
    take_up = None
    if given.take_up is not None:
        take_up = take_up_of(
            given.take_up, "around.take_up", wheels=[s.wheel for s in stops], tapes=((0.0, 0.0), place)
        )
    elif hypot(*place) > 0:
        far = hypot(*place)
        take_up = TakeUp(wheel=DRIVEN, slide=(place[0] / far, place[1] / far))
    route = Route(stops=tuple(stops), clockwise=case.route.clockwise, take_up=take_up)
    return replace(case, route=route, loads=_loads(case.power_kw, given), centre_mm=None)


def _loads(power_kw: float, given: AroundIn) -> tuple[PowerAt, ...]:
    """What the further shafts take; the driven shaft takes the rest. Raises InputError where nothing is left for it."""
    loads = []
    for k, w in enumerate(given.wheels):
        if w.power is not None and w.role != "driven":
            raise InputError(f"{_field(k)}.power", w.power.value, f"{w.name} is an idler: it takes no power", "none")
        if w.role == "driven":
            if w.power is None:
                raise InputError(f"{_field(k)}.power", None, f"what does {w.name} take?", "its power")
            loads.append(PowerAt(wheel=w.name, power_kw=w.power.value))
    rest = power_kw - sum(p.power_kw for p in loads)
    if rest < -1e-9 or (rest <= 1e-9 and not loads):
        raise InputError(
            "power",
            power_kw,
            "the further shafts take {taken}, more than the whole drive",
            "{taken} and what the driven shaft takes",
            taken=(power_kw - rest, "power"),
        )
    return (PowerAt(wheel=DRIVEN, power_kw=max(rest, 0.0)), *loads)


def guides_of(given: AroundIn) -> tuple[Guide, ...]:
    """The core's guides. Raises InputError for a gap that ends before it begins."""
    out = []
    for k, g in enumerate(given.guides):
        least, most = value_of(g.least, USUAL_GAP_MM[0]), value_of(g.most, USUAL_GAP_MM[1])
        if least >= most:
            raise InputError(
                f"around.guides.{k}.most", most, "a gap from least to most", "{least} or more", least=(least, "gap")
            )
        out.append(
            Guide(
                id=g.name,
                x_mm=g.x.value,
                y_mm=g.y.value,
                diameter_mm=g.diameter.value,
                least_mm=least,
                most_mm=most,
                side=g.side,
            )
        )
    return tuple(out)


@contextmanager
def beside_wheels(given: AroundIn | None) -> Iterator[None]:
    """Bring a refusal at a stop of the route back beside what was said of it."""
    try:
        yield
    except InputError as e:
        if given is None:
            raise
        if e.field.startswith("wheels."):
            k = int(e.field.split(".")[1])
            order = [None, *in_order(given)]
            item = order[k] if k < len(order) else None
            raise e.at("around.driven_x" if item is None else _field(item[0])) from e
        if e.field in ("wheels", "pulleys"):
            raise e.at("around.wheels") from e
        if e.field == "take_up":
            raise e.at("around.take_up.wheel") from e
        raise
    except NoSolution as e:
        # What pulls the way its strands pull is said beside the take-up.
        if given is None or given.take_up is None or e.field != "take_up":
            raise
        name = given.take_up.wheel
        raise InputError("around.take_up.wheel", name, e.why, "the other side, or the other way") from e
