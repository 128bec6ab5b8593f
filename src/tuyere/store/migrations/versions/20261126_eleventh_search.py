"""indexes for the search: trigrams of names, full text of notes

Revision ID: 20261126_eleventh
Revises: 20261126_tenth
"""

from alembic import op

revision = '20261126_eleventh'
down_revision = '20261126_tenth'
branch_labels = None
depends_on = None

TRIGRAMS = {
    'machine': "lower(name || ' ' || tag || ' ' || area)",
    'drive': 'lower(name)',
    'loop': 'lower(designation)',
    'stock_item': "lower(designation || ' ' || section)",
    'job': 'lower(title)',
    'finding': 'lower(note)',
    'failure': 'lower(note)',
    'step_event': 'lower(reason)',
    'reading': 'lower(words)',
    'due': 'lower(title)',
}
TEXTS = {'finding': 'note', 'failure': 'note', 'step_event': 'reason'}


def upgrade() -> None:
    """Make them."""
    op.execute('CREATE EXTENSION IF NOT EXISTS pg_trgm')
    for table, words in TRIGRAMS.items():
        op.execute(f'CREATE INDEX ix_{table}_trigrams ON {table} USING gin (({words}) gin_trgm_ops)')
    op.execute('CREATE INDEX ix_job_by_trigrams ON job USING gin ((lower(created_by_name)) gin_trgm_ops)')
    for table, column in TEXTS.items():
        op.execute(f"CREATE INDEX ix_{table}_words ON {table} USING gin (to_tsvector('english', {column}))")


def downgrade() -> None:
    """Take them away; the extension stays, others may use it."""
    for table in TEXTS:
        op.execute(f'DROP INDEX ix_{table}_words')
    op.execute('DROP INDEX ix_job_by_trigrams')
    for table in TRIGRAMS:
        op.execute(f'DROP INDEX ix_{table}_trigrams')
