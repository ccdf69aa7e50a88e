"""Effects on what is stranger than card: copper, thick board, leather, two layers at once."""

from dataclasses import replace

from lofty_press.core.basics.words import say
from lofty_press.core.working.recipes.catalogue.dies import ANVIL, BLADE_DOWN, BLADE_UP, CUT, FEEDS
from lofty_press.core.working.recipes.catalogue.parts import (
    BED,
    CLEAR_DIE,
    FEW_SHIMS,
    GLOSSY,
    LOW_TACK,
    LOWER_PLATE,
    MARK_TOP,
    SECOND_PLATE,
    SHEET,
    SPACER,
    UPPER_PLATE,
)
from lofty_press.core.working.recipes.effect import Effect, Slot, Task, Way

DIE_DOWN = Slot(part=say("die, blade down on the metal"), kinds=("thin die",), turned=True, teeth="whole")

CUT_METAL = Effect(
    key="cut-metal",
    title=say("A shape cut from thin metal"),
    says=say("Copper or brass leaf, stuck to glossy paper for strength, cut by a thin die."),
    kind="cut",
    holds=ANVIL,
    finishes=("sheet metal",),
    ways=(
        Way(
            key="on-glossy-paper",
            title=say("On glossy paper, die blade down"),
            gains=say("The paper keeps the metal flat and frees it from the die. You see where the die is."),
            slots=(BED, SPACER, SECOND_PLATE, FEW_SHIMS, LOWER_PLATE, GLOSSY, SHEET, DIE_DOWN, UPPER_PLATE),
            passes=(2, 4),
            mist=(False,),
            feeds=FEEDS,
        ),
    ),
    prepare=(
        CLEAR_DIE,
        Task(text=say("Stick the metal to glossy paper, paper side down."), care=say("Cut metal has sharp edges: wear gloves.")),
    ),
    look=(say("Lift one corner of the die and look: where the metal still holds, close it again and go on, to and fro."),),
    finish=(
        Task(
            text=say("Pull the paper off the back; rub the burr down with the back of a spoon."),
            care=say("The burr cuts: keep fingers off."),
        ),
    ),
)

CUT_BOARD = Effect(
    key="cut-board",
    title=say("A frame cut from thick board"),
    says=say("Pad backing or thin gray board, cut in several passes: frames that are kept and used again and again."),
    kind="cut",
    holds=ANVIL,
    finishes=("chipboard",),
    ways=(replace(BLADE_UP, passes=(2, 3)), replace(BLADE_DOWN, passes=(2, 3))),
    prepare=(
        CLEAR_DIE,
        MARK_TOP,
        LOW_TACK,
        Task(text=say("Bend the board by hand first. If it doesn't bend a little, it's too thick for the die.")),
    ),
    look=(say("It looks uncut: flex it until one spot pops, then push the piece out and peel torn fluff off."),),
    finish=(
        Task(text=say("Trace the opening on a second board, die the same way up, and cut that alike: two equal frames make one mask.")),
        Task(text=say("Mark one edge of both with a T, and keep what fell out: it makes the opposite mask.")),
    ),
)

TWO_LAYERS = replace(
    CUT,
    key="cut-two-layers",
    title=say("Two layers cut at once"),
    says=say("A folded card, or two sheets stacked, cut by one die in one go: both come out alike."),
    ways=(
        replace(BLADE_UP, slots=tuple(replace(slot, least=2, most=2) if slot is SHEET else slot for slot in BLADE_UP.slots)),
        replace(BLADE_DOWN, slots=tuple(replace(slot, least=2, most=2) if slot is SHEET else slot for slot in BLADE_DOWN.slots)),
    ),
    prepare=(
        CLEAR_DIE,
        LOW_TACK,
        Task(text=say("For a folded card, let the die's edge reach a little past the fold. The fold stays uncut and holds both halves.")),
    ),
)

EFFECTS = (CUT_METAL, CUT_BOARD, TWO_LAYERS)
