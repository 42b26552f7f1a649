"""What is said after a request to have it otherwise; words written with their look; versions that
nobody named; changes that are offered."""

from __future__ import annotations

from tests.core.test_at_work import AtWork
from tests.core.test_told_by_its_place import AUNT, PACKING, SHED


class Otherwise(AtWork):
    def test_other_new_words_for_the_same(self) -> None:
        self.has(SHED, "replace hose with pipe / no hosepipe", "to buy a hosepipe.")
        self.has(SHED, "replace may with june / sorry july", "broke in July.")
        self.has(SHED, "insert big before prices / no biggest", "get the biggest prices.")
        page = "The bean rose are tall"
        self.has(page, "change rose to rows / no i said rows not rose", "The bean rows are tall")
        self.has(SHED, "replace hose with pipe / no dogs", "to buy a pipe.", "No dogs")

    def test_another_look_instead(self) -> None:
        self.has(SHED, "bold the title / no italics instead", "# *Shed meeting*")
        self.has("", "see you soon full stop / question mark instead", "See you soon?")

    def test_a_deletion_is_taken_back(self) -> None:
        for said in (
            "actually no keep it",
            "no leave it in",
            "undo that last bit",
            "undo that bit",
            "scratch that last change",
            "take that last bit back",
        ):
            desk = self.desk(SHED)
            desk.hears("delete the last paragraph", said)
            self.assertEqual(desk.markdown.strip(), SHED, said)

    def test_everywhere_else(self) -> None:
        self.has(
            SHED,
            "replace femi with ida / one / and everywhere else please",
            "Ruth, Ida and",
            "Ida offered",
        )

    def test_letters_behind_what_it_is(self) -> None:
        for said in ("it's fair f a i r", "no fair f a i r", "it should be f a i r"):
            self.has("", f"we went to the fare today / {said}", "We went to the fair today")
        self.has("", "we won / it's a b c", "ABC")

    def test_one_and_not_the_other(self) -> None:
        self.has(AUNT, "say red not blue", "the red jumper")
        self.has(AUNT, "just say long not a bit long", "are long.")
        self.has(AUNT, "i'd rather it said auntie than aunt", "Dear Auntie Freda")
        self.stays(AUNT, "say it is not blue", "put it on not off", "say he was not warm")

    def test_where_the_last_change_is(self) -> None:
        desk = self.desk(SHED)
        desk.hears("replace pump with tap", "go to the end")
        self.assertIn("“pump” is “tap” now", desk.hears("take me to my last change").summary)
        desk.hears("now")
        self.assertIn("The tap now broke", desk.markdown)
        self.assertIn("Nothing", self.desk(SHED).hears("show my last change").summary)


class WithItsLook(AtWork):
    def test_words_are_written_so_and_nothing_after_them(self) -> None:
        self.has("", "write private in bold / and more", "**Private** and more")
        self.has("", "in italics yours ever / wilf", "*Yours ever* Wilf")
        self.has("", "in capitals private / and more", "PRIVATE and more")
        self.has("", "type sold in bold capitals", "**SOLD**")
        self.has(SHED, "write the pump in bold", "**The pump** broke")
        self.has("", "all caps private no caps and confidential", "PRIVATE and confidential")

    def test_what_is_asked_of_somebody_else_is_written(self) -> None:
        self.stays(
            "",
            "write your name in capitals",
            "please write names in capitals",
            "write clearly in block capitals",
            "in bold letters it said no dogs",
        )


class Unnamed(AtWork):
    def test_a_version_is_kept_and_brought_back(self) -> None:
        for keeps, back in (
            ("save a version", "go back to that version"),
            ("keep this version", "bring that version back"),
            ("take a snapshot", "go back to version one"),
            ("keep a copy of this as it is", "restore the last version"),
        ):
            desk = self.desk(SHED)
            desk.hears(keeps, "delete the last paragraph", back)
            self.assertEqual(desk.markdown.strip(), SHED, keeps)
            self.assertEqual([m.name for m in desk.sitting.milestones], ["version one"])

    def test_it_is_compared_with(self) -> None:
        desk = self.desk(SHED)
        desk.hears("save a version", "save another version", "delete the last paragraph")
        told = desk.hears("what has changed since the last version").summary
        self.assertIn("“version two”", told)

    def test_whatever_takes_a_version_takes_the_newest(self) -> None:
        desk = self.desk(SHED)
        desk.hears("save a version", "delete the second paragraph")
        desk.hears("bring back the second paragraph from the last version")
        self.assertEqual(desk.markdown.strip(), SHED)
        desk.hears("rename that version to clean copy")
        self.assertEqual([m.name for m in desk.sitting.milestones], ["clean copy"])

    def test_where_there_is_none_it_is_told(self) -> None:
        desk = self.desk(SHED)
        self.assertIn("No version", desk.hears("go back to the last version").summary)
        self.assertEqual(desk.markdown.strip(), SHED)
        self.stays(SHED, "we need a version of this in french", "he made a version of it")


class Offered(AtWork):
    def offers(self, page: str, said: str, wanted: str) -> None:
        desk = self.desk(page)
        entry = desk.hears(said)
        self.assertEqual(entry.read_as, "text", said)
        assert desk.sitting.question is not None, said
        self.assertIn(wanted, [o.label for o in desk.sitting.question.options])

    def test_statements_that_may_be_changes(self) -> None:
        self.offers(
            SHED, "the meeting's in the hall not the shed", "replace the shed with the hall"
        )
        self.offers(SHED, "it was twenty five not twenty", "replace twenty with twenty five")
        self.offers(
            SHED,
            "greta came after all so take out apologies from greta",
            "take out apologies from greta",
        )
        self.offers(AUNT, "red blue jumper", "replace blue jumper with red blue jumper")
        self.offers(
            AUNT,
            "say the lovely blue jumper",
            "replace the blue jumper with the lovely blue jumper",
        )

    def test_items_where_the_list_is_elsewhere(self) -> None:
        self.offers(PACKING, "add candles", "add candles to the list")
        self.offers(PACKING, "get rid of the third one", "get rid of the third item")
