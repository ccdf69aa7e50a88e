"""What the page keeps as tables: its keys, and what the shelf's form asks."""

from pathlib import Path
from typing import get_args

import pytest
from pydantic import TypeAdapter

from lofty_press.core.basics.words import KINDS
from lofty_press.core.sandwich.stack import ITEM_KINDS, Ink, Item, Press, check_item

ROOT = Path(__file__).resolve().parents[2]
SORTS = {"press": Press, "item": Item, "ink": Ink}


def test_the_readme_tells_every_key_of_the_bench(ask):
    (keys,) = ask("benchKeys", [])
    readme = (ROOT / "README.md").read_text()
    for shown, means in keys:
        assert "| " + " ".join(f"`{key}`" for key in split(shown)) + f" | {means} |" in readme


def split(shown):
    """Keys as they are shown one beside the other; "Shift r" and "← ↑ ↓ →" are one."""
    for one in ("Alt ↑", "Alt ↓", "Shift r", "Shift m", "Shift u", "← ↑ ↓ →"):
        shown = shown.replace(one, one.replace(" ", "\0"))
    return [key.replace("\0", " ") for key in shown.split(" ")]


def figures(fields):
    for field in fields:
        yield from figures(field["fields"]) if field["sort"] == "group" else [field]


@pytest.mark.parametrize("sort", SORTS)
def test_every_number_of_a_thing_is_asked_with_its_limits_and_a_name(ask, sort):
    (fields,) = ask("fieldsOf", [sort])
    asked = list(figures(fields))
    assert all(field["label"] and field["kind"] in KINDS for field in asked)
    numbers = [field for field in asked if field["sort"] == "number"]
    assert len(numbers) >= {"press": 12, "item": 25, "ink": 1}[sort]
    assert all(field["least"] is not None and field["most"] is not None for field in numbers)


def test_a_part_that_is_added_starts_with_figures_that_are_allowed(ask):
    """Stock, relief, blade and the answer to mist, filled in from nothing, are taken by the core."""
    (fields,) = ask("fieldsOf", ["item"])
    (made,) = ask("newThing", ["hard plate", "Odd", 3.0])
    parts = {field["name"]: field["initial"] for field in fields if field["sort"] == "group" and field["optional"]}
    assert set(parts) == {"relief", "blade", "stock"}
    TypeAdapter(Item).validate_python({**made["item"], **parts})


@pytest.mark.parametrize("kind", ITEM_KINDS)
def test_a_new_thing_of_each_kind_is_one_that_can_be_judged(ask, kind):
    (made,) = ask("newThing", [kind, "Mine", 2.5])
    item = TypeAdapter(Item).validate_python(made["item"])
    check_item("item", item)
    assert (item.kind, item.name, item.thickness.mm, item.thickness.source) == (kind, "Mine", 2.5, "typical")


def test_a_new_press_and_a_new_ink(ask):
    press, ink = ask("newThing", ["press", "Mine", 17.2], ["ink", "Green", None])
    assert TypeAdapter(Press).validate_python(press["press"]).opening.mm == 17.2
    assert TypeAdapter(Ink).validate_python(ink["ink"]).type in get_args(Ink.__dataclass_fields__["type"].type.__args__[0])
