"""Forming runs outside of requests: one at a time, newest wish first, each tab's newer run replaces its older one."""

import logging
import time
from collections import OrderedDict
from collections.abc import Callable
from dataclasses import dataclass, field
from threading import Condition, Thread

from lofty_press.core.errors import InvalidInput, NoBalance
from lofty_press.core.forming.estimate import FormingSummary
from lofty_press.core.forming.impression import Impression, press
from lofty_press.core.forming.nested import Progress
from lofty_press.core.relief.height_map import Library
from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.documents.impression_key import impression_key
from lofty_press.documents.impression_record import Recorded, record, summary_of
from lofty_press.service.db.connection import Pool
from lofty_press.service.errors import DatabaseAway
from lofty_press.service.impressions import repository
from lofty_press.service.impressions.models import ImpressionAnswer, Kept, RunProgress, RunState, Stage
from lofty_press.service.warm import warm_forming

log = logging.getLogger("lofty_press")

COARSE = 0.8  # mm; cells of the picture that is there at once
COARSE_TOLERANCE = 5e-2
FINER, FINER_TOLERANCE = 0.4, 1e-2
SETTLES = 0.4  # s; a sandwich that is still being changed is not worth a full run, and its coarse picture comes first
REMEMBERED = 16  # results at hand in memory, also those that the database could not take
UNKNOWN_FOR = 256  # keys that are known not to be in the database


class Stopped(Exception):
    """The run was replaced by a newer wish or stopped by hand."""


@dataclass
class Run:
    """One sandwich on its way to a pressed sheet."""

    key: str
    sandwich: Sandwich
    wanted_by: set[str]
    state: RunState = "waiting"
    coarse: Recorded | None = None
    finer: Recorded | None = None
    full: Recorded | None = None
    progress: Progress | None = None
    message: str | None = None
    changed: float = field(default_factory=time.monotonic)

    @property
    def best(self) -> Recorded | None:
        return self.full or self.finer or self.coarse

    @property
    def stage(self) -> Stage | None:
        return "full" if self.full else "finer" if self.finer else "coarse" if self.coarse else None


