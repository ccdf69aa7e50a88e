"""`lofty dialin`: what a file of evidence teaches, without database or web."""

import json
import subprocess
import sys

import pytest

from lofty_press.cli.dialin import answer, read_content
from lofty_press.core.basics.errors import InvalidInput
from lofty_press.demo.sandwiches import SANDWICHES
from lofty_press.documents.files.sandwich_file import write_sandwich

SLEEVE = json.loads(write_sandwich(SANDWICHES["ticket-sleeve"]))
SLEEVE["press"]["opening"] = {"mm": 17.7, "sd_mm": 0.25, "source": "typical"}


def content(*evidence, **more):
    return {"format": "lofty-press-evidence", "version": 1, "evidence": list(evidence), **more}


def test_evidence_makes_the_opening_and_the_verdict_surer():
    nothing = answer(content(sandwich=SLEEVE), ask_next=True)
    works = answer(content({"sandwich": SLEEVE, "seen": "works"}, sandwich=SLEEVE), ask_next=True)
    assert works["presses"][0]["sd_mm"] < nothing["presses"][0]["sd_mm"]
    assert works["chances"]["right"] > nothing["chances"]["right"] + 0.1
    assert works["next"]["right"] > nothing["next"]["right"]
    assert nothing["next"]["find_out"] is not None


def test_a_reading_wins_and_what_does_not_fit_is_named():
    told = [{"sandwich": SLEEVE, "seen": "works", "key": f"run {n}"} for n in range(5)]
    odd = {"sandwich": SLEEVE, "seen": "refuses", "key": "odd"}
    found = answer(content({"measured": "Hard plate, west", "mm": 3.0, "sd_mm": 0.01}, *told, odd), ask_next=False)
    west = next(thing for thing in found["things"] if thing["name"] == "Hard plate, west")
    assert west["mm"] == pytest.approx(3.0, abs=0.02)
    assert [doubt["evidence"] for doubt in found["contradictions"]] == ["odd"]


@pytest.mark.parametrize(
    ("evidence", "field"),
    [
        ([{"sandwich": SLEEVE, "seen": "all zones at once"}], "evidence[0].seen"),
        ([{"seen": "works"}], "evidence[0].sandwich"),
        ([{"sandwich": SLEEVE, "seen": "works"}, {"measured": "Nobody's plate", "mm": 3.0}], "evidence[1].measured"),
        ([{"sandwich": SLEEVE, "seen": "works"}, {"measured": "Hard plate, west", "mm": "thick"}], "evidence[1].mm"),
        ([{"sandwich": SLEEVE, "seen": "works"}, {"measured": "Hard plate, west", "mm": float("nan")}], "evidence[1].mm"),
    ],
)
def test_evidence_that_cannot_be_is_refused_by_its_place(evidence, field):
    with pytest.raises(InvalidInput) as refused:
        answer(content(*evidence), ask_next=False)
    assert refused.value.field.startswith(field)


@pytest.mark.parametrize("text", ["", "[]", "{}", '{"format": "other"}', "nothing"])
def test_a_file_that_is_none_is_refused(tmp_path, text):
    file = tmp_path / "evidence.json"
    file.write_text(text)
    with pytest.raises(InvalidInput):
        read_content(file)


def test_a_file_nested_without_end_is_refused_by_the_command(tmp_path):
    """In a process of its own: what breaks there breaks nothing here."""
    file = tmp_path / "deep.json"
    file.write_text("[" * 100_000)
    done = subprocess.run([sys.executable, "-m", "lofty_press.cli", "dialin", str(file)], capture_output=True, text=True, timeout=120)
    assert done.returncode == 2
    assert "isn't JSON" in done.stderr
    assert "Traceback" not in done.stderr


def test_what_was_tried_long_ago_counts_for_less():
    """The same pile, yesterday and thirty years ago."""

    def right(days):
        return answer(content({"sandwich": SLEEVE, "seen": "works", "days_ago": days}, sandwich=SLEEVE), ask_next=False)["chances"]["right"]

    assert right(1) > right(11_000)


@pytest.mark.parametrize("days", [-3, "yesterday", True, 1e9, None])
def test_a_time_that_cannot_be_is_refused_by_name(days):
    with pytest.raises(InvalidInput) as refused:
        answer(content({"sandwich": SLEEVE, "seen": "works", "days_ago": days}), ask_next=False)
    assert refused.value.field == "evidence[0].days_ago"
