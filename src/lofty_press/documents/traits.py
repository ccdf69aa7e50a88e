"""What the page knows of kinds and limits, written out for it from the core."""

import json

from lofty_press.core.effects import BLADE_STATES
from lofty_press.core.stack import FOLDERS, LONGEST_KEY, MOST_COPIES, MOST_LAYERS


def traits_for_the_page() -> str:
    """A TypeScript module."""
    lines = {
        "FOLDERS": sorted(FOLDERS),
        "MOST_LAYERS": MOST_LAYERS,
        "MOST_COPIES": MOST_COPIES,
        "LONGEST_KEY": LONGEST_KEY,
        "BLADE_STATES": BLADE_STATES,
    }
    head = "/** Kinds and limits of the core, written by `lofty publish`. */\n"
    return head + "".join(f"export const {name} = {json.dumps(value)};\n" for name, value in lines.items())
