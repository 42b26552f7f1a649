"""The tables.  Texts of edits, hearings and states are JSON, made by the core's own functions."""

from __future__ import annotations

from datetime import datetime

from sqlalchemy import ForeignKey, Index, LargeBinary, MetaData, String, Text
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column


class Base(DeclarativeBase):
    metadata = MetaData(
        naming_convention={
            "ix": "ix_%(column_0_label)s",
            "uq": "uq_%(table_name)s_%(column_0_name)s",
            "fk": "fk_%(table_name)s_%(column_0_name)s_%(referred_table_name)s",
            "pk": "pk_%(table_name)s",
        }
    )


class DocumentRow(Base):
    """A document: its name, the version on its head, and where its writer was.

    `state` is the caret, the selection and the like (store.states).  `unsaved` counts the
    characters of the edits since the last snapshot, `copied` those of that snapshot.  `revision`
    keeps two servers from overwriting each other.  What is `away` stands on no shelf.
    """

    __tablename__ = "document"

    id: Mapped[int] = mapped_column(primary_key=True)
    title: Mapped[str] = mapped_column(String(200), unique=True)
    head: Mapped[int] = mapped_column(default=0)
    versions: Mapped[int] = mapped_column(default=0)
    state: Mapped[str] = mapped_column(Text)
    opening: Mapped[str] = mapped_column(String(120), default="")
    words: Mapped[int] = mapped_column(default=0)
    unsaved: Mapped[int] = mapped_column(default=0)
    copied: Mapped[int] = mapped_column(default=0)
    changed_at: Mapped[datetime]
    away: Mapped[bool] = mapped_column(default=False, server_default="0")
    revision: Mapped[int] = mapped_column(default=0)

    __mapper_args__ = {"version_id_col": revision}


class VersionRow(Base):
    """One change of a document: a delta from its parent, and the way back."""

    __tablename__ = "version"

    document_id: Mapped[int] = mapped_column(ForeignKey("document.id"), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    parent: Mapped[int]
    utterance: Mapped[int]
    edit: Mapped[str] = mapped_column(Text)
    inverse: Mapped[str] = mapped_column(Text)
    caret_before: Mapped[str] = mapped_column(String(40))
    caret_after: Mapped[str] = mapped_column(String(40))
    depth: Mapped[int]


class SnapshotRow(Base):
    """A full copy of a document at a version, made when the edits since outweigh it."""

    __tablename__ = "snapshot"

    document_id: Mapped[int] = mapped_column(ForeignKey("document.id"), primary_key=True)
    version: Mapped[int] = mapped_column(primary_key=True)
    blocks: Mapped[str] = mapped_column(Text)


class UtteranceRow(Base):
    """Everything that was said: what was heard, how it was read, what it did.

    `effects` are the names of what it did besides the text, `back` the effects that undo them.
    """

    __tablename__ = "utterance"
    __table_args__ = (Index("ix_utterance_document_id", "document_id", "number"),)

    number: Mapped[int] = mapped_column(primary_key=True, autoincrement=False)
    document_id: Mapped[int] = mapped_column(ForeignKey("document.id"))
    spoken_at: Mapped[datetime]
    hearing: Mapped[str] = mapped_column(Text)
    heard: Mapped[str] = mapped_column(Text)
    read_as: Mapped[str] = mapped_column(String(16))
    command: Mapped[str | None] = mapped_column(String(80))
    summary: Mapped[str] = mapped_column(Text)
    version: Mapped[int]
    made: Mapped[bool]
    effects: Mapped[str] = mapped_column(Text, default="[]", server_default="[]")
    back: Mapped[str] = mapped_column(Text, default="[]", server_default="[]")
    refused: Mapped[bool] = mapped_column(default=False, server_default="0")


class DeskRow(Base):
    """The one row that says which document is on the desk, and how the desk is set.

    `question` is what the desk waits to be told, `before` how all stood before the last utterance,
    `sound` up to where a page's sound was heard; `lessons` is what corrections taught.
    """

    __tablename__ = "desk"

    id: Mapped[int] = mapped_column(primary_key=True)
    document_id: Mapped[int] = mapped_column(ForeignKey("document.id"))
    state: Mapped[str] = mapped_column(Text)
    clipboard: Mapped[str] = mapped_column(Text, default="[]")
    question: Mapped[str] = mapped_column(Text, default="null", server_default="null")
    before: Mapped[str] = mapped_column(Text, default="null", server_default="null")
    sound: Mapped[str] = mapped_column(Text, default="null", server_default="null")
    word_book: Mapped[str] = mapped_column(Text, default="[]", server_default="[]")
    lessons: Mapped[str] = mapped_column(Text, default="[]", server_default="[]")
    passages: Mapped[str] = mapped_column(Text, default="[]", server_default="[]")


class PrintRow(Base):
    """A print in the tray: the document as it was, as a PDF and as blocks (JSON)."""

    __tablename__ = "print_job"

    id: Mapped[int] = mapped_column(primary_key=True)
    title: Mapped[str] = mapped_column(String(200))
    copies: Mapped[int]
    pages: Mapped[int]
    printed_at: Mapped[datetime]
    text_size: Mapped[str] = mapped_column(String(8))
    first: Mapped[int] = mapped_column(default=0)
    blocks: Mapped[str] = mapped_column(Text)
    pdf: Mapped[bytes] = mapped_column(LargeBinary)


class SettingRow(Base):
    __tablename__ = "setting"

    name: Mapped[str] = mapped_column(String(80), primary_key=True)
    value: Mapped[str] = mapped_column(String(200))


class VoiceRow(Base):
    """What was learned of the speaker's voice (engines.builtin.adapting) and of how it is used
    (engines.habits), and what was forgotten last, until something new is learned."""

    __tablename__ = "voice"

    id: Mapped[int] = mapped_column(primary_key=True)
    learned: Mapped[bytes] = mapped_column(LargeBinary)
