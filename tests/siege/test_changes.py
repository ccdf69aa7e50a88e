"""A usual change is made in a place or two, and the checks pass."""

import pytest

from lofty_press.bench import changes
from lofty_press.setup import frontend


@pytest.mark.siege
def test_each_usual_change_costs_three_places_at_most(tmp_path):
    """All of them on one scratch copy."""
    frontend.ensure_packages()
    copy = changes.scratch_copy(tmp_path / "copy")
    for change in changes.CHANGES:
        changes.carry_out(change, copy)
    assert changes.faults(copy) == ""
    assert max(change.places for change in changes.CHANGES) <= 3


def test_a_place_that_is_gone_is_named(tmp_path):
    change = changes.Change("a word", (changes.Insertion("list.py", "B\n", "C\n"),))
    (tmp_path / "list.py").write_text("A\n")
    with pytest.raises(ValueError, match=r"a word: list\.py has no"):
        changes.carry_out(change, tmp_path)
    (tmp_path / "list.py").write_text("A\nC\n")
    changes.carry_out(change, tmp_path)
    assert (tmp_path / "list.py").read_text() == "A\nB\nC\n"
