"""what the other families need: a loop's own particulars, a load class without a listed machine

Revision ID: 20261123_second
Revises: 20261123_first
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261123_second'
down_revision = '20261123_first'
branch_labels = None
depends_on = None

# Slip belongs to the loop; it stood with the driven wheel before.
FORTH = """
UPDATE loop SET spec = jsonb_build_object('slip', e.spec->'slip')
FROM route_stop r JOIN element e ON e.id = r.element_id
WHERE r.loop_id = loop.id AND r.position = 2 AND COALESCE((e.spec->>'slip')::float, 0) <> 0
"""
BACK = """
UPDATE element SET spec = element.spec || jsonb_build_object('slip', l.spec->'slip')
FROM route_stop r JOIN loop l ON l.id = r.loop_id
WHERE r.element_id = element.id AND r.position = 2 AND l.spec ? 'slip'
"""


def upgrade() -> None:
    """Add the columns and move slip to the loop."""
    op.add_column("loop", sa.Column("spec", postgresql.JSONB(), nullable=False, server_default=sa.text("'{}'::jsonb")))
    op.alter_column("loop", "spec", server_default=None)
    op.alter_column("loop", "designation", type_=sa.String(length=80), existing_type=sa.String(length=40))
    op.add_column("duty", sa.Column("load_class", sa.String(length=20), nullable=True))
    op.execute(FORTH)


def downgrade() -> None:
    """Put slip back and take the columns away; designations are cut to the old length."""
    op.execute(BACK)
    op.drop_column("duty", "load_class")
    op.execute("UPDATE loop SET designation = left(designation, 40)")
    op.alter_column("loop", "designation", type_=sa.String(length=40), existing_type=sa.String(length=80))
    op.drop_column("loop", "spec")
