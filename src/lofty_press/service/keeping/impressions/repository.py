"""Pressed sheets in the database, each under the hash of its sandwich; neither commits nor knows HTTP."""

import json
import zlib
from pathlib import Path

from pydantic import ValidationError

from lofty_press.documents.answers.impression import ImpressionFigures
from lofty_press.documents.kept.impression_record import NIP_FIELDS, FieldName, PanelDocument, Recorded
from lofty_press.service.db.connection import Connection
from lofty_press.service.db.queries import load_queries
from lofty_press.service.keeping.impressions.models import Kept

SQL = load_queries(Path(__file__).parent)
MOST = 120
"""How many results are kept; about 2 MB each. The ones that nobody looked at longest go first."""


def get_impression(connection: Connection, key: str) -> Kept | None:
    """Figures and grid of a kept result, and which fields it has; None if there is none that this version can read."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_impression"], {"id": key})
        row = cursor.fetchone()
        if row is None:
            return None
        cursor.execute(SQL["list_fields"], {"id": key})
        names: list[FieldName] = [found["name"] for found in cursor.fetchall()]
    try:
        figures = ImpressionFigures.model_validate_json(row["figures"])
        return Kept(figures=figures, panel=PanelDocument.model_validate_json(row["panel"]), fields=names)
    except ValidationError:
        return None  # of an older version: it is computed again and written over


def get_field(connection: Connection, key: str, name: str) -> bytes | None:
    """A kept field as it was packed, or None."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["get_field"], {"id": key, "name": name})
        row = cursor.fetchone()
    return None if row is None else zlib.decompress(row["body"])


def get_nip(connection: Connection, key: str, kept: Kept) -> dict[FieldName, bytes]:
    """The fields of a kept result that tell the nip which pressed it."""
    found = {name: get_field(connection, key, name) for name in NIP_FIELDS if name in kept.fields}
    return {name: body for name, body in found.items() if body is not None}


def keep_impression(connection: Connection, key: str, found: Recorded) -> None:
    """Keep a result with all its fields, and let the longest unused ones go."""
    with connection.cursor() as cursor:
        figures, panel = found.figures.model_dump(mode="json"), found.panel.model_dump(mode="json")
        cursor.execute(SQL["keep_impression"], {"id": key, "figures": json.dumps(figures), "panel": json.dumps(panel)})
        for name, body in found.fields.items():
            cursor.execute(SQL["keep_field"], {"id": key, "name": name, "body": zlib.compress(body, 3)})
        cursor.execute(SQL["oldest_beyond"], {"most": MOST})
        for row in cursor.fetchall():
            cursor.execute(SQL["delete_impression"], {"id": row["id"]})


def mark_used(connection: Connection, key: str) -> None:
    """Note that somebody looks at it."""
    with connection.cursor() as cursor:
        cursor.execute(SQL["mark_used"], {"id": key})
