"""Every text of the program is in one catalogue, ready for another language and for inches."""

import re
from pathlib import Path

import pytest

from lofty_press.core.basics.words import Message, say, size
from lofty_press.core.basics.words.message import HOLE
from lofty_press.documents.answers.words import MessageDocument, Words, off_the_wire, on_the_wire, read_out
from lofty_press.documents.texts.catalogue import NotPlain, catalogue, notes, templates_in
from lofty_press.setup.paths import WEB


def test_no_text_holds_a_length_that_an_inch_reader_could_not_read():
    """Lengths are figures in holes; written into a text they would stay millimetres."""
    written_out = [text for text in catalogue(WEB / "src") if re.search(r"\d ?(mm|cm2?)\b", text)]
    assert written_out == []


def test_holes_are_named_so_that_a_translator_understands_them():
    names = {name for text in catalogue(WEB / "src") for name, _ in HOLE.findall(text)}
    assert len(names) > 100
    assert not {name for name in names if re.search(r"_\d$|^(value|str|len|join)$", name)}


def test_texts_are_in_the_order_of_the_screens_and_short_ones_say_where_they_are_read():
    texts, where = list(catalogue(WEB / "src")), notes(WEB / "src")
    shelf = [texts.index(text) for text in ("An empty shelf", "Find by name or kind", "Photograph tools")]
    assert max(shelf) - min(shelf) < 150
    assert texts.index("Fold") < min(shelf) < texts.index("It cuts clean.")
    assert len(where) > 300
    assert "places/plan: FoldChoice" in where["Fold"]
    assert where["strip die"].startswith("a term")
    assert all(where.values())


def test_a_template_that_is_put_together_is_refused(tmp_path: Path):
    source = tmp_path / "odd.py"
    source.write_text("from lofty_press.core.basics.words import say\nsay(WORDS[0])\n")
    with pytest.raises(NotPlain, match=r"odd\.py:2"):
        templates_in(source)


def test_a_text_comes_back_from_the_wire_as_it_went():
    told = say("{what} by {how_much}", what=say("Shift {name}", name="Lattice"), how_much=size(12.7, 1))
    back = off_the_wire(MessageDocument.model_validate_json(on_the_wire(told).model_dump_json()))
    assert isinstance(back, Message)
    assert (back, back.in_words("in")) == (told, told.in_words("in"))
    assert read_out({"says": [on_the_wire(told).model_dump(mode="json"), "plain"]}, "in") == {"says": ["Shift Lattice by 1/2 in", "plain"]}


def test_a_field_of_words_takes_no_bare_string():
    from pydantic import TypeAdapter, ValidationError

    with pytest.raises(ValidationError):
        TypeAdapter(Words).validate_python("Shift it")
