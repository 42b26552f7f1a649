"""What a hearing is taken for, from made-up hearings of known strength."""

from __future__ import annotations

import unittest
from dataclasses import replace

from nimble_lantern.core.kinds import ReadAs
from nimble_lantern.core.reading import decision
from nimble_lantern.core.reading.hearing import (
    HeardWord,
    Hearing,
    Hypothesis,
    Tail,
    Usual,
    from_line,
    hearing_from_json,
    hearing_to_json,
)
from nimble_lantern.core.sitting import Heard, advance
from tests.desk import Driver

PAGE = "We ask the board to send its surveyor. The stair is steep."


def words(text: str, confidence: float = 0.9, start: float = 0.0) -> Hypothesis:
    """A hypothesis of words of a third of a second, each as sure as told."""
    heard = from_line(text).hypotheses[0].words
    return Hypothesis(
        tuple(HeardWord(w.text, w.start + start, w.end + start, confidence) for w in heard)
    )


def spoken(dictated: str, command: str, margin: float, confidence: float = 0.9) -> Hearing:
    return Hearing((words(dictated, confidence),), (words(command),), margin, source="built-in")


def beside_model(
    ours: Hearing, dictated: str, *fits: float, score: float = -0.4, doubt: str = ""
) -> Hearing:
    """The same hearing with a larger model's words, and how much better each command fits."""
    best = replace(words(dictated), score=score)
    evidence = ours.hypotheses[0]
    return replace(ours, hypotheses=(best,), evidence=evidence, fits=fits, doubt=doubt)


class BesideAModel(unittest.TestCase):
    """Two engines heard the same sound: the grammar's command, and a larger model's words."""

    def setUp(self) -> None:
        self.desk = Driver(PAGE)

    def decided(self, hearing: Hearing) -> decision.Decision:
        return decision.decide(self.desk.sitting, hearing)

    def read(self, hearing: Hearing) -> str:
        return " ".join(w for p in self.decided(hearing).phrases for w in p)

    def test_a_command_that_fits_the_sound_is_done_though_the_model_misheard_it(self) -> None:
        ours = spoken("old the stare", "bold the stair", 1.5)
        self.assertEqual(self.read(beside_model(ours, "bowl of the stair", -1.0)), "bold the stair")

    def test_one_that_fits_far_worse_is_not(self) -> None:
        ours = spoken("told of the stair", "bold the stair", 0.5)
        said = "we told her of the stair"
        self.assertEqual(self.read(beside_model(ours, said, -8.0)), said)

    def test_what_the_model_reads_fluently_is_a_sentence(self) -> None:
        ours = spoken("where is the stair", "where is the stair", -0.3)
        said = "there is the stair"
        self.assertEqual(self.read(beside_model(ours, said, -1.6, score=-0.05)), said)

    def test_a_command_in_the_models_words_has_the_better_words_to_write(self) -> None:
        ours = spoken("replace the stair with a lad her", "replace the stair with later", 1.0)
        said = "replace the stair with a ladder"
        self.assertEqual(self.read(beside_model(ours, said, -3.0)), said)

    def test_a_target_that_stands_there_goes_before_one_that_only_sounds_like_it(self) -> None:
        ours = spoken("bold the stair", "bold the stair", 1.5)
        self.assertEqual(self.read(beside_model(ours, "bold the stare", -0.2)), "bold the stair")

    def test_a_command_outright_goes_before_one_with_something_taken_off(self) -> None:
        self.desk.hears("the tide is high")
        ours = spoken("and to that", "undo that", 2.0)
        self.assertEqual(self.read(beside_model(ours, "and do that", -2.6)), "undo that")
        # However little the grammar is believed, where both sound the same.
        ours = spoken("and in that", "undo that", 0.1)
        self.assertEqual(self.read(beside_model(ours, "and do that", 0.4)), "undo that")

    def test_what_the_model_doubts_is_done_only_if_the_grammar_is_sure(self) -> None:
        ours = spoken("bold the stair", "bold the stair", 2.5)
        sure = beside_model(ours, "bowled astare", 0.5, score=-0.9, doubt="it was hard to make out")
        self.assertEqual(
            self.decided(sure), decision.Decision((("bold", "the", "stair"),), "bold the stair")
        )
        unsure = beside_model(spoken("gold", "bold", 0.0), "bull", -3.0, doubt="unsure")
        self.assertEqual(self.decided(unsure).doubt, "unsure")

    def test_what_two_engines_do_not_agree_on_is_offered_beside_the_text(self) -> None:
        self.desk.hears("the tide is high")
        ours = spoken("under the last two", "undo the last two", 0.2)
        hearing = beside_model(ours, "and do the last two", -1.1, score=-0.03)
        self.desk.desk.hear(hearing)
        self.assertEqual(self.desk.sitting.trail[-1].read_as, "text")
        asked = self.desk.sitting.question
        self.assertEqual([o.label for o in asked.options] if asked else None, ["undo the last two"])
        self.desk.hears("one")
        self.assertNotIn("tide", self.desk.markdown)
        self.assertFalse(self.desk.sitting.learned)

    def test_a_number_alone_is_text(self) -> None:
        ours = spoken("teal", "teal on", 2.5)
        self.assertEqual(self.read(beside_model(ours, "two", 0.0, score=-0.3)), "two")


