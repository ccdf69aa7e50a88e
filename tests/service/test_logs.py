"""What is written down of a running application."""

import logging

import pytest

from lofty_press.runtime import logs
from lofty_press.runtime.logs import logged


def test_what_went_wrong_is_in_a_file_with_its_trace(tmp_path):
    with logged(tmp_path / "own") as file:
        try:
            raise ZeroDivisionError("by nought")
        except ZeroDivisionError as error:
            logging.getLogger("lofty_press").error("unexpected error at %s", "/api/odd", exc_info=error)
    written = file.read_text()
    assert "ERROR lofty_press: unexpected error at /api/odd" in written
    assert "ZeroDivisionError: by nought" in written


def test_the_file_rolls_and_never_grows_without_end(tmp_path, monkeypatch):
    monkeypatch.setattr(logs, "LARGEST", 2000)
    with logged(tmp_path) as file:
        for number in range(400):
            logging.getLogger("lofty_press").info("line %d of many, all of about the same length", number)
    written = sorted(tmp_path.glob("lofty.log*"))
    assert len(written) == 1 + logs.KEPT
    assert all(path.stat().st_size <= 2000 for path in written)
    assert "line 399" in file.read_text()


@pytest.mark.parametrize("name", logs.OURS)
def test_nothing_is_left_behind(tmp_path, name):
    before = list(logging.getLogger(name).handlers)
    with logged(tmp_path):
        assert len(logging.getLogger(name).handlers) == len(before) + 2
    assert logging.getLogger(name).handlers == before
