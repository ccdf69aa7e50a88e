"""Something that is laid by hand on a ground: where, turned how, and which side up."""

from collections.abc import Callable
from dataclasses import dataclass

from lofty_press.core.basics.words import Message
from lofty_press.core.sandwich.stack import FloatArray


@dataclass(frozen=True)
class Spot:
    """Where a thing was laid: its middle to the right and up [mm], its turn against the clock [degree], and whether it, or its ground, was turned over."""

    x: float
    y: float
    turn: float
    over: bool = False


@dataclass(frozen=True, eq=False)
class Side:
    """What is seen with one side up; everything to the right and up. [mm]

    Parameters
    ----------
    title : Message
    ground : ndarray, shape (n, 2)
        Its outline.
    thing : tuple of ndarray, each of shape (m, 2)
        Lines of the thing around its middle, as it is not turned.
    shade : ndarray, shape (nx, ny), or None
        How dark the ground is, 0 to 1, over the bounds of its outline.
    heights : ndarray, shape (kx, ky), or None
        Of the thing as it is seen, over the square around its middle that its lines reach. [mm]
    """

    title: Message
    ground: FloatArray
    thing: tuple[FloatArray, ...]
    shade: FloatArray | None = None
    heights: FloatArray | None = None


@dataclass(frozen=True, eq=False)
class Laying:
    """A thing that is to be laid: both `sides`, the smallest `step` by which it turns [degree], where it lies to `begin` with and where it lies `best`;
    `judge` says of any place whether it is right, and what would come of it. `through` is what is seen from the other side of the ground, mirrored, once it
    is pressed; None where that shows nothing."""

    sides: tuple[Side, Side]
    step: float
    begin: Spot
    best: Spot
    judge: Callable[[Spot], tuple[bool, Message]]
    through: Message | None = None
