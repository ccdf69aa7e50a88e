"""The order of work of every recipe, alone and two on one piece, held against the trade: common practice, no published source."""

import itertools
from fractions import Fraction

import networkx as nx
import pytest

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.working.plan import Border, Job, Piece, Run, Shop, Size, WantedOrder, faults, ordered_work, schedule
from lofty_press.core.working.recipes import EFFECTS, chain_of
from lofty_press.core.working.work import RULES, WORKS

TRADE = {
    "inked-die-powder": "ink > emboss > powder > heat > cool",
    "inked-relief": "ink > emboss > dry",
    "letterpress": "ink > emboss > dry",
    "rim-in-die": "cut > emboss",
    "fold-and-tuck": "cut > tuck",
    "paint-along": "emboss > colour > dry",
    "colour-the-ridges": "emboss > colour > dry",
    "sand-back": "emboss > sand",
    "metal-relief": "emboss > wax",
    "cut-thin": "cut",
    "stencil": "cut",
    "plain-relief": "emboss",
}
"""What is done in which order; the die is inked and pressed before the powder goes on, a rim is pressed in the die that cut it."""
DAMP = {
    "plain-relief": "mist > emboss > dry flat",
    "sand-back": "mist > emboss > dry flat > sand",
    "paint-along": "mist > emboss > dry flat > colour > dry",
}
SIDE = Size(Fraction(100), Fraction(140))
AROUND = ("trim", "stamp", "glue")


@pytest.mark.parametrize("key", TRADE)
def test_a_recipe_is_worked_through_as_the_trade_does_it(key):
    assert " > ".join(step.work for step in chain_of(EFFECTS[key], ink=True).steps) == TRADE[key]
    if key in DAMP:
        assert " > ".join(step.work for step in chain_of(EFFECTS[key], mist=True).steps) == DAMP[key]


def planned(*runs, works=AROUND, count=12, wanted=()):
    piece = Piece("panel", "Panel", "panel", size=SIDE, works=works, runs=runs)
    return ordered_work(Job("Job", count, (piece,)), wanted=wanted)


def runs_of(key):
    way = EFFECTS[key].ways[0]
    return [Run(key, f"{key} pile", mist) for mist in way.mist]


def steps_in_order(ordered):
    """Works in one order that the edges allow, by a general library's topological sort; which also finds no ring."""
    graph = nx.DiGraph([(pair.first, pair.then) for pair in ordered.order])
    graph.add_nodes_from(each.key for each in ordered.operations)
    works = {each.key: each.works for each in ordered.operations}
    return [work for key in nx.lexicographical_topological_sort(graph) for work in works[key]]


def in_turn(wanted, found):
    """True if one list is found in another in its order."""
    rest = iter(found)
    return all(any(work == other for other in rest) for work in wanted)


def kept(ordered, *runs):
    """Every recipe's own order is in the order of the whole, however the rest is put."""
    graph = nx.transitive_closure_dag(nx.DiGraph([(pair.first, pair.then) for pair in ordered.order]))
    for run in runs:
        steps = [step.work for step in chain_of(EFFECTS[run.effect], mist=run.mist, ink=run.ink).steps]
        assert in_turn(steps, steps_in_order(ordered)), run.effect
    unkept = {(one.first, one.then) for one in ordered.broken}
    of = {each.key: each for each in ordered.operations}
    for rule in RULES:
        if rule.within is not None or rule.first == rule.then or rule.key == "cut-then-rim" or rule.first.startswith("dry"):
            continue
        for a, b in itertools.permutations(of, 2):
            if "dry" in rule.then:
                continue
            if rule.first in of[a].works and rule.then in of[b].works and (a, b) not in unkept:
                assert graph.has_edge(a, b) or (graph.has_edge(b, a) and same_recipe(a, b, runs)), (rule.key, a, b)


def same_recipe(a, b, runs):
    """Within a recipe its own order stands above the rules, such as powder that is melted after the press."""
    works = {a.partition(": ")[2].rstrip(" 2"), b.partition(": ")[2].rstrip(" 2")}
    return any(
        all(any(name in work for name in key.split(" + ")) for key in works)
        for run in runs
        for work in [[step.work for step in chain_of(EFFECTS[run.effect], mist=run.mist).steps]]
    )


@pytest.mark.parametrize("key", EFFECTS)
def test_every_recipe_on_a_piece_keeps_its_order(key):
    for run in runs_of(key):
        ordered = planned(run)
        kept(ordered, run)
        assert ordered.broken == ()
        table = schedule(ordered.operations, ordered.order, Shop(), seconds=0.2)
        assert faults(table, ordered.operations, ordered.order, Shop()) == []


@pytest.mark.parametrize("first", EFFECTS)
def test_every_two_recipes_on_a_piece_keep_theirs(first):
    for second in EFFECTS:
        for a, b in itertools.product(runs_of(first), runs_of(second)):
            ordered = planned(a, b)
            kept(ordered, a, b)
            heated = {"inked-die-powder"} & {first, second}
            assert not ordered.broken or heated, (first, second, ordered.broken)


