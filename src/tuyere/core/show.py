"""A step as LaTeX and plain numbers, from the formula's own syntax tree."""

from __future__ import annotations

import ast
from typing import Any

from tuyere.core.quantities import QUANTITIES
from tuyere.core.steps import Formula, Step

PREC: dict[type[ast.AST], int] = {ast.Add: 1, ast.Sub: 1, ast.Mult: 2, ast.Div: 2, ast.USub: 3, ast.Pow: 4}
COMPARE: dict[type[ast.AST], str] = {ast.GtE: r"\ge", ast.LtE: r"\le", ast.Gt: ">", ast.Lt: "<"}
FUNCS = {
    "log10": r"\lg",
    "log": r"\ln",
    "tan": r"\tan",
    "arcsin": r"\arcsin",
    "sin": r"\sin",
    "sign": r"\operatorname{sgn}",
    "cos": r"\cos",
    "exp": r"\exp",
    "degrees": r"\tfrac{180}{\pi}",
    "radians": r"\tfrac{\pi}{180}",
    "ceil": r"\operatorname{ceil}",
    "round_up": r"\operatorname{ceil}",
}
# Conversion factors keep their names in code and their meaning here.
CONSTANTS = {
    "pi": r"\pi",
    "MM_PER_IN": r"25.4",
    "N_PER_LBF": "4.44822",
    "KW_PER_HP": "0.745700",
    "M_PER_FT": "0.3048",
    "KG_PER_LB": "0.453592",
    "G_FT": "32.174",
}


def number(x: Any) -> str:
    """Five significant digits, as a working on paper has them; powers of ten written out."""
    m, _, e = f"{float(x):.5g}".partition("e")
    return rf"{m} \cdot 10^{{{int(e)}}}" if e else m


def _join(op: ast.operator, left: str, right: str, numeric: bool) -> str:
    if isinstance(op, ast.Mult):
        # Between symbols a space is enough; before a number it would read as one number.
        return rf"{left} \cdot {right}" if numeric or right[:1].isdigit() else rf"{left}\,{right}"
    return f"{left} {'+' if isinstance(op, ast.Add) else '-'} {right}"


def latex(e: ast.expr, names: dict[str, str], numeric: bool = False) -> str:
    """LaTeX of an expression with ``names`` put in for its variables; raises TypeError on unknown shapes."""

    def go(x: ast.expr) -> str:
        return latex(x, names, numeric)

    def at(x: ast.expr, level: int) -> str:
        s = go(x)
        op = getattr(x, "op", None)
        loose = op is not None and not isinstance(op, ast.Div) and PREC[type(op)] < level
        return rf"\left({s}\right)" if loose else s

    match e:
        case ast.Name(id=n) if n in names:
            return names[n]
        case ast.Name(id=n) if n in CONSTANTS:
            return CONSTANTS[n]
        case ast.Constant(value=int() as v):
            return f"{v:,}".replace(",", r"\,")
        case ast.Constant(value=float() as v):
            return f"{v:g}"
        case ast.UnaryOp(op=ast.USub(), operand=x):
            return "-" + at(x, 2)
        case ast.BinOp(op=ast.Div(), left=left, right=right):
            return rf"\frac{{{go(left)}}}{{{go(right)}}}"
        case ast.BinOp(op=ast.Pow(), left=left, right=right):
            base = go(left)
            simple = isinstance(left, ast.Name | ast.Constant)
            return rf"{{{base}}}^{{{go(right)}}}" if simple else rf"\left({base}\right)^{{{go(right)}}}"
        case ast.BinOp(op=ast.Mult() as op, left=left, right=right):
            return _join(op, at(left, 2), at(right, 2), numeric)
        case ast.BinOp(op=op, left=left, right=right):
            return _join(op, at(left, 1), at(right, 2), numeric)
        case ast.Call(func=ast.Name(id="sqrt"), args=[x]):
            return rf"\sqrt{{{go(x)}}}"
        case ast.Call(func=ast.Name(id="abs"), args=[x]):
            return rf"\left|{go(x)}\right|"
        case ast.Call(func=ast.Name(id=("maximum" | "minimum") as f), args=[x, y]):
            return rf"\{f[:3]}\left({go(x)},\, {go(y)}\right)"
        case ast.Call(func=ast.Name(id="floor"), args=[x]):
            return rf"\left\lfloor {go(x)} \right\rfloor"
        case ast.Call(func=ast.Name(id=f), args=[x]) if f in FUNCS:
            return rf"{FUNCS[f]}\left({go(x)}\right)"
        case ast.Call(func=ast.Name(id="where"), args=[c, x, y]):
            return rf"\begin{{cases}}{go(x)} & {go(c)} \\ {go(y)} & \text{{otherwise}}\end{{cases}}"
        case ast.Compare(left=left, ops=[op], comparators=[right]):
            return f"{go(left)} {COMPARE[type(op)]} {go(right)}"
    raise TypeError(f"no LaTeX for {ast.unparse(e)}")


