"""What goes wrong with the sheet."""

from dataclasses import replace

from lofty_press.core.basics.trade import FRESH_MIST, SOONEST_MIST
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import Edit, Lay, Sandwich, Set, StackView, Trim, TurnOver
from lofty_press.core.teaching.coach.cause import Cause, Mishap, edited, only, with_item

HINGE = 12.0  # mm that a card is pushed too far, on average
ASIDE, CROOKED = 12.0, 5.0  # mm, degrees
LATE = 240.0  # s since the mist
HEAVY, LIGHT = 1.5, 0.65  # of the thickness that was meant
BRITTLE = 0.6  # of the strain at which it usually breaks: a dry room, an old sheet
RIM = 4.0  # mm


def into_the_hinge(view: StackView) -> Sandwich | None:
    """The card pushed over the blank strip at the hinge."""
    sheet, tool = view.sheet, view.tool
    if sheet is None or tool is None or tool.item.relief is None or not tool.item.relief.hinge_margin_mm or not view.in_folder(sheet):
        return None
    free = sheet.bounds[0] - tool.bounds[0] - tool.item.relief.hinge_margin_mm  # the hinge goes in first
    return edited(view, Set(layer=sheet.id, x_mm=sheet.layer.x_mm - max(free, 0.0) - min(HINGE, tool.item.relief.hinge_margin_mm)))


def aside(view: StackView) -> Sandwich | None:
    """The sheet laid beside its place."""
    sheet = view.sheet
    return None if sheet is None else edited(view, Set(layer=sheet.id, y_mm=sheet.layer.y_mm + ASIDE))


def crooked(view: StackView) -> Sandwich | None:
    """The sheet laid turned."""
    sheet = view.sheet
    if sheet is None:
        return None
    lead = Lay(
        layers=(sheet.id,), lead=sheet.id, x_mm=sheet.layer.x_mm, y_mm=sheet.layer.y_mm, rotation_deg=sheet.layer.rotation_deg + CROOKED
    )
    return edited(view, lead)


def upside_down(view: StackView) -> Sandwich | None:
    """The sheet laid with its back up."""
    return None if view.sheet is None or view.sandwich.effect.front == "either" else edited(view, TurnOver(layer=view.sheet.id))


def misted(view: StackView) -> bool:
    """True if the sheet was to be misted."""
    return view.sheet is not None and view.sheet.layer.mist_age_s is not None


def mistable(view: StackView) -> bool:
    """True if mist would help and none was meant."""
    sheet = view.sheet
    return sheet is not None and sheet.item.stock is not None and sheet.item.stock.mist is not None and sheet.layer.mist_age_s is None


def mist_the_back(view: StackView) -> tuple[Edit, ...]:
    """A fresh mist on the back, where it helps."""
    return (Set(layer=view.sheet.id, mist_age_s=FRESH_MIST.value, mist_face="back"),) if view.sheet and mistable(view) else ()


def at_a_window(view: StackView) -> bool:
    """True for a dry sheet in a pile in which the pressure ends at an edge."""
    return mistable(view) and any(p.kind in ("pressure mask", "frame") for p in view.layers)


def brittle(view: StackView) -> Sandwich | None:
    """A card that breaks sooner than its kind."""
    sheet = view.sheet
    if sheet is None or sheet.item.stock is None or not mistable(view):
        return None
    stock = sheet.item.stock
    return with_item(view, sheet, stock=replace(stock, break_strain=stock.break_strain * BRITTLE))


def forgotten(view: StackView) -> Sandwich | None:
    """Pressed dry."""
    return edited(view, Set(layer=view.sheet.id, dry=True)) if view.sheet and misted(view) else None


def too_late(view: StackView) -> Sandwich | None:
    """Pressed when most of the mist was gone."""
    return edited(view, Set(layer=view.sheet.id, mist_age_s=LATE)) if view.sheet and misted(view) else None


def on_the_face(view: StackView) -> Sandwich | None:
    """Misted on the other face."""
    sheet = view.sheet
    if sheet is None or not misted(view):
        return None
    return edited(view, Set(layer=sheet.id, mist_face="front" if sheet.layer.mist_face == "back" else "back"))


def opened_too_soon(view: StackView) -> Sandwich | None:
    """Leather or foam taken out of the tool before it was dry or cool."""
    sheet = view.sheet
    if sheet is None or sheet.item.stock is None or sheet.item.stock.sets is None:
        return None
    return with_item(view, sheet, stock=replace(sheet.item.stock, sets=None))


def of_another_thickness(factor: float) -> Mishap:
    """A sheet from another pack."""

    def put_in(view: StackView) -> Sandwich | None:
        sheet = view.sheet
        if sheet is None:
            return None
        thick = sheet.item.thickness
        return with_item(view, sheet, thickness=replace(thick, mm=thick.mm * factor))

    return put_in


