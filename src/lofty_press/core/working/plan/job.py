"""A job: what a finished card is made of, and how many are to be made."""

from dataclasses import dataclass, field
from fractions import Fraction
from typing import Literal, get_args

from lofty_press.core.working.work import WorkKey

PieceKind = Literal["base", "layer", "panel", "window", "frame", "die cut", "tag", "stencil", "envelope", "liner", "page"]
Fold = Literal["side", "top", "tent", "gate", "envelope", "flap", "hinge"]
Grain = Literal["upright", "across"]
"""How the grain runs in a piece: along its height or its width."""
PIECE_KINDS: tuple[PieceKind, ...] = get_args(PieceKind)
FOLDS: tuple[Fold, ...] = get_args(Fold)


@dataclass(frozen=True)
class Border:
    """What is seen of a piece around the one that lies on it. [mm]"""

    left: Fraction
    right: Fraction
    top: Fraction
    bottom: Fraction

    @classmethod
    def even(cls, width: Fraction) -> "Border":
        """The same on all four sides."""
        return cls(width, width, width, width)

    @property
    def across(self) -> Fraction:
        """Left and right together. [mm]"""
        return self.left + self.right

    @property
    def upright(self) -> Fraction:
        """Top and bottom together. [mm]"""
        return self.top + self.bottom


@dataclass(frozen=True)
class Size:
    """Width and height. [mm]"""

    width: Fraction
    height: Fraction


@dataclass(frozen=True)
class Parts:
    """Equal parts in columns and rows, so far from one another [mm]."""

    columns: int
    rows: int
    gap: Fraction

    @property
    def gaps(self) -> Size:
        """All that lies between them, across and upright. [mm]"""
        return Size(self.gap * (self.columns - 1), self.gap * (self.rows - 1))


@dataclass(frozen=True)
class Stock:
    """A sheet stock that pieces are cut from.

    `thickness` [mm] and `grammage` [g/m2] of one sheet; `sheets` what there is of it; `price` of a whole one, None where nobody said.
    """

    key: str
    name: str
    thickness: float
    grammage: float
    sheets: tuple["Sheets", ...] = ()
    price: float | None = None


@dataclass(frozen=True)
class Sheets:
    """Equal sheets of a stock: whole ones, or off-cuts kept from before; `count` None where more can be bought, `grain` None where nobody
    knows it."""

    key: str
    size: Size
    count: int | None
    grain: Grain | None = "upright"
    offcut: bool = False


@dataclass(frozen=True)
class Run:
    """A piece's way through the press for an effect.

    Parameters
    ----------
    effect : str or None
        Key of the effect, whose recipe says what is done before and after; None if nobody knows what it is for.
    pile : str or None
        The sandwich that it is pressed in.
    mist, ink : bool, bool or None
        The sheet is misted; something in the pile is inked, None for as is usual with the effect.
    way : str or None
        The school; the first if none is said.
    """

    effect: str | None
    pile: str | None = None
    mist: bool = False
    ink: bool | None = None
    way: str | None = None


@dataclass(frozen=True)
class Piece:
    """One piece of the card.

    Parameters
    ----------
    key, name : str
    kind : PieceKind
    on : str or None
        Key of the piece that it lies on, is cut into or is folded around; None for one that lies apart.
    border : Border or None
        What is seen of `on` around it; None only where `on` is.
    size : Size or None
        Given for one piece of all that lie on one another; the others follow. Folded where it has a fold.
    fold : Fold or None
    stock : str or None
        What it is cut from; None for what is cut from nothing, such as a window.
    each : int
        How many a finished card has.
    grain : Grain or None
        As it must run; None where it does not matter.
    works : tuple of WorkKey
        What is done to it beside its runs, in any order: the rules of work say in which.
    runs : tuple of Run
        What it goes through the press for.
    pile : str or None
        The sandwich of what is pressed among its works.
    trim : Fraction
        Left on all round and trimmed after the press, or taken by the die. [mm]
    raised_on : float
        Thickness of foam below it. [mm]
    tries : int
        Sheets that are expected to be spoiled until its pile is right.
    at_once : int
        How many go through the press side by side: on one sheet that is cut apart after it, if it is trimmed down only then.
    reused : bool
        A tool, such as a frame or a stencil: made once, whatever the number of cards.
    parts : Parts or None
        Where it is one of equal parts that lie beside one another, such as the mats on a page of an album.
    """

    key: str
    name: str
    kind: PieceKind
    on: str | None = None
    border: Border | None = None
    size: Size | None = None
    fold: Fold | None = None
    stock: str | None = None
    each: int = 1
    grain: Grain | None = None
    works: tuple[WorkKey, ...] = ()
    pile: str | None = None
    trim: Fraction = Fraction(0)
    raised_on: float = 0.0
    tries: int = 0
    at_once: int = 1
    parts: Parts | None = None
    runs: tuple[Run, ...] = ()
    reused: bool = False

    @property
    def pressed(self) -> bool:
        """True if it goes through the press."""
        return bool(self.runs) or self.pile is not None

    @property
    def one_blank(self) -> bool:
        """True if what goes through the press at once is one sheet until it is trimmed down."""
        return self.at_once > 1 and "trim down" in self.works and "trim" not in self.works

    @property
    def in_card(self) -> int:
        """How many of it a finished card has, all its parts counted."""
        return self.each * (self.parts.columns * self.parts.rows if self.parts else 1)

    def together(self, one: Size) -> Size:
        """What its equal parts take up side by side, if one of them has a size. [mm]"""
        if self.parts is None:
            return one
        gaps = self.parts.gaps
        return Size(one.width * self.parts.columns + gaps.width, one.height * self.parts.rows + gaps.height)

    def part_of(self, all_: Size) -> Size:
        """One of its equal parts, if all of them take up a size. [mm]"""
        if self.parts is None:
            return all_
        gaps = self.parts.gaps
        return Size((all_.width - gaps.width) / self.parts.columns, (all_.height - gaps.height) / self.parts.rows)


@dataclass(frozen=True)
class Job:
    """Cards to make: the pieces of one, and how many."""

    name: str
    count: int
    pieces: tuple[Piece, ...]
    stocks: tuple[Stock, ...] = ()
    spare: float = field(default=0.0)
    """Share of sheets that the belief expects to be spoiled in the press. [1]"""

    def number_of(self, piece: Piece) -> int:
        """How many of a piece the whole job has: of what is used again, those of one card."""
        return piece.in_card if piece.reused else self.count * piece.in_card

    def stock_of(self, piece: Piece) -> Stock | None:
        """What a piece is cut from."""
        return next((stock for stock in self.stocks if stock.key == piece.stock), None)
