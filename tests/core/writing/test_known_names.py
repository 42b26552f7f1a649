"""Names of places and feasts, what a family calls its own, lists of people, initials and codes."""

from __future__ import annotations

from tests.desk import DeskCase
from tools.learn_names import names


class Written(DeskCase):
    def written(self, **pairs: str) -> None:
        for said, page in pairs.items():
            with self.subTest(said):
                self.desk().hears(said.replace("_", " "))
                self.assertText(page)


class Names(Written):
    def test_places_and_feasts_have_capitals(self) -> None:
        self.written(
            we_flew_to_new_zealand_by_way_of_leeds="We flew to New Zealand by way of Leeds",
            on_good_friday_the_north_sea_is_calm="On Good Friday the North Sea is calm",
            i_speak_gaelic_and_some_turkish="I speak Gaelic and some Turkish",
        )

    def test_words_that_are_names_as_well(self) -> None:
        self.written(
            please_polish_the_brass="Please polish the brass",
            she_speaks_polish="She speaks Polish",
            the_best_china_is_from_china="The best china is from China",
        )

    def test_what_a_family_calls_its_own(self) -> None:
        self.written(
            i_asked_mum_and_dad="I asked Mum and Dad",
            i_asked_my_mum_and_dad="I asked my mum and dad",
            he_is_a_proud_grandpa="He is a proud grandpa",
        )

    def test_people_in_a_list(self) -> None:
        self.written(
            nell_ames_comma_tom_hale_and_ida_bell="Nell Ames, Tom Hale and Ida Bell",
            ida_sang_and_tom_swam="Ida sang and Tom swam",
            nell_first_comma_tom_second="Nell first, Tom second",
        )

    def test_a_common_word_signs_below_a_closing_behind_a_sentence(self) -> None:
        self.desk().hears("thank you full stop yours sincerely new line beth ward")
        self.assertText("Thank you. Yours sincerely\nBeth Ward")

    def test_names_that_no_list_here_was_made_for(self) -> None:
        self.written(
            we_met_hester_lomax_in_pontefract="We met Hester Lomax in Pontefract",
            it_is_lomax_and_kettering="It is Lomax and Kettering",
            eco_friendly_and_bon_voyage="Eco friendly and bon voyage",
        )

    def test_only_what_is_no_other_word_is_a_name(self) -> None:
        self.assertEqual(
            names(["Lomax", "Bobs", "Jan", "Lamp", "lamp"], ["bobs", "lamp"]), ["Lomax"]
        )

    def test_given_names_that_are_words_behind_what_a_family_says(self) -> None:
        self.written(
            my_uncle_bob_and_aunt_sue="My uncle Bob and Aunt Sue",
            my_aunt_may_come="My aunt May come",
            nurse_will_come_soon="Nurse will come soon",
            the_king_can_mark_it="The king can mark it",
            prince_albert_came="Prince Albert came",
        )

    def test_roads_and_places_by_their_kind(self) -> None:
        self.written(
            we_live_in_lake_street="We live in Lake Street",
            victoria_park_is_open="Victoria Park is open",
            a_roman_road_ran_here="A Roman road ran here",
            the_one_way_street="The one way street",
            street_lighting_is_poor="Street lighting is poor",
        )
        self.desk().hears("she is at saint mary's school in the quay road")
        self.assertText("She is at St Mary’s School in the quay road")

    def test_whose_it_is(self) -> None:
        for said, page in {
            "it's mrs o'brien's turn": "It’s Mrs O’Brien’s turn",
            "the andrews' dog barked": "The Andrews’ dog barked",
        }.items():
            with self.subTest(said):
                self.desk().hears(said)
                self.assertText(page)


class Figures(Written):
    def test_of_what_sort_a_thing_is(self) -> None:
        self.written(
            a_ninety_nine_year_lease="A 99-year lease",
            two_ten_litre_buckets="Two 10-litre buckets",
            it_is_ten_foot_tall="It is 10 foot tall",
            a_one_hour_trip_and_one_day_off="A one-hour trip and one day off",
        )

    def test_rows_of_letters_and_numbers(self) -> None:
        self.written(
            seats_a_one_to_a_twelve_are_taken="Seats A1 to A12 are taken",
            give_a_one_and_a_two="Give a one and a two",
            send_notes_dot_p_d_f_today="Send notes.pdf today",
        )

    def test_what_is_quoted_within_a_sentence(self) -> None:
        self.written(
            i_said_quote_never_exclamation_mark_unquote_and_left="I said ‘Never!’ and left",
            quote_go_exclamation_mark_unquote_and_so_we_went="‘Go!’ And so we went",
        )

    def test_initials_that_are_words_as_well(self) -> None:
        self.written(
            bring_your_i_d_card="Bring your ID card",
            the_i_t_man_came="The IT man came",
            the_cap_uk_office="The UK office",
            i_a_m_sure="IAM sure",
        )

    def test_numbers_that_go_together(self) -> None:
        self.written(
            call_us_twenty_four_slash_seven="Call us 24/7",
            a_fifty_fifty_chance="A fifty-fifty chance",
            he_is_six_foot_two="He is 6 foot 2",
            see_hash_five_six_seven="See #567",
            take_two_milligrams="Take 2 milligrams",
            i_live_at_twelve_b_north_street="I live at 12B North Street",
            eighteen_hundred_letters_came="Eighteen hundred letters came",
        )


class Marks(DeskCase):
    def test_a_second_dash_ends_what_the_first_began(self) -> None:
        self.desk().hears("he ran dash he really ran dash to the boat")
        self.assertText("He ran – he really ran – to the boat")
        self.desk().hears("she made a dash for the door")
        self.assertText("She made a dash for the door")

    def test_what_is_asked_in_quotation_marks_has_a_capital(self) -> None:
        self.desk().hears("she asked open quote why question mark close quote")
        self.assertText("She asked ‘Why?’")
        self.desk().hears("he said open quote stop close quote and ran")
        self.assertText("He said ‘stop’ and ran")

    def test_a_stop_said_after_a_comma_takes_its_place(self) -> None:
        desk = self.desk()
        desk.hears("they left early comma", "full stop")
        self.assertText("They left early.")
        desk.hears("undo that")
        self.assertText("They left early,")


class Commas(DeskCase):
    def written(self, said: str) -> str:
        return self.desk("", auto_punctuation="on").hears(said) and self.driver.markdown

    def test_between_the_things_of_a_list_at_its_pauses(self) -> None:
        for said, page in (
            ("we need bread ... milk and eggs", "We need bread, milk and eggs."),
            (
                "bring a lamp ... a long rope ... and a broom",
                "Bring a lamp, a long rope and a broom.",
            ),
            ("ida tom and nell came", "Ida, Tom and Nell came."),
        ):
            self.assertEqual(self.written(said), page)

    def test_and_nowhere_else(self) -> None:
        for said, page in (
            ("i saw mary ann and tom", "I saw Mary Ann and Tom."),
            ("we stayed ... with nell and tom", "We stayed with Nell and Tom."),
            ("the boat is late ... and we are cold", "The boat is late and we are cold."),
        ):
            self.assertEqual(self.written(said), page)


class HeadingsSaid(DeskCase):
    def test_behind_a_sentence_that_is_over(self) -> None:
        self.desk().hears("the rail is loose full stop", "heading two money", "we have none")
        self.assertEqual(self.driver.markdown, "The rail is loose.\n\n## Money\n\nWe have none")

    def test_a_boat_may_be_heading_two_miles_north(self) -> None:
        self.desk().hears("the boat left full stop", "heading two miles north it sank")
        self.assertNotIn("#", self.driver.markdown)
