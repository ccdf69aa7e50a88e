"""What a usual change costs: each made by script on a scratch copy, in the places that CONTRIBUTING names, and checked."""

import os
import shutil
import subprocess
import sys
from dataclasses import dataclass
from pathlib import Path

from lofty_press.bench.figure import Figure
from lofty_press.setup.paths import ROOT, WEB

CORE = "src/lofty_press/core"
PUBLISH = (
    "from lofty_press.cli.publish import described\n"
    "from lofty_press.service.db.migrate import freeze_new\n"
    "from lofty_press.setup import frontend\n"
    "freeze_new()\n"
    "for path, text in described().items(): path.write_text(text)\n"
    "frontend.run_npm('run', 'types')\n"
)
"""All that `lofty publish` writes but the tables of forming, which take minutes and which nobody writes by hand."""
CHECK = (
    "import sys\n"
    "from lofty_press.cli import check\n"
    "held = [check.descriptions_current(), check.migrations_frozen(), check.plainly_spoken()]\n"
    "sys.exit(not all(held))\n"
)


@dataclass(frozen=True)
class Insertion:
    """Some lines that go before the first `anchor` of a file; without one they are a new file."""

    file: str
    lines: str
    anchor: str = ""


@dataclass(frozen=True)
class Change:
    """What somebody wants, and the insertions by hand that it takes."""

    wanted: str
    made: tuple[Insertion, ...]

    @property
    def places(self) -> int:
        """How many files are written by hand."""
        return len({one.file for one in self.made})


KINDS_FILE, STACK_KINDS = f"{CORE}/basics/words/kinds.py", f"{CORE}/sandwich/stack/kinds.py"
WORKS_FILE, LIBRARY = f"{CORE}/working/work/works.py", f"{CORE}/sandwich/materials/library.py"
RELIEFS = "src/lofty_press/documents/files/reliefs"
RULES, CODES = f"{CORE}/judging/findings/rules/inking.py", f"{CORE}/judging/findings/codes.py"

CHANGES = (
    Change(
        "a unit",
        (
            Insertion(KINDS_FILE, '    "weight",\n', '    "stiffness",\n'),
            Insertion(KINDS_FILE, '    "weight": {"mm": Reading("g"), "in": Reading("oz", 0.0353, digits=1)},\n', '    "stiffness": alike'),
        ),
    ),
    Change(
        "a kind of item",
        (
            Insertion(STACK_KINDS, ', "felt sheet"', "]\nFolderKind"),
            Insertion(
                STACK_KINDS,
                '    "felt sheet": KindTraits(family="mat", mm=1.5, sd=0.2, material="foam", seen="plain", spoken=("felt",)),\n',
                '    "foam sheet": KindTraits(',
            ),
        ),
    ),
    Change(
        "a material",
        (
            Insertion(LIBRARY, '    "cork",\n', '    "foam",\n    "paper"'),
            Insertion(LIBRARY, '    "cork": Material("rigid", Young(20.0), 0.1, 1.0, 0.2),\n', '    "copper": Material('),
            Insertion(
                "src/lofty_press/documents/pictures/pile_drawing/hatching.py",
                '    "cork": Hatch("#d9b48a", "#8d6b45", (RISING,)),\n',
                '    "copper": Hatch(',
            ),
        ),
    ),
    Change(
        "a stock's property",
        (
            Insertion(
                f"{CORE}/sandwich/stock/sheet.py",
                '    smells: Annotated[bool, Asked(say("smells when it is warm"), rare=True)] = False\n',
                "    mist: Annotated[",
            ),
        ),
    ),
    Change(
        "a work of Plan",
        (
            Insertion(WORKS_FILE, '    "emboss edges",\n', '    "address",\n]'),
            Insertion(WORKS_FILE, '        Work("emboss edges", say("ink the edges"), 30, 40),\n', '        Work("address"'),
        ),
    ),
    Change(
        "a format of reliefs",
        (
            Insertion(
                f"{RELIEFS}/listed.py",
                '"""Heights as a list of numbers."""\n\n'
                "from lofty_press.core.basics.errors import InvalidInput\n"
                "from lofty_press.core.basics.words import say\n"
                "from lofty_press.documents.files.reliefs.wish import ReadRelief, Wish\n\n\n"
                "def read_listed(data: bytes, wish: Wish) -> ReadRelief:\n"
                '    """Read them."""\n'
                '    raise InvalidInput("file", len(data), say("lists nothing for a {use}", use=wish.use))\n',
            ),
            Insertion(
                f"{RELIEFS}/read.py",
                "from lofty_press.documents.files.reliefs.listed import read_listed\n",
                "from lofty_press.documents.files.reliefs.outlines",
            ),
            Insertion(
                f"{RELIEFS}/read.py",
                '    if head.startswith(b"heights"):\n        return read_listed(data, wish)\n',
                '    if head[:5] == b"solid"',
            ),
        ),
    ),
    Change(
        "a finding",
        (
            Insertion(
                RULES,
                "def ink_in_the_cold(e: Evidence) -> Iterable[Finding]:\n"
                '    """Never seen here."""\n'
                "    if len(e.view.layers) > 1000:\n"
                '        yield Finding("ink-in-the-cold", "advise", say("Cold ink is stiff."), say("Warm the room."), None)\n\n\n',
                "def ink_hints(",
            ),
            Insertion(RULES, "ink_in_the_cold, ", "ink_hints)\n"),
            Insertion(CODES, '    "ink-in-the-cold": CallTraits(),\n', '    "ink-lands"'),
        ),
    ),
    Change(
        "a cause for the coach",
        (
            Insertion(
                f"{CORE}/teaching/coach/causes/finish.py",
                "    Cause(\n"
                '        "ink frozen",\n        say("The ink was too cold"),\n        1,\n        only(inked),\n        say("Cold ink is stiff."),\n'
                '        say("The can feels cold."),\n        say("Warm it by hand before you roll it."),\n        signs={"patchy": 0.4},\n'
                '        teaches="nothing",\n        look="touch",\n        leaves="in patches",\n    ),\n',
                '    Cause(\n        "ink on the wrong half"',
            ),
        ),
    ),
    Change(
        "a column",
        (
            Insertion(
                "src/lofty_press/service/db/migrations/0011_lent.sql",
                "-- depends: 0010_pictures\n\nALTER TABLE pictures ADD COLUMN IF NOT EXISTS lent_to VARCHAR(80) NULL;\n",
            ),
        ),
    ),
    Change("a format of paper", (Insertion(f"{CORE}/sandwich/stock/paper_sizes.py", '    "A8 card": (5.5, 8.125),\n', '    "A7 card"'),)),
)
"""The changes that come up, as CONTRIBUTING lists them. Not here: a drill and a device, which are programs of their own."""


