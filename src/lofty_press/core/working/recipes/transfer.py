"""A sandwich that works on one press, on another: the same effect, tool and stock, and the pile that the other press asks for."""

from dataclasses import dataclass

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, force, say, size, thickness
from lofty_press.core.sandwich.relief import Library, no_library
from lofty_press.core.sandwich.stack import Press, Sandwich, StackView
from lofty_press.core.working.recipes.origin import origin_of
from lofty_press.core.working.recipes.search import Result, search
from lofty_press.core.working.recipes.wish import Shelf, Wish

TOLD = 0.02  # mm; smaller differences between openings are not worth a word


@dataclass(frozen=True)
class Transfer:
    """What a sandwich becomes on another press: how the presses differ, in words, and what the search found there."""

    differences: tuple[Message, ...]
    wish: Wish
    shelf: Shelf
    result: Result


def transfer(sandwich: Sandwich, shelf: Shelf, press: Press, library: Library = no_library) -> Transfer:
    """Find a sandwich's counterpart on another press.

    Parameters
    ----------
    sandwich : Sandwich
    shelf : mapping of str to Item
        What there is besides the sandwich's own tool and sheet.
    press : Press
    library : callable
        Finds the relief maps of tools.

    Raises
    ------
    InvalidInput
        If the sandwich has no tool or sheet, or is like no known effect.
    """
    view, origin = StackView(sandwich), origin_of(sandwich)
    if view.tool is None or view.sheet is None or origin is None:
        raise InvalidInput("sandwich", sandwich.name, say("needs a sheet, and a tool that gives its effect"))
    effect, _ = origin
    sheet, tool = key_of(view.sheet.layer.item, sandwich, shelf), key_of(view.tool.layer.item, sandwich, shelf)
    ink = next((p.layer.ink for p in view.layers if p.layer.ink is not None), None)
    takes_ink = ink if ink is not None and ink.type in effect.inks else None
    front = sandwich.effect.front if sandwich.effect.front in effect.looks else "either"
    wish = Wish(effect=effect.key, stock=sheet, tool=tool, front=front, ink=takes_ink)
    whole = {**shelf, sheet: shelf.get(sheet, view.sheet.item), tool: shelf.get(tool, view.tool.item)}
    return Transfer(differences(sandwich.press, press, view), wish, whole, search(wish, whole, press, library))


def key_of(key: str, sandwich: Sandwich, shelf: Shelf) -> str:
    """Where on the shelf a sandwich's item is: by its place there, else by kind and name, else it brings itself."""
    item = sandwich.items[key]
    if item.shelf_id in shelf:
        return str(item.shelf_id)
    return next((k for k, i in shelf.items() if i.kind == item.kind and i.name == item.name), key)


def differences(old: Press, new: Press, view: StackView) -> tuple[Message, ...]:
    """How two presses differ as far as this sandwich minds."""
    said = []
    opening = new.opening.mm - old.opening.mm
    if abs(opening) > TOLD:
        wider = say("wider") if opening > 0 else say("narrower")
        said.append(
            say(
                "{new}'s opening is {abs} {wider}: put that much more or less between the rollers.",
                new=new.name,
                abs=thickness(abs(opening)),
                wider=wider,
            )
        )
    if new.opening.sd_mm > 1.5 * old.opening.sd_mm:
        said.append(
            say(
                "We know {new}'s opening less well (to {sd}). Measuring it makes this surer.",
                new=new.name,
                sd=thickness(new.opening.sd_mm),
            )
        )
    widest = max((p for p in view.layers), key=lambda p: p.item.width_mm)
    if widest.item.width_mm > new.feed_width_mm:
        said.append(
            say(
                "{new} takes {feed_width}. {widest} is {width} wide and can't go along.",
                new=new.name,
                feed_width=size(new.feed_width_mm),
                widest=widest.name,
                width=size(widest.item.width_mm),
            )
        )
    if new.drive.kind != old.drive.kind:
        said.append(say("A motor turns it: unplug it before you reach in.") if new.drive.kind == "motor" else say("You turn it by hand."))
    elif new.drive.kind == "hand" and new.drive.comfort_n < old.drive.comfort_n:
        said.append(
            say(
                "Its handle is easy up to {comfort}; the other's, up to {before}.",
                comfort=force(new.drive.comfort_n),
                before=force(old.drive.comfort_n),
            )
        )
    return tuple(said)
