"""Keeping photos of a drive: decoded and written anew before they are kept, shown by their own address."""

from __future__ import annotations

import base64
import binascii
import uuid
from dataclasses import dataclass
from hashlib import sha256

from sqlmodel import Session, col, select

from tuyere.core.errors import InputError
from tuyere.exchange.photos import kept_photo
from tuyere.store.jobs.forms import PhotoSave
from tuyere.store.jobs.read import told
from tuyere.store.jobs.tables import Job, Photo
from tuyere.store.jobs.views import PhotoLine, PhotoList
from tuyere.store.machines.tables import Drive
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.rows import below, one

MOST_OF_A_DRIVE = 500


@dataclass(frozen=True, slots=True, kw_only=True)
class PhotoFile:
    """A picture to send: its type and bytes, and a mark that changes with it."""

    type: str
    data: bytes
    mark: str


def _line(row: Photo) -> PhotoLine:
    return PhotoLine(
        id=row.id,
        job_id=row.job_id,
        step=row.step,
        taken_at=row.taken_at,
        by=row.created_by_name,
        caption=row.caption,
        width=row.width,
        height=row.height,
    )


def keep_photo(session: Session, actor: Actor, drive_id: uuid.UUID, form: PhotoSave) -> PhotoLine:
    """Keep a photo of a drive. Raises NotThere; InputError for what is no photo, too large, or of another drive's job."""
    one(session, Drive, drive_id)
    if form.job_id is not None:
        job = one(session, Job, form.job_id)
        if job.drive_id != drive_id:
            raise InputError("job_id", str(form.job_id), "that job is at another drive", "a job of this drive")
        if form.step:
            told(session, job).job.step(form.step)
    if form.taken_at is not None and form.taken_at > now():
        raise InputError("taken_at", form.taken_at.isoformat(), "that is still to come", "now, or earlier")
    kept = session.exec(select(Photo.id).where(Photo.drive_id == drive_id, col(Photo.archived_at).is_(None))).all()
    if len(kept) >= MOST_OF_A_DRIVE:
        raise InputError("data", None, "this drive has very many photos already", f"{MOST_OF_A_DRIVE}")
    try:
        data = base64.b64decode(form.data, validate=True)
    except (binascii.Error, ValueError):
        raise InputError("data", None, "the photo did not come through whole", "base64") from None
    made = kept_photo(data)
    row = Photo(
        id=form.id,
        op_id=form.op_id,
        created_by_name=actor.name,
        drive_id=drive_id,
        job_id=form.job_id,
        step=form.step,
        sha256=sha256(made.data).hexdigest(),
        type=made.type,
        width=made.width,
        height=made.height,
        data=made.data,
        thumbnail=made.thumbnail,
        taken_at=form.taken_at or now(),
        caption=form.caption,
    )
    session.add(row)
    session.flush()
    return _line(row)


def photos_of(session: Session, drive_id: uuid.UUID) -> PhotoList:
    """Photos of a drive, the newest first; raises NotThere."""
    one(session, Drive, drive_id)
    rows = sorted(below(session, Photo, "drive_id", drive_id), key=lambda p: p.taken_at, reverse=True)
    return PhotoList(photos=[_line(r) for r in rows])


def photo_file(session: Session, ident: uuid.UUID, *, small: bool) -> PhotoFile:
    """A photo, or its thumbnail; raises NotThere."""
    row = one(session, Photo, ident)
    if small:
        return PhotoFile(type="image/jpeg", data=row.thumbnail, mark=f"{row.sha256[:24]}s")
    return PhotoFile(type=row.type, data=row.data, mark=row.sha256[:24])
