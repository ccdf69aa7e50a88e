"""Right documents made wrong: what no schema draws, in any place of a document, a table or an archive."""

import copy
import csv
import hashlib
import io
import json
import random
import zipfile
from typing import Any

RAW = (
    "NaN",
    "Infinity",
    "-1e999",
    "1e999",
    "1e308",
    "-1e308",
    "5e-324",
    "-0.0",
    "1" + "0" * 400,
    "-12345678901234567890",
    "2147483648",
    "0",
    "-1",
    "0.1",
    "1e-12",
    "true",
    "null",
    "[]",
    "{}",
    '""',
    '"\\ud800"',
    '"\\udfff\\ud800x"',
    '"\\u0000"',
    '"\\ufffe"',
    '"\U0001f600"',
    '"' + "x" * 5000 + '"',
    '"9999-12-31T23:59:59Z"',
    '"0001-01-01T00:00:00"',
    '"1e999"',
    '"nonsense"',
    '"../../x"',
    '"%s%n%00"',
    "[" * 40 + "]" * 40,
    "[" * 3000 + "]" * 3000,
    '{"a":' * 60 + "1" + "}" * 60,
    '[{"a": [[], {}]}, null, 1e999]',
)
"""Tokens of JSON, and some that only look like it."""
MARK = "@raw {}@"


def wrong_json(document: Any, chance: random.Random) -> bytes:
    """A document as JSON with one to three places that are not as they should be."""
    document = copy.deepcopy(document)
    tokens: list[str] = []
    for _ in range(chance.randint(1, 3)):
        document = spoiled(document, chance, tokens)
    text = json.dumps(document)
    for n, token in enumerate(tokens):
        text = text.replace(json.dumps(MARK.format(n)), token)
    if chance.random() < 0.03:
        text = text[: chance.randrange(len(text) + 1)]
    return text.encode("utf-8", "surrogatepass")


def spoiled(document: Any, chance: random.Random, tokens: list[str]) -> Any:
    """A document with one place changed; raw tokens are put in afterwards."""
    places = places_in(document)
    if not places:
        tokens.append(chance.choice(RAW))
        return MARK.format(len(tokens) - 1)
    holder, key = chance.choice(places)
    how = chance.random()
    if how < 0.55:
        tokens.append(chance.choice(RAW))
        holder[key] = MARK.format(len(tokens) - 1)
    elif how < 0.7:
        del holder[key]
    elif how < 0.85:
        other, its = chance.choice(places)
        holder[key] = copy.deepcopy(other[its]) if its in other or (isinstance(other, list) and its < len(other)) else None
    elif isinstance(holder, list):
        holder += [copy.deepcopy(holder[key])] * chance.choice([1, 30, 3000])
    else:
        holder[f"{key}x"] = copy.deepcopy(holder[key])
    return document


def places_in(document: Any) -> list[tuple[Any, Any]]:
    """Every place in a document: what holds it, and its key there."""
    found: list[tuple[Any, Any]] = []
    waiting = [document]
    while waiting:
        one = waiting.pop()
        if isinstance(one, dict):
            found += [(one, key) for key in one]
            waiting += one.values()
        elif isinstance(one, list):
            found += [(one, n) for n in range(len(one))]
            waiting += one
    return found


def wrong_table(content: bytes, chance: random.Random) -> bytes:
    """A table with some cells changed."""
    rows = list(csv.reader(io.StringIO(content.decode("utf-8-sig"))))
    for _ in range(chance.randint(1, 4)):
        row = chance.choice(rows)
        if row:
            row[chance.randrange(len(row))] = chance.choice(RAW)
        if chance.random() < 0.1:
            rows += [list(row)] * chance.choice([1, 500])
    out = io.StringIO()
    csv.writer(out).writerows(rows)
    return out.getvalue().encode("utf-8", "replace")


def wrong_archive(content: bytes, chance: random.Random) -> bytes:
    """An archive with one document in it changed, and its hashes right."""
    with zipfile.ZipFile(io.BytesIO(content)) as file:
        files = {name: file.read(name) for name in file.namelist() if not name.startswith("reliefs/") and not name.endswith(".jpg")}
    manifest = json.loads(files.pop("manifest.json"))
    name = chance.choice([name for name in files if name.endswith(".json")])
    files[name] = wrong_json(json.loads(files[name]), chance)
    if chance.random() < 0.1:
        renamed = name.replace(".json", "x" * chance.choice([1, 5, 40]) + ".json")
        files[renamed] = files.pop(name)
    manifest["files"] = {name: {"sha256": hashlib.sha256(body).hexdigest(), "bytes": len(body)} for name, body in files.items()}
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED, compresslevel=1) as file:
        for name, body in files.items():
            file.writestr(name, body)
        odd = chance.random() < 0.1
        file.writestr("manifest.json", wrong_json(manifest, chance) if odd else json.dumps(manifest))
    return out.getvalue()


def wrong_series(content: bytes, chance: random.Random) -> bytes:
    """A series of photos in one file, with one of them changed, left out, there twice or named like a path."""
    with zipfile.ZipFile(io.BytesIO(content)) as file:
        photos = [(name, file.read(name)) for name in file.namelist()]
    n = chance.randrange(len(photos))
    name, photo = photos.pop(n)
    photos[n:n] = chance.choice(
        [[], [(name, wrong_bytes(photo, chance))], [(name, photo), ("again-" + name, photo)], [("../" + name, photo)], [(name, b"")]]
    )
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as file:
        for one in photos:
            file.writestr(*one)
    packed = out.getvalue()
    return wrong_bytes(packed, chance) if chance.random() < 0.2 else packed


def wrong_bytes(content: bytes, chance: random.Random) -> bytes:
    """A file with some bytes changed, cut off or doubled."""
    changed = bytearray(content)
    for _ in range(chance.randint(1, 12)):
        changed[chance.randrange(len(changed))] = chance.choice([0, 255, 127, chance.randrange(256)])
    if chance.random() < 0.3:
        changed = changed[: chance.randrange(1, len(changed))]
    return bytes(changed)


def wrong_file(content: bytes, chance: random.Random) -> bytes:
    """A file of any sort that this program takes, made wrong in its own way."""
    if content[:2] == b"PK":
        return wrong_archive(content, chance) if b"manifest.json" in content else wrong_series(content, chance)
    if content[:1] in b"[{":
        return wrong_json(json.loads(content), chance)
    if b"," in content.split(b"\n")[0] and content[:2] != b"\xff\xd8":
        return wrong_table(content, chance)
    return wrong_bytes(content, chance)
