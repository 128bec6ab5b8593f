"""What stands in a record file: every table but the list of operations, each below what it belongs to."""

from __future__ import annotations

import uuid
from dataclasses import dataclass, field

import sqlalchemy as sa
from sqlmodel import col

from tuyere.store.builds.tables import Build, CalcRecord, Element, Loop, Member, RouteStop
from tuyere.store.drives.tables import Duty, Ends, Shaft, ShaftLoad
from tuyere.store.jobs.tables import Due, Finding, Isolation, Job, JobTemplate, Photo, Reading, StepEvent
from tuyere.store.machines.tables import Drive, EnergySource, Machine, MeterReading
from tuyere.store.plumbing.base import Row
from tuyere.store.shelf.tables import RatingItem, StockItem, StockMove
from tuyere.store.speeds.tables import SpeedPlate
from tuyere.store.twins.tables import InstrumentShown, Twin
from tuyere.store.upkeep.tables import Failure

# What a request is known by is this server's own matter: a record that is brought in gets a new one.
OWN = ("op_id",)


@dataclass(frozen=True, slots=True, kw_only=True)
class Kind:
    """A kind of record.

    ``owner`` names the column that points at what it belongs to; ``loose`` columns may point at what stands further down and
    are set when all is in; what is ``said`` once is never changed by a file; ``batch`` records are handled together at most.
    """

    name: str
    words: str
    plural: str = ""
    table: type[Row]
    owner: str = ""
    loose: tuple[str, ...] = ()
    said: bool = False
    batch: int = 500
    title: tuple[str, ...] = field(default=("name",))

    @property
    def many(self) -> str:
        """Several of them."""
        return self.plural or f"{self.words}s"

    @property
    def columns(self) -> tuple[str, ...]:
        """The columns that go into the file, in the table's order."""
        return tuple(c.key for c in self.table.__table__.columns if c.key not in OWN)  # type: ignore[attr-defined]


# In this order they stand in a file: what is pointed at comes first, but for the loose columns.
KINDS: tuple[Kind, ...] = (
    Kind(name="machine", words="machine", table=Machine),
    Kind(
        name="energy_source",
        words="isolation point",
        table=EnergySource,
        owner="machine_id",
        title=("isolation_point",),
    ),
    Kind(
        name="meter_reading",
        words="meter reading",
        table=MeterReading,
        owner="machine_id",
        said=True,
        title=("hours", "at"),
    ),
    Kind(name="drive", words="drive", table=Drive, owner="machine_id"),
    Kind(
        name="duty",
        words="duty",
        plural="duties",
        table=Duty,
        owner="drive_id",
        title=("power_typed", "driver_rpm_typed"),
    ),
    Kind(name="drive_ends", words="shaft facts", plural="shaft facts", table=Ends, owner="drive_id", title=()),
    Kind(name="speed_plate", words="speed plate", table=SpeedPlate, owner="drive_id", title=("title",)),
    Kind(name="shaft", words="shaft", table=Shaft, owner="drive_id", title=("role", "no")),
    Kind(name="shaft_load", words="shaft load", table=ShaftLoad, owner="duty_id", title=("power_kw",)),
    Kind(name="build", words="build", table=Build, owner="drive_id", loose=("supersedes_id",), title=("no", "purpose")),
    Kind(name="element", words="wheel", table=Element, owner="build_id", title=("wheel", "profile")),
    Kind(
        name="loop",
        words="belt or chain",
        plural="belts and chains",
        table=Loop,
        owner="build_id",
        title=("designation",),
    ),
    Kind(
        name="route_stop",
        words="stop of a loop",
        plural="stops of loops",
        table=RouteStop,
        owner="loop_id",
        title=("position",),
    ),
    Kind(name="member", words="belt of a set", plural="belts of sets", table=Member, owner="loop_id", title=("no",)),
    Kind(
        name="calc_record",
        words="calculation",
        table=CalcRecord,
        owner="build_id",
        said=True,
        batch=100,
        title=("calc",),
    ),
    Kind(name="twin", words="simulated drive", table=Twin, owner="drive_id", title=()),
    Kind(name="job_template", words="job template", table=JobTemplate, title=("key",)),
    Kind(
        name="job", words="job", table=Job, owner="drive_id", loose=("due_id",), batch=200, title=("title", "opened_at")
    ),
    Kind(
        name="step_event",
        words="step",
        table=StepEvent,
        owner="job_id",
        loose=("corrects_id",),
        said=True,
        title=("step", "at"),
    ),
    Kind(
        name="isolation", words="isolation", table=Isolation, owner="job_id", title=("isolated_by_name", "isolated_at")
    ),
    Kind(
        name="reading",
        words="reading",
        table=Reading,
        owner="drive_id",
        loose=("corrects_id",),
        said=True,
        title=("reads", "typed", "at"),
    ),
    Kind(name="finding", words="finding", table=Finding, owner="drive_id", said=True, title=("words", "at")),
    Kind(name="photo", words="photo", table=Photo, owner="drive_id", said=True, batch=8, title=("caption", "taken_at")),
    Kind(name="failure", words="failure", table=Failure, owner="drive_id", title=("at",)),
    Kind(name="due", words="due", table=Due, owner="machine_id", title=("title",)),
    Kind(
        name="stock_item",
        words="part on the shelf",
        plural="parts on the shelf",
        table=StockItem,
        title=("part", "designation"),
    ),
    Kind(
        name="stock_move",
        words="change of a count",
        plural="changes of counts",
        table=StockMove,
        owner="item_id",
        said=True,
        title=("change", "why"),
    ),
    Kind(
        name="rating_item",
        words="line of the shop's own ratings",
        plural="lines of the shop's own ratings",
        table=RatingItem,
        title=("section", "rpm"),
    ),
    Kind(
        name="instrument_shown",
        words="instrument's figure",
        plural="figures of instruments",
        table=InstrumentShown,
        said=True,
        title=("instrument", "at"),
    ),
)
BY_NAME = {k.name: k for k in KINDS}
BY_TABLE = {k.table.__tablename__: k for k in KINDS}


@dataclass(frozen=True, slots=True)
class Scope:
    """What goes into a file: the whole shop, a machine, or a drive with its machine."""

    machine_id: uuid.UUID | None = None
    drive_id: uuid.UUID | None = None

    @property
    def word(self) -> str:
        """As the file says it."""
        return "drive" if self.drive_id else "machine" if self.machine_id else "shop"


def parent_of(kind: Kind) -> Kind:
    """The kind that ``owner`` points at."""
    (key,) = kind.table.__table__.columns[kind.owner].foreign_keys  # type: ignore[attr-defined]
    return BY_TABLE[key.column.table.name]


def within(kind: Kind, scope: Scope) -> sa.ColumnElement[bool] | None:
    """Which rows of a kind belong to a scope; None where none do."""
    if scope.word == "shop":
        return sa.true()
    if kind.table is Machine:
        return col(Machine.id) == scope.machine_id
    if not kind.owner or kind.table is StockMove:
        return None
    if scope.drive_id is not None and kind.table is Drive:
        return col(Drive.id) == scope.drive_id
    if scope.drive_id is not None and kind.table is Due:
        return (col(Due.machine_id) == scope.machine_id) & (
            col(Due.drive_id).is_(None) | (col(Due.drive_id) == scope.drive_id)
        )
    parent = parent_of(kind)
    above = within(parent, scope)
    if above is None:
        return None
    pointer: sa.ColumnElement[uuid.UUID] = getattr(kind.table, kind.owner)
    return pointer.in_(sa.select(col(parent.table.id)).where(above))
