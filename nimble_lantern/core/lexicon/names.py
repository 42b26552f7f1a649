"""Names: of days, months and peoples, titles, abbreviations, and what is written small in titles.

After New Hart's Rules (Oxford University Press, 2014), chapters 4, 5 and 10.
"""

from __future__ import annotations

from importlib.resources import files

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
    " catholic protestant methodist anglican quaker bible koran ramadan eid diwali hanukkah"
    " passover halloween hogmanay"
    " swiss austrian belgian hungarian romanian bulgarian czech ukrainian turkish israeli egyptian"
    " moroccan nigerian ghanaian kenyan ethiopian jamaican mexican brazilian canadian australian"
    " pakistani bangladeshi nepalese thai vietnamese korean filipino syrian iraqi iranian afghan"
    " somali lithuanian latvian estonian icelandic scandinavian latin arabic hebrew gaelic cornish"
    " manx hindi urdu punjabi bengali gujarati tamil cantonese swahili"
    " austria belgium netherlands holland switzerland hungary romania bulgaria ukraine poland"
    " portugal greece egypt morocco nigeria ghana kenya ethiopia jamaica mexico brazil argentina"
    " pakistan bangladesh nepal thailand vietnam korea philippines malaysia singapore indonesia"
    " syria iraq iran israel afghanistan somalia lithuania latvia estonia cyprus malta croatia"
    " scandinavia"
    " york leeds bristol manchester liverpool birmingham sheffield nottingham leicester coventry"
    " norwich ipswich cambridge oxford exeter plymouth southampton portsmouth bournemouth brighton"
    " canterbury winchester gloucester worcester hereford shrewsbury chester blackpool carlisle"
    " durham newcastle sunderland middlesbrough scarborough whitby harrogate wakefield huddersfield"
    " doncaster swansea newport wrexham aberystwyth glasgow aberdeen dundee inverness stirling"
    " belfast londonderry limerick galway guernsey penzance falmouth truro torquay"
    " cornwall devon dorset somerset wiltshire hampshire berkshire surrey sussex kent essex suffolk"
    " norfolk lincolnshire nottinghamshire derbyshire staffordshire shropshire cheshire lancashire"
    " yorkshire cumbria northumberland warwickshire oxfordshire buckinghamshire hertfordshire"
    " bedfordshire cambridgeshire northamptonshire leicestershire gloucestershire worcestershire"
    " herefordshire gwynedd powys pembrokeshire orkney shetland hebrides ulster"
    " paris vienna prague warsaw budapest brussels amsterdam copenhagen stockholm oslo helsinki"
    " athens lisbon barcelona venice milan florence naples moscow istanbul jerusalem cairo"
    " delhi mumbai tokyo beijing shanghai sydney melbourne toronto montreal vancouver boston"
    " chicago philadelphia seattle houston dallas texas florida california ohio michigan"
    " massachusetts pennsylvania oregon alaska hawaii"
    " thames severn mersey tyne danube"
)
"""Always with a capital, though some are words as well."""
PHRASES = (
    "Happy New Year|New Year’s Day"
    "|New Year’s Eve|Christmas Eve|Christmas Day|Boxing Day|Good Friday"
    "|Palm Sunday|Easter Sunday|Easter Monday|Ash Wednesday|Shrove Tuesday|Whit Sunday|Whit Monday"
    "|Mother’s Day|Father’s Day|Mothering Sunday|Remembrance Sunday|Remembrance Day"
    "|Valentine’s Day|Bonfire Night|May Day|Guy Fawkes Night|Burns Night|St Patrick’s Day"
    "|First World War|Second World War|World War One|World War Two|Middle Ages"
    "|United Kingdom|Great Britain|Northern Ireland|British Isles|Isle of Wight|Isle of Man"
    "|Channel Islands|North Sea|Irish Sea|Black Sea|Dead Sea|Red Sea|English Channel|Lake District"
    "|Peak District|Stratford upon Avon|Milton Keynes|Bury St Edmunds"
    "|New Zealand|South Africa|South Korea|North Korea|Sri Lanka|Saudi Arabia|Hong Kong|Middle East"
    "|United States|New York|New Jersey|New Hampshire|New Mexico|New Orleans"
    "|North America|South America|Latin America|San Francisco|Los Angeles|San Diego"
    "|United Nations|European Union|House of Commons|House of Lords|Houses of Parliament"
    "|Buckingham Palace|Downing Street|Royal Mail|Church of England|Church of Scotland"
    "|Salvation Army|Holy Communion|Old Testament|New Testament|Lord’s Prayer|Prince of Wales"
    "|Union Jack|Duke of York|Duke of Edinburgh|Red Cross|British Legion|Royal British Legion"
    "|National Trust|Women’s Institute|Citizens Advice|Big Ben|Hyde Park|Trafalgar Square"
    "|North Yorkshire|South Yorkshire|West Yorkshire|East Sussex|West Sussex|West Midlands"
    "|East Midlands|East Anglia|North Wales|South Wales|West Indies|Ben Nevis|Scafell Pike"
    "|Wi-Fi|X-ray|X-rays|T-shirt|T-shirts|U-turn|U-turns"
).split("|")
"""Names of several words, as they are written."""
GIVEN = frozenset(
    (
        "ada adam adrian agnes aidan alan albert alexander alf alfred alice alison amanda amelia"
        " oskar otto emil hedwig tova milo anders luis hugo bettina astrid sven klaus dieter pierre"
        " mateo carlos juan pedro rosa lucia sofia mia noah ethan ayesha omar amir leila anil hana"
        " jo femi olu kwame wei zainab chidi amara ngozi kofi abena anjali deepak arjun ravi"
        " sunita farah hassan ibrahim khadija noor samira tariq hiroshi yuki kenji akira minh"
        " linh agnieszka piotr kasia wojtek ewa marek zofia svetlana lars bjorn giulia paolo"
        " luca amelie celine aoife niamh siobhan ciara saoirse eilidh cerys bronwen dafydd"
        " owain sinead declan padraig"
        " amy andrew angela ann anna anne annie anthony archie arnie arthur audrey barbara barney"
        " beatrice bella benjamin bernard bert bertie bess beth betty brenda brian bridget callum"
        " cameron caroline catherine cecilia charles charlotte chloe christine christopher claire"
        " clara clive colin connor craig daniel daphne darren dave david debbie deborah denise"
        " dennis derek diana dilys donald doreen doris dorothy douglas duncan ed eddie edith"
        " edmund edna edward edwin effie eileen elaine eleanor elizabeth ella ellen elsa elsie"
        " elspeth emily emma enid eric ernest esther ethel eva evelyn ewan fatima felix fergus"
        " fiona florence frances francis fred freda frederick freya gareth gary gavin geoff"
        " geoffrey george gerald gillian gladys glenda glyn gordon graham greta gus gwen gwyneth"
        " hamish hannah harold harriet harry hattie heidi helen henry herbert hettie hilda howard"
        " hugh iain ian ida ingrid irene irma isaac isabel isabella isla isobel ivor jacob"
        " jacqueline jake james jamie jane janet janice jason jeff jennifer jenny jeremy jessica"
        " jill jim jimmy joan joanna joanne joe joel john johnny jonathan joseph josephine joshua"
        " josie joyce judith judy julia julian julie karen kate katherine kathleen kathy katie"
        " katy keith ken kenneth kevin kim kirsty laura lauren lawrence len lena leonard leonie"
        " lesley leslie lewis liam libby lilian lillian linda lionel liz lizzie lloyd lorna lottie"
        " louis louisa louise lucy luke lydia mabel maggie malcolm mandy marcus margaret maria"
        " marian marianne marie marilyn marion marjorie martha martin mary matthew maud maureen"
        " maurice mavis megan michael michelle mick mike mildred millie minnie miriam mohammed"
        " moira molly monica monty morag morris muriel myra nancy naomi natalie ned neil nell"
        " nellie nesta nicholas nicola nigel nina noel nora norma norman olga oliver olivia oscar"
        " owen pam pamela patricia patrick patsy paul pauline peggy percy pete peter phil philip"
        " philippa phoebe phyllis polly priya rachel ralph raymond rebecca reggie rhoda rhys"
        " richard rita robbie robert roberta rodney roger ronald rory rosalind rosie ross roy"
        " rufus rupert russell ruth ryan sadie sally sam samantha samuel sandra sanjay sarah sean"
        " sebastian sharon sheila shirley sid sidney silas simon sonia sophia sophie stan stanley"
        " stella stephanie stephen steve steven stuart susan susannah suzanne sybil sylvia tanya"
        " ted terence teresa terry tess thelma theo theodore theresa thomas tim timothy tina toby"
        " tom tony tracy trevor trish trudy una ursula valerie vanessa vera vicky victoria vince"
        " vincent vivian walter wendy wilf wilfred william winifred winnie yasmin yusuf yvonne zoe"
    ).split()
)
"""Given names in use in Britain and Ireland that are no other word."""
ALSO_GIVEN = frozenset(
    "alma amber april archer art barry basil bea belle bill blanche bob bobby carol cherry chip"
    " chuck clay coral daisy dan dawn dean dick dot drew duke earl eve fay faith fay finn flora"
    " forest frank gale gay gene ginger glen grace grant guy hazel heather holly hope iris ivy jack"
    " jade jasmine jay jean jo josh joy june kit lance laurel lily mark mat matt max may melody"
    " merry miles nat nick norm olive opal page pat patty pearl penny perry poppy ray reed rex rich"
    " rick rob robin rock rod rosemary rose ruby russ rusty sandy saul scott sky sonny sue summer"
    " tab tod val victor violet wade ward wayne will woody".split()
)
"""Given names that are words as well."""
_NAMES = files("nimble_lantern.core.lexicon").joinpath("names.txt")
KNOWN_NAMES = frozenset(
    line.lower() for line in _NAMES.read_text("utf-8").splitlines() if not line.startswith("#")
)
"""Names of people, places and peoples, and words made from them, that are no other word."""
CAPITALISED = frozenset((*PROPER.split(), *GIVEN, *DAYS, *MONTHS, *KNOWN_NAMES))
"""Words that have a capital wherever they stand, as the month or the day if they are others."""
INITIALS = (
    "UK USA BBC NASA EU NHS RNLI VAT PDF TV DVD USB URL HTML FAQ GPS CEO DIY AGM OK PhD NGO PS"
)
"""Written as they stand here."""
ABBREVIATIONS = frozenset(
    "mr mrs ms dr st prof rev capt e.g i.e etc vs no approx dept cf a.m p.m".split()
)
"""A full stop after one of these ends no sentence."""
TITLES = {
    "mr": "Mr",
    "mrs": "Mrs",
    "ms": "Ms",
    "dr": "Dr",
    "mister": "Mr",
    "missus": "Mrs",
    "missis": "Mrs",
}
"""Before a name."""
LONG_TITLES = frozenset(
    "doctor professor reverend captain sergeant inspector colonel councillor saint lord lady sir"
    " dame admiral bishop".split()
)
"""Titles that are said in full before a name, most of them trades as well."""
PARENTS = frozenset("mum dad mummy daddy mom granny grandma grandpa grandad nan nana".split())
"""What a family calls its own: a name where nobody's is said before it."""
KIN_TITLES = frozenset(
    "sir father mother sister brother aunt auntie uncle cousin nurse prince princess king queen"
    " lord lady".split()
)
"""Titles only before a given name."""
PARTICLES = frozenset("de da di du del la le van von der den ter bin ibn ap".split())
"""Between a title or a given name and a surname (New Hart's Rules, 2014, 5.1)."""
WHOSE_NAME = frozenset("my your his her their whose its first second last middle maiden".split())
"""Before "name is", a name follows."""
SMALL_IN_TITLES = frozenset(
    "a an and as at but by for from in nor of off on or per so the to up via with".split()
)
"""Without a capital in a title, but for its first and last word."""
