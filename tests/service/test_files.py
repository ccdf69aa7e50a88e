"""The sandwich file, its schema, the command line and the published descriptions."""

import io
import json
import subprocess
import sys

import jsonschema
import pytest

from lofty_press.cli.__main__ import main
from lofty_press.cli.publish import described
from lofty_press.core.judging.assess import assess
from lofty_press.demo.reliefs.library import demo_relief
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.answers.assessment import describe
from lofty_press.documents.files.sandwich_file import LARGEST_FILE, read_sandwich, sandwich_schema, write_sandwich
from lofty_press.setup.paths import DOCS, ROOT

# what the trade says of each; common practice, no published source
EXPECTED = {
    "programme-cover": ("right", set()),
    "two-plates": ("refuses", {"two-pads-on-deep-folder", "too-thick-to-feed"}),
    "ticket-sleeve": ("right", set()),
    "sleeve-in-the-hinge": ("right", {"in-the-hinge", "coated-face-misted", "wrong-ink"}),
    "arch-cut": ("right", set()),
    "tracery-cut": ("faint", {"part-cut", "intricate-die"}),
    "arch-line": ("right", set()),
    "silicone-lesson": ("right", {"silicone-cut"}),
    "envelope-device": ("right", set()),
    "envelope-too-high": ("right", {"tears"}),
    "timetable-print": ("right", {"ink-lands"}),
    "masked-label": ("right", {"dry-at-a-mask"}),
    "copper-plaque": ("right", {"metal-edges"}),
    "labels-overlapping": ("refuses", {"tools-overlap", "too-thick-to-feed"}),
}


@pytest.mark.parametrize("name", SANDWICHES)
def test_a_file_comes_back_exactly_as_it_went_out(name):
    sandwich = SANDWICHES[name]
    text = write_sandwich(sandwich)
    assert read_sandwich(text) == sandwich
    assert write_sandwich(read_sandwich(text)) == text
    jsonschema.validate(json.loads(text), sandwich_schema())
    assert describe(assess(read_sandwich(text))) == describe(assess(sandwich))


def test_the_schema_refuses_what_the_reader_refuses():
    good = json.loads(write_sandwich(SANDWICHES["arch-cut"]))
    validator = jsonschema.Draft202012Validator(sandwich_schema())
    for damage in ({"passes": 0}, {"surprise": 1}, {"press": None}, {"version": 2}):
        assert not validator.is_valid({**good, **damage})


def run_lofty(*arguments, text=None):
    """The command as a person calls it, in a process of its own."""
    done = subprocess.run([str(ROOT / "lofty"), *arguments], input=text, capture_output=True, timeout=120)
    return done.returncode, done.stdout.decode()


@pytest.fixture
def lofty(monkeypatch, capsys):
    """The command line within this process, which need not start for every question."""

    def run(*arguments, text=b""):
        monkeypatch.setattr(sys, "argv", ["lofty", *arguments])
        monkeypatch.setattr(sys, "stdin", io.TextIOWrapper(io.BytesIO(text)))
        return main(), capsys.readouterr().out

    return run


@pytest.mark.parametrize("name", EXPECTED)
def test_each_example_file_gets_the_trades_verdict(name):
    zone, expected = EXPECTED[name]
    document = describe(assess(read_sandwich((DOCS / "examples" / f"{name}.lofty.json").read_bytes()), demo_relief))
    assert document.verdict.zone == zone
    found = {f.code for f in document.findings}
    assert expected <= found
    grave = {f.code for f in document.findings if f.severity == "stop"}
    assert grave <= expected


def test_the_command_line_judges_a_file_and_standard_input_alike(lofty):
    path = DOCS / "examples" / "two-plates.lofty.json"
    code, from_file = lofty("assess", str(path), "--map")
    again, from_input = run_lofty("assess", "-", "--map", text=path.read_bytes())
    assert (code, again) == (0, 0)
    assert from_file == from_input
    assert json.loads(from_file)["verdict"]["zone"] == "refuses"
    assert len(json.loads(from_file)["pressure_map"]["pressure_mpa"]) > 40


@pytest.mark.parametrize(
    ("text", "field"),
    [
        (b"no json", "file"),
        (b"[]", "file"),
        (b'{"format": "x"}', "format"),
        (b'{"format": "lofty-press-sandwich", "version": 9}', "version"),
        (b" " * (LARGEST_FILE + 5), "file"),
        (b"\xff\xff", "file"),
    ],
)
def test_the_command_line_refuses_in_json_with_the_field(lofty, text, field):
    code, out = lofty("assess", "-", text=text)
    assert code == 2
    assert json.loads(out)["error"]["field"] == field


def test_a_file_nested_without_end_is_refused():
    """In a process of its own: what breaks there breaks nothing here."""
    code, out = run_lofty("assess", "-", text=b"[" * 100_000)
    assert code == 2
    assert json.loads(out)["error"]["field"] == "file"


def test_a_missing_file_is_said_in_words(lofty):
    code, out = lofty("assess", "nowhere.json")
    assert code == 2
    assert "nowhere.json" in json.loads(out)["error"]["message"]


def test_an_exported_file_can_be_imported_and_is_the_same(http, kept):
    exported = http.get(f"/api/sandwiches/{kept['id']}/file")
    assert "attachment" in exported.headers["content-disposition"]
    made = http.post("/api/sandwiches", json={"sandwich": exported.json()})
    assert made.status_code == 201
    assert made.json()["sandwich"] == exported.json()
    http.delete(f"/api/sandwiches/{made.json()['id']}", params={"version": 1})


def test_the_published_descriptions_are_what_the_code_says():
    for path, text in described().items():
        assert path.read_text() == text, f"{path.name} is out of date; run ./lofty publish"


def test_every_route_names_its_errors_and_describes_its_answers():
    description = json.loads((DOCS / "openapi.json").read_text())
    for path, methods in description["paths"].items():
        for method, route in methods.items():
            assert route["operationId"], (path, method)
            assert route.get("summary") or route.get("description")
            bodies = [r for code, r in route["responses"].items() if code.startswith("2") and code != "204"]
            assert all(r["content"] for r in bodies), (path, method)
            if path.startswith(("/api/shelf", "/api/sandwiches")):
                assert {"404", "409", "422", "503"} <= set(route["responses"]), (path, method)
