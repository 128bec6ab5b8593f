"""one drive: shafts numbered, load per shaft, options and turn on the build, take-up on the loop, wheels by name

Revision ID: 20261125_sixth
Revises: 20261125_fifth
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261125_sixth'
down_revision = '20261125_fifth'
branch_labels = None
depends_on = None



def common() -> list[sa.Column]:
    """Columns that every row has."""
    return [
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("op_id", sa.Uuid(), nullable=False),
        sa.Column("rev", sa.Integer(), nullable=False),
        sa.Column("created_at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("created_by_name", sa.String(length=80), nullable=False),
        sa.Column("observed_at", sa.DateTime(timezone=True), nullable=True),
        sa.Column("archived_at", sa.DateTime(timezone=True), nullable=True),
    ]


# Where two shafts of one role were made at once, the later ones get the next numbers.
NUMBERED = """
UPDATE shaft SET no = n.no FROM (
  SELECT id, row_number() OVER (PARTITION BY drive_id, role ORDER BY created_at, id) AS no FROM shaft
) n WHERE n.id = shaft.id
"""
LOADS = """
INSERT INTO shaft_load (id, op_id, rev, created_at, created_by_name, duty_id, shaft_id, power_kw, wanted_rpm)
SELECT gen_random_uuid(), gen_random_uuid(), 1, d.created_at, d.created_by_name, d.id, s.id, d.power_kw, d.driven_rpm
FROM duty d JOIN shaft s ON s.drive_id = d.drive_id AND s.role = 'driven' AND s.no = 1 AND s.archived_at IS NULL
"""
OPTIONS = """
UPDATE build SET core_version = c.core_version,
  options = CASE WHEN c.input ? 'basis' THEN jsonb_build_object('book', c.input->>'basis') ELSE '{}'::jsonb END
FROM calc_record c WHERE c.build_id = build.id AND c.archived_at IS NULL
"""
TURN = """
UPDATE build SET clockwise = (e.spec->>'clockwise')::boolean
FROM element e WHERE e.build_id = build.id AND e.spec ? 'clockwise'
"""
NAMED = "UPDATE element SET wheel = s.role FROM shaft s WHERE s.id = element.shaft_id"
TAKE_UP = """
UPDATE loop SET take_up = jsonb_build_object('wheel', 'driven', 'kind', 'fixed', 'slide',
  jsonb_build_array(e.x / sqrt(e.x * e.x + e.y * e.y), e.y / sqrt(e.x * e.x + e.y * e.y)))
