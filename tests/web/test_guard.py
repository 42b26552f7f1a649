"""What is turned away at the door, and how: one sentence, nothing done, nobody kept waiting."""

from __future__ import annotations

import http.client
import json
import socket
import tempfile
import unittest
from pathlib import Path
from unittest import mock

from nimble_lantern.core.reading.hearing import MOST_WORDS
from nimble_lantern.web.app import create_app
from nimble_lantern.web.fragments import face
from nimble_lantern.web.guard import COOKIE, KEY_FILE, key_of, known_host
from tests.server import Server
from tests.web.test_pages import PageCase


class Origins(PageCase):
    def posts(self, path: str = "/lines", **headers: str) -> int:
        named = {name.replace("_", "-"): value for name, value in headers.items()}
        return self.client.post(path, data={"line": "the tide"}, headers=named).status_code

    def test_another_sites_page_changes_nothing(self) -> None:
        for headers in (
            {"Origin": "https://example.org"},
            {"Origin": "null"},
            {"Sec_Fetch_Site": "cross-site"},
            {"Sec_Fetch_Site": "same-site", "Origin": "http://localhost"},
        ):
            self.assertEqual(self.posts(**headers), 403)
        self.assertFalse(self.desk.sitting.trail)

    def test_the_desks_own_page_and_a_script_are_let_in(self) -> None:
        self.assertEqual(self.posts(Origin="http://localhost", Sec_Fetch_Site="same-origin"), 200)
        self.assertEqual(self.posts(), 200)

    def test_looking_changes_nothing(self) -> None:
        """An address opened from anywhere must not move the speaker to another view."""
        revision = self.desk.revision
        for path in ("/shelf", "/settings", "/commands"):
            self.assertEqual(self.client.get(path).status_code, 302)
        for path in ("/", "/news", "/state", "/streams"):
            self.client.get(path)
        self.assertEqual((self.desk.sitting.view, self.desk.revision), ("desk", revision))
        self.client.post("/view", data={"view": "shelf"})
        self.assertEqual(self.desk.sitting.view, "shelf")

    def test_every_route_that_is_looked_at_only_looks(self) -> None:
        """A route added later that changes something by GET is found here."""
        for rule in self.app.url_map.iter_rules():
            if "GET" in (rule.methods or ()) and not rule.arguments:
                before = self.desk.sitting, self.desk.sitting.view
                self.client.get(rule.rule)
                self.assertEqual((self.desk.sitting, self.desk.sitting.view), before, rule.rule)

    def test_other_hosts_are_turned_away(self) -> None:
        for host in ("example.org", "desk.example.org:8377", "127.0.0.1.example.org", ""):
            answer = self.client.get("/", headers={"Host": host})
            self.assertEqual(answer.status_code, 400, host)
            self.assertIn("not served here", answer.get_data(as_text=True))

    def test_what_is_served_names_what_is_allowed(self) -> None:
        self.assertTrue(known_host("desk.home:8377", "desk.home"))
        self.assertTrue(known_host("[::1]:8377", "0.0.0.0"))
        self.assertTrue(known_host("192.168.1.20:8377", "0.0.0.0"))
        self.assertTrue(known_host(socket.gethostname(), "0.0.0.0"))
        for host in ("example.org", "192.168.1.20.example.org"):
            self.assertFalse(known_host(host, "0.0.0.0"))
            self.assertFalse(known_host(host, "192.168.1.20"))


class Policy(PageCase):
    def test_scripts_are_not_made_of_text_and_forms_go_nowhere_else(self) -> None:
        policy = self.client.get("/").headers["Content-Security-Policy"]
        self.assertNotIn("unsafe-eval", policy)
        for part in ("form-action 'self'", "base-uri 'none'", "object-src 'none'"):
            self.assertIn(part, policy)

    def test_no_style_of_a_file_reaches_an_attribute_unchecked(self) -> None:
        from nimble_lantern.core.document.layout import Face
        from nimble_lantern.core.document.model import Span
        from nimble_lantern.core.showing import Segment

        for value in ("red; background: url(x)", "expression(1)", "#12345", "url(#a)"):
            made = face(Segment("x", Face("Literata", 20, False, False),
                                (Span(0, 1, "colour", value),)))  # fmt: skip
            self.assertNotIn("color", made)
        made = face(Segment("x", Face("x'; color: red", 20, False, False)))
        self.assertNotIn("red", made)


