"""What a run is found by in the logbook: its tool, its stock, its tags and every word that stands in it."""

import logging

from lofty_press.core.sandwich.stack import StackView
from lofty_press.documents.files.shapes import read_stored
from lofty_press.service.db.connection import Connection, Database
from lofty_press.service.db.versioned import Row
from lofty_press.service.http.errors import ServiceError
from lofty_press.service.keeping.runs.models import RUN_BODY, RunBody
from lofty_press.service.keeping.runs.sql import SQL

log = logging.getLogger("lofty_press")
LONGEST, LONGEST_NAME = 4000, 120  # characters
APART = "\n"  # between and around tags; none holds it


def found_by(body: RunBody) -> Row:
    """The columns of the logbook."""
    sandwich = body.sandwich
    view = StackView(sandwich)
    tool, stock = (placed.name if placed is not None else "" for placed in (view.tool, view.sheet))
    lying = {item.name for item in sandwich.items.values()}
    words = [sandwich.name, sandwich.press.name, body.result or "", sandwich.effect.kind, *sorted(lying), *body.tags, body.note]
    return {
        "tool": tool[:LONGEST_NAME],
        "stock": stock[:LONGEST_NAME],
        "tags": APART + APART.join(body.tags) + APART if body.tags else "",
        "words": " ".join(words).lower()[:LONGEST],
    }


def nothing_found() -> Row:
    """The columns of a run that cannot be read: it is listed, and found by nothing."""
    return {"tool": "", "stock": "", "tags": "", "words": ""}


def fill_in(database: Database) -> int:
    """Write the columns of runs that have none yet, a window at a time; returns how many there were."""
    done = 0
    while True:
        with database.writing() as connection, connection.cursor() as cursor:
            cursor.execute(SQL["not_filled_in"])
            rows = cursor.fetchall()
            for row in rows:
                cursor.execute(SQL["fill_in"], {"id": row["id"], **columns_of(row)})
        done += len(rows)
        if not rows:
            return done


def fill_in_if_possible(database: Database) -> None:
    """The same; while the database cannot be had, the next start does it."""
    try:
        fill_in(database)
    except ServiceError:
        pass
    except Exception as error:  # whatever was kept before stays kept, and is answered so
        log.error("runs are not found by their words", exc_info=error)


def columns_of(row: Row) -> Row:
    """The columns of a stored run."""
    try:
        return found_by(read_stored(RUN_BODY, "run", row["body"], row["shape"]))
    except (ValueError, KeyError, TypeError, AttributeError) as error:
        log.warning("run %s is found by nothing: %s", row["id"], str(error)[:80])
        return nothing_found()


def tags_in(text: str | None) -> list[str]:
    """Tags out of their column."""
    return [tag for tag in (text or "").split(APART) if tag]


def filters(connection: Connection) -> dict[str, list[str]]:
    """Everything that runs can be filtered by, each in alphabetical order."""
    found: dict[str, list[str]] = {}
    with connection.cursor() as cursor:
        for name, query in (("presses", "presses"), ("tools", "tools"), ("stocks", "stocks"), ("tags", "tags")):
            cursor.execute(SQL[query])
            values = [row["value"] for row in cursor.fetchall()]
            if name == "tags":
                values = sorted({tag for value in values for tag in tags_in(value)})
            found[name] = values
    return found
