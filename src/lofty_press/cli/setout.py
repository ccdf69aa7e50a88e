"""`lofty setout`: a list of things as somebody wrote it in, what it comes to out."""

import argparse
import json
from typing import Any

from lofty_press.cli.assess_file import read_bytes, refuse
from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.working.setout import Line, read_list
from lofty_press.documents.files.things_file import list_in


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("file", help="a list as text, a table or JSON, or - for standard input")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Print every part of the list as JSON; a refusal is JSON with exit code 2."""
    try:
        lines = read_list(list_in(read_bytes(arguments.file)))
    except InvalidInput as error:
        return refuse("invalid", str(error), error.field)
    except OSError as error:
        return refuse("file", f"cannot use {arguments.file}: {error.strerror}", "file")
    print(json.dumps({"lines": [described(line) for line in lines]}, ensure_ascii=False, indent=2))
    return 0


def described(line: Line) -> dict[str, Any]:
    """A part of a list as plain data: what it came to, what was taken for granted, what has to be asked, or what is wrong with it."""
    first = line.items[0] if line.items else None
    return {
        "number": line.number,
        "text": line.text,
        "count": len(line.items),
        "kind": None if first is None else first.kind,
        "width_mm": None if first is None else first.width_mm,
        "length_mm": None if first is None else first.length_mm,
        "thickness_mm": None if first is None else first.thickness.mm,
        "grammage_gsm": None if first is None or first.stock is None else first.stock.grammage_gsm,
        "notes": [str(note) for note in line.notes],
        "asked": {"words": line.asked, "choices": list(line.choices)} if line.asked else None,
        "problem": None if line.problem is None else str(line.problem),
    }
