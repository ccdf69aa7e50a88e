"""A pile as bonded layers between two rollers, alone and with an interface that gives."""

from lofty_press.core.mechanics.layered.compliant import (
    CHANNELS,
    HALF,
    LOAD,
    NODES,
    PEAK_ABOVE,
    PEAK_BELOW,
    PRESSURE,
    SHUT,
    STORED,
    WORK,
    Compliant,
    Curve,
    compliant,
    hertzian,
    softened,
)
from lofty_press.core.mechanics.layered.layer import MOST_LAYERS, Layer, compiled, packed
from lofty_press.core.mechanics.layered.line_contact import Line, LineTable, line_table
from lofty_press.core.mechanics.layered.losses import loss_share
from lofty_press.core.mechanics.layered.response import faces_and_sheet
from lofty_press.core.mechanics.layered.section_kernel import Law, between, law_at

__all__ = [
    "CHANNELS",
    "HALF",
    "LOAD",
    "MOST_LAYERS",
    "NODES",
    "PEAK_ABOVE",
    "PEAK_BELOW",
    "PRESSURE",
    "SHUT",
    "STORED",
    "WORK",
    "Compliant",
    "Curve",
    "Law",
    "Layer",
    "Line",
    "LineTable",
    "between",
    "compiled",
    "compliant",
    "faces_and_sheet",
    "hertzian",
    "law_at",
    "line_table",
    "loss_share",
    "packed",
    "softened",
]
