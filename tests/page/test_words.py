"""Texts are put into words alike by the program and by the page, in every unit and language."""

import json

import pytest
from tests.core.with_maps import assess

from lofty_press.core.basics.words import KINDS, UNITS, Message, beside, figure, listed, named, say, share, size, spelled, term, thickness
from lofty_press.core.working.steps import write_card
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.answers.words import on_the_wire

VALUES = [
    0.0,
    0.004,
    0.005,
    0.2,
    0.25,
    0.5,
    1.0,
    1.5,
    2.5,
    3.175,
    9.96,
    11.0,
    12.0,
    13.0,
    107.95,
    999.5,
    1234567.0,
    -0.3,
    -25.4,
    -0.0001,
    1 / 3,
]
DIGITS = (None, 0, 1, 2, 3)


def wired(message: Message) -> dict:
    return json.loads(on_the_wire(message).model_dump_json())


@pytest.mark.parametrize("kind", KINDS)
def test_page_and_program_write_a_figure_alike(ask, kind):
    asked = [[value, kind, unit, digits] for value in VALUES for unit in UNITS for digits in DIGITS]
    assert ask("figure", *asked) == [figure(*given) for given in asked]


def test_page_and_program_write_a_text_alike(ask):
    """Every text of every demo sandwich's judgement and run card."""
    texts = []
    for sandwich in SANDWICHES.values():
        judged = assess(sandwich)
        card = write_card(judged)
        texts += [judged.sentence, card.subtitle, *card.stops, *card.orders]
        texts += [
            text for finding in judged.findings for text in (finding.what, finding.why, *((finding.fix.label,) if finding.fix else ()))
        ]
        texts += [text for step in card.steps for text in (step.text, step.detail, *step.care)]
    assert len(texts) > 500
    for unit in UNITS:
        assert ask("words", *([wired(text), unit] for text in texts)) == [text.in_words(unit) for text in texts]


def test_a_text_can_be_read_in_another_language(ask):
    """The template is the key; order of the holes, and what fills them, are the language's own."""
    found = say(
        "{part} of {tool} lies {over} over the {side} edge.", part=share(0.5), tool="Lattice", over=thickness(0.3), side=term("raised")
    )
    german = {
        "{part} of {tool} lies {over} over the {side} edge.": "{tool}: {part} liegt {over} über der {side} Kante.",
        "raised": "erhabenen",
    }
    told = "Lattice: 50 % liegt 0.012 in über der erhabenen Kante."
    assert found.in_words("in", german) == told
    assert ask("wordsIn", [german, wired(found), "in"]) == [told]


def test_an_inch_reader_gets_no_millimetres_in_any_text(ask):
    judged = [assess(sandwich) for sandwich in SANDWICHES.values()]
    said = [text.in_words("in") for a in judged for step in write_card(a).steps for text in (step.text, step.detail)]
    said += [text.in_words("in") for a in judged for finding in a.findings for text in (finding.what, finding.why)]
    assert not [text for text in said if " mm " in text.replace("each mm of", "")]


def test_pieces_of_texts():
    assert listed([named("one"), "two", "three"]) == "one, two, three"
    assert beside(size(12.0), None, share(0.4)).in_words("in") == "15/32 in · 40 %"
    assert say("{what:cap}.", what=say("put it down")) == "Put it down."
    assert say("Then {what:small}", what=say("Put it down")) == "Then put it down"
    assert say("{n} plates, {m} mats", n=spelled(2), m=spelled(40)) == "two plates, 40 mats"


def test_a_hole_without_a_value_or_a_value_without_a_hole_is_a_mistake():
    with pytest.raises(ValueError, match="holes"):
        say("{over} too thick", under=thickness(0.1))
