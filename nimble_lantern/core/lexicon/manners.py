"""What makes a request polite or hesitant, and changes nothing in what is asked."""

from __future__ import annotations

LEADS = tuple(
    tuple(lead.split())
    for lead in (
        "please", "can you please", "could you please", "can you", "could you", "would you",
        "i would like to", "i'd like to", "i would like you to", "i want to", "i want you to",
        "let us", "let's", "now", "then", "okay", "ok", "no", "well", "right", "so", "just",
        "and now", "and then", "oh", "sorry", "no wait", "wait", "actually", "go on and",
        "go ahead and",
    )
)  # fmt: skip
"""Before a request."""
TAILS = (("please",), ("for", "me"), ("thank", "you"), ("thanks",), ("instead",), ("now",))
"""After a request."""
