"""Reliefs from shading, against a ray tracer's scenes (mitsuba), closed forms, and what must be refused."""

import numpy as np
import pytest

from lofty_press.bench.photographed import beside_truth, photos, shape, true_heights
from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.imaging.shading import shape_by_scans, shape_by_torch
from lofty_press.core.imaging.shading.response import Response
from lofty_press.core.imaging.shading.shape import sides_missing
from lofty_press.core.imaging.shading.slopes import facing, slopes_of
from lofty_press.core.imaging.shading.surface import integrated
from lofty_press.core.imaging.shading.torch import PaperLight, torches_of

SCENES = {
    # name, with the photo that has no torch: least correlation, most rms as a share of the depth
    ("relief-matte", False): (0.99, 0.05),
    ("relief-plastic", True): (0.985, 0.05),
    ("relief-metal", True): (0.96, 0.08),
    ("relief-sheet", True): (0.97, 0.08),
    ("scans-plastic", True): (0.96, 0.08),
}


@pytest.mark.parametrize("scene", SCENES, ids=lambda scene: scene[0])
def test_a_photographed_relief_is_the_rendered_one(scene):
    """A physically based ray tracer: highlights, shadows, light from other parts, a camera's tone curve and noise."""
    read, true, _ = beside_truth(scene[0], room=scene[1])
    correlation, rms = SCENES[scene]
    assert np.corrcoef(read, true)[0, 1] > correlation
    assert np.sqrt(np.mean((read - true) ** 2)) < rms * true.max()


def test_a_white_sheet_says_its_own_depth_and_a_shiny_tool_does_not():
    sheet, metal = shape("relief-sheet", room=True), shape("relief-metal", room=True)
    assert sheet.depth == pytest.approx(true_heights("relief-sheet")[1]["depth"], rel=2 * sheet.depth_spread)
    assert np.isinf(metal.depth_spread)
    assert not sheet.sunk


def test_what_more_photos_would_help_is_said():
    notes = [str(note) for note in shape("relief-matte", room=False).notes]
    assert any("without the flashlight" in note for note in notes)
    assert sides_missing((10.0, 95.0, 260.0)) == ("left",)


def test_too_few_photos_say_where_to_hold_the_torch_next():
    with pytest.raises(InvalidInput, match="Hold the flashlight at the"):
        shape_by_torch(photos("relief-matte")[1:3], ruler_mm=100.0)


def test_a_photo_without_the_sheet_is_named():
    with pytest.raises(InvalidInput, match="number 2 shows none"):
        shape_by_torch([photos("relief-matte")[0], np.full((300, 200, 3), 120, np.uint8)], ruler_mm=100.0)


def test_scans_that_were_not_turned_are_refused():
    first, second, *_ = photos("scans-matte")
    with pytest.raises(InvalidInput, match=r"quarter|twice"):
        shape_by_scans([first, second, first, second], per_mm=11.81)
    with pytest.raises(InvalidInput, match="send four"):
        shape_by_scans([first, second], per_mm=11.81)
    with pytest.raises(InvalidInput, match="number 1 shows no tool"):
        shape_by_scans([np.full((400, 400, 3), 230, np.uint8)] * 4, per_mm=11.81)


def test_slopes_of_a_bell_add_up_to_the_bell():
    """Closed form: z = exp(-r^2 / 2 s^2) has slopes -x z / s^2 and -y z / s^2."""
    x = np.linspace(-10, 10, 201)
    u, v = np.meshgrid(x, x[:161], indexing="ij")
    z = np.exp(-(u**2 + v**2) / 8.0)
    found = integrated(-u * z / 4.0, -v * z / 4.0, 0.1)
    np.testing.assert_allclose(found - found.mean(), z - z.mean(), atol=2e-3)


def test_lambert_s_law_is_turned_back():
    """Closed form: light of a matte plane under lamps is the cosine between its normal and each of them."""
    slope = np.array([(0.3, -0.2), (0.0, 0.0), (-0.5, 0.4)])
    normals = np.column_stack([-slope, np.ones(3)]) / np.hypot(1.0, np.hypot(*slope.T))[:, None]
    angles = np.radians([0, 60, 120, 180, 240, 300])
    lamps = np.column_stack([np.cos(angles), np.sin(angles), np.ones(6)]) / np.sqrt(2)
    light = 0.6 * normals @ lamps.T
    faces = facing(light.T, np.repeat(lamps[:, None, :], 3, axis=1))
    np.testing.assert_allclose(np.column_stack(slopes_of(faces)), slope, atol=1e-3)
    np.testing.assert_allclose(np.linalg.norm(faces, axis=1), 0.6, atol=1e-3)


def test_a_torch_is_found_from_how_its_light_falls_off():
    """Closed form: a small lamp's light on matte paper goes with height over distance cubed."""
    x, y = np.meshgrid(np.arange(5, 205, 8.0), np.arange(5, 290, 8.0))
    points = np.column_stack([x.ravel(), y.ravel()])
    truth = [(230.0, 100.0, 120.0), (20.0, -10.0, 100.0), (-30.0, 220.0, 110.0)]
    fields = np.column_stack([160.0 + 6.0 * np.arange(5), np.full(5, 260.0)])

    def values(places, place, share=1.0):
        away = np.column_stack([places, np.zeros(len(places))]) - place
        return (share * (9000.0 * place[2] / np.linalg.norm(away, axis=1) ** 3 + 0.05)) ** (1 / 2.2)

    papers = [PaperLight(points, values(points, place), None) for place in truth]
    wedges = [PaperLight(fields, values(fields, place, np.array([0.05, 0.13, 0.3, 0.6, 1.0])), None) for place in truth]
    torches, response = torches_of(papers, wedges, np.array([105.0, 148.0]))
    for torch, place in zip(torches, truth, strict=True):
        assert torch is not None
        np.testing.assert_allclose(torch.place, place, atol=0.1)
    assert np.abs(response.stands).max() < 0.1
    assert Response().light(np.array([1.0])) == pytest.approx(1.0)
