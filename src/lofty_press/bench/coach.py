"""Coach: how long all causes take, and how often it names the right one in mishaps whose press numbers it does not know, against a fixed table."""

import random
from dataclasses import dataclass, replace
from functools import partial

import numpy as np

from lofty_press.bench.figure import Figure, timed
from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.judging.assess import Assessment, assess
from lofty_press.core.judging.verdict import GAUGE
from lofty_press.core.sandwich.stack import Sandwich, StackView, Thickness, apply_edits, nothing_on_the_shelf
from lofty_press.core.teaching.coach import (
    CAUSES,
    FELT_KEYS,
    SIGHT_KEYS,
    STUCK,
    Ranked,
    Said,
    Scene,
    Sight,
    cure_of,
    expected,
    felt_of,
    look_first,
    over_opening,
    picks,
    place_of,
    rank,
    scene_of,
)
from lofty_press.core.teaching.coach.place import OFF
from lofty_press.core.teaching.coach.rank import WRONG
from lofty_press.core.teaching.coach.scene import with_feelings, with_signs
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.pictures.front_picture import pressed_front

WORTH = (
    "coach_top1",
    "coach_top3",
    "coach_top3_felt",
    "coach_cured",
    "coach_named_top3",
    "coach_words_top1",
    "coach_words_top3",
    "coach_table_top1",
    "coach_table_top3",
)
NAMES = ("coach_rank_ms", "coach_first_ms", "coach_gallery_s", "coach_pick_p95_ms", *WORTH)
PICTURES = 8
USED = ("programme-cover", "ticket-sleeve", "arch-cut", "tracery-cut", "arch-line", "envelope-device", "timetable-print", "masked-label")
MISHAPS = 1000
JAMS = ("two-plates", "labels-overlapping")  # piles that jam for certain as they are built
JAMMED = 100  # of them that are told of besides, by what is felt
RIGHT = 0.5  # chance that a sheet is right from which it is called so
UNSEEN = 0.9  # chance that a sheet is right from which nobody asks
TABLE: dict[Sight, tuple[str, ...]] = {
    "no feed": ("plate too much", "spacer left in", "too tight"),
    "stopped": ("plate too much", "spacer left in", "too tight"),
    "faint": ("too thin", "mist forgotten", "cut after"),
    "strip": ("hinge", "aside", "bowed"),
    "cracked": ("dry card", "mist forgotten", "too many passes"),
    "torn": ("too wet", "dry card", "too many passes"),
    "buckled": ("too wet", "dry card", "mist forgotten"),
    "crushed": ("too tight", "plate too much", "heavy card"),
    "not cut": ("too thin", "die turned", "spacer left out"),
    "part not cut": ("leftover", "bowed", "worn place"),
    "blank": ("too thin", "plate left out", "spacer left out"),
    "cut": ("mat left out", "no mat", "too tight"),
    "other side": ("upside down", "folder turned", "die turned"),
    "crooked": ("crooked",),
    "aside": ("aside", "moved between passes"),
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
        times = timed(lambda: rank(scene_of(sandwich, demo_relief), Said("faint")), times=8)
        figures.append(Figure("coach_rank_ms", float(np.median(times)), "ms", 400.0))
    if "coach_first_ms" in wanted:
        times = timed(lambda: pressed_front(sandwich, demo_relief), times=8)
        figures.append(Figure("coach_first_ms", float(np.median(times)), "ms", 500.0))
    if "coach_gallery_s" in wanted:
        figures.append(Figure("coach_gallery_s", gallery(sandwich), "s", 3.0))
    if "coach_pick_p95_ms" in wanted:
        figures.append(Figure("coach_pick_p95_ms", picking(sandwich), "ms", 100.0))
    if set(WORTH) & wanted:
        figures += worth()
    return [figure for figure in figures if figure.name in wanted]


@dataclass(frozen=True)
class Mishap:
    """A sheet that went wrong: what is known of its pile, how the pile truly was `meant`, the true cause, and what somebody says of it, who `named`
    rightly what is seen or not."""

    scene: Scene
    meant: Assessment
    cause: str
    said: Said
    named: bool


def gallery(sandwich: Sandwich) -> float:
    """Causes, and the pictures of the eight likeliest, one after the other. [s]"""

    def drawn() -> None:
        scene = scene_of(sandwich, demo_relief)
        likeliest = [one for one in rank(scene, Said()) if one.cause.key in scene.pictured and one.shows not in STUCK][:PICTURES]
        for one in likeliest:
            pressed_front(one.lay, demo_relief, cracked=one.shows == "cracked")

    return float(np.median(timed(drawn, times=3))) / 1000.0


def picking(sandwich: Sandwich) -> float:
    """From a picture that is taken to its ranked causes with their cures, over all pictures. [ms]"""
    scene = scene_of(sandwich, demo_relief)
    times: list[float] = []
    for picked in scene.pictured:
        times.extend(timed(partial(rank, scene, Said(picked=picked)), times=4))
    return float(np.percentile(times, 95))


def worth() -> list[Figure]:
    """How often the true cause is named, and mended, over mishaps drawn by how common they are."""
    scenes = {key: scene_of(SANDWICHES[key], demo_relief) for key in USED}
    chance = random.Random(7)
    first = three = named = named_three = words_first = words_three = table_first = table_three = cured = 0
    for _ in range(MISHAPS):
        mishap = mishap_of(scenes, chance)
        true, scene = mishap.cause, mishap.scene
        keys = [one.cause.key for one in rank(scene, mishap.said)]
        first += keys[:1] == [true]
        three += true in keys[:3]
        named += mishap.named
        named_three += mishap.named and true in keys[:3]
        seen = mishap.said.seen
        assert seen is not None
        by_words = [one.cause.key for one in rank(scene, Said(seen=seen, at=mishap.said.at))]
        words_first += by_words[:1] == [true]
        words_three += true in by_words[:3]
        listed = [key for key in TABLE.get(seen, ()) if key in scene.happened]
        table_first += listed[:1] == [true]
        table_three += true in listed[:3]
        cured += mends(mishap, coached(mishap, chance))
    jammed = sum(jam_named(scene_of(SANDWICHES[key], demo_relief), JAMMED // len(JAMS), chance) for key in JAMS)
    share = {
        "coach_top1": (first, 0.7),
        "coach_top3": (three, 0.92),
        "coach_cured": (cured, 0.85),
        "coach_words_top1": (words_first, None),
        "coach_words_top3": (words_three, None),
        "coach_table_top1": (table_first, None),
        "coach_table_top3": (table_three, None),
    }
    told = [Figure(name, count / MISHAPS, "1", limit, at_least=limit is not None) for name, (count, limit) in share.items()]
    felt = Figure("coach_top3_felt", (three + jammed) / (MISHAPS + JAMMED), "1", 0.92, at_least=True)
    return [*told, felt, Figure("coach_named_top3", named_three / named, "1", None)]


def jam_named(scene: Scene, count: int, chance: random.Random) -> int:
    """How often a pile that jams as it is built is named first or says what overlaps, by somebody who is wrong one time in ten about what is seen and felt."""
    sights, feelings = scene.sights["as laid"], scene.feelings["as laid"]
    found = 0
    for _ in range(count):
        seen = chance.choices(list(sights), list(sights.values()))[0]
        felt = chance.choices(list(feelings), list(feelings.values()))[0]
        if chance.random() < WRONG:
            felt = chance.choice(FELT_KEYS)
        first = rank(scene, Said(seen=seen, felt=felt))[:1]
        found += bool(first) and first[0].cause.key in ("as laid", "dies overlap")
    return found


def mishap_of(scenes: dict[str, Scene], chance: random.Random) -> Mishap:
    """A sheet that went wrong of a pile that is right on a press whose numbers are hidden, with what somebody says of it who confuses what looks alike,
    is wrong one time in ten, and points 15 mm off.

    Notes
    -----
    What is seen of it has to be its mistake's doing: it would have come out so anyway as often as `before` over `sights`, which is one less the
    probability of necessity (Pearl, Causality, 2000; from memory).
    """
    while True:
        key = chance.choice(USED)
        scene, true = scenes[key], hidden(SANDWICHES[key], chance)
        happened = [one for one in scene.happened if one != "as laid"]  # that is no mistake: what is right is wanted of the pile
        cause = chance.choices(happened, [CAUSES[one].often for one in happened])[0]
        try:
            put_in = CAUSES[cause].put_in(StackView(true))
            if put_in is None:
                continue
            meant, after = assess(true, demo_relief), assess(put_in, demo_relief)
        except (InvalidInput, NoBalance):
            continue
        sights = with_signs(CAUSES[cause], expected(after, meant))
        before = expected(meant, meant)
        if sights["right"] > UNSEEN or before["right"] < RIGHT:
            continue
        shown = [sight for sight in sights if sight != "right" and sights[sight] > 0.0]
        seen = chance.choices(shown, [sights[sight] for sight in shown])[0]
        if chance.random() < before[seen] / sights[seen]:
            continue
        place = place_of(after, meant)
        pictures = picks({seen: 1.0}, place, over_opening(after), scene)
        picked = None
        if sum(pictures.values()) > 0.0:
            picked = chance.choices(list(pictures), list(pictures.values()))[0]
        named = chance.random() >= WRONG
        if not named:
            seen = chance.choice([sight for sight in SIGHT_KEYS if sight != "right"])
            picked = chance.choice(list(pictures)) if picked is not None else None
        at = None
        if len(place.wrong):
            x, y = place.wrong[chance.randrange(len(place.wrong))]
            at = (chance.gauss(float(x), OFF), chance.gauss(float(y), OFF))
        feelings = with_feelings(CAUSES[cause], felt_of(after, meant))
        felt = chance.choices(list(feelings), list(feelings.values()))[0]
        if chance.random() < WRONG:
            felt = chance.choice(FELT_KEYS)
        said = Said(seen=seen, at=at, felt=felt, picked=picked)
        try:
            rank(scene, said)
        except InvalidInput:
            said = replace(said, at=None)
        return Mishap(scene, meant, cause, said, named)


def coached(mishap: Mishap, chance: random.Random) -> Ranked | None:
    """What somebody does who takes the looks that are asked for, as long as two causes explain it about as well, and is wrong one time in ten."""
    settled: dict[str, bool] = {}
    said = mishap.said
    while True:
        found = rank(mishap.scene, said)
        look = look_first(found, settled)
        if look is None:
            return found[0] if found else None
        so = look == CAUSES[mishap.cause].look
        settled[look] = so if chance.random() >= WRONG else not so
        said = replace(said, settled=dict(settled))


def hidden(sandwich: Sandwich, chance: random.Random) -> Sandwich:
    """The same sandwich with the thicknesses and the opening that it truly has, which are what they are."""

    def truly(length: Thickness, least: float) -> Thickness:
        return replace(length, mm=max(chance.gauss(length.mm, length.sd_mm), least), sd_mm=min(length.sd_mm, GAUGE))

    items = {key: replace(item, thickness=truly(item.thickness, 0.02)) for key, item in sandwich.items.items()}
    return replace(sandwich, items=items, press=replace(sandwich.press, opening=truly(sandwich.press.opening, 0.1)))


def mends(mishap: Mishap, told: Ranked | None) -> bool:
    """True if doing as the cause says makes the next sheet right: a mistake that is found is not made again, a number that is otherwise stays so. Who looks
    for a thing finds what the same look shows."""
    if told is None:
        return False
    true = CAUSES[mishap.cause]
    cure, found = told.cure, told.cause.look == true.look
    if found and told.cause.key != true.key:
        cure = cure_of(true, mishap.scene, nothing_on_the_shelf)
    try:
        pile = apply_edits(mishap.meant.sandwich, cure.edits)
        again = true.put_in(StackView(pile)) or pile
        # another card or another place on a plate is taken by hand; another press is not
        stays = not found or (true.teaches == "as meant" and (bool(cure.edits) or again.press != pile.press))
        after = assess(again if stays else pile, demo_relief)
    except (InvalidInput, NoBalance):
        return False
    return after.verdict is not None and expected(after, mishap.meant)["right"] > RIGHT
