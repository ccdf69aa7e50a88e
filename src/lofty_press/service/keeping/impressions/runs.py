"""Forming runs outside of requests: one at a time, newest wish first, each tab's newer run replaces its older one."""

import logging
import time
from collections import OrderedDict
from collections.abc import Callable
from dataclasses import dataclass, field
from enum import Enum
from threading import Condition, Thread
from typing import Final, Literal

from lofty_press.core.basics.words import Message, number, say
from lofty_press.core.mechanics.forming import FormingSummary, Progress
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.documents.kept.impression_key import impression_key
from lofty_press.documents.kept.impression_record import Recorded, summary_of
from lofty_press.service.db.connection import Database
from lofty_press.service.db.faults import is_fault
from lofty_press.service.http.errors import ServiceError
from lofty_press.service.keeping.impressions import jobs, repository
from lofty_press.service.keeping.impressions.jobs import COARSE, Rolling, Unsettled
from lofty_press.service.keeping.impressions.models import ImpressionAnswer, Kept, RunProgress, RunState, Stage
from lofty_press.service.work.budget import SHEET
from lofty_press.service.work.crew import Crew, Unwanted

log = logging.getLogger("lofty_press")

SETTLES = 0.4  # s; a sandwich that is still being changed is not worth a full run, and its coarse picture comes first
REMEMBERED = 16  # results at hand in memory, also those that the database could not take
UNKNOWN_FOR = 256  # keys that are known not to be in the database
NIP_SHARE = 0.3  # of the work of a run
FORGOTTEN = 20.0  # s; a page that has not asked for so long does not look at its run any more


class Unknown(Enum):
    """Whether a sandwich was ever pressed is not known from memory."""

    YES = "unknown"


UNKNOWN: Final = Unknown.YES


def unsettled_words(found: Unsettled) -> Message:
    """What did not settle, and what holds instead."""
    left = number(float(f"{found.residual:.1e}"))
    if found.what == "nip":
        return say(
            (
                "The full pressure didn't settle ({left} of it was left), so you see the quick one instead. A pile a little thinner or "
                "thicker mostly settles."
            ),
            left=left,
        )
    return say("The computation didn't settle (residual {left} of the pressing), so you see no full result.", left=left)


@dataclass
class Run:
    """One sandwich on its way to a pressed sheet."""

    key: str
    sandwich: Sandwich
    wanted_by: dict[str, float]
    """Tabs that look at it, and when each last did."""
    state: RunState = "waiting"
    coarse: Recorded | None = None
    finer: Recorded | None = None
    full: Recorded | None = None
    rolled: float = 0.0
    progress: Progress | None = None
    message: Message | None = None
    changed: float = field(default_factory=time.monotonic)

    @property
    def best(self) -> Recorded | None:
        return self.full or self.finer or self.coarse

    @property
    def stage(self) -> Stage | None:
        return "full" if self.full else "finer" if self.finer else "coarse" if self.coarse else None


