"""The search and its relatives, as workers do them."""

from lofty_press.core.judging.dialin import Belief, InRoom, as_written, believed, believed_item, believed_press
from lofty_press.core.sandwich.stack import Item, Press, Sandwich, check_item, check_sandwich
from lofty_press.core.working.recipes import Wish, depth_of_tool, transfer
from lofty_press.core.working.setout import one_of_each
from lofty_press.documents.answers.order_loss import order_loss
from lofty_press.documents.answers.recipes import FoundDocument, MissDocument, RecipesDocument, answer_wish, describe_result
from lofty_press.documents.files.cutting_file import cutting_svg
from lofty_press.service.computing.recipes.models import DepthDocument, TransferDocument
from lofty_press.service.work.tools import Tools


def search(tools: Tools, wish: Wish, things: dict[str, Item], press: Press, belief: Belief | None) -> bytes:
    """What the shelf gives for a wish, as JSON; found with what is believed, and told with what stands on the shelf."""
    things = one_of_each(things, (wish.tool, wish.stock))
    if belief is None:
        return answer_wish(wish, things, press, tools.library).model_dump_json().encode()
    found = answer_wish(wish, known_things(things, belief), believed_press(press, belief), tools.library, InRoom(belief.from_here()))
    told_as_written(found, things, press)
    return found.model_dump_json().encode()


def to_other_press(tools: Tools, sandwich: Sandwich, things: dict[str, Item], press: Press, belief: Belief | None) -> bytes:
    """What a sandwich becomes on another press, as JSON; by what is believed of both."""
    check_sandwich(sandwich)
    if belief is None:
        found = transfer(sandwich, things, press, tools.library)
        recipes = describe_result(found.result, found.wish, found.shelf, press, tools.library)
    else:
        known = believed_press(press, belief)
        found = transfer(believed(sandwich, belief), known_things(things, belief), known, tools.library)
        recipes = describe_result(found.result, found.wish, found.shelf, known, tools.library, InRoom(belief.from_here()))
        told_as_written(recipes, things, press)
    return TransferDocument(differences=list(found.differences), recipes=recipes).model_dump_json().encode()


def depth_of(tools: Tools, tool: Item, sheet: tuple[str, float, float], things: dict[str, Item], press: Press) -> bytes:
    """How deep a tool is by a sheet pressed in it, as JSON; `sheet` is its stock, its depth and the spread of that [mm]."""
    check_item("tool", tool)
    stock, depth, spread = sheet
    found = depth_of_tool(tool, stock, (depth, spread), things, press, tools.library)
    return (
        DepthDocument(depth_mm=round(found.depth, 3), spread_mm=round(found.spread, 3), kept=round(found.kept, 3))
        .model_dump_json()
        .encode()
    )


def known_things(things: dict[str, Item], belief: Belief) -> dict[str, Item]:
    """The things of the shelf as they are believed to be."""
    return {key: believed_item(item, belief) for key, item in things.items()}


def told_as_written(found: RecipesDocument, things: dict[str, Item], press: Press) -> None:
    """Write each sandwich with what stands on the shelf."""
    written: dict[str | None, Item] = {item.shelf_id: item for item in things.values() if item.shelf_id is not None}
    works = [*found.found, *(near.best for near in found.nearly)]
    told: list[FoundDocument | MissDocument] = [*works, *([found.closest] if found.closest else [])]
    for one in told:
        one.sandwich = as_written(one.sandwich, press, written)


def loss_of_order(tools: Tools, sandwich: Sandwich) -> bytes:
    """What cutting after embossing leaves, as JSON."""
    check_sandwich(sandwich)
    return order_loss(sandwich, tools.library).model_dump_json().encode()


def cutting_file(_: Tools, item: Item) -> bytes:
    """A part to make, as SVG."""
    check_item("item", item)
    return cutting_svg(item).encode()
