"""Sizes from borders and borders from sizes, against the trade's own cards."""

import re
from dataclasses import replace
from fractions import Fraction

import pytest
from hypothesis import given
from hypothesis import strategies as st

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.working.plan import (
    Border,
    Job,
    Parts,
    Piece,
    Size,
    Stock,
    bulk_of,
    flat_size,
    off_the_ruler,
    opened_out,
    read_pair,
    sizes_of,
    with_border,
    with_envelope,
    with_size,
    written,
)
from lofty_press.core.working.plan.lengths import GRID, INCH
from lofty_press.core.working.plan.post import CLASSES, foam_behind, postings, ways_thinner


def inches(width, height):
    return Size(Fraction(width) * INCH, Fraction(height) * INCH)


def even(border):
    return Border.even(Fraction(border) * INCH)


def card(size, *borders, fold=None):
    """A base with layers on one another."""
    pieces = [Piece("base", "Base", "base", size=size, fold=fold, stock="card")]
    for n, border in enumerate(borders, 1):
        below = pieces[-1].key
        pieces.append(Piece(f"layer{n}", f"Layer {n}", "layer", on=below, border=even(border), stock="card"))
    return Job("Card", 10, tuple(pieces), (Stock("card", "Card", 0.3, 250),))


def test_a_half_sheet_scored_in_the_middle_with_two_layers():
    """Common practice, no published source: 8 1/2 x 6 scored at 4 1/4, layers 5 7/8 x 4 1/8 and 5 3/4 x 4."""
    job = card(inches(Fraction(6), Fraction(17, 4)), Fraction(1, 16), Fraction(1, 16), fold="tent")
    sizes = sizes_of(job)
    assert sizes["layer1"] == inches(Fraction(47, 8), Fraction(33, 8))
    assert sizes["layer2"] == inches(Fraction(23, 4), 4)
    flat = flat_size(job.pieces[0], sizes["base"], job.stocks[0], GRID["in"])
    assert flat.size == inches(6, Fraction(17, 2))
    assert flat.opened.scores == (Fraction(17, 4) * INCH,)
    assert flat.grain == "across"  # along the fold


def test_common_cards():
    """Common practice, no published source: 4 x 5 1/4 on 4 1/4 x 5 1/2; a panel 3 1/4 x 4 3/4 on 3 1/2 x 5."""
    assert sizes_of(card(inches(Fraction(17, 4), Fraction(11, 2)), Fraction(1, 8)))["layer1"] == inches(4, Fraction(21, 4))
    small = card(None, Fraction(1, 8))
    from_panel = replace(small, pieces=(small.pieces[0], replace(small.pieces[1], size=inches(Fraction(13, 4), Fraction(19, 4)))))
    assert sizes_of(from_panel)["base"] == inches(Fraction(7, 2), 5)


border = st.integers(0, 64).map(lambda n: Fraction(n, 64))


@given(st.lists(border, min_size=1, max_size=6), st.integers(0, 6), st.integers(256, 640), st.integers(256, 640))
def test_from_whichever_piece_the_sizes_are_given_they_are_the_same(borders, start, width, height):
    job = card(inches(Fraction(width, 64) + 8, Fraction(height, 64) + 8), *borders)
    sizes = sizes_of(job)
    key = job.pieces[min(start, len(borders))].key
    assert sizes_of(with_size(job, key, sizes[key], "sizes")) == sizes
    wider = Size(sizes[key].width + INCH, sizes[key].height)
    grown = sizes_of(with_size(job, key, wider, "sizes"))
    assert all(grown[k].width - sizes[k].width == INCH and grown[k].height == sizes[k].height for k in sizes)


def test_a_size_or_a_border_changes_and_the_rest_follows():
    job = card(inches(5, 7), Fraction(1, 4), Fraction(1, 4))
    narrower = with_size(job, "layer1", inches(4, 6), "borders")
    assert sizes_of(narrower)["base"] == inches(5, 7)
    assert narrower.pieces[1].border == even(Fraction(1, 2))
    assert sizes_of(narrower)["layer2"] == inches(Fraction(7, 2), Fraction(11, 2))
    heavier = with_border(job, "layer1", Border(INCH / 4, INCH / 4, INCH / 4, INCH))
    assert sizes_of(heavier)["layer1"] == inches(Fraction(9, 2), Fraction(23, 4))
    kept = with_size(heavier, "layer1", inches(4, 5), "borders").pieces[1].border
    assert kept.bottom - kept.top == Fraction(3, 4) * INCH  # heavier below stays heavier below
    assert kept.upright == 2 * INCH


