"""The catalogue: every text that the program can say, as a translator gets it."""

import ast
import re
from pathlib import Path

from lofty_press.core.basics.words import NUMBERS
from lofty_press.core.mechanics.effects import BLADE_STATES
from lofty_press.core.sandwich.stack import ITEM_KINDS
from lofty_press.core.working.recipes import EFFECTS

SOURCE = Path(__file__).resolve().parents[2]
TAKES_LABELS = re.compile(r"import \{[^}]*\bt\b[^}]*\} from '[./]+/words/words'|import \{[^}]*\bt\b[^}]*\} from '\./words'")
LABEL = re.compile(r"""(?<![\w.])t\(\s*(?P<text>'(?:[^'\\\n]|\\.)*'|"(?:[^"\\\n]|\\.)*")?""")
SIDES = ("raised", "sunk", "front", "back", "face", "pattern", "ground", "either")
FEEDS = {feed for effect in EFFECTS.values() for way in effect.ways for feed in way.feeds}
INKS = {ink for effect in EFFECTS.values() for ink in effect.inks}
TERMS = (*ITEM_KINDS, *BLADE_STATES, *SIDES, *NUMBERS, *FEEDS, *INKS)


class NotPlain(ValueError):
    """A text whose template is not written out where it is made, so that no catalogue can hold it."""


def catalogue(page: Path) -> dict[str, str]:
    """Every template by itself, in alphabetical order: the English catalogue, to be copied and translated; `page` is the folder of the page's
    source."""
    found = {template for path in sorted(SOURCE.rglob("*.py")) for template in templates_in(path)}
    labels = {label for path in sorted(page.rglob("*.ts*")) for label in labels_in(path)}
    return {template: template for template in sorted(found | labels | set(TERMS)) if template}


def labels_in(path: Path) -> list[str]:
    """Labels of one of the page's modules, read from its source."""
    text = path.read_text()
    if not TAKES_LABELS.search(text):
        return []
    found = []
    for call in LABEL.finditer(text):
        if call["text"] is None:
            line = text.count("\n", 0, call.start()) + 1
            raise NotPlain(f"{path.name}:{line}: write the label out")
        found.append(ast.literal_eval(call["text"]))
    return found


def templates_in(path: Path) -> list[str]:
    """Templates of one module, read from its source."""
    tree = ast.parse(path.read_text())
    if not any(isinstance(node, ast.ImportFrom) and node.module == "lofty_press.core.basics.words" for node in tree.body):
        return []
    found = []
    for node in ast.walk(tree):
        if isinstance(node, ast.Call) and isinstance(node.func, ast.Name) and node.func.id == "say" and node.args:
            template = node.args[0]
            if not (isinstance(template, ast.Constant) and isinstance(template.value, str)):
                raise NotPlain(f"{path.name}:{node.lineno}: write the template out")
            found.append(template.value)
    return found
