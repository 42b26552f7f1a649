"""Who may ask, and how much: hosts, origins, the key, the size of what comes in."""

from __future__ import annotations

import hmac
import ipaddress
import re
import secrets
import socket
from pathlib import Path

from flask import Flask, Response, current_app, redirect, request
from markupsafe import escape
from werkzeug.wrappers import Response as BaseResponse

from nimble_lantern.store.database import PRIVATE_FILE

MOST_BYTES = 128_000
"""Of any request: a chunk of two seconds of sound has half of that."""
KEY_FILE = "lantern.key"
COOKIE = "lantern_key"
_LOOPBACK = ("127.0.0.1", "localhost", "::1")
_ANY = ("0.0.0.0", "::", "")
_PORT = re.compile(r":\d+$")
_POLICY = (
    "default-src 'self'; style-src 'self' 'unsafe-inline'; script-src 'self'; worker-src 'self'; "
    "img-src 'self' data:; object-src 'none'; base-uri 'none'; form-action 'self'; "
    "frame-ancestors 'none'"
)


def protect(app: Flask, host: str = "127.0.0.1", key: str | None = None) -> None:
    """Turn away whatever has no business here; `host` is the address that is served."""
    app.config["MAX_CONTENT_LENGTH"] = MOST_BYTES
    app.config["MAX_FORM_MEMORY_SIZE"] = MOST_BYTES
    app.config["LANTERN_HOST"], app.config["LANTERN_KEY"] = host, key
    app.before_request(_checked)
    app.after_request(_guarded)


def key_of(folder: Path) -> str:
    """The key that stands in a folder, made when it is first asked for."""
    path = folder / KEY_FILE
    if not path.exists():
        path.touch(PRIVATE_FILE)
        path.write_text(secrets.token_urlsafe(24) + "\n", encoding="ascii")
    path.chmod(PRIVATE_FILE)
    return path.read_text(encoding="ascii").strip()


def _checked() -> tuple[str, int] | BaseResponse | None:
    if not known_host(request.headers.get("Host", ""), current_app.config["LANTERN_HOST"]):
        return "This address is not served here; open the one that was printed at the start.", 400
    if request.method not in ("GET", "HEAD", "OPTIONS") and not _same_origin():
        return "This came from another site's page, so nothing was done.", 403
    return _with_key()


def known_host(header: str, served: str) -> bool:
    """Whether a Host header names this desk, and not a name that only leads here.

    A name of another site can be made to lead to this machine, an address cannot: so where all of
    the machine's addresses are served, any address will do, and of names this machine's own.
    """
    name = _PORT.sub("", header.strip().lower()).strip("[]")
    if name in _LOOPBACK or name == served.lower():
        return True
    if served not in _ANY:
        return False
    try:
        ipaddress.ip_address(name)
    except ValueError:
        return name in {socket.gethostname().lower(), socket.getfqdn().lower()}
    return True


def _same_origin() -> bool:
    """Every browser says of a POST where it comes from, by one of these headers at least.

    What says nothing is no page of another site: a script on this machine, for instance.
    """
    site, origin = request.headers.get("Sec-Fetch-Site"), request.headers.get("Origin")
    if site is not None and site not in ("same-origin", "none"):
        return False
    return origin is None or origin == request.host_url.rstrip("/")


def _with_key() -> tuple[str, int] | BaseResponse | None:
    key = current_app.config["LANTERN_KEY"]
    if key is None or request.path.startswith("/static/"):
        return None
    given = request.headers.get("Lantern-Key") or request.cookies.get(COOKIE) or ""
    if hmac.compare_digest(given.encode(), key.encode()):
        return None
    asked = request.args.get("key", "")
    if request.method == "GET" and hmac.compare_digest(asked.encode(), key.encode()):
        answer = redirect(request.path)
        answer.set_cookie(COOKIE, key, httponly=True, samesite="Strict", max_age=31_536_000)
        return answer
    return (
        "This desk asks for its key: open the address that was printed when it started; the key "
        f"stands in its folder, in {escape(KEY_FILE)}.",
        403,
    )


def _guarded(response: Response) -> Response:
    # Everything ships with the application, so the page may fetch from nowhere else.
    response.headers["Content-Security-Policy"] = _POLICY
    response.headers["Permissions-Policy"] = "microphone=(self)"
    response.headers["X-Content-Type-Options"] = "nosniff"
    response.headers["Referrer-Policy"] = "no-referrer"
    if not request.path.startswith("/static"):
        response.headers["Cache-Control"] = "no-store"
    return response
