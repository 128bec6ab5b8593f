"""The shape of the code: what a reader may rely on, held by machine. Rules of this project, no outside source."""

import ast
import re
from collections.abc import Iterator
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
SOURCES = sorted(p for d in ("src", "tests", "bench") for p in (ROOT / d).rglob("*.py") if "versions" not in p.parts)
# Names in test libraries that take any number of alternatives.
ALTERNATIVES = {"one_of", "tuples", "union"}


def _calls(tree: ast.AST) -> Iterator[ast.Call]:
    return (n for n in ast.walk(tree) if isinstance(n, ast.Call))


@pytest.mark.parametrize("path", SOURCES, ids=lambda p: str(p.relative_to(ROOT)))
def test_no_call_has_more_than_five_unnamed_arguments(path: Path) -> None:
    """Six floats in a row are swapped sooner or later, and no type tells."""
    for call in _calls(ast.parse(path.read_text("utf-8"))):
        name = getattr(call.func, "attr", getattr(call.func, "id", ""))
        assert len(call.args) <= 5 or name in ALTERNATIVES, f"{path.name}:{call.lineno} {ast.unparse(call.func)}"


def test_formatting_is_left_to_the_formatter() -> None:
    """Two tables of names are set by hand; nothing else is."""
    by_hand = {p.name for p in SOURCES if "fmt: skip" in p.read_text("utf-8") or "fmt: off" in p.read_text("utf-8")}
    assert by_hand <= {"quantities.py", "kinds.py", "test_shape.py"}


def test_records_of_more_than_four_fields_are_made_by_name() -> None:
    for path in SOURCES:
        if "src" not in path.parts:
            continue
        for node in ast.walk(ast.parse(path.read_text("utf-8"))):
            if not isinstance(node, ast.ClassDef):
                continue
            made = [d for d in node.decorator_list if "dataclass" in ast.unparse(d)]
            fields = [
                s for s in node.body if isinstance(s, ast.AnnAssign) and "ClassVar" not in ast.unparse(s.annotation)
            ]
            if made and len(fields) > 4:
                assert "kw_only=True" in ast.unparse(made[0]), f"{path.name}: {node.name}"


BOOKS = ("machines", "drives", "builds", "shelf", "jobs")
# They only read: what they show is nobody's doing.
READS = {
    "wrongly_kept",
    "job_lines",
    "list_jobs",
    "one_job",
    "stale_states",
    "templates_for",
    "current",
    "parts_for",
    "plain",
    "drive_view",
    "duty_view",
    "list_machines",
    "machine_view",
    "on_the_machine",
}


@pytest.mark.parametrize("subject", BOOKS)
def test_every_rule_of_the_store_knows_who_acts(subject: str) -> None:
    """People come later; the rules are asked with an actor today, a name."""
    tree = ast.parse((ROOT / "src" / "tuyere" / "store" / subject / "book.py").read_text("utf-8"))
    for fn in tree.body:
        if isinstance(fn, ast.FunctionDef) and not fn.name.startswith("_") and fn.name not in READS:
            taken = {a.arg: ast.unparse(a.annotation) for a in fn.args.args if a.annotation is not None}
            assert taken.get("actor") == "Actor", f"{subject}.{fn.name}"


GENERIC = re.compile(
    r"""['"](v-belt|roller-chain|synchronous|flat)['"]|['"](v-belt|chain|sync|flat)-(drive|select|why-not)['"]"""
)


@pytest.mark.parametrize(
    "path",
    [
        p
        for p in sorted((ROOT / "src" / "tuyere").rglob("*.py"))
        if not {"demo", "migrations", "core", "data"} & set(p.parts)
        and not (p.parent.parent.name == "families" and p.parent.parent.parent.name == "calc")
    ],
    ids=lambda p: str(p.relative_to(ROOT)),
)
def test_no_generic_file_names_a_family(path: Path) -> None:
    """By its key or its calculations, but for the demo, whose drives are of families, and examples of a request."""
    text = re.sub(r"example=\{.*?\n    \},\n", "", path.read_text("utf-8"), flags=re.S)
    assert not GENERIC.search(text), GENERIC.search(text)
