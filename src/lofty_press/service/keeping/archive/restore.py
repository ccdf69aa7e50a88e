"""An archive into the database, as a worker does it: merged by identity, nothing overwritten unasked, all of it or nothing."""

import json
from collections import Counter
from collections.abc import Callable, Iterator
from datetime import datetime
from pathlib import Path
from typing import Any

from lofty_press.documents.files.archive.read import Archive
from lofty_press.documents.files.archive.relief import packed_of
from lofty_press.documents.files.archive.rows import checked
from lofty_press.documents.files.shapes import stored_text
from lofty_press.documents.files.wear_file import packed_pattern
from lofty_press.documents.kept.packed import plain_relief
from lofty_press.service.keeping.archive.look_through import ROWS, look_through, settings_of
from lofty_press.service.keeping.archive.models import MOST_NAMED, ArchiveAnswer, Choice, Clash, Kind, Unreadable
from lofty_press.service.keeping.archive.readable import why_unreadable
from lofty_press.service.keeping.pictures.repository import picture_key
from lofty_press.service.keeping.reliefs.repository import relief_key
from lofty_press.service.work.tools import Tools

PASSING = ("last-sandwich", "tour")
"""Settings that say where somebody is just now; those of here go on."""
CALLED = {"unit": "Unit of length", "gauge": "Thickness gauge", "motor": "Motor press", "sensor": "Room sensor"}


def merge(tools: Tools, path: Path, write: bool, choice: Choice) -> bytes:
    """Look an archive through and merge it with what is here; returns what is answered, as JSON, before anything of it is kept for good."""
    archive = look_through(path)
    return Restore(tools.ask, archive, write=write, choice=choice).carry_out().model_dump_json().encode()


