"""The `lantern` command.

Each command imports what it needs: the decoders' processes load this module, too.
"""

from __future__ import annotations

import gc
import os
import sys
import traceback
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import TYPE_CHECKING, Any

import click

from nimble_lantern.core.errors import BadInput, LanternError, WrongUse

if TYPE_CHECKING:
    from nimble_lantern.shell import LiveDesk


def main() -> None:
    """Run a command; whatever goes wrong is one plain line, never a traceback."""
    # The grammar is a hundred thousand objects, none of them garbage: look through them seldom.
    gc.set_threshold(100_000, 20, 20)
    # What a desk writes is for its owner's eyes only.
    os.umask(0o077)
    try:
        status = lantern(standalone_mode=False)
    except click.exceptions.Abort:
        _end("Stopped.", 1)
    except click.ClickException as error:
        _end(f"{error.format_message()} See “lantern --help”.", 2)
    except WrongUse as error:
        _end(str(error), 2)
    except LanternError as error:
        _end(str(error), 1)
    except BrokenPipeError:
        sys.stderr.close()
        sys.exit(1)
    except OSError as error:
        _end(f"The system said: {error.strerror or error}.", 1)
    except Exception as error:
        if os.environ.get("LANTERN_DEBUG"):
            raise
        # Where it happened, but not the error's own words: those may be the document's.
        last = traceback.extract_tb(error.__traceback__)[-1]
        where = f"{type(error).__name__} at {Path(last.filename).name}:{last.lineno}"
        _end(f"Nimble Lantern has a fault here ({where}); LANTERN_DEBUG=1 tells more.", 1)
    sys.exit(status if isinstance(status, int) else 0)


def _end(message: str, status: int) -> None:
    click.echo(" ".join(message.split()), err=True)
    sys.exit(status)


@click.group()
def lantern() -> None:
    """A writing desk for people who write by voice alone."""


PRINTED = ("markdown", "text", "html", "json")
"""What the command line prints; other formats are files."""


def playing_options(command: Callable[..., Any]) -> Callable[..., Any]:
    """The options that perform and hear share."""
    options = (
        click.option("--data", type=click.Path(path_type=Path), help="The folder of a desk."),
        click.option("--start", "start_file", type=click.Path(path_type=Path)),
        click.option("--set", "settings", multiple=True, metavar="NAME=VALUE"),
        click.option("--out", "form", type=click.Choice(PRINTED), default="markdown"),
        click.option("--trail", is_flag=True, help="Print one JSON line an utterance instead."),
    )
    for option in reversed(options):
        command = option(command)
    return command


@contextmanager
def _desk(
    data: Path | None, start_file: Path | None, settings: tuple[str, ...]
) -> Iterator[LiveDesk]:
    from nimble_lantern.core.document.model import Document
    from nimble_lantern.files import read_file
    from nimble_lantern.playing import desk_with, folder_desk

    document = None
    if start_file is not None:
        document, losses = read_file(start_file, "The start file")
        for loss in losses:
            click.echo(loss, err=True)
    values: dict[str, str] = {}
    for setting in settings:
        name, sign, value = setting.partition("=")
        if not sign:
            raise WrongUse(f"--set wants NAME=VALUE, not {setting!r}.")
        values[name] = value
    if data is None:
        yield desk_with(document or Document(), values)
        return
    with folder_desk(data, document, values) as desk:
        yield desk


@lantern.command()
@click.argument("script", required=False)
@click.option("--cases", type=click.Path(path_type=Path), help="Run every case of a JSONL file.")
@playing_options
def perform(
    script: str | None,
    cases: Path | None,
    data: Path | None,
    start_file: Path | None,
    settings: tuple[str, ...],
    form: str,
    trail: bool,
) -> None:
    """Play SCRIPT (- for standard input), and print the document."""
    from nimble_lantern.files import read_text
    from nimble_lantern.playing import run_cases, script_hearings

    if cases is not None:
        if script is not None:
            raise WrongUse("Give a script or --cases, not both.")
        for line in run_cases(read_text(cases, "The cases file").splitlines()):
            click.echo(line)
        return
    if script is None:
        raise WrongUse("Name a script to play, or - for standard input.")
    if script == "-":
        try:
            text = sys.stdin.buffer.read().decode("utf-8-sig")
        except UnicodeDecodeError as error:
            raise BadInput("Standard input is not UTF-8 text; send it as UTF-8.") from error
    else:
        text = read_text(Path(script), "The script")
    with _desk(data, start_file, settings) as desk:
        for hearing in script_hearings(text):
            desk.hear(hearing)
        _printed(desk, form, trail)


@lantern.command()
@click.argument("wav", type=click.Path(path_type=Path))
@playing_options
def hear(
    wav: Path,
    data: Path | None,
    start_file: Path | None,
    settings: tuple[str, ...],
    form: str,
    trail: bool,
) -> None:
    """Hear the speech in WAV with the built-in recogniser, and print the document."""
    from nimble_lantern.engines.builtin.files import hear_file

    with _desk(data, start_file, settings) as desk:
        begun = desk.sitting
        try:
            hear_file(wav, desk)
        except LanternError:
            # What was heard before is not lost.
            if desk.sitting is not begun:
                _printed(desk, form, trail)
            raise
        _printed(desk, form, trail)


