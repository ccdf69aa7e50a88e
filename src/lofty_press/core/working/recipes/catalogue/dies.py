"""Effects of cutting dies: thin, perforating, nested, steel-rule, strip, and stencils."""

from dataclasses import replace

from lofty_press.core.basics.words import say
from lofty_press.core.working.recipes.catalogue.parts import (
    BED,
    CLEAR_DIE,
    FEW_SHIMS,
    LOW_TACK,
    LOWER_PLATE,
    SECOND_PLATE,
    SHEET,
    SHIMS,
    SPACER,
    UPPER_PLATE,
    WAXED,
)
from lofty_press.core.working.recipes.effect import Effect, Feed, Holds, Slot, Task, Way

FEEDS: tuple[Feed, ...] = ("straight", "turned 15°", "turned 45°")
THIN = Slot(part=say("die, blade up"), kinds=("thin die",), teeth="whole")
THIN_DOWN = Slot(part=say("die, blade down"), kinds=("thin die",), turned=True, teeth="whole")
BRUSH_OUT = Task(text=say("Brush small pieces out while the die still covers the card: it shields what the brush would catch."))
BOTH_SIDES = Task(
    text=say("Keep both: the shape for one card, the window for another. Either one masks a folder, around the shape or inside it.")
)
FREE_PIECE = Task(
    text=say("Push the cut piece out through the holes at the die's back; waxed paper between die and card frees a tight one next time.")
)
ANVIL: tuple[Holds, ...] = ("right pressure", "hard behind the blade")

BLADE_UP = Way(
    key="blade-up",
    title=say("Blade up, card on the die"),
    gains=say("You see the card's edge against the die and place it by eye; the upper plate takes the scars."),
    slots=(BED, SPACER, SECOND_PLATE, FEW_SHIMS, LOWER_PLATE, THIN, WAXED, SHEET, UPPER_PLATE),
    passes=(1, 2),
    mist=(False,),
    feeds=FEEDS,
)
BLADE_DOWN = Way(
    key="blade-down",
    title=say("Blade down, die on the card"),
    gains=say("You see where the die is on a print; the lower plate takes the scars."),
    slots=(BED, SPACER, SECOND_PLATE, FEW_SHIMS, LOWER_PLATE, SHEET, WAXED, THIN_DOWN, UPPER_PLATE),
    passes=(1, 2),
    mist=(False,),
    feeds=FEEDS,
)

CUT = Effect(
    key="cut-thin",
    title=say("A shape cut clean"),
    says=say("A thin etched die cuts the sheet through: outlines, covers, borders, fine detail."),
    kind="cut",
    holds=ANVIL,
    ways=(BLADE_UP, BLADE_DOWN),
    prepare=(
        CLEAR_DIE,
        LOW_TACK,
        Task(text=say("A piece that is to be stuck down whole: put adhesive sheet on the stock's back before you cut.")),
    ),
    look=(
        say("Turn the die over with the card on it. Light through every line means it's cut; a thread that holds needs the second pass."),
    ),
    finish=(BRUSH_OUT, FREE_PIECE, BOTH_SIDES),
    orders=("cut-then-emboss", "cut-then-rim"),
)


def perforating(way: Way) -> Way:
    """The same way with a perforating die."""
    slots = tuple(replace(s, teeth="perforating") if s.teeth else s for s in way.slots)
    return replace(way, slots=slots)


PERFORATE = Effect(
    key="perforate",
    title=say("A line to tear along"),
    says=say("A perforating die cuts a row of short slits."),
    kind="cut",
    holds=ANVIL,
    ways=(perforating(BLADE_UP), perforating(BLADE_DOWN)),
    prepare=(CLEAR_DIE, Task(text=say("Crease along the line first if the sheet is to be folded before it is torn."))),
    look=(say("Hold the line against the light: equal slits, and equal bridges between them."),),
    finish=(Task(text=say("Pull the perforated piece off from the back to the front.")),),
)

