"""The Flask application: the page, its news, sound coming in, the prompter's controls."""

from __future__ import annotations

import sys
import traceback
from collections.abc import Callable
from pathlib import Path
from typing import Any

from flask import (
    Blueprint,
    Flask,
    Response,
    current_app,
    redirect,
    render_template,
    request,
    send_from_directory,
)
from werkzeug.exceptions import HTTPException
from werkzeug.wrappers import Response as BaseResponse

from nimble_lantern.core.controls import controls
from nimble_lantern.core.document.metrics import FAMILIES, FONTS
from nimble_lantern.core.errors import BadInput, LanternError
from nimble_lantern.core.reading.hearing import MOST_WORDS, from_line, well_formed
from nimble_lantern.core.state import View
from nimble_lantern.engines import LiveEngine
from nimble_lantern.engines.browser import alternatives
from nimble_lantern.engines.larger import LargerModel
from nimble_lantern.engines.pcm import RATE
from nimble_lantern.formats.report import sitting_data
from nimble_lantern.prompter import ScriptPrompter
from nimble_lantern.shell import LiveDesk
from nimble_lantern.web.fragments import Pages, classes, face
from nimble_lantern.web.guard import protect
from nimble_lantern.web.listening import Gap, Listener, UnknownStream, new_stream

MOST_SECONDS = 2.0
"""Of sound in one chunk."""
_LEAST_ROOM, _MOST_ROOM = 120.0, 4000.0
_LATEST = 1e15
_MOST_SAMPLES = 10**12
pages = Blueprint("pages", __name__)
sound = Blueprint("sound", __name__)


def create_app(
    desk: LiveDesk,
    engine: Callable[[], LiveEngine],
    pace: float = 1.0,
    model: Path | None = None,
    host: str = "127.0.0.1",
    key: str | None = None,
) -> Flask:
    """The application round one live desk; `engine` is made when sound first comes."""
    from nimble_lantern.prompter import scripts_in

    app = Flask(__name__)
    desk.prompter = ScriptPrompter(desk, scripts_in(), pace)
    app.extensions["desk"] = desk
    app.extensions["pages"] = Pages()
    app.extensions["listener"] = Listener(desk, engine, LargerModel(model) if model else None)
    protect(app, host, key)
    app.register_blueprint(pages)
    app.register_blueprint(sound)
    app.register_error_handler(Exception, _answered)
    app.jinja_env.globals.update(classes=classes, face=face)
    return app


def _answered(error: Exception) -> tuple[str, int]:
    """Whatever went wrong, in one sentence."""
    match error:
        case BadInput():
            return str(error), 400
        case LanternError():
            return str(error), 503
        case HTTPException(code=413):
            return "That is too much at once; send less.", 413
        case HTTPException(code=404):
            return "There is no such page here; the desk is at /.", 404
        case HTTPException(code=int() as code, description=text):
            return str(text), code
    traceback.print_exception(error, file=sys.stderr)
    return "The desk has a fault here; load the page again, or say “undo that”.", 500


def _desk() -> LiveDesk:
    found = current_app.extensions["desk"]
    assert isinstance(found, LiveDesk)
    return found


def _pages() -> Pages:
    found = current_app.extensions["pages"]
    assert isinstance(found, Pages)
    return found


def _listener() -> Listener:
    found = current_app.extensions["listener"]
    assert isinstance(found, Listener)
    return found


@pages.get("/")
def front() -> str:
    name, whole, stamp = _pages().opened(_desk())
    return render_template("page.html", page=name, shows=stamp, families=FAMILIES, fragments=whole)


@pages.get("/<any(shelf, settings, commands, passages, practice, figures):view>")
def elsewhere(view: str) -> BaseResponse:
    """Which view is shown is the speaker's choice: an address does not change it."""
    return redirect("/")


@pages.get("/state")
def state() -> dict[str, Any]:
    """The desk as JSON: the document as `perform --out json` prints it, and what is shown."""
    desk = _desk()
    with desk.lock:
        sitting = desk.sitting
        found = sitting_data(sitting)
        return {
            **found,
            "lamp": sitting.lamp,
            "title": sitting.title,
            "shelf": list(sitting.shelf),
        }


@pages.get("/fonts.css")
def fonts_css() -> Response:
    return Response(render_template("fonts.css", families=FAMILIES), mimetype="text/css")


@pages.get("/fonts/<name>")
def font(name: str) -> Response:
    return send_from_directory(FONTS, name, max_age=86_400)


def _number(name: str, least: float, most: float, usual: float) -> float:
    """A number among the request's values; the usual one for none or for what is no number."""
    found = request.values.get(name, type=float)
    if found is None or found != found:
        return usual
    return min(most, max(least, found))


def _news() -> Response:
    """What the page that asks does not show yet; 204 for nothing."""
    name = request.values.get("page", "")[:32]
    room = _number("room", 0.0, _MOST_ROOM, 0.0)
    shows = int(_number("shows", 0.0, 1e18, 0.0))
    html, stamp = _pages().news(name, _desk(), shows, max(room, _LEAST_ROOM) if room else None)
    answer = Response(html, status=200 if html else 204, mimetype="text/html")
    answer.headers["Lantern-Shows"] = str(stamp)
    return answer


@pages.get("/news")
def news() -> Response:
    return _news()


@pages.post("/view")
def view() -> Response:
    """Show another view, as if it had been asked for by voice."""
    wanted = request.form.get("view", "")
    if wanted not in list(View):
        raise BadInput(f"There is no such view; there are {', '.join(View)}.")
    _desk().show(View(wanted))
    return _news()


