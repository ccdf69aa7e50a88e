"""Cut lists: what shapely, an area bound and a general packer say of them."""

import math
import random
from collections import Counter
from dataclasses import replace
from fractions import Fraction
from itertools import pairwise

import numpy as np
import pytest
import rectpack
from scipy.optimize import linprog
from shapely import union_all
from shapely.geometry import LineString, box
from shapely.ops import split

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.working.plan import GRID, Job, Piece, Sheets, Size, Stock, cut_list, cuts_of, paper_costs
from lofty_press.core.working.plan.cutting import Wanted, largest_rest
from lofty_press.core.working.plan.cutting.cut_list import cut_stock
from lofty_press.core.working.plan.cutting.pattern import Split, parts_of, settings_of
from lofty_press.core.working.plan.lengths import INCH

LETTER = Size(Fraction(17, 2) * INCH, 11 * INCH)


def stock(size=LETTER, count=None, *more, grain="upright"):
    return Stock("card", "Card", 0.3, 250, (Sheets("whole", size, count, grain), *more))


def made_up(seed):
    """Some pieces in sixteenths of an inch, or in half millimetres."""
    chance = random.Random(seed)
    kinds, total = chance.randint(1, 6), chance.randint(20, 200)
    unit = (INCH / 16, 16, 104) if seed % 2 else (Fraction(1, 2), 60, 380)
    return [
        Wanted(str(k), *(chance.randint(*unit[1:]) * unit[0] for _ in range(2)), max(total // kinds, 1), turns=chance.random() < 0.6)
        for k in range(kinds)
    ]


@pytest.mark.parametrize("seed", range(8))
def test_nothing_overlaps_all_is_there_and_every_cut_goes_from_edge_to_edge(seed):
    wanted = made_up(seed)
    cuts, least, _ = cut_stock(stock(), wanted)
    counts = Counter()
    for cut in cuts:
        sheet = box(0, 0, float(cut.pattern.width), float(cut.pattern.height))
        shapes = [box(*(float(v) for v in (p.x, p.y, p.x + p.width, p.y + p.height))) for p in cut.pattern.laid]
        assert union_all(shapes).area == pytest.approx(sum(shape.area for shape in shapes), rel=1e-9)
        assert all(sheet.buffer(1e-6).covers(shape) for shape in shapes)
        lines = [LineString([(float(c.x1), float(c.y1)), (float(c.x2), float(c.y2))]) for c in cuts_of(cut.pattern)]
        assert not any(line.crosses(shape.buffer(-1e-6)) for line in lines for shape in shapes)
        parts_fill_their_wholes(cut.pattern.whole)
        cut_apart(sheet, cuts_of(cut.pattern), shapes)
        for piece in cut.pattern.laid:
            counts[piece.key] += cut.count
            own = next(each for each in wanted if each.key == piece.key)
            assert (piece.width, piece.height) == ((own.height, own.width) if piece.turned else (own.width, own.height))
            assert own.turns or not piece.turned
    assert counts == {each.key: each.count for each in wanted}
    assert sum(cut.count for cut in cuts) >= least


def cut_apart(sheet, cuts, pieces):
    """Every cut in its turn goes right through one part that lies there, so far from one of its edges as the stop says (shapely)."""
    parts = [sheet]
    for cut in cuts:
        line = LineString([(float(cut.x1), float(cut.y1)), (float(cut.x2), float(cut.y2))])
        through = [part for part in parts if part.buffer(1e-6).covers(line) and part.buffer(-1e-6).crosses(line)]
        assert len(through) == 1
        halves = split(through[0], line_through(line))
        assert len(halves.geoms) == 2
        parts = [part for part in parts if part is not through[0]] + list(halves.geoms)
        upright = cut.x1 == cut.x2
        spans = [half.bounds[2] - half.bounds[0] if upright else half.bounds[3] - half.bounds[1] for half in halves.geoms]
        assert min(abs(span - float(cut.measure)) for span in spans) < 1e-6
    assert all(any(part.buffer(1e-6).covers(piece) for part in parts) for piece in pieces)


def line_through(line):
    """The line a little longer than the part that it cuts."""
    (x1, y1), (x2, y2) = line.coords
    return LineString([(x1, y1 - 1), (x2, y2 + 1)] if x1 == x2 else [(x1 - 1, y1), (x2 + 1, y2)])


def test_the_stop_is_moved_no_more_often_than_by_cutting_part_after_part():
    """Against the order in which a sheet is taken apart from left to right; common practice is to leave the stop where it is."""
    saved = []
    for seed in range(12):
        for cut in cut_stock(stock(), made_up(seed))[0]:
            ours = [each.measure for each in cuts_of(cut.pattern)]
            plain = [part.at for part in parts_of(cut.pattern.whole) if isinstance(part, Split)]
            moves = [sum(a != b for a, b in pairwise(measures)) for measures in (plain, ours)]
            saved.append(moves[0] - moves[1])
    assert min(saved) >= -1
    assert sum(saved) > 0.2 * len(saved)


def test_of_equal_choices_of_sheets_the_one_with_fewer_settings_is_taken(monkeypatch):
    """Few settings of the trimmer are common practice, no published source; the paper comes first."""
    jobs = [few_cards(seed) for seed in range(20)]
    settled = [cut_stock(stock(), wanted)[0] for wanted in jobs]
    monkeypatch.setitem(cut_list.__globals__["cover"].__globals__, "fewest_settings", lambda *given: given[-1])
    first = [cut_stock(stock(), wanted)[0] for wanted in jobs]
    assert [sheets_of(cuts) for cuts in settled] == [sheets_of(cuts) for cuts in first]
    settings, before = (sum(settings_of(cut.pattern) for cuts in each for cut in cuts) for each in (settled, first))
    assert settings < 0.97 * before


def sheets_of(cuts):
    return sum(cut.count for cut in cuts)


def few_cards(seed):
    """One to six cards with up to three layers, in eighths of an inch."""
    chance = random.Random(seed)
    wide, high, count = chance.randint(24, 44), chance.randint(24, 44), chance.randint(1, 6)
    sides = [(2 * wide, high), *((chance.randint(6, wide), chance.randint(6, high)) for _ in range(chance.randint(1, 3)))]
    return [Wanted(str(k), w * INCH / 8, h * INCH / 8, count) for k, (w, h) in enumerate(sides)]


def parts_fill_their_wholes(part):
    """Each cut parts what is in hand in two that fill it: from one edge to the other."""
    for each in parts_of(part):
        if isinstance(each, Split):
            low, high = each.low, each.high
            assert low.width * low.height + high.width * high.height == each.width * each.height
            assert (
                (low.height, high.height) == (each.height, each.height)
                if each.upright
                else (low.width, high.width) == (each.width, each.width)
            )


@pytest.mark.parametrize("seed", range(8, 14))
def test_few_sheets_against_area_and_against_a_general_packer(seed):
    """Never more than rectpack's guillotine packer takes, never fewer than the area says."""
    wanted = made_up(seed)
    cuts, least, _ = cut_stock(stock(), wanted)
    whole = sum(cut.count for cut in cuts)
    area = sum(each.width * each.height * each.count for each in wanted) / (LETTER.width * LETTER.height)
    assert math.ceil(area) <= least <= whole
    packer = rectpack.newPacker(mode=rectpack.PackingMode.Offline, pack_algo=rectpack.GuillotineBafLas, rotation=False)
    for each in wanted:
        for _ in range(each.count):
            packer.add_rect(float(each.width), float(each.height))
    packer.add_bin(float(LETTER.width), float(LETTER.height), count=float("inf"))
    packer.pack()
    assert whole <= len(packer)


def test_the_bound_is_the_linear_problem_over_all_patterns():
    """Strips of one length from one sheet: the patterns of Gilmore and Gomory's problem can be counted and HiGHS asked at once."""
    widths, counts, whole = (90, 70, 50), (23, 31, 17), 220
    wanted = [Wanted(str(w), Fraction(w), Fraction(100), n, turns=False) for w, n in zip(widths, counts, strict=True)]
    cuts, least, proven = cut_stock(stock(Size(Fraction(whole), Fraction(100))), wanted)
    patterns = [
        (a, b, c) for a in range(3) for b in range(4) for c in range(5) if 0 < a * widths[0] + b * widths[1] + c * widths[2] <= whole
    ]
    relaxed = linprog(np.ones(len(patterns)), A_ub=-np.array(patterns).T, b_ub=-np.array(counts), method="highs")
    assert proven
    assert least == math.ceil(relaxed.fun - 1e-9)
    assert sum(cut.count for cut in cuts) - least in (0, 1)


def test_the_grain_is_kept_and_pieces_fit_the_sheet_as_it_runs():
    long = Wanted("strip", 2 * INCH, 10 * INCH, 8, turns=False)
    lengthwise, _, _ = cut_stock(stock(grain="upright"), [long])
    assert sum(cut.count for cut in lengthwise) == 2  # four side by side
    with pytest.raises(InvalidInput, match="let the grain go"):
        cut_stock(stock(grain="across"), [long])
    assert sum(cut.count for cut in cut_stock(stock(grain="across"), [Wanted("strip", 2 * INCH, 8 * INCH, 5, turns=False)])[0]) == 1


def test_offcuts_go_first_and_what_is_not_there_is_bought():
    """An off-cut that holds two saves a sheet; ten whole ones do not grow to twelve by themselves."""
    square = Wanted("square", 4 * INCH, 4 * INCH, 50)  # four to a sheet
    offcut = Sheets("rest", Size(4 * INCH, 8 * INCH), 1, None, offcut=True)
    cuts, _, _ = cut_stock(stock(LETTER, 10, offcut), [square])
    assert sum(cut.count for cut in cuts if cut.sheets.offcut) == 1
    assert (sum(c.count for c in cuts if not c.sheets.offcut), sum(c.count for c in cuts if c.bought)) == (12, 2)


@pytest.mark.parametrize("count", [2, 6, 7, 10, 38])
def test_the_bound_counts_whole_sheets_only_beside_offcuts(count):
    """By hand: four squares to a sheet, two in the off-cut; nobody does with fewer than the rest over four."""
    offcut = Sheets("rest", Size(4 * INCH, 8 * INCH), 1, None, offcut=True)
    cuts, least, proven = cut_stock(stock(LETTER, None, offcut), [Wanted("square", 4 * INCH, 4 * INCH, count)])
    assert proven
    assert sum(cut.count for cut in cuts if not cut.sheets.offcut) == math.ceil((count - 2) / 4)
    assert least <= math.ceil((count - 2) / 4)
    endless = Sheets("rest", Size(4 * INCH, 8 * INCH), None, None, offcut=True)
    assert cut_stock(stock(LETTER, None, endless), [Wanted("square", 4 * INCH, 4 * INCH, count)])[1] == 0


def test_pieces_that_nobody_wants_stay_in_the_offcut():
    cuts, _, _ = cut_stock(stock(), [Wanted("square", 4 * INCH, 4 * INCH, 5)])
    assert sum(len(cut.pattern.laid) * cut.count for cut in cuts) == 5
    last = max(cuts, key=lambda cut: largest_rest(cut.pattern).width * largest_rest(cut.pattern).height)
    assert largest_rest(last.pattern).width * largest_rest(last.pattern).height > LETTER.width * LETTER.height / 3


def test_paper_costs_what_its_whole_sheets_do():
    """By hand: 50 squares, four to a sheet, two from an off-cut: 12 sheets at 0.40."""
    offcut = Sheets("rest", Size(4 * INCH, 8 * INCH), 1, None, offcut=True)
    piece = Piece("square", "Square", "tag", size=Size(4 * INCH, 4 * INCH), stock="card", each=5)
    job = Job("Job", 10, (piece,), (replace(stock(LETTER, 10, offcut), price=0.4),))
    assert paper_costs(job, cut_list(job, grid=GRID["in"])) == {"card": pytest.approx(4.8)}
    free = replace(job, stocks=(stock(LETTER, 10, offcut),))
    assert paper_costs(free, cut_list(free, grid=GRID["in"])) == {}


def test_spare_pieces_and_margins_are_cut_and_unknown_stock_is_refused():
    piece = Piece("panel", "Panel", "panel", size=Size(4 * INCH, 5 * INCH), stock="card", pile="Sleeve", trim=INCH / 4, works=("emboss",))
    cuts = cut_list(Job("Job", 20, (piece,), (stock(),), spare=0.1), grid=GRID["in"]).cuts
    laid = [(each, cut.count) for cut in cuts for each in cut.pattern.laid]
    assert sum(count for _, count in laid) == 22
    assert {frozenset((each.width, each.height)) for each, _ in laid} == {frozenset((Fraction(9, 2) * INCH, Fraction(11, 2) * INCH))}
    for job, field in (
        (Job("Job", 1, (Piece("p", "P", "tag", size=LETTER, stock="gone"),)), "pieces.p.stock"),
        (Job("Job", 1, (Piece("p", "P", "tag", size=Size(20 * INCH, INCH), stock="card"),), (stock(),)), "pieces.p.size"),
        (Job("Job", 1, (Piece("p", "P", "tag", size=LETTER, stock="card"),), (Stock("card", "Card", 0.3, 250),)), "stocks.card.sheets"),
    ):
        with pytest.raises(InvalidInput) as refused:
            cut_list(job, grid=GRID["in"])
        assert refused.value.field == field
