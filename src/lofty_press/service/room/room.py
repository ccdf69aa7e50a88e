"""The room's belief, kept in memory and learnt anew when there is other evidence; judging goes on with the last one while the database is away."""

import asyncio
import contextlib
import logging
from typing import Any

from starlette.concurrency import run_in_threadpool

from lofty_press.core.dialin import Belief, Learnt, Tried, believed, believed_before
from lofty_press.core.stack import Item, Press, Sandwich
from lofty_press.service.db.connection import Connection, Database
from lofty_press.service.errors import ServiceError
from lofty_press.service.room import jobs
from lofty_press.service.room.evidence import any_known, mark_of, read_lessons
from lofty_press.service.shelf.repository import list_entries
from lofty_press.service.work.budget import SEARCH
from lofty_press.service.work.crew import Crew

log = logging.getLogger("lofty_press")


class Room:
    """What is believed of everything on the shelf."""

    def __init__(self, database: Database, crew: Crew) -> None:
        self.database, self.crew = database, crew
        self.learnt: Learnt | None = None
        self.presses: dict[str, Press] = {}
        self.items: dict[str, Item] = {}
        self.mark: tuple[Any, ...] | None = None
        self.set_out = False
        """True once somebody has told of a pile that works."""
        self.learning = asyncio.Lock()
        self.seen_writes = 0
        self.task: asyncio.Task[None] | None = None

    @property
    def belief(self) -> Belief | None:
        """What is believed; None while nobody has set the room out: then every thing is what it says on the shelf."""
        return self.learnt.belief if self.learnt is not None and self.set_out else None

    def believed(self, sandwich: Sandwich) -> Sandwich:
        """A sandwich with what is believed in place of what stands on the shelf; the same while nothing was learnt."""
        return sandwich if self.belief is None else believed(sandwich, self.belief)

    def nudge(self) -> None:
        """Something may have been written: learn in the background, if there is anything to learn."""
        if self.database.writes != self.seen_writes and not self.learning.locked():
            self.seen_writes = self.database.writes
            self.task = asyncio.create_task(self.begin())

    async def learn(self) -> Learnt | None:
        """Look whether there is other evidence, and learn from it; what was believed stays if that cannot be done just now."""
        async with self.learning:
            try:
                found = await run_in_threadpool(self.read)
                if found is None:
                    return self.learnt
                mark, presses, items, lessons, set_out = found
                if not set_out:
                    before = nothing_learnt(presses, items)
                    self.learnt, self.mark, self.presses, self.items, self.set_out = before, mark, presses, items, False
                    return before
                task = self.crew.give(jobs.learn_room, list(presses.values()), list(items.values()), lessons, budget=SEARCH)
                self.learnt = await asyncio.wrap_future(task)
                self.mark, self.presses, self.items, self.set_out = mark, presses, items, set_out
            except (ServiceError, RuntimeError) as error:
                log.warning("nothing was learnt: %s", error)
            return self.learnt

    def read(self) -> tuple[tuple[Any, ...], dict[str, Press], dict[str, Item], list[Tried], bool] | None:
        """The shelf and all evidence; None if both are as they were."""
        with self.database.reading() as connection:
            mark = mark_of(connection)
            if mark == self.mark:
                return None
            presses, items = shelf_of(connection)
            set_out = any_known(connection)
            return mark, presses, items, read_lessons(connection, presses, items) if set_out else [], set_out

    async def begin(self) -> None:
        """Learn once at the start, without keeping anybody waiting."""
        with contextlib.suppress(Exception):
            await self.learn()


def shelf_of(connection: Connection) -> tuple[dict[str, Press], dict[str, Item]]:
    """Presses and things on the shelf by their ids."""
    entries = list_entries(connection)
    presses = {entry.id: entry.press for entry in entries if entry.press is not None}
    return presses, {entry.id: entry.item for entry in entries if entry.item is not None}


def nothing_learnt(presses: dict[str, Press], items: dict[str, Item]) -> Learnt:
    """What is believed where nothing was seen."""
    before = believed_before(presses.values(), items.values())
    return Learnt(before, before, (), ())
