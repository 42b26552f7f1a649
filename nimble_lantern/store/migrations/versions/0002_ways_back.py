"""What an utterance did besides the text and how that is undone; what is asked; sound heard."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"


def upgrade() -> None:
    with op.batch_alter_table("utterance") as table:
        table.add_column(sa.Column("effects", sa.Text(), nullable=False, server_default="[]"))
        table.add_column(sa.Column("back", sa.Text(), nullable=False, server_default="[]"))
    with op.batch_alter_table("desk") as table:
        table.add_column(sa.Column("question", sa.Text(), nullable=False, server_default="null"))
        table.add_column(sa.Column("before", sa.Text(), nullable=False, server_default="null"))
        table.add_column(sa.Column("sound", sa.Text(), nullable=False, server_default="null"))


def downgrade() -> None:
    with op.batch_alter_table("desk") as table:
        for column in ("sound", "before", "question"):
            table.drop_column(column)
    with op.batch_alter_table("utterance") as table:
        for column in ("back", "effects"):
            table.drop_column(column)
