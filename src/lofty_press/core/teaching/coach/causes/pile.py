"""What goes wrong with the pile around the sheet: a layer too much, too little, or the wrong way round."""

from collections.abc import Callable

from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.stack import (
    CLEAR_PLATES,
    DEEP_FOLDERS,
    FOLDERS,
    MATS,
    Add,
    Edit,
    Exchange,
    Move,
    Placed,
    Remove,
    Sandwich,
    Set,
    SetPasses,
    StackView,
    TurnOver,
)
from lofty_press.core.teaching.coach.cause import Cause, Mishap, edited, only, with_opening

LOOSE, TIGHT = 0.35, -0.35  # mm at the rollers
MORE_PASSES = 4


def first(view: StackView, condition: Callable[[Placed], bool]) -> Placed | None:
    """The lowest layer of which something holds."""
    return next((p for p in view.layers if condition(p)), None)


def without(condition: Callable[[Placed], bool]) -> Mishap:
    """A layer left out."""

    def put_in(view: StackView) -> Sandwich | None:
        found = first(view, condition)
        return None if found is None else edited(view, Remove(layer=found.id))

    return put_in


def doubled(condition: Callable[[Placed], bool]) -> Mishap:
    """A layer laid in twice."""

    def put_in(view: StackView) -> Sandwich | None:
        found = first(view, condition)
        return None if found is None else edited(view, Set(layer=found.id, count=found.layer.count + 1))

    return put_in


def is_mat(p: Placed) -> bool:
    return p.kind in MATS


def is_spacer(p: Placed) -> bool:
    return p.kind == "spacer"


def is_plate(p: Placed) -> bool:
    return p.kind in CLEAR_PLATES


def mat_on_the_other_side(view: StackView) -> Sandwich | None:
    """The mat behind the tool in place of behind the sheet, or the other way round."""
    mat, sheet, tool = first(view, is_mat), view.sheet, view.tool
    if mat is None or sheet is None or tool is None or tool.kind in FOLDERS:
        return None
    others = [p for p in view.layers if p.id != mat.id]
    pair = sorted(others.index(p) for p in (sheet, tool))
    return edited(view, Move(layer=mat.id, to=pair[0] if mat.index > max(sheet.index, tool.index) else pair[1] + 1))


def plate_for_the_mat(view: StackView) -> Sandwich | None:
    """A hard plate where the mat belongs."""
    mat = first(view, is_mat)
    return None if mat is None else edited(view, Exchange(layer=mat.id, kind="hard plate"))


def no_mat(view: StackView) -> bool:
    """True if the work asks for a mat and the pile has none."""
    return view.sandwich.effect.traits.mat and first(view, is_mat) is None


def spacer_left_in(view: StackView) -> Sandwich | None:
    """A spacer too much."""
    if first(view, is_spacer) is not None:
        return None
    return edited(view, Add(kind="spacer", at=view.above_base))


def folder_turned(view: StackView) -> Sandwich | None:
    """The folder the other way up."""
    halves = view.folder_halves
    return None if halves is None or view.sandwich.effect.front == "either" else edited(view, TurnOver(layer=halves[0].id))


def die_turned(view: StackView) -> Sandwich | None:
    """The die with its blade away from the sheet."""
    return None if view.die is None else edited(view, TurnOver(layer=view.die.id))


def too_many_passes(view: StackView) -> Sandwich | None:
    """Sent through again and again."""
    return edited(view, SetPasses(passes=min(view.sandwich.passes + MORE_PASSES, 20)))


def a_pass_less(view: StackView) -> Sandwich | None:
    """One of several passes forgotten."""
    return edited(view, SetPasses(passes=view.sandwich.passes - 1)) if view.sandwich.passes > 1 else None


def another_pass_helps(view: StackView) -> bool:
    """True for a cut in one pass, and a deep folder in fewer than three."""
    deep = view.tool is not None and view.tool.kind in DEEP_FOLDERS
    return view.sandwich.passes < (3 if deep else 2) and (deep or view.sandwich.effect.traits.cuts)


