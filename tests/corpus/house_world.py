"""The pages, passages and shelf that the house's wordings are said to."""

from __future__ import annotations

T = (
    "Before.\n\n| Name | Kitchen | Boat |\n| --- | --- | --- |\n| Ida | 4 | 12 |\n| Nell | 10 | 3 |"
    "\n| Tom | 7 | 8 |\n\nAfter it."
)
L = (
    "The ferry leaves at noon. The stair is wet.\n\n"
    "The board met on Monday and agreed the budget. Tea was served."
)
P = {
    "sign off": "With kind regards,\n\nIda Marlowe",
    "visit": "We come on [day] at [time], [weather: rain / shine] permitting.",
    "my address": "2 Quay Lane, Saltmarsh",
}
S = {
    "Letter to the harbour board": "The stair is wet and steep.",
    "Ferry times": "Ten past eleven.",
    "Rota for June": "Ida keeps the lamp.",
}
N = ["note on the first sentence one thing", "note on the last sentence another thing"]
V = ["call this version first draft", "delete the first sentence"]
