"""HTTP for a person's own choices, such as the unit of length: kept with the data, so that they travel with it."""

import json
from pathlib import Path
from typing import Annotated, Literal

from fastapi import APIRouter, Body

from lofty_press.service.db.queries import load_queries
from lofty_press.service.dependencies import Database
from lofty_press.service.errors import ANSWERS

router = APIRouter(prefix="/api/settings", tags=["settings"], responses=ANSWERS)
SQL = load_queries(Path(__file__).parent)
Name = Literal["unit", "last-sandwich"]
Value = Annotated[str, Body(max_length=200)]


@router.get("", operation_id="getSettings")
def get_settings(database: Database) -> dict[str, str]:
    """All choices that were made."""
    with database.reading() as connection, connection.cursor() as cursor:
        cursor.execute(SQL["list_settings"])
        found = {row["name"]: json.loads(row["body"]) for row in cursor.fetchall()}
    return {name: value for name, value in found.items() if isinstance(value, str)}


@router.put("/{name}", status_code=204, operation_id="keepSetting")
def keep_setting(name: Name, value: Value, database: Database) -> None:
    """Keep a choice."""
    with database.writing() as connection, connection.cursor() as cursor:
        cursor.execute(SQL["put_setting"], {"name": name, "body": json.dumps(value)})
