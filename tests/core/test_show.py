"""What is shown of a formula: derived from its code, whole, and with the numbers it was worked with."""

from __future__ import annotations

import ast

import numpy as np
import pytest

import tuyere.calc.every  # noqa: F401  (loads every family)
from tuyere.core.notices import collected_notices, notice
from tuyere.core.quantities import QUANTITIES
from tuyere.core.rounding import round_up, to_mark
from tuyere.core.show import formula_card, latex, number, show
from tuyere.core.sources import GEOMETRY
from tuyere.core.steps import FORMULAS, expression, formula, looked_up, quiet, solved, step_of, worked


@pytest.mark.parametrize("name", list(FORMULAS))
def test_every_formula_can_be_shown(name: str) -> None:
    f = FORMULAS[name]
    card = formula_card(f)
    text = card["expression"]
    assert text.count("{") == text.count("}") and text.count(r"\left(") == text.count(r"\right)")
    assert (
        card["source"]
        and card["says"].endswith(".")
        and card["origin"] in ("recalled", "derived", "exact", "common practice", "assumed")
    )
    for argument in f.names:
        # Every argument stands in the shown formula under its own symbol.
        assert QUANTITIES[argument].latex in text, argument


@pytest.mark.parametrize("name", list(FORMULAS))
def test_a_formula_gives_an_array_what_it_gives_each_number(name: str) -> None:
    f = FORMULAS[name]
    rng = np.random.default_rng(3)
    columns = [rng.uniform(1.1, 1.9, 5) * (1000 if argument in ("a", "L", "t", "L_m") else 1) for argument in f.names]
    with np.errstate(all="ignore"):
        named = dict(zip(f.names, columns, strict=True))
        whole = np.broadcast_to(np.asarray(f.fn(**named), dtype=float), 5)
        each = [float(f.fn(**{n: float(c[k]) for n, c in named.items()})) for k in range(5)]
    assert whole == pytest.approx(each, rel=1e-12, nan_ok=True)


@pytest.mark.parametrize(
    ("code", "shown"),
    [
        ("a / b", r"\frac{a}{b}"),
        ("a * (b + 1)", r"a\,\left(b + 1\right)"),
        ("(a + b) * (a - b)", r"\left(a + b\right)\,\left(a - b\right)"),
        ("a - (b - 1)", r"a - \left(b - 1\right)"),
        ("(a + b) ** 2", r"\left(a + b\right)^{2}"),
        ("sqrt(a)", r"\sqrt{a}"),
        ("15000 / a", r"\frac{15\,000}{a}"),
        ("maximum(a, b)", r"\max\left(a,\, b\right)"),
        ("where(a > b, a, b)", r"\begin{cases}a & a > b \\ b & \text{otherwise}\end{cases}"),
    ],
)
def test_latex(code: str, shown: str) -> None:
    assert latex(ast.parse(code, mode="eval").body, {"a": "a", "b": "b"}) == shown


def test_numbers_and_unknown_shapes() -> None:
    assert (
        number(0.0003081) == "0.0003081"
        and number(1.5229e-7) == r"1.5229 \cdot 10^{-7}"
        and number(11.185498) == "11.185"
    )
    with pytest.raises(TypeError, match="no LaTeX"):
        latex(ast.parse("[a]", mode="eval").body, {"a": "a"})


def test_what_may_be_a_formula() -> None:
    with pytest.raises(NameError, match="nomenclature"):

        @formula("a", GEOMETRY)
        def wrong(unheard_of: float) -> float:
            """No."""
            return unheard_of

    def long(a: float) -> float:
        b = a + 1
        return b * 2

    with pytest.raises(TypeError, match="one return expression"):
        expression(long)


def test_the_sheet() -> None:
    call = next(f for n, f in FORMULAS.items() if n.endswith("open_span"))
    from tuyere.core.geometry.formulas import open_span

    with worked() as sheet:
        with quiet():
            open_span(400, 100, 200)
        value = open_span(a=500, d=100, D=200)
        looked_up("K_L", 1.0, "some-table", GEOMETRY, number=90)
        solved("a", 500.0, open_span, a=500.0, d=100.0, D=200.0)
    assert (
        [s.gives for s in sheet] == ["t", "K_L", "a"]
        and step_of(value) is sheet[0]
        and sheet[0].inputs == (500, 100, 200)
    )
    shown = show(sheet[0], 1)
    assert (
        shown["value"] == pytest.approx(float(value))
        and "500" in shown["numbers"]
        and shown["source"]["title"] == call.source.title
    )
    assert show(sheet[1], 2)["table"] == "some-table" and show(sheet[2], 3)["expression"].startswith("t = ")
    # Outside a sheet everything works and nothing is kept.
    assert open_span(500, 100, 200) == value and step_of(open_span(500, 100, 200)) is None


def test_notices_are_collected_once_and_only_inside() -> None:
    notice("info", "lost", "nobody listens")
    with collected_notices() as notes:
        for _ in range(2):
            notice("info", "code", "text {a}", a=(1.0, "power"))
    assert len(notes) == 1 and notes[0].quantities == {"a": (1.0, "power")}


def test_rounding_and_blocks() -> None:
    assert [float(round_up(x)) for x in (3.0, 3.0000000001, 3.001, 0.1 * 3 * 10)] == [3, 3, 4, 3]
    assert to_mark(0.52, 1 / 32) == 17 / 32 and to_mark(0.001, 1.0) == 1.0 and to_mark(13.56, 1.0) == 14.0
