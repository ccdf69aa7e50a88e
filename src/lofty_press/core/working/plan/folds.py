"""A folded piece opened out: the flat sheet, its score lines, and what the stock's thickness takes up."""

import math
from dataclasses import dataclass
from fractions import Fraction

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import Message, say
from lofty_press.core.working.plan.job import Fold, Grain, Size
from lofty_press.core.working.plan.lengths import GRID, INCH, shown

WHY_ACROSS = say("Folded across its grain to save paper. Score it well; it may still crack a little on the fold.")
WHY_ALONG = say("Folded along its grain, a card breaks fewer fibers: the fold is flatter and doesn't crack.")
WHY_SHORTER = say("The inside panels are shorter by what the fold takes up, so they don't push the card open.")
WHY_CORNERS = say("Cut away the four corners next to the seams. Glue the back to the seams; the flap stays open.")
WHY_UNDER_FLAP = say("The liner goes up under the flap and is scored where the flap folds. Glue it along the flap only.")
WHY_HINGE = say("Bind or glue in the strip next to the score. The page turns at the score and stays flat.")
THINNEST = 10  # thicknesses that a panel needs at least, else it springs open; common practice, no published source


@dataclass(frozen=True)
class OpenedOut:
    """A piece laid flat.

    `size` [mm]; `scores` are places of its folds from the left, or from the top where `upright` is false [mm]; `panels` are the lengths
    between them, in the same order [mm]; `crossing` are the scores that run the other way [mm]; `grain` runs along the folds, None for an envelope, which folds both ways.
    """

    size: Size
    upright: bool
    scores: tuple[Fraction, ...]
    panels: tuple[Fraction, ...]
    grain: Grain | None
    why: tuple[Message, ...]
    crossing: tuple[Fraction, ...] = ()


def opened_out(folded: Size, fold: Fold, *, thickness: float, grid: Fraction, field: str = "fold") -> OpenedOut:
    """Lay a folded piece flat.

    Parameters
    ----------
    folded : Size
        Closed, as it is seen. [mm]
    fold : {"side", "top", "tent", "gate", "envelope", "flap", "hinge"}
        `top` hangs from its fold and `tent` stands on its edges: both fold across the top. A `gate` has two doors that meet in the middle.
        An `envelope` has its flap above, its back below and a seam on each side; a `flap` goes up under one; a `hinge` is a strip at the left.
    thickness : float
        Of the stock, >= 0. [mm]
    grid : Fraction
        Finest mark of the ruler: panels are shortened by whole marks. [mm]
    field : str
        What an error names.

    Returns
    -------
    OpenedOut

    Raises
    ------
    InvalidInput
        If a panel would be no longer than a few thicknesses: it cannot be folded.

    Notes
    -----
    A panel that is folded in lies inside the fold, whose bend takes up one thickness of the stock: the door of a gate is half of the front,
    less that, rounded up to a mark. A card with one fold has its panels outside and loses nothing. The flap of an envelope is half of its
    height and its back two thirds, so that they overlap by a sixth; the back is narrower than the front by a thickness on either side
    (common practice, no published source).
    """
    upright = fold in ("side", "gate", "hinge")
    across, along = (folded.width, folded.height) if upright else (folded.height, folded.width)
    taken = math.ceil(Fraction(thickness) / grid) * grid
    crossing: tuple[Fraction, ...] = ()
    panels, why = panels_of(fold, across, taken, grid)
    finest = Fraction(THINNEST * thickness)
    if min(panels) <= finest:
        raise InvalidInput(
            field,
            float(min(panels)),
            say("leaves a panel of {panel}; stock this thick folds only from {least} on", panel=shown(min(panels)), least=shown(finest)),
        )
    if fold == "envelope":
        seam = usual(INCH * 3 / 4, 20, grid)
        crossing, along = (seam, seam + along), along + 2 * seam
    length = sum(panels, Fraction(0))
    scores = tuple(sum(panels[: n + 1], Fraction(0)) for n in range(len(panels) - 1))
    size = Size(length, along) if upright else Size(along, length)
    grain: Grain | None = None if fold in ("envelope", "flap") else "upright" if upright else "across"
    return OpenedOut(size, upright, scores, panels, grain, why, crossing)


def panels_of(fold: Fold, across: Fraction, taken: Fraction, grid: Fraction) -> tuple[tuple[Fraction, ...], tuple[Message, ...]]:
    """The panels between the folds, and why they are so: `across` is the closed piece, a fold takes up `taken`. [mm]"""
    if fold == "gate":
        door = across / 2 - taken
        return (door, across, door), (WHY_ALONG, WHY_SHORTER)
    mark = usual(INCH / 16, 1, grid)
    flap = marked(across / 2, mark)
    if fold == "envelope":
        return (flap, across, marked(across * 2 / 3, mark)), (WHY_CORNERS,)
    if fold == "flap":
        return (flap, across), (WHY_UNDER_FLAP,)
    if fold == "hinge":
        return (usual(INCH, 25, grid), across), (WHY_ALONG, WHY_HINGE)
    return (across, across), (WHY_ALONG,)


def marked(length: Fraction, mark: Fraction) -> Fraction:
    """The next whole mark above. [mm]"""
    return math.ceil(length / mark) * mark


def usual(inches: Fraction, millimetres: int, grid: Fraction) -> Fraction:
    """A length as people choose it, round in the ruler's unit. [mm]"""
    return inches if grid == GRID["in"] else Fraction(millimetres)
