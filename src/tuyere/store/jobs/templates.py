"""Templates as jobs take them: the shipped ones, and a lead's copy in place of one."""

from __future__ import annotations

from collections.abc import Mapping

from sqlmodel import Session, col, select

from tuyere.core.errors import InputError
from tuyere.jobs.template import Template, shipped, shipped_text, template_of
from tuyere.store.jobs.forms import TemplateBack, TemplateCheck, TemplateSave
from tuyere.store.jobs.tables import JobTemplate
from tuyere.store.jobs.views import TemplateHead, TemplateHeads, TemplateStepLine, TemplateText
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.base import now
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


def _only(when: Mapping[str, tuple[str, ...]], ask: str) -> str:
    """What a step depends on, in words."""
    parts = [f"{name.replace('_', ' ')}: {', '.join(w.replace('-', ' ') for w in of)}" for name, of in when.items()]
    return "; ".join([*parts, *([f"asked: {ask}"] if ask else [])])


def _text(made: Template, text: str, row: JobTemplate | None) -> TemplateText:
    return TemplateText(
        key=made.key,
        rev=row.rev if row is not None else 0,
        own=row is not None,
        text=text,
        title=made.title,
        steps=[
            TemplateStepLine(
                block=s.block,
                key=s.key,
                kind=s.kind,
                at=s.at,
                words=s.words,
                why=s.why,
                caution=s.caution,
                only=_only(s.when, s.ask),
            )
            for s in made.steps
        ],
    )


def template_heads(session: Session) -> TemplateHeads:
    """Every template, a lead's copy in place of the shipped one, by kind of job and title."""
    own = own_templates(session)
    heads = [
        TemplateHead(
            key=key,
            title=t.title,
            kind=t.kind,
            families=list(t.families),
            minutes=t.minutes,
            steps=len(t.steps),
            own=is_own,
            changed_by=own[key].created_by_name if is_own else "",
        )
        for key, (t, _, is_own) in every_template(session).items()
    ]
    return TemplateHeads(templates=sorted(heads, key=lambda h: (h.kind, h.title)))


def template_text(session: Session, key: str) -> TemplateText:
    """A template as it is written; raises NotThere."""
    row = own_templates(session).get(key)
    if row is not None:
        return _text(template_of(row.text), row.text, row)
    try:
        return _text(shipped()[key], shipped_text(key), None)
    except KeyError:
        raise NotThere("template", key) from None


def _read(text: str) -> Template:
    try:
        return template_of(text)
    except InputError as e:
        raise InputError("text", e.value, f"{e.field}: {e.why}", e.allowed) from e


def check_template(form: TemplateCheck) -> TemplateText:
    """What a text would come to as a template. Raises InputError naming what is wrong in it."""
    return _text(_read(form.text), form.text, None)


def save_template(session: Session, actor: Actor, key: str, form: TemplateSave) -> TemplateText:
    """Keep a lead's template. Raises InputError naming what is wrong in it, Stale where somebody else saved first.

    The shipped template of that key stays as it is; jobs that are open keep the steps they were opened with.
    """
    made = _read(form.text)
    if made.key != key:
        raise InputError("text", made.key, "the key inside is another one", key)
    row = own_templates(session).get(key)
    if form.rev != (row.rev if row else 0):
        raise Stale("template", template_text(session, key).model_dump(mode="json"))
    if row is None:
        row = JobTemplate(id=form.id, op_id=form.op_id, created_by_name=actor.name, key=key, text=form.text)
    else:
        row.rev, row.op_id, row.text, row.created_by_name = row.rev + 1, form.op_id, form.text, actor.name
    session.add(row)
    session.flush()
    return template_text(session, key)


def put_shipped_back(session: Session, actor: Actor, key: str, form: TemplateBack) -> TemplateText:
    """Lay a lead's copy aside: the shipped template serves again. Raises NotThere where none was shipped or none was changed,
    Stale where somebody else saved first.
    """
    row = own_templates(session).get(key)
    if row is None or key not in shipped():
        raise NotThere("template", key)
    if form.rev != row.rev:
        raise Stale("template", template_text(session, key).model_dump(mode="json"))
    row.archived_at, row.rev = now(), row.rev + 1
    session.add(row)
    session.flush()
    return template_text(session, key)
