"""HTTP for a person's own choices, such as the unit of length: kept with the data, so that they travel with it."""

from typing import Annotated, Literal

from fastapi import APIRouter, Body

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import UNITS, say
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import Database
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.keeping.choices import repository

router = APIRouter(prefix="/api/settings", tags=["settings"], responses=ANSWERS, route_class=BoundedRoute)
Name = Literal["unit", "last-sandwich", "tour"]
"""`tour` is the sandwich that the first guided piece of work begins with, or empty once it was done or declined."""
Value = Annotated[str, Body(max_length=200)]


@router.get("", operation_id="getSettings")
def get_settings(database: Database) -> dict[str, str]:
    """All choices that were made."""
    with database.reading() as connection:
        return repository.chosen(connection)


ALLOWED: dict[Name, tuple[str, ...]] = {"unit": UNITS}
"""Choices that are one of a few."""


@router.put("/{name}", status_code=204, operation_id="keepSetting")
def keep_setting(name: Name, value: Value, database: Database) -> None:
    """Keep a choice."""
    allowed = ALLOWED.get(name)
    if allowed is not None and value not in allowed:
        raise InvalidInput(name, value, say("must be one of {allowed}", allowed=", ".join(allowed)))
    with database.writing() as connection:
        repository.keep(connection, name, value)
