"""What plates remember, in the database; neither commits nor knows HTTP."""

import json
import logging
import uuid
from dataclasses import dataclass
from datetime import datetime
from itertools import groupby
from pathlib import Path
from typing import Any

from pydantic import TypeAdapter

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.mechanics.plates import FACES, Face, History, Laid, Mark, Pattern, Wear, add_marks, bow_of, no_wear
from lofty_press.core.sandwich.stack import Item
from lofty_press.documents.files.shapes import SHAPE, current
from lofty_press.documents.files.wear_file import pack_pattern, pack_wear, unpack_pattern, unpack_wear
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries
from lofty_press.service.db.versioned import readable
from lofty_press.service.http.errors import StoredUnreadable
from lofty_press.service.keeping.plates.jobs import LeftMark

log = logging.getLogger("lofty_press")
SQL = load_queries(Path(__file__).parent)
ITEM: TypeAdapter[Item] = TypeAdapter(Item)
LEAST_BOW = 0.02  # mm; a modelled bow under this says nothing about how measured and modelled compare


@dataclass(frozen=True)
class Life:
    """A plate from new to retired."""

    id: str
    item_id: str
    item: Item
    began_at: datetime
    measured_bow: float | None
    modelled_bow: float | None
    measured_at: datetime | None

    @property
    def correction(self) -> float:
        """Measured bow over modelled bow when it was measured; 1 as long as either says nothing. [1]"""
        if self.measured_bow is None or self.modelled_bow is None or abs(self.modelled_bow) < LEAST_BOW:
            return 1.0
        return self.measured_bow / self.modelled_bow


@dataclass(frozen=True)
class Kept:
    """A life with the wear of both faces."""

    life: Life
    history: History


def life_of(row: dict[str, Any]) -> Life:
    """A row as a life, or `StoredUnreadable`."""
    with readable("A plate's memory"):
        item = ITEM.validate_python(current("item", json.loads(row["item"]), row["shape"]))
    measured = (row["measured_bow_mm"], row["modelled_bow_mm"], row["measured_at"])
    return Life(row["id"], row["item_id"], item, row["began_at"], *measured)


def current_life(connection: Connection, item_id: str) -> Life | None:
    """The plate that is in use under a shelf entry, if it has ever been cut on."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["current_life"], {"item_id": item_id})
        row = cursor.fetchone()
    return None if row is None else life_of(row)


def current_lives(connection: Connection) -> list[Life]:
    """Every plate in use that has been cut on."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["current_lives"])
        rows = cursor.fetchall()
    found = []
    for row in rows:
        try:
            found.append(life_of(row))
        except StoredUnreadable as error:
            log.warning("plate %s is left out of the list: %s", row["item_id"], error)
    return found


def begin_life(connection: Connection, item_id: str, item: Item) -> Life:
    """A new plate."""
    with connection.cursor() as cursor:
        cursor.execute(
            SQL["begin_life"], {"id": str(uuid.uuid4()), "item_id": item_id, "item": ITEM.dump_json(item).decode(), "shape": SHAPE}
        )
    life = current_life(connection, item_id)
    assert life is not None
    return life


def end_life(connection: Connection, life: Life) -> None:
    """Retire a plate: what it remembers stays, and is no longer counted for the one that replaces it."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["end_life"], {"id": life.id})


def past_lives(connection: Connection, item_id: str) -> int:
    """How many plates this shelf entry had before."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["past_lives"], {"item_id": item_id})
        return int(cursor.fetchone()["lives"])


def keep_bow(connection: Connection, life: Life, measured: float | None, modelled: float) -> None:
    """Note a measured bow beside what the model says now; None forgets it."""
    values = {"id": life.id, "measured": measured, "modelled": None if measured is None else modelled}
    with connection.cursor() as cursor:
        cursor.execute(SQL["keep_bow"], values)


