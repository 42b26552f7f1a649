"""The page and its news, with a stand-in for the recogniser."""

from __future__ import annotations

import re
import sys
import tempfile
import threading
import unittest
from pathlib import Path
from unittest import mock

from flask.testing import FlaskClient
from werkzeug.test import TestResponse

from nimble_lantern.core.errors import BadInput
from nimble_lantern.core.reading.hearing import Hearing, from_line
from nimble_lantern.demo import load_sample_world
from nimble_lantern.engines import Scene
from nimble_lantern.shell import LiveDesk
from nimble_lantern.store.database import connect
from nimble_lantern.store.journal import open_journal
from nimble_lantern.web import fragments
from nimble_lantern.web.app import create_app
from tests.speaking import voiced

SILENCE = b"\0\0" * 3200
BEGAN = 1e6
"""When a page's stream began, in milliseconds of its clock."""


class Recited:
    """A live engine that hears the next of its lines in whatever is spoken."""

    def __init__(self, lines: list[str]) -> None:
        self.lines, self.partial, self.scenes, self.dropped = lines, "", list[Scene](), 0

    def look(self, scene: Scene) -> None:
        self.scenes.append(scene)

    def begin(self, scene: Scene) -> None:
        self.partial = "hearing"

    def sound(self, sound: bytes) -> None:
        self.partial = "hearing you"

    def drop(self) -> None:
        self.partial = ""
        self.dropped += 1

    def end(self) -> Hearing:
        self.partial = ""
        return from_line(self.lines.pop(0), source="recited")

    def close(self) -> None:
        pass


class PageCase(unittest.TestCase):
    lines: list[str] = []

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.engine_of_database = connect(Path(folder.name) / "desk.sqlite3")
        self.addCleanup(self.engine_of_database.dispose)
        journal = open_journal(self.engine_of_database)
        load_sample_world(journal)
        self.desk = LiveDesk(journal, ("write a notice",))
        self.recited = Recited(list(self.lines))
        self.app = create_app(self.desk, lambda: self.recited, pace=0)
        self.client: FlaskClient = self.app.test_client()
        self.html = self.client.get("/").get_data(as_text=True)
        self.page = re.search(r'data-page="(\w+)"', self.html)[1]  # type: ignore[index]
        self.shows = int(re.search(r'data-shows="(\d+)"', self.html)[1])  # type: ignore[index]

    def says(self, line: str, page: str | None = None) -> str:
        data = {"line": line, "page": page or self.page, "shows": self.shows}
        return self.shown(self.client.post("/lines", data=data))

    def news(self, page: str | None = None) -> str:
        return self.shown(self.client.get(f"/news?page={page or self.page}&shows={self.shows}"))

    def shown(self, answer: TestResponse) -> str:
        """What came, which the page shows from now on."""
        self.shows = int(answer.headers["Lantern-Shows"])
        return answer.get_data(as_text=True)


class Pages(PageCase):
    def test_the_page_shows_lamp_lines_trail_and_hints(self) -> None:
        for part in ('id="lamp"', 'id="heard"', 'id="trail"', 'id="hints"', "We write on behalf"):
            self.assertIn(part, self.html)

    def test_an_answer_carries_only_what_changed(self) -> None:
        html = self.says("bold the lease")
        for part in ("stage", "trail", "heard"):
            self.assertIn(f'hx-swap-oob="true" id="{part}"', html)
        for part in ("lamp", "controls"):
            self.assertNotIn(f'id="{part}"', html)
        self.assertEqual(self.news(), "")

    def test_an_answer_that_was_lost_is_sent_again_with_the_next(self) -> None:
        before = self.shows
        self.assertIn('id="stage"', self.says("bold the lease"))
        self.shows = before
        html = self.says("undo that")
        for part in ("stage", "trail", "heard"):
            self.assertIn(f'id="{part}"', html)
        self.shows = before
        self.assertIn('id="stage"', self.news())
        self.assertEqual(self.news(), "")

    def test_a_page_of_before_a_restart_is_drawn_anew(self) -> None:
        self.says("bold the lease")
        self.app.extensions["pages"] = fragments.Pages()
        html = self.news()
        for part in ("lamp", "stage", "trail", "heard", "hints", "controls", "manner"):
            self.assertIn(f'id="{part}"', html)

    def test_another_page_catches_up(self) -> None:
        self.says("stop listening", page="another")
        html = self.news()
        self.assertIn('data-lamp="low"', html)

    def test_what_was_said_cannot_become_markup(self) -> None:
        html = self.says("<script>alert</script> & <b>")
        self.assertNotIn("<script>", html)
        self.assertIn("&lt;script&gt;", html)

    def test_the_shelf_is_shown_and_left_by_voice(self) -> None:
        html = self.says("show the shelf")
        for title in ("Ferry times", "Rota", "Newsletter", "Open day notice"):
            self.assertIn(title, html)
        self.assertIn("sheet", self.says("back to the desk"))
        self.says("show the shelf")
        self.assertIn("The ferry leaves the quay", self.says("open ferry times"))

    def test_a_page_holds_a_window_of_lines_and_follows_the_writing_place(self) -> None:
        for n in range(60):
            self.says(f"boat {n} came in full stop ... new line", page="other")
        html = self.news()
        self.assertLess(html.count("data-line="), 25)
        self.assertIn("Boat 59 came in.", html)
        html = self.says("go to the start")
        self.assertIn('data-line="1"', html)

    def test_bad_requests_are_answered_plainly(self) -> None:
        self.assertEqual(self.client.post("/lines", data={"line": ""}).status_code, 200)
        for room in ("nan", "-5", "1e99", "x"):
            self.assertLess(self.client.get(f"/news?page=x&room={room}").status_code, 300)
        self.assertEqual(self.client.post("/lines", data=b"x" * 5_000_000).status_code, 413)
        foreign = {"Origin": "http://elsewhere.example"}
        answer = self.client.post("/lines", data={"line": "undo that"}, headers=foreign)
        self.assertEqual(answer.status_code, 403)

    def test_the_prompter_is_started_and_speaks_to_the_end(self) -> None:
        self.client.post("/controls", data={"name": "Play “write a notice”", "page": self.page})
        prompter = self.desk.prompter
        assert prompter is not None
        self.assertTrue(prompter.wait(30))  # type: ignore[attr-defined]
        html = self.client.get("/").get_data(as_text=True)
        self.assertIn("Notice about the ferry", html)
        self.assertIn("Play “write a notice”", html)
        answer = self.client.post("/controls", data={"name": "Eject"})
        self.assertEqual(answer.status_code, 400)

    def test_the_prompter_is_reachable_by_voice(self) -> None:
        self.says("start the prompter")
        prompter = self.desk.prompter
        assert prompter is not None
        self.assertTrue(prompter.wait(30))  # type: ignore[attr-defined]
        self.assertEqual(self.desk.sitting.title, "Notice about the ferry")


