"""Malformed requests of every kind against the running server: what it answers, and how soon.

After each the page is drawn: nothing that comes in may keep it from that.
"""

from __future__ import annotations

import http.client
import json
import random
import socket
import tempfile
import time
from collections.abc import Callable, Iterator
from pathlib import Path

from nimble_lantern.benchmarks import Figure
from tests.server import Server

COUNT = 3000
SEED = 11
TIMEOUT = 30.0
SLOW_SECONDS = 2.0
_RAW_SECONDS = 0.5
"""How long an answer is waited for where there need not be any."""
_PATHS = (
    "/", "/news", "/state", "/lines", "/prompter", "/view", "/streams", "/results", "/shelf",
    "/fonts/x", "/fonts/../../etc/passwd", "/static/../app.py", "/streams/a/0", "/streams/a/-1",
    "/streams/a/99999999999999999999", "/streams/%00/0", "/streams/a/b/c", "/nowhere", "//", "/%f",
)  # fmt: skip
_METHODS = ("GET", "POST", "PUT", "DELETE", "HEAD", "OPTIONS", "PATCH", "BREW")
_WORDS = (
    "bold the last million words", "scroll down one million", "undo ninety nine billion",
    "go to line four thousand trillion", "delete word zero", "backspace one million", "\ud800 tide",
    "select from the to the to the to the", "make that a heading nine", "zoom in", "new document",
    "stop listening", "start listening", "show the shelf", "what can i say", "scroll up a million",
    "text only", "commands only", "commands again", "cancel", "\u202e\u0000\u200b", "spell " * 50,
    "the " * 999, "one hundred " * 400, "quote " * 300, "open bracket " * 300, "x" * 9000,
    "replace the with the " * 40, "and then " * 200, "delete this document for good",
)  # fmt: skip


def run() -> Iterator[Figure]:
    """Everything is asked of one server, which goes on throughout."""
    rng = random.Random(SEED)
    with tempfile.TemporaryDirectory() as folder:
        server = Server(Path(folder), demo=True)
        try:
            statuses: list[int] = []
            slowest, undrawn = 0.0, 0
            kinds: tuple[Callable[[Server, random.Random], int], ...] = (
                _any, _line, _json, _chunk, _raw, _headers,
            )  # fmt: skip
            for n in range(COUNT):
                began = time.monotonic()
                statuses.append(kinds[n % len(kinds)](server, rng))
                slowest = max(slowest, time.monotonic() - began)
                began = time.monotonic()
                html = server.get("/")
                slowest = max(slowest, time.monotonic() - began)
                undrawn += 'id="lamp"' not in html or "cannot be drawn" in html
            yield Figure("requests", COUNT, "requests")
            yield Figure("requests_faults", sum(s >= 500 for s in statuses), "answers of 500")
            yield Figure("requests_slowest", slowest, "s", "allowed", slowest / SLOW_SECONDS)
            yield Figure("requests_undrawn", undrawn, "pages")
        finally:
            server.stop()


def _asked(server: Server, method: str, path: str, body: bytes, headers: dict[str, str]) -> int:
    connection = http.client.HTTPConnection("127.0.0.1", server.port, timeout=TIMEOUT)
    try:
        connection.request(method, path, body or None, headers)
        return connection.getresponse().status
    except (OSError, http.client.HTTPException, UnicodeError):
        return 0
    finally:
        connection.close()


def _text(rng: random.Random) -> str:
    if rng.random() < 0.7:
        return rng.choice(_WORDS)
    return "".join(chr(rng.choice((rng.randrange(32, 127), rng.randrange(9999)))) for _ in "x" * 40)


def _any(server: Server, rng: random.Random) -> int:
    query = f"?page={rng.randbytes(4).hex()}&room={rng.choice(('nan', 'inf', '-1', '1e400', 'x'))}"
    query += f"&shows={rng.choice(('nan', '-5', '1e30', ''))}"
    method, path = rng.choice(_METHODS), rng.choice(_PATHS)
    return _asked(server, method, path + query, rng.randbytes(rng.randrange(200)), {})


def _line(server: Server, rng: random.Random) -> int:
    from urllib.parse import urlencode

    body = urlencode({"line": _text(rng)}, errors="surrogatepass").encode()
    form = {"Content-Type": "application/x-www-form-urlencoded"}
    return _asked(server, "POST", "/lines", body, form)


def _json(server: Server, rng: random.Random) -> int:
    value: object = rng.choice((None, 1e308, -1, "x", [], {}, True, "\ud800", [[[]]] * 50))
    rows = [{"transcript": _text(rng), "confidence": value}] * rng.choice((0, 1, 1000))
    data: object = rng.choice(
        (
            {"final": True, "alternatives": rows},
            {"final": value, "alternatives": value},
            {"error": value},
            {"stream": value, "from": value, "time": value, "lost": value},
            value,
        )  # fmt: skip
    )
    body = rng.choice((json.dumps(data).encode(), b"[" * 60_000, b"{" * 9, b"\xff\xfe", b""))
    path = rng.choice(("/results", "/streams"))
    return _asked(server, "POST", path, body, {"Content-Type": "application/json"})


def _chunk(server: Server, rng: random.Random) -> int:
    at = rng.choice((0, 1, 3, 10**6, 10**18, 10**30))
    size = rng.choice((0, 1, 3, 3200, 64_000, 64_001, 120_000))
    path = f"/streams/{rng.choice(('a', 'b', '%20', 'é'.encode().hex()))}/{at}"
    path += f"?time={rng.choice(('nan', '-1', 'x'))}"
    return _asked(server, "POST", path, rng.randbytes(size), {})


def _headers(server: Server, rng: random.Random) -> int:
    headers = {
        "Host": rng.choice(("example.org", "", "127.0.0.1:99999", "[::1", "localhost")),
        "Origin": rng.choice(("null", "https://example.org", "\t", "http://localhost")),
        "Sec-Fetch-Site": rng.choice(("cross-site", "same-origin", "x")),
        "Content-Type": rng.choice(
            ("multipart/form-data; boundary=x", "text/plain; charset=no", "")
        ),
        "Cookie": rng.choice(("lantern_key=x", "=;=;", "a" * 4000)),
    }
    return _asked(server, rng.choice(_METHODS), rng.choice(_PATHS), rng.randbytes(30), headers)


def _raw(server: Server, rng: random.Random) -> int:
    """What is hardly HTTP at all; 0 where it is not answered."""
    lines = (
        b"GET / HTTP/9.9\r\n\r\n", b"POST /lines HTTP/1.1\r\nContent-Length: -5\r\n\r\n",
        b"POST /lines HTTP/1.1\r\nHost: localhost\r\nTransfer-Encoding: chunked\r\n\r\nZZ\r\n",
        b"GET " + b"/x" * 20_000 + b" HTTP/1.1\r\n\r\n", b"\r\n\r\n\r\n", b"\x16\x03\x01\x02",
        b"GET / HTTP/1.1\r\n" + b"A: b\r\n" * 5000 + b"\r\n", rng.randbytes(300) + b"\r\n\r\n",
    )  # fmt: skip
    with socket.create_connection(("127.0.0.1", server.port), _RAW_SECONDS) as connection:
        try:
            connection.sendall(rng.choice(lines))
            connection.shutdown(socket.SHUT_WR)
            first = connection.recv(64).split()
            return int(first[1]) if len(first) > 1 and first[1].isdigit() else 0
        except OSError:
            return 0
