"""The layered nip against closed forms, balances and symmetries; and what it refuses."""

import json
from dataclasses import replace
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from lofty_press.cli.__main__ import main
from lofty_press.core.basics.errors import InvalidInput, NoBalance
from lofty_press.core.mechanics.layered.layer import Layer
from lofty_press.core.mechanics.layered.line_contact import line_table
from lofty_press.core.mechanics.layered.response import respond
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.setup.paths import DOCS

BED, PLATE, CARD = Layer("bed", 9.0, 2600.0, 0.37), Layer("plate", 3.0, 2300.0, 0.37), Layer("card", 0.3, 60.0, 0.05)
HALF, RUBBER = Layer("folder half", 1.3, 1400.0, 0.40), Layer("rubber", 2.0, 3.0, 0.4997)
FOLDER = [BED, PLATE, HALF, CARD, HALF, PLATE]


def test_a_thick_block_is_hertz_line_contact():
    """K. L. Johnson, Contact Mechanics, 1985, section 4.2: a^2 = 4 P R / (pi E*), p0 = 2 P / (pi a)."""
    block, radius = Layer("block", 60.0, 2000.0, 0.3), 15.0
    table = line_table([block], 0, radius, 0.05)
    for _, load, _, _, above, below, p_above, p_below in table.rows:
        hertz = np.sqrt(4 * load * radius * (1 - 0.3**2) / (np.pi * 2000.0))
        assert above == pytest.approx(hertz, rel=2e-3)
        assert below == pytest.approx(hertz, rel=2e-3)
        assert (p_above, p_below) == pytest.approx([2 * load / (np.pi * hertz)] * 2, rel=2e-3)


def test_a_thin_layer_is_a_bed_of_springs():
    """Johnson, section 4.3: where the contact is far wider than the layer is thick, w = (4/3) a p0 with p0 = M d / h, a^2 = R d."""
    layer, radius, closing = Layer("card", 0.3, 60.0, 0.05), 400.0, 0.05
    found = line_table([layer], 0, radius, closing).at(closing)
    confined = 60.0 * (1 - 0.05) / ((1 + 0.05) * (1 - 2 * 0.05))
    half = np.sqrt(radius * closing)
    assert half > 10 * layer.thickness
    assert found.roller_peak[0] == pytest.approx(confined * closing / 0.3, rel=0.01)
    assert found.load == pytest.approx(4 / 3 * half * confined * closing / 0.3, rel=0.01)


def test_the_middle_of_a_strip_between_two_lines():
    """L. N. G. Filon, 1903, from memory: two equal and opposite lines on a strip press its middle with 1.84 W / H."""
    strip = Layer("strip", 20.0, 2000.0, 0.3)
    _, load, peak, *_ = line_table([strip], 0, 2.0, 0.01).rows[0]
    assert peak == pytest.approx(1.84 * load / 20.0, rel=0.01)


def test_shape_of_the_answer_to_long_and_short_waves():
    """Long waves: a free strip under equal pressures on both faces, plane stress across it, d = p h (1 - nu^2) / E of each layer alone where
    all layers are alike. Short waves: two half-spaces. And what presses one face through to the other does so both ways (Betti)."""
    block = [Layer("a", 4.0, 2000.0, 0.3), Layer("b", 6.0, 2000.0, 0.3)]
    found = respond(block, 0, np.array([0.004, 40.0]))
    assert found.closing[0] == pytest.approx(10.0 * (1 - 0.3**2) / 2000.0, rel=1e-2)
    assert found.transfer[0] == pytest.approx(1.0, abs=1e-2)
    assert found.top[1] * 40.0 == pytest.approx(2 * (1 - 0.3**2) / 2000.0, rel=1e-9)
    assert found.transfer[1] == pytest.approx(0.0, abs=1e-9)
    upside_down = respond(FOLDER[::-1], 2, k := np.geomspace(0.01, 10.0, 40))
    upright = respond(FOLDER, 3, k)
    assert upside_down.across == pytest.approx(upright.across, rel=1e-6, abs=1e-12)
    assert upside_down.top == pytest.approx(upright.bottom, rel=1e-6)


def test_a_cut_through_the_same_material_changes_nothing():
    """A bonded pile of two half plates is the plate."""
    halves = [BED, replace(PLATE, thickness=1.1), replace(PLATE, thickness=1.9), HALF, CARD, HALF, PLATE]
    one, other = line_table(halves, 4, 16.0, 0.2), line_table(FOLDER, 3, 16.0, 0.2)
    assert one.rows == pytest.approx(other.rows, rel=1e-5)


