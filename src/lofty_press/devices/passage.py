"""What a sandwich does to the motor that feeds it: its computed load along the crank."""

from dataclasses import replace

import numpy as np

from lofty_press.core.judging.assess import put_between_rollers
from lofty_press.core.sandwich.relief import Library, no_library
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.devices.motor_stand_in import Passage


def passage_of(sandwich: Sandwich, library: Library = no_library, *, thicker: float = 0.0) -> Passage:
    """The passage of a sandwich through its press, by the same computation as its verdict; `thicker` lets the pile be another than its figures say [mm].

    Raises
    ------
    InvalidInput, NoBalance
        As `put_between_rollers`.
    """
    pressed = put_between_rollers(closer(sandwich, thicker), library)
    turning, drive = pressed.nip.turning, sandwich.press.drive
    along, share = turning.x - turning.x[0], turning.handle / drive.limit_n
    pressing = np.flatnonzero(turning.force > 0.0)
    jams_at = None if pressed.nip.bites or not pressing.size else float(along[pressing[0]])
    return Passage(lambda position: float(np.interp(position, along, share)), float(along[-1]), jams_at)


def closer(sandwich: Sandwich, thicker: float) -> Sandwich:
    """The sandwich on a press that opens less far by so much [mm], which is as if the pile were thicker."""
    opening = replace(sandwich.press.opening, mm=sandwich.press.opening.mm - thicker)
    return replace(sandwich, press=replace(sandwich.press, opening=opening))
