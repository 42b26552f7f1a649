"""The journal: every utterance, with all it changed, in one transaction.

A version is a delta from its parent.  A full copy is made when the deltas since the last copy
outweigh it, so that opening a document costs at most about twice its size, however long its
history, and writing costs what changed.
"""

from __future__ import annotations

import json
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from datetime import UTC, date, datetime
from pathlib import Path
from typing import Any, assert_never

from sqlalchemy import Engine, func, select
from sqlalchemy.exc import DBAPIError, IntegrityError
from sqlalchemy.orm import Session
from sqlalchemy.orm.exc import StaleDataError

from nimble_lantern.core.commands.documents import free_name
from nimble_lantern.core.commands.shelf import which
from nimble_lantern.core.document.changes import changed
from nimble_lantern.core.document.edits import (
    AddBlocks,
    DropBlocks,
    Edit,
    Step,
    edit_to_json,
)
from nimble_lantern.core.document.history import Version
from nimble_lantern.core.document.model import (
    Document,
    Kind,
    Position,
    document_to_json,
)
from nimble_lantern.core.document.tables import next_table, of_old
from nimble_lantern.core.effects import (
    BeginPractice,
    BringBack,
    CopyDocument,
    DeleteForGood,
    DropEmptyDocument,
    FindDocuments,
    FindWritten,
    ForgetUndone,
    Kept,
    NameDocument,
    NewDocument,
    OpenDocument,
    PutAway,
    SaveSetting,
    effect_row,
)
from nimble_lantern.core.errors import LanternError, NotKept
from nimble_lantern.core.mending.word_book import WordBook
from nimble_lantern.core.practice.lessons import SHEET, sheet
from nimble_lantern.core.reading.hearing import Hearing, hearing_from_json, hearing_to_json
from nimble_lantern.core.reviewing.passages import Passage
from nimble_lantern.core.sitting import Outcome
from nimble_lantern.core.state import (
    Entry,
    FoundDocument,
    Sitting,
    View,
)
from nimble_lantern.store import backing, figures, forgetting, prints, readback, shelf, states
from nimble_lantern.store.database import migrate, why
from nimble_lantern.store.figures import Day
from nimble_lantern.store.models import (
    DeskRow,
    DocumentRow,
    SettingRow,
    SnapshotRow,
    UtteranceRow,
    VersionRow,
)
from nimble_lantern.store.prints import Print
from nimble_lantern.store.readback import StoredVersions, document_at, hearings, trail_of
from nimble_lantern.store.shelf import ShelfEntry
from nimble_lantern.store.speaker import HABITS, KeptVoice

SMALL = 20_000
"""Characters of edits that are never worth a full copy."""
MOST_VISITED = 9
FEW = 24
"""Versions that are never worth one, however small; of a long document it takes more."""
_OPENING = 110


def now() -> datetime:
    """The time of day in UTC, as the tables hold it."""
    return datetime.now(UTC).replace(tzinfo=None)


@dataclass(frozen=True, slots=True)
class SoundMark:
    """Up to where a page's sound was heard when an utterance was kept.

    `position` in samples of the page's stream at 16 kHz, `time` in milliseconds of its clock.
    """

    stream: str
    position: int
    time: float


