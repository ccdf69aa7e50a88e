"""`lofty shots`."""

from typing import Any


def add_to(commands: Any) -> None:
    """Register the command."""
    commands.add_parser("shots", help="to come").set_defaults(run=lambda _: 1)
