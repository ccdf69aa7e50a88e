"""The search and its relatives, as workers do them."""

from lofty_press.core.dialin import Belief, as_written, believed_item, believed_press
from lofty_press.core.recipes import Wish, transfer
from lofty_press.core.stack import Item, Press, Sandwich, check_item, check_sandwich
from lofty_press.documents.cutting_file import cutting_svg
from lofty_press.documents.order_loss import order_loss
from lofty_press.documents.recipes import FoundDocument, MissDocument, answer_wish, describe_result
from lofty_press.service.recipes.models import TransferDocument
from lofty_press.service.work.tools import Tools


def search(tools: Tools, wish: Wish, things: dict[str, Item], press: Press, belief: Belief | None) -> bytes:
    """What the shelf gives for a wish, as JSON; found with what is believed, and told with what stands on the shelf."""
    if belief is None:
        return answer_wish(wish, things, press, tools.library).model_dump_json().encode()
    known = {key: believed_item(item, belief) for key, item in things.items()}
    found = answer_wish(wish, known, believed_press(press, belief), tools.library)
    written: dict[str | None, Item] = {item.shelf_id: item for item in things.values() if item.shelf_id is not None}
    told: list[FoundDocument | MissDocument] = [
        *found.found,
        *([found.closest] if found.closest else []),
        *(near.best for near in found.nearly),
    ]
    for document in told:
        document.sandwich = as_written(document.sandwich, press, written)
    return found.model_dump_json().encode()


def to_other_press(tools: Tools, sandwich: Sandwich, things: dict[str, Item], press: Press) -> bytes:
    """What a sandwich becomes on another press, as JSON."""
    check_sandwich(sandwich)
    found = transfer(sandwich, things, press, tools.library)
    recipes = describe_result(found.result, found.wish, found.shelf, press, tools.library)
    return TransferDocument(differences=list(found.differences), recipes=recipes).model_dump_json().encode()


def loss_of_order(tools: Tools, sandwich: Sandwich) -> bytes:
    """What cutting after embossing leaves, as JSON."""
    check_sandwich(sandwich)
    return order_loss(sandwich, tools.library).model_dump_json().encode()


def cutting_file(_: Tools, item: Item) -> bytes:
    """A part to make, as SVG."""
    check_item("item", item)
    return cutting_svg(item).encode()
