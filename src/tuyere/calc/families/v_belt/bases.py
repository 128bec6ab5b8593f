"""`v-belt-bases`: one drive by every rating basis side by side, and its life by the textbook."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.families.v_belt.books import own_basis
from tuyere.calc.families.v_belt.drive_model import VBeltDriveIn
from tuyere.calc.families.v_belt.family import V_BELTS
from tuyere.calc.frame import Frame
from tuyere.calc.refusals import told
from tuyere.calc.registry import calculation
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.v_belt.bases.pick import PUBLISHED
from tuyere.core.v_belt.bases.protocol import Basis
from tuyere.core.v_belt.case import seated
from tuyere.core.v_belt.life import belt_life
from tuyere.core.v_belt.method import rate_by, small_and_large, work_v_belt

GROUP = "V-belts"


class BasisRow(Answer):
    """What one book says of the drive; ``why`` says why it says nothing."""

    basis: str
    title: str
    source: str
    used: bool = Field(description="the basis the drive is rated by")
    why: str
    belt_power: Figure | None
    basic_power: Figure | None
    added_power: Figure | None
    arc_factor: Figure | None
    length_factor: Figure | None
    belts_exact: Figure | None


class LifeOut(Answer):
    """Life by the textbook; ``bound`` says when the figure is only the edge of what the textbook covers."""

    bound: Literal["over", "under", ""]
    passes: float
    hours: Figure
    small_peak: Figure
    large_peak: Figure


class VBeltBasesOut(Answer):
    """Every book's word on one drive. The books are never mixed: each has its own factors."""

    designation: str
    design_power: Figure
    belts: Figure
    rows: list[BasisRow]
    life: LifeOut | None = Field(description="None where the textbook has no figures of the section")


@calculation(
    "v-belt-bases",
    "A V-belt drive by every book",
    summary="What each rating basis says of one drive, side by side, with the textbook's estimate of the belts' life.",
    source="ANSI/RMA IP-20, IP-22, IP-23; older handbooks; GB/T 13575.1; Shigley",
    example={
        "units": "us",
        "input": {
            "power": "10hp",
            "service_factor": {"assume": 1.3},
            "driver": {"speed": "1750 rpm", "sheave": {"diameter": "7.4 in", "kind": "pitch", "groove": "B"}},
            "driven": {"sheave": {"diameter": "11 in", "kind": "pitch", "groove": "B"}},
            "belt": {"designation": "B112", "count": 3},
        },
    },
)
def v_belt_bases(given: VBeltDriveIn, frame: Frame) -> VBeltBasesOut:
    """Work the drive by its own basis, then one belt by each of the others."""
    core = seated(V_BELTS.whole_case(given, frame))
    worked = work_v_belt(core)
    small, large = small_and_large(core)
    f = frame.figure
    books: list[Basis] = list(PUBLISHED.values())
    if given.own_ratings:
        books.append(own_basis(given.own_ratings))
    rows = []
    for book in books:
        why = book.without(core.loop.belt.section)
        one = None
        if not why:
            try:
                with quiet(), collected_notices():
                    one = rate_by(core, worked.shape.small_arc_deg, book)
            except InputError as e:
                why = told(f"{e.why}; {e.allowed}", e.quantities, frame.units)
            except NoSolution as e:
                why = told(e.why, e.quantities, frame.units)
        rows.append(
            BasisRow(
                basis=book.id,
                title=book.title,
                source=book.source,
                used=worked.rated.own is not None and book.id == worked.rated.own.one.basis,
                why=why,
                belt_power=None if one is None else f(one.corrected_kw, "power", per="belt"),
                basic_power=None if one is None else f(one.basic_kw, "power", per="belt"),
                added_power=None if one is None else f(one.added_kw, "power", per="belt"),
                arc_factor=None if one is None else f(one.arc_factor, "factor"),
                length_factor=None if one is None else f(one.length_factor, "factor"),
                belts_exact=None if one is None else f(worked.design_kw / one.corrected_kw, "factor", "exact"),
            )
        )
    life = belt_life(
        core.loop.belt.section.name,
        worked.design_kw,
        belts=worked.rated.count,
        speed_m_s=worked.speed_m_s,
        arc_deg=worked.shape.small_arc_deg,
        small_mm=small.pitch_mm,
        large_mm=large.pitch_mm,
        length_in=core.loop.belt.length_in,
    )
    return VBeltBasesOut(
        designation=core.loop.belt.designation,
        design_power=f(worked.design_kw, "power"),
        belts=f(worked.rated.count, "count"),
        rows=rows,
        life=None
        if life is None
        else LifeOut(
            bound=life.bound,
            passes=life.passes,
            hours=f(life.hours, "hours", "about"),
            small_peak=f(life.small_peak_n, "force"),
            large_peak=f(life.large_peak_n, "force"),
        ),
    )
