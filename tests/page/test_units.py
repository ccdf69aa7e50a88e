"""Lengths on the page: as people write them, and back."""

import math
from fractions import Fraction

import pytest

MM = 25.4  # in an inch, by definition


def nearest(mm):
    """A length in inches on the nearest 1/64, halves upwards."""
    return Fraction(math.floor(abs(mm) / MM * 64 + 0.5), 64)


def read(text):
    """A fraction as written: "4 1/4", "3/64", "2"."""
    return sum((Fraction(part) for part in text.removeprefix("−").split()), Fraction(0))


SIZES = [0.0, 0.1, 0.19, 0.2, 0.4, 1.0, 3.175, 5.55, 12.7, 25.4, 107.95, 139.7, 304.8, *(0.37 * n for n in range(1, 200))]


def test_inches_are_reduced_fractions_to_a_sixty_fourth(ask):
    for mm, text in zip(SIZES, ask("figure", *([mm, "size", "in"] for mm in SIZES)), strict=True):
        text = text.removesuffix(" in")
        assert read(text) == nearest(mm), (mm, text)
        top, _, bottom = text.split(" ")[-1].partition("/")
        assert bottom in ("", "2", "4", "8", "16", "32", "64")
        assert not bottom or int(top) % 2 == 1


def test_a_length_reads_back_as_it_was_written(ask):
    inches = ask("figure", *([mm, "size", "in"] for mm in SIZES))
    for mm, back in zip(SIZES, ask("parseLength", *([text, "mm"] for text in inches)), strict=True):
        assert back == pytest.approx(float(nearest(mm)) * MM, abs=1e-9)
    plain = [f"{mm:.2f}" for mm in SIZES]
    assert ask("parseLength", *([text, "mm"] for text in plain)) == pytest.approx([float(text) for text in plain])


@pytest.mark.parametrize(
    ("typed", "unit", "mm"),
    [
        ("2,6 mm", "in", 2.6),
        ('1/8"', "mm", 3.175),
        ("4 1/4", "in", 107.95),
        ("-1/2 in", "mm", -12.7),
        ("−3", "mm", -3.0),
        (" 7 ", "mm", 7.0),
        ("4 1", "in", None),
        ("1/0", "in", None),
        ("four", "mm", None),
        ("", "mm", None),
        ("1e9", "mm", None),
        ("2 mm 3", "mm", None),
    ],
)
def test_what_people_type_is_read_or_refused(ask, typed, unit, mm):
    assert ask("parseLength", [typed, unit]) == [mm if mm is None else pytest.approx(mm)]


def test_a_small_size_keeps_its_tenth_and_a_thickness_its_hundredths(ask):
    assert ask("formatSize", [2.04, "mm"], [2.0, "mm"], [146.2, "mm"], [107.95, "in"]) == ["2 mm", "2 mm", "146 mm", "4 1/4 in"]
    assert ask("formatThickness", [0.283, "mm"], [0.254, "in"]) == ["0.28 mm", "0.010 in"]