@pytest.mark.parametrize(
    ("change", "field", "says"),
    [
        (lambda job: with_border(job, "layer1", even(3)), "pieces.layer1.border", "nothing is left of"),
        (lambda job: with_size(job, "layer1", inches(6, 6), "borders"), "pieces.layer1.size", "larger than the piece under it"),
        (lambda job: with_size(job, "nobody", inches(6, 6), "borders"), "piece", "isn't a piece"),
        (lambda job: sizes_of(replace(job, pieces=job.pieces[1:])), "pieces.layer1.on", "isn't a piece"),
        (lambda job: sizes_of(replace(job, pieces=(job.pieces[0], job.pieces[0]))), "pieces", "same key"),
        (
            lambda job: sizes_of(replace(job, pieces=(replace(job.pieces[0], size=None), *job.pieces[1:]))),
            "pieces.base.size",
            "needs a size",
        ),
        (
            lambda job: sizes_of(replace(job, pieces=(job.pieces[0], replace(job.pieces[1], size=inches(2, 2)), *job.pieces[2:]))),
            "pieces.layer1.size",
            "has another size already",
        ),
        (
            lambda job: sizes_of(replace(job, pieces=(replace(job.pieces[0], on="layer1", border=even(1)), *job.pieces[1:]))),
            "pieces.base.on",
            "on top of itself",
        ),
    ],
)
def test_what_cannot_be_is_refused_by_its_piece(change, field, says):
    with pytest.raises(InvalidInput) as refused:
        change(card(inches(5, 7), Fraction(1, 4), Fraction(1, 4)))
    assert refused.value.field == field
    assert says in refused.value.requirement.in_words("in")


def test_the_doors_of_a_gate_are_shorter_by_what_the_fold_takes_up():
    gate = opened_out(inches(5, 7), "gate", thickness=0.3, grid=GRID["in"])
    door, front, other = gate.panels
    assert (front, door) == (5 * INCH, other)
    assert 0.3 <= float(front / 2 - door) < 0.3 + float(GRID["in"])
    assert gate.size.width == sum(gate.panels)
    assert [float(score) for score in gate.scores] == [float(door), float(door + front)]
    with pytest.raises(InvalidInput, match="folds only from"):
        opened_out(inches(Fraction(1, 8), 5), "gate", thickness=2.0, grid=GRID["in"])


def test_a_size_between_two_marks_is_said_with_the_nearest():
    job = card(Size(Fraction(105), Fraction(148)), Fraction(1, 8))
    assert set(off_the_ruler(job, GRID["in"])) == {"base", "layer1"}
    assert off_the_ruler(card(inches(5, 7)), GRID["in"]) == {}


def test_mass_is_grammage_times_area_and_thickness_what_lies_on_one_another():
    """By hand: an A6 card of A5, 250 g/m2 weighs 0.210 m x 0.148 m x 250 g/m2 = 7.8 g; a window takes out its share."""
    base = Piece("base", "Base", "base", size=Size(Fraction(105), Fraction(148)), fold="side", stock="card")
    window = Piece("hole", "Window", "window", on="base", border=Border.even(Fraction(30)))
    layer = Piece("layer", "Layer", "layer", on="base", border=Border.even(Fraction(5)), stock="card", raised_on=2.0)
    job = Job("Card", 1, (base,), (Stock("card", "Card", 0.3, 250),))
    plain = bulk_of(job, grid=GRID["mm"], relief={})
    assert plain.mass == pytest.approx(0.210 * 0.148 * 250, abs=1e-9)
    assert plain.thickness == pytest.approx(0.6)
    assert plain.bends
    cut = bulk_of(replace(job, pieces=(base, window)), grid=GRID["mm"], relief={})
    assert plain.mass - cut.mass == pytest.approx(0.045 * 0.088 * 250, abs=1e-9)
    raised = bulk_of(replace(job, pieces=(base, layer)), grid=GRID["mm"], relief={"layer": 0.4})
    assert raised.thickness == pytest.approx(0.6 + 0.3 + 2.0 + 0.4)
    assert raised.thickest == ("base", "layer")
    assert not raised.bends
    assert [way.saves for way in ways_thinner(replace(job, pieces=(base, layer)), raised)] == [1.0, 2.0, 0.3]
    stiff = {each.postal_class.key: each.why_not for each in postings(raised)}
    assert stiff["upu-p"] == ()
    assert [str(reason) for reason in stiff["us-letter"]] == [
        "It doesn't bend around the drums of the machines.",
        "Its middle is 2.70 mm thicker than its rim.",
    ]
    assert stiff["us-stiff"] == ()  # stiff letters go, for a surcharge
    ways = ways_thinner(replace(job, pieces=(base, layer)), raised)
    assert [way.goes_as for way in ways] == [(), ("letter (US)",), ()]


def test_foam_is_advised_where_the_class_takes_it_and_what_it_costs_is_said():
    """Common practice, no published source: a whole sheet of foam behind a relief; limits of classes as their source says."""
    base = Piece("base", "Base", "base", size=Size(Fraction(105), Fraction(148)), fold="side", stock="card")
    layer = Piece("layer", "Layer", "layer", on="base", border=Border.even(Fraction(5)), stock="card")
    job = Job("Card", 1, (base, layer), (Stock("card", "Card", 0.3, 250),))
    for high, says in ((0.4, "protects its relief in the mail.$"), (1.25, r"Without foam it goes as letter \(US\)"), (9.0, "hand it over")):
        relief = {"layer": high}
        bulk = bulk_of(job, grid=GRID["mm"], relief=relief)
        classes = [each for each in CLASSES if each.key in ("us-letter", "us-stiff") or (high > 5 and each.key == "us-flat")]
        if high > 5:
            classes = [replace(classes[-1], thickest=12.0)]
        (told,) = foam_behind(job, relief, bulk, tuple(classes))
        assert re.search(says, str(told)), str(told)


