"""Reading aloud: what is read, how it is said, and what can be said to it."""

from __future__ import annotations

from nimble_lantern.core.document.model import Block, Document, Format, Kind, Position, Range
from nimble_lantern.core.mending.word_book import WordBook, entry_of
from nimble_lantern.core.reading.hearing import HeardWord, Hearing, Hypothesis, from_line
from nimble_lantern.core.speaking.saying import said_words, sentence_said, word_range
from nimble_lantern.voices.speaker import Speaker
from nimble_lantern.voices.standin import StandIn
from tests.desk import DeskCase, Driver

TEXT = "The ferry leaves at noon. The stair has 12 steps.\n\nThe board met. Tea was served at 7:30."


def whole(document: Document, b: int) -> Range:
    return Range(Position(b, 0), Position(b, len(document.blocks[b].text)))


class Reading(DeskCase):
    def reading(self, desk: Driver) -> str:
        aloud = desk.sitting.aloud
        return desk.document.text(aloud.here) if aloud and aloud.here else ""

    def test_targets_are_read_sentence_by_sentence(self) -> None:
        desk = self.desk(TEXT)
        desk.hears("read the first paragraph")
        self.assertEqual(self.reading(desk), "The ferry leaves at noon.")
        desk.hears("next sentence")
        self.assertEqual(self.reading(desk), "The stair has 12 steps.")
        desk.hears("back a sentence")
        self.assertEqual(self.reading(desk), "The ferry leaves at noon.")
        self.assertPage(f"{TEXT}|")
        self.assertRead("command", desk.hears("stop"), "aloud.stop")
        self.assertIsNone(desk.sitting.aloud)
        self.assertRead("command", desk.hears("stop"), "aloud.stop")
        self.assertEqual(desk.markdown, TEXT)

    def test_stop_there_writes_on_where_it_was(self) -> None:
        desk = self.desk(TEXT)
        desk.hears("read from the top", "next sentence", "stop there")
        self.assertEqual(desk.sitting.caret, Position(0, 29))

    def test_waiting_going_on_pace_and_paragraphs(self) -> None:
        desk = self.desk(TEXT)
        desk.hears("read from the top", "wait")
        self.assertTrue(desk.sitting.aloud and desk.sitting.aloud.waiting)
        desk.hears("go on", "next paragraph")
        self.assertEqual(self.reading(desk), "The board met.")
        desk.hears("slower")
        self.assertEqual(desk.sitting.settings.reading_pace, "slow")
        self.assertRead("text", self.desk(TEXT).hears("slower"))

    def test_where_am_i_and_spelling(self) -> None:
        desk = self.desk(TEXT)
        self.assertIn("line 2 of 2", desk.hears("where am i").summary)
        self.assertIn("f, e, r, r, y", desk.hears("how is ferry spelled").summary)

    def test_answers_are_told_where_that_is_wanted(self) -> None:
        desk = self.desk("A boat and a boat.", answers_aloud="on")
        desk.hears("bold boat")
        self.assertIn("say", desk.sitting.trail[-1].effects)
        self.assertNotIn("say", self.desk("A boat.").hears("bold boat").effects)


class Saying(DeskCase):
    def test_figures_are_words_and_names_are_spoken_as_the_word_book_says(self) -> None:
        block = Block("On 12 May Ida Marlowe paid £5.")
        book = WordBook((entry_of("Ida Marlowe", ["eider marlow"], "A word"),))
        said = " ".join(w.words for w in said_words(block, 0, len(block.text), book))
        self.assertEqual(said, "On the twelfth of May eider marlow paid five pounds.")
        marked = " ".join(w.words for w in said_words(block, 0, len(block.text), book, True))
        self.assertTrue(marked.endswith("five pounds full stop"))

    def test_headings_and_items_are_told(self) -> None:
        held = (
            Block("Tea").formatted(Format(Kind.HEADING, 1)),
            Block("oil").formatted(Format(Kind.ITEM, 1, "numbered")),  # type: ignore[arg-type]
            Block("rope").formatted(Format(Kind.ITEM, 1, "numbered")),  # type: ignore[arg-type]
        )
        document = Document(held)
        said = [sentence_said(document, whole(document, b)) for b in range(3)]
        self.assertEqual(said, ["heading: Tea", "one: oil", "two: rope"])

    def test_every_spoken_word_has_its_place(self) -> None:
        document = Document((Block("It cost £1,250 in May."),))
        said = sentence_said(document, whole(document, 0)).split()
        places = [word_range(document, whole(document, 0), i) for i in range(len(said))]
        texts = [document.text(p) for p in places if p is not None]
        self.assertEqual(len(texts), len(said))
        self.assertEqual((texts[0], texts[2], texts[-1]), ("It", "£1,250", "May."))