class Bounded(PageCase):
    def said(self, answer: object) -> str:
        return answer.get_data(as_text=True)  # type: ignore[attr-defined,no-any-return]

    def test_what_is_too_much_is_refused_in_words(self) -> None:
        long = self.client.post("/lines", data={"line": "tide " * (MOST_WORDS + 1)})
        self.assertEqual(long.status_code, 400)
        self.assertIn("at most 1,000 words", self.said(long))
        stream = self.client.post("/streams").get_json()["stream"]
        chunk = self.client.post(f"/streams/{stream}/0", data=b"\0" * 64_002)
        self.assertEqual(chunk.status_code, 413)
        self.assertIn("two seconds", self.said(chunk))
        self.assertEqual(self.client.post("/lines", data=b"x" * 200_000).status_code, 413)

    def test_half_signs_and_deep_nesting_never_reach_the_page(self) -> None:
        self.desk.set("engine", "browser")
        rows = '{"final": true, "alternatives": [{"transcript": "the \\ud800 tide\\u0000"}]}'
        answer = self.client.post("/results", data=rows, content_type="application/json")
        self.assertEqual(answer.status_code, 204)
        self.assertIn("the tide", self.said(self.client.get("/")).lower())
        deep = self.client.post("/results", data="[" * 50_000, content_type="application/json")
        self.assertEqual(deep.status_code, 400)
        self.assertEqual(self.client.get("/").status_code, 200)

    def test_scrolling_by_a_million_comes_to_the_end_and_one_back_comes_back(self) -> None:
        for n in range(60):
            self.says(f"boat {n} came in full stop ... new line")
        self.says("go to the start")
        self.says("scroll down one million")
        self.assertIn("boat 59", self.said(self.client.get("/")).lower())
        top = self.desk.scene().top
        self.says("scroll up")
        assert top is not None
        self.assertLess(self.desk.scene().top or 0, top)
        self.says("what can i say")
        self.says("scroll down one million")
        self.says("scroll up")
        self.assertRegex(self.said(self.client.get("/")), r"Page \d+ of \d+")

    def test_a_part_that_cannot_be_drawn_says_so_and_the_rest_is_there(self) -> None:
        with (
            mock.patch("nimble_lantern.web.fragments.rows", side_effect=ZeroDivisionError),
            mock.patch("traceback.print_exc"),
        ):
            html = self.said(self.client.get("/"))
            self.assertIn("cannot be drawn", html)
            self.assertIn('id="hints"', html)
            self.says("show the shelf")
            self.assertNotIn("cannot be drawn", self.said(self.client.get("/")))

    def test_a_fault_is_one_sentence(self) -> None:
        with (
            mock.patch("nimble_lantern.web.app.sitting_data", side_effect=ZeroDivisionError),
            mock.patch("traceback.print_exception"),
        ):
            answer = self.client.get("/state")
        self.assertEqual(answer.status_code, 500)
        self.assertNotIn("Zero", self.said(answer))
        self.assertIn("no such page", self.said(self.client.get("/nowhere")))

    def test_the_state_is_that_of_the_command_line_and_more(self) -> None:
        self.says("stop listening")
        found = json.loads(self.said(self.client.get("/state")))
        self.assertEqual((found["lamp"], found["view"], found["mode"]), ("low", "desk", "resting"))
        self.assertEqual(found["title"], "Letter to the harbour board")
        self.assertIn("Rota", found["shelf"])


class Key(PageCase):
    def setUp(self) -> None:
        super().setUp()
        with tempfile.TemporaryDirectory() as folder:
            self.key = key_of(Path(folder))
            self.assertEqual(key_of(Path(folder)), self.key)
            self.assertEqual((Path(folder) / KEY_FILE).stat().st_mode & 0o777, 0o600)
        self.app = create_app(self.desk, lambda: self.recited, pace=0, key=self.key)
        self.client = self.app.test_client()

    def test_without_the_key_nothing_is_seen_or_done(self) -> None:
        for path in ("/", "/state", "/news", "/?key=guessed"):
            answer = self.client.get(path)
            self.assertEqual(answer.status_code, 403)
            self.assertIn("asks for its key", answer.get_data(as_text=True))
        self.assertEqual(self.client.post("/lines", data={"line": "x"}).status_code, 403)

    def test_the_address_that_was_printed_opens_the_desk_for_good(self) -> None:
        answer = self.client.get(f"/?key={self.key}")
        self.assertEqual((answer.status_code, answer.headers["Location"]), (302, "/"))
        cookie = answer.headers["Set-Cookie"]
        self.assertTrue(cookie.startswith(COOKIE))
        self.assertIn("HttpOnly", cookie)
        self.assertEqual(self.client.get("/").status_code, 200)

    def test_a_script_sends_it_along(self) -> None:
        answer = self.app.test_client().get("/state", headers={"Lantern-Key": self.key})
        self.assertEqual(answer.status_code, 200)


class Served(unittest.TestCase):
    """The real server."""

    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.server = Server(Path(folder.name))
        self.addCleanup(self.server.stop)

    def test_a_body_without_end_is_refused_before_it_is_stored(self) -> None:
        connection = http.client.HTTPConnection("127.0.0.1", self.server.port, timeout=20)
        connection.putrequest("POST", "/lines")
        connection.putheader("Content-Length", str(300_000_000))
        connection.putheader("Origin", "https://example.org")
        connection.endheaders()
        sent, piece = 0, b"x" * 65_536
        try:
            while sent < 300_000_000:
                connection.send(piece)
                sent += len(piece)
        except OSError:
            pass
        self.assertLess(sent, 20_000_000)
        self.assertIn("Speak, and your words", self.server.get("/"))

    def test_slow_connections_do_not_hold_up_the_others(self) -> None:
        slow = [socket.create_connection(("127.0.0.1", self.server.port)) for _ in range(150)]
        for connection in slow:
            self.addCleanup(connection.close)
            connection.sendall(b"POST /lines HTTP/1.1\r\nHost: localhost\r\nContent-Length: 99\r\n")
        self.assertIn("tide", self.server.says("the tide"))
        self.assertIn("tide", self.server.get("/"))
