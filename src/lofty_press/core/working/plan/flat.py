"""What a piece is before it is folded."""

from dataclasses import dataclass
from fractions import Fraction

from lofty_press.core.working.plan.folds import OpenedOut, opened_out
from lofty_press.core.working.plan.job import Grain, Piece, Size, Stock


@dataclass(frozen=True)
class Flat:
    """Size of a piece as it is cut [mm], its grain where that matters, and how it is folded, if it is."""

    size: Size
    grain: Grain | None
    opened: OpenedOut | None


def flat_size(piece: Piece, folded: Size, stock: Stock | None, grid: Fraction) -> Flat:
    """Lay a piece flat.

    Raises
    ------
    InvalidInput
        If its fold cannot be.
    """
    if piece.fold is None:
        return Flat(folded, piece.grain, None)
    opened = opened_out(
        folded, piece.fold, thickness=0.0 if stock is None else stock.thickness, grid=grid, field=f"pieces.{piece.key}.fold"
    )
    return Flat(opened.size, piece.grain or opened.grain, opened)
