"""Series of photos over HTTP and by `./lofty photo --relief`: a relief out, whatever else is wrong said in words."""

import argparse
import io
import json
import zipfile

import numpy as np
import pytest
import tifffile
from tests.core.imaging.photo.photographs import FOLDER

from lofty_press.cli import photo

SCANS = [FOLDER / f"scans-matte-{n}.jpg" for n in range(4)]
ASKED = {
    "files": [str(scan) for scan in SCANS],
    "ruler": 100.0,
    "relief": True,
    "scans": True,
    "depth": 0.8,
    "thickness": None,
    "dpi": 300.0,
}


def series(contents):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as file:
        for n, content in enumerate(contents):
            file.writestr(f"{n:02}.jpg", content)
    return out.getvalue()


def post(http, content, **query):
    return http.post("/api/photos/relief", content=content, params=query, headers={"content-type": "application/zip"}, timeout=60)


def test_the_service_reads_four_scans(http):
    found = post(http, series(scan.read_bytes() for scan in SCANS), way="scans", per_inch=300).raise_for_status().json()
    assert (found["length_mm"], found["width_mm"]) == pytest.approx((84, 60), abs=1.5)
    assert found["depth_spread_mm"] is None
    assert found["heights"].startswith("data:image/png;base64,")


@pytest.mark.parametrize(
    ("content", "query", "words"),
    [
        (b"no zip", {}, "damaged or cut off"),
        (series([b"no photo"]), {}, "must be a JPEG"),
        (series([b""] * 18), {}, "send 1 to {most}"),
        (series([SCANS[0].read_bytes()]), {}, "none of the printed sheet"),
        (series([SCANS[0].read_bytes()]), {"way": "scans", "per_inch": 300}, "send four"),
    ],
)
def test_what_is_no_series_is_refused(http, content, query, words):
    answer = post(http, content, **query)
    assert answer.status_code == 422
    assert answer.json()["error"]["field"] == "photos"
    assert words in answer.text


def test_scans_that_don_t_say_their_resolution_ask_for_it(http):
    bare = [scan.read_bytes() for scan in SCANS]
    answer = post(http, series(bare), way="scans")
    assert answer.status_code == 422
    assert answer.json()["error"]["field"] == "resolution"


def test_the_command_writes_heights_with_their_scale(tmp_path, capsys):
    """Read back by a general TIFF library: value times step is the height."""
    assert photo.run(argparse.Namespace(out=tmp_path, **ASKED)) == 0
    said = json.loads(capsys.readouterr().out)
    assert said["depth_measured"]
    with tifffile.TiffFile(tmp_path / "relief.tiff") as file:
        scale, values = json.loads(file.pages[0].description), file.pages[0].asarray()
    assert values.max() * scale["step_mm"] == pytest.approx(0.8)
    np.testing.assert_allclose(np.array(values.shape) * scale["cell_mm"], (said["length_mm"], said["width_mm"]), atol=0.01)
    assert photo.run(argparse.Namespace(out=tmp_path, **{**ASKED, "depth": 900.0})) == 2
    assert json.loads(capsys.readouterr().out)["error"]["field"] == "depth"
