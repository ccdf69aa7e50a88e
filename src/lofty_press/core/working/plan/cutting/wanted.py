"""What is to come out of the sheets."""

from dataclasses import dataclass
from fractions import Fraction


@dataclass(frozen=True)
class Wanted:
    """Equal pieces to cut.

    `width`, `height` as they lie upright [mm]; `turns` says whether they may lie across; `wishes` that they had better not, but may where that saves a sheet;
    `count` how many.
    """

    key: str
    width: Fraction
    height: Fraction
    count: int
    turns: bool = True
    wishes: bool = False