class Journal:
    """All that is kept of a person's work, in one database."""

    def __init__(self, engine: Engine, clock: Callable[[], datetime] = now) -> None:
        self._engine, self._clock = engine, clock
        self.voice, self.habits = KeptVoice(engine), KeptVoice(engine, HABITS)
        self._begun: Sitting | None = None
        self.notice = ""
        """What there is to tell about how the file was found."""

    def begin(self) -> Sitting:
        """The sitting as it was left; on a new database, one with an empty document."""
        if self._begun is None:
            self._begun = self._left()
        return self._begun

    def _left(self) -> Sitting:
        with Session(self._engine) as session, session.begin():
            desk = session.get(DeskRow, 1)
            if desk is None:
                first = session.scalar(select(DocumentRow).order_by(DocumentRow.id))
                first = first or self._added(session, "Untitled", Document())
                desk = DeskRow(id=1, document_id=first.id, state="{}", clipboard="[]")
                session.add(desk)
                session.flush()
            return self._sitting(session, desk)

    def record(
        self, before: Sitting, outcome: Outcome, hearing: Hearing, sound: SoundMark | None = None
    ) -> Sitting:
        """Keep an utterance and what it did; the sitting to go on with.

        When this returns, it is on the disk, with up to where `sound` was heard.  NotKept if it
        could not be written, LanternError if another server wrote meanwhile.
        """
        self._begun = None
        try:
            with Session(self._engine) as session, session.begin():
                self._keep(session, before, outcome, hearing, sound)
                sitting = self._switched(session, outcome)
                if sitting.page != before.page or sitting.view is View.SHELF is not before.view:
                    sitting = self._arrived(session, before, sitting)
        except (StaleDataError, IntegrityError) as error:
            raise LanternError(
                "Another Nimble Lantern has changed this document; load the page again."
            ) from error
        except DBAPIError as error:
            raise NotKept(why(error)) from error
        if any(isinstance(e, (DeleteForGood, ForgetUndone)) for e in outcome.effects):
            forgetting.wiped(self._engine)
        return sitting

    def heard_until(self) -> SoundMark | None:
        """Up to where a page's sound is in what was kept; NotKept if the disk does not say."""
        try:
            with Session(self._engine) as session:
                desk = session.get(DeskRow, 1)
                row = json.loads(desk.sound) if desk else None
        except DBAPIError as error:
            raise NotKept(why(error)) from error
        return SoundMark(*row) if row else None

    def shelf(self, names: Sequence[str] | None = None) -> list[ShelfEntry]:
        """What the shelf shows of these documents; of all, the one changed last first."""
        with Session(self._engine) as session:
            desk = session.get(DeskRow, 1)
            here = desk.document_id if desk else 0
            wanted = shelf.titles(session) if names is None else names
            return shelf.entries(session, wanted, here)

    def add(self, title: str, document: Document, caret: Position | None = None) -> str:
        """Put a document on the shelf, to be written on at its end unless told otherwise.

        Its title, which gets a number if it is taken.
        """
        self._begun = None
        with Session(self._engine) as session, session.begin():
            return self._added(session, title, document, caret).title

    def open(self, title: str) -> Sitting:
        """The sitting with another document on the desk."""
        with Session(self._engine) as session, session.begin():
            desk = session.get_one(DeskRow, 1)
            found = select(DocumentRow.id).where(DocumentRow.title == title)
            desk.document_id = session.scalars(found).one()
            return self._sitting(session, desk)

    def hearing(self, number: int) -> Hearing | None:
        """What was heard in an utterance, however long ago; None if nobody knows any more."""
        with Session(self._engine) as session:
            kept = session.scalar(select(UtteranceRow.hearing).where(UtteranceRow.number == number))
        return hearing_from_json(json.loads(kept)) if kept else None

    def documents(self) -> Iterator[tuple[str, Document]]:
        """Every document as it is now, with its title, in the order they were made."""
        with Session(self._engine) as session:
            there = select(DocumentRow).where(~DocumentRow.away, DocumentRow.title != SHEET)
            for row in list(session.scalars(there.order_by(DocumentRow.id))):
                versions = StoredVersions(self._engine, row.id)
                with versions.within(session):
                    yield row.title, document_at(session, row.id, versions.get(row.head))

    def add_print(self, sitting: Sitting, pdf: bytes, count: int, copies: int, first: int) -> None:
        """Put a print into the tray; the oldest of too many goes."""
        new = Print(sitting.title, copies, count, self._clock(), sitting.settings.text_size, first,
                    sitting.document, pdf)  # fmt: skip
        with self._writing() as session:
            prints.added(session, new)

    def drop_prints(self, number: int) -> None:
        """Take a print out of the tray, counted from 1, the newest first; or all of them (0)."""
        with self._writing() as session:
            prints.dropped(session, number)

    def jobs(self) -> tuple[str, ...]:
        with Session(self._engine) as session:
            return prints.titles(session)

    def prints(self) -> list[Print]:
        """What lies in the tray, the newest first."""
        with Session(self._engine) as session:
            return prints.listed(session)

    def today(self) -> str:
        """The day, as a file's name has it."""
        return readback.local(self._clock()).strftime("%Y-%m-%d %H.%M")

    def back_up(self, path: Path) -> None:
        """Copy all that is kept into a file, and see that it is whole."""
        backing.back_up(self._engine, path)

    def check(self) -> list[str]:
        """Sentences about what is wrong with what is kept; none if all is well."""
        return backing.check(self._engine)

    @contextmanager
    def _writing(self) -> Iterator[Session]:
        """A transaction of its own; NotKept if it could not be written."""
        self._begun = None
        try:
            with Session(self._engine) as session, session.begin():
                yield session
        except DBAPIError as error:
            raise NotKept(why(error)) from error

    def save_setting(self, name: str, value: str) -> None:
        """Keep a setting; NotKept if it could not be written."""
        with self._writing() as session:
            session.merge(SettingRow(name=name, value=value))

    def save_word_book(self, book: WordBook) -> None:
        """Keep another word book; NotKept if it could not be written."""
        with self._writing() as session:
            session.get_one(DeskRow, 1).word_book = _dump(states.word_book_rows(book))

    def save_passages(self, passages: Sequence[Passage]) -> None:
        """Keep other passages; NotKept if they could not be written."""
        with self._writing() as session:
            session.get_one(DeskRow, 1).passages = _dump(states.passage_rows(passages))

    def days(self) -> list[Day]:
        """The person's own figures, day by day."""
        return figures.days(self._engine, self._clock())

    def titles(self) -> tuple[str, ...]:
        with Session(self._engine) as session:
            return shelf.titles(session)

    def _arrived(self, session: Session, before: Sitting, sitting: Sitting) -> Sitting:
        """With what is known of the shelf brought up to date, and of where the speaker was."""
        visited = before.visited
        if sitting.page != before.page:
            visited = (before.title, *(n for n in visited if n != before.title))[:MOST_VISITED]
        after = replace(sitting, visited=visited, shelf=shelf.titles(session))
        session.get_one(DeskRow, 1).state = _dump(states.desk_state(after))
        return after

    def _keep(
        self,
        session: Session,
        before: Sitting,
        outcome: Outcome,
        hearing: Hearing,
        sound: SoundMark | None,
    ) -> None:
        after, entry = outcome.sitting, outcome.entry
        assert entry is not None
        row = session.get_one(DocumentRow, before.page)
        desk = session.get_one(DeskRow, 1)
        session.add(self._utterance(after, entry, hearing))
        head = after.history.head
        for version in outcome.versions:
            self._add_version(session, row, version)
        self._maybe_copy(session, row, outcome)
        if after.document is not before.document:
            row.words += _words_gained(before.document, after.document)
            row.opening = _opening(after.document)
            row.changed_at = self._clock()
        row.head = head.number if head else 0
        row.state = _dump(states.document_state(after))
        desk.state = _dump(states.desk_state(after))
        desk.question = _dump(states.question_row(after.question))
        desk.before = _dump(states.before_row(before))
        if sound is not None:
            desk.sound = _dump([sound.stream, sound.position, sound.time])
        if after.clipboard is not before.clipboard:
            desk.clipboard = _dump(states.clipboard_rows(after))
        if after.word_book is not before.word_book:
            desk.word_book = _dump(states.word_book_rows(after.word_book))
        if after.lessons is not before.lessons:
            desk.lessons = _dump(states.lesson_rows(after.lessons))
        if after.passages is not before.passages:
            desk.passages = _dump(states.passage_rows(after.passages))

    def _utterance(self, after: Sitting, entry: Entry, hearing: Hearing) -> UtteranceRow:
        return UtteranceRow(
            number=entry.number,
            document_id=after.page,
            spoken_at=self._clock(),
            hearing=_dump(hearing_to_json(hearing)),
            heard=entry.heard,
            read_as=entry.read_as,
            command=entry.command,
            summary=entry.summary,
            version=entry.version.number if entry.version else 0,
            made=entry.made,
            effects=_dump(entry.effects),
            back=_dump([effect_row(e) for e in entry.back]),
            refused=entry.refused,
        )

    @staticmethod
    def _add_version(session: Session, row: DocumentRow, version: Version) -> None:
        edit, inverse = _dump(edit_to_json(version.edit)), _dump(edit_to_json(version.inverse))
        session.add(
            VersionRow(
                document_id=row.id,
                number=version.number,
                parent=version.parent.number if version.parent else 0,
                utterance=version.utterance,
                edit=edit,
                inverse=inverse,
                caret_before=_dump(version.caret_before),
                caret_after=_dump(version.caret_after),
                depth=version.depth,
            )
        )
        row.versions = max(row.versions, version.number)
        row.unsaved += len(edit)

    @staticmethod
    def _maybe_copy(session: Session, row: DocumentRow, outcome: Outcome) -> None:
        """A full copy at the head, once the edits since the last outweigh it, or are many."""
        head = outcome.sitting.history.head
        if head is None or head not in outcome.versions:
            return
        copies = select(func.max(SnapshotRow.version)).where(SnapshotRow.document_id == row.id)
        steps = head.number - (session.scalar(copies) or 0)
        if row.unsaved > SMALL + row.copied or steps > FEW + row.copied // 1_000:
            blocks = _blocks_text(outcome.sitting.document)
            session.add(SnapshotRow(document_id=row.id, version=head.number, blocks=blocks))
            row.unsaved, row.copied = 0, len(blocks)

    def _switched(self, session: Session, outcome: Outcome) -> Sitting:
        """The sitting after the effects that concern the shelf."""
        desk = session.get_one(DeskRow, 1)
        sitting = outcome.sitting
        left = desk.document_id
        for effect in outcome.effects:
            if not isinstance(effect, Kept):
                continue
            match effect:
                case SaveSetting(name, value):
                    session.merge(SettingRow(name=name, value=value))
                case NameDocument(name):
                    session.get_one(DocumentRow, desk.document_id).title = name
                    session.flush()
                    shelf.unindexed(session, desk.document_id)
                    sitting = replace(sitting, title=name, shelf=shelf.titles(session))
                case NewDocument(name):
                    desk.document_id = self._added(session, name, Document()).id
                    sitting = self._sitting(session, desk)
                case DropEmptyDocument(name):
                    forgetting.drop_if_empty(session, desk, name)
                    sitting = replace(sitting, shelf=shelf.titles(session))
                case DeleteForGood(name):
                    forgetting.delete_for_good(session, desk, name)
                    sitting = self._sitting(session, desk)
                case ForgetUndone():
                    forgetting.forget_undone(session, self._clock())
                    sitting = self._sitting(session, desk)
                case OpenDocument(name):
                    sitting = self._opened(session, desk, sitting, name)
                case CopyDocument(name, new):
                    row = self._row(session, name)
                    if row is not None:
                        copied = shelf.text_of(session, row, self._engine)
                        desk.document_id = self._added(session, new, copied).id
                        sitting = self._sitting(session, desk)
                case PutAway(name):
                    sitting = self._put_away(session, desk, sitting, name)
                case BringBack(name):
                    if (row := self._row(session, name)) is not None:
                        row.away = False
                        session.flush()
                    sitting = replace(
                        sitting, shelf=shelf.titles(session), away=shelf.titles(session, True)
                    )
                case FindDocuments(words, opens):
                    shelf.indexed(
                        session, session.get_one(DocumentRow, left), outcome.sitting.document
                    )
                    hits = shelf.found(session, self._engine, words)
                    sitting = self._showing(session, desk, sitting, hits, opens)
                case FindWritten(day, opens):
                    hits = shelf.written_on(session, date.fromisoformat(day))
                    sitting = self._showing(session, desk, sitting, hits, opens)
                case BeginPractice(lesson):
                    sitting = self._practice(session, desk, lesson)
                case _:
                    assert_never(effect)
        if desk.document_id != left and (row := session.get(DocumentRow, left)) is not None:
            shelf.indexed(session, row, outcome.sitting.document)
        return sitting

    @staticmethod
    def _row(session: Session, title: str) -> DocumentRow | None:
        return session.scalar(select(DocumentRow).where(DocumentRow.title == title))

    def _opened(self, session: Session, desk: DeskRow, sitting: Sitting, name: str) -> Sitting:
        found = self._row(session, name)
        if found is None or found.id == desk.document_id:
            return sitting
        desk.document_id = found.id
        return self._sitting(session, desk)

    def _put_away(self, session: Session, desk: DeskRow, sitting: Sitting, name: str) -> Sitting:
        """Off the shelf; from the desk too, where the one before it comes instead."""
        row = self._row(session, name)
        if row is None:
            return sitting
        row.away = True
        session.flush()
        if desk.document_id != row.id:
            return replace(sitting, shelf=shelf.titles(session), away=shelf.titles(session, True))
        there = shelf.titles(session)
        before = next((n for n in sitting.visited if n in there), there[0] if there else None)
        if before is None:
            name = free_name("Untitled", shelf.all_titles(session))
            desk.document_id = self._added(session, name, Document()).id
        else:
            other = self._row(session, before)
            assert other is not None
            desk.document_id = other.id
        return self._sitting(session, desk)

    def _showing(
        self,
        session: Session,
        desk: DeskRow,
        sitting: Sitting,
        hits: Sequence[FoundDocument],
        opens: bool,
    ) -> Sitting:
        """The shelf with what a search came to, to be chosen by number; or the only one, opened."""
        if opens and len(hits) == 1:
            there = replace(sitting, view=View.DESK)
            desk.state = _dump(states.desk_state(there))
            return self._opened(session, desk, there, hits[0].name)
        question = which(hits)
        desk.question = _dump(states.question_row(question))
        return replace(sitting, found=tuple(hits), question=question)

    def _practice(self, session: Session, desk: DeskRow, lesson: str) -> Sitting:
        """The practice sheet, made anew for a lesson."""
        forgetting.delete_for_good(session, desk, SHEET)
        added = self._added(session, SHEET, sheet(lesson))
        desk.document_id = added.id
        return self._sitting(session, desk)

    def _added(
        self, session: Session, title: str, document: Document, caret: Position | None = None
    ) -> DocumentRow:
        place = list(caret or document.end)
        blocks = _blocks_text(document)
        row = DocumentRow(
            title=free_name(title, shelf.all_titles(session)),
            head=0,
            versions=0,
            state=_dump({"caret": place, "wrote": place}),
            opening=_opening(document),
            words=sum(len(b.words) for b in document.blocks),
            unsaved=0,
            copied=len(blocks),
            changed_at=self._clock(),
        )
        session.add(row)
        session.flush()
        session.add(SnapshotRow(document_id=row.id, version=0, blocks=blocks))
        shelf.indexed(session, row, document)
        return row

    def _sitting(self, session: Session, desk: DeskRow) -> Sitting:
        """The sitting at the document on the desk."""
        row = session.get_one(DocumentRow, desk.document_id)
        versions = StoredVersions(self._engine, row.id)
        with versions.within(session):
            return self._sitting_at(session, desk, row, versions)

    def _sitting_at(
        self, session: Session, desk: DeskRow, row: DocumentRow, versions: StoredVersions
    ) -> Sitting:
        head = versions.get(row.head)
        document = document_at(session, row.id, head)
        state = json.loads(row.state)
        fields = states.restored(document, state) | states.desk_fields(json.loads(desk.state))
        sitting = Sitting(
            document=document,
            history=readback.history_of(state, versions, head, row.versions),
            trail=trail_of(self._engine, session, row.id, versions),
            clipboard=states.clipboard_of(json.loads(desk.clipboard)),
            word_book=states.word_book_of(json.loads(desk.word_book)),
            lessons=states.lessons_of(json.loads(desk.lessons)),
            settings=readback.settings_of(session),
            title=row.title,
            page=row.id,
            shelf=shelf.titles(session),
            away=shelf.titles(session, True),
            passages=states.passages_of(json.loads(desk.passages)),
            milestones=states.milestones_of(state, versions),
            jobs=prints.titles(session),
            question=states.question_of(json.loads(desk.question), document),
            hearings=tuple(hearings(session)),
            **fields,
        )
        if any(block.kind is Kind.TABLE for block in document.blocks):
            return self._with_cells(session, row, sitting)
        return replace(
            sitting, previous=readback.previous_of(sitting, json.loads(desk.before), versions)
        )

    def _with_cells(self, session: Session, row: DocumentRow, sitting: Sitting) -> Sitting:
        """With tables of before, when they were one text each, made of cells: a version as any."""
        steps: list[Step] = []
        number = next_table(sitting.document.blocks)
        for b in range(len(sitting.document.blocks) - 1, -1, -1):
            block = sitting.document.blocks[b]
            if block.kind is Kind.TABLE:
                made = of_old(block, number)
                steps += [AddBlocks(b, made), DropBlocks(b + len(made), 1)]
                number += 1
        edit = Edit(tuple(steps))
        after = sitting.edited(edit)
        inverse = edit.inverse(sitting.document)
        history = sitting.history.commit(edit, inverse, sitting.number, sitting.caret, after.caret)
        assert history.head is not None
        self._add_version(session, row, history.head)
        row.head = history.head.number
        bare = replace(after, history=history, pending=Edit(), pending_inverse=Edit())
        row.state = _dump(states.document_state(bare))
        return bare


def _dump(data: Any) -> str:
    return json.dumps(data, ensure_ascii=False, separators=(",", ":"))


def _blocks_text(document: Document) -> str:
    return _dump(document_to_json(document))


def _opening(document: Document) -> str:
    """The first words of the text, headings left out."""
    body = (b.text for b in document.blocks[:12] if b.kind != "heading" and b.text.strip())
    text = " ".join(next(body, "").split())
    return text if len(text) <= _OPENING else text[:_OPENING].rsplit(" ", 1)[0] + " …"


def _words_gained(old: Document, new: Document) -> int:
    start, old_end, new_end = changed(old.blocks, new.blocks)
    went = sum(len(b.words) for b in old.blocks[start:old_end])
    return sum(len(b.words) for b in new.blocks[start:new_end]) - went


def open_journal(engine: Engine) -> Journal:
    """The journal of a database, its tables brought up to date."""
    migrate(engine)
    return Journal(engine)
