"""Drives, what they must do, and their builds."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from sqlmodel import Session

from tuyere.store.builds import book as build_book
from tuyere.store.builds.forms import BuildSave
from tuyere.store.builds.read import record_view
from tuyere.store.builds.views import BuildView, RecordView
from tuyere.store.drives import book as drive_book
from tuyere.store.drives import ends
from tuyere.store.drives.forms import DutySave, EndsSave
from tuyere.store.drives.views import DriveView
from tuyere.store.machines import book as machine_book
from tuyere.store.machines.forms import DriveCreate
from tuyere.store.plumbing.actor import Actor
from tuyere.web.plumbing.common import ById, InUnitsQuery, answer, documented, saved, session

api = APIBlueprint("drives", __name__, url_prefix="/api", abp_tags=[Tag(name="machines")])


@api.post("/machines/<uuid:ident>/drives", summary="Add a drive", responses=documented(DriveView, 404, 409))
def add_drive(path: ById, body: DriveCreate) -> Response:
    """Add a drive to a machine."""
    return saved(body, lambda s, actor: drive_book.drive_view(s, machine_book.add_drive(s, actor, path.ident, body)))


@api.get("/drives/<uuid:ident>", summary="A drive", responses=documented(DriveView, 404))
def drive(path: ById, query: InUnitsQuery) -> Response:
    """A drive with its duty and builds."""
    with session() as s:
        return answer(drive_book.drive_view(s, path.ident, query.units))


@api.put("/drives/<uuid:ident>/duty", summary="Save the duty", responses=documented(DriveView, 404, 409))
def save_duty(path: ById, body: DutySave) -> Response:
    """Save what the drive must do."""

    def work(s: Session, actor: Actor) -> DriveView:
        drive_book.save_duty(s, actor, path.ident, body)
        return drive_book.drive_view(s, path.ident, body.units)

    return saved(body, work)


@api.put(
    "/drives/<uuid:ident>/ends", summary="Start, shafts, maker's number", responses=documented(DriveView, 404, 409)
)
def save_ends(path: ById, body: EndsSave) -> Response:
    """Keep what both ends of the tension are worked from."""

    def work(s: Session, actor: Actor) -> DriveView:
        ends.save_ends(s, actor, path.ident, body)
        return drive_book.drive_view(s, path.ident, body.units)

    return saved(body, work)


@api.post("/drives/<uuid:ident>/builds", summary="Save a build", responses=documented(BuildView, 404, 409))
def save_build(path: ById, body: BuildSave) -> Response:
    """Save a configuration: over the open draft, or as the next build."""
    return saved(body, lambda s, actor: build_book.save_build(s, actor, path.ident, body))


@api.put("/builds/<uuid:ident>", summary="Change a draft", responses=documented(BuildView, 404, 409))
def change_build(path: ById, body: BuildSave) -> Response:
    """Save over a draft; a settled build refuses."""
    return saved(body, lambda s, actor: build_book.change_build(s, actor, path.ident, body))


@api.get("/builds/<uuid:ident>/record", summary="The calculation on record", responses=documented(RecordView, 404))
def record(path: ById) -> Response:
    """What was shown when the build was saved."""
    with session() as s:
        return answer(record_view(s, path.ident))
