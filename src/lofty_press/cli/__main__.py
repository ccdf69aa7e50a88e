"""The command line: `./lofty COMMAND`."""

import argparse
import sys

from lofty_press.cli import (
    assess_file,
    bench,
    check,
    feed,
    impression,
    keeping,
    nip,
    pictures,
    publish,
    recipes,
    shots,
    siege,
    start,
    tests,
)
from lofty_press.documents.kept_tables import keep_tables
from lofty_press.setup.paths import TABLES

EPILOG = "Set-up needs no command of its own: each command installs what it needs and says so."


def main() -> int:
    """Read the arguments and run the command that they name."""
    parser = argparse.ArgumentParser(
        prog="lofty", description="Lofty Press: plans what goes between the rollers of an embossing press.", epilog=EPILOG
    )
    commands = parser.add_subparsers(dest="command", metavar="COMMAND", required=True)
    for module in (start, keeping, assess_file, impression, feed, nip, recipes, tests, check, bench, siege, shots, pictures, publish):
        module.add_to(commands)
    arguments = parser.parse_args()
    keep_tables(TABLES)
    try:
        return int(arguments.run(arguments))
    except KeyboardInterrupt:
        return 130


if __name__ == "__main__":
    sys.exit(main())
