"""Documents put away, the words in them to be found, passages, and the print tray."""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    # Plain columns: to make a table anew would take away what its rows are referred to by.
    op.add_column("document", sa.Column("away", sa.Boolean(), nullable=False, server_default="0"))
    op.add_column("desk", sa.Column("passages", sa.Text(), nullable=False, server_default="[]"))
    op.add_column(
        "utterance", sa.Column("refused", sa.Boolean(), nullable=False, server_default="0")
    )
    op.create_table(
        "print_job",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("title", sa.String(200), nullable=False),
        sa.Column("copies", sa.Integer(), nullable=False),
        sa.Column("pages", sa.Integer(), nullable=False),
        sa.Column("printed_at", sa.DateTime(), nullable=False),
        sa.Column("text_size", sa.String(8), nullable=False),
        sa.Column("first", sa.Integer(), nullable=False),
        sa.Column("blocks", sa.Text(), nullable=False),
        sa.Column("pdf", sa.LargeBinary(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_print_job"),
    )
    # Its row numbers are the documents'; what it lacks is put in when somebody searches.
    op.execute(
        "CREATE VIRTUAL TABLE document_text"
        " USING fts5(title, body, tokenize = 'porter unicode61 remove_diacritics 2')"
    )


def downgrade() -> None:
    op.execute("DROP TABLE document_text")
    op.drop_table("print_job")
    op.drop_column("utterance", "refused")
    op.drop_column("desk", "passages")
    op.drop_column("document", "away")
