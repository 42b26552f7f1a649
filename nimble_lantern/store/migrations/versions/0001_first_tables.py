"""Documents, their versions and snapshots, utterances, the desk, settings."""

from __future__ import annotations

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None


def upgrade() -> None:
    op.create_table(
        "document",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("title", sa.String(200), nullable=False),
        sa.Column("head", sa.Integer(), nullable=False),
        sa.Column("versions", sa.Integer(), nullable=False),
        sa.Column("state", sa.Text(), nullable=False),
        sa.Column("opening", sa.String(120), nullable=False),
        sa.Column("words", sa.Integer(), nullable=False),
        sa.Column("unsaved", sa.Integer(), nullable=False),
        sa.Column("copied", sa.Integer(), nullable=False),
        sa.Column("changed_at", sa.DateTime(), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_document"),
        sa.UniqueConstraint("title", name="uq_document_title"),
    )
    op.create_table(
        "version",
        sa.Column("document_id", sa.Integer(), nullable=False),
        sa.Column("number", sa.Integer(), nullable=False),
        sa.Column("parent", sa.Integer(), nullable=False),
        sa.Column("utterance", sa.Integer(), nullable=False),
        sa.Column("edit", sa.Text(), nullable=False),
        sa.Column("inverse", sa.Text(), nullable=False),
        sa.Column("caret_before", sa.String(40), nullable=False),
        sa.Column("caret_after", sa.String(40), nullable=False),
        sa.Column("depth", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(
            ["document_id"], ["document.id"], name="fk_version_document_id_document"
        ),
        sa.PrimaryKeyConstraint("document_id", "number", name="pk_version"),
    )
    op.create_table(
        "snapshot",
        sa.Column("document_id", sa.Integer(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.Column("blocks", sa.Text(), nullable=False),
        sa.ForeignKeyConstraint(
            ["document_id"], ["document.id"], name="fk_snapshot_document_id_document"
        ),
        sa.PrimaryKeyConstraint("document_id", "version", name="pk_snapshot"),
    )
    op.create_table(
        "utterance",
        sa.Column("number", sa.Integer(), autoincrement=False, nullable=False),
        sa.Column("document_id", sa.Integer(), nullable=False),
        sa.Column("spoken_at", sa.DateTime(), nullable=False),
        sa.Column("hearing", sa.Text(), nullable=False),
        sa.Column("heard", sa.Text(), nullable=False),
        sa.Column("read_as", sa.String(16), nullable=False),
        sa.Column("command", sa.String(80), nullable=True),
        sa.Column("summary", sa.Text(), nullable=False),
        sa.Column("version", sa.Integer(), nullable=False),
        sa.Column("made", sa.Boolean(), nullable=False),
        sa.ForeignKeyConstraint(
            ["document_id"], ["document.id"], name="fk_utterance_document_id_document"
        ),
        sa.PrimaryKeyConstraint("number", name="pk_utterance"),
    )
    op.create_index("ix_utterance_document_id", "utterance", ["document_id", "number"])
    op.create_table(
        "desk",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("document_id", sa.Integer(), nullable=False),
        sa.Column("state", sa.Text(), nullable=False),
        sa.Column("clipboard", sa.Text(), nullable=False),
        sa.ForeignKeyConstraint(
            ["document_id"], ["document.id"], name="fk_desk_document_id_document"
        ),
        sa.PrimaryKeyConstraint("id", name="pk_desk"),
    )
    op.create_table(
        "setting",
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("value", sa.String(200), nullable=False),
        sa.PrimaryKeyConstraint("name", name="pk_setting"),
    )


def downgrade() -> None:
    for table in ("setting", "desk", "utterance", "snapshot", "version", "document"):
        op.drop_table(table)
