"""The edge view's drawing: what must hold for any pile."""

import json
from dataclasses import asdict
from itertools import pairwise

import pytest
from tests.core.builders import SHELF

from lofty_press.core.sandwich.stack.apply import apply_edits
from lofty_press.core.sandwich.stack.edits import Put
from lofty_press.core.sandwich.stack.view import StackView
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.files.sandwich_file import SANDWICH
from lofty_press.documents.pictures.pile_drawing import body_of, draw_stack, marks_of

EPS = 1e-6


def plain(sandwich):
    return json.loads(SANDWICH.dump_json(sandwich))


TALL = apply_edits(SANDWICHES["two-plates"], [Put(item=SHELF["mail-envelope"], at=2, role="shim") for _ in range(30)])
PILES = {**SANDWICHES, "tall": TALL}


@pytest.mark.parametrize("true_scale", [False, True])
@pytest.mark.parametrize("name", PILES)
def test_layers_lie_on_one_another_under_the_rollers(ask, name, true_scale):
    (drawing,) = ask("drawStack", [plain(PILES[name]), 17.7, true_scale])
    layers = drawing["layers"]
    assert len(layers) == len(PILES[name].layers)
    assert layers[0]["y"] + layers[0]["height"] == pytest.approx(drawing["floor"])
    for below, above in pairwise(layers):
        assert above["y"] + above["height"] == pytest.approx(below["y"])
    assert layers[-1]["y"] == pytest.approx(drawing["top"])
    assert min(layer["height"] for layer in layers) >= (0.8 if true_scale else 5.0) - EPS


@pytest.mark.parametrize("name", PILES)
def test_what_presses_stands_over_the_rollers_opening_by_its_interference(ask, name):
    """At true scale nothing is stretched but what is thinner than a line."""
    pile = sum(layer["mm"] for layer in ask("drawStack", [plain(PILES[name]), 17.7, True])[0]["layers"])
    (even,) = ask("drawStack", [plain(PILES[name]), pile, False])
    assert even["ceiling"] == pytest.approx(even["top"], abs=EPS)
    (pressed,) = ask("drawStack", [plain(PILES[name]), pile - 0.5, False])
    assert pressed["ceiling"] - pressed["top"] == pytest.approx(0.5 * pressed["scale"], abs=EPS)


@pytest.mark.parametrize("name", PILES)
def test_labels_keep_apart_and_in_the_order_of_their_layers(ask, name):
    (drawing,) = ask("drawStack", [plain(PILES[name]), 17.7, False])
    (labels,) = ask("placeLabels", [drawing])
    assert [label["id"] for label in labels] == [layer["layer"]["id"] for layer in reversed(drawing["layers"])]
    gaps = [below["y"] - above["y"] for above, below in pairwise(labels)]
    assert min(gaps, default=99) > 13  # px; a line of text
    assert 0 < labels[0]["y"] <= labels[-1]["y"] < 626


def test_a_height_points_at_the_place_between_the_layers_around_it(ask):
    (drawing,) = ask("drawStack", [plain(SANDWICHES["ticket-sleeve"]), 17.7, False])
    middles = [layer["y"] + layer["height"] / 2 for layer in drawing["layers"]]
    asked = [drawing["floor"] + 5, *[y - 0.1 for y in middles]]
    assert ask("placeAt", *([drawing, y] for y in asked)) == list(range(len(middles) + 1))


def flat(shapes):
    """Numbers and words of shapes apart, so that numbers may differ in their last digit."""
    words = [[[step[0] for step in s["path"]], s["fill"], s["hatch"], s["stroke"]] for s in shapes]
    numbers = [n for s in shapes for n in [*(v for step in s["path"] for v in step[1:]), s["width"], *s["dash"]]]
    return words, numbers


@pytest.mark.parametrize("name", PILES)
def test_the_page_draws_a_pile_as_the_run_card_does(ask, name):
    """One drawing: where layers lie, and every path of them, as the document's own code draws it."""
    view = StackView(PILES[name])
    drawing = draw_stack(view)
    ((page,), (shapes,)) = (ask(asked, [plain(PILES[name]), view.press.opening.mm, False]) for asked in ("drawStack", "shapesOf"))
    assert (page["floor"], page["ceiling"]) == pytest.approx((drawing.floor, drawing.ceiling))
    assert len(shapes) == len(drawing.layers)
    for drawn, on_page, (body, marks) in zip(drawing.layers, page["layers"], shapes, strict=True):
        assert [on_page[k] for k in ("x", "y", "width", "height")] == pytest.approx([drawn.x, drawn.y, drawn.width, drawn.height])
        ours = flat([asdict(shape) for shape in [*body_of(drawn), *marks_of(drawn)]])
        theirs = flat([*body, *marks])
        assert theirs[0] == ours[0]
        assert theirs[1] == pytest.approx(ours[1])
