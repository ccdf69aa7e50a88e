"""`lofty recipes`: a wish in, ranked sandwiches with their reasons out."""

import argparse
import json
from pathlib import Path
from typing import Any, get_args

from lofty_press.cli.assess_file import print_document, refuse
from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import ItemKind
from lofty_press.core.working.recipes import EFFECTS, Wish
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SHELF
from lofty_press.demo.shelf import INKS
from lofty_press.documents.answers.recipes import answer_wish, describe_effect
from lofty_press.documents.answers.words import read_out
from lofty_press.documents.files.shelf_file import LARGEST_SHELF, ShelfFile, read_shelf_file

KINDS: tuple[str, ...] = get_args(ItemKind)


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("--list", action="store_true", help="name the effects")
    parser.add_argument("--effect", metavar="E", help="key of the effect")
    parser.add_argument("--press", metavar="P", help="key or name of the press")
    parser.add_argument("--stock", metavar="S", help="key or name of the sheet")
    parser.add_argument("--tool", metavar="T", help="key or name of the folder, die or plate; any if it is left out")
    parser.add_argument("--front", choices=("raised", "sunk", "either"), default="either", help="look of the front")
    parser.add_argument("--without", nargs="+", default=[], metavar="KIND", help='kinds not to use, such as "soft plate"')
    parser.add_argument("--shelf", type=Path, metavar="FILE", help="a shelf file; the demo press room's if it is left out")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Print what was found; a refusal is JSON with exit code 2."""
    if arguments.list:
        print(json.dumps(read_out([describe_effect(e).model_dump(mode="json") for e in EFFECTS.values()]), ensure_ascii=False, indent=2))
        return 0
    try:
        for name in ("effect", "press", "stock"):
            if getattr(arguments, name) is None:
                raise InvalidInput(name, None, say("--{name} must be given; --list names the effects", name=name))
        for kind in arguments.without:
            if kind not in KINDS:
                raise InvalidInput("without", kind, say("must be one of {choices}", choices=", ".join(KINDS)))
        shelf = shelf_of(arguments.shelf)
        press = shelf.presses[key_of(shelf.presses, arguments.press, "press")]
        tool = None if arguments.tool is None else key_of(shelf.items, arguments.tool, "tool")
        stock = key_of(shelf.items, arguments.stock, "stock")
        wish = Wish(effect=arguments.effect, stock=stock, tool=tool, front=arguments.front, without=tuple(arguments.without))
        document = answer_wish(wish, shelf.items, press, demo_relief)
    except InvalidInput as error:
        return refuse("invalid", str(error), error.field)
    except NoBalance as error:
        return refuse("no-balance", str(error), None)
    except OSError as error:
        return refuse("file", f"cannot read {arguments.shelf}: {error.strerror}", "shelf")
    print_document(document)
    return 0


def shelf_of(file: Path | None) -> ShelfFile:
    """The shelf of a file, or the demo press room's."""
    if file is None:
        return ShelfFile(presses=PRESSES, items=SHELF, inks=INKS)
    with file.open("rb") as handle:
        return read_shelf_file(handle.read(LARGEST_SHELF + 1))


def key_of(things: Any, wanted: str, field: str) -> str:
    """The key of a thing that is named by its key or its name."""
    if wanted in things:
        return wanted
    for key, thing in things.items():
        if thing.name.casefold() == wanted.casefold():
            return str(key)
    some = ", ".join(sorted(things)[:30]) or "nothing"
    raise InvalidInput(field, wanted, say("isn't on the shelf; there is {some}", some=some))
