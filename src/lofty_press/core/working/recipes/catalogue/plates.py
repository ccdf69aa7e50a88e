"""Effects of motifs, texture plates and letterpress plates."""

from dataclasses import replace

from lofty_press.core.basics.words import say
from lofty_press.core.working.recipes.catalogue.parts import BED, LOWER_PLATE, SHEET, SHIMS, SPACER, SPARE_PLATE, UPPER_PLATE, WASH_INK
from lofty_press.core.working.recipes.effect import Effect, Slot, Task, Way

MOTIF = Slot(part=say("motif, one layer"), kinds=("motif",))
TWO_MOTIFS = Slot(part=say("motif, two layers glued"), kinds=("motif",), least=2, most=2)
OVER = Slot(part=say("motif, face down on the sheet"), kinds=("motif",), turned=True)
MAT = Slot(part=say("mat, pushes the sheet around the motif"), kinds=("rubber mat",))
GLUE_DOT = Task(text=say("Hold the motif with two dots of removable glue on its front. Tap them with a finger first, so they hold less."))
STRIP_OF_PAPER = Task(text=say("Take tape off before the pass: anything under pressure leaves its mark."))

ON_CARD = Effect(
    key="motif-card",
    title=say("One motif in the plain sheet"),
    says=say("A shape cut from card under the sheet, a thick mat above it: the shape is raised, the rest stays flat."),
    kind="motif",
    looks=("raised", "sunk"),
    ways=(
        Way(
            key="one-layer",
            title=say("One layer of motif"),
            gains=say("A quiet relief that no card minds."),
            slots=(BED, SPACER, LOWER_PLATE, MOTIF, SHEET, MAT, UPPER_PLATE, SHIMS),
        ),
        Way(
            key="two-layers",
            title=say("Two layers, glued"),
            gains=say("A sharper, higher edge; the sheet comes close to cracking at it."),
            slots=(BED, SPACER, LOWER_PLATE, TWO_MOTIFS, SHEET, MAT, UPPER_PLATE, SHIMS),
        ),
        Way(
            key="motif-above",
            title=say("Motif on top of the sheet, mat below"),
            gains=say("You see where the motif is. The front of the sheet comes out sunk unless you turn it over."),
            slots=(BED, SPACER, LOWER_PLATE, MAT, SHEET, OVER, UPPER_PLATE, SHIMS),
        ),
    ),
    prepare=(GLUE_DOT, STRIP_OF_PAPER),
    look=(say("Tilt it: the outline should be sharp all round, and white nowhere."),),
    orders=("motif-then-words",),
)

ENVELOPE = Effect(
    key="envelope-flap",
    sheet_under_mm=0.2,
    title=say("A device on an envelope's flap"),
    says=say("One thin layer of motif inside the flap, its face against the paper, so it reads from outside."),
    kind="motif",
    looks=("raised", "sunk"),
    ways=(
        Way(
            key="inside-the-flap",
            title=say("Motif under the flap, mat and shims above"),
            gains=say("A soft plate below keeps the envelope's other layers from marking. Shims make up the height of a card."),
            slots=(
                BED,
                SPACER,
                Slot(part=say("soft plate, spares the envelope"), kinds=("soft plate",)),
                MOTIF,
                SHEET,
                MAT,
                SPARE_PLATE,
                SHIMS,
            ),
        ),
    ),
    prepare=(
        Task(
            text=say(
                "Place the motif inside the flap, its face against the paper (face up once the flap is over it). Center it on the "
                "fold, clear of the gummed edge."
            )
        ),
        GLUE_DOT,
        Task(text=say("Use one layer of motif. Thin paper rips over two.")),
    ),
    look=(say("Check the flap's outside under the lamp, and the gummed edge: it must not be pressed shut."),),
)

TEXTURE = Effect(
    key="texture",
    title=say("A fine texture"),
    says=say("A one-sided plate and a silicone sheet give a quiet, all-over texture."),
    kind="texture",
    looks=("raised", "sunk"),
    ways=(
        Way(
            key="silicone-above",
            title=say("Plate below, silicone above the sheet"),
            gains=say("The silicone pushes the sheet into every pit. Choose which face is up."),
            slots=(
                BED,
                SPACER,
                Slot(part=say("texture plate, chosen face up"), kinds=("texture plate",)),
                SHEET,
                Slot(part=say("silicone, pushes the sheet in"), kinds=("silicone sheet",)),
                Slot(part=say("upper plate"), kinds=("hard plate", "soft plate")),
                replace(SPARE_PLATE, kinds=("hard plate",)),
                SHIMS,
            ),
            passes=(1, 2),
        ),
    ),
    prepare=(Task(text=say("Choose the plate's face: many have a different one on either side.")),),
    look=(say("Look along the sheet in low light; a blank patch means a hollow plate or a fold in the silicone."),),
)

LETTERPRESS = Effect(
    key="letterpress",
    title=say("Type pressed into thick stock"),
    says=say("A thick one-sided plate presses type or line work into soft stock, bare or inked."),
    kind="letterpress",
    looks=("sunk",),
    inks=("letterpress", "pigment", "slow craft"),
    holds=("right pressure",),
    ways=(
        Way(
            key="plate-below",
            title=say("Plate below, face up, one hard plate above"),
            gains=say("One plate is enough; the letterpress plate is thick already."),
            slots=(
                BED,
                SPACER,
                Slot(part=say("letterpress plate, face up"), kinds=("letterpress plate",), inked=True),
                SHEET,
                UPPER_PLATE,
                SHIMS,
            ),
            front="sunk",
            passes=(1, 2),
        ),
    ),
    prepare=(Task(text=say("If it is inked: a thin, even film by brayer, and nothing on the ground between the type.")),),
    look=(say("Feel the back with a fingertip: type should be felt, and not seen through the sheet."),),
    finish=(
        Task(text=say("Lay an inked print aside, face up, until it is dry."), wait_s=900, wait_for="drying", work="dry", only="inked"),
        WASH_INK,
    ),
    bare=True,
    orders=("ink-first", "dry-before-glue"),
)

EFFECTS = (ON_CARD, ENVELOPE, TEXTURE, LETTERPRESS)
