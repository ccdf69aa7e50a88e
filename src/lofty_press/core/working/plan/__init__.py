"""A job of many pieces: sizes, sheets, order, time and post."""

from lofty_press.core.working.plan.cost import Material, material_costs, paper_costs
from lofty_press.core.working.plan.cutting import Against, CutList, CutSheet, cut_list, cuts_of, largest_rest, left_over
from lofty_press.core.working.plan.envelope import with_envelope
from lofty_press.core.working.plan.flat import Flat, flat_size
from lofty_press.core.working.plan.folds import WHY_ACROSS, WHY_ALONG, OpenedOut, opened_out
from lofty_press.core.working.plan.formats import FORMATS, Format, envelope_for
from lofty_press.core.working.plan.job import (
    FOLDS,
    PIECE_KINDS,
    Border,
    Fold,
    Grain,
    Job,
    Parts,
    Piece,
    PieceKind,
    Run,
    Sheets,
    Size,
    Stock,
)
from lofty_press.core.working.plan.lengths import GRID, RulerUnit, names_its_unit, nearest, read_length, read_pair, written
from lofty_press.core.working.plan.order import MOST, Before, Broken, Operation, Ordered, ordered_work, parts
from lofty_press.core.working.plan.order import Wanted as WantedOrder
from lofty_press.core.working.plan.post import CLASSES, Bulk, PostalClass, Posting, bulk_of, foam_behind, postings, ways_thinner
from lofty_press.core.working.plan.progress import going_on, steps_in, still_to_do
from lofty_press.core.working.plan.schedule import SET_UP, Aim, PressPlace, Shop, Slot, Timetable, faults, schedule
from lofty_press.core.working.plan.sizes import off_the_ruler, sizes_of, with_border, with_size
from lofty_press.core.working.plan.tempo import Tempo, Took, tempo_of

__all__ = [
    "CLASSES",
    "FOLDS",
    "FORMATS",
    "GRID",
    "MOST",
    "PIECE_KINDS",
    "SET_UP",
    "WHY_ACROSS",
    "WHY_ALONG",
    "Against",
    "Aim",
    "Before",
    "Border",
    "Broken",
    "Bulk",
    "CutList",
    "CutSheet",
    "Flat",
    "Fold",
    "Format",
    "Grain",
    "Job",
    "Material",
    "OpenedOut",
    "Operation",
    "Ordered",
    "Parts",
    "Piece",
    "PieceKind",
    "PostalClass",
    "Posting",
    "PressPlace",
    "RulerUnit",
    "Run",
    "Sheets",
    "Shop",
    "Size",
    "Slot",
    "Stock",
    "Tempo",
    "Timetable",
    "Took",
    "WantedOrder",
    "bulk_of",
    "cut_list",
    "cuts_of",
    "envelope_for",
    "faults",
    "flat_size",
    "foam_behind",
    "going_on",
    "largest_rest",
    "left_over",
    "material_costs",
    "names_its_unit",
    "nearest",
    "off_the_ruler",
    "opened_out",
    "ordered_work",
    "paper_costs",
    "parts",
    "postings",
    "read_length",
    "read_pair",
    "schedule",
    "sizes_of",
    "steps_in",
    "still_to_do",
    "tempo_of",
    "ways_thinner",
    "with_border",
    "with_envelope",
    "with_size",
    "written",
]
