"""The command line: `./lofty COMMAND`."""

import argparse
import re
import sys
from collections.abc import Sequence
from importlib import import_module

COMMANDS = {
    "start": ("start", "run with your own data, which is kept"),
    "demo": ("start", "run with the demo world, on its own database"),
    "backup": ("keeping", "everything that is yours into one archive"),
    "restore": ("keeping", "take an archive in, or put back one of the dated copies"),
    "assess": ("assess_file", "judge a sandwich file; prints JSON, needs neither database nor web"),
    "impression": ("impression", "press a sandwich file's sheet; writes pictures and heights, prints figures as JSON"),
    "feed": ("feed", "how a sandwich file goes between the rollers, and how it would go better; prints JSON"),
    "nip": ("nip", "loads and pressures between the rollers; prints JSON, needs neither database nor web"),
    "dialin": ("dialin", "what a file of evidence teaches of a press room; --next says what to find out; prints JSON"),
    "recipes": ("recipes", "find the sandwiches that give an effect; prints JSON"),
    "plan": ("plan", "sizes, cut list, order and timetable of a job file; prints JSON, --pdf, --svg and --ics write files"),
    "setout": ("setout", "what a written list of things comes to, part by part; prints JSON"),
    "target": ("target", "the sheet to photograph your tools on, as a PDF"),
    "photo": ("photo", "photos of tools on that sheet: outlines, openings and blades in true size as SVG, JSON and pictures"),
    "coach": ("coach", "what went wrong with a sheet: ranked causes and cures; prints JSON, needs neither database nor web"),
    "device": ("device", "a stand-in for a thickness gauge, to try the page without one"),
    "dev": ("dev", "work on the page and the service: both follow what you change"),
    "test": ("tests", "run every test, or those of a path; installs only what they need"),
    "check": ("check", "format, lint, types, import rules; --fix formats first"),
    "bench": ("bench", "measure speed and size; --json for machines, --only NAME... for a part"),
    "siege": ("siege", "pull plugs, fill disks, send hostile files: what holds? --minutes N, --only NAME..."),
    "shots": ("shots", "renew the pictures in docs/screenshots"),
    "pictures": ("pictures", "compute the pictures of the effects anew"),
    "publish": ("publish", "renew the API description, the file schemas, the example files and what the page has of them"),
}
"""Where each command is and what it does; only the one that is asked for is loaded."""
COMPUTING = ("assess", "impression", "feed", "nip", "dialin", "recipes", "coach", "pictures", "publish", "bench", "siege", "shots")
"""Those that compute in their own process, and keep the tables that take long to make."""
NEGATIVE, OPTION = re.compile(r"-[\d.]"), re.compile(r"--[a-z][a-z-]*")
EPILOG = "Set-up needs no command of its own: each command installs what it needs and says so."


def joined(words: Sequence[str]) -> list[str]:
    """The arguments, with a value that begins with a minus joined to its option: argparse takes it for another option.

    Examples
    --------
    >>> joined(["coach", "FILE", "--at", "-70,0"])
    ['coach', 'FILE', '--at=-70,0']
    """
    found: list[str] = []
    for word in words:
        if NEGATIVE.match(word) and found and OPTION.fullmatch(found[-1]):
            found[-1] += f"={word}"
        else:
            found.append(word)
    return found


def main() -> int:
    """Read the arguments and run the command that they name."""
    parser = argparse.ArgumentParser(
        prog="lofty", description="Lofty Press: plans what goes between the rollers of an embossing press.", epilog=EPILOG
    )
    commands = parser.add_subparsers(dest="command", metavar="COMMAND", required=True)
    asked = next((word for word in sys.argv[1:] if not word.startswith("-")), "")
    for name, (module, text) in COMMANDS.items():
        command = commands.add_parser(name, help=text)
        if name == asked:
            import_module(f"lofty_press.cli.{module}").takes(command)
    arguments = parser.parse_args(joined(sys.argv[1:]))
    if arguments.command in COMPUTING:
        from lofty_press.documents.kept.kept_tables import keep_tables
        from lofty_press.setup.paths import TABLES

        keep_tables(TABLES)
    try:
        return int(arguments.run(arguments))
    except KeyboardInterrupt:
        return 130


if __name__ == "__main__":
    sys.exit(main())
