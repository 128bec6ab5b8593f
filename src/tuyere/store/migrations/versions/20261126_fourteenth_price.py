"""what a part costs, and cost when it was taken

Revision ID: 20261126_fourteenth
Revises: 20261126_thirteenth
"""

import sqlalchemy as sa
from alembic import op

revision = '20261126_fourteenth'
down_revision = '20261126_thirteenth'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Add the prices."""
    op.add_column('stock_item', sa.Column('price', sa.Float(), nullable=True))
    op.create_check_constraint(op.f('ck_stock_item_price'), 'stock_item', 'price IS NULL OR price >= 0')
    op.add_column('stock_move', sa.Column('price', sa.Float(), nullable=True))


def downgrade() -> None:
    """Prices go."""
    op.drop_column('stock_move', 'price')
    op.drop_constraint(op.f('ck_stock_item_price'), 'stock_item')
    op.drop_column('stock_item', 'price')
