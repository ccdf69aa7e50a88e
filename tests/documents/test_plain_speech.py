"""What the program says is what somebody at a craft table would say."""

import pytest

from lofty_press.documents.texts.catalogue import catalogue
from lofty_press.documents.texts.plain_speech import glossary, stiff, twins
from lofty_press.setup.paths import DOCS, WEB

WORDS = {"verdict": ["judgement"], "flashlight": ["torch"], "sheet": []}


@pytest.mark.parametrize(
    ("text", "why"),
    [
        ("The mat lies on the wrong side.", "turn"),
        ("Try it anew.", "turn"),
        ("A plate in place of the mat.", "turn"),
        ("The colour of its core", "American"),
        ("Turn it towards you.", "American"),
        ("The first judgement takes a moment.", "'verdict'"),
        ("It doesn\u2019t show.", "apostrophe"),
        ("Take one " + "very " * 25 + "long look.", "over 25 words"),
    ],
)
def test_what_nobody_would_say_is_named(text, why):
    (fault,) = stiff([text, "Take out the east plate."], WORDS)
    assert fault.startswith(repr(text))
    assert why in fault


def test_names_of_figures_are_no_words_of_a_text():
    assert stiff(["Old cuts in {beside} will print."], WORDS) == []


def test_one_thing_said_in_two_ways_is_found():
    assert twins(["The press isn't there.", "The press is not there", "Save it", "save it"]) == [
        ["The press isn't there.", "The press is not there"]
    ]


def test_the_glossary_has_its_words_and_the_catalogue_keeps_to_them():
    words, texts = glossary(DOCS / "glossary.md"), catalogue(WEB / "src")
    assert len(words) > 80
    assert words["flashlight"] == ["torch"]
    assert len(texts) > 3000
    assert stiff(texts, words) == []
    assert twins(texts) == []
