"""Which sandwiches come out alike: a key over everything that the pressed sheet depends on, and nothing else."""

import hashlib
import json
from typing import Any

from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.documents.impression import VERSION
from lofty_press.documents.sandwich_file import SANDWICH

WITHOUT_EFFECT = ("name", "note", "shelf_id", "id")


def impression_key(sandwich: Sandwich) -> str:
    """32 hexadecimal digits; equal for sandwiches that differ in names and notes only."""
    body = SANDWICH.dump_python(sandwich, mode="json")
    layers = [{**layer, "item": body["items"].get(layer["item"])} for layer in body["layers"]]
    essence = {"version": VERSION, "press": body["press"], "effect": body["effect"]["kind"], "layers": layers, "passes": body["passes"]}
    text = json.dumps(bare(essence), sort_keys=True, separators=(",", ":"))
    return hashlib.sha256(text.encode()).hexdigest()[:32]


def bare(value: Any) -> Any:
    """The value without names, notes and identities."""
    if isinstance(value, dict):
        return {k: bare(v) for k, v in value.items() if k not in WITHOUT_EFFECT}
    return [bare(v) for v in value] if isinstance(value, list) else value
