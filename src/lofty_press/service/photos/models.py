"""Photographs as they travel over HTTP."""

from pydantic import BaseModel

from lofty_press.core.stack import ItemKind
from lofty_press.documents.words import Words

Ring = list[tuple[float, float]]


class ToolReading(BaseModel):
    """One tool in a photo: rings on the sheet and as a shelf keeps them, from the tool's middle along and across the feed [mm]; `blade` is an SVG drawing of
    its runs, empty where it has none; `kinds` may be what it is, the likeliest first; `picture` a data address."""

    outline_on_sheet: Ring
    windows_on_sheet: list[Ring]
    blade_on_sheet: list[Ring]
    outline: Ring
    windows: list[Ring]
    blade: str
    length_mm: float
    width_mm: float
    kinds: list[ItemKind]
    cut_off: bool
    picture: str


class PhotoReading(BaseModel):
    """What a photo shows: its window from straight above as a data address, where that is on the sheet [mm], how well the markers fit [mm], and the tools."""

    paper: str
    picture: str
    left_mm: float
    top_mm: float
    width_mm: float
    height_mm: float
    off_by_mm: float
    tools: list[ToolReading]
    notes: list[Words]
