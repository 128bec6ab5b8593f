"""Idlers, guides and further shafts between a drive's input and the store; both ways in one place.

What was said of a place is kept as it was said beside where the wheel then is.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from pydantic import JsonValue, TypeAdapter

from tuyere.calc.around.model import COMING, GOING, AroundIn, AroundWheelIn, GuideIn
from tuyere.calc.as_entered import with_unit
from tuyere.calc.entry import Entered, Power, reading_in
from tuyere.calc.families.parts_model import Dim, Parts, ShaftKey, WheelPart, stops_of
from tuyere.calc.said import said
from tuyere.core.drive.route import Route
from tuyere.core.drive.wheel import DRIVEN, DRIVER

PLACES = ("x", "y", "from_driver", "from_driven", "above", "along", "pushed")
SPEC = "around"
_POWER: TypeAdapter[Entered] = TypeAdapter(Power)


def _size(size: Entered, units: str) -> Dim:
    typed = None if size.typed is None else with_unit(size.typed, size.kind, units)
    return Dim(mm=size.value, kind="outside", typed=typed)


def _wheel(w: AroundWheelIn, no: int, *, route: Route, profile: str, kind: str, units: str) -> WheelPart:
    at = route.wheel(w.name)
    size = w.diameter
    spec: dict[str, JsonValue] = {"place": said(w, units, PLACES)}
    if w.power is not None:
        spec |= said(w, units, ("power",))
    if w.teeth is not None and size is not None:
        spec["sized"] = True
    return WheelPart(
        id=w.name,
        shaft=ShaftKey(role=w.role, no=no),
        kind="idler" if w.role == "idler" else kind,
        x_mm=at.x_mm,
        y_mm=at.y_mm,
        diameter=Dim(mm=at.outside_mm, kind="outside") if size is None else _size(size, units),
        profile=at.profile if at.profile else profile,
        teeth=w.teeth,
        spec=spec,
    )


def _guide(g: GuideIn, no: int, units: str) -> WheelPart:
    names = ("x", "y", "side", "least", "most")
    return WheelPart(
        id=g.name,
        shaft=ShaftKey(role="guide", no=no),
        kind="guide",
        x_mm=g.x.value,
        y_mm=g.y.value,
        diameter=_size(g.diameter, units),
        profile="pin",
        spec={"place": said(g, units, names)},
    )


def parts_around(given: AroundIn, route: Route, parts: Parts, units: str) -> Parts:
    """A plain drive's parts with all that is on its loop; wheels where they were said to be."""
    made = list(parts.wheels)
    numbers = {"idler": 0, "driven": 1}
    sample = parts.driven
    for w in given.wheels:
        numbers[w.role] += 1
        made.append(_wheel(w, numbers[w.role], route=route, profile=sample.profile, kind=sample.kind, units=units))
    made += [_guide(g, k, units) for k, g in enumerate(given.guides, 1)]
    at = route.driven
    wheels = tuple(replace(w, x_mm=at.x_mm, y_mm=at.y_mm) if w.id == DRIVEN else w for w in made)
    kept: dict[str, JsonValue] = {"driven": said(given, units, ("driven_x", "driven_y")), "engages": given.engages}
    if given.take_up is not None:
        kept["take_up"] = said(given.take_up, units)
    loop = parts.loop
    loop = replace(loop, stops=stops_of(route), take_up=route.take_up, spec={**loop.spec, SPEC: kept})
    return replace(parts, wheels=wheels, loops=(loop, *parts.loops[1:]))


def _values(w: WheelPart, between: str, side: str) -> dict[str, JsonValue]:
    place, power = w.spec.get("place"), w.spec.get("power")
    assert isinstance(place, Mapping)
    out: dict[str, JsonValue] = {"name": w.id, "role": w.shaft.role, "between": between, "side": side, **place}
    if w.teeth is not None:
        out["teeth"] = w.teeth
    if w.teeth is None or w.spec.get("sized"):
        out["diameter"] = w.diameter.typed or w.diameter.mm
    if power is not None:
        out["power"] = power
    return out


def around_values(parts: Parts) -> dict[str, JsonValue] | None:
    """What was said of a loop of many wheels, from its parts; None for a plain drive. The inverse of the above."""
    kept = parts.loop.spec.get(SPEC)
    if not isinstance(kept, Mapping):
        return None
    by_id = {w.id: w for w in parts.wheels}
    driven = kept["driven"]
    assert isinstance(driven, Mapping)
    wheels: list[JsonValue] = []
    between: str = GOING
    sides = {s.wheel: s.side for s in parts.loop.stops}
    for stop in parts.loop.stops:
        if stop.wheel == DRIVER:
            continue
        if stop.wheel == DRIVEN:
            between = COMING
            continue
        wheels.append(_values(by_id[stop.wheel], between, stop.side))
    out: dict[str, JsonValue] = {**driven, "wheels": wheels}
    if sides[DRIVEN] == "outside":
        out["driven_side"] = "outside"
    guides: list[JsonValue] = []
    for w in parts.wheels:
        if w.kind == "guide":
            place = w.spec["place"]
            assert isinstance(place, Mapping)
            guides.append({"name": w.id, "diameter": w.diameter.typed or w.diameter.mm, **place})
    if guides:
        out["guides"] = guides
    if "take_up" in kept:
        out["take_up"] = kept["take_up"]
    if kept.get("engages"):
        out["engages"] = True
    return out


def powers_of(parts: Parts) -> dict[int, float]:
    """What the further driven shafts take, kW by the shaft's number."""
    with reading_in("si"):
        return {
            w.shaft.no: _POWER.validate_python(w.spec["power"]).value
            for w in parts.wheels
            if w.shaft.role == "driven" and w.spec.get("power") is not None
        }
