"""The one voice in which the command line reports progress and gives up."""

import sys
from typing import NoReturn


def say(text: str) -> None:
    """Report progress on standard error, so that standard output stays machine readable."""
    print(f"lofty: {text}", file=sys.stderr, flush=True)


def give_up(text: str) -> NoReturn:
    """End the command with a message and exit code 1."""
    say(text)
    raise SystemExit(1)