def record(connection: Connection, run_id: str, number: int, left: LeftMark) -> None:
    """Note what a die left on a plate in a run, and add it to the plate's wear. One that is there already is not added again.

    A plate whose id the shelf cannot have given has no place to remember it.
    """
    plate, mark, item_id = left.plate, left.mark, left.plate.shelf_id
    if item_id is None or not item_id.isascii():
        return
    with connection.cursor() as cursor:  # two tabs that end at once add one after the other, also to a plate that is new
        cursor.execute(SQL["lock_item"], {"item_id": item_id})
        life = current_life(connection, item_id) or begin_life(connection, item_id, plate)
        cursor.execute(SQL["lock_life"], {"id": life.id})
    if keep_mark(connection, life, run_id, number, mark, left.pattern, left.die):
        kept = read_wear(connection, life)
        wear = kept.history.of(mark.face)
        if wear.runs < count_marks(connection, life)[mark.face]:
            as_kept = unpack_pattern(pack_pattern(left.pattern)[1])  # what building anew would read
            add_marks(wear, as_kept, [Laid(mark.x, mark.y, mark.turn, mark.depth)])
        keep_wear(connection, life, mark.face, wear)


def keep_mark(connection: Connection, life: Life, run_id: str, mark_number: int, mark: Mark, pattern: Pattern, die: str) -> bool:
    """Note a mark without adding it to the wear; False if the run has that one already."""
    key, body = pack_pattern(pattern)
    values = {"life_id": life.id, "run_id": run_id, "mark_number": mark_number, "face": mark.face, "pattern_id": key}
    values |= {"x": mark.x, "y": mark.y, "turn": mark.turn, "depth": mark.depth, "load": mark.load, "pressure": mark.pressure}
    with connection.cursor() as cursor:
        cursor.execute(SQL["keep_pattern"], {"id": key, "name": die, "body": body})
        return bool(cursor.execute(SQL["keep_mark"], values))


def keep_wear(connection: Connection, life: Life, face: Face, wear: Wear) -> None:
    with connection.cursor() as cursor:
        cursor.execute(SQL["keep_wear"], {"life_id": life.id, "face": face, "marks": wear.runs, "body": pack_wear(wear)})


def count_marks(connection: Connection, life: Life) -> dict[Face, int]:
    """Marks on each face."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["count_marks"], {"life_id": life.id})
        found = {row["face"]: int(row["marks"]) for row in cursor.fetchall()}
    return {face: found.get(face, 0) for face in FACES}


def is_noted(connection: Connection, run_id: str) -> bool:
    """True if what a run left is noted already."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["marks_of_run"], {"run_id": run_id})
        return bool(cursor.fetchone()["marks"])


def count_missing(connection: Connection, life: Life) -> int:
    """Marks whose blade's pattern is no longer kept."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["count_missing"], {"life_id": life.id})
        return int(cursor.fetchone()["marks"])


def read_wear(connection: Connection, life: Life) -> Kept:
    """The wear of both faces as it is kept; built anew from the marks where that is missing, unreadable or of another size."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_wear"], {"life_id": life.id})
        rows = {row["face"]: bytes(row["body"]) for row in cursor.fetchall()}
    counted, fresh = count_marks(connection, life), no_wear(life.item)
    found: dict[Face, Wear] = {}
    for face in FACES:
        try:
            found[face] = unpack_wear(rows[face]) if face in rows else no_wear(life.item)
        except InvalidInput:
            return rebuild(connection, life)
        if found[face].crossed.shape != fresh.crossed.shape or found[face].runs + 1 < counted[face]:
            return rebuild(connection, life)
    history = History(found["face"], found["back"], life.item.thickness.mm, life.correction)
    return Kept(life, history)


def rebuild(connection: Connection, life: Life) -> Kept:
    """The wear of both faces from every mark; one whose pattern is gone is left out."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["patterns_of"], {"life_id": life.id})
        bodies = {row["id"]: bytes(row["body"]) for row in cursor.fetchall()}
        cursor.execute(SQL["marks_of"], {"life_id": life.id})
        rows = cursor.fetchall()
    wear: dict[Face, Wear] = {face: no_wear(life.item) for face in FACES}
    for face in FACES:  # in the order in which they were made, so that the sums come out to the last digit as they did run by run
        for pattern_id, those in groupby((row for row in rows if row["face"] == face), key=lambda row: row["pattern_id"]):
            laid = [Laid(row["x_mm"], row["y_mm"], row["turn_deg"], row["depth_mm"]) for row in those]
            try:
                add_marks(wear[face], unpack_pattern(bodies.get(pattern_id, b"")), laid)
            except InvalidInput:
                wear[face].runs += len(laid)
    return Kept(life, History(wear["face"], wear["back"], life.item.thickness.mm, life.correction))


def modelled_bow(kept: Kept) -> float:
    """Bow by the model alone, whatever was measured. [mm]"""
    return bow_of(kept.history.face, kept.history.back, kept.history.thickness).height
