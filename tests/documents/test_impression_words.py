"""The figures in words: each applies only where its question arises, and its grade follows the figure."""

from dataclasses import replace

import numpy as np
import pytest

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.judging.findings import near_limit
from lofty_press.core.mechanics.forming.figures import Blank, Figures, Worst
from lofty_press.documents.answers.impression import in_words
from lofty_press.documents.files.impression_files import height_tiff, profile_csv, sheet_stl
from lofty_press.service.keeping.impressions.probe import along_line

PRESSED = Figures(
    depth=0.32,
    tool_depth=0.4,
    retained_share=0.8,
    edge_width=1.1,
    crack=Worst(0.4, (1.0, 2.0)),
    tear=Worst(0.3, (1.0, 2.0)),
    buckle=Worst(0.0, None),
    blank_share=0.1,
    blank=Blank(400.0, 0.0, 0.0, 100.0),
    cut={},
    cut_load=0.0,
    ink=None,
    dent=0.01,
)


def with_(**changes):
    return {row.name: row for row in in_words(replace(PRESSED, **changes), None)}


def test_a_pressed_sheet_has_its_six_figures_with_units():
    rows = with_()
    assert list(rows) == ["depth kept", "edge width", "cracking", "tearing", "waves", "without relief"]
    assert rows["depth kept"].value == "0.32 mm · 80 %"
    assert rows["edge width"].value == "1.1 mm"
    assert rows["waves"].value == "none"
    assert rows["without relief"].value == "10 %, 4.0 cm² in the hinge"
    assert all(row.meaning.endswith(".") and row.improve.endswith(".") for row in rows.values())


@pytest.mark.parametrize(("index", "grade"), [(0.0, "fine"), (0.69, "fine"), (0.7, "watch"), (0.99, "watch"), (1.0, "bad"), (7.0, "bad")])
def test_an_index_is_graded_by_how_near_it_is_to_giving_way(index, grade):
    for name, row in (("crack", "cracking"), ("tear", "tearing"), ("buckle", "waves")):
        assert with_(**{name: Worst(index, (0.0, 0.0))})[row].grade == grade


def test_how_near_something_is_to_its_limit_is_said_in_words_and_its_figure_on_asking():
    """Higher is never said to be farther away."""
    said = [near_limit(index) for index in np.arange(0.0, 2.0, 0.01)]
    assert list(dict.fromkeys(said)) == [
        "none",
        "far from its limit",
        "well within its limit",
        "near its limit",
        "right at its limit",
        "past its limit",
        "far past its limit",
    ]
    row = with_(crack=Worst(0.98, (0.0, 0.0)))["cracking"]
    assert row.value == "right at its limit"
    assert "0.98" in row.meaning


def test_little_kept_is_worth_watching():
    assert with_(retained_share=0.3)["depth kept"].grade == "watch"
    assert with_(retained_share=0.8)["depth kept"].grade == "fine"


def test_a_cut_tells_its_lengths_and_nothing_of_relief():
    flat = {"depth": None, "tool_depth": None, "retained_share": None, "edge_width": None, "blank_share": None}
    cut = {"untouched": 0.0, "line": 0.0, "part cut": 30.0, "cut": 600.0}
    rows = with_(**flat, cut=cut, cut_load=12.6)
    assert list(rows) == ["along the blade"]
    assert rows["along the blade"].value == "600 mm cut · 30 mm part cut"
    assert rows["along the blade"].grade == "watch"
    assert with_(**flat, cut={**cut, "part cut": 0.0}, cut_load=12.6)["along the blade"].grade == "fine"
    only_line = with_(**flat, cut={"untouched": 0.0, "line": 300.0, "part cut": 0.0, "cut": 0.0}, cut_load=12.6)
    assert only_line["along the blade"].grade == "fine"


def test_ink_says_how_much_went_over_and_whether_words_read_backwards():
    inked = replace(PRESSED, ink=0.95)
    value = lambda mirrored: next(r.value for r in in_words(inked, mirrored) if r.name == "ink taken")  # noqa: E731
    assert value(False) == value(None) == "95 %"
    assert value(True) == "95 %, words backwards"
    assert with_(ink=0.5)["ink taken"].grade == "watch"


def test_a_profile_runs_from_end_to_end_with_a_point_each_cell():
    class Panel:
        cells, spacing_mm, first_mm = (50, 40), 0.5, (-12.25, -9.75)

    ramp = np.arange(50)[:, None] * np.ones((1, 40))
    distance, values = along_line(ramp, Panel, (-10.0, 0.0), (10.0, 0.0))
    assert distance[-1] == pytest.approx(20.0)
    assert values == pytest.approx((np.linspace(-10, 10, distance.size) + 12.25) / 0.5)
    with pytest.raises(InvalidInput):
        along_line(ramp, Panel, (1.0, 1.0), (1.0, 1.0))
    assert profile_csv(distance, {"tool": values}).count("\n") == distance.size + 1


def test_a_flat_sheet_and_no_sheet_are_written_or_refused():
    flat = np.zeros((20, 30))
    assert height_tiff(flat, np.ones((20, 30), bool), 0.2, "flat")[:2] == b"II"
    assert len(sheet_stl(flat, flat, np.ones((20, 30), bool), 0.2, 0.3)) > 84
    with pytest.raises(InvalidInput):
        sheet_stl(flat, flat, np.zeros((20, 30), bool), 0.2, 0.3)
