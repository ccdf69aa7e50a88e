"""What goes wrong with ink, powder and heat."""

from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import StackView
from lofty_press.core.teaching.coach.cause import Cause, only


def inked(view: StackView) -> bool:
    """True if something in the pile is inked."""
    return any(p.layer.ink is not None for p in view.layers) or view.sandwich.effect.kind == "letterpress"


CAUSES: tuple[Cause, ...] = (
    Cause(
        "ink too thick",
        say("The ink was too thick"),
        5,
        only(inked),
        say("Pressed flat, it runs past the pattern."),
        say("Its rim is darker and a little raised."),
        say("Use a light brayer, lifted between strokes. Clean off ink next to the pattern."),
        signs={"smudged": 0.7},
        teaches="nothing",
        look="rim",
        leaves="ran out",
    ),
    Cause(
        "ink on the wrong half",
        say("The wrong half was inked"),
        3,
        only(lambda view: inked(view) and view.folder_halves is not None),
        say("Then the ground takes the ink and the pattern stays bare, or the other way round."),
        say("Look at the folder: which half carries ink?"),
        say("Ink the half you want to show: its raised parts."),
        signs={"smudged": 0.45, "patchy": 0.45},
        teaches="nothing",
        look="halves",
        leaves="on the ground",
    ),
    Cause(
        "ink dried",
        say("The ink had dried"),
        4,
        only(inked),
        say("It no longer comes off the plate."),
        say("Touch the plate: no ink comes off."),
        say("Get everything ready, ink last."),
        signs={"patchy": 0.8},
        teaches="nothing",
        look="touch",
        leaves="in patches",
    ),
    Cause(
        "powder on oil",
        say("Oils or static held powder"),
        3,
        only(lambda view: view.sheet is not None),
        say("A finger's touch is enough."),
        say("The specks are where you held it."),
        say("Dust it with an anti-static bag first; knock the powder off from several sides."),
        signs={"specks": 0.9},
        teaches="nothing",
        look="where held",
        leaves="specks",
    ),
    Cause(
        "powder on damp color",
        say("Color was still damp under the powder"),
        2,
        only(lambda view: view.sheet is not None),
        say("Powder sticks to whatever is damp: a wash, a wet edge, a fresh stamp."),
        say("The specks are where there's color, not where you held it."),
        say("Dry the wash through, then dust, then powder."),
        signs={"specks": 0.8},
        teaches="nothing",
        look="where held",
        leaves="powdered wash",
    ),
    Cause(
        "heat in one place",
        say("The heat stayed in one place"),
        3,
        only(lambda view: view.sheet is not None),
        say("Card dries from one side and bends."),
        say("It bends toward the heated side, or it's brown there."),
        say("Heat the tool first, keep it moving, warm the back to flatten."),
        signs={"warped": 0.9},
        teaches="nothing",
        look="brown",
        leaves="scorched",
    ),
)
