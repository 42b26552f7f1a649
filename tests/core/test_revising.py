"""Revising: any verb with any target, and jobs as people put them."""

from __future__ import annotations

import unittest

from nimble_lantern.core.reference import markdown
from tests.corpus import report
from tests.corpus.revising import (
    TargetCase,
    done,
    said_about,
    target_cases,
    tasks,
    texts_of,
    with_mark,
)
from tests.desk import DeskCase

MARKING = (
    ("underline {}", "underline"),
    ("make {} highlighted", "highlight"),
    ("put {} in red", "colour"),
    ("set {} in courier", "font"),
)


class AnyVerbAnyTarget(unittest.TestCase):
    def test_a_target_is_what_people_call_it(self) -> None:
        for case in target_cases():
            with self.subTest(called=case.called):
                driver = said_about(case, "copy {}" if len(case.meant) == 1 else "underline {}")
                self.assertEqual(texts_of(driver, driver.sitting.that), case.meant)

    def test_one_place_is_selected(self) -> None:
        for case in target_cases():
            if len(case.meant) == 1:
                with self.subTest(called=case.called):
                    sitting = said_about(case, "select {}").sitting
                    assert sitting.selection is not None, sitting.trail[-1].summary
                    text = sitting.document.text(sitting.selection)
                    self.assertEqual(text.replace("\n\n", "¶"), case.meant[0])

    def test_every_mark_goes_on_every_target(self) -> None:
        for verb, mark in MARKING:
            for case in target_cases():
                with self.subTest(verb=verb, called=case.called):
                    # Marks on neighbouring blocks look like one.
                    got = "¶".join(with_mark(said_about(case, verb), mark))
                    self.assertEqual(got, "¶".join(case.meant))

    def test_undo_brings_every_one_of_them_back(self) -> None:
        for case in target_cases():
            with self.subTest(called=case.called):
                self._undone(case)

    def _undone(self, case: TargetCase) -> None:
        for verb in ("delete {}", "make {} all capitals", "make {} a heading"):
            driver = said_about(case, verb)
            if driver.sitting.trail[-1].made:
                before = driver.sitting.previous
                driver.hears("undo that")
                assert before is not None
                self.assertEqual(driver.document, before.document, verb)

    def test_there_are_enough_cases(self) -> None:
        ways = sum(len(t.ways) for name in ("revisions", "jobs") for t in tasks(f"{name}.tsv"))
        self.assertGreaterEqual(len(target_cases()) * (2 + len(MARKING)) + ways, 400)


class Jobs(unittest.TestCase):
    def assertDone(self, name: str) -> list[tuple[str, str, str]]:
        return [
            (task.name, way, got)
            for task in tasks(name)
            for way in task.ways
            if (got := done(task, way)) != task.end
            and ("|" in task.end or got.replace("|", "") != task.end)
        ]

    def test_every_job_comes_to_its_page(self) -> None:
        self.assertEqual(self.assertDone("revisions.tsv"), [])
        self.assertEqual(self.assertDone("jobs.tsv"), [])

    def test_wordings_of_sixty_jobs(self) -> None:
        found = tasks("paraphrases.tsv")
        self.assertEqual((len(found), {len(t.ways) for t in found}), (60, {5}))
        wrong = self.assertDone("paraphrases.tsv")
        self.assertLessEqual(len(wrong), 15, wrong)

    def test_the_table_of_what_jobs_cost_is_true(self) -> None:
        kept = report.JOBS.read_text(encoding="utf-8")
        self.assertEqual(kept, report.jobs_page(), "run: python -m tests.corpus.report")
        kept = report.EVERYDAY.read_text(encoding="utf-8")
        self.assertEqual(kept, report.everyday_page(), "run: python -m tests.corpus.report")

    def test_the_command_reference_is_that_of_the_catalogue(self) -> None:
        kept = (report.JOBS.parent / "commands.md").read_text(encoding="utf-8")
        self.assertEqual(kept, markdown(), "run: lantern commands > docs/commands.md")


class NearAndFar(DeskCase):
    def test_a_near_match_is_taken_and_said(self) -> None:
        desk = self.desk("The stair is worn. The lamp is lit.")
        entry = desk.hears("bold the stare")
        self.assertEqual(desk.marked("bold"), ["stair"])
        self.assertIn("stair", entry.summary)
        self.assertIn("heard: the stare", entry.summary)

    def test_exact_beats_near(self) -> None:
        desk = self.desk("The stair and the stare.")
        desk.hears("bold stare")
        self.assertEqual(desk.marked("bold"), ["stare"])

    def test_what_is_almost_a_command_offers_readings_by_number(self) -> None:
        desk = self.desk("The harbour board met.")
        entry = desk.hears("underline the harper bored")
        self.assertRead("unclear", entry, "marks.underline")
        desk.hears("one")
        self.assertIn("harbour board", desk.marked("underline")[0])

    def test_while_choosing_dictation_is_held(self) -> None:
        desk = self.desk("The ferry and the ferry.")
        desk.hears("delete ferry")
        self.assertRead("unclear", desk.hears("it rained all day"))
        self.assertText("The ferry and the ferry.")
        desk.hears("cancel", "it rained")
        self.assertText("The ferry and the ferry. It rained")

    def test_spoken_forms_meet_written_forms(self) -> None:
        page = (
            "At 7:30 we can’t see the colour of 12 well-known boats: £5.50, the keepers’ own, 3 May"
        )
        for said, meant in (
            ("half past seven", "7:30"),
            ("seven thirty", "7:30"),
            ("can not see", "can’t see"),
            ("cannot", "can’t"),
            ("the color of twelve", "the colour of 12"),
            ("well known boats", "well-known boats"),
            ("five pounds fifty", "£5.50"),
            ("the keepers own", "the keepers’ own"),
            ("the third of may", "3 May"),
            ("three may", "3 May"),
        ):
            with self.subTest(said=said):
                desk = self.desk(page)
                desk.hears(f"underline {said}")
                self.assertEqual(desk.marked("underline"), [meant])

    def test_typing_font_size_and_colour(self) -> None:
        desk = self.desk()
        desk.hears("write in courier", "the tide", "font off", "size sixteen", "is high")
        desk.hears("size off", "write in blue", "today", "colour off", "again")
        values = {(s.mark, s.value) for s in desk.document.blocks[0].spans}
        self.assertEqual(values, {("font", "Courier Prime"), ("size", "16"), ("colour", "blue")})
        self.assertIn(
            "size 500", self.desk("It.").hears("make everything five hundred points").summary
        )

    def test_lines_up_and_down_keep_the_column(self) -> None:
        words = "one two three four five six seven eight nine ten eleven twelve " * 6
        desk = self.desk(words.strip())
        desk.hears("go to line two", "go forward three words")
        column = desk.sitting.caret.offset - self._line_start()
        desk.hears("go down one line", "go up one line")
        self.assertAlmostEqual(desk.sitting.caret.offset - self._line_start(), column, delta=1)

    def _line_start(self) -> int:
        sitting = self.driver.sitting
        line = sitting.layout.line(sitting.layout.number(sitting.caret))
        assert line is not None
        return line.start.offset
