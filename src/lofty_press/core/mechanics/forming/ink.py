"""Where ink lands."""

from dataclasses import dataclass

import numpy as np

from lofty_press.core.mechanics.forming.loads import Loaded
from lofty_press.core.sandwich.stack import FloatArray, Placed

TAKES = 0.3  # MPa; contact from which ink goes over; order of magnitude from memory
RAISED = 0.5  # of the relief's height from which a roller inks it


@dataclass(frozen=True)
class InkFields:
    """Ink on the upper and lower face (nx, ny), 0 to 1, its colour, how much of the inked parts printed [1], and whether words in it
    read backwards; None without ink, or without words."""

    upper: FloatArray | None
    lower: FloatArray | None
    colour: str | None
    transfer: float | None
    mirrored: bool | None


def ink_fields(loaded: Loaded, contact_below: FloatArray, contact_above: FloatArray) -> InkFields:
    """Ink goes from the parts of the inked tool that stand up to the face that they touch."""
    inked = next((p for p in loaded.view.layers if p.layer.ink is not None), None)
    if inked is None or inked.layer.ink is None:
        return InkFields(None, None, None, None, None)
    below = inked.index < loaded.sheet.index
    contact = contact_below if below else contact_above
    relief = np.maximum(loaded.tool_side.profile, 0.0)
    height = max(float(relief.max()), 1e-9)
    stands = relief > RAISED * height
    if inked.layer.half == "sunk":
        stands = (relief < (1 - RAISED) * height) & (loaded.pressure > 0)
    stands &= loaded.panel.cover > 0.5
    print_ = np.clip(contact / TAKES - 0.5, 0.0, 1.0) * stands
    transfer = float(print_.sum() / max(stands.sum(), 1))
    return InkFields(None if below else print_, print_ if below else None, inked.layer.ink.colour, transfer, reads_mirrored(inked))


def reads_mirrored(inked: Placed) -> bool | None:
    """Whether printed words read backwards: ink colours what ends up sunk on its face, from a sunk half what ends up raised."""
    relief = inked.item.relief
    if relief is None or relief.words_read is None:
        return None
    return relief.words_read != ("raised" if inked.layer.half == "sunk" else "sunk")
