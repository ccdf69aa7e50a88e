"""Effects of folders: plain, deep and layered, two-way, under a mask, with a window, and with a blade in them."""

from dataclasses import replace

from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import ItemKind
from lofty_press.core.working.recipes.catalogue.parts import (
    BED,
    FEW_SHIMS,
    LOWER_PLATE,
    SECOND_PLATE,
    SECOND_SPACER,
    SHEET,
    SHIMS,
    SPACER,
    UPPER_PLATE,
)
from lofty_press.core.working.recipes.effect import Effect, Feed, Slot, Task, Way

DEEP_PLATE = Slot(part=say("the one plate, thicker than a hard plate"), kinds=("deep plate",))
EITHER_PAD = Slot(part=say("the one pad on top, whichever closes this press"), kinds=("deep plate", "hard plate"))
FEEDS: tuple[Feed, ...] = ("hinge first", "open edge first")
KEEP_OFF_HINGE = Task(text=say("Lay the sheet against the folder's edge line, clear of the strip along the hinge that has no pattern."))
POINT_FIRST = Task(
    text=say("A shape goes in point first and at an angle, with a thumb behind it until the rollers bite; a long edge drags.")
)
SEAT_DIE = Task(text=say("If the folder's die is loose, seat it in the ridges (or on the magnets) of its own half first."))


def folder(
    kind: ItemKind | tuple[ItemKind, ...], inside: Slot = SHEET, *, ink: str = "", thinner: float = 100.0, thicker: float = 0.0
) -> tuple[Slot, ...]:
    """A folder lying raised half down with the sheet in it; `ink` names the half that is inked."""
    kinds = (kind,) if isinstance(kind, str) else kind
    low = Slot(part=say("folder, raised half"), kinds=kinds, half="raised", inked=ink == "raised", thinner_mm=thinner, thicker_mm=thicker)
    high = Slot(part=say("folder, sunk half"), kinds=kinds, half="sunk", inked=ink == "sunk", thinner_mm=thinner, thicker_mm=thicker)
    return (low, inside, high)


PLAIN = Effect(
    key="plain-relief",
    title=say("A pattern all over"),
    says=say("A thin hinged folder presses its pattern into the whole sheet, crisp and shallow."),
    kind="emboss",
    looks=("raised", "sunk"),
    ways=(
        Way(
            key="two-plates",
            title=say("Between two plates"),
            gains=say("Both sides press evenly and neither plate bows; one pass does it."),
            slots=(BED, SECOND_PLATE, FEW_SHIMS, LOWER_PLATE, *folder("plain folder"), UPPER_PLATE),
            feeds=FEEDS,
        ),
    ),
    prepare=(KEEP_OFF_HINGE,),
    look=(say("Hold the sheet against the light: every part of the pattern should stand equally sharp, up to the edge line."),),
    orders=("cut-then-emboss",),
)

DEEP = Effect(
    key="deep-relief",
    title=say("A deep, rounded relief"),
    says=say("A thick folder with a rounded relief, in one height or several, raises the sheet by a millimeter and more."),
    kind="emboss",
    looks=("raised", "sunk"),
    ways=(
        Way(
            key="once",
            title=say("One pass"),
            gains=say("Quick, and the sheet has no second chance to move; leaves the ridges a little softer."),
            slots=(BED, SECOND_PLATE, *folder(("deep folder", "layered folder")), EITHER_PAD, FEW_SHIMS),
            feeds=FEEDS,
        ),
        Way(
            key="three-passes",
            title=say("Three passes, to and fro"),
            gains=say("Brings up more of the depth; each pass adds less than the one before."),
            slots=(BED, SECOND_PLATE, *folder(("deep folder", "layered folder")), EITHER_PAD, FEW_SHIMS),
            passes=(3,),
            feeds=FEEDS,
            run_s=60,
        ),
    ),
    prepare=(KEEP_OFF_HINGE,),
    look=(say("Look along the ridges for fine cracks and in the corners for white, stretched fibers."),),
    finish=(
        Task(
            text=say("Let a damp sheet dry flat under no weight before glue or ink come near it."),
            wait_s=600,
            wait_for="drying",
            work="dry flat",
            only="damp",
        ),
    ),
    orders=("cut-then-emboss", "emboss-then-detail"),
)