def _printed(desk: LiveDesk, form: str, trail: bool) -> None:
    from nimble_lantern.playing import output

    text, losses = output(desk, form, trail)
    click.echo(text)
    for loss in losses:
        click.echo(loss, err=True)


@lantern.command()
@click.argument("source", metavar="IN", type=click.Path(path_type=Path))
@click.argument("target", metavar="OUT", type=click.Path(path_type=Path))
def convert(source: Path, target: Path) -> None:
    """Turn the file IN into OUT; their suffixes tell the formats."""
    from nimble_lantern.files import read_file, write_file

    document, losses = read_file(source, "The file")
    for loss in (*losses, *write_file(target, document)):
        click.echo(loss, err=True)


@lantern.command()
@click.option("--host", default="127.0.0.1", show_default=True, help="The address to serve on.")
@click.option("--port", default=8377, show_default=True, type=click.IntRange(1, 65535))
@click.option("--demo", is_flag=True, help="Put the sample world on the shelf first.")
@click.option("--data", type=click.Path(path_type=Path), help="The folder of the database.")
@click.option("--model", type=click.Path(path_type=Path), help="The folder of a larger model.")
@click.option("--key", is_flag=True, help="Ask for the key in the folder: for shared machines.")
def serve(
    host: str, port: int, demo: bool, data: Path | None, model: Path | None, key: bool
) -> None:
    """Serve the desk."""
    from nimble_lantern.web.server import run

    run(host, port, demo, data, model, key)


@lantern.group(invoke_without_command=True)
@click.pass_context
def ears(context: click.Context) -> None:
    """List what this machine can listen with, and how good each is here."""
    if context.invoked_subcommand is None:
        from nimble_lantern.engines.trying import tried

        for line in tried():
            click.echo(line)


@ears.command("get")
@click.argument("name")
@click.option(
    "--or-go-on", is_flag=True, help="Tell in one sentence if it cannot be had, and end well."
)
def get_ears(name: str, or_go_on: bool) -> None:
    """Fetch the speech model NAME (base, small)."""
    from nimble_lantern.engines import ears as models

    try:
        models.get(name, lambda line: click.echo(line, err=True))
    except BadInput as error:
        if not or_go_on:
            raise
        click.echo(f"{error} The built-in recogniser listens.", err=True)


@ears.command("add")
@click.argument("model", metavar="FOLDER", type=click.Path(path_type=Path))
def add_ears(model: Path) -> None:
    """Keep the speech model in FOLDER for the desk."""
    from nimble_lantern.engines import ears as models

    click.echo(f"The desk has the speech model {models.add(model)} now.")


@ears.command("remove")
@click.argument("name")
def remove_ears(name: str) -> None:
    """Delete a speech model from this machine."""
    from nimble_lantern.engines import ears as models

    models.remove(name)


@lantern.group(invoke_without_command=True)
@click.pass_context
def voices(context: click.Context) -> None:
    """List what this machine can read aloud with."""
    if context.invoked_subcommand is None:
        from nimble_lantern.voices import espeak, larger

        reads = larger.found()
        for name, model in larger.there().items():
            waits = "" if reads else ": needs the package piper-tts"
            click.echo(f"{name}{', reads' if model == reads else waits}")
        if espeak.found():
            click.echo("espeak-ng" + ("" if reads else ", reads"))
        elif not reads:
            click.echo("The browser's own voices, where it has any.")


@voices.command("add")
@click.argument("source", metavar="FOLDER", type=click.Path(path_type=Path))
def add_voice(source: Path) -> None:
    """Keep the voices in FOLDER (NAME.onnx and NAME.onnx.json) for the desk."""
    from nimble_lantern.voices import larger

    click.echo(f"The desk has the voice {', '.join(larger.add(source))} now.")


@voices.command("remove")
@click.argument("name")
def remove_voice(name: str) -> None:
    """Delete a voice from this machine."""
    from nimble_lantern.voices import larger

    larger.remove(name)


@lantern.group()
def words() -> None:
    """The word book as plain text, an entry a line."""


@words.command("export")
@click.argument("file", metavar="FILE|-", type=click.File("w", encoding="utf-8", atomic=True))
@click.option("--data", required=True, type=click.Path(path_type=Path), help="The desk's folder.")
def export_words(file: Any, data: Path) -> None:
    """Write the word book of a desk into FILE (- for standard output)."""
    from nimble_lantern.playing import folder_desk

    with folder_desk(data, None, {}) as desk:
        file.write(desk.sitting.word_book.to_text())


