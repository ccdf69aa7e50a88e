"""Four small pictures of a plate with bumps, as a scanner would see it a quarter turn apart, in one zip file."""

import io
import zipfile

import numpy as np

from lofty_press.core.sandwich.relief import hillshade
from lofty_press.core.sandwich.stack import FloatArray
from lofty_press.siege.photo_sheet import as_png

PER_INCH = 127  # 5 pixels a millimetre
CELLS = 5
LID, PLATE, AROUND = 0.9, 0.5, 60  # light of the lid and of the plate; pixels of lid round it


def bumps() -> FloatArray:
    """Heights of a plate of 40 by 32 mm. [mm]"""
    x, y = np.meshgrid(np.arange(200) / CELLS, np.arange(160) / CELLS, indexing="ij")
    found = np.zeros(x.shape)
    for left, top, wide in ((12.0, 10.0, 3.0), (27.0, 12.0, 4.0), (18.0, 23.0, 2.5)):
        found += np.exp(-((x - left) ** 2 + (y - top) ** 2) / (2 * (wide / 2) ** 2))
    return found


def four_scans() -> bytes:
    """The zip file."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as file:
        for turn in range(4):
            heights = np.rot90(bumps(), turn)
            light = PLATE * hillshade(heights, 1.0 / CELLS, azimuth=0.0, altitude=45.0) / np.sin(np.radians(45.0))
            picture = np.pad(light, AROUND, constant_values=LID)
            file.writestr(f"{turn}.png", as_png(np.clip(picture ** (1 / 2.2) * 255, 0, 255).astype(np.uint8)))
    return out.getvalue()
