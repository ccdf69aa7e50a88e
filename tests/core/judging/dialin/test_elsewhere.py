"""What a run in somebody else's room teaches here: of its tool and its stock, and of nothing else that stands here."""

from dataclasses import replace

import numpy as np
import pytest

from lofty_press.core.judging.dialin import AWAY, Tried, as_of_elsewhere, believed_before, keyed, learn, respond
from lofty_press.core.sandwich.stack import StackView, Thickness
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES


def roughly(pile):
    """A pile of which every figure is a guess."""
    items = {key: replace(item, thickness=Thickness(mm=item.thickness.mm, sd_mm=0.05)) for key, item in pile.items.items()}
    return replace(pile, press=replace(pile.press, opening=Thickness(mm=pile.press.opening.mm, sd_mm=0.2)), items=items)


OURS = keyed(roughly(SANDWICHES["ticket-sleeve"]))
SHELF = {item.shelf_id: item for item in OURS.items.values()}
VIEW = StackView(OURS)


def theirs(name="Their press"):
    """The same tool and stock, by name, between plates and on a press of their own."""
    pile = roughly(SANDWICHES["ticket-sleeve"])
    return as_of_elsewhere(replace(pile, press=replace(pile.press, name=name)), SHELF)


def before(*piles):
    presses = {pile.press.shelf_id: pile.press for pile in piles}
    items = {item.shelf_id: item for pile in piles for item in pile.items.values()}
    return believed_before(presses.values(), items.values())


def learnt(*tried):
    known = before(OURS, *(piece.sandwich for piece in tried))
    return known, learn(known, tried, lambda pile: respond(pile, demo_relief)).belief


def test_tool_and_stock_are_ours_and_all_else_is_theirs():
    away = theirs()
    view = StackView(away)
    assert view.tool.item.shelf_id == VIEW.tool.item.shelf_id
    assert view.sheet.item.shelf_id == VIEW.sheet.item.shelf_id
    others = {p.item.shelf_id for p in view.layers} - {view.tool.item.shelf_id, view.sheet.item.shelf_id}
    assert others
    assert all(key.startswith(AWAY) for key in (*others, away.press.shelf_id))


@pytest.mark.parametrize(("seen", "way"), [("faint", 1.0), ("hard", -1.0)])
def test_their_run_moves_the_stocks_strength_and_leaves_our_press_alone(seen, way):
    """Trade: what comes out faint elsewhere was asked for more than it got; our opening has nothing to do with it."""
    known, after = learnt(Tried("a", theirs(), frozenset({seen})))
    need = f"need:{VIEW.sheet.item.shelf_id}"
    assert way * after.of({need: 1.0})[0] > 0.0
    ours = [f"opening:{OURS.press.shelf_id}", f"frame:{OURS.press.shelf_id}", "kind:hard plate"]
    for key in ours:
        assert np.allclose(after.of({key: 1.0}), known.of({key: 1.0}), atol=1e-9)
    moved = f"opening:{theirs().press.shelf_id}"
    assert abs(after.of({moved: 1.0})[0]) > 1e-3


def test_two_of_their_runs_know_their_press_again_and_a_third_room_does_not():
    one, again, third = theirs(), theirs(), theirs("A third press")
    assert one.press.shelf_id == again.press.shelf_id != third.press.shelf_id
    _, after = learnt(Tried("a", one, frozenset({"faint"})), Tried("b", third, frozenset({"hard"})))
    openings = [after.of({f"opening:{pile.press.shelf_id}": 1.0})[0] for pile in (one, third)]
    assert openings[0] > 0.0 > openings[1]


def test_a_pile_of_which_nothing_is_ours_teaches_nothing_here():
    pile = roughly(SANDWICHES["arch-cut"])
    away = as_of_elsewhere(pile, {})
    known, after = learnt(Tried("a", away, frozenset({"right"})))
    ours = [key for key in known.keys if AWAY not in key and "@" not in key]
    assert ours
    for key in ours:
        assert np.allclose(after.of({key: 1.0}), known.of({key: 1.0}), atol=1e-9)