def test_mist_is_not_sprayed_on_twelve_at_once():
    """What must follow soon is done piece by piece; the rest is done for all together."""
    ordered = planned(Run("plain-relief", "Pile", mist=True))
    misted = next(each for each in ordered.operations if "mist" in each.works)
    assert misted.works == ("mist", "emboss")
    assert misted.count == 12
    assert 1 <= misted.at_a_time * WORKS["emboss"].each <= 300
    assert misted.planned == 12 * (WORKS["mist"].each + WORKS["emboss"].each) + WORKS["mist"].begin
    powdered = planned(Run("inked-die-powder", "Pile"))
    assert [each.works for each in powdered.operations if "powder" in each.works] == [("ink", "emboss", "powder")]
    assert [each.count for each in powdered.operations if each.works == ("heat",)] == [12]


def test_colour_waits_for_what_is_damp_and_comes_after_the_outline():
    steps = steps_in_order(planned(Run("deep-relief", "Pile", mist=True), works=("trim", "colour", "stamp", "glue")))
    assert in_turn(["trim", "mist", "emboss", "dry flat", "stamp", "dry", "colour", "dry", "glue"], steps)


def test_a_ground_of_colour_may_be_wished_before_the_press_and_what_that_costs_is_said():
    """Some schools lay the wash first: it is dry before it is pressed, and the rule that it breaks is told."""
    run = Run("die-line", "Pile")
    wish = WantedOrder("panel: colour", "panel: emboss")
    ordered = planned(run, works=("trim", "colour", "glue"), wanted=[wish])
    steps = steps_in_order(ordered)
    assert in_turn(["colour", "dry", "emboss", "glue"], steps)
    assert [(one.first, one.then) for one in ordered.broken] == [("panel: emboss", "panel: colour")]
    assert "furrow" in str(ordered.broken[0].why)
    with pytest.raises(InvalidInput, match="Loose powder falls off"):
        planned(Run("inked-die-powder", "Pile"), wanted=[WantedOrder("panel: heat", "panel: ink + emboss + powder")])


def card(*more, count=1):
    base = Piece("base", "Base", "base", size=SIDE, works=("trim", "score", "fold", "assemble", "address"))
    layer = Piece("layer", "Layer", "layer", on="base", border=Border.even(Fraction(3)), works=("trim", "glue"))
    return Job("Card", count, (base, layer, *more))


def test_a_die_cut_that_lies_on_nothing_told_is_glued_before_the_card_goes_in_its_envelope():
    flower = Piece("flower", "Flower", "die cut", size=Size(Fraction(40), Fraction(40)), works=("glue",), runs=(Run("cut-thin", "Pile"),))
    ordered = ordered_work(card(flower))
    graph = nx.transitive_closure_dag(nx.DiGraph([(pair.first, pair.then) for pair in ordered.order]))
    for key in ("flower: glue", "layer: glue"):
        assert graph.has_edge(key, "base: assemble")
        assert graph.has_edge(key, "base: address")
    assert graph.has_edge("base: trim", "layer: glue")


def test_a_base_is_pressed_flat_and_before_anything_is_on_it():
    job = card()
    base = job.pieces[0]
    pressed = Piece(**{**vars(base), "runs": (Run("plain-relief", "Pile"), Run("cut-thin", "Other pile"))})
    ordered = ordered_work(Job("Card", 1, (pressed, job.pieces[1])))
    graph = nx.transitive_closure_dag(nx.DiGraph([(pair.first, pair.then) for pair in ordered.order]))
    for then in ("base: fold", "base: assemble", "layer: glue"):
        assert graph.has_edge("base: emboss", then)
        assert graph.has_edge("base: cut", then)
    sprayed = Piece(**{**vars(base), "works": (*base.works, "spray")})
    steps = steps_in_order(ordered_work(Job("Card", 1, (sprayed, job.pieces[1]))))
    assert in_turn(["assemble", "spray", "dry", "address"], steps)


def test_a_simple_card_takes_some_ten_minutes_of_hands():
    """A base, a layer, a pressed panel: about ten minutes with talk (common practice, no published source)."""
    panel = Piece(
        "panel", "Panel", "panel", on="layer", border=Border.even(Fraction(3)), works=("trim", "glue"), runs=(Run("plain-relief", "P"),)
    )
    ordered = ordered_work(card(panel))
    layers = {"P": ("Bed", "Plate", "Folder", "Plate")}
    table = schedule(ordered.operations, ordered.order, Shop(layers=layers), seconds=1.0)
    assert 8 * 60 < table.length < 13 * 60


def test_a_frame_is_made_once_and_used_for_every_card():
    frame = Piece("frame", "Frame", "frame", size=SIDE, works=("trim",), runs=(Run("cut-thin", "P"),), reused=True, each=2)
    counts = {each.piece: each.count for each in ordered_work(card(frame, count=30)).operations}
    assert (counts["frame"], counts["layer"]) == (2, 30)


def test_plates_are_moved_one_by_one_and_what_lies_below_stays():
    """Two piles that share bed and lower plate: only what lies above is moved."""
    pieces = tuple(Piece(k, k, "panel", size=SIDE, runs=(Run("plain-relief", k),)) for k in ("a", "b"))
    ordered = ordered_work(Job("Job", 5, pieces))
    shop = Shop(layers={"a": ("bed", "plate", "folder a", "plate"), "b": ("bed", "plate", "folder b", "plate")})
    table = schedule(ordered.operations, ordered.order, shop, seconds=1.0)
    gaps = [slot.start - slot.begin for slot in table.slots]
    assert gaps == [4 * 8, 4 * 8]  # four laid on; then folder and plate off, and the others on
    assert faults(table, ordered.operations, ordered.order, shop) == []
