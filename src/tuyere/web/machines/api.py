"""Machines: find, add, change."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from tuyere.store.machines import book
from tuyere.store.machines.forms import MachineChange, MachineCreate
from tuyere.store.machines.views import MachineList, MachineView
from tuyere.web.plumbing.common import ById, SearchQuery, answer, documented, saved, session

api = APIBlueprint("machines", __name__, url_prefix="/api", abp_tags=[Tag(name="machines")])


@api.get("/machines", summary="Find machines", responses=documented(MachineList))
def machines(query: SearchQuery) -> Response:
    """Machines in walking order."""
    with session() as s:
        return answer(book.list_machines(s, query.q, query.start))


@api.post("/machines", summary="Add a machine", responses=documented(MachineView, 409))
def add_machine(body: MachineCreate) -> Response:
    """Add a machine, once per operation."""
    return saved(body, lambda s, actor: book.add_machine(s, actor, body))


@api.get("/machines/<uuid:ident>", summary="A machine", responses=documented(MachineView, 404))
def machine(path: ById) -> Response:
    """One machine with its drives."""
    with session() as s:
        return answer(book.machine_view(s, path.ident))


@api.put("/machines/<uuid:ident>", summary="Change a machine", responses=documented(MachineView, 404, 409))
def change_machine(path: ById, body: MachineChange) -> Response:
    """Change a machine; a stale version is refused with both shown."""
    return saved(body, lambda s, actor: book.change_machine(s, actor, path.ident, body))
