"""Workers in processes of their own: every computation that a request starts is done by one of them, within a budget that is kept from outside.

A worker that computes too long is ended and another takes its place; so is one whose asker has left. What counts is the time that it had a
processor: a busy machine makes nothing too complicated. Tasks wait by tab and are taken in turn, so that a tab that asks a lot does not keep the
others waiting.
"""

import contextlib
import logging
import multiprocessing
import os
import time
from collections import OrderedDict, deque
from collections.abc import Callable
from concurrent.futures import Future, InvalidStateError
from contextlib import AbstractContextManager, nullcontext
from dataclasses import dataclass, field
from multiprocessing.connection import Connection
from threading import Condition, Event, Lock, Thread
from typing import Any

from lofty_press.core.basics.words import say, seconds
from lofty_press.core.sandwich.relief import Library
from lofty_press.service.http.errors import Busy, NoResult, OverBudget, Refused
from lofty_press.service.work import wire  # noqa: F401  # says how sandwiches are pickled
from lofty_press.service.work.budget import MOST_WAITING, MOST_WAITING_OF_ONE, NICE, WORKERS, Budget, Lane
from lofty_press.service.work.forge import prepare
from lofty_press.service.work.tools import Job
from lofty_press.service.work.worker import Answer, Note, Order, Question, Unanswered, work

log = logging.getLogger("lofty_press")

TICKS = os.sysconf("SC_CLK_TCK")  # a second, of the kernel's account of computing time
LOOKS = 0.05  # s between two looks at whether the task is still wanted
BIRTH = Lock()
"""The standard library counts its child processes without a lock of its own."""
SPARED = 0.4  # s; a task that nobody wants any more may end by itself if it is not older than this


class Unwanted(Exception):
    """Nobody waits for the task any more."""


Session = Callable[[], AbstractContextManager[Callable[[str, Any], Any]]]
"""Opens a conversation between one computation and the service: who answers what the worker asks, from its first question to its result. What it holds (such
as a transaction) it lets go of in the thread that opened it, and is told if the computation failed."""


@dataclass(eq=False)
class Task:
    """One computation: `wanted` is asked now and then whether anybody still waits for it, `note` is given what is sent on the way. `session`, where there is
    one, is entered around it and gives who answers its questions."""

    job: Job
    arguments: tuple[Any, ...]
    budget: Budget
    tab: str
    wanted: Callable[[], bool]
    note: Callable[[Any], None] | None
    session: Session | None = None
    future: Future[Any] = field(default_factory=Future)


class Queue:
    """Waiting tasks of one lane, by tab; the tabs take turns."""

    def __init__(self) -> None:
        self.tabs: OrderedDict[str, deque[Task]] = OrderedDict()

    def __len__(self) -> int:
        return sum(len(waiting) for waiting in self.tabs.values())

    def put(self, task: Task) -> None:
        """Add a task at the end of its tab's.

        Raises
        ------
        Busy
            If too many wait already.
        """
        if len(self) >= MOST_WAITING or len(self.tabs.get(task.tab, ())) >= MOST_WAITING_OF_ONE:
            raise Busy()
        self.tabs.setdefault(task.tab, deque()).append(task)

    def take(self) -> Task | None:
        """The next task, of the tab whose turn it is; those that nobody waits for are dropped."""
        while self.tabs:
            tab, waiting = next(iter(self.tabs.items()))
            task = waiting.popleft()
            del self.tabs[tab]
            if waiting:
                self.tabs[tab] = waiting
            if task.wanted():
                return task
            settle(task.future, None, Unwanted())
        return None


def settle(future: Future[Any], result: Any, error: BaseException | None) -> None:
    """Tell whoever waits; nobody does if the wait itself was given up."""
    with contextlib.suppress(InvalidStateError):
        if error is None:
            future.set_result(result)
        else:
            future.set_exception(error)


class Crew:
    """All workers of the application; every method may be called from any thread."""

    def __init__(self, built_in: Library, answers: Callable[[str, Any], Any]) -> None:
        """Start the workers; `answers` answers what they ask: a question's subject and key to the answer."""
        prepare()
        self.context = multiprocessing.get_context("forkserver")
        self.built_in, self.answers = built_in, answers
        self.lock = Condition()
        self.closing = False
        self.there = Event()
        """Set once the first worker is up."""
        self.queues: dict[Lane, Queue] = {lane: Queue() for lane in WORKERS}
        self.threads = [Thread(target=self._serve, args=(lane,), daemon=True) for lane, count in WORKERS.items() for _ in range(count)]
        for thread in self.threads:
            thread.start()

    def give(
        self,
        job: Job,
        *arguments: Any,
        budget: Budget,
        tab: str = "",
        wanted: Callable[[], bool] = lambda: True,
        note: Callable[[Any], None] | None = None,
        session: Session | None = None,
    ) -> Future[Any]:
        """Put a task in line.

        Raises
        ------
        Busy
            If too many wait already.
        """
        task = Task(job, arguments, budget, tab, wanted, note, session)
        with self.lock:
            if self.closing:
                raise Busy(say("Lofty Press is shutting down."))
            self.queues[budget.lane].put(task)
            self.lock.notify_all()
        return task.future

    def close(self) -> None:
        """End all work at once."""
        with self.lock:
            self.closing = True
            self.lock.notify_all()
        for thread in self.threads:
            thread.join(3)

    def _serve(self, lane: Lane) -> None:
        worker: Worker | None = None
        try:
            while True:
                worker = self._ready(worker, lane)
                task = self._next(lane)
                if task is None:
                    return
                try:
                    worker = worker or Worker(self.context, self.built_in, NICE[lane])
                    with task.session() if task.session is not None else nullcontext(self.answers) as answers:
                        result = worker.do(task, answers, lambda: self.closing)
                    error = None
                except BaseException as raised:
                    result, error = None, raised
                settle(task.future, result, error)
        finally:
            if worker is not None:
                worker.end()

    def _ready(self, worker: "Worker | None", lane: Lane) -> "Worker | None":
        """A living worker, before there is anything to do for it; None if none can be had just now."""
        if worker is not None and worker.idle:
            return worker
        if worker is not None:
            worker.end()
        try:
            made = Worker(self.context, self.built_in, NICE[lane])
            self.there.set()
            return made
        except Exception as error:
            log.warning("no worker can be started just now: %s", error)
            return None

    def _next(self, lane: Lane) -> Task | None:
        with self.lock:
            while not self.closing:
                task = self.queues[lane].take()
                if task is not None:
                    return task
                self.lock.wait()
        return None


