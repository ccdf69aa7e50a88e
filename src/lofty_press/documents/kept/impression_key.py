"""Which sandwiches come out alike: a key over everything that the pressed sheet depends on, and nothing else."""

import hashlib
import json
from functools import lru_cache
from typing import Any

from pydantic import TypeAdapter

from lofty_press.core.sandwich.stack import Item, Layer, Press, Sandwich
from lofty_press.documents.kept.fingerprint import fingerprint_of

WITHOUT_EFFECT = ("name", "note", "shelf_id", "id", "sd_mm", "source", "picture", "photo")
ADAPTERS: dict[type, TypeAdapter[Any]] = {kind: TypeAdapter(kind) for kind in (Press, Item, Layer)}


def impression_key(sandwich: Sandwich) -> str:
    """32 hexadecimal digits; equal for sandwiches that differ in names, notes and how well their figures are known only, as long as the core is the same."""
    layers = [(essence(layer), essence(sandwich.items[layer.item]) if layer.item in sandwich.items else None) for layer in sandwich.layers]
    text = json.dumps([fingerprint_of(), essence(sandwich.press), sandwich.effect.kind, sandwich.passes, layers])
    return hashlib.sha256(text.encode()).hexdigest()[:32]


@lru_cache(maxsize=4096)
def essence(thing: Press | Item | Layer) -> str:
    """What matters of one part as text; the same parts come again with every judgement."""
    body = ADAPTERS[type(thing)].dump_python(thing, mode="json")
    if isinstance(thing, Layer):
        del body["item"]  # a mere name within its sandwich
    return json.dumps(bare(body), sort_keys=True, separators=(",", ":"))


def bare(value: Any) -> Any:
    """The value without names, notes, identities and how well a figure is known."""
    if isinstance(value, dict):
        return {k: bare(v) for k, v in value.items() if k not in WITHOUT_EFFECT}
    return [bare(v) for v in value] if isinstance(value, list) else value
