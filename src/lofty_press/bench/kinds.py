"""In how many places a new kind of thing has to be written down."""

import ast
from collections.abc import Iterator
from pathlib import Path

import lofty_press
from lofty_press.bench.figure import Figure
from lofty_press.core.sandwich.stack import ITEM_KINDS

NAMES = ("kinds_places",)
ITS_OWN = 2
"""Its name, and its entry in the table of kinds."""
MANY = 3
"""Kinds in a row from which a display is a list that a new one may belong in."""
TABLE, PILES = Path("core/sandwich/stack/kinds.py"), Path("core/working/setout/usual_piles.py")
"""The table itself, and the usual piles, which name what lies in each."""
INVENTED = ("demo", "bench", "siege")


def lists_of_kinds() -> Iterator[tuple[Path, int]]:
    """Every hand-written list of kinds besides the table, by its module and line."""
    root = Path(lofty_press.__file__).parent
    for path in sorted(root.rglob("*.py")):
        where = path.relative_to(root)
        if where in (TABLE, PILES) or where.parts[0] in INVENTED:
            continue
        for node in ast.walk(ast.parse(path.read_text())):
            if not isinstance(node, ast.Tuple | ast.List | ast.Set | ast.Dict):
                continue
            parts = node.keys if isinstance(node, ast.Dict) else node.elts
            kinds = [part for part in parts if isinstance(part, ast.Constant) and part.value in ITEM_KINDS]
            if len(kinds) >= MANY:
                yield where, node.lineno


def measure(names: set[str]) -> list[Figure]:
    """Its own two places, and every list besides."""
    if not set(NAMES) & names:
        return []
    return [Figure("kinds_places", float(ITS_OWN + len(list(lists_of_kinds()))), "1", 2.0)]
