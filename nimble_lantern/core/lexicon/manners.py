"""What makes a request polite or hesitant, and changes nothing in what is asked."""

from __future__ import annotations

FILLERS = frozenset("um uh er erm uhm hmm hm mm".split())
"""Sounds of thinking; anywhere in a request they say nothing."""


def _phrases(*lines: str) -> tuple[tuple[str, ...], ...]:
    """Each phrase as words, the longest first."""
    found = {tuple(phrase.split()) for line in lines for phrase in line.split(",")}
    return tuple(sorted(found, key=lambda words: (-len(words), words)))


LEADS = _phrases(
    "good morning, good afternoon, good evening",
    "please, do please, kindly, please kindly, if you would, if you please, if you can, oh, ah",
    "can you, could you, would you, will you, can you please, could you please, would you please",
    "i should be glad if you would, i should be glad if you could, i would be glad if you would",
    "i'd be glad if you would, i'd be glad if you'd, i would be grateful if you would",
    "i would be grateful if you could, i'd be grateful if you would, i'd be grateful if you'd",
    "i should be grateful if you would, i'd be pleased if you would, i'd love you to",
    "i would love you to, i'd be happy if you would, it would be nice if you would",
    "it would be good if you could, i'd prefer you to, i'd rather you, please to",
    "might i trouble you to, may i trouble you to, could i trouble you to, can i trouble you to",
    "i'm afraid, i am afraid, please you, i'd be obliged if you would, be good enough to",
    "ah wait, oh wait, um well",
    "is it possible to, would it be possible to, might you, do you think you could",
    "could i ask you to, can i ask you to, may i ask you to, can i get you to, i'd ask you to",
    "would you mind, do you mind, would you be so kind as to, be so kind as to, would you be"
    " able to, would you be so good as to, be so good as to",
    "can i, could i, may i, might i, can we, could we, may we, might we, shall we, let me, let us",
    "let's, now can we, i want to, i would like to, i'd like to, i should like to, i wish to",
    "go on, go on then, go on and, go ahead and, try to, go and, be a dear and, be a love and,"
    " my dear",
    "now, then, okay, ok, no, no no, well, right, right then, so, just, and, and now, and"
    " then, now then",
    "sorry, i'm sorry, i am sorry, no wait, wait, actually, oh dear, oh no, oh well, hang on",
    "hold on, no sorry",
    "if you don't mind, if you wouldn't mind, i've made a mistake, i have made a mistake",
    "i made a mistake, i've got that wrong, i got that wrong, oh dear oh dear",
    "that's lovely, that's great, that's nice, that's perfect, that's good, that's better",
    "i beg your pardon, beg your pardon, pardon, excuse me, pardon me, yes, yes please, all right",
    "tell you what, ooh, right so, why not, oh right, that was wrong, that was a mistake,"
    " that's a mistake, my mistake, that's wrong, that is wrong, that's not right, never mind",
    "forget all this and, forget all that and, forget this and, forget that and, i was wrong"
    ", i changed my mind, i've changed my mind, i have changed my mind",
    "i didn't mean to go here, i did not mean to go here, i didn't want to go here, not here"
    ", i didn't mean to do that, i didn't mean to, i don't want to be here",
    "that wasn't right, that was not right, that isn't right, that is not right, that's no good,"
    " that was no good, that's not what i said, that is not what i said, that didn't work,"
    " that wasn't it, that's not how i want it, i don't want that",
    "that's not what i wanted, that is not what i wanted, that's not what i meant, that's not it",
    "oops, whoops, correction",
    "where were we, you know what, i tell you what, ah yes, oh yes, yes well, nah, nope, i like to",
    "let's see, let me see, now let's see, well now, i don't suppose you could, right let's see",
    "in fact, come to think of it, on second thoughts, on second thought, no that's silly,"
    " that's silly, hang on a minute, by the way, while we are at it, while you are at it,"
    " while we're at it, while you're at it",
    "no way, goodness, good grief, bother, oh bother, drat, damn, blast, hmm no, thank you, thanks",
    "many thanks, lovely, great, good, fine, perfect, brilliant, splendid",
    "excellent, on reflection, thinking about it, now i think of it, now that i think of it, do you"
    " know, is there a way of, is there a way to, is there any way of, is there any way to",
    "i wonder if you could, i wonder whether you could, i wonder if we could, if you could",
    "if we could, i was wondering if you could",
    "finally, lastly, and finally, and lastly, one more thing, i nearly forgot, i almost forgot",
    "before i forget, i think we're finished, i think we're done, i think that's it, that's done"
    ", that is done, that's that, that's all done",
    "next, first, also, again, quickly, simply, perhaps, maybe, hey, hello, computer, desk",
)
"""Before a request, one after another: "okay now could you please just"."""
STATEMENTS = _phrases(
    "i think we might, i think we can, i think we could, i think we should, i think you can",
    "i think you should, i think i will, i think i'll, i think i should, i think",
    "we can, we could, we should, we might, we must, we will, we'll, we have to, we've got to",
    "i can, i could, i should, i will, i'll, i might, i must, i have to, i've got to, i ought to",
    "you can, you could, you should, you must, you might, we ought to, i was going to, i meant to",
    "i'm going to, i am going to, we're going to, we are going to, remember to, don't forget to",
    "we'd better, i'd better, you'd better, we had better, better, make sure to, it's time to",
)
"""Before what is thought aloud, and is as likely a sentence: "i think we should", "i will"."""
MUSINGS = STATEMENTS + _phrases(
    "i want you to, i need to, i need you to, we need to, i would like you to, i'd like you to",
    "i should like you to, help me, help me to, how about we, how about i, what if we",
    "would you mind if we, would you mind if i, do you mind if we, do you mind if i, what if i",
    "why don't we, why don't you, why don't i, i'd rather, i would rather, i'd sooner",
)
"""These, and what comes before a wish that somebody else may be asked as well."""
TAILS = _phrases(
    "please, for me, thank you, thanks, thank you very much, thanks very much, thank you so much",
    "instead, now, right now, straight away, at once, will you, would you, could you, can you",
    "would you please, will you please, if you would, if you please, if you can, if you could",
    "if that is possible, if that's possible, if it's possible, if it is possible, if you wouldn't"
    " mind, when you can, if that's all right, if that's okay",
    "if you don't mind, if possible, if you like, my dear, dear, okay, ok, all right, too, as well",
    "for emphasis, don't you think, don't you, do you think, if you would be so kind",
    "instead of the dots, instead of the bullets, instead of the numbers, instead of dots",
    "we don't need it, we don't need it any more, i don't need it, i don't want it,"
    " it's not needed, it is not needed, i don't like it, it's wrong, it is wrong",
    "please love, please darling, please mate, there's a dear, there's a love",
    "if i may, if we may, if you'd be so kind, i suppose, perhaps",
    "that's fine, that is fine, that's enough, that's all right, that will do, that'll do",
    "in this one, in this letter, in this document, in this text",
    "completely, entirely, altogether, that is, there please, again, once more",
    "a bit, a little, a little bit, a bit more, actually, really",
    "while you're at it, while you are at it, while we're at it, while we are at it",
    "there, up there, down there, then, after all, i think, will you please, can you please,"
    " quickly, sorry, just now, for now, for the moment, for the time being",
)
"""After a request, one after another: "for me please"."""
WISHES = tuple(
    (phrase, to)
    for to, phrases in (
        (
            (),
            _phrases(
                "could, can, may, might, let, have, see that, make sure, make sure that,"
                " see to it that, i want that, i would like that, i'd like that, i wish that"
            ),
        ),
        (
            ("to",),
            _phrases(
                "i'd like, i would like, i want, i should like, i need, we want, i'd prefer, i"
                " prefer"
                ", we'd like, i wish, i would prefer"
            ),
        ),
        (
            ("show", "me"),
            _phrases(
                "can i see, could i see, may i see, can i hear, could i hear, may i hear, can we"
                " see"
                ", could we see, could i look at, can i look at, can i have a look at, could i"
                " have a"
                " look at"
            ),
        ),
    )
    for phrase in phrases
)
"""Before what is wished for, with what stands before its verb: "i'd like ... to be"."""
BEING = frozenset("be say read have come go stand get become change swap look begin start".split())
"""Verbs of how something is to be."""
SOFTENING = frozenset("just only quite really probably actually definitely".split())
INSIDE = (
    ("please",),
    ("kindly",),
    ("for", "me"),
    ("if", "you", "would"),
    ("you", "know"),
    *((word,) for word in sorted(SOFTENING)),
)
"""Courtesy that is said in the middle of a request, too: "remove for me the word spare"."""
WHOLE = (("the", "whole", "of"), ("all", "of"), ("the", "whole"))
"""Before a part of the page, which is whole in any case: "the whole of the last sentence"."""
ASKED_DOING = {
    "selecting": "select", "deleting": "delete", "removing": "remove", "taking": "take",
    "changing": "change", "replacing": "replace", "moving": "move", "putting": "put",
    "adding": "add", "inserting": "insert", "making": "make", "setting": "set",
    "turning": "turn", "going": "go", "undoing": "undo", "copying": "copy", "cutting": "cut",
    "pasting": "paste", "underlining": "underline", "highlighting": "highlight",
    "swapping": "swap", "joining": "join", "bringing": "bring", "getting": "get",
    "writing": "write", "starting": "start", "showing": "show", "reading": "read",
}  # fmt: skip
"""After "would you mind", verbs are asked for in this form."""
BESIDE = frozenset("before after under below above behind between beside".split())
"""Before a part of the page, they tell where."""
REMARKED_ON = frozenset("that this it they those these".split())
REMARKING = frozenset("is was are were sounds looks seems reads feels sounded looked".split())
REMARKING_SHORT = {f"{who}'s" for who in REMARKED_ON} | {"they're", "those're"}
HOW_MUCH = frozenset(
    "a bit little rather far much really so very too just quite all still now not way more one"
    " old".split()
)
JUDGED = frozenset(
    "silly wrong sharp harsh rude long short clumsy stiff formal informal cold friendly ugly odd"
    " strange confusing unclear untidy messy boring dull weak strong blunt repetitive stupid"
    " useless awful terrible dreadful horrible daft crowded cramped rubbish nonsense unnecessary"
    " ridiculous much many big large small tiny loud bright dark"
    " sad gloomy soppy fancy posh casual wordy chatty preachy heavy sloppy clunky awkward"
    " badly oddly poorly fashioned"
    " boastful selfish angry cross needy mean unkind unfair grand"
    " pompous bossy cheeky vague abrupt childish pointless".split()
)
"""What is thought of words, and seldom of what they tell."""
