"""Effects that a die leaves without cutting: lines, a rim, powder on an inked edge, relief in metal."""

from lofty_press.core.basics.words import say
from lofty_press.core.working.recipes.catalogue.parts import (
    BED,
    FEW_SHIMS,
    GLOSSY,
    LOW_TACK,
    LOWER_PLATE,
    MARK_TOP,
    SHEET,
    SHIMS,
    SPACER,
    SPARE_PLATE,
    UPPER_PLATE,
    WASH_INK,
)
from lofty_press.core.working.recipes.effect import Effect, Feed, Holds, Slot, Task, Way

FEEDS: tuple[Feed, ...] = ("straight", "turned 15°")
DIE_UP = Slot(part=say("die, blade up"), kinds=("thin die",), teeth="whole")
DIE_DOWN = Slot(part=say("die, blade down"), kinds=("thin die",), turned=True, teeth="whole")
INKED_DIE = Slot(part=say("die, blade up, edges inked"), kinds=("thin die",), teeth="whole", inked=True)
BLUNT_DIE = Slot(part=say("die, blunt side to the metal"), kinds=("thin die",), teeth="whole")
MAT = Slot(part=say("mat, lets the sheet move before the blade"), kinds=("rubber mat",))
SILICONE = Slot(part=say("silicone, buffer behind the sheet"), kinds=("silicone sheet",))
SOFT_PLATE = Slot(part=say("soft plate, spares the silicone"), kinds=("soft plate",))
FOAM = Slot(part=say("foam instead of a mat"), kinds=("foam sheet",))
SOFT: tuple[Holds, ...] = ("right pressure", "soft behind the blade", "silicone spared")

LINE = Effect(
    key="die-line",
    title=say("A die's outline pressed, not cut"),
    says=say("With something soft behind the sheet, a cutting die presses its line and leaves the sheet whole."),
    kind="line",
    looks=("raised", "sunk"),
    holds=SOFT,
    ways=(
        Way(
            key="silicone-below",
            title=say("Die below, silicone and soft plate above"),
            gains=say("The softest line; the silicone follows fine detail that a firm mat bridges."),
            slots=(BED, SPACER, LOWER_PLATE, DIE_UP, SHEET, SILICONE, SOFT_PLATE, SHIMS),
            feeds=FEEDS,
        ),
        Way(
            key="mat-below",
            title=say("Die below, rubber mat above"),
            gains=say("One mat instead of silicone and soft plate: fewer layers, a firmer line."),
            slots=(BED, SPACER, LOWER_PLATE, DIE_UP, SHEET, MAT, SPARE_PLATE, SHIMS),
            feeds=FEEDS,
        ),
        Way(
            key="mat-above",
            title=say("Die above, blade down on the card, mat below"),
            gains=say("You see where the die is. The mat takes the spacer's place, so mind its thickness."),
            slots=(BED, SPACER, LOWER_PLATE, MAT, SHEET, DIE_DOWN, UPPER_PLATE, SHIMS),
            feeds=FEEDS,
        ),
        Way(
            key="foam",
            title=say("A foam sheet instead of the spacer"),
            gains=say("Works with what you have. A faint, soft line, and the foam is flat afterward."),
            slots=(BED, SPACER, LOWER_PLATE, DIE_UP, SHEET, FOAM, UPPER_PLATE, SHIMS),
            feeds=FEEDS,
        ),
    ),
    run_s=90,
    prepare=(LOW_TACK,),
    look=(say("Run a finger along the line, then hold it against the light: a line, and no light through it."),),
)

