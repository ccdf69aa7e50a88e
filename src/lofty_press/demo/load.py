"""Puts the demo world into an empty database."""

import time
from dataclasses import replace

from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.demo.history import load_history
from lofty_press.demo.jobs import JOBS
from lofty_press.demo.presses import PRESSES
from lofty_press.demo.runs import load_runs
from lofty_press.demo.sandwiches import SANDWICHES, SHELF
from lofty_press.demo.shelf import INKS
from lofty_press.documents.answers.plan.job_file import told_stock
from lofty_press.service.db.connection import Database
from lofty_press.service.keeping.choices import repository as choices
from lofty_press.service.keeping.paper import repository as paper
from lofty_press.service.keeping.plan import repository as jobs
from lofty_press.service.keeping.sandwiches import repository as sandwiches
from lofty_press.service.keeping.shelf import repository as shelf
from lofty_press.service.keeping.shelf.models import ShelfWrite
from lofty_press.service.settings import DatabaseSettings

GUIDED = "two-plates"
"""The first guided piece of work begins with it."""
TICK = 0.002  # s; the database keeps thousandths, and the order of the list is that of the clock


def load_demo(settings: DatabaseSettings) -> bool:
    """Load presses, shelf and sandwiches in one go; False, and nothing done, if there is anything on the shelf already."""
    database = Database(settings)
    with database.writing() as connection:
        if shelf.count_entries(connection):
            return False
        presses = {key: shelf.kept.insert(connection, shelf.values_of(ShelfWrite(press=p))) for key, p in PRESSES.items()}
        items = {key: shelf.kept.insert(connection, shelf.values_of(ShelfWrite(item=i))) for key, i in SHELF.items()}
        for ink in INKS.values():
            shelf.kept.insert(connection, shelf.values_of(ShelfWrite(ink=ink)))
        by_name = {PRESSES[key].name: shelf_id for key, shelf_id in presses.items()}
        kept: dict[str, tuple[str, Sandwich]] = {}
        for key, unlinked in reversed(SANDWICHES.items()):  # the list shows first what was kept last
            sandwich = linked(unlinked, by_name[unlinked.press.name], items)
            kept[key] = sandwiches.kept.insert(connection, sandwiches.values_of(sandwich)), sandwich
            time.sleep(TICK)
        for job in JOBS.values():
            jobs.kept.insert(connection, jobs.values_of(job))
            for stock in job.stocks:
                paper.keep(connection, told_stock(stock, job.unit))
        choices.keep(connection, "tour", kept[GUIDED][0])
        load_history(connection, items)
        load_runs(connection, kept)
    database.close()
    return True


def linked(sandwich: Sandwich, press_id: str, items: dict[str, str]) -> Sandwich:
    """A demo sandwich whose parts know their place on the shelf."""
    linked_items = {key: replace(item, shelf_id=items[key]) for key, item in sandwich.items.items()}
    return replace(sandwich, press=replace(sandwich.press, shelf_id=press_id), items=linked_items)
