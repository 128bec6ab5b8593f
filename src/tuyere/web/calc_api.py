"""`POST /api/calc/NAME`: every registered calculation."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

import tuyere.calc.every  # noqa: F401  (registers the calculations)
from tuyere.calc.answer import Answer
from tuyere.calc.families.protocol import families
from tuyere.calc.registry import CALCULATIONS, Calculation, work
from tuyere.core.tables import table
from tuyere.web.common import answer, documented

api = APIBlueprint("calc", __name__, url_prefix="/api", abp_tags=[Tag(name="calculations")])


class CalcLine(Answer):
    """A calculation in the list, with the schema its form is made from."""

    name: str
    title: str
    summary: str
    source: str
    group: str
    example: dict[str, Any]
    first: list[str]
    input_schema: dict[str, Any]


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


class FamilyLine(Answer):
    """A family of drives: its whole-drive calculation and the input fields that say what is there."""

    key: str
    title: str
    calc: str
    speed_field: str
    found_fields: list[str]


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


@api.get("/calc", summary="All calculations", responses={200: CalcList})
def calc_list() -> Response:
    """The registry: names, sources, examples, input schemas."""
    return answer(
        CalcList(
            calculations=[
                CalcLine(
                    name=c.name,
                    title=c.title,
                    summary=c.summary,
                    source=c.source,
                    group=c.group,
                    example=c.example,
                    first=list(c.first),
                    input_schema=c.input_model.model_json_schema(),
                )
                for c in CALCULATIONS.values()
            ]
        )
    )


@api.get("/choices", summary="Drivers and driven machines", responses={200: Choices})
def choices() -> Response:
    """Keys and names for the duty."""
    return answer(
        Choices(
            drivers=[Choice(key=r[0], name=r[1], group=r[2]) for r in table("drivers").rows],
            driven_machines=[Choice(key=r[0], name=r[1], group=r[2]) for r in table("driven_machines").rows],
        )
    )


@api.get("/families", summary="Families of drives", responses={200: FamilyList})
def family_list() -> Response:
    """What kinds of drive there are."""
    lines = [
        FamilyLine(key=f.key, title=f.title, calc=f.calc, speed_field=f.speed_field, found_fields=list(f.found_fields))
        for f in families()
    ]
    return answer(FamilyList(families=lines))
