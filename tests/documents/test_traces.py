"""What mistakes leave on a sheet: where it is, nowhere else, and the same each time. How it looks is common practice, no published source."""

import io

import numpy as np
import pytest
from PIL import Image
from skimage.metrics import structural_similarity

from lofty_press.core.mechanics.forming import CUTTING_PRESSURE, cut_after, press, pressed_flat
from lofty_press.core.teaching.coach import CAUSES
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.answers.order_loss import depth
from lofty_press.documents.pictures import traces
from lofty_press.documents.pictures.front_picture import COARSE, front_png, front_seen
from lofty_press.documents.pictures.traces import TRACES

DRAWN = {key: cause for key, cause in CAUSES.items() if cause.leaves is not None}
INKED = {"ink too thick", "ink on the wrong half", "ink dried"}
CUT = {"worn place", "leftover"}


@pytest.fixture(scope="module")
def pressed():
    finest, tolerance = COARSE
    piles = ("programme-cover", "timetable-print", "arch-cut")
    return {key: press(SANDWICHES[key], demo_relief, finest=finest, tolerance=tolerance) for key in piles}


def test_every_trace_is_left_by_something_and_drawn():
    assert {cause.leaves for cause in DRAWN.values()} == set(TRACES)


def of(key):
    return "timetable-print" if key in INKED else "arch-cut" if key in CUT else "programme-cover"


@pytest.mark.parametrize("key", DRAWN)
def test_a_mistakes_picture_is_another_the_same_each_time_and_only_on_the_sheet(pressed, key):
    found = pressed[of(key)]
    right, wrong, again = (front_png(found, leaves=one) for one in (None, DRAWN[key].leaves, DRAWN[key].leaves))
    assert wrong == again
    one, other = (np.asarray(Image.open(io.BytesIO(png)).convert("LA"), dtype=float) for png in (right, wrong))
    assert np.array_equal(one[..., 1], other[..., 1])  # the sheet is where it was
    assert structural_similarity(one[..., 0], other[..., 0], data_range=255.0) < 0.995
    assert np.abs(one[..., 0] - other[..., 0]).max() > 12.0


@pytest.mark.parametrize("key", DRAWN)
def test_fields_stay_what_they_are(pressed, key):
    before = front_seen(pressed[of(key)])
    after = TRACES[DRAWN[key].leaves](before)
    for name in ("ink", "cut", "stain"):
        field = getattr(after, name)
        assert field.shape == before.heights.shape
        assert float(field.min()) >= 0.0
        assert float(field.max()) <= 1.0 + 1e-9
    assert np.isfinite(after.heights).all()
    assert np.array_equal(after.cover, before.cover)


def middle_of_change(before, after):
    """Mean place of what is otherwise, down and to the right of the middle [mm], and the share of the sheet that is."""
    change = np.abs(after.heights - before.heights) + after.stain + np.abs(after.cut - before.cut)
    changed = change > 0.02
    down, right = before.mesh()
    return float(down[changed].mean()), float(right[changed].mean()), float(changed.sum() / (before.cover > 0.5).sum())


@pytest.mark.parametrize(("key", "least_right", "most_share"), [("heat in one place", 0.0, 0.45), ("tape pressed", 20.0, 0.12)])
def test_tape_and_heat_leave_the_rest_alone(pressed, key, least_right, most_share):
    before = front_seen(pressed["programme-cover"])
    _, right, share = middle_of_change(before, TRACES[DRAWN[key].leaves](before))
    assert right > least_right
    assert 0.005 < share < most_share


def test_ink_runs_out_dries_or_takes_the_other_half(pressed):
    before = front_seen(pressed["timetable-print"])
    assert traces.ran_out(before).ink.sum() > 1.2 * before.ink.sum()
    assert traces.in_patches(before).ink.sum() < 0.8 * before.ink.sum()
    ground = traces.on_the_ground(before).ink
    assert float(ground[before.ink > 0.9].max()) < 0.11
    assert float(np.median(ground[(before.ink < 0.01) & before.tool & (before.cover > 0.5)])) > 0.9


def test_a_double_image_is_found_by_correlation_where_it_was_moved_to(pressed):
    before = front_seen(pressed["timetable-print"])
    after = traces.twice(before)
    more = after.ink - before.ink
    moved = [round(length / before.spacing) for length in traces.MOVED]
    scores = {
        (i, j): float((np.roll(before.ink, (i, j), axis=(0, 1)) * more).sum())
        for i in range(-6, 7)
        for j in range(-6, 7)
        if (i, j) != (0, 0)
    }
    assert max(scores, key=scores.get) == tuple(moved)


def test_where_a_blade_fell_short_it_marks_and_does_not_cut(pressed):
    before = front_seen(pressed["arch-cut"])
    for one in (traces.uncut_stripe, traces.around_a_piece):
        left = one(before).cut.sum() / before.cut.sum()
        assert 0.4 < left < 0.97


def test_a_sheet_that_was_cut_after_it_was_embossed_is_the_one_that_recipes_compute(pressed):
    found = pressed["programme-cover"]
    sheet = found.loaded.panel.cover > 0.5
    after = cut_after(found)
    assert depth(after.released, sheet) == pytest.approx(depth(pressed_flat(found, CUTTING_PRESSURE), sheet))
    assert depth(after.upper, sheet) < depth(found.upper, sheet)
    assert CAUSES["cut after"].flattens
    assert cut_after(pressed["arch-cut"]) is pressed["arch-cut"]  # nothing was formed
