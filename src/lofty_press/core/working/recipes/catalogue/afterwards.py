"""Impressions that are made for what is done to them afterwards: painted along, sanded, folded and tucked."""

from dataclasses import replace

from lofty_press.core.basics.words import say
from lofty_press.core.working.recipes.catalogue.dies import CUT
from lofty_press.core.working.recipes.catalogue.folders import DEEP, PLAIN
from lofty_press.core.working.recipes.catalogue.lines import LINE
from lofty_press.core.working.recipes.effect import Task

DRY_FIRST = Task(
    text=say("Let a damp sheet dry before color or sandpaper touches it."), wait_s=600, wait_for="drying", work="dry flat", only="damp"
)

PAINT_ALONG = replace(
    LINE,
    key="paint-along",
    title=say("Lines to paint along"),
    says=say("A die's pressed lines hold the edge of a wash, like a drawing that guides the brush."),
    finish=(
        DRY_FIRST,
        Task(
            text=say("Paint along the lines; the furrow stops the wash. Let each wash dry."), wait_s=300, wait_for="drying", work="colour"
        ),
    ),
    orders=("emboss-then-paint",),
)

PAINT_RAISED = replace(
    PLAIN,
    key="colour-the-ridges",
    title=say("Ridges touched with color"),
    says=say("A raised pattern whose ridges take ink or wax from a flat pad drawn over them."),
    looks=("raised",),
    ways=(*PLAIN.ways, *DEEP.ways),
    finish=(
        DRY_FIRST,
        Task(text=say("Draw a nearly dry pad over the ridges, flat and light; let it dry."), wait_s=300, wait_for="drying", work="colour"),
    ),
    orders=("emboss-then-paint",),
)

SAND_BACK = replace(
    DEEP,
    key="sand-back",
    title=say("Ridges sanded to the core"),
    says=say("Card with a core of another color: sand the raised ridges until the core shows."),
    looks=("raised",),
    cored=True,
    finish=(
        DRY_FIRST,
        Task(
            text=say("Sand the ridges with a fine block, flat, in one direction, until the core shows; brush the dust off."),
            care=say("Sand on glass or rigid clear plastic, not on a craft mat, which it ruins. Don't breathe the dust."),
            work="sand",
        ),
    ),
    orders=("cut-then-emboss", "emboss-then-sand"),
)

PUFFED = replace(
    LINE,
    key="puffed-line",
    title=say("A pressed line filled with puffing ink"),
    says=say("A die's furrow guides puffing ink. Heat makes it swell into a soft, raised line."),
    looks=("sunk",),
    finish=(
        DRY_FIRST,
        Task(text=say("Draw a thin coat along the furrow. A thin coat alone stays flat."), work="colour"),
        Task(text=say("Draw a second, thick coat over it.")),
        Task(
            text=say("Heat it until it swells, then take the heat away. Add another coat and heat again as often as you like."),
            wait_s=15,
            wait_for="heat",
            care=say("Too long in one place scorches it brown. Heat-proof mat, nothing flammable near, fresh air."),
        ),
        Task(text=say("Let it cool before you touch it."), wait_s=60, wait_for="cooling"),
    ),
    orders=("emboss-then-paint",),
)

FOLD_AND_TUCK = replace(
    CUT,
    key="fold-and-tuck",
    title=say("A cut piece to fold and tuck"),
    says=say("A detailed die cut whose tabs fold over and tuck under each other."),
    finish=(
        *CUT.finish,
        Task(text=say("Fold each tab over a bone folder's edge and tuck it under the next, three to four minutes a piece."), work="tuck"),
    ),
)

WAX_OVER = replace(
    PAINT_RAISED,
    key="wax-over-relief",
    title=say("Wax or glaze over a relief"),
    says=say("Metallic wax rubbed over the high parts, or a clear glaze over the whole, makes a finished relief shine."),
    finish=(
        DRY_FIRST,
        Task(text=say("If there's ink too: glaze first, ink after.")),
        Task(
            text=say("Rub the wax on with a fingertip, flat, over the high parts only; let it dry."),
            wait_s=900,
            wait_for="drying",
            work="wax",
        ),
    ),
    orders=("emboss-then-wax",),
)

EFFECTS = (PAINT_ALONG, PAINT_RAISED, WAX_OVER, SAND_BACK, PUFFED, FOLD_AND_TUCK)
