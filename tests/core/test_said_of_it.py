"""What is said of what stands selected, of what was just said, and of a list while it is made."""

from __future__ import annotations

from tests.core.test_at_work import AtWork
from tests.desk import Driver

NEWS = (
    "# Bee club news\n\nThe spring meeting is on Tuesday in the village hall. Bring a chair and a"
    " mug.\n\nRosa Lindqvist will speak about swarms. She never wears gloves.\n\n- Clean the"
    " frames\n- Paint the stands\n- Order new jars\n\nWe still need tea. Call Piet."
)
SHOP = "# Shopping list\n\n- Bread\n- Milk\n- Butter\n\nWe also need soap."


class Selected(AtWork):
    def after(self, *said: str) -> Driver:
        desk = self.desk(NEWS)
        desk.hears("select village hall", *said)
        return desk

    @staticmethod
    def plain(desk: Driver) -> str:
        return desk.document.text(desk.document.whole)

    def test_only_the_selection_is_meant(self) -> None:
        for said, made in {
            "make it all capitals": "in the VILLAGE HALL. Bring",
            "all in bold": "in the **village hall**. Bring",
            "make the text bold": "in the **village hall**. Bring",
            "bold text": "in the **village hall**. Bring",
            "capitals at the start of each word": "in the Village Hall. Bring",
            "brackets please": "in the (village hall). Bring",
            "make it a cup of tea": "on Tuesday in a cup of tea. Bring",
            "delete the text": "on Tuesday in the. Bring",
        }.items():
            with self.subTest(said):
                desk = self.after(said)
                self.assertIn(made, desk.markdown)
                self.assertIn("# Bee club news", desk.markdown)
                desk.hears("undo that")
                self.assertEqual(desk.markdown.strip(), NEWS)

    def test_a_look_asked_for_politely_is_not_written_over_it(self) -> None:
        for said in ("red please", "yellow highlight", "red door please", "increase the size"):
            with self.subTest(said):
                self.assertIn("village hall", self.plain(self.after(said)))

    def test_it_goes_to_an_edge(self) -> None:
        for said in ("it should be at the end", "send it to the end", "put it at the end"):
            with self.subTest(said):
                self.assertTrue(self.after(said).markdown.rstrip().endswith("village hall"))

    def test_its_own_ends(self) -> None:
        for said, page in (("end of that", "village hall|."), ("start of that", "the |village")):
            with self.subTest(said):
                self.assertIn(page, self.after(said).page)

    def test_all_of_the_page_is_still_selected(self) -> None:
        for said in ("select all", "select the text"):
            desk = self.after(said, "delete that")
            self.assertEqual(self.plain(desk).strip(), "")

    def test_the_text_stays_what_was_selected_while_it_is_dressed(self) -> None:
        desk = self.after("make the text bigger", "make the text bold")
        self.assertIn("# Bee club news", desk.markdown)
        desk.hears("red please")
        self.assertEqual(desk.marked("colour"), ["village hall"])


class JustSaid(AtWork):
    def after(self, *said: str) -> Driver:
        desk = self.desk(NEWS)
        desk.hears("bring a net full stop", *said)
        return desk

    def test_looks_with_a_please(self) -> None:
        for said in ("bold please", "in bold please"):
            self.assertIn("**Bring a net.**", self.after(said).markdown)

    def test_a_lone_all_is_of_no_letter(self) -> None:
        desk = self.desk(NEWS)
        desk.hears("the leaves were", "all red")
        self.assertIn("The leaves were all red", desk.markdown)
        self.assertIn("BRING A NET.", self.after("make it all capitals").markdown)
        self.assertIn("# Bee club news", self.after("make it all capitals").markdown)

    def test_it_is_put_elsewhere(self) -> None:
        for said, made in {
            "put that at the start of the last paragraph": "Bring a net. We still",
            "put it at the end of the second paragraph": "gloves. Bring a net.",
            "put that on the list": "- Order new jars\n- Bring a net.",
            "move that to the end of the list": "- Order new jars\n- Bring a net.",
        }.items():
            with self.subTest(said):
                self.assertIn(made, self.after(said).markdown)

    def test_the_writing_place_is_not_moved_by_it(self) -> None:
        desk = self.desk(NEWS)
        before = desk.page
        desk.hears("put it at the end of the second paragraph")
        self.assertEqual(desk.page, before)

    def test_a_stop_is_put_there(self) -> None:
        desk = self.desk("")
        desk.hears("the gate is shut", "full stop at the end of that")
        self.assertText("The gate is shut.")


