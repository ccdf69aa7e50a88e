"""The command line: `./lofty COMMAND`."""

import argparse
import sys
from importlib import import_module

from lofty_press.documents.kept_tables import keep_tables
from lofty_press.setup.paths import TABLES

MODULES = {
    "start": "start",
    "demo": "start",
    "backup": "keeping",
    "restore": "keeping",
    "assess": "assess_file",
    "impression": "impression",
    "feed": "feed",
    "nip": "nip",
    "recipes": "recipes",
    "test": "tests",
    "check": "check",
    "bench": "bench",
    "siege": "siege",
    "shots": "shots",
    "pictures": "pictures",
    "publish": "publish",
}
"""Where each command is; only what is asked for is loaded, so that a command answers at once."""
EPILOG = "Set-up needs no command of its own: each command installs what it needs and says so."


def main() -> int:
    """Read the arguments and run the command that they name."""
    parser = argparse.ArgumentParser(
        prog="lofty", description="Lofty Press: plans what goes between the rollers of an embossing press.", epilog=EPILOG
    )
    commands = parser.add_subparsers(dest="command", metavar="COMMAND", required=True)
    asked = MODULES.get(next((word for word in sys.argv[1:] if not word.startswith("-")), ""))
    for name in dict.fromkeys([asked] if asked else MODULES.values()):
        import_module(f"lofty_press.cli.{name}").add_to(commands)
    arguments = parser.parse_args()
    keep_tables(TABLES)
    try:
        return int(arguments.run(arguments))
    except KeyboardInterrupt:
        return 130


if __name__ == "__main__":
    sys.exit(main())
