"""The record out and in again: byte for byte, whole or not at all, and every fault of a file said at its record.

Outside truth: the JSON Schema is judged by the jsonschema library; a file that is taken in is equal to the one that goes out.
"""

from __future__ import annotations

import io
import json
import uuid
from collections import Counter
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import jsonschema
import pytest
import sqlalchemy as sa
from hypothesis import given
from hypothesis import strategies as st
from sqlalchemy.engine import Engine
from sqlmodel import Session, SQLModel

from tuyere.demo.load import clear, load
from tuyere.exchange.record_file import FileRefused, Head, Record, read_record_file, write_record_file
from tuyere.ops.postgres import Cluster
from tuyere.ops.setup import ROOT
from tuyere.store.files.fields import schema
from tuyere.store.files.kinds import KINDS
from tuyere.store.files.out import write_out
from tuyere.store.files.take import Line, take_in
from tuyere.store.files.words import RULES, words_of
from tuyere.store.machines.tables import Machine
from tuyere.store.plumbing.database import migrate
from tuyere.store.plumbing.engine import engine_for

Document = dict[str, Any]


@pytest.fixture(scope="module")
def shop(cluster: Cluster) -> Iterator[Engine]:
    """A database of its own for this module, for it is emptied and filled again."""
    name = f"t{uuid.uuid4().hex[:12]}"
    server = sa.create_engine(cluster.url("postgres"), isolation_level="AUTOCOMMIT")
    with server.connect() as connection:
        connection.execute(sa.text(f"CREATE DATABASE {name}"))
    migrate(cluster.url(name))
    made = engine_for(cluster.url(name))
    yield made
    made.dispose()
    with server.connect() as connection:
        connection.execute(sa.text(f"DROP DATABASE {name} WITH (FORCE)"))
    server.dispose()


def written(engine: Engine, **scope: uuid.UUID) -> bytes:
    out = io.BytesIO()
    with engine.connect() as connection:
        write_out(connection, out, **scope)
    return out.getvalue()


def taken(engine: Engine, data: bytes, keep: bool = True) -> tuple[list[Line], int]:
    """Take a file as the process does: what becomes of its records, and how many are refused."""
    lines: list[Line] = []
    with Session(engine) as session:
        told = take_in(session, io.BytesIO(data), lines.append, lambda _: None)
        if keep and not told.refused:
            session.commit()
    return lines, told.refused


@pytest.fixture(scope="module")
def works(shop: Engine) -> bytes:
    """The demo's whole record."""
    load(shop)
    return written(shop)


@pytest.fixture(scope="module")
def small(shop: Engine, works: bytes) -> bytes:
    """One machine of the demo with all that a file can hold of it, and a part of the shelf."""
    if written(shop) != works:
        clear(shop)
        taken(shop, works)
    doc = document(works)
    photographed = {r["drive_id"] for r in of(doc, "photo")} & {r["drive_id"] for r in of(doc, "finding")}
    machine = next(d["machine_id"] for d in of(doc, "drive") if d["id"] in photographed)
    one = document(written(shop, machine_id=uuid.UUID(machine)))
    one["records"] += of(doc, "stock_item")[:2]
    return as_file(one)


@pytest.fixture
def filled(shop: Engine, works: bytes) -> Engine:
    """The database with the demo in it, whatever a test before did."""
    if written(shop) != works:
        clear(shop)
        assert taken(shop, works)[1] == 0
    return shop


def document(data: bytes) -> Document:
    return json.loads(data)


def as_file(doc: Document) -> bytes:
    return json.dumps(doc).encode()


def of(doc: Document, kind: str) -> list[Document]:
    return [r for r in doc["records"] if r["of"] == kind]


def test_the_shop_comes_back_byte_for_byte(shop: Engine, works: bytes) -> None:
    clear(shop)
    lines, refused = taken(shop, works)
    assert refused == 0 and {x.verdict for x in lines} == {"added"}
    assert written(shop) == works
    # Twice is once: nothing is added, nothing is changed.
    again, _ = taken(shop, works)
    assert {x.verdict for x in again} == {"same"} and written(shop) == works


def test_every_table_but_the_list_of_operations_goes_out(works: bytes) -> None:
    tables = set(SQLModel.metadata.tables) - {"operation", "carried"}
    assert {k.table.__tablename__ for k in KINDS} == tables
    # What the demo holds none of is not shown to come back by the test above.
    missing = {k.name for k in KINDS} - {r["of"] for r in document(works)["records"]}
    assert missing <= {"job_template", "rating_item", "instrument_shown", "drive_ends", "stock_move"}