class Listed(AtWork):
    def items(self, *said: str) -> str:
        desk = self.desk("")
        desk.hears(*said)
        return desk.markdown.strip()

    def test_things_said_one_by_one_are_items(self) -> None:
        said = ("bread", "milk", "two dozen eggs", "make that one dozen eggs", "butter")
        self.assertEqual(
            self.items("start a shopping list", *said, "that is all", "thank you full stop"),
            "# Shopping list\n\n- Bread\n- Milk\n- One dozen eggs\n- Butter\n\nThank you.",
        )

    def test_what_goes_on_stays_in_its_item(self) -> None:
        for said, item in {
            ("check the ropes", "and the nets"): "- Check the ropes and the nets",
            ("two", "dozen eggs"): "- Two dozen eggs",
            ("polish", "the brass"): "- Polish the brass",
            ("check the ropes full stop", "they are old full stop"): (
                "- Check the ropes. They are old."
            ),
            ("bread", "new line", "brown"): "- Bread\n  Brown",
        }.items():
            with self.subTest(said):
                self.assertEqual(self.items("start a list", *said).replace("\\\n", "\n"), item)

    def test_an_article_begins_an_item(self) -> None:
        said = ("three tables", "a tin for the money", "and the key to it", "my coat")
        self.assertEqual(
            self.items("start a list", *said),
            "- Three tables\n- A tin for the money and the key to it\n- My coat",
        )

    def test_a_stop_that_nobody_said_ends_no_item(self) -> None:
        said = ("punctuate automatically", "start a list", "sweep the stairs", "mop the floor")
        self.assertEqual(self.items(*said), "- Sweep the stairs\n- Mop the floor")

    def test_behind_what_was_undone(self) -> None:
        said = ("bread", "milk", "undo that", "jam")
        self.assertEqual(self.items("start a list", *said), "- Bread\n- Jam")

    def test_an_item_that_was_there_is_gone_on_with(self) -> None:
        desk = self.desk(NEWS)
        desk.hears("go to the end of the second item", "white", "by may")
        self.assertIn("- Paint the stands white by May", desk.markdown)

    def test_a_cell_may_say_so(self) -> None:
        desk = self.desk("")
        desk.hears("make a table with two columns", "start a shopping list")
        self.assertIn("| Start a shopping list |", desk.markdown)

    def test_a_thing_to_do_is_no_list(self) -> None:
        desk = self.desk("Remember this.")
        desk.hears("make a shopping list")
        self.assertIn("Make a shopping list", desk.markdown)

    def test_the_list_is_no_word_of_its_heading(self) -> None:
        desk = self.desk(SHOP)
        desk.hears("move milk to the top of the list")
        self.assertIn("# Shopping list\n\n- Milk\n- Bread", desk.markdown)

    def test_a_whole_list_is_not_replaced_unasked(self) -> None:
        desk = self.desk(SHOP)
        desk.hears("replace the list with tea")
        self.assertEqual(desk.markdown.strip(), SHOP)

    def test_a_sentence_becomes_an_item(self) -> None:
        self.has(SHOP, "move the last sentence to the end of the list", "- Butter\n- We also need")
        self.has(SHOP, "put we also need soap on the list", "- Butter\n- We also need soap")