CAUSES: tuple[Cause, ...] = (
    Cause(
        "hinge",
        say("The card was in the hinge"),
        8,
        into_the_hinge,
        say("A folder has no pattern along its hinge: that part stays blank."),
        say("The blank strip is straight, and the same width all along one edge."),
        say("Line the card up with the pattern's line, not with the hinge."),
        look="lay on",
    ),
    Cause(
        "aside",
        say("The sheet was off its place"),
        5,
        aside,
        say("Past the tool's edge nothing gets pressed."),
        say("The pattern is cut off on one side, with blank paper after it."),
        say("Hold the sheet with a piece of low-tack tape at its edge before you close."),
        signs={"aside": 0.5},
        look="lay on",
    ),
    Cause(
        "crooked",
        say("The sheet was crooked"),
        5,
        crooked,
        say("Tool and sheet weren't square to each other."),
        say("Measure from two corners to the pattern: the distances differ."),
        say("Square the sheet up on an edge of the tool before you close."),
        signs={"crooked": 0.8},
        look="corners",
    ),
    Cause(
        "upside down",
        say("The sheet was upside down"),
        4,
        upside_down,
        say("The relief is right, but on the wrong face."),
        say("Turn it over: then it looks right."),
        say("Mark the back in pencil before the next ones."),
        signs={"other side": 0.6},
        look="turn over",
    ),
    Cause(
        "mist forgotten",
        say("The mist was forgotten"),
        6,
        forgotten,
        say("Dry fibers stretch less: a ridge cracks, or stays lower."),
        say("A crack shows the paper's white core and runs along a ridge; hold it to the light."),
        say("Mist a fresh sheet lightly on its back and press it within a minute."),
        look="back",
    ),
    Cause(
        "dry card",
        say("The card is too dry for this relief"),
        7,
        brittle,
        say("Dry, brittle or coated card stretches less than usual."),
        say("Bend a corner sharply: if it breaks there too, it is dry or brittle."),
        say("Mist it lightly on the back, or use a softer card."),
        mend=mist_the_back,
        teaches="as meant",
        look="corner",
    ),
    Cause(
        "mist late",
        say("The mist had dried"),
        5,
        too_late,
        say("Mist fades in a few minutes, while you build the pile."),
        say("The back feels dry when you take it out."),
        say("Build the pile first, mist last."),
        mend=lambda view: (Set(layer=view.sheet.id, mist_age_s=SOONEST_MIST.value),) if view.sheet and misted(view) else (),
        look="back",
    ),
    Cause(
        "mist on the other face",
        say("The other face was misted"),
        3,
        on_the_face,
        say("A coated face lets no water in, and its ink or foil goes dull."),
        say("Look for dull spots under a low lamp."),
        say("Mist the uncoated back."),
        look="back",
    ),
    Cause(
        "too wet",
        say("It was too wet"),
        3,
        only(misted),
        say("Soaked fibers let go: it tears, or dries wavy."),
        say("It's limp, and wavy next to the pattern too."),
        say("One light mist from an arm's length; blot it before you press."),
        signs={"torn": 0.3, "buckled": 0.4},
        teaches="nothing",
        look="back",
        leaves="waves",
    ),
    Cause(
        "opened too soon",
        say("It was opened too soon"),
        8,
        opened_too_soon,
        say("Leather sets as it dries, foam as it cools. Before that, both spring back."),
        say("The whole pattern is there, soft and low all over."),
        say("Soak or warm it again, press it, and leave it closed under a weight until it's dry or cool."),
        teaches="nothing",
        look="back",
    ),
    Cause(
        "dry at a window",
        say("The card was dry where the pressure ends"),
        4,
        only(at_a_window),
        say("At a window's edge the pressed part draws in and the bare part folds."),
        say("The folds start at the window's edge."),
        say("Mist the back lightly before you press."),
        mend=mist_the_back,
        signs={"buckled": 0.6},
        look="back",
        leaves="waves",
    ),
    Cause(
        "peeled too hard",
        say("Its tape or glue held too well"),
        3,
        only(lambda view: view.sheet is not None),
        say("Peeled off, it takes the top of the paper with it."),
        say("It's torn where the tape or glue was, not along the pattern."),
        say("Use low-tack tape, pulled off slowly and flat. Dab it on cloth first."),
        signs={"torn": 0.5, "residue": 0.2},
        teaches="nothing",
        look="mark",
        leaves="peeled",
    ),
    Cause(
        "adhesive left",
        say("Glue from tape or a motif stayed on it"),
        3,
        only(lambda view: view.sheet is not None),
        say("Under pressure glue flows into the paper."),
        say("It's tacky, or shiny in the shape of the tape or motif."),
        say("Use removable tape outside the pattern, and a dot of weak glue for a motif. Rub glue off with an eraser once it's dry."),
        signs={"residue": 0.9},
        teaches="nothing",
        look="mark",
        leaves="shine",
    ),
    Cause(
        "heavy card",
        say("The card is heavier than you said"),
        4,
        of_another_thickness(HEAVY),
        say("Every layer counts: the pile is that much thicker."),
        say("Put a caliper on four sheets together and divide."),
        say("Take out a shim, or use the card the pile was made for."),
        teaches="as meant",
        look="caliper",
    ),
    Cause(
        "light card",
        say("The card is lighter than you said"),
        4,
        of_another_thickness(LIGHT),
        say("Every layer counts: the pile is that much thinner."),
        say("Put a caliper on four sheets together and divide."),
        say("Put a sheet of paper under the pile, or use the card it was made for."),
        teaches="as meant",
        look="caliper",
    ),
    Cause(
        "too small",
        say("The sheet was cut too small"),
        3,
        lambda view: (
            edited(
                view,
                Trim(
                    layer=view.sheet.id,
                    width_mm=max(view.sheet.item.width_mm * 0.85, RIM),
                    length_mm=max(view.sheet.item.length_mm * 0.85, RIM),
                ),
            )
            if view.sheet
            else None
        ),
        say("The tool reaches past its edges."),
        say("Lay it on the tool: the tool shows all round."),
        say("Cut it larger, press it, then trim it."),
        look="lay on",
    ),
)