def test_a_machine_and_a_drive_go_alone(filled: Engine, works: bytes) -> None:
    doc = document(works)
    busiest = Counter(r["drive_id"] for r in of(doc, "job")).most_common(1)[0][0]
    machine = next(d["machine_id"] for d in of(doc, "drive") if d["id"] == busiest)
    files = {
        "drive": written(filled, drive_id=uuid.UUID(busiest)),
        "machine": written(filled, machine_id=uuid.UUID(machine)),
    }
    for scope, data in files.items():
        assert document(data)["scope"] == scope
        clear(filled)
        assert taken(filled, data)[1] == 0
        ident = {f"{scope}_id": uuid.UUID(busiest if scope == "drive" else machine)}
        assert written(filled, **ident) == data
        assert len(of(document(data), "machine")) == 1 and len(of(document(data), "job")) > 1
    assert len(files["machine"]) >= len(files["drive"])


def test_the_schema_holds_for_what_is_written_and_stands_in_docs(works: bytes) -> None:
    kept = (ROOT / "docs" / "format" / "tuyere-record-1.schema.json").read_text("utf-8")
    assert json.loads(kept) == schema(), "write it anew: python -m tuyere.store.files.fields"
    jsonschema.Draft202012Validator.check_schema(schema())
    whole = jsonschema.Draft202012Validator(schema())
    doc = document(works)
    assert list(whole.iter_errors({**doc, "records": doc["records"][:20]})) == []
    defs = schema()["$defs"]
    judges = {k: jsonschema.Draft202012Validator({**defs[k], "$defs": defs}) for k in {r["of"] for r in doc["records"]}}
    for record in doc["records"]:
        judges[record["of"]].validate(record)
    assert not whole.is_valid({**doc, "version": 2})
    assert not whole.is_valid({**doc, "records": [{**of(doc, "machine")[0], "name": 5}]})
    explained = (ROOT / "docs" / "format" / "README.md").read_text("utf-8")
    assert all(f"`{k.name}`" in explained for k in KINDS)


def test_what_is_not_known_is_kept(filled: Engine, works: bytes) -> None:
    doc = document(works)
    of(doc, "machine")[0]["colour"] = {"of_the_guard": "yellow", "since": [2024, 5.5, None]}
    of(doc, "drive")[0]["noise"] = 81.5
    doc["written_by"] = "a later program"
    clear(filled)
    assert taken(filled, as_file(doc))[1] == 0
    once = written(filled)
    assert document(once)["written_by"] == "a later program"
    assert of(document(once), "machine")[0]["colour"]["since"] == [2024, 5.5, None]
    clear(filled)
    assert taken(filled, once)[1] == 0 and written(filled) == once
    # What is carried is a part of the record: without it the record is another one.
    lines, _ = taken(filled, works, keep=False)
    assert Counter(x.verdict for x in lines)["kept"] == 2


def test_a_later_revision_changes_and_an_earlier_one_does_not(filled: Engine, works: bytes) -> None:
    doc = document(works)
    later, earlier, untold = of(doc, "machine")[:3]
    later |= {"rev": later["rev"] + 1, "name": "Scutcher moved"}
    earlier |= {"name": "Something older"}
    untold |= {"rev": untold["rev"] + 5}
    looked, _ = taken(filled, as_file(doc), keep=False)
    assert written(filled) == works, "a look changes nothing"
    lines, refused = taken(filled, as_file(doc))
    assert lines == looked and refused == 0
    told = {x.words: x for x in lines if x.verdict != "same"}
    assert told["machine Scutcher moved"].verdict == "changed" and "name" in told["machine Scutcher moved"].reason
    assert told["machine Something older"].verdict == "kept" and "stays" in told["machine Something older"].reason
    after = of(document(written(filled)), "machine")
    assert [m["name"] for m in after][:2] == ["Scutcher moved", of(document(works), "machine")[1]["name"]]


def at(of_kind: str, n: int = 0, /, **change: Any) -> Callable[[Document], None]:
    """A file with something else in the n-th record of a kind."""
    return lambda doc: of(doc, of_kind)[n].update(change)


def without(kind: str) -> Callable[[Document], None]:
    def change(doc: Document) -> None:
        doc["records"] = [r for r in doc["records"] if r["of"] != kind]

    return change


def ring_of_builds(doc: Document) -> None:
    a = of(doc, "build")[0]
    b = {**a, "id": str(uuid.uuid4()), "no": a["no"] + 90, "supersedes_id": a["id"], "state": "frozen"}
    a["supersedes_id"] = b["id"]
    doc["records"].insert(doc["records"].index(a) + 1, b)


def ring_of_a_job(doc: Document) -> None:
    finding = of(doc, "finding")[0]
    job = next(j for j in of(doc, "job") if j["id"] == finding["job_id"])
    due = next(d for d in of(doc, "due"))
    due["made_by_finding_id"], job["due_id"] = finding["id"], due["id"]


