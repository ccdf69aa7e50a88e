"""Piles that are built until they are right: shims on a strange press, plates for a tool, mist."""

from collections.abc import Callable
from dataclasses import replace
from random import Random

from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.basics.trade import FRESH_MIST
from lofty_press.core.basics.words import Message, say, spelled
from lofty_press.core.judging.assess import Assessment, assess
from lofty_press.core.sandwich.stack import Add, Sandwich, Set, StackView, apply_edits, nothing_on_the_shelf, resolved
from lofty_press.core.teaching.coach import CAUSES
from lofty_press.core.teaching.practice.drill import Drill, Skill, World, as_of_the_room, is_right

WRONG_BY = (0.15, 0.7)
"""Between these a strange press opens wider than it is said to. [mm]"""
UNSURE = 0.3
"""How well its opening is said to be known. [mm]"""
CRACKS = 0.8
"""Stretch over what a sheet bears, under which it hardly ever cracks. [1]"""
MOST_SHEETS = 10
"""Of paper that a strange press may ask for."""
PLATES = (
    "plate too much",
    "plate left out",
    "spacer left in",
    "spacer left out",
    "mat left out",
    "mat doubled",
    "plate for the mat",
    "mat on the other side",
)


def on_a_press_that_opens(wider: float) -> Callable[[Sandwich], Sandwich]:
    """A pile as a press takes it that opens wider than it says; how far is known of it, though not to whoever turns it."""

    def truly(sandwich: Sandwich) -> Sandwich:
        opening = sandwich.press.opening
        return replace(sandwich, press=replace(sandwich.press, opening=replace(opening, mm=opening.mm + wider, sd_mm=0.01)))

    return truly


def comes_right(sandwich: Sandwich, meant: Assessment, world: World) -> bool:
    """True if a pile's sheet comes out right; not where it cannot be judged."""
    try:
        return is_right(assess(sandwich, world.library), meant)
    except (InvalidInput, NoBalance):
        return False


def shimmed(sandwich: Sandwich, sheets: int) -> Sandwich:
    """A pile with sheets of paper under it."""
    view = StackView(sandwich)
    at = view.above_base
    wish = Add(kind="sheet", at=at, count=sheets, role="shim")
    return apply_edits(sandwich, resolved(sandwich, (wish,), nothing_on_the_shelf))


def sheets(count: int) -> Message:
    """How many sheets, in words."""
    return say("One sheet") if count == 1 else say("{count} sheets", count=spelled(count))


def strange_press(world: World, chance: Random) -> Drill | None:
    """A pile that is right by what is said of its press, on one that opens wider."""
    meant = chance.choice(world.piles)
    wider = chance.uniform(*WRONG_BY)
    truly = on_a_press_that_opens(wider)
    if comes_right(truly(meant.sandwich), meant, world):
        return None
    least = next((n for n in range(1, MOST_SHEETS) if comes_right(truly(shimmed(meant.sandwich, n)), meant, world)), None)
    if least is None:
        return None
    press = meant.sandwich.press
    said = replace(press, name=f"{press.name} ?", opening=replace(press.opening, sd_mm=UNSURE))
    return Drill(
        task=say(
            "This press is looser than it says: the sheet comes out too weak. Shim it until the sheet is right, with as few sheets "
            "as you can."
        ),
        shown=replace(meant.sandwich, press=said),
        meant=meant,
        difficulty=-1.2 + 0.4 * least,
        hint=say("A sheet of paper is about a tenth of a millimeter. Go up by two, back by one."),
        because=say("{least} of copy paper was enough. Shims fill the extra opening.", least=sheets(least)),
        truly=truly,
    )


def plates(world: World, chance: Random) -> Drill | None:
    """A pile with a layer too much, too little or at the wrong place."""
    meant = chance.choice(world.piles)
    key = chance.choice(PLATES)
    lay = CAUSES[key].put_in(StackView(meant.sandwich))
    if lay is None or lay == meant.sandwich or comes_right(lay, meant, world):
        return None
    moved = key in ("mat on the other side", "plate for the mat")
    return Drill(
        task=say("Something is wrong with this pile. Build it so the sheet comes out right."),
        shown=as_of_the_room(lay),
        meant=meant,
        difficulty=(0.8 if moved else -0.6) + (0.5 if key.startswith("mat") else 0.0),
        hint=CAUSES[key].why,
        because=say("{what}: {cure}", what=CAUSES[key].title, cure=CAUSES[key].cure),
    )


def mist(world: World, chance: Random) -> Drill | None:
    """A pile whose sheet cracks dry."""
    n = chance.randrange(len(world.piles))
    meant = world.piles[n]
    sheet = StackView(meant.sandwich).sheet
    passes, brittle = meant.sandwich.passes + chance.choice((0, 2)), chance.uniform(0.55, 0.9)
    if sheet is None or sheet.item.stock is None or sheet.item.stock.mist is None or world.stretched(n, passes) < CRACKS * brittle:
        return None
    dry = replace(apply_edits(meant.sandwich, (Set(layer=sheet.id, dry=True),)), passes=passes)
    stock = replace(sheet.item.stock, break_strain=sheet.item.stock.break_strain * brittle)
    dry = replace(dry, items={**dry.items, sheet.layer.item: replace(sheet.item, stock=stock)})
    misted = apply_edits(dry, (Set(layer=sheet.id, mist_age_s=FRESH_MIST.value, mist_face="back"),))
    can_be = comes_right(misted, meant, world) or comes_right(replace(misted, passes=1), meant, world)
    if comes_right(dry, meant, world) or not can_be:
        return None
    return Drill(
        task=say("This card cracks. Press it so it keeps its relief and doesn't crack."),
        shown=dry,
        meant=meant,
        difficulty=-1.0 + 6.0 * (0.9 - brittle) + (0.5 if passes > meant.sandwich.passes else 0.0),
        hint=say("Which stretches more, dry fibers or damp ones? And how many times must it go through?"),
        because=say("Damp fibers stretch more before they break, and each pass stretches a little more."),
    )


PRESS = Skill("shim", say("A strange press"), say("Shim with the numbers hidden and few sheets to spare."), strange_press)
PILE = Skill("plates", say("Building a pile"), say("Which layers a tool needs, and where."), plates)
MIST = Skill("mist", say("Mist and cracks"), say("How far card stretches, dry or damp."), mist)