class Deciding(unittest.TestCase):
    def setUp(self) -> None:
        self.desk = Driver(PAGE)

    def read(self, hearing: Hearing) -> str:
        return " ".join(w for p in decision.decide(self.desk.sitting, hearing).phrases for w in p)

    def test_a_command_that_explains_the_sound_wins_over_the_dictation(self) -> None:
        hearing = spoken("old the stare", "bold the stair", 1.5)
        self.assertEqual(self.read(hearing), "bold the stair")

    def test_a_command_that_leaves_most_of_the_sound_unexplained_is_not_believed(self) -> None:
        hearing = spoken("undo the ropes when the tide turns", "undo", 2.5)
        self.assertEqual(self.read(hearing), "undo the ropes when the tide turns")

    def test_a_command_that_explains_the_beginning_only_is_none(self) -> None:
        """However well it explains that: "close the stair to visitors" begins as a command does."""
        dictated, command = "show the shelf to the visitors", "show the shelf"
        self.assertEqual(self.read(spoken(dictated, command, 3.0)), dictated)
        self.assertEqual(self.read(spoken("show the shell", command, 3.0)), command)

    def test_what_is_said_over_counts_the_less_the_more_the_verb_was_heard(self) -> None:
        said = ("bold", "board", "to", "send", "its", "surveyor")
        command, dictated = words(" ".join(said)), words("the board to send its surveyor")
        over = [
            decision.features(self.desk.sitting, said, command, dictated, 1.0, False, opening)[-1]
            for opening in (0.0, 0.25, 0.5, 1.0)
        ]
        self.assertEqual(over, sorted(over, reverse=True))
        self.assertEqual((over[0], over[-1]), (1.0, 0.0))

    def test_a_sentence_said_over_from_the_page_is_no_command(self) -> None:
        for dictated in (
            "the board to send its surveyor",
            "the bored to send its surveyor",
            "ask the board to send its surveyor",
        ):
            for command in ("cut board to send its surveyor", "bold board to send its surveyor"):
                with self.subTest(dictated, command=command):
                    hearing = spoken(dictated, command, 1.5)
                    self.assertEqual(self.read(hearing), dictated)

    def test_its_words_after_a_verb_that_was_heard_are_one(self) -> None:
        for verb, dictated in (("cut", "cut"), ("bold", "bald"), ("italicise", "italic eyes")):
            said = f"{verb} the board to send its surveyor"
            hearing = spoken(f"{dictated} the board to send its surveyor", said, 1.5)
            self.assertEqual(self.read(hearing), said)

    def test_what_takes_words_away_needs_its_verb_heard(self) -> None:
        for dictated, command, done in (
            ("who the stair is steep", "delete the stair is steep", False),
            ("dilly the stair", "delete the stair", True),
        ):
            hearing = spoken(dictated, command, 0.4)
            self.assertEqual(self.read(hearing), command if done else dictated)

    def test_a_command_that_fits_the_sound_far_worse_is_not_believed(self) -> None:
        hearing = spoken("we sent the chair a letter then", "select the last two words", -1.8)
        self.assertEqual(self.read(hearing), "we sent the chair a letter then")

    def test_a_command_without_its_target_on_the_page_is_no_command(self) -> None:
        hearing = spoken("bold the ferry", "bold the ferry", 2.0)
        self.assertEqual(decision.likeliest(self.desk.sitting, hearing.commands), None)

    def test_the_first_alternative_that_can_be_done_is_taken(self) -> None:
        hearing = spoken("make the last word read", "make the last word read", 0.4)
        both = (*hearing.commands, words("make the last word red"))
        self.assertEqual(self.read(replace(hearing, commands=both)), "make the last word red")

    def test_a_belief_grows_with_each_kind_of_evidence(self) -> None:
        whole, now = words("bold the stair"), self.desk.sitting
        said = ("bold", "the", "stair")
        other = words("gold the chair is high")
        weak = decision.features(now, said, whole, other, -0.5, False, 0.5)
        strong = decision.features(now, said, whole, words("bold the stair"), 1.0, False, 1.0)
        for name in (1, 2, 3):
            self.assertGreater(strong[name], weak[name])
            self.assertGreater(decision.WEIGHTS[name], 0)

    def test_free_words_are_taken_from_the_dictation_of_the_same_moment(self) -> None:
        hearing = spoken("replace steep with october", "replace steep with up to", 1.0)
        command = replace(hearing.commands[0], words=words("replace steep with uptober").words)
        self.assertEqual(
            self.read(replace(hearing, commands=(command,))), "replace steep with october"
        )

    def test_words_to_be_written_are_those_of_the_first_dictation_that_is_the_command(self) -> None:
        hearing = spoken("replace steep was narrow", "replace steep with no row", 1.0)
        said = ("replaced steep with narrow", "bold narrow", "replace steep with narrow",
                "replace steep with arrow")  # fmt: skip
        others = [words(text) for text in said]
        both = (*hearing.hypotheses, *others)
        self.assertEqual(self.read(replace(hearing, hypotheses=both)), "replace steep with narrow")

    def test_words_of_the_page_are_the_grammars_whatever_the_dictation_has(self) -> None:
        hearing = spoken("bald the chair", "bold the stair", 1.5)
        both = (*hearing.hypotheses, words("bold the board"))
        self.assertEqual(self.read(replace(hearing, hypotheses=both)), "bold the stair")

    def test_a_command_behind_a_pause_follows_the_text_before_it(self) -> None:
        best = words("the wind is high ... and a")
        start = best.words[-2].start
        tail = Tail(start, (Hypothesis((HeardWord("undo", 0.1, 0.75, 0.9),)),), 2.0)
        hearing = Hearing((best,), source="built-in", tail=tail)
        self.desk.desk.hear(replace(hearing, hypotheses=(words("the wind is high"),), tail=None))
        before = self.desk.markdown
        self.desk.desk.hear(hearing)
        self.assertEqual(self.desk.sitting.trail[-1].read_as, "text+command")
        self.assertEqual(self.desk.markdown, before, "the text was written, then undone")

    def test_what_another_engine_heard_is_judged_by_our_own_dictation(self) -> None:
        ours = spoken("bull the stare", "bold the stair", 1.5)
        other = replace(ours, hypotheses=(words("Bold the stairs".lower()),),
                        evidence=ours.hypotheses[0])  # fmt: skip
        self.assertEqual(self.read(other), "bold the stair")

    def test_resting_only_the_waking_phrase_is_read(self) -> None:
        self.desk.hears("stop listening")
        self.desk.desk.hear(spoken("bold the stair", "bold the stair", 2.0))
        self.assertEqual(self.desk.sitting.trail[-1].read_as, "ignored")
        self.desk.desk.hear(Hearing((), (words("start listening"),), source="built-in"))
        self.assertEqual(self.desk.sitting.lamp, "lit")


