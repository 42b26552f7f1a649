"""What was learned of the speaker's voice."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "voice",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("learned", sa.LargeBinary(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_voice"),
    )


def downgrade() -> None:
    op.drop_table("voice")