CUT_THIN = Effect(
    key="relief-and-cut",
    title=say("Pattern and cut in one pass"),
    says=say("A folder with a blade in it embosses and cuts at once."),
    kind="cut and emboss",
    looks=("raised", "sunk"),
    holds=("right pressure", "hard behind the blade", "sheet whole"),
    ways=(
        Way(
            key="thin-cutting-folder",
            title=say("Thin cutting folder between two plates"),
            gains=say("The blade has a pad on both sides and spares bed and roller."),
            slots=(BED, FEW_SHIMS, LOWER_PLATE, *folder("cutting folder", thinner=4.0), UPPER_PLATE),
            passes=(1, 2),
            feeds=FEEDS,
        ),
        Way(
            key="deep-cutting-folder",
            title=say("Deep cutting folder under one deep plate"),
            gains=say("The folder carries itself; afterwards a finer die in the same folder can cut the detail."),
            slots=(BED, *folder("cutting folder", thicker=4.0), DEEP_PLATE, FEW_SHIMS),
            passes=(1, 2),
            feeds=FEEDS,
        ),
    ),
    prepare=(SEAT_DIE, KEEP_OFF_HINGE, POINT_FIRST),
    look=(say("Flex the sheet gently: the cut parts should let go by themselves, without tearing at a corner."),),
    orders=("emboss-then-detail",),
)

TWO_WAY = Effect(
    key="two-way-relief",
    title=say("Relief from a rigid two-way folder"),
    says=say("A rigid folder with relief to both sides, thicker than a plain and thinner than a deep one."),
    kind="emboss",
    looks=("raised", "sunk"),
    ways=(
        Way(
            key="one-plate-and-shims",
            title=say("One plate, spacer and card shims"),
            gains=say("The usual pile jams or stays faint with it; a single plate with a shim or two finds the height between."),
            slots=(BED, SPACER, SECOND_SPACER, *folder("two-way folder"), UPPER_PLATE, SHIMS),
            feeds=FEEDS,
        ),
    ),
    prepare=(KEEP_OFF_HINGE, Task(text=say("Try the pile on scrap first and add shims one by one; write down what worked on this press."))),
    look=(say("Check both faces: neither pattern may look flattened."),),
)

MASKED = Effect(
    key="masked-relief",
    title=say("A pattern on part of the sheet"),
    says=say("A soft plate with a window, or the shape that fell out of it, presses only where it has material."),
    kind="emboss",
    looks=("raised", "sunk"),
    ways=(
        Way(
            key="soft-mask",
            title=say("Pressure mask instead of the upper plate"),
            gains=say("A clear border you use again and again. Its soft edge fades the relief over a few millimeters."),
            slots=(BED, FEW_SHIMS, LOWER_PLATE, *folder("plain folder"), Slot(part=say("pressure mask"), kinds=("pressure mask",))),
            feeds=FEEDS,
        ),
    ),
    prepare=(KEEP_OFF_HINGE, Task(text=say("Turn the mask so the roller meets one of its points first, not a long edge."))),
    look=(say("Look around the window: the sheet should be flat there, with no ripples running out from the edge."),),
)

FRAMED = Effect(
    key="window-relief",
    title=say("A pattern round a plain window"),
    says=say("Two card frames with one opening replace a plate: the relief fades toward the window."),
    kind="emboss",
    looks=("raised", "sunk"),
    ways=(
        Way(
            key="frames-above",
            title=say("Two frames under the upper plate"),
            gains=say("You cut frames from card in minutes, in any shape. The plate bridges the window and lets the relief fade."),
            slots=(
                BED,
                FEW_SHIMS,
                *folder("plain folder"),
                Slot(part=say("two equal frames"), kinds=("frame",), least=2, most=2),
                UPPER_PLATE,
            ),
            feeds=FEEDS,
        ),
        Way(
            key="frames-in-plates-place",
            title=say("Two frames as the upper plate"),
            gains=say("The border of the window stays sharper, since no plate presses behind the frames."),
            slots=(BED, LOWER_PLATE, *folder("plain folder"), Slot(part=say("two equal frames"), kinds=("frame",), least=2, most=2), SHIMS),
            feeds=FEEDS,
        ),
    ),
    prepare=(
        KEEP_OFF_HINGE,
        Task(text=say("Line both frames up exactly, marked edge to marked edge. Measure them; they thin with use.")),
    ),
    look=(say("Look at the window's edge: the relief should fade, and the middle should stay flat."),),
)

