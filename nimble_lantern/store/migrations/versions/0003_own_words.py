"""A person's own words, and what their corrections taught."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"


def upgrade() -> None:
    with op.batch_alter_table("desk") as table:
        table.add_column(sa.Column("word_book", sa.Text(), nullable=False, server_default="[]"))
        table.add_column(sa.Column("lessons", sa.Text(), nullable=False, server_default="[]"))


def downgrade() -> None:
    with op.batch_alter_table("desk") as table:
        for column in ("lessons", "word_book"):
            table.drop_column(column)
