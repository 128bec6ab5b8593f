"""Templates as jobs take them: the shipped ones, and a lead's copy in place of one."""

from __future__ import annotations

from sqlmodel import Session, col, select

from tuyere.core.errors import InputError
from tuyere.jobs.template import Template, shipped, shipped_text, template_of
from tuyere.store.jobs.forms import TemplateSave
from tuyere.store.jobs.tables import JobTemplate
from tuyere.store.jobs.views import TemplateText
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.trouble import NotThere, Stale


def own_templates(session: Session) -> dict[str, JobTemplate]:
    """A lead's copies by key."""
    rows = session.exec(select(JobTemplate).where(col(JobTemplate.archived_at).is_(None))).all()
    return {r.key: r for r in rows}


def every_template(session: Session) -> dict[str, tuple[Template, str, bool]]:
    """Templates by key: (template, its text, whether a lead has changed it)."""
    found = {key: (t, shipped_text(key), False) for key, t in shipped().items()}
    for key, row in own_templates(session).items():
        found[key] = (template_of(row.text), row.text, True)
    return found


def template_text(session: Session, key: str) -> TemplateText:
    """A template as it is written; raises NotThere."""
    row = own_templates(session).get(key)
    if row is not None:
        return TemplateText(key=key, rev=row.rev, own=True, text=row.text)
    try:
        return TemplateText(key=key, rev=0, own=False, text=shipped_text(key))
    except KeyError:
        raise NotThere("template", key) from None


def save_template(session: Session, actor: Actor, key: str, form: TemplateSave) -> TemplateText:
    """Keep a lead's template. Raises InputError naming what is wrong in it, Stale where somebody else saved first.

    The shipped template of that key stays as it is; jobs that are open keep the steps they were opened with.
    """
    try:
        made = template_of(form.text)
    except InputError as e:
        raise InputError("text", e.value, f"{e.field}: {e.why}", e.allowed) from e
    if made.key != key:
        raise InputError("text", made.key, "the key inside is another one", key)
    row = own_templates(session).get(key)
    if form.rev != (row.rev if row else 0):
        raise Stale("template", template_text(session, key).model_dump(mode="json"))
    if row is None:
        row = JobTemplate(id=form.id, op_id=form.op_id, created_by_name=actor.name, key=key, text=form.text)
    else:
        row.rev, row.op_id, row.text = row.rev + 1, form.op_id, form.text
    session.add(row)
    session.flush()
    return template_text(session, key)
