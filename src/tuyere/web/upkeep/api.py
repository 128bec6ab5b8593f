"""Why a drive failed: what its record says, failures kept, causes confirmed."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from tuyere.store.upkeep import book
from tuyere.store.upkeep.forms import CauseConfirm, FailureSave
from tuyere.store.upkeep.views import WhyView
from tuyere.web.plumbing.common import ById, answer, documented, saved, session

api = APIBlueprint("upkeep", __name__, url_prefix="/api", abp_tags=[Tag(name="upkeep")])


@api.get("/drives/<uuid:ident>/why", summary="What the record says of a failure", responses=documented(WhyView, 404))
def why(path: ById) -> Response:
    """What is needed to ask why a drive failed."""
    with session() as s:
        return answer(book.why(s, path.ident))


@api.post("/drives/<uuid:ident>/failures", summary="Keep a failure", responses=documented(WhyView, 404, 409))
def keep(path: ById, body: FailureSave) -> Response:
    """Keep a failure with what was seen."""
    return saved(body, lambda s, actor: book.save_failure(s, actor, path.ident, body))


@api.post("/failures/<uuid:ident>/cause", summary="Say which cause it was", responses=documented(WhyView, 404, 409))
def confirm(path: ById, body: CauseConfirm) -> Response:
    """Confirm a cause."""
    return saved(body, lambda s, actor: book.confirm_cause(s, actor, path.ident, body))