class Restore:
    """One archive against one database, which `ask` looks things up in ("found") and writes to ("written"). With `write` it is taken in, else only compared;
    `choice` says what becomes of what differs."""

    def __init__(self, ask: Callable[[str, Any], Any], archive: Archive, *, write: bool, choice: Choice) -> None:
        self.ask, self.archive, self.write, self.choice = ask, archive, write, choice
        self.new: Counter[Kind] = Counter()
        self.same: Counter[Kind] = Counter()
        self.clashes: list[Clash] = []
        self.clashing = 0
        self.unreadable: list[Unreadable] = []
        self.unread = 0
        self.renamed: dict[str, str] = {}
        """Reliefs that are kept under another key here, since theirs stands for something else."""

    def carry_out(self) -> ArchiveAnswer:
        """Go through all of it."""
        self._reliefs()
        self._bodies("shelf", "find_shelf", "put_shelf")
        self._bodies("sandwiches", "find_sandwich", "put_sandwich")
        self._bodies("jobs", "find_job", "put_job")
        self._bodies("paper", "find_paper", "put_paper")
        self._bodies("practice", "find_practice", "put_practice")
        self._bodies("runs", "find_run", "put_run")
        self._photos()
        self._pictures()
        self._patterns()
        self._lives()
        self._settings()
        return ArchiveAnswer(
            made_at=self.archive.manifest.made_at,
            new=dict(self.new),
            same=dict(self.same),
            clashes=self.clashes,
            clashing=self.clashing,
            unreadable=self.unreadable,
            unread=self.unread,
            taken=self.write,
            choice=self.choice,
        )

    def _run(self, query: str, values: dict[str, Any]) -> None:
        if self.write:
            self.ask("written", (query, values))

    def _find(self, query: str, key: str) -> dict[str, Any] | None:
        row: dict[str, Any] | None = self.ask("found", (query, {"id": key}))
        return row

    def _decide(self, kind: Kind, key: str, name: str, *, there: bool, same: bool) -> bool:
        """Count one part; True if it is to be written."""
        if there and same:
            self.same[kind] += 1
            return False
        if not there:
            self.new[kind] += 1
            return True
        self.clashing += 1
        if len(self.clashes) < MOST_NAMED:
            self.clashes.append(Clash(kind=kind, id=key, name=name))
        return self.choice == "take"

    def _rows(self, kind: str) -> Iterator[tuple[str, Any]]:
        for key, body in self.archive.bodies(kind):
            yield key, checked(ROWS[kind], f"{kind}/{key}", body)

    def _reliefs(self) -> None:
        for _, key in self.archive.names("reliefs"):
            name, packed = packed_of(self.archive.read(f"reliefs/{key}.json"), self.archive.read(f"reliefs/{key}.tif"))
            here = self._find("find_relief", key)
            if here is not None and plain_relief(bytes(here["body"])) == plain_relief(packed):
                self.same["reliefs"] += 1
                continue
            wanted = key if here is None else relief_key(packed)
            if wanted != key:
                self.renamed[key] = wanted
            self.new["reliefs"] += 1
            self._run("put_relief", {"id": wanted, "name": name[:120], "body": packed})

    def _bodies(self, kind: Kind, find: str, put: str) -> None:
        for key, row in self._rows(kind):
            values = row.model_dump()
            values["body"] = with_maps(values["body"], self.renamed)
            why = why_unreadable(kind, key, values)
            if why is not None:
                self.unread += 1
                if len(self.unreadable) < MOST_NAMED:
                    self.unreadable.append(Unreadable(kind=kind, id=key, name=row.name, why=why))
            here = self._find(find, key)
            same = here is not None and all(
                (json.loads(here[name]) if name == "body" else here[name]) == values[name] for name in here if name != "shape"
            )
            if self._decide(kind, key, row.name, there=here is not None, same=same):
                self._run(put, {**stored(values), "id": key})

    def _photos(self) -> None:
        for name, key in self.archive.names("photos"):
            body, here = self.archive.read(name), self._find("find_photo", key)
            same = here is not None and bytes(here["body"]) == body
            if self._decide("photos", key, "Photo of a run", there=here is not None, same=same):
                self._run("put_photo", {"id": key, "body": body})

    def _pictures(self) -> None:
        """Pictures stand under the hash of what they hold; one that doesn't was changed by somebody, and stands under its own then, unseen."""
        for name, key in self.archive.names("pictures"):
            body, here = self.archive.read(name), self._find("find_picture", key)
            if here is not None and bytes(here["body"]) == body:
                self.same["pictures"] += 1
                continue
            self.new["pictures"] += 1
            self._run("put_picture", {"id": key if here is None else picture_key(body), "body": body})

    def _patterns(self) -> None:
        for key, row in self._rows("patterns"):
            self._run("put_pattern", {"id": key, "name": row.name, "body": packed_pattern(row.places, row.weight)})

    def _lives(self) -> None:
        """Marks of a plate that is here too are added to it, each once."""
        for key, row in self._rows("plates"):
            values = row.model_dump(exclude={"marks"})
            here = self._find("find_life", key)
            same = here is not None and all(here[name] == values[name] for name in here)
            if self._decide("plates", key, str(values["item"].get("name", "Plate")), there=here is not None, same=same):
                self._run("put_life", {**stored(values), "id": key})
            for mark in row.marks:
                self._run("put_mark", {**stored(mark.model_dump()), "life_id": key})
            self._run("forget_wear", {"life_id": key})

    def _settings(self) -> None:
        for name, body in settings_of(self.archive).items():
            here = self._find("find_setting", name)
            same = here is not None and (name in PASSING or json.loads(here["body"]) == json.loads(body))
            if self._decide("settings", name, CALLED.get(name, name), there=here is not None, same=same):
                self._run("put_setting", {"name": name, "body": body})


def stored(values: dict[str, Any]) -> dict[str, Any]:
    """Values as the driver takes them."""
    ways: dict[type, Callable[[Any], Any]] = {dict: stored_text, datetime: lambda moment: f"{moment:%Y-%m-%d %H:%M:%S.%f}"}
    return {name: ways.get(type(value), lambda same: same)(value) for name, value in values.items()}


def with_maps(content: Any, renamed: dict[str, str]) -> Any:
    """A body with other keys for some of its reliefs."""
    if not renamed:
        return content
    if isinstance(content, dict):
        return {
            name: renamed.get(value, value) if name == "map" and isinstance(value, str) else with_maps(value, renamed)
            for name, value in content.items()
        }
    return [with_maps(value, renamed) for value in content] if isinstance(content, list) else content
