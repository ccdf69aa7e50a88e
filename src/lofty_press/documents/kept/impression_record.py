"""A pressed sheet made ready to be kept and shown: its figures, and its fields in few bytes."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Any, Literal

import numpy as np
from scipy.ndimage import maximum_filter

from lofty_press.core.mechanics.forming import FormingSummary, Impression, figures_of
from lofty_press.core.mechanics.nip import Exact
from lofty_press.documents.answers.assessment import Document
from lofty_press.documents.answers.impression import ImpressionFigures, describe_figures
from lofty_press.documents.kept.packed import pack, unpack

FieldName = Literal[
    "upper",
    "lower",
    "tool",
    "pressed",
    "released",
    "pressure",
    "crack",
    "buckle",
    "cut",
    "ink_upper",
    "ink_lower",
    "nip",
    "nip_blades",
    "nip_force",
]

NIP_FIELDS: tuple[FieldName, ...] = ("nip", "nip_blades", "nip_force")


class PanelDocument(Document):
    """The grid of all fields: cells along and across the feed, size of a cell, middle of the first one on the bed [mm]."""

    cells: tuple[int, int]
    spacing_mm: float
    first_mm: tuple[float, float]
    thickness_mm: float
    front: Literal["upper", "lower"]
    colour: str
    core_colour: str | None
    finish: str
    ink_colour: str | None


@dataclass(frozen=True)
class Recorded:
    """Figures, grid and packed fields of one pressed sheet."""

    figures: ImpressionFigures
    panel: PanelDocument
    fields: dict[FieldName, bytes]


def record(found: Impression, seconds: float) -> Recorded:
    """Read off and pack everything that is shown of a pressed sheet."""
    panel, stock, sheet = found.loaded.panel, found.loaded.stock, found.loaded.sheet
    nothing = -1.0
    inside = panel.cover > 0.5
    fields: dict[FieldName, Any] = {
        "upper": found.upper,
        "lower": found.lower,
        "tool": found.tool,
        "pressed": found.pressed,
        "released": found.released,
        "pressure": found.loaded.pressure,
        "crack": found.crack,
        "buckle": found.buckle,
        "cut": cut_raster(found),
    }
    if found.ink.upper is not None:
        fields["ink_upper"] = found.ink.upper
    if found.ink.lower is not None:
        fields["ink_lower"] = found.ink.lower
    for name in ("crack", "buckle", "pressure"):
        fields[name] = np.where(inside, fields[name], nothing)
    about = PanelDocument(
        cells=panel.shape,
        spacing_mm=panel.spacing,
        first_mm=(float(panel.x[0]), float(panel.y[0])),
        thickness_mm=sheet.thickness,
        front="lower" if sheet.layer.turned else "upper",
        colour=stock.face_colour,
        core_colour=stock.core_colour,
        finish=stock.finish,
        ink_colour=found.ink.colour,
    )
    if found.loaded.nip.exact is not None:
        fields |= fields_of(found.loaded.nip.exact)
    figures = describe_figures(found, figures_of(found), seconds)
    return Recorded(figures, about, {name: pack(field) for name, field in fields.items()})


def fields_of(exact: Exact) -> dict[FieldName, Any]:
    """The full nip as fields that can be packed."""
    blades: dict[FieldName, Any] = {} if exact.along_blades is None else {"nip_blades": exact.along_blades[None, :]}
    return {"nip": exact.intensity, "nip_force": exact.force[None, :], **blades}


def exact_in(fields: Mapping[FieldName, bytes]) -> Exact | None:
    """The full nip that a result was pressed by; None if it was the quick one."""
    if "nip" not in fields or "nip_force" not in fields:
        return None
    values = {name: unpack(fields[name]).values.astype(np.float64) for name in NIP_FIELDS if name in fields}
    blades = values.get("nip_blades")
    return Exact(values["nip"], None if blades is None else blades[0], values["nip_force"][0])


def cut_raster(found: Impression) -> np.ndarray:
    """State of the blade at each cell: 0 no blade, then one more than its index in `STATES`; -1 beyond the sheet."""
    panel, cut = found.loaded.panel, found.cut
    raster = np.zeros(panel.shape)
    if cut.state.size:
        i, j = (
            np.clip(np.round((cut.places[:, k] - axis[0]) / panel.spacing).astype(int), 0, axis.size - 1)
            for k, axis in enumerate((panel.x, panel.y))
        )
        np.maximum.at(raster, (i, j), cut.state + 1.0)
        raster = maximum_filter(raster, 3)
    return np.where(panel.cover > 0.5, raster, -1.0)


def summary_of(figures: ImpressionFigures, fields: Mapping[FieldName, bytes] = MappingProxyType({})) -> FormingSummary:
    """What the findings look at, from the full computation; its `fields` tell the nip that pressed."""
    cut = figures.cut
    total = sum(cut.values())
    formed = figures.retained_share is not None
    return FormingSummary(
        retained_share=figures.retained_share,
        crack=figures.crack_index if formed else None,
        tear=figures.tear_index if formed else None,
        buckle=figures.buckle_index if formed else None,
        cut_share=cut.get("cut", 0.0) / total if total else None,
        uncut_mm=total - cut.get("cut", 0.0),
        estimate=False,
        off_by=1.0,
        nip=exact_in(fields),
    )