INKED = Effect(
    key="inked-relief",
    title=say("Relief and ink at once"),
    says=say("Ink on one half of the folder prints while the folder embosses."),
    kind="emboss",
    looks=("raised", "sunk"),
    inks=("pigment", "slow craft"),
    ways=(
        Way(
            key="ink-round-the-pattern",
            title=say("Colored ground, the pattern bare and raised"),
            gains=say("The pattern keeps the card's own color and stands clear of the ink."),
            slots=(BED, FEW_SHIMS, LOWER_PLATE, *folder("plain folder", ink="sunk"), UPPER_PLATE),
            front="raised",
            mist=(False,),
            feeds=FEEDS,
        ),
        Way(
            key="ink-in-the-pattern",
            title=say("Colored pattern, sunk into a bare ground"),
            gains=say("Reads like type pressed into the sheet. Little ink, so little can smudge."),
            slots=(BED, FEW_SHIMS, LOWER_PLATE, *folder("plain folder", ink="raised"), UPPER_PLATE),
            front="sunk",
            mist=(False,),
            feeds=FEEDS,
        ),
    ),
    prepare=(
        KEEP_OFF_HINGE,
        Task(text=say("Wipe off ink past the pattern, and press at once, while it's wet.")),
    ),
    look=(say("Look for filled-in lines and gray smears: too much ink, or the sheet slid when the folder closed."),),
    finish=(
        Task(text=say("Lay the print aside, face up, until the ink is dry."), wait_s=900, wait_for="drying", work="dry"),
        Task(text=say("Wash the ink off folder and hands before it dries in the pattern.")),
    ),
    orders=("ink-first", "dry-before-glue"),
)

INKED_CUT = replace(
    CUT_THIN,
    key="inked-relief-and-cut",
    title=say("Printed, embossed and cut in one pass"),
    says=say("Ink on one half of a cutting folder prints while it embosses and cuts."),
    inks=("pigment", "slow craft"),
    ways=(
        Way(
            key="ink-round-the-pattern",
            title=say("Ink on the sunk half: a colored ground"),
            gains=say("The raised parts keep the card's own color; ink beads a little on plastic and leaves it mottled."),
            slots=(BED, *folder("cutting folder", ink="sunk", thicker=4.0), DEEP_PLATE, FEW_SHIMS),
            front="raised",
            mist=(False,),
            feeds=FEEDS,
        ),
        Way(
            key="ink-in-the-pattern",
            title=say("Ink on the raised half: a colored pattern"),
            gains=say("The sunk parts take the color and the ground stays bare. Little ink, so little can smudge."),
            slots=(BED, *folder("cutting folder", ink="raised", thicker=4.0), DEEP_PLATE, FEW_SHIMS),
            front="sunk",
            mist=(False,),
            feeds=FEEDS,
        ),
        Way(
            key="thin-round-the-pattern",
            title=say("Thin folder between two plates, ink on the sunk half"),
            gains=say("A colored ground, and the blade has a pad on both sides."),
            slots=(BED, FEW_SHIMS, LOWER_PLATE, *folder("cutting folder", ink="sunk", thinner=4.0), UPPER_PLATE),
            front="raised",
            mist=(False,),
            feeds=FEEDS,
        ),
    ),
    prepare=(
        SEAT_DIE,
        KEEP_OFF_HINGE,
        Task(text=say("Roll over the half in lifted strokes to full cover. Wipe off what's past the pattern. Press while it's wet.")),
    ),
    finish=(
        Task(text=say("Lay the print aside, face up, until the ink is dry."), wait_s=900, wait_for="drying", work="dry"),
        Task(text=say("Clean the die first, then the folder, before ink dries on either.")),
    ),
    orders=("ink-first", "dry-before-glue"),
)

EFFECTS = (PLAIN, DEEP, CUT_THIN, TWO_WAY, MASKED, FRAMED, INKED, INKED_CUT)