def test_an_envelope_is_laid_flat_with_flap_back_and_seams():
    """A wallet envelope's flap is half of its height, its back two thirds: they overlap by a sixth (common practice, no published source)."""
    flat = opened_out(Size(Fraction(114), Fraction(162)), "envelope", thickness=0.1, grid=GRID["mm"])
    assert (flat.size.width, flat.size.height) == (114 + 40, 81 + 162 + 108)
    assert flat.scores == (81, 81 + 162)
    assert flat.crossing == (20, 20 + 114)
    assert (flat.upright, flat.grain) == (False, None)
    inches = opened_out(Size(*read_pair("4 3/8 x 5 3/4", "in")), "envelope", thickness=0.1, grid=GRID["in"])
    assert written(inches.size.width, "in") == "5 7/8"
    assert [written(at, "in") for at in inches.crossing] == ["3/4", "5 1/8"]


def test_a_page_turns_at_its_hinge_and_a_liner_goes_up_under_the_flap():
    page = opened_out(Size(Fraction(200), Fraction(200)), "hinge", thickness=0.3, grid=GRID["mm"])
    assert (page.size, page.scores, page.upright) == (Size(Fraction(225), Fraction(200)), (25,), True)
    liner = opened_out(Size(Fraction(108), Fraction(156)), "flap", thickness=0.1, grid=GRID["mm"])
    assert (liner.size, liner.scores) == (Size(Fraction(108), Fraction(234)), (78,))


def test_an_envelope_that_fits_has_room_for_the_cards_thickness():
    stock = Stock("s", "Card", 0.4, 300.0)
    thin = Stock("t", "Paper", 0.1, 90.0)
    base = Piece("base", "Base", "base", size=Size(Fraction(105), Fraction(148)), fold="side", stock="s")
    panel = Piece("p", "Panel", "panel", on="base", border=Border.even(Fraction(10)), stock="s", raised_on=2.0)
    job = with_envelope(Job("Job", 1, (base, panel), (stock, thin)), grid=GRID["mm"], relief={"p": 0.55})
    envelope, liner = job.pieces[2:]
    # two leaves, panel, foam and relief are 3.75 thick; to the next whole millimetre; it opens along its long side
    assert envelope.size == Size(Fraction(158), Fraction(115))
    assert (envelope.stock, envelope.fold, liner.fold, liner.on) == ("t", "envelope", "flap", "envelope")
    sizes = sizes_of(job)
    assert sizes["liner"] == Size(envelope.size.width - 6, envelope.size.height - 3)
    bulk = bulk_of(job, grid=GRID["mm"], relief={"p": 0.55})
    assert bulk.thickness == pytest.approx(3.75)  # the envelope's leaves are counted by the post
    assert (bulk.envelope.width, bulk.envelope.height) == (envelope.size.width, envelope.size.height)
    flats = [flat_size(piece, sizes[piece.key], thin, GRID["mm"]).size for piece in (envelope, liner)]
    assert bulk.posted - bulk.mass == pytest.approx(sum(float(f.width * f.height) for f in flats) * 90 * 1e-6)
    with pytest.raises(InvalidInput, match="envelope already"):
        with_envelope(job, grid=GRID["mm"], relief={})


def test_equal_parts_lie_beside_one_another_and_follow_in_both_directions():
    """An album page with six mats; exact to a mark or said so."""
    page = Piece("page", "Page", "page", size=Size(Fraction(200), Fraction(200)))
    mats = Piece("mat", "Mat", "layer", on="page", border=Border.even(Fraction(10)), parts=Parts(2, 3, Fraction(6)))
    job = Job("Album", 4, (page, mats))
    size = sizes_of(job)["mat"]
    assert size == Size(Fraction(87), Fraction(56))
    assert mats.in_card == 6
    assert 2 * size.width + 6 + 20 == 200
    assert 3 * size.height + 2 * 6 + 20 == 200
    back = with_size(job, "mat", Size(Fraction(90), Fraction(60)), "sizes")
    assert sizes_of(back)["page"] == Size(Fraction(2 * 90 + 6 + 20), Fraction(3 * 60 + 12 + 20))
    borders = with_size(job, "mat", Size(Fraction(80), Fraction(50)), "borders", grid=GRID["mm"])
    assert sizes_of(borders) == {"page": page.size, "mat": Size(Fraction(80), Fraction(50))}
    odd = replace(mats, parts=Parts(3, 3, Fraction(6)))
    assert "mat" in off_the_ruler(Job("Album", 4, (page, odd)), GRID["in"])
    with pytest.raises(InvalidInput, match="nothing is left of"):
        sizes_of(Job("Album", 4, (page, replace(mats, parts=Parts(12, 1, Fraction(20))))))
