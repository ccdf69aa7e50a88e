"""Cut lists of few pieces against a search that only knows what a cut from edge to edge is; the two commonest cards; the grain."""

import random
from fractions import Fraction
from functools import cache
from itertools import combinations

import numpy as np
import pytest

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.working.plan import GRID, Job, Piece, Sheets, Size, Stock, cut_list
from lofty_press.core.working.plan.cutting import Wanted, all_ways
from lofty_press.core.working.plan.cutting.all_ways import maximal_patterns, of_one_sheet
from lofty_press.core.working.plan.cutting.cut_list import cut_stock
from lofty_press.core.working.plan.cutting.sheet import Grid
from lofty_press.core.working.plan.lengths import INCH

LETTER = Size(Fraction(17, 2) * INCH, 11 * INCH)
A4 = Size(Fraction(210), Fraction(297))


def sheet(size=LETTER, *, grain="upright", count=None):
    return Stock("card", "Card", 0.3, 250, (Sheets("whole", size, count, grain),))


@cache
def comes_out(pieces, width, height):
    """True if some pieces, each (shorter, longer, may be turned), come out of a part of a sheet: one alone, or after the first cut some on either side.

    A first cut can be pushed against what lies on one side of it, so that it stands at a sum of sides.
    """
    if len(pieces) == 1:
        wide, high, turns = pieces[0]
        return (wide <= width and high <= height) or (turns and high <= width and wide <= height)
    if sum(wide * high for wide, high, _ in pieces) > width * height:
        return False
    rest = range(1, len(pieces))
    for count in range(len(pieces) - 1):
        for chosen in combinations(rest, count):
            low = (pieces[0], *(pieces[k] for k in chosen))
            high = tuple(pieces[k] for k in rest if k not in chosen)
            for at in sums(low, width):
                if comes_out(low, at, height) and comes_out(high, width - at, height):
                    return True
            for at in sums(low, height):
                if comes_out(low, width, at) and comes_out(high, width, height - at):
                    return True
    return False


def sums(pieces, most):
    """Where a cut beside some pieces can stand."""
    found = {0}
    for wide, high, _ in pieces:
        found |= {at + side for at in found for side in (wide, high)}
    return sorted(at for at in found if 0 < at < most)


def fewest(pieces, width, height):
    """The least sheets that hold all pieces: the first with any of the others that go with it, and the rest likewise."""
    if not pieces:
        return 0
    rest, best = range(1, len(pieces)), len(pieces)
    for count in range(len(pieces)):
        for chosen in combinations(rest, count):
            if comes_out(tuple(sorted((pieces[0], *(pieces[k] for k in chosen)))), width, height):
                best = min(best, 1 + fewest(tuple(pieces[k] for k in rest if k not in chosen), width, height))
    return best


@pytest.mark.parametrize("seed", range(24))
def test_few_pieces_need_no_sheet_more_than_a_search_over_everything(seed):
    chance = random.Random(seed)
    kinds = chance.randint(2, 4)
    made = [(chance.randint(5, 16), chance.randint(5, 20), chance.random() < 0.7, chance.randint(1, 2)) for _ in range(kinds)]
    made = made[:3] if sum(each[3] for each in made) > 6 else made
    half = INCH / 2
    wanted = [Wanted(str(k), wide * half, high * half, count, turns=turns) for k, (wide, high, turns, count) in enumerate(made)]
    pieces = tuple((wide, high, turns) for wide, high, turns, count in made for _ in range(count))
    cuts, least, proven = cut_stock(sheet(), wanted)
    assert proven
    assert sum(cut.count for cut in cuts) == least == fewest(pieces, 17, 22)


def test_a_base_and_its_panel_come_out_of_one_sheet():
    wanted = [Wanted("base", Fraction(17, 2) * INCH, Fraction(11, 2) * INCH, 1), Wanted("panel", 4 * INCH, 4 * INCH, 1)]
    cuts, least, proven = cut_stock(sheet(), wanted)
    assert (sum(cut.count for cut in cuts), least, proven) == (1, 1, True)
    assert sorted(laid.key for cut in cuts for laid in cut.pattern.laid) == ["base", "panel"]


