"""`lofty check`: format, lint, types and import rules for both languages."""

import argparse
import subprocess
import sys
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

from lofty_press.cli.publish import described
from lofty_press.documents.kept.kept_tables import SHIPPED, shipped_tables
from lofty_press.documents.texts.catalogue import catalogue
from lofty_press.documents.texts.plain_speech import glossary, stiff, twins
from lofty_press.service.db.migrate import changed_migrations
from lofty_press.setup import frontend
from lofty_press.setup.bootstrap import alone
from lofty_press.setup.paths import DOCS, ROOT, STATE, WEB
from lofty_press.setup.say import say

AT_ONCE = 2
COMPILES = "from lofty_press.service.warm import warm_everything; warm_everything()"
"""What is compiled is kept, so that the tests that follow need not do it, each in a process of its own."""


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("--fix", action="store_true", help="reformat both languages before checking")
    parser.set_defaults(run=run)


def passes(name: str, *command: str, folder: Path = ROOT) -> bool:
    """Run one check and report it."""
    done = subprocess.run(command, cwd=folder, capture_output=True, text=True)
    say(f"{'ok    ' if done.returncode == 0 else 'FAILED'} {name}")
    if done.returncode:
        print(done.stdout + done.stderr, file=sys.stderr)
    return done.returncode == 0


def run(arguments: argparse.Namespace) -> int:
    """Run every check, also after one failed."""
    with alone(STATE):
        frontend.ensure_packages()
    tool = str(Path(sys.executable).parent)
    web = str(WEB / "node_modules" / ".bin")
    if arguments.fix:
        subprocess.run([f"{tool}/ruff", "format", "-q", "."], cwd=ROOT)
        subprocess.run([f"{tool}/ruff", "check", "-q", "--fix", "."], cwd=ROOT)
        subprocess.run([f"{web}/prettier", "--log-level=warn", "--write", "src", "*.ts", "*.js"], cwd=WEB)
    checks = [
        ("computation compiles", f"{tool}/python", "-c", COMPILES),
        ("Python types", f"{tool}/mypy"),
        ("Python format", f"{tool}/ruff", "format", "--check", "."),
        ("Python lint", f"{tool}/ruff", "check", "."),
        ("Python import rules", f"{tool}/lint-imports"),
    ]
    page_checks = [
        ("page format", f"{web}/prettier", "--check", "src", "*.ts", "*.js"),
        ("page lint and import rules", f"{web}/eslint", "src"),
        ("page types", f"{web}/tsc", "--noEmit"),
    ]
    with ThreadPoolExecutor(AT_ONCE) as several:
        begun = [several.submit(passes, *check) for check in checks]
        begun += [several.submit(passes, *check, folder=WEB) for check in page_checks]
        results = [one.result() for one in begun]
    results += [descriptions_current(), migrations_frozen(), tables_current(), plainly_spoken()]
    return 0 if all(results) else 1


def tables_current() -> bool:
    """The tables of forming that ship must be this code's, or a newcomer waits for each."""
    current = bool(shipped_tables(SHIPPED))
    say("ok     tables of forming" if current else "FAILED tables of forming: made by other code; ./lofty publish makes them anew")
    return current


def migrations_frozen() -> bool:
    """A migration that has landed is never edited: databases made with it would not get the change."""
    changed = changed_migrations()
    names = ", ".join(changed)
    words = f"FAILED frozen migrations: {names}; make a new one instead, or freeze a new one with ./lofty publish"
    say(words if changed else "ok     frozen migrations")
    return not changed


def plainly_spoken() -> bool:
    """What the program says is said as anybody would, and one thing in one way."""
    texts = catalogue(WEB / "src")
    faults = stiff(texts, glossary(DOCS / "glossary.md")) + [f"said twice, differently: {same}" for same in twins(texts)]
    say("FAILED texts" if faults else "ok     texts")
    for fault in faults:
        print(fault, file=sys.stderr)
    return not faults


def texts_in(folder: Path) -> dict[Path, str]:
    """Every file below a folder with its text."""
    return {path: path.read_text() for path in folder.rglob("*.ts")}


def descriptions_current() -> bool:
    """The committed descriptions and the page's types must be what the code would write now."""
    stale = [path for path, text in described().items() if not path.exists() or path.read_text() != text]
    generated = WEB / "src" / "api" / "gen"
    before = texts_in(generated)
    if not stale:
        frontend.run_npm("run", "types")
        if texts_in(generated) != before:
            stale.append(generated)
    names = ", ".join(str(path.relative_to(ROOT)) for path in stale)
    say("ok     published descriptions" if not stale else f"FAILED published descriptions: {names} out of date; run ./lofty publish")
    return not stale