@words.command("import")
@click.argument("file", metavar="FILE", type=click.Path(path_type=Path))
@click.option("--data", required=True, type=click.Path(path_type=Path), help="The desk's folder.")
def import_words(file: Path, data: Path) -> None:
    """Add the words of FILE to the word book of a desk; all of them, or none."""
    from nimble_lantern.core.mending.word_book import from_text
    from nimble_lantern.files import read_text
    from nimble_lantern.playing import folder_desk

    text = read_text(file, "The word book")
    with folder_desk(data, None, {}) as desk:
        before = len(desk.sitting.word_book.entries)
        desk.put_word_book(from_text(text, desk.sitting.word_book))
        count = len(desk.sitting.word_book.entries)
        click.echo(f"The word book has {count} words now; it had {before}.")


DATA = click.option(
    "--data", type=click.Path(path_type=Path), help="The desk's folder, if it is not the usual one."
)


def _folder(data: Path | None) -> Path:
    from nimble_lantern.web.server import data_folder

    return data or data_folder(demo=False)


@lantern.command()
@click.argument("file", type=click.Path(path_type=Path))
@DATA
def backup(file: Path, data: Path | None) -> None:
    """Copy a desk, with all that was ever said to it, into FILE; it may be open meanwhile."""
    from nimble_lantern.store import backing
    from nimble_lantern.store.database import connect
    from nimble_lantern.store.opening import FILE

    path = _folder(data) / FILE
    if not path.exists():
        raise BadInput(f"There is no desk in {path.parent}; name its folder with --data.")
    engine = connect(path)
    try:
        backing.back_up(engine, file)
    except OSError as error:
        raise BadInput(
            f"{file} cannot be written: {error.strerror}; name another place."
        ) from error
    finally:
        engine.dispose()
    click.echo(f"The desk in {path.parent} is copied to {file}.")


@lantern.command()
@click.argument("file", type=click.Path(path_type=Path))
@DATA
def restore(file: Path, data: Path | None) -> None:
    """Put the desk of a backup in the place of the one there is; that is kept beside it."""
    from nimble_lantern.store import backing
    from nimble_lantern.store.lock import Lock
    from nimble_lantern.store.opening import FILE, open_folder

    folder = _folder(data)
    backing.restorable(file)
    lock = Lock(folder)
    try:
        kept = backing.put_back(file, folder / FILE)
        open_folder(folder)
    finally:
        lock.close()
    beside = f" What was there is {kept.name} now." if kept else ""
    click.echo(f"The desk of {file} is in {folder}.{beside}")


@lantern.command()
@DATA
def check(data: Path | None) -> None:
    """See that a desk's file is whole, and that every document is what was said."""
    from nimble_lantern.store import backing
    from nimble_lantern.store.database import connect
    from nimble_lantern.store.opening import FILE

    path = _folder(data) / FILE
    if not path.exists():
        raise BadInput(f"There is no desk in {path.parent}; name its folder with --data.")
    engine = connect(path)
    try:
        found = backing.check(engine)
    finally:
        engine.dispose()
    if found:
        raise BadInput(" ".join(found))
    click.echo(f"The desk in {path.parent} is whole.")


@lantern.command()
@click.option("--port", default=8377, show_default=True, type=click.IntRange(1, 65535))
@click.option("--demo", is_flag=True, help="Put the sample world on the shelf first.")
@DATA
def desk(port: int, demo: bool, data: Path | None) -> None:
    """Open the desk in a window of its own, listening; serve it first if nothing does."""
    from nimble_lantern.web.server import show

    show(port, demo, data)


@lantern.group()
def passages() -> None:
    """The passages as Markdown, a heading for the name of each."""


@passages.command("export")
@click.argument("file", metavar="FILE|-", type=click.File("w", encoding="utf-8", atomic=True))
@click.option("--data", required=True, type=click.Path(path_type=Path), help="The desk's folder.")
def export_passages(file: Any, data: Path) -> None:
    """Write the passages of a desk into FILE (- for standard output)."""
    from nimble_lantern.outside import passages_text
    from nimble_lantern.playing import folder_desk

    with folder_desk(data, None, {}) as desk:
        file.write(passages_text(desk.sitting.passages))


@passages.command("import")
@click.argument("file", metavar="FILE", type=click.Path(path_type=Path))
@click.option("--data", required=True, type=click.Path(path_type=Path), help="The desk's folder.")
def import_passages(file: Path, data: Path) -> None:
    """Add the passages of FILE to those of a desk; one of the same name gives way."""
    from nimble_lantern.files import read_file
    from nimble_lantern.outside import passages_of
    from nimble_lantern.playing import folder_desk

    found = passages_of(read_file(file, "The passages").document)
    if not found:
        raise BadInput(f"There are no passages in {file}: each begins with a heading, its name.")
    with folder_desk(data, None, {}) as desk:
        desk.put_passages(found)
        click.echo(f"There are {len(desk.sitting.passages)} passages now.")


@lantern.command()
@click.argument("names", nargs=-1)
def bench(names: tuple[str, ...]) -> None:
    """Measure, and print one JSON line a figure."""
    from nimble_lantern.benchmarks import run_benchmarks

    for line in run_benchmarks(names):
        click.echo(line)


@lantern.command("commands")
def print_commands() -> None:
    """Print the command reference as Markdown."""
    from nimble_lantern.core.reference import markdown

    click.echo(markdown(), nl=False)


if __name__ == "__main__":
    main()
