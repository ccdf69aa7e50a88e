"""The room's belief, kept in memory and learnt anew when there is other evidence; judging goes on with the last one while the database is away."""

import asyncio
import logging
from dataclasses import dataclass, replace
from typing import Any

from starlette.concurrency import run_in_threadpool

from lofty_press.core.judging.dialin import Belief, Evidence, InRoom, Learnt, believed, believed_before
from lofty_press.core.sandwich.stack import Item, Press, Sandwich
from lofty_press.service.db.connection import Database
from lofty_press.service.http.errors import ServiceError
from lofty_press.service.keeping.room import jobs
from lofty_press.service.keeping.room.evidence import any_known, mark_of, read_lessons, things_away
from lofty_press.service.keeping.shelf.repository import list_entries
from lofty_press.service.work.budget import SEARCH
from lofty_press.service.work.crew import Crew

log = logging.getLogger("lofty_press")


@dataclass(frozen=True, eq=False)
class Known:
    """Presses and things on the shelf by their ids, and what was learnt of them; `mark` changes when there is other evidence."""

    mark: tuple[Any, ...]
    presses: dict[str, Press]
    items: dict[str, Item]
    learnt: Learnt


class Room:
    """What is believed of everything on the shelf."""

    def __init__(self, database: Database, crew: Crew) -> None:
        self.database, self.crew = database, crew
        self.known: Known | None = None
        self.learning = asyncio.Lock()
        self.seen_writes = 0
        self.task: asyncio.Task[None] | None = None

    @property
    def belief(self) -> Belief | None:
        """What is believed; None while nothing was learnt: then every thing is what it says on the shelf."""
        return self.known.learnt.belief if self.known is not None and self.known.learnt.pieces else None

    def believed(self, sandwich: Sandwich) -> Sandwich:
        """A sandwich with what is believed in place of what stands on the shelf; the same while nothing was learnt."""
        return sandwich if self.belief is None else believed(sandwich, self.belief)

    def certainty(self, sandwich: Sandwich) -> InRoom | None:
        """How sure verdicts on a believed sandwich are; None where each thing's own spread is all that is known: nothing was learnt, and the press was
        put under a gauge."""
        if self.known is None:
            return None
        guessed = sandwich.press.shelf_id in self.known.presses and sandwich.press.opening.source != "gauge"
        return InRoom(self.known.learnt.belief.from_here()) if self.belief is not None or guessed else None

    def belief_for(self, sandwich: Sandwich) -> Belief:
        """What a believed sandwich is unsure by, as its verdict has it."""
        assert self.known is not None
        found = self.certainty(sandwich)
        return found.belief if found is not None else self.known.learnt.belief.from_here().of_sizes()

    def nudge(self) -> None:
        """Something may have been written: learn in the background, if there is anything to learn."""
        if (self.known is None or self.database.writes != self.seen_writes) and not self.learning.locked():
            self.seen_writes = self.database.writes
            self.task = asyncio.create_task(self.learn_if_possible())

    async def learn_if_possible(self) -> None:
        """Learn, or go on with what was believed: nobody waits for it."""
        try:
            await self.learn()
        except (ServiceError, RuntimeError) as error:
            log.warning("nothing was learnt: %s", error)
        except Exception as error:  # what was asked for is done and kept; that nothing is learnt from it must not say otherwise
            log.error("nothing was learnt", exc_info=error)

    async def learn(self) -> Known:
        """Look whether there is other evidence, and learn from it.

        Raises
        ------
        ServiceError
            If the shelf cannot be read or nothing can be computed just now; what was believed stays.
        """
        async with self.learning:
            found = await run_in_threadpool(self.read)
            if found is not None:
                known, evidence = found
                if evidence:
                    task = self.crew.give(jobs.learn_room, known.learnt.before, evidence, budget=SEARCH)
                    known = replace(known, learnt=await asyncio.wrap_future(task))
                self.known = known
            assert self.known is not None
            return self.known

    def read(self) -> tuple[Known, list[Evidence]] | None:
        """The shelf with nothing learnt yet, and what teaches: runs do once somebody has told of a pile that works. None if all is as it was."""
        with self.database.reading() as connection:
            mark = mark_of(connection)
            if self.known is not None and mark == self.known.mark:
                return None
            entries = list_entries(connection)
            presses = {entry.id: entry.press for entry in entries if entry.press is not None}
            items = {entry.id: entry.item for entry in entries if entry.item is not None}
            evidence = read_lessons(connection, presses, items) if any_known(connection) else []
        other_presses, other_items = things_away(evidence)
        before = believed_before([*presses.values(), *other_presses], [*items.values(), *other_items])
        return Known(mark, presses, items, Learnt(before, before, (), ())), evidence
