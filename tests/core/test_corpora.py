"""The corpora come out as docs/corpora.md says."""

from __future__ import annotations

import unittest

from nimble_lantern.core.commands import CATALOGUE
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.core.sitting import Heard, advance
from nimble_lantern.core.state import Sitting
from nimble_lantern.demo import sample_documents
from tests.corpus import report
from tests.corpus.corpora import (
    mark_scores,
    punctuated_cases,
    read_case,
    reading_cases,
    sample_sentences,
    write_case,
    written_cases,
)


class Corpora(unittest.TestCase):
    def test_spoken_words_become_what_an_editor_would_write(self) -> None:
        cases = written_cases()
        self.assertGreaterEqual(len(cases), 300)
        wrong = [(c.spoken, c.written, got) for c in cases if (got := write_case(c)) != c.written]
        self.assertLessEqual(len(wrong), len(cases) * 0.02, wrong)

    def test_sentences_stay_sentences_and_commands_are_done(self) -> None:
        cases = reading_cases()
        self.assertGreaterEqual(len(cases), 300)
        wrong = []
        for case in cases:
            entry = read_case(case).entry
            assert entry is not None
            if entry.read_as != case.read_as:
                wrong.append((case.said, entry.read_as, entry.command))
            if case.read_as == "text" and entry.command:
                self.assertFalse(CATALOGUE.commands[entry.command].traits.destructive, case.said)
        self.assertLessEqual(len(wrong), len(cases) * 0.03, wrong)

    def test_sentences_stay_sentences_on_every_sample_document_and_are_seldom_asked(self) -> None:
        said = sample_sentences() + [c.said for c in reading_cases() if c.read_as == "text"]
        others = [line for case in punctuated_cases() for line in case.said]
        wrong, asked = [], []
        for title, document in sample_documents():
            sitting = Sitting(document=document, caret=document.end, wrote=document.end)
            for n, line in enumerate((*said, *others)):
                after = advance(sitting, Heard(from_line(line)))
                assert after.entry is not None
                if after.entry.read_as != "text":
                    wrong.append((title, line, after.entry.command))
                question = after.sitting.question
                if n < len(said) and question is not None and question.beside:
                    asked.append((title, line))
        self.assertLessEqual(len(wrong), len((*said, *others)) * 6 * 0.003, wrong)
        self.assertLessEqual(len(asked), len(said) * 6 / 200, asked)
        for _, line, name in wrong:
            self.assertFalse(name and CATALOGUE.commands[name].traits.destructive, line)

    def test_automatic_punctuation_on_what_was_held_back(self) -> None:
        scores = mark_scores("held back")
        self.assertGreaterEqual(scores["sentence ends"].f1, 0.90)
        self.assertGreaterEqual(scores["question marks"].f1, 0.90)

    def test_the_tables_in_the_documentation_are_true(self) -> None:
        kept = report.PAGE.read_text(encoding="utf-8")
        self.assertEqual(kept, report.page(), "run: python -m tests.corpus.report")
