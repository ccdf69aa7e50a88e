"""Tables that take long to make: kept whole, found again, and made anew wherever they cannot be trusted."""

import numpy as np
import pytest

from lofty_press.core.mechanics.forming import kept as keeping
from lofty_press.core.sandwich.relief import HeightMap
from lofty_press.demo.reliefs.kept import drawn
from lofty_press.documents.kept import fingerprint, kept_tables
from lofty_press.documents.kept.kept_tables import MAKERS, MOST_BYTES, SHAPE, SHIPPED, KeptTables, last_made, shipped_tables

TABLE = np.linspace(0.0, 1.0, SHAPE[0] * SHAPE[1]).reshape(SHAPE)


@pytest.fixture
def store(tmp_path):
    return KeptTables(tmp_path)


def test_what_is_kept_is_found_by_the_next_process(tmp_path, store):
    assert store.read("a") is None
    store.write("a", TABLE)
    assert np.array_equal(KeptTables(tmp_path).read("a"), TABLE)
    assert list(store.everything()) == ["a"]


@pytest.mark.parametrize(
    "damage", [b"", b"no table", b"\x93NUMPY\x01\x00 broken", bytes(MOST_BYTES + 1)], ids=["empty", "text", "broken", "too large"]
)
def test_what_cannot_be_read_counts_as_not_there(store, damage):
    store.write("a", TABLE)
    (store.folder / "a.npy").write_bytes(damage)
    assert store.read("a") is None
    assert store.everything() == {}


def test_what_is_not_finite_or_of_another_kind_counts_as_not_there(store):
    for bad in (np.full(SHAPE, np.nan), TABLE.astype(np.float32)):
        store.write("a", bad)
        assert store.read("a") is None


def test_a_place_that_cannot_be_written_keeps_nothing_and_stops_nobody(tmp_path):
    blocked = tmp_path / "file"
    blocked.write_text("in the way")
    store = KeptTables(blocked)
    store.write("a", TABLE)
    assert store.read("a") is None


def test_every_addition_shows(tmp_path, store):
    seen = {last_made(tmp_path)}
    for name in "abc":
        store.write(name, TABLE)
        seen.add(last_made(tmp_path))
    assert len(seen) == 4


def test_other_code_finds_none_of_them(tmp_path, store, monkeypatch):
    store.write("a", TABLE)
    monkeypatch.setattr(kept_tables, "fingerprint_of", lambda *_: "other")
    assert KeptTables(tmp_path).read("a") is None
    shipped_tables.cache_clear()
    assert shipped_tables(SHIPPED) == {}
    monkeypatch.undo()
    shipped_tables.cache_clear()
    assert len(shipped_tables(SHIPPED)) > 100


def test_a_fingerprint_tells_a_changed_byte(tmp_path, monkeypatch):
    forming, relief_of = tmp_path / "mechanics" / "forming" / "one.py", tmp_path / "mechanics" / "effects" / "relief_of.py"
    beside = relief_of.with_name("one.py")
    for file in (forming, relief_of, beside, *(tmp_path / "sandwich" / room / "one.py" for room in ("relief", "stock"))):
        file.parent.mkdir(parents=True, exist_ok=True)
        file.write_text("a = 1\n")
    monkeypatch.setattr(fingerprint, "CORE", tmp_path)

    def told():
        fingerprint.fingerprint_of.cache_clear()
        return fingerprint.fingerprint_of(*MAKERS)

    first = told()
    beside.write_text("no maker\n")
    assert told() == first
    forming.write_text("a = 2\n")
    assert told() != first
    forming.unlink()
    with pytest.raises(FileNotFoundError, match="forming"):
        told()
    monkeypatch.undo()
    fingerprint.fingerprint_of.cache_clear()


def test_a_table_is_made_once(monkeypatch, store):
    monkeypatch.setattr(keeping, "places", [store])
    monkeypatch.setattr(keeping, "known", {})
    made = []

    def make():
        made.append(1)
        return TABLE

    assert np.array_equal(keeping.kept("b", make), TABLE)
    assert np.array_equal(keeping.kept("b", make), TABLE)
    keeping.known.clear()  # as in another process
    assert np.array_equal(keeping.kept("b", make), TABLE)
    assert len(made) == 1


def test_a_drawn_relief_is_found_by_the_next_process_and_drawn_again_where_it_is_broken(tmp_path):
    pen = []

    def draw():
        pen.append("drawn")
        return HeightMap(np.eye(5, dtype=np.float32), 0.5, (np.array([[0.0, 1.0], [2.0, 3.0]]),))

    first = drawn("eye", draw, tmp_path)
    again = drawn("eye", draw, tmp_path)
    assert len(pen) == 1
    assert np.array_equal(again.heights, first.heights)
    assert again.spacing == first.spacing
    assert np.array_equal(again.lines[0], first.lines[0])
    (file,) = tmp_path.rglob("*.npz")
    for damage in (b"", b"no relief", file.read_bytes()[:200]):
        file.write_bytes(damage)
        drawn("eye", draw, tmp_path)
    assert len(pen) == 4
    blocked = tmp_path / "file"
    blocked.write_text("in the way")
    assert drawn("eye", draw, blocked).spacing == first.spacing
