"""`POST /api/calc/NAME`: every registered calculation."""

from __future__ import annotations

from collections.abc import Callable
from functools import cache
from typing import Any

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

import tuyere.calc.every  # noqa: F401  (registers the calculations)
from tuyere.calc.answer import Answer
from tuyere.calc.card import Card
from tuyere.calc.families.protocol import families
from tuyere.calc.registry import CALCULATIONS, Calculation, work
from tuyere.calc.scene_out import scene_in
from tuyere.core.tables import table
from tuyere.store.plumbing.trouble import NotThere
from tuyere.web.plumbing.common import answer, documented, documented_file, lasting
from tuyere.web.plumbing.drawn import FileKind, scene_file

api = APIBlueprint("calc", __name__, url_prefix="/api", abp_tags=[Tag(name="calculations")])


class CardLine(Answer):
    """How the bench asks a calculation: a sentence with blanks in braces, its picture, three figures of its result."""

    asks: str
    topic: str
    sentence: str
    figures: list[str]
    picture: str
    fresh: dict[str, str]
    on_picture: list[str]
    names: dict[str, dict[str, str]]
    then: list[str] = Field(description="the calculation that comes after it, and what it is called; empty where none")


class CalcLine(Answer):
    """A calculation in the list, with the schema its form is made from."""

    name: str
    title: str
    summary: str
    source: str
    group: str
    example: dict[str, Any]
    first: list[str]
    tells: list[str] = Field(description="what the answer will say, by name; empty where it answers with drives")
    bench: bool = Field(description="whether it is filled in by hand; false where it asks for a whole drive")
    drawn: bool = Field(description="whether it answers with a drawing that can be had as a file")
    input_schema: dict[str, Any]
    card: CardLine | None = Field(description="how the bench asks it, where it has a picture of its own")


class CalcList(Answer):
    """All calculations."""

    calculations: list[CalcLine]


class Choice(Answer):
    """A key and what it is called."""

    key: str
    name: str
    group: str


class Choices(Answer):
    """What a person can choose from."""

    drivers: list[Choice]
    driven_machines: list[Choice]


class PickOut(Answer):
    """Something to pick beside the input, with its values and their names."""

    key: str
    title: str
    default: str
    values: list[Choice]


class FamilyLine(Answer):
    """A family of drives: its calculations, the input fields that say what is there, and what is picked beside."""

    key: str
    title: str
    one: str = Field(description="one of its drives in words")
    calc: str
    speed_field: str
    found_fields: list[str]
    picks: list[PickOut]
    select: str = Field(description="its search")
    why_not: str = Field(description="why one drive is not among what its search finds")


class FamilyList(Answer):
    """Families in the order they are shown."""

    families: list[FamilyLine]


def _endpoint(calc: Calculation[Any, Any]) -> Callable[..., Response]:
    def view(body: Any) -> Response:
        return answer(work(calc, body))

    view.__name__ = "calc_" + calc.name.replace("-", "_")
    view.__doc__ = calc.summary
    view.__annotations__ = {"body": calc.request_model, "return": Response}
    return view


for _calc in CALCULATIONS.values():
    api.post(f"/calc/{_calc.name}", summary=_calc.title, responses=documented(_calc.response_model))(_endpoint(_calc))


class PicturePath(BaseModel):
    """The kind of file that a drawing is wanted as."""

    kind: FileKind


def _pictured(calc: Calculation[Any, Any]) -> Callable[..., Response]:
    def view(path: PicturePath, body: Any) -> Response:
        made = work(calc, body)
        scene = scene_in(made.result.picture)
        return scene_file(scene, path.kind, calc.name, units=body.units, saved=True)

    view.__name__ = "picture_" + calc.name.replace("-", "_")
    view.__doc__ = (
        "The drawing as a file: SVG and PDF of the sheet to the scale it says, DXF true to size, inches or millimetres."
    )
    view.__annotations__ = {"path": PicturePath, "body": calc.request_model, "return": Response}
    return view


for _calc in CALCULATIONS.values():
    if _calc.drawn:
        api.post(
            f"/calc/{_calc.name}/picture/<kind>",
            summary=f"{_calc.title}: the drawing",
            responses=documented_file("application/pdf"),
        )(_pictured(_calc))


def _card(card: Card | None) -> CardLine | None:
    if card is None:
        return None
    return CardLine(
        asks=card.asks,
        topic=card.topic,
        sentence=card.sentence,
        figures=list(card.figures),
        picture=card.picture,
        fresh=dict(card.fresh),
        on_picture=list(card.on_picture),
        names={name: dict(keys) for name, keys in card.names.items()},
        then=list(card.then or ()),
    )


def _line(c: Calculation[Any, Any]) -> CalcLine:
    return CalcLine(
        name=c.name,
        title=c.title,
        summary=c.summary,
        source=c.source,
        group=c.group,
        card=_card(c.card),
        example=c.example,
        first=list(c.first),
        tells=c.tells,
        bench=c.bench,
        drawn=c.drawn,
        input_schema=c.input_model.model_json_schema(),
    )


def _calculations() -> CalcList:
    return CalcList(calculations=[_line(c) for c in CALCULATIONS.values()])


@cache
def _maker(name: str) -> Callable[[], CalcLine]:
    """The same maker for a name every time, so that what it makes is made once."""
    return lambda: _line(CALCULATIONS[name])


def _choices() -> Choices:
    return Choices(
        drivers=[Choice(key=r[0], name=r[1], group=r[2]) for r in table("drivers").rows],
        driven_machines=[Choice(key=r[0], name=r[1], group=r[2]) for r in table("driven_machines").rows],
    )


def _families() -> FamilyList:
    lines = [
        FamilyLine(
            key=f.key,
            title=f.title,
            one=f.facts.one,
            calc=f.calc,
            select=f.facts.select,
            why_not=f.facts.why_not,
            speed_field=f.facts.speed_field,
            found_fields=list(f.facts.found_fields),
            picks=[
                PickOut(
                    key=c.key,
                    title=c.title,
                    default=c.default,
                    values=[Choice(key=k, name=n, group="") for k, n in c.values],
                )
                for c in f.facts.choices
            ],
        )
        for f in families()
    ]
    return FamilyList(families=lines)


@api.get("/calc", summary="All calculations", responses={200: CalcList})
def calc_list() -> Response:
    """The registry: names, sources, examples, input schemas."""
    return lasting(_calculations)


class ByName(BaseModel):
    """The name of a calculation."""

    name: str = Field(max_length=40)


@api.get("/calc/<string:name>", summary="One calculation", responses=documented(CalcLine, 404))
def calc_line(path: ByName) -> Response:
    """A line of the registry: what a single form or card needs, a fiftieth of the whole."""
    if path.name not in CALCULATIONS:
        raise NotThere("calculation", path.name)
    return lasting(_maker(path.name))


@api.get("/choices", summary="Drivers and driven machines", responses={200: Choices})
def choices() -> Response:
    """Keys and names for the duty."""
    return lasting(_choices)


@api.get("/families", summary="Families of drives", responses={200: FamilyList})
def family_list() -> Response:
    """What kinds of drive there are."""
    return lasting(_families)
