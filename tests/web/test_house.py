"""The pages of the house: each view drawn, sound for what is read, prints, and nothing else."""

from __future__ import annotations

from html.parser import HTMLParser

from nimble_lantern.core.state import View
from nimble_lantern.voices.speaker import Speaker
from nimble_lantern.voices.standin import StandIn
from tests.web.test_pages import PageCase

REACHED = {
    View.SHELF: "show the shelf", View.SETTINGS: "show the settings",
    View.COMMANDS: "what can i say",
    View.WORD_BOOK: "show the word book", View.FIGURES: "show my figures",
    View.PASSAGES: "show my passages", View.PRACTICE: "show the lessons",
    View.PRINT_TRAY: "show the print tray", View.VERSIONS: "show my versions",
    View.TRAIL: "show more of the trail", View.DESK: "back to the desk",
}  # fmt: skip


class Pressed(HTMLParser):
    """The controls of a page, by what they send."""

    def __init__(self) -> None:
        super().__init__()
        self.found: list[str] = []

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        if tag in ("a", "button", "select", "input", "textarea"):
            self.found.append(dict(attrs).get("value") or tag)


class Crawling(PageCase):
    def test_every_view_and_state_is_drawn_and_its_controls_are_spoken_to(self) -> None:
        from nimble_lantern.core.controls import controls

        for said in ("call this version one", "margin note on the last sentence ask ida",
                     "keep this as words", "print this", "put the rota away"):  # fmt: skip
            self.post_line(said)
        states = [*REACHED.values(), "find the letter about the stair", "show the numbers",
                  "back to the desk", "start lesson four", "select boat", "cancel",
                  "leave the lesson", "what changed", "new paragraph hello", "what changed",
                  "next change", "make a table", "dark paper", "high contrast",
                  "spell the last word",
                  "cancel", "read from the top", "stop", "show me how it prints"]  # fmt: skip
        for said in states:
            with self.subTest(said):
                self.post_line(said)
                page = self.client.get("/").get_data(as_text=True)
                self.assertNotIn("undrawn", page)
                pressed = Pressed()
                pressed.feed(page)
                known = {c.name for c in controls(self.desk.sitting, self.desk.playing)}
                self.assertLessEqual(set(pressed.found), known)
        self.assertEqual(set(REACHED), set(View))

    def post_line(self, line: str) -> None:
        self.assertLess(self.client.post("/lines", data={"line": line}).status_code, 300, line)


class Choosing(PageCase):
    def test_places_outside_the_view_are_listed_and_counted(self) -> None:
        for n in range(30):
            self.client.post("/lines", data={"line": f"new paragraph boat {n} came in full stop"})
        self.client.post("/lines", data={"line": "bold boat"})
        page = self.client.get("/").get_data(as_text=True)
        self.assertRegex(page, r"<h2>(30|Thirty) places, \w+ in view</h2>")
        self.assertIn("Boat 29 came in", page)
        self.client.post("/lines", data={"line": "cancel"})
        for line in ("delete everything", "a boat and a boat", "bold boat"):
            self.client.post("/lines", data={"line": line})
        self.assertNotIn("in view</h2>", self.client.get("/").get_data(as_text=True))


class Speaking(PageCase):
    def test_sound_and_word_times_are_handed_out_while_it_is_read(self) -> None:
        self.desk.speaker = Speaker(StandIn())
        self.client.post("/lines", data={"line": "read from the top"})
        playing = self.desk.speaker.playing()
        assert playing is not None
        answer = self.client.get(f"/aloud/{playing['number']}/0")
        self.assertEqual(answer.mimetype, "audio/wav")
        times = answer.headers["Lantern-Words"].split(",")
        self.assertEqual(len(times), len(playing["texts"][0].split()))
        self.client.post("/spoken", data={"number": playing["number"], "sentence": 1, "word": 2})
        aloud = self.desk.sitting.aloud
        assert aloud is not None
        self.assertEqual((aloud.at, aloud.word), (1, 2))
        self.assertIn("looks-aloud-word", self.client.get("/").get_data(as_text=True))
        told = {"number": playing["number"], "sentence": 1, "begins": "12.25"}
        self.assertLess(self.client.post("/spoken", data=told).status_code, 300)
        self.client.get(f"/aloud/{playing['number']}/1")
        sounds = self.desk.speaker.sounding()
        self.assertEqual([begins for _, begins in sounds.values()], [12.25])
        self.assertEqual(self.desk.sitting.aloud, aloud)
        self.client.post("/lines", data={"line": "stop"})
        self.assertEqual(self.client.get(f"/aloud/{playing['number']}/0").status_code, 404)
        for data in ({}, {"number": "x", "sentence": "-1"}, {"number": 99, "done": 1}):
            self.assertLess(self.client.post("/spoken", data=data).status_code, 300)

    def test_a_print_is_handed_out_as_a_pdf(self) -> None:
        self.assertEqual(self.client.get("/prints/1.pdf").status_code, 404)
        self.client.post("/lines", data={"line": "print this"})
        self.assertEqual(self.client.get("/prints/1.pdf").data[:5], b"%PDF-")
