"""Lengths as people write them, against Python's own fractions, and formats against their standards."""

from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.working.plan import FORMATS, GRID, envelope_for, nearest, read_length, read_pair
from lofty_press.core.working.plan.lengths import INCH

WRITTEN = [
    ("4 1/4", "in", Fraction(17, 4) * INCH),
    ("4-1/4 in", "mm", Fraction(17, 4) * INCH),
    ('4¼"', "mm", Fraction(17, 4) * INCH),
    ("4 ¼ inches", "mm", Fraction(17, 4) * INCH),
    ("⅛", "in", INCH / 8),
    ("3/64in", "mm", 3 * INCH / 64),
    ("5.5''", "mm", Fraction(11, 2) * INCH),
    ("5.5\u2019\u2019", "mm", Fraction(11, 2) * INCH),
    ("10,5cm", "in", Fraction(105)),
    ("10.5 CM", "in", Fraction(105)),
    ("105", "mm", Fraction(105)),
    (" 105 mm ", "in", Fraction(105)),
    (".5", "mm", Fraction(1, 2)),
    ("2,", "mm", Fraction(2)),
]


@pytest.mark.parametrize(("text", "unit", "length"), WRITTEN)
def test_common_ways_to_write_a_length_are_understood(text, unit, length):
    assert read_length(text, unit) == length


@pytest.mark.parametrize(
    ("text", "pair"),
    [
        ("4 1/4 x 5 1/2in", (Fraction(17, 4) * INCH, Fraction(11, 2) * INCH)),
        ('4¼ × 5½"', (Fraction(17, 4) * INCH, Fraction(11, 2) * INCH)),
        ("105x148", (Fraction(105), Fraction(148))),
        ("10,5 by 14,8 cm", (Fraction(105), Fraction(148))),
        ("4 in * 100 mm", (4 * INCH, Fraction(100))),
        ("105 mm x 5", (Fraction(105), Fraction(5))),
    ],
)
def test_two_sides_are_read_with_the_unit_behind_the_second_for_both(text, pair):
    assert read_pair(text, "mm") == pair


@pytest.mark.parametrize(
    ("text", "unit", "says"),
    [
        ("3 5/7", "in", "between two marks of the ruler; the nearest is 3 23/32"),
        ("10.55", "mm", "between two marks"),
        ("-2", "mm", "must be a length"),
        ("0", "mm", "over 0"),
        ("1/0", "in", "divides by zero"),
        ("four", "in", "must be a length"),
        ("", "in", "must be a length"),
        ("9e9", "in", "must be a length"),
        ("99999999999", "mm", "at most"),
        ("4 1/4 5", "in", "must be a length"),
    ],
)
def test_the_rest_is_refused_by_its_field_with_what_can_be_had(text, unit, says):
    with pytest.raises(InvalidInput) as refused:
        read_length(text, unit, "border")
    assert refused.value.field == "border"
    assert says in refused.value.requirement.in_words("in")


@given(st.integers(1, 64 * 40))
def test_every_sixty_fourth_of_an_inch_reads_back(marks):
    """Python's fractions."""
    whole, part = divmod(Fraction(marks, 64), 1)
    text = f"{whole} {part.numerator}/{part.denominator}" if whole and part else str(part or whole)
    assert read_length(text, "in") == Fraction(marks, 64) * INCH


@given(st.fractions(Fraction(1, 10), 300))
def test_the_nearest_mark_is_within_half_a_mark(length):
    for unit, grid in GRID.items():
        mark = nearest(length, unit)
        assert mark % grid == 0
        assert abs(mark - length) <= grid / 2 or mark == grid


def test_iso_sizes_are_the_standards():
    """ISO 216 (value from memory): each is half of the one before, rounded down."""
    table = {"a3": (297, 420), "a4": (210, 297), "a5": (148, 210), "a6": (105, 148), "a7": (74, 105), "b5": (176, 250), "b6": (125, 176)}
    assert {key: (FORMATS[key].width, FORMATS[key].height) for key in table} == table


def test_envelopes_take_their_cards():
    """ISO 269 pairs and the sizes in use in the United States (values from memory)."""
    for card, envelope in {"a5": "c5", "a6": "c6", "us-a2": "us-a2-envelope", "us-a7": "us-a7-envelope", "slim": "slim-envelope"}.items():
        each = FORMATS[card]
        assert FORMATS[envelope].fits(each.width, each.height)
    a6 = FORMATS["a6"]
    assert envelope_for(a6.width, a6.height, unit="mm").key == "c6"
    assert envelope_for(a6.width, a6.height, unit="mm", thickness=Fraction(10)).key != "c6"
    assert envelope_for(FORMATS["us-a2"].width, FORMATS["us-a2"].height, unit="in").key == "us-a2-envelope"
    assert envelope_for(Fraction(900), Fraction(900), unit="mm") is None
