"""What goes wrong with plates and dies."""

from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import DIES, Edit, Placed, Sandwich, Set, StackView
from lofty_press.core.teaching.coach.cause import Cause, only, with_item
from lofty_press.core.teaching.coach.causes.pile import doubled, first, is_plate

BOW = 0.4  # mm


def bowed(view: StackView) -> Sandwich | None:
    """A plate that does not lie flat."""
    plate = first(view, is_plate)
    return None if plate is None else with_item(view, plate, bow_mm=plate.item.bow_mm + BOW)


def on_a_plate(view: StackView) -> bool:
    """True if a die's blade meets a plate."""
    return view.die is not None and first(view, is_plate) is not None


def prints_scars(view: StackView) -> bool:
    """True where a plate's old cuts may print: under a relief, and on any sheet that shows them."""
    shows = view.sheet is not None and view.sheet.item.stock is not None and view.sheet.item.stock.shows_scars
    return first(view, is_plate) is not None and (view.sandwich.effect.traits.forms or shows)


def is_motif(p: Placed) -> bool:
    """True for a cut motif, whose layers add up to its relief."""
    return p.kind == "motif"


def a_layer_less(view: StackView) -> tuple[Edit, ...]:
    """One layer of the motif fewer, where there are several."""
    motif = first(view, is_motif)
    return (Set(layer=motif.id, count=motif.layer.count - 1),) if motif is not None and motif.layer.count > 1 else ()


CAUSES: tuple[Cause, ...] = (
    Cause(
        "dies overlap",
        say("One die lay on another"),
        5,
        only(lambda view: sum(p.kind in DIES for p in view.layers) > 1),
        say("Where two overlap, all the force goes there: dies bend, and cut nothing around it."),
        say("The cut stops where they meet, and the dies are bent there."),
        say("Never overlap them. Use every other size of a nested set."),
        signs={"part not cut": 0.5, "not cut": 0.2, "crushed": 0.2},
        look="sizes",
        teaches="nothing",
    ),
    Cause(
        "relief too high",
        say("The motif was a layer too high"),
        5,
        doubled(is_motif),
        say("Each layer of a motif adds to its relief, and paper takes only so much."),
        say("It breaks along the motif's rim, nowhere else."),
        say("Use one motif layer for thin paper, more only where the paper stretches."),
        mend=a_layer_less,
        look="layers",
    ),
    Cause(
        "bowed",
        say("A plate is bowed"),
        4,
        bowed,
        say("It's always the same spot of the same face: hollow there, it presses less."),
        say("Lay the plate on a flat table: it rocks, or light shows under it."),
        say("Turn it over each time, and move the work around."),
        teaches="as meant",
        look="flat",
    ),
    Cause(
        "scarred",
        say("Scars of a plate printed"),
        4,
        only(prints_scars),
        say("Where nothing covers it, a plate prints its old cuts, most of all on foil."),
        say("Turn the plate: the lines turn with it."),
        say("Turn its clean face to the sheet, or trim the sheet to the tool."),
        signs={"old lines": 0.9},
        teaches="nothing",
        look="turn plate",
        leaves="old cuts",
    ),
    Cause(
        "worn place",
        say("The blade was on the plate's worn spot"),
        4,
        only(on_a_plate),
        say("In an old groove the blade sinks in before it gets through the sheet."),
        say("Look where it isn't cut: an older cut of the same die runs there in the plate."),
        say("Use another spot or the other face of the plate."),
        signs={"part not cut": 0.7},
        teaches="nothing",
        look="plate there",
        leaves="uncut stripe",
    ),
    Cause(
        "leftover",
        say("A leftover piece was in the die"),
        5,
        only(on_a_plate),
        say("It holds the blade off the sheet, or prints itself."),
        say("Look through the die against the light."),
        say("Push the pieces out before each pass."),
        signs={"part not cut": 0.6, "old lines": 0.1},
        feels={"jump": 0.1},
        teaches="nothing",
        look="die",
        leaves="around a piece",
    ),
    Cause(
        "cut after",
        say("It was cut after it was embossed"),
        5,
        only(lambda view: view.sandwich.effect.traits.forms and not view.sandwich.effect.traits.cuts),
        say("Between plates a relief gets pressed flat again."),
        say("It's flattest next to the cut."),
        say("Cut first and put it back. Its relief finds its place. Then emboss."),
        signs={"faint": 0.6},
        teaches="nothing",
        look="order",
        flattens=True,
    ),
)