class Runs:
    """All runs of the application; every method may be called from any thread."""

    def __init__(self, pool: Pool, library: Library) -> None:
        self.pool, self.library = pool, library
        self.lock = Condition()
        self.runs: OrderedDict[str, Run] = OrderedDict()
        self.summaries: OrderedDict[str, FormingSummary | None] = OrderedDict()
        self.closing = False
        self.thread = Thread(target=self._work, name="forming", daemon=True)
        self.thread.start()

    def ask(self, sandwich: Sandwich, tab: str) -> ImpressionAnswer:
        """The pressed sheet of a sandwich: kept, or as a coarse picture at once while the full one is computed.

        Raises
        ------
        InvalidInput
            If there is nothing to press.
        """
        key = impression_key(sandwich)
        with self.lock:
            self._release(tab, key)
            run = self.runs.get(key)
            if run is not None:
                run.wanted_by.add(tab)
                if run.state in ("stopped", "failed"):  # asked for again: it gets another chance
                    run.state, run.message, run.changed = "waiting", None, time.monotonic()
                    self.lock.notify_all()
        if run is None:
            kept = self._kept(key)
            if kept is not None:
                self._mark_used(key)
                return ImpressionAnswer(key=key, state="done", stage="full", result=kept, progress=None, message=None)
            run = self._begin(key, sandwich, tab)
        elif run.full is not None:
            self._mark_used(key)
        return self._answer(run)

    def look(self, key: str) -> ImpressionAnswer | None:
        """How far a run is; None if there is neither run nor kept result."""
        with self.lock:
            run = self.runs.get(key)
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
        with self.pool.connection() as connection:
            return repository.get_field(connection, key, name)

    def summary(self, sandwich: Sandwich) -> FormingSummary | None:
        """What the full computation of a sandwich found, if it was ever done; never waits for one."""
        key = impression_key(sandwich)
        with self.lock:
            if key in self.summaries:
                self.summaries.move_to_end(key)
                return self.summaries[key]
        try:
            with self.pool.connection() as connection:
                kept = repository.get_impression(connection, key)
        except DatabaseAway:
            return None  # nothing is known, not even that there is none
        found = None if kept is None else summary_of(kept.figures)
        self._remember(key, found)
        return found

    def close(self) -> None:
        """Stop all work."""
        with self.lock:
            self.closing = True
            self.lock.notify_all()
        self.thread.join(5)

    def _begin(self, key: str, sandwich: Sandwich, tab: str) -> Run:
        """Compute the coarse picture here and now, and leave the full one to the worker."""
        run = Run(key, sandwich, {tab})
        start = time.perf_counter()
        found = press(sandwich, self.library, finest=COARSE, tolerance=COARSE_TOLERANCE)
        if found.converged:  # else there is nothing to show before the full run has decided
            run.coarse = record(found, time.perf_counter() - start)
        with self.lock:
            present = self.runs.get(key)
            if present is not None:
                present.wanted_by.add(tab)
                return present
            self.runs[key] = run
            while len(self.runs) > REMEMBERED:
                oldest = next((k for k, r in self.runs.items() if r.state not in ("waiting", "running")), None)
                if oldest is None:
                    break
                del self.runs[oldest]
            self.lock.notify_all()
        return run

    def _release(self, tab: str, key: str) -> None:
        """A tab that looks at something else does not want its older runs any more."""
        for run in self.runs.values():
            if run.key != key and tab in run.wanted_by:
                run.wanted_by.discard(tab)
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
            with self.pool.connection() as connection:
                return repository.get_impression(connection, key)
        except DatabaseAway:
            return None  # without the database it is computed again

    def _mark_used(self, key: str) -> None:
        try:
            with self.pool.connection() as connection:
                repository.mark_used(connection, key)
                connection.commit()
        except DatabaseAway:
            log.warning("a pressed sheet could not be marked as used")

    def _remember(self, key: str, found: FormingSummary | None) -> None:
        with self.lock:
            self.summaries[key] = found
            self.summaries.move_to_end(key)
            while len(self.summaries) > UNKNOWN_FOR:
                self.summaries.popitem(last=False)

    def _next(self) -> Run | None:
        """The newest wish that waits; blocks until there is one, None when closing."""
        with self.lock:
            while not self.closing:
                waiting = next((r for r in reversed(self.runs.values()) if r.state == "waiting"), None)
                left = None if waiting is None else waiting.changed + SETTLES - time.monotonic()
                if waiting is not None and left is not None and left <= 0:
                    waiting.state, waiting.changed = "running", time.monotonic()
                    return waiting
                self.lock.wait(left)
        return None

    def _work(self) -> None:
        warm_forming()
        while (run := self._next()) is not None:
            try:
                self._refine(run)
                self._finish(run, press(run.sandwich, self.library, report=self._reporter(run)))
            except Stopped:
                pass
            except (InvalidInput, NoBalance) as error:
                self._fail(run, str(error))
            except DatabaseAway as error:
                self._fail(run, error.detail.message)
            except Exception:
                log.exception("forming failed")
                self._fail(run, "The computation failed; the coarse picture is all there is. The log has the details.")

    def _refine(self, run: Run) -> None:
        """A picture between the coarse and the full one, for a fifth of the time."""
        start = time.perf_counter()
        found = press(run.sandwich, self.library, finest=FINER, tolerance=FINER_TOLERANCE, report=self._reporter(run))
        if found.converged:
            finer = record(found, time.perf_counter() - start)
            with self.lock:
                run.finer = finer

    def _reporter(self, run: Run) -> Callable[[Progress], None]:
        def report(progress: Progress) -> None:
            with self.lock:
                run.progress = progress
                if self.closing or run.state == "stopped":
                    raise Stopped

        return report

    def _finish(self, run: Run, found: Impression) -> None:
        if not found.converged and found.formed is not None:
            message = f"The computation did not settle (residual {found.formed.residual:.1e} of the pressing), so no full result is shown."
            self._fail(run, message)
            return
        seconds = time.monotonic() - run.changed
        full = record(found, seconds)
        try:
            with self.pool.connection() as connection:
                repository.keep_impression(connection, run.key, full)
                connection.commit()
        except DatabaseAway:
            log.warning("a pressed sheet could not be kept; it stays in memory")
        self._remember(run.key, summary_of(full.figures))
        with self.lock:
            run.full, run.state, run.message = full, "done", None

    def _fail(self, run: Run, message: str) -> None:
        with self.lock:
            run.state, run.message = "failed", message


def share_done(run: Run) -> float:
    """Rough share of the work: half of it is on the finest grid, a quarter on the one before, and so on."""
    if run.state == "done":
        return 1.0
    if run.progress is None or run.coarse is None:
        return 0.0
    nx, _ = run.progress.shape
    finest = run.coarse.panel.cells[0] * COARSE / 0.2
    return min(nx / finest * (0.5 + 0.05 * min(run.progress.step, 9)), 0.99)
