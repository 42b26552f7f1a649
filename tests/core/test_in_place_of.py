"""What should stand in the place of what, said in many ways; and sentences that say the like."""

from __future__ import annotations

from nimble_lantern.core.kinds import ReadAs
from tests.desk import DeskCase, Driver

NOTICE = (
    "# Notice\n\nThe tea room opens at noon. Four men rowed the old boat on Friday with Nell"
    " Harker. The price is cold, two men and six tins. It is blue.\n\nPlease bring a warm coat and"
    " the small tin.\n\n- wool socks\n- a torch\n- two maps"
)
PAIRS = (
    ("noon", "midday"), ("friday", "monday"), ("the old boat", "the new boat"),
    ("nell harker", "wren castle"),
)  # fmt: skip
WAYS = (
    "change X to Y", "make X say Y", "make it Y not X", "it should be Y instead of X",
    "it ought to be Y rather than X", "X should say Y", "X needs changing to Y", "not X but Y",
    "i said X but i meant Y", "i meant Y when i said X", "i'd rather have Y than X",
    "i'd prefer Y to X", "put Y where it says X", "where it says X it should say Y",
    "take X out and put Y in", "take X out and put in Y", "X is wrong it should be Y",
    "the word X should be Y", "amend X to read Y", "update X to Y", "for X read Y", "read Y for X",
    "strike X and write Y", "scratch X write Y", "instead of X it should be Y",
    "i wrote X it should be Y", "it says X but it should say Y", "it says X make that Y",
    "let X be Y", "could X be Y",
)  # fmt: skip
INSERTED = (
    "insert X before Y", "slip X in before Y", "work X in before Y", "before Y insert the word X",
    "i want the word X before Y", "Y should have X in front of it", "i left out X before Y",
    "X is missing before Y", "go before Y and write X", "it should say X Y", "Y should be X Y",
    "where it says Y put X Y",
)  # fmt: skip


class Ways(DeskCase):
    def test_every_way_with_every_pair(self) -> None:
        for old, new in PAIRS:
            wanted = Driver(NOTICE)
            wanted.hears(f"replace {old} with {new}")
            self.assertNotEqual(wanted.markdown, NOTICE)
            for way in WAYS:
                said = " ".join({"X": old, "Y": new}.get(word, word) for word in way.split())
                self.assertBecomes(wanted.markdown, NOTICE, said)

    def test_words_are_put_before_others(self) -> None:
        for word, other, becomes in (
            ("about", "noon", "about noon"), ("rusty", "tin", "small rusty tin"),
            ("thick", "wool socks", "thick wool socks"),
        ):  # fmt: skip
            old = becomes.replace(f"{word} ", "")
            for way in INSERTED:
                said = " ".join({"X": word, "Y": other}.get(w, w) for w in way.split())
                page = NOTICE.replace("six tins", "six jars")
                self.assertBecomes(page.replace(old, becomes), page, said)

    def test_a_number_takes_the_place_of_the_one_that_is_there(self) -> None:
        self.assertBecomes(
            NOTICE.replace("two maps", "three maps"), NOTICE, "change two maps to three maps",
            "change the maps to three maps", "it should be three maps", "make it three maps",
            "three maps not two",
        )  # fmt: skip
        self.assertBecomes(
            NOTICE.replace("six tins", "10 tins"), NOTICE, "tins should be ten tins",
            "bump six up to ten", "it should say ten tins",
        )  # fmt: skip

    def test_words_are_told_by_their_neighbours(self) -> None:
        gates = "The old gate is old. An old gate."
        self.assertBecomes("The old gate is new. An old gate.", gates,
                           "change the word old after is to new")  # fmt: skip
        self.assertBecomes("The old gate is old. A gate.", gates,
                           "delete the word old after an")  # fmt: skip
        self.assertBecomes("The boat is late.", "The old boat is late.", "just boat not old boat",
                           "remove the word old before boat")  # fmt: skip
        entry = Driver(gates).hears("delete the word old before monday")
        self.assertFalse(entry.made and entry.read_as is ReadAs.COMMAND)

    def test_what_is_like_a_request_is_written(self) -> None:
        for said in (
            "it should be warm rather than cold", "it should be a lantern instead of a torch",
            "i said noon but i meant well", "it says noon and it is noon",
            "it says four men rowed but it must be more", "i wrote to nell about the torch",
            "take the coat out and put the torch in", "strike the bell and say a prayer",
            "update nell harker on friday", "amend the lease to read well",
            "for the boat read the ship", "read the letter for nell", "let the boat be",
            "can the torch be red", "i'd prefer the coat to the jumper", "make tea not war",
            "the boat is old not new", "only four not five", "raise four children to speak well",
            "i left out the coat before the storm", "nell harker must be very tired",
            "it was seven not six", "i didn't want that", "break the bread here",
        ):  # fmt: skip
            desk = Driver(NOTICE)
            entry = desk.hears(said)
            self.assertIs(entry.read_as, ReadAs.TEXT, said)
            self.assertTrue(desk.markdown.startswith(NOTICE), said)


class Beside(DeskCase):
    def test_what_is_kept_beside_the_text_goes_when_it_is_wanted_no_more(self) -> None:
        page = "The ferry leaves at nine. Ida takes the tickets."
        for made, gone in (
            ("note on the last sentence check this",
             ("throw the note away", "the note can go", "i'm done with that note",
              "take the note off")),
            ("call this place budget",
             ("i don't need the place budget any more", "i don't need the place budget anymore",
              "take the budget marker away")),
            ("call this version first draft",
             ("i don't want the version first draft any more", "lose the draft first draft")),
            ("keep the last sentence as sign off", ("throw away the sign off passage",)),
        ):  # fmt: skip
            for said in gone:
                desk = Driver(page)
                desk.hears(made, said)
                now = desk.sitting
                left = (now.document.anchors, now.milestones, now.passages)
                self.assertFalse(any(left), f"{made}: {said}")
                self.assertEqual(desk.markdown, page)

    def test_a_note_is_jotted_down_in_any_order(self) -> None:
        for said in ("jot check this next to the last sentence",
                     "write check this in the margin by the last sentence"):  # fmt: skip
            entry = Driver("We row. It is late.").hears(said)
            self.assertEqual((entry.command, "Check this" in entry.summary), ("notes.add", True))

    def test_versions_are_kept_in_more_words(self) -> None:
        for said in ("take a snapshot called first draft", "keep a copy of this as first draft",
                     "let this version be first draft"):  # fmt: skip
            desk = Driver("It is late.")
            desk.hears(said)
            self.assertEqual([m.name for m in desk.sitting.milestones], ["first draft"], said)

    def test_what_was_not_wanted_is_undone(self) -> None:
        for said in ("i didn't want that", "no i did not ask for that",
                     "i didn't mean that put it back"):  # fmt: skip
            self.assertBecomes(NOTICE, NOTICE, said, after=("delete the last item",))

    def test_lists_have_a_head_and_an_order(self) -> None:
        page = "- wool\n- a torch\n- matches"
        self.assertBecomes(
            "- matches\n- wool\n- a torch", page, "put matches at the head of the list",
            "i want matches at the top of the list", "matches should go at the top of the list",
        )  # fmt: skip
        self.assertBecomes(
            "- a torch\n- matches\n- wool", page, "put the list in abc order",
            "alphabetical please for the list",
        )  # fmt: skip

    def test_parts_of_a_name_are_names(self) -> None:
        page = "We asked Tom Fenwick."
        desk = Driver(page)
        desk.hears("then fenwick came full stop")
        self.assertEqual(desk.markdown, f"{page} Then Fenwick came.")
