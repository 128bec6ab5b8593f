"""simulated drives, what real instruments showed, what is known of a drive's start, shafts and maker's number

Revision ID: 20261126_eighth
Revises: 20261125_seventh
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261126_eighth'
down_revision = '20261125_seventh'
branch_labels = None
depends_on = None


def _common() -> list[sa.Column]:
    return [
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('op_id', sa.Uuid(), nullable=False),
        sa.Column('rev', sa.Integer(), nullable=False),
        sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('created_by_name', sa.String(length=80), nullable=False),
        sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    ]


def upgrade() -> None:
    """Make the tables."""
    op.create_table(
        'twin',
        *_common(),
        sa.Column('drive_id', sa.Uuid(), nullable=False),
        sa.Column('seed', sa.Integer(), nullable=False),
        sa.Column('taken', sa.Integer(), nullable=False),
        sa.Column('state', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_twin_drive_id_drive')),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_twin')),
        sa.UniqueConstraint('op_id', name=op.f('uq_twin_op_id')),
    )
    op.create_index(op.f('ix_twin_drive_id'), 'twin', ['drive_id'])
    op.create_index('uq_twin_drive', 'twin', ['drive_id'], unique=True, postgresql_where=sa.text('archived_at IS NULL'))
    op.create_table(
        'instrument_shown',
        *_common(),
        sa.Column('instrument', sa.String(length=40), nullable=False),
        sa.Column('serial', sa.String(length=80), nullable=False),
        sa.Column('quantity', sa.String(length=20), nullable=False),
        sa.Column('value', sa.Float(), nullable=False),
        sa.Column('unit', sa.String(length=20), nullable=False),
        sa.Column('resolution', sa.Float(), nullable=False),
        sa.Column('at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('warnings', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_instrument_shown')),
        sa.UniqueConstraint('op_id', name=op.f('uq_instrument_shown_op_id')),
    )
    op.create_index('ix_instrument_shown_at', 'instrument_shown', ['at'])
    op.create_table(
        'drive_ends',
        *_common(),
        sa.Column('drive_id', sa.Uuid(), nullable=False),
        sa.Column('given', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_drive_ends_drive_id_drive')),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_drive_ends')),
        sa.UniqueConstraint('op_id', name=op.f('uq_drive_ends_op_id')),
    )
    op.create_index(op.f('ix_drive_ends_drive_id'), 'drive_ends', ['drive_id'])
    op.create_index(
        'uq_drive_ends_drive', 'drive_ends', ['drive_id'], unique=True, postgresql_where=sa.text('archived_at IS NULL')
    )


def downgrade() -> None:
    """Take the tables away."""
    op.drop_table('drive_ends')
    op.drop_table('instrument_shown')
    op.drop_table('twin')
