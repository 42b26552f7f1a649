"""Sixty everyday tasks at the desk with the sample world, in the order of a day.

Each is a sentence of what somebody wants, the words in which it was said, and what is there when it
is done.  The words were written down before they were first said.  `least` is how many utterances
it takes at best, one for each thing wanted; what had to be said besides is effort.
"""

from __future__ import annotations

from dataclasses import dataclass

from nimble_lantern.core.state import Sitting
from nimble_lantern.formats import to_markdown


@dataclass(frozen=True, slots=True)
class Task:
    """What is wanted, what is said for it, and what is then in the text, gone from it, or seen.

    `holds` and `gone` are of the Markdown, `view` of the state, `shown` of the page in the browser.
    Those that are `heard` are also done by sound, one after the other.
    """

    wanted: str
    says: tuple[str, ...]
    holds: tuple[str, ...] = ()
    gone: tuple[str, ...] = ()
    view: str = "desk"
    shown: str = ""
    least: int = 1
    heard: bool = False


TASKS = (
    Task(
        "say that both keepers were hurt",
        ("change one of them was off his feet to both were off their feet",),
        ("and both were off their feet until March",),
    ),
    Task(
        "put the number of steps right",
        ("it should be forty steps not thirty eight",),
        ("40 steps",),
        gone=("38",),
    ),
    Task("make the sum stand out", ("put the price in bold",), ("**£2,450**",)),
    Task(
        "add that the joiner could begin in May",
        ("go to the end of the paragraph about the timber", "he could begin in may full stop"),
        ("£2,450**. He could begin in May.",),
        least=2,
    ),
    Task("take that sentence back", ("take that back",), gone=("begin in May",)),
    Task("and have it after all", ("no put it back please",), ("He could begin in May.",)),
    Task(
        "leave out where he lives",
        ("delete of quay lane",),
        ("Fenwick has",),
        gone=("Quay Lane",),
        heard=True,
    ),
    Task(
        "thank them before the sign off",
        ("new paragraph before yours faithfully", "we thank you for your patience full stop"),
        ("We thank you for your patience.\n\nYours faithfully",),
        least=2,
    ),
    Task("sign it as the chair", ("replace secretary with chair",), ("Marlowe, chair",)),
    Task(
        "have the date at the top right",
        (
            "new paragraph after the heading",
            "the second of may twenty twenty six",
            "put this on the right",
        ),
        ("The second of May 2026",),
        least=3,
    ),
    Task("hear how many words it has", ("how many words is that",), shown="words"),
    Task(
        "ask ida about the lease in the margin",
        ("margin note on lease of nineteen eighty seven is this the right year",),
        shown="Is this the right year",
    ),
    Task("settle the note", ("the first note is settled",), shown="settled"),
    Task(
        "keep the letter as it is now",
        ("call this version ready to send",),
        shown="ready to send",
        heard=True,
    ),
    Task(
        "move the part about the money up",
        ("move the paragraph about the timber before the paragraph about the lease",),
        ("until March.\n\nThe Trust can give",),
    ),
    Task(
        "no, leave the order as it was",
        ("undo that",),
        ("until March.\n\nThe stair belongs",),
        heard=True,
    ),
    Task(
        "see what was changed since the morning",
        ("compare with ready to send",),
        shown="nothing has changed",
    ),
    Task("stop comparing", ("stop comparing",)),
    Task("print two copies", ("print two copies of this",), shown="2", heard=True),
    Task(
        "look whether it went out",
        ("show the print tray",),
        view="print_tray",
        shown="Letter to the harbour board",
        heard=True,
    ),
    Task(
        "go on with the notice",
        ("open the notice about the open day",),
        ("Open day at the lighthouse",),
    ),
    Task(
        "move it to another date",
        ("change the thirteenth of june to the twentieth of june",),
        ("20 June",),
        gone=("13 June",),
    ),
    Task(
        "say what to bring at the end of that list",
        ("new item after an adult", "bring a torch"),
        ("- Bring a torch",),
        least=2,
    ),
    Task("put the list in steps", ("make the list numbered",), ("1. Ferry from the quay",)),
    Task("rather have the bullets", ("make it bullets again",), ("- Ferry from the quay",)),
    Task("drop the line about children", ("delete the item about children",), gone=("Children",)),
    Task("write nothing in capitals", ("put nothing in capitals",), ("NOTHING.",)),
    Task("put the roof in quotes", ("put quotes round the roof",), ("‘the roof’",)),
    Task(
        "make the last heading clearer",
        ("change what it costs to what you pay",),
        ("## What you pay",),
    ),
    Task(
        "have the opening hours larger",
        ("make half past ten until four o'clock bigger",),
        ("font-size: 14pt",),
    ),
    Task("find the rota", ("show the shelf", "open the rota"), ("Rota for June",), heard=True),
    Task(
        "put the new keeper into another week",
        ("in week two put wren castle under boat", "capitalise castle"),
        ("| Wren Castle |",),
    ),
    Task(
        "another week",
        ("add a row at the bottom", "five", "next", "wren castle"),
        ("| 5 | Wren Castle |",),
        least=3,
    ),
    Task("a column less", ("delete the kitchen column",), gone=("Kitchen",), heard=True),
    Task(
        "sort it by who keeps the lamp",
        ("sort the table by lamp",),
        ("| 1 | Ida Marlowe |",),
        heard=True,
    ),
    Task(
        "go on below the table",
        ("go below the table", "swap freely but tell nell full stop"),
        ("Swap freely but tell Nell.",),
        least=2,
    ),
    Task(
        "begin a letter to the oil merchant",
        ("new document called oil for the winter",),
        shown="Oil for the winter",
    ),
    Task("put our address on it", ("insert our address",), ("2 Quay Lane",), heard=True),
    Task("greet him", ("new paragraph dear mr castle comma",), ("Dear Mr Castle,",)),
    Task(
        "say what we need",
        ("new paragraph we need two hundred litres of oil by the end of september full stop",),
        ("200 litres of oil by the end of September.",),
    ),
    Task("put a misheard word right", ("change litres to barrels",), ("200 barrels",)),
    Task(
        "spell the name of the boat",
        ("it is to come with the", "spell a word", "capital s e a capital p i e", "that is it"),
        ("It is to come with the SeaPie",),
        least=3,
    ),
    Task("sign off", ("new paragraph", "sign off"), ("With kind regards",)),
    Task("save it as a word document", ("save this as a word document",), shown="docx", heard=True),
    Task(
        "see how it looks on paper",
        ("show me how it prints",),
        view="print_tray",
        shown="Oil for the winter",
    ),
    Task("go back to writing", ("back to the desk",), heard=True),
    Task(
        "find what was written about the cat",
        ("find the letter about the cat",),
        view="shelf",
        shown="cat",
    ),
    Task("open the one that was found", ("open number one",), ("who feeds the cat",)),
    Task(
        "name the keeper of the cat",
        ("change the ferry crew to the kitchen crew",),
        ("The kitchen crew will be asked",),
    ),
    Task("read the last paragraph aloud", ("read me the last paragraph",), shown="reading"),
    Task("quiet again", ("stop reading",)),
    Task(
        "have a name written rightly from now on",
        ("add mara tarrow to the word book",),
        shown="Mara Tarrow",
    ),
    Task("dark paper for the evening", ("i would like dark paper",), shown="dark"),
    Task("larger letters on the screen", ("make everything on the screen larger",), shown="larger"),
    Task("know what can be said about tables", ("what can i say about tables",), shown="table"),
    Task("back to the text", ("back to the desk",), heard=True),
    Task("put the newsletter away", ("put the newsletter away",), shown="newsletter", heard=True),
    Task("get it back", ("bring the newsletter back",), shown="newsletter", heard=True),
    Task("rest for tea", ("stop listening",), shown="resting", heard=True),
    Task("and wake it again", ("start listening",), shown="listening", heard=True),
)


def missing(task: Task, sitting: Sitting) -> list[str]:
    """What of a task's end is not there yet."""
    markdown = to_markdown(sitting.document)
    found = [f"no {words!r}" for words in task.holds if words not in markdown]
    found += [f"still {words!r}" for words in task.gone if words in markdown]
    return found if sitting.view == task.view else [*found, f"on the {sitting.view}"]
