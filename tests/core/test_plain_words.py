"""Requests in the plain words of somebody who was never told any, and sentences near to them."""

from __future__ import annotations

from tests.desk import DeskCase, Driver

NOTICE = (
    "# Notice\n\nThe path is steep and wet. Dogs are welcome on a lead.\n\n"
    "The tea room opens at noon. Cakes are baked by Nell Harker.\n\nBring a torch."
)
STORES = "- oil\n- two brass lanterns\n- rope"


class PlainWords(DeskCase):
    def test_new_words_behind_the_same_ones_take_the_place_of_others(self) -> None:
        self.assertBecomes(
            NOTICE.replace("noon", "11"), NOTICE,
            "the tea room opens at eleven not noon", "should be eleven not noon",
            "noon ought to be eleven", "rather than noon say eleven", "not noon but eleven",
            "make it eleven not noon", "cut noon and put eleven",
            "it should say eleven rather than noon",
        )  # fmt: skip
        self.assertBecomes(
            NOTICE.replace("steep", "very steep"), NOTICE, "steep should be very steep"
        )
        times = "Lunch is at noon. The tea room opens at noon. We close at noon."
        self.assertBecomes(
            times.replace("opens at noon", "opens at 11"), times,
            "the tea room opens at eleven not noon",
            "the tea room opens at eleven where it says noon",
        )  # fmt: skip
        # Words on both sides are said again, and stand there once.
        self.assertBecomes(
            "The stair has 36 steps, all worn.", "The stair has 38 steps, all worn.",
            "the stair has thirty six steps not thirty eight",
        )  # fmt: skip

    def test_a_thing_to_be_made_or_exchanged_is_not_written_beside_words(self) -> None:
        page = "The path is steep. Dogs stay on a lead.\n\n- oil\n- rope\n\nSee you there"
        for line in (
            "i need one more line in the list after oil",
            "lead should be followed by a comma and not a full stop",
            "there's no full stop after see you there put one",
            "i'd rather not have the first sentence in there",
            "the path is not that long",
        ):
            desk = self.desk(page)
            desk.hears(line)
            self.assertTrue(desk.markdown.startswith(page), desk.markdown)
        table = "| Crew | Fee |\n| --- | --- |\n| Otters | 30 |\n| Newts | 20 |\n\nPay."
        for line in (
            "i'd like the otters to be louder", "bring ninety coins and not thirty",
            "the newts should be fed",
        ):  # fmt: skip
            desk = self.desk(table)
            desk.hears(line)
            self.assertTrue(desk.markdown.startswith(table[:60]), desk.markdown)
        desk = self.desk(table)
        desk.hears("let the fees stand on the right of their column")
        self.assertTrue(desk.markdown.startswith("| Crew | Fee |"), desk.markdown)
        wanted = Driver(table)
        wanted.hears("add a row before newts")
        self.assertBecomes(wanted.markdown, table, "there has to be an empty line before newts")

    def test_thanks_that_stand_on_the_page_are_no_courtesy(self) -> None:
        page = "The path is steep. Many thanks to all. Come soon."
        self.assertBecomes(
            page.replace("thanks to", "thanks, to"), page, "put a comma after many thanks"
        )
        self.assertBecomes(
            "The path is steep. Many thanks", page, "delete everything after many thanks"
        )
        self.assertBecomes(page.replace("path ", ""), page, "delete path thanks")

    def test_a_name_in_a_names_place_has_its_capitals(self) -> None:
        for said, name in (
            ("change nell harker to wren castle", "Wren Castle"),
            ("change nell harker to wren", "Wren"),
            ("change nell harker to the crew", "the crew"),
            ("change nell harker to old friends", "old friends"),
        ):
            self.assertBecomes(NOTICE.replace("Nell Harker", name), NOTICE, said)

    def test_parts_are_called_bits_and_so_many_words(self) -> None:
        page = NOTICE.replace(" Dogs are welcome on a lead.", "")
        self.assertBecomes(page, NOTICE, "delete the dogs bit")
        self.assertBecomes(
            NOTICE.replace("welcome on a", "welcome on no"), NOTICE,
            "replace the two words on a with on no",
        )  # fmt: skip

    def test_paragraphs_without_a_break_are_one(self) -> None:
        joined = NOTICE.replace("lead.\n\nThe", "lead. The")
        self.assertBecomes(
            joined, NOTICE, "no break between paragraph one and two",
            "take out the gap between paragraph one and two",
        )  # fmt: skip

    def test_a_part_stands_at_an_end_as_well(self) -> None:
        copied = f"Bring a torch.\n\n{NOTICE}"
        self.assertBecomes(
            copied, NOTICE, "have the last paragraph at the top as well",
            "repeat the last paragraph at the top", "duplicate the last paragraph at the top",
        )  # fmt: skip

    def test_verbs_of_many_kinds(self) -> None:
        gone = NOTICE.removesuffix("\n\nBring a torch.")
        self.assertBecomes(
            gone, NOTICE, "discard the last sentence", "dump the last sentence",
            "i want the last sentence gone", "make the last sentence disappear",
        )  # fmt: skip
        first = f"Bring a torch.\n\n{gone}"
        self.assertBecomes(
            first, NOTICE, "make the last paragraph first", "let the last paragraph be first",
            "the last paragraph goes to the start", "relocate the last paragraph to the start",
        )  # fmt: skip
        for said in ("the last sentence to the clipboard", "grab a copy of the last sentence"):
            desk = Driver(NOTICE)
            desk.hears(said, "paste that")
            self.assertEqual(desk.markdown.count("Bring a torch."), 2, said)

    def test_items_are_crossed_off(self) -> None:
        self.assertBecomes(
            STORES.removesuffix("\n- rope"), STORES, "cross off rope", "rope can come off"
        )
        # An item goes as a whole, by some of its words.
        self.assertBecomes(
            "- oil\n- rope", STORES, "lanterns is done cross it off",
            "cross lanterns off", "take the lanterns off the list",
        )  # fmt: skip

    def test_parts_of_a_letter_have_names(self) -> None:
        letter = "Dear Mrs Pell,\n\nThank you.\n\nYours truly,\n\nIda Marlowe"
        for said, bold in (
            ("bold the greeting", ["Dear Mrs Pell,"]), ("bold the closing", ["Yours truly,"]),
            ("my signature in bold", ["Ida Marlowe"]),
        ):  # fmt: skip
            desk = Driver(letter)
            desk.hears(said)
            self.assertEqual(desk.marked("bold"), bold, said)

    def test_parts_are_kept_and_versions_named(self) -> None:
        for said in (
            "keep the last sentence as thanks", "store the last sentence under thanks",
            "i want to reuse the last sentence call it thanks",
        ):  # fmt: skip
            desk = Driver(NOTICE)
            desk.hears(said)
            self.assertEqual([p.name for p in desk.sitting.passages], ["thanks"], said)
        desk.hears("store this version under the name march")
        self.assertEqual(desk.sitting.trail[-1].command, "versions.call")

    def test_a_note_is_asked_for_as_a_reminder(self) -> None:
        desk = Driver(NOTICE)
        desk.hears("remind me to ask about the cakes on the last sentence")
        self.assertEqual(desk.sitting.trail[-1].command, "notes.add")

    def test_courtesy_of_many_kinds_goes_round_what_is_of_the_page(self) -> None:
        for lead in ("how about we", "help me", "you should", "we have to", "what if we"):
            desk = Driver(NOTICE)
            desk.hears(f"{lead} delete the last paragraph")
            self.assertEqual(desk.markdown, NOTICE.removesuffix("\n\nBring a torch."), lead)
        desk = Driver(NOTICE)
        desk.hears("bold the last paragraph for now")
        self.assertEqual(desk.marked("bold"), ["Bring a torch."])


class StaySentences(DeskCase):
    def test_what_is_like_a_request_is_written(self) -> None:
        for said in (
            "i would like you to insert dogs before noon", "we repeat the song at the end",
            "the stair belongs to the board not the trust", "keep that as proof",
            "a small letter for the board", "the path should be the path again",
            "i will come back", "we can find the path", "remind me to ask nell about the oil",
            "rather than the tea we take the path", "delete the name of the lead",
            "not by boat but by ferry", "keep the path as a spare",
            "there should be no gap between the boards",
        ):  # fmt: skip
            desk = Driver(NOTICE)
            desk.hears(said)
            written = f"{said[0].upper()}{said[1:]}".replace(" nell", " Nell")
            written = written.replace("i w", "I w")
            self.assertEqual(desk.markdown, f"{NOTICE} {written}", said)