def a_shim_less(view: StackView) -> tuple[Edit, ...]:
    """A sheet of shim taken out, where there is one."""
    shim = first(view, lambda p: p.layer.role == "shim")
    if shim is None:
        return ()
    return (Set(layer=shim.id, count=shim.layer.count - 1) if shim.layer.count > 1 else Remove(layer=shim.id),)


CAUSES: tuple[Cause, ...] = (
    Cause(
        "as laid",
        say("The pile"),
        10,
        lambda view: view.sandwich,
        say("Built like this it comes out that way, or close to it."),
        say("The findings of this pile say so."),
        say("Change the pile as its findings say."),
        look="calls",
        teaches="as meant",
    ),
    Cause(
        "mat left out",
        say("The mat was left out"),
        6,
        without(is_mat),
        say("Nothing soft was behind the sheet, and the pile was thinner."),
        say("Count the layers you took apart."),
        say("Put the mat in, behind the sheet."),
        look="layers",
    ),
    Cause(
        "plate for the mat",
        say("A plate was in instead of the mat"),
        5,
        plate_for_the_mat,
        say("A hard plate doesn't give: the blade cuts through where it should only press."),
        say("Look at the plate: the tool left a mark in it."),
        say("Use a mat behind the sheet, not a plate. A thicker one if it still cuts."),
        look="layers",
    ),
    Cause(
        "no mat",
        say("The pile has no mat"),
        6,
        only(no_mat),
        say("Nothing soft is behind the sheet: a blade cuts, a relief stays flat."),
        say("Look through the layers: is one of them soft?"),
        say("Put a mat behind the sheet."),
        mend=lambda view: (Add(kind="rubber mat", at=view.sheet.index + 1),) if view.sheet and no_mat(view) else (),
        look="layers",
        explains=("cut", "blank", "faint"),
    ),
    Cause(
        "mat doubled",
        say("Two mats were in"),
        3,
        doubled(is_mat),
        say("The pile was a mat thicker and twice as soft."),
        say("Count the layers you took apart."),
        say("Take one mat out."),
        look="layers",
    ),
    Cause(
        "mat on the other side",
        say("The mat was on the wrong side"),
        5,
        mat_on_the_other_side,
        say("It belongs behind the sheet, not behind the tool."),
        say("Look at the mat: did the tool leave a mark in it?"),
        say("Put the sheet between tool and mat."),
        look="marks",
    ),
    Cause(
        "spacer left in",
        say("A spacer was left in"),
        5,
        spacer_left_in,
        say("It belongs to another pile and makes this one too thick."),
        say("Count the layers you took apart."),
        say("Take the spacer out."),
        look="layers",
    ),
    Cause(
        "spacer left out",
        say("The spacer was left out"),
        5,
        without(is_spacer),
        say("The pile was thinner by a spacer."),
        say("Count the layers you took apart."),
        say("Put the spacer in."),
        look="layers",
    ),
    Cause(
        "plate left out",
        say("A plate was left out"),
        4,
        without(is_plate),
        say("The pile was thinner by a plate."),
        say("Count the layers you took apart."),
        say("Put the plate in."),
        look="layers",
    ),
    Cause(
        "plate too much",
        say("A plate too many was in"),
        6,
        doubled(is_plate),
        say("An extra plate, or a deep folder on a pad, is more than the rollers open for."),
        say("Count the layers you took apart."),
        say("Take a plate out. Never force it."),
        look="layers",
    ),
    Cause(
        "folder turned",
        say("The folder was the other way up"),
        4,
        folder_turned,
        say("What should be raised is sunk."),
        say("Turn the sheet over: then it looks right."),
        say("Mark the side of the folder that goes up."),
        signs={"other side": 0.6},
        look="turn over",
    ),
    Cause(
        "die turned",
        say("The die's blade faced away"),
        4,
        die_turned,
        say("The blade pressed into the plate, not into the sheet."),
        say("Look at the plate: a fresh line on it, none on the sheet."),
        say("Point the blade at the sheet."),
        look="marks",
    ),
    Cause(
        "too many passes",
        say("It went through too often"),
        3,
        too_many_passes,
        say("Each pass stretches a little further."),
        say("The ridges are sharp and shiny, and the highest ones cracked."),
        say("Look after each pass. Stop at the first good one."),
        look="ridges",
    ),
    Cause(
        "pass left out",
        say("It went through once too few"),
        4,
        a_pass_less,
        say("Each pass goes a little deeper."),
        say("Think back: how many times did it go through?"),
        say("Send it through again as is, if nothing moved."),
        look="passes",
    ),
    Cause(
        "too few passes",
        say("It needs another pass"),
        4,
        only(another_pass_helps),
        say("Lots of blade and deep relief share the load. The next pass reaches what's left."),
        say("It's better where the load was highest."),
        say("Give it another pass. For a cut, turn die and card together first."),
        mend=lambda view: (SetPasses(passes=view.sandwich.passes + 1),),
        look="passes",
        explains=("faint", "strip", "not cut", "part not cut"),
    ),
    Cause(
        "too thin",
        say("The rollers are farther apart than we thought"),
        7,
        lambda view: with_opening(view, LOOSE),
        say("Loose rollers or worn plates don't squeeze the pile enough."),
        say("Put one sheet of paper under the pile and press again: it comes out better."),
        say("Shim it, one sheet at a time."),
        mend=lambda view: (Add(kind="sheet", at=view.above_base, count=2, role="shim"),),
        teaches="as meant",
        look="one sheet",
    ),
    Cause(
        "too tight",
        say("The rollers are closer than we thought"),
        5,
        lambda view: with_opening(view, TIGHT),
        say("The pile is squeezed more than it should be."),
        say("The crank is harder to turn than on other days."),
        say("Take out a shim or a sheet."),
        mend=a_shim_less,
        teaches="as meant",
        look="crank",
    ),
    Cause(
        "not flush",
        say("The layers were not flush"),
        4,
        only(lambda view: len(view.layers) > 2),
        say("An edge that sticks out gets crushed, and prints."),
        say("The mark is straight, and as long as a mat or a folder is wide."),
        say("Square up the pile so nothing sticks out."),
        signs={"edge": 0.9},
        feels={"jump": 0.2},
        teaches="nothing",
        look="mark",
        leaves="edge of a mat",
    ),
    Cause(
        "moved between passes",
        say("It moved between two passes"),
        4,
        only(lambda view: view.sandwich.passes > 1 or view.die is not None),
        say("The second pass pressed next to the first."),
        say("Both images are complete, and the same distance apart everywhere."),
        say("Tape the die to the card, and move both as one."),
        signs={"double": 0.9},
        teaches="nothing",
        look="image",
        leaves="twice",
    ),
    Cause(
        "straight edge",
        say("A long straight edge met the rollers at once"),
        4,
        only(lambda view: view.die is not None or (view.tool is not None and view.tool.item.relief is not None)),
        say("The rollers have to climb all of it at once."),
        say("It jumped where the tool began, not later."),
        say("Turn it by 10 to 45 degrees, or send a point in first."),
        signs={"jumped": 0.9},
        feels={"jump": 0.8},
        teaches="nothing",
        look="bite",
        leaves="jumped",
    ),
    Cause(
        "tape pressed",
        say("Tape was under the pressure"),
        3,
        only(lambda view: view.sheet is not None),
        say("Its edges print like a thin die."),
        say("The mark is a rectangle as wide as your tape."),
        say("Low-tack tape, at the edges of the sheet only."),
        signs={"tape": 0.9},
        teaches="nothing",
        look="mark",
        leaves="tape",
    ),
)
