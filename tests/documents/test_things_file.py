"""Lists of things out of files of any usual kind."""

import json

import pytest
from hypothesis import given
from hypothesis import strategies as st

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.working.setout import read_list
from lofty_press.documents.files.things_file import LARGEST, list_in

WANTED = [(6, "plain folder"), (11, "thin die"), (1, "rubber mat")]


def comes_to(data):
    return [(len(line.items), line.items[0].kind) for line in read_list(list_in(data if isinstance(data, bytes) else data.encode()))]


@pytest.mark.parametrize(
    "text",
    [
        "6 plain folders, 11 thin dies, 1 rubber mat",
        "6 plain folders\r\n11 thin dies\r\nrubber mat\r\n",
        "6,plain folders\n11,thin dies\n1,rubber mat\n",
        "count;what;where\n6;plain folders;box\n11;thin dies;box\n1;rubber mat;drawer\n",
        "\ufeffWhat\tCount\nplain folders\t6\nthin dies\t11\nrubber mat\t\n",
        json.dumps(["6 plain folders", "11 thin dies", "rubber mat"]),
        json.dumps({"things": [{"count": 6, "what": "plain folder"}, {"Count": 11, "Kind": "thin die"}, {"thing": "rubber mat"}]}),
    ],
)
def test_a_list_is_the_same_however_it_is_filed(text):
    assert comes_to(text) == WANTED


@pytest.mark.parametrize(
    ("data", "field"),
    [
        (b"\xff\xfe\x00", "file"),
        (b"[" * 100_000, "file"),
        (b'{"things": 3}', "things"),
        (b'["hard plate", 3]', "things.1"),
        (b'[{"what": "hard plate", "count": -1}]', "things.0"),
        (b'[{"count": 3}]', "things.0"),
        (b"x" * (LARGEST + 1), "file"),
    ],
)
def test_what_is_no_list_is_refused_by_its_entry(data, field):
    with pytest.raises(InvalidInput) as refused:
        list_in(data)
    assert refused.value.field == field


def test_formulas_are_texts_and_are_told_to_be_no_things():
    (line,) = [line for line in read_list(list_in(b'count,what\n2,"=HYPERLINK(1)"\n')) if line.problem]
    assert not line.items


@given(st.binary(max_size=400))
def test_any_bytes_are_read_or_refused_and_never_become_more_than_they_are(data):
    try:
        text = list_in(data)
    except InvalidInput:
        return
    assert len(text) <= 2 * len(data) + 20
    read_list(text)
