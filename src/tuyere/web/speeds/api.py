"""What may be asked about a drive's speeds, and its speed plate."""

from __future__ import annotations

from typing import Literal

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from sqlmodel import Session

from tuyere.store.plumbing.actor import Actor
from tuyere.store.speeds.book import speeds_view
from tuyere.store.speeds.forms import PlateSave
from tuyere.store.speeds.paper import plate_drawing
from tuyere.store.speeds.plate import plate_view, save_plate
from tuyere.store.speeds.views import PlateView, SpeedsView
from tuyere.web.plumbing.common import ById, InUnitsQuery, answer, documented, documented_file, saved, session
from tuyere.web.plumbing.drawn import scene_file

api = APIBlueprint("speeds", __name__, url_prefix="/api", abp_tags=[Tag(name="speeds")])


@api.get("/drives/<uuid:ident>/speeds", summary="A drive's speeds", responses=documented(SpeedsView, 404))
def speeds(path: ById, query: InUnitsQuery) -> Response:
    """What may be asked about them, filled from what stands on the machine; and the speed plate."""
    with session() as s:
        return answer(speeds_view(s, path.ident, query.units))


@api.put("/drives/<uuid:ident>/plate", summary="Keep the speed plate", responses=documented(PlateView, 404, 409))
def keep_plate(path: ById, body: PlateSave) -> Response:
    """Keep every speed that the drive can be set to."""

    def work(s: Session, actor: Actor) -> PlateView:
        save_plate(s, actor, path.ident, body)
        return plate_view(s, path.ident, body.units)

    return saved(body, work)


class PlatePath(ById):
    """A drive and the kind of file."""

    kind: Literal["svg", "pdf"]


@api.get(
    "/drives/<uuid:ident>/plate.<kind>", summary="The speed plate", responses=documented_file("application/pdf", 404)
)
def plate(path: PlatePath, query: InUnitsQuery) -> Response:
    """The label for the machine, true to size."""
    with session() as s:
        scene = plate_drawing(s, path.ident, query.units)
    return scene_file(scene, path.kind, f"speeds-{str(path.ident)[:8]}")
