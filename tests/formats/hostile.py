"""Files that would do harm: bombs, entities, nesting, masses, scripts, wrong names, broken ones."""

from __future__ import annotations

import io
import zipfile
from collections.abc import Callable

from nimble_lantern.formats import FORMATS, from_markdown

Make = Callable[[], bytes]
_W = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"'
_O = (
    'xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"'
    ' xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0"'
    ' xmlns:xlink="http://www.w3.org/1999/xlink"'
    ' xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0"'
)
_LAUGHS = (
    '<!DOCTYPE x [<!ENTITY a "ha">'
    + "".join(
        f'<!ENTITY {b} "{f"&{a};" * 10}">' for a, b in zip("abcdefgh", "bcdefghi", strict=True)
    )
    + "]>"
)
_OUTSIDE = '<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]>'


def _written(name: str) -> bytes:
    write = FORMATS.named(name).write
    assert write is not None
    return write(from_markdown("# A\n\nwords\n\n- item")).data


def office(more: dict[str, bytes] | None = None, name: str = "docx") -> bytes:
    """A good file with some parts put in, or in the place of others."""
    out = io.BytesIO()
    with (
        zipfile.ZipFile(io.BytesIO(_written(name))) as good,
        zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as new,
    ):
        for item in good.infolist():
            if item.filename not in (more or {}):
                new.writestr(item.filename, good.read(item.filename))
        for part, data in (more or {}).items():
            new.writestr(part, data)
    return out.getvalue()


def _word(body: str, before: str = "") -> bytes:
    text = f'<?xml version="1.0"?>{before}<w:document {_W}><w:body>{body}</w:body></w:document>'
    return office({"word/document.xml": text.encode()})


def _open(body: str, before: str = "") -> bytes:
    text = (
        f'<?xml version="1.0"?>{before}<office:document-content {_O}><office:body><office:text>'
        f"{body}</office:text></office:body></office:document-content>"
    )
    return office({"content.xml": text.encode()}, "odt")


def _deep(tag: str, levels: int) -> str:
    return f"<{tag}>" * levels + f"</{tag}>" * levels


def _locked() -> bytes:
    data = bytearray(office())
    for at in (data.find(b"PK\x03\x04"), data.find(b"PK\x01\x02")):
        data[at + (6 if data[at + 2] == 3 else 8)] |= 1
    return bytes(data)


def _half(name: str, share: float) -> Make:
    return lambda: _written(name)[: int(len(_written(name)) * share)]