def scratch_copy(folder: Path) -> Path:
    """All that is committed or would be, with this copy's packages."""
    listed = subprocess.run(
        ["git", "ls-files", "--cached", "--others", "--exclude-standard"], cwd=ROOT, check=True, capture_output=True, text=True
    )
    for name in listed.stdout.splitlines():
        if (ROOT / name).is_file():
            (folder / name).parent.mkdir(parents=True, exist_ok=True)
            shutil.copy2(ROOT / name, folder / name)
    (folder / WEB.name / "node_modules").symlink_to(WEB / "node_modules")
    return folder


def carry_out(change: Change, folder: Path) -> None:
    """Make a change on a copy.

    Raises
    ------
    ValueError
        If a file has no such place any more.
    """
    for one in change.made:
        file = folder / one.file
        text = file.read_text() if one.anchor else ""
        if one.anchor not in text:
            raise ValueError(f"{change.wanted}: {one.file} has no {one.anchor!r}")
        at = text.index(one.anchor) if one.anchor else 0
        file.write_text(text[:at] + one.lines + text[at:])


def faults(folder: Path) -> str:
    """What publishing and the checks say against a copy; empty if nothing."""
    tools, web = Path(sys.executable).parent, WEB / "node_modules" / ".bin"
    inside = {**os.environ, "PYTHONPATH": str(folder / "src")}
    page = folder / WEB.name
    steps: tuple[tuple[Path, tuple[str, ...]], ...] = (
        (folder, (f"{tools}/python", "-c", PUBLISH)),
        (folder, (f"{tools}/python", "-c", CHECK)),
        (folder, (f"{tools}/mypy", "--cache-dir", str(folder / "types"))),
        (folder, (f"{tools}/ruff", "check", ".")),
        (folder, (f"{tools}/lint-imports", "--no-cache")),
        (page, (f"{web}/tsc", "--noEmit")),
    )
    for place, command in steps:
        done = subprocess.run(command, cwd=place, env=inside, capture_output=True, text=True)
        if done.returncode:
            return f"{' '.join(command)[:120]}\n{done.stdout[-3000:]}{done.stderr[-3000:]}"
    return ""


def measure(folder: Path) -> list[Figure]:
    """How many places the dearest of the changes takes, all of them made on one copy that the checks then pass."""
    copy = scratch_copy(folder)
    for change in CHANGES:
        carry_out(change, copy)
    against = faults(copy)
    if against:
        print(against, file=sys.stderr)
        return [Figure("changes_places", float("inf"), "1", 3.0)]
    return [Figure("changes_places", float(max(change.places for change in CHANGES)), "1", 3.0)]