FROM route_stop r JOIN element e ON e.id = r.element_id
WHERE r.loop_id = loop.id AND r.position = 2 AND (e.x <> 0 OR e.y <> 0)
"""
CROSSED = "UPDATE route_stop SET crossed = true FROM loop l WHERE l.id = route_stop.loop_id AND l.spec->'crossed' = 'true'::jsonb"
STRIPPED = "UPDATE element SET spec = spec - 'angle' - 'clockwise'"
# Tables are named as their family is spelled; what is on record points at them.
SPELLED = """UPDATE calc_record SET working = replace(working::text, '"table": "vbelt-', '"table": "v-belt-')::jsonb
WHERE working::text LIKE '%"table": "vbelt-%'"""

# A loop of many wheels is, for a version that knows two, its driver and its driven wheel.
MORE = "s.role IN ('idler','guide') OR (s.role = 'driven' AND s.no > 1)"
PLAIN = (
    "DELETE FROM route_stop USING element e, shaft s "
    f"WHERE e.id = route_stop.element_id AND s.id = e.shaft_id AND ({MORE})",
    f"DELETE FROM element USING shaft s WHERE s.id = element.shaft_id AND ({MORE})",
    f"DELETE FROM shaft_load USING shaft s WHERE s.id = shaft_load.shaft_id AND ({MORE})",
    f"DELETE FROM shaft s WHERE ({MORE})",
    "UPDATE route_stop SET position = n.no + 1000 FROM ("
    "SELECT id, row_number() OVER (PARTITION BY loop_id ORDER BY position) AS no FROM route_stop) n WHERE n.id = route_stop.id",
    "UPDATE route_stop SET position = position - 1000",
    "UPDATE loop SET spec = spec - 'around'",
)

UNSTRIPPED = """
UPDATE element SET spec = element.spec || jsonb_build_object('clockwise', b.clockwise)
FROM build b, shaft s WHERE b.id = element.build_id AND s.id = element.shaft_id AND s.role = 'driver'
"""
ANGLED = """
UPDATE element SET spec = element.spec || jsonb_build_object('angle', round(degrees(atan2(element.y, element.x))::numeric, 9))
FROM shaft s WHERE s.id = element.shaft_id AND s.role = 'driven'
"""
BASIS = """
UPDATE calc_record SET input = input || jsonb_build_object('basis', COALESCE(b.options->>'book', 'ip20-1988'))
FROM build b WHERE b.id = calc_record.build_id
"""
UNSPELLED = """UPDATE calc_record SET working = replace(working::text, '"table": "v-belt-', '"table": "vbelt-')::jsonb
WHERE working::text LIKE '%"table": "v-belt-%'"""


def upgrade() -> None:
    """Add what many wheels need and fill it from what two wheels had."""
    op.add_column("shaft", sa.Column("no", sa.Integer(), nullable=False, server_default="1"))
    op.execute(NUMBERED)
    op.alter_column("shaft", "no", server_default=None)
    op.drop_constraint(op.f("ck_shaft_role"), "shaft")
    op.create_check_constraint(op.f("ck_shaft_role"), "shaft", "role IN ('driver','driven','idler','guide')")
    op.create_check_constraint(op.f("ck_shaft_no"), "shaft", "no >= 1")
    op.create_index("uq_shaft_drive_id_role_no", "shaft", ["drive_id", "role", "no"], unique=True,
                    postgresql_where=sa.text("archived_at IS NULL"))
    op.create_table(
        "shaft_load",
        *common(),
        sa.Column("duty_id", sa.Uuid(), nullable=False),
        sa.Column("shaft_id", sa.Uuid(), nullable=False),
        sa.Column("power_kw", sa.Float(), nullable=False),
        sa.Column("wanted_rpm", sa.Float(), nullable=True),
        sa.CheckConstraint("power_kw > 0", name=op.f("ck_shaft_load_power")),
        sa.CheckConstraint("wanted_rpm IS NULL OR wanted_rpm > 0", name=op.f("ck_shaft_load_speed")),
        sa.ForeignKeyConstraint(["duty_id"], ["duty.id"], name="fk_shaft_load_duty_id_duty"),
        sa.ForeignKeyConstraint(["shaft_id"], ["shaft.id"], name="fk_shaft_load_shaft_id_shaft"),
        sa.PrimaryKeyConstraint("id", name="pk_shaft_load"),
        sa.UniqueConstraint("op_id", name="uq_shaft_load_op_id"),
        sa.UniqueConstraint("duty_id", "shaft_id", name="uq_shaft_load_duty_id_shaft_id"),
    )
    op.create_index("ix_shaft_load_duty_id", "shaft_load", ["duty_id"])
    op.create_index("ix_shaft_load_shaft_id", "shaft_load", ["shaft_id"])
    op.execute(LOADS)
    op.add_column("build", sa.Column("options", postgresql.JSONB(), nullable=False, server_default=sa.text("'{}'::jsonb")))
    op.add_column("build", sa.Column("core_version", sa.String(length=20), nullable=False, server_default=""))
    op.add_column("build", sa.Column("clockwise", sa.Boolean(), nullable=False, server_default=sa.true()))
    op.execute(OPTIONS)
    op.execute(TURN)
    for name in ("options", "core_version", "clockwise"):
        op.alter_column("build", name, server_default=None)
    op.add_column("element", sa.Column("wheel", sa.String(length=40), nullable=False, server_default=""))
    op.execute(NAMED)
    op.alter_column("element", "wheel", server_default=None)
    op.drop_column("element", "spec_version")
    # What kinds of wheel there are is the families' to say.
    op.drop_constraint(op.f("ck_element_kind"), "element")
    op.create_check_constraint(op.f("ck_element_kind"), "element", "length(kind) > 0")
    op.add_column("loop", sa.Column("take_up", postgresql.JSONB(), nullable=True))
    op.execute(TAKE_UP)
    op.add_column("route_stop", sa.Column("crossed", sa.Boolean(), nullable=False, server_default=sa.false()))
    op.execute(CROSSED)
    op.alter_column("route_stop", "crossed", server_default=None)
    op.execute(STRIPPED)
    op.execute(SPELLED)


def downgrade() -> None:
    """Put angle and turn back with the wheels; what only many wheels have is lost."""
    for statement in PLAIN:
        op.execute(statement)
    op.execute(UNSPELLED)
    op.execute(UNSTRIPPED)
    op.execute(ANGLED)
    op.execute(BASIS)
    op.drop_column("route_stop", "crossed")
    op.drop_column("loop", "take_up")
    op.drop_constraint(op.f("ck_element_kind"), "element")
    op.create_check_constraint(op.f("ck_element_kind"), "element", "kind IN ('sheave','sprocket','pulley','idler','guide')")
    op.add_column("element", sa.Column("spec_version", sa.Integer(), nullable=False, server_default="1"))
    op.alter_column("element", "spec_version", server_default=None)
    op.drop_column("element", "wheel")
    for name in ("clockwise", "core_version", "options"):
        op.drop_column("build", name)
    op.drop_table("shaft_load")
    op.drop_index("uq_shaft_drive_id_role_no", "shaft")
    op.drop_constraint(op.f("ck_shaft_no"), "shaft")
    op.drop_constraint(op.f("ck_shaft_role"), "shaft")
    op.create_check_constraint(op.f("ck_shaft_role"), "shaft", "role IN ('driver','driven','idler')")
    op.drop_column("shaft", "no")