def computing_time(process: int) -> float:
    """How long a process has had a processor so far, in its own code and in the kernel's; 0 of one that is gone. [s]"""
    try:
        with open(f"/proc/{process}/stat") as file:
            user, system = file.read().rpartition(")")[2].split()[11:13]
    except (OSError, ValueError):
        return 0.0
    return (int(user) + int(system)) / TICKS


class Worker:
    """The service's side of one worker process."""

    def __init__(self, context: Any, built_in: Library, nice: int) -> None:
        self.line: Connection
        self.line, theirs = context.Pipe()
        self.process = context.Process(target=work, args=(theirs, built_in, nice), daemon=True)
        with BIRTH:
            self.process.start()
        theirs.close()
        self.alive = True
        self.computing = False
        """True from a task's order to its answer: what comes on the line meanwhile belongs to it and to no other."""

    @property
    def idle(self) -> bool:
        """True if it can be given a task."""
        return self.alive and not self.computing

    def do(self, task: Task, answers: Callable[[str, Any], Any], closing: Callable[[], bool]) -> Any:
        """Have a task done and return its result, or raise why there is none."""
        began = time.monotonic()
        computed = computing_time(self.process.pid)
        fault: Exception | None = None
        try:
            self.computing = True
            self.line.send(Order(task.job, task.arguments, task.budget.seconds, task.budget.megabytes))
            while True:
                if not self.line.poll(LOOKS):
                    self._look_at(task, time.monotonic() - began, computed, closing())
                    continue
                told = self.line.recv()
                if isinstance(told, Answer):
                    self.computing = False
                    return self._result(told, fault)
                if isinstance(told, Note):
                    if task.note is not None:
                        task.note(told.value)
                elif isinstance(told, Question):
                    fault = self._answer(told, answers)
        except (EOFError, OSError) as error:
            self.end()
            raise OverBudget(
                say("The computation broke off on this input. Nothing was stored. Is a shape or a file damaged or far too detailed?")
            ) from error

    def _look_at(self, task: Task, age: float, computed: float, closing: bool) -> None:
        if age > task.budget.longest:
            self.end()
            text = say(
                "This machine is too busy: no answer after {time}. Nothing was stored. Ask again in a moment.",
                time=seconds(task.budget.longest),
            )
            raise Busy(text)
        if age > task.budget.seconds and computing_time(self.process.pid) - computed > task.budget.seconds:
            self.end()
            text = say(
                "This took over {time}, so we stopped it. Nothing was stored. Make the outlines or the file simpler.",
                time=seconds(task.budget.seconds),
            )
            raise OverBudget(text)
        if closing or (age > SPARED and not task.wanted()):
            self.end()
            raise Unwanted

    def _answer(self, question: Question, answers: Callable[[str, Any], Any]) -> Exception | None:
        """Tell the worker what it asks; if that cannot be told, its task fails with the reason, which is returned."""
        try:
            answer = answers(question.about, question.key)
        except Exception as error:
            self.line.send(Unanswered())
            return error
        self.line.send(answer)
        return None

    def _result(self, told: Answer, fault: Exception | None) -> Any:
        if told.swollen:
            self.end()
        if told.kind == "unanswered" and fault is not None:
            raise fault
        if told.kind == "done":
            return told.value
        if told.kind == "invalid":
            field_name, message, got = told.value
            raise Refused(message, field=field_name, got=got)
        if told.kind == "no-balance":
            raise NoResult(
                say("The computation didn't settle ({reason}). Nothing was stored. Change the sandwich a little.", reason=told.value)
            )
        if told.kind == "memory":
            raise OverBudget(say("This needs more memory than we allow. Nothing was stored. Make the outlines or the file simpler."))
        raise RuntimeError(f"a computation failed:\n{told.value}")

    def end(self) -> None:
        """End the process, whatever it is doing."""
        if not self.alive:
            return
        self.alive = False
        self.process.kill()
        self.process.join()
        self.process.close()
        self.line.close()
