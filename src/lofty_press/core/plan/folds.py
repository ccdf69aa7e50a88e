"""A folded card opened out: the flat sheet, its score lines, and what the stock's thickness takes up."""

import math
from dataclasses import dataclass
from fractions import Fraction

from lofty_press.core.errors import InvalidInput
from lofty_press.core.plan.job import Fold, Grain, Size
from lofty_press.core.plan.lengths import shown
from lofty_press.core.words import Message, say

WHY_ALONG = say("Folded along its grain, a card breaks fewer fibres: the fold is flatter and does not crack.")
WHY_SHORTER = say("The panels that lie inside are shorter by what the fold takes up, so that they do not push the card open.")


@dataclass(frozen=True)
class OpenedOut:
    """A card laid flat.

    `size` [mm]; `scores` are places of its folds from the left, or from the top where `upright` is false [mm]; `panels` are the lengths
    between them, in the same order [mm]; `grain` runs along the folds.
    """

    size: Size
    upright: bool
    scores: tuple[Fraction, ...]
    panels: tuple[Fraction, ...]
    grain: Grain
    why: tuple[Message, ...]


def opened_out(folded: Size, fold: Fold, *, thickness: float, grid: Fraction, field: str = "fold") -> OpenedOut:
    """Lay a folded card flat.

    Parameters
    ----------
    folded : Size
        Closed, as it is seen. [mm]
    fold : {"side", "top", "tent", "gate"}
        `top` hangs from its fold and `tent` stands on its edges: both fold across the top. A `gate` has two doors that meet in the middle.
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
    less that, rounded up to a mark. A card with one fold has its panels outside and loses nothing. A fold needs a panel of at least ten
    thicknesses, else it springs open (common practice, no published source).
    """
    upright = fold in ("side", "gate")
    across, along = (folded.width, folded.height) if upright else (folded.height, folded.width)
    if fold == "gate":
        taken = math.ceil(Fraction(thickness) / grid) * grid
        door = across / 2 - taken
        panels: tuple[Fraction, ...] = (door, across, door)
    else:
        panels = (across, across)
    finest = Fraction(10 * thickness)
    if min(panels) <= finest:
        raise InvalidInput(
            field,
            float(min(panels)),
            say("leaves a panel of {panel}: a stock this thick folds only from {least} on", panel=shown(min(panels)), least=shown(finest)),
        )
    length = sum(panels, Fraction(0))
    scores = tuple(sum(panels[: n + 1], Fraction(0)) for n in range(len(panels) - 1))
    size = Size(length, along) if upright else Size(along, length)
    why = (WHY_ALONG, WHY_SHORTER) if fold == "gate" else (WHY_ALONG,)
    return OpenedOut(size, upright, scores, panels, "upright" if upright else "across", why)
