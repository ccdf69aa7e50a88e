"""Lists as people write them, in several voices, made up beside their meaning in `spoken.tsv`: right or asked, and never silently wrong."""

from pathlib import Path

import pytest

from lofty_press.core.working.setout import read_list

ROWS = [
    line.split("\t") for line in Path(__file__).with_name("spoken.tsv").read_text("utf-8").splitlines() if line and not line.startswith("#")
]
AT_LEAST = 0.97  # right, or asked with the right answer among the choices


def meant(text):
    """Counts and kinds, whether it may be asked, and further figures; without things for what must not be put on a shelf."""
    whole, *figures = text.strip().split(" | ")
    if whole in ("?", "-"):
        return [], True, []
    things = [thing.split(" ", 1) for thing in whole.split(" + ")]
    return [(int(count.rstrip("?")), kind) for count, kind in things], "?" in whole, [figure.split("=") for figure in figures]


def has(item, figure, wanted):
    match figure:
        case "gsm":
            return item.stock is not None and abs(item.stock.grammage_gsm - float(wanted)) < 2
        case "thick":
            return abs(item.thickness.mm - float(wanted)) < 0.06
        case "size":
            return (item.width_mm, item.length_mm) == pytest.approx([float(side) for side in wanted.split("x")], abs=1.0)
        case "name":
            return wanted in item.name.lower()
    raise AssertionError(figure)


def came_of(text, wanted):
    """right, asked, refused, or wrong."""
    things, may_ask, figures = meant(wanted)
    lines = read_list(text)
    got = [(len(line.items), line.items[0].kind) for line in lines if line.items]
    asked = [line for line in lines if line.asked]
    if got == things and all(has(lines[-1].items[0] if lines[-1].items else lines[0].items[0], *figure) for figure in figures):
        return "right"
    answerable = all(any(kind in line.choices or kind == "sheet" for _, kind in things) for line in asked)
    if asked and answerable and all(one in things for one in got) and (may_ask or len(got) < len(things)):
        return "asked"
    return "wrong" if got else "refused"


def test_lists_of_several_voices_are_right_or_asked_and_none_is_silently_wrong():
    found = {text: came_of(text, wanted) for text, wanted in ROWS}
    assert len(found) >= 400
    assert [text for text, how in found.items() if how == "wrong"] == []
    assert sum(how in ("right", "asked") for how in found.values()) / len(found) >= AT_LEAST


def test_an_answer_settles_what_was_asked():
    """Whatever is chosen is then read as that."""
    for text, _ in ROWS:
        for line in read_list(text):
            for choice in line.choices:
                (settled, *_) = read_list(choice)
                assert settled.items or settled.choices == (choice,), (text, choice)