def twice(doc: Document) -> None:
    first = of(doc, "machine")[0]
    doc["records"].insert(doc["records"].index(first) + 1, dict(first))


def itself(kind: str, column: str) -> Callable[[Document], None]:
    def change(doc: Document) -> None:
        of(doc, kind)[0][column] = of(doc, kind)[0]["id"]

    return change


FAULTS: list[tuple[Callable[[Document], None], str, str]] = [
    (at("machine", name=5), "name: words are wanted here", "machine"),
    (at("machine", name="x" * 81), "name: too long", "machine"),
    (at("machine", name="a\x00b"), "cannot be kept", "machine"),
    (at("machine", name=""), "needs a name", "machine"),
    (at("machine", kind="boat"), "that kind does not exist", "machine"),
    (at("machine", id="none"), "id: not an id", "machine"),
    (at("machine", rev=0), "rev: too small", "machine"),
    (at("machine", walk_order=10**12), "walk order: too large", "machine"),
    (at("machine", created_at="yesterday"), "created at: not a date", "machine"),
    (at("machine", created_at="2026-01-01T00:00:00"), "created at:", "machine"),
    (at("duty", power_kw=-1.0), "above zero", "duty"),
    (at("duty", power_kw="much"), "power kw: a number is wanted", "duty"),
    (at("duty", driver_rpm=True), "driver rpm: a number is wanted", "duty"),
    (at("duty", driver_rpm="1750"), "driver rpm: a number is wanted", "duty"),
    (at("build", state="lost"), "that state does not exist", "build"),
    (at("build", family="rope"), "no drive that can be shown", "build"),
    (at("loop", spec={"odd": 1}, section="ZZ"), "no drive that can be shown", "build"),
    (at("loop", length_mm=0.0), "above zero", "belt or chain"),
    (at("element", diameter_kind="guessed"), "outside, effective, datum or pitch", "wheel"),
    (at("job", state="open"), "not what its steps tell", "job"),
    (at("job", template_text="no template"), "not what its steps tell", "job"),
    (at("step_event", kind="danced"), "not what its steps tell", "job"),
    (at("photo", sha256="0" * 64), "the picture is broken", "photo"),
    (at("photo", data="PHNjcmlwdD4="), "the picture is broken", "photo"),
    (at("photo", data="???"), "", "photo"),
    (at("due", title=""), "needs a title", "due"),
    (at("stock_item", quantity=-3), "", "part on the shelf"),
    (without("machine"), "belongs to a machine that is neither here nor before it", "isolation point"),
    (without("shaft"), "belongs to a shaft", "wheel"),
    (at("drive", of="boat"), "no such kind of record", "boat"),
    (at("drive", of=7), "no such kind of record", ""),
    (lambda doc: doc["records"].insert(3, ["not", "a", "record"]), "no such kind of record", "a record"),
    (lambda doc: doc["records"].insert(0, None), "no such kind of record", "a record"),
    (lambda doc: doc["records"].reverse(), "neither here nor before it in the file", ""),
    (twice, "stands twice", "machine"),
    (ring_of_builds, "points back at itself", "build"),
    (ring_of_a_job, "points back at itself", "job"),
    (itself("build", "supersedes_id"), "points back at itself", "build"),
    (itself("step_event", "corrects_id"), "points back at itself", "step"),
    (itself("reading", "corrects_id"), "points back at itself", "reading"),
    (at("reading", corrects_id=str(uuid.uuid4())), "belongs to a reading that is neither here", "reading"),
]


@pytest.mark.parametrize("n", range(len(FAULTS)))
def test_a_fault_is_said_at_its_record_and_nothing_is_taken(shop: Engine, small: bytes, n: int) -> None:
    change, reason, words = FAULTS[n]
    doc = document(small)
    change(doc)
    clear(shop)
    lines, refused = taken(shop, as_file(doc))
    wrong = [x for x in lines if x.verdict == "refused"]
    assert len(wrong) == refused >= 1
    assert any(reason in x.reason and x.words.startswith(words) for x in wrong), wrong[:4]
    for x in wrong:
        assert "Error" not in x.reason and "psycopg" not in x.reason and "{" not in x.reason, x
    with Session(shop) as session:
        assert session.execute(sa.text("SELECT count(*) FROM machine")).scalar() == 0


def test_what_was_recorded_is_never_changed(filled: Engine, works: bytes) -> None:
    for kind, change in [
        ("reading", {"value": 99.0, "rev": 9}),
        ("step_event", {"reason": "otherwise", "rev": 9}),
        ("photo", {"caption": "another", "rev": 9}),
        ("calc_record", {"core_version": "9", "rev": 9}),
    ]:
        doc = document(works)
        of(doc, kind)[0].update(change)
        lines, refused = taken(filled, as_file(doc))
        assert refused == 1 and "never changed" in next(x.reason for x in lines if x.verdict == "refused"), kind
    assert written(filled) == works