def test_upside_down_is_the_mirror_image():
    layers = [BED, PLATE, CARD, RUBBER, PLATE]
    up, down = line_table(layers, 2, 16.0, 0.6).at(0.4), line_table(layers[::-1], 2, 16.0, 0.6).at(0.4)
    assert (up.load, up.sheet_peak) == pytest.approx((down.load, down.sheet_peak), rel=1e-6)
    assert up.half_width == pytest.approx(down.half_width[::-1], rel=1e-6)
    assert up.roller_peak == pytest.approx(down.roller_peak[::-1], rel=1e-6)


def test_stiffness_scales_loads_and_leaves_shapes():
    """Linear elasticity: all moduli times ten, all pressures times ten at the same closing."""
    soft, stiff = (
        line_table(FOLDER, 3, 16.0, 0.2).at(0.1),
        line_table([replace(x, modulus=10 * x.modulus) for x in FOLDER], 3, 16.0, 0.2).at(0.1),
    )
    assert (stiff.load, stiff.sheet_peak) == pytest.approx((10 * soft.load, 10 * soft.sheet_peak), rel=1e-6)
    assert stiff.half_width == pytest.approx(soft.half_width, rel=1e-6)


@st.composite
def piles(draw):
    """Anything that might be put together, soft, hard, thin, thick."""
    kinds = [BED, PLATE, HALF, CARD, RUBBER, Layer("steel", 1.0, 2e5, 0.3), Layer("foam", 2.0, 0.8, 0.1), Layer("film", 0.05, 3000.0, 0.4)]
    layers = draw(st.lists(st.sampled_from(kinds), min_size=1, max_size=9))
    thick = draw(st.lists(st.floats(0.5, 2.0), min_size=len(layers), max_size=len(layers)))
    return [replace(layer, thickness=layer.thickness * factor) for layer, factor in zip(layers, thick, strict=True)]


@given(layers=piles(), sheet=st.integers(0, 8), radius=st.floats(6.0, 40.0))
@settings(max_examples=40, deadline=None)
def test_any_pile_presses_more_the_more_it_is_closed(layers, sheet, radius):
    """Finite, positive, rising, no jumps: a closing 1 % larger changes no pressure by over 4 %. A hard film against a roller may be refused by name."""
    index = min(sheet, len(layers) - 1)
    most = min(0.8, 0.4 * sum(layer.thickness for layer in layers))
    try:
        table = line_table(layers, index, radius, most)
    except NoBalance:
        assert "film" in (layers[0].name, layers[-1].name)
        return
    assert np.isfinite(table.rows).all()
    assert (table.rows > 0).all()
    assert (np.diff(table.rows[:, [0, 1, 4, 5]], axis=0) > 0).all()
    below, above = (sum(layer.thickness for layer in part) for part in (layers[:index], layers[index + 1 :]))
    states = [table.at(closing) for closing in np.exp(np.arange(np.log(0.003), np.log(min(most, table.reaches)), 0.01))]
    for one, other in pairwise(states):
        assert 1.0 <= other.load / one.load < 1.04
        if min(below, above) > 0.3:  # not where the sheet itself lies against a roller
            assert abs(other.sheet_peak / one.sheet_peak - 1.0) < 0.04


@pytest.mark.parametrize(
    ("layer", "field"),
    [
        (Layer("nothing", 0.0, 2000.0, 0.3), "layers_bottom_up.1.thickness_mm"),
        (Layer("air", 1.0, 0.0, 0.3), "layers_bottom_up.1.modulus_mpa"),
        (Layer("no number", 1.0, float("nan"), 0.3), "layers_bottom_up.1.modulus_mpa"),
        (Layer("incompressible", 1.0, 3.0, 0.5), "layers_bottom_up.1.poisson"),
    ],
)
def test_a_layer_that_cannot_be_computed_is_named(layer, field):
    with pytest.raises(InvalidInput) as refused:
        line_table([BED, layer], 0, 16.0, 0.2)
    assert refused.value.field == field


def test_a_stiff_film_on_a_soft_mat_may_end_the_table_early():
    """A film that begins to wrap round its roller changes its contact by leaps; where the steps cannot follow, nothing is promised beyond."""
    table = line_table([replace(PLATE, thickness=1.5), replace(RUBBER, thickness=3.4), Layer("film", 0.1, 3000.0, 0.4)], 0, 36.0, 0.8)
    assert table.reaches < 0.8
    assert (table.rows > 0).all()


