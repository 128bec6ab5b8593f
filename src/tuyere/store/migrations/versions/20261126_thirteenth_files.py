"""fields of record files that are not known here are carried along

Revision ID: 20261126_thirteenth
Revises: 20261126_twelfth
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261126_thirteenth'
down_revision = '20261126_twelfth'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the table."""
    op.create_table(
        'carried',
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('op_id', sa.Uuid(), nullable=False),
        sa.Column('rev', sa.Integer(), nullable=False),
        sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('created_by_name', sa.String(length=80), nullable=False),
        sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('record_id', sa.Uuid(), nullable=False),
        sa.Column('of', sa.String(length=40), nullable=False),
        sa.Column('fields', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_carried')),
        sa.UniqueConstraint('op_id', name=op.f('uq_carried_op_id')),
        sa.UniqueConstraint('record_id', name=op.f('uq_carried_record_id')),
    )


def downgrade() -> None:
    """What was carried goes."""
    op.drop_table('carried')