class OwnVoice(DeskCase):
    TEXT = "The ferry leaves at noon. The stair is wet and steep."

    def speaker(self) -> Speaker:
        speaker = Speaker(StandIn(), clock=lambda: 0.0)
        speaker.read(["The ferry leaves at noon.", "The stair is wet."], "normal")
        return speaker

    def test_what_the_desk_says_is_not_taken_for_the_speakers(self) -> None:
        speaker = self.speaker()
        self.assertIsNone(speaker.left_of("the ferry leaves at noon".split()))
        self.assertIsNone(speaker.left_of("the fairy leaves at noon".split()))
        self.assertEqual(speaker.left_of("the ferry leaves stop".split()), ("stop",))
        other = tuple("please bring the oil to the lamp room".split())
        self.assertEqual(speaker.left_of(other), other)

    def reading(self) -> tuple[Driver, list[float]]:
        """A desk that reads, and its clock."""
        driver = self.desk(self.TEXT)
        now = [0.0]
        driver.desk.speaker = Speaker(StandIn(), clock=lambda: now[0])
        driver.hears("read from the top")
        return driver, now

    def spoken(self, driver: Driver, words: str) -> None:
        driver.desk.hear(from_line(words, source="microphone"))

    def test_while_a_text_is_read_nothing_is_written(self) -> None:
        driver, _ = self.reading()
        before = driver.markdown
        for words in (
            "the fairy leans at new",
            "nothing like it was ever said in this room",
            "delete the weather and the boat that came",
        ):
            with self.subTest(words):
                self.spoken(driver, words)
                self.assertEqual(driver.markdown, before)
                self.assertIsNotNone(driver.sitting.aloud)

    def test_what_is_nothing_like_it_can_still_be_taken(self) -> None:
        driver, _ = self.reading()
        self.spoken(driver, "please bring oil and rope to them")
        self.assertEqual(str(driver.sitting.trail[-1].read_as), "unclear")
        driver.hears("take it anyway")
        self.assertIn("lease bring oil and rope", driver.markdown)

    def test_what_ends_it_is_heard_in_the_middle_of_it(self) -> None:
        for words in ("the fairy leans stop at new", "wait the stair is whet", "be quiet"):
            with self.subTest(words):
                driver, _ = self.reading()
                self.spoken(driver, words)
                assert driver.desk.speaker is not None
                self.assertTrue(driver.sitting.trail[-1].command, words)
                self.assertIn("aloud.", driver.sitting.trail[-1].command or "")

    def test_stop_is_believed_by_its_sound_where_no_words_were_made_out(self) -> None:
        for words, score, seconds, ends in (
            ("stop", -2.0, 0.3, True),
            ("stop reading", -3.0, 0.3, True),
            ("stop", -4.5, 0.3, False),
            ("stop", -2.0, 0.1, False),
            ("enough", -2.0, 0.3, False),
        ):
            with self.subTest(words, score=score, seconds=seconds):
                driver, _ = self.reading()
                heard = tuple(HeardWord(w, 0.0, seconds) for w in words.split())
                hearing = Hearing((), (Hypothesis(heard, score),), source="microphone")
                driver.desk.hear(hearing)
                self.assertEqual(driver.sitting.aloud is None, ends)
                self.assertEqual(driver.markdown, self.TEXT)

    def test_a_word_that_is_being_read_ends_nothing(self) -> None:
        driver = self.desk("The ferry will stop at the quay. The stair is wet.")
        driver.desk.speaker = Speaker(StandIn(), clock=lambda: 0.0)
        driver.hears("read from the top")
        self.spoken(driver, "the fairy wheel stop at the key")
        self.assertIsNotNone(driver.sitting.aloud)

    def test_commands_about_what_is_read_are_done(self) -> None:
        driver, _ = self.reading()
        self.spoken(driver, "replace noon with ten")
        self.assertIn("leaves at 10.", driver.markdown)

    def test_after_the_reading_everything_is_written_again(self) -> None:
        driver, now = self.reading()
        self.spoken(driver, "stop")
        now[0] = 2.5  # begun half a second after it
        self.spoken(driver, "please bring oil")
        self.assertIn("Please bring oil", driver.markdown)

    def test_a_while_after_it_ended_everything_is_heard(self) -> None:
        now = [0.0]
        speaker = Speaker(StandIn(), clock=lambda: now[0])
        speaker.read(["The ferry leaves."], "normal")
        speaker.told(1, 1, done=True)
        now[0] = 60.0
        self.assertEqual(speaker.left_of(["the", "ferry"]), ("the", "ferry"))

    def test_the_marks_follow_what_is_told(self) -> None:
        driver = self.desk(TEXT)
        driver.desk.speaker = speaker = Speaker(StandIn())
        driver.hears("read from the top")
        playing = speaker.playing()
        assert playing is not None
        sound = speaker.sound(playing["number"], 1)
        assert sound is not None
        self.assertEqual(len(sound.words), len(playing["texts"][1].split()))
        driver.desk.spoken(playing["number"], 1, 3)
        aloud = driver.sitting.aloud
        assert aloud is not None
        self.assertEqual((aloud.at, aloud.word), (1, 3))
        driver.desk.spoken(playing["number"], 9, 0, done=True)
        self.assertIsNone(driver.sitting.aloud)
