"""`lofty dialin FILE`: what a file of evidence teaches, as JSON; without database or web."""

import argparse
import json
import sys
from dataclasses import replace
from pathlib import Path
from typing import Any

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.judging.dialin import (
    MOST_SHEETS,
    Learnt,
    Measured,
    Tried,
    believed_before,
    believed_item,
    believed_press,
    chances_of,
    doubts,
    drift_after,
    learn,
    next_for,
    opening_of,
    respond,
    size_of,
    took_hold,
)
from lofty_press.core.judging.verdict import ZONES, Zone
from lofty_press.core.sandwich.stack import Item, Press, Sandwich
from lofty_press.core.working.setout import WORKS
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.documents.files.sandwich_file import read_sandwich

FORMAT = "lofty-press-evidence"
MOST, LARGEST = 2000, 24_000_000
OLDEST = 36_500  # days
SEEN: dict[str, frozenset[Zone]] = {**{zone: frozenset({zone}) for zone in ZONES}, **WORKS}


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("file", type=Path, metavar="FILE", help="evidence as JSON; see docs/file-formats.md")
    parser.add_argument("--next", action="store_true", help="also what to find out next about the file's `sandwich`")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Learn and print."""
    try:
        content = read_content(arguments.file)
        print(json.dumps(answer(content, ask_next=arguments.next), indent=2, ensure_ascii=False))
    except (InvalidInput, OSError) as error:
        print(f"lofty: {error}", file=sys.stderr)
        return 2
    return 0


def read_content(file: Path) -> dict[str, Any]:
    """The file's JSON.

    Raises
    ------
    InvalidInput
        If it is none, or too large.
    """
    if file.stat().st_size > LARGEST:
        raise InvalidInput("file", file.stat().st_size, say("is too large for a file of evidence"))
    try:
        content = json.loads(file.read_text())
    except (ValueError, RecursionError) as error:
        raise InvalidInput("file", file.name, say("isn't JSON ({reason})", reason=str(error)[:80])) from error
    if not isinstance(content, dict) or content.get("format") != FORMAT:
        raise InvalidInput("format", None, say("must be {format}", format=FORMAT))
    return content


def answer(content: dict[str, Any], *, ask_next: bool) -> dict[str, Any]:
    """What a file of evidence teaches.

    Raises
    ------
    InvalidInput
        Names the piece of evidence that cannot be read.
    """
    told = content.get("evidence", [])
    if not isinstance(told, list) or len(told) > MOST:
        raise InvalidInput("evidence", type(told).__name__, say("must be a list of at most {most}", most=MOST))
    felt = [felt_of(n, piece) for n, piece in enumerate(told) if "took_hold_with" in piece]
    tried = [tried_of(n, piece) for n, piece in enumerate(told) if "measured" not in piece and "took_hold_with" not in piece]
    wanted = sandwich_in("sandwich", content["sandwich"]) if "sandwich" in content else None
    sandwiches = [piece.sandwich for piece in tried] + [pile for pile, _ in felt] + ([wanted] if wanted else [])
    presses = {s.press.shelf_id: s.press for s in sandwiches}
    items = {item.shelf_id: item for s in sandwiches for item in s.items.values()}
    measured = [measured_of(n, piece, presses, items) for n, piece in enumerate(told) if "measured" in piece]
    learnt = learn(
        believed_before(presses.values(), items.values()),
        [*measured, *(piece for _, piece in felt), *tried],
        lambda s: respond(s, demo_relief),
    )
    found = described(learnt, list(presses.values()), list(items.values()))
    if wanted is not None:
        response = respond(wanted, demo_relief)
        if response is not None:
            found["chances"] = rounded(chances_of(response, learnt.belief))
            if ask_next:
                trial = next_for(response, wanted, learnt.belief)
                found["next"] = {
                    "shims": trial.best.count,
                    "right": round(trial.best.good, 4),
                    "find_out": None
                    if trial.trial is None
                    else {
                        "kind": trial.trial.kind,
                        "of": trial.trial.of,
                        "shims": trial.trial.shims,
                        "good_after": round(trial.trial.good_after, 4),
                    },
                }
    return found


def described(learnt: Learnt, presses: list[Press], items: list[Item]) -> dict[str, Any]:
    """A belief as plain figures."""
    return {
        "learnt_from": learnt.pieces,
        "presses": [{"name": p.name, **figures(believed_press(p, learnt.belief).opening)} for p in presses],
        "things": [{"name": i.name, **figures(believed_item(i, learnt.belief).thickness)} for i in items],
        "contradictions": [{"evidence": d.key, "chance": round(d.chance, 4), "suspects": list(d.suspects)} for d in doubts(learnt)],
    }


def figures(thickness: Any) -> dict[str, float]:
    return {"mm": round(thickness.mm, 4), "sd_mm": round(thickness.sd_mm, 4)}


def rounded(chances: dict[Any, float]) -> dict[Any, float]:
    return {zone: round(chance, 4) for zone, chance in chances.items()}


def tried_of(n: int, piece: Any) -> Tried:
    """A pile that was tried."""
    where = f"evidence[{n}]"
    if not isinstance(piece, dict) or piece.get("seen") not in SEEN:
        raise InvalidInput(f"{where}.seen", str(piece)[:60], say("must be one of {choices}", choices=", ".join(SEEN)))
    return Tried(
        str(piece.get("key", n)), sandwich_in(f"{where}.sandwich", piece.get("sandwich")), SEEN[piece["seen"]], drift_in(where, piece)
    )


def drift_in(where: str, piece: dict[str, Any]) -> float:
    """How far a pile has drifted since it was tried, from the days that its evidence says. [mm]"""
    days = piece.get("days_ago", 0)
    if isinstance(days, bool) or not isinstance(days, int | float) or not 0 <= days <= OLDEST:
        raise InvalidInput(f"{where}.days_ago", str(days)[:60], say("must be 0 to {most} days", most=OLDEST))
    return drift_after(days)


def felt_of(n: int, piece: Any) -> tuple[Sandwich, Measured]:
    """A pile of plates on which the rollers took hold with some sheets of paper."""
    where, sheets = f"evidence[{n}]", piece["took_hold_with"]
    if not isinstance(sheets, int) or isinstance(sheets, bool) or not 1 <= sheets <= MOST_SHEETS:
        raise InvalidInput(f"{where}.took_hold_with", str(sheets)[:60], say("must be 1 to {most} sheets of copy paper", most=MOST_SHEETS))
    pile = sandwich_in(f"{where}.sandwich", piece.get("sandwich"))
    return pile, took_hold(str(piece.get("key", n)), pile, sheets, drift_in(where, piece))


def measured_of(n: int, piece: Any, presses: dict[Any, Press], items: dict[Any, Item]) -> Measured:
    """A gauge's reading of a thing or an opening, by its name."""
    where, name = f"evidence[{n}]", piece["measured"]
    try:
        mm, sd = float(piece["mm"]), float(piece.get("sd_mm", 0.01))
    except (KeyError, TypeError, ValueError) as error:
        raise InvalidInput(f"{where}.mm", piece.get("mm"), say("must be a thickness in millimeters")) from error
    if not (0 < mm <= 60 and 0 < sd <= 5):
        raise InvalidInput(f"{where}.mm", mm, say("must be a thickness in millimeters"))
    for press in presses.values():
        if press.name == name:
            return Measured(str(n), {opening_of(press): 1.0}, mm - press.opening.mm, sd)
    for item in items.values():
        if item.name == name:
            return Measured(str(n), size_of(item), mm - item.thickness.mm, sd)
    raise InvalidInput(f"{where}.measured", name, say("isn't in any of the file's sandwiches"))


def sandwich_in(where: str, content: Any) -> Sandwich:
    """A sandwich whose press and things are known again by their names."""
    try:
        sandwich = read_sandwich(json.dumps(content))
    except InvalidInput as error:
        raise InvalidInput(f"{where}.{error.field}", error.value, error.requirement) from error
    items = {key: replace(item, shelf_id=(item.shelf_id or item.name)[:64]) for key, item in sandwich.items.items()}
    press = replace(sandwich.press, shelf_id=(sandwich.press.shelf_id or sandwich.press.name)[:64])
    return replace(sandwich, items=items, press=press)
