"""A job of many pieces: sizes, sheets, order, time and post."""

from lofty_press.core.plan.cost import paper_costs
from lofty_press.core.plan.cutting import CutList, CutSheet, cut_list, cuts_of, largest_rest
from lofty_press.core.plan.flat import Flat, flat_size
from lofty_press.core.plan.folds import OpenedOut, opened_out
from lofty_press.core.plan.formats import FORMATS, Format, envelope_for
from lofty_press.core.plan.job import FOLDS, PIECE_KINDS, Border, Fold, Grain, Job, Piece, PieceKind, Sheets, Size, Stock
from lofty_press.core.plan.lengths import GRID, RulerUnit, nearest, read_length, read_pair, written
from lofty_press.core.plan.order import MOST, Before, Operation, operations_of, order_of, still_to_do
from lofty_press.core.plan.order import Wanted as WantedOrder
from lofty_press.core.plan.post import CLASSES, Bulk, PostalClass, Posting, bulk_of, postings, ways_thinner
from lofty_press.core.plan.schedule import Aim, PressPlace, Shop, Slot, Timetable, faults, schedule
from lofty_press.core.plan.sizes import off_the_ruler, sizes_of, with_border, with_size
from lofty_press.core.plan.work import RULES, WORK_KEYS, WORKS, Rule, Work, WorkKey

__all__ = [
    "CLASSES",
    "FOLDS",
    "FORMATS",
    "GRID",
    "MOST",
    "PIECE_KINDS",
    "RULES",
    "WORKS",
    "WORK_KEYS",
    "Aim",
    "Before",
    "Border",
    "Bulk",
    "CutList",
    "CutSheet",
    "Flat",
    "Fold",
    "Format",
    "Grain",
    "Job",
    "OpenedOut",
    "Operation",
    "Piece",
    "PieceKind",
    "PostalClass",
    "Posting",
    "PressPlace",
    "Rule",
    "RulerUnit",
    "Sheets",
    "Shop",
    "Size",
    "Slot",
    "Stock",
    "Timetable",
    "WantedOrder",
    "Work",
    "WorkKey",
    "bulk_of",
    "cut_list",
    "cuts_of",
    "envelope_for",
    "faults",
    "flat_size",
    "largest_rest",
    "nearest",
    "off_the_ruler",
    "opened_out",
    "operations_of",
    "order_of",
    "paper_costs",
    "postings",
    "read_length",
    "read_pair",
    "schedule",
    "sizes_of",
    "still_to_do",
    "ways_thinner",
    "with_border",
    "with_size",
    "written",
]
