"""`./lofty impression`: files and figures without database or web."""

import argparse
import json

import numpy as np
import pytest
import tifffile
from PIL import Image

from lofty_press.cli import impression
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.files.reliefs.read import read_relief
from lofty_press.documents.files.reliefs.wish import Wish
from lofty_press.documents.files.sandwich_file import read_sandwich, write_sandwich

FIGURES = ("retained_share", "edge_width_mm", "crack_index", "tear_index", "buckle_index", "blank_share", "cut", "ink")
SOLVER = ("grid", "iterations", "residual", "seconds")


def run(file, out, spacing=0.4):
    return impression.run(argparse.Namespace(file=str(file), out=out, spacing=spacing))


def test_it_writes_both_faces_and_prints_the_figures(tmp_path, capsys):
    file = tmp_path / "sleeve.lofty.json"
    file.write_text(write_sandwich(SANDWICHES["ticket-sleeve"]))
    assert run(file, tmp_path / "out") == 0
    printed = json.loads(capsys.readouterr().out)
    assert set(FIGURES) <= set(printed)
    assert set(SOLVER) <= set(printed["solver"])
    assert printed["solver"]["residual"] <= 1e-3
    assert 0.5 < printed["retained_share"] < 1.0
    names = {path.name for path in (tmp_path / "out").iterdir()}
    assert names == {"front.tiff", "back.tiff", "front.png", "back.png", "sheet.stl", "profile.csv"}
    with tifffile.TiffFile(tmp_path / "out" / "front.tiff") as front, tifffile.TiffFile(tmp_path / "out" / "back.tiff") as back:
        up, down = (page.pages[0].asarray().astype(float) for page in (front, back))
    inside = (up > 0) & (down[:, ::-1] > 0)
    assert np.corrcoef(up[inside], down[:, ::-1][inside])[0, 1] < -0.9  # what stands up on the front is hollow on the back
    with Image.open(tmp_path / "out" / "front.png") as picture:
        assert picture.size == (up.shape[1], up.shape[0])


def test_a_jam_and_nonsense_are_refused_as_json(tmp_path, capsys):
    file = tmp_path / "two.lofty.json"
    file.write_text(write_sandwich(SANDWICHES["two-plates"]))
    assert run(file, tmp_path / "out") == 2
    assert "take a layer out" in json.loads(capsys.readouterr().out)["error"]["message"]
    assert not (tmp_path / "out").exists()
    file.write_text("{}")
    assert run(file, tmp_path / "out") == 2
    assert json.loads(capsys.readouterr().out)["error"]["field"] == "format"
    assert run(tmp_path / "missing", tmp_path / "out") == 2
    assert json.loads(capsys.readouterr().out)["error"]["code"] == "file"
    file.write_text(write_sandwich(SANDWICHES["ticket-sleeve"]))
    assert run(file, tmp_path / "out", spacing=50) == 2
    assert json.loads(capsys.readouterr().out)["error"]["field"] == "spacing"


def test_reliefs_inside_the_file_are_used(tmp_path, capsys):
    """A folder with a ring in place of its lattice: most of the sheet stays blank."""
    svg = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 40"><path d="M20 2a18 18 0 1 0 .1 0z M20 8a12 12 0 1 0 .1 0z"/></svg>'
    ring = read_relief(svg, Wish("plateau", width_mm=40, depth_mm=0.4, shoulder_mm=1.0)).relief
    body = json.loads(write_sandwich(SANDWICHES["ticket-sleeve"]))
    body["items"]["rail-lattice"]["relief"]["map"] = "ring"
    file = tmp_path / "ring.lofty.json"
    file.write_text(write_sandwich(read_sandwich(json.dumps(body)), {"ring": ring}))
    assert run(file, tmp_path / "out", spacing=0.8) == 0
    printed = json.loads(capsys.readouterr().out)
    assert printed["stand_in"] is False
    assert printed["blank_share"] > 0.6


@pytest.mark.parametrize("key", ["arch-cut", "timetable-print", "copper-plaque"])
def test_cuts_type_and_metal_print_their_own_figures(tmp_path, capsys, key):
    file = tmp_path / "it.lofty.json"
    file.write_text(write_sandwich(SANDWICHES[key]))
    assert run(file, tmp_path / "out", spacing=0.4) == 0
    words = {row["name"] for row in json.loads(capsys.readouterr().out)["words"]}
    expected = {
        "arch-cut": {"along the blade"},
        "timetable-print": {"depth kept", "ink taken"},
        "copper-plaque": {"depth kept", "cracking"},
    }
    assert expected[key] <= words
