"""`./lofty recipes`: sandwiches out that `./lofty assess` takes, without database or web."""

import argparse
import json

import pytest

from lofty_press.cli import assess_file, recipes
from lofty_press.core.working.recipes.catalogue import EFFECTS
from lofty_press.setup.paths import DOCS

DEFAULTS = {"list": False, "effect": None, "press": None, "stock": None, "tool": None, "front": "either", "without": [], "shelf": None}


def run(capsys, **arguments):
    code = recipes.run(argparse.Namespace(**{**DEFAULTS, **arguments}))
    return code, json.loads(capsys.readouterr().out)


def test_the_list_names_every_effect(capsys):
    code, effects = run(capsys, list=True)
    assert code == 0
    assert [e["key"] for e in effects] == list(EFFECTS)


def test_each_sandwich_that_it_prints_is_a_file_that_assess_takes(capsys, tmp_path):
    code, answer = run(capsys, effect="die-line", press="Midway", stock="Ridge green card", tool="station-arch")
    assert code == 0
    assert len(answer["found"]) == 4
    for n, found in enumerate(answer["found"]):
        file = tmp_path / f"{n}.lofty.json"
        file.write_text(json.dumps(found["sandwich"]))
        assert assess_file.run(argparse.Namespace(file=str(file), map=False, full=False, why=None)) == 0
        assert json.loads(capsys.readouterr().out)["verdict"]["zone"] == "right"
        assert found["works"]


def test_a_shelf_file_stands_in_for_the_press_room(capsys, tmp_path):
    content = json.loads((DOCS / "examples" / "press-room.shelf.json").read_text())
    content["items"] = {key: item for key, item in content["items"].items() if item["kind"] != "soft plate"}
    file = tmp_path / "mine.json"
    file.write_text(json.dumps(content))
    code, answer = run(capsys, effect="die-line", press="midway", stock="ridge-green", shelf=file)
    assert code == 0
    assert "silicone-below" not in {f["way"] for f in answer["found"]}
    assert any("no soft plate" in line for line in answer["missing"])


@pytest.mark.parametrize(
    ("field", "arguments"),
    [
        ("effect", {"press": "midway", "stock": "ridge-green"}),
        ("effect", {"effect": "none", "press": "midway", "stock": "ridge-green"}),
        ("press", {"effect": "die-line", "press": "Nowhere", "stock": "ridge-green"}),
        ("stock", {"effect": "die-line", "press": "midway", "stock": "gold leaf"}),
        ("without", {"effect": "die-line", "press": "midway", "stock": "ridge-green", "without": ["patience"]}),
    ],
)
def test_a_wrong_argument_is_refused_by_name(capsys, field, arguments):
    code, answer = run(capsys, **arguments)
    assert (code, answer["error"]["field"]) == (2, field)


def test_a_file_that_is_none_is_refused(capsys, tmp_path):
    file = tmp_path / "mine.json"
    file.write_text("not json")
    assert run(capsys, effect="die-line", press="midway", stock="ridge-green", shelf=file)[0] == 2
    assert run(capsys, effect="die-line", press="midway", stock="ridge-green", shelf=tmp_path / "none")[1]["error"]["field"] == "shelf"
