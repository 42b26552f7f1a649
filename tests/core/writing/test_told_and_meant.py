"""Marks that are spoken about and marks that are meant; numbers, prices and names in few words."""

from __future__ import annotations

from tests.desk import DeskCase


class Written(DeskCase):
    def written(self, pairs: dict[str, str], auto: bool = False) -> None:
        for said, page in pairs.items():
            with self.subTest(said):
                desk = self.desk()
                desk.hears(f"automatic punctuation {'on' if auto else 'off'}")
                desk.hears(*said.split(" / "))
                self.assertText(page)


class Marks(Written):
    def test_a_described_mark_is_a_word(self) -> None:
        self.written(
            {
                "the victorian period was long full stop": "The Victorian period was long.",
                "there is a big question mark over the roof full stop": (
                    "There is a big question mark over the roof."
                ),
                "in that period we lost two full stop": "In that period we lost two.",
                "i read it period by period full stop": "I read it period by period.",
                "no comma is needed here full stop": "No comma is needed here.",
                "please quote this number full stop": "Please quote this number.",
            }
        )

    def test_a_mark_is_meant(self) -> None:
        self.written(
            {
                "the stair is dry period": "The stair is dry.",
                "it was a bright blue full stop then it faded": (
                    "It was a bright blue. Then it faded"
                ),
                "the bus is number twenty three a full stop": "The bus is number 23A.",
                "he saw the detective full stop then he ran": "He saw the detective. Then he ran",
                "open at nine a m full stop": "Open at 9 am.",
            }
        )

    def test_a_mark_that_is_told_of_parts_no_command(self) -> None:
        desk = self.desk("The word is here.")
        desk.hears("there is a full stop at the end of the line full stop")
        self.assertEqual(
            desk.markdown.strip(),
            "The word is here. There is a full stop at the end of the line.",
        )

    def test_an_abbreviation_has_one_stop(self) -> None:
        desk = self.desk()
        desk.hears("use american english", "open at eight a m period")
        self.assertText("Open at 8 a.m.")


class Numbers(Written):
    def test_prices_and_hundreds_in_few_words(self) -> None:
        self.written(
            {
                "it costs seven fifty": "It costs £7.50",
                "tickets are four fifty each": "Tickets are £4.50 each",
                "nine ninety nine a pair": "£9.99 a pair",
                "page one ninety nine": "Page 199",
                "one sixty five people came": "One hundred and sixty-five people came",
            }
        )

    def test_a_time_stays_a_time(self) -> None:
        self.written(
            {
                "at seven fifty each morning we run": "At 7:50 each morning we run",
                "at seven fifty a bell rang": "At 7:50 a bell rang",
                "the bus at ten fifteen": "The bus at 10:15",
            }
        )

    def test_years_and_ranges(self) -> None:
        self.written(
            {
                "between nineteen ninety and two thousand": "Between 1990 and 2000",
                "eighteen sixty five to nineteen ten": "1865 to 1910",
                "eight to ten weeks": "Eight to ten weeks",
                "three ten pence pieces": "Three 10p pieces",
                "he weighs ten pounds": "He weighs 10 pounds",
            }
        )


class Names(Written):
    def test_behind_a_title_and_after_meeting(self) -> None:
        self.written(
            {
                "the reverend peter marsh spoke": "The Reverend Peter Marsh spoke",
                "mr and mrs p j hall came": "Mr and Mrs PJ Hall came",
                "i met rose in the rose garden": "I met Rose in the rose garden",
                "we saw rose bushes": "We saw rose bushes",
                "will is coming on friday": "Will is coming on Friday",
            }
        )


class Marked(Written):
    def test_questions_and_what_is_none(self) -> None:
        self.written(
            {
                "how the children have grown": "How the children have grown.",
                "which is why we stopped": "Which is why we stopped.",
                "will is coming on friday": "Will is coming on Friday.",
                "although it was late nobody left": "Although it was late, nobody left.",
                "she was cold wet and tired": "She was cold, wet and tired.",
            },
            auto=True,
        )

    def test_what_goes_on_and_what_does_not(self) -> None:
        self.written(
            {
                "on the first of may / we open": "On 1 May, we open.",
                "i am glad you came / so am i": "I am glad you came. So am I.",
            },
            auto=True,
        )


class Clocks(Written):
    def test_minutes_in_words_with_an_hour_in_words(self) -> None:
        self.written(
            {
                "it is twenty five past nine full stop": "It is twenty-five past nine.",
                "it is twenty five to ten full stop": "It is twenty-five to ten.",
                "it was ten to nine full stop": "It was ten to nine.",
                "add twenty five to ten full stop": "Add 25 to 10.",
                "from twenty five to thirty people came full stop": "From 25 to 30 people came.",
            }
        )

    def test_heat(self) -> None:
        self.written({"heat it to two hundred degrees c full stop": "Heat it to 200°C."})