@pages.post("/lines")
def lines() -> Response:
    """A line for the prompter to say at once, as a recogniser would deliver it.

    202 if what was said is held in memory, as it could not be written to the disk.
    """
    text = request.form.get("line", "")
    if len(text.split()) > MOST_WORDS:
        raise BadInput(f"An utterance has at most {MOST_WORDS:,} words; send them in parts.")
    for line in text.splitlines():
        if line.strip():
            _desk().hear(from_line(line, source="prompter"))
    answer = _news()
    if _desk().holding:
        answer.status_code = 202
    return answer


@pages.get("/aloud/<int:number>/<int:piece>")
def aloud(number: int, piece: int) -> Response:
    """The sound of a piece of what is read aloud, with the times of its words in Lantern-Words."""
    speaker = _desk().speaker
    found = speaker.sound(number, piece) if speaker is not None else None
    if found is None:
        return Response("That is not read aloud any more.", status=404)
    answer = Response(found.wav, mimetype="audio/wav")
    answer.headers["Lantern-Words"] = ",".join(f"{t:.3f}" for t in found.words)
    return answer


@pages.post("/spoken")
def spoken() -> Response:
    """How far a page has come with reading aloud: the piece, the word in it, whether it is done.

    With "begins", when it will begin to play that piece, in seconds of its sound's clock.
    """
    most = 1e9
    number, sentence, word = (int(_number(n, 0, most, 0)) for n in ("number", "sentence", "word"))
    if request.values.get("begins"):
        _desk().begins(number, sentence, _number("begins", 0, most, 0))
    else:
        _desk().spoken(number, sentence, word, bool(request.values.get("done")))
    return _news()


@pages.get("/prints/<int:number>.pdf")
def print_pdf(number: int) -> Response:
    """A print of the tray as it is on paper, counted from 1, the newest first."""
    found = _desk().prints()
    if not 1 <= number <= len(found):
        return Response("There is no such print in the tray.", status=404)
    return Response(found[number - 1].pdf, mimetype="application/pdf")


@pages.post("/controls")
def press() -> Response:
    """Do what pressing the control of this `name` does: as if its words had been said."""
    desk = _desk()
    name = request.form.get("name", "")
    found = [c for c in controls(desk.sitting, desk.playing) if c.name == name]
    if not found:
        raise BadInput("There is no such control here now.")
    desk.hear(from_line(found[0].says, source="control"))
    return _news()


def _json() -> dict[str, Any]:
    """The request's JSON object; BadInput for anything else."""
    try:
        data = request.get_json(force=True, silent=True)
    except RecursionError:
        data = None
    if not isinstance(data, dict):
        raise BadInput("What is sent here is a JSON object.")
    return data


@sound.post("/streams")
def open_stream() -> dict[str, Any]:
    """Begin a stream: {"stream", "from", "time", "lost"}, or nothing at all for a new one.

    "from" is the first sample the page still has, "time" when it was spoken (ms), "lost" how many
    seconds it could not keep.  "listens" tells whether this page is listened to, "next" the sample
    that is wanted first.
    """
    data = _json() if request.get_data() else {}
    name = well_formed(str(data.get("stream") or new_stream()))[:64]
    start = _whole(data.get("from"), _MOST_SAMPLES)
    at = float(_whole(data.get("time"), int(_LATEST)))
    wanted = _listener().open(name, start, at)
    if wanted is None:
        return {"stream": name, "listens": False}
    if (seconds := _whole(data.get("lost"), 86_400)) > 0:
        _listener().lost(seconds)
    return {"stream": name, "listens": True, "next": wanted}


def _whole(value: object, most: int) -> int:
    if not isinstance(value, (int, float)) or value != value:
        return 0
    return int(min(most, max(0, value)))


@sound.post("/streams/<stream>/end")
def end_stream(stream: str) -> tuple[str, int]:
    """Its page is closed."""
    _listener().close_stream(stream)
    return "", 204


@sound.get("/streams")
def streams() -> dict[str, bool]:
    """Whether any stream is listened to: after a restart, none is."""
    return {"open": _listener().is_open}


@sound.post("/results")
def results() -> tuple[str, int]:
    """Words of the browser's recogniser: {"final", "alternatives"}, or the standard's {"error"}."""
    data = _json()
    if "error" in data:
        _listener().browser_failed(well_formed(str(data["error"])[:80]))
    else:
        found = alternatives(data.get("alternatives"))
        _listener().browser_result(found, bool(data.get("final")))
    return "", 204


@sound.post("/streams/<stream>/<int:start>")
def chunk(stream: str, start: int) -> Response:
    """A chunk of sound that begins at sample `start`, with the `time` when it was spoken.

    409 tells by Lantern-Next which sample is wanted instead, 410 that the stream is over; otherwise
    Lantern-Next and Lantern-Kept say how to go on.
    """
    data = request.get_data()
    if len(data) > MOST_SECONDS * RATE * 2:
        return Response("A chunk has at most two seconds of sound.", status=413)
    try:
        heard = _listener().feed(stream, start, data, _number("time", 0.0, _LATEST, 0.0))
    except UnknownStream:
        return Response("Another page listens now, or none.", status=410)
    except Gap as gap:
        return Response(status=409, headers={"Lantern-Next": str(gap.expected)})
    answer = _news()
    answer.headers["Lantern-Next"] = str(heard.wanted)
    answer.headers["Lantern-Kept"] = str(heard.kept)
    return answer