HOSTILE: dict[str, tuple[str, Make]] = {
    "zip bomb in docx": (".docx", lambda: office({"word/media/a.bin": b"0" * 50_000_000})),
    "zip bomb in odt": (".odt", lambda: office({"Pictures/a": b"0" * 50_000_000}, "odt")),
    "bomb in document.xml": (".docx", lambda: _word("<w:p/>" * 900_000)),
    "bomb in content.xml": (".odt", lambda: _open("<text:p/>" * 900_000)),
    "many parts": (".docx", lambda: office({f"x/{n}": b"" for n in range(5_000)})),
    "billion laughs in docx": (".docx", lambda: _word("<w:p/>", _LAUGHS)),
    "billion laughs in odt": (".odt", lambda: _open("<text:p>&i;</text:p>", _LAUGHS)),
    "outside entity in docx": (".docx", lambda: _word("<w:p><w:r><w:t>&e;</w:t></w:r></w:p>", _OUTSIDE)),
    "outside entity in odt": (".odt", lambda: _open("<text:p>&e;</text:p>", _OUTSIDE)),
    "entity in styles": (".docx", lambda: office({"word/styles.xml": (_LAUGHS + "<x/>").encode()})),
    "entity in relations": (".docx", lambda: office({"word/_rels/document.xml.rels": (_OUTSIDE + "<x/>").encode()})),
    "deep docx": (".docx", lambda: _word(_deep("w:sdt", 10_000))),
    "deep odt": (".odt", lambda: _open(_deep("text:section", 10_000))),
    "deep lists in odt": (".odt", lambda: _open(_deep("text:list><text:list-item", 50).replace("</text:list><text:list-item>", "</text:list-item></text:list>"))),
    "deep html": (".html", lambda: b"<html>" + b"<div>" * 10_000 + b"x"),
    "deep quotes in html": (".html", lambda: b"<html>" + b"<blockquote>" * 10_000 + b"x"),
    "deep markdown": (".md", lambda: b">" * 10_000 + b" x"),
    "deep list in markdown": (".md", lambda: b"\n".join(b"  " * n + b"- x" for n in range(2_000))),
    "a million items in markdown": (".md", lambda: b"- x\n" * 1_000_000),
    "a million items in html": (".html", lambda: b"<html><ul>" + b"<li>x" * 1_000_000),
    "a million items in docx": (".docx", lambda: _word("<w:p><w:r><w:t>x</w:t></w:r></w:p>" * 200_000)),
    "a million spaces in odt": (".odt", lambda: _open('<text:p><text:s text:c="1000000000"/></text:p>')),
    "a million columns in odt": (".odt", lambda: _open('<table:table><table:table-row><table:table-cell table:number-columns-repeated="1000000000"><text:p>x</text:p></table:table-cell></table:table-row></table:table>')),
    "wide cells in docx": (".docx", lambda: _word('<w:tbl><w:tr><w:tc><w:tcPr><w:gridSpan w:val="1000000"/></w:tcPr><w:p/></w:tc></w:tr></w:tbl>')),
    "brackets in markdown": (".md", lambda: b"[" * 200_000),
    "stars in markdown": (".md", lambda: b"*a_" * 60_000),
    "backticks in markdown": (".md", lambda: b"`" * 100_000 + b" " + b"`" * 99_999),
    "angles in html": (".html", lambda: b"<html>" + b"<" * 300_000),
    "attributes in html": (".html", lambda: b"<html><p " + b"a=b " * 200_000 + b">x</p>"),
    "large text": (".txt", lambda: b"word " * 5_000_000),
    "large html": (".html", lambda: b"<html>" + b"word " * 5_000_000),
    "large docx": (".docx", lambda: office() + b"0" * 25_000_000),
    "script in html": (".html", lambda: b"<html><script>SECRET</script>x"),
    "handler in html": (".html", lambda: b'<html><p onclick="SECRET()">x</p>'),
    "style in html": (".html", lambda: b"<html><style>SECRET</style><p style='background:url(javascript:SECRET)'>x"),
    "script link in html": (".html", lambda: b'<html><a href="java&#115;cript:SECRET()">x</a>'),
    "data link in html": (".html", lambda: b'<html><a href="data:text/html,SECRET">x</a>'),
    "frame in html": (".html", lambda: b'<html><iframe srcdoc="SECRET"></iframe>x'),
    "picture in html": (".html", lambda: b'<html><img src="http://127.0.0.1:1/SECRET">x'),
    "svg in html": (".html", lambda: b"<html><svg><script>SECRET</script></svg>x"),
    "meta in html": (".html", lambda: b'<html><meta http-equiv="refresh" content="0;url=http://127.0.0.1:1/">x'),
    "script link in markdown": (".md", lambda: b"[x](javascript:alert)"),
    "script in markdown": (".md", lambda: b"<img src=x onerror=alert(1)>\n\ntext"),
    "script link in docx": (".docx", lambda: office({"word/_rels/document.xml.rels": b'<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/hyperlink" Target="javascript:x" TargetMode="External"/></Relationships>'})),
    "script link in odt": (".odt", lambda: _open('<text:p><text:a xlink:href="javascript:x">x</text:a></text:p>')),
    "outside template in docx": (".docx", lambda: office({"word/_rels/document.xml.rels": b'<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/attachedTemplate" Target="http://127.0.0.1:1/x" TargetMode="External"/></Relationships>'})),
    "macros in docx": (".docx", lambda: office({"word/vbaProject.bin": b"x"})),
    "macros in odt": (".odt", lambda: office({"Basic/Standard/script-lb.xml": b"<x/>"}, "odt")),
    "outside the folder": (".docx", lambda: office({"../../escaped.txt": b"SECRET"})),
    "control signs in names": (".docx", lambda: office({"a\x01b": b"x"})),
    "control signs in text": (".txt", lambda: bytes(range(32)) * 100),
    "no text at all": (".txt", lambda: b"\xff\xfe\x00\x00" * 100),
    "half a docx": (".docx", _half("docx", 0.5)),
    "nearly a docx": (".docx", _half("docx", 0.98)),
    "half an odt": (".odt", _half("odt", 0.5)),
    "an empty docx": (".docx", lambda: b""),
    "an empty zip": (".odt", lambda: b"PK\x05\x06" + b"\0" * 18),
    "a picture called docx": (".docx", lambda: b"\x89PNG\r\n\x1a\n" + b"\0" * 400),
    "an old doc": (".docx", lambda: b"\xd0\xcf\x11\xe0\xa1\xb1\x1a\xe1" + b"\0" * 600),
    "odt called docx": (".docx", lambda: _written("odt")),
    "docx called odt": (".odt", lambda: _written("docx")),
    "a locked docx": (".docx", _locked),
    "no document in docx": (".docx", lambda: _zip({"a.txt": b"x"})),
    "no text in odt": (".odt", lambda: _zip({"content.xml": b"<x/>"})),
    "broken xml in docx": (".docx", lambda: office({"word/document.xml": b"<w:document"})),
    "broken xml in odt": (".odt", lambda: office({"content.xml": b"<office"}, "odt")),
    "broken styles in odt": (".odt", lambda: office({"styles.xml": b"\xff\xff"}, "odt")),
    "other xml in docx": (".docx", lambda: office({"word/document.xml": b"<x><y/></x>"})),
    "numbers that are none": (".docx", lambda: _word('<w:p><w:pPr><w:numPr><w:ilvl w:val="x"/><w:numId w:val="y"/></w:numPr></w:pPr></w:p>')),
    "an endless style": (".odt", lambda: office({"content.xml": f'<?xml version="1.0"?><office:document-content {_O} xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0"><style:style style:name="a" style:family="paragraph" style:parent-style-name="a"/><office:body><office:text><text:p text:style-name="a">x</text:p></office:text></office:body></office:document-content>'.encode()}, "odt")),
}  # fmt: skip
"""By what they try: the suffix, and what makes the file."""


def _zip(parts: dict[str, bytes]) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as new:
        for name, data in parts.items():
            new.writestr(name, data)
    return out.getvalue()
