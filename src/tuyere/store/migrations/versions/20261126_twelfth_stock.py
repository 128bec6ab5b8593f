"""parts of every kind on the shelf, where they lie, when to buy again, and what was taken

Revision ID: 20261126_twelfth
Revises: 20261126_eleventh
"""

import sqlalchemy as sa
from alembic import op

revision = '20261126_twelfth'
down_revision = '20261126_eleventh'
branch_labels = None
depends_on = None

PARTS = (
    "'belt','sheave','toothed belt','flat belt','bushing','chain','link','sprocket','lacing','instrument','other'"
)


def upgrade() -> None:
    """Widen the shelf, make the moves."""
    op.add_column('stock_item', sa.Column('place', sa.String(length=80), nullable=False, server_default=''))
    op.alter_column('stock_item', 'place', server_default=None)
    op.add_column('stock_item', sa.Column('low', sa.Integer(), nullable=True))
    op.alter_column('stock_item', 'part', type_=sa.String(length=20))
    # The third migration named these twice over.
    for name in ('part', 'diameter', 'quantity'):
        op.drop_constraint(op.f(f'ck_stock_item_ck_stock_item_{name}'), 'stock_item')
    op.create_check_constraint(op.f('ck_stock_item_part'), 'stock_item', f'part IN ({PARTS})')
    op.create_check_constraint(
        op.f('ck_stock_item_diameter'), 'stock_item', "(part = 'sheave') = (diameter_mm IS NOT NULL)"
    )
    op.create_check_constraint(op.f('ck_stock_item_quantity'), 'stock_item', 'quantity >= 0')
    op.create_check_constraint(op.f('ck_stock_item_low'), 'stock_item', 'low IS NULL OR low >= 1')
    op.create_table(
        'stock_move',
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('op_id', sa.Uuid(), nullable=False),
        sa.Column('rev', sa.Integer(), nullable=False),
        sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('created_by_name', sa.String(length=80), nullable=False),
        sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('item_id', sa.Uuid(), nullable=False),
        sa.Column('change', sa.Integer(), nullable=False),
        sa.Column('job_id', sa.Uuid(), nullable=True),
        sa.Column('why', sa.String(length=200), nullable=False),
        sa.Column('at', sa.DateTime(timezone=True), nullable=False),
        sa.CheckConstraint('change <> 0', name=op.f('ck_stock_move_change')),
        sa.ForeignKeyConstraint(['item_id'], ['stock_item.id'], name=op.f('fk_stock_move_item_id_stock_item')),
        sa.ForeignKeyConstraint(['job_id'], ['job.id'], name=op.f('fk_stock_move_job_id_job')),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_stock_move')),
        sa.UniqueConstraint('op_id', name=op.f('uq_stock_move_op_id')),
    )
    op.create_index(op.f('ix_stock_move_item_id'), 'stock_move', ['item_id'])
    op.create_index(op.f('ix_stock_move_job_id'), 'stock_move', ['job_id'])


def downgrade() -> None:
    """Back to belts and sheaves; the other parts go."""
    op.drop_table('stock_move')
    op.execute("DELETE FROM stock_item WHERE part NOT IN ('belt','sheave') OR quantity = 0")
    for name in ('part', 'diameter', 'quantity', 'low'):
        op.drop_constraint(op.f(f'ck_stock_item_{name}'), 'stock_item')
    op.create_check_constraint(op.f('ck_stock_item_ck_stock_item_part'), 'stock_item', "part IN ('belt','sheave')")
    op.create_check_constraint(
        op.f('ck_stock_item_ck_stock_item_diameter'), 'stock_item', "(part = 'belt') = (diameter_mm IS NULL)"
    )
    op.create_check_constraint(op.f('ck_stock_item_ck_stock_item_quantity'), 'stock_item', 'quantity >= 1')
    op.alter_column('stock_item', 'part', type_=sa.String(length=10))
    op.drop_column('stock_item', 'low')
    op.drop_column('stock_item', 'place')