class Runs:
    """All runs of the application; every method may be called from any thread."""

    def __init__(self, database: Database, crew: Crew) -> None:
        self.database, self.crew = database, crew
        self.lock = Condition()
        self.runs: OrderedDict[str, Run] = OrderedDict()
        self.summaries: OrderedDict[str, FormingSummary | None] = OrderedDict()
        self.closing = False
        self.thread = Thread(target=self._work, name="forming", daemon=True)
        self.thread.start()

    def known(self, sandwich: Sandwich, tab: str) -> ImpressionAnswer | None:
        """The pressed sheet of a sandwich if it is kept or under way; None if nobody asked for it yet."""
        key = impression_key(sandwich)
        with self.lock:
            self._release(tab, key)
            run = self.runs.get(key)
            if run is not None:
                run.wanted_by[tab] = time.monotonic()
                if run.state in ("stopped", "failed"):  # asked for again: it gets another chance
                    run.state, run.message, run.changed = "waiting", None, time.monotonic()
                    self.lock.notify_all()
        if run is None:
            kept = self._kept(key)
            if kept is None:
                return None
            self._mark_used(key)
            return ImpressionAnswer(key=key, state="done", stage="full", result=kept, progress=None, message=None)
        if run.full is not None:
            self._mark_used(key)
        return self._answer(run)

    def begin(self, sandwich: Sandwich, tab: str, coarse: Recorded | None) -> ImpressionAnswer:
        """Put the full computation in line; until then there is the coarse picture, if that settled."""
        key = impression_key(sandwich)
        run = Run(key, sandwich, {tab: time.monotonic()}, coarse=coarse)
        with self.lock:
            present = self.runs.get(key)
            if present is not None:
                present.wanted_by[tab] = time.monotonic()
                run = present
            else:
                self.runs[key] = run
                self._drop_oldest()
            self.lock.notify_all()
        return self._answer(run)

    def look(self, key: str) -> ImpressionAnswer | None:
        """How far a run is; None if there is neither run nor kept result."""
        with self.lock:
            run = self.runs.get(key)
            if run is not None:
                for tab in run.wanted_by:
                    run.wanted_by[tab] = time.monotonic()
        if run is not None:
            return self._answer(run)
        kept = self._kept(key)
        return None if kept is None else ImpressionAnswer(key=key, state="done", stage="full", result=kept, progress=None, message=None)

    def stop(self, key: str) -> bool:
        """Stop a run by hand; what is there of it stays. False if there is no such run."""
        with self.lock:
            run = self.runs.get(key)
            if run is None:
                return False
            if run.state in ("waiting", "running"):
                run.wanted_by.clear()
                run.state = "stopped"
            return True

    def field(self, key: str, name: str) -> bytes | None:
        """A packed field of the best result there is."""
        with self.lock:
            run = self.runs.get(key)
            best = run.best if run is not None else None
        if best is not None:
            return best.fields.get(name)  # type: ignore[call-overload, no-any-return]
        with self.database.reading() as connection:
            return repository.get_field(connection, key, name)

    def remembered(self, sandwich: Sandwich) -> FormingSummary | Literal[Unknown.YES] | None:
        """What the full computation of a sandwich found, as far as memory tells."""
        key = impression_key(sandwich)
        with self.lock:
            if key not in self.summaries:
                return UNKNOWN
            self.summaries.move_to_end(key)
            return self.summaries[key]

    def summary(self, sandwich: Sandwich) -> FormingSummary | None:
        """The same, asking the database where memory does not tell; never waits for a computation."""
        found = self.remembered(sandwich)
        if not isinstance(found, Unknown):
            return found
        key = impression_key(sandwich)
        try:
            with self.database.reading() as connection:
                kept = repository.get_impression(connection, key)
                fields = {} if kept is None else repository.get_nip(connection, key, kept)
        except ServiceError:
            return None  # nothing is known, not even that there is none
        summary = None if kept is None else summary_of(kept.figures, fields)
        self._remember(key, summary)
        return summary

    def close(self) -> None:
        """Stop all work."""
        with self.lock:
            self.closing = True
            self.lock.notify_all()
        self.thread.join(5)

    def _drop_oldest(self) -> None:
        while len(self.runs) > REMEMBERED:
            oldest = next((k for k, r in self.runs.items() if r.state not in ("waiting", "running")), None)
            if oldest is None:
                oldest = next((k for k, r in self.runs.items() if r.state == "waiting" and not self._wanted(r)), None)
            if oldest is None:
                return
            del self.runs[oldest]

    def _wanted(self, run: Run) -> bool:
        """True while a page looks at a run. Whoever asked without naming a tab is taken to wait."""
        now = time.monotonic()
        return "" in run.wanted_by or any(now - seen < FORGOTTEN for seen in run.wanted_by.values())

    def _release(self, tab: str, key: str) -> None:
        """A tab that looks at something else does not want its older runs any more."""
        for run in self.runs.values():
            if run.key != key and tab in run.wanted_by:
                del run.wanted_by[tab]
                if not run.wanted_by and run.state in ("waiting", "running"):
                    run.state = "stopped"

    def _answer(self, run: Run) -> ImpressionAnswer:
        with self.lock:
            best, progress = run.best, run.progress
            result = None if best is None else Kept(figures=best.figures, panel=best.panel, fields=list(best.fields))
            told = None
            if progress is not None:
                told = RunProgress(cells=progress.shape, step=progress.step, residual=progress.residual, share=share_done(run))
            return ImpressionAnswer(key=run.key, state=run.state, stage=run.stage, result=result, progress=told, message=run.message)

    def _kept(self, key: str) -> Kept | None:
        try:
            with self.database.reading() as connection:
                return repository.get_impression(connection, key)
        except ServiceError:
            return None  # without the database it is computed again

    def _mark_used(self, key: str) -> None:
        try:
            with self.database.writing() as connection:
                repository.mark_used(connection, key)
        except ServiceError:
            log.warning("a pressed sheet could not be marked as used")

    def _remember(self, key: str, found: FormingSummary | None) -> None:
        with self.lock:
            self.summaries[key] = found
            self.summaries.move_to_end(key)
            while len(self.summaries) > UNKNOWN_FOR:
                self.summaries.popitem(last=False)

    def _next(self) -> Run | None:
        """The newest wish that waits; blocks until there is one, None when closing. Those that nobody looks at any more are let go."""
        with self.lock:
            while not self.closing:
                for run in self.runs.values():
                    if run.state == "waiting" and not self._wanted(run):
                        run.state = "stopped"
                waiting = next((r for r in reversed(self.runs.values()) if r.state == "waiting"), None)
                left = None if waiting is None else waiting.changed + SETTLES - time.monotonic()
                if waiting is not None and left is not None and left <= 0:
                    waiting.state, waiting.changed = "running", time.monotonic()
                    return waiting
                self.lock.wait(left)
        return None

    def _work(self) -> None:
        while (run := self._next()) is not None:
            try:
                wanted, note = self._followed(run)
                self._finish(run, self.crew.give(jobs.full, run.sandwich, budget=SHEET, wanted=wanted, note=note).result())
            except Unwanted:
                with self.lock:
                    run.state = "stopped"
            except ServiceError as error:
                self._fail(run, error.detail.message)
            except Exception:
                log.exception("forming failed")
                self._fail(run, say("The computation failed. You have the coarse picture. The log has the details."))

    def _followed(self, run: Run) -> tuple[Callable[[], bool], Callable[[Rolling | Progress | Recorded], None]]:
        """How a run is followed while a worker is at it: whether it is still wanted, and what is told on the way."""

        def wanted() -> bool:
            with self.lock:
                return not self.closing and run.state == "running" and self._wanted(run)

        def note(told: Rolling | Progress | Recorded) -> None:
            with self.lock:
                if isinstance(told, Recorded):
                    run.finer = told
                elif isinstance(told, Rolling):
                    run.rolled = told.share
                else:
                    run.progress = told

        return wanted, note

    def _finish(self, run: Run, full: Recorded | Unsettled) -> None:
        if isinstance(full, Unsettled):
            self._fail(run, unsettled_words(full))
            return
        try:
            with self.database.writing() as connection:
                repository.keep_impression(connection, run.key, full)
        except ServiceError as error:
            if not is_fault(error):
                raise
            log.warning("a pressed sheet could not be kept; it stays in memory")
        self._remember(run.key, summary_of(full.figures, full.fields))
        with self.lock:
            run.full, run.state, run.message = full, "done", None

    def _fail(self, run: Run, message: Message) -> None:
        with self.lock:
            run.state, run.message = "failed", message


def share_done(run: Run) -> float:
    """Rough share of the work: a part of it is the nip; of the rest half is on the finest grid, a quarter on the one before, and so on."""
    if run.state == "done":
        return 1.0
    if run.progress is None or run.coarse is None:
        return NIP_SHARE * run.rolled
    nx, _ = run.progress.shape
    finest = run.coarse.panel.cells[0] * COARSE / 0.2
    return NIP_SHARE + (1.0 - NIP_SHARE) * min(nx / finest * (0.5 + 0.05 * min(run.progress.step, 9)), 0.99)