class Unclear(unittest.TestCase):
    def setUp(self) -> None:
        self.desk = Driver("The stair is steep.")

    def test_what_was_hardly_heard_is_not_written_but_told(self) -> None:
        self.desk.desk.hear(Hearing((words("mumble on the quay", 0.02),), source="built-in"))
        last = self.desk.sitting.trail[-1]
        self.assertEqual((last.read_as, last.heard), ("unclear", "mumble on the quay"))
        self.assertEqual(self.desk.markdown, "The stair is steep.")

    def test_one_phrase_takes_it_anyway(self) -> None:
        self.desk.desk.hear(Hearing((words("it is cold", 0.02),), source="built-in"))
        self.desk.hears("take it anyway")
        self.assertEqual(self.desk.markdown, "The stair is steep. It is cold")
        self.desk.hears("undo that")
        self.assertEqual(self.desk.markdown, "The stair is steep.")

    def test_an_unclear_command_taken_anyway_is_done(self) -> None:
        self.desk.desk.hear(Hearing((words("bold the stair", 0.02),), source="built-in"))
        self.assertEqual(self.desk.markdown, "The stair is steep.")
        self.desk.hears("take it anyway")
        self.assertEqual(self.desk.markdown, "**The stair** is steep.")

    def test_there_may_be_nothing_to_take(self) -> None:
        self.desk.hears("it is cold")
        last = self.desk.hears("take it anyway")
        self.assertIn("Nothing unclear", last.summary)
        self.assertEqual(self.desk.markdown, "The stair is steep. It is cold")

    def test_a_voice_from_across_the_room_is_not_written(self) -> None:
        far = Hearing((words("shut the door"),), source="built-in", quieter=20.0)
        self.desk.desk.hear(far)
        self.assertEqual(self.desk.sitting.trail[-1].read_as, "unclear")

    def test_what_is_usual_of_this_speaker_decides(self) -> None:
        said = Hearing((words("shut the door", 0.25),), source="built-in", quieter=15.0)
        for usual, written in (
            (Usual(), False),
            (Usual(least_confidence=0.2, most_quieter=16.0), True),
            (Usual(least_confidence=0.2), False),
            (Usual(most_quieter=16.0), False),
        ):
            with self.subTest(usual):
                self.desk.desk.hear(replace(said, usual=usual))
                self.assertEqual(self.desk.sitting.trail[-1].read_as is ReadAs.TEXT, written)

    def test_more_words_than_this_speaker_says_in_a_second_are_not_believed(self) -> None:
        line = tuple(
            HeardWord(w, n / 5, n / 5 + 0.2) for n, w in enumerate("it is a door of oak".split())
        )
        said = Hearing((Hypothesis(line),), source="built-in")
        for fastest, read in ((7.0, ReadAs.TEXT), (4.0, ReadAs.UNCLEAR)):
            with self.subTest(fastest):
                self.desk.desk.hear(replace(said, usual=Usual(fastest=fastest)))
                self.assertIs(self.desk.sitting.trail[-1].read_as, read)

    def test_a_sure_command_is_done_however_quiet(self) -> None:
        far = spoken("bold the stair", "bold the stair", 2.0)
        self.desk.desk.hear(replace(far, quieter=20.0))
        self.assertEqual(self.desk.markdown, "**The stair** is steep.")


