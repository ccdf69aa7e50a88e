"""Bodies that older versions of the program stored, brought step by step to the shape of today.

Each body is kept with the number of its shape. A step turns one shape into the next and knows nothing of the others; a change of a stored
field adds a step here and raises `SHAPE`. Steps work on plain JSON, since the classes of then are gone.
"""

import json
import re
from collections.abc import Callable
from typing import Any, Literal, TypeVar

from pydantic import TypeAdapter
from pydantic_core import to_json

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.quantities import CONTROL
from lofty_press.core.basics.words import say

Kind = Literal["press", "item", "ink", "sandwich", "run", "job", "paper", "drill"]
Body = dict[str, Any]
Stored = TypeVar("Stored")

SHAPE = 1
COLOUR = re.compile(r"#[0-9a-fA-F]{6}")
ACCENT = "#1f6f63"
BOARD = "#e9e2d0"


def current(kind: Kind, body: Any, shape: int) -> Body:
    """A stored body in the shape of today.

    Raises
    ------
    InvalidInput
        If it is of a newer shape than this program knows, or is no object.
    """
    if shape > SHAPE:
        raise InvalidInput("shape", shape, say("was saved by a newer version of Lofty Press; update this one first"))
    if not isinstance(body, dict):
        raise InvalidInput("body", type(body).__name__, say("must be an object"))
    found: Body = body
    for step in STEPS[shape:]:
        found = step[kind](found)
    return found


def read_stored(adapter: TypeAdapter[Stored], kind: Kind, text: str, shape: int) -> Stored:
    """What a stored text holds, brought to the shape of today; one that is of today is read straight out of its text.

    Raises
    ------
    ValueError
        If it cannot be read.
    """
    if shape == SHAPE:
        return adapter.validate_json(text)
    return adapter.validate_python(current(kind, json.loads(text), shape))


def stored_text(body: Body) -> str:
    """A body as it is stored: spelled alike whoever stores it, so that what is restored is stored as it was."""
    return to_json(body).decode()


def without(body: Body, *names: str) -> Body:
    return {name: value for name, value in body.items() if name not in names}


def plain(text: Any) -> Any:
    """A text without control characters."""
    return CONTROL.sub(" ", text) if isinstance(text, str) else text


def with_name(body: Body) -> Body:
    """Names and notes without control characters."""
    return {**body, **{name: plain(body[name]) for name in ("name", "note") if name in body}}


def colour(value: Any, otherwise: str | None) -> Any:
    return value if isinstance(value, str) and COLOUR.fullmatch(value) else otherwise


def item_0(body: Body) -> Body:
    """Margins, heights and looseness that nothing read are gone; colours are colours."""
    body = with_name(body)
    if isinstance(body.get("relief"), dict):
        body["relief"] = without(body["relief"], "edge_margin_mm", "heights")
    if isinstance(body.get("blade"), dict):
        body["blade"] = without(body["blade"], "loose")
    if isinstance(body.get("stock"), dict):
        stock = dict(body["stock"])
        if "face_colour" in stock:
            stock["face_colour"] = colour(stock["face_colour"], BOARD)
        if stock.get("core_colour") is not None:
            stock["core_colour"] = colour(stock["core_colour"], None)
        body["stock"] = stock
    return body


def ink_0(body: Body) -> Body:
    """A colour is a colour."""
    return {**with_name(body), **({"colour": colour(body["colour"], ACCENT)} if "colour" in body else {})}


def sandwich_0(body: Body) -> Body:
    """Which way a folder leads is its rotation, and no field of its own."""
    body = with_name(without(body, "lead"))
    if isinstance(body.get("items"), dict):
        body["items"] = {key: item_0(item) if isinstance(item, dict) else item for key, item in body["items"].items()}
    if isinstance(body.get("layers"), list):
        body["layers"] = [layer_0(layer) if isinstance(layer, dict) else layer for layer in body["layers"]]
    if isinstance(body.get("press"), dict):
        body["press"] = with_name(body["press"])
    return body


def layer_0(body: Body) -> Body:
    body = without(body, "holds_cut_piece")
    if isinstance(body.get("ink"), dict):
        body["ink"] = ink_0(body["ink"])
    return body


def run_0(body: Body) -> Body:
    """The sandwich inside it."""
    body = {**body, **({"note": plain(body["note"])} if "note" in body else {})}
    if isinstance(body.get("sandwich"), dict):
        body["sandwich"] = sandwich_0(body["sandwich"])
    return body


def as_it_is(body: Body) -> Body:
    """A body that the step leaves alone."""
    return body


STEPS: tuple[dict[Kind, Callable[[Body], Body]], ...] = (
    {
        "press": with_name,
        "item": item_0,
        "ink": ink_0,
        "sandwich": sandwich_0,
        "run": run_0,
        "job": as_it_is,
        "paper": as_it_is,
        "drill": as_it_is,
    },
)
