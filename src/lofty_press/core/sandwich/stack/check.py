"""What must hold between the parts of a sandwich before it can be computed at all."""

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack.item import Item
from lofty_press.core.sandwich.stack.kinds import DIES, FOLDERS, RELIEFS
from lofty_press.core.sandwich.stack.sandwich import Sandwich


def check_sandwich(sandwich: Sandwich) -> None:
    """Refuse a sandwich whose parts contradict one another.

    Raises
    ------
    InvalidInput
        With the path of the first field that cannot be right.
    """
    check_items(sandwich)
    seen: set[str] = set()
    open_folder: str | None = None
    halves: dict[str, list[str]] = {}
    for index, layer in enumerate(sandwich.layers):
        path = f"layers.{index}"
        if layer.id in seen:
            raise InvalidInput(f"{path}.id", layer.id, say("must differ from the ids of the other layers"))
        seen.add(layer.id)
        item = sandwich.items.get(layer.item)
        if item is None:
            raise InvalidInput(f"{path}.item", layer.item, say("must be a key of items"))
        is_folder = item.kind in FOLDERS
        if is_folder != (layer.half is not None):
            raise InvalidInput(f"{path}.half", layer.half, say('must be "raised" or "sunk" for a folder and null for anything else'))
        if is_folder:
            halves.setdefault(layer.item, []).append(str(layer.half))
            if open_folder not in (None, layer.item):
                raise InvalidInput(f"{path}.item", layer.item, say("a folder can't be inside another folder"))
            open_folder = layer.item if open_folder is None else None
    for key, found in halves.items():
        if sorted(found) != ["raised", "sunk"]:
            raise InvalidInput("layers", key, say("each folder must appear as one raised and one sunk half"))


def check_items(sandwich: Sandwich) -> None:
    """Refuse an item without the part that makes it what it is."""
    for key, item in sandwich.items.items():
        check_item(f"items.{key}", item)


def check_item(path: str, item: Item) -> None:
    """Refuse one item, named by its path, that lacks the part that makes it what it is."""
    if (item.kind in FOLDERS or item.kind in RELIEFS) and item.relief is None:
        raise InvalidInput(f"{path}.relief", None, say("a {kind} needs its relief", kind=item.kind))
    if (item.kind in DIES or item.kind == "cutting folder") and item.blade is None:
        raise InvalidInput(f"{path}.blade", None, say("a {kind} needs its blade", kind=item.kind))
    if item.kind == "sheet" and item.stock is None:
        raise InvalidInput(f"{path}.stock", None, say("a sheet needs its stock"))
    if item.thickness.sd_mm > item.thickness.mm:
        raise InvalidInput(f"{path}.thickness.sd_mm", item.thickness.sd_mm, say("can't be more than the thickness"))
