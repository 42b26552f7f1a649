"""Names: of days, months and peoples, titles, abbreviations, and what is written small in titles.

After New Hart's Rules (Oxford University Press, 2014), chapters 4, 5 and 10.
"""

from __future__ import annotations

MONTHS = {
    name: name.capitalize()
    for name in "january february march april may june july august september october november"
    " december".split()
}
"""As spoken, and as written."""
DAYS = {
    name: name.capitalize()
    for name in "monday tuesday wednesday thursday friday saturday sunday".split()
}
"""As spoken, and as written."""
PROPER = (
    "english british american scottish welsh irish french german spanish italian dutch european"
    " african asian chinese japanese indian russian polish portuguese greek roman norwegian"
    " swedish danish finnish england britain scotland wales ireland london edinburgh cardiff"
    " dublin europe france germany spain italy america africa asia australia canada china india"
    " japan russia norway sweden denmark finland iceland paris berlin rome madrid christmas easter"
    " christian muslim jewish hindu buddhist atlantic pacific mediterranean"
)
"""Always with a capital."""
GIVEN = (
    "adam adrian agnes aidan alan albert alexander alfred alice alison amanda amelia amy andrew"
    " angela anna anne annie anthony arthur audrey barbara beatrice benjamin bernard beth betty"
    " brenda brian bridget callum cameron caroline catherine cecilia charles charlotte"
    " christine christopher claire clara clive colin connor daniel daphne david deborah denise"
    " dennis derek diana donald doreen doris dorothy douglas duncan edith edmund edward eileen"
    " elaine eleanor elizabeth ella ellen elsie emily emma eric ernest ethel eva evelyn fergus"
    " fiona florence frances francis fred frederick gareth gary gavin geoffrey george gerald"
    " gillian gordon graham gwen hamish hannah harold harriet harry helen henry hilda"
    " howard hugh ian irene isaac isabel isabella jacob jacqueline james jamie jane janet"
    " janice jason jennifer jeremy jessica joan joanna joanne joe joel john jonathan joseph"
    " josephine joshua joyce judith julia julian julie karen kate katherine kathleen keith kenneth"
    " kevin kirsty laura lauren lawrence leonard leslie lewis liam lilian linda louise lucy luke"
    " lydia mabel malcolm margaret maria marian marie marion marjorie martha martin mary matthew"
    " maureen megan michael michelle mildred molly monica morag muriel nancy naomi natalie neil"
    " nell nicholas nicola nigel nora norman oliver olivia oscar pamela patricia patrick paul"
    " pauline peggy peter philip phoebe phyllis rachel ralph raymond rebecca richard robert"
    " roger ronald rory ross rupert russell ruth ryan samantha samuel sandra sarah sean"
    " sebastian sharon sheila shirley simon sophia sophie stanley stella stephanie stephen steven"
    " stuart susan susannah sybil sylvia tanya teresa terence theodore theresa thomas timothy tom"
    " tracy trevor valerie vanessa vera victoria vincent vivian walter wendy wilfred william"
    " winifred yvonne zoe"
)
"""Given names in use in Britain and Ireland that are no other word."""
CAPITALISED = frozenset((*PROPER.split(), *GIVEN.split(), *DAYS, *MONTHS))
"""Words that have a capital wherever they stand, as the month or the day if they are others."""
INITIALS = "UK USA BBC NASA EU NHS RNLI VAT PDF TV DVD USB URL HTML FAQ GPS CEO DIY AGM OK PhD NGO"
"""Written as they stand here."""
ABBREVIATIONS = frozenset(
    "mr mrs ms dr st prof rev capt e.g i.e etc vs no approx dept cf a.m p.m".split()
)
"""A full stop after one of these ends no sentence."""
TITLES = {"mr": "Mr", "mrs": "Mrs", "ms": "Ms", "dr": "Dr", "mister": "Mr", "missus": "Mrs"}
"""Before a name."""
SMALL_IN_TITLES = frozenset(
    "a an and as at but by for from in nor of off on or per so the to up via with".split()
)
"""Without a capital in a title, but for its first and last word."""
