"""After a run: what it left on the plates is noted."""

import logging

from lofty_press.core.errors import InvalidInput, NoBalance
from lofty_press.core.feed.best import setting_of
from lofty_press.core.feed.second_pass import two_passes
from lofty_press.core.plates.mark import marks_of, pattern_of
from lofty_press.core.relief.height_map import Library
from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.service.db.connection import Connection
from lofty_press.service.plates import repository

log = logging.getLogger(__name__)


def remember(connection: Connection, run_id: str, sandwich: Sandwich, passes: int, library: Library) -> None:
    """Note the marks of a run that has ended, on plates that are on the shelf.

    A second pass of a cut is noted as the feed advises it: turned where that cuts more, else in the first one's scars, where it leaves
    nothing new. A run whose note is changed later is not noted again, on whatever plate lies there now. What cannot be worked out is left out and logged: the run itself is kept in any case.
    """
    if passes < 1 or repository.is_noted(connection, run_id):
        return
    try:
        setting = setting_of(sandwich, library)
        both = two_passes(sandwich, setting) if passes > 1 else None
        laid = [sandwich] if both is None or both.second is None else [sandwich, both.second.sandwich]
        marks = [(lying, mark) for lying in laid for mark in marks_of(lying, setting_of(lying, library))]
        for number, (lying, mark) in enumerate(marks, start=1):
            plate = lying.items[mark.item]
            die = lying.items[next(layer.item for layer in lying.layers if layer.id == mark.die)]
            if plate.shelf_id is not None:
                repository.record(connection, plate.shelf_id, plate, run_id, number, mark, pattern_of(die, library), die.name)
    except (InvalidInput, NoBalance) as error:
        log.warning("no marks of run %s: %s", run_id, error)
