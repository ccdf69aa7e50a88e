"""`./lofty setout`: a written list in, its parts out as data."""

import argparse
import json

from lofty_press.cli import setout


def run(capsys, file):
    code = setout.run(argparse.Namespace(file=str(file)))
    return code, json.loads(capsys.readouterr().out)


def test_every_part_is_answered(tmp_path, capsys):
    """1 in = 25.4 mm."""
    file = tmp_path / "mine.txt"
    file.write_text("a dozen 5x7 embossing folders\n110 lb cardstock, 2 cutting pads; three purple hats")
    code, answer = run(capsys, file)
    assert code == 0
    folders, card, pads, hats = answer["lines"]
    assert (folders["count"], folders["kind"], folders["width_mm"], folders["length_mm"]) == (12, "plain folder", 127.0, 177.8)
    assert card["kind"] == "sheet"
    assert "cover" in card["notes"][0]
    assert pads["asked"]["choices"][0] == "hard plate"
    assert hats["problem"]


def test_a_file_that_is_not_there_is_refused_as_data(tmp_path, capsys):
    code, answer = run(capsys, tmp_path / "none.txt")
    assert code == 2
    assert answer["error"]["field"] == "file"


def test_twins_take_one_place_in_recipes(http):
    before = {entry["id"] for entry in http.get("/api/shelf", params={"limit": 500}).json()["entries"]}
    http.post("/api/setout", json={"text": "4 plain folders"}).raise_for_status()
    entries = http.get("/api/shelf", params={"limit": 500}).json()["entries"]
    fresh = [entry for entry in entries if entry["id"] not in before]
    assert len({entry["twins"] for entry in fresh}) == 1
    press = next(entry["id"] for entry in entries if entry["name"] == "Midway")
    stock = next(entry["id"] for entry in entries if entry["name"] == "Ridge green card")
    wish = {"effect": "plain-relief", "stock": stock}
    found = http.post("/api/recipes/search", json={"press_id": press, "wish": wish}).raise_for_status().json()["found"]
    names = [item["name"] for each in found for item in each["sandwich"]["items"].values() if item["kind"] == "plain folder"]
    assert sum(name.endswith(" plain folder") for name in names) <= 1
    for entry in fresh:
        http.delete(f"/api/shelf/{entry['id']}", params={"version": entry["version"]}).raise_for_status()