def card(size, fold, stock, *, count=1, grain=None):
    return Job("Cards", count, (Piece("base", "Base", "base", size=size, fold=fold, stock="card", grain=grain),), (stock,))


@pytest.mark.parametrize(
    ("size", "fold", "sheets", "crosses"),
    [
        (Size(Fraction(17, 4) * INCH, Fraction(11, 2) * INCH), "top", LETTER, True),  # 4 1/4 x 11 flat, along the letter sheet: two of one
        (Size(Fraction(17, 4) * INCH, Fraction(11, 2) * INCH), "side", LETTER, False),  # 8 1/2 x 5 1/2 flat
        (Size(5 * INCH, 7 * INCH), "side", LETTER, True),  # 10 x 7 flat
        (Size(Fraction(105), Fraction(148)), "side", A4, False),  # a folded A6 out of A4: two of one
    ],
)
def test_the_commonest_cards_come_out_of_a_sheet_without_a_question(size, fold, sheets, crosses):
    """Common practice, no published source: two folded A2 or A6 cards of a letter or an A4 sheet, one folded 5 x 7."""
    found = cut_list(card(size, fold, sheet(sheets), count=2), grid=GRID["in" if sheets is LETTER else "mm"])
    assert found.whole == (2 if size.width == 5 * INCH else 1)
    assert bool(found.against) == crosses
    assert all(one.pieces == ("base",) for one in found.against)


def test_the_grain_is_kept_where_it_costs_nothing_let_go_for_a_sheet_and_kept_again_where_that_is_asked():
    upright = cut_list(card(Size(4 * INCH, Fraction(11, 2) * INCH), "side", sheet(), count=2), grid=GRID["in"])
    assert (upright.whole, upright.against) == (1, ())  # 8 x 5 1/2 flat, its grain along the shorter side: two over one another
    wide = Size(
        Fraction(5, 2) * INCH, Fraction(17, 2) * INCH
    )  # 5 x 8 1/2 flat, its grain along the longer: one of a sheet, and two across the grain
    crossing = cut_list(card(wide, "side", sheet(), count=2), grid=GRID["in"])
    assert crossing.whole == 1
    assert [(one.pieces, one.saves) for one in crossing.against] == [(("base",), 1)]
    kept = cut_list(card(wide, "side", sheet(), count=2, grain="upright"), grid=GRID["in"])
    assert (kept.whole, kept.against) == (2, ())
    unknown = cut_list(card(wide, "side", sheet(grain=None), count=2), grid=GRID["in"])
    assert (unknown.whole, unknown.against) == (1, ())


def test_a_grain_that_must_run_where_no_sheet_is_long_enough_says_what_lets_it_go():
    size = Size(Fraction(17, 4) * INCH, Fraction(11, 2) * INCH)
    with pytest.raises(InvalidInput, match="let the grain go"):
        cut_list(card(size, "top", sheet(), grain="across"), grid=GRID["in"])
    with pytest.raises(InvalidInput, match="no sheet of its stock is that big"):
        cut_list(card(Size(5 * INCH, 7 * INCH), "top", sheet()), grid=GRID["in"])  # 14 in long


def test_where_not_all_sizes_of_a_choice_can_be_kept_nothing_is_taken_for_all(monkeypatch):
    wanted = [Wanted(str(k), (4 + k) * INCH / 4, (9 - k) * INCH / 4, 2) for k in range(3)]
    grid = Grid.of(wanted, LETTER.width, LETTER.height)
    most = of_one_sheet(grid, np.full(3, 2.0))
    assert most.tolist() == [2, 2, 2]
    assert [counts.tolist() for counts, _ in maximal_patterns(grid, most)] == [[2, 2, 2]]  # all of them come out of one sheet
    monkeypatch.setattr(all_ways, "MOST_SIZES", 1)
    assert maximal_patterns(grid, most) is None