def test_sixty_layers_are_answered_and_sixty_one_refused():
    found = line_table([replace(CARD, thickness=0.25)] * 60, 30, 16.0, 1.0).at(0.5)
    assert np.isfinite(found.load)
    assert found.load > 0
    with pytest.raises(InvalidInput, match="layers_bottom_up"):
        line_table([CARD] * 61, 30, 16.0, 1.0)


@pytest.fixture
def piles_file(tmp_path, monkeypatch):
    """Runs the command on a file of piles; returns its exit code and a reader of what it prints."""

    def run(content):
        path = tmp_path / "piles.json"
        path.write_text(content if isinstance(content, str) else json.dumps(content))
        monkeypatch.setattr("sys.argv", ["lofty", "nip", "--piles", str(path)])
        return main()

    return run


@pytest.mark.parametrize("key", ["ticket-sleeve", "arch-cut", "arch-line"])
def test_what_is_printed_of_a_sandwich_can_be_held_against_another_model(key, capsys, monkeypatch):
    """The layers under the load that is told close as told; layers and interface, frame and rollers share what is over the opening; energy adds up."""
    monkeypatch.setattr("sys.argv", ["lofty", "nip", str(DOCS / "examples" / f"{key}.lofty.json")])
    assert main() == 0
    found = json.loads(capsys.readouterr().out)
    press = SANDWICHES[key].press
    assert found["force_n"] == pytest.approx(press.frame_stiffness_n_per_mm * found["frame_gives_mm"], rel=1e-3)
    for place in (found["middle"], found["worst"]):
        layers = [Layer(x["name"], x["thickness_mm"], x["modulus_mpa"], x["poisson"]) for x in place["layers_bottom_up"]]
        line = line_table(layers, place["sheet_index"], press.roller_radius_mm, 1.2).at(place["closing_mm"])
        assert line.load == pytest.approx(place["line_load_n_per_mm"], rel=0.03, abs=0.05)
        assert place["interface_mm"] >= -0.01
    energy = found["energy"]
    assert energy["pile_n_mm"] + energy["interface_n_mm"] + energy["bearings_n_mm"] == pytest.approx(energy["handle_n_mm"], rel=1e-3)
    assert min(energy.values()) >= 0
    assert 0.9 < sum(found["shares"].values()) <= 1.01


def as_row(layer):
    return {"name": layer.name, "thickness_mm": layer.thickness, "modulus_mpa": layer.modulus, "poisson": layer.poisson}


def pile_of(**changes):
    pile = {"kind": "folder", "roller_radius_mm": 16.0, "layers_bottom_up": [as_row(x) for x in FOLDER], "sheet_index": 3}
    return {"piles": [{**pile, "nips": [{"closing_mm": 0.0}, {"closing_mm": 0.1}], **changes}]}


def test_the_command_answers_in_the_form_of_its_input(piles_file, capsys):
    assert piles_file(pile_of()) == 0
    (pile,) = json.loads(capsys.readouterr().out)["piles"]
    assert list(pile) == ["kind", "roller_radius_mm", "layers_bottom_up", "sheet_index", "nips"]
    assert list(pile["nips"][1]) == [
        "closing_mm", "line_load_n_per_mm", "roller_peak_mpa", "half_width_mm", "sheet_peak_mpa", "sheet_fwhm_mm",
    ]  # fmt: skip
    assert pile["nips"][0]["line_load_n_per_mm"] == 0.0
    assert pile["nips"][1]["line_load_n_per_mm"] == pytest.approx(line_table(FOLDER, 3, 16.0, 0.1).at(0.1).load, rel=1e-4)


@pytest.mark.parametrize(
    ("content", "field"),
    [
        ("not JSON", "file"),
        ({"piles": []}, "piles"),
        (pile_of(sheet_index=6), "piles.0.sheet_index"),
        (pile_of(roller_radius_mm=0.5), "piles.0.roller_radius_mm"),
        (pile_of(nips=[{"closing_mm": -0.1}]), "piles.0.nips.0.closing_mm"),
        (pile_of(layers_bottom_up=[{**as_row(CARD), "poisson": 0.5}]), "piles.0.sheet_index"),
        (pile_of(layers_bottom_up=[{**as_row(CARD), "poisson": 0.5}], sheet_index=0), "piles.0.layers_bottom_up.0.poisson"),
        (pile_of(layers_bottom_up=[{**as_row(CARD), "modulus_mpa": "60"}]), "piles.0.layers_bottom_up.0.modulus_mpa"),
    ],
)
def test_the_command_refuses_by_field(piles_file, capsys, content, field):
    assert piles_file(content) == 2
    assert json.loads(capsys.readouterr().out)["error"]["field"] == field
