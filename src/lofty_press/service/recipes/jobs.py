"""The search and its relatives, as workers do them."""

from lofty_press.core.recipes import Wish, transfer
from lofty_press.core.stack import Item, Press, Sandwich, check_item, check_sandwich
from lofty_press.documents.cutting_file import cutting_svg
from lofty_press.documents.order_loss import order_loss
from lofty_press.documents.recipes import answer_wish, describe_result
from lofty_press.service.recipes.models import TransferDocument
from lofty_press.service.work.tools import Tools


def search(tools: Tools, wish: Wish, things: dict[str, Item], press: Press) -> bytes:
    """What the shelf gives for a wish, as JSON."""
    return answer_wish(wish, things, press, tools.library).model_dump_json().encode()


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
