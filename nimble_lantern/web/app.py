"""The Flask application: the page, its news, sound coming in, the prompter's controls."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from flask import (
    Blueprint,
    Flask,
    Response,
    current_app,
    render_template,
    request,
    send_from_directory,
)

from nimble_lantern.core.document.metrics import FAMILIES, FONTS
from nimble_lantern.core.errors import LanternError
from nimble_lantern.core.reading.hearing import from_line
from nimble_lantern.engines import LiveEngine
from nimble_lantern.engines.browser import alternatives
from nimble_lantern.engines.larger import LargerModel
from nimble_lantern.prompter import ScriptPrompter
from nimble_lantern.shell import LiveDesk
from nimble_lantern.web.fragments import Pages, classes, face
from nimble_lantern.web.listening import Gap, Listener, UnknownStream

MOST_BYTES = 4_000_000
"""A chunk, or a line for the prompter, is never larger."""
_LEAST_ROOM, _MOST_ROOM = 120.0, 4000.0
pages = Blueprint("pages", __name__)
sound = Blueprint("sound", __name__)


def create_app(
    desk: LiveDesk,
    engine: Callable[[], LiveEngine],
    pace: float = 1.0,
    model: Path | None = None,
) -> Flask:
    """The application round one live desk; `engine` is made when sound first comes."""
    from nimble_lantern.prompter import scripts_in

    app = Flask(__name__)
    app.config["MAX_CONTENT_LENGTH"] = MOST_BYTES
    desk.prompter = ScriptPrompter(desk, scripts_in(), pace)
    app.extensions["desk"] = desk
    app.extensions["pages"] = Pages()
    app.extensions["listener"] = Listener(desk, engine, LargerModel(model))
    app.register_blueprint(pages)
    app.register_blueprint(sound)
    app.register_error_handler(LanternError, lambda error: (str(error), 409))
    app.register_error_handler(413, lambda _: ("That is too much at once; send less.", 413))
    app.jinja_env.globals.update(classes=classes, face=face)
    app.after_request(_guarded)
    return app


def _desk() -> LiveDesk:
    found = current_app.extensions["desk"]
    assert isinstance(found, LiveDesk)
    return found


def _pages() -> Pages:
    found = current_app.extensions["pages"]
    assert isinstance(found, Pages)
    return found


def _guarded(response: Response) -> Response:
    # Everything ships with the application, so the page may fetch from nowhere else.
    response.headers["Content-Security-Policy"] = (
        "default-src 'self'; style-src 'self' 'unsafe-inline'; script-src 'self' 'unsafe-eval'; "
        "img-src 'self' data:; worker-src 'self'; frame-ancestors 'none'"
    )
    response.headers["Permissions-Policy"] = "microphone=(self)"
    response.headers["X-Content-Type-Options"] = "nosniff"
    if not request.path.startswith("/static"):
        response.headers["Cache-Control"] = "no-store"
    return response


@pages.before_app_request
def _same_origin() -> tuple[str, int] | None:
    """Another site's page may not write here: browsers name the origin of every POST."""
    origin = request.headers.get("Origin")
    if request.method != "GET" and origin and origin != request.host_url.rstrip("/"):
        return "This came from another site's page, so nothing was done.", 403
    return None


@pages.get("/")
def front() -> str:
    return _whole_page("desk")


@pages.get("/shelf")
def shelf() -> str:
    return _whole_page("shelf")


@pages.get("/fonts.css")
def fonts_css() -> Response:
    return Response(render_template("fonts.css", families=FAMILIES), mimetype="text/css")


@pages.get("/fonts/<name>")
def font(name: str) -> Response:
    return send_from_directory(FONTS, name, max_age=86_400)


@pages.get("/commands")
def commands() -> str:
    return _whole_page("commands")


@pages.get("/settings")
def settings() -> str:
    return _whole_page("settings")


def _whole_page(view: str) -> str:
    if request.path != "/" or _desk().scene().view != "desk":
        _desk().show(view)
    name = _pages().opened()
    return render_template("page.html", page=name, families=FAMILIES,
                           fragments=_pages().whole(name, _desk()))  # fmt: skip


def _news() -> Response:
    """What changed for the page that asks; 204 for nothing."""
    name = request.values.get("page", "")[:32]
    state = _pages().state(name)
    room = request.values.get("room", type=float)
    if room is not None and room == room:
        room = min(_MOST_ROOM, max(_LEAST_ROOM, room))
        if room != state.room:
            state.room, state.revision = room, 0
    html = _pages().news(name, _desk())
    return Response(html, status=200 if html else 204, mimetype="text/html")


@pages.get("/news")
def news() -> Response:
    return _news()


@pages.post("/lines")
def lines() -> Response:
    """A line for the prompter to say at once, as a recogniser would deliver it."""
    for line in request.form.get("line", "").splitlines():
        if line.strip():
            _desk().hear(from_line(line, source="prompter"))
    return _news()


@pages.post("/prompter")
def prompter() -> Response:
    """Start the script named `script`, or stop."""
    player = _desk().prompter
    script = request.form.get("script", "")
    if player is not None:
        if script and player.playing is None:
            player.play(script)
        else:
            player.stop()
    _desk().changed()
    return _news()


@sound.post("/streams")
def open_stream() -> dict[str, str]:
    listener: Listener = current_app.extensions["listener"]
    return {"stream": listener.open()}


@sound.post("/results")
def results() -> tuple[str, int]:
    """Words of the browser's recogniser: {"final", "alternatives"}, or the standard's {"error"}."""
    listener: Listener = current_app.extensions["listener"]
    data = request.get_json(silent=True)
    if not isinstance(data, dict):
        return "A result of the browser's recogniser is sent as JSON.", 400
    if "error" in data:
        listener.browser_failed(str(data["error"]))
    else:
        found = alternatives(data.get("alternatives"))
        listener.browser_result(found, bool(data.get("final")))
    return "", 204


@sound.get("/streams")
def streams() -> dict[str, bool]:
    """Whether any stream is listened to: after a restart, none is."""
    listener: Listener = current_app.extensions["listener"]
    return {"open": listener.is_open}


@sound.post("/streams/<stream>/<int:number>")
def chunk(stream: str, number: int) -> Response:
    """A chunk of sound; 409 tells the number wanted instead, 410 that the stream is over."""
    listener: Listener = current_app.extensions["listener"]
    try:
        wanted = listener.feed(stream, number, request.get_data())
    except UnknownStream:
        return Response("Another page listens now.", status=410)
    except Gap as gap:
        return Response(status=409, headers={"Lantern-Next": str(gap.expected)})
    answer = _news()
    answer.headers["Lantern-Next"] = str(wanted)
    return answer
