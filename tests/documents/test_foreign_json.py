"""JSON that somebody sends is read strictly: held against Python's own reader where both must agree, and against RFC 8259 where that one is lenient."""

import json

import pytest
from hypothesis import given
from hypothesis import strategies as st

from lofty_press.documents.files import foreign_json
from lofty_press.documents.files.foreign_json import parts_of, read_json

PLAIN = st.recursive(
    st.none() | st.booleans() | st.integers(-(2**53), 2**53) | st.floats(allow_nan=False, allow_infinity=False) | st.text(),
    lambda inner: st.lists(inner, max_size=4) | st.dictionaries(st.text(max_size=6), inner, max_size=4),
    max_leaves=20,
)


@given(PLAIN, st.booleans())
def test_what_is_right_is_read_as_python_reads_it(content, ascii_only):
    try:
        text = json.dumps(content, ensure_ascii=ascii_only).encode()
    except UnicodeEncodeError:
        return
    assert read_json(text) == json.loads(text)
    assert read_json(b"\xef\xbb\xbf" + text) == content


@pytest.mark.parametrize(
    "text",
    [
        "NaN",
        "[Infinity]",
        "-Infinity",
        "1e999",
        '{"a": [{"b": -1e400}]}',
        '"\\ud800"',
        '{"\\udfff": 1}',
        "[" * 400,
        '{"a":' * 400,
        "[1,]",
        "{'a': 1}",
        "// none",
        "",
        "1" * 5000,
        b"\xff",
        '"\ud800"',
    ],
)
def test_what_only_some_readers_would_take_is_refused(text):
    with pytest.raises(ValueError, match=r"\w"):
        read_json(text)


def test_large_numbers_that_floats_hold_are_read():
    assert read_json("[1e300, 1.5E+100, 1e-999]") == [1e300, 1.5e100, 0.0]
    assert read_json('["1e999"]') == ["1e999"]


def test_parts_are_counted_before_anything_is_read(monkeypatch):
    assert parts_of(b'{"a": [1, 2, {}]}') == 5
    monkeypatch.setattr(foreign_json, "MOST_PARTS", 10)
    monkeypatch.setattr(foreign_json, "from_json", lambda *_, **__: pytest.fail("it was read"))
    with pytest.raises(ValueError, match="over 10 parts"):
        read_json("[" + "[]," * 10 + "[]]")