@given(st.data())
def test_half_a_file_is_no_file(data: st.DataObject) -> None:
    """Wherever a copy was broken off, it is known as such."""
    out = io.BytesIO()
    write_record_file(out, {"scope": "shop"}, [{"of": "x", "a": [1, {"b": "ä"}]}, {"of": "y", "n": None}])
    whole = out.getvalue()
    cut = data.draw(st.integers(0, len(whole.rstrip()) - 1))
    with pytest.raises(FileRefused):
        list(read_record_file(io.BytesIO(whole[:cut])))
    assert [p.no for p in read_record_file(io.BytesIO(whole)) if isinstance(p, Record)] == [1, 2]


JSON = st.recursive(
    st.none()
    | st.booleans()
    | st.integers(-(2**40), 2**40)
    | st.floats(allow_nan=False, allow_infinity=False)
    | st.text(),
    lambda inner: st.lists(inner, max_size=4) | st.dictionaries(st.text(max_size=8), inner, max_size=4),
    max_leaves=12,
)


@given(st.lists(JSON, max_size=5), st.dictionaries(st.text(max_size=8), JSON, max_size=3))
def test_what_is_read_is_what_the_standard_library_reads(records: list[Any], head: dict[str, Any]) -> None:
    """Against json of the standard library, however the file is laid out."""
    said = {k: v for k, v in head.items() if k not in ("format", "version", "records")}
    doc = {"format": "tuyere-record", "version": 1, **said, "records": records}
    for indent in (None, 2):
        text = json.dumps(doc, indent=indent, ensure_ascii=indent is None)
        parts = list(read_record_file(io.BytesIO(text.encode("utf-8", "surrogatepass")))) if _plain(text) else None
        if parts is None:
            continue
        assert [p.fields for p in parts if isinstance(p, Record)] == json.loads(text)["records"]
        assert {p.name: p.value for p in parts if isinstance(p, Head)} == {
            k: v for k, v in doc.items() if k != "records"
        }


def _plain(text: str) -> bool:
    return not any("\ud800" <= c <= "\udfff" for c in text)


@given(
    st.binary(max_size=200)
    | st.text(max_size=100).map(lambda t: t.encode("utf-8", "ignore"))
    | JSON.map(lambda x: json.dumps(x).encode())
)
def test_junk_is_refused_in_words(data: bytes) -> None:
    with pytest.raises(FileRefused) as e:
        list(read_record_file(io.BytesIO(data)))
    assert e.value.why and "error" not in e.value.why.lower()


@pytest.mark.parametrize(
    ("doc", "why"),
    [
        ({"format": "tuyere-record", "version": 2, "records": []}, "written by a newer program"),
        ({"format": "tuyere-record", "version": 0, "records": []}, "not a number"),
        ({"format": "tuyere-record", "version": "1", "records": []}, "not a number"),
        ({"format": "another", "version": 1, "records": []}, "not a record file"),
        ({"records": [], "format": "tuyere-record", "version": 1}, "not a record file"),
        ({"format": "tuyere-record", "version": 1, "records": {"a": 1}}, "not a list"),
    ],
)
def test_another_file_is_known_at_its_head(doc: Document, why: str) -> None:
    with pytest.raises(FileRefused, match=why):
        list(read_record_file(io.BytesIO(as_file(doc))))


def test_every_rule_of_the_database_has_its_words() -> None:
    for kind in KINDS:
        for rule in kind.table.__table__.constraints:
            if isinstance(rule, sa.CheckConstraint):
                name = str(rule.name).removeprefix(f"ck_{kind.table.__tablename__}_")
                assert name in RULES, (kind.name, name)
        assert all(t in kind.columns for t in kind.title)
    assert words_of(KINDS[0], {"name": "Scutcher"}) == "machine Scutcher"


def test_a_file_of_faults_is_not_read_to_its_end(shop: Engine, works: bytes) -> None:
    doc = document(works)
    doc["records"] = [{"of": "machine", "name": "x"}] * 5000
    lines, refused = taken(shop, as_file(doc))
    assert refused == len(lines) == 200


def test_machines_that_are_here_stay_beside_those_that_come(shop: Engine, works: bytes) -> None:
    clear(shop)
    with Session(shop) as session:
        session.add(Machine(name="Ours", kind="shop"))
        session.commit()
    assert taken(shop, works)[1] == 0
    names = [m["name"] for m in of(document(written(shop)), "machine")]
    assert "Ours" in names and len(names) == len(of(document(works), "machine")) + 1
    assert Path(ROOT / "docs" / "format").is_dir()