RIM = Effect(
    key="rim-in-die",
    title=say("A raised rim inside a cut shape"),
    says=say("The die still holds the piece it cut; a mat behind it lets the edge stand up."),
    kind="emboss in die",
    looks=("raised", "sunk"),
    ways=(
        Way(
            key="piece-in-its-die",
            title=say("Piece in its own die, mat above"),
            gains=say("The die holds the piece in place; you don't line anything up."),
            slots=(BED, SPACER, DIE_UP, SHEET, MAT, Slot(part=say("plate above the mat"), kinds=("soft plate", "hard plate")), SHIMS),
        ),
        Way(
            key="partner-die",
            title=say("The nested partner die on a plate, mat above"),
            gains=say("The next smaller die of the set gives a raised rim at an even distance from the edge."),
            slots=(BED, SPACER, LOWER_PLATE, DIE_UP, SHEET, MAT, SPARE_PLATE, SHIMS),
        ),
    ),
    holds=("right pressure", "soft behind the blade", "sheet whole"),
    prepare=(
        MARK_TOP,
        Task(
            text=say("Cut the piece first and leave it in the die, or put it into the partner die."),
            work="cut",
        ),
    ),
    look=(say("Tilt it under the lamp: the rim should run all the way round at one height."),),
    orders=("cut-then-rim",),
)

POWDER = Effect(
    key="inked-die-powder",
    title=say("A die's line in melted powder"),
    says=say("The die's edges are inked, pressed without cutting, and powder is melted on the wet line."),
    kind="line",
    looks=("sunk",),
    inks=("powder base",),
    holds=SOFT,
    ways=(
        Way(
            key="inked-die-mat",
            title=say("Inked die below, rubber mat above"),
            gains=say("The mat presses every edge home in one go."),
            slots=(BED, SPACER, LOWER_PLATE, INKED_DIE, SHEET, MAT, SPARE_PLATE, SHIMS),
            front="sunk",
            mist=(False,),
        ),
        Way(
            key="inked-die-silicone",
            title=say("Inked die below, silicone and soft plate above"),
            gains=say("The softer buffer inks fine detail that a firm mat skips."),
            slots=(BED, SPACER, LOWER_PLATE, INKED_DIE, SHEET, SILICONE, SOFT_PLATE, SHIMS),
            front="sunk",
            mist=(False,),
        ),
    ),
    run_s=90,
    prepare=(
        Task(text=say("Dust sheet and die with an anti-static bag and wipe oil off the die.")),
        Task(text=say("Tap the ink on the blade's edges only. Put the sheet down once and don't shift it.")),
    ),
    look=(say("Look at the wet line before the powder goes on: no double edge, no gaps."),),
    finish=(
        Task(
            text=say("Pour the powder at once, from several sides, tap the rest off and brush stray grains away."),
            care=say("Don't breathe the powder."),
            work="powder",
            within_s=120,
        ),
        Task(
            text=say("Preheat the tool, then melt the powder and keep moving. Warm the back to flatten the sheet."),
            wait_s=15,
            wait_for="heat",
            care=say("A heat tool burns skin and paper: heat-proof mat, nothing flammable near, fresh air."),
            work="heat",
        ),
        Task(text=say("Let it cool before you touch the line."), wait_s=60, wait_for="drying", work="cool"),
        WASH_INK,
    ),
    orders=("powder-at-once",),
)

METAL = Effect(
    key="metal-relief",
    title=say("Relief in sheet metal"),
    says=say("Thin metal on a backing is pressed over a die's blunt side into a mat, to and fro until it stands."),
    kind="metal",
    looks=("raised", "sunk"),
    holds=("right pressure", "no blade at the sheet", "sheet whole"),
    finishes=("sheet metal",),
    ways=(
        Way(
            key="mat-below-silicone-above",
            title=say("On a rubber mat, silicone above the die"),
            gains=say("The mat draws the metal into the die while the silicone spreads the load."),
            slots=(BED, SPACER, MAT, GLOSSY, SHEET, BLUNT_DIE, SILICONE, UPPER_PLATE, FEW_SHIMS),
            passes=(2, 4, 6),
            mist=(False,),
        ),
    ),
    prepare=(
        Task(text=say("Rub the burr off the metal's edges before it meets a mat."), care=say("Cut metal has sharp edges: wear gloves.")),
    ),
    look=(say("Look after every two passes, and stop when the relief no longer grows."),),
    finish=(Task(text=say("Rub the raised parts bright, or darken the ground; seal it when it is clean."), work="wax"),),
)

EFFECTS = (LINE, RIM, POWDER, METAL)
