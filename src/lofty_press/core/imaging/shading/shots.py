"""The photos of a series: each with its sheet, what it shows from above, and its pixel values; which of them has no torch."""

from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, replace

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.imaging.photo import Pixels, Sheet, Values, from_above, sheet_in
from lofty_press.core.imaging.shading.response import Response
from lofty_press.core.imaging.shading.torch import Torch
from lofty_press.core.sandwich.stack import BoolArray, FloatArray

SPACING = 0.2  # mm
LEAST = 3  # photos with a torch
EVEN = 0.45  # of how much the light differs over the paper in the others, below which a photo was taken without a torch
THREADS = 2


@dataclass(frozen=True)
class Shot:
    """A photo of the series: which one it is, what it shows from above, its pixel values, and those of bare paper and of the wedge's fields in it, of which the `rim` is outside the frame for tools."""

    number: int
    colors: Pixels
    values: Values
    paper: FloatArray
    wedge: FloatArray
    rim: BoolArray

    def only(self, places: BoolArray) -> "Shot":
        """The same with some places of bare paper only."""
        return replace(self, paper=self.paper[places], rim=self.rim[places])

    def white(self, response: Response) -> float:
        """Light of bare paper, the middle of what is outside the frame."""
        known = self.paper[self.rim & Response.known(self.paper)]
        return float(np.median(response.light(known))) if known.size else 1.0

    @property
    def uneven(self) -> float:
        """How much light differs over the paper, as a logarithm. [1]"""
        known = self.paper[self.rim & Response.known(self.paper)]
        return float(np.ptp(Response().log_light(np.percentile(known, (10, 90))))) if known.size > 20 else np.inf


@dataclass(frozen=True)
class Lit:
    """A photo and the torch that lit it."""

    shot: Shot
    torch: Torch


def shots_of(photos: list[Pixels], ruler_mm: float) -> list[tuple[Sheet, Pixels, Values]]:
    """Every photo with its sheet, what that shows from above, and its light.

    Raises
    ------
    InvalidInput
        Naming the photo that shows no sheet, or another one than the first.
    """

    def shown(number: int) -> tuple[Sheet, Pixels, Values]:
        photo = photos[number - 1]
        try:
            sheet = sheet_in(photo, ruler_mm=ruler_mm)
        except InvalidInput as error:
            raise InvalidInput("photos", number, say("number {number} {reason}", number=number, reason=error.requirement)) from error
        return sheet, from_above(photo, sheet), Values.of(photo, sheet.camera, SPACING)

    with ThreadPoolExecutor(THREADS) as threads:  # most of it is done outside the interpreter
        found = list(threads.map(shown, range(1, len(photos) + 1)))
    for number, (sheet, _, _) in enumerate(found, 1):
        if sheet.target is not found[0][0].target:
            raise InvalidInput("photos", number, say("number {number} shows a different printed sheet than the first", number=number))
    return found


def parted(shots: list[Shot]) -> tuple[Shot | None, list[Shot]]:
    """The photo without a torch, if there is one, and the others: its light is far more even."""
    evenest = min(shots, key=lambda shot: shot.uneven)
    others = [shot for shot in shots if shot is not evenest]
    if len(others) >= LEAST and evenest.uneven < EVEN * float(np.median([shot.uneven for shot in others])):
        return evenest, others
    return None, shots
