"""Effects on what sets in the shape that it's held in: soaked leather as it dries, warmed foam as it cools."""

from lofty_press.core.basics.words import say
from lofty_press.core.working.recipes.catalogue.folders import EITHER_PAD, FEEDS, KEEP_OFF_HINGE, folder
from lofty_press.core.working.recipes.catalogue.parts import BED, SHIMS, SPACER, UPPER_PLATE
from lofty_press.core.working.recipes.effect import Effect, Task, Way

ONE_PLATE = Way(
    key="one-plate",
    title=say("Plain folder under one plate"),
    gains=say("A sheet this thick leaves no room for a second plate; a spacer and shims fill what is left."),
    slots=(BED, SPACER, SHIMS, *folder("plain folder"), UPPER_PLATE),
    mist=(False,),
    feeds=FEEDS,
)
DEEP_FOLDER = Way(
    key="deep-folder",
    title=say("Deep folder under one pad"),
    gains=say("The most relief: thick, soft sheets follow a rounded pattern without tearing."),
    slots=(BED, SPACER, SHIMS, *folder(("deep folder", "layered folder")), EITHER_PAD),
    mist=(False,),
    feeds=FEEDS,
)

LEATHER = Effect(
    key="relief-in-leather",
    title=say("A pattern in leather"),
    says=say("Leather soaked through, pressed in a folder, and left in it until it's dry."),
    kind="emboss",
    looks=("raised", "sunk"),
    finishes=("leather",),
    ways=(ONE_PLATE, DEEP_FOLDER),
    prepare=(
        Task(
            text=say("Soak the leather until no more bubbles rise, then dab it so it doesn't drip."),
            wait_s=900,
            wait_for="soaking",
            work="soak",
            care=say("Use undyed vegetable-tanned leather: dye runs, and chrome-tanned leather doesn't set."),
        ),
        KEEP_OFF_HINGE,
    ),
    look=(say("Open the folder a crack: every part of the pattern should be there. If not, one more pass."),),
    finish=(
        Task(
            text=say("Close the folder again and leave it under a weight until the leather is dry. Opened wet, it springs back."),
            wait_s=86_400,
            wait_for="drying",
            work="set",
        ),
        Task(text=say("Wipe water off plates and press: steel rusts and wood swells.")),
    ),
)

FOAM = Effect(
    key="relief-in-foam",
    title=say("A pattern in sculpting foam"),
    says=say("Foam warmed until it's soft, pressed in a folder, and left in it until it's cool."),
    kind="emboss",
    looks=("raised", "sunk"),
    finishes=("foam",),
    ways=(ONE_PLATE, DEEP_FOLDER),
    prepare=(
        KEEP_OFF_HINGE,
        Task(text=say("Lay out bed, shims and open folder first: warm foam stiffens while you look for them.")),
        Task(
            text=say("Warm the foam evenly until it goes limp, then go on at once."),
            work="warm",
            within_s=60,
            care=say(
                "Keep the heat tool moving and the window open; scorched foam gives off bad fumes. Follow the foam maker's instructions."
            ),
        ),
    ),
    look=(say("Open the folder a crack: the pattern should stand up with clear edges."),),
    finish=(
        Task(
            text=say("Leave the folder closed under a weight until the foam is cool. Opened warm, it springs back."),
            wait_s=300,
            wait_for="cooling",
            work="set",
        ),
    ),
)

EFFECTS = (LEATHER, FOAM)