_TEMPLATES: dict[int, tuple[ast.expr, str, str]] = {}


def _templates(expr: ast.expr, names: tuple[str, ...]) -> tuple[str, str]:
    """The formula in symbols, and once more with a slot for each number; derived once per formula."""
    if id(expr) not in _TEMPLATES:
        symbols = latex(expr, {n: QUANTITIES[n].latex for n in names})
        slots = latex(expr, {n: f"\x00{n}\x00" for n in names}, numeric=True)
        _TEMPLATES[id(expr)] = (expr, symbols, slots)
    return _TEMPLATES[id(expr)][1:]


def _filled(slots: str, values: dict[str, Any]) -> str:
    parts = slots.split("\x00")
    return "".join(number(values[p]) if k % 2 else p for k, p in enumerate(parts))


def _plain(x: Any) -> float | str:
    return x if isinstance(x, str) else float(x)


def show(step: Step, number_of: int) -> dict[str, Any]:
    """A step as it is sent: id, symbols, expression, numbers, value, unit, source."""
    q = QUANTITIES[step.gives]
    values = dict(zip(step.names, step.inputs, strict=True))
    if step.expr is not None:
        expression, slots = _templates(step.expr, step.names)
        numbers = _filled(slots, values)
        if step.equals:
            expression = rf"{QUANTITIES[step.equals].latex} = {expression}"
            numbers = rf"{QUANTITIES[step.gives].latex} : \; {expression.split(' = ')[0]} = {numbers}"
    else:
        at = ", ".join(
            rf"\text{{{x}}}" if isinstance(x, str) else f"{QUANTITIES[n].latex} = {number(x)}"
            for n, x in values.items()
        )
        # Nothing is worked here: a figure is read off, at what stands beside it.
        expression, numbers = "", at
    s = step.source
    return {
        "id": f"s{number_of}",
        "symbol": q.latex,
        "name": q.meaning,
        "says": step.says,
        "expression": expression,
        "numbers": numbers,
        "inputs": {n: _plain(x) for n, x in values.items()},
        "value": float(step.value),
        "unit": q.unit,
        "table": step.table,
        "about": step.about,
        "source": {
            "title": s.title,
            "edition": s.edition,
            "clause": s.clause,
            "origin": s.origin,
            "confidence": s.confidence,
        },
    }


def formula_card(f: Formula) -> dict[str, str]:
    """A formula for the handbook."""
    q = QUANTITIES[f.gives]
    return {
        "symbol": q.latex,
        "name": q.meaning,
        "unit": q.unit,
        "says": f.says,
        "expression": latex(f.expr, {n: QUANTITIES[n].latex for n in f.names}),
        "source": f.source.title,
        "edition": f.source.edition,
        "origin": f.source.origin,
        "confidence": f.source.confidence,
    }