class Kept(unittest.TestCase):
    def test_a_hearing_is_the_same_after_being_kept(self) -> None:
        tail = Tail(1.0, (words("undo"),), 0.5)
        hearing = replace(
            spoken("a b", "bold b", 0.5), tail=tail, quieter=3.0, evidence=words("a bee"),
            pause=1.5, usual=Usual(0.2, 11.0, 5.0),
        )  # fmt: skip
        self.assertEqual(hearing_from_json(hearing_to_json(hearing)), hearing)

    def test_a_hearing_kept_in_the_first_form_is_still_read(self) -> None:
        row = hearing_to_json(spoken("a b", "bold b", 0.5))
        row["command"] = row.pop("commands")[0]
        for new in ("tail", "quieter", "evidence", "usual"):
            del row[new]
        self.assertEqual(hearing_from_json(row), spoken("a b", "bold b", 0.5))
        self.assertEqual(hearing_from_json({**row, "command": None}).commands, ())

    def test_replaying_the_same_hearings_gives_the_same_sitting(self) -> None:
        heard = [spoken("it is cold", "italics", -1.0), spoken("old it", "bold that", 1.8)]
        ends = []
        for _ in range(2):
            now = Driver(PAGE).sitting
            for hearing in heard:
                now = advance(now, Heard(hearing)).sitting
            ends.append((now.document, now.caret, [e.summary for e in now.trail]))
        self.assertEqual(ends[0], ends[1])
