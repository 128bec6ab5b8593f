"""Temporary marks: put on with a reason and a date, kept through every later save, removed with a reason only."""

from __future__ import annotations

from datetime import date

from tuyere.core.errors import InputError
from tuyere.store.builds.forms import BuildSave
from tuyere.store.builds.tables import Build

KEPT_AS = "kept as temporary, with a reason and a promised date"


def set_mark(build: Build, form: BuildSave, before: Build | None, *, same_parts: bool, emergency: str) -> None:
    """Write the temporary mark of a build that is being saved.

    ``before`` is the build the mark may come from: the draft itself, or what stands on the machine. ``same_parts`` says
    whether the wheels and belts are those of ``before``; ``emergency`` why this drive may stand for a while only.
    Raises InputError where a mark lacks its reason or date, would fall off without a reason, or must not be left out.
    """
    marked = before is not None and before.temporary
    itself = before is not None and before.id == build.id
    wanted = form.temporary
    if wanted is None:
        wanted = bool(emergency) or (marked and (same_parts or itself))
    if wanted:
        reason = form.temporary_reason or (before.temporary_reason if marked and before else "")
        promised: date | None = form.promised_date or (before.promised_date if marked and before else None)
        if emergency and not (reason and promised):
            raise InputError("temporary", None, emergency, KEPT_AS)
        if not reason:
            raise InputError(
                "temporary_reason", None, "say why it is temporary and what will put it right", "a few words"
            )
        if promised is None:
            raise InputError("promised_date", None, "say by when it is put right", "a date")
        build.temporary, build.temporary_reason, build.promised_date = True, reason, promised
        build.temporary_ended = ""
        return
    if emergency:
        raise InputError("temporary", False, emergency, KEPT_AS)
    # A plan for something better leaves the mark where it is: on the machine.
    takes_over = form.purpose != "designed" or itself
    if marked and takes_over and not form.temporary_ended:
        assert before is not None
        raise InputError(
            "temporary_ended",
            None,
            f"what stands there is marked temporary ({before.temporary_reason}): say how that has ended",
            "a few words, such as: right belts fitted",
        )
    build.temporary, build.temporary_reason, build.promised_date = False, "", None
    build.temporary_ended = form.temporary_ended if marked and takes_over else ""
