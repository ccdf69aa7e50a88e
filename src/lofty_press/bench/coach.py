"""Coach: how long all causes take, and how often it names the right one in mishaps whose press numbers it does not know, against a fixed table."""

import random
from dataclasses import replace

import numpy as np

from lofty_press.bench.figure import Figure, timed
from lofty_press.core.assess import Assessment, assess
from lofty_press.core.coach import CAUSES, SIGHT_KEYS, Scene, Sight, expected, rank, scene_of, wrong_places
from lofty_press.core.coach.rank import OFF, WRONG, with_signs
from lofty_press.core.errors import InvalidInput, NoBalance
from lofty_press.core.forming import press
from lofty_press.core.stack import Sandwich, StackView, apply_edits
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES

NAMES = ("coach_rank_ms", "coach_first_ms", "coach_top1", "coach_top3", "coach_cured", "coach_table_top1", "coach_table_top3")
USED = ("programme-cover", "ticket-sleeve", "arch-cut", "tracery-cut", "arch-line", "envelope-device", "timetable-print", "masked-label")
MISHAPS = 500
COARSE = 0.8  # mm
UNSEEN = 0.9  # chance that a sheet is right from which nobody asks
TABLE: dict[Sight, tuple[str, ...]] = {
    "no feed": ("plate too much", "spacer left in", "too tight"),
    "faint": ("too thin", "mist forgotten", "cut after"),
    "strip": ("hinge", "aside", "bowed"),
    "cracked": ("dry card", "mist forgotten", "too many passes"),
    "torn": ("too wet", "dry card", "too many passes"),
    "buckled": ("too wet", "dry card", "mist forgotten"),
    "crushed": ("too tight", "plate too much", "heavy card"),
    "not cut": ("too thin", "die turned", "spacer left out"),
    "part not cut": ("leftover", "bowed", "worn place"),
    "cut": ("mat left out", "no mat", "too tight"),
    "other side": ("upside down", "folder turned", "die turned"),
    "askew": ("crooked", "aside", "moved between passes"),
    "double": ("moved between passes",),
    "old lines": ("scarred", "leftover"),
    "edge": ("not flush",),
    "jumped": ("straight edge",),
    "tape": ("tape pressed",),
    "patchy": ("ink dried", "ink on the wrong half"),
    "smudged": ("ink too thick", "ink on the wrong half"),
    "specks": ("powder on oil",),
    "warped": ("heat in one place",),
}
"""What a list of faults says to each sight, whatever the pile; common practice, no published source."""


def measure(wanted: set[str]) -> list[Figure]:
    """The figures that are asked for."""
    figures = []
    sandwich = SANDWICHES["programme-cover"]
    if "coach_rank_ms" in wanted:
        times = timed(lambda: rank(scene_of(sandwich, demo_relief), "faint"), times=8)
        figures.append(Figure("coach_rank_ms", float(np.median(times)), "ms", 400.0))
    if "coach_first_ms" in wanted:
        times = timed(lambda: press(sandwich, demo_relief, finest=COARSE, tolerance=5e-2), times=8)
        figures.append(Figure("coach_first_ms", float(np.median(times)), "ms", 500.0))
    if set(NAMES[2:]) & wanted:
        figures += worth()
    return [figure for figure in figures if figure.name in wanted]


def worth() -> list[Figure]:
    """How often the true cause is named, and mended, over mishaps drawn by how common they are."""
    scenes = {key: scene_of(SANDWICHES[key], demo_relief) for key in USED}
    chance = random.Random(7)
    first = three = table_first = table_three = cured = 0
    for _ in range(MISHAPS):
        scene, true, cause, seen, at = mishap(scenes, chance)
        found = rank(scene, seen, at)
        keys = [one.cause.key for one in found]
        first += keys[:1] == [cause]
        three += cause in keys[:3]
        listed = [key for key in TABLE.get(seen, ()) if key in scene.happened]
        table_first += listed[:1] == [cause]
        table_three += cause in listed[:3]
        cured += mends(true, cause, found[0].cause.key, found[0].edits) if found else False
    share = {
        "coach_top1": (first, 0.7),
        "coach_top3": (three, 0.92),
        "coach_cured": (cured, 0.85),
        "coach_table_top1": (table_first, None),
        "coach_table_top3": (table_three, None),
    }
    return [Figure(name, count / MISHAPS, "1", limit, at_least=limit is not None) for name, (count, limit) in share.items()]


def mishap(scenes: dict[str, Scene], chance: random.Random) -> tuple[Scene, Assessment, str, Sight, tuple[float, float] | None]:
    """A sheet that went wrong: the scene that is known, the pile as it truly is, the true cause, and what somebody says of it."""
    while True:
        key = chance.choice(USED)
        scene, true = scenes[key], hidden(SANDWICHES[key], chance)
        happened = list(scene.happened)
        cause = chance.choices(happened, [CAUSES[one].often for one in happened])[0]
        try:
            put_in = CAUSES[cause].put_in(StackView(true))
            if put_in is None:
                continue
            meant, after = assess(true, demo_relief), assess(put_in, demo_relief)
        except (InvalidInput, NoBalance):
            continue
        sights = with_signs(CAUSES[cause], expected(after, meant))
        if sights.get("right", 0.0) > UNSEEN:
            continue
        shown = [sight for sight in sights if sight != "right" and sights[sight] > 0.0]
        seen = chance.choices(shown, [sights[sight] for sight in shown])[0]
        if chance.random() < WRONG:
            seen = chance.choice([sight for sight in SIGHT_KEYS if sight != "right"])
        places = wrong_places(after, meant)
        at = None
        if len(places):
            x, y = places[chance.randrange(len(places))]
            at = (chance.gauss(float(x), OFF), chance.gauss(float(y), OFF))
        try:
            rank(scene, seen, at)
        except InvalidInput:
            at = None
        return scene, meant, cause, seen, at


def hidden(sandwich: Sandwich, chance: random.Random) -> Sandwich:
    """The same sandwich with the thicknesses and the opening that it truly has."""
    items = {
        key: replace(item, thickness=replace(item.thickness, mm=max(chance.gauss(item.thickness.mm, item.thickness.sd_mm), 0.02)))
        for key, item in sandwich.items.items()
    }
    opening = sandwich.press.opening
    return replace(
        sandwich,
        items=items,
        press=replace(sandwich.press, opening=replace(opening, mm=chance.gauss(opening.mm, opening.sd_mm))),
    )


def mends(true: Assessment, cause: str, told: str, edits: tuple[object, ...]) -> bool:
    """True if doing as the first cause says makes the next sheet right: what was done wrong is not done again, or the edits make up for it."""
    pile = true.sandwich
    if told != cause and not edits:
        return False
    try:
        after = assess(apply_edits(pile, edits), demo_relief) if edits else true  # type: ignore[arg-type]
    except (InvalidInput, NoBalance):
        return False
    if told != cause:
        put_in = CAUSES[cause].put_in(StackView(after.sandwich))
        after = assess(put_in, demo_relief) if put_in is not None else after
    return after.verdict is not None and expected(after, true).get("right", 0.0) > 0.5