NESTED = Effect(
    key="cut-nested",
    title=say("A mat or ring from a nested set"),
    says=say("Two sizes of a nested set cut a ring in one pass. Use every other size, so the dies never overlap."),
    kind="cut",
    holds=ANVIL,
    ways=(
        Way(
            key="every-other-size",
            title=say("Two sizes at once, one left out between"),
            gains=say("Inner and outer edge are cut in one go and stay parallel. The size left out keeps the dies apart."),
            slots=(
                BED,
                SPACER,
                FEW_SHIMS,
                LOWER_PLATE,
                Slot(part=say("outer die, blade up"), kinds=("thin die",), teeth="whole"),
                Slot(part=say("inner die, blade up"), kinds=("thin die",), teeth="whole"),
                SHEET,
                UPPER_PLATE,
            ),
            passes=(1, 2),
            mist=(False,),
            feeds=FEEDS,
        ),
    ),
    prepare=(CLEAR_DIE, Task(text=say("Tape the two dies together so the rim between them is even. They must never overlap."))),
    look=(say("Measure the ring's rim on all four sides before the tape comes off."),),
    finish=(FREE_PIECE,),
)

SHADOW = replace(
    NESTED,
    key="word-in-shadow",
    title=say("A word cut inside its shadow"),
    says=say("The word's die sits inside its shadow's die: one pass cuts a shadow with open letters."),
    ways=(
        replace(
            NESTED.ways[0],
            key="taped-as-one",
            title=say("Both dies taped together, run as one"),
            gains=say("Letters and shadow keep their places; the letters that fall out are pieces of their own."),
        ),
    ),
    prepare=(
        CLEAR_DIE,
        Task(text=say("Tape the word's die inside the shadow's. Their rims may touch; their blades must not cross anywhere.")),
    ),
    look=(say("Hold it against the light: every letter open, and the centers of letters still there to fill in."),),
    finish=(
        FREE_PIECE,
        Task(text=say("Keep the letter centers. Glue two or three such shadows on a plain one, and the word stands out.")),
    ),
)

STEEL_RULE = Effect(
    key="cut-steel-rule",
    title=say("A shape cut with a block die"),
    says=say("A tall steel-rule die in a foam-faced block cuts thick stock and several sheets."),
    kind="cut",
    holds=ANVIL,
    ways=(
        Way(
            key="bed-folded-back",
            title=say("Bed folded back, die on a hard plate"),
            gains=say("The tall block finds its height; the foam pushes the piece out by itself."),
            slots=(LOWER_PLATE, Slot(part=say("block die, blade up"), kinds=("steel-rule die",)), SHEET, UPPER_PLATE, SHIMS),
            passes=(1, 2),
            mist=(False,),
            feeds=FEEDS,
        ),
    ),
    prepare=(Task(text=say("Fold the bed back or lower it, as the press's maker says.")), CLEAR_DIE),
    look=(say("Lift a corner: the piece should fall out of the foam."),),
    finish=(Task(text=say("Put the bed back up before the next pile.")),),
)

STRIP = Effect(
    key="cut-strip",
    title=say("A long strip or border"),
    says=say("A strip die rides on its own platform, under its own long plate."),
    kind="cut",
    holds=ANVIL,
    ways=(
        Way(
            key="own-platform",
            title=say("On its platform, under a long plate"),
            gains=say("The platform makes up the height over the whole length; short plates would leave a step in the cut."),
            slots=(
                Slot(part=say("platform"), kinds=("platform",)),
                FEW_SHIMS,
                Slot(part=say("strip die, blade up"), kinds=("strip die",)),
                SHEET,
                UPPER_PLATE,
            ),
            passes=(1, 2),
            mist=(False,),
        ),
    ),
    prepare=(CLEAR_DIE, LOW_TACK),
    look=(say("Check both ends: a long plate that has bowed cuts the middle only."),),
    finish=(FREE_PIECE,),
)

STENCIL = Effect(
    key="stencil",
    title=say("A stencil for ink and paste"),
    says=say("A die cuts film or card that ink and paste are worked through."),
    kind="stencil",
    holds=ANVIL,
    finishes=("film", "plain", "vellum", "chipboard"),
    ways=(replace(BLADE_UP, passes=(2,)), replace(BLADE_DOWN, passes=(2,))),
    prepare=(CLEAR_DIE, LOW_TACK),
    look=(say("Every window must fall out by itself: a torn bridge lets the paste run under."),),
    finish=(
        FREE_PIECE,
        Task(text=say("Stamp through its windows. Or cover a stamped part with what fell out and go on: that part stays as is.")),
        Task(text=say("Wipe the stencil while paste is wet. A die that still holds its cut piece works as a stencil too.")),
    ),
)

EFFECTS = (CUT, PERFORATE, NESTED, SHADOW, STEEL_RULE, STRIP, STENCIL)
