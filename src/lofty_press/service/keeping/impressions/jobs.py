"""Pressing sheets and writing them out, as workers do it."""

import time
from dataclasses import dataclass
from typing import Any, Literal

import numpy as np

from lofty_press.core.imaging.sightread import read_sheet
from lofty_press.core.mechanics.forming import Progress, press, roll
from lofty_press.core.sandwich.stack import Sandwich, check_sandwich
from lofty_press.documents.files.impression_files import height_tiff, profile_csv, shaded_png, sheet_stl
from lofty_press.documents.kept.impression_record import PanelDocument, Recorded, record
from lofty_press.documents.kept.packed import unpack
from lofty_press.documents.photos.photo_pixels import SHADED_SIDE, photo_pixels
from lofty_press.documents.photos.sheet_photo import describe_sheet, predicted_front
from lofty_press.service.keeping.impressions.models import Lit
from lofty_press.service.keeping.impressions.probe import Place, along_line
from lofty_press.service.work.tools import Tools

COARSE = 0.8  # mm; cells of the picture that is there at once
COARSE_TOLERANCE = 5e-2
FINER, FINER_TOLERANCE = 0.4, 1e-2

FileKind = Literal["tiff", "png", "stl"]


@dataclass(frozen=True)
class Unsettled:
    """A computation that did not settle, of the nip or of the sheet; what was left of it, as a share of the pressing. [1]"""

    what: Literal["nip", "sheet"]
    residual: float


@dataclass(frozen=True)
class Rolling:
    """The sandwich is being rolled through; what share of it is. [1]"""

    share: float


def coarse(tools: Tools, sandwich: Sandwich) -> Recorded | None:
    """The picture that is there at once; None where only the full run can decide."""
    check_sandwich(sandwich)
    start = time.perf_counter()
    found = press(sandwich, tools.library, finest=COARSE, tolerance=COARSE_TOLERANCE)
    return record(found, time.perf_counter() - start) if found.converged else None


def full(tools: Tools, sandwich: Sandwich) -> Recorded | Unsettled:
    """The full result: first the nip, then the sheet. On the way, progress and a result between the coarse and the full one are told."""

    def report(progress: Progress) -> None:
        tools.tell(progress)

    rolled = roll(sandwich, tools.library, report=lambda share: tools.tell(Rolling(share)))
    if not rolled.converged:
        return Unsettled("nip", rolled.unbalanced)
    start = time.perf_counter()
    finer = press(sandwich, tools.library, finest=FINER, tolerance=FINER_TOLERANCE, report=report, exact=rolled.exact)
    if finer.converged:
        tools.tell(record(finer, time.perf_counter() - start))
    start = time.perf_counter()
    found = press(sandwich, tools.library, report=report, exact=rolled.exact)
    if not found.converged and found.formed is not None:
        return Unsettled("sheet", found.formed.residual)
    return record(found, time.perf_counter() - start)


def photo_of(_: Tools, data: bytes, panel: PanelDocument, fields: dict[str, bytes]) -> bytes:
    """A photo of a sheet beside the computed one, as JSON."""
    front = predicted_front(panel, fields[panel.front], fields["pressure"])
    reading = read_sheet(photo_pixels(data, side=SHADED_SIDE), front.heights, front.size)
    return describe_sheet(reading, front).model_dump_json().encode()


def heights_of(packed: bytes) -> np.ndarray:
    """A field of heights. [mm]"""
    return unpack(packed).values.astype(np.float64)


def sheet_file(_: Tools, kind: FileKind, panel: PanelDocument, fields: dict[str, bytes], lit: Lit) -> tuple[bytes, str]:
    """A face as height map or picture, or the whole sheet as a solid; with its media type."""
    upper, lower = heights_of(fields["upper"]), heights_of(fields["lower"])
    sheet = heights_of(fields["pressure"]) > -0.5
    face = lit.face
    looks_up = (face == "front") == (panel.front == "upper")
    heights, cover = (upper, sheet) if looks_up else (-lower[:, ::-1], sheet[:, ::-1])
    if kind == "tiff":
        return height_tiff(heights, cover, panel.spacing_mm, face), "image/tiff"
    if kind == "png":
        own = panel.colour if face == "front" or panel.core_colour is None else panel.core_colour
        picture = shaded_png(heights, cover, panel.spacing_mm, lit.colour or own, azimuth=lit.azimuth, altitude=max(lit.altitude, 5.0))
        return picture, "image/png"
    return sheet_stl(upper, lower, sheet, panel.spacing_mm, panel.thickness_mm), "model/stl"


def profile(_: Tools, panel: PanelDocument, fields: dict[str, bytes], start: Place, end: Place) -> bytes | str:
    """Heights along a line as CSV."""
    columns: dict[str, Any] = {}
    for name, packed in fields.items():
        distance, columns[name] = along_line(heights_of(packed), panel, start, end)
    return profile_csv(distance, columns)