class ManyAtOnce(PageCase):
    def test_pages_may_be_drawn_while_utterances_come_in(self) -> None:
        app = self.client.application
        faults: list[int] = []
        self.addCleanup(sys.setswitchinterval, sys.getswitchinterval())
        sys.setswitchinterval(1e-5)

        def look(name: str) -> None:
            client = app.test_client()
            for _ in range(40):
                status = client.get(f"/news?page={name}").status_code
                if status >= 300:
                    faults.append(status)

        pages = [threading.Thread(target=look, args=(f"page{n}",)) for n in range(3)]
        for thread in pages:
            thread.start()
        for n in range(25):
            self.says(("new document", "the tide ... new paragraph ... high", "open rota")[n % 3])
        for thread in pages:
            thread.join()
        self.assertEqual(faults, [])


class SoundCase(PageCase):
    """A page that sends sound."""

    def setUp(self) -> None:
        super().setUp()
        self.stream = self.client.post("/streams").get_json()["stream"]
        self.at = self.kept = 0

    def sends(self, sound: bytes, start: int | None = None, stream: str = "") -> int:
        """Post a chunk; the next one begins where the answer says."""
        at = self.at if start is None else start
        answer = self.client.post(
            f"/streams/{stream or self.stream}/{at}?page={self.page}&time={BEGAN + at / 16}",
            data=sound,
        )
        self.at = int(answer.headers.get("Lantern-Next", self.at))
        self.kept = int(answer.headers.get("Lantern-Kept", self.kept))
        self.answer = answer.get_data(as_text=True)
        return answer.status_code

    def speaks(self) -> None:
        for sound in (SILENCE, voiced(0.2), voiced(0.2), voiced(0.2), *[SILENCE] * 6):
            self.assertLess(self.sends(sound), 300)


class Sound(SoundCase):
    lines = ["the tide is high", "bold the tide", "third line"]

    def test_speech_becomes_an_utterance(self) -> None:
        self.speaks()
        self.speaks()
        trail = self.desk.sitting.trail
        self.assertEqual([e.command for e in trail], [None, "marks.bold"])

    def test_what_is_heard_shows_while_it_is_spoken(self) -> None:
        answers = []
        for sound in (SILENCE, voiced(0.2), voiced(0.2), voiced(0.2)):
            self.sends(sound)
            answers.append(self.answer)
        self.assertIn("hearing you", "".join(answers))

    def test_an_engine_that_gives_up_says_so_and_hears_the_next_utterance(self) -> None:
        engine = self.app.extensions["listener"]._ready()
        with mock.patch.object(engine, "end", side_effect=BadInput("It stopped; say it again.")):
            self.speaks()
        self.assertFalse(self.desk.sitting.trail)
        self.assertIn("It stopped; say it again.", self.client.get("/").get_data(as_text=True))
        self.speaks()
        self.assertEqual(len(self.desk.sitting.trail), 1)

    def test_a_chunk_sent_again_is_not_heard_again(self) -> None:
        self.speaks()
        before, end = len(self.desk.sitting.trail), self.at
        for start in range(0, end, 3200):
            self.assertLess(self.sends(voiced(0.2), start), 300)
        self.assertEqual((len(self.desk.sitting.trail), self.at), (before, end))

    def test_of_a_chunk_that_was_heard_in_part_the_rest_is_heard(self) -> None:
        self.sends(SILENCE)
        self.assertLess(self.sends(SILENCE + SILENCE, 1600), 300)
        self.assertEqual(self.at, 1600 + 6400)

    def test_a_chunk_that_comes_too_early_is_sent_back(self) -> None:
        self.sends(SILENCE)
        self.assertEqual(self.sends(SILENCE, 16_000), 409)
        self.assertEqual(self.at, 3200)

    def test_the_engine_looks_at_the_page_after_every_utterance(self) -> None:
        self.speaks()
        views = [" ".join(scene.view).lower() for scene in self.recited.scenes]
        self.assertNotIn("the tide is high", views[0])
        self.assertIn("the tide is high", views[-1])
