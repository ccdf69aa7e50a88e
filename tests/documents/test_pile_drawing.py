"""The pile's drawing by itself: names that do not lie over one another, paths that close, hatches for every material."""

from itertools import pairwise

import pytest
from tests.core.builders import build, lay

from lofty_press.core.sandwich.materials import MATERIALS
from lofty_press.core.sandwich.stack import StackView
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.pictures.pile_drawing import HATCHES, TILE, VIEW, body_of, draw_stack, marks_of, rollers_of, spaced


@pytest.mark.parametrize("wanted", [[10.0, 11.0, 12.0], [95.0, 96.0, 97.0], [1.0, 50.0, 99.0], [50.0] * 6, []])
def test_names_are_spread_within_their_field_and_as_near_as_can_be(wanted):
    places = spaced(wanted, 12.0, 6.0, 94.0)
    assert len(places) == len(wanted)
    assert all(below - above >= 12.0 - 1e-9 for above, below in pairwise(places))
    assert all(6.0 - 1e-9 <= place <= 94.0 + 1e-9 for place in places)
    if wanted == [1.0, 50.0, 99.0]:
        assert places == [6.0, 50.0, 94.0]


def test_every_material_has_a_hatch_of_its_own():
    assert set(HATCHES) == set(MATERIALS)
    assert len({(hatch.fill, hatch.lines, hatch.dots) for hatch in HATCHES.values()}) == len(HATCHES)
    for hatch in HATCHES.values():
        assert hatch.lines or hatch.dots
        assert all(-2.0 <= value <= TILE + 2.0 for line in hatch.lines for point in line for value in point)


@pytest.mark.parametrize("name", SANDWICHES)
def test_paths_begin_with_a_move_and_stay_near_the_field(name):
    drawing = draw_stack(StackView(SANDWICHES[name]))
    shapes = [*rollers_of(drawing), *(shape for layer in drawing.layers for shape in (*body_of(layer), *marks_of(layer)))]
    for shape in shapes:
        assert shape.path[0][0] == "M"
        assert shape.stroke or shape.fill or shape.hatch
        numbers = [value for step in shape.path for value in step[1:]]
        assert all(-40.0 < value < VIEW.height + 40.0 for value in numbers)
    assert drawing.ceiling <= drawing.floor


def test_an_empty_press_and_a_bare_bed_are_drawn():
    for rows in ((), (lay("bed"),)):
        drawing = draw_stack(StackView(build("Bare", "midway", "emboss", *rows)))
        assert len(drawing.layers) == len(rows)
        assert drawing.floor == VIEW.bottom
