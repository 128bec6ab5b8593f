"""a drive's speed plate

Revision ID: 20261126_fifteenth
Revises: 20261126_fourteenth
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261126_fifteenth'
down_revision = '20261126_fourteenth'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the table."""
    op.create_table(
        'speed_plate',
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('op_id', sa.Uuid(), nullable=False),
        sa.Column('rev', sa.Integer(), nullable=False),
        sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('created_by_name', sa.String(length=80), nullable=False),
        sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('drive_id', sa.Uuid(), nullable=False),
        sa.Column('title', sa.String(length=120), nullable=False),
        sa.Column('rows', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.Column('calc', sa.String(length=40), nullable=False),
        sa.Column('given', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_speed_plate_drive_id_drive')),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_speed_plate')),
        sa.UniqueConstraint('op_id', name=op.f('uq_speed_plate_op_id')),
    )
    op.create_index(op.f('ix_speed_plate_drive_id'), 'speed_plate', ['drive_id'])
    op.create_index(
        'uq_speed_plate_drive', 'speed_plate', ['drive_id'], unique=True, postgresql_where=sa.text('archived_at IS NULL')
    )


def downgrade() -> None:
    """The plates go."""
    op.drop_table('speed_plate')
