"""The catalogue: every text that the program can say, as a translator gets it."""

import ast
import re
from collections import defaultdict
from collections.abc import Iterable
from pathlib import Path, PurePosixPath

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
TERMS = (*ITEM_KINDS, *BLADE_STATES, *SIDES, *NUMBERS, *sorted(FEEDS), *sorted(INKS))

SHORT = 2  # words that say too little by themselves


class NotPlain(ValueError):
    """A text whose template is not written out where it is made, so that no catalogue can hold it."""


def catalogue(page: Path) -> dict[str, str]:
    """Every template by itself, screen by screen: the English catalogue, to be copied and translated; `page` is the folder of the page's source.

    The page's texts come first, in the order of its folders and of the lines in them; then what the core, the documents and the service say;
    at the end the terms that stand in other texts.
    """
    return {template: template for template in users(page)}


def notes(page: Path) -> dict[str, str]:
    """For each short text where it is read, since two words alone can be translated in many ways: folders and modules, as in
    `places/plan: Hands, Presses`."""
    return {template: seen_in(paths) for template, paths in users(page).items() if len(template.split()) <= SHORT}


def users(page: Path) -> dict[str, list[str]]:
    """Every template in the order of screens, with the modules that say it, relative to their source; a term is said by none."""
    found: defaultdict[str, list[str]] = defaultdict(list)
    for root, pattern, read in ((page, "*.ts*", labels_in), (SOURCE, "*.py", templates_in)):
        for path in sorted(root.rglob(pattern)):
            for template in read(path):
                found[template].append(path.relative_to(root).as_posix())
    return {template: paths for template, paths in {**found, **{term: found.get(term, []) for term in TERMS}}.items() if template}


def seen_in(paths: Iterable[str]) -> str:
    """Modules by their folder, as a note says them; nothing means a term of the trade."""
    folders: defaultdict[str, list[str]] = defaultdict(list)
    for path in map(PurePosixPath, dict.fromkeys(paths)):
        folders[path.parent.as_posix()].append(path.stem)
    return "; ".join(f"{folder}: {', '.join(names)}" for folder, names in folders.items()) or "a term, part of other texts"


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
