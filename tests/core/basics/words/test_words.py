"""Figures and texts as data: as each reader gets them."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from lofty_press.core.basics.words import (
    KINDS,
    UNITS,
    Message,
    and_last,
    beside,
    figure,
    in_ten,
    likelihood,
    listed,
    say,
    size,
    spelled,
    thickness,
    together,
)


@given(st.floats(0.5, 2000))
def test_a_size_in_inches_is_the_nearest_sixty_fourth(mm):
    text = figure(mm, "size", "in").removesuffix(" in")
    read = float(sum(Fraction(part) for part in text.split()))
    assert abs(read - mm / 25.4) <= 0.5 / 64 + 1e-9


@pytest.mark.parametrize(
    ("mm", "metric", "inches"),
    [(25.4, "25 mm", "1 in"), (107.95, "108 mm", "4 1/4 in"), (3.175, "3.2 mm", "1/8 in"), (0.0, "0 mm", "0 in")],
)
def test_known_sizes(mm, metric, inches):
    assert (figure(mm, "size", "mm"), figure(mm, "size", "in")) == (metric, inches)


def test_a_caliper_reads_thousandths():
    assert figure(0.254, "thickness", "in") == "0.010 in"


@given(st.sampled_from(sorted(KINDS)), st.floats(-1e4, 1e4))
def test_every_kind_can_be_said_to_every_reader(kind, value):
    for unit in UNITS:
        text = figure(value, kind, unit)
        assert text
        assert not text.startswith(("-0", "−0 ", "nan"))


def test_a_message_reads_in_both_units_from_the_same_figures():
    text = say("{over} over the opening, {wide} wide", over=thickness(0.508), wide=size(50.8))
    assert str(text) == "0.51 mm over the opening, 51 mm wide"
    assert text.template == "{over} over the opening, {wide} wide"
    assert text.in_words("in") == "0.020 in over the opening, 2 in wide"


def test_a_catalogue_puts_it_into_another_language():
    text = say("{count} sheets of {stock}", count=spelled(2), stock="Ridge green")
    assert text.in_words("mm", {"{count} sheets of {stock}": "{stock}: {count} Bogen"}) == "Ridge green: two Bogen"


def test_two_messages_are_one_if_they_say_the_same_with_the_same_figures():
    assert say("{a} thick", a=thickness(1.0)) == say("{a} thick", a=thickness(1.0))
    assert say("{a} thick", a=thickness(1.0)) != say("{a} thick", a=thickness(2.0))


class TestChains:
    def test_empty_ones_are_left_out(self):
        assert together(say("One."), Message("", {}), say("Two.")) == "One. Two."
        assert beside(None, say("one"), None, say("two")) == "one · two"
        assert listed([]) == ""

    def test_the_last_gets_its_and(self):
        assert and_last([say("a")]) == "a"
        assert and_last([say("a"), say("b")]) == "a, and b"

    def test_figures_in_a_chain_are_read_in_the_readers_unit(self):
        assert beside(size(25.4), size(50.8)).in_words("in") == "1 in · 2 in"


class TestChances:
    @given(st.floats(0, 1))
    def test_what_is_told_in_numbers_is_close_to_what_is_meant(self, chance):
        count, of = (int(part) for part in str(in_ten(chance)).split(" in "))
        assert abs(count / of - chance) <= (0.051 if of == 10 else 0.011)

    def test_a_greater_chance_is_never_put_lower(self):
        order = ["almost certainly not", "unlikely", "could go either way", "likely", "very likely", "almost certain"]
        said = [str(likelihood(n / 1000)).split(",")[0] for n in range(1001)]
        places = [order.index(each) for each in said]
        assert places == sorted(places)
        assert set(said) == set(order)
