"""The pile seen edge-on between its rollers: what the page draws, the run card and the PDF."""

from lofty_press.documents.pictures.pile_drawing.geometry import VIEW, Drawing, DrawnLayer, draw_stack, spaced
from lofty_press.documents.pictures.pile_drawing.hatching import HATCHES, TILE, Hatch
from lofty_press.documents.pictures.pile_drawing.shapes import Shape, Step, body_of, marks_of, rollers_of

__all__ = [
    "HATCHES",
    "TILE",
    "VIEW",
    "Drawing",
    "DrawnLayer",
    "Hatch",
    "Shape",
    "Step",
    "body_of",
    "draw_stack",
    "marks_of",
    "rollers_of",
    "spaced",
]
