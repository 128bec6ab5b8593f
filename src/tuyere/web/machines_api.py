"""Machines, their drives, duties and builds."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from sqlmodel import Session

from tuyere.store import build_book, build_views, drive_book, machine_book
from tuyere.store.forms import BuildSave, DriveCreate, DutySave, MachineChange, MachineCreate
from tuyere.store.views import BuildView, DriveView, MachineList, MachineView, RecordView
from tuyere.web.common import ById, InUnitsQuery, SearchQuery, answer, documented, saved, session

api = APIBlueprint("machines", __name__, url_prefix="/api", abp_tags=[Tag(name="machines")])


@api.get("/machines", summary="Find machines", responses=documented(MachineList))
def machines(query: SearchQuery) -> Response:
    """Machines in walking order."""
    with session() as s:
        return answer(machine_book.list_machines(s, query.q, query.start))


@api.post("/machines", summary="Add a machine", responses=documented(MachineView, 409))
def add_machine(body: MachineCreate) -> Response:
    """Add a machine, once per operation."""
    return saved(body, lambda s: machine_book.add_machine(s, body))


@api.get("/machines/<uuid:ident>", summary="A machine", responses=documented(MachineView, 404))
def machine(path: ById) -> Response:
    """One machine with its drives."""
    with session() as s:
        return answer(machine_book.machine_view(s, path.ident))


@api.put("/machines/<uuid:ident>", summary="Change a machine", responses=documented(MachineView, 404, 409))
def change_machine(path: ById, body: MachineChange) -> Response:
    """Change a machine; a stale version is refused with both shown."""
    return saved(body, lambda s: machine_book.change_machine(s, path.ident, body))


@api.post("/machines/<uuid:ident>/drives", summary="Add a drive", responses=documented(DriveView, 404, 409))
def add_drive(path: ById, body: DriveCreate) -> Response:
    """Add a drive to a machine."""
    return saved(body, lambda s: drive_book.drive_view(s, machine_book.add_drive(s, path.ident, body)))


@api.get("/drives/<uuid:ident>", summary="A drive", responses=documented(DriveView, 404))
def drive(path: ById, query: InUnitsQuery) -> Response:
    """A drive with its duty and builds."""
    with session() as s:
        return answer(drive_book.drive_view(s, path.ident, query.units))


@api.put("/drives/<uuid:ident>/duty", summary="Save the duty", responses=documented(DriveView, 404, 409))
def save_duty(path: ById, body: DutySave) -> Response:
    """Save what the drive must do."""

    def work(s: Session) -> DriveView:
        drive_book.save_duty(s, path.ident, body)
        return drive_book.drive_view(s, path.ident, body.units)

    return saved(body, work)


@api.post("/drives/<uuid:ident>/builds", summary="Save a build", responses=documented(BuildView, 404, 409))
def save_build(path: ById, body: BuildSave) -> Response:
    """Save a configuration: over the open draft, or as the next build."""
    return saved(body, lambda s: build_book.save_build(s, path.ident, body))


@api.put("/builds/<uuid:ident>", summary="Change a draft", responses=documented(BuildView, 404, 409))
def change_build(path: ById, body: BuildSave) -> Response:
    """Save over a draft; a settled build refuses."""
    return saved(body, lambda s: build_book.change_build(s, path.ident, body))


@api.get("/builds/<uuid:ident>/record", summary="The calculation on record", responses=documented(RecordView, 404))
def record(path: ById) -> Response:
    """What was shown when the build was saved."""
    with session() as s:
        return answer(build_views.record_view(s, path.ident))
